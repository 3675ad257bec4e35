package decant.compare;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Format;
import decant.format.Formats;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Section.Running;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.Extent;
import decant.model.look.Insets;
import decant.model.look.ListDefinition;
import decant.model.look.ListDefinition.Level;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.reading.ReadRequest;
import decant.verify.Check;
import decant.work.Deadline;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Copies in other formats say and look the same, each page of them. */
class CopiesTest {
  @TempDir Path folder;

  private Path saved(Document d, String name) throws Exception {
    Path file = folder.resolve(name);
    Format format = Formats.byExtension(name).orElseThrow();
    try (OutputStream out = Files.newOutputStream(file)) {
      Formats.writer(format).write(d, out);
    }
    assertThat(Formats.recognise(file)).isEqualTo(format);
    assertThat(Formats.verifier(format).verify(file, d)).allMatch(Check::passed);
    return file;
  }

  private void assertLooksAlike(Document d, String format) throws Exception {
    Deadline deadline = Deadline.in(Duration.ofMinutes(1));
    try (TakenApart a = TakenApart.of(ReadRequest.of(saved(d, "source.docx")), deadline);
        TakenApart b = TakenApart.of(ReadRequest.of(saved(d, "copy." + format)), deadline)) {
      assertThat(a.edition().pieces()).isNotEmpty();
      assertThat(Comparison.of(EditionReader.of(d, Samples.layout(d)), a.edition())).isEmpty();
      assertThat(Comparison.of(a, b)).isEmpty();
    }
  }

  private static Paragraph item(String list, int depth, String text) {
    return Paragraph.of(Look.of(ParagraphTraits.LIST, new ListMembership(list, depth)), text);
  }

  private static Look indents(double start, double first) {
    return Look.of(ParagraphTraits.INDENT_START, start).with(ParagraphTraits.FIRST_LINE, first);
  }

  private static Level level(NumberFormat format, String pattern, int start, double in) {
    return new Level(format, pattern, start, indents(in, -18), Look.PLAIN);
  }

  private static List<Level> levels() {
    return List.of(
        level(NumberFormat.DECIMAL, "%1)", 1, 18),
        level(NumberFormat.LOWER_LETTER, "%2)", 1, 36),
        level(NumberFormat.LOWER_ROMAN, "%3)", 1, 54));
  }

  /** A list goes on after a table at its third level, and begins that level anew further down. */
  @ParameterizedTest
  @ValueSource(strings = {"odt", "rtf", "doc"})
  void listsThatAreInterruptedGoOnAndBeginAnewAsTheyDid(String format) throws Exception {
    var list = new ListDefinition("l", levels());
    Document d =
        Samples.document(
                item("l", 0, "Berths"),
                item("l", 1, "Lengths"),
                item("l", 2, "Up to eight metres"),
                item("l", 2, "Up to ten metres"),
                table(Look.PLAIN, Look.PLAIN),
                item("l", 2, "Longer"),
                item("l", 0, "Charges"),
                item("l", 2, "By the day"),
                item("l", 2, "By the season"))
            .withLists(Map.of("l", list));
    assertLooksAlike(d, format);
  }

  @ParameterizedTest
  @ValueSource(strings = {"odt", "rtf", "doc"})
  void aListThatCountsOnInAnotherMannerDoes(String format) throws Exception {
    var list = new ListDefinition("l", levels());
    List<Level> other = new ArrayList<>(levels());
    other.set(0, level(NumberFormat.UPPER_LETTER, "%1.", 1, 18));
    var lettered = new ListDefinition("m", "l", Set.of(), other);
    Document d =
        Samples.document(
                item("l", 0, "Berths"),
                item("l", 0, "Charges"),
                Samples.paragraph("What follows was added last year."),
                item("m", 0, "Keys"))
            .withLists(Map.of("l", list, "m", lettered));
    assertLooksAlike(d, format);
  }

