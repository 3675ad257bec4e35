package decant.model.look;

import java.util.List;

/** The traits of runs of text. */
public final class TextTraits {
  /** Whether text stands on the line, above or below it. */
  public enum Raise {
    NONE,
    SUPERSCRIPT,
    SUBSCRIPT
  }

  public static final Trait<String> FAMILY = new Trait<>("family", "Liberation Serif");

  /** Size in points. */
  public static final Trait<Double> SIZE = new Trait<>("size", 10.0);

  /** How an underline is drawn where there is one. */
  public enum UnderlineKind {
    SINGLE,
    DOUBLE,
    THICK,
    DOTTED,
    DASHED,
    WAVE,
    /** Under words, not under the spaces between them. */
    WORDS
  }

  public static final Trait<Boolean> BOLD = new Trait<>("bold", false);
  public static final Trait<Boolean> ITALIC = new Trait<>("italic", false);
  public static final Trait<Boolean> UNDERLINE = new Trait<>("underline", false);
  public static final Trait<Boolean> STRIKE = new Trait<>("strike", false);
  public static final Trait<Boolean> ALL_CAPS = new Trait<>("all-caps", false);
  public static final Trait<UnderlineKind> UNDERLINE_KIND =
      new Trait<>("underline-kind", UnderlineKind.SINGLE);

  /** Lower-case letters as capitals of a smaller size. */
  public static final Trait<Boolean> SMALL_CAPS = new Trait<>("small-caps", false);

  public static final Trait<Boolean> DOUBLE_STRIKE = new Trait<>("double-strike", false);

  /** Extra distance after each character, in points; negative draws them together. */
  public static final Trait<Double> LETTER_SPACING = new Trait<>("letter-spacing", 0.0);

  /** No size is so large that pairs of characters are drawn together. */
  public static final double NEVER_KERNED = Double.POSITIVE_INFINITY;

  /**
   * The least size in points from which on pairs of characters are drawn together as the font has
   * it; {@link #NEVER_KERNED} for none.
   */
  public static final Trait<Double> KERNING = new Trait<>("kerning", 0.0);

  /** Whether letters are joined into one shape as the font has it (fi, ffl). */
  public static final Trait<Boolean> LIGATURES = new Trait<>("ligatures", true);

  /** How far text is raised above the line without becoming smaller, in points. */
  public static final Trait<Double> SHIFT = new Trait<>("shift", 0.0);

  public static final Trait<Boolean> HIDDEN = new Trait<>("hidden", false);
  public static final Trait<Colour> COLOUR = new Trait<>("colour", Colour.BLACK);

  /** Background behind the text; white stands for none. */
  public static final Trait<Colour> HIGHLIGHT = new Trait<>("highlight", Colour.WHITE);

  public static final Trait<Raise> RAISE = new Trait<>("raise", Raise.NONE);

  /** BCP 47 language tag; empty for unknown. */
  public static final Trait<String> LANGUAGE = new Trait<>("language", "");

  /** The id of a named character style; empty for none. */
  public static final Trait<String> CHARACTER_STYLE = new Trait<>("character-style", "");

  /** Where the text leads. Has no meaningful initial value: ask with {@link Look#get}. */
  public static final Trait<Link> LINK = new Trait<>("link", new Link.Internal(""));

  /**
   * The colour of a thin frame that viewers of PDF draw around the link that the text is in (ISO
   * 32000-1 §12.5.4). Has no meaningful initial value: ask with {@link Look#get}.
   */
  public static final Trait<Colour> LINK_FRAME = new Trait<>("link-frame", Colour.BLACK);

  /** What was noted about the text. */
  public static final Trait<List<Comment>> COMMENTS = new Trait<>("remarks", List.of());

  /**
   * That the text is what a place to fill in holds. Has no meaningful initial value: ask with
   * {@link Look#get}.
   */
  public static final Trait<FormField> FIELD =
      new Trait<>("blank", new FormField("", "", FormField.Kind.TEXT, List.of(), 0, ""));

  /** Run properties a reader kept without understanding them. */
  public static final Trait<List<Kept>> KEPT = new Trait<>("kept-run", List.of());

  /** All that letters look like, and what they are written in. */
  public static final List<Trait<?>> OF_LETTERS =
      List.of(
          FAMILY,
          SIZE,
          BOLD,
          ITALIC,
          UNDERLINE,
          UNDERLINE_KIND,
          STRIKE,
          DOUBLE_STRIKE,
          ALL_CAPS,
          SMALL_CAPS,
          LETTER_SPACING,
          KERNING,
          SHIFT,
          HIDDEN,
          COLOUR,
          HIGHLIGHT,
          RAISE,
          LANGUAGE);

  private TextTraits() {}
}
