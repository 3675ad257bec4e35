package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import decant.Samples;
import decant.model.finding.Finding;
import decant.model.finding.Finding.Severity;
import decant.pdf.amend.Amended;
import decant.pdf.amend.PdfAmender;
import decant.pdf.amend.Replacement;
import decant.pdf.read.PdfReader;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;
import java.util.zip.Deflater;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Files with one fault each, by the clauses of ISO 32000-2 that they break. What is there is read;
 * what is not is told, and nothing is told of files without a fault.
 */
class DamagedPdfTest {
  private static final String CATALOG = "1 0 obj\n<</Type/Catalog/Pages 2 0 R>>\nendobj\n";
  private static final String TREE = "2 0 obj\n<</Type/Pages/Count %s/Kids[%s]%s>>\nendobj\n";
  private static final String FONT =
      "3 0 obj\n<</Type/Font/Subtype/Type1/BaseFont/Helvetica>>\nendobj\n";
  private static final String BOX = "/MediaBox[0 0 600 800]/Resources<</Font<</F 3 0 R>>>>";
  private static final String WORDS = "BT /F 11 Tf 72 700 Td (%s) Tj ET\n";

  @TempDir Path folder;

  private static String page(int n, String entries) {
    return "%d 0 obj\n<</Type/Page/Parent 2 0 R/Contents %d 0 R%s>>\nendobj\n"
        .formatted(n, n + 1, entries);
  }

  private static byte[] bytes(String s) {
    return s.getBytes(StandardCharsets.ISO_8859_1);
  }

  private static String stream(int n, String entries, byte[] content) {
    String said = new String(content, StandardCharsets.ISO_8859_1);
    return "%d 0 obj\n<<%s>>\nstream\n%s\nendstream\nendobj\n".formatted(n, entries, said);
  }

  private static String content(int n, String words) {
    byte[] shown = bytes(WORDS.formatted(words));
    return stream(n, "/Length " + shown.length, shown);
  }

  private Path file(String... objects) throws IOException {
    var out = new ByteArrayOutputStream();
    out.writeBytes(bytes("%PDF-1.7\n"));
    var places = new TreeMap<Integer, Integer>();
    for (String o : objects) {
      places.put(Integer.valueOf(o.substring(0, o.indexOf(' '))), out.size());
      out.writeBytes(bytes(o));
    }
    int start = out.size();
    var xref = new StringBuilder("xref\n0 1\n0000000000 65535 f \n");
    places.forEach((n, at) -> xref.append("%d 1\n%010d 00000 n \n".formatted(n, at)));
    out.writeBytes(
        bytes(
            "%strailer\n<</Size %d/Root 1 0 R>>\nstartxref\n%d\n%%%%EOF\n"
                .formatted(xref, places.lastKey() + 1, start)));
    return Files.write(folder.resolve("damaged.pdf"), out.toByteArray());
  }

  /** What a file comes in as that has a catalog and a font besides. */
  private TakenIn taken(String tree, String... pages) throws IOException {
    var all = new ArrayList<>(List.of(CATALOG, tree, FONT));
    all.addAll(List.of(pages));
    return Samples.taken(file(all.toArray(String[]::new)));
  }

  private static List<String> told(TakenIn t) {
    return t.findings().stream()
        .filter(f -> f.severity() != Severity.NOTE)
        .map(Finding::message)
        .toList();
  }

  /** §7.3.8.2: the length is a number, or leads to one. Here it leads to what is none. */
  @ParameterizedTest
  @ValueSource(strings = {"5 0 R", "1 0 R", "99 0 R", "3 0 R", "/Long"})
  void aLengthThatIsNoNumberCostsNothing(String length) throws IOException {
    byte[] shown = bytes(WORDS.formatted("Keep the quay clear."));
    TakenIn t =
        taken(TREE.formatted(1, "4 0 R", ""), page(4, BOX), stream(5, "/Length " + length, shown));
    assertThat(Samples.text(t)).contains("Keep the quay clear.");
    assertThat(told(t)).isEmpty();
  }

