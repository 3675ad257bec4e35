package decant.pdf.file;

import decant.pdf.choices.Version;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;

/**
 * One file: the objects that its trailer leads to. Which of them are written apart follows from
 * what they are and how many others refer to them.
 */
public final class PdfFile {
  /** So many objects are compressed together (ISO 32000-2 §7.5.7). */
  private static final int TOGETHER = 200;

  /** Dictionaries of these types are referred to by number (ISO 32000-2, by their own clauses). */
  private static final Set<String> APART =
      Set.of(
          "Catalog",
          "Pages",
          "Page",
          "Font",
          "FontDescriptor",
          "Outlines",
          "StructTreeRoot",
          "StructElem",
          "Annot",
          "Filespec");

  private final Version version;
  private final boolean objectStreams;
  private final int level;
  private final Optional<Encryption> encryption;
  private final COSDictionary trailer = new COSDictionary();
  private final Map<COSBase, FilePart> given = new IdentityHashMap<>();
  private final Map<COSBase, Integer> references = new IdentityHashMap<>();
  private final Map<COSBase, Integer> numbers = new IdentityHashMap<>();
  private final Map<COSBase, FilePart> parts = new IdentityHashMap<>();
  private final List<COSBase> objects = new ArrayList<>();
  private final Map<FilePart, Long> bytes = new LinkedHashMap<>();

  /**
   * @param objectStreams whether small objects are compressed together; only from version 1.5 on
   * @param level of the compression, 1 to 9
   */
  public PdfFile(
      Version version, boolean objectStreams, int level, Optional<Encryption> encryption) {
    this.version = version;
    this.objectStreams = objectStreams && version.compareTo(Version.V1_5) >= 0;
    this.level = level;
    this.encryption = encryption;
  }

  /** Root, Info and ID are set here. */
  public COSDictionary trailer() {
    return trailer;
  }

  /** Says what an object, and what only it leads to, serves; it is then written apart. */
  public void part(COSBase object, FilePart part) {
    given.put(object, part);
  }

  /**
   * Writes the file.
   *
   * @return how many bytes each part takes
   */
  public Map<FilePart, Long> write(OutputStream target) throws IOException {
    count();
    encryption.ifPresent(e -> trailer.setItem(COSName.ENCRYPT, e.dictionary()));
    number();
    var out = new CountedOutput(target);
    out.ascii("%PDF-" + version.number() + "\n%\u00E2\u00E3\u00CF\u00D3\n");
    spend(FilePart.FRAME, out.count());
    var places = new ObjectPlaces(objects.size());
    var small = new ArrayList<COSBase>();
    for (COSBase o : objects) {
      if (objectStreams && !(o instanceof COSStream) && !isEncryption(o)) {
        small.add(o);
      } else {
        places.at(numberOf(o), out.count());
        long before = out.count();
        object(out, o);
        spend(partOf(o), out.count() - before);
      }
    }
    if (objectStreams) {
      together(out, small, places);
      references(out, places);
    } else {
      table(out, places);
    }
    return bytes;
  }

  private FilePart partOf(COSBase o) {
    return parts.getOrDefault(o, FilePart.FRAME);
  }

  private void spend(FilePart part, long n) {
    bytes.merge(part, n, Long::sum);
  }

  /** How many others refer to each array and dictionary. */
  private void count() {
    var todo = new ArrayDeque<COSBase>();
    todo.add(trailer);
    references.put(trailer, 1);
    while (!todo.isEmpty()) {
      for (COSBase child : children(todo.remove())) {
        if (references.merge(child, 1, Integer::sum) == 1) {
          todo.add(child);
        }
      }
    }
  }

  private static List<COSBase> children(COSBase o) {
    var out = new ArrayList<COSBase>();
    switch (o) {
      case COSDictionary d -> d.getValues().forEach(v -> container(v, out));
      case COSArray a -> a.forEach(v -> container(v, out));
      default -> {}
    }
    return out;
  }

  private static void container(COSBase v, List<COSBase> out) {
    COSBase o = v instanceof COSObject r ? r.getObject() : v;
    if (o instanceof COSDictionary || o instanceof COSArray) {
      out.add(o);
    }
  }

