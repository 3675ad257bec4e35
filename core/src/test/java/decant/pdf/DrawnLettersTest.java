package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.format.Intake;
import decant.model.Block;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.EmbeddedFont;
import decant.model.look.TextTraits;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import java.awt.geom.AffineTransform;
import java.awt.geom.GeneralPath;
import java.awt.geom.PathIterator;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Fonts whose letters are drawn one by one (Type 3, ISO 32000-2 §9.6.4), as browsers write those of
 * kinds that they cannot put into a PDF. Their names say nothing of how heavy they are or lean.
 */
class DrawnLettersTest {
  private static final int FIRST = 32;
  private static final int LAST = 122;

  @TempDir Path folder;

  private static COSArray numbers(double... of) {
    var out = new COSArray();
    for (double n : of) {
      out.add(new COSFloat((float) n));
    }
    return out;
  }

  /** A face that ships, with each letter drawn by its outline, upside down under its matrix. */
  private static COSDictionary font(PDDocument pdf, String face, String called) throws IOException {
    var font = new COSDictionary();
    font.setItem(COSName.TYPE, COSName.FONT);
    font.setItem(COSName.SUBTYPE, COSName.TYPE3);
    font.setItem(COSName.FONT_MATRIX, numbers(0.001, 0, 0, -0.001, 0, 0));
    font.setItem(COSName.FONT_BBOX, numbers(-200, -900, 1200, 300));
    var described = new COSDictionary();
    described.setItem(COSName.TYPE, COSName.FONT_DESC);
    described.setItem(COSName.FONT_NAME, COSName.getPDFName("AAAAAA+" + called));
    font.setItem(COSName.FONT_DESC, described);
    var letters = new COSDictionary();
    var names = new COSArray();
    names.add(COSInteger.get(FIRST));
    var widths = new COSArray();
    try (InputStream in =
            Objects.requireNonNull(
                decant.text.FontBook.class.getResourceAsStream("fonts/" + face + ".ttf"));
        TrueTypeFont program = new TTFParser().parse(new RandomAccessReadBuffer(in))) {
      double em = 1000.0 / program.getUnitsPerEm();
      for (int c = FIRST; c <= LAST; c++) {
        String name = "g" + c;
        int glyph = program.getUnicodeCmapLookup().getGlyphId(c);
        double width = program.getAdvanceWidth(glyph) * em;
        GeneralPath path = program.getGlyph().getGlyph(glyph).getPath();
        path.transform(new AffineTransform(em, 0, 0, -em, 0, 0));
        letters.setItem(COSName.getPDFName(name), stream(pdf, drawn(path, width)));
        names.add(COSName.getPDFName(name));
        widths.add(new COSFloat((float) width));
      }
    }
    var encoding = new COSDictionary();
    encoding.setItem(COSName.DIFFERENCES, names);
    font.setItem(COSName.ENCODING, encoding);
    font.setItem(COSName.CHAR_PROCS, letters);
    font.setInt(COSName.FIRST_CHAR, FIRST);
    font.setInt(COSName.LAST_CHAR, LAST);
    font.setItem(COSName.WIDTHS, widths);
    font.setItem(
        COSName.TO_UNICODE,
        stream(
            pdf,
            """
            /CIDInit /ProcSet findresource begin 12 dict begin begincmap
            1 begincodespacerange <00> <FF> endcodespacerange
            1 beginbfrange <20> <7A> <0020> endbfrange
            endcmap end end
            """));
    return font;
  }

