package decant.office.doc;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;

/**
 * A DOC put together byte by byte after [MS-DOC], whose clauses stand beside its parts, for want of
 * a program that writes one.
 */
final class MadeDoc {
  private static final int TEXT = 2048; // where the text begins in the main stream
  private static final int PAGE = 512; // of formatted properties, §2.9.107

  /** Text with properties of characters, in hexadecimal. */
  record Run(String text, String properties) {}

  private record Stretch(int from, int to, int style, byte[] properties) {}

  private final StringBuilder text = new StringBuilder();
  private final List<Stretch> paragraphs = new ArrayList<>();
  private final List<Stretch> runs = new ArrayList<>();
  private final List<int[]> notes = new ArrayList<>(); // anchor, from, to
  private final List<String> sections = new ArrayList<>();
  private final List<Integer> sectionEnds = new ArrayList<>();
  private final List<String> noteTexts = new ArrayList<>();
  private final List<String> stories = new ArrayList<>();
  private String lists = "";
  private String overrides = "";

  static byte[] hex(String s) {
    return HexFormat.of().parseHex(s.replace(" ", ""));
  }

  static Run run(String text) {
    return new Run(text, "");
  }

  /** A paragraph of the text; its last run ends it, by \r or \u0007. */
  MadeDoc paragraph(int style, String properties, Run... all) {
    int from = text.length();
    for (Run r : all) {
      int at = text.length();
      text.append(r.text());
      runs.add(new Stretch(at, text.length(), 0, hex(r.properties())));
      for (int k = r.text().indexOf(2); k >= 0; k = r.text().indexOf(2, k + 1)) {
        notes.add(new int[] {at + k, 0, 0});
      }
    }
    paragraphs.add(new Stretch(from, text.length(), style, hex(properties)));
    return this;
  }

  /** Ends a section with what was put in up to now. */
  MadeDoc section(String properties) {
    sections.add(properties);
    sectionEnds.add(text.length());
    return this;
  }

  MadeDoc note(String words) {
    noteTexts.add(words);
    return this;
  }

  /** Headers and footers of the first section, in the order of §2.3.3. */
  MadeDoc stories(String... all) {
    stories.addAll(List.of(all));
    return this;
  }

  MadeDoc lists(String plfLst, String plfLfo) {
    lists = plfLst;
    overrides = plfLfo;
    return this;
  }

  private static void plain(StringBuilder into, List<Stretch> p, List<Stretch> r, String s) {
    int from = into.length();
    into.append(s);
    boolean marked = s.startsWith("\u0002");
    if (marked) {
      r.add(new Stretch(from, from + 1, 0, hex("5508 01"))); // sprmCFSpec
    }
    r.add(new Stretch(from + (marked ? 1 : 0), into.length(), 0, new byte[0]));
    p.add(new Stretch(from, into.length(), 0, new byte[0]));
  }

  void write(Path file) throws IOException {
    int main = text.length();
    var noteEnds = new ArrayList<Integer>();
    noteEnds.add(0);
    for (String n : noteTexts) {
      plain(text, paragraphs, runs, "\u0002 " + n + "\r");
      noteEnds.add(text.length() - main);
    }
    if (!noteTexts.isEmpty()) {
      plain(text, paragraphs, runs, "\r");
    }
    int foot = text.length() - main;
    var storyEnds = new ArrayList<Integer>();
    for (int k = 0; k < 6 && !stories.isEmpty(); k++) {
      storyEnds.add(0); // separators of notes, none of which is said
    }
    for (String s : stories) {
      storyEnds.add(text.length() - main - foot);
      if (!s.isEmpty()) {
        plain(text, paragraphs, runs, s + "\r");
        plain(text, paragraphs, runs, "\r");
      }
    }
    if (!stories.isEmpty()) {
      storyEnds.add(text.length() - main - foot);
      plain(text, paragraphs, runs, "\r");
      storyEnds.add(text.length() - main - foot);
    }
    int head = text.length() - main - foot;
    if (foot + head > 0) {
      plain(text, paragraphs, runs, "\r"); // the guard paragraph, §2.4.1
    }
    put(file, main, foot, head, noteEnds, storyEnds);
  }

  private static ByteBuffer buffer(int size) {
    return ByteBuffer.allocate(size).order(ByteOrder.LITTLE_ENDIAN);
  }

