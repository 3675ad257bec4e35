package decant.pdf.read.scan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.Samples;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.Test;

class PageScansTest {
  private final Path file = Samples.DEMO.resolve("Berth rules.pdf");

  private PDDocument open() throws IOException {
    return Loader.loadPDF(file.toFile());
  }

  @Test
  void pagesReadSideBySideAreThoseReadOneAfterTheOther() throws IOException, ReadProblem {
    try (PDDocument pdf = open()) {
      int n = pdf.getNumberOfPages();
      List<Integer> told = new ArrayList<>();
      ReadRequest request =
          ReadRequest.of(file).watched((done, all) -> told.add(done), () -> false);
      PageScans.Result one = new PageScans(request, pdf, new PdfLinks(pdf), this::open).all();
      PageScans.Result several =
          new PageScans(ReadRequest.of(file), pdf, new PdfLinks(pdf), this::open).sideBySide(n, 3);
      assertThat(several.pages()).isEqualTo(one.pages());
      assertThat(several.fonts().faces().stream().distinct())
          .containsExactlyElementsOf(one.fonts().faces().stream().distinct().toList());
      assertThat(told).as("progress").hasSize(n).isSorted();
    }
  }

  @Test
  void allStretchesEndWhenReadingIsCancelled() throws IOException, ReadProblem {
    try (PDDocument pdf = open()) {
      var asked = new AtomicInteger();
      ReadRequest request =
          ReadRequest.of(file).watched((done, all) -> {}, () -> asked.incrementAndGet() > 4);
      var scans = new PageScans(request, pdf, new PdfLinks(pdf), this::open);
      assertThatThrownBy(() -> scans.sideBySide(pdf.getNumberOfPages(), 2))
          .isInstanceOfSatisfying(
              ReadProblem.class, e -> assertThat(e.kind()).isEqualTo(ReadProblem.Kind.CANCELLED));
      assertThat(asked.get()).as("each ends at its next page").isLessThan(8);
    }
  }

  @Test
  void aFileThatCannotBeOpenedOnceMoreIsReported() throws IOException, ReadProblem {
    try (PDDocument pdf = open()) {
      var scans =
          new PageScans(
              ReadRequest.of(file),
              pdf,
              new PdfLinks(pdf),
              () -> {
                throw new IOException("gone");
              });
      assertThatThrownBy(() -> scans.sideBySide(4, 2)).hasMessage("gone");
    }
  }
}
