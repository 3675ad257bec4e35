package decant.recipe;

import decant.model.NodeId;
import decant.model.Outline;
import decant.publication.Publication;
import decant.publication.PublishedPage;
import java.util.ArrayList;
import java.util.List;

/** The chapters of a document: its headings with the pages up to the next of the same level. */
public final class Chapters {
  /**
   * A chapter.
   *
   * @param from its first page, from 0
   * @param to its last page, from 0
   */
  public record Chapter(NodeId heading, String text, int level, int from, int to) {}

  private Chapters() {}

  /** Every heading as a chapter, in reading order. */
  public static List<Chapter> of(Publication publication) {
    List<Outline.Heading> headings = publication.headings();
    int[] first = new int[headings.size()];
    for (int k = 0; k < first.length; k++) {
      first[k] =
          publication.pagesOf(headings.get(k).paragraph()).stream()
              .findFirst()
              .map(PublishedPage::number)
              .map(n -> n - 1)
              .orElse(-1);
    }
    var out = new ArrayList<Chapter>();
    for (int k = 0; k < first.length; k++) {
      if (first[k] < 0) {
        continue;
      }
      Outline.Heading h = headings.get(k);
      int next = k + 1;
      while (next < first.length && headings.get(next).level() > h.level()) {
        next++;
      }
      int last = publication.pages().size() - 1;
      if (next < first.length && first[next] >= 0) {
        // The next chapter may begin in the middle of a page, which then belongs to both.
        last =
            beginsPage(publication, headings.get(next).paragraph()) ? first[next] - 1 : first[next];
      }
      out.add(new Chapter(h.paragraph(), h.text(), h.level(), first[k], Math.max(first[k], last)));
    }
    return out;
  }

  private static boolean beginsPage(Publication publication, NodeId heading) {
    return publication.pagesOf(heading).stream()
        .findFirst()
        .filter(p -> p.beginsWith(heading))
        .isPresent();
  }

  /**
   * The chapters that a document is split into: those of the highest level that has more than one,
   * since the only one of its level is the title.
   */
  public static List<Chapter> toSplit(Publication publication) {
    List<Chapter> all = of(publication);
    for (int level = 1; level <= 9; level++) {
      int l = level;
      List<Chapter> some = all.stream().filter(c -> c.level() == l).toList();
      if (some.size() > 1) {
        return some;
      }
    }
    return all;
  }
}
