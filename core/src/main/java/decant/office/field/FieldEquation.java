package decant.office.field;

import decant.text.EquationText;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What an EQ field draws (ISO/IEC 29500-1 §17.16.5.17), as it is written in one line: a/b, x^2, and
 * how a word is read in brackets after it.
 */
final class FieldEquation {
  private static final int DEEPEST = 40;

  /** Switches that draw something of what stands in brackets after them; others say how. */
  private static final String DRAWING = "abdfilorsx";

  private final String from;
  private int at;

  private FieldEquation(String from) {
    this.from = from;
  }

  /**
   * @param told what stands after the keyword
   */
  static String text(String told) {
    // How large and in which font, which is said as of any field.
    String drawn = told.replaceAll("\\\\\\*\\s*(?:\"[^\"]*\"|\\S+)", "");
    return new FieldEquation(drawn).all(0).strip();
  }

  /** All up to what ends or parts a list of arguments. */
  private String all(int depth) {
    var out = new StringBuilder();
    while (at < from.length()) {
      char c = from.charAt(at);
      if (depth > 0 && (c == ')' || c == ',' || c == ';')) {
        break;
      }
      if (c != '\\') {
        out.append(c);
        at++;
      } else if (at + 1 < from.length() && !Character.isLetter(from.charAt(at + 1))) {
        out.append(from.charAt(at + 1)); // a sign that would mean something else
        at += 2;
      } else {
        out.append(drawn(depth));
      }
    }
    return out.toString();
  }

  private String drawn(int depth) {
    char kind = 0;
    Set<String> how = new HashSet<>();
    while (at < from.length() && from.charAt(at) == '\\') {
      int end = at + 1;
      while (end < from.length() && Character.isLetter(from.charAt(end)) && end < at + 3) {
        end++;
      }
      String name = from.substring(at + 1, end);
      if (kind == 0 && !name.isEmpty() && DRAWING.indexOf(name.charAt(0)) >= 0) {
        kind = name.charAt(0);
        end = at + 2;
      } else {
        how.add(name);
      }
      at = end;
      if (name.matches("[blr]c") && from.startsWith("\\", at)) {
        how.add(from.substring(at, Math.min(from.length(), at + 2)));
        at = Math.min(from.length(), at + 2);
      }
      while (at < from.length() && (from.charAt(at) == ' ' || isNumber(from.charAt(at)))) {
        at++;
      }
    }
    if (at >= from.length() || from.charAt(at) != '(' || depth > DEEPEST) {
      return "";
    }
    return made(kind, how, arguments(depth));
  }

  private static boolean isNumber(char c) {
    return Character.isDigit(c) || c == '-';
  }

  private List<String> arguments(int depth) {
    var out = new ArrayList<String>();
    do {
      at++; // the bracket, or what parts them
      out.add(all(depth + 1).strip());
    } while (at < from.length() && from.charAt(at) != ')');
    at = Math.min(from.length(), at + 1);
    return out;
  }

  private static String made(char kind, Set<String> how, List<String> of) {
    String first = of.getFirst();
    String second = of.size() > 1 ? of.get(1) : "";
    return switch (kind) {
      case 'f' -> EquationText.bracketed(first) + "/" + EquationText.bracketed(second);
      case 'r' -> of.size() > 1 ? "√[" + first + "](" + second + ")" : "√(" + first + ")";
      case 's' ->
          of.stream()
              .map(s -> (how.contains("do") ? "_" : "^") + EquationText.bracketed(s))
              .collect(Collectors.joining());
      case 'i' -> {
        String sign = how.contains("su") ? "∑" : how.contains("pr") ? "∏" : "∫";
        yield sign
            + (first.isEmpty() ? "" : "_" + EquationText.bracketed(first))
            + (second.isEmpty() ? "" : "^" + EquationText.bracketed(second))
            + (of.size() > 2 ? " " + of.get(2) : "");
      }
      case 'b' -> bracketed(how, first);
      case 'o' -> over(of);
      case 'a' -> String.join("; ", of);
      case 'l' -> String.join(", ", of);
      default -> String.join(" ", of);
    };
  }

  private static String bracketed(Set<String> how, String s) {
    String said = how.stream().filter(h -> h.startsWith("\\")).findFirst().orElse("\\(");
    char open = said.charAt(said.length() - 1);
    return switch (open) {
      case '[' -> "[" + s + "]";
      case '{' -> "{" + s + "}";
      case '<' -> "<" + s + ">";
      case '(', ')' -> "(" + s + ")";
      default -> open + s + open;
    };
  }

  /** What stands over one another; what is raised over something else is how that is read. */
  private static String over(List<String> of) {
    var out = new StringBuilder();
    var read = new StringBuilder();
    for (String s : of) {
      if (s.startsWith("^")) {
        read.append(s.replaceAll("^\\^\\(?|\\)$", ""));
      } else {
        out.append(s);
      }
    }
    return read.isEmpty() ? out.toString() : out + "(" + read + ")";
  }
}
