package decant.verify.office;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.model.CHPX;
import org.apache.poi.hwpf.model.PAPX;
import org.apache.poi.hwpf.model.PlexOfCps;
import org.apache.poi.hwpf.model.PropertyNode;
import org.apache.poi.hwpf.model.SEPX;
import org.apache.poi.hwpf.sprm.ParagraphSprmUncompressor;
import org.apache.poi.hwpf.sprm.SprmBuffer;
import org.apache.poi.hwpf.sprm.TableSprmUncompressor;
import org.apache.poi.hwpf.usermodel.CharacterProperties;
import org.apache.poi.hwpf.usermodel.CharacterRun;
import org.apache.poi.hwpf.usermodel.Notes;
import org.apache.poi.hwpf.usermodel.OfficeDrawing;
import org.apache.poi.hwpf.usermodel.ParagraphProperties;
import org.apache.poi.hwpf.usermodel.Picture;
import org.apache.poi.hwpf.usermodel.Range;
import org.apache.poi.hwpf.usermodel.SectionProperties;
import org.apache.poi.hwpf.usermodel.TableCellDescriptor;
import org.apache.poi.hwpf.usermodel.TableProperties;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.apache.poi.util.LittleEndian;

/**
 * The digest of a binary document ([MS-DOC]), by a library of other makers that knows nothing of
 * how we write.
 */
public final class DocDigest {
  private static final int HEAD = 900; // bytes
  private static final int TABLES = 154; // where the places of tables begin

  // Tables by their numbers, §2.5.6.
  private static final int MARKS = 4;
  private static final int WORDS = 5;
  private static final int RUNNING = 11;
  private static final int OWNERS = 36;
  private static final int BOXES = 56;

  private static final int BOX = 22; // bytes of an FTXBXS, §2.9.91
  private static final int COMMENT = 30; // bytes of an ATRDPre10, §2.9.4
  private static final Pattern NAMED = Pattern.compile("\"([^\"]*)\"");

  /** The stories of headers and footers of a section, in the order in which they are compared. */
  private static final int[] STORIES = {1, 4, 0, 3, 5, 2};

  private static final int HEADERS = 3; // the first of them that are headers

  private final HWPFDocument file;

  /** The beginning of the stream of the text, which says where tables stand (Fib, §2.5). */
  private final byte[] head;

  private final Digest.Builder whole = new Digest.Builder();
  private CountedLabels labels;
  private final CountedLabels ofBoxes;
  private final Map<Integer, int[]> boxes = new HashMap<>();

  private DocDigest(HWPFDocument file, byte[] head) {
    this.file = file;
    this.head = head;
    this.labels = new CountedLabels(DocLabels.of(file.getListTables()));
    this.ofBoxes = labels.afresh();
  }

  /** Reads a file. @throws IOException if it cannot be read, or is none */
  public static Digest of(Path path) throws IOException {
    try (POIFSFileSystem packed = new POIFSFileSystem(path.toFile(), true);
        InputStream text = packed.createDocumentInputStream("WordDocument");
        HWPFDocument file = new HWPFDocument(packed)) {
      return new DocDigest(file, text.readNBytes(HEAD)).whole();
    } catch (RuntimeException e) {
      throw new IOException("it is no whole binary document", e);
    }
  }

  private Digest whole() throws IOException {
    boxes();
    List<SEPX> sections = file.getSectionTable().getSections();
    String[] running = new String[STORIES.length];
    int end = file.getRange().getEndOffset();
    for (int k = 0; k < sections.size(); k++) {
      SEPX s = sections.get(k);
      text(s.getStart(), Math.min(end, s.getEnd()), whole);
      running(k, running, s.getSectionProperties().getFTitlePage());
      SectionProperties p = s.getSectionProperties();
      whole.sheet(new Sheet(p.getXaPage(), p.getYaPage()));
    }
    comments().stream().sorted().forEach(c -> whole.add(Aspect.COMMENTS, c));
    return whole.digest();
  }

