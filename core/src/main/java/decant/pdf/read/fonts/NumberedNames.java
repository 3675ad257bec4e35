package decant.pdf.read.fonts;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Letters of fonts of pixels whose names are but numbers, such as "a246": converters of typeset
 * files name them by their places in the encoding that the files were set in. That is mostly the
 * one known as T1 or Cork (Ferguson, TUGboat 11 (1990), no. 4, p. 514; its table is quoted from
 * memory), whose upper half is nearly ISO 8859-1.
 */
final class NumberedNames {
  private static final Pattern NAME = Pattern.compile("[A-Za-z]{1,2}(\\d{1,3})");

  /** Places 16 to 31: quotes, dashes and joined letters. */
  private static final String[] LOW = {
    "“", "”", "„", "«", "»", "–", "—", "", "", "ı", "ȷ", "ff", "fi", "fl", "ffi", "ffl"
  };

  /** Places 128 to 191. */
  private static final String MIDDLE =
      "ĂĄĆČĎĚĘĞĹĽŁŃŇŊŐŔŘŚŠŞŤŢŰŮŸŹŽŻĲİđ§ăąćčďěęğĺľłńňŋőŕřśšşťţűůÿźžżĳ¡¿£";

  private NumberedNames() {}

  /** What a name of a number stands for; null if it is no such name, or nothing is known. */
  static @Nullable String text(String name) {
    Matcher m = NAME.matcher(name);
    if (!m.matches()) {
      return null;
    }
    int place = Integer.parseInt(m.group(1));
    if (place >= 16 && place < 32) {
      String s = LOW[place - 16];
      return s.isEmpty() ? null : s;
    }
    if (place > 32 && place < 127) {
      return String.valueOf((char) place);
    }
    if (place >= 128 && place < 192) {
      return String.valueOf(MIDDLE.charAt(place - 128));
    }
    return switch (place) {
      case 215 -> "Œ";
      case 223 -> "SS";
      case 247 -> "œ";
      case 255 -> "ß";
      default -> place >= 192 && place < 256 ? String.valueOf((char) place) : null;
    };
  }
}
