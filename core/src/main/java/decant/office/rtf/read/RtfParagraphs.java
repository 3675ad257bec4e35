package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.model.look.Colour;
import decant.model.look.LinePitch;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.ParagraphTraits.Direction;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.ParagraphTraits.TabStop.Kind;
import decant.model.look.ParagraphTraits.TabStop.Leader;
import decant.model.look.Rules;
import decant.model.look.Trait;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** What commands say of paragraphs (Rich Text Format 1.9.1, “Paragraph Formatting Properties”). */
final class RtfParagraphs {
  private static final double TWIPS = 20;
  private static final double FARTHEST = 1584;
  private static final double LINES = 240;
  private static final int MOST_STOPS = 100;

  private final RtfColours colours;
  private final RtfRules rules;
  private Kind stop = Kind.LEFT;
  private Leader leader = Leader.NONE;
  private int front;
  private int back;
  private int share;

  RtfParagraphs(RtfColours colours, RtfRules rules) {
    this.colours = colours;
    this.rules = rules;
  }

  /** Another paragraph is told of from here on. */
  void begins() {
    stop = Kind.LEFT;
    leader = Leader.NONE;
    front = 0;
    back = 0;
    share = 0;
  }

  /** The look of a paragraph after a command, if it is one of theirs. */
  Optional<Look> after(Look look, Command c, int value, boolean hasValue) {
    boolean on = !hasValue || value != 0;
    boolean rtl = isRightToLeft(look);
    double points = Math.clamp(value / TWIPS, -FARTHEST, FARTHEST);
    return switch (c) {
      case ql -> Optional.of(aligned(look, rtl ? Alignment.END : Alignment.START));
      case qr -> Optional.of(aligned(look, rtl ? Alignment.START : Alignment.END));
      case qc -> Optional.of(aligned(look, Alignment.CENTRE));
      case qj, qd, qt, qk -> Optional.of(aligned(look, Alignment.JUSTIFIED));
      case rtlpar -> Optional.of(directed(look, true));
      case ltrpar -> Optional.of(directed(look, false));
      case li ->
          Optional.of(
              look.with(rtl ? ParagraphTraits.INDENT_END : ParagraphTraits.INDENT_START, points));
      case ri ->
          Optional.of(
              look.with(rtl ? ParagraphTraits.INDENT_START : ParagraphTraits.INDENT_END, points));
      case lin -> Optional.of(look.with(ParagraphTraits.INDENT_START, points));
      case rin -> Optional.of(look.with(ParagraphTraits.INDENT_END, points));
      case fi -> Optional.of(look.with(ParagraphTraits.FIRST_LINE, points));
      case sb ->
          Optional.of(
              space(look, ParagraphTraits.SPACE_BEFORE, ParagraphTraits.AUTO_BEFORE, points));
      case sa ->
          Optional.of(space(look, ParagraphTraits.SPACE_AFTER, ParagraphTraits.AUTO_AFTER, points));
      case sbauto ->
          Optional.of(auto(look, ParagraphTraits.SPACE_BEFORE, ParagraphTraits.AUTO_BEFORE, on));
      case saauto ->
          Optional.of(auto(look, ParagraphTraits.SPACE_AFTER, ParagraphTraits.AUTO_AFTER, on));
      case contextualspace -> Optional.of(flag(look, ParagraphTraits.CONTEXTUAL_SPACING, on));
      case sl -> Optional.of(pitched(look, value));
      case slmult -> Optional.of(value == 1 ? multiplied(look) : look);
      case keepn -> Optional.of(flag(look, ParagraphTraits.KEEP_WITH_NEXT, on));
      case keep -> Optional.of(flag(look, ParagraphTraits.KEEP_TOGETHER, on));
      case pagebb -> Optional.of(flag(look, ParagraphTraits.PAGE_BREAK_BEFORE, on));
      case widctlpar -> Optional.of(look.with(ParagraphTraits.WIDOW_CONTROL, on));
      case nowidctlpar -> Optional.of(look.with(ParagraphTraits.WIDOW_CONTROL, false));
      case hyphpar -> Optional.of(look.with(ParagraphTraits.HYPHENATION, on));
      case tqc -> stopping(look, Kind.CENTRE);
      case tqr -> stopping(look, Kind.RIGHT);
      case tqdec -> stopping(look, Kind.DECIMAL);
      case tldot -> leading(look, Leader.DOT);
      case tlhyph -> leading(look, Leader.HYPHEN);
      case tlul, tlth, tleq -> leading(look, Leader.UNDERSCORE);
      case tlmdot -> leading(look, Leader.MIDDLE_DOT);
      case tx -> Optional.of(stopped(look, points));
      case tb -> {
        begins(); // a line, at which no text stops
        yield Optional.of(look);
      }
      case cbpat -> {
        back = value;
        yield Optional.of(shaded(look));
      }
      case cfpat -> {
        front = value;
        yield Optional.of(shaded(look));
      }
      case shading -> {
        share = value;
        yield Optional.of(shaded(look));
      }
      default -> RtfFrames.after(look, c, value);
    };
  }

