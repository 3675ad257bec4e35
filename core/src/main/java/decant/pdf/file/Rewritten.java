package decant.pdf.file;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSDocument;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSObjectKey;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.SecurityHandler;
import org.jspecify.annotations.Nullable;

/**
 * A file that was read, written anew: every object under the number it had, with the same locks,
 * streams byte by byte as they were. What nothing leads to any more is left out, so that what was
 * removed is gone. Not safe for use by several threads.
 */
public final class Rewritten {
  /** So many objects are compressed together (ISO 32000-2 §7.5.7). */
  private static final int TOGETHER = 200;

  private static final int LEVEL = 6;

  private final COSDocument file;
  private final @Nullable SecurityHandler<?> lock;
  private final boolean metadataClear;
  private final String version;
  private final Map<COSObjectKey, COSBase> objects = new TreeMap<>();
  private final Map<COSBase, COSObjectKey> keys = new IdentityHashMap<>();
  private long highest;

  private Rewritten(PDDocument pdf) throws IOException {
    this.file = pdf.getDocument();
    boolean locked = pdf.isEncrypted() && !pdf.isAllSecurityToBeRemoved();
    this.lock = locked ? pdf.getEncryption().getSecurityHandler() : null;
    this.metadataClear = locked && !pdf.getEncryption().isEncryptMetaData();
    this.version = String.format(Locale.ROOT, "%.1f", file.getVersion());
    this.highest =
        Math.max(file.getHighestXRefObjectNumber(), file.getTrailer().getLong(COSName.SIZE, 1) - 1);
  }

  /** Writes a file as its objects are now. */
  public static void write(PDDocument pdf, OutputStream target) throws IOException {
    var r = new Rewritten(pdf);
    r.gather();
    r.write(new CountedOutput(target));
  }

  /** All that the trailer leads to. */
  private void gather() {
    COSDictionary trailer = file.getTrailer();
    Deque<COSBase> todo = new ArrayDeque<>();
    Set<COSBase> seen = Collections.newSetFromMap(new IdentityHashMap<>());
    for (COSName n : new COSName[] {COSName.ROOT, COSName.INFO, COSName.ENCRYPT}) {
      COSBase o = trailer.getItem(n);
      if (o != null) {
        todo.add(o);
      }
    }
    List<COSStream> fresh = new ArrayList<>();
    while (!todo.isEmpty()) {
      COSBase given = todo.pop();
      COSBase o = given;
      if (given instanceof COSObject r) {
        o = r.getObject();
        COSObjectKey key = r.getKey();
        if (o != null && key != null) {
          objects.put(key, o);
          if (o instanceof COSDictionary || o instanceof COSArray) {
            keys.putIfAbsent(o, key); // numbers and names are the same object wherever they stand
          }
        }
      }
      if (o == null || !(o instanceof COSDictionary || o instanceof COSArray) || !seen.add(o)) {
        continue;
      }
      if (o instanceof COSStream s && !(given instanceof COSObject)) {
        fresh.add(s);
      }
      if (o instanceof COSDictionary d) {
        d.getValues().forEach(todo::add);
      } else if (o instanceof COSArray a) {
        a.forEach(v -> {
          if (v != null) {
            todo.add(v);
          }
        });
      }
    }
    for (COSStream s : fresh) {
      if (!keys.containsKey(s)) {
        var key = new COSObjectKey(++highest, 0);
        objects.put(key, s);
        keys.put(s, key);
      }
    }
  }

  /**
   * Where an object stands.
   *
   * @param within the number of the stream that it is compressed in; 0 for none
   * @param at its first byte, or its place among those of the stream
   */
  private record Place(long within, long at) {}

