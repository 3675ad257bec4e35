package decant.verify.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.Layout;
import decant.layout.Rich;
import decant.model.look.Media;
import decant.pdf.Published;
import decant.pdf.choices.PdfChoices;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * One thing is taken out of a published file or altered in it by a library of other makers: the
 * check that is for it must fail.
 */
class AlteredPdfTest {
  @TempDir static Path folder;

  private static Layout layout;
  private static PdfChoices choices;
  private static Path published;

  @BeforeAll
  static void publish() {
    layout = Samples.layout(Published.everything());
    choices = Samples.choices(layout);
    published = Published.file(folder, layout, choices);
  }

  /** Changes the operators of a page. */
  private static Altered.Change operators(int page, String what, String with) {
    return pdf -> {
      PDPage p = pdf.getPage(page);
      String before = new String(p.getContents().readAllBytes(), StandardCharsets.ISO_8859_1);
      String after = Pattern.compile(what, Pattern.DOTALL).matcher(before).replaceFirst(with);
      assertThat(after).as("something was altered").isNotEqualTo(before);
      var stream = new PDStream(pdf);
      try (OutputStream out = stream.createOutputStream(COSName.FLATE_DECODE)) {
        out.write(after.getBytes(StandardCharsets.ISO_8859_1));
      }
      p.setContents(stream);
    };
  }

  private static COSDictionary annotation(PDDocument pdf, boolean outside) {
    for (PDPage p : pdf.getPages()) {
      COSArray all = p.getCOSObject().getCOSArray(COSName.ANNOTS);
      for (int k = 0; all != null && k < all.size(); k++) {
        var d = (COSDictionary) all.getObject(k);
        if (d.containsKey(COSName.A) == outside) {
          return d;
        }
      }
    }
    throw new AssertionError("no such link");
  }

  private static COSStream image(PDDocument pdf, boolean form) throws IOException {
    for (PDPage p : pdf.getPages()) {
      for (COSName n : p.getResources().getXObjectNames()) {
        if (p.getResources().isImageXObject(n) != form) {
          return p.getResources().getXObject(n).getCOSObject();
        }
      }
    }
    throw new AssertionError("no such picture");
  }

