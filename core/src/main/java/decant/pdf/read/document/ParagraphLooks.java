package decant.pdf.read.document;

import decant.model.PageSetup;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.ParagraphTraits.TabStop;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.detected.Edges;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.LookMaker;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What a paragraph looks like by where its lines stand: alignment, indents, tabs, space. */
final class ParagraphLooks {
  private final StyleMaker styles;
  private final FoundLists lists;
  private final boolean justified;

  ParagraphLooks(StyleMaker styles, FoundLists lists, List<Detected> found) {
    this.styles = styles;
    this.lists = lists;
    this.justified = isJustified(found);
  }

  /** The gap to the block before, where that stands above it; what suits its kind elsewhere. */
  double spaceBefore(Detected.Text t, @Nullable Detected before) {
    boolean heading = t.kind() == Detected.Kind.HEADING;
    boolean below =
        before != null
            && before.page() == t.page()
            && before.box().y() < t.box().y()
            && before.box().x() < t.right()
            && before.box().right() > t.left();
    if (before == null || !below) {
      return heading && before != null ? Math.max(10, t.spaceBefore()) : t.spaceBefore();
    }
    return before instanceof Detected.Text
        ? Math.min(60, t.spaceBefore() + stretched(t))
        : Math.clamp(
            t.box().y()
                - before.box().bottom()
                - t.size() * DocumentThresholds.ParagraphLooks.BELOW_TABLE,
            4,
            60);
  }

  /** How much farther apart single lines stand than the pitch that they are set in here. */
  private double stretched(Detected.Text t) {
    boolean single = t.lines().size() == 1 && t.kind() == Detected.Kind.PARAGRAPH;
    double set = styles.pitch(t.size());
    return single ? Math.max(0, t.pitch() - set) : 0;
  }

  /**
   * Whether a page was ended on purpose before a block: there was room for it and more. A heading
   * that is kept with its text needs some room too.
   */
  boolean beginsPage(Detected.Text t, @Nullable Detected before, PageSetup setup) {
    if (before == null || before.page() != t.page() - 1 || setup.columns().count() > 1) {
      return false;
    }
    double left = setup.height() - setup.margins().bottom() - before.box().bottom();
    boolean heading = t.kind() == Detected.Kind.HEADING;
    double needed =
        t.box().height()
            + (heading ? DocumentThresholds.ParagraphLooks.ROOM_BELOW_HEADING * t.size() : 0);
    return left
        > Math.max(
            needed,
            (heading
                    ? DocumentThresholds.ParagraphLooks.LEFT_BY_HEADING
                    : DocumentThresholds.ParagraphLooks.LEFT_BY_TEXT)
                * setup.textHeight());
  }

