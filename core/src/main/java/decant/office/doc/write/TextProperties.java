package decant.office.doc.write;

import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import decant.office.emit.Languages;
import decant.office.pending.Authors;
import decant.office.pending.Dttm;
import decant.office.pending.Pending;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** Looks of text as properties of characters ([MS-DOC] 2.6.1): what differs from what is below. */
final class TextProperties {
  private static final double NEVER = 1600; // points: no text is as large

  private final Fonts fonts;

  /** Those who made changes, whom text names by their numbers. */
  private final Authors authors = new Authors();

  TextProperties(Fonts fonts) {
    this.fonts = fonts;
  }

  /** That text waits to be accepted, or for its end (§2.6.1). */
  Properties changed(Pending p) {
    int by = authors.number(p.author());
    int at = Dttm.write(p.date());
    return p.kind() == Pending.Kind.PUT_IN
        ? new Properties()
            .flag(Sprm.C_PUT_IN, true)
            .add(Sprm.C_PUT_IN_BY, by)
            .add(Sprm.C_PUT_IN_AT, at)
        : new Properties()
            .flag(Sprm.C_TAKEN_OUT, true)
            .add(Sprm.C_TAKEN_OUT_BY, by)
            .add(Sprm.C_TAKEN_OUT_AT, at);
  }

  /** The names of those who made changes (SttbfRMark, §2.9.277); empty if nobody did. */
  Optional<Bytes> authors() {
    List<String> names = authors.table();
    var out = new Bytes().u16(0xFFFF).u16(names.size()).u16(0);
    names.forEach(out::counted);
    return names.isEmpty() ? Optional.empty() : Optional.of(out);
  }

  /**
   * What differs.
   *
   * @param look in force
   * @param below what holds where nothing is said
   */
  Properties differing(Look look, Look below) {
    return of(look, t -> !look.value(t).equals(below.value(t)));
  }

  /** All that a look sets, whatever holds below it. */
  Properties set(Look look) {
    return of(look, look::sets);
  }

  /**
   * @param asked which traits are written
   */
  private Properties of(Look look, Predicate<Trait<?>> asked) {
    var out = new Properties();
    if (asked.test(TextTraits.FAMILY)) {
      int font = fonts.number(look.value(TextTraits.FAMILY));
      out.add(Sprm.C_FONT, font).add(Sprm.C_FONT_EAST_ASIAN, font);
      out.add(Sprm.C_FONT_OTHER, font).add(Sprm.C_FONT_COMPLEX, font);
    }
    if (asked.test(TextTraits.SIZE)) {
      long size = Math.clamp(Math.round(look.value(TextTraits.SIZE) * 2), 2, 3276);
      out.add(Sprm.C_SIZE, size).add(Sprm.C_SIZE_COMPLEX, size);
    }
    if (asked.test(TextTraits.BOLD)) {
      boolean on = look.value(TextTraits.BOLD);
      out.flag(Sprm.C_BOLD, on).flag(Sprm.C_BOLD_COMPLEX, on);
    }
    if (asked.test(TextTraits.ITALIC)) {
      boolean on = look.value(TextTraits.ITALIC);
      out.flag(Sprm.C_ITALIC, on).flag(Sprm.C_ITALIC_COMPLEX, on);
    }
    flag(out, look, asked, TextTraits.STRIKE, Sprm.C_STRIKE);
    flag(out, look, asked, TextTraits.DOUBLE_STRIKE, Sprm.C_DOUBLE_STRIKE);
    flag(out, look, asked, TextTraits.ALL_CAPS, Sprm.C_CAPS);
    flag(out, look, asked, TextTraits.SMALL_CAPS, Sprm.C_SMALL_CAPS);
    flag(out, look, asked, TextTraits.HIDDEN, Sprm.C_VANISH);
    if (asked.test(TextTraits.UNDERLINE) || asked.test(TextTraits.UNDERLINE_KIND)) {
      out.add(Sprm.C_UNDERLINE, underline(look));
    }
    if (asked.test(TextTraits.COLOUR)) {
      out.add(Sprm.C_COLOUR, Units.colour(look.value(TextTraits.COLOUR)));
    }
    if (asked.test(TextTraits.HIGHLIGHT)) {
      Colour behind = look.value(TextTraits.HIGHLIGHT);
      out.add(Sprm.C_SHADING, Units.shading(behind));
    }
    if (asked.test(TextTraits.RAISE)) {
      out.add(
          Sprm.C_SUPER_SUB,
          switch (look.value(TextTraits.RAISE)) {
            case NONE -> 0;
            case SUPERSCRIPT -> 1;
            case SUBSCRIPT -> 2;
          });
    }
    if (asked.test(TextTraits.SHIFT)) {
      out.add(Sprm.C_SHIFT, Math.round(look.value(TextTraits.SHIFT) * 2));
    }
    if (asked.test(TextTraits.LETTER_SPACING)) {
      out.add(Sprm.C_SPACING, Units.twips(look.value(TextTraits.LETTER_SPACING)));
    }
    if (asked.test(TextTraits.KERNING)) {
      out.add(Sprm.C_KERNING, kerning(look));
    }
    if (asked.test(TextTraits.LANGUAGE)) {
      Languages.number(look.value(TextTraits.LANGUAGE))
          .ifPresent(n ->
              out.add(Sprm.C_LANGUAGE_80, n)
                  .add(Sprm.C_LANGUAGE, n)
                  .add(Sprm.C_LANGUAGE_COMPLEX, n));
    }
    return out;
  }

  private static void flag(
      Properties out, Look look, Predicate<Trait<?>> asked, Trait<Boolean> trait, int sprm) {
    if (asked.test(trait)) {
      out.flag(sprm, look.value(trait));
    }
  }

  /** Kul, §2.9.129. */
  private static int underline(Look look) {
    if (!look.value(TextTraits.UNDERLINE)) {
      return 0;
    }
    return switch (look.value(TextTraits.UNDERLINE_KIND)) {
      case SINGLE -> 1;
      case WORDS -> 2;
      case DOUBLE -> 3;
      case DOTTED -> 4;
      case THICK -> 6;
      case DASHED -> 7;
      case WAVE -> 11;
    };
  }

  /** From which size on pairs are kerned, in half points; 0 for never. */
  private static int kerning(Look look) {
    double from = look.value(TextTraits.KERNING);
    return from >= NEVER ? 0 : (int) Math.max(1, Math.round(from * 2));
  }
}