  /** A paragraph with what was said last of a line around it. */
  Look ruled(Look look) {
    return rules
        .side()
        .map(s -> {
          boolean turned = isRightToLeft(look);
          Command side =
              turned && s == Command.brdrl
                  ? Command.brdrr
                  : turned && s == Command.brdrr ? Command.brdrl : s;
          Rules all = look.value(ParagraphTraits.RULES);
          return look.with(ParagraphTraits.RULES, RtfRules.with(all, side, rules.rule()));
        })
        .orElse(look);
  }

  private static boolean isRightToLeft(Look look) {
    return look.value(ParagraphTraits.DIRECTION) == Direction.RIGHT_TO_LEFT;
  }

  private static Look aligned(Look look, Alignment a) {
    return a == Alignment.START
        ? look.without(ParagraphTraits.ALIGNMENT)
        : look.with(ParagraphTraits.ALIGNMENT, a);
  }

  /** Space that is left to the program, whatever else is said of it. */
  private static Look auto(Look look, Trait<Double> space, Trait<Boolean> auto, boolean on) {
    return on ? look.with(auto, true).with(space, ParagraphTraits.AUTO_SPACE) : look.without(auto);
  }

  private static Look space(Look look, Trait<Double> space, Trait<Boolean> auto, double points) {
    return look.value(auto) ? look : look.with(space, Math.max(0, points));
  }

  private static Look flag(Look look, Trait<Boolean> t, boolean on) {
    return on ? look.with(t, true) : look.without(t);
  }

  /** What was said of left and right before is meant for the page, not for the text. */
  private static Look directed(Look look, boolean rtl) {
    if (isRightToLeft(look) == rtl) {
      return look;
    }
    Look turned =
        rtl
            ? look.with(ParagraphTraits.DIRECTION, Direction.RIGHT_TO_LEFT)
            : look.without(ParagraphTraits.DIRECTION);
    double start = look.value(ParagraphTraits.INDENT_START);
    double end = look.value(ParagraphTraits.INDENT_END);
    if (start != end) {
      turned =
          turned.with(ParagraphTraits.INDENT_START, end).with(ParagraphTraits.INDENT_END, start);
    }
    return switch (look.value(ParagraphTraits.ALIGNMENT)) {
      case END -> aligned(turned, Alignment.START);
      case START, CENTRE, JUSTIFIED -> turned;
    };
  }

  /**
   * In twips: nothing for as the font asks, at least so much, or, below nothing, exactly so much.
   */
  private static Look pitched(Look look, int twips) {
    double points = Math.min(FARTHEST, Math.abs(twips / TWIPS));
    return twips == 0
        ? look.without(ParagraphTraits.LINE_PITCH)
        : look.with(
            ParagraphTraits.LINE_PITCH,
            twips < 0 ? new LinePitch.Exactly(points) : new LinePitch.AtLeast(points));
  }

  /** What was said of the pitch is meant in 240ths of a line. */
  private static Look multiplied(Look look) {
    return switch (look.value(ParagraphTraits.LINE_PITCH)) {
      case LinePitch.Multiple m -> look;
      case LinePitch.AtLeast a -> multiple(look, a.points());
      case LinePitch.Exactly e -> multiple(look, e.points());
    };
  }

  private static Look multiple(Look look, double points) {
    double factor = Math.clamp(points * TWIPS / LINES, 0.06, 132);
    return factor == 1
        ? look.without(ParagraphTraits.LINE_PITCH)
        : look.with(ParagraphTraits.LINE_PITCH, new LinePitch.Multiple(factor));
  }

  private Optional<Look> stopping(Look look, Kind kind) {
    stop = kind;
    return Optional.of(look);
  }

  private Optional<Look> leading(Look look, Leader with) {
    leader = with;
    return Optional.of(look);
  }

  private Look stopped(Look look, double at) {
    List<TabStop> all = new ArrayList<>(look.value(ParagraphTraits.TABS));
    if (all.size() < MOST_STOPS) {
      all.removeIf(t -> t.at() == at);
      all.add(new TabStop(at, stop, leader));
      all.sort(Comparator.comparingDouble(TabStop::at));
    }
    stop = Kind.LEFT;
    leader = Leader.NONE;
    return look.with(ParagraphTraits.TABS, List.copyOf(all));
  }

  private Look shaded(Look look) {
    Colour c = colours.shade(front, back, share);
    return c.equals(Colour.WHITE)
        ? look.without(ParagraphTraits.SHADING)
        : look.with(ParagraphTraits.SHADING, c);
  }
}
