package decant.verify.office;

import decant.office.symbol.Symbols;
import decant.verify.office.CountedLabels.Instance;
import decant.verify.office.CountedLabels.Level;
import java.util.HashMap;
import java.util.Map;
import java.util.NoSuchElementException;
import org.apache.poi.hwpf.model.LFO;
import org.apache.poi.hwpf.model.ListData;
import org.apache.poi.hwpf.model.ListFormatOverrideLevel;
import org.apache.poi.hwpf.model.ListLevel;
import org.apache.poi.hwpf.model.ListTables;
import org.jspecify.annotations.Nullable;

/** The lists of a binary document ([MS-DOC] 2.9.131 and 2.9.150), by the number that items name. */
final class DocLabels {
  private static final int LEVELS = 9;
  private static final int MOST = 20_000;

  private DocLabels() {}

  static Map<String, Instance> of(@Nullable ListTables tables) {
    var out = new HashMap<String, Instance>();
    for (int k = 1; tables != null && k < MOST; k++) {
      try {
        LFO lfo = tables.getLfo(k);
        ListData data = tables.getListData(lfo.getLsid());
        var levels = new HashMap<Integer, Level>();
        var starts = new HashMap<Integer, Integer>();
        for (int d = 0; data != null && d < data.getLevels().length; d++) {
          levels.put(d, level(data.getLevels()[d], d));
        }
        for (ListFormatOverrideLevel o : tables.getLfoData(k).getRgLfoLvl()) {
          if (o.isFormatting() && o.getLevel() != null) {
            levels.put(o.getLevelNum(), level(o.getLevel(), o.getLevelNum()));
          }
          if (o.isStartAt()) {
            starts.put(
                o.getLevelNum(),
                o.isFormatting() && o.getLevel() != null
                    ? o.getLevel().getStartAt()
                    : o.getIStartAt());
          }
        }
        out.put(Integer.toString(k), new Instance("" + lfo.getLsid(), levels, starts));
      } catch (NoSuchElementException e) {
        return out; // there are no more
      }
    }
    return out;
  }

  private static Level level(ListLevel l, int depth) {
    var text = new StringBuilder();
    String said = l.getNumberText();
    for (char c : (said == null ? "" : said).toCharArray()) {
      if (c < LEVELS) {
        text.append('%').append(c + 1);
      } else if (Character.getType(c) == Character.PRIVATE_USE) {
        text.append(Symbols.bullet(c, "")); // of a symbol font
      } else {
        text.append(c);
      }
    }
    return new Level(
        format(l.getNumberFormat() & 0xFF),
        text.toString(),
        l.getStartAt(),
        l.getRestart() >= 0 ? Math.min(l.getRestart(), depth) : -1,
        l.isLegalNumbering());
  }

  /** [MS-OSHARED] 2.2.1.3, by the names of ISO/IEC 29500-1 §17.18.59. */
  private static String format(int nfc) {
    return switch (nfc) {
      case 1 -> "upperRoman";
      case 2 -> "lowerRoman";
      case 3 -> "upperLetter";
      case 4 -> "lowerLetter";
      case 5 -> "ordinal";
      case 22 -> "decimalZero";
      case 23 -> "bullet";
      case 255 -> "none";
      default -> "decimal";
    };
  }
}
