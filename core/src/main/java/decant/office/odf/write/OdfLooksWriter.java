package decant.office.odf.write;

import static decant.office.odf.markup.Measures.hash;
import static decant.office.odf.markup.Measures.percent;
import static decant.office.odf.markup.Measures.points;

import decant.model.look.Colour;
import decant.model.look.LinePitch;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.ParagraphTraits.Direction;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TextTraits;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/** Looks as properties of text and paragraphs (ODF 1.3 part 3, §16.29.10 and §16.29.29). */
final class OdfLooksWriter {
  /** Names of attributes for the three groups of scripts that have fonts of their own. */
  private static final List<String> SCRIPTS = List.of("", "-asian", "-complex");

  private static final Set<String> ASIAN = Set.of("zh", "ja", "ko");
  private static final Set<String> COMPLEX = Set.of("ar", "he", "fa", "ur", "hi", "th", "yi");

  private final Set<String> families = new TreeSet<>();

  /** The families of fonts that were written. */
  Set<String> families() {
    return families;
  }

  /**
   * The properties of text; empty for none.
   *
   * @param look what is set
   * @param size of the text, in points, of which a rise is a share
   * @param more further attributes
   */
  String text(Look look, double size, String more) {
    var x = new Xml();
    look.get(TextTraits.FAMILY)
        .ifPresent(f -> {
          families.add(f);
          SCRIPTS.forEach(s -> x.attribute("style:font-name" + s, f));
        });
    look.get(TextTraits.SIZE)
        .ifPresent(s -> scripts(x, "fo:font-size", "style:font-size", points(s)));
    look.get(TextTraits.BOLD)
        .ifPresent(v -> scripts(x, "fo:font-weight", "style:font-weight", v ? "bold" : "normal"));
    look.get(TextTraits.ITALIC)
        .ifPresent(v -> scripts(x, "fo:font-style", "style:font-style", v ? "italic" : "normal"));
    underline(x, look);
    struck(x, look);
    look.get(TextTraits.ALL_CAPS)
        .ifPresent(v -> x.attribute("fo:text-transform", v ? "uppercase" : "none"));
    look.get(TextTraits.SMALL_CAPS)
        .ifPresent(v -> x.attribute("fo:font-variant", v ? "small-caps" : "normal"));
    look.get(TextTraits.LETTER_SPACING)
        .ifPresent(v -> x.attribute("fo:letter-spacing", v == 0 ? "normal" : points(v)));
    look.get(TextTraits.KERNING)
        .ifPresent(v -> x.attribute("style:letter-kerning", Boolean.toString(!v.isInfinite())));
    position(x, look, size);
    look.get(TextTraits.HIDDEN).ifPresent(v -> x.attribute("text:display", v ? "none" : "true"));
    look.get(TextTraits.COLOUR).ifPresent(c -> x.attribute("fo:color", hash(c)));
    look.get(TextTraits.HIGHLIGHT).ifPresent(c -> x.attribute("fo:background-color", fill(c)));
    look.get(TextTraits.LANGUAGE).filter(l -> !l.isEmpty()).ifPresent(l -> language(x, l));
    x.raw(more);
    return x.isEmpty() ? "" : "<style:text-properties" + x + "/>";
  }

  private static void scripts(Xml x, String western, String others, String value) {
    x.attribute(western, value);
    x.attribute(others + "-asian", value);
    x.attribute(others + "-complex", value);
  }

  static String fill(Colour c) {
    return c.equals(Colour.WHITE) ? "transparent" : hash(c);
  }

  private static void underline(Xml x, Look look) {
    if (!look.sets(TextTraits.UNDERLINE)) {
      return;
    }
    if (!look.value(TextTraits.UNDERLINE)) {
      x.attribute("style:text-underline-style", "none");
      return;
    }
    TextTraits.UnderlineKind kind = look.value(TextTraits.UNDERLINE_KIND);
    x.attribute(
        "style:text-underline-style",
        switch (kind) {
          case DOTTED -> "dotted";
          case DASHED -> "dash";
          case WAVE -> "wave";
          case SINGLE, DOUBLE, THICK, WORDS -> "solid";
        });
    if (kind == TextTraits.UnderlineKind.DOUBLE) {
      x.attribute("style:text-underline-type", "double");
    }
    x.attribute(
        "style:text-underline-width", kind == TextTraits.UnderlineKind.THICK ? "bold" : "auto");
    x.attribute("style:text-underline-color", "font-color");
    if (kind == TextTraits.UnderlineKind.WORDS) {
      x.attribute("style:text-underline-mode", "skip-white-space");
    }
  }

