package decant.model.edit;

import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import java.util.List;
import java.util.Optional;

/** The named styles of headings: finding a sheet's own, or adding ours where it has none. */
public final class HeadingStyles {
  /** Sizes of the levels 1 to 9 in points, used where a document brings no heading styles. */
  private static final double[] SIZES = {20, 15, 12.5, 11.5, 11, 11, 11, 11, 11};

  private HeadingStyles() {}

  /** The sheet, with a paragraph style for the heading level if it had none. */
  public static StyleSheet ensure(StyleSheet sheet, int level) {
    if (level == 0 || find(sheet, level).isPresent()) {
      return sheet;
    }
    return sheet.with(
        new NamedStyle(
            "Heading" + level,
            "heading " + level,
            NamedStyle.Kind.PARAGRAPH,
            Optional.of(sheet.defaultStyle()).filter(s -> !s.isEmpty()),
            Look.of(ParagraphTraits.HEADING_LEVEL, level)
                .with(ParagraphTraits.KEEP_WITH_NEXT, true)
                .with(ParagraphTraits.SPACE_BEFORE, level == 1 ? 18.0 : 14.0)
                .with(ParagraphTraits.SPACE_AFTER, 6.0)
                .with(ParagraphTraits.FIRST_LINE, 0.0)
                .with(ParagraphTraits.ALIGNMENT, ParagraphTraits.Alignment.START),
            Look.of(TextTraits.SIZE, SIZES[level - 1]).with(TextTraits.BOLD, true),
            List.of()));
  }

  /** The id of the sheet's style for a heading level. */
  public static String id(StyleSheet sheet, int level) {
    return find(sheet, level).map(NamedStyle::id).orElse("");
  }

  private static Optional<NamedStyle> find(StyleSheet sheet, int level) {
    return sheet.styles().values().stream()
        .filter(s -> s.kind() == NamedStyle.Kind.PARAGRAPH)
        .filter(s -> s.paragraph().value(ParagraphTraits.HEADING_LEVEL) == level)
        .findFirst();
  }

  /** A text look without what a heading's style decides. */
  static Look bare(Look look) {
    return look.without(TextTraits.SIZE)
        .without(TextTraits.BOLD)
        .without(TextTraits.ITALIC)
        .without(TextTraits.FAMILY)
        .without(TextTraits.COLOUR)
        .without(TextTraits.ALL_CAPS);
  }
}
