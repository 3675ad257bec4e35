package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.model.look.Colour;
import decant.model.look.Rule;
import decant.model.look.Rules;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Lines that are told word by word (Rich Text Format 1.9.1, “Paragraph Borders”): the side first,
 * then the kind, the width, the colour.
 */
final class RtfRules {
  private static final double TWIPS = 20;
  private static final double USUAL = 0.75; // points, where no width is said
  private static final double HAIR = 0.25;
  private static final double WIDEST = 12;

  private final RtfColours colours;
  private @Nullable Command side;
  private Rule rule = Rule.NONE;

  RtfRules(RtfColours colours) {
    this.colours = colours;
  }

  /**
   * Whether a command is about a line. What the line is like then, {@link #side} and {@link #rule}
   * say.
   */
  boolean takes(Command c, int value) {
    switch (c) {
      case brdrt,
          brdrb,
          brdrl,
          brdrr,
          brdrbtw,
          box,
          clbrdrt,
          clbrdrb,
          clbrdrl,
          clbrdrr,
          trbrdrt,
          trbrdrb,
          trbrdrl,
          trbrdrr,
          trbrdrh,
          trbrdrv,
          pgbrdrt,
          pgbrdrb,
          pgbrdrl,
          pgbrdrr -> {
        side = c;
        rule = Rule.NONE;
        return true;
      }
      case brdrbar, chbrdr, cldgll, cldglu -> {
        side = null; // none that is drawn here: what follows is about it
        rule = Rule.NONE;
        return true;
      }
      case brdrnone, brdrnil, brdrtbl -> rule = Rule.NONE;
      case brdrs, brdrsh, brdrinset, brdroutset, brdremboss, brdrengrave, brdrwavy, brdrframe ->
          is(Rule.Kind.SINGLE, USUAL);
      case brdrth -> is(Rule.Kind.SINGLE, 2 * USUAL);
      case brdrhair -> is(Rule.Kind.SINGLE, HAIR);
      case brdrdb,
          brdrtriple,
          brdrwavydb,
          brdrtnthsg,
          brdrthtnsg,
          brdrtnthtnsg,
          brdrtnthmg,
          brdrthtnmg,
          brdrtnthtnmg,
          brdrtnthlg,
          brdrthtnlg,
          brdrtnthtnlg ->
          is(Rule.Kind.DOUBLE, USUAL);
      case brdrdot -> is(Rule.Kind.DOTTED, USUAL);
      case brdrdash,
          brdrdashsm,
          brdrdashd,
          brdrdashdd,
          brdrdashdot,
          brdrdashdotdot,
          brdrdashdotstr ->
          is(Rule.Kind.DASHED, USUAL);
      case brdrw -> {
        if (rule.isDrawn() && value > 0) {
          rule =
              new Rule(rule.kind(), Math.min(WIDEST, value / TWIPS), rule.colour(), rule.space());
        }
      }
      case brsp -> {
        if (rule.isDrawn()) {
          rule =
              new Rule(rule.kind(), rule.width(), rule.colour(), Math.clamp(value / TWIPS, 0, 31));
        }
      }
      case brdrcf -> {
        if (rule.isDrawn()) {
          Colour said = colours.of(value).orElse(Colour.BLACK);
          rule = new Rule(rule.kind(), rule.width(), said, rule.space());
        }
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  /** Whether a command is about a line: all of them are named so. */
  static boolean isOfLines(Command c) {
    String name = c.getCommandName();
    return name.contains("brdr") || c == Command.box || c == Command.brsp;
  }

  private void is(Rule.Kind kind, double width) {
    rule = new Rule(kind, width, Colour.BLACK, 0);
  }

  /**
   * The word for the side that was told of last; empty before any, and for lines of other things.
   */
  Optional<Command> side() {
    return Optional.ofNullable(side);
  }

  /** What is said of that line up to now. */
  Rule rule() {
    return rule;
  }

  /** Lines with one more said, that of a side named as those of paragraphs, cells or pages are. */
  static Rules with(Rules rules, Command side, Rule rule) {
    Optional<Rule> r = Optional.of(rule);
    return switch (side) {
      case brdrt, clbrdrt, trbrdrt, pgbrdrt ->
          new Rules(
              r,
              rules.end(),
              rules.bottom(),
              rules.start(),
              rules.insideAcross(),
              rules.insideDown());
      case brdrb, clbrdrb, trbrdrb, pgbrdrb ->
          new Rules(
              rules.top(), rules.end(), r, rules.start(), rules.insideAcross(), rules.insideDown());
      case brdrl, clbrdrl, trbrdrl, pgbrdrl ->
          new Rules(
              rules.top(),
              rules.end(),
              rules.bottom(),
              r,
              rules.insideAcross(),
              rules.insideDown());
      case brdrr, clbrdrr, trbrdrr, pgbrdrr ->
          new Rules(
              rules.top(),
              r,
              rules.bottom(),
              rules.start(),
              rules.insideAcross(),
              rules.insideDown());
      case brdrbtw, trbrdrh ->
          new Rules(rules.top(), rules.end(), rules.bottom(), rules.start(), r, rules.insideDown());
      case trbrdrv ->
          new Rules(
              rules.top(), rules.end(), rules.bottom(), rules.start(), rules.insideAcross(), r);
      case box -> Rules.around(rule);
      default -> rules;
    };
  }
}
