package decant.office.doc;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.poi.poifs.filesystem.DirectoryNode;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;

/** The streams of a DOC file, and numbers in them, read by nothing but [MS-DOC]. */
final class DocBytes {
  final byte[] text;
  final byte[] table;
  final byte[] data;

  private DocBytes(byte[] text, byte[] table, byte[] data) {
    this.text = text;
    this.table = table;
    this.data = data;
  }

  static DocBytes of(Path file) throws IOException {
    try (var packed = new POIFSFileSystem(file.toFile(), true)) {
      DirectoryNode root = packed.getRoot();
      byte[] text = stream(root, "WordDocument");
      boolean second = (u16(text, 10) >> 9 & 1) == 1; // fWhichTblStm, §2.5.2
      return new DocBytes(text, stream(root, second ? "1Table" : "0Table"), stream(root, "Data"));
    }
  }

  private static byte[] stream(DirectoryNode root, String name) throws IOException {
    if (!root.hasEntryCaseInsensitive(name)) {
      return new byte[0];
    }
    try (var in = root.createDocumentInputStream(name)) {
      return in.readAllBytes();
    }
  }

  static int u8(byte[] b, int at) {
    return b[at] & 0xFF;
  }

  static int u16(byte[] b, int at) {
    return u8(b, at) | u8(b, at + 1) << 8;
  }

  static int i32(byte[] b, int at) {
    return u16(b, at) | u16(b, at + 2) << 16;
  }

  static String utf16(byte[] b, int at, int characters) {
    return new String(b, at, 2 * characters, StandardCharsets.UTF_16LE);
  }

  /** A property: its number, and where its operand stands. */
  record Prl(int sprm, int at, int size) {
    /** What it is a property of: 1 paragraphs, 2 characters, 3 pictures, 4 sections, 5 tables. */
    int group() {
      return sprm >> 10 & 7;
    }
  }

  /**
   * The properties between two places (§2.2.5.1), whose lengths fill it to the last byte.
   *
   * @throws IllegalStateException if they do not
   */
  static List<Prl> properties(byte[] b, int from, int to) {
    var out = new ArrayList<Prl>();
    int at = from;
    while (at < to) {
      if (to - at < 2) {
        throw new IllegalStateException("a byte is left after properties");
      }
      int sprm = u16(b, at);
      at += 2;
      int size =
          switch (sprm >> 13) {
            case 0, 1 -> 1;
            case 2, 4, 5 -> 2;
            case 3 -> 4;
            case 7 -> 3;
            default ->
                sprm == 0xD608 // sprmTDefTable counts one more, in two bytes
                    ? u16(b, at) + 1
                    : sprm == 0xC615 && u8(b, at) == 255 ? tabs(b, at) : u8(b, at) + 1;
          };
      if (at + size > to) {
        throw new IllegalStateException(
            "property %04X reaches over the end of its list".formatted(sprm));
      }
      out.add(new Prl(sprm, at, size));
      at += size;
    }
    return out;
  }

  /** sprmPChgTabs with more than 255 bytes says its length by what is in it (§2.9.177). */
  private static int tabs(byte[] b, int at) {
    int gone = u8(b, at + 1);
    int come = u8(b, at + 2 + 4 * gone);
    return 3 + 4 * gone + 3 * come;
  }
}
