package decant.layout.item;

import decant.model.look.Colour;
import decant.model.look.LinePitch;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.Rules;
import decant.model.look.TextFrame;
import java.util.List;

/**
 * The paragraph traits in force, all decided. Lengths in points.
 *
 * @param style the id of its named style
 * @param headingLevel from 1; 0 for none
 */
public record ParagraphStyle(
    String style,
    int headingLevel,
    Indents indents,
    Space space,
    LineSetting lines,
    Keeps keeps,
    Area area,
    TextFrame frame) {
  /**
   * How far its lines stand from the edges of the column.
   *
   * @param firstLine how much further in its first line begins; negative where it hangs
   */
  public record Indents(double start, double end, double firstLine) {
    /** Where its outermost line begins. */
    double outermost() {
      return start + Math.min(0, firstLine);
    }
  }

  /**
   * Above and below it.
   *
   * @param autoBefore whether the space above follows from the text around it
   * @param autoAfter whether the space below does
   * @param contextual none between neighbours of one style
   */
  public record Space(
      double before, double after, boolean autoBefore, boolean autoAfter, boolean contextual) {}

  /**
   * How its lines are set.
   *
   * @param snaps whether they keep to the grid of the section
   */
  public record LineSetting(
      Alignment alignment,
      boolean rightToLeft,
      LinePitch pitch,
      List<TabStop> tabs,
      boolean hyphenates,
      boolean snaps) {}

  /** Where pages may break around and within it. */
  public record Keeps(
      boolean withNext, boolean together, boolean pageBreakBefore, boolean widowControl) {}

  /** What is drawn behind and around it. */
  public record Area(Colour shading, Rules rules) {}

  public static final double TOLERANCE = 0.01;

  public static ParagraphStyle of(Look look) {
    return new ParagraphStyle(
        look.value(ParagraphTraits.STYLE),
        look.value(ParagraphTraits.HEADING_LEVEL),
        new Indents(
            look.value(ParagraphTraits.INDENT_START),
            look.value(ParagraphTraits.INDENT_END),
            look.value(ParagraphTraits.FIRST_LINE)),
        new Space(
            look.value(ParagraphTraits.SPACE_BEFORE),
            look.value(ParagraphTraits.SPACE_AFTER),
            look.value(ParagraphTraits.AUTO_BEFORE),
            look.value(ParagraphTraits.AUTO_AFTER),
            look.value(ParagraphTraits.CONTEXTUAL_SPACING)),
        new LineSetting(
            look.value(ParagraphTraits.ALIGNMENT),
            look.value(ParagraphTraits.DIRECTION) == ParagraphTraits.Direction.RIGHT_TO_LEFT,
            look.value(ParagraphTraits.LINE_PITCH),
            look.value(ParagraphTraits.TABS).stream()
                .filter(t -> t.kind() != TabStop.Kind.CLEAR)
                .toList(),
            look.value(ParagraphTraits.HYPHENATION),
            look.value(ParagraphTraits.SNAP_TO_GRID)),
        new Keeps(
            look.value(ParagraphTraits.KEEP_WITH_NEXT),
            look.value(ParagraphTraits.KEEP_TOGETHER),
            look.value(ParagraphTraits.PAGE_BREAK_BEFORE),
            look.value(ParagraphTraits.WIDOW_CONTROL)),
        new Area(look.value(ParagraphTraits.SHADING), look.value(ParagraphTraits.RULES)),
        look.value(ParagraphTraits.FRAME));
  }

  /**
   * The tab stop that a tab from a place leads to: the next one set, the hanging indent, or the
   * next of those that every paragraph has.
   */
  public TabStop stopAfter(double x, double tabDistance) {
    double from = x + TOLERANCE;
    double start = indents.start();
    boolean hangs = indents.firstLine() < 0;
    for (TabStop t : lines.tabs()) {
      if (t.at() > from) {
        return from < start && start < t.at() && hangs
            ? new TabStop(start, TabStop.Kind.LEFT, TabStop.Leader.NONE)
            : t;
      }
    }
    double next = from < start && hangs ? start : Math.floor(from / tabDistance + 1) * tabDistance;
    return new TabStop(next, TabStop.Kind.LEFT, TabStop.Leader.NONE);
  }

  /** Whether this paragraph and a neighbour of that style stand within the same lines. */
  public boolean sharesRules(ParagraphStyle other) {
    return area.rules().isDrawn()
        && area.rules().equals(other.area().rules())
        && indents.outermost() == other.indents().outermost()
        && indents.end() == other.indents().end();
  }
}
