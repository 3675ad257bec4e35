package decant.pdf.file;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSDocument;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObjectKey;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;

/**
 * Where the objects of a file stand whose numbers were given before, and its trailer: as a table
 * (ISO 32000-2 §7.5.4) or as a stream (§7.5.8), as the file had them. Not safe for use by several
 * threads.
 */
final class References {
  private static final int LEVEL = 6;

  private final COSDocument file;
  private final Function<COSBase, byte[]> text;
  private final Map<COSObjectKey, Place> places = new TreeMap<>();

  /**
   * Where an object stands.
   *
   * @param within the number of the stream that it is compressed in; 0 for none
   * @param at its first byte, or its place among those of the stream
   */
  private record Place(long within, long at) {}

  /** Numbers that follow each other. */
  private record Stretch(List<COSObjectKey> keys) {
    long first() {
      return keys.getFirst().getNumber();
    }
  }

  /**
   * @param file as it was read
   * @param text of an object, in which others are named by their numbers
   */
  References(COSDocument file, Function<COSBase, byte[]> text) {
    this.file = file;
    this.text = text;
  }

  /** Notes an object that stands by itself. */
  void at(COSObjectKey key, long place) {
    places.put(key, new Place(0, place));
  }

  /** Notes an object that is compressed with others. */
  void within(COSObjectKey key, COSObjectKey stream, int place) {
    places.put(key, new Place(stream.getNumber(), place));
  }

  /**
   * A trailer: the identity of the file stays, which its lock may hang on, that of the edition is
   * new (§14.4).
   *
   * @param names of what it keeps of the file's
   */
  COSDictionary trailer(COSName... names) {
    COSDictionary was = file.getTrailer();
    var now = new COSDictionary();
    for (COSName name : names) {
      COSBase value = was.getItem(name);
      if (value != null) {
        now.setItem(name, value);
      }
    }
    byte[] edition = PdfFile.freshIdentity();
    var id = new COSArray();
    id.add(
        was.getDictionaryObject(COSName.ID) instanceof COSArray a && a.size() == 2
            ? a.getObject(0)
            : new COSString(edition));
    id.add(new COSString(edition));
    now.setItem(COSName.ID, id);
    return now;
  }

  /** The highest number of what was noted; 0 for none. */
  long highest() {
    return places.keySet().stream().mapToLong(COSObjectKey::getNumber).max().orElse(0);
  }

  /**
   * Ends a file.
   *
   * @param free whether object 0 is told as free, as it is where no edition before tells of it
   * @param highest the highest number that is given
   */
  void write(CountedOutput out, COSDictionary trailer, boolean free, long highest)
      throws IOException {
    long start = out.count();
    if (file.isXRefStream()) {
      stream(out, trailer, free, highest, start);
    } else {
      table(out, trailer, free, highest);
    }
    out.ascii("startxref\n" + start + "\n%%EOF\n");
  }

  private List<Stretch> stretches() {
    var out = new ArrayList<Stretch>();
    for (COSObjectKey k : places.keySet()) {
      boolean follows =
          !out.isEmpty() && out.getLast().keys.getLast().getNumber() + 1 == k.getNumber();
      if (!follows) {
        out.add(new Stretch(new ArrayList<>()));
      }
      out.getLast().keys.add(k);
    }
    return out;
  }

  private void table(CountedOutput out, COSDictionary trailer, boolean free, long highest)
      throws IOException {
    trailer.setLong(COSName.SIZE, highest + 1);
    var b = new StringBuilder("xref\n");
    if (free) {
      b.append("0 1\n0000000000 65535 f \n");
    }
    for (Stretch s : stretches()) {
      b.append(s.first()).append(' ').append(s.keys.size()).append('\n');
      for (COSObjectKey k : s.keys) {
        long at = java.util.Objects.requireNonNull(places.get(k)).at;
        b.append(String.format(Locale.ROOT, "%010d %05d n \n", at, k.getGeneration()));
      }
    }
    out.ascii(b.toString());
    out.ascii("trailer\n");
    out.write(text.apply(trailer));
    out.ascii("\n");
  }

  private void stream(
      CountedOutput out, COSDictionary trailer, boolean free, long highest, long start)
      throws IOException {
    var own = new COSObjectKey(highest + 1, 0);
    at(own, start);
    var rows = new ByteArrayOutputStream();
    var index = new COSArray();
    if (free) {
      index.add(COSInteger.ZERO);
      index.add(COSInteger.ONE);
      row(rows, 0, 0, 0xFFFF);
    }
    for (Stretch s : stretches()) {
      index.add(COSInteger.get(s.first()));
      index.add(COSInteger.get(s.keys.size()));
      for (COSObjectKey k : s.keys) {
        Place p = java.util.Objects.requireNonNull(places.get(k));
        if (p.within == 0) {
          row(rows, 1, p.at, k.getGeneration());
        } else {
          row(rows, 2, p.within, (int) p.at);
        }
      }
    }
    COSStream s = Deflated.stream(rows.toByteArray(), LEVEL);
    trailer.entrySet().forEach(e -> s.setItem(e.getKey(), e.getValue()));
    s.setItem(COSName.TYPE, COSName.XREF);
    s.setLong(COSName.SIZE, highest + 2);
    s.setItem(COSName.INDEX, index);
    var widths = new COSArray();
    for (int width : new int[] {1, 8, 2}) {
      widths.add(COSInteger.get(width));
    }
    s.setItem(COSName.W, widths);
    byte[] data = Deflated.rawBytes(s);
    s.setItem(COSName.LENGTH, COSInteger.get(data.length));
    out.ascii(own.getNumber() + " 0 obj\n"); // never locked (§7.6.2)
    out.write(text.apply(s));
    out.ascii("\nstream\n");
    out.write(data);
    out.ascii("\nendstream\nendobj\n");
  }

  private static void row(ByteArrayOutputStream rows, int kind, long value, int third) {
    rows.write(kind);
    for (int k = 7; k >= 0; k--) {
      rows.write((int) (value >> 8 * k));
    }
    rows.write(third >> 8);
    rows.write(third);
  }
}
