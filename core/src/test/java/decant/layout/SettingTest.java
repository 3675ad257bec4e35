package decant.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.data.Offset.offset;

import decant.Samples;
import decant.layout.item.Fragment;
import decant.layout.item.Item;
import decant.layout.item.TableLayout;
import decant.layout.pages.Page;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.EmbeddedFont;
import decant.model.look.Extent;
import decant.model.look.Insets;
import decant.model.look.LinePitch;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.model.look.Typesetting;
import decant.model.look.VerticalAlignment;
import decant.text.FontBook;
import decant.text.Hyphenator;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How paragraphs and tables are set. */
class SettingTest {
  private static List<Places.PlacedLine> lines(Document d) {
    Layout l = Samples.layout(d);
    var out = new ArrayList<Places.PlacedLine>();
    l.pages().forEach(p -> out.addAll(Places.lines(p)));
    return out;
  }

  private static String textOf(Places.PlacedLine l) {
    return l.paragraph().source().text().substring(l.line().from(), l.line().to());
  }

  private static Paragraph with(Look look, String text) {
    return Paragraph.of(look, text);
  }

  private static Document hyphenating(String language, String text) {
    Look texts =
        Look.of(TextTraits.FAMILY, "Liberation Serif")
            .with(TextTraits.SIZE, 11.0)
            .with(TextTraits.LANGUAGE, language);
    var sheet =
        new decant.model.look.StyleSheet(Look.PLAIN, texts, "", Map.of())
            .withTypesetting(
                new Typesetting(
                    36,
                    true,
                    false,
                    false,
                    NumberFormat.DECIMAL,
                    NumberFormat.LOWER_ROMAN,
                    List.of()));
    Look narrow =
        Look.of(ParagraphTraits.INDENT_END, 270.0)
            .with(ParagraphTraits.ALIGNMENT, ParagraphTraits.Alignment.JUSTIFIED);
    return Document.of(sheet, List.of(with(narrow, text)));
  }

  /** Divisions that the patterns' own authors give as examples, and dictionaries. */
  @ParameterizedTest
  @CsvSource({
    "en-us, hyphenation, hy-phen-ation",
    "en-us, associate, as-so-ciate",
    "en-us, table, ta-ble",
    "de, Schifffahrt, Schiff-fahrt",
    "de, Hafenordnung, Ha-fen-ord-nung",
    "fr, capitainerie, ca-pi-tai-ne-rie",
    "es, embarcadero, em-bar-ca-de-ro"
  })
  void wordsAreDividedByTheirLanguage(String language, String word, String divided) {
    boolean[] at = Hyphenator.of(language).orElseThrow().divisions(word);
    var b = new StringBuilder();
    for (int k = 0; k < word.length(); k++) {
      b.append(k > 0 && at[k] ? "-" : "").append(word.charAt(k));
    }
    assertThat(b).hasToString(divided);
  }

  @Test
  void hyphensStandWhereWordsAreDividedAndTheTextStaysAsItIs() {
    String text = "Harbourmasters administering considerable accommodation ".repeat(8);
    List<Places.PlacedLine> set = lines(hyphenating("en-us", text));
    assertThat(set)
        .anySatisfy(l -> {
          Item.GlyphRun last = (Item.GlyphRun) l.line().items().getLast();
          assertThat(last.shown().text()).isEqualTo("-");
          assertThat(last.shown().generated()).isTrue();
        });
    var all = new StringBuilder();
    set.forEach(l -> all.append(textOf(l)));
    assertThat(all).hasToString(text);
    assertThat(set.size()).isLessThan(lines(hyphenating("zz", text)).size());
  }

  @Test
  void justifiedLinesReachBothEdgesAndTheLastOneDoesNot() {
    Look look = Look.of(ParagraphTraits.ALIGNMENT, ParagraphTraits.Alignment.JUSTIFIED);
    List<Places.PlacedLine> set = lines(Samples.document(with(look, Samples.PROSE.repeat(5))));
    for (Places.PlacedLine l : set) {
      String t = textOf(l).strip();
      double right = Places.xOf(l, l.line().from() + t.length());
      if (l == set.getLast()) {
        assertThat(right).isLessThan(PageSetup.A4.textWidth() - 5);
      } else {
        assertThat(right).isCloseTo(PageSetup.A4.textWidth(), offset(0.6));
      }
    }
  }

