package decant.pdf.read.tables;

import decant.model.look.Markers;
import decant.pdf.read.lines.Flow;
import decant.pdf.read.lines.Leaders;
import decant.pdf.read.lines.Regions;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Finds tables without a grid of ruled lines: lines whose parts stand in columns, one below the
 * other. Prose in columns, lists and contents pages are told apart from them.
 */
public final class AlignedTables {
  private final List<RowLine> lines;
  private final OptionalDouble contentsEdge;
  private final @Nullable String[] texts;

  private AlignedTables(List<RowLine> lines) {
    this.lines = lines;
    this.contentsEdge = contentsEdge(lines);
    this.texts = new String[lines.size()];
  }

  /**
   * A table.
   *
   * @param lines of it, down the page
   * @param rest whether they are known to be the rest of the table before them
   */
  record Found(List<RowLine> lines, WhiteColumns columns, boolean rest) {
    Found(List<RowLine> lines, WhiteColumns columns) {
      this(lines, columns, false);
    }

    /** The usual distance from line to line, in points; infinite where there is one. */
    double pitch() {
      double[] all =
          IntStream.range(1, lines.size())
              .mapToDouble(k -> lines.get(k).baseline() - lines.get(k - 1).baseline())
              .sorted()
              .toArray();
      return all.length == 0 ? Double.POSITIVE_INFINITY : all[all.length / 2];
    }
  }

  /** The tables in lines of a page or of one of its columns, down the page. */
  static List<Found> in(List<RowLine> lines) {
    return new AlignedTables(lines).all();
  }

  /** So often a stretch is tried again without its first line; pages may have thousands. */
  private static final int MAX_TRIES = 100;

  private List<Found> all() {
    var tables = new ArrayList<Found>();
    int k = 0;
    int tries = 0;
    int free = 0;
    while (k < lines.size()) {
      int end = lines.get(k).parted() ? end(k) : k;
      List<RowLine> rows = lines.subList(k, end);
      WhiteColumns columns = WhiteColumns.of(rows);
      boolean table = isTable(k, end, columns);
      int begin = table && k > free && isHead(k, columns) ? k - 1 : k;
      Optional<Found> found =
          table
              ? Optional.of(TightRows.table(List.copyOf(lines.subList(begin, end)), columns))
              : NarrowTables.at(lines, k).filter(t -> !isListOrContents(t.lines(), t.columns()));
      if (found.isPresent()) {
        Found whole = TightRows.with(lines, begin, free, found.get());
        tables.add(whole);
        while (lines.get(k) != whole.lines().getLast()) {
          k++;
        }
        free = ++k;
      } else if (!lines.get(k).parted()) {
        k++;
      } else {
        // Of a list or of contents, no part is a table either.
        boolean list = isListOrContents(rows, columns);
        k = list ? end : ++tries < MAX_TRIES ? k + 1 : stretchEnd(k, k);
      }
    }
    return tables;
  }

  /** Whether the line above a table has a title over each column, near together. */
  private boolean isHead(int k, WhiteColumns white) {
    RowLine line = lines.get(k - 1);
    List<WhiteColumns.Column> columns = white.columns();
    List<WhiteColumns.Chunk> titles =
        line.words().size() == columns.size()
            ? IntStream.range(0, columns.size())
                .mapToObj(c -> WhiteColumns.ofColumn(line.words().get(c), c))
                .toList()
            : white.chunks(line);
    return columns.size() >= TableThresholds.Registers.COLUMNS
        && near(k, k)
        && line.pieces().stream().noneMatch(p -> p.text().strip().endsWith("."))
        && TightRows.isOneEach(titles, white, TableThresholds.WhiteColumns.EDGE * line.size());
  }

  private double gap(int k) {
    return lines.get(k).baseline() - lines.get(k - 1).baseline();
  }

  private boolean near(int from, int k) {
    double size = lines.get(from).size();
    return gap(k) <= TableThresholds.AlignedTables.ENDS * size
        && !RowLine.isOtherSize(lines.get(k).size(), size);
  }

