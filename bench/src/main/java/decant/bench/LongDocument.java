package decant.bench;

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
import decant.model.look.Colour;
import decant.model.look.LinePitch;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.ParagraphTraits;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.StyleSheet;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import javax.imageio.ImageIO;

/**
 * A long office document: chapters with sections, prose in several looks, tables. The same for the
 * same size.
 */
final class LongDocument {
  private static final String[] WORDS =
      ("harbour quay berth mooring tide pontoon vessel crane winter storage notice charge season office register gale line "
              + "fender ladder depth metre owner holder waiting list rule safety fuel water power visitor insurance the a of to and "
              + "in is for on by with from at every each before after until which may must shall kept written moved paid")
          .split(" ");

  private LongDocument() {}

  /** About so many pages of A4, of 400 words each, with notes, pictures and tables. */
  static Document of(int pages) {
    var random = new Random(300);
    StyleSheet sheet =
        new StyleSheet(
            Look.of(ParagraphTraits.SPACE_AFTER, 8.0)
                .with(ParagraphTraits.LINE_PITCH, new LinePitch.Multiple(1.35)),
            Look.of(TextTraits.FAMILY, "Times New Roman").with(TextTraits.SIZE, 12.0),
            "",
            Map.of());
    sheet = HeadingStyles.ensure(HeadingStyles.ensure(sheet, 1), 2);
    Media picture = picture();
    var stories = new LinkedHashMap<NodeId, Story>();
    var blocks = new ArrayList<Block>();
    for (int page = 0; page < pages; page++) {
      if (page % 10 == 0) {
        blocks.add(
            Paragraph.of(Look.of(ParagraphTraits.STYLE, "Heading1"), "Chapter " + (page / 10 + 1)));
      }
      blocks.add(Paragraph.of(Look.of(ParagraphTraits.STYLE, "Heading2"), "Section " + (page + 1)));
      if (page % 100 == 50) {
        blocks.add(prose(random, 2000));
      }
      for (int p = 0; p < 4; p++) {
        Paragraph prose = prose(random, 80 + random.nextInt(30));
        blocks.add(p == 1 ? noted(prose, note(random, stories)) : prose);
      }
      if (page % 8 == 5) {
        var inlines =
            List.<Inline>of(new Inline.Picture(picture.id(), 200, 90, "A quay", Look.PLAIN));
        blocks.add(new Paragraph(NodeId.fresh(), Look.PLAIN, Look.PLAIN, inlines));
      }
      if (page % 6 == 3) {
        blocks.add(table(random));
      }
      if (page % 4 == 2) {
        for (int k = 0; k < 3; k++) {
          blocks.add(item(random, "rules", 0));
          blocks.add(item(random, "rules", 1));
        }
      }
    }
    var head =
        new Story(
            NodeId.fresh(),
            Story.Kind.RUNNING,
            List.of(Paragraph.of(Look.PLAIN, "Harbour office of Saltmarsh Quay")));
    var section =
        new Section(
            NodeId.fresh(),
            PageSetup.A4,
            Section.Start.NEW_PAGE,
            Map.of(Section.Running.HEADER, head),
            blocks);
    return Document.of(
            Metadata.NONE,
            sheet,
            Map.of("rules", ListDefinition.marked("rules", "1.")),
            List.of(section),
            stories,
            Map.of(picture.id(), picture),
            List.of())
        .withMetadata(Metadata.NONE.withTitle("A long document"));
  }

  /** An item of a list that counts through the whole document. */
  private static Paragraph item(Random random, String list, int depth) {
    return Paragraph.of(
        Look.of(ParagraphTraits.LIST, new ListMembership(list, depth)), sentence(random, 18));
  }

  private static NodeId note(Random random, Map<NodeId, Story> stories) {
    NodeId id = NodeId.fresh();
    var text =
        new Paragraph(
            NodeId.fresh(),
            Look.of(ParagraphTraits.LINE_PITCH, LinePitch.SINGLE),
            Look.PLAIN,
            List.of(
                new Inline.NoteMark(id, Look.PLAIN),
                new Inline.Text(" " + sentence(random, 15), Look.of(TextTraits.SIZE, 9.0))));
    stories.put(id, new Story(id, Story.Kind.FOOTNOTE, List.of(text)));
    return id;
  }

  private static Paragraph noted(Paragraph p, NodeId note) {
    var inlines = new ArrayList<>(p.inlines());
    inlines.add(1, new Inline.NoteMark(note, Look.PLAIN));
    return p.withInlines(inlines);
  }

  private static Media picture() {
    var image = new BufferedImage(400, 180, BufferedImage.TYPE_INT_RGB);
    for (int x = 0; x < 400; x++) {
      for (int y = 0; y < 180; y++) {
        image.setRGB(x, y, x * 255 / 400 << 16 | y << 8 | 0x80);
      }
    }
    var out = new ByteArrayOutputStream();
    try {
      ImageIO.write(image, "png", out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return Media.of("image/png", out.toByteArray());
  }

  private static Paragraph prose(Random random, int words) {
    var inlines = new ArrayList<Inline>();
    for (int k = 0; k < words; k += 20) {
      Look look = random.nextInt(5) == 0 ? Look.of(TextTraits.ITALIC, true) : Look.PLAIN;
      inlines.add(new Inline.Text(sentence(random, 20), look));
    }
    return new Paragraph(
        NodeId.fresh(),
        Look.of(ParagraphTraits.ALIGNMENT, ParagraphTraits.Alignment.JUSTIFIED),
        Look.PLAIN,
        inlines);
  }

  private static String sentence(Random random, int words) {
    var b = new StringBuilder();
    for (int k = 0; k < words; k++) {
      b.append(WORDS[random.nextInt(WORDS.length)]).append(k == words - 1 ? ". " : " ");
    }
    return b.toString();
  }

  private static Table table(Random random) {
    var rows = new ArrayList<Table.Row>();
    for (int r = 0; r < 6; r++) {
      var cells = new ArrayList<Cell>();
      for (int c = 0; c < 4; c++) {
        cells.add(
            new Cell(
                NodeId.fresh(),
                1,
                1,
                Look.PLAIN,
                List.of(Paragraph.of(Look.PLAIN, sentence(random, 3)))));
      }
      rows.add(new Table.Row(Look.PLAIN, cells));
    }
    return new Table(
        NodeId.fresh(),
        Look.of(TableTraits.RULES, Rules.all(Rule.single(0.5, Colour.BLACK))),
        List.of(110.0, 110.0, 110.0, 110.0),
        rows);
  }
}
