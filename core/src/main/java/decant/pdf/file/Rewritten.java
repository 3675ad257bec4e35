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

  private void write(CountedOutput out) throws IOException {
    out.ascii("%PDF-" + version + "\n%\u00E2\u00E3\u00CF\u00D3\n");
    var references = new References(file, o -> text(o, UnaryOperator.identity()));
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
        references.at(e.getKey(), out.count());
        object(out, e.getKey(), e.getValue());
      }
    }
    List<List<COSObjectKey>> groups = new ArrayList<>();
    for (int from = 0; from < small.size(); from += TOGETHER) {
      groups.add(small.subList(from, Math.min(small.size(), from + TOGETHER)));
    }
    // Each stands for itself once all objects are known, and packing them takes longest.
    List<COSStream> packed = groups.parallelStream().map(this::packed).toList();
    for (int g = 0; g < groups.size(); g++) {
      List<COSObjectKey> some = groups.get(g);
      var own = new COSObjectKey(++highest, 0);
      COSStream s = packed.get(g);
      for (int k = 0; k < some.size(); k++) {
        references.within(some.get(k), own, k);
      }
      references.at(own, out.count());
      object(out, own, s);
    }
    references.write(
        out,
        references.trailer(COSName.ROOT, COSName.INFO, COSName.ENCRYPT),
        true,
        references.highest());
  }

  private COSStream packed(List<COSObjectKey> some) {
    try {
      return together(some);
    } catch (IOException e) {
      throw new UncheckedIOException(e); // none in memory
    }
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
}
