package decant.pdf.read.detected;

import decant.model.Box;
import decant.pdf.read.page.Anatomy;
import decant.pdf.read.page.Directions;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.Placed;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.List;

/** A block found on the pages, before it is part of a document. */
public sealed interface Detected {
  int page();

  Box box();

  /** What a paragraph is taken for. */
  enum Kind {
    PARAGRAPH,
    ITEM,
    HEADING,
    /** Of a contents page: it ends in a tab and the number of a page. */
    ENTRY
  }

  /**
   * Lines of text that belong together.
   *
   * @param marker of an item, such as a bullet or "2."; empty for other kinds. It is no part of the
   *     lines' text
   * @param level of a heading or an entry from 1, or depth of an item from 1
   * @param left edge of the text area it stands in
   * @param right edge of the text area it stands in
   * @param spaceBefore gap to the line above, beyond the usual pitch; 0 at the top of a page
   * @param mark the letters of the marker, where they stood; empty if that is not known
   */
  record Text(
      Kind kind,
      List<TextLine> lines,
      String marker,
      int level,
      double left,
      double right,
      double pitch,
      double spaceBefore,
      List<Glyph> mark)
      implements Detected {
    public Text {
      lines = List.copyOf(lines);
      mark = List.copyOf(mark);
    }

    /** Text without letters of a marker. */
    public Text(
        Kind kind,
        List<TextLine> lines,
        String marker,
        int level,
        double left,
        double right,
        double pitch,
        double spaceBefore) {
      this(kind, lines, marker, level, left, right, pitch, spaceBefore, List.of());
    }

    /** Text that stands as far to the sides as its lines do. */
    public static Text of(
        Kind kind, List<TextLine> lines, String marker, int level, double spaceBefore) {
      double left = lines.stream().mapToDouble(l -> l.box().x()).min().orElseThrow();
      double right = lines.stream().mapToDouble(l -> l.box().right()).max().orElseThrow();
      return new Text(kind, lines, marker, level, left, right, pitch(lines), spaceBefore);
    }

    /** From the first line to the second; that of usual setting where there is none below it. */
    public static double pitch(List<TextLine> lines) {
      double pitch = lines.size() > 1 ? lines.get(1).baseline() - lines.get(0).baseline() : 0;
      return pitch > 0 ? pitch : lines.getFirst().size() * Anatomy.LEADING;
    }

    @Override
    public int page() {
      return lines.getFirst().page();
    }

    @Override
    public Box box() {
      Box b = lines.getFirst().box();
      for (TextLine l : lines) {
        if (l.page() == page()) {
          b = b.union(l.box());
        }
      }
      return b;
    }

    public Text as(Kind otherKind, int otherLevel) {
      return new Text(otherKind, lines, marker, otherLevel, left, right, pitch, spaceBefore, mark);
    }

    public Text with(List<TextLine> others) {
      return new Text(kind, others, marker, level, left, right, pitch, spaceBefore, mark);
    }

    public double size() {
      return lines.getFirst().size();
    }

    public boolean bold() {
      return lines.stream().allMatch(TextLine::bold);
    }

    /** About how many letters it has. */
    public int letters() {
      return lines.stream().mapToInt(l -> l.glyphs().size()).sum();
    }

    public String text() {
      var b = new StringBuilder();
      lines.forEach(l -> b.append(b.isEmpty() ? "" : " ").append(l.text()));
      return b.toString();
    }
  }

  /**
   * A cell of a table.
   *
   * @param begins the lines that begin a paragraph where the file says so; the first does anyway
   */
  record DetectedCell(
      int columnSpan, int rowSpan, List<TextLine> lines, boolean header, List<Integer> begins) {
    public DetectedCell {
      lines = List.copyOf(lines);
      begins = List.copyOf(begins);
    }

    /** A cell whose lines are one paragraph, as far as is known. */
    public DetectedCell(int columnSpan, int rowSpan, List<TextLine> lines, boolean header) {
      this(columnSpan, rowSpan, lines, header, List.of());
    }

    /** This cell as one of a header row. */
    public DetectedCell asHeader() {
      return new DetectedCell(columnSpan, rowSpan, lines, true, begins);
    }

    /** The lines of each paragraph. */
    public List<List<TextLine>> paragraphs() {
      var out = new ArrayList<List<TextLine>>();
      int from = 0;
      for (int to : begins) {
        out.add(lines.subList(from, to));
        from = to;
      }
      out.add(lines.subList(from, lines.size()));
      return out;
    }
  }

  /**
   * A table; a merged cell stands where it begins.
   *
   * @param rest whether it is known to be the rest of the table before it
   */
  record Grid(
      int page,
      Box box,
      List<Double> columns,
      List<List<DetectedCell>> rows,
      Ruling ruling,
      boolean rest)
      implements Detected {
    public Grid {
      rows = List.copyOf(rows);
    }

    public Grid(
        int page, Box box, List<Double> columns, List<List<DetectedCell>> rows, Ruling ruling) {
      this(page, box, columns, rows, ruling, false);
    }

    /** As the rest of the table before it. */
    public Grid asRest() {
      return new Grid(page, box, columns, rows, ruling, true);
    }

    /** Where its columns end, from left to right, outer sides too. */
    public List<Double> edges() {
      var out = new ArrayList<Double>();
      out.add(box.x());
      for (double w : rightToLeft() ? columns.reversed() : columns) {
        out.add(out.getLast() + w);
      }
      return out;
    }

    /** Whether its text runs from right to left, and so its columns do. */
    public boolean rightToLeft() {
      int lean =
          rows.stream()
              .flatMap(List::stream)
              .flatMap(c -> c.lines().stream())
              .mapToInt(Directions::lean)
              .sum();
      return lean > 0;
    }

    /** The table with its columns in reading order; they are found from left to right. */
    public Grid inReadingOrder() {
      return rightToLeft()
          ? new Grid(
              page,
              box,
              columns.reversed(),
              rows.stream().map(r -> List.copyOf(r.reversed())).toList(),
              ruling,
              rest)
          : this;
    }
  }

  /** A picture. */
  record Figure(int page, Placed placed, String alt) implements Detected {
    @Override
    public Box box() {
      return placed.box();
    }
  }
}
