package decant.office.emit;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * The numbers that older office formats have for languages ([MS-LCID] 2.2; values from memory). The
 * first of a language stands for it where no country is said.
 */
public final class Languages {
  private static final Object[] ALL = {
    "ar-SA", 0x0401, "bg-BG", 0x0402, "ca-ES", 0x0403, "zh-CN", 0x0804, "zh-TW", 0x0404,
    "cs-CZ", 0x0405, "da-DK", 0x0406, "de-DE", 0x0407, "de-AT", 0x0C07, "de-CH", 0x0807,
    "el-GR", 0x0408, "en-US", 0x0409, "en-AU", 0x0C09, "en-CA", 0x1009, "en-GB", 0x0809,
    "en-IE", 0x1809, "es-ES", 0x0C0A, "es-ES", 0x040A, "et-EE", 0x0425, "fi-FI", 0x040B,
    "fr-FR", 0x040C, "fr-BE", 0x080C, "fr-CA", 0x0C0C, "fr-CH", 0x100C, "he-IL", 0x040D,
    "hi-IN", 0x0439, "hr-HR", 0x041A, "hu-HU", 0x040E, "is-IS", 0x040F, "it-IT", 0x0410,
    "ja-JP", 0x0411, "ko-KR", 0x0412, "lt-LT", 0x0427, "lv-LV", 0x0426, "nl-NL", 0x0413,
    "nl-BE", 0x0813, "nb-NO", 0x0414, "no-NO", 0x0414, "pl-PL", 0x0415, "pt-PT", 0x0816,
    "pt-BR", 0x0416, "ro-RO", 0x0418, "ru-RU", 0x0419, "sk-SK", 0x041B, "sl-SI", 0x0424,
    "sv-SE", 0x041D, "th-TH", 0x041E, "tr-TR", 0x041F, "uk-UA", 0x0422
  };

  private static final Map<String, Integer> NUMBERS = new HashMap<>();
  private static final Map<Integer, String> TAGS = new HashMap<>();

  static {
    for (int k = 0; k < ALL.length; k += 2) {
      String tag = (String) ALL[k];
      int number = (Integer) ALL[k + 1];
      NUMBERS.putIfAbsent(tag.toLowerCase(Locale.ROOT), number);
      NUMBERS.putIfAbsent(tag.substring(0, tag.indexOf('-')), number);
      TAGS.putIfAbsent(number, tag);
    }
  }

  private Languages() {}

  /** The number of a BCP 47 tag, or of its language alone. */
  public static OptionalInt number(String tag) {
    String t = tag.toLowerCase(Locale.ROOT);
    Integer n = NUMBERS.get(t);
    if (n == null && t.contains("-")) {
      n = NUMBERS.get(t.substring(0, t.indexOf('-')));
    }
    return n == null ? OptionalInt.empty() : OptionalInt.of(n);
  }

  /** The BCP 47 tag of a number. */
  public static Optional<String> tag(int number) {
    return Optional.ofNullable(TAGS.get(number & 0xFFFF));
  }
}
