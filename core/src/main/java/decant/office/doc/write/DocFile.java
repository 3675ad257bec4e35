package decant.office.doc.write;

import decant.model.Document;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.util.EnumMap;
import java.util.Map;
import org.apache.poi.hpsf.ClassID;
import org.apache.poi.hpsf.SummaryInformation;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;

/**
 * The streams of a file ([MS-DOC] 2.1): the text with what is said of it in pages, the tables, and
 * what is too large for both.
 *
 * @param tables what the text refers to
 * @param parts the text
 * @param data pictures on the line, and properties that are too long for a page
 */
record DocFile(Tables tables, Map<Part, TextPart> parts, Bytes data) {
  private static final String KIND = "{00020906-0000-0000-C000-000000000046}";

  /** What text refers to by numbers. */
  record Tables(
      Fonts fonts,
      TextProperties texts,
      Styles styles,
      Lists lists,
      Sections sections,
      Bookmarks bookmarks,
      Comments comments,
      Notes footnotes,
      Notes endnotes,
      Map<Part, Boxes> boxes,
      Plc running,
      Drawings drawings) {}

  private TextPart part(Part p) {
    return parts.getOrDefault(p, new TextPart());
  }

  void write(Document document, OutputStream out, boolean template) throws IOException {
    var fib = new Fib();
    var stream = new Bytes().zeros(Fib.SIZE);
    var begins = new EnumMap<Part, Integer>(Part.class);
    var lengths = new EnumMap<Part, Integer>(Part.class);
    int length = 0;
    for (Part p : Part.values()) {
      begins.put(p, length);
      lengths.put(p, part(p).length());
      stream.text(part(p).text().toString());
      length += part(p).length();
    }
    boolean more = length > part(Part.TEXT).length();
    if (more) { // one mark more ends a text of several parts (§2.4.1)
      stream.text("\r");
      length++;
    }
    int[] text = {Fib.SIZE, stream.size()};
    fib.put(Fib.Table.STYLES, tables.styles().table());
    formatted(fib, stream, begins, length, more);
    texts(fib, begins, length);
    fib.put(Fib.Table.SECTIONS, tables.sections().table(stream, length));
    drawn(fib, stream, length);
    lists(fib);
    fib.put(Fib.Table.FONTS, tables.fonts().table());
    tables.texts().authors().ifPresent(a -> fib.put(Fib.Table.CHANGED_BY, a));
    fib.put(Fib.Table.SETTING, Particulars.dop(document));
    // One piece with all characters, of two bytes each (Clx, §2.9.38).
    var pieces = new Plc().add(0, new Bytes().u16(0).u32(Fib.SIZE).u16(0)).end(length);
    fib.put(Fib.Table.PIECES, new Bytes().u8(2).u32(pieces.size()).add(pieces.array()));
    boolean pictures = data.size() > 0 || !tables.drawings().isEmpty();
    byte[] head = fib.head(text, stream.size(), lengths, pictures, template);
    byte[] all = stream.array();
    System.arraycopy(head, 0, all, 0, head.length);
    try (var file = new POIFSFileSystem()) {
      file.getRoot().setStorageClsid(new ClassID(KIND));
      put(file, "WordDocument", all);
      put(file, "1Table", fib.tables());
      if (data.size() > 0) {
        put(file, "Data", data.array());
      }
      put(file, SummaryInformation.DEFAULT_STREAM_NAME, Particulars.summary(document));
      file.writeFilesystem(out);
    }
  }

  private static void put(POIFSFileSystem file, String name, byte[] stream) throws IOException {
    file.createDocument(new ByteArrayInputStream(stream), name);
  }

  private void formatted(
      Fib fib, Bytes stream, Map<Part, Integer> begins, int length, boolean more) {
    var runs = new FormattedPages(false, Fib.SIZE, data);
    var paragraphs = new FormattedPages(true, Fib.SIZE, data);
    for (Part p : Part.values()) {
      int from = begins.getOrDefault(p, 0);
      part(p).runs().forEach(r -> runs.add(place(from + r.end()), r.properties()));
      part(p).paragraphs().forEach(r -> paragraphs.add(place(from + r.end()), r.properties()));
    }
    if (more) {
      runs.add(place(length), new byte[0]);
      paragraphs.add(place(length), new byte[2]);
    }
    fib.put(Fib.Table.CHARACTERS, runs.finish(stream));
    fib.put(Fib.Table.PARAGRAPHS, paragraphs.finish(stream));
  }

