package decant.office.doc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.Samples;
import decant.format.Formats;
import decant.layout.Layouter;
import decant.layout.Rich;
import decant.model.Cell;
import decant.model.Columns;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Section.Running;
import decant.model.Story;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.model.look.Colour;
import decant.model.look.Comment;
import decant.model.look.Insets;
import decant.model.look.LinePitch;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TableTraits;
import decant.model.look.TextFrame;
import decant.model.look.TextTraits;
import decant.model.look.VerticalAlignment;
import decant.office.Everything;
import decant.office.doc.write.DocWriter;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.text.FontBook;
import decant.verify.office.DocVerifier;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.extractor.WordExtractor;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * DOC as it is written: by the specification to the last byte, complete, and the same document when
 * it is taken in again.
 */
class DocWriterTest {
  @TempDir Path folder;

  private Path written(String name, Document d) throws IOException {
    Path file = folder.resolve(name + ".doc");
    try (OutputStream out = Files.newOutputStream(file)) {
      DocWriter.write(d, out);
    }
    return file;
  }

  private static TakenIn taken(Path file) throws Exception {
    return Formats.reader(Formats.recognise(file)).orElseThrow().read(ReadRequest.of(file));
  }

  private Document again(Document d) throws Exception {
    Path file = written("again", d);
    assertThat(DocChecker.check(file)).isEmpty();
    assertThat(failed(file, d)).isEmpty();
    return taken(file).document();
  }

  private static List<String> failed(Path file, Document d) {
    return DocVerifier.verify(file, d).stream()
        .filter(c -> !c.passed())
        .map(c -> c.name() + ": " + c.detail())
        .toList();
  }

  private static List<Document> all() throws Exception {
    return List.of(
        Samples.demo("Winter storage notice.docx").document(),
        Everything.document(),
        Rich.varied(7, 60),
        Rich.varied(11, 200),
        Samples.document(Paragraph.of(Look.PLAIN, "")),
        Samples.document(Samples.table(new String[] {"A table", "alone"})));
  }

  @Test
  void everyTableAndEveryOffsetIsAsTheSpecificationSays() throws Exception {
    for (Document d : all()) {
      assertThat(DocChecker.check(written("a", d))).isEmpty();
    }
  }

  @Test
  void whatIsWrittenIsVerifiedAndComesInAgainAsItWas() throws Exception {
    for (Document d : all()) {
      Path file = written("a", d);
      assertThat(failed(file, d)).isEmpty();
      Document in = taken(file).document();
      assertThat(failed(file, in)).as("taken in").isEmpty();
      assertThat(pages(in)).isEqualTo(pages(d));
    }
  }

  private static int pages(Document d) {
    return new Layouter(FontBook.shipped()).layout(d).pages().size();
  }

  /** A library of other makers finds the words (Apache POI's own way to them). */
  @Test
  void anotherReaderFindsTheText() throws Exception {
    Path file = written("a", Everything.document());
    try (var packed = new POIFSFileSystem(file.toFile(), true);
        var doc = new HWPFDocument(packed);
        var words = new WordExtractor(doc)) {
      assertThat(words.getText()).contains("Mooring charges", "two spaces,\ta tab", "Berth\t12.50");
      assertThat(words.getMainTextboxText()).anyMatch(s -> s.contains("In a box"));
      assertThat(words.getEndnoteText()).anyMatch(s -> s.contains("A note at the end."));
      assertThat(words.getFootnoteText()).anyMatch(s -> s.contains("A note at the foot."));
      assertThat(words.getCommentsText()).anyMatch(s -> s.contains("Still so?"));
      assertThat(words.getSummaryInformation().getApplicationName()).isEqualTo("Decant");
    }
  }