  private void write(CountedOutput out) throws IOException {
    out.ascii("%PDF-" + version + "\n%\u00E2\u00E3\u00CF\u00D3\n");
    Map<COSObjectKey, Place> places = new TreeMap<>();
    List<COSObjectKey> small = new ArrayList<>();
    COSBase lockEntries = file.getTrailer().getDictionaryObject(COSName.ENCRYPT);
    for (Map.Entry<COSObjectKey, COSBase> e : objects.entrySet()) {
      boolean together =
          file.isXRefStream()
              && !(e.getValue() instanceof COSStream)
              && e.getKey().getGeneration() == 0
              && e.getValue() != lockEntries;
      if (together) {
        small.add(e.getKey());
      } else {
        places.put(e.getKey(), new Place(0, out.count()));
        object(out, e.getKey(), e.getValue());
      }
    }
    for (int from = 0; from < small.size(); from += TOGETHER) {
      List<COSObjectKey> some = small.subList(from, Math.min(small.size(), from + TOGETHER));
      var own = new COSObjectKey(++highest, 0);
      COSStream s = together(some);
      for (int k = 0; k < some.size(); k++) {
        places.put(some.get(k), new Place(own.getNumber(), k));
      }
      places.put(own, new Place(0, out.count()));
      object(out, own, s);
    }
    COSDictionary trailer = trailer();
    long start = out.count();
    if (file.isXRefStream()) {
      references(out, places, trailer, start);
    } else {
      table(out, places, trailer);
    }
    out.ascii("startxref\n" + start + "\n%%EOF\n");
  }

  private COSStream together(List<COSObjectKey> some) throws IOException {
    var head = new StringBuilder();
    var body = new ByteArrayOutputStream();
    for (COSObjectKey k : some) {
      head.append(k.getNumber()).append(' ').append(body.size()).append(' ');
      body.writeBytes(text(objects.get(k), UnaryOperator.identity()));
      body.write('\n');
    }
    var all = new ByteArrayOutputStream();
    all.writeBytes(head.toString().getBytes(StandardCharsets.US_ASCII));
    int first = all.size();
    body.writeTo(all);
    COSStream s = Deflated.stream(all.toByteArray(), LEVEL);
    s.setItem(COSName.TYPE, COSName.OBJ_STM);
    s.setInt(COSName.N, some.size());
    s.setInt(COSName.FIRST, first);
    return s;
  }

  private void object(CountedOutput out, COSObjectKey key, COSBase o) throws IOException {
    out.ascii(key.getNumber() + " " + key.getGeneration() + " obj\n");
    boolean entries = o == file.getTrailer().getDictionaryObject(COSName.ENCRYPT);
    UnaryOperator<byte[]> secret =
        lock == null || entries ? UnaryOperator.identity() : b -> sealed(key, b);
    if (o instanceof COSStream s) {
      byte[] data = Deflated.rawBytes(s);
      byte[] sealed = isClear(s) ? data : secret.apply(data);
      COSDictionary entry = new COSDictionary();
      s.entrySet().forEach(e -> entry.setItem(e.getKey(), e.getValue()));
      entry.setItem(COSName.LENGTH, COSInteger.get(sealed.length));
      out.write(text(entry, secret));
      out.ascii("\nstream\n");
      out.write(sealed);
      out.ascii("\nendstream");
    } else {
      out.write(text(o, secret));
    }
    out.ascii("\nendobj\n");
  }

  /** Streams that a lock leaves open (§7.6.6). */
  private boolean isClear(COSStream s) {
    boolean metadata = COSName.METADATA.equals(s.getDictionaryObject(COSName.TYPE));
    COSBase filter = s.getDictionaryObject(COSName.FILTER);
    boolean own =
        COSName.CRYPT.equals(filter)
            || filter instanceof COSArray a && a.size() > 0 && COSName.CRYPT.equals(a.getObject(0));
    return metadata && metadataClear || own;
  }

