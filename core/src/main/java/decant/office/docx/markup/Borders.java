package decant.office.docx.markup;

import decant.model.look.Colour;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.office.xml.Element;
import java.util.Optional;

/** Borders of paragraphs, pages, tables and cells (§17.3.4). */
public final class Borders {
  private Borders() {}

  static Rules paragraph(Element pBdr) {
    return new Rules(
        rule(pBdr, "w:top"),
        rule(pBdr, "w:right").or(() -> rule(pBdr, "w:end")),
        rule(pBdr, "w:bottom"),
        rule(pBdr, "w:left").or(() -> rule(pBdr, "w:start")),
        rule(pBdr, "w:between"),
        Optional.empty());
  }

  /** Those of a table, a cell or a page. */
  public static Rules box(Element borders) {
    return new Rules(
        rule(borders, "w:top"),
        rule(borders, "w:right").or(() -> rule(borders, "w:end")),
        rule(borders, "w:bottom"),
        rule(borders, "w:left").or(() -> rule(borders, "w:start")),
        rule(borders, "w:insideH"),
        rule(borders, "w:insideV"));
  }

  private static Optional<Rule> rule(Element borders, String side) {
    return borders.child(side).map(Borders::rule);
  }

  /** Widths are in eighths of a point, distances in points (§17.3.4). */
  static Rule rule(Element e) {
    String kind = e.attribute("w:val").orElse("none");
    if (kind.equals("none") || kind.equals("nil")) {
      return Rule.NONE;
    }
    double width =
        DocxLooks.number(e.attribute("w:sz")).map(v -> Math.clamp(v / 8, 0.25, 12)).orElse(0.5);
    double space =
        DocxLooks.number(e.attribute("w:space")).map(v -> Math.clamp(v, 0, 31)).orElse(0.0);
    Colour colour = e.attribute("w:color").flatMap(DocxLooks::hex).orElse(Colour.BLACK);
    return switch (kind) {
      case "double", "doubleWave", "triple" -> new Rule(Rule.Kind.DOUBLE, width, colour, space);
      case "dotted" -> new Rule(Rule.Kind.DOTTED, width, colour, space);
      case "dashed", "dashSmallGap", "dotDash", "dotDotDash", "dashDotStroked" ->
          new Rule(Rule.Kind.DASHED, width, colour, space);
      default -> new Rule(Rule.Kind.SINGLE, width, colour, space);
    };
  }

  /** A border as an element of a name. */
  public static void write(Out o, String name, Optional<Rule> rule) {
    if (rule.isEmpty()) {
      return;
    }
    Rule r = rule.get();
    if (!r.isDrawn()) {
      o.empty(name, "w:val", "nil");
      return;
    }
    o.empty(
        name,
        "w:val",
        switch (r.kind()) {
          case SINGLE -> "single";
          case DOUBLE -> "double";
          case DOTTED -> "dotted";
          case DASHED -> "dashed";
        },
        "w:sz",
        Long.toString(Math.clamp(Math.round(r.width() * 8), 2, 96)),
        "w:space",
        Long.toString(Math.round(r.space())),
        "w:color",
        r.colour().hex());
  }

  /** The sides of a box in the order of the schema. */
  public static void write(Out o, Rules rules) {
    write(o, "w:top", rules.top());
    write(o, "w:left", rules.start());
    write(o, "w:bottom", rules.bottom());
    write(o, "w:right", rules.end());
    write(o, "w:insideH", rules.insideAcross());
    write(o, "w:insideV", rules.insideDown());
  }
}
