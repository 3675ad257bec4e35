package decant.pin;

import decant.layout.Layout;
import decant.layout.pages.Page;
import decant.model.NodeId;
import decant.model.finding.Finding.SourcePlace;
import decant.paint.KeptPdf;
import decant.paint.PagePainter;
import decant.picture.StandInFonts;
import decant.proof.OffSheet;
import decant.publication.KeptPage;
import decant.reading.TakenIn;
import decant.work.Faults;
import java.io.IOException;
import java.io.InterruptedIOException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationFileAttachment;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationText;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/**
 * Holds each page of a source against the page that it is published as: both are painted small, and
 * their ink is compared by place and colour. Pages are paired by what stands on them, not by their
 * numbers.
 */
public final class PageJudge {
  static {
    StandInFonts.use();
  }

  /**
   * The share of a page's ink of which it is told that it is not in its place: half a line of a
   * full page.
   */
  private static final double PART = 0.01;

  /** Of a page, for posters. */
  private static final double MAX_PIXELS = 2_000_000;

  private final KeptPage.Source source;
  private final Layout layout;
  private final PagePainter painter = new PagePainter();
  private final BooleanSupplier interrupted;
  private final AtomicInteger next = new AtomicInteger();
  private final Collection<Judgement.Verdict> verdicts = new ConcurrentLinkedQueue<>();
  private final Map<NodeId, SourcePlace> places;
  private final Map<Integer, Pair> pairs;

  /** Pages that are not looked at. */
  private final Set<Integer> without;

  /**
   * Where a page of the source has gone.
   *
   * @param page the page that most of its blocks, by their area, stand on, from 0
   * @param share of that area
   */
  private record Pair(int page, double share) {}

  private PageJudge(
      KeptPage.Source source,
      TakenIn taken,
      Layout layout,
      Set<Integer> without,
      BooleanSupplier interrupted) {
    this.source = source;
    this.layout = layout;
    this.interrupted = interrupted;
    this.places = taken.origin().places();
    this.pairs = pairs(places, layout);
    this.without = without;
  }

  /**
   * Compares all pages, on as many processors as there are.
   *
   * @param layout of the document that was taken in, complete
   * @param interrupted asked before each page; the rest is then left out
   * @throws IOException if the source cannot be opened
   */
  public static Judgement judge(
      KeptPage.Source source, TakenIn taken, Layout layout, BooleanSupplier interrupted)
      throws IOException {
    return new PageJudge(source, taken, layout, Set.of(), interrupted).run();
  }

  /** Compares all pages but those that are pinned; the same. */
  static Judgement judgeFlowing(
      KeptPage.Source source, TakenIn taken, Layout layout, BooleanSupplier interrupted)
      throws IOException {
    Set<Integer> pinned = Pinning.pages(layout.document()).keySet();
    return new PageJudge(source, taken, layout, pinned, interrupted).run();
  }

  private Judgement run() throws IOException {
    int pages;
    try (PDDocument pdf = KeptPdf.open(source)) {
      pages = pdf.getNumberOfPages();
    }
    int workers = Math.min(Runtime.getRuntime().availableProcessors(), Math.max(1, pages / 4));
    var threads = new ArrayList<Thread>();
    for (int w = 0; w < workers; w++) {
      Thread t = new Thread(() -> open(pages), "page-judge");
      t.setDaemon(true); // a page that does not come to an end ends with the program
      t.start();
      threads.add(t);
    }
    await(threads);
    List<Judgement.Verdict> sorted =
        verdicts.stream().sorted(Comparator.comparingInt(Judgement.Verdict::page)).toList();
    return new Judgement(
        sorted, sorted.size() == pages - without.size(), OffSheet.findings(layout, places));
  }

