package decant.model;

import java.util.LinkedHashMap;
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
    Map<String, NamedStyle> styles) {
  private static final int DEEPEST = 32; // a longer chain is a cycle

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
    return new StyleSheet(paragraphDefaults, textDefaults, defaultStyle, copy);
  }

  /** The paragraph traits in force for a paragraph with this direct look. */
  public Look paragraphLook(Look direct) {
    return direct.over(chain(styleOf(direct), true).over(paragraphDefaults));
  }

  /** The text traits that a paragraph with this direct look gives to text that sets none. */
  public Look textBase(Look paragraphDirect) {
    return chain(styleOf(paragraphDirect), false).over(textDefaults);
  }

  /** The text traits in force for text with this direct look in a paragraph with that base. */
  public Look textLook(Look base, Look direct) {
    String style = direct.value(TextTraits.CHARACTER_STYLE);
    return direct.over(style.isEmpty() ? base : chain(style, false).over(base));
  }

  private String styleOf(Look paragraphDirect) {
    String id = paragraphDirect.value(ParagraphTraits.STYLE);
    return id.isEmpty() || !styles.containsKey(id) ? defaultStyle : id;
  }

  private Look chain(String id, boolean paragraph) {
    Look look = Look.PLAIN;
    String next = id;
    for (int depth = 0; depth < DEEPEST; depth++) {
      NamedStyle style = styles.get(next);
      if (style == null) {
        break;
      }
      look = look.over(paragraph ? style.paragraph() : style.text());
      if (style.basedOn().isEmpty()) {
        break;
      }
      next = style.basedOn().get();
    }
    return look;
  }
}