  @Test
  void decimalSignsStandBelowOneAnother() {
    Look look =
        Look.of(
            ParagraphTraits.TABS,
            List.of(new TabStop(200, TabStop.Kind.DECIMAL, TabStop.Leader.NONE)));
    for (String number : List.of("\t1.5", "\t1024.75", "\t7")) {
      Places.PlacedLine l = lines(Samples.document(with(look, number))).getFirst();
      int sign = number.indexOf('.') < 0 ? number.length() : number.indexOf('.');
      assertThat(Places.xOf(l, sign)).as(number).isCloseTo(200, offset(0.3));
    }
  }

  @Test
  void smallCapitalsAreSmallerCapitalsAndSpacedLettersStandApart() {
    Look small = Look.of(TextTraits.SMALL_CAPS, true);
    Look spaced = Look.of(TextTraits.LETTER_SPACING, 3.0);
    List<Item> items =
        lines(Samples.document(Samples.runs("Quay", small))).getFirst().line().items();
    Item.GlyphRun capital = (Item.GlyphRun) items.get(0);
    Item.GlyphRun rest = (Item.GlyphRun) items.get(1);
    assertThat(rest.size()).isCloseTo(capital.size() * 0.8, offset(0.01));
    double plain =
        lines(Samples.document(Samples.runs("Quay", Look.PLAIN)))
            .getFirst()
            .line()
            .items()
            .getFirst()
            .width();
    double wide =
        lines(Samples.document(Samples.runs("Quay", spaced)))
            .getFirst()
            .line()
            .items()
            .getFirst()
            .width();
    assertThat(wide - plain).isCloseTo(12, offset(0.5));
  }

  @Test
  void spaceBetweenParagraphs() {
    Look look =
        Look.of(ParagraphTraits.SPACE_BEFORE, 10.0)
            .with(ParagraphTraits.SPACE_AFTER, 6.0)
            .with(ParagraphTraits.STYLE, "s");
    Look contextual = look.with(ParagraphTraits.CONTEXTUAL_SPACING, true);
    Look automatic =
        look.with(ParagraphTraits.AUTO_BEFORE, true).with(ParagraphTraits.AUTO_AFTER, true);
    assertThat(gap(look)).isCloseTo(16, offset(0.01));
    assertThat(gap(contextual)).as("neighbours of one style").isCloseTo(0, offset(0.01));
    assertThat(gap(automatic)).as("the larger of the two").isCloseTo(10, offset(0.01));
  }

  private static double gap(Look look) {
    List<Places.PlacedLine> l = lines(Samples.document(with(look, "a"), with(look, "b")));
    return l.get(1).top() - l.get(0).bottom();
  }

  @Test
  void linesStandAsFarApartAsTheirPitchSays() {
    double single = height(LinePitch.SINGLE);
    // hhea/win of Liberation Serif: (1825 + 443 + 87) / 2048 of the size, as its tables have it.
    assertThat(single).isCloseTo(11 * (1825 + 443 + 87) / 2048.0, offset(0.05));
    assertThat(height(new LinePitch.Multiple(1.5))).isCloseTo(single * 1.5, offset(0.01));
    assertThat(height(new LinePitch.AtLeast(30))).isEqualTo(30);
    assertThat(height(new LinePitch.AtLeast(5))).isCloseTo(single, offset(0.01));
    assertThat(height(new LinePitch.Exactly(9))).isEqualTo(9);
  }

  private static double height(LinePitch pitch) {
    return lines(Samples.document(with(Look.of(ParagraphTraits.LINE_PITCH, pitch), "x")))
        .getFirst()
        .line()
        .height();
  }

  private static Table table(Look look, List<Double> columns, Cell... cells) {
    return new Table(
        NodeId.fresh(), look, columns, List.of(new Table.Row(Look.PLAIN, List.of(cells))));
  }

