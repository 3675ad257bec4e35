package decant.bench;

import com.sun.management.OperatingSystemMXBean;
import decant.convert.Pages;
import decant.format.Intake;
import decant.layout.Layout;
import decant.model.Metadata;
import decant.pdf.choices.Compression;
import decant.pdf.choices.PdfChoices;
import decant.pdf.write.PdfWriter;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.verify.Check;
import decant.verify.pdf.PdfVerifier;
import decant.work.Deadline;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.zip.ZipFile;

/**
 * Office documents published as PDF, step by step, warmed: pages a second by the clock, and the
 * processor time of the whole process for a page. Beside them the floor: taking the package apart
 * and parsing it, and compressing the contents of the pages, and nothing else.
 */
final class PublishDocuments {
  private static final OperatingSystemMXBean SYSTEM =
      (OperatingSystemMXBean) ManagementFactory.getOperatingSystemMXBean();

  /** Of the corpus that {@code corpus/fetch.sh} fetches, every sixth that is not blank. */
  private static final List<String> MIXED =
      List.of(
          "python-docxcompose/broken_listing_many.docx",
          "python-docxcompose/complex_field_with_split_fieldname.docx",
          "python-docxcompose/content_controls_multiline_formatted.docx",
          "python-docxcompose/docproperties_different_first_page_1_section.docx",
          "python-docxcompose/docproperties_shared_header_2_sections.docx",
          "python-docxcompose/docs__embedded_excel_chart.docx",
          "python-docxcompose/docs__hyperlinks.docx",
          "python-docxcompose/docs__numberings.docx",
          "python-docxcompose/docs__table.docx",
          "python-docxcompose/footnotes_with_hyperlinks.docx",
          "python-docxcompose/images.docx",
          "python-docxcompose/next_page_section_break.docx",
          "python-docxcompose/numberings_styles.docx",
          "python-docxcompose/styles_de.docx",
          "r-cran-officer/example.docx",
          "tika-parser-microsoft-module/testDOCX_Thumbnail.docx",
          "tika-parser-microsoft-module/testWORD_boldHyperlink.docx",
          "tika-parser-microsoft-module/testWORD_docSecurity.docx",
          "tika-parser-microsoft-module/testWORD_no_format.docx",
          "tika-parser-microsoft-module/testWORD_text_box.docx",
          "tika-parser-microsoft-module/test_recursive_embedded_npe.docx");

  private static final int WARM = 6;
  private static final int ROUNDS = 5;

  private PublishDocuments() {}

  /**
   * @param args how many pages the long document has, and the folder of the corpus' DOCX files if
   *     the mixed ones are wanted too
   */
  public static void main(String[] args) throws Exception {
    java.util.logging.LogManager.getLogManager().reset();
    Path folder = Files.createTempDirectory("decant-bench");
    Path file = folder.resolve("long.docx");
    WriteLong.main(new String[] {args.length > 0 ? args[0] : "300", file.toString()});
    System.out.printf(
        "%d processors, %s%n",
        Runtime.getRuntime().availableProcessors(), System.getProperty("java.vm.version"));
    for (Compression.Effort effort : Compression.Effort.values()) {
      told("level " + effort.level(), List.of(file), effort, folder);
    }
    floor(file);
    if (args.length > 1) {
      List<Path> mixed = MIXED.stream().map(Path.of(args[1])::resolve).toList();
      told("21 documents", mixed, Compression.Effort.MEDIUM, folder);
    }
    System.out.printf(
        "heap at the end: at most %d MiB%n",
        ManagementFactory.getMemoryPoolMXBeans().stream()
                .filter(p -> p.getType() == java.lang.management.MemoryType.HEAP)
                .mapToLong(p -> p.getPeakUsage().getUsed())
                .sum()
            >> 20);
  }

  /** What one publishing took, in nanoseconds by the clock and of processors. */
  private record Took(
      int pages, long bytes, long read, long laid, long written, long verified, long[] cpu) {
    long made() {
      return read + laid + written;
    }
  }

