package decant.pdf.read.document;

import decant.model.Block;
import decant.model.Box;
import decant.model.Cell;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.SetBlock;
import decant.model.SetLine;
import decant.model.Table;
import decant.model.look.Insets;
import decant.model.look.TableTraits;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.DetectedNote;
import decant.pdf.read.lines.Dehyphenator;
import decant.pdf.read.page.Directions;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.LookMaker;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;
import org.jspecify.annotations.Nullable;

/** Notes where the lines and words of blocks stood. */
final class SettingMaker {
  private final Map<NodeId, SetBlock> blocks = new LinkedHashMap<>();
  private final Map<NodeId, List<SetLine>> lines = new LinkedHashMap<>();
  private @Nullable Block last;
  private int lastPage = -1;
  private final Map<NodeId, Integer> lastPages = new LinkedHashMap<>();

  Map<NodeId, SetBlock> blocks() {
    return blocks;
  }

  /**
   * Notes the lines of a paragraph.
   *
   * @param floated how many places at its beginning are no text of these lines
   */
  void lines(
      Paragraph p, Detected.Text t, Dehyphenator.Joined joined, int floated, PageSetup setup) {
    double edge = setup.margins().left();
    lines.put(
        p.id(), linesOf(p.text(), t.lines(), joined, floated, edge, x -> columnLeft(x, setup)));
  }

  /** Notes a line of a running text. */
  void line(Paragraph p, TextLine l, Dehyphenator.Joined joined, int floated, PageSetup setup) {
    single(p, List.of(l), joined, floated, setup);
  }

  /** Notes the lines of a note. */
  void note(Paragraph p, DetectedNote n, Dehyphenator.Joined joined, PageSetup setup) {
    single(p, n.lines(), joined, NoteMaker.MARK, setup);
  }

  /** Notes where a note stood that is part of the text. */
  void unmarked(
      Paragraph p,
      DetectedNote n,
      Dehyphenator.Joined joined,
      PageSetup setup,
      Optional<Block> before) {
    int label = n.label().isEmpty() ? 0 : n.label().length() + 1;
    single(p, n.lines(), joined, label, setup);
    SetBlock b = blocks.get(p.id());
    Optional<NodeId> above =
        before.map(Block::id).filter(id -> lastPages.getOrDefault(id, -1) == n.page());
    if (b != null) {
      blocks.put(p.id(), b.below(above));
      lastPages.put(p.id(), n.page());
    }
  }

  /** Whether a block is known to end on a page, or before it. */
  boolean endsBy(Block b, int page) {
    return lastPages.getOrDefault(b.id(), Integer.MAX_VALUE) <= page;
  }

  /** Notes that a block, if it begins on the same page as another, comes after that now. */
  void follows(Block b, Block other) {
    SetBlock was = blocks.get(b.id());
    SetBlock above = blocks.get(other.id());
    if (was != null && above != null && was.page() == above.page()) {
      blocks.put(b.id(), was.below(Optional.of(other.id())));
    }
  }

  private void single(
      Paragraph p, List<TextLine> of, Dehyphenator.Joined joined, int floated, PageSetup setup) {
    double left = setup.margins().left();
    blocks.put(
        p.id(),
        new SetBlock(
            p,
            Optional.empty(),
            of.getFirst().page(),
            of.getFirst().box().y(),
            of.getLast().box().bottom(),
            0,
            setup.textWidth(),
            linesOf(p.text(), of, joined, floated, left, x -> left),
            OptionalDouble.empty()));
  }

  Optional<SetBlock> of(NodeId id) {
    return Optional.ofNullable(blocks.get(id));
  }

