package decant.model.edit;

import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Outline;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Section;
import decant.model.Selection;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The contents of a document, made from its headings: an entry each, with leaders to the number of
 * its page, which layout keeps right.
 */
public final class Contents {
  /** Headings of deeper levels have no entry. */
  private static final int DEEPEST = 3;

  private static final double STEP = 14;

  private Contents() {}

  /** Whether a paragraph is an entry of a contents list: its style is one of those for entries. */
  public static boolean isEntry(Document d, Paragraph p) {
    String style = p.look().value(ParagraphTraits.STYLE);
    return d.styles()
        .style(style)
        .filter(s -> s.name().toLowerCase(java.util.Locale.ROOT).matches("toc [1-9]"))
        .isPresent();
  }

  /**
   * Puts the contents in place of those that are there, or before the paragraph that the caret
   * stands in. Nothing changes if there are no headings.
   */
  public static Revision renew(Revision r) {
    Document d = r.document();
    Optional<Place> place = placeOf(d).or(() -> before(d, r.selection().caret()));
    if (place.isEmpty()) {
      return r;
    }
    List<Outline.Heading> headings =
        Outline.headings(d).stream()
            .filter(h -> h.level() <= DEEPEST && !place.get().isTitle(h.paragraph()))
            .toList();
    if (headings.isEmpty()) {
      return r;
    }
    var steps = new ArrayList<Step>();
    StyleSheet styles = d.styles();
    double width = place.get().section().page().textWidth();
    for (int level = 1; level <= DEEPEST; level++) {
      styles = ensure(styles, level, width);
    }
    if (styles != d.styles()) {
      steps.add(new Step.SetStyles(styles));
    }
    var entries = new ArrayList<Block>();
    for (Outline.Heading h : headings) {
      Paragraph p = d.requireParagraph(h.paragraph());
      List<String> names = p.look().value(ParagraphTraits.BOOKMARKS);
      String name = names.isEmpty() ? "_Contents" + p.id().value() : names.getFirst();
      if (names.isEmpty()) {
        Look marked = p.look().with(ParagraphTraits.BOOKMARKS, List.of(name));
        steps.add(new Step.SetParagraphLook(p.id(), marked, p.endLook()));
      }
      entries.add(entry(h, name, styles));
    }
    Place at = place.get();
    steps.add(
        new Step.ReplaceBlocks(
            at.section().id(),
            at.from(),
            at.section().blocks().subList(at.from(), at.to()),
            entries,
            new Position(entries.getFirst().id(), 0)));
    var edit = new Edit("Contents", steps);
    return r.apply(edit, Selection.at(new Position(entries.getFirst().id(), 0)));
  }

  private static Paragraph entry(Outline.Heading h, String bookmark, StyleSheet styles) {
    Look link = Look.of(TextTraits.LINK, new Link.Internal(bookmark));
    return new Paragraph(
        NodeId.fresh(),
        Look.of(ParagraphTraits.STYLE, id(styles, h.level())),
        Look.PLAIN,
        List.of(
            new Inline.Text(h.text() + "\t", link),
            new Inline.Field(Inline.Field.Kind.PAGE_OF, bookmark, "0", link)));
  }

  /** Some blocks of a section. */
  private record Place(Section section, int from, int to) {
    /** Whether a paragraph is what stands right above the entries: their own title. */
    boolean isTitle(NodeId paragraph) {
      return to > from && from > 0 && section.blocks().get(from - 1).id().equals(paragraph);
    }
  }

  private static Optional<Place> placeOf(Document d) {
    for (Section s : d.sections()) {
      for (int k = 0; k < s.blocks().size(); k++) {
        int end = k;
        while (end < s.blocks().size()
            && s.blocks().get(end) instanceof Paragraph p
            && isEntry(d, p)) {
          end++;
        }
        if (end > k) {
          return Optional.of(new Place(s, k, end));
        }
      }
    }
    return Optional.empty();
  }

  private static Optional<Place> before(Document d, Position caret) {
    return d.index()
        .topLevel(caret.paragraph())
        .map(t -> new Place(d.sections().get(t.section()), t.block(), t.block()));
  }

  private static Optional<NamedStyle> find(StyleSheet sheet, int level) {
    return sheet.styles().values().stream()
        .filter(s -> s.name().equalsIgnoreCase("toc " + level))
        .findFirst();
  }

  private static String id(StyleSheet sheet, int level) {
    return find(sheet, level).map(NamedStyle::id).orElse("");
  }

  private static StyleSheet ensure(StyleSheet sheet, int level, double width) {
    if (find(sheet, level).isPresent()) {
      return sheet;
    }
    return sheet.with(
        new NamedStyle(
            "TOC" + level,
            "toc " + level,
            NamedStyle.Kind.PARAGRAPH,
            Optional.of(sheet.defaultStyle()).filter(s -> !s.isEmpty()),
            Look.of(ParagraphTraits.INDENT_START, STEP * (level - 1))
                .with(ParagraphTraits.SPACE_AFTER, 3.0)
                .with(ParagraphTraits.FIRST_LINE, 0.0)
                .with(ParagraphTraits.ALIGNMENT, ParagraphTraits.Alignment.START)
                .with(
                    ParagraphTraits.TABS,
                    List.of(new TabStop(width, TabStop.Kind.RIGHT, TabStop.Leader.DOT))),
            Look.PLAIN,
            List.of()));
  }
}
