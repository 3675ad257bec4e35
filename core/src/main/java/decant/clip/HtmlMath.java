package decant.clip;

import java.util.List;
import java.util.stream.Collectors;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;

/** Equations of a page (MathML Core) as they are written in one line: a/b, x^2, √(a + b). */
final class HtmlMath {
  private static final int DEEPEST = 50;

  private HtmlMath() {}

  static String text(Element math) {
    return text(math, 0).strip();
  }

  private static String text(Element e, int depth) {
    if (depth > DEEPEST) {
      return e.text();
    }
    List<Element> parts = e.children();
    return switch (local(e)) {
      case "annotation", "annotation-xml" -> "";
      case "mfrac" ->
          parts.size() == 2 ? one(parts, 0, depth) + "/" + one(parts, 1, depth) : all(e, depth);
      case "msup", "mover" -> raised(parts, "^", e, depth);
      case "msub", "munder" -> raised(parts, "_", e, depth);
      case "msubsup", "munderover" ->
          parts.size() == 3
              ? inner(parts, 0, depth) + "_" + one(parts, 1, depth) + "^" + one(parts, 2, depth)
              : all(e, depth);
      case "msqrt" -> "√(" + all(e, depth) + ")";
      case "mroot" ->
          parts.size() == 2
              ? "√[" + inner(parts, 1, depth) + "](" + inner(parts, 0, depth) + ")"
              : all(e, depth);
      case "mfenced" ->
          parts.stream().map(p -> text(p, depth + 1)).collect(Collectors.joining(", ", "(", ")"));
      case "mtable" ->
          parts.stream().map(p -> text(p, depth + 1)).collect(Collectors.joining("; ", "[", "]"));
      case "mtr" -> parts.stream().map(p -> text(p, depth + 1)).collect(Collectors.joining(", "));
      case "mo" -> operator(e.text().strip());
      default -> all(e, depth);
    };
  }

  private static String raised(List<Element> parts, String sign, Element e, int depth) {
    return parts.size() == 2 ? inner(parts, 0, depth) + sign + one(parts, 1, depth) : all(e, depth);
  }

  private static String inner(List<Element> parts, int k, int depth) {
    return text(parts.get(k), depth + 1);
  }

  /** A part that is read as one: what is longer than a word stands in brackets. */
  private static String one(List<Element> parts, int k, int depth) {
    String s = inner(parts, k, depth).strip();
    return s.matches("[\\p{L}\\p{N}.,′]*|.") ? s : "(" + s + ")";
  }

  private static String operator(String sign) {
    return sign.matches("[=+−\\-×·÷<>≤≥≠≈→]") ? " " + sign + " " : sign;
  }

  private static String all(Element e, int depth) {
    var out = new StringBuilder();
    for (Node n : e.childNodes()) {
      if (n instanceof Element x) {
        out.append(text(x, depth + 1));
      } else if (n instanceof TextNode t) {
        out.append(t.text().strip());
      }
    }
    return out.toString();
  }

  private static String local(Element e) {
    String name = e.normalName();
    return name.substring(name.indexOf(':') + 1);
  }
}
