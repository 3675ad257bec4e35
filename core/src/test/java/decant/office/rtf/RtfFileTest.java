package decant.office.rtf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import decant.Samples;
import decant.format.Formats;
import decant.layout.Rich;
import decant.layout.label.ListLabels;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.finding.Finding;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.verify.office.RtfVerifier;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** RTF files taken in; control words as Rich Text Format 1.9.1 has them. */
class RtfFileTest {
  @TempDir Path folder;

  private TakenIn taken(String rtf) throws Exception {
    Path file = folder.resolve("a.rtf");
    Files.writeString(file, rtf, StandardCharsets.US_ASCII);
    return Formats.reader(Formats.recognise(file)).orElseThrow().read(ReadRequest.of(file));
  }

  private static List<String> texts(Document d) {
    return d.paragraphs().stream().map(Paragraph::text).toList();
  }

  /** “Document Formatting Properties”: that of the usual style, else that of the document. */
  @ParameterizedTest
  @CsvSource(
      nullValues = "-",
      value = {
        "-, 1031, de-DE",
        "2057, 1031, en-GB",
        "2057, -, en-GB",
        "-, -, ''",
      })
  void theLanguageOfTheDocument(String style, String whole, String language) throws Exception {
    String said =
        "{\\rtf1\\ansi"
            + (whole == null ? "" : "\\deflang" + whole)
            + "{\\fonttbl{\\f0 Carlito;}}{\\stylesheet{\\s0"
            + (style == null ? "" : "\\lang" + style)
            + " Normal;}}\\pard Berths\\par}";
    Document d = taken(said).document();
    assertThat(d.metadata().language()).isEqualTo(language);
    Path copy = folder.resolve("copy.rtf");
    try (var out = Files.newOutputStream(copy)) {
      Formats.writer(Formats.of("rtf").orElseThrow()).write(d.withKeptParts(List.of()), out);
    }
    assertThat(Samples.taken(copy).document().metadata().language()).isEqualTo(language);
  }

  @Test
  void paperHeadersAndWordsAboutItself() throws Exception {
    Document d =
        taken(
                """
                {\\rtf1\\ansi\\deff1{\\fonttbl{\\f0 Carlito;}{\\f1 Liberation Serif;}}
                {\\info{\\title Mooring charges}{\\author M. Okafor}{\\creatim\\yr2026}}
                \\paperw11906\\paperh16838\\margl1134\\margt1134\\facingp
                \\sectd\\titlepg{\\headerf\\pard First\\par}{\\headerr\\pard Harbour office, page \\chpgn\\par}
                {\\footerl\\pard {\\field{\\*\\fldinst NUMPAGES}{\\fldrslt 7}}\\par}
                \\pard\\plain Berths\\page after the break\\par
                \\sect\\sectd\\sbkodd\\pgwsxn16838\\pghsxn11906\\cols2\\pard\\plain Wide\\par}
                """)
            .document();
    assertThat(d.metadata().title()).isEqualTo("Mooring charges");
    assertThat(d.metadata().author()).isEqualTo("M. Okafor");
    assertThat(d.sections()).hasSize(2);
    Section one = d.sections().getFirst();
    assertThat(one.page().width()).isCloseTo(595.3, within(0.01));
    assertThat(one.page().margins().left()).isCloseTo(56.7, within(0.01));
    assertThat(one.running().keySet())
        .containsExactlyInAnyOrder(
            Section.Running.HEADER_FIRST, Section.Running.HEADER, Section.Running.FOOTER_EVEN);
    Paragraph header = (Paragraph) one.running().get(Section.Running.HEADER).blocks().getFirst();
    assertThat(header.inlines().getLast())
        .isInstanceOfSatisfying(
            Inline.Field.class, f -> assertThat(f.kind()).isEqualTo(Inline.Field.Kind.PAGE));
    assertThat(texts(d)).startsWith("Berths\fafter the break").endsWith("Wide");
    Section two = d.sections().get(1);
    assertThat(two.start()).isEqualTo(Section.Start.ODD_PAGE);
    assertThat(two.page().width()).isGreaterThan(two.page().height());
    assertThat(two.page().columns().count()).isEqualTo(2);
    assertThat(two.running()).doesNotContainKey(Section.Running.HEADER_FIRST);
    Look base = d.styles().textBase(Look.PLAIN);
    assertThat(base.value(TextTraits.FAMILY)).isEqualTo("Liberation Serif");
    assertThat(base.value(TextTraits.SIZE)).isEqualTo(12); // \\fs24 where nothing is said
  }