  /** Items say how far they stand in, against their level, and so does a style of items. */
  @ParameterizedTest
  @ValueSource(strings = {"odt", "rtf", "doc"})
  void itemsThatStandElsewhereThanTheirLevelDo(String format) throws Exception {
    var list = new ListDefinition("l", levels());
    var member = new ListMembership("l", 0);
    var style =
        new NamedStyle(
            "Steps",
            "Steps",
            NamedStyle.Kind.PARAGRAPH,
            Optional.empty(),
            indents(40, -20).with(ParagraphTraits.LIST, member),
            Look.PLAIN,
            List.of());
    Document d =
        Document.of(
                Samples.styles().with(style),
                List.of(
                    Paragraph.of(
                        indents(30, 0).with(ParagraphTraits.LIST, member), "Lines are doubled"),
                    Paragraph.of(
                        indents(18, -18).with(ParagraphTraits.LIST, member), "Keys are left"),
                    Paragraph.of(Look.of(ParagraphTraits.STYLE, "Steps"), "The form is signed")))
            .withLists(Map.of("l", list));
    assertLooksAlike(d, format);
  }

  // Paragraphs.

  /** Left to the program, whatever else is said of it; ODT says it in points. */
  @ParameterizedTest
  @ValueSource(strings = {"rtf", "doc"})
  void spaceThatIsLeftToTheProgramIs(String format) throws Exception {
    Look auto =
        Look.of(ParagraphTraits.AUTO_BEFORE, true)
            .with(ParagraphTraits.AUTO_AFTER, true)
            .with(ParagraphTraits.SPACE_BEFORE, ParagraphTraits.AUTO_SPACE)
            .with(ParagraphTraits.SPACE_AFTER, ParagraphTraits.AUTO_SPACE);
    assertLooksAlike(
        Samples.document(Paragraph.of(auto, "Berths."), Paragraph.of(auto, "Charges.")), format);
  }

  @ParameterizedTest
  @ValueSource(strings = {"odt", "rtf", "doc"})
  void linesThatAStyleHasAndOneOfItsParagraphsHasNot(String format) throws Exception {
    Rule line = Rule.single(1, Colour.BLACK);
    var style =
        new NamedStyle(
            "Boxed",
            "Boxed",
            NamedStyle.Kind.PARAGRAPH,
            Optional.empty(),
            Look.of(ParagraphTraits.RULES, Rules.around(line)),
            Look.PLAIN,
            List.of());
    Look boxed = Look.of(ParagraphTraits.STYLE, "Boxed");
    var none = Optional.of(Rule.NONE);
    Look below =
        boxed.with(
            ParagraphTraits.RULES,
            new Rules(none, none, Optional.of(line), none, Optional.empty(), Optional.empty()));
    List<Block> blocks =
        List.of(
            Paragraph.of(boxed, "Notice to all holders."),
            Samples.paragraph("Berths."),
            Paragraph.of(below, "Winter storage."));
    assertLooksAlike(Document.of(Samples.styles().with(style), blocks), format);
  }

  /** What follows a break at the end of a paragraph begins the page, without an empty line. */
  @ParameterizedTest
  @ValueSource(strings = {"odt", "rtf", "doc"})
  void whatComesAfterABreakBeginsThePage(String format) throws Exception {
    assertLooksAlike(
        Samples.document(
            Samples.paragraph("Berths."),
            Samples.paragraph("\f"),
            Samples.paragraph("Charges.\f"),
            Samples.paragraph("Keys.\fForms."),
            Samples.paragraph("The end.")),
        format);
  }

  @ParameterizedTest
  @ValueSource(strings = {"odt", "rtf", "doc"})
  void textThatIsKernedIs(String format) throws Exception {
    Look kerned = Look.of(TextTraits.KERNING, 8.0).with(TextTraits.SIZE, 20.0);
    Look not = Look.of(TextTraits.KERNING, Double.POSITIVE_INFINITY).with(TextTraits.SIZE, 20.0);
    assertLooksAlike(
        Samples.document(
            Samples.runs("AVATAR WAVE Toy To Ta VA AVATAR WAVE Toy To Ta VA", kerned),
            Samples.runs("AVATAR WAVE Toy To Ta VA AVATAR WAVE Toy To Ta VA", not)),
        format);
  }