  /**
   * The checker by which the files above are judged finds what is wrong.
   *
   * @param table of the head, by its number in [MS-DOC] 2.5.6; -1 for the stream of the text
   */
  @ParameterizedTest
  @CsvSource({
    "-1, 0, 2, wIdent",
    "-1, 62, 2, cslw",
    "-1, 152, 2, cbRgFcLcb",
    "-1, 76, 4, characters instead of",
    "1, 2, 2, styles",
    "1, 22, 2, styles",
    "15, 0, 2, fonts",
    "73, 0, 2, lists in",
    "74, 4, 4, is of no list",
    "12, 0, 4, a page begins",
    "13, 4, 4, a page ends",
    "6, 4, 4, section",
    "2, 0, 4, footnote",
    "3, 4, 4, footnote",
    "47, 4, 4, endnote",
    "11, 20, 4, headers",
    "4, 28, 2, by nobody",
    "16, 0, 4, field",
    "22, 8, 2, end",
    "33, 5, 4, the first piece",
    "50, 4, 4, drawings",
    "40, 0, 4, a drawing stands",
    "56, 26, 2, shape"
  })
  void theCheckerSeesWhatIsWrong(int table, int at, int bytes, String said) throws Exception {
    Path file = written("wrong", Everything.document());
    try (var packed = new POIFSFileSystem(file.toFile(), false)) {
      byte[] text;
      try (var in = packed.createDocumentInputStream("WordDocument")) {
        text = in.readAllBytes();
      }
      String name = table < 0 ? "WordDocument" : "1Table";
      byte[] stream;
      try (var in = packed.createDocumentInputStream(name)) {
        stream = in.readAllBytes();
      }
      int place = at + (table < 0 ? 0 : DocBytes.i32(text, 154 + 8 * table));
      for (int k = 0; k < bytes; k++) {
        stream[place + k] ^= (byte) (k == 0 ? 0x15 : 0);
      }
      packed.createOrUpdateDocument(new java.io.ByteArrayInputStream(stream), name);
      packed.writeFilesystem();
    }
    assertThat(DocChecker.check(file)).anyMatch(w -> w.contains(said));
  }

  @Test
  void looksOfParagraphs() throws Exception {
    Look look =
        Look.of(ParagraphTraits.ALIGNMENT, ParagraphTraits.Alignment.JUSTIFIED)
            .with(ParagraphTraits.INDENT_START, 36.0)
            .with(ParagraphTraits.INDENT_END, 12.5)
            .with(ParagraphTraits.FIRST_LINE, -18.0)
            .with(ParagraphTraits.SPACE_BEFORE, 6.0)
            .with(ParagraphTraits.SPACE_AFTER, 9.5)
            .with(ParagraphTraits.LINE_PITCH, new LinePitch.Exactly(15))
            .with(ParagraphTraits.KEEP_WITH_NEXT, true)
            .with(ParagraphTraits.KEEP_TOGETHER, true)
            .with(ParagraphTraits.WIDOW_CONTROL, false)
            .with(ParagraphTraits.HYPHENATION, false)
            .with(ParagraphTraits.SHADING, new Colour(0xEEF3F5))
            .with(
                ParagraphTraits.TABS,
                List.of(
                    new TabStop(100, TabStop.Kind.DECIMAL, TabStop.Leader.NONE),
                    new TabStop(200, TabStop.Kind.RIGHT, TabStop.Leader.DOT)));
    Paragraph p =
        again(Samples.document(Paragraph.of(look, "Berth rules"))).paragraphs().getFirst();
    Look in = p.look();
    for (var trait :
        List.of(
            ParagraphTraits.ALIGNMENT,
            ParagraphTraits.INDENT_START,
            ParagraphTraits.INDENT_END,
            ParagraphTraits.FIRST_LINE,
            ParagraphTraits.SPACE_BEFORE,
            ParagraphTraits.SPACE_AFTER,
            ParagraphTraits.LINE_PITCH,
            ParagraphTraits.KEEP_WITH_NEXT,
            ParagraphTraits.KEEP_TOGETHER,
            ParagraphTraits.WIDOW_CONTROL,
            ParagraphTraits.HYPHENATION,
            ParagraphTraits.SHADING,
            ParagraphTraits.TABS)) {
      assertThat(in.value(trait)).as(trait.toString()).isEqualTo(look.value(trait));
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"Multiple", "AtLeast", "Exactly"})
  void pitchesOfLines(String kind) throws Exception {
    LinePitch pitch =
        switch (kind) {
          case "Multiple" -> new LinePitch.Multiple(1.5);
          case "AtLeast" -> new LinePitch.AtLeast(18);
          default -> new LinePitch.Exactly(18);
        };
    Look look = Look.of(ParagraphTraits.LINE_PITCH, pitch);
    Document d = again(Samples.document(Paragraph.of(look, "Tides")));
    Look in = d.styles().paragraphLook(d.paragraphs().getFirst().look());
    assertThat(in.value(ParagraphTraits.LINE_PITCH)).isEqualTo(pitch);
  }