  /** Numbers what is written apart, alike beside alike. */
  private void number() {
    var todo = new ArrayDeque<COSBase>();
    todo.add(trailer);
    parts.put(trailer, FilePart.FRAME);
    while (!todo.isEmpty()) {
      COSBase o = todo.remove();
      FilePart part = parts.get(o);
      for (COSBase child : children(o)) {
        if (!parts.containsKey(child)) {
          parts.put(child, given.getOrDefault(child, part));
          todo.add(child);
          if (isApart(child)) {
            objects.add(child);
          }
        }
      }
    }
    objects.sort(Comparator.comparing(o -> partOf(o).kind()));
    int n = 1;
    for (COSBase o : objects) {
      numbers.put(o, n++);
    }
  }

  private boolean isApart(COSBase o) {
    return o instanceof COSStream
        || given.containsKey(o)
        || isEncryption(o)
        || references.getOrDefault(o, 0) > 1
        || o instanceof COSDictionary d
            && d.getItem(COSName.TYPE) instanceof COSName t
            && APART.contains(t.getName());
  }

  private boolean isEncryption(COSBase o) {
    return encryption.isPresent() && encryption.get().dictionary() == o;
  }

  private int numberOf(COSBase o) {
    return numbers.getOrDefault(o, 0);
  }

  private String reference(COSBase o) {
    int n = numberOf(o);
    return n > 0 ? n + " 0 R" : "";
  }

  private void object(CountedOutput out, COSBase o) throws IOException {
    int n = numberOf(o);
    out.ascii(n + " 0 obj\n");
    if (o instanceof COSStream s) {
      stream(out, n, s);
    } else {
      out.write(text(o, secret(n, o)));
    }
    out.ascii("\nendobj\n");
  }

  private void stream(CountedOutput out, int n, COSStream s) throws IOException {
    byte[] data = Deflated.rawBytes(s);
    boolean clear =
        encryption.isPresent()
            && !encryption.get().encryptsMetadata()
            && COSName.METADATA.equals(s.getItem(COSName.TYPE));
    if (clear) {
      encryption.get().leaveClear(s);
    } else if (encryption.isPresent()) {
      data = encryption.get().encrypt(n, data);
    }
    s.setItem(COSName.LENGTH, COSInteger.get(data.length));
    out.write(text(s, secret(n, s)));
    out.ascii("\nstream\n");
    out.write(data);
    out.ascii("\nendstream");
  }

  /** What becomes of the strings of an object. */
  private UnaryOperator<byte[]> secret(int n, COSBase o) {
    return encryption.isEmpty() || isEncryption(o)
        ? UnaryOperator.identity()
        : b -> encryption.get().encrypt(n, b);
  }

  private byte[] text(COSBase o, UnaryOperator<byte[]> secret) {
    var buffer = new ByteArrayOutputStream(256);
    new ObjectText(buffer, this::reference, secret).whole(o);
    return buffer.toByteArray();
  }

  /**
   * Objects that are compressed together.
   *
   * @param lengths of each as text
   */
  private record Together(List<COSBase> objects, COSStream stream, int[] lengths) {}

  /**
   * Small objects compressed together, side by side where there are processors for it; what they
   * take is shared out by their length as text.
   */
  private void together(CountedOutput out, List<COSBase> small, ObjectPlaces places)
      throws IOException {
    List<Together> all =
        IntStream.range(0, (small.size() + TOGETHER - 1) / TOGETHER)
            .parallel()
            .mapToObj(k ->
                together(small.subList(k * TOGETHER, Math.min(small.size(), (k + 1) * TOGETHER))))
            .toList();
    for (Together some : all) {
      int container = places.add();
      for (int k = 0; k < some.lengths().length; k++) {
        places.within(numberOf(some.objects().get(k)), container, k);
      }
      places.at(container, out.count());
      long before = out.count();
      numbers.put(some.stream(), container);
      object(out, some.stream());
      long cost = out.count() - before;
      long total = Math.max(1, IntStream.of(some.lengths()).sum());
      for (int k = 0; k < some.lengths().length; k++) {
        spend(partOf(some.objects().get(k)), Math.round((double) cost * some.lengths()[k] / total));
      }
    }
  }

