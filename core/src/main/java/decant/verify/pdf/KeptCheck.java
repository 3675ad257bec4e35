package decant.verify.pdf;

import decant.paint.KeptPdf;
import decant.pdf.choices.PdfChoices;
import decant.pdf.content.ContentReader;
import decant.pdf.content.Instruction;
import decant.pdf.content.ReadPage;
import decant.pdf.content.Span;
import decant.publication.KeptPage;
import decant.publication.Publication;
import decant.verify.Check;
import decant.words.Words;
import java.io.IOException;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
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
    Map<KeptPage.Source, Map<Integer, Integer>> pages = new LinkedHashMap<>();
    for (int k = 0; k < choices.pages().size() && k < published.getNumberOfPages(); k++) {
      int inFile = k;
      publication
          .kept(publication.pages().get(choices.pages().get(k)))
          .ifPresent(p ->
              pages.computeIfAbsent(p.source(), s -> new LinkedHashMap<>()).put(inFile, p.index()));
    }
    int all = 0;
    for (var e : pages.entrySet()) {
      try (PDDocument source = KeptPdf.open(e.getKey())) {
        var check = new KeptCheck(published, source);
        for (var page : e.getValue().entrySet()) {
          Optional<String> off = check.off(page.getKey(), page.getValue());
          if (off.isPresent()) {
            return Check.of(WORDS.say("kept-check.pages"), false, "", off.get());
          }
          all++;
        }
      }
    }
    return Check.of(
        WORDS.say("kept-check.pages"), true, WORDS.count("kept-check.as-it-was", all), "");
  }

  /** What is not as it was. */
  private Optional<String> off(int page, int was) throws IOException {
    PDPage now = published.getPage(page);
    PDPage before = source.getPage(was);
    int number = page + 1;
    if (!samePainting(ReadPage.Unpacked.of(now).bytes(), ReadPage.Unpacked.of(before).bytes())) {
      return Optional.of(WORDS.say("kept-check.is-painted-otherwise", number));
    }
    if (!text(published, page).equals(text(source, was))) {
      return Optional.of(WORDS.say("kept-check.has-another-text", number));
    }
    if (!annotations(now).equals(annotations(before))) {
      return Optional.of(WORDS.say("kept-check.has-other-notes", number));
    }
    if (!new KeptAnnotations(now, before).same()) {
      return Optional.of(WORDS.say("kept-check.leads-otherwise", number));
    }
    return shown(now, before)
        ? Optional.empty()
        : Optional.of(WORDS.say("kept-check.looks-otherwise", number));
  }

  /** Whether all that paints is there, byte by byte and in its order; marks are no painting. */
  private static boolean samePainting(byte[] now, byte[] before) {
    if (Arrays.equals(now, before)) {
      return true;
    }
    var a = new ContentReader(now);
    var b = new ContentReader(before);
    Optional<Instruction> x = painting(a);
    Optional<Instruction> y = painting(b);
    while (x.isPresent() && y.isPresent()) {
      Span p = x.get().span();
      Span q = y.get().span();
      if (!Arrays.equals(now, p.from(), p.to(), before, q.from(), q.to())) {
        return false;
      }
      x = painting(a);
      y = painting(b);
    }
    return x.isEmpty() && y.isEmpty();
  }

  private static Optional<Instruction> painting(ContentReader in) {
    Optional<Instruction> i = in.next();
    while (i.isPresent()
        && (i.get() instanceof Instruction.MarkStart || i.get() instanceof Instruction.MarkEnd)) {
      i = in.next();
    }
    return i;
  }

  private static String text(PDDocument pdf, int page) throws IOException {
    var stripper = new PDFTextStripper();
    stripper.setShouldSeparateByBeads(false); // threads stay behind, and say nothing of the page
    stripper.setStartPage(page + 1);
    stripper.setEndPage(page + 1);
    return stripper.getText(pdf);
  }

  /** How many there are of each kind that may go out; what plays or runs may not. */
  private static Map<String, Integer> annotations(PDPage page) throws IOException {
    var out = new TreeMap<String, Integer>();
    page.getAnnotations()
        .forEach(a -> {
          if (goesOut(a)) {
            out.merge(a.getSubtype(), 1, Integer::sum);
          }
        });
    return out;
  }

  /** Whether all that a page shows with, and what its annotations look like, is the same. */
  private boolean shown(PDPage now, PDPage before) throws IOException {
    COSBase a = now.getResources() == null ? null : now.getResources().getCOSObject();
    COSBase b = before.getResources() == null ? null : before.getResources().getCOSObject();
    COSDictionary none = new COSDictionary();
    boolean same =
        objects.same(Objects.requireNonNullElse(a, none), Objects.requireNonNullElse(b, none));
    if (!same) {
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
        && now.getMediaBox().toString().equals(before.getMediaBox().toString())
        && now.getRotation() == before.getRotation();
  }

  /** Whether an annotation is of a kind that goes out. */
  static boolean goesOut(PDAnnotation a) {
    return a.getSubtype() != null && KINDS.contains(a.getSubtype());
  }

  private static List<COSDictionary> looks(PDPage page) throws IOException {
    return page.getAnnotations().stream()
        .filter(KeptCheck::goesOut)
        .map(a -> a.getCOSObject().getCOSDictionary(COSName.AP))
        .filter(Objects::nonNull)
        .toList();
  }
}
