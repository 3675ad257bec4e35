package decant.desktop;

import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.edit.HeadingStyles;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Placement;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.model.look.VerticalAlignment;
import decant.office.docx.write.DocxWriter;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;

/** Files made for a test, all about the harbour office of Saltmarsh Quay. */
final class Made {
  static final String PROSE =
      "Lines must be doubled when the tide gauge at the east stairs stands above four metres or a"
          + " gale is forecast, and fenders must hang on both sides of every vessel at the quay. ";

  private Made() {}

  static Paragraph text(String text, Look look) {
    return new Paragraph(
        NodeId.fresh(), Look.PLAIN, Look.PLAIN, List.of(new Inline.Text(text, look)));
  }

  static Paragraph heading(int level, String text) {
    return Paragraph.of(Look.of(ParagraphTraits.STYLE, "Heading" + level), text);
  }

  static Table table(String... cells) {
    var row = new ArrayList<Cell>();
    for (String c : cells) {
      row.add(new Cell(NodeId.fresh(), 1, 1, Look.PLAIN, List.of(text(c, Look.PLAIN))));
    }
    return new Table(
        NodeId.fresh(),
        Look.PLAIN,
        java.util.Collections.nCopies(cells.length, 100.0),
        List.of(new Table.Row(Look.PLAIN, row)));
  }

  /** A DOCX of blocks in Liberation Serif of 11 points. */
  static Path docx(Path file, Block... blocks) {
    return docx(file, Map.of(), blocks);
  }

  static Path docx(Path file, Map<NodeId, Story> stories, Block... blocks) {
    var sheet =
        new StyleSheet(
            Look.of(ParagraphTraits.SPACE_AFTER, 6.0),
            Look.of(TextTraits.FAMILY, "Liberation Serif").with(TextTraits.SIZE, 11.0),
            "",
            Map.of());
    var styles = HeadingStyles.ensure(HeadingStyles.ensure(sheet, 1), 2);
    var section =
        new Section(
            NodeId.fresh(), PageSetup.A4, Section.Start.NEW_PAGE, Map.of(), List.of(blocks));
    Document d =
        Document.of(
            Metadata.NONE, styles, Map.of(), List.of(section), stories, Map.of(), List.of());
    try (OutputStream out = Files.newOutputStream(file)) {
      DocxWriter.write(d, out);
    } catch (IOException e) {
      throw new AssertionError(e);
    }
    return file;
  }

  /** A paragraph with a footnote, and the note's story. */
  static Map.Entry<Paragraph, Story> noted() {
    NodeId note = NodeId.fresh();
    var body =
        new Paragraph(
            NodeId.fresh(),
            Look.PLAIN,
            Look.PLAIN,
            List.of(
                new Inline.Text("Depths are charted", Look.PLAIN),
                new Inline.NoteMark(note, Look.PLAIN)));
    return Map.entry(
        body,
        new Story(note, Story.Kind.FOOTNOTE, List.of(text("At low water springs.", Look.PLAIN))));
  }

  /** A paragraph with a box beside it that begins at the right edge of the paper. */
  static Map.Entry<Paragraph, Story> adrift(String inBox) {
    NodeId id = NodeId.fresh();
    var place =
        new Placement.Floating(
            new Placement.Axis(Placement.Origin.PAGE, Placement.Align.OFFSET, 590),
            new Placement.Axis(Placement.Origin.PAGE, Placement.Align.OFFSET, 200),
            Placement.Wrap.THROUGH,
            Insets.NONE,
            false);
    var box =
        new Inline.Shape(
            new Inline.Drawing(Inline.Geometry.RECTANGLE, Optional.empty(), Optional.empty()),
            120,
            30,
            new Inline.BoxText(Optional.of(id), false, Insets.NONE, VerticalAlignment.TOP),
            "",
            place,
            0,
            Optional.empty(),
            Look.PLAIN);
    var anchor =
        new Paragraph(
            NodeId.fresh(),
            Look.PLAIN,
            Look.PLAIN,
            List.of(box, new Inline.Text("Berths are let by the season.", Look.PLAIN)));
    return Map.entry(anchor, new Story(id, Story.Kind.BOX, List.of(text(inBox, Look.PLAIN))));
  }

