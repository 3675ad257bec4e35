package decant.office.doc;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Formats;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.office.pending.Dttm;
import decant.office.pending.Pending;
import decant.preview.LeftOut;
import decant.verify.Check;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.model.CHPX;
import org.apache.poi.hwpf.usermodel.CharacterProperties;
import org.apache.poi.hwpf.usermodel.Range;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Changes that wait to be accepted go through every office format, and are told apart. */
class PendingInFilesTest {
  @TempDir Path folder;

  private static final Pending IN =
      new Pending(Pending.Kind.PUT_IN, "M. Okafor", "2026-03-02T09:30:00", "");
  private static final Pending OTHER =
      new Pending(Pending.Kind.PUT_IN, "R. Ibsen", "2025-12-31T23:59:00", "");
  private static final Pending OUT =
      new Pending(Pending.Kind.TAKEN_AWAY, "R. Ibsen", "2026-03-03T00:00:00", "by the day");

  private static Inline text(String s, Pending... in) {
    return new Inline.Text(
        s, in.length == 0 ? Look.PLAIN : Look.of(TextTraits.KEPT, List.of(in[0].kept())));
  }

  private static Document document() {
    return Samples.document(
        Samples.inlines(
            text("The "),
            text("north ", IN),
            text("berth ", OTHER),
            text("costs 9.60 "),
            new Inline.KeptInline(OUT.kept(), "", Look.of(TextTraits.BOLD, true)),
            text("a week.", IN)),
        Samples.inlines(text("It is free.", IN), text(" Ask us.")));
  }

  private Path written(Document d, String format) throws Exception {
    Path file = folder.resolve("a." + format);
    try (OutputStream out = Files.newOutputStream(file)) {
      Formats.writer(Formats.of(format).orElseThrow()).write(d, out);
    }
    return file;
  }

  private static List<Check> checks(Path file, Document d, String format) {
    return Formats.verifier(Formats.of(format).orElseThrow()).verify(file, d);
  }

  @ParameterizedTest
  @ValueSource(strings = {"docx", "odt", "rtf", "doc"})
  void theyComeBackFromEachFormat(String format) throws Exception {
    Document d = document();
    Path file = written(d, format);
    assertThat(checks(file, d, format)).allMatch(Check::passed);
    Document back = Samples.taken(file).document();
    assertThat(back.paragraphs().stream().map(Paragraph::text))
        .containsExactlyElementsOf(d.paragraphs().stream().map(Paragraph::text).toList());
    assertThat(Samples.pending(back)).containsExactly(IN, OTHER, OUT, IN, IN);
    assertThat(checks(written(back, format), back, format)).allMatch(Check::passed);
    assertThat(LeftOut.of(d, Formats.of(format).orElseThrow())).isEmpty();
  }

  /** A file without one of them, or with one of somebody else, is not what was meant. */
  @ParameterizedTest
  @ValueSource(strings = {"docx", "odt", "rtf", "doc"})
  void oneThatIsMissingIsSeen(String format) throws Exception {
    Document d = document();
    for (List<Inline> other :
        List.of(List.of(text("berth ")), List.of(text("berth ", IN)), List.<Inline>of())) {
      Paragraph p = d.paragraphs().getFirst();
      var inlines = new java.util.ArrayList<>(p.inlines());
      if (other.isEmpty()) {
        inlines.remove(4); // what was taken away
      } else {
        inlines.set(2, other.getFirst());
      }
      Path file = written(d.withParagraph(p.withInlines(inlines)), format);
      assertThat(checks(file, d, format))
          .filteredOn(c -> !c.passed())
          .extracting(Check::name)
          .as(format + " " + other)
          .containsExactly("Pending changes");
    }
  }

  /** [MS-DOC] 2.6.1 and 2.9.277, as another reader has them. */
  @Test
  void anotherReaderOfDocFindsThem() throws Exception {
    Path path = written(document(), "doc");
    assertThat(DocChecker.check(path)).isEmpty();
    try (var file = new HWPFDocument(Files.newInputStream(path))) {
      var said = new StringBuilder();
      for (CHPX run : file.getCharacterTable().getTextRuns()) {
        CharacterProperties p = run.getCharacterProperties(file.getStyleSheet(), (short) 0);
        if (p.isFRMark()) {
          said.append('+')
              .append(file.getRevisionMarkAuthorTable().getAuthor(p.getIbstRMark()))
              .append(p.getDttmRMark().getDate().get(java.util.Calendar.YEAR));
        }
        if (p.isFRMarkDel()) {
          said.append('-').append(new Range(run.getStart(), run.getEnd(), file).text());
        }
      }
      assertThat(said)
          .hasToString("+M. Okafor2026+R. Ibsen2025-by the day+M. Okafor2026+M. Okafor2026");
    }
  }

  /** [MS-DOC] 2.9.69: minutes, hours, days, months, years since 1900, days of the week. */
  @ParameterizedTest
  @CsvSource({
    "2026-03-02T09:30:00, 0x27E3125E",
    "2026-03-02T09:30:00Z, 0x27E3125E",
    "1900-01-01T00:00:00, 0x20010800",
    "2411-12-31T23:59:00, 0xDFFCFDFB",
    "1899-12-31T00:00:00, 0",
    "yesterday, 0"
  })
  void timesAreOneNumber(String time, String number) {
    long n = Long.decode(number);
    assertThat(Dttm.write(time)).isEqualTo((int) n);
    if (n != 0) {
      assertThat(Dttm.read((int) n)).isEqualTo(time.substring(0, 19));
    }
    assertThat(Dttm.read(0)).isEmpty();
  }
}