  @Test
  void bordersOfParagraphs() throws Exception {
    Rules rules =
        new Rules(
            Optional.of(new Rule(Rule.Kind.DOUBLE, 0.5, Colour.BLACK, 3)),
            Optional.of(new Rule(Rule.Kind.DOTTED, 1, new Colour(0xFF0000), 1)),
            Optional.of(new Rule(Rule.Kind.DASHED, 2.25, new Colour(0x0000FF), 0)),
            Optional.of(new Rule(Rule.Kind.SINGLE, 6, new Colour(0x008000), 31)),
            Optional.empty(),
            Optional.empty());
    Document d =
        again(Samples.document(Paragraph.of(Look.of(ParagraphTraits.RULES, rules), "Framed")));
    assertThat(d.paragraphs().getFirst().look().value(ParagraphTraits.RULES)).isEqualTo(rules);
  }

  @Test
  void textFromRightToLeftAndItsIndents() throws Exception {
    Look look =
        Look.of(ParagraphTraits.DIRECTION, ParagraphTraits.Direction.RIGHT_TO_LEFT)
            .with(ParagraphTraits.INDENT_START, 30.0);
    Document d = again(Samples.document(Paragraph.of(look, "رسوم الميناء 12 north")));
    Paragraph p = d.paragraphs().getFirst();
    assertThat(p.text()).isEqualTo("رسوم الميناء 12 north");
    assertThat(p.look().value(ParagraphTraits.DIRECTION))
        .isEqualTo(ParagraphTraits.Direction.RIGHT_TO_LEFT);
    assertThat(p.look().value(ParagraphTraits.INDENT_START)).isEqualTo(30);
    assertThat(p.look().value(ParagraphTraits.ALIGNMENT))
        .isEqualTo(ParagraphTraits.Alignment.START);
  }

  @Test
  void looksOfText() throws Exception {
    Look look =
        Look.of(TextTraits.UNDERLINE, true)
            .with(TextTraits.UNDERLINE_KIND, TextTraits.UnderlineKind.WAVE)
            .with(TextTraits.HIGHLIGHT, new Colour(0xFFF4C2))
            .with(TextTraits.SHIFT, -2.5)
            .with(TextTraits.LETTER_SPACING, 1.5)
            .with(TextTraits.SMALL_CAPS, true)
            .with(TextTraits.DOUBLE_STRIKE, true)
            .with(TextTraits.LANGUAGE, "de-AT")
            .with(TextTraits.COLOUR, new Colour(0x1E7A3C));
    Document d = again(Samples.document(Samples.runs("plain ", Look.PLAIN, "odd", look)));
    Look in = d.paragraphs().getFirst().inlines().get(1).look();
    for (var trait :
        List.of(
            TextTraits.UNDERLINE,
            TextTraits.UNDERLINE_KIND,
            TextTraits.HIGHLIGHT,
            TextTraits.SHIFT,
            TextTraits.LETTER_SPACING,
            TextTraits.SMALL_CAPS,
            TextTraits.DOUBLE_STRIKE,
            TextTraits.LANGUAGE,
            TextTraits.COLOUR)) {
      assertThat(in.value(trait)).as(trait.toString()).isEqualTo(look.value(trait));
    }
  }

  /** Signs that have marks of their own in the format ([MS-DOC] 2.4.1). */
  @Test
  void signsWithinText() throws Exception {
    String text = "a\tb\nc\u2011d\u00ADe\u00A0f \uD83D\uDEA2 “g” before\fafter";
    Document d = again(Samples.document(Samples.paragraph(text)));
    assertThat(d.paragraphs()).extracting(Paragraph::text).containsExactly(text);
  }

  /**
   * A page break that ends a paragraph: its mark would stand on the next page, so the next
   * paragraph begins one instead. One within a paragraph stays there.
   */
  @Test
  void pageBreaksLeaveNoEmptyLineBehind() throws Exception {
    Document d =
        again(
            Samples.document(
                Samples.paragraph("One\f"),
                Samples.paragraph("Two\fThree"),
                Samples.paragraph("\f")));
    assertThat(d.paragraphs())
        .extracting(Paragraph::text)
        .containsExactly("One", "Two\fThree", "\f", "");
    assertThat(d.paragraphs().get(1).look().value(ParagraphTraits.PAGE_BREAK_BEFORE)).isTrue();
    assertThat(pages(d)).isEqualTo(4);
  }

