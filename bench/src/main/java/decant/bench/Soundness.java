package decant.bench;

import decant.format.Intake;
import decant.io.AtomicFile;
import decant.layout.Layout;
import decant.layout.Layouter;
import decant.layout.Places;
import decant.layout.Places.PlacedLine;
import decant.layout.item.Fragment;
import decant.layout.item.Item;
import decant.layout.pages.Page;
import decant.model.Box;
import decant.model.Metadata;
import decant.model.look.LinePitch;
import decant.paint.PagePainter;
import decant.pdf.choices.PdfChoices;
import decant.pdf.file.Encryption;
import decant.pdf.write.PdfWriter;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.text.FontBook;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/**
 * Takes files in, lays them out and publishes them, and looks for what is wrong with any pages: a
 * crash, more than ten seconds, lines over one another, lines off the page, a published page that
 * does not look like the painted one.
 *
 * <p>Arguments: files, or folders whose DOCX and PDF files count; {@code --docx} for DOCX alone.
 */
final class Soundness {
  private static final double SECONDS = 10;

  /** So many pages of a file are compared. */
  private static final int COMPARED = 6;

  /** The share of 4×4 blocks that anti-aliasing may make different. */
  private static final double SAME = 0.004;

  private int files;
  private int refused;
  private int slow;
  private int crashed;
  private int overlaps;
  private int outside;
  private int compared;
  private int different;

  private Soundness() {}

  public static void main(String[] args) throws IOException {
    java.util.logging.LogManager.getLogManager().reset();
    var s = new Soundness();
    boolean docxOnly = List.of(args).contains("--docx");
    for (String arg : args) {
      if (!arg.startsWith("--")) {
        try (Stream<Path> all = Files.walk(Path.of(arg))) {
          all.filter(Files::isRegularFile)
              .filter(
                  p -> p.toString().endsWith(".docx") || !docxOnly && p.toString().endsWith(".pdf"))
              .sorted()
              .forEach(s::check);
        }
      }
    }
    System.out.printf(
        Locale.ROOT,
        "%d files: %d refused with a reason, %d crashed, %d over %.0f s, %d with lines over one"
            + " another, %d with lines off the page, %d of %d pages published otherwise than painted%n",
        s.files,
        s.refused,
        s.crashed,
        s.slow,
        SECONDS,
        s.overlaps,
        s.outside,
        s.different,
        s.compared);
  }

  private void check(Path file) {
    files++;
    String name = AtomicFile.folderOf(file).getFileName() + "/" + file.getFileName();
    try {
      long start = System.nanoTime();
      Layout l =
          new Layouter(FontBook.shipped()).layout(Intake.take(ReadRequest.of(file)).document());
      double seconds = (System.nanoTime() - start) / 1e9;
      if (seconds > SECONDS) {
        slow++;
        say(name, "%.1f s".formatted(seconds));
      }
      lines(l, name);
      pictures(l, name);
    } catch (ReadProblem e) {
      refused++;
    } catch (IOException | RuntimeException | StackOverflowError | OutOfMemoryError e) {
      crashed++;
      say(name, "crashed: " + e);
      e.printStackTrace(System.out);
    }
  }

  private static void say(String name, String what) {
    System.out.println(name + ": " + what);
  }

  private void lines(Layout l, String name) {
    boolean over = false;
    boolean off = false;
    for (Page p : l.pages()) {
      List<Fragment> flow =
          p.texts().stream().filter(f -> !(f instanceof Fragment.Floated)).toList();
      List<PlacedLine> lines = Places.lines(flow);
      for (PlacedLine line : lines) {
        Box b = ink(line);
        boolean inside =
            b.width() <= 0
                || b.x() > -1
                    && b.right() < p.setup().width() + 1
                    && b.y() > -1
                    && b.bottom() < p.setup().height() + 1;
        if (!inside && !off) {
          off = true;
          say(name, "page " + p.number() + " off the page: " + text(line) + " " + b);
        }
      }
      for (int a = 0; a < lines.size() && !over; a++) {
        for (int c = a + 1; c < lines.size(); c++) {
          if (overlap(lines.get(a), lines.get(c))) {
            over = true;
            say(
                name,
                "page "
                    + p.number()
                    + " over one another: "
                    + text(lines.get(a))
                    + " | "
                    + text(lines.get(c)));
            break;
          }
        }
      }
    }
    overlaps += over ? 1 : 0;
    outside += off ? 1 : 0;
  }

