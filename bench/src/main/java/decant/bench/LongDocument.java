package decant.bench;

import decant.model.Block;
import decant.model.Cell;
import decant.model.Colour;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Look;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.ParagraphTraits;
import decant.model.Particulars;
import decant.model.Rule;
import decant.model.Rules;
import decant.model.StyleSheet;
import decant.model.Table;
import decant.model.TableTraits;
import decant.model.TextTraits;
import decant.model.edit.HeadingStyles;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;

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

  /** About so many pages of A4. */
  static Document of(int pages) {
    var random = new Random(300);
    StyleSheet sheet =
        new StyleSheet(
            Look.of(ParagraphTraits.SPACE_AFTER, 6.0),
            Look.of(TextTraits.FAMILY, "Times New Roman").with(TextTraits.SIZE, 11.0),
            "",
            Map.of());
    sheet = HeadingStyles.ensure(HeadingStyles.ensure(sheet, 1), 2);
    var blocks = new ArrayList<Block>();
    for (int page = 0; page < pages; page++) {
      if (page % 10 == 0) {
        blocks.add(
            Paragraph.of(Look.of(ParagraphTraits.STYLE, "Heading1"), "Chapter " + (page / 10 + 1)));
      }
      blocks.add(Paragraph.of(Look.of(ParagraphTraits.STYLE, "Heading2"), "Section " + (page + 1)));
      for (int p = 0; p < 7; p++) {
        blocks.add(prose(random, 70 + random.nextInt(50)));
      }
      if (page % 6 == 3) {
        blocks.add(table(random));
      }
    }
    return Document.of(sheet, blocks)
        .withParticulars(Particulars.NONE.withTitle("A long document"));
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
