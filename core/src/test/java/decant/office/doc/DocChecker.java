package decant.office.doc;

import static decant.office.doc.DocBytes.i32;
import static decant.office.doc.DocBytes.u16;
import static decant.office.doc.DocBytes.u8;
import static decant.office.doc.DocBytes.utf16;

import decant.office.doc.DocBytes.Prl;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * Walks every offset, count and table of a DOC file, clause by clause of [MS-DOC], and tells what
 * is not as it says. What readers forgive it does not. It shares no code with what writes or reads
 * such files; it was tried on files by many other makers first.
 */
final class DocChecker {
  private static final int PAIRS = 154; // where the places of tables begin, §2.5.1
  private static final int PAGE = 512;

  private final DocBytes file;
  private final byte[] text;
  private final byte[] table;
  private final List<String> wrong = new ArrayList<>();
  private final int[] ccp = new int[8]; // text, notes, headers, macros, comments, endnotes, boxes
  private int total;
  private int styles;
  private int lists;
  private int changers;
  private StringBuilder characters = new StringBuilder();

  /** Where in the stream each character stands. */
  private int[] places = {};

  /** How many bytes characters have, from each piece on. */
  private final TreeMap<Integer, Integer> widths = new TreeMap<>();

  private final Set<Integer> special = new HashSet<>();
  private final Map<Integer, Integer> pictures = new TreeMap<>();

  private DocChecker(DocBytes file) {
    this.file = file;
    this.text = file.text;
    this.table = file.table;
  }

  /** What is wrong with a file; nothing if it is as the specification says. */
  static List<String> check(Path path) throws IOException {
    var c = new DocChecker(DocBytes.of(path));
    c.all();
    return c.wrong;
  }

  private void all() {
    step("head, §2.5", this::head);
    step("pieces, §2.8.35", this::pieces);
    step("styles, §2.9.271", this::styles);
    step("fonts, §2.9.286", this::fonts);
    step("those who made changes, §2.9.277", this::changers);
    step("lists, §2.9.194", this::lists);
    step("characters, §2.9.33", () -> formatted(12, false));
    step("paragraphs, §2.9.174", () -> formatted(13, true));
    step("rows, §2.4.3", this::rows);
    step("sections, §2.8.26", this::sections);
    step("footnotes, §2.8.19", () -> notes(2, 3, 1, "footnote"));
    step("endnotes, §2.8.17", () -> notes(46, 47, 5, "endnote"));
    step("headers, §2.8.22", this::headers);
    step("comments, §2.8.7", this::comments);
    step("fields, §2.8.25", this::fields);
    step("bookmarks, §2.8.10", () -> bookmarks(21, 22, 23, true));
    step("what comments are about, §2.8.8", () -> bookmarks(37, 42, 43, false));
    step("pictures, §2.9.190", this::pictures);
    step("drawings, §2.9.253", this::drawings);
  }

  private interface Step {
    void run();
  }

  private void step(String what, Step s) {
    try {
      s.run();
    } catch (RuntimeException e) {
      wrong.add(what + ": " + e);
    }
  }

  private void must(boolean right, String what, Object... values) {
    if (!right) {
      wrong.add(what.formatted(values));
    }
  }

  private int fc(int n) {
    return i32(text, PAIRS + 8 * n);
  }

  private int lcb(int n) {
    return i32(text, PAIRS + 8 * n + 4);
  }

  private boolean has(int n) {
    return lcb(n) > 0;
  }

