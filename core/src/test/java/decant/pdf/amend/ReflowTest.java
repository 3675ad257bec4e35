package decant.pdf.amend;

import static org.assertj.core.api.Assertions.assertThat;

import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Words that go on in the lines below, held against PDFBox's text extraction, line by line. */
class ReflowTest {
  @TempDir private Path folder;

  private record Done(Amended amended, List<String> lines) {}

  /** Lines in Courier of ten points, each letter six wide, with a rule that ends their column. */
  private static String lines(String... lines) {
    var out = new StringBuilder("300 600 m 300 720 l S BT /F2 10 Tf 12 TL 50 712 Td");
    for (String l : lines) {
      out.append(" T* ").append(l.startsWith("0 0 1 rg") ? l : "(" + l + ") Tj");
    }
    return out.append(" ET").toString();
  }

  private Done amend(RawPdf pdf, Replacement... all) throws IOException, ReadProblem {
    Path source = pdf.in(folder);
    Path out = folder.resolve("amended.pdf");
    ReadRequest request = ReadRequest.of(source);
    Amended amended =
        PdfAmender.in(
            request,
            file -> {
              FileBefore before = file.noted();
              Amended a = file.replace(List.of(all), List.of(0));
              try (var to = Files.newOutputStream(out)) {
                file.write(to);
              }
              Optional<String> wrong =
                  AmendCheck.problem(before, request.withFile(out), List.of(all), a);
              assertThat(wrong).isEmpty();
              return a;
            });
    try (PDDocument done = Loader.loadPDF(out.toFile())) {
      return new Done(amended, new PDFTextStripper().getText(done).strip().lines().toList());
    }
  }

  private static final String[] FEES = {
    "Every holder of a winter berth on the qua",
    "pays the fee at once and in full to the h",
    "and keeps a copy of what was paid for him",
    "as it is let."
  };

  @Test
  void wordsGoOnAsFarAsTheParagraphHasRoom() throws Exception {
    Done d =
        amend(
            new RawPdf().page(lines(FEES)),
            new Replacement("winter berth", "winter or summer berth"));
    assertThat(d.amended().changed()).isOne();
    assertThat(d.amended().left()).isEmpty();
    assertThat(d.amended().told()).singleElement().asString().contains("page 1").contains("below");
    assertThat(d.lines()).hasSize(4).allSatisfy(l -> assertThat(l.strip()).hasSizeLessThan(42));
    assertThat(String.join(" ", d.lines()).replaceAll("\\s+", " "))
        .isEqualTo(String.join(" ", FEES).replace("winter berth", "winter or summer berth"));
  }

  @Test
  void severalInOneParagraphGoOnTogether() throws Exception {
    Done d =
        amend(
            new RawPdf().page(lines(FEES)),
            new Replacement("holder", "lawful holder"),
            new Replacement("copy", "stamped copy"),
            new Replacement("let", "hired"));
    assertThat(d.amended().changed()).isEqualTo(3);
    assertThat(String.join(" ", d.lines()).replaceAll("\\s+", " "))
        .isEqualTo(
            String.join(" ", FEES)
                .replace("holder", "lawful holder")
                .replace("copy", "stamped copy")
                .replace("let.", "hired."));
  }

  @Test
  void aParagraphWithoutRoomStaysAsItWas() throws Exception {
    String more =
        "a berth that is too long a name for all of the room that this paragraph has left";
    Done d = amend(new RawPdf().page(lines(FEES)), new Replacement("winter berth", more));
    assertThat(d.amended().left())
        .containsExactly(new Left(1, "winter berth", Left.Reason.NO_ROOM));
    assertThat(d.lines()).containsExactly(FEES);
  }

  /** "berth" of the same page tells that the hyphen in "ber-/th" goes when its word is joined. */
  @Test
  void aHyphenGoesWhereItsWordStandsWholeElsewhere() throws Exception {
    Done d =
        amend(
            new RawPdf()
                .page(
                    lines(
                        "Every owner of any vessel on a cheap ber-",
                        "th pays the fee and in full at the office",
                        "as long as his berth is let.")),
            new Replacement("vessel", "vessel or raft"));
    assertThat(d.amended().changed()).isOne();
    assertThat(String.join(" ", d.lines()).replaceAll("\\s+", " "))
        .isEqualTo(
            "Every owner of any vessel or raft on a cheap berth pays the fee and in full at the"
                + " office as long as his berth is let.");
  }

  @Test
  void aHyphenStaysWhereItsWordHasItElsewhere() throws Exception {
    Done d =
        amend(
            new RawPdf()
                .page(
                    lines(
                        "Every owner of a vessel may use every re-",
                        "let berths and pays in full at the office",
                        "as long as his re-let one is.")),
            new Replacement("vessel", "vessel or raft"));
    assertThat(d.amended().changed()).isOne();
    assertThat(String.join(" ", d.lines()).replaceAll("\\s+", " "))
        .contains("may use every re-let berths and pays");
  }

  @Test
  void aHyphenThatNothingTellsOfStaysAtTheEndOfItsLineOrTheTextIsLeft() throws Exception {
    Done d =
        amend(
            new RawPdf()
                .page(
                    lines(
                        "Every owner of a vessel may use the pon-",
                        "toon, and pays in full then at the office",
                        "as long as he is there.")),
            new Replacement("vessel", "vessel or raft or pontoon"));
    assertThat(d.amended().left()).extracting(Left::reason).containsExactly(Left.Reason.NO_ROOM);
  }

  @Test
  void aDashAtTheEndOfALineAndHyphensBeforeCapitalsStay() throws Exception {
    Done dash =
        amend(
            new RawPdf()
                .page(
                    lines(
                        "Every owner of a vessel may use a berth -",
                        "berth or mooring, and pays for it in full",
                        "as long as he is there.")),
            new Replacement("vessel", "vessel or raft"));
    assertThat(String.join(" ", dash.lines()).replaceAll("\\s+", " "))
        .contains("or raft may use a berth - berth or mooring");
    Done capitals =
        amend(
            new RawPdf()
                .page(
                    lines(
                        "Every owner of a vessel may use the North-",
                        "East Northeast berths and pays in full it",
                        "as long as he is there.")),
            new Replacement("vessel", "vessel or raft"));
    assertThat(String.join(" ", capitals.lines()).replaceAll("\\s+", " "))
        .containsAnyOf("the North-East Northeast", "the North- East Northeast");
  }

  @Test
  void wordsOfAnotherColourAndLinksAreNeverMovedIntoOtherLines() throws Exception {
    String blue =
        "0 0 1 rg (" + FEES[1].substring(0, 8) + ") Tj 0 g (" + FEES[1].substring(8) + ") Tj";
    Done d =
        amend(
            new RawPdf().page(lines(FEES[0], blue, FEES[2], FEES[3])),
            new Replacement("winter berth", "winter or summer berth"));
    assertThat(d.amended().left()).hasSize(1);
    Done linked =
        amend(
            new RawPdf()
                .page(lines(FEES))
                .annotations("[<</Type/Annot/Subtype/Link/Rect[50 686 100 698]>>]"),
            new Replacement("winter berth", "winter or summer berth"));
    assertThat(linked.amended().left()).hasSize(1);
  }
}
