package decant.pdf.amend;

import decant.model.Box;
import decant.pdf.amend.line.FontsOfFile;
import decant.pdf.amend.line.PageLetters;
import decant.pdf.amend.line.PaintedPicture;
import decant.pdf.amend.line.Row;
import decant.pdf.amend.line.Rows;
import decant.pdf.content.PageSpace;
import decant.pdf.file.Increment;
import decant.pdf.file.Rewritten;
import decant.pdf.read.OpenedPdf;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.words.Words;
import decant.work.Faults;
import java.awt.Shape;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/** A PDF whose words are changed where they stand. Not safe for use by several threads. */
public final class PdfAmender {
  private static final Words WORDS = Words.of(PdfAmender.class);

  /** The file that was opened; empty for one in memory. */
  private final Optional<ReadRequest> request;

  private final PDDocument pdf;
  private final FontsOfFile fonts = new FontsOfFile();
  private final SubstituteFont.All substitutes = new SubstituteFont.All();
  private final List<PageChange.FontEntry> wanted = new ArrayList<>();
  private final Set<Integer> touched = new TreeSet<>();

  private PdfAmender(Optional<ReadRequest> request, PDDocument pdf) {
    this.request = request;
    this.pdf = pdf;
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
    var brought = new LinkedHashSet<String>();
    var smaller = new ArrayList<Integer>();
    var chosen = Set.copyOf(on);
    var streams = new PageStreams(pdf);
    COSDictionary ofFields = resourcesOfFields();
    for (int k : on) {
      if (request.isPresent()) {
        request.get().checkpoint();
      }
      PDPage page = pdf.getPage(k);
      PageLetters.Result content = PageLetters.of(page, fonts);
      PageWords words = PageWords.of(page, k + 1, content, all, substitutes);
      left.addAll(words.left());
      left.addAll(NotesOnPage.holding(page, k + 1, ofFields, all, fonts));
      if (words.changed() > 0) {
        changed += words.changed();
        brought.addAll(words.brought());
        if (words.smaller()) {
          smaller.add(k + 1);
        }
        change(k, content, words, streams, chosen);
      }
    }
    return new Amended(changed, left, told(all, brought, smaller));
  }

  private void change(
      int page,
      PageLetters.Result content,
      PageWords words,
      PageStreams streams,
      Set<Integer> chosen)
      throws IOException {
    PDPage p = pdf.getPage(page);
    var change = new PageChange(p, content.shows(), words.settings());
    change.apply(streams.used(), form -> streams.isElsewhere(form, chosen));
    LinkPlaces.follow(p, words.settings());
    wanted.addAll(change.wanted());
    touched.add(page);
  }

  /** The lines of a page, from 0. */
  public List<PageLine> lines(int page) {
    PDPage p = pdf.getPage(page);
    List<Row> rows = Rows.of(PageLetters.of(p, fonts).letters());
    var out = new ArrayList<PageLine>();
    for (int k = 0; k < rows.size(); k++) {
      String text = LineDifference.text(rows.get(k));
      if (!text.isBlank()) {
        out.add(new PageLine(k, text, box(p, rows.get(k).area(0, rows.get(k).seen()))));
      }
    }
    return out;
  }

  /** The pictures of a page, from 0. */
  public List<PagePicture> pictures(int page) {
    PDPage p = pdf.getPage(page);
    List<PaintedPicture> all = PageLetters.of(p, fonts).pictures();
    var out = new ArrayList<PagePicture>();
    for (int k = 0; k < all.size(); k++) {
      out.add(new PagePicture(k, box(p, all.get(k).area())));
    }
    return out;
  }

  /** Takes a picture away, out of the content and out of the file. */
  public void removePicture(int page, int picture) throws IOException {
    var streams = new PageStreams(pdf);
    painted(page)
        .remove(
            picture(page, picture),
            streams.used(),
            form -> streams.isElsewhere(form, Set.of(page)));
    touched.add(page);
  }

