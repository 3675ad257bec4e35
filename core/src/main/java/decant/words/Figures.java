package decant.words;

import java.time.Duration;
import java.util.Locale;

/**
 * Numbers as people read and compare them: groups of three apart by a narrow space, sizes in kB (of
 * 1000 bytes, as IEC 80000-13 has it) from one figure in one format on every screen.
 */
public final class Figures {
  private static final char NARROW_SPACE = '\u202F';

  private Figures() {}

  /** A whole number: 12 345. */
  public static String number(long n) {
    return String.format(Locale.ROOT, "%,d", n).replace(',', NARROW_SPACE);
  }

  /** A number with so many decimals at most, without zeros at the end: 10.5. */
  public static String decimal(double v, int places) {
    String s = String.format(Locale.ROOT, "%,." + places + "f", v).replace(',', NARROW_SPACE);
    return places == 0 ? s : s.replaceAll("\\.?0+$", "");
  }

  /** A size: 512 bytes, 1.4 kB, 36 kB, 1 039 kB, 12.4 MB, 84.2 GB. */
  public static String size(long bytes) {
    if (bytes < 1000) {
      return number(bytes) + NARROW_SPACE + (bytes == 1 ? "byte" : "bytes");
    }
    double kilo = bytes / 1000.0;
    if (kilo < 9.95) {
      return decimal(kilo, 1) + NARROW_SPACE + "kB";
    }
    if (kilo < 9_999.5) {
      return number(Math.round(kilo)) + NARROW_SPACE + "kB";
    }
    double mega = kilo / 1000;
    return mega < 9_999.95
        ? decimal(mega, 1) + NARROW_SPACE + "MB"
        : decimal(mega / 1000, 1) + NARROW_SPACE + "GB";
  }

  /** A time: 12 s, 3 min 20 s, 2 h 5 min; a second at least. */
  public static String time(long millis) {
    Duration d = Duration.ofMillis(millis);
    if (d.toHours() > 0) {
      return number(d.toHours()) + " h " + d.toMinutesPart() + " min";
    }
    return d.toMinutes() > 0
        ? d.toMinutes() + " min " + d.toSecondsPart() + " s"
        : Math.max(1, d.toSeconds()) + " s";
  }

  /** A size to the byte: 36 652 bytes. */
  public static String bytes(long bytes) {
    return number(bytes) + NARROW_SPACE + (bytes == 1 ? "byte" : "bytes");
  }
}
