package decant.pdf.file;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
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

/**
 * Changes to a file, written after its end; what was there before stays byte by byte as it was (ISO
 * 32000-2 §7.5.6). Not safe for use by several threads.
 */
public final class Increment {
  private static final int DEEPEST = 16;

  private final COSDocument file;
  private final Map<COSObjectKey, COSBase> changed = new TreeMap<>();
  private final Map<COSBase, COSObjectKey> keys = new IdentityHashMap<>();
  private long highest;

  /**
   * @param file as it was read
   * @throws IllegalArgumentException if it is encrypted, or was mended to be read: then nothing can
   *     be added to it as it is
   */
  public Increment(COSDocument file) {
    if (file.isEncrypted() || file.getStartXref() <= 0) {
      throw new IllegalArgumentException("nothing can be added to this file");
    }
    this.file = file;
    this.highest =
        Math.max(file.getHighestXRefObjectNumber(), file.getTrailer().getLong(COSName.SIZE, 1) - 1);
  }

  /**
   * Writes an object of the file anew, as it is now. @throws IllegalArgumentException if it has no
   * number
   */
  public void change(COSObject reference) {
    COSObjectKey key = reference.getKey();
    COSBase o = reference.getObject();
    if (key == null || o == null) {
      throw new IllegalArgumentException("no object of the file");
    }
    changed.put(key, o);
    keys.put(o, key);
  }

  /**
   * Writes objects of the file anew that were changed, with the streams that came into them; others
   * than those that have a number of their own are passed over.
   */
  public void change(Set<COSBase> objects) {
    for (COSObjectKey key : file.getXrefTable().keySet()) {
      COSObject o = file.getObjectFromPool(key);
      if (o.isDereferenced() && objects.contains(o.getObject())) {
        change(o);
        addStreams(o.getObject(), 0);
      }
    }
  }

  /** Adds an object that has a number not yet in the file, with the streams that stand in it. */
  public void add(COSObject fresh) {
    change(fresh);
    addStreams(fresh.getObject(), 0);
  }

  private void addStreams(COSBase in, int depth) {
    List<COSBase> held = new ArrayList<>();
    if (in instanceof COSDictionary d) {
      held.addAll(d.getValues());
    } else if (in instanceof COSArray a) {
      a.forEach(held::add);
    }
    for (COSBase o : held) {
      if (o instanceof COSStream) {
        add(o);
      }
      if (o != null && depth < DEEPEST) {
        addStreams(o, depth + 1);
      }
    }
  }

  /** Adds an object, and all that it leads to and that is not in the file yet stands within it. */
  public void add(COSBase o) {
    if (!keys.containsKey(o)) {
      var key = new COSObjectKey(++highest, 0);
      changed.put(key, o);
      keys.put(o, key);
    }
  }

  /**
   * Writes the file with what was changed and added; as it was, if nothing is.
   *
   * @param source the bytes that the file was read from
   */
  public void write(InputStream source, OutputStream target) throws IOException {
    var out = new CountedOutput(target);
    byte[] buffer = new byte[1 << 16];
    byte last = '\n';
    for (int n = source.read(buffer); n > 0; n = source.read(buffer)) {
      out.write(java.util.Arrays.copyOf(buffer, n));
      last = buffer[n - 1];
    }
    if (changed.isEmpty()) {
      return;
    }
    if (last != '\n' && last != '\r') {
      out.ascii("\n");
    }
    var references = new References(file, this::text);
    for (Map.Entry<COSObjectKey, COSBase> e : changed.entrySet()) {
      references.at(e.getKey(), out.count());
      object(out, e.getKey(), e.getValue());
    }
    COSDictionary trailer = references.trailer(COSName.ROOT, COSName.INFO);
    trailer.setLong(COSName.PREV, file.getStartXref());
    references.write(out, trailer, false, highest);
  }

  private String reference(COSBase o) {
    COSObjectKey key = o instanceof COSObject r ? keyOf(r) : keys.get(o);
    return key == null ? "" : key.getNumber() + " " + key.getGeneration() + " R";
  }

  private @org.jspecify.annotations.Nullable COSObjectKey keyOf(COSObject r) {
    COSObjectKey own = r.getKey();
    return own != null ? own : keys.get(r.getObject());
  }

  private void object(CountedOutput out, COSObjectKey key, COSBase o) throws IOException {
    out.ascii(key.getNumber() + " " + key.getGeneration() + " obj\n");
    if (o instanceof COSStream s) {
      byte[] data = Deflated.rawBytes(s);
      s.setItem(COSName.LENGTH, COSInteger.get(data.length));
      out.write(text(s));
      out.ascii("\nstream\n");
      out.write(data);
      out.ascii("\nendstream");
    } else {
      out.write(text(o));
    }
    out.ascii("\nendobj\n");
  }

  private byte[] text(COSBase o) {
    var buffer = new ByteArrayOutputStream(256);
    new ObjectText(buffer, this::reference, UnaryOperator.identity()).exact().whole(o);
    return buffer.toByteArray();
  }
}