  /** Lines set to an exact pitch may overlap because the document says so. */
  private static boolean overlap(PlacedLine a, PlacedLine b) {
    if (exact(a) || exact(b)) {
      return false;
    }
    Box x = ink(a);
    Box y = ink(b);
    return x.sharedWidth(y) > 1 && x.sharedHeight(y) > 1.5;
  }

  private static boolean exact(PlacedLine l) {
    return l.paragraph().pitch() instanceof LinePitch.Exactly
        || l.paragraph().pitch() instanceof LinePitch.Multiple m && m.factor() < 1;
  }

  /** Where the letters of a line stand: their x-height above the baseline. */
  private static Box ink(PlacedLine l) {
    double left = Double.MAX_VALUE;
    double right = 0;
    double size = 0;
    for (Item i : l.line().items()) {
      if (i instanceof Item.GlyphRun r && !r.shown().text().isBlank()) {
        left = Math.min(left, l.x() + r.x());
        right = Math.max(right, l.x() + r.x() + r.width());
        size = Math.max(size, r.size());
      }
    }
    return left > right
        ? new Box(0, 0, 0, 0)
        : new Box(left, l.baseline() - size * 0.6, right - left, size * 0.7);
  }

  private static String text(PlacedLine l) {
    String t =
        l.paragraph()
            .source()
            .text()
            .substring(l.line().from(), l.line().to())
            .replaceAll("\\s+", " ");
    return t.substring(0, Math.min(40, t.length()));
  }

  private void pictures(Layout l, String name) throws IOException {
    var out = new ByteArrayOutputStream();
    int n = Math.min(COMPARED, l.pages().size());
    try {
      PdfWriter.write(
          l,
          PdfChoices.defaults(IntStream.range(0, n).boxed().toList(), Metadata.NONE),
          Optional.empty(),
          out,
          k -> {},
          () -> false);
    } catch (Encryption.Problem e) {
      throw new AssertionError("nothing is encrypted", e);
    }
    try (PDDocument pdf = Loader.loadPDF(out.toByteArray())) {
      var renderer = new PDFRenderer(pdf);
      for (int k = 0; k < n; k++) {
        Page p = l.pages().get(k);
        if (p.setup().width() * p.setup().height() > 4e6) {
          continue;
        }
        BufferedImage painted = new PagePainter().paint(l, p, 2);
        BufferedImage published = renderer.renderImage(k, 2, ImageType.RGB);
        compared++;
        double d = difference(painted, published);
        if (d > SAME) {
          different++;
          say(name, "page %d published otherwise: %.4f".formatted(k + 1, d));
        }
      }
    }
  }

  /** The share of 4×4 blocks whose mean brightness differs by more than 15 %. */
  static double difference(BufferedImage a, BufferedImage b) {
    int w = Math.min(a.getWidth(), b.getWidth()) / 4;
    int h = Math.min(a.getHeight(), b.getHeight()) / 4;
    int differ = 0;
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        if (Math.abs(mean(a, x * 4, y * 4) - mean(b, x * 4, y * 4)) > 38) {
          differ++;
        }
      }
    }
    return differ / (double) Math.max(1, w * h);
  }

  private static double mean(BufferedImage i, int x, int y) {
    double sum = 0;
    for (int dy = 0; dy < 4; dy++) {
      for (int dx = 0; dx < 4; dx++) {
        int p = i.getRGB(x + dx, y + dy);
        sum += ((p >> 16 & 255) + (p >> 8 & 255) + (p & 255)) / 3.0;
      }
    }
    return sum / 16;
  }
}
