package decant.office.odf;

import decant.model.look.ListDefinition;
import decant.model.look.ListDefinition.Follow;
import decant.model.look.ListDefinition.Level;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.ParagraphTraits.TabStop;
import decant.office.odf.markup.Measures;
import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** List styles (ODF 1.3 part 3, §16.30) and the numbering of headings (§16.34). */
final class OdfLists {
  private static final int LEVELS = 9;

  private final OdfStyles styles;
  private final OdfStyles.Scope scope;

  OdfLists(OdfStyles styles, OdfStyles.Scope scope) {
    this.styles = styles;
    this.scope = scope;
  }

  /** The levels of a list style; of bullets where there is no such style. */
  List<Level> levels(Optional<String> style) {
    Optional<Element> e = styles.style("list", style, scope);
    return e.isPresent() ? levels(e.get()) : ListDefinition.marked("", "•").levels();
  }

  List<Level> levels(Element style) {
    Map<Integer, Element> own = new HashMap<>();
    for (Element e : style.elements()) {
      Measures.whole(e.attribute("text:level")).ifPresent(l -> own.putIfAbsent(l - 1, e));
    }
    var out = new ArrayList<Level>();
    for (int k = 0; k < LEVELS; k++) {
      Element e = own.get(k);
      out.add(e == null ? unsaid() : level(e, k));
    }
    return out;
  }

  private static Level unsaid() {
    return new Level(NumberFormat.NONE, "", 1, Look.PLAIN, Look.PLAIN);
  }

  private Level level(Element e, int depth) {
    boolean bullet = e.name().equals("text:list-level-style-bullet");
    boolean picture = e.name().equals("text:list-level-style-image");
    NumberFormat format =
        bullet || picture
            ? NumberFormat.BULLET
            : format(e.attribute("style:num-format").orElse(""));
    String pattern =
        picture
            ? "•"
            : bullet ? bullet(e.attribute("text:bullet-char").orElse("•")) : pattern(e, depth);
    Look label = styles.text(e.attribute("text:style-name"), scope, 12);
    label = e.child("style:text-properties").map(styles::text).orElse(Look.PLAIN).over(label);
    if (bullet) {
      // The bullet is drawn by a sign that every font has or that stands in for it.
      label = label.without(decant.model.look.TextTraits.FAMILY);
    }
    Optional<Element> p = e.child("style:list-level-properties");
    Optional<Element> aligned = p.flatMap(x -> x.child("style:list-level-label-alignment"));
    Look indents = aligned.map(OdfLists::aligned).orElseGet(() -> older(p));
    return new Level(
        format,
        pattern,
        Measures.whole(e.attribute("text:start-value")).orElse(1),
        indents,
        label,
        aligned
            .flatMap(a -> a.attribute("text:label-followed-by"))
            .map(OdfLists::follow)
            .orElse(Follow.TAB),
        switch (p.flatMap(x -> x.attribute("fo:text-align")).orElse("start")) {
          case "center" -> Alignment.CENTRE;
          case "end", "right" -> Alignment.END;
          default -> Alignment.START;
        },
        ListDefinition.USUAL_RESTART,
        false);
  }

  private static Follow follow(String word) {
    return switch (word) {
      case "space" -> Follow.SPACE;
      case "nothing" -> Follow.NOTHING;
      default -> Follow.TAB;
    };
  }

  /** §17.20: the indents of the paragraph. */
  private static Look aligned(Element a) {
    Look look = Look.PLAIN;
    look =
        OdfLooks.set(
            look, ParagraphTraits.INDENT_START, Measures.length(a.attribute("fo:margin-left")));
    look =
        OdfLooks.set(
            look, ParagraphTraits.FIRST_LINE, Measures.length(a.attribute("fo:text-indent")));
    Optional<Double> stop = Measures.length(a.attribute("text:list-tab-stop-position"));
    return stop.isEmpty()
        ? look
        : look.with(
            ParagraphTraits.TABS,
            List.of(new TabStop(stop.get(), TabStop.Kind.LEFT, TabStop.Leader.NONE)));
  }

  /** §17.19: the room of the label, before version 1.2. */
  private static Look older(Optional<Element> p) {
    double before = Measures.length(p.flatMap(x -> x.attribute("text:space-before"))).orElse(0.0);
    double label = Measures.length(p.flatMap(x -> x.attribute("text:min-label-width"))).orElse(0.0);
    return Look.of(ParagraphTraits.INDENT_START, before + label)
        .with(ParagraphTraits.FIRST_LINE, -label);
  }

  /** A list of its own for a list style. */
  static ListDefinition list(String id, List<Level> levels) {
    return new ListDefinition(id, levels);
  }

  static NumberFormat format(String said) {
    return switch (said) {
      case "" -> NumberFormat.NONE;
      case "a" -> NumberFormat.LOWER_LETTER;
      case "A" -> NumberFormat.UPPER_LETTER;
      case "i" -> NumberFormat.LOWER_ROMAN;
      case "I" -> NumberFormat.UPPER_ROMAN;
      case "1st" -> NumberFormat.ORDINAL;
      case "01" -> NumberFormat.TWO_DIGITS;
      default -> NumberFormat.DECIMAL;
    };
  }

  private static String pattern(Element e, int depth) {
    // Later versions say the label whole: "%1%.%2%)".
    Optional<String> whole =
        e.attribute("loext:num-list-format").or(() -> e.attribute("style:num-list-format"));
    if (whole.isPresent()) {
      return whole.get().replaceAll("%(\\d)%", "%$1");
    }
    var b = new StringBuilder(e.attribute("style:num-prefix").orElse(""));
    boolean numbered = e.attribute("style:num-format").filter(f -> !f.isEmpty()).isPresent();
    int shown = Measures.whole(e.attribute("text:display-levels")).orElse(1);
    for (int k = Math.max(0, depth + 1 - shown); numbered && k <= depth; k++) {
      b.append('%').append(k + 1).append(k < depth ? "." : "");
    }
    return b.append(e.attribute("style:num-suffix").orElse("")).toString();
  }

  /** Signs of symbol fonts, which stand under private codes, by signs that look alike. */
  private static String bullet(String sign) {
    if (sign.isEmpty()) {
      return "•";
    }
    return switch (sign.codePointAt(0)) {
      case 0xF0A7, 0xE00A -> "▪";
      case 0xF0D8, 0xE4C4 -> "➢";
      case 0xF0FC -> "✔";
      case 0xF0E0 -> "→";
      default -> Character.getType(sign.codePointAt(0)) == Character.PRIVATE_USE ? "•" : sign;
    };
  }
}