  private static void struck(Xml x, Look look) {
    boolean said = look.sets(TextTraits.STRIKE) || look.sets(TextTraits.DOUBLE_STRIKE);
    boolean twice = look.value(TextTraits.DOUBLE_STRIKE);
    if (said) {
      boolean some = twice || look.value(TextTraits.STRIKE);
      x.attribute("style:text-line-through-style", some ? "solid" : "none");
      if (some) {
        x.attribute("style:text-line-through-type", twice ? "double" : "single");
      }
    }
  }

  private static void position(Xml x, Look look, double size) {
    TextTraits.Raise raise = look.value(TextTraits.RAISE);
    double shift = look.value(TextTraits.SHIFT);
    if (raise != TextTraits.Raise.NONE) {
      x.attribute(
          "style:text-position", raise == TextTraits.Raise.SUPERSCRIPT ? "super 58%" : "sub 58%");
    } else if (shift != 0 && size > 0) {
      x.attribute("style:text-position", percent(shift / size) + " 100%");
    } else if (look.sets(TextTraits.RAISE) || look.sets(TextTraits.SHIFT)) {
      x.attribute("style:text-position", "0% 100%");
    }
  }

  private static void language(Xml x, String tag) {
    Locale l = Locale.forLanguageTag(tag);
    if (l.getLanguage().isEmpty()) {
      return;
    }
    String suffix =
        ASIAN.contains(l.getLanguage())
            ? "-asian"
            : COMPLEX.contains(l.getLanguage()) ? "-complex" : "";
    for (String s : suffix.isEmpty() ? List.of("") : List.of("", suffix)) {
      String ns = s.isEmpty() ? "fo:" : "style:";
      x.attribute(ns + "language" + s, l.getLanguage());
      if (!l.getScript().isEmpty()) {
        x.attribute(ns + "script" + s, l.getScript());
      }
      x.attribute(ns + "country" + s, l.getCountry().isEmpty() ? "none" : l.getCountry());
    }
  }

  /**
   * The properties of a paragraph; empty for none.
   *
   * @param look what is set
   * @param inForce what holds, by which sides and tab stops are told
   * @param more further attributes
   */
  String paragraph(Look look, Look inForce, String more) {
    var x = new Xml();
    boolean rtl = inForce.value(ParagraphTraits.DIRECTION) == Direction.RIGHT_TO_LEFT;
    look.get(ParagraphTraits.DIRECTION)
        .ifPresent(d ->
            x.attribute("style:writing-mode", d == Direction.RIGHT_TO_LEFT ? "rl-tb" : "lr-tb"));
    look.get(ParagraphTraits.ALIGNMENT)
        .ifPresent(a -> x.attribute("fo:text-align", alignment(a, rtl)));
    look.get(ParagraphTraits.INDENT_START)
        .ifPresent(v -> x.attribute(rtl ? "fo:margin-right" : "fo:margin-left", points(v)));
    look.get(ParagraphTraits.INDENT_END)
        .ifPresent(v -> x.attribute(rtl ? "fo:margin-left" : "fo:margin-right", points(v)));
    look.get(ParagraphTraits.SPACE_BEFORE).ifPresent(v -> x.attribute("fo:margin-top", points(v)));
    look.get(ParagraphTraits.SPACE_AFTER)
        .ifPresent(v -> x.attribute("fo:margin-bottom", points(v)));
    look.get(ParagraphTraits.FIRST_LINE).ifPresent(v -> x.attribute("fo:text-indent", points(v)));
    look.get(ParagraphTraits.CONTEXTUAL_SPACING)
        .ifPresent(v -> x.attribute("style:contextual-spacing", v.toString()));
    look.get(ParagraphTraits.LINE_PITCH).ifPresent(p -> pitch(x, p));
    look.get(ParagraphTraits.KEEP_WITH_NEXT)
        .ifPresent(v -> x.attribute("fo:keep-with-next", v ? "always" : "auto"));
    look.get(ParagraphTraits.KEEP_TOGETHER)
        .ifPresent(v -> x.attribute("fo:keep-together", v ? "always" : "auto"));
    look.get(ParagraphTraits.WIDOW_CONTROL)
        .ifPresent(
            v -> x.attribute("fo:widows", v ? "2" : "0").attribute("fo:orphans", v ? "2" : "0"));
    look.get(ParagraphTraits.SHADING).ifPresent(c -> x.attribute("fo:background-color", fill(c)));
    if (look.sets(ParagraphTraits.RULES)) {
      rules(x, look.value(ParagraphTraits.RULES), rtl);
    }
    look.get(ParagraphTraits.SNAP_TO_GRID)
        .ifPresent(v -> x.attribute("style:snap-to-layout-grid", v.toString()));
    x.raw(more);
    String tabs = tabs(look, inForce);
    if (x.isEmpty() && tabs.isEmpty()) {
      return "";
    }
    return "<style:paragraph-properties"
        + x
        + (tabs.isEmpty() ? "/>" : ">" + tabs + "</style:paragraph-properties>");
  }

