package decant.pdf.read.scan;

import decant.model.Box;
import decant.model.finding.Finding;
import decant.model.finding.Finding.Kind;
import decant.model.finding.Finding.Severity;
import decant.pdf.read.fonts.FileFonts;
import decant.pdf.read.page.ScannedPage;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.words.Figures;
import decant.words.Words;
import decant.work.Faults;
import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.Callable;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;

/**
 * Scans the pages of a file: in stretches, side by side, where there are many and the computer can.
 * A stretch has the file opened for itself, since it cannot be shared; the result is the same as
 * that of one page after the other.
 */
public final class PageScans {
  private static final Words WORDS = Words.of(PageScans.class);

  /** Fewer pages than this are not worth opening the file once more for. */
  private static final int MIN = 60;

  /** Half of the processors, for the compiler and the collector are at work too; measured. */
  private static final int PROCESSORS_EACH = 2;

  private static final int MAX_WORKERS = 4;

  /** What a page earns of time: what it takes until it is published, on a slow computer. */
  private static final Duration A_PAGE = Duration.ofMillis(150);

  /** Opens the file once more. */
  public interface Opener {
    PDDocument open() throws IOException;
  }

  /**
   * @param fonts those of all pages, by first use
   */
  public record Result(List<ScannedPage> pages, FileFonts fonts, List<Finding> findings) {}

  private final ReadRequest request;
  private final PDDocument pdf;
  private final Opener opener;
  private final int count;
  private final List<LinkAreas> links = new ArrayList<>();
  private final AtomicInteger done = new AtomicInteger();

  public PageScans(ReadRequest request, PDDocument pdf, PdfLinks links, Opener opener) {
    this.request = request;
    this.pdf = pdf;
    this.opener = opener;
    this.count = Math.min(pdf.getNumberOfPages(), request.firstPages());
    for (int k = 0; k < count; k++) {
      this.links.add(links.of(pdf.getPage(k), k));
    }
  }

  /** What stands on one page of a file. */
  public static ScannedPage one(PDDocument pdf, int page) throws IOException {
    PDPage p = pdf.getPage(page);
    LinkAreas links = new PdfLinks(pdf).of(p, page);
    return new PageScan(p, page, links, new FileFonts(), new SourcePictures(), Layers.of(pdf))
        .scan();
  }

  public Result all() throws ReadProblem, IOException {
    int n = count;
    int processors = Runtime.getRuntime().availableProcessors() / PROCESSORS_EACH;
    int workers = Math.min(MAX_WORKERS, Math.min(processors, n / MIN));
    return workers < 2 ? stretch(pdf, 0, n) : sideBySide(n, workers);
  }

  Result sideBySide(int n, int workers) throws ReadProblem, IOException {
    var tasks = new ArrayList<Callable<Result>>();
    for (int w = 0; w < workers; w++) {
      int from = (int) ((long) n * w / workers);
      int to = (int) ((long) n * (w + 1) / workers);
      tasks.add(() -> {
        try (PDDocument own = opener.open()) {
          return stretch(own, from, to);
        }
      });
    }
    var pages = new ArrayList<ScannedPage>();
    var fonts = new FileFonts();
    var findings = new ArrayList<Finding>();
    try (ExecutorService pool =
        Executors.newFixedThreadPool(
            workers, Thread.ofPlatform().daemon().name("page scan ", 1).factory())) {
      for (Future<Result> f : pool.invokeAll(tasks)) {
        Result r = f.get();
        pages.addAll(r.pages());
        fonts.add(r.fonts());
        findings.addAll(r.findings());
      }
    } catch (ExecutionException e) {
      switch (Objects.requireNonNull(e.getCause())) {
        case ReadProblem p -> throw p;
        case IOException i -> throw i;
        case RuntimeException r -> throw r;
        case Error r -> throw r;
        default -> throw new IOException(e);
      }
    } catch (InterruptedException | CancellationException e) {
      Thread.currentThread().interrupt();
      throw ReadProblem.cancelled();
    }
    return new Result(pages, fonts, findings);
  }

