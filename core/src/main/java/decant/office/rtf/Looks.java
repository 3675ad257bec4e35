package decant.office.rtf;

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
import decant.model.look.TextTraits;
import decant.office.emit.Languages;
import decant.office.pending.Dttm;
import decant.office.pending.Pending;
import java.util.Optional;

/** Looks in force as control words. */
final class Looks {
  private static final double NEVER = 1600; // points: no text is as large
  private final RtfTokens o;
  private final Registers registers;

  Looks(RtfTokens o, Registers registers) {
    this.o = o;
    this.registers = registers;
  }

  /**
   * The look of some text.
   *
   * @param complex whether it runs from right to left or is of a script that is shaped, which has a
   *     look of its own in this format
   */
  void text(Look look, boolean complex) {
    String style = look.value(TextTraits.CHARACTER_STYLE);
    if (!style.isEmpty() && registers.style(style) > 0) {
      o.word("cs", registers.style(style));
    }
    int font = registers.font(look.value(TextTraits.FAMILY));
    long size = Math.max(2, Math.round(look.value(TextTraits.SIZE) * 2));
    boolean bold = look.value(TextTraits.BOLD);
    boolean italic = look.value(TextTraits.ITALIC);
    if (complex) {
      o.word("ltrch").word("fcs0").word("f", font).word("fs", size);
      o.word("rtlch").word("fcs1").word("af", font).word("afs", size);
      o.flag("ab", bold).flag("ai", italic);
    } else {
      o.word("rtlch").word("fcs1").word("af", font).word("afs", size);
      o.word("ltrch").word("fcs0").word("f", font).word("fs", size);
    }
    o.flag("b", bold).flag("i", italic);
    o.flag("strike", look.value(TextTraits.STRIKE));
    if (look.value(TextTraits.DOUBLE_STRIKE)) {
      o.word("striked1");
    }
    o.flag("caps", look.value(TextTraits.ALL_CAPS));
    o.flag("scaps", look.value(TextTraits.SMALL_CAPS));
    o.flag("v", look.value(TextTraits.HIDDEN));
    if (look.value(TextTraits.UNDERLINE)) {
      o.word(
          switch (look.value(TextTraits.UNDERLINE_KIND)) {
            case SINGLE -> "ul";
            case DOUBLE -> "uldb";
            case THICK -> "ulth";
            case DOTTED -> "uld";
            case DASHED -> "uldash";
            case WAVE -> "ulwave";
            case WORDS -> "ulw";
          });
    }
    Colour colour = look.value(TextTraits.COLOUR);
    if (!colour.equals(Colour.BLACK)) {
      o.word("cf", registers.colour(colour));
    }
    Colour behind = look.value(TextTraits.HIGHLIGHT);
    if (!behind.equals(Colour.WHITE)) {
      o.word("chcbpat", registers.colour(behind));
    }
    switch (look.value(TextTraits.RAISE)) {
      case NONE -> {}
      case SUPERSCRIPT -> o.word("super");
      case SUBSCRIPT -> o.word("sub");
    }
    long shift = Math.round(look.value(TextTraits.SHIFT) * 2);
    if (shift != 0) {
      o.word(shift > 0 ? "up" : "dn", Math.abs(shift));
    }
    if (look.value(TextTraits.LETTER_SPACING) != 0) {
      o.twips("expndtw", look.value(TextTraits.LETTER_SPACING));
    }
    double kerning = look.value(TextTraits.KERNING);
    if (kerning < NEVER) {
      o.word("kerning", Math.max(1, Math.round(kerning * 2)));
    }
    Languages.number(look.value(TextTraits.LANGUAGE))
        .ifPresent(n -> o.word(complex ? "alang" : "lang", n));
    Pending.putIn(look)
        .flatMap(Pending::of)
        .ifPresent(p ->
            o.word("revised")
                .word("revauth", registers.authors().number(p.author()))
                .word("revdttm", Dttm.write(p.date())));
  }

  /** Text that somebody took out, which is not accepted yet. */
  void takenOut(Pending p, Look look) {
    o.open();
    text(look, false);
    o.word("deleted").word("revauthdel", registers.authors().number(p.author()));
    o.word("revdttmdel", Dttm.write(p.date())).text(p.text()).close();
  }

