package decant.pdf.read.lines;

import decant.pdf.read.page.Glyph;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** Rows of dots that lead the eye from a text to what stands at the end of its line. */
public final class Leaders {
  private static final String DOTS = ".·․…‥";
  private static final Pattern PAGE = Pattern.compile("\\d{1,4}|[ivxlc]{1,8}|[A-Z]-?\\d{1,3}");

  private static final Pattern ROW = Pattern.compile("([.·․] ?){5,}");

  /**
   * A line that ends in the number of a page.
   *
   * @param glyphs with one tab in place of the gap before the number, whatever fills it
   * @param dotted whether dots fill the gap
   * @param number as it is written
   */
  public record Entry(List<Glyph> glyphs, boolean dotted, String number) {}

  private Leaders() {}

  /**
   * The entry that a line is, in reading order; empty if it ends otherwise. A line with one word
   * before a number and no dots between is none.
   */
  public static Optional<Entry> entry(List<Glyph> line) {
    int last = line.size();
    while (last > 0 && line.get(last - 1).isSpace()) {
      last--;
    }
    int number = last;
    while (number > 0 && !isGap(line.get(number - 1))) {
      number--;
    }
    String page = text(line.subList(number, last));
    if (!PAGE.matcher(page).matches()) {
      return Optional.empty();
    }
    int gap = number;
    int dots = 0;
    boolean tab = false;
    while (gap > 0 && isGap(line.get(gap - 1))) {
      gap--;
      dots += isDots(line.get(gap)) ? line.get(gap).text().equals("…") ? 3 : 1 : 0;
      tab |= line.get(gap).text().equals("\t");
    }
    // The stop that ends a sentence or an abbreviation is no leader.
    boolean dotted = dots >= LineThresholds.Leaders.MIN;
    if (gap == 0 || !dotted && (!tab || dots > 0)) {
      return Optional.empty();
    }
    var out = new ArrayList<>(line.subList(0, gap));
    List<Glyph> filled = line.subList(gap, number);
    double left = filled.stream().mapToDouble(Glyph::x).min().orElse(0);
    double right = filled.stream().mapToDouble(Glyph::right).max().orElse(left);
    Glyph tabGlyph = filled.getFirst().like("\t", left, Math.max(0, right - left));
    out.add(dotted ? tabGlyph.withDecor(tabGlyph.ink().decor().dotted()) : tabGlyph);
    out.addAll(line.subList(number, last));
    return Optional.of(new Entry(out, dotted, page));
  }

  /** Whether a text has a row of dots in it, whatever they lead to. */
  public static boolean in(String text) {
    return ROW.matcher(text).find();
  }

  private static boolean isGap(Glyph g) {
    return g.isSpace() || isDots(g);
  }

  /** Whether it is one of the dots that lead to a number. */
  public static boolean isDots(Glyph g) {
    return g.text().length() == 1 && DOTS.contains(g.text());
  }

  private static String text(List<Glyph> glyphs) {
    var b = new StringBuilder();
    glyphs.forEach(g -> b.append(g.text()));
    return b.toString();
  }
}
