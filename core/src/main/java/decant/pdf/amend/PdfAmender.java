package decant.pdf.amend;

import decant.model.Box;
import decant.model.look.Media;
import decant.pdf.amend.line.AmendLimits;
import decant.pdf.amend.line.FontsOfFile;
import decant.pdf.amend.line.PageLetters;
import decant.pdf.amend.line.PaintedPicture;
import decant.pdf.amend.line.Row;
import decant.pdf.amend.line.Rows;
import decant.pdf.amend.page.PageFrame;
import decant.pdf.amend.page.PageStreams;
import decant.pdf.amend.setting.LineDifference;
import decant.pdf.amend.setting.SubstituteFont;
import decant.pdf.amend.setting.WordsNearby;
import decant.pdf.content.PageSpace;
import decant.pdf.content.StreamDamage;
import decant.pdf.file.Rewritten;
import decant.pdf.open.SourceDocument;
import decant.pdf.read.OpenedPdf;
import decant.pdf.read.SourceDamage;
import decant.pdf.write.pictures.PictureInFile;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.words.Words;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.IntUnaryOperator;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDPage;

/** A PDF whose words are changed where they stand. Not safe for use by several threads. */
public final class PdfAmender {
  private static final Words WORDS = Words.of(PdfAmender.class);

  /** The file that was opened; empty for one in memory. */
  private final Optional<ReadRequest> request;

  private final SourceDocument pdf;
  private final FontsOfFile fonts = new FontsOfFile();
  private final SubstituteFont.All substitutes = new SubstituteFont.All();
  private final List<PageChange.FontEntry> wanted = new ArrayList<>();
  private final Set<Integer> touched = new TreeSet<>();

  /** Objects that came back from changed copies, and others than pages that are changed by it. */
  private final List<COSObject> taken = new ArrayList<>();

  private final Set<COSBase> also = Collections.newSetFromMap(new IdentityHashMap<>());
  private final PageStreams streams;
  private final AddedPictures added;
  private final WordsNearby nearby;
  private Optional<FileBefore> before = Optional.empty();

  private PdfAmender(Optional<ReadRequest> request, SourceDocument pdf) {
    this.request = request;
    this.pdf = pdf;
    this.streams = new PageStreams(pdf);
    this.added = new AddedPictures(pdf);
    this.nearby = new WordsNearby(pdf, fonts);
  }

  /** What is done with an opened file. */
  @FunctionalInterface
  public interface Use<T> {
    T of(PdfAmender file) throws ReadProblem, IOException;
  }

  /**
   * Opens a PDF that needs no password.
   *
   * @throws ReadProblem if it cannot be read
   */
  public static <T> T in(byte[] pdf, Use<T> use) throws ReadProblem {
    return OpenedPdf.in(pdf, d -> use.of(new PdfAmender(Optional.empty(), d)));
  }

  /**
   * Opens a file for changes.
   *
   * @throws ReadProblem if it cannot be read, or may not be changed with this password
   */
  public static <T> T in(ReadRequest request, Use<T> use) throws ReadProblem {
    return OpenedPdf.in(
        request,
        pdf -> {
          if (!pdf.getCurrentAccessPermission().canModify()) {
            throw new ReadProblem(
                ReadProblem.Kind.CANNOT_UNLOCK, WORDS.say("pdf-amender.not-to-be-changed"));
          }
          return use.of(new PdfAmender(Optional.of(request), pdf));
        });
  }

  public int pages() {
    return pdf.getNumberOfPages();
  }

  /**
   * Notes what the file is now, and while words are replaced what pages said before, for reading
   * the changed file back.
   */
  public FileBefore noted() throws IOException {
    FileBefore now = FileBefore.of(pdf);
    before = Optional.of(now);
    return now;
  }

  /** The pages that were changed, from 0. */
  public Set<Integer> touched() {
    return touched;
  }