  private static List<SetLine> linesOf(
      String text,
      List<TextLine> found,
      Dehyphenator.Joined joined,
      int floated,
      double edge,
      DoubleUnaryOperator lefts) {
    var out = new ArrayList<SetLine>();
    List<Glyph> glyphs = joined.glyphs();
    int at = floated;
    int g = 0;
    for (int k = 0; k < found.size(); k++) {
      TextLine line = found.get(k);
      int end = k + 1 < found.size() ? joined.begins()[k + 1] : glyphs.size();
      double left = lefts.applyAsDouble(line.box().x());
      int[] words = new int[8];
      float[] xs = new float[8];
      float[] ends = new float[8];
      int n = 0;
      int from = at;
      boolean begins = true;
      // Words from right to left end at their left, and have words within them that do not.
      boolean leans = Directions.lean(line) > 0;
      for (; g < end; g++) {
        Glyph glyph = glyphs.get(g);
        if (glyph.isSpace()) {
          at = afterSpace(text, afterMark(text, at, g, glyphs));
          begins = true;
          continue;
        }
        if (begins) {
          if (n == words.length) {
            words = Arrays.copyOf(words, 2 * n);
            xs = Arrays.copyOf(xs, 2 * n);
            ends = Arrays.copyOf(ends, 2 * n);
          }
          words[n] = at;
          xs[n] = (float) (glyph.x() - left);
          ends[n++] = Float.NEGATIVE_INFINITY;
          begins = false;
        }
        float right = (float) (glyph.right() - left);
        if (leans) {
          xs[n - 1] = Math.min(xs[n - 1], (float) (glyph.x() - left));
          ends[n - 1] = Math.max(ends[n - 1], right);
        } else {
          ends[n - 1] = right;
        }
        at = after(text, at, glyph.text());
      }
      at = afterMark(text, at, g, glyphs);
      out.add(
          new SetLine(
              line.page(),
              from,
              line.baseline(),
              joined.divided()[k],
              left - edge,
              Arrays.copyOf(words, n),
              Arrays.copyOf(xs, n),
              Arrays.copyOf(ends, n)));
    }
    return out;
  }

  /**
   * The place after a glyph. A mark of a note or a field has one place however many glyphs it had:
   * it ends with the glyph that the text goes on with.
   */
  private static int after(String text, int at, String glyph) {
    if (at < text.length() && text.charAt(at) == Inline.OBJECT) {
      return text.startsWith(glyph, at + 1) ? at + 1 + glyph.length() : at;
    }
    return Math.min(text.length(), at + LookMaker.lengthOf(glyph));
  }

  /** The place after a mark that ends with its word or line. */
  private static int afterMark(String text, int at, int g, List<Glyph> glyphs) {
    boolean ends =
        at < text.length()
            && text.charAt(at) == Inline.OBJECT
            && g > 0
            && !glyphs.get(g - 1).isSpace();
    return ends ? at + 1 : at;
  }

  /** The place after the nearest space; letters may have become fewer or more on the way. */
  private static int afterSpace(String text, int at) {
    for (int off = 0; off <= FARTHEST; off++) {
      if (isSpace(text, at + off)) {
        return at + off + 1;
      }
      if (off <= NEAREST && isSpace(text, at - off)) {
        return at - off + 1;
      }
    }
    return at;
  }

  private static boolean isSpace(String text, int k) {
    return k >= 0 && k < text.length() && Character.isWhitespace(text.charAt(k));
  }

  /** How many letters too few a text may have where a space is looked for. */
  private static final int FARTHEST = 40;

  /** How many too many. */
  private static final int NEAREST = 2;

  /** The left edge of the column that a line begins in. */
  static double columnLeft(double x, PageSetup setup) {
    double left = setup.margins().left();
    for (int c = 1; c < setup.columns().count(); c++) {
      double start = setup.margins().left() + setup.columns().start(c, setup.textWidth());
      left = x > start - COLUMN_SLACK ? start : left;
    }
    return left;
  }

  /** Points that a line may begin before its column. */
  private static final double COLUMN_SLACK = 12;

  /** Notes where the rows of a table and the lines of its cells stood. */
  void cells(Table t, Detected.Grid g, Dehyphenator joiner, PageSetup setup) {
    double column = columnLeft(g.box().x(), setup);
    int[][] at = t.cellColumns();
    var rows = new ArrayList<SetLine>();
    int page = g.page();
    double baseline = g.box().y();
    for (int r = 0; r < g.rows().size(); r++) {
      List<TextLine> firsts =
          g.rows().get(r).stream()
              .filter(c -> !c.lines().isEmpty())
              .map(c -> c.lines().getFirst())
              .toList();
      int here = firsts.stream().mapToInt(TextLine::page).min().orElse(page);
      page = here;
      baseline =
          firsts.stream()
              .filter(l -> l.page() == here)
              .mapToDouble(TextLine::baseline)
              .min()
              .orElse(baseline);
      rows.add(asOneWord(page, baseline, g.box(), column, setup));
      for (int k = 0; k < g.rows().get(r).size(); k++) {
        Detected.DetectedCell c = g.rows().get(r).get(k);
        Cell cell = t.rows().get(r).cells().get(k);
        if (!c.lines().isEmpty()) {
          cell(c, t, cell, at[r][k], g.box().x(), joiner);
        }
      }
    }
    lines.put(t.id(), rows);
  }

