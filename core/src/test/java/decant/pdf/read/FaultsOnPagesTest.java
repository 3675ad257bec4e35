package decant.pdf.read;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.Samples;
import decant.model.Inline;
import decant.model.finding.Finding;
import decant.pdf.read.beside.RunningTexts;
import decant.pdf.read.page.ScannedPage;
import decant.pin.PinnedPages;
import decant.pin.Pinning;
import decant.publication.KeptPage;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Faults of ours while pages are told apart: no file is lost by them, and no page. */
class FaultsOnPagesTest {
  private static final Path RULES = Samples.DEMO.resolve("Berth rules.pdf");

  /** A request whose reading fails so often, as a fault anywhere in it would make it fail. */
  private static ReadRequest failing(int times) {
    var left = new AtomicInteger(times);
    return ReadRequest.of(RULES)
        .watched(
            (done, all) -> {
              if (left.getAndDecrement() > 0) {
                throw new IllegalStateException("made to fail");
              }
            },
            () -> false);
  }

  private static TakenIn readWithFault() throws ReadProblem {
    return PdfReader.read(failing(1));
  }

  @Test
  void pagesAreKeptWholeWhereReadingThemFailed() throws ReadProblem {
    TakenIn taken = readWithFault();
    int pages = taken.origin().pages();
    assertThat(pages).isGreaterThan(2);
    List<Finding> told =
        taken.findings().stream().filter(f -> f.kind() == Finding.Kind.PAGE_KEPT_WHOLE).toList();
    assertThat(told).hasSize(pages);
    assertThat(told)
        .allSatisfy(f -> {
          assertThat(f.severity()).isEqualTo(Finding.Severity.LOSS);
          assertThat(f.message()).contains("fault in Decant").containsPattern("number [0-9a-f]{8}");
        });
    assertThat(told.stream().map(f -> f.source().orElseThrow().page()))
        .containsExactlyElementsOf(Stream.iterate(0, k -> k + 1).limit(pages).toList());
    List<Inline> pictures =
        taken.document().paragraphs().stream()
            .flatMap(p -> p.inlines().stream())
            .filter(i -> i instanceof Inline.Picture)
            .toList();
    assertThat(pictures).hasSize(pages);
    assertThat(taken.document().paragraphs()).hasSize(pages);
  }

  @Test
  void suchPagesArePinnedSoThatTheirTextStays() throws ReadProblem, IOException {
    TakenIn taken = readWithFault();
    TakenIn judged =
        PinnedPages.judged(
            new KeptPage.InFile(RULES, ""), taken, Samples.layout(taken.document()), () -> false);
    assertThat(Pinning.pages(judged.document()).keySet()).hasSize(taken.origin().pages());
    assertThat(judged.findings().stream().filter(f -> f.kind() == Finding.Kind.PAGE_PINNED))
        .hasSize(taken.origin().pages())
        .allSatisfy(f -> assertThat(f.message()).contains("could not be told apart"));
    assertThat(judged.findings().stream().filter(f -> f.kind() == Finding.Kind.PAGE_KEPT_WHOLE))
        .hasSize(taken.origin().pages())
        .allSatisfy(f -> {
          assertThat(f.severity()).isEqualTo(Finding.Severity.DOUBT);
          assertThat(f.message()).contains("fault in Decant").containsPattern("number [0-9a-f]{8}");
        });
  }

  @Test
  void whatFailsAgainIsTold() {
    assertThatThrownBy(() -> PdfReader.read(failing(2))).isInstanceOf(IllegalStateException.class);
  }

  /** The pages beside it are not touched: only those on which something failed are named. */
  @Test
  void aFaultIsOfItsPageAlone() {
    ScannedPage blank = ScannedPage.blank(0, 595, 842);
    List<ScannedPage> pages = Arrays.asList(blank, null, blank, null);
    var analysis =
        new PageAnalysis(
            ReadRequest.of(RULES),
            pages,
            List.of(List.of(), List.of(), List.of(), List.of()),
            RunningTexts.of(List.of(blank), List.of(List.of())));
    assertThatThrownBy(analysis::all)
        .isInstanceOfSatisfying(
            PageFaults.class,
            f ->
                assertThat(f.byPage())
                    .containsOnlyKeys(1, 3)
                    .hasEntrySatisfying(
                        1, t -> assertThat(t).isInstanceOf(NullPointerException.class)));
  }
}
