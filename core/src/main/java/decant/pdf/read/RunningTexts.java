package decant.pdf.read;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What repeats at the head and the foot of pages. */
final class RunningTexts {
  /** How far from the edge of the page running texts are looked for, as a share of its height. */
  private static final double ZONE = 0.13;

  /**
   * A running text.
   *
   * @param pageNumber whether digits in it are the number of its page
   */
  record RunningText(boolean header, String text, List<TextLine> lines, boolean pageNumber) {}

  /** The running texts, and the lines they are made of. */
  record Result(List<RunningText> texts, Set<TextLine> lines) {}

  private record Key(boolean header, String masked, long height) {}

  private RunningTexts() {}

  static Result of(List<ScannedPage> pages, List<List<TextLine>> linesByPage) {
    Map<Key, List<TextLine>> groups = new HashMap<>();
    for (int p = 0; p < pages.size(); p++) {
      double h = pages.get(p).height();
      for (TextLine l : linesByPage.get(p)) {
        boolean header = l.box().bottom() < h * ZONE;
        boolean footer = l.box().y() > h * (1 - ZONE);
        if (header || footer) {
          groups
              .computeIfAbsent(
                  new Key(header, mask(l.text()), Math.round(l.baseline() / 4)),
                  k -> new ArrayList<>())
              .add(l);
        }
      }
    }
    var texts = new ArrayList<RunningText>();
    Set<TextLine> taken = new HashSet<>();
    int least = Math.max(2, (int) Math.ceil(pages.size() * 0.25));
    groups.forEach((key, lines) -> {
      long onPages = lines.stream().map(TextLine::page).distinct().count();
      boolean number =
          lines.stream().allMatch(RunningTexts::holdsPageNumber) && key.masked().contains("#");
      boolean bareNumber =
          key.masked().replaceAll("[#\\s|/–-]", "").isEmpty() && !key.masked().isBlank();
      boolean repeats = onPages >= least && (pages.size() > 2 || onPages == pages.size());
      boolean edge =
          lines.stream().allMatch(l -> isOutermost(l, linesByPage.get(l.page()), key.header()));
      if (edge && (repeats || number && bareNumber && onPages >= 2)) {
        texts.add(new RunningText(key.header(), lines.getFirst().text(), lines, number));
        taken.addAll(lines);
      }
    });
    return new Result(texts, taken);
  }

  /**
   * Running texts stand apart from the body: hardly anything but other running texts lies beyond
   * them.
   */
  private static boolean isOutermost(TextLine l, List<TextLine> page, boolean header) {
    long beyond =
        page.stream()
            .filter(o ->
                header ? o.box().bottom() < l.box().y() - 1 : o.box().y() > l.box().bottom() + 1)
            .count();
    return beyond <= 3;
  }

  private static boolean holdsPageNumber(TextLine l) {
    var m = java.util.regex.Pattern.compile("\\d+").matcher(l.text());
    return m.find();
  }

  private static String mask(String text) {
    return text.replaceAll("\\d+", "#").replaceAll("\\s+", " ").strip();
  }
}
