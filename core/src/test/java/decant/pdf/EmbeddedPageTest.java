package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.Layout;
import decant.layout.Rich;
import decant.model.Document;
import decant.model.Inline;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.Placement;
import decant.paint.PagePainter;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;

/** Drawings that are pages of PDF, in the published file: as PDFBox shows them there. */
class EmbeddedPageTest {
  private interface FontOf {
    PDFont in(PDDocument pdf) throws IOException;
  }

  /** A red square in the upper left of a blue page of 200 by 100 points, with a word below. */
  private static Media drawing(FontOf font) throws IOException {
    try (var pdf = new PDDocument()) {
      var page = new PDPage(new PDRectangle(200, 100));
      pdf.addPage(page);
      try (var c = new PDPageContentStream(pdf, page)) {
        c.setNonStrokingColor(Color.BLUE);
        c.addRect(0, 0, 200, 100);
        c.fill();
        c.setNonStrokingColor(Color.RED);
        c.addRect(10, 50, 40, 40);
        c.fill();
        c.setNonStrokingColor(Color.WHITE);
        c.beginText();
        c.setFont(font.in(pdf), 12);
        c.newLineAtOffset(10, 20);
        c.showText("Quay");
        c.endText();
      }
      var out = new ByteArrayOutputStream();
      pdf.save(out);
      return Media.of("application/pdf", out.toByteArray());
    }
  }

  private static Layout with(Media m) {
    var picture =
        new Inline.Picture(
            m.id(),
            200,
            100,
            "a plan",
            Placement.INLINE,
            Insets.NONE,
            0,
            Optional.empty(),
            Look.PLAIN);
    Document d = Samples.document(m, Rich.of(picture));
    return Samples.layout(d);
  }

  private static PDDocument published(Layout l) throws IOException {
    return Loader.loadPDF(Samples.pdf(l, Samples.choices(l)));
  }

  private static void looksRight(BufferedImage page, String which) {
    // The page's margins are an inch; the picture stands at the top left of its text.
    assertThat(new Color(page.getRGB(72 + 30, 72 + 30))).as(which).isEqualTo(Color.RED);
    assertThat(new Color(page.getRGB(72 + 150, 72 + 50))).as(which).isEqualTo(Color.BLUE);
    assertThat(new Color(page.getRGB(72 + 230, 72 + 50))).as(which).isEqualTo(Color.WHITE);
  }

  @Test
  void aDrawingThatBringsItsFontsIsTakenOverAsItIs() throws IOException {
    Layout l =
        with(
            drawing(pdf ->
                PDType0Font.load(
                    pdf,
                    decant.text.FontFace.class.getResourceAsStream(
                        "fonts/LiberationSans-Regular.ttf"),
                    true)));
    try (PDDocument pdf = published(l)) {
      looksRight(new PDFRenderer(pdf).renderImage(0, 1, ImageType.RGB), "published");
      looksRight(new PagePainter().paint(l, l.pages().getFirst(), 1), "painted");
      assertThat(new org.apache.pdfbox.text.PDFTextStripper().getText(pdf))
          .as("its words can be found")
          .contains("Quay");
    }
  }

  @Test
  void aDrawingThatLacksAFontIsDrawnAnew() throws IOException {
    Layout l = with(drawing(pdf -> new PDType1Font(FontName.HELVETICA)));
    try (PDDocument pdf = published(l)) {
      looksRight(new PDFRenderer(pdf).renderImage(0, 1, ImageType.RGB), "published");
      var resources = pdf.getPage(0).getResources();
      for (var n : resources.getXObjectNames()) {
        if (resources.getXObject(n)
            instanceof org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject f) {
          assertThat(f.getResources().getFontNames()).as("its letters are outlines").isEmpty();
        }
      }
    }
  }
}