  private void head() {
    must(u16(text, 0) == 0xA5EC, "wIdent is %04X", u16(text, 0));
    must(u16(text, 32) == 0x0E, "csw is %d", u16(text, 32));
    must(u16(text, 62) == 0x16, "cslw is %d", u16(text, 62));
    int pairs = u16(text, 152);
    must(
        Set.of(0x5D, 0x6C, 0x88, 0xA4, 0xB7).contains(pairs),
        "cbRgFcLcb is %X, which no version has",
        pairs);
    int news = u16(text, PAIRS + 8 * pairs);
    must(
        news == 0 && pairs == 0x5D || news == 2 && pairs > 0x5D || news == 5 && pairs == 0xB7,
        "cswNew is %d with %X pairs",
        news,
        pairs);
    must(i32(text, 64) <= text.length, "cbMac reaches over the end");
    int at = 76; // ccpText and what follows, §2.5.4
    int more = 0;
    for (int k = 0; k < 8; k++) {
      ccp[k] = i32(text, at + 4 * k);
      must(ccp[k] >= 0, "part %d has %d characters", k, ccp[k]);
      more += k > 0 ? ccp[k] : 0;
    }
    total = ccp[0] + more + (more > 0 ? 1 : 0);
    for (int k = 0; k < Math.min(pairs, 93); k++) {
      if (k != 87 && lcb(k) != 0) { // 87 is a time
        long end = (long) fc(k) + lcb(k);
        must(fc(k) >= 0 && lcb(k) > 0 && end <= table.length, "table %d reaches over the end", k);
      }
    }
    must(has(1) && has(6) && has(31) && has(33), "a table is missing that every file has");
  }

  /** The characters, put together from their pieces. */
  private void pieces() {
    int at = fc(33);
    int end = at + lcb(33);
    while (u8(table, at) == 1) {
      at += 3 + u16(table, at + 1);
    }
    must(u8(table, at) == 2, "clxt is %d", u8(table, at));
    int size = i32(table, at + 1);
    at += 5;
    must(at + size == end, "the table of pieces does not end with its length");
    int n = (size - 4) / 12;
    must((size - 4) % 12 == 0, "the table of pieces has %d bytes", size);
    places = new int[i32(table, at + 4 * n)];
    must(i32(table, at) == 0, "the first piece begins at %d", i32(table, at));
    for (int k = 0; k < n; k++) {
      int from = i32(table, at + 4 * k);
      int to = i32(table, at + 4 * k + 4);
      must(from < to, "piece %d is empty", k);
      int place = i32(table, at + 4 * (n + 1) + 8 * k + 2);
      boolean narrow = (place >> 30 & 1) == 1;
      int start = narrow ? (place & 0x3FFFFFFF) / 2 : place & 0x3FFFFFFF;
      widths.put(from, narrow ? 1 : 2);
      for (int c = from; c < to; c++) {
        places[c] = start + (narrow ? 1 : 2) * (c - from);
        characters.append((char) (narrow ? u8(text, places[c]) : u16(text, places[c])));
      }
    }
    must(characters.length() == total, "%d characters instead of %d", characters.length(), total);
  }

  private void styles() {
    int at = fc(1);
    int end = at + lcb(1);
    int head = u16(table, at);
    must(head >= 18, "cbStshi is %d", head);
    styles = u16(table, at + 2);
    int base = u16(table, at + 4);
    must(base == 10 || base == 18, "cbSTDBaseInFile is %d", base);
    must(u16(table, at + 10) == 15, "istdMaxFixedWhenSaved is %d", u16(table, at + 10));
    must(styles >= 15 && styles < 0xFFE, "there are %d styles", styles);
    at += 2 + head;
    var based = new HashMap<Integer, Integer>();
    var kinds = new HashMap<Integer, Integer>();
    for (int k = 0; k < styles; k++) {
      int size = u16(table, at);
      at += 2;
      if (size > 0) {
        style(at, size, base, k, based, kinds);
      }
      at += size + size % 2;
    }
    must(at <= end, "styles reach over the end of their table");
    must(end - at < 2, "%d bytes are left after styles", end - at);
    must(kinds.containsKey(0), "there is no usual style");
    for (Map.Entry<Integer, Integer> e : based.entrySet()) {
      must(kinds.containsKey(e.getValue()), "style %d stands on none", e.getKey());
      must(
          kinds.getOrDefault(e.getValue(), 0).equals(kinds.get(e.getKey())),
          "style %d stands on one of another kind",
          e.getKey());
      Integer next = e.getKey();
      for (int k = 0; k <= styles && next != null; k++) {
        must(k < styles, "style %d stands on itself", e.getKey());
        next = based.get(next);
      }
    }
  }

