package decant.pdf.read.scan;

import decant.model.Box;
import decant.model.finding.Finding;
import decant.model.finding.Finding.Kind;
import decant.model.finding.Finding.Severity;
import decant.model.look.Media;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.LookMaker;
import decant.pdf.read.page.Placed;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.SourceFace;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.Recogniser;
import decant.words.Words;
import decant.work.Faults;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import javax.imageio.ImageIO;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/** Puts recognised text in place of pages that are pictures, where that is asked for. */
public final class RecognisedPages {
  private static final Words WORDS = Words.of(RecognisedPages.class);

  private static final int DOTS = 300;
  private static final double MAX_PIXELS = 40_000_000;

  /** What bullets are taken for. */
  private static final String BULLETS = "«»°*©®¢·•~e";

  private final PDDocument pdf;
  private final ReadRequest request;
  private final Recogniser recogniser;
  private final List<Finding> findings = new ArrayList<>();

  public RecognisedPages(PDDocument pdf, ReadRequest request, Recogniser recogniser) {
    this.pdf = pdf;
    this.request = request;
    this.recogniser = recogniser;
  }

  public List<Finding> findings() {
    return findings;
  }

  /** Whether a page shows pictures and no text. */
  public static boolean isPicture(ScannedPage p) {
    return !p.pictures().isEmpty() && p.glyphs().stream().allMatch(Glyph::isSpace);
  }

  /** A word where it stands on its page, with the size its letters seem to have. */
  private record WordLetters(
      Recogniser.Word word, double x, double width, double baseline, double size) {}

  /** What became of a page: its words, and the pictures among them. */
  private record Recognised(List<WordLetters> words, List<Placed> pictures) {}

  public List<ScannedPage> in(List<ScannedPage> pages) throws ReadProblem {
    Map<Integer, Recognised> found = new TreeMap<>();
    int all = (int) pages.stream().filter(RecognisedPages::isPicture).count();
    for (ScannedPage p : pages) {
      if (isPicture(p)) {
        request.checkpoint();
        request.progress().at(found.size(), all);
        Recognised r = recognised(p);
        if (r.words().size() >= ScanThresholds.RecognisedPages.MIN_WORDS) {
          found.put(p.number(), r);
        }
      }
    }
    request.checkpoint();
    double usual = usualSize(found.values().stream().map(Recognised::words).toList());
    var out = new ArrayList<ScannedPage>();
    for (ScannedPage p : pages) {
      Recognised r = found.get(p.number());
      out.add(
          r == null
              ? p
              : new ScannedPage(
                  p.number(),
                  p.width(),
                  p.height(),
                  glyphs(r.words(), usual),
                  List.of(),
                  r.pictures(),
                  List.of(),
                  p.comments()));
      if (r != null) {
        findings.add(finding(p, r.words()));
      }
    }
    return out;
  }

  private Recognised recognised(ScannedPage p) {
    double scale =
        Math.min(DOTS / 72.0, Math.sqrt(MAX_PIXELS / Math.max(1, p.width() * p.height())));
    try {
      BufferedImage image =
          new PDFRenderer(pdf).renderImage(p.number(), (float) scale, ImageType.RGB);
      List<Recogniser.Word> words =
          sound(recogniser.words(image, (int) Math.round(scale * 72), request.cancelled()));
      List<Box> boxes =
          words.stream()
              .map(
                  w -> new Box(w.x() / scale, w.y() / scale, w.width() / scale, w.height() / scale))
              .toList();
      var pictures = new ArrayList<Placed>();
      for (Box b : PictureAreas.of(image, scale, boxes)) {
        pictures.add(new Placed(cut(image, b, scale), b, -1, ""));
      }
      return new Recognised(letters(words, scale), pictures);
    } catch (IOException | RuntimeException e) {
      Faults.mended("recognising text", e);
      String why = e.getMessage() == null ? "" : " " + e.getMessage();
      findings.add(
          Finding.general(
                  Kind.SCANNED_PAGE,
                  Severity.LOSS,
                  WORDS.say("recognised-pages.the-text-of-page-could", (p.number() + 1), why))
              .from(p.number(), new Box(0, 0, p.width(), p.height())));
      return new Recognised(List.of(), List.of());
    }
  }

  /** The words without specks, a bullet where one begins a line. */
  private static List<Recogniser.Word> sound(List<Recogniser.Word> words) {
    var out = new ArrayList<Recogniser.Word>();
    for (int k = 0; k < words.size(); k++) {
      Recogniser.Word w = words.get(k);
      Recogniser.Word next = k + 1 < words.size() ? words.get(k + 1) : null;
      boolean begins = k == 0 || words.get(k - 1).line() != w.line();
      if (next != null
          && begins
          && next.line() == w.line()
          && w.text().length() == 1
          && BULLETS.contains(w.text())
          && w.height() < next.height()
          && next.x() - w.x() - w.width() > next.height() / 2) {
        out.add(new Recogniser.Word("•", w.x(), next.y(), w.width(), next.height(), w.line(), 90));
      } else if (w.sure()
          >= (w.text().length() > 1
              ? ScanThresholds.RecognisedPages.NO_WORD
              : ScanThresholds.RecognisedPages.NO_SIGN)) {
        out.add(w);
      }
    }
    return out;
  }