  /** §7.7.3.2: the count is that of the pages. */
  @ParameterizedTest
  @CsvSource({"2, 0", "1, 0", "0, 0", "-7, 0", "3, 1", "19999, 1", "2000000000, 1"})
  void aWrongCountCostsNoPage(int count, int losses) throws IOException {
    TakenIn t =
        taken(
            TREE.formatted(count, "4 0 R 6 0 R", BOX),
            page(4, ""),
            content(5, "Berth one"),
            page(6, ""),
            content(7, "Berth two"));
    assertThat(t.origin().pages()).isEqualTo(2);
    assertThat(Samples.text(t)).contains("Berth one").contains("Berth two");
    assertThat(told(t)).hasSize(losses).allMatch(m -> m.startsWith("Only 2 pages could be found"));
  }

  /** §7.7.3.1: a tree that leads back to itself, or to nothing, is followed where it leads. */
  @ParameterizedTest
  @ValueSource(strings = {"2 0 R 4 0 R", "4 0 R 99 0 R", "null 4 0 R", "4 0 R 3 0 R 17"})
  void aTreeThatLeadsNowhereIsReadAsFarAsItGoes(String kids) throws IOException {
    TakenIn t = taken(TREE.formatted(5, kids, BOX), page(4, ""), content(5, "Berth one"));
    assertThat(Samples.text(t)).contains("Berth one");
    assertThat(told(t))
        .singleElement()
        .asString()
        .startsWith("Only 1 page could be found, though the file counts 5.");
  }

  /** §7.5.5: the end of a file that was cut off is not the end of a table within it. */
  @Test
  void aFileThatWasCutOffIsReadToItsLastByte() throws IOException {
    byte[] table = bytes("%!PS-Adobe-3.0 Resource-CMap\n%%EndResource\n%%EOF\n");
    Path whole =
        file(
            CATALOG,
            TREE.formatted(2, "4 0 R 6 0 R", BOX),
            FONT,
            page(4, ""),
            content(5, "Berth one"),
            stream(8, "/Length " + table.length, table),
            page(6, ""),
            content(7, "Berth two"));
    byte[] all = Files.readAllBytes(whole);
    int end = new String(all, StandardCharsets.ISO_8859_1).lastIndexOf("xref\n0 1");
    TakenIn t = Samples.taken(Files.write(whole, Arrays.copyOf(all, end)));
    assertThat(Samples.text(t)).contains("Berth one").contains("Berth two");
    assertThat(told(t)).isEmpty();
  }

  /** §7.7.3.3: a page says that it is one. */
  @Test
  void aPageThatSaysItIsSomethingElseIsStillOne() throws IOException {
    TakenIn t =
        taken(
            TREE.formatted(1, "4 0 R", BOX),
            page(4, "").replace("/Type/Page/", "/Type/Pane/"),
            content(5, "Berth one"));
    assertThat(Samples.text(t)).contains("Berth one");
    assertThat(told(t)).isEmpty();
  }

  /** §7.7.2: the catalog leads to the pages; without it they are found, and their order is told. */
  @ParameterizedTest
  @ValueSource(strings = {"1 0 obj\n<</Type/Catalog>>\nendobj\n", "8 0 obj\nnull\nendobj\n"})
  void pagesThatNothingLeadsToAreFound(String catalog) throws IOException {
    TakenIn t = Samples.taken(file(catalog, FONT, page(4, BOX), content(5, "Berth one")));
    assertThat(Samples.text(t)).contains("Berth one");
    assertThat(told(t)).singleElement().asString().contains("list of pages is damaged");
  }

  @Test
  void aFileWithoutAnyPageIsDamaged() throws IOException {
    Path file = file("8 0 obj\nnull\nendobj\n");
    var said = catchThrowableOfType(ReadProblem.class, () -> PdfReader.read(ReadRequest.of(file)));
    assertThat(said.kind()).isEqualTo(ReadProblem.Kind.DAMAGED);
  }

  /** RFC 1950: two bytes, what is packed, and the sum of what it unpacks to. */
  private static byte[] packed(String content) {
    return packed(bytes(content));
  }

  private static byte[] packed(byte[] content) {
    var deflater = new Deflater();
    deflater.setInput(content);
    deflater.finish();
    var out = new byte[content.length + 100];
    return Arrays.copyOf(out, deflater.deflate(out));
  }