  private int place(int table) {
    return LittleEndian.getInt(head, TABLES + 8 * table);
  }

  private int size(int table) {
    return LittleEndian.getInt(head, TABLES + 8 * table + 4);
  }

  private PlexOfCps plex(int table, int each) {
    return new PlexOfCps(file.getTableStream(), place(table), size(table), each);
  }

  private boolean has(int table) {
    return size(table) > 0;
  }

  private void boxes() {
    if (!has(BOXES)) {
      return;
    }
    PlexOfCps all = plex(BOXES, BOX);
    int start = file.getMainTextboxRange().getStartOffset();
    for (int k = 0; k < all.length() - 1; k++) {
      var p = all.getProperty(k);
      int shape = LittleEndian.getInt(p.getBytes(), 14);
      boxes.put(shape, new int[] {start + p.getStart(), start + p.getEnd()});
    }
  }

  /** What shows above and below the text of a section; what is empty goes on from before. */
  private void running(int section, String[] before, boolean firstPage) throws IOException {
    if (!has(RUNNING)) {
      return;
    }
    PlexOfCps all = plex(RUNNING, 0);
    int start = file.getHeaderStoryRange().getStartOffset();
    boolean facing = file.getDocProperties().isFFacingPages();
    var lines = new LinkedHashSet<String>();
    for (int k = 0; k < STORIES.length; k++) {
      int story = STORIES[k];
      int at = 6 + section * STORIES.length + story;
      if (at < all.length()) {
        int from = all.getProperty(at).getStart();
        int to = all.getProperty(at).getEnd();
        if (to - from > 1) {
          var apart = new Digest.Builder();
          text(start + from, start + to - 1, apart);
          before[story] = apart.line();
        }
      }
      boolean shown = story < 2 || story == 3 || story == 2;
      shown = story >= 4 ? firstPage : story == 0 || story == 2 ? facing : shown;
      String line = before[story];
      if (shown && line != null && !line.isEmpty()) {
        String kind = k < HEADERS ? "header" : "footer";
        lines.add(kind + " of section " + (section + 1) + ": " + line);
      }
    }
    lines.forEach(l -> whole.add(Aspect.RUNNING, l));
  }

  private List<String> comments() throws IOException {
    var out = new ArrayList<String>();
    if (!has(MARKS)) {
      return out;
    }
    PlexOfCps marks = plex(MARKS, COMMENT);
    PlexOfCps texts = plex(WORDS, 0);
    List<String> authors = authors();
    int start = file.getCommentsRange().getStartOffset();
    for (int k = 0; k < marks.length(); k++) {
      int who = LittleEndian.getShort(marks.getProperty(k).getBytes(), 20);
      var apart = new Digest.Builder();
      text(start + texts.getProperty(k).getStart(), start + texts.getProperty(k).getEnd(), apart);
      String words = DocumentDigest.squeezed(apart.line().replace("¶", " "));
      out.add((who >= 0 && who < authors.size() ? authors.get(who) : "") + ": " + words);
    }
    return out;
  }

  private List<String> authors() {
    var out = new ArrayList<String>();
    int at = place(OWNERS);
    int end = at + size(OWNERS);
    byte[] b = file.getTableStream();
    while (at + 2 <= end) {
      int size = 2 * LittleEndian.getUShort(b, at);
      out.add(new String(b, at + 2, size, StandardCharsets.UTF_16LE));
      at += 2 + size;
    }
    return out;
  }

  /** A field that is open: what it asks for, and whether it shows something already. */
  private static final class Field {
    final StringBuilder instruction = new StringBuilder();
    boolean shows;
    String form = "";

    String computes() {
      return form.isEmpty() ? DocumentDigest.computes(instruction.toString()) : form;
    }
  }