  private static Cell cell(Look look, Block... blocks) {
    return new Cell(NodeId.fresh(), 1, 1, look, List.of(blocks));
  }

  private static TableLayout set(Table t) {
    Fragment.Rows r =
        (Fragment.Rows)
            Samples.layout(Samples.document(t, Samples.paragraph("after")))
                .pages()
                .getFirst()
                .body()
                .getFirst();
    return r.layout();
  }

  @Test
  void columnsAreAsWideAsTheirContentTheGridOrAShareOfTheRoom() {
    Paragraph wide = Samples.paragraph("Mooring charges");
    Paragraph narrow = Samples.paragraph("85");
    TableLayout byContent =
        set(table(Look.PLAIN, List.of(), cell(Look.PLAIN, wide), cell(Look.PLAIN, narrow)));
    double first = byContent.rows().getFirst().cells().get(0).width();
    assertThat(first).isGreaterThan(byContent.rows().getFirst().cells().get(1).width() * 2);
    assertThat(byContent.width()).isLessThan(PageSetup.A4.textWidth() / 2);
    TableLayout fixed =
        set(
            table(
                Look.of(TableTraits.FIXED_COLUMNS, true),
                List.of(20.0, 300.0),
                cell(Look.PLAIN, wide),
                cell(Look.PLAIN, narrow)));
    assertThat(fixed.rows().getFirst().cells().get(0).width()).isEqualTo(20);
    TableLayout share =
        set(
            table(
                Look.of(TableTraits.WIDTH, new Extent.Share(1.0)),
                List.of(),
                cell(Look.PLAIN, wide),
                cell(Look.PLAIN, narrow)));
    assertThat(share.width()).isBetween(PageSetup.A4.textWidth(), PageSetup.A4.textWidth() + 11);
  }

  /** §17.4.66: the heavier line is drawn, of two equally heavy ones the darker. */
  @Test
  void ofTwoNeighboursLinesTheHeavierIsDrawn() {
    Rule thin = Rule.single(0.5, Colour.BLACK);
    Rule thick = Rule.single(2, new Colour(0x7A1F33));
    Rule light = Rule.single(2, new Colour(0xDDDDDD));
    Look left = Look.of(TableTraits.RULES, Rules.around(thin));
    Look middle = Look.of(TableTraits.RULES, Rules.around(thick));
    Look right = Look.of(TableTraits.RULES, Rules.around(light));
    TableLayout t =
        set(
            table(
                Look.PLAIN,
                List.of(80.0, 80.0, 80.0),
                cell(left, Samples.paragraph("a")),
                cell(middle, Samples.paragraph("b")),
                cell(right, Samples.paragraph("c"))));
    List<TableLayout.CellBox> c = t.rows().getFirst().cells();
    assertThat(c.get(0).edges().left()).isEqualTo(thin);
    assertThat(c.get(0).edges().right()).isEqualTo(thick);
    assertThat(c.get(1).edges().left()).isEqualTo(thick);
    assertThat(c.get(2).edges().left()).as("as heavy, but darker").isEqualTo(thick);
  }

  @Test
  void contentStandsWhereItsCellAsks() {
    Look low = Look.of(TableTraits.VERTICAL_ALIGNMENT, VerticalAlignment.BOTTOM);
    Look padded = Look.of(TableTraits.CELL_PADDING, new Insets(4, 9, 4, 7));
    TableLayout t =
        set(
            table(
                Look.PLAIN,
                List.of(100.0, 100.0, 100.0),
                cell(low, Samples.paragraph("low")),
                cell(padded, Samples.paragraph("padded")),
                cell(Look.PLAIN, Samples.paragraph(Samples.PROSE))));
    List<TableLayout.CellBox> c = t.rows().getFirst().cells();
    double rowHeight = t.rows().getFirst().height();
    assertThat(c.get(0).content().getFirst().bottom()).isGreaterThan(rowHeight - 8);
    assertThat(c.get(1).content().getFirst().x()).isEqualTo(7);
    assertThat(c.get(1).content().getFirst().y()).isGreaterThanOrEqualTo(4);
  }

