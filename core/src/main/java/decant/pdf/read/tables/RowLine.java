package decant.pdf.read.tables;

import decant.pdf.read.lines.Regions;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * All that stands on one baseline, from left to right.
 *
 * @param pieces of the line, parted by wide gaps
 * @param words of all of them
 */
record RowLine(List<TextLine> pieces, List<Word> words) {
  /**
   * A run of letters without a space, from its left to its right edge.
   *
   * @param usual gap between the words of its piece; 0 where that has too few, or holds numbers
   */
  record Word(double left, double right, double usual) {
    double middle() {
      return (left + right) / 2;
    }

    /** Whether it begins far behind where another ends, as cells do. */
    boolean isApart(double end, double wide) {
      return left - end >= Math.max(wide, TableThresholds.WhiteColumns.OVER_USUAL * usual);
    }
  }

  RowLine {
    pieces = List.copyOf(pieces);
    words = List.copyOf(words);
  }

  /** Pieces of a page by their baselines, down the page. */
  static List<RowLine> of(List<TextLine> pieces) {
    return Regions.byBaseline(pieces).stream()
        .map(r -> r.stream().sorted(Comparator.comparingDouble(l -> l.box().x())).toList())
        .map(r -> new RowLine(r, words(r)))
        .toList();
  }

  private static List<Word> words(List<TextLine> pieces) {
    var out = new ArrayList<Word>();
    for (TextLine l : pieces) {
      var edges = new ArrayList<double[]>();
      boolean open = false;
      for (Glyph g : l.glyphs()) {
        if (g.isSpace()) {
          open = false;
        } else if (open) {
          double[] last = edges.getLast();
          last[0] = Math.min(last[0], g.x());
          last[1] = Math.max(last[1], g.right());
        } else {
          edges.add(new double[] {g.x(), g.right()});
          open = true;
        }
      }
      edges.sort(Comparator.comparingDouble(e -> e[0]));
      double usual = usual(l, edges);
      edges.forEach(e -> out.add(new Word(e[0], e[1], usual)));
    }
    out.sort(Comparator.comparingDouble(Word::left));
    return out;
  }

  /**
   * Lines that are spread to both edges have wider gaps than others, and all of them alike: those
   * between cells are no measure.
   */
  private static double usual(TextLine l, List<double[]> words) {
    long digits = l.text().codePoints().filter(Character::isDigit).count();
    long letters = l.text().codePoints().filter(Character::isLetter).count();
    if (words.size() < 4 || digits > letters) {
      return 0;
    }
    double[] gaps =
        IntStream.range(1, words.size())
            .mapToDouble(k -> words.get(k)[0] - words.get(k - 1)[1])
            .sorted()
            .toArray();
    return gaps[gaps.length / 4];
  }

  /** The lines of one row as if all stood on its first: where any has text, the row has. */
  static RowLine stacked(List<RowLine> lines) {
    var edges = new ArrayList<Word>();
    lines.stream()
        .flatMap(l -> l.words().stream())
        .sorted(Comparator.comparingDouble(Word::left))
        .forEach(w -> {
          if (!edges.isEmpty() && w.left() <= edges.getLast().right()) {
            Word last = edges.removeLast();
            edges.add(new Word(last.left(), Math.max(last.right(), w.right()), last.usual()));
          } else {
            edges.add(w);
          }
        });
    return new RowLine(lines.stream().flatMap(l -> l.pieces().stream()).toList(), edges);
  }

  /** From the left edge of what stands together in a line to its right edge. */
  record Span(double left, double right) {}

  /**
   * Where columns end, outer sides too, by where their texts do; empty if texts of two overlap.
   *
   * @param share of the white between two texts that is left of the edge
   */
  static Optional<List<Double>> edges(List<Span> texts, double share) {
    var out = new ArrayList<Double>();
    out.add(texts.getFirst().left());
    for (int c = 1; c < texts.size(); c++) {
      double end = texts.get(c - 1).right();
      double begin = texts.get(c).left();
      if (end >= begin) {
        return Optional.empty();
      }
      out.add(end + (begin - end) * share);
    }
    out.add(texts.getLast().right());
    return Optional.of(out);
  }

  /** What gaps of a width at least part, in points. */
  List<Span> parts(double wide) {
    var out = new ArrayList<Span>();
    double left = words.getFirst().left();
    double right = words.getFirst().right();
    for (Word w : words.subList(1, words.size())) {
      if (w.left() - right >= wide) {
        out.add(new Span(left, right));
        left = w.left();
      }
      right = Math.max(right, w.right());
    }
    out.add(new Span(left, right));
    return out;
  }

  /** Whether letters are too large, or too small, for those of one table. */
  static boolean isOtherSize(double size, double usual) {
    return Math.abs(size - usual) > TableThresholds.AlignedTables.OTHER_SIZE * usual;
  }

  double baseline() {
    return pieces.getFirst().baseline();
  }

  double size() {
    return pieces.getFirst().size();
  }

  double left() {
    return words.getFirst().left();
  }

  double right() {
    return words.stream().mapToDouble(Word::right).max().orElseThrow();
  }

  /** Whether wide gaps part it. */
  boolean parted() {
    return pieces.size() >= 2;
  }

  /** The same further to the right, in points, as far as columns are told by it. */
  RowLine shifted(double by) {
    return new RowLine(
        pieces,
        words.stream().map(w -> new Word(w.left() + by, w.right() + by, w.usual())).toList());
  }

  /** What of it stands between two edges, as one line. */
  TextLine between(double left, double right) {
    var parts = new ArrayList<TextLine>();
    for (TextLine l : pieces) {
      List<Glyph> in =
          l.glyphs().stream()
              .filter(g -> g.x() + g.width() / 2 >= left && g.x() + g.width() / 2 <= right)
              .toList();
      if (!in.stream().allMatch(Glyph::isSpace)) {
        parts.add(in.size() == l.glyphs().size() ? l : l.part(in));
      }
    }
    return Regions.whole(parts);
  }
}