  /** The paragraphs between two characters. */
  private void text(int from, int to, Digest.Builder out) throws IOException {
    Deque<Field> fields = new ArrayDeque<>();
    List<PAPX> all = file.getParagraphTable().getParagraphs();
    int begins = from;
    for (int k = first(all, from); k < all.size() && all.get(k).getStart() < to; k++) {
      PAPX p = all.get(k);
      // The library ends paragraphs with pages; only the last piece has their properties.
      SprmBuffer said = p.getSprmBuf();
      int end = Math.min(to, p.getEnd());
      if (isPageBreak(end - 1) && end < to) {
        continue;
      }
      paragraph(begins, end, said == null ? new SprmBuffer(new byte[2], 2) : said, out, fields);
      begins = end;
    }
  }

  private boolean isPageBreak(int at) {
    return file.getText().charAt(at) == '\f'
        && file.getSectionTable().getSections().stream().noneMatch(s -> s.getEnd() == at + 1);
  }

  @SuppressWarnings("deprecation") // the library has no other way to what a style says
  private void paragraph(int from, int to, SprmBuffer said, Digest.Builder out, Deque<Field> fields)
      throws IOException {
    short style = LittleEndian.getShort(said.toByteArray(), 0);
    ParagraphProperties held =
        ParagraphSprmUncompressor.uncompressPAP(
            file.getStyleSheet().getParagraphStyle(style), said.toByteArray(), 2);
    if (held.getFTtp() || held.getFTtpEmbedded()) {
      row(said, out);
      return;
    }
    characters(from, to, style, out, fields);
    int level = held.getLvl() >= 0 && held.getLvl() < 9 ? held.getLvl() + 1 : 0;
    out.end(level, label(held));
  }

  /** The first that ends after a character. */
  private static int first(List<? extends PropertyNode<?>> all, int at) {
    int from = 0;
    int to = all.size();
    while (from < to) {
      int middle = (from + to) >>> 1;
      if (all.get(middle).getEnd() <= at) {
        from = middle + 1;
      } else {
        to = middle;
      }
    }
    return from;
  }

  private String label(ParagraphProperties p) {
    return p.getIlfo() > 0 ? labels.next(Integer.toString(p.getIlfo()), p.getIlvl()) : "";
  }

  private void row(SprmBuffer said, Digest.Builder out) {
    TableProperties t = TableSprmUncompressor.uncompressTAP(said);
    var row = new StringBuilder("row:");
    for (TableCellDescriptor c : t.getRgtc()) {
      row.append(" 1").append(c.isFVertRestart() ? "v" : c.isFVertMerge() ? "^" : "");
    }
    out.add(Aspect.TABLES, row.toString());
  }

  private void characters(int from, int to, short style, Digest.Builder out, Deque<Field> fields)
      throws IOException {
    List<CHPX> all = file.getCharacterTable().getTextRuns();
    for (int i = first(all, from); i < all.size() && all.get(i).getStart() < to; i++) {
      CHPX c = all.get(i);
      int start = Math.max(from, c.getStart());
      int end = Math.min(to, c.getEnd());
      if (start >= end) {
        continue;
      }
      CharacterProperties how = c.getCharacterProperties(file.getStyleSheet(), style);
      TextLook look = look(how);
      String text = new Range(start, end, file).text();
      if (DocChanges.told(file, how, text, out)) {
        continue;
      }
      var plain = new StringBuilder();
      for (int k = 0; k < text.length(); k++) {
        char ch = text.charAt(k);
        if (ch > ' ' || ch == ' ' || ch == '\t') {
          plain.append(ch);
          notes(start + k, out); // one may be marked with a sign of its own
          continue;
        }
        switch (ch) {
          case 0x0B -> plain.append('\n');
          case 0x1E -> plain.append('\u2011');
          case 0x1F -> plain.append('\u00AD');
          default -> {
            say(plain, look, out, fields);
            special(ch, start + k, out, fields);
          }
        }
      }
      say(plain, look, out, fields);
    }
  }

  private static void say(
      StringBuilder plain, TextLook look, Digest.Builder out, Deque<Field> fields) {
    String s = plain.toString();
    plain.setLength(0);
    String link = "";
    for (Field f : fields) {
      if (!f.shows) {
        f.instruction.append(s);
        return;
      }
      if (!f.computes().isEmpty()) {
        return;
      }
      link = link.isEmpty() ? link(f.instruction.toString()) : link;
    }
    if (!s.isEmpty()) {
      out.text(s, look, link);
    }
  }

