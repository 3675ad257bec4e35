package decant.bench;

import decant.format.Intake;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;

/**
 * How long it takes to take PDF files in, with all analysis, beside what PDFBox's own
 * PDFTextStripper takes for their bare text. Both read the file from disk; each is timed on its
 * second run over a file.
 *
 * <p>Arguments: files, or folders whose PDF files count.
 */
final class TakeInSpeed {
  private record Result(String name, int pages, double ours, double bare) {
    double times() {
      return ours / Math.max(1e-6, bare);
    }
  }

  private TakeInSpeed() {}

  public static void main(String[] args) throws IOException {
    java.util.logging.LogManager.getLogManager().reset();
    var results = new ArrayList<Result>();
    for (String arg : args) {
      for (Path file : files(Path.of(arg))) {
        try {
          double bare = 0;
          double ours = 0;
          int pages = 0;
          for (int run = 0; run < 2; run++) {
            long start = System.nanoTime();
            pages = strip(file);
            bare = (System.nanoTime() - start) / 1e9;
            start = System.nanoTime();
            Intake.take(ReadRequest.of(file));
            ours = (System.nanoTime() - start) / 1e9;
          }
          results.add(new Result(file.getFileName().toString(), pages, ours, bare));
        } catch (IOException | ReadProblem | RuntimeException | LinkageError e) {
          // What one of the two refuses is not compared.
        }
      }
    }
    results.sort(Comparator.comparingDouble(Result::ours).reversed());
    results.stream().limit(20).forEach(TakeInSpeed::print);
    int pages = results.stream().mapToInt(Result::pages).sum();
    double ours = results.stream().mapToDouble(Result::ours).sum();
    double bare = results.stream().mapToDouble(Result::bare).sum();
    print(new Result("all " + results.size() + " files", pages, ours, bare));
    double[] times = results.stream().mapToDouble(Result::times).sorted().toArray();
    if (times.length > 0) {
      System.out.printf(Locale.ROOT, "median of the files %.2f times%n", times[times.length / 2]);
    }
  }

  private static int strip(Path file) throws IOException {
    try (PDDocument pdf =
        Loader.loadPDF(file.toFile(), "", IOUtils.createTempFileOnlyStreamCache())) {
      new PDFTextStripper().getText(pdf);
      return pdf.getNumberOfPages();
    }
  }

  private static void print(Result r) {
    System.out.printf(
        Locale.ROOT,
        "%-50s %5d pages  taken in %7.3f s  bare text %7.3f s  %5.2f times%n",
        r.name,
        r.pages,
        r.ours,
        r.bare,
        r.times());
  }

  private static List<Path> files(Path path) throws IOException {
    if (Files.isRegularFile(path)) {
      return List.of(path);
    }
    try (Stream<Path> all = Files.walk(path)) {
      return all.filter(f -> f.toString().toLowerCase(Locale.ROOT).endsWith(".pdf"))
          .sorted()
          .toList();
    }
  }
}
