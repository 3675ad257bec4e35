package decant.verify.pdf;

import decant.pdf.choices.PdfChoices;
import decant.pdf.content.ReadPage;
import decant.publication.KeptPage;
import decant.publication.Publication;
import decant.verify.Check;
import decant.words.Words;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;

/**
 * Pages that were to stay as they are, held against those of their file: what paints them byte by
 * byte, how they look, their text, what stands on them besides.
 */
final class KeptCheck {
  private static final Words WORDS = Words.of(KeptCheck.class);

  /** The kinds that ISO 32000-2 table 171 has for what neither plays nor runs nor brings files. */
  private static final Set<String> KINDS =
      Set.of(
          ("Link Text FreeText Line Square Circle Polygon PolyLine Highlight Underline Squiggly"
                  + " StrikeOut Caret Stamp Ink Popup Widget Watermark Redact")
              .split(" "));

  private static final float SCALE = 0.5f;

  /** So many pixels of a page may differ, from fonts that stand in. */
  private static final double DIFFERENT = 0.001;

  private final PDDocument published;
  private final PDDocument source;

  private KeptCheck(PDDocument published, PDDocument source) {
    this.published = published;
    this.source = source;
  }

  static Check of(PDDocument published, Publication publication, PdfChoices choices)
      throws IOException {
    List<KeptPage> kept =
        choices.pages().stream()
            .map(publication.pages()::get)
            .map(publication::kept)
            .flatMap(Optional::stream)
            .toList();
    KeptPage first = kept.getFirst();
    try (PDDocument source = Loader.loadPDF(first.file().toFile(), first.password())) {
      var check = new KeptCheck(published, source);
      for (int k = 0; k < kept.size(); k++) {
        Optional<String> off = check.off(k, kept.get(k).index());
        if (off.isPresent()) {
          return Check.of(WORDS.say("kept-check.pages"), false, "", off.get());
        }
      }
      return Check.of(
          WORDS.say("kept-check.pages"),
          true,
          WORDS.count("kept-check.as-it-was", kept.size()),
          "");
    }
  }

  /** What is not as it was. */
  private Optional<String> off(int page, int was) throws IOException {
    PDPage now = published.getPage(page);
    PDPage before = source.getPage(was);
    int number = was + 1;
    if (!Arrays.equals(ReadPage.Unpacked.of(now).bytes(), ReadPage.Unpacked.of(before).bytes())) {
      return Optional.of(WORDS.say("kept-check.is-painted-otherwise", number));
    }
    if (!text(published, page).equals(text(source, was))) {
      return Optional.of(WORDS.say("kept-check.has-another-text", number));
    }
    if (!annotations(now).equals(annotations(before))) {
      return Optional.of(WORDS.say("kept-check.has-other-notes", number));
    }
    return looksSame(page, was)
        ? Optional.empty()
        : Optional.of(WORDS.say("kept-check.looks-otherwise", number));
  }

  private static String text(PDDocument pdf, int page) throws IOException {
    var stripper = new PDFTextStripper();
    stripper.setStartPage(page + 1);
    stripper.setEndPage(page + 1);
    return stripper.getText(pdf);
  }

  /** How many there are of each kind that may go out; what plays or runs may not. */
  private static Map<String, Integer> annotations(PDPage page) throws IOException {
    var out = new TreeMap<String, Integer>();
    page.getAnnotations()
        .forEach(a -> {
          if (a.getSubtype() != null && KINDS.contains(a.getSubtype())) {
            out.merge(a.getSubtype(), 1, Integer::sum);
          }
        });
    return out;
  }

  private boolean looksSame(int page, int was) throws IOException {
    BufferedImage a = drawn(published, page);
    BufferedImage b = drawn(source, was);
    if (a.getWidth() != b.getWidth() || a.getHeight() != b.getHeight()) {
      return false;
    }
    long off = 0;
    for (int y = 0; y < a.getHeight(); y++) {
      for (int x = 0; x < a.getWidth(); x++) {
        off += a.getRGB(x, y) == b.getRGB(x, y) ? 0 : 1;
      }
    }
    return off <= DIFFERENT * a.getWidth() * a.getHeight();
  }

  private static BufferedImage drawn(PDDocument pdf, int page) throws IOException {
    var renderer = new PDFRenderer(pdf);
    renderer.setSubsamplingAllowed(true);
    renderer.setAnnotationsFilter(a -> "Widget".equals(a.getSubtype()));
    return renderer.renderImage(page, SCALE, ImageType.RGB);
  }
}
