package decant.office.text;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Formats;
import decant.layout.Rich;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.preview.LeftOut;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.verify.office.TextVerifier;
import java.io.OutputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TextFormatTest {
  private static final String SAID = "Liegeplätze – “north” mole\n";

  @TempDir Path folder;

  private TakenIn taken(byte[] bytes) throws Exception {
    Path file = Files.write(folder.resolve("a"), bytes);
    assertThat(Formats.recognise(file).id()).isEqualTo("txt");
    return Formats.reader(Formats.recognise(file)).orElseThrow().read(ReadRequest.of(file));
  }

  private static List<String> texts(Document d) {
    return d.paragraphs().stream().map(Paragraph::text).toList();
  }

  @Test
  void lettersAreReadAsTheyWereWritten() throws Exception {
    for (Charset set :
        List.of(StandardCharsets.UTF_8, StandardCharsets.UTF_16, Charset.forName("UTF-16LE"))) {
      String mark = set.name().equals("UTF-16LE") ? "\uFEFF" : "";
      assertThat(texts(taken((mark + SAID).getBytes(set)).document()))
          .as(set.name())
          .containsExactly(SAID.strip());
    }
    // What is guessed is said.
    TakenIn guessed = taken(SAID.repeat(4).getBytes(Charset.forName("windows-1252")));
    assertThat(texts(guessed.document())).contains(SAID.strip());
    assertThat(guessed.findings())
        .anyMatch(
            f -> f.severity() == Finding.Severity.DOUBT && f.message().contains("windows-1252"));
  }

  /**
   * The bytes are the JDK's encoders'; what is guessed is said, and what is told is not guessed.
   */
  @ParameterizedTest
  @CsvSource({
    "UTF-16LE, Liegeplätze am Kai, false",
    "UTF-16BE, Liegeplätze am Kai, false",
    "ISO-2022-JP, 港の規則と係留料金について, true",
    "ISO-2022-KR, 항만 규칙과 계류 요금 안내, true",
    "Shift_JIS, 港の規則と係留料金について, true",
    "windows-1251, Правила причала и сборы за стоянку, true",
    "windows-1255, כללי הנמל ודמי עגינה לסירות בעונת הקיץ והחורף של המעגן, true",
    "windows-1253, Κανόνες του λιμανιού και τέλη, true",
    "windows-1252, café, true",
  })
  void encodingsAreFoundWithoutAMark(String encoding, String said, boolean guessed)
      throws Exception {
    TakenIn t = taken((said + "\n").getBytes(Charset.forName(encoding)));
    assertThat(texts(t.document())).containsExactly(said);
    assertThat(t.findings()).hasSize(guessed ? 1 : 0);
  }

  /** A name that says it is text holds, unless the content has the mark of another kind of file. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "< 5 m: no charge",
        "<html is no tag",
        "% of berths",
        "<Ada> Closed today.",
        "\u001B[1mBerth\u001B[0m A1",
        "{ list }"
      })
  void textMayBeginWithAnySign(String said) throws Exception {
    Path file = Files.writeString(folder.resolve("a.txt"), said + "\n");
    assertThat(Formats.recognise(file).id()).isEqualTo("txt");
    TakenIn t = Formats.reader(Formats.recognise(file)).orElseThrow().read(ReadRequest.of(file));
    assertThat(texts(t.document())).containsExactly(said.replaceAll("\u001B\\[\\d+m", ""));
  }

  @Test
  void textWithoutWordsIsText() throws Exception {
    Path file = Files.writeString(folder.resolve("a.txt"), "\r\n");
    assertThat(Formats.recognise(file).id()).isEqualTo("txt");
    assertThat(Formats.recognise(Files.writeString(folder.resolve("b.txt"), "<p>x</p>")).id())
        .as("a page that is called otherwise")
        .isEqualTo("html");
  }

  @Test
  void linesTablesAndPages() throws Exception {
    Document d =
        taken(
                "Rules\r\n\r\nBerth\tDepth\r\nNorth\t4 m\rEnd of tables\n\fNext page"
                    .getBytes(StandardCharsets.UTF_8))
            .document();
    assertThat(texts(d))
        .containsExactly(
            "Rules", "", "Berth", "Depth", "North", "4 m", "End of tables", "Next page");
    assertThat(d.sections().getFirst().blocks().get(2)).isInstanceOf(Table.class);
    assertThat(d.paragraphs().getLast().look().value(ParagraphTraits.PAGE_BREAK_BEFORE)).isTrue();
    // Columns of spaces stand only where letters are equally wide.
    Document columns =
        taken("Berth     Depth\nNorth     4 m".getBytes(StandardCharsets.UTF_8)).document();
    assertThat(columns.styles().textBase(Look.PLAIN).value(TextTraits.FAMILY))
        .isEqualTo("Liberation Mono");
  }

  @Test
  void everyWordIsWrittenAndLookedFor() throws Exception {
    var rich = new Rich();
    rich.section(
        decant.model.PageSetup.A4,
        decant.model.Section.Start.NEW_PAGE,
        Map.of(),
        List.of(
            rich.item("l", 0, "first"),
            Rich.of(Rich.text("Charges"), rich.note(Story.Kind.FOOTNOTE, "As of March.")),
            Samples.table(new String[] {"Berth", "Depth"}, new String[] {"North", "4 m"}),
            Rich.of(rich.picture(10, 10, decant.model.look.Placement.INLINE))));
    Document d = rich.document();
    Path file = folder.resolve("b.txt");
    try (OutputStream out = Files.newOutputStream(file)) {
      TextWriter.write(d, out);
    }
    assertThat(Files.readString(file))
        .isEqualTo(
            "1. first\r\nCharges[1]\r\nBerth\tDepth\r\nNorth\t4 m\r\n[a quay]\r\n\r\n[1] As of March.\r\n");
    assertThat(TextVerifier.verify(file, d)).allMatch(c -> c.passed());
    Files.writeString(file, Files.readString(file).replace("March", "May"));
    assertThat(TextVerifier.verify(file, d)).noneMatch(c -> c.passed());
    assertThat(LeftOut.of(d, Formats.of("txt").orElseThrow()))
        .containsExactly(
            "Fonts, sizes, colours and places: only the words go along.",
            "1 picture (its description goes along).");
  }

  /**
   * Words of a box, of a note called in a note, and beside marks: each is one that is looked for.
   */
  @Test
  void wordsOfBoxesAndOfNotesInNotes() throws Exception {
    var rich = new Rich();
    Inline inner = rich.note(Story.Kind.FOOTNOTE, "Innermost.");
    Inline outer = rich.note(Story.Kind.FOOTNOTE, "Outer.");
    rich.section(
        decant.model.PageSetup.A4,
        decant.model.Section.Start.NEW_PAGE,
        Rich.of(
            Rich.text("Before"),
            rich.box(90, 40, decant.model.look.Placement.INLINE, Samples.paragraph("Boxed")),
            Rich.text("after"),
            outer));
    Document d = rich.document();
    Story of = d.stories().get(((Inline.NoteMark) outer).note());
    var stories = new java.util.LinkedHashMap<>(d.stories());
    var first = (decant.model.Paragraph) of.blocks().getFirst();
    var inlines = new java.util.ArrayList<>(first.inlines());
    inlines.add(inner);
    stories.put(of.id(), of.withBlocks(List.of(first.withInlines(inlines))));
    Document whole = d.withStories(stories);
    Path file = folder.resolve("c.txt");
    try (OutputStream out = Files.newOutputStream(file)) {
      TextWriter.write(whole, out);
    }
    assertThat(Files.readString(file)).contains("Before after[1]\r\nBoxed\r\n", "Innermost.");
    assertThat(TextVerifier.verify(file, whole)).allMatch(c -> c.passed());
  }
}
