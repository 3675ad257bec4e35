package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.finding.Finding;
import decant.model.walk.Walk;
import decant.reading.TakenIn;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;
import org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDPropertyList;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.state.RenderingMode;
import org.apache.pdfbox.util.Matrix;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Conservation in reading, as a property: of pages made by another library, with any share of their
 * text in tags (ISO 32000-1 §14.8), with pictures, text that is not shown, odd fonts and turned
 * lines, every word and every picture is in the document, or a finding tells of it.
 */
class NothingLostTest {
  @TempDir Path folder;

  private final List<String> words = new ArrayList<>();
  private int pictures;

  @ParameterizedTest
  @ValueSource(ints = {0, 10, 50, 80, 90, 95, 100})
  void whateverShareIsTagged(int share) throws IOException {
    for (long seed = 1; seed <= 4; seed++) {
      words.clear();
      pictures = 0;
      Path file = folder.resolve(share + "-" + seed + ".pdf");
      write(file, share, new Random(seed));
      TakenIn t = Samples.taken(file);
      String all = text(t.document());
      String told =
          t.findings().stream()
              .filter(f -> f.severity() != Finding.Severity.NOTE)
              .map(Finding::message)
              .collect(Collectors.joining("\n"));
      boolean whole = told.contains("more line");
      for (String w : words) {
        assertThat(all.contains(w) || told.contains(w) || whole)
            .as(w + " of " + file.getFileName())
            .isTrue();
      }
      long shown = inlines(t.document()).filter(i -> i instanceof Inline.Picture).count();
      long lost =
          t.findings().stream().filter(f -> f.kind() == Finding.Kind.PICTURE_MISSING).count();
      assertThat(shown + lost)
          .as("pictures of " + file.getFileName())
          .isGreaterThanOrEqualTo(pictures);
    }
  }

  private static Stream<Paragraph> paragraphs(Document d) {
    Stream<Paragraph> running =
        d.sections().stream()
            .map(Section::running)
            .flatMap(r -> r.values().stream())
            .flatMap(s -> Walk.paragraphs(s.blocks()).stream());
    Stream<Paragraph> stories =
        d.stories().values().stream().map(Story::blocks).flatMap(b -> Walk.paragraphs(b).stream());
    return Stream.of(d.paragraphs().stream(), running, stories).flatMap(s -> s);
  }

  private static Stream<Inline> inlines(Document d) {
    return paragraphs(d).flatMap(p -> p.inlines().stream());
  }

  private static String text(Document d) {
    return paragraphs(d).map(Paragraph::text).collect(Collectors.joining("\n"));
  }

  private void write(Path file, int share, Random random) throws IOException {
    try (PDDocument pdf = new PDDocument()) {
      var root = new PDStructureTreeRoot();
      pdf.getDocumentCatalog().setStructureTreeRoot(root);
      var whole = new PDStructureElement("Document", root);
      root.appendKid(whole);
      int n = 0;
      for (int p = 0; p < 3; p++) {
        var page = new PDPage(PDRectangle.A4);
        pdf.addPage(page);
        try (var out = new PDPageContentStream(pdf, page)) {
          int id = 0;
          for (double y = 760; y > 120; y -= 14) {
            boolean tagged = random.nextInt(100) < share;
            if (tagged) {
              out.beginMarkedContent(COSName.P, PDPropertyList.create(mcid(id)));
            }
            if (random.nextInt(25) == 0) {
              out.drawImage(
                  LosslessFactory.createFromImage(pdf, picture(n)), 72, (float) y - 30, 60, 40);
              pictures++;
              y -= 44;
            } else {
              line(out, y, "word" + (1000 + n), random);
            }
            n++;
            if (tagged) {
              out.endMarkedContent();
              tag(whole, page, id++);
            }
          }
        }
      }
      pdf.save(file.toFile());
    }
  }

  private void line(PDPageContentStream out, double y, String first, Random random)
      throws IOException {
    PDFont font =
        new PDType1Font(
            List.of(FontName.HELVETICA, FontName.COURIER, FontName.TIMES_ITALIC)
                .get(random.nextInt(3)));
    boolean hidden = random.nextInt(30) == 0;
    out.beginText();
    out.setRenderingMode(hidden ? RenderingMode.NEITHER : RenderingMode.FILL);
    out.setFont(font, random.nextInt(20) == 0 ? 5 : 10);
    out.newLineAtOffset(random.nextInt(6) == 0 ? 320 : 72, (float) y);
    out.showText(first + " lines must be doubled at " + first + "x");
    out.endText();
    if (!hidden) {
      words.add(first);
      words.add(first + "x");
    }
  }

  private static BufferedImage picture(int n) {
    var image = new BufferedImage(30, 20, BufferedImage.TYPE_INT_RGB);
    for (int x = 0; x < 30; x++) {
      for (int y = 0; y < 20; y++) {
        image.setRGB(x, y, n * 7919 + x * 8 << 8 | y * 12);
      }
    }
    return image;
  }

  private static COSDictionary mcid(int id) {
    var d = new COSDictionary();
    d.setInt(COSName.MCID, id);
    return d;
  }

  private static void tag(PDStructureElement whole, PDPage page, int id) {
    var p = new PDStructureElement("P", whole);
    p.setPage(page);
    p.getCOSObject().setItem(COSName.K, new COSArray(List.of(COSInteger.get(id))));
    whole.appendKid(p);
  }

  /** Text of each quarter turn, and letters that are drawn twice for weight, are there once. */
  @ParameterizedTest
  @ValueSource(ints = {0, 90, 180, 270})
  void turnedTextAndTextDrawnTwiceIsNotCalledLost(int degrees) throws IOException {
    Path file = folder.resolve("turned.pdf");
    try (PDDocument pdf = new PDDocument()) {
      var page = new PDPage(PDRectangle.A4);
      pdf.addPage(page);
      try (var out = new PDPageContentStream(pdf, page)) {
        for (String[] line :
            new String[][] {
              {"0", "The storm bollards are painted after the ferry has left."},
              {"20", "Fenders hang on both sides of every vessel."}
            }) {
          for (float shift : new float[] {0, 0.3f}) {
            out.beginText();
            out.setFont(new PDType1Font(FontName.HELVETICA), 11);
            out.setTextMatrix(Matrix.getRotateInstance(Math.toRadians(degrees), 300, 420));
            out.newLineAtOffset(shift, -Float.parseFloat(line[0]));
            out.showText(line[1]);
            out.endText();
          }
        }
      }
      pdf.save(file.toFile());
    }
    TakenIn t = Samples.taken(file);
    assertThat(text(t.document())).contains("storm bollards", "every vessel");
    assertThat(t.findings()).noneMatch(f -> f.severity() == Finding.Severity.LOSS);
  }
}
