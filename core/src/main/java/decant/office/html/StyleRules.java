package decant.office.html;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.select.Selector;

/**
 * The rules of the style sheets that stand in a page, put at the elements that they are about, in
 * the order of the cascade (CSS Cascading and Inheritance 4, §6): what counts more comes later.
 */
final class StyleRules {
  private static final Pattern RULE = Pattern.compile("([^{}]+)\\{([^{}]*)\\}");
  private static final int MOST = 5000; // rules; more is no page of a person's

  /**
   * What browsers do with pages that say nothing (§15.3 of the living standard): room of a line
   * around what stands by itself.
   */
  private static final String USUAL =
      "p, pre, blockquote, dl, figure, fieldset, ul, ol, menu, dir"
          + " { margin-top: 1em; margin-bottom: 1em }";

  private record Said(int weight, int order, String what) {}

  private StyleRules() {}

  static void apply(Document page) {
    var all = new StringBuilder();
    page.select("style").stream()
        .filter(s -> s.attr("media").toLowerCase(Locale.ROOT).matches("|.*(all|screen).*"))
        .forEach(s -> all.append(s.data()).append('\n'));
    Map<Element, List<Said>> said = new IdentityHashMap<>();
    rules(USUAL, page, -1, said);
    rules(cleaned(all.toString()), page, 0, said);
    said.forEach((e, rules) -> {
      rules.sort(Comparator.comparingInt(Said::weight).thenComparingInt(Said::order));
      var style = new StringBuilder();
      rules.forEach(r -> style.append(r.what().strip().replaceAll(";+$", "")).append(';'));
      e.attr("style", style + e.attr("style"));
    });
  }

  private static String cleaned(String css) {
    return css.replaceAll("(?s)/\\*.*?\\*/|<!--|-->", "")
        // Sheets for paper, or for screens of some size, hold where they hold.
        .replaceAll("(?s)@[\\w-]+[^{};]*\\{(?:[^{}]*\\{[^{}]*\\})*[^{}]*\\}|@[^{};]*;", "");
  }

  /**
   * Notes what rules say of the elements of a page.
   *
   * @param least what counts less than any rule of the page is below 0
   */
  private static void rules(String css, Document page, int least, Map<Element, List<Said>> said) {
    Matcher m = RULE.matcher(css);
    for (int k = 0; k < MOST && m.find(); k++) {
      for (String selector : m.group(1).split(",")) {
        String s = selector.strip();
        if (s.isEmpty() || s.contains(":")) {
          continue; // states that no paper has
        }
        try {
          for (Element e : page.select(s)) {
            said.computeIfAbsent(e, x -> new ArrayList<>())
                .add(new Said(least < 0 ? least : weight(s), k, m.group(2)));
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