  @Test
  void aHeadingThatBeginsAPageIsAHeading() throws Exception {
    Paragraph h =
        Samples.heading(1, "x").withInlines(List.of(new Inline.Text("\fTides", Look.PLAIN)));
    Document d =
        again(Samples.document(Samples.paragraph("Before"), h, Samples.paragraph("After")));
    assertThat(d.headingLevel(d.paragraphs().get(1))).isEqualTo(1);
    assertThat(d.headingLevel(d.paragraphs().get(2))).isZero();
  }

  /** A row has 63 cells at most ([MS-DOC] 2.9.321): what stands in the others is not lost. */
  @Test
  void aTableWithMoreCellsThanARowHas() throws Exception {
    String[] names = IntStream.range(0, 80).mapToObj(k -> "cell" + k).toArray(String[]::new);
    Path file = written("wide", Samples.document(Samples.table(names), Samples.paragraph("End")));
    assertThat(DocChecker.check(file)).isEmpty();
    Document in = taken(file).document();
    Table t = (Table) in.sections().getFirst().blocks().getFirst();
    assertThat(t.rows().getFirst().cells()).hasSize(63);
    assertThat(in.paragraphs()).extracting(Paragraph::text).contains(names);
    assertThat(failed(file, Samples.document(Samples.table(names), Samples.paragraph("End"))))
        .anyMatch(c -> c.startsWith("Tables"));
  }

  @Test
  void tablesWithMergedCellsShadesAndTablesInThem() throws Exception {
    Rule thick = Rule.single(1.5, new Colour(0xFF0000));
    Look shaded =
        Look.of(TableTraits.SHADING, new Colour(0xDDEEFF))
            .with(TableTraits.VERTICAL_ALIGNMENT, VerticalAlignment.BOTTOM)
            .with(TableTraits.RULES, Rules.around(thick));
    Cell high = new Cell(NodeId.fresh(), 1, 2, shaded, List.of(Samples.paragraph("Berth")));
    Cell wide = new Cell(NodeId.fresh(), 2, 1, Look.PLAIN, List.of(Samples.paragraph("Charges")));
    Cell inner =
        new Cell(
            NodeId.fresh(),
            1,
            1,
            Look.PLAIN,
            List.of(
                Samples.table(new String[] {"day", "4.50"}, new String[] {"week", "20.00"}),
                Samples.paragraph("per metre")));
    Cell last = new Cell(NodeId.fresh(), 1, 1, Look.PLAIN, List.of(Samples.paragraph("Depth")));
    Look head =
        Look.of(TableTraits.HEADER_ROW, true)
            .with(TableTraits.ROW_HEIGHT, 30.0)
            .with(TableTraits.ROW_SPLITS, false);
    Table t =
        new Table(
            NodeId.fresh(),
            Look.of(TableTraits.FIXED_COLUMNS, true),
            List.of(80.0, 120.0, 100.0),
            List.of(
                new Table.Row(head, List.of(high, wide)),
                new Table.Row(Look.PLAIN, List.of(inner, last))));
    Document d = again(Samples.document(t, Samples.paragraph("End")));
    Table in = (Table) d.sections().getFirst().blocks().getFirst();
    assertThat(in.columns()).containsExactly(80.0, 120.0, 100.0);
    assertThat(in.rows().getFirst().look().value(TableTraits.HEADER_ROW)).isTrue();
    assertThat(in.rows().getFirst().look().value(TableTraits.ROW_HEIGHT)).isEqualTo(30);
    assertThat(in.rows().getFirst().look().value(TableTraits.ROW_SPLITS)).isFalse();
    Cell first = in.rows().getFirst().cells().getFirst();
    assertThat(first.rowSpan()).isEqualTo(2);
    assertThat(first.look().value(TableTraits.SHADING)).isEqualTo(new Colour(0xDDEEFF));
    assertThat(first.look().value(TableTraits.VERTICAL_ALIGNMENT))
        .isEqualTo(VerticalAlignment.BOTTOM);
    assertThat(first.look().value(TableTraits.RULES).top().map(Rule::colour))
        .contains(new Colour(0xFF0000));
    assertThat(in.rows().getFirst().cells().get(1).columnSpan()).isEqualTo(2);
    assertThat(in.rows().get(1).cells().getFirst().blocks().getFirst()).isInstanceOf(Table.class);
  }

