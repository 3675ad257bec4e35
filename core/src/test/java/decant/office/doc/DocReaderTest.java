package decant.office.doc;

import static decant.office.doc.MadeDoc.run;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.format.Formats;
import decant.layout.label.ListLabels;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.office.doc.MadeDoc.Run;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** DOC files put together byte by byte; properties are named as in [MS-DOC] 2.6. */
class DocReaderTest {
  private static final String A4 = "1FB0 822E 20B0 C641"; // sprmSXaPage, sprmSYaPage

  @TempDir Path folder;

  private TakenIn taken(MadeDoc d) throws Exception {
    Path file = folder.resolve("a.doc");
    d.write(file);
    assertThat(Formats.recognise(file).id()).isEqualTo("doc");
    return Formats.reader(Formats.recognise(file)).orElseThrow().read(ReadRequest.of(file));
  }

  private static List<String> texts(Document d) {
    return d.paragraphs().stream().map(Paragraph::text).toList();
  }

  @Test
  void textInLooksAndStyles() throws Exception {
    Document d =
        taken(
                new MadeDoc()
                    .paragraph(1, "", run("Mooring charges\r"))
                    .paragraph(
                        0,
                        // sprmPJc, sprmPDxaLeft, sprmPDxaLeft1, sprmPDyaLine: exactly 15 points
                        "6124 01 5E84 D002 6084 98FE 1264 D4FE 0000",
                        run("plain "),
                        new Run("bold ", "3508 01"), // sprmCFBold
                        new Run("red ", "422A 06 4F4A 0100"), // sprmCIco, sprmCRgFtc0
                        new Run("blue", "7068 0B5C7A00"), // sprmCCv
                        new Run("low", "482A 02"), // sprmCIss
                        new Run("key", "304A 0200"), // sprmCIstd
                        run("\r"))
                    .section(A4))
            .document();
    assertThat(texts(d)).containsExactly("Mooring charges", "plain bold red bluelowkey");
    Paragraph heading = d.paragraphs().getFirst();
    Look h = d.styles().paragraphLook(heading.look());
    assertThat(h.value(ParagraphTraits.HEADING_LEVEL)).isEqualTo(1);
    assertThat(h.value(ParagraphTraits.SPACE_AFTER)).isEqualTo(6);
    assertThat(h.value(ParagraphTraits.TABS))
        .containsExactly(new TabStop(100, TabStop.Kind.RIGHT, TabStop.Leader.DOT));
    assertThat(d.styles().textBase(heading.look()).value(TextTraits.SIZE)).isEqualTo(16);
    assertThat(heading.look().get(ParagraphTraits.STYLE)).contains("s1");
    assertThat(d.styles().style("s1").orElseThrow().name()).isEqualTo("heading 1");
    Paragraph p = d.paragraphs().get(1);
    Look look = d.styles().paragraphLook(p.look());
    assertThat(look.value(ParagraphTraits.ALIGNMENT)).isEqualTo(ParagraphTraits.Alignment.CENTRE);
    assertThat(look.value(ParagraphTraits.INDENT_START)).isEqualTo(36);
    assertThat(look.value(ParagraphTraits.FIRST_LINE)).isEqualTo(-18);
    assertThat(look.value(ParagraphTraits.LINE_PITCH))
        .isEqualTo(new decant.model.look.LinePitch.Exactly(15));
    List<Look> looks =
        p.inlines().stream()
            .map(i -> d.styles().textLook(d.styles().textBase(p.look()), i.look()))
            .toList();
    assertThat(looks.get(0).value(TextTraits.BOLD)).isFalse();
    assertThat(looks.get(1).value(TextTraits.BOLD)).isTrue();
    assertThat(looks.get(2).value(TextTraits.COLOUR).hex()).isEqualTo("FF0000");
    assertThat(looks.get(2).value(TextTraits.FAMILY)).isEqualTo("Carlito");
    assertThat(looks.get(3).value(TextTraits.COLOUR).hex()).isEqualTo("0B5C7A");
    assertThat(looks.get(4).value(TextTraits.RAISE)).isEqualTo(TextTraits.Raise.SUBSCRIPT);
    assertThat(looks.get(5).value(TextTraits.ITALIC)).isTrue();
  }

  @Test
  void charactersThatStandForThings() throws Exception {
    Document d =
        taken(
                new MadeDoc()
                    .paragraph(
                        0,
                        "",
                        run("a\tb\u000Bc\u001Ed\u001Fe"),
                        new Run("\u0013", "5508 01"),
                        run(" HYPERLINK \"https://quay.example/tides\" \\o \"Tides\" "),
                        new Run("\u0014", "5508 01"),
                        run("tides"),
                        new Run("\u0015", "5508 01"),
                        new Run("\u0013", "5508 01"),
                        run(" PAGE "),
                        new Run("\u0014", "5508 01"),
                        run("7"),
                        new Run("\u0015", "5508 01"),
                        run("\r"))
                    .section(A4))
            .document();
    List<Inline> all = d.paragraphs().getFirst().inlines();
    assertThat(((Inline.Text) all.getFirst()).text()).isEqualTo("a\tb\nc\u2011d\u00ADe");
    assertThat(((Inline.Text) all.get(1)).text()).isEqualTo("tides");
    assertThat(all.get(1).look().value(TextTraits.LINK))
        .isEqualTo(new Link.External("https://quay.example/tides"));
    assertThat(all.get(2)).isInstanceOf(Inline.Field.class);
    assertThat(((Inline.Field) all.get(2)).shown()).isEqualTo("7");
  }

