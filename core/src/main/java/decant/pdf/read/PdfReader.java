package decant.pdf.read;

import decant.model.Document;
import decant.model.Metadata;
import decant.model.finding.Finding;
import decant.pdf.open.SourceDocument;
import decant.pdf.read.beside.FloatedPictures;
import decant.pdf.read.beside.RunningTexts;
import decant.pdf.read.blocks.ContentsPages;
import decant.pdf.read.blocks.Headings;
import decant.pdf.read.blocks.ItemDepths;
import decant.pdf.read.blocks.PdfOutlineTitles;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.DetectedNote;
import decant.pdf.read.document.DocumentMaker;
import decant.pdf.read.document.DrawnShapes;
import decant.pdf.read.document.LiveContents;
import decant.pdf.read.drawings.DetectedDrawings;
import decant.pdf.read.drawings.DrawingCutter;
import decant.pdf.read.drawings.SideBySide;
import decant.pdf.read.fonts.BroughtFonts;
import decant.pdf.read.fonts.FileFonts;
import decant.pdf.read.fonts.FontDoubts;
import decant.pdf.read.fonts.Weights;
import decant.pdf.read.lines.ApartText;
import decant.pdf.read.lines.Dehyphenator;
import decant.pdf.read.lines.DrawnMarks;
import decant.pdf.read.lines.Lines;
import decant.pdf.read.lines.SideTexts;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.SourceFace;
import decant.pdf.read.page.TextLine;
import decant.pdf.read.report.Conservation;
import decant.pdf.read.report.ConversionReport;
import decant.pdf.read.scan.AttachedFiles;
import decant.pdf.read.scan.PageScans;
import decant.pdf.read.scan.PdfLinks;
import decant.pdf.read.scan.RecognisedPages;
import decant.pdf.read.scan.Scripts;
import decant.pdf.read.scan.XfaForm;
import decant.pdf.read.tagged.TaggedBlocks;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.ReadingFonts;
import decant.reading.TakenIn;
import decant.text.FontBook;
import decant.words.Product;
import decant.words.Words;
import decant.work.Faults;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;

/** Reads PDF files. */
public final class PdfReader {
  private static final Words WORDS = Words.of(PdfReader.class);

  private final ReadRequest request;
  private final SourceDocument pdf;
  private final SourceDamage damage;
  private final FileFonts fonts = new FileFonts();
  private final List<Finding> findings = new ArrayList<>();
  private final PdfLinks links;

  private final Map<Integer, WholePages.Why> whole;
  private final WholePages wholePages;

  /**
   * @param whole pages that are not to be told apart, by their index from 0
   */
  private PdfReader(ReadRequest request, SourceDocument pdf, Map<Integer, WholePages.Why> whole) {
    this.request = request;
    this.pdf = pdf;
    this.damage = new SourceDamage(pdf);
    this.links = new PdfLinks(pdf);
    this.whole = whole;
    this.wholePages = new WholePages(new DrawingCutter(pdf));
  }

  /** Takes a file in. @throws ReadProblem if it is locked, damaged beyond reading, or too large */
  public static TakenIn read(ReadRequest request) throws ReadProblem {
    return OpenedPdf.in(request, pdf -> read(request, pdf));
  }

  /** Where telling pages apart fails by a fault of ours, they are kept whole: no file is lost. */
  private static TakenIn read(ReadRequest request, SourceDocument pdf)
      throws ReadProblem, IOException {
    var whole = new HashMap<Integer, WholePages.Why>();
    while (true) {
      try {
        return new PdfReader(request, pdf, whole).run();
      } catch (PageFaults e) {
        if (whole.keySet().containsAll(e.byPage().keySet())) {
          throw e;
        }
        e.byPage().forEach((page, thrown) -> whole.computeIfAbsent(page, k -> fault(thrown)));
      } catch (RuntimeException | StackOverflowError e) {
        if (whole.size() == pdf.getNumberOfPages()) {
          throw e;
        }
        WholePages.Why fault = fault(e);
        IntStream.range(0, pdf.getNumberOfPages()).forEach(p -> whole.putIfAbsent(p, fault));
      }
    }
  }

  private static WholePages.Why fault(Throwable thrown) {
    return new WholePages.Why.Fault(Faults.note("telling a page apart", thrown));
  }

  /** What we wrote says of everything what it is. */
  private boolean isOurs() {
    return Product.NAME.equals(pdf.getDocumentInformation().getProducer());
  }

  /** Pages that we kept as they were are told by their crop box: those that we set have none. */
  private boolean tellsSoftHyphens(int page) {
    return isOurs() && !pdf.getPage(page).getCOSObject().containsKey(COSName.CROP_BOX);
  }

