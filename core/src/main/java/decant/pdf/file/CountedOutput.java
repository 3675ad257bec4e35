package decant.pdf.file;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;

/** Counts the bytes of a file, whose objects are found by where they stand. */
final class CountedOutput {
  private final OutputStream out;
  private long count;

  CountedOutput(OutputStream out) {
    this.out = out;
  }

  long count() {
    return count;
  }

  void write(byte[] b) throws IOException {
    out.write(b);
    count += b.length;
  }

  void ascii(String s) throws IOException {
    write(s.getBytes(StandardCharsets.ISO_8859_1));
  }
}
