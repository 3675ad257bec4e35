package decant.pin;

import decant.layout.Layout;
import decant.layout.Layouter;
import decant.model.Box;
import decant.model.Document;
import decant.model.finding.Finding;
import decant.model.finding.Finding.Kind;
import decant.model.finding.Finding.Severity;
import decant.model.look.Media;
import decant.paint.KeptPdf;
import decant.publication.KeptPage;
import decant.reading.TakenIn;
import decant.text.FontBook;
import decant.words.Words;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BooleanSupplier;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;

/** Pins the pages of a PDF that its text does not bring over faithfully. */
public final class PinnedPages {
  private static final Words WORDS = Words.of(PinnedPages.class);

  /**
   * Below it more of a page's ink is gone or elsewhere than stands where it stood, so that whoever
   * compares the two would not take them for the same page.
   */
  static final double FAITHFUL = 0.5;

  /** A page that shows less of its ink has lost more than it has kept. */
  static final double KEPT = 0.5;

  /** A page of which more goes to other pages has come apart; a line that slips on has not. */
  static final double TOGETHER = 0.9;

  /**
   * A page with a loss of this share of its ink, in parts that stand out, shows it is not whole.
   */
  static final double PARTS = 0.1;

  /** Lines of text that are told to be lost on a page that has lost part of what it says. */
  static final int LINES = 3;

  /** What a pinned page still shows, so that nothing of it is told any more. */
  private static final Set<Kind> SHOWN_AGAIN =
      EnumSet.of(
          Kind.FONT_REPLACED,
          Kind.GLYPHS_MISSING,
          Kind.CHARACTERS_UNKNOWN,
          Kind.TABLE_DOUBTFUL,
          Kind.ORDER_DOUBTFUL,
          Kind.TEXT_OVERLAPS,
          Kind.PICTURE_CHANGED,
          Kind.PICTURE_MISSING,
          Kind.DRAWING_LEFT_OUT,
          Kind.CONTENT_LEFT_OUT,
          Kind.LAYOUT_SIMPLIFIED,
          Kind.SCANNED_PAGE,
          Kind.NOTE_MOVED);

  private PinnedPages() {}

  /**
   * Judges a PDF that was taken in, and pins what it judges unfaithful.
   *
   * @param source the file it was taken in from
   * @param layout of its document, complete
   * @param interrupted asked before each page; pages not compared are told
   * @throws IOException if the source cannot be opened again
   */
  public static TakenIn judged(
      KeptPage.Source source, TakenIn taken, Layout layout, BooleanSupplier interrupted)
      throws IOException {
    return judged(source, taken, PageJudge.judge(source, taken, layout, interrupted), interrupted);
  }

  /** So often pages are judged that flow beside others which were pinned since. */
  private static final int ROUNDS = 4;

  /**
   * Pins what was judged unfaithful. What flows beside pinned pages is judged anew, as it is then.
   *
   * @param first how all of it compares
   */
  public static TakenIn judged(
      KeptPage.Source source, TakenIn taken, Judgement first, BooleanSupplier interrupted)
      throws IOException {
    Map<Integer, String> lacking = lacking(taken);
    Judgement now = first;
    TakenIn out = taken;
    List<Pinning.Sheet> poor = unfaithful(first, lacking);
    Optional<Media> file = poor.isEmpty() ? Optional.empty() : Optional.of(unlocked(source));
    for (int round = 0; round < ROUNDS && !poor.isEmpty(); round++) {
      out = pinned(file.orElseThrow(), out, poor);
      Layout layout = new Layouter(FontBook.shipped()).layout(out.document());
      Set<Integer> flowing =
          IntStream.range(0, taken.origin().pages()).boxed().collect(Collectors.toSet());
      flowing.removeAll(Pinning.pages(out.document()).keySet());
      now = PageJudge.judgeFlowing(source, out, layout, interrupted).over(now, flowing);
      poor = unfaithful(now, lacking);
    }
    Set<Integer> pinned = Pinning.pages(out.document()).keySet();
    out =
        out.withFindings(now.offSheet())
            .withFindings(poor.stream().map(PinnedPages::flows).toList())
            .withFindings(differs(now, pinned));
    int left = taken.origin().pages() - pinned.size() - now.pages().size();
    return now.complete() ? out : notCompared(out, left);
  }

  /** What shows on pages that flow, and has nothing near its place on the published page. */
  private static List<Finding> differs(Judgement judgement, Set<Integer> pinned) {
    return judgement.pages().stream()
        .filter(v -> !pinned.contains(v.page()))
        .flatMap(v ->
            Stream.concat(
                (v.gone().isEmpty() ? recoloured(v) : Optional.of(gone(v))).stream(),
                unsaid(v).stream()))
        .toList();
  }

  /** Headers and footers that say something else than they did on their page. */
  private static Optional<Finding> unsaid(Judgement.Verdict v) {
    List<String> lines = v.differs().unsaid();
    if (lines.isEmpty()) {
      return Optional.empty();
    }
    String line = lines.getFirst();
    String said = line.length() > LONGEST ? line.substring(0, LONGEST) + "…" : line;
    return Optional.of(
        Finding.general(
                Kind.LAYOUT_SIMPLIFIED,
                Severity.LOSS,
                WORDS.say("pinned-pages.unsaid", v.page() + 1, said))
            .from(v.page(), new Box(0, 0, v.width(), v.height()))
            .with(new Finding.Remedy.PinPage(v.page())));
  }

