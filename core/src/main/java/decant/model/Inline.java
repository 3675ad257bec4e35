package decant.model;

import java.util.Optional;

/**
 * What a paragraph is made of. Text counts one place per UTF-16 unit, everything else one place, so
 * that a {@link Position} needs no knowledge of kinds. In text, {@code '\t'} is a tab, {@code '\n'}
 * a line break within the paragraph and {@code '\f'} a page break.
 */
public sealed interface Inline {
  /** Stands for anything that is not text in {@link Paragraph#text}. */
  char OBJECT = '\uFFFC';

  Look look();

  /** This inline with another look. */
  Inline withLook(Look look);

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
   * @param kept the original's own description of it, for the writer of the same format
   */
  record Picture(
      MediaId media,
      double width,
      double height,
      String alt,
      Placement placement,
      Optional<Kept> kept,
      Look look)
      implements Inline {
    @Override
    public Picture withLook(Look other) {
      return new Picture(media, width, height, alt, placement, kept, other);
    }
  }

  /** Where a picture stands. */
  enum Placement {
    /** On the line like a character. */
    INLINE
  }

  /** A value computed from the document or the page. */
  record Field(Kind kind, String shown, Look look) implements Inline {
    public enum Kind {
      PAGE,
      PAGES,
      TITLE,
      /** Not computed by us: what the source showed last. */
      OTHER
    }

    @Override
    public Field withLook(Look other) {
      return new Field(kind, shown, other);
    }
  }

  /** The mark of a footnote or endnote, whose text is in {@link Document#notes}. */
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
