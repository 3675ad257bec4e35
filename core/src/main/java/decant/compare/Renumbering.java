package decant.compare;

import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

/**
 * Which labels that are not the same anymore are told: an item that was put in changes the numbers
 * of all that follow it, and of all below them, which is no difference of its own.
 */
final class Renumbering {
  private static final int DEPTHS = 9;

  /** A level of a list of one of the versions. */
  private record Place(boolean first, String series, int depth) {
    static Place of(boolean first, Label l) {
      return new Place(first, l.series(), l.depth());
    }
  }

  /** Where something is listed already that numbers may differ by. */
  private final Set<Place> explained = new HashSet<>();

  /** Where it is told that items are counted in another manner. */
  private final Set<Place> mannersTold = new HashSet<>();

  /**
   * An item is in one version only, or elsewhere in the other.
   *
   * @param first whether it is one of the first version
   */
  void listed(Optional<Label> label, boolean first) {
    label.ifPresent(l -> addAll(explained, first, l));
  }

  /** Labels may have in them those of the levels above. */
  private static void addAll(Set<Place> places, boolean first, Label label) {
    for (int d = label.depth(); d < DEPTHS; d++) {
      places.add(new Place(first, label.series(), d));
    }
  }

  /**
   * Takes the next item, which both have.
   *
   * @param signs whether signs are compared, too, and not only what is counted
   * @return whether its label is a difference that is still to be told
   */
  boolean isNew(Label a, Label b, boolean signs) {
    Place was = Place.of(true, a);
    Place is = Place.of(false, b);
    if (signs ? a.text().equals(b.text()) : a.counted().equals(b.counted())) {
      explained.remove(was);
      explained.remove(is);
      return false;
    }
    boolean known = explained.contains(was) || explained.contains(is);
    listed(Optional.of(a), true);
    listed(Optional.of(b), false);
    boolean manner = signs && !a.manner().equals(b.manner()) && !mannersTold.contains(was);
    if (manner) {
      addAll(mannersTold, true, a);
    }
    return !known || manner;
  }
}