  /** Waits for the workers; for one that is stuck in a page not much longer than it may take. */
  private void await(List<Thread> threads) throws InterruptedIOException {
    long over = 0;
    try {
      for (Thread t : threads) {
        while (t.isAlive()) {
          t.join(LOOK);
          over += interrupted.getAsBoolean() ? LOOK : 0;
          if (over > GRACE) {
            return;
          }
        }
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new InterruptedIOException("comparing pages");
    }
  }

  /** Milliseconds. */
  private static final long LOOK = 50;

  private static final long GRACE = 1500;

  private void open(int pages) {
    try (PDDocument own = KeptPdf.open(source)) {
      work(own, pages);
    } catch (IOException | RuntimeException | StackOverflowError | OutOfMemoryError e) {
      Faults.mended("comparing pages with their source", e); // they are not compared, and told so
    }
  }

  private void work(PDDocument pdf, int pages) {
    var renderer = new PDFRenderer(pdf);
    renderer.setSubsamplingAllowed(true);
    renderer.setAnnotationsFilter(a -> !isIcon(a));
    for (int k = next.getAndIncrement(); k < pages; k = next.getAndIncrement()) {
      if (without.contains(k)) {
        continue;
      }
      if (interrupted.getAsBoolean()) {
        return;
      }
      try {
        verdicts.add(verdict(pdf.getPage(k), renderer, k));
      } catch (IOException | RuntimeException | StackOverflowError | OutOfMemoryError e) {
        Faults.mended("comparing a page with its source", e); // it is one that was not compared
      }
    }
  }

  /**
   * Whether what an annotation shows only says that there is something to open (ISO 32000-2
   * §12.5.6.4, §12.5.6.15): a remark or a file, which come along without it and are told of on
   * their own.
   */
  private static boolean isIcon(PDAnnotation a) {
    return a instanceof PDAnnotationText || a instanceof PDAnnotationFileAttachment;
  }

  private Judgement.Verdict verdict(PDPage page, PDFRenderer renderer, int k) throws IOException {
    boolean turned = page.getRotation() % 180 != 0;
    double width = page.getCropBox().getWidth();
    double height = page.getCropBox().getHeight();
    double scale = Math.min(InkGrid.SCALE, Math.sqrt(MAX_PIXELS / Math.max(1, width * height)));
    InkGrid was = InkGrid.of(renderer.renderImage(k, (float) scale, ImageType.RGB));
    Pair pair = pairs.getOrDefault(k, new Pair(Math.min(k, layout.pages().size() - 1), 1));
    Page published = layout.pages().get(pair.page());
    InkGrid is = InkGrid.of(painter.paint(layout, published, scale));
    double kept = was.total() == 0 ? 1 : is.total() / (double) was.total();
    GoneInk beside = was.beside(is);
    return new Judgement.Verdict(
        k,
        turned ? height : width,
        turned ? width : height,
        pair.page(),
        was.alike(is),
        kept,
        pair.share(),
        new Judgement.Differs(
            beside.gone(PART), beside.recoloured(PART), RunningWords.unsaid(layout, k, published)));
  }

  /** For each page of the source the page that it has become. */
  private static Map<Integer, Pair> pairs(Map<NodeId, SourcePlace> places, Layout layout) {
    Map<Integer, Map<Integer, Double>> areas = new HashMap<>();
    places.forEach((id, at) ->
        layout.placesOf(id).stream()
            .findFirst()
            .ifPresent(p ->
                areas
                    .computeIfAbsent(at.page(), k -> new HashMap<>())
                    .merge(
                        p.page().number() - 1, at.box().width() * at.box().height(), Double::sum)));
    Map<Integer, Pair> out = new HashMap<>();
    areas.forEach((page, on) -> {
      var sorted = new ArrayList<>(on.entrySet());
      sorted.sort(Map.Entry.<Integer, Double>comparingByValue().reversed());
      double all = on.values().stream().mapToDouble(a -> a).sum();
      Map.Entry<Integer, Double> most = sorted.getFirst();
      out.put(page, new Pair(most.getKey(), all > 0 ? most.getValue() / all : 1));
    });
    // A page on which only something goes on that began before it.
    for (Page p : layout.pages()) {
      if (p.start().found() >= 0) {
        out.putIfAbsent(p.start().found(), new Pair(p.number() - 1, 1));
      }
    }
    return out;
  }
}