  /** 2.8.25: a field has an end; one without would take in all that follows. */
  @Test
  void aFieldWithoutAnEndHidesNoText() throws Exception {
    Document d =
        taken(
                new MadeDoc()
                    .paragraph(
                        0,
                        "",
                        new Run("\u0013", "5508 01"),
                        run(" REF a "),
                        new Run("\u0013", "5508 01"),
                        run(" PAGE "),
                        new Run("\u0014", "5508 01"),
                        run("7"),
                        new Run("\u0015", "5508 01"),
                        run("\r"))
                    .paragraph(0, "", run("Berth 14\r"))
                    .section(A4))
            .document();
    assertThat(texts(d).getLast()).isEqualTo("Berth 14");
    assertThat(d.paragraphs().getFirst().inlines().getLast()).isInstanceOf(Inline.Field.class);
  }

  /** 2.8.25: a field may have no result; then it shows what it draws, or what it would count. */
  @Test
  void fieldsWithoutAResultShowWhatTheyDraw() throws Exception {
    String special = "5508 01";
    var t =
        taken(
            new MadeDoc()
                .paragraph(
                    0,
                    "",
                    run("a "),
                    new Run("\u0013", special),
                    run(" EQ \\o(\\s\\up 9(read),base)"),
                    new Run("\u0015", special),
                    run(" b "),
                    new Run("\u0013", special),
                    run(" MACROBUTTON No [Type]"),
                    new Run("\u0014", special),
                    new Run("\u0015", special),
                    new Run("\u0013", special),
                    run(" MACROBUTTON No [none]"),
                    new Run("\u0014", special),
                    run("result"),
                    new Run("\u0015", special),
                    new Run("\u0013", special),
                    run(" AUTONUM "),
                    new Run("\u0015", special),
                    run("\r"))
                .section(A4));
    assertThat(texts(t.document()).getFirst()).isEqualTo("a base(read) b [Type]result");
    assertThat(t.findings())
        .anyMatch(f -> f.message().startsWith("An equation"))
        .anyMatch(f -> f.message().contains("(AUTONUM)"))
        .noneMatch(f -> f.message().contains("MACROBUTTON"));
  }

  @Test
  void notesHeadersAndSections() throws Exception {
    Document d =
        taken(
                new MadeDoc()
                    .paragraph(0, "", run("Rules"), new Run("\u0002", "5508 01"), run(" apply\r"))
                    .paragraph(0, "", run("End of one\f"))
                    .section(A4 + "0A30 01") // sprmSFTitlePage
                    .paragraph(0, "", run("Wide\r"))
                    // sprmSBkc: odd page; sprmSCcolumns: two
                    .section("1FB0 C641 20B0 822E 0930 04 0B50 0100")
                    .note("as of March")
                    .stories("", "Harbour office", "", "Foot", "First page", ""))
            .document();
    assertThat(d.sections()).hasSize(2);
    assertThat(texts(d)).startsWith("Rules\uFFFC apply", "End of one", "Wide");
    Section one = d.sections().getFirst();
    assertThat(one.page().width()).isEqualTo(595.3, org.assertj.core.api.Assertions.within(0.1));
    assertThat(words(one, Section.Running.HEADER)).isEqualTo("Harbour office");
    assertThat(words(one, Section.Running.FOOTER)).isEqualTo("Foot");
    assertThat(words(one, Section.Running.HEADER_FIRST)).isEqualTo("First page");
    Section two = d.sections().get(1);
    assertThat(two.start()).isEqualTo(Section.Start.ODD_PAGE);
    assertThat(two.page().columns().count()).isEqualTo(2);
    // It has no texts of its own, so those before it go on; but no first page.
    assertThat(words(two, Section.Running.HEADER)).isEqualTo("Harbour office");
    assertThat(two.running()).doesNotContainKey(Section.Running.HEADER_FIRST);
    assertThat(d.stories().values())
        .extracting(s -> ((Paragraph) s.blocks().getFirst()).text())
        .containsExactly("\uFFFC as of March");
  }

  private static String words(Section s, Section.Running which) {
    return ((Paragraph) s.running().get(which).blocks().getFirst()).text();
  }