  @Test
  void listsSayWhatTheirLabelsSay() throws Exception {
    String item = "{\\listtext %s\\tab}\\ls%d\\ilvl%d %s\\par \\pard\\plain ";
    String text =
        item.formatted("1.", 1, 0, "one")
            + item.formatted("1.1)", 1, 1, "one one")
            + item.formatted("2.", 1, 0, "two")
            + item.formatted("iv", 2, 0, "four")
            + item.formatted("v", 2, 0, "five")
            + item.formatted("7.", 1, 0, "seven")
            + item.formatted("\\u8594?", 3, 0, "arrow");
    Document d = taken("{\\rtf1\\ansi \\pard\\plain " + text + "}").document();
    var labels = ListLabels.of(d);
    assertThat(d.paragraphs().stream().map(p -> labels.get(p.id()) + " " + p.text()))
        .startsWith("1. one", "1.1) one one", "2. two", "iv four", "v five", "7. seven", "→ arrow");
  }

  @Test
  void commentsLinksAndShapes() throws Exception {
    TakenIn t =
        taken(
            """
            {\\rtf1\\ansi \\pard\\plain {\\*\\bkmkstart fees}Fees{\\*\\bkmkend fees}{\\*\\atnid RI}{\\*\\atnauthor R. Ibsen}\\chatn{\\*\\annotation \\pard\\plain Still so?}\\par
            {\\field{\\*\\fldinst HYPERLINK \\\\l "fees"}{\\fldrslt up}}{\\shp{\\*\\shpinst\\shpleft720\\shptop0\\shpright2160\\shpbottom1440{\\sp{\\sn shapeType}{\\sv 202}}{\\shptxt \\pard\\plain In a box\\par}}}\\par
            {\\pict\\jpegblip\\picwgoal100\\pichgoal100 00ff}\\par}
            """);
    Document d = t.document();
    Paragraph fees = d.paragraphs().getFirst();
    assertThat(fees.look().value(ParagraphTraits.BOOKMARKS)).containsExactly("fees");
    assertThat(fees.inlines().getFirst().look().value(TextTraits.COMMENTS))
        .extracting(c -> c.author() + ": " + c.text())
        .containsExactly("R. Ibsen: Still so?");
    List<Inline> second = d.paragraphs().get(1).inlines();
    assertThat(second.getFirst().look().value(TextTraits.LINK))
        .isEqualTo(new Link.Internal("fees"));
    assertThat(((Inline.Shape) second.getLast()).width()).isEqualTo(72);
    assertThat(d.stories().values())
        .extracting(s -> ((Paragraph) s.blocks().getFirst()).text())
        .containsExactly("In a box");
    assertThat(t.findings())
        .extracting(Finding::kind)
        .contains(Finding.Kind.PICTURE_MISSING); // its bytes are none
  }

  /** The verifier shares nothing with the reader: what it finds in a file is what was read. */
  @Test
  void whatIsWrittenIsReadBack() throws Exception {
    for (Document d :
        List.of(Samples.demo("Winter storage notice.docx").document(), Rich.varied(5, 60))) {
      Path file = folder.resolve("b.rtf");
      try (OutputStream out = Files.newOutputStream(file)) {
        RtfWriter.write(d, out);
      }
      Document back = RtfFile.read(ReadRequest.of(file)).document();
      assertThat(RtfVerifier.verify(file, back)).allMatch(c -> c.passed(), "passed");
      assertThat(texts(back)).isEqualTo(texts(d));
      assertThat(Samples.layout(back).pages()).hasSameSizeAs(Samples.layout(d).pages());
    }
  }

  /** When a file was written does not count where two are held against each other. */
  @Test
  void filesOfDifferentMinutesAreTheSame() {
    String one = "{\\rtf1{\\info{\\revtim\\yr2026\\min1}}a}";
    byte[] now = one.getBytes(StandardCharsets.US_ASCII);
    byte[] later = one.replace("min1", "min2").getBytes(StandardCharsets.US_ASCII);
    byte[] other = one.replace("a}", "b}").getBytes(StandardCharsets.US_ASCII);
    assertThat(RtfFormat.isSame(now, later)).isTrue();
    assertThat(RtfFormat.isSame(now, other)).isFalse();
  }

