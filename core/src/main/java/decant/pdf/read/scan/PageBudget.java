package decant.pdf.read.scan;

import decant.work.Faults;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.filter.FilterFactory;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDStream;

/**
 * What one page may ask for. Real pages need far less; a file of a few kilobytes that asks for more
 * was made to do harm, and is not read to its end.
 */
final class PageBudget {
  /** Operators of a page and of the forms it shows. The densest maps have about a million. */
  private static final int OPERATORS = 8_000_000;

  /** Operators that the call of a form stands for; a page may so show some 100,000 of them. */
  private static final int CALL = 80;

  /** Bytes that the content of a page may unpack to. */
  private static final long UNPACKED = 200_000_000;

  /**
   * Content of one filter that is shorter cannot unpack to more than that: deflate's limit is
   * 1:1032.
   */
  private static final long SURELY_SMALL = UNPACKED / 1032;

  /** Entries of a table from codes to characters; a font has at most 65,536 codes. */
  private static final long ENTRIES = 200_000;

  /** A range of codes and where it leads (ISO 32000-1 §9.10.3): one place, or a list of them. */
  private static final Pattern RANGE =
      Pattern.compile(
          "<\\s*([0-9A-Fa-f]{1,8})\\s*>\\s*<\\s*([0-9A-Fa-f]{1,8})\\s*>\\s*(?:<[^>]*>|\\[[^\\]]*+\\])");

  private final Map<COSDictionary, Boolean> fonts = new IdentityHashMap<>();
  private int operators = OPERATORS;
  private boolean spent;

  /** The page asks for more than there is to give. */
  static final class Spent extends RuntimeException {
    private static final long serialVersionUID = 1;

    Spent(String what) {
      super(what, null, false, false);
    }
  }

  /** Whether something was asked for that was not given. */
  boolean isSpent() {
    return spent;
  }

  /** Notes that something was left out. */
  void left() {
    spent = true;
  }

  /** Takes one operator. @throws Spent if there were too many */
  void operator() {
    if (--operators < 0) {
      spent = true;
      throw new Spent("operators");
    }
  }

  /**
   * Takes the call of a form or a picture, which costs far more than an operator.
   *
   * @throws Spent if there were too many
   */
  void call() {
    operators -= CALL;
    operator();
  }

  /**
   * @throws Spent if the page's content unpacks to more than a page can need
   */
  void content(PDPage page) {
    Iterator<PDStream> streams = page.getContentStreams();
    long left = UNPACKED;
    while (streams.hasNext()) {
      left -= unpacked(streams.next().getCOSObject(), left);
      if (left < 0) {
        spent = true;
        throw new Spent("content");
      }
    }
  }

  private static long unpacked(COSStream s, long max) {
    List<COSName> filters = filters(s);
    long raw = s.getLength();
    if (filters.isEmpty() || filters.size() == 1 && raw < SURELY_SMALL) {
      return raw;
    }
    try (InputStream in = s.createRawInputStream()) {
      InputStream now = in;
      for (int k = 0; k < filters.size(); k++) {
        boolean last = k == filters.size() - 1;
        var out = new Counting(last ? null : new ByteArrayOutputStream(), max);
        FilterFactory.INSTANCE.getFilter(filters.get(k)).decode(now, out, s, k);
        if (last) {
          return out.written;
        }
        now = new ByteArrayInputStream(out.kept());
      }
      return raw;
    } catch (TooMuch e) {
      return max + 1;
    } catch (IOException | RuntimeException e) {
      Faults.mended("unpacking a stream", e);
      return raw; // damaged: reading it says so
    }
  }

  private static List<COSName> filters(COSStream s) {
    COSBase f = s.getFilters();
    if (f instanceof COSName n) {
      return List.of(n);
    }
    var out = new ArrayList<COSName>();
    if (f instanceof COSArray a) {
      for (int k = 0; k < a.size(); k++) {
        if (a.getObject(k) instanceof COSName n) {
          out.add(n);
        }
      }
    }
    return out;
  }

  /**
   * Takes a font's table of characters away if it lists more than a font can have; its characters
   * are told by their shapes then.
   */
  void font(COSDictionary font) {
    if (fonts.putIfAbsent(font, true) != null
        || !(font.getDictionaryObject(COSName.TO_UNICODE) instanceof COSStream table)) {
      return;
    }
    if (entries(table) > ENTRIES) {
      font.removeItem(COSName.TO_UNICODE);
    }
  }

  private static long entries(COSStream table) {
    long max = 20_000_000;
    if (unpacked(table, max) > max) {
      return Long.MAX_VALUE;
    }
    try (InputStream in = table.createInputStream()) {
      String text = new String(in.readNBytes((int) max), StandardCharsets.ISO_8859_1);
      long n = text.length() / 8;
      for (int from = text.indexOf("beginbfrange"); from >= 0; ) {
        int end = text.indexOf("endbfrange", from);
        Matcher m = RANGE.matcher(text).region(from, end < 0 ? text.length() : end);
        while (m.find()) {
          n += Math.max(0, Long.parseLong(m.group(2), 16) - Long.parseLong(m.group(1), 16));
        }
        from = end < 0 ? -1 : text.indexOf("beginbfrange", end);
      }
      return n;
    } catch (IOException e) {
      return 0;
    }
  }

  private static final class TooMuch extends IOException {
    private static final long serialVersionUID = 1;
  }

  private static final class Counting extends OutputStream {
    private final @org.jspecify.annotations.Nullable ByteArrayOutputStream keep;
    private final long max;
    private long written;

    Counting(@org.jspecify.annotations.Nullable ByteArrayOutputStream keep, long max) {
      this.keep = keep;
      this.max = max;
    }

    byte[] kept() {
      return keep == null ? new byte[0] : keep.toByteArray();
    }

    @Override
    public void write(int b) throws IOException {
      write(new byte[] {(byte) b}, 0, 1);
    }

    @Override
    public void write(byte[] b, int from, int length) throws IOException {
      written += length;
      if (written > max) {
        throw new TooMuch();
      }
      if (keep != null) {
        keep.write(b, from, length);
      }
    }
  }
}
