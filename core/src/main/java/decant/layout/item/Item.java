package decant.layout.item;

import decant.model.Inline;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.MediaId;
import decant.text.FontFace;

/** Something on a line, placed from the line's left edge and its baseline. */
public sealed interface Item {
  /** Distance from the left edge of the line's block, in points. */
  double x();

  double width();

  /**
   * Glyphs of one face in one look.
   *
   * @param rise how far above the line's baseline it stands, in points
   */
  record GlyphRun(
      FontFace face,
      double size,
      Colour colour,
      double x,
      double rise,
      double width,
      Placed placed,
      Shown shown,
      Meaning meaning)
      implements Item {}

  /**
   * Glyphs, each in its place.
   *
   * @param glyphs glyph numbers, in visual order
   * @param xs origin of each glyph from the start of its run, in points
   * @param ys origin of each glyph above the baseline, in points
   * @param clusters for each glyph the place in the paragraph of the character it came from
   */
  record Placed(int[] glyphs, float[] xs, float[] ys, int[] clusters, boolean rightToLeft) {}

  /**
   * What of a paragraph glyphs show.
   *
   * @param from first place of the paragraph
   * @param to place after the last one
   * @param text the characters: those places, or the generated text if there are none
   */
  record Shown(Kind kind, int from, int to, String text) {
    /** What it is to the text. */
    public enum Kind {
      TEXT,
      /** The label of a list's item. */
      LABEL,
      NOTE_MARK,
      /** What fills the way to a tab stop. */
      LEADER,
      /** A hyphen that only the line's end calls for: no character of the text. */
      HYPHEN
    }

    /** Shown but not part of the text: list labels, hyphens at line ends, leaders, field values. */
    public boolean generated() {
      return to - from != text.length();
    }
  }

  /**
   * A filled rectangle: an underline, a background. {@code top} is above the baseline, in points.
   */
  record Fill(
      double x, double top, double width, double height, Colour colour, Role role, Pattern pattern)
      implements Item {
    /** What it is for; painted in this order, text between background and line. */
    public enum Role {
      BACKGROUND,
      LINE
    }

    /** How the area is filled along its length. */
    public enum Pattern {
      SOLID,
      DOTTED,
      DASHED,
      WAVE
    }
  }

  /** A picture that stands on the baseline. */
  record PictureBox(
      MediaId media,
      double x,
      double width,
      double height,
      Insets crop,
      double rotation,
      String alt,
      int at)
      implements Item {
    public static PictureBox of(Inline.Picture p, double x, int at) {
      return new PictureBox(
          p.media(), x, p.width(), p.height(), p.crop(), p.rotation(), p.alt(), at);
    }
  }

  /** A shape that stands on the baseline, with what stands in it. */
  record ShapeBox(Drawn shape, double x, double width, double height, int at) implements Item {}
}
