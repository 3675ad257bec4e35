package decant.io;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** What a file is told by, whatever it is called: its SHA-256 (FIPS 180-4), in hexadecimal. */
public final class FileHash {
  private FileHash() {}

  /** That of a file. @throws IOException if it cannot be read */
  public static String of(Path file) throws IOException {
    try (InputStream in = Files.newInputStream(file)) {
      return of(in);
    }
  }

  /** That of what is left of a stream. @throws IOException if it cannot be read */
  public static String of(InputStream in) throws IOException {
    MessageDigest digest = digest();
    new DigestInputStream(in, digest).transferTo(OutputStream.nullOutputStream());
    return HexFormat.of().formatHex(digest.digest());
  }

  /** A digest to be fed. */
  public static MessageDigest digest() {
    try {
      return MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException e) {
      throw new AssertionError("every Java runtime has SHA-256", e);
    }
  }
}