  private void style(
      int at, int size, int base, int k, Map<Integer, Integer> based, Map<Integer, Integer> kinds) {
    int kind = u16(table, at + 2) & 0xF;
    int on = u16(table, at + 2) >> 4;
    int count = u16(table, at + 4) & 0xF;
    int next = u16(table, at + 4) >> 4;
    kinds.put(k, kind);
    must(kind >= 1 && kind <= 4, "style %d is of kind %d", k, kind);
    must(count == new int[] {0, 2, 1, 3, 1}[kind], "style %d says %d things", k, count);
    must(on == 0xFFF || on < styles, "style %d stands on %d", k, on);
    must(next < styles, "style %d is followed by %d", k, next);
    if (on != 0xFFF) {
      based.put(k, on);
    }
    int name = at + base;
    int length = u16(table, name);
    must(length > 0 && length < 256, "style %d has a name of %d characters", k, length);
    must(u16(table, name + 2 + 2 * length) == 0, "the name of style %d has no end", k);
    int said = name + 4 + 2 * length;
    for (int n = 0; n < count; n++) {
      int bytes = u16(table, said);
      said += 2;
      boolean ofParagraph = kind == 1 && n == 0 || kind == 3 && n == 1 || kind == 4;
      boolean ofTable = kind == 3 && n == 0;
      if (bytes > 0) {
        int from = ofParagraph ? said + 2 : said;
        must(kind != 1 || n > 0 || u16(table, said) == k, "style %d calls itself another", k);
        groups(table, from, said + bytes, ofTable ? 5 : ofParagraph ? 1 : 2, "style " + k);
      }
      said += bytes;
      said += (said - at) % 2;
    }
    int left = at + size - said;
    must(left == 0 || left == -1, "style %d ends %d bytes before its end", k, left);
  }

  /** Properties that are all of one thing. */
  private List<Prl> groups(byte[] b, int from, int to, int group, String where) {
    List<Prl> all = DocBytes.properties(b, from, to);
    for (Prl p : all) {
      boolean right = p.group() == group || group == 1 && p.group() == 5 || p.group() == 3;
      must(right, "%s has property %04X", where, p.sprm());
    }
    return all;
  }

  private void fonts() {
    int at = fc(15);
    int end = at + lcb(15);
    int n = u16(table, at);
    must(u16(table, at + 2) == 0, "fonts have %d bytes more", u16(table, at + 2));
    at += 4;
    for (int k = 0; k < n; k++) {
      int size = u8(table, at);
      int name = at + 40;
      int to = at + 1 + size;
      while (name < to && u16(table, name) != 0) {
        name += 2;
      }
      must(name < to, "the name of font %d has no end", k);
      at = to;
    }
    must(at == end, "fonts end at %d instead of %d", at, end);
  }

  private void lists() {
    if (!has(73)) {
      return;
    }
    int at = fc(73);
    int n = u16(table, at);
    must(lcb(73) == 2 + 28 * n, "%d lists in %d bytes", n, lcb(73));
    var ids = new HashSet<Integer>();
    int levels = fc(73) + lcb(73);
    for (int k = 0; k < n; k++) {
      int l = at + 2 + 28 * k;
      must(ids.add(i32(table, l)), "two lists have the number %X", i32(table, l));
      boolean simple = (u8(table, l + 26) & 1) == 1;
      for (int d = 0; d < (simple ? 1 : 9); d++) {
        levels = level(levels, d);
      }
    }
    int o = fc(74);
    lists = i32(table, o);
    int more = o + 4 + 16 * lists;
    for (int k = 0; k < lists; k++) {
      int lfo = o + 4 + 16 * k;
      must(ids.contains(i32(table, lfo)), "override %d is of no list", k);
      int own = u8(table, lfo + 12);
      more += 4;
      for (int d = 0; d < own; d++) {
        int said = i32(table, more + 4);
        must((said & 0xF) < 9, "override %d says level %d", k, said & 0xF);
        more += 8;
        if ((said >> 5 & 1) == 1) {
          more = level(more, said & 0xF);
        }
      }
    }
    must(more == fc(74) + lcb(74), "overrides end at %d, not %d", more, fc(74) + lcb(74));
  }

