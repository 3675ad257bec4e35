package decant.clip;

import java.util.Locale;
import org.jsoup.nodes.Element;

/** Attributes that say how something looks (§15 of the living standard), as style sheets say it. */
final class HtmlHints {
  /** Sizes of the font element, from 1 to 7 (§15.3.1). */
  private static final String[] SIZES = {
    "x-small", "small", "medium", "large", "x-large", "xx-large", "xxx-large"
  };

  private static final int MIDDLE = 3;

  private HtmlHints() {}

  /** What attributes say, as properties; each ends with a semicolon. */
  static String of(Element e) {
    if (e.attributesSize() == 0) {
      return e.normalName().matches("big|small") ? size(e) : "";
    }
    var out = new StringBuilder(e.hasAttr("hidden") ? "display:none;" : "");
    String name = e.normalName();
    String align = e.attr("align").toLowerCase(Locale.ROOT);
    if (align.matches("left|right|center|justify") && !name.matches("table|img|hr|iframe|object")) {
      out.append("text-align:").append(align).append(';');
    }
    String valign = e.attr("valign").toLowerCase(Locale.ROOT);
    if (valign.matches("top|middle|bottom") && name.matches("t[dhr]")) {
      out.append("vertical-align:").append(valign).append(';');
    }
    if (name.matches("body|table|t[dhr]|t(head|body|foot)")) {
      colour(out, "background-color", e.attr("bgcolor"));
    }
    switch (name) {
      case "body" -> colour(out, "color", e.attr("text"));
      case "hr" -> colour(out, "color", e.attr("color"));
      case "font" -> {
        colour(out, "color", e.attr("color"));
        String face = e.attr("face").replaceAll("[;:]", "");
        out.append(face.isBlank() ? "" : "font-family:" + face + ";");
        out.append(size(e));
      }
      case "big", "small" -> out.append(size(e));
      default -> {}
    }
    return out.toString();
  }

  private static String size(Element e) {
    switch (e.normalName()) {
      case "big" -> {
        return "font-size:larger;";
      }
      case "small" -> {
        return "font-size:smaller;";
      }
      default -> {}
    }
    String said = e.attr("size").strip();
    if (!said.matches("[+-]?\\d{1,2}")) {
      return "";
    }
    int n = Integer.parseInt(said);
    int size = said.matches("[+-].*") ? MIDDLE + n : n;
    return "font-size:" + SIZES[Math.clamp(size, 1, SIZES.length) - 1] + ";";
  }

  /** A colour by its name or number, which attributes may write without its sign. */
  private static void colour(StringBuilder out, String property, String said) {
    String c = said.strip();
    if (c.matches("[#\\w]+")) {
      boolean bare = c.matches("[0-9a-fA-F]{6}");
      out.append(property).append(':').append(bare ? "#" + c : c).append(';');
    }
  }
}
