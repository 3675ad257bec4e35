package decant.office.doc;

import decant.model.look.Colour;
import decant.model.look.ParagraphTraits.TabStop;
import decant.work.Faults;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.model.CHPX;
import org.apache.poi.hwpf.sprm.SprmIterator;
import org.apache.poi.hwpf.sprm.SprmOperation;

/**
 * Single properties ([MS-DOC] 2.2.5) that the library gets wrong, or does not tell: tab stops,
 * whose kinds it looks for in the wrong place, and what stands behind cells.
 */
final class DocSprms {
  static final int FONT = 0x4A4F; // sprmCRgFtc0, §2.6.1

  static final int BEHIND_TEXT = 0xCA71; // sprmCShd, §2.6.1
  static final int BEHIND_PARAGRAPH = 0xC64D; // sprmPShd, §2.6.2

  private static final int TABS_OF_STYLE = 0xC60D; // sprmPChgTabsPapx, §2.9.178
  private static final int TABS = 0xC615; // sprmPChgTabs, §2.9.177
  private static final int SHADES = 0xD612; // sprmTDefTableShd, §2.9.51
  private static final int OWN_LENGTH = 6; // spra, §2.2.5.1
  private static final int AFTER_STYLE = 2; // properties begin after the index of a style
  private static final int SHADE = 10; // bytes of one (Shd, §2.9.248)
  private static final double TWIPS = 20;

  private DocSprms() {}

  /**
   * What properties say last of one that has a length of its own (§2.2.5.1).
   *
   * @param from where in them the first begins
   */
  static OptionalInt last(byte[] properties, int from, int sprm) {
    OptionalInt out = OptionalInt.empty();
    var all = new SprmIterator(properties, from);
    while (properties.length > from && all.hasNext()) {
      SprmOperation s = all.next();
      int at = s.getGrpprlOffset() - 2;
      boolean has =
          s.getSizeCode() != OWN_LENGTH
              && at >= 0
              && (number(s.getGrpprl(), at) & 0xFFFF) == sprm
              && at + 2 + size(sprm) <= s.getGrpprl().length;
      if (has) {
        byte[] b = s.getGrpprl();
        out =
            OptionalInt.of(
                switch (size(sprm)) {
                  case 1 -> b[at + 2] & 0xFF;
                  case 2 -> number(b, at + 2);
                  default -> number(b, at + 2) & 0xFFFF | number(b, at + 4) << 16;
                });
      }
    }
    return out;
  }

  private static int size(int sprm) {
    return switch (sprm >>> 13) {
      case 0, 1 -> 1;
      case 3 -> 4;
      default -> 2;
    };
  }

  /**
   * All that properties say of one whose operand says its length.
   *
   * @return the operands, each without its length
   */
  static List<byte[]> each(byte[] properties, int from, int sprm) {
    var out = new ArrayList<byte[]>();
    var all = new SprmIterator(properties, from);
    while (properties.length > from && all.hasNext()) {
      SprmOperation s = all.next();
      if (code(s) == sprm) {
        byte[] b = s.getGrpprl();
        int start = s.getGrpprlOffset();
        int size = b[start - 1] & 0xFF;
        if (start + size <= b.length) {
          out.add(java.util.Arrays.copyOfRange(b, start, start + size));
        }
      }
    }
    return out;
  }

  /** Whether a list of properties has one. */
  static boolean says(byte[] properties, int sprm) {
    var all = new SprmIterator(properties, 0);
    while (all.hasNext()) {
      SprmOperation s = all.next();
      int at = s.getGrpprlOffset() - 2;
      if (at >= 0 && (number(s.getGrpprl(), at) & 0xFFFF) == sprm) {
        return true;
      }
    }
    return false;
  }

  /** Takes away and adds the tab stops that properties say. */
  static void tabs(byte[] properties, TreeMap<Integer, TabStop> stops) {
    var all = new SprmIterator(properties, AFTER_STYLE);
    while (properties.length > AFTER_STYLE && all.hasNext()) {
      SprmOperation s = all.next();
      int sprm = code(s);
      if (sprm == TABS || sprm == TABS_OF_STYLE) {
        try {
          tabs(s.getGrpprl(), s.getGrpprlOffset(), sprm == TABS, stops);
        } catch (ArrayIndexOutOfBoundsException e) {
          Faults.mended("reading tab stops of a binary office document", e);
          return; // it says more stops than it has
        }
      }
    }
  }

