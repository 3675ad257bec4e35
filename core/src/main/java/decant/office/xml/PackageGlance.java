package decant.office.xml;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;

/** A look at one part of a packed file, without taking the file in. */
public final class PackageGlance {
  private static final int MOST = 1 << 20;

  private PackageGlance() {}

  /**
   * Whether a part has some text in its first MiB; no for what is no package, and where there is no
   * such part.
   *
   * @throws IOException if the file cannot be read
   */
  public static boolean says(Path file, String part, String text) throws IOException {
    try (ZipFile zip = new ZipFile(file.toFile())) {
      ZipEntry e = zip.getEntry(part);
      if (e == null) {
        return false;
      }
      try (InputStream in = zip.getInputStream(e)) {
        return new String(in.readNBytes(MOST), StandardCharsets.UTF_8).contains(text);
      }
    } catch (ZipException | IllegalArgumentException e) {
      return false;
    }
  }
}
