package decant.text;

import java.util.Locale;

/**
 * What the PostScript name of a font says of it, as makers of fonts use to spell it.
 *
 * @param plain without the six letters that mark a subset (ISO 32000-1 §9.6.4)
 */
public record FontName(String plain, String family, boolean bold, boolean italic) {
  /** Reads a name such as {@code ABCDEF+LiberationSerif-BoldItalic}. */
  public static FontName of(String name) {
    String plain = name.replaceFirst("^[A-Z]{6}\\+", "");
    String lower = plain.toLowerCase(Locale.ROOT);
    boolean bold =
        lower.matches(".*(bold|black|heavy|semibd|demi).*")
            || lower.matches(".*[-,_]b(d|i)?$")
            || lower.matches("(cm|sf)((ss)?b[xilm]|sx).*");
    boolean italic =
        lower.matches(".*(italic|oblique|slanted).*")
            || lower.matches(".*[-,_]b?i$")
            || lower.matches("cm(ti|bxti|sl).*|sfti.*");
    return new FontName(plain, familyOf(plain), bold, italic);
  }

  /**
   * The weight that a name tells, from 100 to 900 (OpenType, OS/2.usWeightClass); 400 if it tells
   * none.
   */
  public static int weight(String name) {
    String n = name.toLowerCase(Locale.ROOT);
    if (n.matches(".*(hairline|thin).*")) {
      return 100;
    }
    if (n.matches(".*(extra|ultra)[- ]?light.*")) {
      return 200;
    }
    if (n.contains("light")) {
      return 300;
    }
    if (n.matches(".*(semi|demi).*")) {
      return 600;
    }
    if (n.matches(".*(black|heavy|(extra|ultra)[- ]?bold).*")) {
      return 900;
    }
    if (n.contains("bold")) {
      return 700;
    }
    return n.contains("medium") ? 500 : 400;
  }

  /** "LiberationSerif-BoldItalic" is of the family "Liberation Serif". */
  private static String familyOf(String name) {
    String f =
        name.replaceFirst(
            "[-,_](?i)(bold|italic|oblique|regu|roman|medi|light|book|black|semi|demi|bd|it).*$",
            "");
    f = f.replaceFirst("(PS)?MT$", "");
    f = f.replaceAll("(?<=[a-z])(?=[A-Z][a-z]{2})", " ").replaceAll("[-_]+", " ").strip();
    return f.isBlank() ? name : f;
  }
}
