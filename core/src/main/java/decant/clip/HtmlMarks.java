package decant.clip;

import decant.model.look.Colour;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import org.jsoup.nodes.Element;

/** What the elements of HTML that mark text (§4.5 of the living standard) say of its look. */
final class HtmlMarks {
  private HtmlMarks() {}

  /** The look of text in an element, over that of the text around it. */
  static Look look(String name, Element e, Look around) {
    return switch (name) {
      case "b", "strong", "th" -> around.with(TextTraits.BOLD, true);
      case "i", "em", "cite", "var", "dfn" -> around.with(TextTraits.ITALIC, true);
      case "u", "ins" -> around.with(TextTraits.UNDERLINE, true);
      case "s", "del", "strike" -> around.with(TextTraits.STRIKE, true);
      case "sup" -> around.with(TextTraits.RAISE, TextTraits.Raise.SUPERSCRIPT);
      case "sub" -> around.with(TextTraits.RAISE, TextTraits.Raise.SUBSCRIPT);
      case "mark" -> around.with(TextTraits.HIGHLIGHT, Colour.parse("FFFF00"));
      case "code", "kbd", "samp", "tt", "pre" -> around.with(TextTraits.FAMILY, "Liberation Mono");
      case "a" -> {
        String to = e.attr("href").strip();
        yield to.matches("(?i)(https?|mailto|tel|ftp):.+")
            ? around.with(TextTraits.LINK, new Link.External(to))
            : to.matches("#.+") && !e.hasAttr("role")
                ? around.with(TextTraits.LINK, new Link.Internal(to.substring(1)))
                : around;
      }
      default -> around;
    };
  }
}