  private Together together(List<COSBase> some) {
    var index = new StringBuilder();
    var body = new ByteArrayOutputStream();
    int[] lengths = new int[some.size()];
    for (int k = 0; k < lengths.length; k++) {
      int start = body.size();
      index.append(numberOf(some.get(k))).append(' ').append(start).append(' ');
      body.writeBytes(text(some.get(k), UnaryOperator.identity()));
      body.write('\n');
      lengths[k] = body.size() - start;
    }
    byte[] head = index.toString().getBytes(StandardCharsets.US_ASCII);
    var plain = new ByteArrayOutputStream(head.length + body.size());
    plain.writeBytes(head);
    plain.writeBytes(body.toByteArray());
    try {
      COSStream s = Deflated.stream(plain.toByteArray(), level);
      s.setItem(COSName.TYPE, COSName.OBJ_STM);
      s.setInt(COSName.N, some.size());
      s.setInt(COSName.FIRST, head.length);
      return new Together(some, s, lengths);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The cross-references as a stream (ISO 32000-2 §7.5.8). */
  private void references(CountedOutput out, ObjectPlaces places) throws IOException {
    int own = places.add();
    long start = out.count();
    places.at(own, start);
    int width = places.offsetWidth();
    int columns = 1 + width + 2;
    byte[] rows = new byte[places.size() * columns];
    for (int n = 0; n < places.size(); n++) {
      int at = n * columns;
      rows[at] = (byte) places.kind(n);
      for (int b = 0; b < width; b++) {
        rows[at + 1 + b] = (byte) (places.place(n) >> 8 * (width - 1 - b));
      }
      int second = n == 0 ? 65_535 : places.index(n);
      rows[at + 1 + width] = (byte) (second >> 8);
      rows[at + 2 + width] = (byte) second;
    }
    COSStream s = Deflated.raw(Deflated.bytes(upward(rows, columns), level));
    trailer.entrySet().forEach(e -> s.setItem(e.getKey(), e.getValue()));
    s.setItem(COSName.TYPE, COSName.XREF);
    s.setInt(COSName.SIZE, places.size());
    COSArray w = new COSArray();
    w.add(COSInteger.ONE);
    w.add(COSInteger.get(width));
    w.add(COSInteger.TWO);
    s.setItem(COSName.W, w);
    s.setItem(COSName.FILTER, COSName.FLATE_DECODE);
    COSDictionary parameters = new COSDictionary();
    parameters.setInt(COSName.PREDICTOR, 12);
    parameters.setInt(COSName.COLUMNS, columns);
    s.setItem(COSName.DECODE_PARMS, parameters);
    byte[] data = Deflated.rawBytes(s);
    s.setInt(COSName.LENGTH, data.length);
    out.ascii(own + " 0 obj\n");
    out.write(text(s, UnaryOperator.identity()));
    out.ascii("\nstream\n");
    out.write(data);
    out.ascii("\nendstream\nendobj\nstartxref\n" + start + "\n%%EOF\n");
    spend(FilePart.FRAME, out.count() - start);
  }

  /** PNG's predictor "up": each row less the one above it. */
  private static byte[] upward(byte[] rows, int columns) {
    int n = rows.length / columns;
    byte[] out = new byte[n * (columns + 1)];
    for (int r = 0; r < n; r++) {
      out[r * (columns + 1)] = 2;
      for (int c = 0; c < columns; c++) {
        int above = r == 0 ? 0 : rows[(r - 1) * columns + c];
        out[r * (columns + 1) + 1 + c] = (byte) (rows[r * columns + c] - above);
      }
    }
    return out;
  }

  /** The cross-references as a table (ISO 32000-2 §7.5.4). */
  private void table(CountedOutput out, ObjectPlaces places) throws IOException {
    long start = out.count();
    var b = new StringBuilder("xref\n0 " + places.size() + "\n0000000000 65535 f \n");
    for (int n = 1; n < places.size(); n++) {
      String offset = Long.toString(places.place(n));
      b.append("0".repeat(10 - offset.length())).append(offset).append(" 00000 n \n");
    }
    trailer.setInt(COSName.SIZE, places.size());
    out.ascii(b.toString());
    out.ascii("trailer\n");
    out.write(text(trailer, UnaryOperator.identity()));
    out.ascii("\nstartxref\n" + start + "\n%%EOF\n");
    spend(FilePart.FRAME, out.count() - start);
  }

  /** An identity that no other file has (ISO 32000-2 §14.4). */
  public static byte[] freshIdentity() {
    UUID u = UUID.randomUUID();
    return java.nio.ByteBuffer.allocate(16)
        .putLong(u.getMostSignificantBits())
        .putLong(u.getLeastSignificantBits())
        .array();
  }

  /** Sets the file's identity (ISO 32000-2 §14.4). */
  public void identity(byte[] id) {
    COSArray both = new COSArray();
    both.add(new COSString(id));
    both.add(new COSString(id));
    trailer.setItem(COSName.ID, both);
  }
}