  /** The code of a property of a length of its own, which stands before its operand. */
  private static int code(SprmOperation s) {
    int at = s.getGrpprlOffset() - 3;
    return at < 0 || s.getSizeCode() != OWN_LENGTH ? 0 : number(s.getGrpprl(), at) & 0xFFFF;
  }

  private static void tabs(byte[] b, int from, boolean near, TreeMap<Integer, TabStop> stops) {
    int at = from;
    int removed = b[at++] & 0xFF;
    for (int k = 0; k < removed; k++) {
      int where = number(b, at + 2 * k);
      int reach = near ? Math.max(0, number(b, at + 2 * (removed + k))) : 0;
      stops.subMap(where - reach, true, where + reach, true).clear();
    }
    at += near ? 4 * removed : 2 * removed;
    int added = b[at++] & 0xFF;
    for (int k = 0; k < added; k++) {
      int where = number(b, at + 2 * k);
      int how = b[at + 2 * added + k];
      stops.put(where, new TabStop(where / TWIPS, kind(how & 7), leader(how >> 3 & 7)));
    }
  }

  private static int number(byte[] b, int at) {
    return (short) (b[at] & 0xFF | b[at + 1] << 8);
  }

  /** §2.9.311. */
  private static TabStop.Kind kind(int jc) {
    return switch (jc) {
      case 1 -> TabStop.Kind.CENTRE;
      case 2 -> TabStop.Kind.RIGHT;
      case 3 -> TabStop.Kind.DECIMAL;
      default -> TabStop.Kind.LEFT;
    };
  }

  private static TabStop.Leader leader(int tlc) {
    return switch (tlc) {
      case 1 -> TabStop.Leader.DOT;
      case 2 -> TabStop.Leader.HYPHEN;
      case 3, 4 -> TabStop.Leader.UNDERSCORE;
      case 5 -> TabStop.Leader.MIDDLE_DOT;
      default -> TabStop.Leader.NONE;
    };
  }

  /**
   * What stands behind text or a paragraph, by the last that properties say of it.
   *
   * @param from where in them the first begins
   */
  static Optional<Colour> shade(byte[] properties, int from, int sprm) {
    Optional<Colour> out = Optional.empty();
    var all = new SprmIterator(properties, from);
    while (properties.length > from && all.hasNext()) {
      SprmOperation s = all.next();
      if (code(s) == sprm && s.getGrpprlOffset() + SHADE <= s.getGrpprl().length) {
        out = Optional.of(colour(s.getGrpprl(), s.getGrpprlOffset()));
      }
    }
    return out;
  }

  /** The properties of the characters around one; none where the file is wrong. */
  static byte[] ofCharacters(HWPFDocument file, int at) {
    List<CHPX> all = file.getCharacterTable().getTextRuns();
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
    byte[] found = from < all.size() ? all.get(from).getGrpprl() : null;
    return found == null ? new byte[0] : found;
  }

  /** What stands behind each cell of a row, from the first on; white for nothing. */
  static List<Colour> shades(byte[] properties) {
    var out = new ArrayList<Colour>();
    var all = new SprmIterator(properties, AFTER_STYLE);
    while (properties.length > AFTER_STYLE && all.hasNext()) {
      SprmOperation s = all.next();
      if (code(s) == SHADES) {
        byte[] b = s.getGrpprl();
        int from = s.getGrpprlOffset();
        int size = b[from - 1] & 0xFF;
        out.clear();
        for (int k = 0; (k + 1) * SHADE <= size && from + (k + 1) * SHADE <= b.length; k++) {
          out.add(colour(b, from + k * SHADE));
        }
      }
    }
    return out;
  }

  /** The colour behind the pattern, or before it where the pattern is solid. */
  private static Colour colour(byte[] b, int at) {
    int pattern = number(b, at + 8);
    int from = pattern == 1 ? at : at + 4;
    boolean auto = (b[from + 3] & 0xFF) == 0xFF;
    return auto
        ? pattern == 1 ? Colour.BLACK : Colour.WHITE
        : new Colour((b[from] & 0xFF) << 16 | (b[from + 1] & 0xFF) << 8 | b[from + 2] & 0xFF);
  }
}
