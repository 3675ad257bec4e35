package decant.pin;

import decant.model.finding.Finding;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;

/**
 * How the pages of a source compare with what they are published as.
 *
 * @param pages those that were compared, in their order
 * @param complete whether all were
 * @param offSheet what of the document is on no sheet
 */
public record Judgement(List<Verdict> pages, boolean complete, List<Finding> offSheet) {
  /**
   * One page of the source.
   *
   * @param page its number, from 0
   * @param width in points, as it is shown
   * @param height in points, as it is shown
   * @param published the page, from 0, that holds most of what stands on it
   * @param alike how much of the ink of both stands in the same places, 0 to 1
   * @param kept the ink that is published, of that of the source
   * @param together the share of what stands on it that stands together on that page
   * @param differs what is otherwise on that page
   */
  public record Verdict(
      int page,
      double width,
      double height,
      int published,
      double alike,
      double kept,
      double together,
      Differs differs) {
    List<GoneInk.Area> gone() {
      return differs.gone();
    }

    /** The share of the ink that has nothing near its place. */
    double goneShare() {
      return gone().stream().mapToDouble(GoneInk.Area::share).sum();
    }

    /** Whether what has nothing near its place is not elsewhere on the page either. */
    boolean hasLost() {
      return !gone().isEmpty() && kept < WHOLE && 1 - kept >= goneShare() / 2;
    }

    /** A page that shows more of its ink shows the same in slightly other letters. */
    private static final double WHOLE = 0.95;
  }

  /**
   * What of a page of the source is otherwise on the page that it is published as.
   *
   * @param gone where it shows what the published page has nothing near the place of
   * @param recoloured where areas, of either page, have another colour on the other
   * @param unsaid lines above and below its text with words that the published page does not have
   */
  public record Differs(
      List<GoneInk.Area> gone, List<GoneInk.Area> recoloured, List<String> unsaid) {
    public Differs {
      gone = List.copyOf(gone);
      recoloured = List.copyOf(recoloured);
      unsaid = List.copyOf(unsaid);
    }
  }

  public Judgement {
    pages = List.copyOf(pages);
    offSheet = List.copyOf(offSheet);
  }

  /**
   * This, with pages that it did not come to as an earlier one had them.
   *
   * @param flowing the pages that flow by now
   */
  Judgement over(Judgement earlier, Set<Integer> flowing) {
    if (complete) {
      return this;
    }
    var all = new TreeMap<Integer, Verdict>();
    earlier.pages.stream()
        .filter(v -> flowing.contains(v.page()))
        .forEach(v -> all.put(v.page(), v));
    pages.forEach(v -> all.put(v.page(), v));
    return new Judgement(List.copyOf(all.values()), all.size() == flowing.size(), offSheet);
  }
}