  /**
   * Where the lines end that may be a table: stretches of parted lines whose columns agree, with
   * the lines on their own between them, and what goes on in its last row.
   */
  private int end(int from) {
    int end = stretchEnd(from, from);
    WhiteColumns columns = WhiteColumns.of(lines.subList(from, end));
    while (true) {
      int next = end;
      while (next < lines.size() && !lines.get(next).parted() && near(from, next)) {
        next++;
      }
      boolean many = next - end > TableThresholds.AlignedTables.LONE_LINES;
      if (next == lines.size()
          || !near(from, next)
          || many && !standInLine(end, next)
          || beginsAgain(from, next)) {
        break;
      }
      int until = stretchEnd(from, next);
      WhiteColumns both = WhiteColumns.of(lines.subList(from, until));
      WhiteColumns more = WhiteColumns.of(lines.subList(next, until));
      if (both.columns().size() < 2
          || many && !isOneCell(both, end, next)
          || inColumns(lines.subList(from, end), columns) >= TableThresholds.AlignedTables.MIN_ROWS
              && !agree(columns, both)
              && !more.fit(lines.subList(from, end))
              && !hold(both, columns, from, end)
          || until - next >= TableThresholds.AlignedTables.MIN_ROWS
              && !agree(more, both)
              && !columns.fit(lines.subList(next, until))
              && !hold(both, more, next, until)
          || isProse(both, end, next)
          || beginsBefore(both, end, next)) {
        break;
      }
      end = until;
      columns = both;
    }
    return restEnd(columns, from, end);
  }

  /** Whether the columns of a part are those of the whole; the part may leave some empty. */
  private static boolean agree(WhiteColumns part, WhiteColumns whole) {
    int less = whole.columns().size() - part.columns().size();
    return less >= 0 && less <= TableThresholds.AlignedTables.EMPTY * whole.columns().size();
  }

  /** Whether lines that have some columns for themselves stand in others too, none across. */
  private boolean hold(WhiteColumns whole, WhiteColumns own, int from, int to) {
    return own.columns().size() >= TableThresholds.Registers.COLUMNS
        && whole.columns().size() >= own.columns().size()
        && lines.subList(from, to).stream().noneMatch(whole::reachesAcross);
  }

  /** How far lines go that all are parted, without a gap among them that may part two tables. */
  private int stretchEnd(int from, int k) {
    double least = Double.MAX_VALUE;
    int end = k + 1;
    while (end < lines.size()
        && lines.get(end).parted()
        && near(from, end)
        && gap(end)
            <= Math.max(TableThresholds.AlignedTables.APART * least, 2 * lines.get(end).size())) {
      least = Math.min(least, gap(end));
      end++;
    }
    return end;
  }

  /** What a line says; it is asked for often. */
  private String text(int k) {
    String known = texts[k];
    if (known == null) {
      known = Regions.whole(lines.get(k).pieces()).text();
      texts[k] = known;
    }
    return known;
  }

  /** Whether a stretch has the head of a table once more: of its own, or of one above it. */
  private boolean beginsAgain(int from, int next) {
    String here = text(next);
    boolean words = here.chars().noneMatch(Character::isDigit);
    return next - from > 1 && text(from).equals(here)
        || words
            && IntStream.range(0, from)
                .anyMatch(k -> lines.get(k).parted() && text(k).equals(here));
  }

  /** Whether a line on its own between rows is of prose that stands to the left of them all. */
  private boolean beginsBefore(WhiteColumns columns, int from, int to) {
    double left = columns.columns().getFirst().left();
    return lines.subList(from, to).stream()
        .anyMatch(l ->
            l.left() < left - 2 * l.size()
                && l.right() - l.left() > TableThresholds.AlignedTables.PROSE_WIDTH * l.size());
  }

  /** Whether lines on their own between rows are a paragraph, which reaches across columns. */
  private boolean isProse(WhiteColumns columns, int from, int to) {
    for (int k = from + 1; k < to; k++) {
      if (columns.reachesAcross(lines.get(k - 1)) && columns.reachesAcross(lines.get(k))) {
        return true;
      }
    }
    return false;
  }

