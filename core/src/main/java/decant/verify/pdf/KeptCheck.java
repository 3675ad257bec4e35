package decant.verify.pdf;

import decant.pdf.choices.PdfChoices;
import decant.pdf.content.ReadPage;
import decant.publication.KeptPage;
import decant.publication.Publication;
import decant.verify.Check;
import decant.words.Words;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.text.PDFTextStripper;

/**
 * Pages that were to stay as they are, held against those of their file: what paints them byte by
 * byte, all that it shows with, their text, what stands on them besides.
 */
final class KeptCheck {
  private static final Words WORDS = Words.of(KeptCheck.class);

  /** The kinds that ISO 32000-2 table 171 has for what neither plays nor runs nor brings files. */
  private static final Set<String> KINDS =
      Set.of(
          ("Link Text FreeText Line Square Circle Polygon PolyLine Highlight Underline Squiggly"
                  + " StrikeOut Caret Stamp Ink Popup Widget Watermark Redact")
              .split(" "));

  private final SameObjects objects = new SameObjects();
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
    return shown(now, before)
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

  /** Whether all that a page shows with, and what its annotations look like, is the same. */
  private boolean shown(PDPage now, PDPage before) throws IOException {
    COSBase a = now.getResources() == null ? null : now.getResources().getCOSObject();
    COSBase b = before.getResources() == null ? null : before.getResources().getCOSObject();
    if (a != null && b != null && !objects.same(a, b)) {
      return false;
    }
    List<COSDictionary> these = looks(now);
    List<COSDictionary> those = looks(before);
    for (int k = 0; k < Math.min(these.size(), those.size()); k++) {
      if (!objects.same(these.get(k), those.get(k))) {
        return false;
      }
    }
    return these.size() == those.size()
        && now.getCropBox().toString().equals(before.getCropBox().toString())
        && now.getRotation() == before.getRotation();
  }

  private static List<COSDictionary> looks(PDPage page) throws IOException {
    return page.getAnnotations().stream()
        .filter(a -> a.getSubtype() != null && KINDS.contains(a.getSubtype()))
        .map(a -> a.getCOSObject().getCOSDictionary(COSName.AP))
        .filter(Objects::nonNull)
        .toList();
  }
}
