package decant.office.odf.markup;

/**
 * Names of styles, which are XML names in the markup (ODF 1.3 part 3, §19.504): any other character
 * stands as {@code _20_}, its code between low lines, which is common practice.
 */
public final class StyleNames {
  private StyleNames() {}

  /** A name as it stands in the markup. */
  public static String encoded(String id) {
    var b = new StringBuilder();
    id.codePoints()
        .forEach(c -> {
          boolean first = b.isEmpty();
          boolean plain =
              c == '_' && !first
                  || Character.isLetter(c) && c < 0x10000
                  || !first && (c >= '0' && c <= '9' || c == '-' || c == '.');
          if (plain) {
            b.appendCodePoint(c);
          } else {
            b.append('_').append(Integer.toHexString(c)).append('_');
          }
        });
    return b.isEmpty() ? "_5f_" : b.toString();
  }

  /** What a name in the markup reads as. */
  public static String decoded(String name) {
    var b = new StringBuilder();
    int k = 0;
    while (k < name.length()) {
      int end = name.charAt(k) == '_' ? name.indexOf('_', k + 1) : -1;
      String code = end > k + 1 && end <= k + 7 ? name.substring(k + 1, end) : "";
      if (code.matches("[0-9a-f]+") && Character.isValidCodePoint(Integer.parseInt(code, 16))) {
        b.appendCodePoint(Integer.parseInt(code, 16));
        k = end + 1;
      } else {
        b.append(name.charAt(k++));
      }
    }
    return b.toString();
  }
}