  /** Properties of a row that a page cannot hold stand elsewhere (sprmPHugePapx, §2.6.2). */
  @Test
  void rowsWithMoreToSayThanAPageHolds() throws Exception {
    String[] names = IntStream.range(0, 60).mapToObj(k -> "c" + k).toArray(String[]::new);
    Document d = again(Samples.document(Samples.table(names, names), Samples.paragraph("End")));
    Table t = (Table) d.sections().getFirst().blocks().getFirst();
    assertThat(t.rows()).hasSize(2).allMatch(r -> r.cells().size() == 60);
  }

  /** What HWPF does not know of paragraphs ([MS-DOC] 2.6.2), from styles and by themselves. */
  @Test
  void spacingBetweenItsLikesAndFrames() throws Exception {
    var frame =
        new TextFrame(
            120,
            40,
            true,
            new Placement.Floating(
                new Placement.Axis(Placement.Origin.PAGE, Placement.Align.OFFSET, 72),
                new Placement.Axis(Placement.Origin.MARGIN, Placement.Align.END, 0),
                Placement.Wrap.AROUND,
                new Insets(3, 6, 3, 6),
                false));
    Look look =
        Look.of(ParagraphTraits.CONTEXTUAL_SPACING, true)
            .with(ParagraphTraits.AUTO_BEFORE, true)
            .with(ParagraphTraits.SNAP_TO_GRID, false)
            .with(ParagraphTraits.FRAME, frame);
    Document d =
        again(
            Samples.document(
                Paragraph.of(look, "In a frame"),
                Paragraph.of(
                    Look.of(
                        ParagraphTraits.FRAME,
                        new TextFrame(
                            90,
                            0,
                            false,
                            new Placement.Floating(
                                new Placement.Axis(
                                    Placement.Origin.COLUMN, Placement.Align.CENTRE, 0),
                                new Placement.Axis(
                                    Placement.Origin.PARAGRAPH, Placement.Align.OFFSET, -4),
                                Placement.Wrap.ABOVE_AND_BELOW,
                                Insets.NONE,
                                false))),
                    "Another"),
                Samples.paragraph("In the flow")));
    Look in = d.styles().paragraphLook(d.paragraphs().getFirst().look());
    for (var trait :
        List.of(
            ParagraphTraits.CONTEXTUAL_SPACING,
            ParagraphTraits.AUTO_BEFORE,
            ParagraphTraits.SNAP_TO_GRID,
            ParagraphTraits.FRAME)) {
      assertThat(in.value(trait)).as(trait.toString()).isEqualTo(look.value(trait));
    }
    var second =
        (Placement.Floating) d.paragraphs().get(1).look().value(ParagraphTraits.FRAME).placement();
    assertThat(second.across().align()).isEqualTo(Placement.Align.CENTRE);
    assertThat(second.down().offset()).isEqualTo(-4);
    assertThat(second.wrap()).isEqualTo(Placement.Wrap.ABOVE_AND_BELOW);
    assertThat(d.paragraphs().get(2).look().value(ParagraphTraits.FRAME)).isEqualTo(TextFrame.NONE);
  }

  @Test
  void tablesBesideTheFlowAndTheRoomInTheirCells() throws Exception {
    var beside =
        new Placement.Floating(
            new Placement.Axis(Placement.Origin.MARGIN, Placement.Align.END, 0),
            new Placement.Axis(Placement.Origin.PARAGRAPH, Placement.Align.OFFSET, 12),
            Placement.Wrap.AROUND,
            new Insets(2, 9, 4, 9),
            false);
    Look look =
        Look.of(TableTraits.PLACEMENT, beside)
            .with(TableTraits.CELL_PADDING, new Insets(3, 5.4, 1, 5.4));
    Rule teal = Rule.single(1.5, new Colour(0x117755));
    Cell cell =
        new Cell(
            NodeId.fresh(),
            1,
            1,
            Look.of(TableTraits.RULES, Rules.around(teal)),
            List.of(Samples.paragraph("North")));
    var t =
        new Table(
            NodeId.fresh(), look, List.of(90.0), List.of(new Table.Row(Look.PLAIN, List.of(cell))));
    Document d = again(Samples.document(t, Samples.paragraph("End")));
    Table in = (Table) d.sections().getFirst().blocks().getFirst();
    assertThat(in.look().value(TableTraits.PLACEMENT)).isEqualTo(beside);
    assertThat(in.look().value(TableTraits.CELL_PADDING)).isEqualTo(new Insets(3, 5.4, 1, 5.4));
    Rules rules = in.rows().getFirst().cells().getFirst().look().value(TableTraits.RULES);
    for (var side : List.of(rules.top(), rules.end(), rules.bottom(), rules.start())) {
      assertThat(side).contains(teal);
    }
  }