  /** Cells end with \u0007, and a row with one more, which says where its cells end (§2.4.3). */
  @Test
  void tablesByTheEdgesOfTheirRows() throws Exception {
    String cell = "1624 01"; // sprmPFInTable
    // sprmPFTtp, sprmTDefTable: edges at 0, 72 and 216 points; then at 0 and 216
    String two = "1624 01 1724 01 08D6 3000 02 0000 A005 E010" + "00".repeat(40);
    String one = "1624 01 1724 01 08D6 1A00 01 0000 E010" + "00".repeat(20);
    // behind the cells: none; 808080 (sprmTDefTableShd)
    String shaded = two + "12D6 14 000000FF 000000FF 0000 000000FF 80808000 0000";
    Document d =
        taken(
                new MadeDoc()
                    .paragraph(0, cell, run("Berth\u0007"))
                    .paragraph(0, cell, run("Depth\u0007"))
                    .paragraph(0, shaded, run("\u0007"))
                    .paragraph(0, cell, run("All closed\u0007"))
                    .paragraph(0, one, run("\u0007"))
                    .paragraph(0, "", run("After\r"))
                    .section(A4))
            .document();
    Table t = (Table) d.sections().getFirst().blocks().getFirst();
    assertThat(t.columns()).containsExactly(72.0, 144.0);
    assertThat(t.rows().getFirst().cells()).hasSize(2);
    assertThat(t.rows().get(1).cells().getFirst().columnSpan()).isEqualTo(2);
    assertThat(texts(d)).containsExactly("Berth", "Depth", "All closed", "After");
    assertThat(t.rows().getFirst().cells().get(1).look().value(TableTraits.SHADING).hex())
        .isEqualTo("808080");
    assertThat(t.rows().getFirst().cells().getFirst().look().sets(TableTraits.SHADING)).isFalse();
  }

  /** One list of one level (LSTF §2.9.147, LVLF §2.9.150), and one override (LFO §2.9.131). */
  private static MadeDoc withAList() {
    String level = "03000000 00 00 01" + "00".repeat(8) + "00" + "00".repeat(12);
    return new MadeDoc()
        .lists(
            "0100 2A000000 00000000" + "FF0F".repeat(9) + "01 00" + level + "0200 0000 2E00",
            "01000000 2A000000 00000000 00000000 00000000 FFFFFFFF");
  }

  @Test
  void itemsAreLabelledAsTheirLevelSays() throws Exception {
    String item = "0A26 00 0B46 0100"; // sprmPIlvl, sprmPIlfo
    Document d =
        taken(
                withAList()
                    .paragraph(0, item, run("Moor\r"))
                    .paragraph(0, item, run("Pay\r"))
                    .section(A4))
            .document();
    assertThat(ListLabels.of(d).values()).containsExactlyInAnyOrder("3.", "4.");
  }

  @Test
  void aListThatIsNotThereIsTold() throws Exception {
    TakenIn in = taken(withAList().paragraph(0, "0A26 00 0B46 0500", run("Moor\r")).section(A4));
    assertThat(texts(in.document())).containsExactly("Moor");
    assertThat(in.findings())
        .extracting(Finding::message)
        .containsExactly(
            "A list is missing from the file; its items are shown without their marks.");
  }

  @Test
  void aTableWhoseRowsNeverEndIsToldOnce() throws Exception {
    TakenIn in =
        taken(
            new MadeDoc()
                .paragraph(0, "1624 01", run("Berth\u0007"))
                .paragraph(0, "1624 01", run("Depth\u0007"))
                .paragraph(0, "", run("After\r"))
                .section(A4));
    assertThat(texts(in.document())).containsExactly("Berth", "Depth", "After");
    assertThat(in.findings())
        .extracting(Finding::message)
        .containsExactly("A table is damaged and is shown as paragraphs.");
  }

  @Test
  void badFilesAreToldInPlainWords() throws Exception {
    MadeDoc d = new MadeDoc().paragraph(0, "", run("Rules\r")).section(A4);
    Path file = folder.resolve("b.doc");
    d.write(file);
    byte[] all = Files.readAllBytes(file);
    for (int cut : new int[] {all.length / 2, 3 * all.length / 4}) {
      Path half = Files.write(folder.resolve("cut.doc"), Arrays.copyOf(all, cut));
      assertThatThrownBy(() -> DocReader.read(ReadRequest.of(half)))
          .isInstanceOf(ReadProblem.class)
          .hasMessage("The file is damaged: it cannot be read as a document.");
    }
    // Any byte may be wrong: it is read or refused, and nothing else happens.
    for (int k = 600; k < all.length; k += 97) {
      byte[] wrong = all.clone();
      wrong[k] ^= (byte) 0xFF;
      Path bad = Files.write(folder.resolve("wrong.doc"), wrong);
      try {
        DocReader.read(ReadRequest.of(bad));
      } catch (ReadProblem p) {
        assertThat(p.kind())
            .isIn(
                ReadProblem.Kind.DAMAGED,
                ReadProblem.Kind.NOT_SERVED,
                ReadProblem.Kind.ENCRYPTED,
                ReadProblem.Kind.TOO_LARGE);
      }
    }
  }
}