  private static final int LONGEST = 60;

  private static Optional<Finding> recoloured(Judgement.Verdict v) {
    return v.differs().recoloured().stream()
        .max(Comparator.comparingDouble(GoneInk.Area::share))
        .map(most ->
            Finding.general(
                    Kind.LAYOUT_SIMPLIFIED,
                    Severity.DOUBT,
                    WORDS.say("pinned-pages.recoloured", v.page() + 1))
                .from(v.page(), most.box())
                .with(new Finding.Remedy.PinPage(v.page())));
  }

  private static Finding gone(Judgement.Verdict v) {
    GoneInk.Area most =
        v.gone().stream().max(Comparator.comparingDouble(GoneInk.Area::share)).orElseThrow();
    long share = Math.max(1, Math.round(100 * v.goneShare()));
    return Finding.general(
            Kind.LAYOUT_SIMPLIFIED,
            v.hasLost() ? Severity.LOSS : Severity.DOUBT,
            WORDS.say(
                v.hasLost() ? "pinned-pages.gone" : "pinned-pages.moved", v.page() + 1, share))
        .from(v.page(), most.box())
        .with(new Finding.Remedy.PinPage(v.page()));
  }

  /** What was taken in, some pages of which were not compared with their originals. */
  public static TakenIn notCompared(TakenIn taken, int pages) {
    return taken.withFindings(
        List.of(
            Finding.general(
                Kind.LAYOUT_SIMPLIFIED,
                Severity.DOUBT,
                WORDS.count("pinned-pages.not-compared", pages))));
  }

  /**
   * The pages that are to be pinned.
   *
   * @param lacking those that are known to lack something, and why they are pinned: lines of text;
   *     pictures that cannot be read, and so cannot be compared either, though whoever opens the
   *     PDF may well see them
   */
  static List<Pinning.Sheet> unfaithful(Judgement judgement, Map<Integer, String> lacking) {
    Set<Integer> over =
        judgement.offSheet().stream()
            .flatMap(f -> f.source().stream())
            .map(Finding.SourcePlace::page)
            .collect(Collectors.toSet());
    var out = new ArrayList<Pinning.Sheet>();
    for (Judgement.Verdict v : judgement.pages()) {
      Optional<String> why =
          Optional.ofNullable(lacking.get(v.page()))
              .or(() ->
                  over.contains(v.page())
                      ? Optional.of(WORDS.say("pinned-pages.off-sheet"))
                      : why(v));
      why.ifPresent(w -> out.add(new Pinning.Sheet(v.page(), v.width(), v.height(), w)));
    }
    return out;
  }

  private static Set<Integer> unread(TakenIn taken) {
    return pages(taken, f -> f.kind() == Kind.PICTURE_MISSING && f.severity() == Severity.LOSS);
  }

  /** The pages of which something is known not to be in the document, and what. */
  private static Map<Integer, String> lacking(TakenIn taken) {
    var out = new HashMap<Integer, String>();
    wordless(taken).forEach(k -> out.put(k, WORDS.say("pinned-pages.words-lost")));
    unread(taken).forEach(k -> out.put(k, WORDS.say("pinned-pages.unread")));
    textless(taken).forEach(k -> out.put(k, WORDS.say("pinned-pages.textless")));
    return out;
  }

  /** What is told of pages that are kept as pictures though they have text. */
  private static final Set<Kind> KEPT_AS_PICTURES =
      EnumSet.of(Kind.SCANNED_PAGE, Kind.PAGE_KEPT_WHOLE);

  private static Set<Integer> textless(TakenIn taken) {
    return pages(taken, f -> KEPT_AS_PICTURES.contains(f.kind()) && f.severity() == Severity.LOSS);
  }

  private static Set<Integer> pages(TakenIn taken, Predicate<Finding> which) {
    return taken.findings().stream()
        .filter(which)
        .flatMap(f -> f.source().stream())
        .map(Finding.SourcePlace::page)
        .collect(Collectors.toSet());
  }

  /** The pages of whose text several lines are not in the document. */
  private static Set<Integer> wordless(TakenIn taken) {
    return taken.findings().stream()
        .filter(f -> f.kind() == Kind.CONTENT_LEFT_OUT && f.severity() == Severity.LOSS)
        .flatMap(f -> f.source().stream())
        .collect(Collectors.groupingBy(Finding.SourcePlace::page, Collectors.counting()))
        .entrySet()
        .stream()
        .filter(e -> e.getValue() >= LINES)
        .map(Map.Entry::getKey)
        .collect(Collectors.toSet());
  }