  private void put(
      Path file, int main, int foot, int head, List<Integer> noteEnds, List<Integer> storyEnds)
      throws IOException {
    int all = text.length();
    int pages = (TEXT + 2 * all + PAGE - 1) / PAGE + 1;
    byte[] sepx = sepx();
    ByteBuffer doc = buffer((pages + 3) * PAGE + sepx.length);
    doc.position(TEXT);
    doc.put(text.toString().getBytes(StandardCharsets.UTF_16LE));
    doc.position(pages * PAGE);
    doc.put(page(runs, false));
    doc.put(page(paragraphs, true));
    int sepxAt = doc.position();
    doc.put(sepx);

    var table = new ByteArrayOutputStream();
    int[][] at = new int[93][2];
    part(table, at, 1, styles());
    if (!noteTexts.isEmpty()) {
      ByteBuffer b = buffer(4 * (notes.size() + 1) + 2 * notes.size()); // PlcffndRef, §2.8.19
      notes.forEach(n -> b.putInt(n[0]));
      b.putInt(main);
      notes.forEach(n -> b.putShort((short) 1));
      part(table, at, 2, b.array());
      ByteBuffer t = buffer(4 * (noteEnds.size() + 1)); // PlcffndTxt, §2.8.20
      noteEnds.forEach(t::putInt);
      t.putInt(foot);
      part(table, at, 3, t.array());
    }
    ByteBuffer sed = buffer(4 * (sections.size() + 1) + 12 * sections.size()); // PlcfSed, §2.8.26
    sed.putInt(0);
    sectionEnds.forEach(sed::putInt);
    int from = sepxAt;
    for (String s : sections) {
      sed.putShort((short) 0).putInt(from).putShort((short) 0).putInt(0);
      from += 2 + hex(s).length;
    }
    part(table, at, 6, sed.array());
    if (!storyEnds.isEmpty()) {
      ByteBuffer h = buffer(4 * (storyEnds.size() + 1)); // Plcfhdd, §2.8.23
      storyEnds.forEach(h::putInt);
      h.putInt(head);
      part(table, at, 11, h.array());
    }
    part(table, at, 12, bin(all, pages)); // PlcBteChpx, §2.8.5
    part(table, at, 13, bin(all, pages + 1)); // PlcBtePapx, §2.8.6
    part(table, at, 15, fonts());
    ByteBuffer dop = buffer(500); // Dop97, §2.7.3
    dop.put(0, (byte) 1); // fFacingPages
    dop.putShort(10, (short) 720); // dxaTab
    part(table, at, 31, dop.array());
    ByteBuffer clx = buffer(5 + 8 + 8); // Clx, §2.9.38, with one piece of text
    clx.put((byte) 2).putInt(16).putInt(0).putInt(all).putShort((short) 0).putInt(TEXT);
    clx.putShort((short) 0);
    part(table, at, 33, clx.array());
    if (!lists.isEmpty()) {
      part(table, at, 73, hex(lists));
      at[73][1] = 2 + 28; // the levels stand after what is counted, §2.9.191
      part(table, at, 74, hex(overrides));
    }
    fib(doc, main, foot, head, at);
    try (var packed = new POIFSFileSystem();
        OutputStream out = Files.newOutputStream(file)) {
      packed.createDocument(new ByteArrayInputStream(doc.array()), "WordDocument");
      packed.createDocument(new ByteArrayInputStream(table.toByteArray()), "1Table");
      packed.writeFilesystem(out);
    }
  }

  private static void part(ByteArrayOutputStream table, int[][] at, int k, byte[] bytes)
      throws IOException {
    at[k][0] = table.size();
    at[k][1] = bytes.length;
    table.write(bytes);
  }

  /** §2.5: the file's own description. */
  private static void fib(ByteBuffer doc, int main, int foot, int head, int[][] at) {
    doc.position(0);
    doc.putShort((short) 0xA5EC).putShort((short) 0xC1).putShort((short) 0);
    doc.putShort((short) 0x0809).putShort((short) 0).putShort((short) 0x0200); // fWhichTblStm
    doc.putShort((short) 0xBF);
    doc.putInt(0x18, TEXT);
    doc.putInt(0x1C, TEXT + 2 * (main + foot + head));
    doc.putShort(0x20, (short) 0x0E);
    doc.putShort(0x3E, (short) 0x16);
    doc.putInt(0x40, doc.capacity());
    doc.putInt(0x4C, main).putInt(0x50, foot).putInt(0x54, head);
    doc.putShort(0x98, (short) at.length);
    for (int k = 0; k < at.length; k++) {
      doc.putInt(0x9A + 8 * k, at[k][0]).putInt(0x9A + 8 * k + 4, at[k][1]);
    }
  }

  private static byte[] bin(int all, int page) {
    return buffer(12).putInt(TEXT).putInt(TEXT + 2 * all).putInt(page).array();
  }