  void paragraph(Look look) {
    boolean rtl = look.value(ParagraphTraits.DIRECTION) == ParagraphTraits.Direction.RIGHT_TO_LEFT;
    o.word(rtl ? "rtlpar" : "ltrpar");
    o.word(alignment(look.value(ParagraphTraits.ALIGNMENT), rtl));
    double start = look.value(ParagraphTraits.INDENT_START);
    double end = look.value(ParagraphTraits.INDENT_END);
    o.twips("fi", look.value(ParagraphTraits.FIRST_LINE));
    o.twips("li", rtl ? end : start).twips("ri", rtl ? start : end);
    o.twips("lin", start).twips("rin", end);
    o.twips("sb", look.value(ParagraphTraits.SPACE_BEFORE));
    o.twips("sa", look.value(ParagraphTraits.SPACE_AFTER));
    if (look.value(ParagraphTraits.AUTO_BEFORE)) {
      o.word("sbauto1");
    }
    if (look.value(ParagraphTraits.AUTO_AFTER)) {
      o.word("saauto1");
    }
    o.flag("contextualspace", look.value(ParagraphTraits.CONTEXTUAL_SPACING));
    switch (look.value(ParagraphTraits.LINE_PITCH)) {
      case LinePitch.Multiple m -> o.word("sl", Math.round(m.factor() * 240)).word("slmult1");
      case LinePitch.AtLeast a -> o.twips("sl", a.points()).word("slmult0");
      case LinePitch.Exactly e -> o.twips("sl", -e.points()).word("slmult0");
    }
    o.flag("keep", look.value(ParagraphTraits.KEEP_TOGETHER));
    o.flag("keepn", look.value(ParagraphTraits.KEEP_WITH_NEXT));
    o.flag("pagebb", look.value(ParagraphTraits.PAGE_BREAK_BEFORE));
    o.word(look.value(ParagraphTraits.WIDOW_CONTROL) ? "widctlpar" : "nowidctlpar");
    if (!look.value(ParagraphTraits.HYPHENATION)) {
      o.word("hyphpar0");
    }
    int level = look.value(ParagraphTraits.HEADING_LEVEL);
    if (level > 0) {
      o.word("outlinelevel", level - 1);
    }
    look.value(ParagraphTraits.TABS).forEach(this::tab);
    Colour behind = look.value(ParagraphTraits.SHADING);
    if (!behind.equals(Colour.WHITE)) {
      o.word("cbpat", registers.colour(behind));
    }
    Rules r = look.value(ParagraphTraits.RULES);
    rule("brdrt", r.top(), true);
    rule("brdrl", rtl ? r.end() : r.start(), true);
    rule("brdrb", r.bottom(), true);
    rule("brdrr", rtl ? r.start() : r.end(), true);
    rule("brdrbtw", r.insideAcross(), true);
    frame(look.value(ParagraphTraits.FRAME));
  }

  private static String alignment(Alignment a, boolean rtl) {
    return switch (a) {
      case START -> rtl ? "qr" : "ql";
      case END -> rtl ? "ql" : "qr";
      case CENTRE -> "qc";
      case JUSTIFIED -> "qj";
    };
  }

  private void tab(TabStop t) {
    switch (t.kind()) {
      case CLEAR -> {
        return;
      }
      case LEFT -> {}
      case CENTRE -> o.word("tqc");
      case RIGHT -> o.word("tqr");
      case DECIMAL -> o.word("tqdec");
    }
    switch (t.leader()) {
      case NONE -> {}
      case DOT -> o.word("tldot");
      case HYPHEN -> o.word("tlhyph");
      case UNDERSCORE -> o.word("tlul");
      case MIDDLE_DOT -> o.word("tlmdot");
    }
    o.twips("tx", t.at());
  }

  /** A line at a side; nothing if none is drawn there. */
  void rule(String side, Optional<Rule> rule, boolean space) {
    if (rule.filter(Rule::isDrawn).isEmpty()) {
      return;
    }
    Rule r = rule.get();
    o.word(side);
    o.word(
        switch (r.kind()) {
          case SINGLE -> "brdrs";
          case DOUBLE -> "brdrdb";
          case DOTTED -> "brdrdot";
          case DASHED -> "brdrdash";
        });
    o.word("brdrw", Math.clamp(Math.round(r.width() * 20), 1, 255));
    if (space) {
      o.twips("brsp", r.space());
    }
    o.word("brdrcf", registers.colour(r.colour()));
  }

  private void frame(TextFrame f) {
    if (!(f.placement() instanceof Placement.Floating p)) {
      return;
    }
    if (f.width() > 0) {
      o.twips("absw", f.width());
    }
    if (f.height() > 0) {
      o.twips("absh", f.exact() ? -f.height() : f.height());
    }
    switch (p.across().origin()) {
      case PAGE -> o.word("phpg");
      case MARGIN -> o.word("phmrg");
      case COLUMN, PARAGRAPH, LINE -> o.word("phcol");
    }
    switch (p.across().align()) {
      case OFFSET -> place("posx", "posnegx", p.across().offset());
      case START -> o.word("posxl");
      case CENTRE -> o.word("posxc");
      case END -> o.word("posxr");
    }
    switch (p.down().origin()) {
      case PAGE -> o.word("pvpg");
      case MARGIN -> o.word("pvmrg");
      case COLUMN, PARAGRAPH, LINE -> o.word("pvpara");
    }
    switch (p.down().align()) {
      case OFFSET -> place("posy", "posnegy", p.down().offset());
      case START -> o.word("posyt");
      case CENTRE -> o.word("posyc");
      case END -> o.word("posyb");
    }
    o.twips("dfrmtxtx", p.distance().left()).twips("dfrmtxty", p.distance().top());
    o.flag("nowrap", p.wrap() instanceof Placement.Wrap.AboveAndBelow);
  }

  private void place(String positive, String negative, double at) {
    o.twips(at < 0 ? negative : positive, at);
  }
}