  /** An LVL, §2.9.150; where it ends. */
  private int level(int at, int depth) {
    int start = i32(table, at);
    must(start >= 0 && start <= 0x7FFF, "a level begins at %d", start);
    int nfc = u8(table, at + 4);
    must(nfc <= 0x3C || nfc == 0xFF, "a level has format %X", nfc);
    must((u8(table, at + 5) & 3) < 3, "a level is aligned by 3");
    must(u8(table, at + 15) < 3, "a level is followed by %d", u8(table, at + 15));
    int text = u8(table, at + 24);
    int paragraph = u8(table, at + 25);
    int from = at + 28;
    groups(table, from, from + paragraph, 1, "a level");
    groups(table, from + paragraph, from + paragraph + text, 2, "a label");
    int label = from + paragraph + text;
    int length = u16(table, label);
    int before = 0;
    for (int k = 0; k < 9; k++) {
      int place = u8(table, at + 6 + k);
      if (place == 0) {
        break;
      }
      must(place > before && place <= length, "a number stands at %d in a label", place);
      int number = u16(table, label + 2 * place);
      must(number <= depth, "a label of level %d shows the number of level %d", depth, number);
      before = place;
    }
    return label + 2 + 2 * length;
  }

  private record Run(int from, int to, int said, int size, byte[] in) {}

  private final List<Run> paragraphs = new ArrayList<>();

  private void formatted(int n, boolean ofParagraphs) {
    int count = (lcb(n) - 4) / 8;
    must((lcb(n) - 4) % 8 == 0, "a table of pages has %d bytes", lcb(n));
    var ends = new TreeMap<Integer, Run>();
    for (int k = 0; k < count; k++) {
      int from = i32(table, fc(n) + 4 * k);
      int to = i32(table, fc(n) + 4 * k + 4);
      int page = PAGE * (i32(table, fc(n) + 4 * (count + 1) + 4 * k) & 0x3FFFFF);
      int runs = u8(text, page + PAGE - 1);
      must(runs > 0 && runs <= (ofParagraphs ? 0x1D : 0x65), "a page has %d entries", runs);
      must(i32(text, page) == from, "a page begins at %d, not %d", i32(text, page), from);
      must(i32(text, page + 4 * runs) == to, "a page ends elsewhere than its table says");
      int heads = page + 4 * (runs + 1) + runs * (ofParagraphs ? 13 : 1);
      for (int r = 0; r < runs; r++) {
        int a = i32(text, page + 4 * r);
        int b = i32(text, page + 4 * r + 4);
        must(a < b, "an entry of a page is empty");
        int place = u8(text, page + 4 * (runs + 1) + r * (ofParagraphs ? 13 : 1));
        int said = page + 2 * place;
        Run run = new Run(a, b, 0, 0, text);
        if (place != 0) {
          must(said >= heads, "properties stand over the places of others");
          int size = u8(text, said);
          int start = said + 1;
          if (ofParagraphs) {
            start = size == 0 ? said + 2 : said + 1;
            size = size == 0 ? 2 * u8(text, said + 1) : 2 * size - 1;
          }
          must(start + size < page + PAGE, "properties reach over their page");
          run = new Run(a, b, start, size, text);
        }
        ends.put(b, run);
        if (ofParagraphs) {
          paragraph(run);
        } else {
          characters(run);
        }
      }
    }
    int at = 0;
    for (int k = 0; k < places.length; k++) {
      Map.Entry<Integer, Run> e = ends.higherEntry(places[k]);
      if (e == null || e.getValue().from() > places[k]) {
        at++;
      }
    }
    must(at == 0, "%d characters have no properties", at);
  }

  private void characters(Run r) {
    boolean isSpecial = false;
    int picture = -1;
    boolean ofField = false;
    for (Prl p : groups(text, r.said(), r.said() + r.size(), 2, "a run")) {
      isSpecial |= p.sprm() == 0x0855 && u8(text, p.at()) == 1;
      ofField |= p.sprm() == 0x0806 && u8(text, p.at()) == 1; // sprmCFData: no picture
      picture = p.sprm() == 0x6A03 ? i32(text, p.at()) : picture;
      boolean changed = p.sprm() == 0x4804 || p.sprm() == 0x4863; // sprmCIbstRMark, …Del
      must(!changed || u16(text, p.at()) < changers, "a change is by nobody");
      must(
          p.sprm() != 0x4A30 || u16(text, p.at()) < styles,
          "a run has style %d",
          p.sprm() == 0x4A30 ? u16(text, p.at()) : 0);
    }
    for (int k = 0; k < places.length && isSpecial; k++) {
      if (places[k] >= r.from() && places[k] < r.to()) {
        special.add(k);
        if (picture >= 0 && !ofField && characters.charAt(k) == 0x01) {
          pictures.put(k, picture);
        }
      }
    }
  }

