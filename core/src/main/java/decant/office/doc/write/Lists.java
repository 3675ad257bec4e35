package decant.office.doc.write;

import decant.model.look.ListDefinition;
import decant.model.look.ListDefinition.Level;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.office.emit.NumberCodes;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * Lists: series of items that count on together (PlfLst, [MS-DOC] 2.9.194), and for each list of
 * the document an override of one of them (PlfLfo, §2.9.193), which its items name.
 */
final class Lists {
  private static final int LEVELS = 9;
  private static final int NO_STYLE = 0x0FFF;
  private static final int FIRST = 0x2D000001; // numbers of series only need to differ
  private static final int LONGEST = 60; // characters of a label

  private final Map<String, ListDefinition> lists;
  private final Map<String, Integer> numbers = new LinkedHashMap<>();
  private final Map<String, ListDefinition> series = new LinkedHashMap<>();
  private final Map<String, Integer> seriesNumbers = new LinkedHashMap<>();
  private final TextProperties texts;

  Lists(Map<String, ListDefinition> lists, TextProperties texts) {
    this.lists = lists;
    this.texts = texts;
    for (ListDefinition l : lists.values()) {
      numbers.put(l.id(), numbers.size() + 1);
      if (series.putIfAbsent(l.series(), l) == null) {
        seriesNumbers.put(l.series(), FIRST + seriesNumbers.size());
      }
    }
  }

  /** The number by which items name their list; 0 for no list. */
  int number(String list) {
    return numbers.getOrDefault(list, 0);
  }

  boolean isEmpty() {
    return lists.isEmpty();
  }

  /** The series, without their levels. */
  Bytes series() {
    var out = new Bytes().u16(series.size());
    series.forEach((id, l) -> {
      int number = seriesNumbers.getOrDefault(id, FIRST);
      out.u32(number).u32(number); // lsid and tplc of an Lstf, §2.9.147
      for (int k = 0; k < LEVELS; k++) {
        out.u16(NO_STYLE);
      }
      out.u8(0).u8(0);
    });
    return out;
  }

  /** The levels of all series, which stand right after them. */
  Bytes levels() {
    var out = new Bytes();
    series
        .values()
        .forEach(l -> {
          for (int k = 0; k < LEVELS; k++) {
            level(out, l.level(k), k, l.level(k).start());
          }
        });
    return out;
  }

  Bytes overrides() {
    var out = new Bytes().u32(lists.size());
    for (ListDefinition l : lists.values()) {
      out.u32(seriesNumbers.getOrDefault(l.series(), FIRST)).u32(0).u32(0);
      out.u8(own(l) ? LEVELS : 0).u8(0).u8(0).u8(0);
    }
    for (ListDefinition l : lists.values()) {
      out.u32(-1);
      for (int k = 0; own(l) && k < LEVELS; k++) {
        // An Lfolvl (§2.9.134): which level, and whether it says where to begin and its format.
        boolean restarts = l.restarts().contains(k);
        out.u32(l.level(k).start()).u32(k | (restarts ? 0x10 : 0) | 0x20);
        level(out, l.level(k), k, l.level(k).start());
      }
    }
    return out;
  }

  /** Whether a list is not like the series that it counts in. */
  private boolean own(ListDefinition l) {
    ListDefinition first = series.get(l.series());
    return first != l
        && first != null
        && (!l.restarts().isEmpty() || !l.levels().equals(first.levels()));
  }

  /** An Lvl, §2.9.150. */
  private void level(Bytes out, Level l, int depth, int start) {
    var label = new StringBuilder();
    var places = new Bytes();
    for (int k = 0; k < l.pattern().length() && label.length() < LONGEST; k++) {
      char c = l.pattern().charAt(k);
      char next = k + 1 < l.pattern().length() ? l.pattern().charAt(k + 1) : 0;
      boolean number = l.format() != NumberFormat.BULLET && c == '%' && next >= '1' && next <= '9';
      if (number && places.size() < LEVELS) {
        places.u8(label.length() + 1);
        label.append((char) (next - '1'));
        k++;
      } else if (c >= ' ' || c == '\t') {
        label.append(c);
      }
    }
    byte[] paragraph = indents(l.paragraph());
    byte[] text = texts.set(l.label()).array();
    int side =
        switch (l.alignment()) {
          case START, JUSTIFIED -> 0;
          case CENTRE -> 1;
          case END -> 2;
        };
    boolean own = l.restartAfter() < depth;
    out.u32(Math.max(0, start)).u8(NumberCodes.of(l.format()));
    out.u8(side | (l.legal() ? 0x04 : 0) | (own ? 0x08 : 0));
    out.add(places.array()).zeros(LEVELS - places.size());
    out.u8(
        switch (l.follow()) {
          case TAB -> 0;
          case SPACE -> 1;
          case NOTHING -> 2;
        });
    out.u32(0).u32(0);
    out.u8(text.length).u8(paragraph.length);
    out.u8(own ? l.restartAfter() : 0).u8(0);
    out.add(paragraph).add(text).counted(label.toString());
  }

  private static byte[] indents(Look l) {
    int start = Units.twips(l.value(ParagraphTraits.INDENT_START));
    int first = Units.twips(l.value(ParagraphTraits.FIRST_LINE));
    return new Properties()
        .add(Sprm.P_LEFT_80, start)
        .add(Sprm.P_FIRST_LINE_80, first)
        .add(Sprm.P_LEFT, start)
        .add(Sprm.P_FIRST_LINE, first)
        .array();
  }
}
