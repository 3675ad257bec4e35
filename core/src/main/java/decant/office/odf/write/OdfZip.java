package decant.office.odf.write;

import java.io.IOException;
import java.io.OutputStream;
import java.time.LocalDateTime;
import java.util.Map;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Packages as files: what kind they are comes first, and is not compressed (ODF 1.3-2 §3.3). */
public final class OdfZip {
  /** The part that says what kind of package it is. */
  public static final String KIND = "mimetype";

  /** The same for the same package; well within what ZIP files can say without extra fields. */
  private static final LocalDateTime ALWAYS = LocalDateTime.of(2000, 1, 1, 0, 0);

  private OdfZip() {}

  /** Writes all parts. @throws IOException if the stream cannot be written */
  public static void write(Map<String, byte[]> parts, OutputStream out) throws IOException {
    write(parts, Deflater.DEFAULT_COMPRESSION, out);
  }

  /**
   * Writes all parts.
   *
   * @param effort as Deflater has it
   * @throws IOException if the stream cannot be written
   */
  static void write(Map<String, byte[]> parts, int effort, OutputStream out) throws IOException {
    var zip = new ZipOutputStream(out);
    zip.setLevel(effort);
    byte[] kind = parts.get(KIND);
    if (kind != null) {
      put(zip, stored(KIND, kind), kind);
    }
    for (Map.Entry<String, byte[]> p : parts.entrySet()) {
      if (!p.getKey().equals(KIND) && !p.getKey().endsWith("/")) {
        put(zip, new ZipEntry(p.getKey()), p.getValue());
      }
    }
    zip.finish();
  }

  /** An entry of what is not compressed. */
  public static ZipEntry stored(String name, byte[] bytes) {
    var e = new ZipEntry(name);
    var sum = new CRC32();
    sum.update(bytes);
    e.setMethod(ZipEntry.STORED);
    e.setSize(bytes.length);
    e.setCompressedSize(bytes.length);
    e.setCrc(sum.getValue());
    return e;
  }

  private static void put(ZipOutputStream zip, ZipEntry e, byte[] bytes) throws IOException {
    e.setTimeLocal(ALWAYS);
    zip.putNextEntry(e);
    zip.write(bytes);
    zip.closeEntry();
  }
}
