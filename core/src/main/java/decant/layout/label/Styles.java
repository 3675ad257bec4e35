package decant.layout.label;

import decant.layout.item.ParagraphStyle;
import decant.layout.item.TextStyle;
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
public final class Styles {
  /** What the style of a table gives to the paragraphs of a cell and to their text. */
  public record CellLooks(Look paragraphs, Look texts) {
    public static final CellLooks NONE = new CellLooks(Look.PLAIN, Look.PLAIN);
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

  public Styles(StyleSheet sheet, Map<String, ListDefinition> lists, FontBook fonts) {
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
  public Styles in(CellLooks other) {
    return new Styles(sheet, lists, fonts, other);
  }

  public StyleSheet sheet() {
    return sheet;
  }

  public Map<String, ListDefinition> lists() {
    return lists;
  }

  public FontBook fonts() {
    return fonts;
  }

  /**
   * All paragraph traits in force: direct, over those of the list level, over those of the named
   * style.
   */
  public Look paragraphLook(Paragraph p) {
    return paragraphLooks.computeIfAbsent(
        p.look(), direct -> sheet.paragraphLook(direct, cell.paragraphs(), lists));
  }

  /** The level of the list that a paragraph is an item of. */
  public Optional<ListDefinition.Level> level(Paragraph p) {
    ListMembership member = paragraphLook(p).value(ParagraphTraits.LIST);
    return Optional.ofNullable(lists.get(member.list())).map(l -> l.level(member.depth()));
  }

  public ParagraphStyle paragraph(Paragraph p) {
    return paragraphs.computeIfAbsent(paragraphLook(p), ParagraphStyle::of);
  }

  public Look base(Paragraph p) {
    return bases.computeIfAbsent(p.look(), look -> sheet.textBase(look, cell.texts()));
  }

  public TextStyle text(Look base, Look direct) {
    return texts.computeIfAbsent(
        new TextKey(base, direct), k -> TextStyle.of(sheet.textLook(k.base(), k.direct()), fonts));
  }

  /** The style of text in a paragraph. */
  public TextStyle text(Paragraph p, Look direct) {
    return text(base(p), direct);
  }

  /** The style of a paragraph's end, which an empty paragraph is as high as. */
  public TextStyle end(Paragraph p) {
    return text(base(p), p.endLook());
  }

  /** The style of a list's label: the level's own look over that of the paragraph's end. */
  public TextStyle label(Paragraph p) {
    Look own = level(p).map(ListDefinition.Level::label).orElse(Look.PLAIN);
    Look end = p.endLook().isPlain() ? p.lookAt(0) : p.endLook();
    return text(base(p), own.over(end.without(TextTraits.CHARACTER_STYLE))).forLabel();
  }

  /**
   * Whether text that names a character style, and items of lists, come out the same under both.
   */
  public boolean sameCharacterStyles(Styles other) {
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