  private void paragraph(Run r) {
    int style = r.size() >= 2 ? u16(text, r.said()) : 0;
    must(style < styles, "a paragraph has style %d", style);
    byte[] in = text;
    int from = r.said() + 2;
    int to = Math.max(from, r.said() + r.size());
    List<Prl> all = groups(in, from, to, 1, "a paragraph");
    for (Prl p : all) {
      if (p.sprm() == 0x6646) { // sprmPHugePapx: its properties stand in the stream of data
        must(all.size() == 1, "a paragraph says more beside its long properties");
        in = file.data;
        from = i32(text, p.at()) + 2;
        to = from + u16(file.data, from - 2);
        groups(in, from, to, 1, "a long paragraph");
      }
    }
    paragraphs.add(new Run(r.from(), r.to(), from, to - from, in));
  }

  /** Cells and rows: each row has as many cells as it says, and cells stand in order. */
  private void rows() {
    var byPlace = new TreeMap<Integer, Run>();
    paragraphs.forEach(p -> byPlace.put(p.to(), p));
    var cells = new HashMap<Integer, Integer>();
    for (int k = 0; k < places.length; k++) {
      Run r = byPlace.get(places[k] + widths.floorEntry(k).getValue());
      if (r == null) {
        continue;
      }
      char mark = characters.charAt(k);
      must(mark == '\r' || mark == 0x07 || mark == 0x0C, "a paragraph ends with %04X", (int) mark);
      int depth = 0;
      boolean inTable = false;
      boolean row = false;
      boolean cell = mark == 0x07;
      int count = -1;
      for (Prl p : DocBytes.properties(r.in(), r.said(), r.said() + r.size())) {
        switch (p.sprm()) {
          case 0x2416 -> inTable = u8(r.in(), p.at()) == 1;
          case 0x6649 -> depth = i32(r.in(), p.at());
          case 0x2417 -> row |= u8(r.in(), p.at()) == 1;
          case 0x244B -> cell |= u8(r.in(), p.at()) == 1;
          case 0x244C -> row |= u8(r.in(), p.at()) == 1;
          case 0xD608 -> count = definition(r.in(), p);
          case 0x460B -> {
            int list = u16(r.in(), p.at());
            must(list <= lists || list >= 0xF801, "a paragraph is of list %d", list);
          }
          default -> {}
        }
      }
      depth = inTable ? Math.max(1, depth) : 0;
      must(!cell || depth > 0, "a cell ends outside of tables");
      if (row) {
        must(
            count == cells.getOrDefault(depth, 0),
            "a row of %d cells says %d",
            cells.get(depth),
            count);
        cells.remove(depth);
      } else if (cell) {
        cells.merge(depth, 1, Integer::sum);
      }
    }
    must(cells.isEmpty(), "cells are in no row: %s", cells);
  }

  /** TDefTableOperand, §2.9.321; how many cells it has. */
  private int definition(byte[] b, Prl p) {
    int n = u8(b, p.at() + 2);
    must(n >= 1 && n <= 63, "a row says %d cells", n);
    int before = Integer.MIN_VALUE;
    for (int k = 0; k <= n; k++) {
      int at = (short) u16(b, p.at() + 3 + 2 * k);
      must(at >= before && at >= -31680 && at <= 31680, "cells of a row stand out of order");
      before = at;
    }
    int left = p.size() - 3 - 2 * (n + 1);
    must(left % 20 == 0 && left / 20 <= n, "a row says %d bytes of %d cells", left, n);
    return n;
  }