  private byte[] sepx() {
    var out = new ByteArrayOutputStream();
    for (String s : sections) {
      byte[] b = hex(s);
      out.writeBytes(buffer(2).putShort((short) b.length).array());
      out.writeBytes(b);
    }
    return out.toByteArray();
  }

  /** ChpxFkp, §2.9.33, or PapxFkp, §2.9.181. */
  private static byte[] page(List<Stretch> of, boolean paragraphs) {
    ByteBuffer b = buffer(PAGE);
    int n = of.size();
    for (int k = 0; k < n; k++) {
      b.putInt(4 * k, TEXT + 2 * of.get(k).from());
    }
    b.putInt(4 * n, TEXT + 2 * of.getLast().to());
    int end = PAGE - 2;
    int entry = paragraphs ? 13 : 1;
    for (int k = 0; k < n; k++) {
      byte[] own = of.get(k).properties();
      if (!paragraphs && own.length == 0) {
        continue; // no offset: nothing is said
      }
      int size = paragraphs ? 2 + own.length : own.length;
      int words = (size + 2) / 2;
      int at = end - 2 * words - (paragraphs ? 2 : 0) & ~1;
      end = at;
      b.put(4 * (n + 1) + entry * k, (byte) (at / 2));
      b.position(at);
      if (paragraphs) {
        // cb and the words after it; an even number of bytes says nothing at first.
        boolean odd = size % 2 == 1;
        if (odd) {
          b.put((byte) ((size + 1) / 2));
        } else {
          b.put((byte) 0).put((byte) (size / 2));
        }
        b.putShort((short) of.get(k).style());
      } else {
        b.put((byte) own.length);
      }
      b.put(own);
    }
    if (4 * (n + 1) + entry * n > end) {
      throw new IllegalArgumentException("too much for one page");
    }
    b.put(PAGE - 1, (byte) n);
    return b.array();
  }

  /** STSH, §2.9.271: Normal, heading 1, and a style of characters. */
  private static byte[] styles() {
    var out = new ByteArrayOutputStream();
    ByteBuffer head = buffer(20);
    head.putShort((short) 18).putShort((short) 3).putShort((short) 10).putShort((short) 1);
    head.putShort((short) 0x5B).putShort((short) 15).putShort((short) 0);
    out.writeBytes(head.array());
    // 11-point letters; space after of 6 points.
    out.writeBytes(style(0, 1, 0xFFF, "Normal", "14A4 7800", "434A 1600"));
    // Based on it: bold, 16 points, outline level 1, a stop at 100 points on the right.
    out.writeBytes(
        style(1, 1, 0, "heading 1", "4026 00 0DC6 05 00 01 D007 0A", "3508 01 434A 2000"));
    out.writeBytes(style(2, 2, 0xFFF, "Key", "", "3608 01"));
    return out.toByteArray();
  }

  private static byte[] style(
      int index, int kind, int base, String name, String paragraph, String characters) {
    var std = new ByteArrayOutputStream();
    ByteBuffer b = buffer(10); // StdfBase, §2.9.260
    b.putShort((short) (index == 2 ? 0xFFE : index));
    b.putShort((short) (kind | base << 4));
    b.putShort((short) ((kind == 1 ? 2 : 1) | index << 4));
    std.writeBytes(b.array());
    byte[] n = name.getBytes(StandardCharsets.UTF_16LE);
    std.writeBytes(buffer(2).putShort((short) name.length()).array());
    std.writeBytes(n);
    std.writeBytes(new byte[2]);
    if (kind == 1) {
      byte[] p = hex(paragraph);
      upx(std, buffer(2 + p.length).putShort((short) index).put(p).array());
    }
    upx(std, hex(characters));
    return buffer(2 + std.size()).putShort((short) std.size()).put(std.toByteArray()).array();
  }

  private static void upx(ByteArrayOutputStream std, byte[] b) {
    std.writeBytes(buffer(2).putShort((short) b.length).array());
    std.writeBytes(b);
    if (b.length % 2 == 1) {
      std.write(0);
    }
  }

  /** SttbfFfn, §2.9.286. */
  private static byte[] fonts() {
    var out = new ByteArrayOutputStream();
    out.writeBytes(buffer(4).putShort((short) 2).putShort((short) 0).array());
    for (String name : List.of("Liberation Serif", "Carlito")) {
      byte[] n = (name + "\0").getBytes(StandardCharsets.UTF_16LE);
      ByteBuffer f = buffer(40 + n.length); // FFN, §2.9.91
      f.put((byte) (f.capacity() - 1)).put((byte) 0).putShort((short) 400);
      f.position(40);
      f.put(n);
      out.writeBytes(f.array());
    }
    return out.toByteArray();
  }
}
