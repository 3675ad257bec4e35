package decant.layout;

import decant.model.Colour;
import decant.model.LinePitch;
import decant.model.Look;
import decant.model.ParagraphTraits;
import decant.model.ParagraphTraits.Alignment;
import decant.model.ParagraphTraits.TabStop;
import java.util.List;

/** The paragraph traits in force, all decided. */
record ParagraphStyle(
    String style,
    int headingLevel,
    Alignment alignment,
    boolean rightToLeft,
    double indentStart,
    double indentEnd,
    double firstLine,
    double spaceBefore,
    double spaceAfter,
    boolean contextualSpacing,
    LinePitch pitch,
    boolean keepWithNext,
    boolean keepTogether,
    boolean pageBreakBefore,
    boolean widowControl,
    List<TabStop> tabs,
    Colour shading) {
  static ParagraphStyle of(Look look) {
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
        look.value(ParagraphTraits.CONTEXTUAL_SPACING),
        look.value(ParagraphTraits.LINE_PITCH),
        look.value(ParagraphTraits.KEEP_WITH_NEXT),
        look.value(ParagraphTraits.KEEP_TOGETHER),
        look.value(ParagraphTraits.PAGE_BREAK_BEFORE),
        look.value(ParagraphTraits.WIDOW_CONTROL),
        look.value(ParagraphTraits.TABS),
        look.value(ParagraphTraits.SHADING));
  }
}