  /**
   * Replaces words on some pages.
   *
   * @param on which, from 0
   * @throws ReadProblem if it takes too long, or was cancelled
   */
  public Amended replace(List<Replacement> all, List<Integer> on) throws ReadProblem, IOException {
    int changed = 0;
    var left = new ArrayList<Left>();
    var told = new ChangesTold();
    var chosen = Set.copyOf(on);
    COSDictionary ofFields = NotesOnPage.resources(pdf);
    for (int k : on) {
      if (request.isPresent()) {
        request.get().checkpoint();
      }
      PDPage page = pdf.getPage(k);
      PageLetters.Result content = PageLetters.of(page, fonts);
      PageWords words =
          PageWords.of(page, k + 1, content, all, substitutes, (a, b) -> nearby.between(k, a, b));
      left.addAll(words.left());
      left.addAll(NotesOnPage.holding(page, k + 1, ofFields, all, fonts));
      if (words.changed() > 0) {
        if (before.isPresent()) {
          before.get().said().put(k, words.before(all));
        }
        changed += words.changed();
        told.ofPage(k + 1, words, StreamDamage.of(page));
        change(k, content, words, chosen);
      }
    }
    List<String> lines = with(told, all);
    SourceDamage.findings(pdf).forEach(f -> lines.add(f.message()));
    return new Amended(changed, left, lines);
  }

  private void change(int page, PageLetters.Result content, PageWords words, Set<Integer> chosen)
      throws IOException {
    PageChange change = changing(page, chosen);
    change.apply(content.shows(), words.settings());
    LinkPlaces.follow(pdf.getPage(page), words.settings());
    wanted.addAll(change.wanted());
    touched.add(page);
  }

  private PageChange changing(int page, Set<Integer> chosen) {
    return new PageChange(
        pdf.getPage(page), streams.used(), form -> streams.isElsewhere(form, chosen));
  }

  /** What of a page can be changed, from 0. */
  public PageParts parts(int page) {
    PDPage p = pdf.getPage(page);
    PageLetters.Result content = PageLetters.of(p, fonts);
    List<Row> rows = Rows.of(content.letters());
    var lines = new ArrayList<PageLine>();
    for (int k = 0; k < rows.size(); k++) {
      String text = LineDifference.text(rows.get(k));
      if (!text.isBlank()) {
        lines.add(new PageLine(k, text, box(p, rows.get(k))));
      }
    }
    var pictures = new ArrayList<PagePicture>();
    for (PaintedPicture x : content.pictures()) {
      pictures.add(new PagePicture(pictures.size(), PageFrame.box(p, x.area()), x.isDrawing()));
    }
    return new PageParts(lines, pictures, PdfFields.on(pdf, p));
  }

  /** Takes a picture away, out of the content and out of the file. */
  public void removePicture(int page, int picture) throws IOException {
    changing(page, Set.of(page)).remove(picture(page, picture));
    touched.add(page);
  }

  /**
   * Paints another picture in the place of one, as large as fits there.
   *
   * @param image a PNG, JPEG, GIF, BMP or TIFF
   * @throws IOException if it is no such picture
   */
  public void replacePicture(int page, int picture, byte[] image) throws IOException {
    COSStream by = added.image(image);
    double shape = (double) by.getInt(COSName.WIDTH) / by.getInt(COSName.HEIGHT);
    changing(page, Set.of(page)).replace(picture(page, picture), by, shape);
    touched.add(page);
  }

  /**
   * Paints a picture over all that stands on a page; a drawing stays one.
   *
   * @param at on the page as it is shown, in points
   * @throws IOException if it cannot be read
   */
  public void addPicture(int page, Media picture, Box at) throws IOException {
    PDPage p = pdf.getPage(page);
    PictureInFile painted = added.of(picture, at);
    var own = new Rectangle2D.Double(0, 0, painted.width(), painted.height());
    changing(page, Set.of(page))
        .add(painted.stream(), PageSpace.standing(p, own, PageFrame.area(at)));
    touched.add(page);
  }