  @Test
  void commentsKeepWhoMadeThemAndWhatTheyAreAbout() throws Exception {
    var one = new Comment("1", "M. Okafor", "", "Still so?\nAsk the pilots.", false);
    var two = new Comment("2", "", "", "Since when?", false);
    Document d =
        again(
            Samples.document(
                Samples.runs(
                    "Before ",
                    Look.PLAIN,
                    "both of them ",
                    Look.of(TextTraits.COMMENTS, List.of(one, two)),
                    "the first",
                    Look.of(TextTraits.COMMENTS, List.of(one)),
                    " after",
                    Look.PLAIN)));
    Paragraph p = d.paragraphs().getFirst();
    assertThat(about(p, "M. Okafor: Still so?\nAsk the pilots."))
        .isEqualTo("both of them the first");
    assertThat(about(p, ": Since when?")).isEqualTo("both of them ");
  }

  private static String about(Paragraph p, String comment) {
    var b = new StringBuilder();
    for (Inline i : p.inlines()) {
      boolean on =
          i.look().value(TextTraits.COMMENTS).stream()
              .anyMatch(c -> (c.author() + ": " + c.text()).equals(comment));
      if (on && i instanceof Inline.Text t) {
        b.append(t.text());
      }
    }
    return b.toString();
  }

  @Test
  void notesWithSignsOfTheirOwn() throws Exception {
    var rich = new Rich();
    Inline.NoteMark plain = rich.note(Story.Kind.FOOTNOTE, "Counted.");
    Inline.NoteMark star = rich.note(Story.Kind.FOOTNOTE, "Starred.");
    rich.section(
        Rich.a4(Columns.ONE),
        Section.Start.NEW_PAGE,
        Map.of(),
        List.of(Rich.of(Rich.text("Charges"), star, Rich.text(" and tides"), plain)));
    Document d = rich.document();
    var stories = new java.util.LinkedHashMap<>(d.stories());
    stories.computeIfPresent(star.note(), (k, s) -> s.labelled("**"));
    Document in = again(d.withStories(stories));
    assertThat(in.stories().values())
        .extracting(Story::label)
        .containsExactly(Optional.of("**"), Optional.empty());
    assertThat(in.paragraphs().getFirst().inlines()).hasSize(4);
  }

  /** Names of places have 40 characters at most ([MS-DOC] 2.9.284), and links still lead there. */
  @Test
  void longNamesOfPlaces() throws Exception {
    String a = "a-place-with-a-name-that-is-too-long-for-the-format-1";
    String b = "a-place-with-a-name-that-is-too-long-for-the-format-2";
    Document d =
        Samples.document(
            Samples.runs("to b", Look.of(TextTraits.LINK, new Link.Internal(b))),
            Paragraph.of(Look.of(ParagraphTraits.BOOKMARKS, List.of(a)), "A"),
            Paragraph.of(Look.of(ParagraphTraits.BOOKMARKS, List.of(b)), "B"));
    Path file = written("long", d);
    assertThat(DocChecker.check(file)).isEmpty();
    Document in = taken(file).document();
    Link to = in.paragraphs().getFirst().inlines().getFirst().look().value(TextTraits.LINK);
    assertThat(to).isInstanceOf(Link.Internal.class);
    assertThat(in.paragraphs().get(2).look().value(ParagraphTraits.BOOKMARKS))
        .containsExactly(((Link.Internal) to).bookmark());
  }

  private static Story running(String text) {
    return new Story(NodeId.fresh(), Story.Kind.RUNNING, List.of(Samples.paragraph(text)));
  }

  @Test
  void headersOfSectionsThatGoOnAndThatEnd() throws Exception {
    Story all = running("All pages");
    Story even = running("Even pages");
    var rich = new Rich();
    List<Map<Running, Story>> texts =
        List.of(
            Map.of(Running.HEADER, all, Running.HEADER_FIRST, running("First page")),
            Map.of(Running.HEADER, all),
            Map.of(Running.FOOTER, running("A foot")),
            Map.of(Running.HEADER, all, Running.HEADER_EVEN, even));
    for (Map<Running, Story> t : texts) {
      rich.section(
          Rich.a4(Columns.ONE), Section.Start.NEW_PAGE, t, List.of(Samples.paragraph("Text")));
    }
    Document in = again(rich.document());
    assertThat(in.sections()).hasSize(4);
    assertThat(text(in, 0, Running.HEADER_FIRST)).isEqualTo("First page");
    assertThat(text(in, 1, Running.HEADER)).isEqualTo("All pages");
    assertThat(text(in, 1, Running.HEADER_FIRST)).isEmpty();
    assertThat(text(in, 2, Running.HEADER)).isEmpty();
    assertThat(text(in, 2, Running.FOOTER)).isEqualTo("A foot");
    assertThat(text(in, 3, Running.FOOTER)).isEmpty();
    assertThat(text(in, 3, Running.HEADER_EVEN)).isEqualTo("Even pages");
  }