  // Headers.

  private static Story running(Inline... inlines) {
    return new Story(
        NodeId.fresh(), Story.Kind.RUNNING, List.of(Samples.inlines(inlines)), Optional.empty());
  }

  private static Document headed(Map<Running, Story> running) {
    var blocks = new ArrayList<Block>();
    for (int k = 0; k < 60; k++) {
      blocks.add(Samples.paragraph("Berth " + k + " is let for one season."));
    }
    Document d = Document.of(Samples.styles(), blocks);
    Section s = d.sections().getFirst();
    return d.withSections(
        List.of(
            s.withRunning(running)
                .withPage(s.page().withMargins(new PageSetup.Margins(60, 70, 60, 70, 30, 36)))));
  }

  @ParameterizedTest
  @ValueSource(strings = {"odt", "rtf", "doc"})
  void numbersOfPagesLookAsTheyDid(String format) throws Exception {
    Look large = Look.of(TextTraits.SIZE, 16.0).with(TextTraits.BOLD, true);
    Look small = Look.of(TextTraits.SIZE, 8.0);
    assertLooksAlike(
        headed(
            Map.of(
                Running.FOOTER,
                running(
                    new Inline.Text("Page ", small),
                    new Inline.Field(Inline.Field.Kind.PAGE, "", "1", large)))),
        format);
  }

  /** The text of pages begins where it did, whichever of them have headers, and however high. */
  @ParameterizedTest
  @ValueSource(strings = {"odt", "rtf", "doc"})
  void textBeginsBelowHeadersOfTheFirstPageAlone(String format) throws Exception {
    Look large = Look.of(TextTraits.SIZE, 28.0);
    assertLooksAlike(
        headed(Map.of(Running.HEADER_FIRST, running(new Inline.Text("Office", Look.PLAIN)))),
        format);
    assertLooksAlike(
        headed(
            Map.of(
                Running.HEADER,
                running(new Inline.Text("Harbour office", large)),
                Running.HEADER_FIRST,
                running(new Inline.Text("Office", Look.PLAIN)))),
        format);
  }

  // Tables.

  private static Table table(Look whole, Look cells) {
    var rows = new ArrayList<Table.Row>();
    for (int r = 0; r < 3; r++) {
      var row = new ArrayList<Cell>();
      for (int c = 0; c < 3; c++) {
        row.add(
            new Cell(
                NodeId.fresh(), 1, 1, cells, List.of(Samples.paragraph("Berth " + (3 * r + c)))));
      }
      rows.add(new Table.Row(Look.PLAIN, row));
    }
    Look lines = Look.of(TableTraits.RULES, Rules.all(Rule.single(0.5, Colour.BLACK)));
    return new Table(NodeId.fresh(), whole.over(lines), List.of(90.0, 90.0, 90.0), rows);
  }

  @ParameterizedTest
  @ValueSource(strings = {"odt", "rtf", "doc"})
  void cellsHaveTheRoomAroundTheirTextThatTheyHad(String format) throws Exception {
    Look padded = Look.of(TableTraits.CELL_PADDING, new Insets(8, 3, 2, 12));
    assertLooksAlike(Samples.document(table(Look.PLAIN, padded)), format);
  }

  /** Tables stand where they stood: with their text at the margin, or with their edge. */
  @ParameterizedTest
  @ValueSource(strings = {"odt", "rtf", "doc"})
  void tablesStandWhereTheyStood(String format) throws Exception {
    Document d =
        Samples.document(
            Samples.paragraph("Charges:"),
            table(Look.PLAIN, Look.PLAIN),
            Samples.paragraph("And by the month:"),
            table(Look.of(TableTraits.INDENT, 40.0), Look.PLAIN));
    assertLooksAlike(d, format);
  }

