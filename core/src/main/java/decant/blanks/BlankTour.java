package decant.blanks;

import decant.model.Document;
import decant.model.NodeId;
import decant.model.Position;
import decant.model.Selection;
import decant.model.edit.Revision;
import decant.model.look.FormField;
import decant.model.look.TextTraits;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Goes from blank to blank in the order of the text. */
public final class BlankTour {
  private BlankTour() {}

  /** A place with the blank that it is one of. */
  private record Stop(Blank blank, int number) {
    Blank.Place place() {
      return blank.places().get(number);
    }

    boolean holds(Selection s) {
      Blank.Place p = place();
      return s.caret().paragraph().equals(p.paragraph())
          && s.anchor().paragraph().equals(p.paragraph())
          && in(s.caret().offset())
          && in(s.anchor().offset());
    }

    private boolean in(int offset) {
      return offset >= place().from() && offset <= place().to();
    }

    /** All that stands in it, so that what is typed takes its place. */
    Selection all() {
      Blank.Place p = place();
      return new Selection(
          new Position(p.paragraph(), p.from()), new Position(p.paragraph(), p.to()));
    }
  }

  /**
   * What is selected when one goes on from a blank.
   *
   * @param by 1 to the next, -1 to the one before; from the last to the first
   * @return empty if nothing of a blank is selected, or it is the only one
   */
  public static Optional<Selection> next(Revision r, int by) {
    if (!mayHold(r)) {
      return Optional.empty();
    }
    List<Stop> all = stops(r.document());
    for (int k = 0; k < all.size(); k++) {
      if (all.get(k).holds(r.selection())) {
        return all.size() == 1
            ? Optional.empty()
            : Optional.of(all.get(Math.floorMod(k + by, all.size())).all());
      }
    }
    return Optional.empty();
  }

  /** Turns the switch on or off that is selected; empty if none is. */
  public static Optional<Revision> turned(Revision r) {
    if (!mayHold(r)) {
      return Optional.empty();
    }
    return stops(r.document()).stream()
        .filter(s -> s.blank().isSwitch() && s.holds(r.selection()))
        .findFirst()
        .map(s -> {
          String option = s.blank().option(s.number());
          boolean on = s.blank().value().equals(option);
          boolean stays = on && s.blank().kind() == FormField.Kind.ONE_OF;
          Revision turned = stays ? r : Blanks.fill(r, Map.of(s.blank().name(), on ? "" : option));
          return turned.withSelection(s.all());
        });
  }

  /** Asked with keys that are typed all the time: a paragraph without fields ends the search. */
  private static boolean mayHold(Revision r) {
    return r.document()
        .paragraph(r.selection().caret().paragraph())
        .filter(p -> p.inlines().stream().anyMatch(i -> i.look().sets(TextTraits.FIELD)))
        .isPresent();
  }

  private static List<Stop> stops(Document d) {
    var out = new ArrayList<Stop>();
    for (Blank b : Blanks.of(d)) {
      for (int k = 0; k < b.places().size(); k++) {
        if (!d.isPinned(b.places().get(k).paragraph())) {
          out.add(new Stop(b, k));
        }
      }
    }
    Map<NodeId, Integer> order = new HashMap<>();
    d.paragraphs().forEach(p -> order.putIfAbsent(p.id(), order.size()));
    out.sort(
        Comparator.comparingInt((Stop s) -> order.getOrDefault(s.place().paragraph(), 0))
            .thenComparingInt(s -> s.place().from()));
    return out;
  }
}
