package decant.pin;

import java.util.List;

/**
 * How the pages of a source compare with what they are published as.
 *
 * @param pages those that were compared, in their order
 * @param complete whether all were
 */
public record Judgement(List<Verdict> pages, boolean complete) {
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
   */
  public record Verdict(
      int page,
      double width,
      double height,
      int published,
      double alike,
      double kept,
      double together) {}

  public Judgement {
    pages = List.copyOf(pages);
  }
}
