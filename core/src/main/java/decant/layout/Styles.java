package decant.layout;

import decant.model.Paragraph;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.text.FontBook;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Resolves looks into styles and remembers the answers; one for each style sheet. */
final class Styles {
  /** What the style of a table gives to the paragraphs of a cell and to their text. */
  record CellLooks(Look paragraphs, Look texts) {
    static final CellLooks NONE = new CellLooks(Look.PLAIN, Look.PLAIN);
  }

  private final StyleSheet sheet;
  private final Map<String, ListDefinition> lists;
  private final FontBook fonts;
  private final CellLooks cell;
  private final Map<Look, Look> paragraphLooks = new HashMap<>();
  private final Map<Look, ParagraphStyle> paragraphs = new HashMap<>();
  private final Map<Look, Look> bases = new HashMap<>();
  private final Map<TextKey, TextStyle> texts = new HashMap<>();

  private record TextKey(Look base, Look direct) {}

  Styles(StyleSheet sheet, Map<String, ListDefinition> lists, FontBook fonts) {
    this(sheet, lists, fonts, CellLooks.NONE);
  }

  private Styles(
      StyleSheet sheet, Map<String, ListDefinition> lists, FontBook fonts, CellLooks cell) {
    this.sheet = sheet;
    this.lists = lists;
    this.fonts = fonts;
    this.cell = cell;
  }

  /** The styles of paragraphs in a cell of a table whose style gives them looks. */
  Styles in(CellLooks other) {
    return new Styles(sheet, lists, fonts, other);
  }

  StyleSheet sheet() {
    return sheet;
  }

  Map<String, ListDefinition> lists() {
    return lists;
  }

  FontBook fonts() {
    return fonts;
  }

  /**
   * All paragraph traits in force: direct, over those of the list level, over those of the named
   * style.
   */
  Look paragraphLook(Paragraph p) {
    return paragraphLooks.computeIfAbsent(
        p.look(), direct -> sheet.paragraphLook(direct, cell.paragraphs(), lists));
  }

  /** The level of the list that a paragraph is an item of. */
  Optional<ListDefinition.Level> level(Paragraph p) {
    ListMembership member = paragraphLook(p).value(ParagraphTraits.LIST);
    return Optional.ofNullable(lists.get(member.list())).map(l -> l.level(member.depth()));
  }

  ParagraphStyle paragraph(Paragraph p) {
    return paragraphs.computeIfAbsent(paragraphLook(p), ParagraphStyle::of);
  }

  Look base(Paragraph p) {
    return bases.computeIfAbsent(p.look(), look -> sheet.textBase(look, cell.texts()));
  }

  TextStyle text(Look base, Look direct) {
    return texts.computeIfAbsent(
        new TextKey(base, direct), k -> TextStyle.of(sheet.textLook(k.base(), k.direct()), fonts));
  }

  /** The style of text in a paragraph. */
  TextStyle text(Paragraph p, Look direct) {
    return text(base(p), direct);
  }

  /** The style of a paragraph's end, which an empty paragraph is as high as. */
  TextStyle end(Paragraph p) {
    return text(base(p), p.endLook());
  }

  /** The style of a list's label: the level's own look over that of the paragraph's end. */
  TextStyle label(Paragraph p) {
    Look own = level(p).map(ListDefinition.Level::label).orElse(Look.PLAIN);
    Look end = p.endLook().isPlain() ? p.lookAt(0) : p.endLook();
    return text(base(p), own.over(end.without(TextTraits.CHARACTER_STYLE))).forLabel();
  }

  /**
   * Whether text that names a character style, and items of lists, come out the same under both.
   */
  boolean sameCharacterStyles(Styles other) {
    return lists.equals(other.lists)
        && sheet.typesetting().equals(other.sheet.typesetting())
        && characterStyles(sheet).equals(characterStyles(other.sheet));
  }

  private static List<NamedStyle> characterStyles(StyleSheet sheet) {
    return sheet.styles().values().stream()
        .filter(s -> s.kind() == NamedStyle.Kind.CHARACTER)
        .toList();
  }
}
