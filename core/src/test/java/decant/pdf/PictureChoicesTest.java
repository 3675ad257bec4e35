package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.Tool;
import decant.layout.Layout;
import decant.model.Block;
import decant.model.Document;
import decant.model.look.Media;
import decant.paint.PagePainter;
import decant.pdf.choices.Compression;
import decant.pdf.choices.Conformance;
import decant.pdf.choices.Enclosures;
import decant.pdf.choices.PdfChoices;
import decant.pdf.choices.Version;
import decant.verify.pdf.PdfVerifier;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** How pictures are stored, by what poppler's pdfimages sees. */
class PictureChoicesTest {
  @TempDir Path folder;

  /**
   * A picture in the list of pdfimages: type, width, height, colour, components, bits, encoding.
   */
  private record Seen(
      String kind, int width, int height, String colour, int bits, String encoding) {}

  private List<Seen> seen(Path file) {
    return Tool.run("pdfimages", "-list", file.toString())
        .output()
        .lines()
        .skip(2)
        .map(s -> s.strip().split("\\s+"))
        .map(f ->
            new Seen(
                f[2],
                Integer.parseInt(f[3]),
                Integer.parseInt(f[4]),
                f[5],
                Integer.parseInt(f[7]),
                f[8]))
        .toList();
  }

  private Path published(Compression w, double width, Media... pictures) {
    Layout l = layout(width, pictures);
    PdfChoices c = Samples.choices(l).with(w);
    Path file = Published.file(folder, l, c);
    assertThat(PdfVerifier.verify(file, l, c).stream().filter(x -> !x.passed())).isEmpty();
    return file;
  }

  private static Layout layout(double width, Media... pictures) {
    List<Block> blocks = new ArrayList<>();
    for (Media m : pictures) {
      blocks.add(Published.picture(m, width, width * 0.75, "A picture"));
    }
    Document d = Samples.document(pictures[0], blocks.toArray(Block[]::new));
    for (Media m : pictures) {
      d = d.withMedia(m);
    }
    return Samples.layout(d);
  }

  private static Compression compression(int quality, int resolution) {
    return new Compression(Compression.Effort.MOST, true, quality, resolution, true, true);
  }

  @Test
  void jpegGoesThroughByteByByte() throws IOException {
    Media m = Published.jpeg(Published.photograph(200, 150));
    Path file = published(compression(50, 0), 200, m);
    Tool.run("pdfimages", "-all", file.toString(), folder.resolve("out").toString());
    assertThat(folder.resolve("out-000.jpg")).hasBinaryContent(m.bytes());
  }

  @Test
  void photographsBecomeJpegOnlyIfThatIsChosen() {
    Media m = Published.png(Published.photograph(200, 150));
    assertThat(seen(published(compression(0, 0), 200, m)))
        .containsExactly(new Seen("image", 200, 150, "rgb", 8, "image"));
    assertThat(seen(published(compression(70, 0), 200, m)))
        .containsExactly(new Seen("image", 200, 150, "rgb", 8, "jpeg"));
  }

  @Test
  void aLowerQualityIsSmaller() throws IOException {
    Media m = Published.png(Published.photograph(400, 300));
    long fine = Files.size(published(compression(90, 0), 200, m));
    long coarse = Files.size(published(compression(40, 0), 200, m));
    long lossless = Files.size(published(compression(0, 0), 200, m));
    assertThat(coarse).isLessThan(fine * 2 / 3);
    assertThat(fine).isLessThan(lossless);
  }

  @Test
  void lineArtStaysLosslessInFewBits() throws IOException {
    Media m = Published.png(Published.lineArt(300, 225, new Color(0x8A1538)));
    Path file = published(compression(50, 0), 200, m);
    assertThat(seen(file)).containsExactly(new Seen("image", 300, 225, "index", 1, "image"));
    assertThat(pixels(file)).isEqualTo(pixels(Published.lineArt(300, 225, new Color(0x8A1538))));
  }

  @Test
  void blackAndWhiteIsFaxed() throws IOException {
    var random = new java.util.Random(3);
    var words = new StringBuilder();
    for (int k = 0; k < 900; k++) {
      words.append(k % 7 == 6 ? ' ' : (char) ('a' + random.nextInt(26)));
    }
    Layout written = Samples.layout(Samples.document(Samples.paragraph(words.toString())));
    BufferedImage painted = new PagePainter().paint(written, written.pages().getFirst(), 4);
    BufferedImage page =
        Published.image(
            900,
            400,
            BufferedImage.TYPE_INT_RGB,
            (x, y) -> (painted.getRGB(x + 290, y + 290) & 255) < 128 ? 0xFF000000 : -1);
    Media m = Published.png(page);
    Path file = published(compression(0, 0), 200, m);
    assertThat(seen(file)).containsExactly(new Seen("image", 900, 400, "gray", 1, "ccitt"));
    assertThat(pixels(file)).isEqualTo(pixels(page));
    Path flat =
        published(new Compression(Compression.Effort.MOST, true, 0, 0, true, false), 200, m);
    assertThat(seen(flat)).containsExactly(new Seen("image", 900, 400, "gray", 1, "image"));
    assertThat(pixels(flat)).isEqualTo(pixels(page));
  }

