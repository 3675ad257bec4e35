package decant.model.look;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The named styles of a document and the looks below them all. Cascades follow ISO/IEC 29500-1
 * §17.7.2: defaults, then the style's ancestors from the root, then the style, then what is set
 * directly.
 *
 * @param defaultStyle id of the paragraph style of paragraphs that name none
 */
public record StyleSheet(
    Look paragraphDefaults,
    Look textDefaults,
    String defaultStyle,
    Map<String, NamedStyle> styles,
    Typesetting typesetting) {
  private static final int DEEPEST = 32; // a longer chain is a cycle

  /**
   * Traits that are switched over where a character style sets what the paragraph's style has set
   * already (§17.7.3).
   */
  private static final List<Trait<Boolean>> TOGGLES =
      List.of(
          TextTraits.BOLD,
          TextTraits.ITALIC,
          TextTraits.ALL_CAPS,
          TextTraits.SMALL_CAPS,
          TextTraits.STRIKE,
          TextTraits.HIDDEN);

  /** A style sheet for documents that ask nothing of the setting as a whole. */
  public StyleSheet(
      Look paragraphDefaults,
      Look textDefaults,
      String defaultStyle,
      Map<String, NamedStyle> styles) {
    this(paragraphDefaults, textDefaults, defaultStyle, styles, Typesetting.PLAIN);
  }

  public StyleSheet {
    styles = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(styles));
  }

  /** A style by id. */
  public Optional<NamedStyle> style(String id) {
    return Optional.ofNullable(styles.get(id));
  }

  /** This sheet with one style added or replaced. */
  public StyleSheet with(NamedStyle style) {
    var copy = new LinkedHashMap<>(styles);
    copy.put(style.id(), style);
    return new StyleSheet(paragraphDefaults, textDefaults, defaultStyle, copy, typesetting);
  }

  /** This sheet without a style. */
  public StyleSheet without(String id) {
    var copy = new LinkedHashMap<>(styles);
    copy.remove(id);
    return new StyleSheet(paragraphDefaults, textDefaults, defaultStyle, copy, typesetting);
  }

  /** This sheet for documents that ask this of the setting as a whole. */
  public StyleSheet withTypesetting(Typesetting other) {
    return new StyleSheet(paragraphDefaults, textDefaults, defaultStyle, styles, other);
  }

  /** The paragraph traits in force for a paragraph with this direct look. */
  public Look paragraphLook(Look direct) {
    return paragraphLook(direct, Look.PLAIN, Map.of());
  }

  /**
   * The paragraph traits in force for a paragraph in a table whose style gives some, which stand
   * between the defaults and the paragraph's own style. What the level of a list gives stands just
   * below whatever makes the paragraph an item: the direct look, or the style that says so
   * (§17.9.22).
   */
  public Look paragraphLook(Look direct, Look fromTable, Map<String, ListDefinition> lists) {
    Look style =
        direct.sets(ParagraphTraits.LIST)
            ? chain(styleOf(direct), Map.of())
            : chain(styleOf(direct), lists);
    Look below = style.over(fromTable.over(paragraphDefaults));
    return direct.over(levelLook(direct, lists).over(below));
  }

  private static Look levelLook(Look look, Map<String, ListDefinition> lists) {
    if (lists.isEmpty() || !look.sets(ParagraphTraits.LIST)) {
      return Look.PLAIN;
    }
    ListMembership member = look.value(ParagraphTraits.LIST);
    ListDefinition list = lists.get(member.list());
    return list == null ? Look.PLAIN : list.level(member.depth()).paragraph();
  }

  /** The text traits that a paragraph with this direct look gives to text that sets none. */
  public Look textBase(Look paragraphDirect) {
    return textBase(paragraphDirect, Look.PLAIN);
  }

  /** The same for a paragraph in a table whose style gives some text traits. */
  public Look textBase(Look paragraphDirect, Look fromTable) {
    return texts(styleOf(paragraphDirect)).over(fromTable.over(textDefaults));
  }

  /** The text traits in force for text with this direct look in a paragraph with that base. */
  public Look textLook(Look base, Look direct) {
    String style = direct.value(TextTraits.CHARACTER_STYLE);
    if (style.isEmpty()) {
      return direct.over(base);
    }
    Look own = texts(style);
    Look look = own.over(base);
    for (Trait<Boolean> t : TOGGLES) {
      if (own.value(t) && base.value(t)) {
        look = look.with(t, textDefaults.value(t));
      }
    }
    return direct.over(look);
  }

  private String styleOf(Look paragraphDirect) {
    String id = paragraphDirect.value(ParagraphTraits.STYLE);
    return id.isEmpty() || !styles.containsKey(id) ? defaultStyle : id;
  }

  private Look chain(String id, Map<String, ListDefinition> lists) {
    Look look = Look.PLAIN;
    Optional<NamedStyle> next = style(id);
    boolean listed = false;
    for (int depth = 0; depth < DEEPEST && next.isPresent(); depth++) {
      Look own = next.get().paragraph();
      look = look.over(own);
      if (!listed && own.sets(ParagraphTraits.LIST)) {
        listed = true;
        look = look.over(levelLook(own, lists));
      }
      next = next.get().basedOn().flatMap(this::style);
    }
    return look;
  }

  private Look texts(String id) {
    Look look = Look.PLAIN;
    Optional<NamedStyle> next = style(id);
    for (int depth = 0; depth < DEEPEST && next.isPresent(); depth++) {
      look = look.over(next.get().text());
      next = next.get().basedOn().flatMap(this::style);
    }
    return look;
  }
}
