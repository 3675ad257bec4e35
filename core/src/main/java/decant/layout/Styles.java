package decant.layout;

import decant.model.ListDefinition;
import decant.model.ListMembership;
import decant.model.Look;
import decant.model.NamedStyle;
import decant.model.Paragraph;
import decant.model.ParagraphTraits;
import decant.model.StyleSheet;
import decant.text.FontBook;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Resolves looks into styles and remembers the answers; one for each style sheet. */
final class Styles {
  private final StyleSheet sheet;
  private final Map<String, ListDefinition> lists;
  private final FontBook fonts;
  private final Map<Look, Look> paragraphLooks = new HashMap<>();
  private final Map<Look, ParagraphStyle> paragraphs = new HashMap<>();
  private final Map<Look, Look> bases = new HashMap<>();
  private final Map<TextKey, TextStyle> texts = new HashMap<>();

  private record TextKey(Look base, Look direct) {}

  Styles(StyleSheet sheet, Map<String, ListDefinition> lists, FontBook fonts) {
    this.sheet = sheet;
    this.lists = lists;
    this.fonts = fonts;
  }

  StyleSheet sheet() {
    return sheet;
  }

  Map<String, ListDefinition> lists() {
    return lists;
  }

  /**
   * All paragraph traits in force: direct, over those of the list level, over those of the named
   * style.
   */
  Look paragraphLook(Paragraph p) {
    return paragraphLooks.computeIfAbsent(
        p.look(),
        direct -> {
          Look look = sheet.paragraphLook(direct);
          ListMembership member = look.value(ParagraphTraits.LIST);
          ListDefinition list = lists.get(member.list());
          return list == null
              ? look
              : direct.over(list.level(member.depth()).paragraph().over(look));
        });
  }

  ParagraphStyle paragraph(Paragraph p) {
    return paragraphs.computeIfAbsent(paragraphLook(p), ParagraphStyle::of);
  }

  Look base(Paragraph p) {
    return bases.computeIfAbsent(p.look(), sheet::textBase);
  }

  TextStyle text(Look base, Look direct) {
    return texts.computeIfAbsent(
        new TextKey(base, direct), k -> TextStyle.of(sheet.textLook(k.base(), k.direct()), fonts));
  }

  /**
   * Whether text that names a character style, and items of lists, come out the same under both.
   */
  boolean sameCharacterStyles(Styles other) {
    return lists.equals(other.lists) && characterStyles(sheet).equals(characterStyles(other.sheet));
  }

  private static List<NamedStyle> characterStyles(StyleSheet sheet) {
    return sheet.styles().values().stream()
        .filter(s -> s.kind() == NamedStyle.Kind.CHARACTER)
        .toList();
  }

  FontBook fonts() {
    return fonts;
  }
}
