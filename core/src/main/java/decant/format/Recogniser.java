package decant.format;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;

/** Tells what a file is by its content, never by its name. */
public final class Recogniser {
  private static final int HEAD = 4096;

  private Recogniser() {}

  /** What a file is. @throws IOException if it cannot be read */
  public static FileFormat recognise(Path file) throws IOException {
    byte[] head;
    try (InputStream in = Files.newInputStream(file)) {
      head = in.readNBytes(HEAD);
    }
    String text = new String(head, StandardCharsets.ISO_8859_1);
    // ISO 32000-1 Annex H: the header may stand anywhere in the first 1,024 bytes.
    if (text.substring(0, Math.min(text.length(), 1024)).contains("%PDF-")) {
      return FileFormat.PDF;
    }
    if (text.startsWith("PK\u0003\u0004") || text.startsWith("PK\u0005\u0006")) {
      return packaged(file);
    }
    if (text.startsWith("{\\rtf")) {
      return FileFormat.RTF;
    }
    if (text.startsWith("\u00D0\u00CF\u0011\u00E0\u00A1\u00B1\u001A\u00E1")) {
      return isLocked(file) ? FileFormat.LOCKED_OFFICE : FileFormat.OLE;
    }
    if (text.startsWith("\u0089PNG")
        || text.startsWith("\u00FF\u00D8\u00FF")
        || text.startsWith("GIF8")
        || text.startsWith("BM")
        || text.startsWith("II*\0")
        || text.startsWith("MM\0*")) {
      return FileFormat.PICTURE;
    }
    String lower = text.strip().toLowerCase(Locale.ROOT);
    if (lower.startsWith("<!doctype html") || lower.startsWith("<html")) {
      return FileFormat.HTML;
    }
    return FileFormat.UNKNOWN;
  }

  private static FileFormat packaged(Path file) throws IOException {
    try (ZipFile zip = new ZipFile(file.toFile())) {
      ZipEntry type = zip.getEntry("mimetype");
      if (type != null) {
        try (InputStream in = zip.getInputStream(type)) {
          String mime = new String(in.readNBytes(100), StandardCharsets.US_ASCII);
          if (mime.contains("opendocument.text")) {
            return FileFormat.ODT;
          }
          if (mime.contains("opendocument.spreadsheet")) {
            return FileFormat.ODS;
          }
          if (mime.contains("opendocument.presentation")) {
            return FileFormat.ODP;
          }
        }
      }
      boolean types = false;
      boolean word = false;
      for (var entries = zip.entries(); entries.hasMoreElements(); ) {
        String name = entries.nextElement().getName().toLowerCase(Locale.ROOT);
        types |= name.equals("[content_types].xml");
        word |= name.startsWith("word/");
        if (name.equals("xl/workbook.xml") || name.equals("xl/workbook.bin")) {
          return FileFormat.XLSX;
        }
        if (name.equals("ppt/presentation.xml")) {
          return FileFormat.PPTX;
        }
      }
      return word || types ? FileFormat.DOCX : FileFormat.ZIP;
    } catch (ZipException | IllegalArgumentException e) {
      return FileFormat.DOCX; // damaged; its reader says what is wrong
    }
  }

  private static boolean isLocked(Path file) throws IOException {
    // The directory of a compound file names its streams in UTF-16; an encrypted package has this
    // one.
    byte[] needle = "EncryptedPackage".getBytes(StandardCharsets.UTF_16LE);
    byte[] bytes;
    try (InputStream in = Files.newInputStream(file)) {
      bytes = in.readNBytes(1 << 20);
    }
    outer:
    for (int k = 0; k + needle.length <= bytes.length; k++) {
      for (int j = 0; j < needle.length; j++) {
        if (bytes[k + j] != needle[j]) {
          continue outer;
        }
      }
      return true;
    }
    return false;
  }
}
