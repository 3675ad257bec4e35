package decant.pdf.read;

import decant.model.Box;
import decant.pdf.read.beside.Footnotes;
import decant.pdf.read.beside.RunningTexts;
import decant.pdf.read.blocks.Blocks;
import decant.pdf.read.blocks.Continuations;
import decant.pdf.read.blocks.ItemMarks;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.DetectedNote;
import decant.pdf.read.detected.Region;
import decant.pdf.read.lines.ApartText;
import decant.pdf.read.lines.FramedTexts;
import decant.pdf.read.lines.Frames;
import decant.pdf.read.lines.HardBreaks;
import decant.pdf.read.lines.Lines;
import decant.pdf.read.lines.MarginalNotes;
import decant.pdf.read.lines.PageColumns;
import decant.pdf.read.lines.Regions;
import decant.pdf.read.lines.Stamps;
import decant.pdf.read.page.Placed;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.TextLine;
import decant.pdf.read.tables.BandedTables;
import decant.pdf.read.tables.Registers;
import decant.pdf.read.tables.RuledTables;
import decant.pdf.read.tables.SplitTables;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * The blocks of pages that no tags tell of, by their geometry. What one page tells is found on all
 * processors; what pages tell of one another, in their order.
 */
final class PageAnalysis {
  /** Pages between two looks at whether anyone still waits. */
  private static final int STRETCH = 48;

  /** Blocks in reading order, the notes at the foot of pages, and what was stamped over text. */
  record Result(List<Detected> found, List<DetectedNote> notes, List<ApartText> stamps) {}

  private final ReadRequest request;
  private final List<ScannedPage> pages;
  private final List<List<TextLine>> lines;
  private final RunningTexts.Result running;

  PageAnalysis(
      ReadRequest request,
      List<ScannedPage> pages,
      List<List<TextLine>> lines,
      RunningTexts.Result running) {
    this.request = request;
    this.pages = pages;
    this.lines = lines;
    this.running = running;
  }

  /** What stands on a page, before its lines are blocks. */
  private record Parts(
      List<DetectedNote> notes,
      List<Detected.Grid> ruled,
      List<ApartText> stamps,
      List<FramedTexts.Framed> framed,
      List<List<TextLine>> marginal,
      List<SplitTables.Part> columns) {}

  Result all() throws ReadProblem {
    double bodySize = Lines.bodySize(lines);
    HardBreaks breaks = HardBreaks.in(lines);
    ItemMarks marks = ItemMarks.in(lines);
    List<Parts> parts = ofPages(p -> parts(p, bodySize));
    List<List<SplitTables.Result>> tables =
        SplitTables.of(parts.stream().map(Parts::columns).toList());
    List<List<Detected>> blocks =
        ofPages(p -> blocks(p, parts.get(p), tables.get(p), breaks, marks));
    List<Detected> found = blocks.stream().flatMap(List::stream).toList();
    List<DetectedNote> notes = parts.stream().flatMap(x -> x.notes().stream()).toList();
    List<ApartText> stamps = parts.stream().flatMap(x -> x.stamps().stream()).toList();
    return new Result(Continuations.join(found), Footnotes.joined(notes), stamps);
  }

  /**
   * @throws PageFaults with all pages on which it failed
   */
  private <T> List<T> ofPages(IntFunction<T> each) throws ReadProblem {
    var out = new ArrayList<T>();
    var faults = new ConcurrentHashMap<Integer, Throwable>();
    for (int from = 0; from < pages.size(); from += STRETCH) {
      request.checkpoint();
      int to = Math.min(pages.size(), from + STRETCH);
      IntStream.range(from, to)
          .parallel()
          .mapToObj(p -> guarded(p, each, faults))
          .toList()
          .forEach(t -> t.ifPresent(out::add));
    }
    if (!faults.isEmpty()) {
      throw new PageFaults(faults);
    }
    return out;
  }

  private static <T> Optional<T> guarded(
      int page, IntFunction<T> each, Map<Integer, Throwable> faults) {
    try {
      return Optional.of(each.apply(page));
    } catch (RuntimeException | StackOverflowError e) {
      faults.put(page, e);
      return Optional.empty();
    }
  }

  private Parts parts(int p, double bodySize) {
    ScannedPage page = pages.get(p);
    List<TextLine> body = lines.get(p).stream().filter(l -> !running.lines().contains(l)).toList();
    Footnotes.Result foot = Footnotes.of(page, body, bodySize);
    RuledTables.Result ruled = RuledTables.of(page, foot.rest());
    BandedTables.Result banded = BandedTables.of(page, ruled.rest());
    List<Detected.Grid> grids =
        Stream.concat(ruled.tables().stream(), banded.tables().stream()).toList();
    List<Box> frames = Frames.of(page);
    Stamps.Result stamps = Stamps.of(frames, banded.rest());
    FramedTexts.Result framed = FramedTexts.of(frames, stamps.rest());
    MarginalNotes.Result marginal = MarginalNotes.of(framed.rest());
    List<PageColumns.Column> columns = PageColumns.of(marginal.rest(), page.rules(), Registers::in);
    if (columns.isEmpty()) {
      columns = List.of(new PageColumns.Column(List.of(), 0, page.width(), false));
    }
    return new Parts(
        foot.notes(),
        grids,
        stamps.stamps(),
        framed.framed(),
        marginal.notes(),
        columns.stream().map(c -> new SplitTables.Part(page, c, grids)).toList());
  }