  /** Where in the stream a character stands. */
  private static int place(int character) {
    return Fib.SIZE + 2 * character;
  }

  private void texts(Fib fib, EnumMap<Part, Integer> begins, int length) {
    if (!tables.footnotes().isEmpty()) {
      fib.put(Fib.Table.FOOTNOTE_MARKS, tables.footnotes().marks(length));
      fib.put(Fib.Table.FOOTNOTE_TEXTS, tables.footnotes().texts(length(Part.FOOTNOTES)));
    }
    if (!tables.endnotes().isEmpty()) {
      fib.put(Fib.Table.ENDNOTE_MARKS, tables.endnotes().marks(length));
      fib.put(Fib.Table.ENDNOTE_TEXTS, tables.endnotes().texts(length(Part.ENDNOTES)));
    }
    if (!tables.comments().isEmpty()) {
      Comments c = tables.comments();
      fib.put(Fib.Table.COMMENT_MARKS, c.marks(length));
      fib.put(Fib.Table.COMMENT_TEXTS, c.texts(length(Part.COMMENTS)));
      fib.put(Fib.Table.AUTHORS, c.authors());
      fib.put(Fib.Table.COMMENT_TAGS, c.tags());
      fib.put(Fib.Table.COMMENT_STARTS, c.starts(length));
      fib.put(Fib.Table.COMMENT_ENDS, c.ends(length));
    }
    if (!tables.running().isEmpty() && length(Part.RUNNING) > 0) {
      fib.put(Fib.Table.RUNNING, tables.running().end(length(Part.RUNNING)));
    }
    if (!tables.bookmarks().isEmpty()) {
      fib.put(Fib.Table.BOOKMARK_NAMES, tables.bookmarks().names(begins));
      fib.put(Fib.Table.BOOKMARK_STARTS, tables.bookmarks().starts(begins, length));
      fib.put(Fib.Table.BOOKMARK_ENDS, tables.bookmarks().ends(begins, length));
    }
    for (Part p : Part.values()) {
      if (!part(p).fields().isEmpty()) {
        fib.put(fields(p), part(p).fields().end(length(p)));
      }
    }
  }

  private int length(Part p) {
    return part(p).length();
  }

  private static Fib.Table fields(Part p) {
    return switch (p) {
      case TEXT -> Fib.Table.FIELDS;
      case FOOTNOTES -> Fib.Table.FOOTNOTE_FIELDS;
      case RUNNING -> Fib.Table.RUNNING_FIELDS;
      case COMMENTS -> Fib.Table.COMMENT_FIELDS;
      case ENDNOTES -> Fib.Table.ENDNOTE_FIELDS;
      case BOXES -> Fib.Table.BOX_FIELDS;
      case RUNNING_BOXES -> Fib.Table.RUNNING_BOX_FIELDS;
    };
  }

  private void drawn(Fib fib, Bytes stream, int length) {
    Drawings d = tables.drawings();
    if (d.isEmpty()) {
      return;
    }
    if (!d.places(false).isEmpty()) {
      fib.put(Fib.Table.DRAWN_PLACES, d.places(false).end(length));
    }
    if (!d.places(true).isEmpty()) {
      fib.put(Fib.Table.RUNNING_DRAWN_PLACES, d.places(true).end(length(Part.RUNNING)));
    }
    fib.put(Fib.Table.DRAWN, d.content(stream));
    boxes(fib, Part.BOXES, Fib.Table.BOX_TEXTS, Fib.Table.BOX_BREAKS, length);
    boxes(
        fib, Part.RUNNING_BOXES, Fib.Table.RUNNING_BOX_TEXTS, Fib.Table.RUNNING_BOX_BREAKS, length);
  }

  private void boxes(Fib fib, Part p, Fib.Table texts, Fib.Table breaks, int length) {
    Boxes b = tables.boxes().getOrDefault(p, new Boxes());
    if (!b.isEmpty()) {
      fib.put(texts, b.texts(length(p), length));
      fib.put(breaks, b.breaks(length(p)));
    }
  }

  private void lists(Fib fib) {
    if (!tables.lists().isEmpty()) {
      fib.put(Fib.Table.LISTS, tables.lists().series(), tables.lists().levels());
      fib.put(Fib.Table.LIST_OVERRIDES, tables.lists().overrides());
    }
  }
}