  private void cell(
      Detected.DetectedCell c,
      Table t,
      Cell cell,
      int column,
      double tableLeft,
      Dehyphenator joiner) {
    double before = 0;
    double width = 0;
    double all = 0;
    for (int k = 0; k < t.columns().size(); k++) {
      double wide = t.columns().get(k);
      before += k < column ? wide : 0;
      width += k >= column && k < column + cell.columnSpan() ? wide : 0;
      all += wide;
    }
    boolean mirrored = t.look().value(TableTraits.RIGHT_TO_LEFT);
    double left = tableLeft + (mirrored ? all - before - width : before);
    Insets padding = t.look().value(TableTraits.CELL_PADDING);
    double max = Math.max(0, width / 4);
    double inner = left + Math.min(padding.left(), max);
    double room = width - Math.min(padding.left(), max) - Math.min(padding.right(), max);
    List<List<TextLine>> paragraphs = c.paragraphs();
    for (int k = 0; k < paragraphs.size(); k++) {
      if (cell.blocks().get(k) instanceof Paragraph p) {
        List<TextLine> of = paragraphs.get(k);
        List<SetLine> own = linesOf(p.text(), of, joiner.joined(of), 0, inner, x -> inner);
        blocks.put(
            p.id(),
            new SetBlock(
                p,
                Optional.empty(),
                own.getFirst().page(),
                own.getFirst().baseline(),
                own.getLast().baseline(),
                0,
                Math.max(6, room),
                own,
                OptionalDouble.empty()));
      }
    }
  }

  /** A row of a table or a picture: a line from side to side. */
  private static SetLine asOneWord(
      int page, double baseline, Box box, double column, PageSetup setup) {
    return new SetLine(
        page,
        0,
        baseline,
        false,
        column - setup.margins().left(),
        new int[] {0},
        new float[] {(float) (box.x() - column)},
        new float[] {(float) (box.right() - column)});
  }

  /** Notes where a block stood, after the one before. */
  void block(Block b, Detected f, PageSetup setup) {
    boolean samePage = last != null && lastPage == f.page();
    Box box = f.box();
    List<SetLine> own = lines.getOrDefault(b.id(), List.of());
    double column = columnLeft(box.x(), setup);
    if (f instanceof Detected.Figure && b instanceof Paragraph) {
      own = List.of(asOneWord(f.page(), box.bottom(), box, column, setup));
    }
    blocks.put(
        b.id(),
        new SetBlock(
            b,
            samePage ? Optional.ofNullable(last).map(Block::id) : Optional.empty(),
            f.page(),
            box.y(),
            box.bottom(),
            column - setup.margins().left(),
            setup.columns().width(0, setup.textWidth()),
            own,
            f instanceof Detected.Text t && t.kind() == Detected.Kind.ITEM && !t.mark().isEmpty()
                ? OptionalDouble.of(
                    t.mark().getFirst().x() - columnLeft(t.mark().getFirst().x(), setup))
                : OptionalDouble.empty()));
    last = b;
    lastPage = own.isEmpty() ? lastPageOf(f) : own.getLast().page();
    lastPages.put(b.id(), lastPage);
  }

  private static int lastPageOf(Detected f) {
    return switch (f) {
      case Detected.Text t -> t.lines().getLast().page();
      case Detected.Figure p -> p.page();
      case Detected.Grid g ->
          g.rows().stream()
              .flatMap(List::stream)
              .flatMap(c -> c.lines().stream())
              .mapToInt(TextLine::page)
              .max()
              .orElse(g.page());
    };
  }
}
