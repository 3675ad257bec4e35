package decant.office.doc;

import decant.model.look.Colour;
import decant.model.look.LinePitch;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.ParagraphTraits.Direction;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TextTraits;
import decant.office.emit.Languages;
import java.util.Locale;
import java.util.Optional;
import org.apache.poi.hwpf.model.FontTable;
import org.apache.poi.hwpf.usermodel.BorderCode;
import org.apache.poi.hwpf.usermodel.CharacterProperties;
import org.apache.poi.hwpf.usermodel.CharacterRun;
import org.apache.poi.hwpf.usermodel.ParagraphProperties;
import org.jspecify.annotations.Nullable;

/** Properties of text and paragraphs ([MS-DOC] 2.6.1 and 2.6.2) as looks that say everything. */
final class DocLooks {
  private static final double TWIPS = 20;

  /** The sixteen colours of [MS-DOC] 2.9.119; 0 leaves the colour to the reader. */
  private static final int[] COLOURS = {
    0, 0x000000, 0x0000FF, 0x00FFFF, 0x00FF00, 0xFF00FF, 0xFF0000, 0xFFFF00, 0xFFFFFF, 0x000080,
    0x008080, 0x008000, 0x800080, 0x800000, 0x808000, 0x808080, 0xC0C0C0
  };

  private final FontTable fonts;

  DocLooks(FontTable fonts) {
    this.fonts = fonts;
  }

  Look text(CharacterProperties p) {
    return text(p, fonts == null ? null : fonts.getMainFont(p.getFtcAscii()));
  }

  /** All that holds for a run: what it says itself, over its styles. */
  Look text(CharacterRun r) {
    var p = new CharacterProperties();
    p.setHps(r.getFontSize());
    p.setFBold(r.isBold());
    p.setFItalic(r.isItalic());
    p.setKul((byte) r.getUnderlineCode());
    p.setFStrike(r.isStrikeThrough());
    p.setFDStrike(r.isDoubleStrikeThrough());
    p.setFCaps(r.isCapitalized());
    p.setFSmallCaps(r.isSmallCaps());
    p.setFVanish(r.isVanished());
    p.setDxaSpace(r.getCharacterSpacing());
    p.setHpsKern(r.getKerning());
    p.setHpsPos((short) r.getVerticalOffset());
    p.setIco((byte) r.getColor());
    p.setIss((byte) r.getSubSuperScriptIndex());
    p.setFHighlight(r.isHighlighted());
    p.setIcoHighlight(r.getHighlightedColor());
    p.setLidDefault(r.getLanguageCode());
    Look look = text(p, r.getFontName());
    return look.with(TextTraits.COLOUR, colour(r.getIco24(), r.getColor()));
  }

  private static Look text(CharacterProperties p, @Nullable String family) {
    Look look = Look.of(TextTraits.SIZE, Math.clamp(p.getHps() / 2.0, 1, 1638));
    if (family != null && !family.isBlank()) {
      look = look.with(TextTraits.FAMILY, family.strip());
    }
    look = look.with(TextTraits.BOLD, p.isFBold()).with(TextTraits.ITALIC, p.isFItalic());
    look = underline(look, p.getKul());
    look =
        look.with(TextTraits.STRIKE, p.isFStrike()).with(TextTraits.DOUBLE_STRIKE, p.isFDStrike());
    look =
        look.with(TextTraits.ALL_CAPS, p.isFCaps()).with(TextTraits.SMALL_CAPS, p.isFSmallCaps());
    look = look.with(TextTraits.LETTER_SPACING, p.getDxaSpace() / TWIPS);
    look =
        look.with(
            TextTraits.KERNING,
            p.getHpsKern() > 0 ? p.getHpsKern() / 2.0 : TextTraits.NEVER_KERNED);
    look = look.with(TextTraits.SHIFT, p.getHpsPos() / 2.0).with(TextTraits.HIDDEN, p.isFVanish());
    look = look.with(TextTraits.COLOUR, colour(p.getIco24(), p.getIco()));
    int mark = p.getIcoHighlight();
    look =
        look.with(
            TextTraits.HIGHLIGHT,
            p.isFHighlight() && mark > 0 && mark < COLOURS.length
                ? new Colour(COLOURS[mark])
                : Colour.WHITE);
    look =
        look.with(
            TextTraits.RAISE,
            switch (p.getIss()) {
              case 1 -> TextTraits.Raise.SUPERSCRIPT;
              case 2 -> TextTraits.Raise.SUBSCRIPT;
              default -> TextTraits.Raise.NONE;
            });
    Optional<String> language = Languages.tag(p.getLidDefault());
    return language.isPresent() ? look.with(TextTraits.LANGUAGE, language.get()) : look;
  }