  private TakenIn ofContent(byte[] packed) throws IOException {
    return ofContent("/FlateDecode", packed);
  }

  private TakenIn ofContent(String filters, byte[] packed) throws IOException {
    return taken(
        TREE.formatted(2, "4 0 R 6 0 R", ""),
        page(4, BOX),
        stream(5, "/Filter " + filters + "/Length " + packed.length, packed),
        page(6, BOX),
        content(7, "Berth two"));
  }

  private static String lines() {
    var all = new StringBuilder("BT /F 9 Tf 14 TL 72 780 Td\n");
    for (int k = 0; k < 40; k++) {
      all.append("(Berth ").append(k).append(" is ").append(k * k).append(" metres long.) Tj T*\n");
    }
    return all.append("ET\n").toString();
  }

  @Test
  void contentThatUnpacksIsNotDoubted() throws IOException {
    byte[] whole = packed(lines());
    assertThat(told(ofContent(whole))).isEmpty();
    assertThat(told(ofContent(Arrays.copyOf(whole, whole.length - 4)))).as("no sum").isEmpty();
    assertThat(told(ofContent(Arrays.copyOf(whole, whole.length + 9)))).as("more").isEmpty();
    assertThat(told(ofContent(new byte[0]))).as("nothing").isEmpty();
  }

  /** §7.4.3: hexadecimal digits around what is packed. */
  @Test
  void contentThatIsPackedTwiceIsLookedAtWithin() throws IOException {
    String filters = "[/ASCIIHexDecode/FlateDecode]";
    String digits = HexFormat.of().formatHex(packed(lines()));
    TakenIn whole = ofContent(filters, bytes(digits + ">"));
    assertThat(Samples.text(whole)).contains("Berth 39 is 1521");
    assertThat(told(whole)).isEmpty();
    String wrong = digits.substring(0, 200) + "0".repeat(40) + digits.substring(240);
    assertThat(told(ofContent(filters, bytes(wrong + ">"))))
        .singleElement()
        .asString()
        .startsWith("What stands on page 1 is damaged");
  }

  @Test
  void contentThatDoesNotUnpackIsTold() throws IOException {
    byte[] whole = packed(lines());
    byte[] zeroed = whole.clone();
    Arrays.fill(zeroed, whole.length / 2, whole.length / 2 + 16, (byte) 0);
    byte[] wrong = whole.clone();
    wrong[whole.length - 1] ^= 1;
    byte[] cut = Arrays.copyOf(whole, whole.length / 2);
    for (byte[] damaged : List.of(zeroed, wrong, cut)) {
      TakenIn t = ofContent(damaged);
      assertThat(Samples.text(t)).contains("Berth 0 is 0").contains("Berth two");
      assertThat(t.findings())
          .filteredOn(f -> f.severity() == Severity.LOSS)
          .singleElement()
          .satisfies(f -> {
            assertThat(f.message()).startsWith("What stands on page 1 is damaged");
            assertThat(f.source().orElseThrow().page()).isZero();
          });
    }
  }

  /** §7.8.2: a page may have no content; one that names some that is not there lacks it. */
  @Test
  void contentThatIsNotThereIsTold() throws IOException {
    TakenIn t =
        taken(
            TREE.formatted(3, "4 0 R 6 0 R 8 0 R", ""),
            page(4, BOX), // of which object 5 is missing
            page(6, BOX),
            content(7, "Berth two"),
            "8 0 obj\n<</Type/Page/Parent 2 0 R%s>>\nendobj\n".formatted(BOX));
    assertThat(Samples.text(t)).contains("Berth two");
    assertThat(told(t)).singleElement().asString().contains("page 1 is damaged");
  }

  /** What the library cannot make out it leaves out; here an object that breaks off. */
  @Test
  void objectsThatBreakOffAreTold() throws IOException {
    TakenIn t =
        taken(
            TREE.formatted(1, "4 0 R", ""),
            page(4, BOX + "/Annots 9 0 R"),
            content(5, "Berth one"),
            "9 0 obj\n<</Broken [ 9 0 R >>\nendobj\n");
    assertThat(Samples.text(t)).contains("Berth one");
    assertThat(told(t)).singleElement().asString().startsWith("1 part of the file is damaged");
  }

