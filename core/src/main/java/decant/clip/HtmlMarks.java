package decant.clip;

import decant.model.look.Colour;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import org.jsoup.nodes.Element;

/** What the elements of HTML that mark text (§4.5 of the living standard) say of its look. */
final class HtmlMarks {
  private static final String TYPEWRITER = "Liberation Mono";
  private static final double SMALLER = 13.0 / 16;

  private HtmlMarks() {}

  /** The look of text in an element, over that of the text around it. */
  static Look look(String name, Element e, Look around, HtmlPage page) {
    String language = e.hasAttr("lang") ? e.attr("lang") : e.attr("xml:lang");
    Look look = marked(name, e, around, page);
    return language.matches("[a-zA-Z]{2,3}(-[a-zA-Z0-9]{2,8})*")
        ? look.with(TextTraits.LANGUAGE, language)
        : look;
  }

  /** Letters of one width, which browsers set smaller than others (common practice: 13 for 16). */
  private static Look typewritten(Look around, HtmlPage page) {
    boolean already = around.get(TextTraits.FAMILY).filter(TYPEWRITER::equals).isPresent();
    Look look = around.with(TextTraits.FAMILY, TYPEWRITER);
    double size = around.get(TextTraits.SIZE).orElse(page.size);
    return already || !page.whole ? look : look.with(TextTraits.SIZE, size * SMALLER);
  }

  private static Look marked(String name, Element e, Look around, HtmlPage page) {
    return switch (name) {
      case "b", "strong" -> around.with(TextTraits.BOLD, true);
      case "i", "em", "cite", "var", "dfn", "address" -> around.with(TextTraits.ITALIC, true);
      case "u", "ins" -> around.with(TextTraits.UNDERLINE, true);
      case "s", "del", "strike" -> around.with(TextTraits.STRIKE, true);
      case "sup" -> around.with(TextTraits.RAISE, TextTraits.Raise.SUPERSCRIPT);
      case "sub" -> around.with(TextTraits.RAISE, TextTraits.Raise.SUBSCRIPT);
      case "mark" -> around.with(TextTraits.HIGHLIGHT, Colour.parse("FFFF00"));
      case "code", "kbd", "samp", "tt", "pre", "xmp", "listing", "plaintext" ->
          typewritten(around, page);
      case "a" -> {
        String to = e.attr("href").strip();
        boolean within = to.startsWith("#");
        if (to.matches("(?i)(https?|mailto|tel|ftp):.+")) {
          yield around.with(TextTraits.LINK, new Link.External(to));
        }
        if (!within && !to.isEmpty()) {
          page.leave(to);
        }
        yield within && to.length() > 1 && !e.hasAttr("role")
            ? around.with(TextTraits.LINK, new Link.Internal(to.substring(1)))
            : around;
      }
      default -> around;
    };
  }
}
