package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.finding.Finding;
import decant.model.look.Media;
import decant.picture.PixelPicture;
import decant.reading.TakenIn;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.CCITTFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Pictures that are hard to read, or cannot be: each is there, or a finding has its place. */
class UnreadPicturesTest {
  @TempDir Path folder;

  private interface Pixels {
    void into(COSStream image) throws IOException;
  }

  /** A page with a picture at 100, 200 points from the bottom left, 300 wide and 150 high. */
  private TakenIn read(int width, int height, int bits, String filter, Pixels pixels)
      throws IOException {
    Path file = folder.resolve("pictures.pdf");
    try (var pdf = new PDDocument()) {
      var page = new PDPage(PDRectangle.A4);
      pdf.addPage(page);
      COSStream s = pdf.getDocument().createCOSStream();
      pixels.into(s);
      s.setItem(COSName.TYPE, COSName.XOBJECT);
      s.setItem(COSName.SUBTYPE, COSName.IMAGE);
      s.setInt(COSName.WIDTH, width);
      s.setInt(COSName.HEIGHT, height);
      s.setInt(COSName.BITS_PER_COMPONENT, bits);
      s.setItem(COSName.COLORSPACE, COSName.DEVICEGRAY);
      if (!filter.isEmpty()) {
        s.setName(COSName.FILTER, filter);
      }
      try (var c = new PDPageContentStream(pdf, page)) {
        c.drawImage(
            new PDImageXObject(new org.apache.pdfbox.pdmodel.common.PDStream(s), null),
            100,
            200,
            300,
            150);
        c.beginText();
        c.setFont(DrawnPdf.PLAIN, 11);
        c.newLineAtOffset(72, 700);
        c.showText("The plan of the berths is below.");
        c.endText();
      }
      pdf.save(file.toFile());
    }
    return Samples.taken(file);
  }

  private static Pixels raw(String bytes) {
    return s -> {
      try (var out = s.createRawOutputStream()) {
        out.write(bytes.getBytes(StandardCharsets.ISO_8859_1));
      }
    };
  }

  private static Pixels grey(long bytes) {
    return s -> {
      byte[] row = new byte[10_000];
      java.util.Arrays.fill(row, (byte) 0x55);
      try (var out = s.createOutputStream(COSName.FLATE_DECODE)) {
        for (long k = 0; k < bytes; k += row.length) {
          out.write(row);
        }
      }
    };
  }

  private static Finding only(TakenIn t, Finding.Kind kind) {
    assertThat(t.findings()).filteredOn(f -> f.kind() == kind).hasSize(1);
    Finding f = t.findings().stream().filter(x -> x.kind() == kind).findFirst().orElseThrow();
    assertThat(f.severity()).isEqualTo(Finding.Severity.LOSS);
    assertThat(f.message()).contains("page 1");
    assertThat(f.source().orElseThrow().box().x()).isEqualTo(100);
    assertThat(f.source().orElseThrow().box().width()).isEqualTo(300);
    return f;
  }

  @Test
  void onesThatCannotBeDecodedAreToldWithTheirPlace() throws IOException {
    TakenIn t = read(40, 20, 8, "JPXDecode", raw("no codestream"));
    only(t, Finding.Kind.PICTURE_MISSING);
    assertThat(t.document().media()).isEmpty();
  }

  @Test
  void onesThatAreFarTooLargeAreToldWithTheirPlace() throws IOException {
    only(read(100_000, 100_000, 8, "FlateDecode", raw("")), Finding.Kind.PICTURE_MISSING);
  }

  @Test
  void largeOnesAreReadWithFewerPixelsAndThatIsTold() throws IOException {
    TakenIn t = read(10_000, 7_900, 8, "", grey(79_000_000));
    only(t, Finding.Kind.PICTURE_CHANGED);
    Media m = t.document().media().values().iterator().next();
    assertThat(PixelPicture.size(m.bytes()).orElseThrow().width).isEqualTo(5_000);
    assertThat(PixelPicture.decode(m.bytes()).orElseThrow().getRaster().getSample(2_500, 900, 0))
        .isEqualTo(0x55);
  }

  /**
   * A picture as scanners pack it, put together by ITU-T T.88: a page (§7.4.8) and one generic
   * region (§7.4.6) whose lines are coded as in a fax (T.6).
   */
  @Test
  void whatScannersPackIsDecoded() throws IOException {
    var image = new BufferedImage(64, 32, BufferedImage.TYPE_BYTE_BINARY);
    var g = image.createGraphics();
    g.setColor(Color.WHITE);
    g.fillRect(0, 0, 64, 32);
    g.setColor(Color.BLACK);
    g.fillRect(8, 4, 16, 8);
    g.dispose();
    byte[] fax;
    try (var pdf = new PDDocument();
        var in = CCITTFactory.createFromImage(pdf, image).getCOSObject().createRawInputStream()) {
      fax = in.readAllBytes();
    }
    var bytes = new ByteArrayOutputStream();
    var out = new DataOutputStream(bytes);
    segment(out, 0, 48, 19);
    size(out);
    out.writeLong(0); // its resolution is not said
    out.writeByte(0);
    out.writeShort(0);
    segment(out, 1, 38, 18 + fax.length);
    size(out);
    out.writeLong(0); // at the top left
    out.writeByte(0);
    out.writeByte(1); // coded as in a fax
    out.write(fax);

    TakenIn t = read(64, 32, 1, "JBIG2Decode", raw(bytes.toString(StandardCharsets.ISO_8859_1)));
    assertThat(t.findings()).extracting(Finding::kind).doesNotContain(Finding.Kind.PICTURE_MISSING);
    BufferedImage read =
        PixelPicture.decode(t.document().media().values().iterator().next().bytes()).orElseThrow();
    for (int y = 0; y < 32; y++) {
      for (int x = 0; x < 64; x++) {
        assertThat(read.getRGB(x, y)).as("%d, %d", x, y).isEqualTo(image.getRGB(x, y));
      }
    }
  }

  private static void segment(DataOutputStream out, int number, int type, int length)
      throws IOException {
    out.writeInt(number);
    out.writeByte(type);
    out.writeByte(0); // refers to none
    out.writeByte(1); // on page 1
    out.writeInt(length);
  }

  private static void size(DataOutputStream out) throws IOException {
    out.writeInt(64);
    out.writeInt(32);
  }
}