  private static Optional<String> why(Judgement.Verdict v) {
    if (v.kept() < KEPT) {
      return Optional.of(WORDS.say("pinned-pages.ink-lost", Math.round(100 * (1 - v.kept()))));
    }
    if (v.hasLost() && v.goneShare() >= PARTS) {
      return Optional.of(WORDS.say("pinned-pages.parts-lost", Math.round(100 * v.goneShare())));
    }
    if (v.together() < TOGETHER) {
      return Optional.of(WORDS.say("pinned-pages.apart", Math.round(100 * (1 - v.together()))));
    }
    return v.alike() < FAITHFUL
        ? Optional.of(WORDS.say("pinned-pages.unlike", Math.round(100 * v.alike())))
        : Optional.empty();
  }

  /**
   * A document with pages pinned, and what is told of it: that they are, and no more what would
   * have been lost on them.
   */
  public static TakenIn pinned(KeptPage.Source source, TakenIn taken, List<Pinning.Sheet> pages)
      throws IOException {
    return pages.isEmpty() ? taken : pinned(unlocked(source), taken, pages);
  }

  private static TakenIn pinned(Media file, TakenIn taken, List<Pinning.Sheet> pages) {
    Document d = Pinning.pin(taken.document(), taken.origin(), file, pages);
    var numbers = new TreeSet<Integer>();
    pages.forEach(p -> numbers.add(p.index()));
    var findings = new ArrayList<Finding>();
    for (Finding f : taken.findings()) {
      boolean onPinned = f.source().filter(s -> numbers.contains(s.page())).isPresent();
      if (onPinned && f.kind() == Kind.PAGE_KEPT_WHOLE) {
        findings.add(f.as(Severity.DOUBT)); // nothing is gone now, but the fault is told
      } else if (!onPinned || !SHOWN_AGAIN.contains(f.kind())) {
        findings.add(f);
      }
    }
    Set<Integer> unread = unread(taken);
    for (Pinning.Sheet p : pages) {
      findings.add(
          Finding.general(
                  Kind.PAGE_PINNED,
                  unread.contains(p.index()) ? Severity.DOUBT : Severity.NOTE,
                  WORDS.say("pinned-pages.pinned", p.index() + 1, p.why()))
              .from(p.index(), new Box(0, 0, p.width(), p.height()))
              .with(new Finding.Remedy.LetFlow(p.index())));
    }
    return new TakenIn(d, findings, taken.origin());
  }

  /**
   * What is told of pages that are not faithful where the document has been changed meanwhile, so
   * that nothing is pinned unasked.
   */
  public static List<Finding> told(Judgement judgement) {
    List<Pinning.Sheet> unfaithful = unfaithful(judgement, Map.of());
    var out = new ArrayList<Finding>(judgement.offSheet());
    unfaithful.forEach(p -> out.add(flows(p)));
    out.addAll(
        differs(
            judgement, unfaithful.stream().map(Pinning.Sheet::index).collect(Collectors.toSet())));
    return List.copyOf(out);
  }

  private static Finding flows(Pinning.Sheet p) {
    return Finding.general(
            Kind.LAYOUT_SIMPLIFIED,
            Severity.DOUBT,
            WORDS.say("pinned-pages.flows", p.index() + 1, p.why()))
        .from(p.index(), new Box(0, 0, p.width(), p.height()))
        .with(new Finding.Remedy.PinPage(p.index()));
  }

  /**
   * A page that a person asks to be pinned.
   *
   * @param page of the source, from 0
   */
  public static Pinning.Sheet asked(KeptPage.Source source, int page) throws IOException {
    try (PDDocument pdf = KeptPdf.open(source)) {
      return asked(pdf.getPage(page), page);
    }
  }

  /** All pages of a file, as a person asks for them to be pinned. */
  public static List<Pinning.Sheet> askedAll(KeptPage.Source source) throws IOException {
    try (PDDocument pdf = KeptPdf.open(source)) {
      var out = new ArrayList<Pinning.Sheet>();
      for (PDPage p : pdf.getPages()) {
        out.add(asked(p, out.size()));
      }
      return out;
    }
  }

  private static Pinning.Sheet asked(PDPage p, int number) {
    boolean turned = p.getRotation() % 180 != 0;
    double width = p.getCropBox().getWidth();
    double height = p.getCropBox().getHeight();
    return new Pinning.Sheet(
        number,
        turned ? height : width,
        turned ? width : height,
        WORDS.say("pinned-pages.by-hand"));
  }

  /** The source as a PDF that opens without a password. */
  public static Media unlocked(KeptPage.Source source) throws IOException {
    return switch (source) {
      case KeptPage.InMemory m -> m.pdf();
      case KeptPage.InFile f -> {
        try (PDDocument pdf = KeptPdf.open(f)) {
          if (!pdf.isEncrypted()) {
            yield Media.of(PageFile.PDF, Files.readAllBytes(f.file()));
          }
          pdf.setAllSecurityToBeRemoved(true);
          var bytes = new ByteArrayOutputStream();
          pdf.save(bytes);
          yield Media.of(PageFile.PDF, bytes.toByteArray());
        }
      }
    };
  }

  /** The numbers of the pinned pages in their source, from 1. */
  public static List<Integer> numbers(Document d) {
    return Pinning.pages(d).keySet().stream().map(k -> k + 1).toList();
  }
}