  @Test
  void aCellThatReachesOverAPageBreakIsOnBothPages() {
    var rows = new ArrayList<Table.Row>();
    Cell tall =
        new Cell(
            NodeId.fresh(),
            1,
            60,
            Look.of(TableTraits.SHADING, new Colour(0xEEEEEE)),
            List.of(Samples.paragraph(Samples.PROSE.repeat(60))));
    rows.add(new Table.Row(Look.PLAIN, List.of(tall, cell(Look.PLAIN, Samples.paragraph("0")))));
    for (int k = 1; k < 60; k++) {
      rows.add(
          new Table.Row(
              Look.of(TableTraits.ROW_HEIGHT, 24.0),
              List.of(cell(Look.PLAIN, Samples.paragraph("" + k)))));
    }
    var t = new Table(NodeId.fresh(), Look.PLAIN, List.of(200.0, 60.0), rows);
    Layout l = Samples.layout(Samples.document(t));
    assertThat(l.pages().size()).isGreaterThan(1);
    var text = new StringBuilder();
    for (Page p : l.pages()) {
      List<Places.PlacedLine> here =
          Places.lines(p).stream().filter(x -> textOf(x).length() > 3).toList();
      assertThat(here).as("page %d", p.number()).isNotEmpty();
      assertThat(here)
          .allMatch(x -> x.bottom() < p.setup().height() - p.setup().margins().bottom() + 1);
      here.forEach(x -> text.append(textOf(x)));
    }
    assertThat(text).hasToString(Samples.PROSE.repeat(60));
  }

  @Test
  void aRowTallerThanAPageIsCutThoughItShouldNotBe() {
    Look whole = Look.of(TableTraits.ROW_SPLITS, false);
    var t =
        new Table(
            NodeId.fresh(),
            Look.PLAIN,
            List.of(300.0, 100.0),
            List.of(
                new Table.Row(
                    whole,
                    List.of(
                        cell(Look.PLAIN, Samples.paragraph(Samples.PROSE.repeat(80))),
                        cell(
                            Look.of(TableTraits.VERTICAL_ALIGNMENT, VerticalAlignment.CENTRE),
                            Samples.paragraph("label"))))));
    for (Page p : Samples.layout(Samples.document(t)).pages()) {
      assertThat(Places.lines(p))
          .isNotEmpty()
          .allMatch(x -> x.bottom() < p.setup().height() - p.setup().margins().bottom() + 1);
    }
  }

  @Test
  void aDocumentsOwnFontServesItAndNoOther() {
    byte[] mono = FontBook.shipped().serve("Courier New", false, false).face().bytes();
    var font = new EmbeddedFont("Quayside", false, false, Media.of("font/ttf", mono));
    Look look = Look.of(TextTraits.FAMILY, "Quayside");
    Document plain = Samples.document(Samples.runs("iiii", look));
    Document own =
        plain.withStyles(
            plain.styles().withTypesetting(Typesetting.PLAIN.withFonts(List.of(font))));
    var layouter = new Layouter(FontBook.shipped());
    double before = width(layouter.layout(plain));
    double with = width(layouter.layout(own));
    double after = width(layouter.layout(plain));
    assertThat(with).as("a fixed pitch: four times 0.6 em").isCloseTo(4 * 0.6 * 11, offset(0.1));
    assertThat(before).isLessThan(with).isEqualTo(after);
  }

  private static double width(Layout l) {
    return Places.lines(l.pages().getFirst()).getFirst().line().items().getFirst().width();
  }

  @Test
  void textKeepsToTheGridOfItsSection() {
    PageSetup a4 = PageSetup.A4;
    var gridded =
        new PageSetup(
            a4.width(),
            a4.height(),
            a4.margins(),
            a4.columns(),
            a4.numbers(),
            a4.borders(),
            a4.background(),
            a4.alignment(),
            18);
    Document d =
        new Rich()
            .section(
                gridded,
                decant.model.Section.Start.NEW_PAGE,
                Samples.paragraph(Samples.PROSE.repeat(3)))
            .document();
    assertThat(lines(d)).allMatch(l -> Math.abs(l.line().height() - 18) < 0.01);
  }
}
