package decant.office.doc.write;

import decant.model.look.Colour;
import decant.model.look.LinePitch;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TextFrame;
import decant.model.look.Trait;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;

/** Looks of paragraphs as their properties ([MS-DOC] 2.6.2): what differs from what is below. */
final class ParagraphProperties {
  private static final int BODY = 9; // the level of outline of what is no heading
  private static final int MOST_TABS = 64;
  private static final int RULES = 5;

  private ParagraphProperties() {}

  /**
   * What differs.
   *
   * @param look in force
   * @param below what holds where nothing is said
   * @param item whether it is an item of a list, whose level would say how far it stands in
   */
  static Properties differing(Look look, Look below, boolean item) {
    var out = new Properties();
    boolean rtl = rightToLeft(look);
    boolean turned = rtl != rightToLeft(below);
    if (turned) {
      out.flag(Sprm.P_RIGHT_TO_LEFT, rtl);
    }
    if (turned || differs(look, below, ParagraphTraits.ALIGNMENT)) {
      alignment(out, look.value(ParagraphTraits.ALIGNMENT), rtl);
    }
    indents(out, look, below, item || turned, rtl);
    if (differs(look, below, ParagraphTraits.SPACE_BEFORE)) {
      out.add(Sprm.P_SPACE_BEFORE, space(look.value(ParagraphTraits.SPACE_BEFORE)));
    }
    if (differs(look, below, ParagraphTraits.SPACE_AFTER)) {
      out.add(Sprm.P_SPACE_AFTER, space(look.value(ParagraphTraits.SPACE_AFTER)));
    }
    flag(out, look, below, ParagraphTraits.AUTO_BEFORE, Sprm.P_AUTO_BEFORE);
    flag(out, look, below, ParagraphTraits.AUTO_AFTER, Sprm.P_AUTO_AFTER);
    flag(out, look, below, ParagraphTraits.CONTEXTUAL_SPACING, Sprm.P_CONTEXTUAL);
    if (differs(look, below, ParagraphTraits.LINE_PITCH)) {
      out.add(Sprm.P_LINE_PITCH, pitch(look.value(ParagraphTraits.LINE_PITCH)));
    }
    flag(out, look, below, ParagraphTraits.KEEP_TOGETHER, Sprm.P_KEEP);
    flag(out, look, below, ParagraphTraits.KEEP_WITH_NEXT, Sprm.P_KEEP_WITH_NEXT);
    flag(out, look, below, ParagraphTraits.PAGE_BREAK_BEFORE, Sprm.P_PAGE_BREAK_BEFORE);
    flag(out, look, below, ParagraphTraits.WIDOW_CONTROL, Sprm.P_WIDOW_CONTROL);
    flag(out, look, below, ParagraphTraits.SNAP_TO_GRID, Sprm.P_SNAP_TO_GRID);
    if (differs(look, below, ParagraphTraits.HYPHENATION)) {
      out.flag(Sprm.P_NO_HYPHENATION, !look.value(ParagraphTraits.HYPHENATION));
    }
    if (differs(look, below, ParagraphTraits.HEADING_LEVEL)) {
      int level = look.value(ParagraphTraits.HEADING_LEVEL);
      out.add(Sprm.P_OUTLINE_LEVEL, level > 0 ? level - 1 : BODY);
    }
    tabs(out, look.value(ParagraphTraits.TABS), below.value(ParagraphTraits.TABS));
    if (differs(look, below, ParagraphTraits.SHADING)) {
      Colour behind = look.value(ParagraphTraits.SHADING);
      out.add(Sprm.P_SHADING, Units.shading(behind));
    }
    if (differs(look, below, ParagraphTraits.RULES)) {
      rules(out, look.value(ParagraphTraits.RULES), rtl);
    }
    if (differs(look, below, ParagraphTraits.FRAME)) {
      frame(out, look.value(ParagraphTraits.FRAME));
    }
    return out;
  }

