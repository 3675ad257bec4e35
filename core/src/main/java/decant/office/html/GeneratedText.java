package decant.office.html;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.TextNode;
import org.jsoup.select.Selector;

/** Text that style sheets put before and after elements (CSS Generated Content 3, §1). */
final class GeneratedText {
  private static final Pattern PLACE = Pattern.compile("(.*?)::?(before|after)");
  private static final Pattern CONTENT = Pattern.compile("(?:^|;)\\s*content\\s*:\\s*([^;]+)");

  /** A text in quotation marks, or what an attribute says; else something that is counted. */
  private static final Pattern PART =
      Pattern.compile("\\s*(?:\"([^\"]*)\"|'([^']*)'|attr\\(\\s*([\\w-]+)\\s*\\))\\s*");

  private static final Pattern ESCAPE = Pattern.compile("\\\\([0-9a-fA-F]{1,6}) ?|\\\\(.)");

  /** What shows nothing, though it has content: it only ends what floats. */
  private static final Pattern UNSEEN =
      Pattern.compile(
          "visibility\\s*:\\s*hidden|display\\s*:\\s*none|height\\s*:\\s*0|font-size\\s*:\\s*0");

  /** Where a text goes; of several rules about one place the last counts. */
  private record At(Element element, boolean before) {}

  private final Map<At, String> texts = new LinkedHashMap<>();
  private int left;

  /** Notes a rule, if it is about what stands before or after elements. */
  void rule(String selector, String what, ElementIndex elements) {
    Matcher place = PLACE.matcher(selector);
    Matcher content = CONTENT.matcher(what);
    if (!place.matches() || !content.find() || UNSEEN.matcher(what).find()) {
      return;
    }
    String of = place.group(1).isEmpty() ? "*" : place.group(1);
    try {
      for (Element e : elements.matching(of)) {
        Optional<String> text = text(content.group(1).strip(), e);
        if (text.isPresent()) {
          texts.put(new At(e, place.group(2).equals("before")), text.get());
        } else {
          left++;
        }
      }
    } catch (Selector.SelectorParseException e) {
      return; // a selector of another kind
    }
  }

  /** Empty if it is counted, or a picture. */
  private static Optional<String> text(String content, Element e) {
    if (content.matches("(?i)none|normal|inherit|initial")) {
      return Optional.of("");
    }
    var out = new StringBuilder();
    Matcher m = PART.matcher(content);
    int at = 0;
    while (at < content.length()) {
      if (!m.find(at) || m.start() != at) {
        return Optional.empty();
      }
      String said = m.group(1) != null ? m.group(1) : m.group(2);
      out.append(said != null ? unescaped(said) : e.attr(m.group(3)));
      at = m.end();
    }
    // Signs of fonts of icons have no letters.
    boolean icons = out.chars().anyMatch(c -> Character.getType(c) == Character.PRIVATE_USE);
    return Optional.of(icons ? "" : out.toString());
  }

  private static String unescaped(String s) {
    return ESCAPE
        .matcher(s)
        .replaceAll(m -> {
          String c = m.group(2);
          if (m.group(1) != null) {
            int code = Integer.parseInt(m.group(1), 16);
            c = Character.isValidCodePoint(code) && code > 0 ? Character.toString(code) : "\uFFFD";
          }
          return Matcher.quoteReplacement(c);
        });
  }

  /** Puts the texts where they go. @return how many places show something else than text */
  int put() {
    texts.forEach((at, text) -> {
      if (!text.isEmpty() && at.before()) {
        at.element().prependChild(new TextNode(text));
      } else if (!text.isEmpty()) {
        at.element().appendChild(new TextNode(text));
      }
    });
    return left;
  }
}