  /** Sides are told by their names, which mean the same in either direction. */
  private static String alignment(Alignment a, boolean rtl) {
    return switch (a) {
      case START -> rtl ? "right" : "start";
      case CENTRE -> "center";
      case END -> rtl ? "left" : "end";
      case JUSTIFIED -> "justify";
    };
  }

  private static void pitch(Xml x, LinePitch p) {
    switch (p) {
      case LinePitch.Multiple m -> x.attribute("fo:line-height", percent(m.factor()));
      case LinePitch.AtLeast a -> x.attribute("style:line-height-at-least", points(a.points()));
      case LinePitch.Exactly e -> x.attribute("fo:line-height", points(e.points()));
    }
  }

  static void rules(Xml x, Rules r, boolean rtl) {
    side(x, "top", r.top());
    side(x, "right", rtl ? r.start() : r.end());
    side(x, "bottom", r.bottom());
    side(x, "left", rtl ? r.end() : r.start());
  }

  private static void side(Xml x, String side, Optional<Rule> rule) {
    if (rule.isEmpty()) {
      return;
    }
    Rule r = rule.get();
    x.attribute("fo:border-" + side, border(r));
    if (r.isDrawn()) {
      x.attribute("fo:padding-" + side, points(r.space()));
      if (r.kind() == Rule.Kind.DOUBLE) {
        String each = points(r.width());
        x.attribute("style:border-line-width-" + side, each + " " + each + " " + each);
      }
    }
  }

  /** A line as one value (§20.183). */
  static String border(Rule r) {
    if (!r.isDrawn()) {
      return "none";
    }
    String kind =
        switch (r.kind()) {
          case SINGLE -> "solid";
          case DOUBLE -> "double";
          case DOTTED -> "dotted";
          case DASHED -> "dashed";
        };
    return points(r.extent()) + " " + kind + " " + hash(r.colour());
  }

  /** Stops stand at distances from the indent, and all that hold are said where any is. */
  private static String tabs(Look look, Look inForce) {
    boolean said = look.sets(ParagraphTraits.TABS);
    List<TabStop> all =
        inForce.value(ParagraphTraits.TABS).stream()
            .filter(t -> t.kind() != TabStop.Kind.CLEAR)
            .toList();
    if (!said && (all.isEmpty() || !look.sets(ParagraphTraits.INDENT_START))) {
      return "";
    }
    double from = inForce.value(ParagraphTraits.INDENT_START);
    var x = new Xml().raw("<style:tab-stops>");
    for (TabStop t : all) {
      boolean leads = t.leader() != TabStop.Leader.NONE;
      x.empty(
          "style:tab-stop",
          "style:position",
          points(t.at() - from),
          "style:type",
          switch (t.kind()) {
            case CENTRE -> "center";
            case RIGHT -> "right";
            case DECIMAL -> "char";
            case LEFT, CLEAR -> "";
          },
          "style:char",
          t.kind() == TabStop.Kind.DECIMAL ? "." : "",
          "style:leader-style",
          leads ? t.leader() == TabStop.Leader.UNDERSCORE ? "solid" : "dotted" : "",
          "style:leader-text",
          t.leader().sign());
    }
    return x.raw("</style:tab-stops>").toString();
  }
}
