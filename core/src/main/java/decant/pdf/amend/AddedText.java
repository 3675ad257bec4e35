package decant.pdf.amend;

import decant.pdf.amend.line.LettersOfFont.Code;
import decant.pdf.amend.setting.SubstituteFont;
import decant.text.FontBook;
import decant.text.FontFace;
import java.io.ByteArrayOutputStream;
import java.lang.Character.UnicodeScript;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Text that is put on a page, in fonts that ship: its lines, one below the other. */
final class AddedText {
  /** Letters of one font that follow one another. */
  private record Run(SubstituteFont font, List<Code> codes) {
    double width() {
      return codes.stream().mapToDouble(Code::width).sum();
    }
  }

  private final List<List<Run>> lines = new ArrayList<>();
  private final TextSpot spot;

  private AddedText(TextSpot spot) {
    this.spot = spot;
  }

  /** Scripts whose letters stand one after the other, each as it is. */
  private static final Set<UnicodeScript> PLAIN =
      EnumSet.of(
          UnicodeScript.LATIN,
          UnicodeScript.GREEK,
          UnicodeScript.CYRILLIC,
          UnicodeScript.ARMENIAN,
          UnicodeScript.GEORGIAN,
          UnicodeScript.HAN,
          UnicodeScript.HIRAGANA,
          UnicodeScript.KATAKANA,
          UnicodeScript.HANGUL,
          UnicodeScript.BOPOMOFO,
          UnicodeScript.COMMON,
          UnicodeScript.INHERITED);

  /** Whether letters neither run to the left nor join with each other. */
  static boolean isPlain(String text) {
    return text.codePoints().allMatch(c -> PLAIN.contains(UnicodeScript.of(c)));
  }

  /**
   * @param text plain
   * @return empty if no font that ships has all letters
   */
  static Optional<AddedText> of(String text, TextSpot spot, SubstituteFont.All fonts) {
    var out = new AddedText(spot);
    FontBook book = FontBook.shipped();
    FontFace face = book.serve(spot.family(), spot.bold(), spot.italic()).face();
    for (String line : text.lines().toList()) {
      var runs = new ArrayList<Run>();
      for (int c : line.replace('\t', ' ').codePoints().toArray()) {
        FontFace has = face.covers(c) ? face : book.stepIn(face, c);
        if (!has.covers(c)) {
          return Optional.empty();
        }
        SubstituteFont font = fonts.of(has);
        if (runs.isEmpty() || runs.getLast().font() != font) {
          runs.add(new Run(font, new ArrayList<>()));
        }
        runs.getLast().codes().addAll(font.of(Character.toString(c)));
      }
      out.lines.add(runs);
    }
    return Optional.of(out);
  }

  Set<SubstituteFont> fonts() {
    return lines.stream().flatMap(List::stream).map(Run::font).collect(Collectors.toSet());
  }

  /** How many points a line is wide. */
  double width(int line) {
    return lines.get(line).stream().mapToDouble(Run::width).sum() * spot.size();
  }

  int count() {
    return lines.size();
  }

  /**
   * The operators (ISO 32000-2 §9.4), in a space whose origin is the first line's beginning and in
   * which y grows upwards.
   *
   * @param names of the fonts among the page's resources
   */
  byte[] operators(String space, Map<SubstituteFont, String> names) {
    var out = new ByteArrayOutputStream();
    put(
        out,
        "q %s cm BT %.4f %.4f %.4f rg%n",
        space,
        spot.colour().red() / 255.0,
        spot.colour().green() / 255.0,
        spot.colour().blue() / 255.0);
    for (int k = 0; k < lines.size(); k++) {
      put(out, "1 0 0 1 0 %.3f Tm%n", -k * TextSpot.PITCH * spot.size());
      for (Run r : lines.get(k)) {
        var hex = new StringBuilder();
        r.codes().forEach(c -> hex.append(HexFormat.of().formatHex(c.bytes())));
        put(out, "/%s %.3f Tf <%s> Tj%n", names.getOrDefault(r.font(), ""), spot.size(), hex);
      }
    }
    put(out, "ET Q");
    return out.toByteArray();
  }

  private static void put(ByteArrayOutputStream out, String format, Object... values) {
    out.writeBytes(
        String.format(Locale.ROOT, format.replace("%n", "\n"), values)
            .getBytes(StandardCharsets.US_ASCII));
  }
}
