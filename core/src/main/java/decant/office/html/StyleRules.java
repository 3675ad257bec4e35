package decant.office.html;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.select.Selector;

/**
 * The rules of the style sheets that stand in a page, put at the elements that they are about, in
 * the order of the cascade (CSS Cascading and Inheritance 4, §6): what counts more comes later.
 */
final class StyleRules {
  private static final int MOST = 50_000; // rules; more is no page of a person's

  /**
   * What browsers do with pages that say nothing (§15.3 of the living standard): room of a line
   * around what stands by itself.
   */
  private static final String USUAL =
      "p, pre, blockquote, dl, figure, fieldset, ul, ol, menu, dir"
          + " { margin-top: 1em; margin-bottom: 1em }";

  /** Blocks whose rules hold as others do. */
  private static final Pattern HOLDS =
      Pattern.compile("@media\\s+(?:only\\s+)?(?:screen|all)\\s*\\{", Pattern.CASE_INSENSITIVE);

  private record Said(int weight, int order, String what) {}

  private StyleRules() {}

  /**
   * @return how many places show something that style sheets count, or fetch
   */
  static int apply(Document page) {
    var all = new StringBuilder();
    page.select("style").stream()
        .filter(s -> s.attr("media").toLowerCase(Locale.ROOT).matches("|.*(all|screen).*"))
        .forEach(s -> all.append(s.data()).append('\n'));
    Map<Element, List<Said>> said = new IdentityHashMap<>();
    var elements = new ElementIndex(page);
    var generated = new GeneratedText();
    rules(USUAL, elements, -1, said, generated);
    rules(cleaned(all.toString()), elements, 0, said, generated);
    said.forEach((e, rules) -> {
      rules.sort(Comparator.comparingInt(Said::weight).thenComparingInt(Said::order));
      var style = new StringBuilder();
      rules.forEach(r -> style.append(r.what().strip().replaceAll(";+$", "")).append(';'));
      e.attr("style", style + e.attr("style"));
    });
    return generated.put();
  }

  /** Rules without remarks, and without those that hold only for some paper or screen. */
  private static String cleaned(String css) {
    String plain = css.replaceAll("(?s)/\\*.*?\\*/|<!--|-->", "");
    var out = new StringBuilder();
    int k = 0;
    boolean inBlock = false;
    while (k < plain.length()) {
      char c = plain.charAt(k);
      if (c == '@' && !inBlock) {
        k = afterAtRule(plain, k);
        continue;
      }
      inBlock = c == '{' || inBlock && c != '}';
      out.append(c);
      k++;
    }
    return out.toString();
  }

  /** Where a rule ends that begins with @: with its block, or with a semicolon. */
  private static int afterAtRule(String css, int from) {
    if (HOLDS.matcher(css).region(from, css.length()).lookingAt()) {
      return css.indexOf('{', from) + 1; // its rules hold as others do
    }
    int depth = 0;
    for (int k = from; k < css.length(); k++) {
      switch (css.charAt(k)) {
        case '{' -> depth++;
        case '}' -> {
          if (--depth <= 0) {
            return k + 1;
          }
        }
        case ';' -> {
          if (depth == 0) {
            return k + 1;
          }
        }
        default -> {}
      }
    }
    return css.length();
  }

  /**
   * Notes what rules say of the elements of a page.
   *
   * @param least what counts less than any rule of the page is below 0
   */
  private static void rules(
      String css,
      ElementIndex elements,
      int least,
      Map<Element, List<Said>> said,
      GeneratedText generated) {
    int at = 0;
    for (int k = 0; k < MOST; k++) {
      int open = css.indexOf('{', at);
      int close = open < 0 ? -1 : css.indexOf('}', open);
      if (close < 0) {
        return;
      }
      String before = css.substring(at, open);
      String what = css.substring(open + 1, close);
      at = close + 1;
      for (String selector : before.substring(before.lastIndexOf('}') + 1).split(",")) {
        String s = selector.strip();
        if (s.isEmpty() || s.contains(":")) {
          generated.rule(s, what, elements);
          continue; // states that no paper has
        }
        try {
          for (Element e : elements.matching(s)) {
            said.computeIfAbsent(e, x -> new ArrayList<>())
                .add(new Said(least < 0 ? least : weight(s), k, what));
          }
        } catch (Selector.SelectorParseException e) {
          continue; // a selector of another kind
        }
      }
    }
  }

  /** Names count more than classes, and those more than elements (Selectors 4, §17). */
  private static int weight(String selector) {
    int ids = selector.length() - selector.replace("#", "").length();
    int classes = selector.length() - selector.replaceAll("[.\\[]", "").length();
    int elements = selector.split("[\\s>+~]+").length;
    return 10_000 * ids + 100 * classes + elements;
  }
}
