package decant.office.doc;

import decant.work.Faults;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.regex.Pattern;
import org.apache.poi.hpsf.HPSFException;
import org.apache.poi.hpsf.PropertySet;
import org.apache.poi.hpsf.SummaryInformation;
import org.apache.poi.poifs.filesystem.DirectoryEntry;
import org.apache.poi.poifs.filesystem.DocumentEntry;
import org.apache.poi.poifs.filesystem.DocumentInputStream;
import org.apache.poi.poifs.filesystem.Entry;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.apache.poi.util.LittleEndian;

/** Binary documents that are given on as they came. */
final class GivenOn {
  /** Macros, controls and whole files of any kind ([MS-DOC] 2.1, [MS-OLEDS] 2.3.6). */
  private static final Pattern PROGRAM =
      Pattern.compile("macro|vba|ole10native|\\x03ocx", Pattern.CASE_INSENSITIVE);

  /** Fields that fetch or start something ([MS-DOC] 2.9.90), in one byte or two for a letter. */
  private static final Pattern ACTS =
      Pattern.compile(
          "\u0013\0?(?:\\s\0?)*(?:D\0?D\0?E|I\0?M\0?P\0?O\0?R\0?T|I\0?N\0?C\0?L\0?U\0?D\0?E|L\0?I\0?N\0?K"
              + "|D\0?A\0?T\0?A\0?B\0?A\0?S\0?E)",
          Pattern.CASE_INSENSITIVE);

  private static final String TEXT = "WordDocument";
  private static final String TABLES = "1Table"; // in what we write
  private static final int DOP = 0x192; // where the head says where the Dop is, §2.5.6
  private static final int MADE = 20; // in the Dop
  private static final int TIMES = 8; // bytes of two times
  private static final int FLAGS = 10; // where those of the document begin
  private static final int TEMPLATE = 1;

  private GivenOn() {}

  /** Whether two files that we wrote hold the same, whenever they were written. */
  static boolean isSame(byte[] one, byte[] other) {
    try {
      return streams(one).equals(streams(other));
    } catch (IOException | HPSFException e) {
      return false;
    }
  }

  private static Map<String, String> streams(byte[] file) throws IOException, HPSFException {
    var out = new HashMap<String, String>();
    try (var packed = new POIFSFileSystem(new ByteArrayInputStream(file))) {
      for (Entry e : packed.getRoot()) {
        if (e instanceof DocumentEntry d) {
          try (var in = new DocumentInputStream(d)) {
            byte[] all = in.readAllBytes();
            out.put(
                e.getName(),
                e.getName().equals(SummaryInformation.DEFAULT_STREAM_NAME)
                    ? said(new SummaryInformation(new PropertySet(all)))
                    : new String(all, StandardCharsets.ISO_8859_1));
          }
        }
      }
    }
    out.computeIfPresent(TABLES, (n, v) -> undated(v, out.getOrDefault(TEXT, "")));
    return out;
  }

  /** Without when the document was made and changed (Dop, §2.7.2), where the head says it is. */
  private static String undated(String tables, String text) {
    byte[] head = text.getBytes(StandardCharsets.ISO_8859_1);
    int from = LittleEndian.getInt(head, DOP) + MADE;
    return tables.substring(0, from) + tables.substring(from + TIMES);
  }

  private static String said(SummaryInformation s) {
    return s.getTitle() + "\n" + s.getSubject() + "\n" + s.getAuthor() + "\n" + s.getKeywords();
  }

  /** Whether nothing in a file may act, known to us as part of the document or not. */
  static boolean isQuiet(byte[] file) {
    try (var packed = new POIFSFileSystem(new ByteArrayInputStream(file))) {
      if (!isQuiet(packed.getRoot())) {
        return false;
      }
      try (DocumentInputStream text = packed.createDocumentInputStream(TEXT)) {
        String all = new String(text.readAllBytes(), StandardCharsets.ISO_8859_1);
        return !ACTS.matcher(all).find();
      }
    } catch (IOException | RuntimeException e) {
      return false;
    }
  }

  /** The file as a document: one that came as a template is one no longer (§2.5.2, fDot). */
  static byte[] document(byte[] file) {
    try (var packed = new POIFSFileSystem(new ByteArrayInputStream(file))) {
      byte[] text;
      try (DocumentInputStream in = packed.createDocumentInputStream(TEXT)) {
        text = in.readAllBytes();
      }
      if ((text[FLAGS] & TEMPLATE) == 0) {
        return file;
      }
      text[FLAGS] &= ~TEMPLATE;
      packed.createOrUpdateDocument(new ByteArrayInputStream(text), TEXT);
      var out = new ByteArrayOutputStream();
      packed.writeFilesystem(out);
      return out.toByteArray();
    } catch (IOException | RuntimeException e) {
      Faults.mended("making a document of a binary template", e);
      return file; // which is told where it is read
    }
  }

  private static boolean isQuiet(DirectoryEntry folder) {
    for (Entry e : folder) {
      if (PROGRAM.matcher(e.getName()).find()
          || e instanceof DirectoryEntry inner && !isQuiet(inner)) {
        return false;
      }
    }
    return true;
  }
}
