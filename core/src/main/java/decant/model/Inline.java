package decant.model;

import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Kept;
import decant.model.look.Look;
import decant.model.look.MediaId;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.VerticalAlignment;
import java.util.Optional;

/**
 * What a paragraph is made of. Text counts one place per UTF-16 unit, everything else one place, so
 * that a {@link Position} needs no knowledge of kinds. In text, {@code '\t'} is a tab, {@code '\n'}
 * a line break within the paragraph, {@code '\u000B'} a column break and {@code '\f'} a page break.
 */
public sealed interface Inline {
  /** Stands for anything that is not text in {@link Paragraph#text}. */
  char OBJECT = '\uFFFC';

  /** In text, ends the column. */
  char COLUMN_BREAK = '\u000B';

  Look look();

  /** This inline with another look. */
  Inline withLook(Look look);

  /** Where it stands. */
  default Placement placement() {
    return Placement.INLINE;
  }

  /** What can stand elsewhere, in another place; everything else as it is. */
  default Inline placed(Placement other) {
    return this;
  }

  /** How many places it takes up. */
  default int length() {
    return this instanceof Text t ? t.text().length() : 1;
  }

  /** Characters in one look. Never empty. */
  record Text(String text, Look look) implements Inline {
    public Text {
      if (text.isEmpty()) {
        throw new IllegalArgumentException("a text inline holds at least one character");
      }
    }

    @Override
    public Text withLook(Look other) {
      return new Text(text, other);
    }
  }

  /**
   * A picture on the line or anchored to it.
   *
   * @param width as shown, in points
   * @param height as shown, in points
   * @param alt alternative text, empty if there is none
   * @param crop the shares of the picture's width and height that are cut off at its edges
   * @param rotation clockwise around its middle, in degrees
   * @param kept the original's own description of it, for the writer of the same format
   */
  record Picture(
      MediaId media,
      double width,
      double height,
      String alt,
      Placement placement,
      Insets crop,
      double rotation,
      Optional<Kept> kept,
      Look look)
      implements Inline {
    /** A whole picture on the line. */
    public Picture(MediaId media, double width, double height, String alt, Look look) {
      this(media, width, height, alt, Placement.INLINE, Insets.NONE, 0, Optional.empty(), look);
    }

    @Override
    public Picture withLook(Look other) {
      return new Picture(media, width, height, alt, placement, crop, rotation, kept, other);
    }

    /** This picture with another description of the original's own. */
    public Picture withKept(Optional<Kept> other) {
      return new Picture(media, width, height, alt, placement, crop, rotation, other, look);
    }

    @Override
    public Picture placed(Placement other) {
      return new Picture(media, width, height, alt, other, crop, rotation, kept, look);
    }

    /** This picture turned to another angle. */
    public Picture turned(double degrees) {
      return new Picture(media, width, height, alt, placement, crop, degrees, kept, look);
    }

    /** This picture with another alternative text. */
    public Picture withAlt(String other) {
      return new Picture(media, width, height, other, placement, crop, rotation, kept, look);
    }
  }

  /**
   * A drawn shape, with text in it or without. A text box is a rectangle with a story.
   *
   * @param width as shown, in points
   * @param height as shown, in points; the least height if it grows with its text
   * @param content the text in it and where it stands
   * @param rotation clockwise around its middle, in degrees
   * @param kept the original's own description of it, for the writer of the same format
   */
  record Shape(
      Drawing drawing,
      double width,
      double height,
      BoxText content,
      String alt,
      Placement placement,
      double rotation,
      Optional<Kept> kept,
      Look look)
      implements Inline {
    @Override
    public Shape withLook(Look other) {
      return new Shape(drawing, width, height, content, alt, placement, rotation, kept, other);
    }

    @Override
    public Shape placed(Placement other) {
      return new Shape(drawing, width, height, content, alt, other, rotation, kept, look);
    }

    /** Whether it is painted before the text of the page, and has none of its own. */
    public boolean isBackdrop() {
      return placement instanceof Placement.Floating f && f.behind() && content.story().isEmpty();
    }

    /** This shape turned to another angle. */
    public Shape turned(double degrees) {
      return new Shape(drawing, width, height, content, alt, placement, degrees, kept, look);
    }

    /** This shape with another description of the original's own. */
    public Shape withKept(Optional<Kept> other) {
      return new Shape(drawing, width, height, content, alt, placement, rotation, other, look);
    }
  }

  /**
   * What a shape looks like.
   *
   * @param outline the line around it, or the line that it is
   */
  record Drawing(Geometry geometry, Optional<Colour> fill, Optional<Rule> outline) {}

  /**
   * The text in a shape.
   *
   * @param story the text, which is in {@link Document#stories}
   * @param grows whether the shape grows with it
   * @param padding from the edges to the text
   * @param alignment where it stands in a shape that it does not fill
   */
  record BoxText(
      Optional<NodeId> story, boolean grows, Insets padding, VerticalAlignment alignment) {}

  /** The outline of a shape within its box. */
  enum Geometry {
    RECTANGLE,
    ROUNDED,
    ELLIPSE,
    /** From the top left to the bottom right corner. */
    LINE_DOWN,
    /** From the bottom left to the top right corner. */
    LINE_UP;

    /** The radius of the corners of a rounded rectangle, as a share of its shorter side. */
    public static final double CORNER = 0.165;
  }

  /**
   * A value computed from the document or the page.
   *
   * @param target the bookmark whose page is shown, the id of the style whose text is, or how a
   *     date is written; empty for other kinds
   * @param shown what the source showed last
   */
  record Field(Kind kind, String target, String shown, Look look) implements Inline {
    public enum Kind {
      PAGE,
      PAGES,
      TITLE,
      /** The page that a bookmark stands on. */
      PAGE_OF,
      /** The text that stands on the page in a named style: the chapter that a page belongs to. */
      STYLED_TEXT,
      /** The day on which the document is looked at. */
      DATE,
      /** Not computed by us: what the source showed last. */
      OTHER
    }

    /** A field that has no target. */
    public Field(Kind kind, String shown, Look look) {
      this(kind, "", shown, look);
    }

    @Override
    public Field withLook(Look other) {
      return new Field(kind, target, shown, other);
    }
  }

  /**
   * The mark of a footnote or endnote, whose text is in {@link Document#stories}. In a note's own
   * text it shows the note's label.
   */
  record NoteMark(NodeId note, Look look) implements Inline {
    @Override
    public NoteMark withLook(Look other) {
      return new NoteMark(note, other);
    }
  }

  /**
   * Something not understood, kept in its place; {@code shown} stands for it on the page and may be
   * empty.
   */
  record KeptInline(Kept kept, String shown, Look look) implements Inline {
    @Override
    public KeptInline withLook(Look other) {
      return new KeptInline(kept, shown, other);
    }
  }
}