  private byte[] sealed(COSObjectKey key, byte[] data) {
    try {
      var s = new COSString(data);
      java.util.Objects.requireNonNull(lock).encryptString(s, key.getNumber(), key.getGeneration());
      return s.getBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private byte[] text(@Nullable COSBase o, UnaryOperator<byte[]> secret) {
    var buffer = new ByteArrayOutputStream(256);
    new ObjectText(buffer, this::reference, secret)
        .exact()
        .whole(java.util.Objects.requireNonNull(o));
    return buffer.toByteArray();
  }

  private String reference(COSBase o) {
    COSObjectKey key =
        o instanceof COSObject r && objects.containsKey(r.getKey()) ? r.getKey() : keys.get(o);
    return key == null ? "" : key.getNumber() + " " + key.getGeneration() + " R";
  }

  /** The identity of the file stays, which its lock may hang on; that of the edition is new. */
  private COSDictionary trailer() {
    COSDictionary was = file.getTrailer();
    COSDictionary now = new COSDictionary();
    for (COSName name : new COSName[] {COSName.ROOT, COSName.INFO, COSName.ENCRYPT}) {
      COSBase value = was.getItem(name);
      if (value != null) {
        now.setItem(name, value);
      }
    }
    byte[] edition = PdfFile.freshIdentity();
    COSArray id = new COSArray();
    id.add(
        was.getDictionaryObject(COSName.ID) instanceof COSArray a && a.size() > 0
            ? a.getObject(0)
            : new COSString(edition));
    id.add(new COSString(edition));
    now.setItem(COSName.ID, id);
    return now;
  }

  private void table(CountedOutput out, Map<COSObjectKey, Place> places, COSDictionary trailer)
      throws IOException {
    trailer.setLong(COSName.SIZE, size(places));
    var b = new StringBuilder("xref\n0 1\n0000000000 65535 f \n");
    List<COSObjectKey> all = List.copyOf(places.keySet());
    for (int from = 0; from < all.size(); ) {
      int to = from + 1;
      while (to < all.size() && all.get(to).getNumber() == all.get(to - 1).getNumber() + 1) {
        to++;
      }
      b.append(all.get(from).getNumber()).append(' ').append(to - from).append('\n');
      for (COSObjectKey k : all.subList(from, to)) {
        Place p = places.get(k);
        b.append(
            String.format(Locale.ROOT, "%010d %05d n \n", p == null ? 0 : p.at, k.getGeneration()));
      }
      from = to;
    }
    out.ascii(b.toString());
    out.ascii("trailer\n");
    out.write(text(trailer, UnaryOperator.identity()));
    out.ascii("\n");
  }

  /** One more than the highest number (table 15). */
  private static long size(Map<COSObjectKey, Place> places) {
    return places.keySet().stream().mapToLong(COSObjectKey::getNumber).max().orElse(0) + 1;
  }

  /** §7.5.8. */
  private void references(
      CountedOutput out, Map<COSObjectKey, Place> places, COSDictionary trailer, long start)
      throws IOException {
    var own = new COSObjectKey(++highest, 0);
    places.put(own, new Place(0, start));
    var rows = new ByteArrayOutputStream();
    COSArray index = new COSArray();
    index.add(COSInteger.ZERO);
    index.add(COSInteger.ONE);
    row(rows, 0, 0, 0xFFFF);
    long first = -1;
    long count = 0;
    for (Map.Entry<COSObjectKey, Place> e : places.entrySet()) {
      long n = e.getKey().getNumber();
      if (n != first + count) {
        if (count > 0) {
          index.add(COSInteger.get(first));
          index.add(COSInteger.get(count));
        }
        first = n;
        count = 0;
      }
      count++;
      Place p = e.getValue();
      if (p.within == 0) {
        row(rows, 1, p.at, e.getKey().getGeneration());
      } else {
        row(rows, 2, p.within, (int) p.at);
      }
    }
    index.add(COSInteger.get(first));
    index.add(COSInteger.get(count));
    COSStream s = Deflated.stream(rows.toByteArray(), LEVEL);
    trailer.entrySet().forEach(e -> s.setItem(e.getKey(), e.getValue()));
    s.setItem(COSName.TYPE, COSName.XREF);
    s.setLong(COSName.SIZE, size(places));
    s.setItem(COSName.INDEX, index);
    COSArray w = new COSArray();
    for (int width : new int[] {1, 8, 2}) {
      w.add(COSInteger.get(width));
    }
    s.setItem(COSName.W, w);
    byte[] data = Deflated.rawBytes(s);
    s.setItem(COSName.LENGTH, COSInteger.get(data.length));
    out.ascii(own.getNumber() + " 0 obj\n"); // never locked
    out.write(text(s, UnaryOperator.identity()));
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
