package decant.clip;

import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Rule;
import decant.model.look.Rules;
import java.util.Optional;

/** What style attributes say of a paragraph as a block: its room, its ground, its lines. */
final class HtmlBlocks {
  private HtmlBlocks() {}

  /**
   * Properties, each of which ends with a semicolon.
   *
   * @param size of its letters, in points
   */
  static String css(Look paragraph, double size, HtmlRoom.Room room) {
    var out = new StringBuilder();
    switch (paragraph.value(ParagraphTraits.ALIGNMENT)) {
      case CENTRE -> out.append("text-align:center;");
      case END -> out.append("text-align:end;");
      case JUSTIFIED -> out.append("text-align:justify;");
      case START -> {}
    }
    // Browsers leave a line between paragraphs that say nothing.
    length(out, "margin-top", room.above());
    length(out, "margin-bottom", room.below());
    out.append(CssLines.css(paragraph.value(ParagraphTraits.LINE_PITCH), size));
    Colour ground = paragraph.value(ParagraphTraits.SHADING);
    out.append(ground.equals(Colour.WHITE) ? "" : "background-color:#" + ground.hex() + ";");
    Rules rules = paragraph.value(ParagraphTraits.RULES);
    line(out, "top", rules.top());
    line(out, "right", rules.end());
    line(out, "bottom", rules.bottom());
    line(out, "left", rules.start());
    out.append(
        paragraph.value(ParagraphTraits.PAGE_BREAK_BEFORE) ? "page-break-before:always;" : "");
    return out.toString();
  }

  private static void length(StringBuilder out, String property, double points) {
    out.append(property).append(':').append(HtmlWriter.points(points)).append("pt;");
  }

  private static void line(StringBuilder out, String side, Optional<Rule> rule) {
    rule.filter(Rule::isDrawn)
        .ifPresent(r -> out.append("border-%s:%s;".formatted(side, border(r))));
  }

  /** How wide a line at an edge is, its kind and its colour. */
  static String border(Rule r) {
    return "%spt %s #%s".formatted(HtmlWriter.points(r.extent()), kind(r), r.colour().hex());
  }

  private static String kind(Rule r) {
    return switch (r.kind()) {
      case SINGLE -> "solid";
      case DOUBLE -> "double";
      case DOTTED -> "dotted";
      case DASHED -> "dashed";
    };
  }
}