  private List<Detected> blocks(
      int p, Parts parts, List<SplitTables.Result> tables, HardBreaks breaks, ItemMarks marks) {
    var here = new ArrayList<Detected>();
    for (int c = 0; c < tables.size(); c++) {
      SplitTables.Result parted = tables.get(c);
      var column = new ArrayList<Detected>();
      if (!parted.rest().isEmpty()) {
        Region region = Regions.of(p, parts.columns().get(c).column(), parted.rest());
        column.addAll(Blocks.of(region, breaks.after(region), marks));
      }
      insert(column, parted.tables());
      here.addAll(column);
    }
    insertFramed(here, parts.framed(), f -> framed(p, f, breaks, marks));
    parts.marginal().forEach(note -> insertBeside(here, note));
    insert(here, parts.ruled());
    for (Placed picture : pages.get(p).pictures()) {
      insert(here, List.of(new Detected.Figure(p, picture, picture.alt())));
    }
    return here;
  }

  private static List<Detected> framed(
      int page, FramedTexts.Framed f, HardBreaks breaks, ItemMarks marks) {
    var region = new Region(page, Regions.rows(f.pieces()), f.frame().x(), f.frame().right(), true);
    return Blocks.of(region, breaks.after(region), marks);
  }

  /** Puts texts in frames by their place, row by row. */
  private static void insertFramed(
      List<Detected> into,
      List<FramedTexts.Framed> framed,
      Function<FramedTexts.Framed, List<Detected>> blocks) {
    int end = 0;
    FramedTexts.Framed before = null;
    for (FramedTexts.Framed f : framed) {
      boolean inRow = before != null && f.isBeside(before);
      int at = inRow ? end : Math.max(end, position(into, f.frame()));
      List<Detected> own = blocks.apply(f);
      into.addAll(at, own);
      end = at + own.size();
      before = f;
    }
  }

  /** Puts a note in the margin before the block that it begins beside. */
  private static void insertBeside(List<Detected> into, List<TextLine> note) {
    TextLine first = note.getFirst();
    double middle = first.middle();
    int at = 0;
    for (int k = 0; k < into.size(); k++) {
      Box b = into.get(k).box();
      boolean text = into.get(k) instanceof Detected.Text;
      at = (text ? b.bottom() : b.y() + b.height() / 2) < middle ? k + 1 : at;
    }
    into.add(at, Detected.Text.of(Detected.Kind.PARAGRAPH, note, "", 0, 0));
  }

  /**
   * Puts what has a fixed place on the page before the first block that begins below it and beside
   * it.
   */
  private static void insert(List<Detected> into, List<? extends Detected> what) {
    List<? extends Detected> sorted =
        what.stream().sorted(Comparator.comparingDouble(f -> f.box().y())).toList();
    sorted.forEach(f -> into.add(position(into, f.box()), f));
  }

  /** After what stands above a place in its column, or else before what stands below it. */
  private static int position(List<Detected> in, Box box) {
    int after = -1;
    int before = -1;
    for (int k = 0; k < in.size(); k++) {
      Box b = in.get(k).box();
      boolean inColumn = b.x() < box.right() && b.right() > box.x();
      if (inColumn && b.y() + b.height() / 2 < box.y() + box.height() / 2) {
        after = k;
      } else if (inColumn && before < 0) {
        before = k;
      }
    }
    // What stands above may reach from the column before this one into it, as a title does.
    if (after >= 0 && before > after + 1 && isOfOtherColumn(in.get(after), in.get(before), box)) {
      return before;
    }
    // A short line above it in the text stands in the whole width of its column.
    while (after >= 0 && after + 1 < in.size() && isAbove(in.get(after + 1), box)) {
      after++;
    }
    while (after < 0 && before > 0 && isBelow(in.get(before - 1), box)) {
      before--;
    }
    return after >= 0 ? after + 1 : Math.max(before, 0);
  }

  /** Whether what stands below a place is in a column with it, and what stands above in another. */
  private static boolean isOfOtherColumn(Detected above, Detected below, Box box) {
    return above instanceof Detected.Text a
        && below instanceof Detected.Text b
        && a.left() < b.left() - 1
        && isAsWide(b, box);
  }

  private static boolean isAbove(Detected d, Box box) {
    return d instanceof Detected.Text t && t.box().bottom() <= box.y() && isAsWide(t, box);
  }

  private static boolean isBelow(Detected d, Box box) {
    return d instanceof Detected.Text t && t.box().y() >= box.bottom() && isAsWide(t, box);
  }

  private static boolean isAsWide(Detected.Text t, Box box) {
    return t.left() <= box.x() + 1 && t.right() >= box.right() - 1;
  }
}
