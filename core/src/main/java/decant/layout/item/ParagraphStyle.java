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

/** The paragraph traits in force, all decided. */
public record ParagraphStyle(
    String style,
    int headingLevel,
    Alignment alignment,
    boolean rightToLeft,
    double indentStart,
    double indentEnd,
    double firstLine,
    double spaceBefore,
    double spaceAfter,
    boolean autoBefore,
    boolean autoAfter,
    boolean contextualSpacing,
    LinePitch pitch,
    boolean keepWithNext,
    boolean keepTogether,
    boolean pageBreakBefore,
    boolean widowControl,
    List<TabStop> tabs,
    Colour shading,
    Rules rules,
    boolean hyphenates,
    boolean snaps,
    TextFrame frame) {
  public static final double TOLERANCE = 0.01;

  public static ParagraphStyle of(Look look) {
    return new ParagraphStyle(
        look.value(ParagraphTraits.STYLE),
        look.value(ParagraphTraits.HEADING_LEVEL),
        look.value(ParagraphTraits.ALIGNMENT),
        look.value(ParagraphTraits.DIRECTION) == ParagraphTraits.Direction.RIGHT_TO_LEFT,
        look.value(ParagraphTraits.INDENT_START),
        look.value(ParagraphTraits.INDENT_END),
        look.value(ParagraphTraits.FIRST_LINE),
        look.value(ParagraphTraits.SPACE_BEFORE),
        look.value(ParagraphTraits.SPACE_AFTER),
        look.value(ParagraphTraits.AUTO_BEFORE),
        look.value(ParagraphTraits.AUTO_AFTER),
        look.value(ParagraphTraits.CONTEXTUAL_SPACING),
        look.value(ParagraphTraits.LINE_PITCH),
        look.value(ParagraphTraits.KEEP_WITH_NEXT),
        look.value(ParagraphTraits.KEEP_TOGETHER),
        look.value(ParagraphTraits.PAGE_BREAK_BEFORE),
        look.value(ParagraphTraits.WIDOW_CONTROL),
        look.value(ParagraphTraits.TABS).stream()
            .filter(t -> t.kind() != TabStop.Kind.CLEAR)
            .toList(),
        look.value(ParagraphTraits.SHADING),
        look.value(ParagraphTraits.RULES),
        look.value(ParagraphTraits.HYPHENATION),
        look.value(ParagraphTraits.SNAP_TO_GRID),
        look.value(ParagraphTraits.FRAME));
  }

  /**
   * The tab stop that a tab from a place leads to: the next one set, the hanging indent, or the
   * next of those that every paragraph has.
   */
  public TabStop stopAfter(double x, double tabDistance) {
    double from = x + TOLERANCE;
    for (TabStop t : tabs) {
      if (t.at() > from) {
        return from < indentStart && indentStart < t.at() && firstLine < 0
            ? new TabStop(indentStart, TabStop.Kind.LEFT, TabStop.Leader.NONE)
            : t;
      }
    }
    double next =
        from < indentStart && firstLine < 0
            ? indentStart
            : Math.floor(from / tabDistance + 1) * tabDistance;
    return new TabStop(next, TabStop.Kind.LEFT, TabStop.Leader.NONE);
  }

  /** Whether this paragraph and a neighbour of that style stand within the same lines. */
  public boolean sharesRules(ParagraphStyle other) {
    return rules.isDrawn()
        && rules.equals(other.rules)
        && indentStart + Math.min(0, firstLine) == other.indentStart + Math.min(0, other.firstLine)
        && indentEnd == other.indentEnd;
  }
}
