package decant.picture;

import static org.assertj.core.api.Assertions.assertThat;

import decant.text.FontName;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.font.FontMappers;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Text without its font shows in one of its kind, whatever the system has. */
class StandInFontsTest {
  @BeforeAll
  static void use() {
    StandInFonts.use();
  }

  /** The shapes of the standard 14 fonts differ as their names say (ISO 32000-1 §9.6.2.2). */
  @ParameterizedTest
  @CsvSource({
    "Times-Roman, Serif",
    "Times-BoldItalic, Serif",
    "TimesNewRomanPS-BoldMT, Serif",
    "Helvetica, Sans",
    "ArialMT, Sans",
    "ABCDEF+Arial-BoldMT, Sans",
    "Courier, Mono",
    "CourierNewPSMT, Mono",
    "Calibri, Carlito",
    "Cambria-Bold, Caladea",
    "Garamond, Serif",
  })
  void aNameGivesAFontOfItsKind(String name, String kind) throws IOException {
    var m = FontMappers.instance().getFontBoxFont(name, null);
    if (m.isFallback()) {
      assertThat(m.getFont().getName()).contains(kind);
    }
    boolean bold = FontName.of(name).bold();
    assertThat(m.getFont().getName().contains("Bold")).isEqualTo(bold);
  }

  @Test
  void aNameNobodyKnowsIsServedByWhatItsDescriptorSays() throws IOException {
    for (int flags : new int[] {1, 2, 4 + 2 + 1}) {
      var d = new COSDictionary();
      d.setInt(COSName.FLAGS, flags);
      var m =
          FontMappers.instance()
              .getTrueTypeFont(
                  "SaltmarshDisplay", new org.apache.pdfbox.pdmodel.font.PDFontDescriptor(d));
      assertThat(m.getFont().getName()).contains((flags & 1) != 0 ? "Mono" : "Serif");
    }
  }

  private static BufferedImage shown(Standard14Fonts.FontName name) throws IOException {
    var out = new ByteArrayOutputStream();
    try (var pdf = new PDDocument()) {
      var page = new PDPage(new PDRectangle(300, 40));
      pdf.addPage(page);
      try (var c = new PDPageContentStream(pdf, page)) {
        c.beginText();
        c.setFont(new PDType1Font(name), 20);
        c.newLineAtOffset(10, 12);
        c.showText("Harbour dues 17");
        c.endText();
      }
      pdf.save(out);
    }
    try (PDDocument pdf = Loader.loadPDF(out.toByteArray())) {
      return new PDFRenderer(pdf).renderImage(0);
    }
  }

  private static int unlike(BufferedImage a, BufferedImage b) {
    int n = 0;
    for (int y = 0; y < a.getHeight(); y++) {
      for (int x = 0; x < a.getWidth(); x++) {
        n += a.getRGB(x, y) == b.getRGB(x, y) ? 0 : 1;
      }
    }
    return n;
  }

  @Test
  void threeKindsLookLikeThree() throws IOException {
    BufferedImage serif = shown(Standard14Fonts.FontName.TIMES_ROMAN);
    BufferedImage sans = shown(Standard14Fonts.FontName.HELVETICA);
    BufferedImage mono = shown(Standard14Fonts.FontName.COURIER);
    assertThat(unlike(serif, sans)).isGreaterThan(300);
    assertThat(unlike(serif, mono)).isGreaterThan(300);
    assertThat(unlike(sans, mono)).isGreaterThan(300);
  }

  /** A file that relies on the reader's Japanese font (ISO 32000-1 §9.7.5.2) shows it. */
  @Test
  void eastAsianTextIsNoBlank() throws IOException {
    try (var pdf = new PDDocument()) {
      var page = new PDPage(new PDRectangle(200, 40));
      pdf.addPage(page);
      var system = new COSDictionary();
      system.setString(COSName.REGISTRY, "Adobe");
      system.setString(COSName.ORDERING, "Japan1");
      system.setInt(COSName.SUPPLEMENT, 2);
      var below = new COSDictionary();
      below.setItem(COSName.TYPE, COSName.FONT);
      below.setItem(COSName.SUBTYPE, COSName.CID_FONT_TYPE0);
      below.setName(COSName.BASE_FONT, "HeiseiMin-W3");
      below.setItem(COSName.CIDSYSTEMINFO, system);
      var descriptor = new COSDictionary();
      descriptor.setItem(COSName.TYPE, COSName.FONT_DESC);
      descriptor.setName(COSName.FONT_NAME, "HeiseiMin-W3");
      descriptor.setInt(COSName.FLAGS, 4);
      descriptor.setItem(
          COSName.FONT_BBOX,
          new COSArray(
              java.util.List.of(
                  COSInteger.get(0),
                  COSInteger.get(-200),
                  COSInteger.get(1000),
                  COSInteger.get(900))));
      below.setItem(COSName.FONT_DESC, descriptor);
      var font = new COSDictionary();
      font.setItem(COSName.TYPE, COSName.FONT);
      font.setItem(COSName.SUBTYPE, COSName.TYPE0);
      font.setName(COSName.BASE_FONT, "HeiseiMin-W3");
      font.setName(COSName.ENCODING, "UniJIS-UCS2-H");
      font.setItem(COSName.DESCENDANT_FONTS, new COSArray(java.util.List.of(below)));
      var fonts = new COSDictionary();
      fonts.setItem(COSName.getPDFName("F0"), font);
      var resources = new COSDictionary();
      resources.setItem(COSName.FONT, fonts);
      page.setResources(new PDResources(resources));
      var stream = new PDStream(pdf);
      try (var o = stream.createOutputStream()) {
        o.write("BT /F0 20 Tf 10 12 Td <6E2F6E7E> Tj ET".getBytes()); // two signs: harbour, bay
      }
      page.setContents(stream);
      BufferedImage image = new PDFRenderer(pdf).renderImage(0);
      int ink = 0;
      for (int x = 0; x < 60; x++) {
        for (int y = 0; y < 40; y++) {
          ink += (image.getRGB(x, y) & 0xFF) < 128 ? 1 : 0;
        }
      }
      assertThat(ink).as("more strokes than two empty boxes have").isGreaterThan(150);
    }
  }
}