  private static Media cut(BufferedImage page, Box b, double scale) throws IOException {
    int x = (int) (b.x() * scale);
    int y = (int) (b.y() * scale);
    int w = Math.min(page.getWidth() - x, (int) Math.ceil(b.width() * scale));
    int h = Math.min(page.getHeight() - y, (int) Math.ceil(b.height() * scale));
    var part = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
    part.createGraphics().drawImage(page.getSubimage(x, y, w, h), 0, 0, null);
    var out = new ByteArrayOutputStream();
    ImageIO.write(part, "jpeg", out);
    return Media.of("image/jpeg", out.toByteArray());
  }

  /** Words line by line: those of a line stand on one baseline and have one size. */
  private static List<WordLetters> letters(List<Recogniser.Word> words, double scale) {
    var out = new ArrayList<WordLetters>();
    Map<Integer, List<Recogniser.Word>> lines =
        words.stream()
            .collect(
                Collectors.groupingBy(Recogniser.Word::line, TreeMap::new, Collectors.toList()));
    for (List<Recogniser.Word> line : lines.values()) {
      double size = median(line.stream().mapToDouble(w -> size(w) / scale).toArray());
      double up =
          median(
              line.stream()
                  .mapToDouble(w ->
                      (w.y() + w.height()) / scale
                          - (hangs(w) ? ScanThresholds.RecognisedPages.BELOW * size : 0))
                  .toArray());
      for (Recogniser.Word w : line) {
        out.add(new WordLetters(w, w.x() / scale, w.width() / scale, up, size));
      }
    }
    return out;
  }

  /** The size of a word's letters by how high it is and which letters it has. */
  private static double size(Recogniser.Word w) {
    boolean tall = w.text().chars().anyMatch(c -> "acegmnopqrsuvwxyz.,-:;".indexOf(c) < 0);
    return w.height()
        / ((tall ? ScanThresholds.RecognisedPages.TALL : ScanThresholds.RecognisedPages.LOW)
            + (hangs(w) ? ScanThresholds.RecognisedPages.BELOW : 0));
  }

  private static boolean hangs(Recogniser.Word w) {
    return w.text().chars().anyMatch(c -> "gjpqyQ,;()[]{}ç".indexOf(c) >= 0);
  }

  private static double median(double[] values) {
    java.util.Arrays.sort(values);
    return values[values.length / 2];
  }

  /** The size that most letters have. */
  private static double usualSize(Iterable<List<WordLetters>> pages) {
    var sizes = new ArrayList<Double>();
    pages.forEach(
        words -> words.forEach(w -> w.word.text().chars().forEach(c -> sizes.add(w.size))));
    return sizes.isEmpty() ? 11 : median(sizes.stream().mapToDouble(d -> d).toArray());
  }

  private static List<Glyph> glyphs(List<WordLetters> words, double usual) {
    double body = LookMaker.halves(usual);
    var face = new SourceFace("Recognised", "Liberation Serif", false, false, false);
    var out = new ArrayList<Glyph>();
    Map<Integer, Long> onLine =
        words.stream().collect(Collectors.groupingBy(w -> w.word.line(), Collectors.counting()));
    for (WordLetters w : words) {
      boolean alone = onLine.getOrDefault(w.word.line(), 0L) < 3;
      double same =
          usual
              * (alone
                  ? 2 * ScanThresholds.RecognisedPages.SAME_SIZE
                  : ScanThresholds.RecognisedPages.SAME_SIZE);
      boolean usually = Math.abs(w.size - usual) < same && (w.size < usual || !alone);
      double size = usually ? body : LookMaker.halves(w.size);
      int[] signs = w.word.text().codePoints().toArray();
      for (int k = 0; k < signs.length; k++) {
        out.add(
            Glyph.made(
                Character.toString(signs[k]),
                w.x + w.width * k / signs.length,
                w.baseline,
                w.width / signs.length,
                size,
                face,
                -1));
      }
    }
    return out;
  }

  private Finding finding(ScannedPage p, List<WordLetters> words) {
    List<WordLetters> unsure =
        words.stream().filter(w -> w.word.sure() < ScanThresholds.RecognisedPages.UNSURE).toList();
    String which =
        unsure.isEmpty()
            ? ""
            : WORDS.count(
                unsure.size() > 5
                    ? "recognised-pages.least-sure-and"
                    : "recognised-pages.least-sure",
                Math.max(1, unsure.size() - 5),
                unsure.stream()
                    .limit(5)
                    .map(w -> "“" + w.word.text() + "”")
                    .collect(Collectors.joining(", ")));
    Box place =
        unsure.stream()
            .map(w ->
                new Box(
                    w.x, w.baseline - w.size, w.width, w.size * ScanThresholds.RecognisedPages.BOX))
            .findFirst()
            .orElse(new Box(0, 0, p.width(), p.height()));
    return Finding.general(
            Kind.TEXT_RECOGNISED,
            Severity.DOUBT,
            WORDS.say(
                "recognised-pages.page-was-a-picture-its",
                (p.number() + 1),
                recogniser.language(),
                which))
        .from(p.number(), place);
  }
}