  static Stream<Altered> alterations() {
    String image = "q\\s[^q]*?cm\\s+/P\\d Do Q";
    return Stream.of(
        new Altered("Pages", "a page taken out", pdf -> pdf.removePage(1)),
        new Altered(
            "Pages",
            "a page of another size",
            pdf -> pdf.getPage(0).setMediaBox(new PDRectangle(500, 700))),
        new Altered("Text", "a line that is not shown", operators(0, "\\[<[^\\]]*\\] ?TJ", "")),
        new Altered(
            "Text",
            "two lines that changed places",
            operators(0, "(\\[<[^\\]]*\\] ?TJ)(.*?)(\\[<[^\\]]*\\] ?TJ)", "$3$2$1")),
        new Altered(
            "Bookmarks",
            "no outline",
            pdf -> pdf.getDocumentCatalog().getCOSObject().removeItem(COSName.OUTLINES)),
        new Altered(
            "Bookmarks",
            "a bookmark of another title",
            pdf -> pdf.getDocumentCatalog().getDocumentOutline().getFirstChild().setTitle("Rules")),
        new Altered(
            "Bookmarks",
            "a bookmark that leads to another page",
            pdf ->
                pdf.getDocumentCatalog()
                    .getDocumentOutline()
                    .getFirstChild()
                    .getCOSObject()
                    .getCOSArray(COSName.DEST)
                    .set(0, pdf.getPage(1).getCOSObject())),
        new Altered(
            "Links",
            "a link to elsewhere",
            pdf ->
                annotation(pdf, true)
                    .getCOSDictionary(COSName.A)
                    .setString(COSName.URI, "mailto:nobody@saltmarsh.example")),
        new Altered(
            "Links",
            "a link within that leads to another page",
            pdf ->
                annotation(pdf, false)
                    .getCOSArray(COSName.DEST)
                    .set(0, pdf.getPage(1).getCOSObject())),
        new Altered(
            "Links", "no links", pdf -> pdf.getPage(0).getCOSObject().removeItem(COSName.ANNOTS)),
        new Altered(
            "Fonts",
            "a font without its program",
            pdf -> {
              PDPage p = pdf.getPage(0);
              COSName first = p.getResources().getFontNames().iterator().next();
              COSDictionary font = p.getResources().getFont(first).getCOSObject();
              COSArray below = font.getCOSArray(COSName.DESCENDANT_FONTS);
              COSDictionary holder = below == null ? font : (COSDictionary) below.getObject(0);
              COSDictionary descriptor = holder.getCOSDictionary(COSName.FONT_DESC);
              descriptor.removeItem(COSName.FONT_FILE2);
              descriptor.removeItem(COSName.FONT_FILE3);
            }),
        new Altered("Pictures", "a picture that is not painted", operators(0, image, "")),
        new Altered(
            "Pictures",
            "a picture that stands elsewhere",
            operators(0, "(q\\s[^q]*? )([\\d.]+)(\\s+cm\\s+/P\\d Do Q)", "$1300$3")),
        new Altered(
            "Pictures",
            "a frame in place of a picture",
            operators(0, image, "q 0.9 g 100 100 60 40 re f Q")),
        new Altered(
            "Pictures",
            "a picture that is damaged",
            pdf -> {
              COSStream s = image(pdf, false);
              try (OutputStream out = s.createRawOutputStream()) {
                out.write(new byte[] {1, 2, 3});
              }
            }),
        new Altered(
            "Looks",
            "a photograph that is damaged",
            pdf -> {
              COSStream s =
                  pdf.getPage(0).getResources().getXObject(COSName.getPDFName("P2")).getCOSObject();
              try (OutputStream out = s.createRawOutputStream()) {
                out.write(new byte[] {1, 2, 3});
              }
            }),
        new Altered(
            "Looks",
            "a picture of other colours",
            pdf -> {
              COSStream s = image(pdf, false);
              int w = s.getInt(COSName.WIDTH);
              int h = s.getInt(COSName.HEIGHT);
              var other = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
              PDImageXObject x = LosslessFactory.createFromImage(pdf, other);
              for (PDPage p : pdf.getPages()) {
                for (COSName n : p.getResources().getXObjectNames()) {
                  if (p.getResources().isImageXObject(n)) {
                    p.getResources().put(n, x);
                  }
                }
              }
            }),
        new Altered(
            "Looks",
            "a drawing with nothing in it",
            pdf -> {
              try (OutputStream out = image(pdf, true).createOutputStream()) {
                out.write('\n');
              }
            }),
        new Altered(
            "Particulars",
            "another title",
            pdf -> pdf.getDocumentInformation().setTitle("Rules of berths")),
        new Altered(
            "Particulars",
            "another author in the second place",
            pdf -> {
              var metadata = pdf.getDocumentCatalog().getMetadata();
              String xmp = new String(metadata.toByteArray(), StandardCharsets.UTF_8);
              metadata.importXMPMetadata(
                  xmp.replace("Harbour office", "Nobody").getBytes(StandardCharsets.UTF_8));
            }));
  }

  @ParameterizedTest
  @MethodSource("alterations")
  void whatIsAlteredIsSeen(Altered a) throws IOException {
    assertThat(Altered.failed(Altered.changed(published, a.change()), layout, choices))
        .contains(a.check());
  }

  /** Saved anew by the library that alters, nothing else is altered. */
  @Test
  void whatIsNotAlteredPasses() throws IOException {
    assertThat(Altered.failed(published, layout, choices)).isEmpty();
    assertThat(Altered.failed(Altered.changed(published, pdf -> {}), layout, choices)).isEmpty();
  }

  @Test
  void aShapeThatIsNotFilledIsSeen() throws IOException {
    var rich = new Rich();
    rich.section(
        decant.model.PageSetup.A4,
        decant.model.Section.Start.NEW_PAGE,
        Rich.of(
            rich.box(200, 100, decant.model.look.Placement.INLINE, Samples.paragraph("In a box"))));
    Layout l = Samples.layout(rich.document());
    PdfChoices c = Samples.choices(l);
    Path file = Files.write(folder.resolve("box.pdf"), Samples.pdf(l, c));
    assertThat(Altered.failed(file, l, c)).isEmpty();
    assertThat(Altered.failed(Altered.changed(file, operators(0, "rg", "rg 0 0 0 rg")), l, c))
        .contains("Looks");
  }

  /** What cannot be drawn shows as a frame on the page; a file with one is not the document. */
  @Test
  void aPictureThatCannotBeShownNeverPasses() throws IOException {
    for (Media m :
        List.of(
            Media.of("image/png", "no picture".getBytes(StandardCharsets.UTF_8)),
            Media.of("image/svg+xml", "<svg".getBytes(StandardCharsets.UTF_8)))) {
      Layout l =
          Samples.layout(
              Samples.document(m, Samples.paragraph("A buoy:"), Published.picture(m, 80, 60, "")));
      PdfChoices c = Samples.choices(l);
      Path file = Files.write(folder.resolve("frame.pdf"), Samples.pdf(l, c));
      assertThat(Altered.failed(file, l, c)).as(m.type()).contains("Pictures");
    }
  }
}
