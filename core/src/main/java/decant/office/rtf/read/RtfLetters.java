package decant.office.rtf.read;

import com.rtfparserkit.rtf.Command;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.model.look.TextTraits.UnderlineKind;
import decant.office.emit.Languages;
import decant.office.rtf.read.RtfState.Letters;
import java.util.Optional;

/**
 * What commands say of letters (Rich Text Format 1.9.1, “Font (Character) Formatting Properties”).
 */
final class RtfLetters {
  private static final double TWIPS = 20;
  private static final double QUARTERS = 4;
  private static final int USUAL_SHIFT = 6; // half points, where none is said
  private static final double FARTHEST = 100;

  private final RtfFonts fonts;
  private final RtfColours colours;

  RtfLetters(RtfFonts fonts, RtfColours colours) {
    this.fonts = fonts;
    this.colours = colours;
  }

  /** Letters after a command, if it is one of theirs. */
  Optional<Letters> after(Letters l, Command c, int value, boolean hasValue) {
    boolean on = !hasValue || value != 0;
    return switch (c) {
      case plain -> Optional.of(Letters.plain(onlyLink(l.look())));
      case rtlch -> Optional.of(l.inComplex(true));
      case ltrch -> Optional.of(l.inComplex(false));
      case revised -> Optional.of(l.putIn(l.putIn().is(on)));
      case revauthN -> Optional.of(l.putIn(l.putIn().by(value)));
      case revdttmN -> Optional.of(l.putIn(l.putIn().at(value)));
      case deleted -> Optional.of(l.deleted(l.deleted().is(on)));
      case revauthdel -> Optional.of(l.deleted(l.deleted().by(value)));
      case revdttmdel -> Optional.of(l.deleted(l.deleted().at(value)));
      case af, afs, ab, ai -> Optional.of(l.withComplex(complex(l.complex(), c, value, on)));
      default -> look(l.look(), c, value, on, hasValue).map(l::with);
    };
  }

  /** What is said again for scripts that are shaped, or run from right to left. */
  private Look complex(Look look, Command c, int value, boolean on) {
    return switch (c) {
      case af -> named(look, value);
      case afs -> sized(look, value);
      case ab -> look.with(TextTraits.BOLD, on);
      default -> look.with(TextTraits.ITALIC, on);
    };
  }

  private Optional<Look> look(Look look, Command c, int value, boolean on, boolean hasValue) {
    return switch (c) {
      case b -> Optional.of(look.with(TextTraits.BOLD, on));
      case i -> Optional.of(look.with(TextTraits.ITALIC, on));
      case ul, ulhair -> Optional.of(underlined(look, UnderlineKind.SINGLE, on));
      case uldb, ululdbwave -> Optional.of(underlined(look, UnderlineKind.DOUBLE, on));
      case ulth, ulthd, ulthdash, ulthdashd, ulthdashdd, ulthldash ->
          Optional.of(underlined(look, UnderlineKind.THICK, on));
      case uld -> Optional.of(underlined(look, UnderlineKind.DOTTED, on));
      case uldash, uldashd, uldashdd, ulldash ->
          Optional.of(underlined(look, UnderlineKind.DASHED, on));
      case ulwave, ulhwave -> Optional.of(underlined(look, UnderlineKind.WAVE, on));
      case ulw -> Optional.of(underlined(look, UnderlineKind.WORDS, on));
      case ulnone -> Optional.of(underlined(look, UnderlineKind.SINGLE, false));
      case strike -> Optional.of(look.with(TextTraits.STRIKE, on));
      case striked -> Optional.of(look.with(TextTraits.DOUBLE_STRIKE, on));
      case caps -> Optional.of(look.with(TextTraits.ALL_CAPS, on));
      case scaps -> Optional.of(look.with(TextTraits.SMALL_CAPS, on));
      case v ->
          Optional.of(on ? look.with(TextTraits.HIDDEN, true) : look.without(TextTraits.HIDDEN));
      case supercmd -> Optional.of(look.with(TextTraits.RAISE, TextTraits.Raise.SUPERSCRIPT));
      case sub -> Optional.of(look.with(TextTraits.RAISE, TextTraits.Raise.SUBSCRIPT));
      case nosupersub -> Optional.of(look.without(TextTraits.RAISE));
      case up -> Optional.of(shifted(look, hasValue ? value : USUAL_SHIFT));
      case dn -> Optional.of(shifted(look, hasValue ? -value : -USUAL_SHIFT));
      case expndtwN -> Optional.of(spaced(look, value / TWIPS));
      case expnd ->
          look.sets(TextTraits.LETTER_SPACING)
              ? Optional.of(look) // said more finely already
              : Optional.of(spaced(look, value / QUARTERS));
      case kerningN -> Optional.of(kerned(look, value));
      case lang ->
          Optional.of(
              Languages.tag(value).map(t -> look.with(TextTraits.LANGUAGE, t)).orElse(look));
      case fs -> Optional.of(sized(look, value));
      case f -> Optional.of(named(look, value));
      case cf -> Optional.of(painted(look, value));
      case highlight, cb, chcbpat -> Optional.of(grounded(look, value));
      default -> Optional.empty();
    };
  }

  /** What the text leads to and what it stands on hold until their field ends. */
  private static Look onlyLink(Look look) {
    Look out = Look.PLAIN;
    if (look.sets(TextTraits.LINK)) {
      out = out.with(TextTraits.LINK, look.value(TextTraits.LINK));
    }
    return look.sets(TextTraits.FIELD)
        ? out.with(TextTraits.FIELD, look.value(TextTraits.FIELD))
        : out;
  }

  private static Look underlined(Look look, UnderlineKind kind, boolean on) {
    if (!on) {
      return look.without(TextTraits.UNDERLINE).without(TextTraits.UNDERLINE_KIND);
    }
    Look is = look.with(TextTraits.UNDERLINE, true);
    return kind == UnderlineKind.SINGLE
        ? is.without(TextTraits.UNDERLINE_KIND)
        : is.with(TextTraits.UNDERLINE_KIND, kind);
  }

  private static Look shifted(Look look, int halfPoints) {
    double by = Math.clamp(halfPoints / 2.0, -FARTHEST, FARTHEST);
    return by == 0 ? look.without(TextTraits.SHIFT) : look.with(TextTraits.SHIFT, by);
  }

  private static Look spaced(Look look, double by) {
    return by == 0
        ? look.without(TextTraits.LETTER_SPACING)
        : look.with(TextTraits.LETTER_SPACING, Math.clamp(by, -FARTHEST, FARTHEST));
  }

  /** From a size on, or at no size. */
  private static Look kerned(Look look, int halfPoints) {
    return halfPoints > 0
        ? look.with(TextTraits.KERNING, halfPoints / 2.0)
        : look.without(TextTraits.KERNING);
  }

  private static Look sized(Look look, int halfPoints) {
    return halfPoints >= 2 && halfPoints <= 3276
        ? look.with(TextTraits.SIZE, halfPoints / 2.0)
        : look;
  }

  private Look named(Look look, int font) {
    return fonts.family(font).map(f -> look.with(TextTraits.FAMILY, f)).orElse(look);
  }

  private Look painted(Look look, int number) {
    return colours
        .of(number)
        .map(c -> look.with(TextTraits.COLOUR, c))
        .orElseGet(() -> look.without(TextTraits.COLOUR));
  }

  private Look grounded(Look look, int number) {
    return colours
        .of(number)
        .filter(c -> number > 0)
        .map(c -> look.with(TextTraits.HIGHLIGHT, c))
        .orElseGet(() -> look.without(TextTraits.HIGHLIGHT));
  }
}
