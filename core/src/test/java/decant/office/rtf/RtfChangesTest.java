package decant.office.rtf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.finding.Finding;
import decant.model.look.TextTraits;
import decant.office.odf.write.OdtWriter;
import decant.office.pending.Pending;
import decant.reading.TakenIn;
import decant.verify.Check;
import decant.verify.office.OdtVerifier;
import decant.verify.office.RtfVerifier;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Changes that wait to be accepted, by the words of Rich Text Format 1.9.1, “Track Changes”. Times
 * are packed as “Date and time references” there has it: 2 March 2026, 9:30.
 */
class RtfChangesTest {
  private static final int TIME = 30 | 9 << 6 | 2 << 11 | 3 << 16 | 126 << 20 | 1 << 29;
  private static final String SOURCE =
      """
      {\\rtf1\\ansi{\\fonttbl{\\f0 Carlito;}}{\\*\\revtbl{Unknown;}{M. Okafor;}{R. Ibsen;}}
      \\pard\\plain The {\\revised\\revauth1\\revdttm%d north }berth{\\deleted\\revauthdel2\\revdttmdel%d  by the}{\\deleted\\revauthdel2\\revdttmdel%d \\b  day} is free.{\\revised\\revauth1\\revdttm%d\\par}
      \\pard\\plain Paid {\\revised by nobody} now.\\par}
      """
          .formatted(TIME, TIME, TIME, TIME);

  private static final Pending IN =
      new Pending(Pending.Kind.PUT_IN, "M. Okafor", "2026-03-02T09:30:00", "");
  private static final Pending OUT =
      new Pending(Pending.Kind.TAKEN_AWAY, "R. Ibsen", "2026-03-02T09:30:00", " by the day");
  private static final Pending NOBODY = new Pending(Pending.Kind.PUT_IN, "", "", "");

  @TempDir Path folder;
  private TakenIn taken;

  @BeforeEach
  void read() throws IOException {
    taken =
        Samples.taken(
            Files.writeString(folder.resolve("a.rtf"), SOURCE, StandardCharsets.US_ASCII));
  }

  private static List<Pending> pending(Document d) {
    return Samples.pending(d).stream().distinct().toList();
  }

  @Test
  void theyShowAsAcceptedAndAreTold() {
    Document d = taken.document();
    assertThat(d.paragraphs())
        .extracting(Paragraph::text)
        .containsExactly("The north berth\uFFFC is free.", "Paid by nobody now.");
    assertThat(pending(d)).containsExactly(IN, OUT, NOBODY);
    assertThat(d.paragraphs().getFirst().endLook().value(TextTraits.KEPT)).hasSize(1);
    assertThat(taken.findings())
        .extracting(Finding::message)
        .anyMatch(m -> m.contains("stay pending"));
  }

  @Test
  void theyAreWrittenAndSeen() throws IOException {
    Document d = taken.document();
    Path file = written(d);
    String rtf = Files.readString(file, StandardCharsets.US_ASCII);
    assertThat(rtf)
        .contains(
            "{\\*\\revtbl{Unknown;}{M. Okafor;}{R. Ibsen;}}",
            "\\revised\\revauth1\\revdttm" + TIME,
            "\\deleted\\revauthdel2\\revdttmdel" + TIME);
    assertThat(pending(Samples.taken(file).document())).containsExactly(IN, OUT, NOBODY);
    for (String cut : List.of("\\revauth1", "\\deleted", "\\revised")) {
      Files.writeString(file, rtf.replace(cut, ""), StandardCharsets.US_ASCII);
      assertThat(RtfVerifier.verify(file, d))
          .filteredOn(c -> !c.passed())
          .extracting(Check::name)
          .as(cut)
          .contains("Pending changes");
    }
  }

  /** What is pending in one format is so in the other. */
  @Test
  void theyGoIntoOdt() throws IOException {
    Path file = folder.resolve("a.odt");
    try (OutputStream out = Files.newOutputStream(file)) {
      OdtWriter.write(taken.document(), out);
    }
    assertThat(OdtVerifier.verify(file, taken.document())).allMatch(Check::passed);
    Document back = Samples.taken(file).document();
    assertThat(pending(back).subList(0, 2)).containsExactly(IN, OUT);
    Path again = written(back);
    assertThat(pending(Samples.taken(again).document()).subList(0, 2)).containsExactly(IN, OUT);
  }

  private Path written(Document d) throws IOException {
    Path file = folder.resolve("out.rtf");
    try (OutputStream out = Files.newOutputStream(file)) {
      RtfWriter.write(d, out);
    }
    assertThat(RtfVerifier.verify(file, d)).allMatch(Check::passed);
    return file;
  }
}