  /**
   * With the lines below the last parted one that go on in one of its cells: in the first only
   * where cells above it go on likewise, for the text below a table begins there too.
   */
  private int restEnd(WhiteColumns columns, int from, int end) {
    int k = end;
    double pitch = pitchOfFirst(columns, from, end);
    while (k < lines.size()
        && !lines.get(k).parted()
        && near(from, k)
        && gap(k) <= TableThresholds.AlignedTables.LONE * lines.get(k).size()) {
      OptionalInt here = cellOf(columns, k);
      if (here.isEmpty() || here.getAsInt() == 0 && gap(k) > pitch) {
        break;
      }
      k++;
    }
    return k;
  }

  /** The column at whose edge a line begins, if it stands in that alone. */
  private OptionalInt cellOf(WhiteColumns columns, int k) {
    List<WhiteColumns.Chunk> chunks = columns.chunks(lines.get(k));
    WhiteColumns.Chunk here = chunks.getFirst();
    boolean one =
        chunks.size() == 1
            && !here.spans()
            && Math.abs(here.left() - columns.columns().get(here.first()).left())
                < lines.get(k).size();
    return one ? OptionalInt.of(here.first()) : OptionalInt.empty();
  }

  /** Whether lines begin one below the other, as those of one text do. */
  private boolean standInLine(int from, int to) {
    RowLine first = lines.get(from);
    return IntStream.range(from, to)
        .allMatch(k ->
            Math.abs(lines.get(k).left() - first.left()) < first.size() / 2
                && gap(k) <= TableThresholds.AlignedTables.LONE * lines.get(k).size());
  }

  /**
   * Whether lines stand in one cell, which may have any number of them. What begins where a table
   * does may be text between two: in a cell, each line but the last fills much of the column.
   */
  private boolean isOneCell(WhiteColumns columns, int from, int to) {
    OptionalInt column = cellOf(columns, from);
    if (columns.columns().size() < TableThresholds.Registers.COLUMNS || column.isEmpty()) {
      return false;
    }
    double width = columns.columns().get(column.getAsInt()).width();
    return IntStream.range(from, to)
        .allMatch(k ->
            cellOf(columns, k).equals(column)
                && (column.getAsInt() > 0
                    || k + 1 == to
                    || (lines.get(k).right() - lines.get(k).left()) * 2 > width));
  }

  /** How far apart the lines stand that go on in the first cells of rows; 0 if none does. */
  private double pitchOfFirst(WhiteColumns columns, int from, int end) {
    double most = 0;
    for (int k = from + 1; k < end; k++) {
      List<WhiteColumns.Chunk> chunks = columns.chunks(lines.get(k));
      if (chunks.size() == 1 && chunks.getFirst().first() == 0 && !chunks.getFirst().spans()) {
        double gap = gap(k) * TableThresholds.AlignedTables.SAME_PITCH;
        most = most == 0 ? gap : Math.min(most, gap);
      }
    }
    return most;
  }

  /**
   * Where the numbers of a contents page end, if some lines lead to them by dots: other entries may
   * have none.
   */
  private static OptionalDouble contentsEdge(List<RowLine> lines) {
    double[] edges =
        lines.stream()
            .map(l -> Regions.whole(l.pieces()))
            .filter(l -> Leaders.entry(l.glyphs()).filter(Leaders.Entry::dotted).isPresent())
            .mapToDouble(l -> l.box().right())
            .toArray();
    return edges.length >= TableThresholds.AlignedTables.MIN_ROWS
        ? Arrays.stream(edges).max()
        : OptionalDouble.empty();
  }

  private boolean isContents(List<RowLine> rows) {
    return contentsEdge.isPresent()
        && rows.stream()
            .filter(RowLine::parted)
            .allMatch(r ->
                Math.abs(r.right() - contentsEdge.getAsDouble())
                        < TableThresholds.AlignedTables.FLUSH * r.size()
                    && Leaders.entry(Regions.whole(r.pieces()).glyphs()).isPresent());
  }