  private int[] cps(int n, int each) {
    int count = (lcb(n) - 4) / (4 + each);
    must((lcb(n) - 4) % (4 + each) == 0, "table %d has %d bytes", n, lcb(n));
    var out = new int[count + 1];
    for (int k = 0; k <= count; k++) {
      out[k] = i32(table, fc(n) + 4 * k);
    }
    return out;
  }

  private int data(int n, int count, int each, int k) {
    return fc(n) + 4 * (count + 1) + each * k;
  }

  private static boolean ascend(int[] cps, int upTo) {
    for (int k = 1; k < upTo; k++) {
      if (cps[k] < cps[k - 1]) {
        return false;
      }
    }
    return true;
  }

  private void sections() {
    int[] cps = cps(6, 12);
    int n = cps.length - 1;
    must(n >= 1 && cps[0] == 0 && ascend(cps, n), "sections stand out of order");
    for (int k = 0; k < n; k++) {
      int place = i32(table, data(6, n, 12, k) + 2);
      if (place != -1) {
        must(place + 2 + u16(text, place) <= text.length, "a section reaches over the end");
        groups(text, place + 2, place + 2 + u16(text, place), 4, "a section");
      }
      if (k > 0) {
        must(characters.charAt(cps[k] - 1) == 0x0C, "section %d ends with no mark", k);
      }
    }
    must(cps[n] >= ccp[0], "sections end before the text");
  }

  private int start(int part) {
    int out = 0;
    for (int k = 0; k < part; k++) {
      out += ccp[k];
    }
    return out;
  }

  private void notes(int marks, int texts, int part, String what) {
    must(has(marks) == ccp[part] > 0 || !has(marks), "%ss without a text", what);
    if (!has(marks)) {
      return;
    }
    int[] refs = cps(marks, 2);
    int n = refs.length - 1;
    int[] cps = cps(texts, 0);
    must(cps.length == n + 2, "%d %ss with %d texts", n, what, cps.length - 2);
    must(ascend(refs, n) && ascend(cps, n + 1), "%ss stand out of order", what);
    must(cps[n] == ccp[part] - 1, "the texts of %ss end at %d of %d", what, cps[n], ccp[part]);
    for (int k = 0; k < n; k++) {
      boolean counted = u16(table, data(marks, n, 2, k)) != 0;
      must(refs[k] < ccp[0], "a %s is marked outside of the text", what);
      must(
          !counted || characters.charAt(refs[k]) == 0x02 && special.contains(refs[k]),
          "a %s is marked by no mark",
          what);
      must(
          characters.charAt(start(part) + cps[k + 1] - 1) == '\r',
          "the text of a %s does not end with a paragraph",
          what);
    }
  }

  private void headers() {
    if (!has(11) || ccp[2] == 0) {
      return;
    }
    int[] cps = cps(11, 0);
    int sections = cps(6, 12).length - 1;
    must(
        cps.length == 6 + 6 * sections + 2,
        "%d headers and footers of %d sections",
        cps.length - 8,
        sections);
    must(ascend(cps, cps.length - 1), "headers stand out of order");
    must(cps[cps.length - 2] == ccp[2] - 1, "headers end at %d of %d", cps[cps.length - 2], ccp[2]);
    for (int k = 0; k + 2 < cps.length; k++) {
      must(
          cps[k + 1] == cps[k] || characters.charAt(start(2) + cps[k + 1] - 1) == '\r',
          "header %d does not end with a mark",
          k);
    }
  }

  /** A Sttb of two-byte characters (§2.2.4), the first of which is nobody's. */
  private void changers() {
    if (!has(51)) {
      return;
    }
    int at = fc(51);
    must(u16(table, at) == 0xFFFF, "names of changers are of one byte a character");
    changers = u16(table, at + 2);
    must(u16(table, at + 4) == 0, "names of changers have more with them");
    at += 6;
    for (int k = 0; k < changers; k++) {
      at += 2 + 2 * u16(table, at);
    }
    must(at == fc(51) + lcb(51), "names of changers reach %d too far", at - fc(51) - lcb(51));
  }