  private static String text(Document d, int section, Running which) {
    Story s = d.sections().get(section).running().get(which);
    return s == null
        ? ""
        : String.join(
            "",
            s.blocks().stream().map(b -> b instanceof Paragraph p ? p.text() : "table").toList());
  }

  @Test
  void boxesEachWithItsOwnWordsWhereTheyStand() throws Exception {
    var rich = new Rich();
    rich.section(
        Rich.a4(Columns.ONE),
        Section.Start.NEW_PAGE,
        Map.of(),
        List.of(
            Rich.of(
                Rich.text("First "),
                rich.box(
                    100, 50, Rich.beside(Placement.Wrap.AROUND, 30, 10), Samples.paragraph("one"))),
            Rich.of(
                Rich.text("Second "),
                rich.box(
                    80,
                    40,
                    Rich.beside(Placement.Wrap.ABOVE_AND_BELOW, 60, 20),
                    Samples.paragraph("two")))));
    Document in = again(rich.document());
    List<Inline.Shape> shapes = new ArrayList<>();
    in.paragraphs()
        .forEach(p ->
            p.inlines()
                .forEach(i -> {
                  if (i instanceof Inline.Shape s) {
                    shapes.add(s);
                  }
                }));
    assertThat(shapes).hasSize(2);
    assertThat(words(in, shapes.get(0))).isEqualTo("one");
    assertThat(words(in, shapes.get(1))).isEqualTo("two");
    assertThat(shapes.get(0).width()).isEqualTo(100);
    var first = (Placement.Floating) shapes.get(0).placement();
    var second = (Placement.Floating) shapes.get(1).placement();
    assertThat(first.across().offset()).isEqualTo(30);
    assertThat(first.down().offset()).isEqualTo(10);
    assertThat(first.wrap()).isInstanceOf(Placement.Wrap.Around.class);
    assertThat(second.wrap()).isEqualTo(Placement.Wrap.ABOVE_AND_BELOW);
  }

  private static String words(Document d, Inline.Shape s) {
    Story story = d.stories().get(s.content().story().orElseThrow());
    return ((Paragraph) story.blocks().getFirst()).text();
  }

  @Test
  void shapesKeepTheirFormColourAndLine() throws Exception {
    var shape =
        new Inline.Shape(
            new Inline.Drawing(
                Inline.Geometry.ELLIPSE,
                Optional.of(new Colour(0xFFCC00)),
                Optional.of(new Rule(Rule.Kind.DASHED, 2, new Colour(0x003366), 0))),
            60,
            40,
            new Inline.BoxText(Optional.empty(), false, Insets.NONE, VerticalAlignment.TOP),
            "",
            Rich.beside(Placement.Wrap.THROUGH, 10, 10),
            30,
            Optional.empty(),
            Look.PLAIN);
    Document in = again(Samples.document(Rich.of(Rich.text("Here: "), shape)));
    Inline.Shape got = (Inline.Shape) in.paragraphs().getFirst().inlines().get(1);
    assertThat(got.drawing()).isEqualTo(shape.drawing());
    assertThat(got.rotation()).isEqualTo(30);
    assertThat(((Placement.Floating) got.placement()).wrap()).isEqualTo(Placement.Wrap.THROUGH);
  }