  @Test
  void whatHasNoColourIsGrey() throws IOException {
    BufferedImage grey =
        Published.image(
            200,
            150,
            BufferedImage.TYPE_INT_RGB,
            (x, y) -> {
              int v = (x * 5 + y * 3) % 256;
              return 0xFF000000 | v << 16 | v << 8 | v;
            });
    Media m = Published.png(grey);
    Path file = published(compression(0, 0), 200, m);
    assertThat(seen(file)).containsExactly(new Seen("image", 200, 150, "gray", 8, "image"));
    assertThat(pixels(file)).isEqualTo(pixels(grey));
    Path rgb = published(new Compression(Compression.Effort.MOST, true, 0, 0, false, true), 200, m);
    assertThat(seen(rgb).getFirst().colour()).isNotEqualTo("gray");
  }

  @Test
  void theResolutionIsLimitedAtTheSizeItIsPlacedIn() {
    Media m = Published.png(Published.photograph(800, 600));
    // 800 pixels on 144 points are 400 dots an inch
    assertThat(seen(published(compression(80, 150), 144, m)))
        .containsExactly(new Seen("image", 300, 225, "rgb", 8, "jpeg"));
    assertThat(seen(published(compression(80, 600), 144, m)).getFirst().width()).isEqualTo(800);
    Media jpeg = Published.jpeg(Published.photograph(800, 600));
    assertThat(seen(published(compression(0, 150), 144, jpeg)))
        .containsExactly(new Seen("image", 300, 225, "rgb", 8, "jpeg"));
  }

  @Test
  void identicalPicturesAreStoredOnce() throws IOException {
    Media m = Published.jpeg(Published.photograph(300, 225));
    long once = Files.size(published(compression(0, 0), 200, m));
    long thrice = Files.size(published(compression(0, 0), 200, m, m, m));
    assertThat(thrice - once).isLessThan(1500);
  }

  @Test
  void transparencyIsKeptAndFlattenedWhereAStandardForbidsIt() throws IOException {
    Media m =
        Published.png(
            Published.image(60, 40, BufferedImage.TYPE_INT_ARGB, (x, y) -> x * 4 << 24 | 0x336699));
    assertThat(seen(published(compression(0, 0), 60, m)))
        .extracting(Seen::kind)
        .containsExactly("image", "smask");
    Layout l = layout(60, m);
    PdfChoices c =
        Samples.choices(l)
            .with(
                new Conformance(
                    Conformance.Standard.A1B, false, false, Version.V1_4, Enclosures.DEFAULT));
    Path file = Published.file(folder, l, c);
    assertThat(seen(file)).extracting(Seen::kind).containsExactly("image");
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      int left = image(pdf).getImage().getRGB(0, 0) & 0xFFFFFF;
      assertThat(left).isEqualTo(0xFFFFFF);
    }
  }

  /** At equal pixels, our file is never larger than what qpdf makes of it by more than 1 %. */
  @Test
  void nothingIsLargerThanQpdfMakesIt() throws IOException {
    Path[] files = {
      published(compression(0, 0), 200, Published.png(Published.photograph(300, 200))),
      published(compression(0, 0), 200, Published.png(Published.lineArt(300, 200, Color.BLUE))),
    };
    for (Path file : files) {
      Path small = folder.resolve("small.pdf");
      Tool.run(
          "qpdf",
          "--object-streams=generate",
          "--recompress-flate",
          "--compression-level=9",
          file.toString(),
          small.toString());
      assertThat((double) Files.size(file)).isLessThan(Files.size(small) * 1.01);
    }
    Layout l = Samples.layout(Samples.demo("Berth rules.pdf").document());
    Path demo = Published.file(folder, l, Samples.choices(l).with(compression(0, 0)));
    Path small = folder.resolve("small.pdf");
    Tool.run(
        "qpdf",
        "--object-streams=generate",
        "--recompress-flate",
        "--compression-level=9",
        demo.toString(),
        small.toString());
    assertThat((double) Files.size(demo)).isLessThan(Files.size(small) * 1.01);
  }

  @Test
  void noPictureBecomesLargerThanItCame() {
    for (BufferedImage image :
        List.of(
            Published.photograph(160, 120),
            Published.lineArt(160, 120, Color.BLACK),
            Published.lineArt(160, 120, new Color(0x336699)))) {
      Media m = Published.png(image);
      for (Compression w : List.of(compression(0, 0), compression(80, 0), compression(80, 72))) {
        assertThat(storedBytes(published(w, 160, m))).isLessThanOrEqualTo(m.bytes().length);
      }
    }
  }

  /** Fewer pixels are no gain where they take more bytes. */
  @Test
  void aLimitOfResolutionMakesNoPictureLarger() {
    Media m = Published.png(Published.lineArt(900, 675, new Color(0x336699)));
    assertThat(storedBytes(published(compression(70, 100), 144, m)))
        .isLessThanOrEqualTo(storedBytes(published(compression(0, 0), 144, m)));
  }

  private static long storedBytes(Path file) {
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      return image(pdf).getCOSObject().getLength();
    } catch (IOException e) {
      throw new AssertionError(e);
    }
  }

  private static PDImageXObject image(PDDocument pdf) throws IOException {
    var r = pdf.getPage(0).getResources();
    return (PDImageXObject) r.getXObject(r.getXObjectNames().iterator().next());
  }

  private static int[] pixels(Path file) throws IOException {
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      return pixels(image(pdf).getImage());
    }
  }

  private static int[] pixels(BufferedImage i) {
    int[] p = i.getRGB(0, 0, i.getWidth(), i.getHeight(), null, 0, i.getWidth());
    return Stream.of(p).flatMapToInt(java.util.Arrays::stream).map(v -> v & 0xFFFFFF).toArray();
  }
}