  private static boolean rightToLeft(Look look) {
    return look.value(ParagraphTraits.DIRECTION) == ParagraphTraits.Direction.RIGHT_TO_LEFT;
  }

  private static boolean differs(Look look, Look below, Trait<?> t) {
    return !look.value(t).equals(below.value(t));
  }

  private static void flag(Properties out, Look look, Look below, Trait<Boolean> t, int sprm) {
    if (differs(look, below, t)) {
      out.flag(sprm, look.value(t));
    }
  }

  private static int space(double points) {
    return Math.max(0, Units.twips(points));
  }

  /** First as readers of 1997 know it, by left and right; then by start and end. */
  private static void alignment(Properties out, Alignment a, boolean rtl) {
    int said =
        switch (a) {
          case START -> 0;
          case CENTRE -> 1;
          case END -> 2;
          case JUSTIFIED -> 3;
        };
    boolean side = a == Alignment.START || a == Alignment.END;
    out.add(Sprm.P_ALIGNMENT_80, rtl && side ? 2 - said : said);
    out.add(Sprm.P_ALIGNMENT, said);
  }

  /** First by left and right, as readers of 1997 know them, then by start and end. */
  private static void indents(Properties out, Look look, Look below, boolean all, boolean rtl) {
    int start = Units.twips(look.value(ParagraphTraits.INDENT_START));
    int end = Units.twips(look.value(ParagraphTraits.INDENT_END));
    int first = Units.twips(look.value(ParagraphTraits.FIRST_LINE));
    boolean startDiffers = all || differs(look, below, ParagraphTraits.INDENT_START);
    boolean endDiffers = all || differs(look, below, ParagraphTraits.INDENT_END);
    // From right to left, either in the old way takes the place of the other in the new one.
    boolean hasStart = startDiffers || rtl && endDiffers;
    boolean hasEnd = endDiffers || rtl && startDiffers;
    boolean hasFirst = all || differs(look, below, ParagraphTraits.FIRST_LINE);
    if (hasStart) {
      out.add(rtl ? Sprm.P_RIGHT_80 : Sprm.P_LEFT_80, start);
    }
    if (hasEnd) {
      out.add(rtl ? Sprm.P_LEFT_80 : Sprm.P_RIGHT_80, end);
    }
    if (hasFirst) {
      out.add(Sprm.P_FIRST_LINE_80, first);
    }
    if (hasStart) {
      out.add(Sprm.P_LEFT, start);
    }
    if (hasEnd) {
      out.add(Sprm.P_RIGHT, end);
    }
    if (hasFirst) {
      out.add(Sprm.P_FIRST_LINE, first);
    }
  }

  /** LSPD, §2.9.138: a multiple in 240ths, at least so much, or, below nothing, exactly so much. */
  private static long pitch(LinePitch p) {
    return switch (p) {
      case LinePitch.Multiple m ->
          1L << 16 | Math.clamp(Math.round(m.factor() * 240), 15, 31_680) & 0xFFFF;
      case LinePitch.AtLeast a -> Math.max(1, Units.twips(a.points())) & 0xFFFF;
      case LinePitch.Exactly e -> -Math.max(1, Units.twips(e.points())) & 0xFFFF;
    };
  }

  /** PChgTabsPapxOperand, §2.9.178: the places of those that go, then those that come. */
  private static void tabs(Properties out, List<TabStop> stops, List<TabStop> below) {
    if (stops.equals(below)) {
      return;
    }
    var gone = new TreeSet<Integer>();
    below.stream().filter(s -> !stops.contains(s)).forEach(s -> gone.add(Units.twips(s.at())));
    var come = new ArrayList<TabStop>();
    for (TabStop s : stops) {
      if (s.kind() == TabStop.Kind.CLEAR) {
        gone.add(Units.twips(s.at()));
      } else if (!below.contains(s)
          && come.stream().noneMatch(c -> Units.twips(c.at()) == Units.twips(s.at()))) {
        come.add(s);
      }
    }
    come.sort(Comparator.comparingDouble(TabStop::at));
    if (gone.isEmpty() && come.isEmpty()) {
      return;
    }
    var b = new Bytes().u8(Math.min(gone.size(), MOST_TABS));
    gone.stream().limit(MOST_TABS).forEach(b::u16);
    List<TabStop> some = come.subList(0, Math.min(come.size(), MOST_TABS));
    b.u8(some.size());
    some.forEach(s -> b.u16(Units.twips(s.at())));
    some.forEach(s -> b.u8(kind(s) | leader(s) << 3));
    out.add(Sprm.P_TABS, b);
  }