  private static final List<String> TOPICS =
      List.of("Keys", "Lamps", "Fenders", "Walkways", "Moorings", "Ladders", "Guests", "Repairs");

  /**
   * A PDF of so many pages of text; amid each a bold line stands alone, in the size of the text.
   */
  static Path pdf(Path file, int pages) {
    try (var pdf = new PDDocument()) {
      var bold = new PDType1Font(Standard14Fonts.FontName.HELVETICA_BOLD);
      var plain = new PDType1Font(Standard14Fonts.FontName.HELVETICA);
      for (int p = 1; p <= pages; p++) {
        var page = new PDPage(PDRectangle.A4);
        pdf.addPage(page);
        try (var c = new PDPageContentStream(pdf, page)) {
          c.beginText();
          c.setFont(plain, 11);
          c.setLeading(15);
          c.newLineAtOffset(72, 760);
          prose(c, p, 6 + p % 9);
          c.newLine();
          c.newLine();
          c.setFont(bold, 11);
          c.showText(TOPICS.get(p % TOPICS.size()) + " of pontoon " + p);
          c.setFont(plain, 11);
          c.newLine();
          c.newLine();
          prose(c, p, 12);
          c.endText();
        }
      }
      pdf.save(file.toFile());
      return file;
    } catch (IOException e) {
      throw new AssertionError(e);
    }
  }

  private static void prose(PDPageContentStream c, int page, int lines) throws IOException {
    for (int k = 0; k < lines; k++) {
      c.showText(
          "Holder "
              + (k * 7 + page)
              + " of berth "
              + k
              + " keeps the walkway clear and lights the lamp at night,");
      c.newLine();
    }
  }

  /** A PDF in which one bold line of the text's size stands alone, and may be a heading. */
  static Path letter(Path file) {
    try (var pdf = new PDDocument()) {
      var bold = new PDType1Font(Standard14Fonts.FontName.HELVETICA_BOLD);
      var plain = new PDType1Font(Standard14Fonts.FontName.HELVETICA);
      var page = new PDPage(PDRectangle.A4);
      pdf.addPage(page);
      try (var c = new PDPageContentStream(pdf, page)) {
        c.beginText();
        c.setLeading(13);
        c.setFont(bold, 16);
        c.newLineAtOffset(72, 750);
        c.showText("Berth rules");
        c.setFont(plain, 10);
        c.newLineAtOffset(0, -30);
        prose(c, 1, 6);
        c.newLineAtOffset(0, -12);
        prose(c, 2, 6);
        c.setFont(bold, 10);
        c.newLineAtOffset(0, -14);
        c.showText("What fenders are for");
        c.setFont(plain, 10);
        c.newLineAtOffset(0, -16);
        prose(c, 3, 6);
        c.endText();
      }
      pdf.save(file.toFile());
      return file;
    } catch (IOException e) {
      throw new AssertionError(e);
    }
  }

  /** A PDF of so many pages, each with text and a picture of few dots an inch. */
  static Path coarse(Path file, int pages) {
    try (var pdf = new PDDocument()) {
      var plain = new PDType1Font(Standard14Fonts.FontName.HELVETICA);
      for (int p = 1; p <= pages; p++) {
        var page = new PDPage(PDRectangle.A4);
        pdf.addPage(page);
        var picture = new BufferedImage(80, 60, BufferedImage.TYPE_INT_RGB);
        for (int k = 0; k < 80 * 60; k++) {
          picture.setRGB(k % 80, k / 80, (k * 37 * p) & 0xFFFFFF);
        }
        try (var c = new PDPageContentStream(pdf, page)) {
          c.drawImage(LosslessFactory.createFromImage(pdf, picture), 72, 500, 200, 150);
          c.beginText();
          c.setFont(plain, 11);
          c.setLeading(15);
          c.newLineAtOffset(72, 440);
          prose(c, p, 14);
          c.endText();
        }
      }
      pdf.save(file.toFile());
      return file;
    } catch (IOException e) {
      throw new AssertionError(e);
    }
  }
}