  private void comments() {
    if (!has(4)) {
      return;
    }
    int[] refs = cps(4, 30);
    int n = refs.length - 1;
    int[] cps = cps(5, 0);
    must(cps.length == n + 2, "%d comments with %d texts", n, cps.length - 2);
    must(cps[n] == ccp[4] - 1, "comments end at %d of %d", cps[n], ccp[4]);
    int authors = 0;
    int at = fc(36);
    while (has(36) && at < fc(36) + lcb(36)) {
      at += 2 + 2 * u16(table, at);
      authors++;
    }
    must(!has(36) || at == fc(36) + lcb(36), "the names of authors reach over their end");
    for (int k = 0; k < n; k++) {
      int said = data(4, n, 30, k);
      must(u16(table, said) <= 9, "initials of %d characters", u16(table, said));
      must(u16(table, said + 20) < authors, "a comment is by nobody");
      must(
          characters.charAt(refs[k]) == 0x05 && special.contains(refs[k]),
          "a comment is marked by no mark");
      must(characters.charAt(start(4) + cps[k]) == 0x05, "the text of a comment has no mark");
    }
  }

  private void fields() {
    int[][] parts = {{16, 0}, {18, 1}, {17, 2}, {19, 4}, {48, 5}, {57, 6}, {59, 7}};
    for (int[] p : parts) {
      int marks = 0;
      for (int k = 0; k < ccp[p[1]]; k++) {
        char c = characters.charAt(start(p[1]) + k);
        marks += c >= 0x13 && c <= 0x15 && special.contains(start(p[1]) + k) ? 1 : 0;
      }
      int[] cps = has(p[0]) ? cps(p[0], 2) : new int[1];
      int n = cps.length - 1;
      must(n == marks, "part %d has %d marks of fields, and says %d", p[1], marks, n);
      int open = 0;
      for (int k = 0; k < n; k++) {
        int mark = u8(table, data(p[0], n, 2, k)) & 0x1F;
        char c = characters.charAt(start(p[1]) + cps[k]);
        must(mark == c, "a mark of a field is %02X and said to be %02X", (int) c, mark);
        open += mark == 0x13 ? 1 : mark == 0x15 ? -1 : 0;
        must(open >= 0, "a field ends that was not begun");
      }
      must(open == 0, "%d fields have no end", open);
    }
  }

  private void bookmarks(int names, int starts, int ends, boolean named) {
    if (!has(names)) {
      return;
    }
    int at = fc(names);
    must(u16(table, at) == 0xFFFF, "names of places have characters of one byte");
    int n = u16(table, at + 2);
    int more = u16(table, at + 4);
    at += 6;
    var known = new HashSet<String>();
    for (int k = 0; k < n; k++) {
      int length = u16(table, at);
      String name = utf16(table, at + 2, length);
      must(!named || length <= 40 && length > 0, "a place has a name of %d characters", length);
      must(!named || known.add(name), "two places are called %s", name);
      at += 2 + 2 * length + more;
    }
    must(at == fc(names) + lcb(names), "names of places end elsewhere than said");
    int[] from = cps(starts, 4);
    int[] to = cps(ends, 0);
    must(from.length == n + 1 && to.length == n + 1, "%d names of %d places", n, from.length - 1);
    must(ascend(from, n) && ascend(to, n), "places stand out of order");
    var used = new HashSet<Integer>();
    for (int k = 0; k < n; k++) {
      int end = u16(table, data(starts, n, 4, k));
      must(end < n && used.add(end), "two places have the end %d", end);
      must(from[k] >= 0 && to[end] >= from[k] && to[end] <= total + 1, "place %d ends early", k);
    }
  }

  /** PICFAndOfficeArtData, §2.9.192. */
  private void pictures() {
    byte[] d = file.data;
    pictures.forEach((at, place) -> {
      int size = i32(d, place);
      must(u16(d, place + 4) == 0x44, "a picture has a head of %d bytes", u16(d, place + 4));
      must(place + size <= d.length, "a picture reaches over the end");
      int mm = u16(d, place + 6);
      must(mm == 0x64 || mm == 0x66, "a picture is of kind %X", mm);
      int from = place + 0x44;
      if (mm == 0x66) {
        from += 1 + u8(d, from);
      }
      int kind = u16(d, from + 2);
      must(kind == 0xF004, "a picture has no shape but %X", kind);
      var found = new ArrayList<Integer>();
      art(d, from, place + size, found);
      must(found.contains(0xF007) || found.contains(0xF00B), "a picture has no picture");
    });
  }

