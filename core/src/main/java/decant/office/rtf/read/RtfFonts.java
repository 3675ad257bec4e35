package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;

/** The table of fonts (Rich Text Format 1.9.1, “Font Table”). */
final class RtfFonts {
  /** What is put behind the name of a font for the part of it that a set of characters needs. */
  private static final Pattern PART =
      Pattern.compile(" (?:CE|Cyr|Greek|Tur|Baltic|\\((?:Hebrew|Arabic|Vietnamese|Thai)\\))$");

  private final Map<Integer, String> families = new HashMap<>();
  private final StringBuilder name = new StringBuilder();
  private int number;
  private int charset;

  /** A command within the table. */
  void command(Command c, int value) {
    switch (c) {
      case f -> {
        number = value;
        charset = 0;
        name.setLength(0);
      }
      case fcharset -> charset = value;
      default -> {}
    }
  }

  void text(String s) {
    name.append(s);
    if (s.endsWith(";")) {
      String whole = name.substring(0, name.length() - 1).strip();
      families.put(number, charset > 1 ? PART.matcher(whole).replaceFirst("") : whole);
      name.setLength(0);
    }
  }

  Optional<String> family(int of) {
    return Optional.ofNullable(families.get(of)).filter(f -> !f.isEmpty());
  }
}