  /** One page after the other. */
  private Result stretch(PDDocument from, int first, int end) throws ReadProblem {
    var pages = new ArrayList<ScannedPage>();
    var fonts = new FileFonts();
    var findings = new ArrayList<Finding>();
    var media = new SourcePictures();
    Layers layers = Layers.of(from);
    for (int k = first; k < end; k++) {
      request.checkpoint();
      progressed();
      var page = from.getPage(k);
      try {
        var scan = new PageScan(page, k, links.get(k), fonts, media, layers);
        pages.add(scan.scan());
        leftOut(scan, page, k, findings);
      } catch (IOException | RuntimeException | StackOverflowError e) {
        Faults.mended("reading a page", e);
        Box whole = whole(page);
        pages.add(ScannedPage.blank(k, whole.width(), whole.height()));
        findings.add(
            found(
                Kind.FILE_DAMAGED,
                Severity.LOSS,
                WORDS.say("page-scans.page-is-damaged-and-could", k + 1),
                k,
                whole));
      }
    }
    fonts.gather();
    return new Result(pages, fonts, findings);
  }

  /** What a page holds that is not read, or not as it is. */
  private static void leftOut(PageScan scan, PDPage page, int k, List<Finding> to) {
    if (scan.hidden() > 0) {
      String said = WORDS.count("page-scans.hidden", scan.hidden(), k + 1);
      to.add(found(Kind.CONTENT_LEFT_OUT, Severity.NOTE, said, k, whole(page)));
    }
    if (scan.covered() > 0) {
      String said = WORDS.count("page-scans.covered", scan.covered(), k + 1);
      to.add(found(Kind.CONTENT_KEPT_UNSHOWN, Severity.DOUBT, said, k, whole(page)));
    }
    for (Box box : scan.unread()) {
      String said = WORDS.say("page-scans.picture-unread", k + 1);
      to.add(found(Kind.PICTURE_MISSING, Severity.LOSS, said, k, box));
    }
    for (Box box : scan.reduced()) {
      String said = WORDS.say("page-scans.picture-reduced", k + 1);
      to.add(found(Kind.PICTURE_CHANGED, Severity.LOSS, said, k, box));
    }
    for (Box box : scan.damage.pictures()) {
      String said = WORDS.say("page-scans.picture-damaged", k + 1);
      to.add(found(Kind.FILE_DAMAGED, Severity.DOUBT, said, k, box));
    }
    for (PageAnnotations.Playing p : scan.playing()) {
      String said = WORDS.say("page-scans.playing", k + 1, p.kind());
      to.add(found(Kind.CONTENT_LEFT_OUT, Severity.LOSS, said, k, p.box()));
    }
    if (scan.isCut()) {
      String said = WORDS.say("page-scans.cut", k + 1);
      to.add(found(Kind.CONTENT_LEFT_OUT, Severity.LOSS, said, k, whole(page)));
    }
    if (page.getUserUnit() != 1) {
      String said = WORDS.say("page-scans.unit", k + 1, Figures.decimal(page.getUserUnit(), 2));
      to.add(found(Kind.LAYOUT_SIMPLIFIED, Severity.DOUBT, said, k, whole(page)));
    }
    if (scan.marks.hasHidden()) {
      String said = WORDS.say("page-scans.layer", k + 1);
      to.add(found(Kind.CONTENT_LEFT_OUT, Severity.DOUBT, said, k, whole(page)));
    }
    if (scan.damage.isFound()) {
      String said = WORDS.say("page-scans.damaged", k + 1);
      to.add(found(Kind.FILE_DAMAGED, Severity.LOSS, said, k, whole(page)));
    }
  }

  private static Finding found(Kind kind, Severity severity, String said, int page, Box place) {
    return Finding.general(kind, severity, said).from(page, place);
  }

  private static Box whole(PDPage page) {
    return new Box(0, 0, page.getCropBox().getWidth(), page.getCropBox().getHeight());
  }

  private synchronized void progressed() {
    request.deadline().earn(A_PAGE);
    request.progress().at(done.getAndIncrement(), links.size());
  }
}
