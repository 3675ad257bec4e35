package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.model.look.Typesetting;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The style sheet (Rich Text Format 1.9.1, “Style Sheet”). Its styles say everything, and so does
 * each paragraph again; taken in they say what is new.
 */
final class RtfStyles {
  /** Letters of 12 points where nothing is said, as the format has it. */
  static final StyleSheet BARE =
      new StyleSheet(
          Look.PLAIN,
          Look.of(TextTraits.FAMILY, "Times New Roman")
              .with(TextTraits.SIZE, 12.0)
              .with(TextTraits.KERNING, TextTraits.NEVER_KERNED),
          "",
          Map.of());

  private static final int NONE = 222; // the number of no style
  private static final int DEEPEST = 32; // styles do not stand deeper on one another
  private static final Pattern HEADING = Pattern.compile("(?i)heading ([1-9])");

  /** A style as it was told. */
  private record Told(
      String name, boolean ofText, int based, int next, Look text, Look paragraph, int level) {}

  private final Map<Integer, Told> told = new LinkedHashMap<>();
  private final Map<Integer, Told> ofText = new LinkedHashMap<>();

  // Of the style that is told of.
  private final StringBuilder name = new StringBuilder();
  private int within;
  private int number;
  private boolean forText;
  private int based = NONE;
  private int next = NONE;

  /** The sheet begins. @param groups how many groups it stands in */
  void opens(int groups) {
    within = groups;
  }

  /** Whether a group that stands in so many is that of a style. */
  boolean isStyle(int groups) {
    return groups == within + 1;
  }

  /** A style is told of from here on; the usual one need not say its number. */
  void begins() {
    name.setLength(0);
    number = 0;
    forText = false;
    based = NONE;
    next = NONE;
  }

  /** A command about a style itself. @return whether it is one */
  boolean takes(Command c, int value) {
    switch (c) {
      case s -> number = value;
      case cs -> {
        number = value;
        forText = true;
      }
      case sbasedon -> based = value;
      case snext -> next = value;
      default -> {
        return false;
      }
    }
    return true;
  }

  void text(String s) {
    name.append(s);
  }

  /** The style that was told of ends. */
  void ends(RtfState state) {
    String called = name.toString().replaceFirst(";\\s*$", "").strip();
    if (called.isEmpty()) {
      return;
    }
    Matcher m = HEADING.matcher(called);
    int level = m.lookingAt() ? Integer.parseInt(m.group(1)) : state.place().level();
    (forText ? ofText : told)
        .put(
            number,
            new Told(
                called, forText, based, next, state.letters().look(), state.place().look(), level));
    name.setLength(0);
  }

  /** The level of headings that a style is for; 0 for none. */
  int level(int style) {
    Told t = told.get(style);
    return t == null ? 0 : Math.max(0, t.level);
  }

  /** How a style is called by looks; empty if there is none of that number. */
  Optional<String> id(int style) {
    return told.containsKey(style) ? Optional.of("s" + style) : Optional.empty();
  }

  /** How a style of text is called by looks; empty if there is none of that number. */
  Optional<String> textId(int style) {
    return ofText.containsKey(style) ? Optional.of("cs" + style) : Optional.empty();
  }

  /** All of them as styles that say what is new, over what holds where nothing is said. */
  StyleSheet sheet(Look paragraphs, Look texts, Typesetting typesetting) {
    var styles = new LinkedHashMap<String, NamedStyle>();
    told.forEach((n, t) -> styles.put("s" + n, style("s" + n, t, paragraphs, texts)));
    ofText.forEach((n, t) -> styles.put("cs" + n, textStyle("cs" + n, t)));
    return new StyleSheet(paragraphs, texts, told.containsKey(0) ? "s0" : "", styles, typesetting);
  }

  private NamedStyle style(String id, Told t, Look paragraphs, Look texts) {
    Optional<Told> base = base(t);
    Look belowParagraph = base.map(b -> whole(b).over(paragraphs)).orElse(paragraphs);
    Look belowText = base.map(b -> b.text.over(texts)).orElse(texts);
    return new NamedStyle(
            id,
            t.name,
            NamedStyle.Kind.PARAGRAPH,
            base.map(b -> "s" + t.based),
            differing(whole(t).over(paragraphs), belowParagraph),
            t.text.over(texts).differing(belowText, TextTraits.OF_LETTERS),
            List.of())
        .withNext(told.containsKey(t.next) ? Optional.of("s" + t.next) : Optional.empty());
  }

  /** A style of text says what it adds. */
  private static NamedStyle textStyle(String id, Told t) {
    return new NamedStyle(
        id, t.name, NamedStyle.Kind.CHARACTER, Optional.empty(), Look.PLAIN, t.text, List.of());
  }

  private static Look whole(Told t) {
    return t.level > 0 ? t.paragraph.with(ParagraphTraits.HEADING_LEVEL, t.level) : t.paragraph;
  }

  /** The style that another stands on, unless that stands on it again. */
  private Optional<Told> base(Told t) {
    Told first = told.get(t.based);
    Told at = first;
    for (int k = 0; at != null && k < DEEPEST; k++) {
      if (at == t) {
        return Optional.empty();
      }
      at = told.get(at.based);
    }
    return at == null ? Optional.ofNullable(first) : Optional.empty();
  }

  /** What a paragraph says that does not hold below it. */
  static Look differing(Look whole, Look below) {
    Look all =
        whole
            .with(
                ParagraphTraits.TABS,
                ParagraphTraits.tabsInsteadOf(
                    below.value(ParagraphTraits.TABS), whole.value(ParagraphTraits.TABS)))
            .with(ParagraphTraits.RULES, rules(whole, below));
    return all.differing(below, ParagraphTraits.OF_PARAGRAPHS);
  }

  /** Sides add up. */
  private static Rules rules(Look whole, Look below) {
    Rules own = whole.value(ParagraphTraits.RULES);
    Rules b = below.value(ParagraphTraits.RULES);
    return new Rules(
        side(own.top(), b.top()),
        side(own.end(), b.end()),
        side(own.bottom(), b.bottom()),
        side(own.start(), b.start()),
        side(own.insideAcross(), b.insideAcross()),
        side(own.insideDown(), b.insideDown()));
  }

  private static Optional<Rule> side(Optional<Rule> own, Optional<Rule> below) {
    return own.isEmpty() && below.filter(Rule::isDrawn).isPresent() ? Optional.of(Rule.NONE) : own;
  }
}