  /** Columns that ask for more than there is room for give way alike. */
  @ParameterizedTest
  @ValueSource(strings = {"odt", "rtf", "doc"})
  void columnsAreAsWideAsTheirCellsAsk(String format) throws Exception {
    for (double wide : new double[] {60, 120}) {
      Look asked = Look.of(TableTraits.WIDTH, new Extent.Points(wide));
      assertLooksAlike(Samples.document(table(Look.PLAIN, asked)), format);
    }
  }

  /** A picture with one dark side, so that it shows which way it is turned. */
  private static Media picture() throws java.io.IOException {
    var image = new java.awt.image.BufferedImage(40, 20, java.awt.image.BufferedImage.TYPE_INT_RGB);
    for (int x = 0; x < 40; x++) {
      for (int y = 0; y < 20; y++) {
        image.setRGB(x, y, x < 12 ? 0x203040 : 0xE0D0A0);
      }
    }
    var out = new java.io.ByteArrayOutputStream();
    javax.imageio.ImageIO.write(image, "png", out);
    return Media.of("image/png", out.toByteArray());
  }

  @ParameterizedTest
  @CsvSource({
    "odt, 90",
    "rtf, 90",
    "doc, 90",
    "odt, 270",
    "rtf, 270",
    "doc, 270",
    "rtf, 30",
    "doc, 30"
  })
  void picturesAreTurnedAsTheyWere(String format, double degrees) throws Exception {
    Media m = picture();
    var shown =
        new Inline.Picture(
            m.id(),
            80,
            40,
            "the quay",
            Placement.INLINE,
            Insets.NONE,
            degrees,
            Optional.empty(),
            Look.PLAIN);
    Document d = Samples.document(m, Samples.paragraph("x").withInlines(List.of(shown)));
    assertLooksAlike(d, format);
    assertThat(Samples.taken(folder.resolve("copy." + format)).document().paragraphs())
        .flatExtracting(Paragraph::inlines)
        .filteredOn(i -> i instanceof Inline.Picture)
        .first()
        .extracting(i -> Math.round(((Inline.Picture) i).rotation()))
        .isEqualTo(Math.round(degrees));
  }

  private static List<Double> indents(Document d, Paragraph p) {
    Look in = d.styles().paragraphLook(p.look());
    return List.of(in.value(ParagraphTraits.INDENT_START), in.value(ParagraphTraits.INDENT_END));
  }

  /** One side alone is set in, where the other is as the style has it. */
  @ParameterizedTest
  @ValueSource(strings = {"odt", "rtf", "doc"})
  void paragraphsThatRunFromTheRightAreSetInWhereTheyWere(String format) throws Exception {
    var style =
        new NamedStyle(
            "Right",
            "Right",
            NamedStyle.Kind.PARAGRAPH,
            Optional.empty(),
            Look.of(ParagraphTraits.DIRECTION, ParagraphTraits.Direction.RIGHT_TO_LEFT),
            Look.PLAIN,
            List.of());
    Look rtl = Look.of(ParagraphTraits.STYLE, "Right");
    Document d =
        Samples.document(
            Paragraph.of(rtl.with(ParagraphTraits.INDENT_START, 18.0), "x and y"),
            Paragraph.of(rtl.with(ParagraphTraits.INDENT_END, 30.0), "y and z"),
            Paragraph.of(rtl, "z"));
    assertLooksAlike(d.withStyles(d.styles().with(style)), format);
    Document back = Samples.taken(folder.resolve("copy." + format)).document();
    assertThat(back.paragraphs().stream().map(p -> indents(back, p)))
        .containsExactly(List.of(18.0, 0.0), List.of(0.0, 30.0), List.of(0.0, 0.0));
  }
}
