package decant.pdf.file;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.zip.Deflater;
import java.util.zip.InflaterInputStream;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;

/** Compression by deflate (RFC 1950 and 1951). */
public final class Deflated {
  private static final int MAX_INFLATED = 256 << 20;

  private Deflated() {}

  /**
   * @param level 1 to 9
   */
  public static byte[] bytes(byte[] plain, int level) {
    return NativeDeflate.installed()
        .map(n -> n.zlib(plain, level))
        .orElseGet(() -> byJava(plain, level));
  }

  /** As the virtual machine does it on every system. */
  static byte[] byJava(byte[] plain, int level) {
    var deflater = new Deflater(level);
    try {
      deflater.setInput(plain);
      deflater.finish();
      var out = new ByteArrayOutputStream(Math.max(64, plain.length / 3));
      byte[] buffer = new byte[16384];
      while (!deflater.finished()) {
        out.write(buffer, 0, deflater.deflate(buffer));
      }
      return out.toByteArray();
    } finally {
      deflater.end();
    }
  }

  /** A stream object that holds bytes compressed, or as they are if that is no smaller. */
  public static COSStream stream(byte[] plain, int level) throws IOException {
    byte[] packed = bytes(plain, level);
    boolean smaller = packed.length + 20 < plain.length;
    COSStream s = raw(smaller ? packed : plain);
    if (smaller) {
      s.setItem(COSName.FILTER, COSName.FLATE_DECODE);
    }
    return s;
  }

  /** A stream object that holds bytes as they are. */
  public static COSStream raw(byte[] bytes) throws IOException {
    COSStream s = new COSStream();
    try (OutputStream out = s.createRawOutputStream()) {
      out.write(bytes);
    }
    return s;
  }

  /** The bytes of a stream object as they stand in the file, before encryption. */
  public static byte[] rawBytes(COSStream s) throws IOException {
    if (!s.hasData()) {
      return new byte[0];
    }
    try (InputStream in = s.createRawInputStream()) {
      return in.readAllBytes();
    }
  }

  /** Compresses a stream anew if it is deflated, or not compressed, and becomes smaller so. */
  public static void again(COSStream s, int level) throws IOException {
    COSBase filter = s.getDictionaryObject(COSName.FILTER);
    if (filter instanceof COSArray a && a.size() == 1) {
      filter = a.getObject(0);
    }
    boolean plain = filter == null;
    if (!plain && !COSName.FLATE_DECODE.equals(filter)) {
      return;
    }
    byte[] now = rawBytes(s);
    byte[] inflated = plain ? now : inflated(now);
    if (inflated.length == 0) {
      return;
    }
    byte[] packed = bytes(inflated, level);
    if (packed.length < now.length) {
      try (OutputStream out = s.createRawOutputStream()) {
        out.write(packed);
      }
      s.setItem(COSName.FILTER, COSName.FLATE_DECODE);
    }
  }

  /** Empty if the bytes are damaged, or far too many. */
  private static byte[] inflated(byte[] packed) {
    try (InputStream in = new InflaterInputStream(new ByteArrayInputStream(packed))) {
      byte[] out = in.readNBytes(MAX_INFLATED);
      return out.length == MAX_INFLATED ? new byte[0] : out;
    } catch (IOException e) {
      return new byte[0];
    }
  }
}