  private static int kind(TabStop s) {
    return switch (s.kind()) {
      case LEFT, CLEAR -> 0;
      case CENTRE -> 1;
      case RIGHT -> 2;
      case DECIMAL -> 3;
    };
  }

  private static int leader(TabStop s) {
    return switch (s.leader()) {
      case NONE -> 0;
      case DOT -> 1;
      case HYPHEN -> 2;
      case UNDERSCORE -> 3;
      case MIDDLE_DOT -> 5;
    };
  }

  private static void rules(Properties out, Rules r, boolean rtl) {
    List<Optional<Rule>> sides =
        List.of(
            r.top(),
            rtl ? r.end() : r.start(),
            r.bottom(),
            rtl ? r.start() : r.end(),
            r.insideAcross());
    for (int k = 0; k < RULES; k++) {
      out.add(Sprm.P_RULES_80[k], Units.rule80(sides.get(k)));
      out.add(Sprm.P_RULES[k], Units.rule(sides.get(k)));
    }
  }

  /** A frame beside the flow that the paragraph stands in; §2.6.2, sprmPPc and those around it. */
  private static void frame(Properties out, TextFrame f) {
    if (!(f.placement() instanceof Placement.Floating p)) {
      return;
    }
    out.add(Sprm.P_ORIGINS, origins(p));
    out.add(Sprm.P_ACROSS, across(p.across()));
    out.add(Sprm.P_DOWN, down(p.down()));
    out.add(Sprm.P_WIDTH, Math.max(0, Units.twips(f.width())));
    if (f.height() > 0) {
      out.add(Sprm.P_HEIGHT, Units.twips(f.height()) & 0x7FFF | (f.exact() ? 0 : 0x8000));
    }
    out.add(Sprm.P_WRAP, p.wrap() instanceof Placement.Wrap.AboveAndBelow ? 1 : 2);
    out.add(Sprm.P_DISTANCE_ACROSS, space(p.distance().left()));
    out.add(Sprm.P_DISTANCE_DOWN, space(p.distance().top()));
  }

  /** PositionCodeOperand, §2.9.208. */
  static int origins(Placement.Floating p) {
    int down =
        switch (p.down().origin()) {
          case MARGIN -> 0;
          case PAGE -> 1;
          case COLUMN, PARAGRAPH, LINE -> 2;
        };
    int across =
        switch (p.across().origin()) {
          case COLUMN, PARAGRAPH, LINE -> 0;
          case MARGIN -> 1;
          case PAGE -> 2;
        };
    return down << 4 | across << 6;
  }

  /**
   * A place across, or one of the numbers that stand for a side or the middle (XAS_plusOne,
   * §2.9.347).
   */
  static int across(Placement.Axis a) {
    return switch (a.align()) {
      case OFFSET -> offset(a);
      case START -> 0;
      case CENTRE -> -4;
      case END -> -8;
    };
  }

  /** The same from top to bottom (YAS_plusOne, §2.9.355). */
  static int down(Placement.Axis a) {
    return switch (a.align()) {
      case OFFSET -> offset(a);
      case START -> -4;
      case CENTRE -> -8;
      case END -> -12;
    };
  }

  /** One more than the place; the numbers that stand for sides are stepped over. */
  private static int offset(Placement.Axis a) {
    int at = Units.twips(a.offset()) + 1;
    return at % 4 == 0 && at <= 0 && at >= -20 ? at + 1 : at;
  }
}
