package decant.pdf.content;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.util.List;
import java.util.zip.Adler32;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNull;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.jspecify.annotations.Nullable;

/**
 * Whether content can be read to its end. The library leaves out what it cannot unpack, and streams
 * that are not there, without a word.
 */
public final class StreamDamage {
  /** The filter that what stands before it is undone up to. */
  private static final List<String> PACKED = List.of(COSName.FLATE_DECODE.getName());

  /** Bytes that are unpacked; what is larger was made to do harm, and is not looked at further. */
  private static final long MOST = 256L << 20;

  private StreamDamage() {}

  /** Whether the content of a page lacks something of what the page names as its content. */
  public static boolean of(PDPage page) {
    COSBase said = page.getCOSObject().getItem(COSName.CONTENTS);
    COSBase contents = resolved(said);
    if (contents instanceof COSArray all) {
      for (int k = 0; k < all.size(); k++) {
        if (!isWhole(resolved(all.get(k)))) {
          return true;
        }
      }
      return false;
    }
    return said != null && said != COSNull.NULL && !isWhole(contents);
  }

  private static @Nullable COSBase resolved(@Nullable COSBase o) {
    return o instanceof COSObject reference ? reference.getObject() : o;
  }

  /** Whether something is a stream that can be unpacked to its end, as far as can be told. */
  public static boolean isWhole(@Nullable COSBase content) {
    return isWhole(content, 0);
  }

  /** Whether something is a stream that holds so many bytes and can be unpacked to its end. */
  public static boolean isWhole(@Nullable COSBase content, long bytes) {
    if (!(content instanceof COSStream stream)) {
      return false;
    }
    COSBase filter = stream.getFilters();
    if (filter instanceof COSArray several && several.size() > 0) {
      filter = several.getObject(several.size() - 1);
    }
    if (!COSName.FLATE_DECODE.equals(filter)) {
      return true;
    }
    return stream.getLength() == 0 ? bytes == 0 : inflates(stream, bytes);
  }

  /**
   * Whether packed data are in order (RFC 1951) and enough, by the sum after them too (RFC 1950
   * §2.2): what is damaged may unpack to the end, and be nonsense. Some programs leave the sum out,
   * which costs nothing.
   */
  private static boolean inflates(COSStream stream, long bytes) {
    var inflater = new Inflater(true);
    var from = new byte[1 << 13];
    var to = new byte[1 << 14];
    var sum = new Adler32();
    try (InputStream in = new PDStream(stream).createInputStream(PACKED)) {
      in.skipNBytes(2); // the header, which says nothing that matters
      int read = 0;
      while (!inflater.finished()) {
        if (inflater.getBytesWritten() > MOST) {
          return true;
        }
        if (inflater.needsInput()) {
          read = in.read(from);
          if (read < 0) {
            return false;
          }
          inflater.setInput(from, 0, read);
        }
        sum.update(to, 0, inflater.inflate(to));
      }
      if (inflater.getBytesWritten() < bytes) {
        return false;
      }
      var after = new ByteArrayOutputStream();
      after.write(from, read - inflater.getRemaining(), inflater.getRemaining());
      after.write(in.readNBytes(Integer.BYTES));
      return after.size() < Integer.BYTES
          || ByteBuffer.wrap(after.toByteArray()).getInt() == (int) sum.getValue();
    } catch (IOException | DataFormatException e) {
      return false;
    } finally {
      inflater.end();
    }
  }
}
