package decant.pdf.write.pictures;

import decant.pdf.choices.Conformance;
import decant.pdf.choices.Version;
import decant.pdf.file.Deflated;
import decant.words.Words;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.Optional;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;

/** The compressed rows of a PNG (ISO/IEC 15948), which PDF can hold as they are. */
final class PngPassing {
  private static final Words WORDS = Words.of(PngPassing.class);

  private static final long SIGNATURE = 0x89504E470D0A1A0AL;

  private PngPassing() {}

  /** Empty if the picture is no PNG, interlaced, or has transparency. */
  static Optional<PictureInFile> of(byte[] png, Conformance conformance) throws IOException {
    ByteBuffer b = ByteBuffer.wrap(png);
    if (png.length < 57 || b.getLong(0) != SIGNATURE) {
      return Optional.empty();
    }
    int width = b.getInt(16);
    int height = b.getInt(20);
    int bits = png[24];
    int kind = png[25];
    boolean interlaced = png[28] != 0;
    boolean deep = bits == 16 && conformance.writtenVersion().compareTo(Version.V1_5) < 0;
    if (interlaced || deep || kind != 0 && kind != 2 && kind != 3) {
      return Optional.empty();
    }
    var rows = new ByteArrayOutputStream(png.length);
    byte[] palette = new byte[0];
    int at = 8;
    while (at + 12 <= png.length) {
      int length = b.getInt(at);
      if (length < 0 || length > png.length - at - 12) {
        return Optional.empty();
      }
      switch (b.getInt(at + 4)) {
        case 0x49444154 -> rows.write(png, at + 8, length); // IDAT
        case 0x504C5445 -> palette = java.util.Arrays.copyOfRange(png, at + 8, at + 8 + length);
        case 0x74524E53 -> { // tRNS
          return Optional.empty();
        }
        default -> {}
      }
      at += 12 + length;
    }
    if (rows.size() == 0 || kind == 3 && palette.length < 3) {
      return Optional.empty();
    }
    COSStream s = Deflated.raw(rows.toByteArray());
    PictureMaker.predicted(s, width, kind == 2 ? 3 : 1, bits);
    s.setInt(COSName.WIDTH, width);
    s.setInt(COSName.HEIGHT, height);
    s.setInt(COSName.BITS_PER_COMPONENT, bits);
    if (kind == 3) {
      COSArray space = new COSArray();
      space.add(COSName.INDEXED);
      space.add(COSName.DEVICERGB);
      space.add(COSInteger.get(palette.length / 3 - 1));
      space.add(new COSString(palette));
      s.setItem(COSName.COLORSPACE, space);
    } else {
      s.setItem(COSName.COLORSPACE, kind == 2 ? COSName.DEVICERGB : COSName.DEVICEGRAY);
    }
    return Optional.of(PictureInFile.image(s, WORDS.say("png-passing.as-it-came-png")));
  }
}
