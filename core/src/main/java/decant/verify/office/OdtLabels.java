package decant.verify.office;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.w3c.dom.Element;

/** The labels of items of lists (ODF 1.3 part 3, §5.3 and §16.30), counted as they are read. */
final class OdtLabels {
  private static final int LEVELS = 10;
  private static final int UNSET = Integer.MIN_VALUE;

  private record Open(String style, int[] numbers) {}

  private final OdtStyles styles;
  private final Map<String, int[]> named = new HashMap<>();
  private final Deque<Open> open = new ArrayDeque<>();

  OdtLabels(OdtStyles styles) {
    this.styles = styles;
  }

  void begin(Element list) {
    Open outer = open.peek();
    String style = Docx.value(list, "style-name");
    int[] numbers;
    if (outer != null) {
      numbers = outer.numbers();
    } else {
      int[] before = named.get(Docx.value(list, "continue-list"));
      numbers = before == null ? unset() : before;
    }
    String name = Docx.value(list, "id");
    if (!name.isEmpty()) {
      named.put(name, numbers);
    }
    open.push(new Open(style.isEmpty() && outer != null ? outer.style() : style, numbers));
  }

  private static int[] unset() {
    int[] n = new int[LEVELS];
    Arrays.fill(n, UNSET);
    return n;
  }

  void end() {
    open.pop();
  }

  /** What is open of lists does not reach into what is apart from the text. */
  Deque<?> apart() {
    var before = new ArrayDeque<>(open);
    open.clear();
    return before;
  }

  @SuppressWarnings("unchecked")
  void back(Deque<?> before) {
    open.clear();
    open.addAll((Deque<Open>) before);
  }

  /** The label of an item whose own text begins. */
  String next(Element item) {
    Open list = open.element();
    int depth = open.size() - 1;
    int[] n = list.numbers();
    String start = Docx.value(item, "start-value");
    Element level = level(list.style(), depth);
    n[depth] =
        !start.isEmpty()
            ? (int) Docx.number(start)
            : n[depth] == UNSET ? first(level) : n[depth] + 1;
    Arrays.fill(n, depth + 1, LEVELS, UNSET);
    if (level == null) {
      return "";
    }
    if (level.getLocalName().equals("list-level-style-bullet")) {
      return Docx.value(level, "bullet-char");
    }
    var b = new StringBuilder(Docx.value(level, "num-prefix"));
    if (!Docx.value(level, "num-format").isEmpty()) {
      String levels = Docx.value(level, "display-levels");
      int shown = levels.isEmpty() ? 1 : (int) Docx.number(levels);
      for (int k = Math.max(0, depth + 1 - shown); k <= depth; k++) {
        Element own = level(list.style(), k);
        String format = own == null ? "1" : Docx.value(own, "num-format");
        b.append(written(format, n[k] == UNSET ? first(own) : n[k])).append(k < depth ? "." : "");
      }
    }
    return b.append(Docx.value(level, "num-suffix")).toString();
  }

  private static int first(@Nullable Element level) {
    String start = Docx.value(level, "start-value");
    return start.isEmpty() ? 1 : (int) Docx.number(start);
  }

  private @Nullable Element level(String style, int depth) {
    Element list = styles.find("list", style);
    if (list != null) {
      for (Element e : Package.children(list)) {
        if (Docx.value(e, "level").equals(Integer.toString(depth + 1))) {
          return e;
        }
      }
    }
    return null;
  }

  private static String written(String format, int n) {
    return switch (format) {
      case "a" -> letters(n);
      case "A" -> letters(n).toUpperCase(Locale.ROOT);
      case "i" -> roman(n);
      case "I" -> roman(n).toUpperCase(Locale.ROOT);
      case "" -> "";
      default -> Integer.toString(n);
    };
  }

  private static String letters(int n) {
    return n < 1
        ? Integer.toString(n)
        : Character.toString('a' + (n - 1) % 26).repeat((n - 1) / 26 + 1);
  }

  private static String roman(int n) {
    if (n < 1 || n > 3999) {
      return Integer.toString(n);
    }
    int[] values = {1000, 900, 500, 400, 100, 90, 50, 40, 10, 9, 5, 4, 1};
    String[] signs = {"m", "cm", "d", "cd", "c", "xc", "l", "xl", "x", "ix", "v", "iv", "i"};
    var b = new StringBuilder();
    int rest = n;
    for (int k = 0; k < values.length; k++) {
      for (; rest >= values[k]; rest -= values[k]) {
        b.append(signs[k]);
      }
    }
    return b.toString();
  }
}
