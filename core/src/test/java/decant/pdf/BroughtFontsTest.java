package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.Tool;
import decant.format.Intake;
import decant.layout.Layout;
import decant.layout.Layouter;
import decant.model.Box;
import decant.model.Document;
import decant.model.finding.Finding;
import decant.model.look.Colour;
import decant.model.look.EmbeddedFont;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.TextTraits;
import decant.office.docx.DocxReader;
import decant.office.docx.write.DocxWriter;
import decant.publication.PageSink;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.text.FontBook;
import decant.text.FontFace;
import decant.text.Joins;
import decant.text.OutlineFont;
import java.awt.font.FontRenderContext;
import java.awt.geom.AffineTransform;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Files that bring fonts no one else has: their text stays in these fonts. The font is made for the
 * test: a serif of which every letter is a little slanted and half as wide again.
 */
class BroughtFontsTest {
  private static final String LINE = "The quay master keeps a list of vessels and their dues.";
  private static final String NAME = "Tidewater";
  private static final AffineTransform ODD = new AffineTransform(1.5, 0, 0.1, -1, 0, 0);

  @TempDir Path folder;

  private static byte[] font(int embedding) {
    FontFace face = FontBook.shipped().serve("Liberation Serif", false, false).face();
    var letters = new HashMap<String, OutlineFont.Letter>();
    for (char c = ' '; c < 0x7F; c++) {
      var v =
          face.unitFont(Joins.NONE)
              .createGlyphVector(new FontRenderContext(null, true, true), String.valueOf(c));
      letters.put(
          String.valueOf(c),
          new OutlineFont.Letter(
              ODD.createTransformedShape(v.getOutline()),
              v.getGlyphMetrics(0).getAdvanceX() * 1.5));
    }
    return OutlineFont.make(
        new OutlineFont.Facts(NAME, false, false, 2048, face.tables(), embedding), letters);
  }

  private Path file(byte[] font, boolean subset) throws IOException {
    Path file = folder.resolve("made.pdf");
    try (var pdf = new PDDocument()) {
      PDFont f = PDType0Font.load(pdf, new ByteArrayInputStream(font), subset);
      var page = new PDPage(PDRectangle.A4);
      pdf.addPage(page);
      try (var c = new PDPageContentStream(pdf, page)) {
        for (int k = 0; k < 4; k++) {
          c.beginText();
          c.setFont(f, 11);
          c.newLineAtOffset(72, 700 - 14 * k);
          c.showText(LINE);
          c.endText();
        }
      }
      pdf.save(file.toFile());
    }
    return file;
  }

  private Path published(Layout l) {
    return Published.file(folder, l, Samples.choices(l));
  }

  private static TakenIn taken(Path file) throws ReadProblem {
    return Intake.take(ReadRequest.of(file));
  }

  private static List<EmbeddedFont> fonts(TakenIn t) {
    return t.document().styles().typesetting().fonts();
  }

  @Test
  void textStaysInTheFontThatTheFileBrings() throws Exception {
    TakenIn t = taken(file(font(0), true));
    assertThat(fonts(t)).hasSize(1);
    EmbeddedFont f = fonts(t).getFirst();
    assertThat(f.family()).isEqualTo(NAME);
    Map<FontFace, String> shown = shown(new Layouter(FontBook.shipped()).layout(t.document()));
    assertThat(shown).hasSize(1);
    FontFace face = shown.keySet().iterator().next();
    assertThat(face.family()).isEqualTo(NAME);
    assertThat(shown.get(face).replaceAll("\\s", "")).startsWith(LINE.replaceAll("\\s", ""));
    FontFace own = new FontBookOf(font(0)).face();
    var units = new FontRenderContext(null, true, true);
    for (String s : List.of("q", "T", "k", " ")) {
      var got = face.unitFont(Joins.NONE).createGlyphVector(units, s);
      var was = own.unitFont(Joins.NONE).createGlyphVector(units, s);
      double scale = (double) own.unitsPerEm() / face.unitsPerEm();
      assertThat(got.getGlyphMetrics(0).getAdvanceX() * scale)
          .isCloseTo(
              was.getGlyphMetrics(0).getAdvanceX(), org.assertj.core.api.Assertions.within(1.5));
      assertThat(got.getOutline().getBounds2D().getWidth() * scale)
          .isCloseTo(
              was.getOutline().getBounds2D().getWidth(),
              org.assertj.core.api.Assertions.within(2.0));
    }
    assertThat(t.findings()).noneMatch(x -> x.kind() == Finding.Kind.FONT_REPLACED);
    assertThat(t.origin().fonts().getFirst().reason()).isEqualTo("embedded in the file");
  }