  private static final String PICTURE =
      "/Type/XObject/Subtype/Image/Width 40/Height 30/BitsPerComponent 8/ColorSpace/DeviceGray";

  private static byte[] part(byte[] whole, int from, int to) {
    return Arrays.copyOfRange(whole, from, to);
  }

  /** A page that shows a picture, 200 points wide. */
  private TakenIn showing(String entries, byte[] picture) throws IOException {
    byte[] shown = bytes("q 200 0 0 150 72 500 cm /I Do Q " + WORDS.formatted("The quay."));
    String length = "/Length " + picture.length;
    return taken(
        TREE.formatted(1, "4 0 R", ""),
        page(4, BOX.replace("/Font", "/XObject<</I 6 0 R>>/Font")),
        stream(5, "/Length " + shown.length, shown),
        stream(6, PICTURE + entries + length, picture));
  }

  /** §8.9.5: a picture has as many samples as its size asks for; here some are lost. */
  @Test
  void picturesThatBreakOffAreTold() throws IOException {
    var dots = new byte[40 * 30];
    new Random(7).nextBytes(dots);
    byte[] whole = packed(dots);
    String flate = "/Filter/FlateDecode";
    assertThat(told(showing(flate, whole))).as("whole").isEmpty();
    assertThat(told(showing(flate, packed(part(dots, 0, 40 * 29))))).as("a row short").isEmpty();
    byte[] changed = whole.clone();
    changed[whole.length / 2] ^= 0x55;
    for (byte[] damaged :
        List.of(part(whole, 0, whole.length / 2), changed, packed(part(dots, 0, 40 * 10)))) {
      assertThat(told(showing(flate, damaged)))
          .containsExactly(
              "A picture on page 1 is damaged in the file; it is shown as far as it goes.");
    }
  }

  /** ISO/IEC 10918-1 B.1.1.3: a JPEG ends with a mark. The picture is the JDK's own writer's. */
  @Test
  void jpegsWithoutTheirEndAreTold() throws IOException {
    var image = new BufferedImage(40, 30, BufferedImage.TYPE_BYTE_GRAY);
    for (int k = 0; k < 40 * 30; k++) {
      image.getRaster().setSample(k % 40, k / 40, 0, k * 37 % 251);
    }
    var out = new ByteArrayOutputStream();
    ImageIO.write(image, "jpeg", out);
    byte[] whole = out.toByteArray();
    String jpeg = "/Filter/DCTDecode";
    assertThat(told(showing(jpeg, whole))).as("whole").isEmpty();
    byte[] padded = Arrays.copyOf(whole, whole.length + 64);
    assertThat(told(showing(jpeg, padded))).as("with bytes after it").isEmpty();
    assertThat(told(showing(jpeg, part(whole, 0, whole.length * 2 / 3))))
        .containsExactly(
            "A picture on page 1 is damaged in the file; it is shown as far as it goes.");
  }

  /** What was changed is in the new file; what could not be read of the old one is not. */
  @Test
  void changingWordsOfADamagedFileTellsWhatIsMissing() throws Exception {
    byte[] lines = packed(lines());
    String packed = "/Filter/FlateDecode/Length ";
    Path file =
        file(
            CATALOG,
            TREE.formatted(2, "4 0 R 6 0 R", ""),
            FONT,
            page(4, BOX),
            content(5, "Keep the quay clear."),
            page(6, BOX),
            stream(7, packed + lines.length / 2, part(lines, 0, lines.length / 2)));
    assertThat(amended(file, "quay").told()).as("that page is whole").isEmpty();
    Amended damaged = amended(file, "Berth");
    assertThat(damaged.changed()).isPositive();
    assertThat(damaged.told())
        .containsExactly(
            "What stands on page 2 is damaged in the file. What could not be read of it is not in the"
                + " changed one.");
  }

  private static Amended amended(Path file, String word) throws ReadProblem {
    return PdfAmender.in(
        ReadRequest.of(file),
        pdf -> pdf.replace(List.of(new Replacement(word, word + "s")), List.of(0, 1)));
  }
}