  /**
   * Whether a field lies over a place of a page, as it is shown, and may hide what is painted
   * there.
   */
  public boolean isUnderField(int page, Box place) {
    return NotesOnPage.isUnderField(pdf.getPage(page), PageFrame.area(place));
  }

  /**
   * Where text would go at a place of a page, in the looks of the line that is nearest; beside that
   * line, on its baseline.
   *
   * @param y in points from the top of the page as it is shown
   */
  public TextSpot spot(int page, double x, double y) {
    PDPage p = pdf.getPage(page);
    return TextSpots.at(Rows.of(PageLetters.of(p, fonts).letters()), row -> box(p, row), x, y);
  }

  /**
   * Shows text over all that stands on a page, in fonts that ship.
   *
   * @param text lines, parted by ends of lines
   * @return where its lines stand; empty if it is not plain, or no font has all letters
   */
  public List<Box> addText(int page, String text, TextSpot spot) throws IOException {
    Optional<AddedText> added =
        AddedText.isPlain(text) ? AddedText.of(text, spot, substitutes) : Optional.empty();
    if (added.isEmpty()) {
      return List.of();
    }
    PDPage p = pdf.getPage(page);
    var unit = new Rectangle2D.Double(0, 0, 1, 1);
    var at = new Rectangle2D.Double(spot.x(), spot.baseline() - 1, 1, 1);
    PageChange change = changing(page, Set.of(page));
    change.write(added.get(), PageSpace.standing(p, unit, at));
    wanted.addAll(change.wanted());
    touched.add(page);
    var out = new ArrayList<Box>();
    for (int k = 0; k < added.get().count(); k++) {
      double top = spot.baseline() + (k * TextSpot.PITCH - AmendLimits.ASCENT) * spot.size();
      double height = (AmendLimits.ASCENT + AmendLimits.DESCENT) * spot.size();
      out.add(new Box(spot.x(), top, added.get().width(k), height));
    }
    return out;
  }

  private static Box box(PDPage page, Row row) {
    return PageFrame.box(page, row.area(0, row.seen()));
  }

  /**
   * Moves and scales a picture or a drawing.
   *
   * @param to on the page as it is shown, in points
   * @return whether it could be; not one that its surroundings cut, where it would look otherwise
   *     without them
   */
  public boolean movePicture(int page, int picture, Box to) throws IOException {
    PDPage p = pdf.getPage(page);
    PaintedPicture of = picture(page, picture);
    boolean moved =
        changing(page, Set.of(page)).move(of, PageSpace.moving(p, of.area(), PageFrame.area(to)));
    if (moved) {
      touched.add(page);
    }
    return moved;
  }

  private PaintedPicture picture(int page, int picture) {
    return PageLetters.of(pdf.getPage(page), fonts).pictures().get(picture);
  }

  /**
   * Makes a line of a page say something else; empty text takes it away.
   *
   * @param page from 0
   * @param line its number among the lines of the page
   */
  public Amended change(int page, int line, String text) throws IOException {
    PDPage p = pdf.getPage(page);
    PageLetters.Result content = PageLetters.of(p, fonts);
    PageWords words =
        PageWords.ofLine(
            p, page + 1, content, line, text, substitutes, (a, b) -> nearby.between(page, a, b));
    if (words.changed() > 0) {
      change(page, content, words, Set.of(page));
    }
    var told = new ChangesTold();
    told.ofLine(page + 1, words);
    return new Amended(words.changed(), words.left(), with(told, List.of()));
  }

  /**
   * Writes the file with what stands on one page; the others keep their places, and are empty. It
   * opens without a password.
   */
  public void writeOnly(int page, OutputStream out) throws IOException {
    finish();
    OnePage.leave(pdf, page);
    Rewritten.write(pdf, out);
  }

