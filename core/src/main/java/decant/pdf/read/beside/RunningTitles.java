package decant.pdf.read.beside;

import decant.pdf.read.beside.RunningTexts.RunningText;
import decant.pdf.read.page.Folding;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Running texts that take turns at one place: titles of chapters. One running text stands for all,
 * as a field that shows the heading of the page where the texts are headings.
 */
public final class RunningTitles {
  private final Map<String, String> headings;

  /**
   * @param headings folded texts of headings, and the style that each has
   */
  public RunningTitles(Map<String, String> headings) {
    this.headings = headings;
  }

  /**
   * What stands at one place.
   *
   * @param usual the text that most pages have
   * @param style the style of the headings that the texts name; empty if there is but one text, or
   *     if they are no headings
   */
  public record Title(RunningText usual, Optional<String> style) {}

  /** The places of texts, each with the text or the headings that stand there. */
  public List<Title> of(List<RunningText> texts) {
    List<RunningText> byPages = new ArrayList<>(texts);
    byPages.sort(Comparator.comparingInt((RunningText t) -> t.lines().size()).reversed());
    var places = new ArrayList<List<RunningText>>();
    for (RunningText t : byPages) {
      places.stream()
          .filter(p -> p.stream().allMatch(o -> takeTurns(o, t)))
          .findFirst()
          .ifPresentOrElse(p -> p.add(t), () -> places.add(new ArrayList<>(List.of(t))));
    }
    return places.stream().map(p -> new Title(p.getFirst(), style(p))).toList();
  }

  private static boolean takeTurns(RunningText a, RunningText b) {
    TextLine x = a.lines().getFirst();
    TextLine y = b.lines().getFirst();
    boolean samePlace =
        Math.abs(x.baseline() - y.baseline()) < BesideThresholds.RunningTitles.SAME_LINE * x.size()
            && (Math.abs(x.box().x() - y.box().x())
                    < BesideThresholds.RunningTitles.SAME_PLACE * x.size()
                || Math.abs(x.box().right() - y.box().right())
                    < BesideThresholds.RunningTitles.SAME_PLACE * x.size()
                || Math.abs(middle(x) - middle(y))
                    < BesideThresholds.RunningTitles.SAME_PLACE * x.size());
    return samePlace
        && a.header() == b.header()
        && java.util.Collections.disjoint(pages(a), pages(b));
  }

  private static double middle(TextLine l) {
    return l.box().x() + l.box().width() / 2;
  }

  private static Set<Integer> pages(RunningText t) {
    var out = new HashSet<Integer>();
    t.lines().forEach(l -> out.add(l.page()));
    return out;
  }

  private Optional<String> style(List<RunningText> place) {
    if (place.size() < 2) {
      return Optional.empty();
    }
    Map<String, Integer> styles = new HashMap<>();
    for (RunningText t : place) {
      heading(t).ifPresent(s -> styles.merge(s, 1, Integer::sum));
    }
    return styles.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .filter(e -> e.getValue() * 2 >= place.size())
        .map(Map.Entry::getKey);
  }

  /** The style of the heading that a text is, or ends with after "Chapter 3" or the like. */
  private Optional<String> heading(RunningText t) {
    String text = Folding.fold(t.text());
    while (!text.isEmpty()) {
      String style = headings.get(text);
      if (style != null) {
        return Optional.of(style);
      }
      int space = text.indexOf(' ');
      text = space < 0 ? "" : text.substring(space + 1);
    }
    return Optional.empty();
  }
}