  /**
   * Paints another picture in the place of one, as large as fits there.
   *
   * @param image a PNG, JPEG, GIF, BMP or TIFF
   * @throws IOException if it is no such picture
   */
  public void replacePicture(int page, int picture, byte[] image) throws IOException {
    PDImageXObject by;
    try {
      by = PDImageXObject.createFromByteArray(pdf, image, "picture");
    } catch (IllegalArgumentException e) {
      throw new IOException(e);
    }
    double shape = (double) by.getWidth() / by.getHeight();
    var streams = new PageStreams(pdf);
    painted(page)
        .replace(
            picture(page, picture),
            by.getCOSObject(),
            shape,
            streams.used(),
            form -> streams.isElsewhere(form, Set.of(page)));
    touched.add(page);
  }

  private PageChange painted(int page) {
    return new PageChange(pdf.getPage(page), List.of(), List.of());
  }

  private PaintedPicture picture(int page, int picture) {
    return PageLetters.of(pdf.getPage(page), fonts).pictures().get(picture);
  }

  private static Box box(PDPage page, Shape area) {
    Rectangle2D r =
        PageSpace.shown(page.getCropBox(), page.getRotation())
            .createTransformedShape(area)
            .getBounds2D();
    return new Box(r.getX(), r.getY(), r.getWidth(), r.getHeight());
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
    PageWords words = PageWords.ofLine(p, page + 1, content, line, text, substitutes);
    if (words.changed() > 0) {
      change(page, content, words, new PageStreams(pdf), Set.of(page));
    }
    List<Integer> smaller = words.smaller() ? List.of(page + 1) : List.of();
    return new Amended(
        words.changed(),
        words.left(),
        told(List.of(), new LinkedHashSet<>(words.brought()), smaller));
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

  private COSDictionary resourcesOfFields() {
    COSDictionary form =
        pdf.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.ACRO_FORM);
    COSDictionary own = form == null ? null : form.getCOSDictionary(COSName.DR);
    return own == null ? new COSDictionary() : own;
  }

  private List<String> told(List<Replacement> all, Set<String> brought, List<Integer> smaller) {
    var out = new ArrayList<String>();
    for (String f : brought) {
      out.add(WORDS.say("pdf-amender.brought", f));
    }
    for (int page : smaller) {
      out.add(WORDS.say("pdf-amender.smaller", page));
    }
    if (!touched.isEmpty() && signed()) {
      out.add(WORDS.say("pdf-amender.signed"));
    }
    out.addAll(Elsewhere.saying(pdf, all));
    return out;
  }

  /** Whether a change breaks a signature; the signed edition then stays in the file. */
  public boolean signed() {
    try {
      return !pdf.getSignatureDictionaries().isEmpty();
    } catch (RuntimeException e) {
      Faults.mended("looking for signatures", e);
      return false;
    }
  }

  /**
   * Writes the file as it is now. The old words are gone from it, unless it is signed: then what
   * was signed stays in it, byte by byte, and the changes come after.
   */
  public void write(OutputStream out) throws IOException {
    List<COSObject> fresh = finish();
    boolean kept = signed() && !pdf.isEncrypted() && pdf.getDocument().getStartXref() > 0;
    if (kept && request.isPresent()) {
      increment(request.get().file(), fresh, out);
    } else {
      Rewritten.write(pdf, out);
    }
  }

  /** Puts the fonts in that are brought, now that all of their letters are known. */
  private List<COSObject> finish() throws IOException {
    var fresh = new ArrayList<COSObject>();
    for (PageChange.FontEntry e : wanted) {
      e.fonts().setItem(e.name(), e.font().in(pdf.getDocument(), fresh::add));
    }
    return fresh;
  }

  private void increment(Path file, List<COSObject> fresh, OutputStream out) throws IOException {
    Set<COSBase> all = Collections.newSetFromMap(new IdentityHashMap<>());
    for (int k : touched) {
      PDPage p = pdf.getPage(k);
      all.add(p.getCOSObject());
      all.addAll(PageStreams.contentsOf(p));
      all.addAll(PageStreams.formsOf(p));
      NotesOnPage.annotations(p).forEach(a -> all.add(a.getCOSObject()));
    }
    var increment = new Increment(pdf.getDocument());
    increment.change(all);
    fresh.forEach(increment::add);
    try (var in = Files.newInputStream(file)) {
      increment.write(in, out);
    }
  }
}
