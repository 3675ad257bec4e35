package decant.pdf.read.page;

import decant.model.Box;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A piece of a line of text without wide gaps, in reading order. Spaces are glyphs like others. Its
 * text and weight are asked for many times, and so are kept.
 */
public final class TextLine {
  /** Of the size of its line: raised marks are 0.58 to 0.83 of it in common programs. */
  private static final double RAISED_SIZE = 0.86;

  /** How far at least a mark is raised, in ems of its line; 0.33 is usual. */
  private static final double RAISED = 0.1;

  /** Of the letters of a line that are bold, or italic, where the line is. */
  private static final double MOSTLY = 0.8;

  private final int page;
  private final List<Glyph> glyphs;
  private final Box box;
  private final double baseline;
  private final double size;
  private @Nullable String text;
  private @Nullable Boolean bold;
  private @Nullable Boolean italic;

  public TextLine(int page, List<Glyph> glyphs, Box box, double baseline, double size) {
    this.page = page;
    this.glyphs = List.copyOf(glyphs);
    this.box = box;
    this.baseline = baseline;
    this.size = size;
  }

  public int page() {
    return page;
  }

  public List<Glyph> glyphs() {
    return glyphs;
  }

  public Box box() {
    return box;
  }

  /** Height of its baseline. */
  public double baseline() {
    return baseline;
  }

  /** The size that most of its letters have. */
  public double size() {
    return size;
  }

  /** Down the page, and from left to right on one baseline. */
  public static final Comparator<TextLine> DOWN =
      Comparator.comparingDouble(TextLine::baseline).thenComparingDouble(l -> l.box().x());

  /** A part of this line, without spaces at its ends. It has to hold more than spaces. */
  public TextLine part(List<Glyph> some) {
    int from = 0;
    int to = some.size();
    while (some.get(from).isSpace()) {
      from++;
    }
    while (some.get(to - 1).isSpace()) {
      to--;
    }
    List<Glyph> ink = some.subList(from, to);
    double left = ink.stream().mapToDouble(Glyph::x).min().orElseThrow();
    double right = ink.stream().mapToDouble(Glyph::right).max().orElseThrow();
    return new TextLine(
        page, ink, new Box(left, box.y(), right - left, box.height()), baseline, size);
  }

  /** How wide its first word is. */
  public double firstWord() {
    double w = 0;
    for (Glyph g : glyphs) {
      if (g.isSpace()) {
        break;
      }
      w += g.width();
    }
    return w;
  }

  public String text() {
    String known = text;
    if (known == null) {
      var b = new StringBuilder(glyphs.size());
      for (Glyph g : glyphs) {
        b.append(g.text());
      }
      known = b.toString();
      text = known;
    }
    return known;
  }

  /** The height on the page at which its small letters have their middle. */
  public double middle() {
    return Anatomy.middle(baseline, size);
  }

  /** Whether most of its letters are bold. */
  public boolean bold() {
    Boolean known = bold;
    if (known == null) {
      known = share(true) > MOSTLY;
      bold = known;
    }
    return known;
  }

  /** Whether most of its letters are italic. */
  public boolean italic() {
    Boolean known = italic;
    if (known == null) {
      known = share(false) > MOSTLY;
      italic = known;
    }
    return known;
  }

  private double share(boolean ofBold) {
    int all = 0;
    int with = 0;
    for (Glyph g : glyphs) {
      if (!g.isSpace()) {
        all++;
        with += (ofBold ? g.ink().face().bold() : g.ink().face().italic()) ? 1 : 0;
      }
    }
    return all == 0 ? 0 : with / (double) all;
  }

  @Override
  public boolean equals(@Nullable Object o) {
    return this == o
        || o instanceof TextLine l
            && page == l.page
            && Double.compare(baseline, l.baseline) == 0
            && Double.compare(size, l.size) == 0
            && box.equals(l.box)
            && glyphs.equals(l.glyphs);
  }

  @Override
  public int hashCode() {
    return 31 * (31 * page + Double.hashCode(baseline)) + box.hashCode();
  }

  @Override
  public String toString() {
    return "TextLine[" + text() + " on page " + page + " at " + box + "]";
  }

  /**
   * Whether one of its letters stands above its baseline in a smaller size, as marks of notes do.
   */
  public boolean isRaised(Glyph g) {
    return !g.isSpace()
        && g.size() < RAISED_SIZE * size()
        && g.baseline() < baseline() - RAISED * size();
  }
}