  private TakenIn run() throws ReadProblem, IOException {
    DetectedDrawings.Result drawn = drawingsCut(DrawnMarks.in(recognised(keptWhole(scan()))));
    List<SideTexts> sides = drawn.pages().parallelStream().map(SideTexts::of).toList();
    var pages = new ArrayList<>(sides.stream().map(SideTexts::page).toList());
    var lines = new ArrayList<>(pages.parallelStream().map(Lines::of).toList());
    keepScattered(pages, lines);
    var joiner = new Dehyphenator(lines, this::tellsSoftHyphens);
    RunningTexts.Result repeating = RunningTexts.of(pages, lines);
    Optional<TaggedBlocks.Result> tagged = TaggedBlocks.of(pdf, pages, lines, repeating);
    List<Detected> found;
    List<DetectedNote> notes = List.of();
    var apart = new ArrayList<ApartText>();
    RunningTexts.Result running;
    if (tagged.isPresent()) {
      RunningTexts.Result known =
          isOurs() ? tagged.get().running() : RunningTexts.both(tagged.get().running(), repeating);
      List<RunningTexts.Result.Parted> parted =
          tagged.get().found().stream().map(known.parting()).toList();
      running = known.with(parted.stream().flatMap(x -> x.running().stream()).toList(), pages);
      List<Detected> body =
          ContentsPages.of(parted.stream().flatMap(x -> x.rest().stream()).toList());
      found = isOurs() ? body : Headings.whereTagsHaveNone(body, outlineTitles());
      notes = tagged.get().notes();
      findings.addAll(tagged.get().findings());
    } else {
      running = repeating;
      PageAnalysis.Result analysed = new PageAnalysis(request, pages, lines, running).all();
      found = Headings.decide(ContentsPages.of(analysed.found()), outlineTitles());
      found = ItemDepths.of(found);
      notes = analysed.notes();
      apart.addAll(analysed.stamps());
    }
    running = running.withoutTableHeads(found);
    found = FloatedPictures.joined(found);
    Metadata metadata = metadata();
    List<List<ApartText>> slanted =
        IntStream.range(0, pages.size())
            .parallel()
            .mapToObj(p -> turned(pages.get(p), sides.get(p)))
            .toList();
    slanted.forEach(apart::addAll);
    var maker =
        new DocumentMaker(pages, found, notes, apart, running, drawn.grounds(), joiner, metadata);
    Document d = maker.make();
    d = DocumentMaker.withLinks(d, links.targets(maker.places(), d));
    d = LiveContents.in(d);
    var attached = new AttachedFiles(pdf, pages.size(), request.limits());
    d = d.withAttachments(attached.files());
    findings.addAll(attached.findings());
    BroughtFonts.Result brought = BroughtFonts.of(fonts);
    d =
        d.withStyles(
            d.styles().withTypesetting(d.styles().typesetting().withFonts(brought.fonts())));
    DrawnShapes.Result shapes =
        DrawnShapes.in(d, pages, found, maker.places(), drawn.grounds(), maker.apart());
    d = maker.withSetting(shapes.document());
    FontBook book = ReadingFonts.of(brought.fonts());
    // What is on every page stands once in the document.
    slanted =
        slanted.stream()
            .map(s -> s.stream().filter(t -> !maker.apart().watermarks().contains(t)).toList())
            .toList();
    CompletableFuture<List<Finding>> conservation = conserved(pages, lines, slanted, running, d);
    var read =
        new ConversionReport.Read(
            pages,
            lines,
            drawn,
            running,
            found,
            d,
            maker.places(),
            maker.markers(),
            shapes.taken());
    new ConversionReport(pdf, new FontDoubts(fonts, book, brought.withheld()), book, read)
        .findings().stream()
            .filter(f ->
                f.kind() != Finding.Kind.SCANNED_PAGE
                    || f.source().filter(x -> wholePages.contains(x.page())).isEmpty())
            .forEach(findings::add);
    findings.addAll(wholePages.findings());
    findings.addAll(outcome(conservation));
    var origin =
        new TakenIn.Origin(
            "pdf", pages.size(), properties(), fonts(book), maker.places(), maker.breaks());
    findings.addAll(links.findings());
    findings.addAll(Scripts.in(pdf));
    XfaForm.in(pdf).ifPresent(findings::add);
    findings.addAll(damage.findings());
    guarded().ifPresent(findings::addFirst);
    return new TakenIn(d, findings, origin);
  }

  private static List<ApartText> turned(ScannedPage page, SideTexts beside) {
    // A page that is kept as a picture has them there.
    return page.glyphs().isEmpty()
        ? List.of()
        : Stream.concat(ApartText.slanted(page).stream(), beside.texts().stream()).toList();
  }

  /** Holds the document against its pages, while what else is to be said is found. */
  private static CompletableFuture<List<Finding>> conserved(
      List<ScannedPage> pages,
      List<List<TextLine>> lines,
      List<List<ApartText>> slanted,
      RunningTexts.Result running,
      Document d) {
    return CompletableFuture.supplyAsync(() -> {
      List<List<TextLine>> all = new ArrayList<>();
      for (int p = 0; p < pages.size(); p++) {
        var here = new ArrayList<>(lines.get(p));
        slanted.get(p).forEach(t -> here.addAll(t.lines()));
        all.add(here);
      }
      return Conservation.of(pages, all, running, d);
    });
  }

