package decant.bench;

import com.sun.management.OperatingSystemMXBean;
import decant.layout.Layout;
import decant.layout.Layouter;
import decant.model.Block;
import decant.model.Document;
import decant.model.Metadata;
import decant.model.Paragraph;
import decant.model.edit.HeadingStyles;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.pdf.choices.Compression;
import decant.pdf.choices.PdfChoices;
import decant.pdf.write.PdfWriter;
import decant.text.FontBook;
import decant.verify.Check;
import decant.verify.pdf.PdfVerifier;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.zip.Deflater;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * Publishing text-dense pages beside the floor: java.util.zip compressing the same pages' contents
 * at the same level and doing nothing else. CPU time of the whole process, and memory.
 */
final class PublishSpeed {
  private static final OperatingSystemMXBean SYSTEM =
      (OperatingSystemMXBean) ManagementFactory.getOperatingSystemMXBean();

  private PublishSpeed() {}

  public static void main(String[] args) throws Exception {
    java.util.logging.LogManager.getLogManager().reset();
    int wanted = args.length > 0 ? Integer.parseInt(args[0]) : 1000;
    Layout layout = dense(wanted);
    Path file = Files.createTempFile("decant-bench", ".pdf");
    System.out.printf("%d pages%n", layout.pages().size());
    for (Compression.Effort effort : Compression.Effort.values()) {
      for (int round = 0; round < 3; round++) {
        measure(layout, effort, file, round == 2);
      }
    }
    Files.delete(file);
  }

  private static void measure(Layout layout, Compression.Effort effort, Path file, boolean told)
      throws Exception {
    PdfChoices c =
        PdfChoices.defaults(
                IntStream.range(0, layout.pages().size()).boxed().toList(), Metadata.NONE)
            .with(new Compression(effort, true, 0, 0, true, true));
    System.gc();
    ManagementFactory.getMemoryPoolMXBeans().forEach(MemoryPoolMXBean::resetPeakUsage);
    long before = used();
    long cpu = SYSTEM.getProcessCpuTime();
    long start = System.nanoTime();
    try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file), 1 << 16)) {
      PdfWriter.write(layout, c, Optional.empty(), out, n -> {}, () -> false);
    }
    double wrote = (SYSTEM.getProcessCpuTime() - cpu) / 1e9;
    double wall = (System.nanoTime() - start) / 1e9;
    long peak =
        ManagementFactory.getMemoryPoolMXBeans().stream()
            .filter(p -> p.getType() == java.lang.management.MemoryType.HEAP)
            .mapToLong(p -> p.getPeakUsage().getUsed())
            .sum();
    cpu = SYSTEM.getProcessCpuTime();
    start = System.nanoTime();
    List<Check> checks = PdfVerifier.verify(file, layout, c);
    double verified = (SYSTEM.getProcessCpuTime() - cpu) / 1e9;
    double verifiedWall = (System.nanoTime() - start) / 1e9;
    double floor = floor(file, effort.level());
    if (told) {
      System.out.printf(
          "level %d: write %.2f s CPU (%.2f s by the clock), floor %.2f s CPU, ratio %.2f; verify"
              + " %.2f s CPU (%.2f s by the clock); %,d bytes; all checks passed: %s; heap before"
              + " %d MiB, peak %d MiB%n",
          effort.level(),
          wrote,
          wall,
          floor,
          wrote / floor,
          verified,
          verifiedWall,
          Files.size(file),
          checks.stream().allMatch(Check::passed),
          before >> 20,
          peak >> 20);
    }
  }

  private static long used() {
    return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
  }

  /** CPU seconds that deflate alone takes for the contents. */
  private static double floor(Path file, int level) throws IOException {
    var contents = new ArrayList<byte[]>();
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      for (var page : pdf.getPages()) {
        contents.add(page.getContents().readAllBytes());
      }
    }
    long cpu = SYSTEM.getProcessCpuTime();
    byte[] buffer = new byte[1 << 16];
    for (byte[] b : contents) {
      var deflater = new Deflater(level);
      deflater.setInput(b);
      deflater.finish();
      while (!deflater.finished()) {
        deflater.deflate(buffer);
      }
      deflater.end();
    }
    return (SYSTEM.getProcessCpuTime() - cpu) / 1e9;
  }

  /** Pages of close prose with headings, the same each time. */
  private static Layout dense(int pages) {
    var sheet =
        new StyleSheet(
            Look.of(ParagraphTraits.SPACE_AFTER, 3.0)
                .with(ParagraphTraits.ALIGNMENT, ParagraphTraits.Alignment.JUSTIFIED),
            Look.of(TextTraits.FAMILY, "Liberation Serif").with(TextTraits.SIZE, 10.0),
            "",
            Map.of());
    sheet = HeadingStyles.ensure(HeadingStyles.ensure(sheet, 1), 2);
    var random = new Random(11);
    String[] words =
        ("the berth harbour line tide gauge office quay of and to for is are by with charge day week"
                + " metre pontoon winter storage ladder lamp notice season vessel holder register"
                + " stairs wall rope doubled forecast gale spring dredging depth board")
            .split(" ");
    List<Block> blocks = new ArrayList<>();
    int perPage = 7;
    for (int k = 0; k < pages * perPage; k++) {
      if (k % 20 == 0) {
        blocks.add(
            Paragraph.of(
                Look.of(ParagraphTraits.STYLE, "Heading" + (k % 100 == 0 ? 1 : 2)),
                "Part " + (k / 20 + 1)));
      }
      var b = new StringBuilder();
      for (int w = 0; w < 95; w++) {
        b.append(words[random.nextInt(words.length)]).append(w % 13 == 12 ? ". " : " ");
      }
      blocks.add(Paragraph.of(Look.PLAIN, b.toString()));
    }
    return new Layouter(FontBook.shipped()).layout(Document.of(sheet, blocks));
  }
}