  private static void told(String name, List<Path> files, Compression.Effort effort, Path folder)
      throws Exception {
    for (int k = 0; k < WARM; k++) {
      all(files, effort, folder, true);
    }
    Took best = all(files, effort, folder, false);
    for (int k = 1; k < ROUNDS; k++) {
      Took next = all(files, effort, folder, false);
      best = next.made() < best.made() ? next : best;
    }
    Took checked = all(files, effort, folder, true);
    double pages = best.pages();
    System.out.printf(
        "%s: %d pages, %.0f pages/s; read %d, laid out %d, written %d ms; CPU a page %.2f ms"
            + " (%.2f + %.2f + %.2f); verified in %d ms, CPU %.2f of writing; %,d bytes%n",
        name,
        best.pages(),
        pages * 1e9 / best.made(),
        best.read() / 1_000_000,
        best.laid() / 1_000_000,
        best.written() / 1_000_000,
        (best.cpu()[0] + best.cpu()[1] + best.cpu()[2]) / 1e6 / pages,
        best.cpu()[0] / 1e6 / pages,
        best.cpu()[1] / 1e6 / pages,
        best.cpu()[2] / 1e6 / pages,
        checked.verified() / 1_000_000,
        (double) checked.cpu()[3] / checked.cpu()[2],
        best.bytes());
  }

  private static Took all(
      List<Path> files, Compression.Effort effort, Path folder, boolean verified) throws Exception {
    System.gc();
    Took sum = new Took(0, 0, 0, 0, 0, 0, new long[4]);
    for (Path f : files) {
      Took t = one(f, effort, folder.resolve("out.pdf"), verified);
      long[] cpu = IntStream.range(0, 4).mapToLong(k -> 0).toArray();
      for (int k = 0; k < 4; k++) {
        cpu[k] = sum.cpu()[k] + t.cpu()[k];
      }
      sum =
          new Took(
              sum.pages() + t.pages(),
              sum.bytes() + t.bytes(),
              sum.read() + t.read(),
              sum.laid() + t.laid(),
              sum.written() + t.written(),
              sum.verified() + t.verified(),
              cpu);
    }
    return sum;
  }

  private static Took one(Path file, Compression.Effort effort, Path to, boolean verified)
      throws Exception {
    Deadline deadline = Deadline.in(Duration.ofMinutes(5));
    var cpu = new long[5];
    var clock = new long[5];
    mark(cpu, clock, 0);
    TakenIn taken = Intake.take(ReadRequest.of(file).by(deadline));
    mark(cpu, clock, 1);
    Layout layout = Pages.of(taken.document(), deadline);
    mark(cpu, clock, 2);
    PdfChoices c =
        PdfChoices.defaults(
                IntStream.range(0, layout.pages().size()).boxed().toList(), Metadata.NONE)
            .with(new Compression(effort, true, 0, 0, true, true));
    try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(to), 1 << 16)) {
      PdfWriter.write(layout, c, Optional.empty(), out, n -> {}, () -> false);
    }
    mark(cpu, clock, 3);
    if (verified) {
      Optional<Check> failed =
          PdfVerifier.verify(to, layout, c).stream().filter(x -> !x.passed()).findFirst();
      if (failed.isPresent()) {
        throw new IllegalStateException(file + ": " + failed.get());
      }
    }
    mark(cpu, clock, 4);
    return new Took(
        layout.pages().size(),
        Files.size(to),
        clock[1] - clock[0],
        clock[2] - clock[1],
        clock[3] - clock[2],
        clock[4] - clock[3],
        IntStream.range(0, 4).mapToLong(k -> cpu[k + 1] - cpu[k]).toArray());
  }

  private static void mark(long[] cpu, long[] clock, int at) {
    cpu[at] = SYSTEM.getProcessCpuTime();
    clock[at] = System.nanoTime();
  }

  /** Unzipping the text part and going through it once, by the parser of the virtual machine. */
  private static void floor(Path file) throws IOException, javax.xml.stream.XMLStreamException {
    var took = new ArrayList<Long>();
    for (int k = 0; k < WARM + ROUNDS; k++) {
      long start = System.nanoTime();
      try (var zip = new ZipFile(file.toFile());
          var in = zip.getInputStream(zip.getEntry("word/document.xml"))) {
        var xml = javax.xml.stream.XMLInputFactory.newFactory().createXMLStreamReader(in);
        while (xml.hasNext()) {
          xml.next();
        }
      }
      took.add(System.nanoTime() - start);
    }
    System.out.printf(
        "taking the package apart and parsing it: %d ms%n",
        took.stream().mapToLong(t -> t).min().orElse(0) / 1_000_000);
  }
}