  /** Titles with the numbers of their pages, which grow, and without a head. */
  private static boolean isBareContents(List<RowLine> rows, int columns) {
    if (columns > 3 || rows.size() < TableThresholds.AlignedTables.BARE_CONTENTS) {
      return false;
    }
    int last = 0;
    for (RowLine r : rows) {
      String number = r.pieces().getLast().text().strip();
      String title = r.pieces().get(r.pieces().size() > 1 ? r.pieces().size() - 2 : 0).text();
      if (!number.matches("\\d{1,4}")
          || Integer.parseInt(number) < last
          || title.codePoints().filter(Character::isLetter).count() < 3) {
        return false;
      }
      last = Integer.parseInt(number);
    }
    return true;
  }

  /** Lines that wide gaps part, or that have text in every column. */
  private static long inColumns(List<RowLine> rows, WhiteColumns white) {
    int all = white.columns().size();
    long parted = rows.stream().filter(RowLine::parted).count();
    boolean most =
        all >= TableThresholds.Registers.COLUMNS && parted >= 2 && parted * 2 >= rows.size();
    return rows.stream().filter(r -> r.parted() || most && white.chunks(r).size() == all).count();
  }

  private boolean isTable(int from, int end, WhiteColumns white) {
    List<RowLine> rows = lines.subList(from, end);
    return inColumns(rows, white) >= TableThresholds.AlignedTables.MIN_ROWS
        && white.areOfTable()
        && !isProse(rows, white)
        && !isListOrContents(rows, white);
  }

  /** Text that runs on from line to line in all columns, or all but one, is prose in columns. */
  static boolean isProse(List<RowLine> rows, WhiteColumns white) {
    int prose = 0;
    for (int c = 0; c < white.columns().size(); c++) {
      int column = c;
      List<TextLine> texts =
          rows.stream()
              .flatMap(r ->
                  white.chunks(r).stream()
                      .filter(k -> !k.spans() && k.first() == column)
                      .map(k -> r.between(k.left(), k.right())))
              .toList();
      boolean wide =
          texts.stream()
              .anyMatch(
                  l -> l.box().width() > TableThresholds.AlignedTables.PROSE_WIDTH * l.size());
      prose +=
          texts.size() >= 3 && wide && Flow.share(texts) > TableThresholds.AlignedTables.PROSE
              ? 1
              : 0;
    }
    return prose >= 2 && prose >= white.columns().size() - 1;
  }

  private boolean isListOrContents(List<RowLine> rows, WhiteColumns white) {
    List<WhiteColumns.Column> columns = white.columns();
    if (columns.isEmpty()) {
      return false;
    }
    if (isContents(rows) || isBareContents(rows, columns.size())) {
      return true;
    }
    long parted = rows.stream().filter(RowLine::parted).count();
    if (columns.size() == 2
        && rows.stream().filter(RowLine::parted).filter(AlignedTables::isMarked).count()
            > TableThresholds.AlignedTables.MARKED * parted) {
      return true;
    }
    long leaders =
        rows.stream()
            .flatMap(r -> r.pieces().stream())
            .filter(l -> l.text().matches("(?s).*(\\. ?){5,}.*"))
            .count();
    long numbers =
        rows.stream()
            .filter(
                r -> r.parted() && r.pieces().getLast().text().strip().matches("\\d{1,4}|[ivxlc]+"))
            .count();
    return leaders >= 2
        || columns.size() == 2
            && numbers > TableThresholds.AlignedTables.NUMBERS * rows.size()
            && rows.size() > 8
            && columns.getFirst().width()
                > TableThresholds.AlignedTables.WIDE * rows.getFirst().size();
  }

  /** The number of a clause, such as "2.1"; in a table, numbers stand after it. */
  private static final Pattern CLAUSE = Pattern.compile("\\d{1,3}(\\.\\d{1,3}){1,3}\\.?");

  private static boolean isMarked(RowLine l) {
    String first = l.pieces().getFirst().text().strip();
    String last = l.pieces().getLast().text();
    return Markers.isMark(first)
        || CLAUSE.matcher(first).matches()
            && last.codePoints().filter(Character::isLetter).count()
                > TableThresholds.AlignedTables.LETTERS;
  }
}