  /** Links lead where they say: out, to a file beside, to a place in either. */
  @Test
  void linksLeadWhereTheySay() throws Exception {
    String field = "{\\field{\\*\\fldinst HYPERLINK %s}{\\fldrslt %s}} ";
    Document d =
        taken(
                "{\\rtf1\\ansi\\pard "
                    + field.formatted("\"https://quay.example/a\"", "out")
                    + field.formatted("\"plans/north.pdf\"", "beside")
                    + field.formatted("\"https://quay.example/b\" \\\\l \"fees\"", "there")
                    + field.formatted("\\\\l \"fees\"", "here")
                    + "\\par}")
            .document();
    assertThat(
            d.paragraphs().getFirst().inlines().stream()
                .flatMap(i -> i.look().get(TextTraits.LINK).stream()))
        .containsExactly(
            new Link.External("https://quay.example/a"),
            new Link.External("plans/north.pdf"),
            new Link.External("https://quay.example/b#fees"),
            new Link.Internal("fees"));
  }

  /** What is there is taken in, and that the rest is missing is told. */
  @Test
  void aFileThatBreaksOffIsReadAsFarAsItGoes() throws Exception {
    String rtf =
        "{\\rtf1\\ansi\\pard Berths \\{1\\}\\par{\\b Fees\\par}{\\*\\x\\bin3 }}}}{\\i and mo";
    TakenIn t = taken(rtf);
    assertThat(texts(t.document())).containsExactly("Berths {1}", "Fees", "and mo");
    assertThat(t.findings())
        .filteredOn(f -> f.kind() == Finding.Kind.FILE_DAMAGED)
        .extracting(Finding::severity)
        .containsExactly(Finding.Severity.LOSS);
    TakenIn whole = taken(rtf + "oring}\\par} }}}");
    assertThat(texts(whole.document())).containsExactly("Berths {1}", "Fees", "and mooring");
    assertThat(whole.findings())
        .extracting(Finding::kind)
        .doesNotContain(Finding.Kind.FILE_DAMAGED);
  }

  /** A brace too many, or one lacking, ends the document before its text does. */
  @Test
  void aFileThatEndsTooEarlyIsReadOn() throws Exception {
    for (String rtf :
        List.of(
            "{\\rtf1\\ansi\\ansicpg1252 Berth 14\\par}}\\pard Berth \\'e4\\par}",
            "{\\rtf1\\ansi\\ansicpg1252 Berth 14\\par}{\\b Berth} \\'e4\\par",
            "{\\rtf1\\ansi\\ansicpg1252\\fonttbl{\\f0 Carlito;}}\\pard Berth 14\\par Berth \\'e4\\par}")) {
      TakenIn t = taken(rtf);
      assertThat(texts(t.document())).as(rtf).contains("Berth 14", "Berth \u00e4");
      assertThat(t.findings())
          .anyMatch(
              f -> f.severity() == Finding.Severity.LOSS && f.message().contains("ends too early"));
    }
    TakenIn whole = taken("{\\rtf1\\ansi Berth 14\\par}\r\n}\u0000\u0000");
    assertThat(texts(whole.document())).startsWith("Berth 14");
    assertThat(whole.findings()).noneMatch(f -> f.severity() == Finding.Severity.LOSS);
  }

  /** Its characters stand there, once, and that it is no equation any longer is told. */
  @Test
  void equationsStandAsTheirCharacters() throws Exception {
    TakenIn t =
        taken(
            "{\\rtf1\\ansi\\pard So {\\mmath{\\*\\moMath{\\mf{\\mfPr{\\mtype bar}}{\\mnum{\\mr a}}{\\mden{\\mr b}}}}"
                + "{\\mmathPict{\\pict\\wmetafile8 00}}} it is.\\par}");
    assertThat(texts(t.document())).containsExactly("So ab it is.");
    assertThat(t.findings())
        .extracting(Finding::message)
        .contains("An equation is shown by its characters alone.");
  }

  @Test
  void aFileThatIsNoneIsRefused() {
    assertThatThrownBy(() -> taken("{\\rtf1\\ansi {\\b Berths\\bin99999999 } and }}}"))
        .isInstanceOf(ReadProblem.class)
        .hasMessage("The file is damaged: it cannot be read as a document.");
  }
}