  /**
   * Writes a file with some of the pages, after so many empty ones. It opens without a password.
   *
   * @param some from 0, in the order that they are to have
   * @param from the number that the first of them gets, from 0
   */
  public void writeSome(List<Integer> some, int from, OutputStream out) throws IOException {
    finish();
    OnePage.leave(pdf, some, from);
    Rewritten.write(pdf, out);
  }

  /**
   * Takes pages over from a copy of the file in which they were changed.
   *
   * @param copy needs no password
   * @param pages of the copy, from 0
   * @param place where each of its pages stands in the file
   * @throws ReadProblem if the copy cannot be read
   */
  public void takeBack(byte[] copy, Collection<Integer> pages, IntUnaryOperator place)
      throws ReadProblem {
    OpenedPdf.in(
        copy,
        changed -> {
          var from = new ChangedCopy(pdf, changed, place, taken::add, also::add);
          for (int k : pages) {
            if (from.take(k)) {
              touched.add(place.applyAsInt(k));
            }
          }
          return touched;
        });
  }

  /** Puts the pages in another order. @param order all of them, from 0 */
  public void order(List<Integer> order) {
    also.addAll(PagesOrder.give(pdf, order));
    List<Integer> moved = touched.stream().map(order::indexOf).toList();
    touched.clear();
    touched.addAll(moved);
  }

  /** What is to be said of signatures of the file. */
  public List<String> ofSignatures() {
    boolean broken = (!touched.isEmpty() || !also.isEmpty()) && Signed.is(pdf);
    return broken
        ? List.of(WORDS.say(keepsSigned() ? "pdf-amender.signed" : "pdf-amender.no-longer-signed"))
        : List.of();
  }

  /** Turns a page as it is shown, clockwise; what paints it stays. @param quarters of a turn */
  public void turn(int page, int quarters) {
    PageFrame.turn(pdf.getPage(page), quarters);
    touched.add(page);
  }

  /**
   * Shows a part of a page alone; what lies outside stays in the file.
   *
   * @param to on the page as it is shown, in points
   */
  public void crop(int page, Box to) {
    PageFrame.crop(pdf.getPage(page), PageFrame.area(to));
    touched.add(page);
  }

  private List<String> with(ChangesTold told, List<Replacement> all) {
    var out = new ArrayList<>(told.lines());
    out.addAll(ofSignatures());
    out.addAll(Elsewhere.saying(pdf, all));
    return out;
  }

  /** Whether what was signed can stay in the file as it is, with the changes after it. */
  private boolean keepsSigned() {
    return Signed.is(pdf) && keepsVersions();
  }

  /** Whether the file can stay as it is within a changed one: not one that is locked or damaged. */
  public boolean keepsVersions() {
    return request.isPresent() && !pdf.isEncrypted() && pdf.getDocument().getStartXref() > 0;
  }

  /**
   * Writes the file as it is now. The old words are gone from it, unless it is signed and not
   * locked: then what was signed stays in it, byte by byte, and the changes come after.
   */
  public void write(OutputStream out) throws IOException {
    write(out, false);
  }

  /**
   * @param old whether the version before stays in the file, byte by byte, and can be brought back
   *     by anyone who has it; only where {@link #keepsVersions}
   */
  public void write(OutputStream out, boolean old) throws IOException {
    List<COSObject> fresh = finish();
    if (old && keepsVersions() || keepsSigned()) {
      var pages = new PagesIncrement(pdf, touched, also);
      pages.write(request.orElseThrow().file(), fresh, out);
    } else {
      Rewritten.write(pdf, out);
    }
  }

  /** Puts the fonts in that are brought, now that all of their letters are known. */
  private List<COSObject> finish() throws IOException {
    var fresh = new ArrayList<>(taken);
    for (PageChange.FontEntry e : wanted) {
      e.fonts().setItem(e.name(), e.font().in(pdf.getDocument(), fresh::add));
    }
    return fresh;
  }
}