  /** What was found; a fault is thrown as if it had been found here. */
  private static List<Finding> outcome(CompletableFuture<List<Finding>> found) {
    try {
      return found.join();
    } catch (CompletionException e) {
      switch (Objects.requireNonNull(e.getCause())) {
        case RuntimeException r -> throw r;
        case Error r -> throw r;
        default -> throw e;
      }
    }
  }

  /**
   * Whoever locked the file, or limited its use (ISO 32000-1 §7.6.3), meant it: it is told first.
   */
  private Optional<Finding> guarded() {
    if (!pdf.isEncrypted()) {
      return Optional.empty();
    }
    boolean given = request.password().filter(p -> !p.isEmpty()).isPresent();
    if (given && !opensForAll()) {
      return Optional.of(
          Finding.general(
              Finding.Kind.SOURCE_LOCKED,
              Finding.Severity.DOUBT,
              WORDS.say("pdf-reader.source-locked")));
    }
    return given || !pdf.getCurrentAccessPermission().isOwnerPermission()
        ? Optional.of(
            Finding.general(
                Finding.Kind.SOURCE_LIMITED,
                Finding.Severity.DOUBT,
                WORDS.say("pdf-reader.source-limited")))
        : Optional.empty();
  }

  private boolean opensForAll() {
    try (PDDocument again = Loader.loadPDF(request.file().toFile(), "")) {
      return again.isEncrypted();
    } catch (IOException | RuntimeException | StackOverflowError e) {
      Faults.mended("trying the file without its password", e);
      return false; // it asks for the password, or is odd: then what is said is the stronger
    }
  }

  private List<ScannedPage> recognised(List<ScannedPage> pages) throws ReadProblem {
    if (request.recogniser().isEmpty()) {
      return pages;
    }
    var recognised = new RecognisedPages(pdf, request, request.recogniser().get());
    List<ScannedPage> out = recognised.in(pages);
    findings.addAll(recognised.findings());
    return out;
  }

  private DetectedDrawings.Result drawingsCut(List<ScannedPage> pages) throws ReadProblem {
    return DetectedDrawings.asPictures(
        pages, new SideBySide(request, pdf, () -> damage.again(request)));
  }

  /**
   * Pages whose text lies in thousands of pieces, as that of maps and plans does, are no text to
   * revise; and what compares pieces with pieces would not come to an end. Each is kept as it is.
   */
  private void keepScattered(List<ScannedPage> pages, List<List<TextLine>> lines)
      throws ReadProblem {
    for (int p = 0; p < pages.size(); p++) {
      ScannedPage page = pages.get(p);
      long slanted = page.glyphs().stream().filter(g -> g.quarter() == Glyph.SLANTED).count();
      if (lines.get(p).size() > MAX_PIECES || slanted > MAX_PIECES) {
        request.checkpoint();
        pages.set(p, wholePages.whole(page, new WholePages.Why.Scattered()));
        lines.set(p, List.of());
      }
    }
  }

  /** Of one page; a page of small print in columns and tables has some hundreds. */
  private static final int MAX_PIECES = 4000;

  private List<ScannedPage> keptWhole(List<ScannedPage> pages) {
    return pages.stream()
        .map(p ->
            Optional.ofNullable(whole.get(p.number()))
                .map(why -> wholePages.whole(p, why))
                .orElse(p))
        .toList();
  }

  private List<ScannedPage> scan() throws ReadProblem, IOException {
    PageScans.Result scanned =
        new PageScans(request, pdf, links, () -> damage.again(request)).all();
    fonts.add(scanned.fonts());
    findings.addAll(scanned.findings());
    Map<SourceFace, SourceFace> heavier = Weights.standingOut(scanned.pages(), fonts);
    if (heavier.isEmpty()) {
      return scanned.pages();
    }
    fonts.replace(heavier);
    return scanned.pages().stream().map(p -> Weights.in(heavier, p)).toList();
  }

  private Set<String> outlineTitles() {
    return PdfOutlineTitles.of(pdf);
  }

  private Metadata metadata() {
    PDDocumentInformation i = pdf.getDocumentInformation();
    String language = pdf.getDocumentCatalog().getLanguage();
    return new Metadata(
        text(i.getTitle()),
        text(i.getSubject()),
        text(i.getAuthor()),
        text(i.getKeywords()),
        text(language));
  }

  private static String text(@org.jspecify.annotations.Nullable String s) {
    return s == null ? "" : s.strip();
  }

  private Map<String, String> properties() {
    Map<String, String> out = new TreeMap<>();
    PDDocumentInformation i = pdf.getDocumentInformation();
    for (String key : i.getMetadataKeys()) {
      Object value = i.getPropertyStringValue(key);
      out.put(key, value == null ? "" : value.toString());
    }
    out.put("PDF version", Float.toString(pdf.getVersion()));
    return out;
  }

  private List<TakenIn.SourceFont> fonts(FontBook book) {
    var out = new TreeMap<String, TakenIn.SourceFont>();
    for (SourceFace f : fonts.faces()) {
      FontBook.Served s = book.serve(f.family(), f.bold(), f.italic());
      out.put(
          f.name(),
          new TakenIn.SourceFont(f.name(), f.embedded(), s.face().toString(), s.reason().label()));
    }
    return new ArrayList<>(out.values());
  }
}
