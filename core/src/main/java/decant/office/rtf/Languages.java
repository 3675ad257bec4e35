package decant.office.rtf;

import java.util.Locale;
import java.util.Map;
import java.util.OptionalInt;

/** The numbers that older office formats have for languages ([MS-LCID]; values from memory). */
final class Languages {
  private static final Map<String, Integer> NUMBERS =
      Map.ofEntries(
          Map.entry("ar", 0x0401),
          Map.entry("bg", 0x0402),
          Map.entry("ca", 0x0403),
          Map.entry("cs", 0x0405),
          Map.entry("da", 0x0406),
          Map.entry("de", 0x0407),
          Map.entry("de-at", 0x0C07),
          Map.entry("de-ch", 0x0807),
          Map.entry("el", 0x0408),
          Map.entry("en", 0x0409),
          Map.entry("en-au", 0x0C09),
          Map.entry("en-ca", 0x1009),
          Map.entry("en-gb", 0x0809),
          Map.entry("en-ie", 0x1809),
          Map.entry("es", 0x0C0A),
          Map.entry("et", 0x0425),
          Map.entry("fi", 0x040B),
          Map.entry("fr", 0x040C),
          Map.entry("fr-be", 0x080C),
          Map.entry("fr-ca", 0x0C0C),
          Map.entry("fr-ch", 0x100C),
          Map.entry("he", 0x040D),
          Map.entry("hi", 0x0439),
          Map.entry("hr", 0x041A),
          Map.entry("hu", 0x040E),
          Map.entry("is", 0x040F),
          Map.entry("it", 0x0410),
          Map.entry("ja", 0x0411),
          Map.entry("ko", 0x0412),
          Map.entry("lt", 0x0427),
          Map.entry("lv", 0x0426),
          Map.entry("nb", 0x0414),
          Map.entry("nl", 0x0413),
          Map.entry("nl-be", 0x0813),
          Map.entry("no", 0x0414),
          Map.entry("pl", 0x0415),
          Map.entry("pt", 0x0816),
          Map.entry("pt-br", 0x0416),
          Map.entry("ro", 0x0418),
          Map.entry("ru", 0x0419),
          Map.entry("sk", 0x041B),
          Map.entry("sl", 0x0424),
          Map.entry("sv", 0x041D),
          Map.entry("th", 0x041E),
          Map.entry("tr", 0x041F),
          Map.entry("uk", 0x0422),
          Map.entry("zh", 0x0804),
          Map.entry("zh-tw", 0x0404));

  private Languages() {}

  /** The number of a BCP 47 tag, or of its language alone. */
  static OptionalInt number(String tag) {
    String t = tag.toLowerCase(Locale.ROOT);
    Integer n = NUMBERS.get(t);
    if (n == null && t.contains("-")) {
      n = NUMBERS.get(t.substring(0, t.indexOf('-')));
    }
    return n == null ? OptionalInt.empty() : OptionalInt.of(n);
  }
}