  /** A face of the test's own font. */
  private record FontBookOf(byte[] file) {
    FontFace face() {
      return FontBook.shipped()
          .with(List.of(new FontBook.Embedded(NAME, false, false, file)))
          .serve(NAME, false, false)
          .face();
    }
  }

  private static Map<FontFace, String> shown(Layout l) {
    var out = new LinkedHashMap<FontFace, String>();
    for (var page : l.pages()) {
      l.walk(
          page,
          new PageSink() {
            @Override
            public void glyphs(decant.layout.item.Item.GlyphRun run, double x, double y) {
              out.merge(run.face(), run.shown().text(), String::concat);
            }

            @Override
            public void fill(Box box, Colour colour) {}

            @Override
            public void picture(decant.layout.item.Item.PictureBox picture, Box box) {}
          });
    }
    return out;
  }

  @Test
  void newLettersComeFromTheClosestFamily() throws Exception {
    TakenIn t = taken(file(font(0), true));
    var p = t.document().paragraphs().getFirst();
    Document d =
        t.document()
            .withParagraph(
                p.withInlines(
                    List.of(
                        new decant.model.Inline.Text(
                            p.text() + " Jetty", p.inlines().getFirst().look()))));
    Map<FontFace, String> shown = shown(new Layouter(FontBook.shipped()).layout(d));
    assertThat(shown.entrySet())
        .anyMatch(
            e -> e.getKey().family().equals("Liberation Sans") && e.getValue().contains("Jetty"));
    assertThat(shown.entrySet())
        .as("all other words stay in their font")
        .anyMatch(e -> e.getKey().family().equals(NAME) && e.getValue().endsWith("their dues. "));
  }

  /** OpenType OS/2 fsType: a font for preview and print opens for reading alone. */
  @ParameterizedTest
  @CsvSource({"0, true", "8, true", "4, false", "12, true"})
  void licencesThatForbidEditingAreKept(String bits, boolean served) throws Exception {
    TakenIn t = taken(file(font(Integer.decode(bits)), false));
    assertThat(fonts(t)).hasSize(served ? 1 : 0);
    if (!served) {
      assertThat(t.findings())
          .anyMatch(f ->
              f.kind() == Finding.Kind.FONT_REPLACED
                  && f.message().contains("does not allow editing"));
    } else {
      assertThat(
              FontBook.shipped()
                  .with(List.of(embedded(t)))
                  .serve(NAME, false, false)
                  .face()
                  .tables()
                  .embedding())
          .isEqualTo(Integer.decode(bits));
    }
  }

  private static FontBook.Embedded embedded(TakenIn t) {
    EmbeddedFont f = fonts(t).getFirst();
    return new FontBook.Embedded(f.family(), f.bold(), f.italic(), f.file().bytes());
  }

  @Test
  void fontsThatShipServeWhole() throws Exception {
    Path file = published(Samples.layout(Samples.document(Samples.paragraph(LINE))));
    assertThat(fonts(taken(file))).isEmpty();
  }

  @Test
  void theWorkingCopyBringsThemAlong() throws Exception {
    TakenIn t = taken(file(font(8), false));
    Path copy = folder.resolve("copy.docx");
    try (OutputStream out = Files.newOutputStream(copy)) {
      DocxWriter.write(t.document(), out);
    }
    TakenIn back = DocxReader.read(ReadRequest.of(copy));
    assertThat(fonts(back)).hasSize(1);
    assertThat(fonts(back).getFirst().file().bytes()).isEqualTo(fonts(t).getFirst().file().bytes());
    assertThat(fonts(back).getFirst().family()).isEqualTo(NAME);
    assertThat(decant.office.DocxSchemas.errors(copy)).isEmpty();
  }

  /**
   * Curves of CFF programs are of the third degree; the file is one of our own with such a font.
   */
  @Test
  void lettersOfCffProgramsAreTakenToo() throws Exception {
    Path otf = Path.of("/usr/share/fonts/opentype/freefont/FreeSerif.otf");
    Tool.needs(Files.exists(otf), "FreeSerif");
    var embedded =
        new EmbeddedFont("FreeSerif", false, false, Media.of("font/otf", Files.readAllBytes(otf)));
    Document d = Samples.document(Samples.runs(LINE, Look.of(TextTraits.FAMILY, "FreeSerif")));
    d =
        d.withStyles(
            d.styles().withTypesetting(d.styles().typesetting().withFonts(List.of(embedded))));
    TakenIn t = taken(published(Samples.layout(d)));
    assertThat(fonts(t)).hasSize(1);
    assertThat(shown(Samples.layout(t.document())).keySet())
        .allMatch(f -> f.family().startsWith("Free"));
  }
}