  private static String drawn(GeneralPath path, double width) {
    var b = new StringBuilder(String.format(Locale.ROOT, "%.2f 0 0 -900 1200 300 d1\n", width));
    double[] n = new double[6];
    double x = 0;
    double y = 0;
    for (PathIterator i = path.getPathIterator(null); !i.isDone(); i.next()) {
      switch (i.currentSegment(n)) {
        case PathIterator.SEG_MOVETO -> b.append(of(n, 2)).append("m\n");
        case PathIterator.SEG_LINETO -> b.append(of(n, 2)).append("l\n");
        case PathIterator.SEG_QUADTO -> {
          double[] c = {
            x + 2 * (n[0] - x) / 3,
            y + 2 * (n[1] - y) / 3,
            n[2] + 2 * (n[0] - n[2]) / 3,
            n[3] + 2 * (n[1] - n[3]) / 3,
            n[2],
            n[3]
          };
          b.append(of(c, 6)).append("c\n");
          n[0] = n[2];
          n[1] = n[3];
        }
        default -> b.append("h\n");
      }
      x = n[0];
      y = n[1];
    }
    return b.append("f\n").toString();
  }

  private static String of(double[] n, int count) {
    var b = new StringBuilder();
    for (int k = 0; k < count; k++) {
      b.append(String.format(Locale.ROOT, "%.2f ", n[k]));
    }
    return b.toString();
  }

  private static COSBase stream(PDDocument pdf, String content) throws IOException {
    COSStream s = pdf.getDocument().createCOSStream();
    try (OutputStream out = s.createOutputStream()) {
      out.write(content.getBytes(StandardCharsets.ISO_8859_1));
    }
    return s;
  }

  private TakenIn taken() throws Exception {
    Path file = folder.resolve("drawn.pdf");
    try (var pdf = new PDDocument()) {
      var page = new PDPage(PDRectangle.A4);
      pdf.addPage(page);
      var fonts = new COSDictionary();
      fonts.setItem(COSName.getPDFName("A"), font(pdf, "LiberationSerif-Regular", "Quay-One"));
      fonts.setItem(COSName.getPDFName("B"), font(pdf, "LiberationSerif-Bold", "Mole-Two"));
      fonts.setItem(COSName.getPDFName("C"), font(pdf, "LiberationSerif-Italic", "Slip-Three"));
      var resources = new COSDictionary();
      resources.setItem(COSName.FONT, fonts);
      page.setResources(new PDResources(resources));
      page.getCOSObject()
          .setItem(
              COSName.CONTENTS,
              stream(
                  pdf,
                  """
                  BT 72 700 Td /A 11 Tf (The harbour office keeps the ) Tj /B 11 Tf (berth plan) Tj
                  /A 11 Tf ( and tells every ) Tj /C 11 Tf (holder of a berth) Tj /A 11 Tf ( which one) Tj
                  0 -14 Td (is theirs for the season, how long their lines may be, and where) Tj
                  0 -14 Td (they may lay up ashore.) Tj ET
                  """));
      pdf.save(file.toFile());
    }
    return Intake.take(ReadRequest.of(file));
  }

  @Test
  void theirStrokesTellWhatIsBoldAndWhatLeans() throws Exception {
    var words = new java.util.TreeMap<String, String>();
    for (Block b : taken().document().sections().getFirst().blocks()) {
      for (Inline i : ((Paragraph) b).inlines()) {
        if (i instanceof Inline.Text t) {
          words.put(
              t.text().strip(),
              (t.look().value(TextTraits.BOLD) ? "bold" : "")
                  + (t.look().value(TextTraits.ITALIC) ? "italic" : ""));
        }
      }
    }
    assertThat(words)
        .containsEntry("berth plan", "bold")
        .containsEntry("holder of a berth", "italic");
    assertThat(words.values().stream().filter(String::isEmpty)).hasSize(3);
  }

  @Test
  void theyAreFontsThatTheTextIsSetInFurther() throws Exception {
    TakenIn in = taken();
    List<EmbeddedFont> brought = in.document().styles().typesetting().fonts();
    assertThat(brought).hasSize(3);
    assertThat(brought).filteredOn(EmbeddedFont::bold).hasSize(1);
    assertThat(brought).filteredOn(EmbeddedFont::italic).hasSize(1);
    assertThat(in.findings()).isEmpty();
  }
}