  @Test
  void picturesCutAndTurned() throws Exception {
    var rich = new Rich();
    var p = (Inline.Picture) rich.picture(80, 60, Placement.INLINE);
    var cut =
        new Inline.Picture(
            p.media(),
            80,
            60,
            "The quay",
            Placement.INLINE,
            new Insets(0.25, 0, 0, 0.125),
            0,
            Optional.empty(),
            Look.PLAIN);
    var beside =
        new Inline.Picture(
            p.media(),
            40,
            30,
            "",
            Rich.beside(Placement.Wrap.AROUND, 5, 5),
            new Insets(0, 0.5, 0, 0),
            90,
            Optional.empty(),
            Look.PLAIN);
    rich.section(
        Rich.a4(Columns.ONE),
        Section.Start.NEW_PAGE,
        Map.of(),
        List.of(Rich.of(cut, Rich.text(" and "), beside)));
    Document in = again(rich.document());
    List<Inline.Picture> got =
        in.paragraphs().getFirst().inlines().stream()
            .filter(Inline.Picture.class::isInstance)
            .map(Inline.Picture.class::cast)
            .toList();
    assertThat(got).hasSize(2);
    assertThat(got.get(0).crop()).isEqualTo(cut.crop());
    assertThat(got.get(0).width()).isCloseTo(80, within(0.05)); // in twentieths of a point
    assertThat(got.get(0).height()).isCloseTo(60, within(0.05));
    assertThat(got.get(0).alt()).isEqualTo("The quay");
    assertThat(got.get(1).crop()).isEqualTo(beside.crop());
    assertThat(got.get(1).rotation()).isEqualTo(90);
  }

  /** What the format has no place for is said in place: a note in a box, a box in a note. */
  @Test
  void whatCannotStandByItselfKeepsItsWords() throws Exception {
    var rich = new Rich();
    Inline box =
        rich.box(
            100,
            50,
            Rich.beside(Placement.Wrap.AROUND, 30, 10),
            Rich.of(Rich.text("In a box"), rich.note(Story.Kind.FOOTNOTE, "Noted in it.")));
    rich.section(Rich.a4(Columns.ONE), Section.Start.NEW_PAGE, Map.of(), List.of(Rich.of(box)));
    Path file = written("box", rich.document());
    assertThat(DocChecker.check(file)).isEmpty();
    Document in = taken(file).document();
    assertThat(in.stories().values())
        .anyMatch(s -> ((Paragraph) s.blocks().getFirst()).text().contains("[Noted in it.]"));
    // And the check says that it is no note any more.
    assertThat(failed(file, rich.document())).isNotEmpty();
  }

  /** Boxes cannot stand in boxes: the inner one stands beside the text around, after the outer. */
  @Test
  void boxesInBoxesAndInNotesStayBoxes() throws Exception {
    var rich = new Rich();
    Inline inner =
        rich.box(
            40, 20, Rich.beside(Placement.Wrap.THROUGH, 1, 1), Samples.paragraph("inner words"));
    Inline outer =
        rich.box(
            100,
            50,
            Rich.beside(Placement.Wrap.AROUND, 30, 10),
            Rich.of(Rich.text("outer words"), inner));
    rich.section(
        Rich.a4(Columns.ONE),
        Section.Start.NEW_PAGE,
        Map.of(),
        List.of(Rich.of(Rich.text("Text "), outer, Rich.text(" goes on"))));
    Document in = again(rich.document());
    assertThat(in.stories()).hasSize(2);
    assertThat(in.paragraphs().getFirst().text()).isEqualTo("Text \uFFFC\uFFFC goes on");
  }

  @Test
  void longTextsFillManyPagesOfProperties() throws Exception {
    var blocks = new ArrayList<Paragraph>();
    for (int k = 0; k < 3000; k++) {
      Look look = Look.of(ParagraphTraits.INDENT_START, (double) (k % 97));
      blocks.add(
          Samples.runs(
                  "Berth " + k + " ",
                  Look.of(TextTraits.SIZE, 8.0 + k % 13),
                  "is free.",
                  Look.of(TextTraits.BOLD, k % 2 == 0))
              .withLook(look));
    }
    Document d = Samples.document(blocks.toArray(new Paragraph[0]));
    Document in = again(d);
    assertThat(in.paragraphs()).hasSize(3000);
    assertThat(in.paragraphs().get(2999).text()).isEqualTo("Berth 2999 is free.");
    assertThat(in.paragraphs().get(95).look().value(ParagraphTraits.INDENT_START)).isEqualTo(95);
  }

  @Test
  void nothingIsFoundMissingInWhatWasWritten() throws Exception {
    TakenIn in = taken(written("a", Everything.document()));
    assertThat(in.findings()).noneMatch(f -> f.severity() == Finding.Severity.LOSS);
    assertThat(Collections.frequency(in.document().lists().keySet(), "l1")).isEqualTo(1);
  }
}
