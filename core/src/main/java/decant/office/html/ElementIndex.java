package decant.office.html;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.select.Collector;
import org.jsoup.select.Evaluator;
import org.jsoup.select.QueryParser;

/**
 * The elements of a page by their names, classes and ids: a style sheet has thousands of rules, of
 * which each is about few elements.
 */
final class ElementIndex {
  /** What a selector asks of the element that it is about itself, at its end. */
  private static final Pattern LAST = Pattern.compile("[^\\s>+~]+$");

  private static final Pattern MARK = Pattern.compile("([#.])([\\w-]+)");
  private static final Pattern NAME = Pattern.compile("^[a-zA-Z][\\w-]*");

  private final Document page;
  private final Map<String, List<Element>> by = new HashMap<>();

  ElementIndex(Document page) {
    this.page = page;
    for (Element e : page.getAllElements()) {
      put(e.normalName(), e);
      e.classNames().forEach(c -> put("." + c.toLowerCase(Locale.ROOT), e));
      if (!e.id().isEmpty()) {
        put("#" + e.id().toLowerCase(Locale.ROOT), e);
      }
    }
  }

  private void put(String key, Element e) {
    by.computeIfAbsent(key, k -> new ArrayList<>()).add(e);
  }

  /**
   * The elements that a selector is about, in the order of the page.
   *
   * @throws org.jsoup.select.Selector.SelectorParseException if it is of another kind
   */
  List<Element> matching(String selector) {
    Evaluator asked = QueryParser.parse(selector);
    String key = key(selector);
    if (key.isEmpty()) {
      return Collector.collect(asked, page);
    }
    return by.getOrDefault(key, List.of()).stream().filter(e -> e.is(asked)).toList();
  }

  /** What elements have for certain that a selector is about; empty if nothing can be said. */
  private static String key(String selector) {
    Matcher last = LAST.matcher(selector);
    if (selector.indexOf('[') >= 0 || selector.indexOf('\\') >= 0 || !last.find()) {
      return "";
    }
    Matcher mark = MARK.matcher(last.group());
    Matcher name = NAME.matcher(last.group());
    if (mark.find()) {
      return (mark.group(1) + mark.group(2)).toLowerCase(Locale.ROOT);
    }
    return name.find() ? name.group().toLowerCase(Locale.ROOT) : "";
  }
}