  private static String link(String instruction) {
    if (!instruction.strip().startsWith("HYPERLINK")) {
      return "";
    }
    Matcher m = NAMED.matcher(instruction);
    return m.find() ? (instruction.contains("\\l ") ? "#" : "") + m.group(1) : "";
  }

  private void special(char c, int at, Digest.Builder out, Deque<Field> fields) throws IOException {
    switch (c) {
      case 0x13 -> fields.push(new Field());
      case 0x14 -> fields.element().shows = true;
      case 0x15 -> {
        String computes = fields.pop().computes();
        if (!computes.isEmpty()) {
          out.field(computes);
        }
      }
      case 0x01 -> {
        Field in = fields.peek();
        String asks = in == null || in.shows ? "" : in.instruction.toString().strip();
        if (asks.equals("FORMCHECKBOX") || asks.equals("FORMDROPDOWN")) {
          in.form = DocForms.shown(file.getDataStream(), run(at).getPicOffset());
          return;
        }
        Picture p = file.getPicturesTable().extractPicture(run(at), false);
        if (p != null) {
          out.add(Aspect.PICTURES, Digest.name(p.getContent()));
        }
      }
      case 0x02 -> notes(at, out);
      case 0x08 -> drawn(at, out);
      default -> {} // ends of paragraphs and pages
    }
  }

  private CharacterRun run(int at) {
    return new Range(at, at + 1, file).getCharacterRun(0);
  }

  private void notes(int at, Digest.Builder out) throws IOException {
    note(at, out, file.getFootnotes(), file.getFootnoteRange(), "footnote: ");
    note(at, out, file.getEndnotes(), file.getEndnoteRange(), "endnote: ");
  }

  private void note(int at, Digest.Builder out, Notes notes, Range texts, String kind)
      throws IOException {
    int k = notes.getNoteIndexByAnchorPosition(at);
    if (k < 0) {
      return;
    }
    var apart = new Digest.Builder();
    CountedLabels outer = labels;
    int start = texts.getStartOffset();
    text(start + notes.getNoteTextStartOffset(k), start + notes.getNoteTextEndOffset(k), apart);
    labels = outer;
    out.add(Aspect.NOTES, kind + apart.line());
    out.takeObjects(apart);
  }

  private void drawn(int at, Digest.Builder out) throws IOException {
    boolean main = at < file.getRange().getEndOffset();
    OfficeDrawing d =
        main
            ? file.getOfficeDrawingsMain().getOfficeDrawingAt(at)
            : file.getOfficeDrawingsHeaders()
                .getOfficeDrawingAt(at - file.getHeaderStoryRange().getStartOffset());
    if (d == null) {
      return;
    }
    byte[] picture = d.getPictureData();
    if (picture != null) {
      out.add(Aspect.PICTURES, Digest.name(picture));
    }
    int[] box = main ? boxes.get(d.getShapeId()) : null;
    if (box != null) {
      var apart = new Digest.Builder();
      CountedLabels outer = labels;
      labels = ofBoxes;
      text(box[0], box[1], apart);
      labels = outer;
      String line = apart.line();
      if (!line.isEmpty()) {
        out.add(Aspect.BOXES, line);
      }
      out.takeObjects(apart);
    }
  }

  private TextLook look(CharacterProperties p) {
    String family = file.getFontTable().getMainFont(p.getFtcAscii());
    int ico = p.getIco24();
    int rgb = ico == -1 ? 0 : (ico & 0xFF) << 16 | ico & 0xFF00 | ico >> 16 & 0xFF;
    return new TextLook(
        family == null ? "" : family,
        p.getHps(),
        p.isFBold(),
        p.isFItalic(),
        p.getKul() != 0,
        p.isFStrike(),
        rgb,
        p.getIss() == 1 ? 1 : p.getIss() == 2 ? -1 : 0);
  }
}