  Look alignment(Detected.Text t, Look before, Edges edges, PageSetup setup) {
    Look look = before;
    List<TextLine> lines = t.lines();
    double size = t.size();
    TextLine first = lines.getFirst();
    boolean centred =
        lines.stream()
            .allMatch(l ->
                Math.abs(edges.start(l) - edges.end(l)) / 2
                        < size * DocumentThresholds.ParagraphLooks.CENTRED
                    && edges.start(l) > size);
    if (centred && t.kind() != Detected.Kind.ITEM) {
      return look.with(ParagraphTraits.ALIGNMENT, Alignment.CENTRE);
    }
    boolean flushEnd =
        edges.start(first) > (t.right() - t.left()) * DocumentThresholds.ParagraphLooks.AT_END
            && lines.stream()
                .allMatch(
                    l -> Math.abs(edges.end(l)) < size * DocumentThresholds.ParagraphLooks.CENTRED);
    if (flushEnd && t.kind() != Detected.Kind.ITEM) {
      double middle = setup.margins().left() + setup.textWidth() / 2;
      boolean onPage =
          lines.stream()
              .allMatch(l ->
                  Math.abs(l.box().x() + l.box().width() / 2 - middle)
                      < size * DocumentThresholds.ParagraphLooks.CENTRED);
      return look.with(ParagraphTraits.ALIGNMENT, onPage ? Alignment.CENTRE : Alignment.END);
    }
    long full =
        lines.stream()
            .limit(lines.size() - 1L)
            .filter(l -> Math.abs(edges.end(l)) < size * DocumentThresholds.ParagraphLooks.FLUSH)
            .count();
    if (lines.size() > (justified ? 1 : 2) && full == lines.size() - 1L) {
      look = look.with(ParagraphTraits.ALIGNMENT, Alignment.JUSTIFIED);
    }
    if (t.kind() == Detected.Kind.PARAGRAPH) {
      double rest = edges.indent(lines.get(lines.size() > 1 ? 1 : 0));
      double indent = rest > 3 && rest < 250 ? rest : 0;
      if (indent > 0) {
        look = look.with(ParagraphTraits.INDENT_START, LookMaker.halves(indent));
      }
      // A line may hang out of its paragraph, not out of the page.
      double firstLine = Math.max(edges.indent(first) - rest, -indent);
      if (Math.abs(firstLine) > 3 && lines.size() > 1 && firstLine < 250) {
        look = look.with(ParagraphTraits.FIRST_LINE, LookMaker.halves(firstLine));
      }
    }
    return look;
  }

  /** Whether most paragraphs with lines enough to tell end flush at both edges. */
  private static boolean isJustified(List<Detected> found) {
    int flush = 0;
    int all = 0;
    for (Detected f : found) {
      if (f instanceof Detected.Text t
          && t.kind() == Detected.Kind.PARAGRAPH
          && t.lines().size() > 3) {
        List<TextLine> whole = t.lines().subList(0, t.lines().size() - 1);
        double right = whole.stream().mapToDouble(l -> l.box().right()).max().orElse(0);
        double left = whole.stream().mapToDouble(l -> l.box().right()).min().orElse(0);
        all++;
        flush += right - left < t.size() * DocumentThresholds.ParagraphLooks.FLUSH ? 1 : 0;
      }
    }
    return flush * 2 > all;
  }

  Look item(Detected.Text t, Look look, Edges edges) {
    int depth = Math.max(0, t.level() - 1);
    double indent = Math.max(12, edges.indent(t.lines().getFirst()));
    String list = lists.idFor(t.marker(), depth);
    return look.with(ParagraphTraits.LIST, new ListMembership(list, depth))
        .with(ParagraphTraits.INDENT_START, LookMaker.halves(Math.min(indent, 200)))
        .with(
            ParagraphTraits.FIRST_LINE,
            -Math.min(t.size() * DocumentThresholds.ParagraphLooks.LABEL, indent));
  }

  /**
   * What stands beyond gaps in a line keeps its place: blanks to fill in stand below each other.
   */
  static Look tabbed(Detected.Text t, Look look, Edges edges) {
    if (t.lines().size() != 1 || t.kind() != Detected.Kind.PARAGRAPH || edges.rightToLeft()) {
      return look;
    }
    var stops = new ArrayList<TabStop>();
    List<Glyph> glyphs = t.lines().getFirst().glyphs();
    for (int k = 0; k + 1 < glyphs.size(); k++) {
      double at = edges.indentAt(glyphs.get(k + 1).x());
      if (glyphs.get(k).ink().decor().leader()) {
        double end = edges.indentAt(t.lines().getFirst().box().right());
        stops.add(new TabStop(LookMaker.halves(end), TabStop.Kind.RIGHT, TabStop.Leader.DOT));
      } else if (glyphs.get(k).text().equals("\t") && at > 0) {
        stops.add(new TabStop(LookMaker.halves(at), TabStop.Kind.LEFT, TabStop.Leader.NONE));
      }
    }
    return stops.isEmpty() ? look : look.with(ParagraphTraits.TABS, List.copyOf(stops));
  }
}