  private static Look underline(Look look, int kul) {
    TextTraits.UnderlineKind kind =
        switch (kul) {
          case 2 -> TextTraits.UnderlineKind.WORDS;
          case 3, 43 -> TextTraits.UnderlineKind.DOUBLE;
          case 4, 20 -> TextTraits.UnderlineKind.DOTTED;
          case 6, 23, 25, 26, 27, 55 -> TextTraits.UnderlineKind.THICK;
          case 7, 9, 10, 39 -> TextTraits.UnderlineKind.DASHED;
          case 11 -> TextTraits.UnderlineKind.WAVE;
          default -> TextTraits.UnderlineKind.SINGLE;
        };
    return look.with(TextTraits.UNDERLINE, kul != 0).with(TextTraits.UNDERLINE_KIND, kind);
  }

  /** A colour of 24 bits, blue first, where it is one; else one of the sixteen. */
  private static Colour colour(int ico24, int ico) {
    if (ico24 != -1 && ico24 != 0xFF000000) {
      return new Colour((ico24 & 0xFF) << 16 | ico24 & 0xFF00 | ico24 >> 16 & 0xFF);
    }
    return ico > 0 && ico < COLOURS.length ? new Colour(COLOURS[ico]) : Colour.BLACK;
  }

  Look paragraph(ParagraphProperties p) {
    boolean rtl = p.getFBiDi();
    Look look =
        Look.of(ParagraphTraits.DIRECTION, rtl ? Direction.RIGHT_TO_LEFT : Direction.LEFT_TO_RIGHT);
    look =
        look.with(
            ParagraphTraits.ALIGNMENT,
            switch (p.getJc()) {
              case 1 -> Alignment.CENTRE;
              case 2 -> Alignment.END;
              case 3, 4, 5, 7, 8, 9 -> Alignment.JUSTIFIED;
              default -> Alignment.START;
            });
    look = look.with(ParagraphTraits.INDENT_START, within(p.getDxaLeft()));
    look = look.with(ParagraphTraits.INDENT_END, within(p.getDxaRight()));
    look = look.with(ParagraphTraits.FIRST_LINE, within(p.getDxaLeft1()));
    look = look.with(ParagraphTraits.SPACE_BEFORE, Math.max(0, within(p.getDyaBefore())));
    look = look.with(ParagraphTraits.SPACE_AFTER, Math.max(0, within(p.getDyaAfter())));
    look = look.with(ParagraphTraits.LINE_PITCH, pitch(p));
    look = look.with(ParagraphTraits.KEEP_WITH_NEXT, p.getFKeepFollow());
    look = look.with(ParagraphTraits.KEEP_TOGETHER, p.getFKeep());
    look = look.with(ParagraphTraits.PAGE_BREAK_BEFORE, p.getFPageBreakBefore());
    look = look.with(ParagraphTraits.WIDOW_CONTROL, p.getFWidowControl());
    look = look.with(ParagraphTraits.HYPHENATION, !p.getFNoAutoHyph());
    look =
        look.with(
            ParagraphTraits.RULES,
            new Rules(
                rule(p.getBrcTop()),
                rule(rtl ? p.getBrcLeft() : p.getBrcRight()),
                rule(p.getBrcBottom()),
                rule(rtl ? p.getBrcRight() : p.getBrcLeft()),
                rule(p.getBrcBetween()),
                Optional.empty()));
    int level = p.getLvl() + 1;
    return look.with(ParagraphTraits.HEADING_LEVEL, level >= 1 && level <= 9 ? level : 0);
  }

  private static double within(int twips) {
    return Math.clamp(twips / TWIPS, -1584.0, 1584.0);
  }

  /**
   * [MS-DOC] 2.9.138: a multiple in 240ths, at least so much, or, below nothing, exactly so much.
   */
  private static LinePitch pitch(ParagraphProperties p) {
    int both = p.getLspd() == null ? 0 : p.getLspd().toInt();
    int line = (short) both;
    boolean multiple = both >>> 16 == 1;
    if (line == 0) {
      return LinePitch.SINGLE;
    }
    if (multiple) {
      return new LinePitch.Multiple(Math.clamp(line / 240.0, 0.06, 132));
    }
    return line < 0
        ? new LinePitch.Exactly(Math.min(1584, -line / TWIPS))
        : new LinePitch.AtLeast(line / TWIPS);
  }

  /** [MS-DOC] 2.9.16; empty where nothing is drawn. */
  static Optional<Rule> rule(BorderCode b) {
    if (b == null || b.isEmpty() || b.getBorderType() == 0 || b.getBorderType() == 255) {
      return Optional.empty();
    }
    Rule.Kind kind =
        switch (b.getBorderType()) {
          case 3 -> Rule.Kind.DOUBLE;
          case 6 -> Rule.Kind.DOTTED;
          case 7, 8, 9, 22 -> Rule.Kind.DASHED;
          default -> Rule.Kind.SINGLE;
        };
    int ico = b.getColor();
    return Optional.of(
        new Rule(
            kind,
            Math.max(0.25, b.getLineWidth() / 8.0),
            ico > 0 && ico < COLOURS.length ? new Colour(COLOURS[ico]) : Colour.BLACK,
            b.getSpace()));
  }

  /** The level that a built-in heading style has by its name. */
  static int builtInHeading(String name) {
    String n = name.toLowerCase(Locale.ROOT);
    return n.matches("heading [1-9]") ? n.charAt(8) - '0' : 0;
  }
}