  /** Records of drawings, [MS-ODRAW] 2.2.1: each as long as it says, one in the other. */
  private void art(byte[] b, int from, int to, List<Integer> found) {
    int at = from;
    while (at < to) {
      must(to - at >= 8, "%d bytes are left after records of drawings", to - at);
      int kind = u16(b, at + 2);
      int size = i32(b, at + 4);
      must(kind >= 0xF000, "a record of a drawing is of kind %X", kind);
      if (size < 0 || at + 8 + size > to) {
        throw new IllegalStateException("record %X reaches over what it is in".formatted(kind));
      }
      found.add(kind);
      if ((u16(b, at) & 0xF) == 0xF) {
        art(b, at + 8, at + 8 + size, found);
      } else if (kind == 0xF00B || kind == 0xF122) {
        options(b, at, size);
      } else if (kind == 0xF00A) {
        shapes.add(i32(b, at + 8));
      } else if (kind == 0xF007 && size > 36) {
        art(b, at + 44 + u8(b, at + 41), at + 8 + size, found);
      }
      at += 8 + size;
    }
  }

  private final Set<Integer> shapes = new HashSet<>();

  /** §2.2.9: as many as the instance says, in order, and what is too long for them after them. */
  private void options(byte[] b, int at, int size) {
    int n = u16(b, at) >> 4;
    int more = 0;
    int before = -1;
    for (int k = 0; k < n; k++) {
      int id = u16(b, at + 8 + 6 * k);
      must((id & 0x3FFF) > before, "options of a shape stand out of order");
      before = id & 0x3FFF;
      more += (id >> 15 & 1) == 1 ? i32(b, at + 10 + 6 * k) : 0;
    }
    must(6 * n + more == size, "%d options of %d bytes in %d", n, more, size);
  }

  private void drawings() {
    shapes.clear();
    if (has(50)) {
      int at = fc(50);
      int end = at + lcb(50);
      must(u16(table, at + 2) == 0xF000, "drawings begin with %X", u16(table, at + 2));
      var found = new ArrayList<Integer>();
      int size = 8 + i32(table, at + 4);
      art(table, at, at + size, found);
      at += size;
      while (at < end) {
        must(u8(table, at) <= 1, "a drawing is of part %d", u8(table, at));
        must(u16(table, at + 3) == 0xF002, "a drawing begins with %X", u16(table, at + 3));
        int length = 8 + i32(table, at + 5);
        art(table, at + 1, at + 1 + length, found);
        at += 1 + length;
      }
      must(at == end, "drawings end at %d instead of %d", at, end);
    }
    places(40, 0);
    places(41, 2);
    boxes(56, 75, 6);
    boxes(58, 76, 7);
  }

  private void places(int n, int part) {
    if (!has(n)) {
      return;
    }
    int[] cps = cps(n, 26);
    for (int k = 0; k < cps.length - 1; k++) {
      char c = characters.charAt(start(part) + cps[k]);
      must(c == 0x08, "a drawing stands at %02X", (int) c);
      int id = i32(table, data(n, cps.length - 1, 26, k));
      must(shapes.contains(id), "a drawing is of no shape: %d", id);
    }
  }

  private void boxes(int texts, int breaks, int part) {
    if (!has(texts)) {
      must(ccp[part] == 0, "boxes have no table");
      return;
    }
    int[] cps = cps(texts, 22);
    int n = cps.length - 1;
    must(ascend(cps, n), "boxes stand out of order");
    must(cps[n - 1] == ccp[part] - 1, "boxes end at %d of %d", cps[n - 1], ccp[part]);
    for (int k = 0; k < n - 1; k++) {
      int id = i32(table, data(texts, n, 22, k) + 14);
      must(shapes.contains(id), "a text is in no shape: %d", id);
      must(
          characters.charAt(start(part) + cps[k + 1] - 1) == '\r',
          "a box does not end with a mark");
    }
    must(cps(breaks, 6).length >= n + 1, "boxes break less often than there are");
  }
}
