package decant.office.emit;

import decant.model.Cell;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Comment;
import decant.model.look.FormField;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.walk.Part;
import java.util.Optional;

/** One thing that a document says. */
public sealed interface Event {
  /** What stands on a line sets itself of how it looks; empty for all else. */
  default Optional<Look> onLine() {
    return switch (this) {
      case Run r -> Optional.of(r.looks().own());
      case Value v -> Optional.of(v.looks().own());
      case NoteMark n -> Optional.of(n.looks().own());
      case Picture p -> Optional.of(p.picture().look());
      case Shape s -> Optional.of(s.shape().look());
      case KeptInline k -> Optional.of(k.looks().own());
      default -> Optional.empty();
    };
  }

  /**
   * A section begins.
   *
   * @param first whether it is the first of the document
   */
  record SectionStart(Section section, boolean first) implements Event {}

  /**
   * A section ends.
   *
   * @param last whether the document ends with it
   * @param told whether the paragraph that ended it said so; false where it ends with a table
   */
  record SectionEnd(Section section, boolean last, boolean told) implements Event {}

  /**
   * Where a block stands.
   *
   * @param part of the document
   * @param depth how many tables it stands in
   * @param last whether it is the last of its section, cell or story
   */
  record Place(Part part, int depth, boolean last) {
    /** Whether the end of what it stands in is its own end too. */
    public boolean endsWithContainer() {
      return last && (depth > 0 || part == Part.FLOW || part == Part.NOTES);
    }
  }

  /**
   * A paragraph begins.
   *
   * @param looks its own, and in force
   * @param label that is shown before it, of an item of a list
   * @param ends the section that ends with it, if another one follows
   */
  record ParagraphStart(
      Paragraph paragraph,
      ParagraphLooks looks,
      Optional<String> label,
      Optional<Section> ends,
      Place place)
      implements Event {}

  record ParagraphEnd(Paragraph paragraph, TextLooks looks, Place place) implements Event {}

  /**
   * A place that links lead to begins.
   *
   * @param number from 1, of all of the document
   */
  record BookmarkStart(String name, int number) implements Event {}

  record BookmarkEnd(String name, int number) implements Event {}

  /** Text that leads somewhere begins; a field stands within it, never around it. */
  record LinkStart(Link link) implements Event {}

  record LinkEnd() implements Event {}

  /**
   * A place to fill in begins, within a link if there is one.
   *
   * @param text that stands on it
   * @param number from 1, of all of the document
   */
  record FieldStart(FormField field, String text, int number) implements Event {}

  record FieldEnd() implements Event {}

  /**
   * What a comment is about begins.
   *
   * @param number from 0, of all that are written
   */
  record CommentStart(Comment comment, int number) implements Event {}

  record CommentEnd(Comment comment, int number) implements Event {}

  /** Text in one look, with tabs, breaks and soft hyphens in it. */
  record Run(String text, TextLooks looks) implements Event {}

  /**
   * A value that readers work out.
   *
   * @param instruction how they do so, as ISO/IEC 29500-1 §17.16 and RTF 1.9.1 write it
   * @param shown what it shows until then
   */
  record Value(String instruction, String shown, TextLooks looks) implements Event {}

  /**
   * The mark of a note.
   *
   * @param own whether it stands in the note itself
   */
  record NoteMark(Story note, boolean own, Optional<String> label, TextLooks looks)
      implements Event {}

  record Picture(Inline.Picture picture) implements Event {}

  /**
   * A drawn shape.
   *
   * @param text in it
   */
  record Shape(Inline.Shape shape, Optional<Story> text) implements Event {}

  /** Something on a line that only its own format knows. */
  record KeptInline(Inline.KeptInline kept, TextLooks looks) implements Event {}

  /** A block that only its own format knows. */
  record Kept(KeptBlock kept) implements Event {}

  record TableStart(Table table, CellGrid grid, Place place) implements Event {}

  /**
   * @param number from 0
   */
  record RowStart(Table table, CellGrid grid, int number, int depth) implements Event {}

  /** What stands in a row begins: a cell, or a lower part of one that began further up. */
  record CellStart(CellGrid.Piece piece, int depth) implements Event {
    public Cell cell() {
      return piece.cell();
    }
  }

  /**
   * @param open whether no paragraph ended it
   */
  record CellEnd(CellGrid.Piece piece, int depth, boolean open) implements Event {}

  record RowEnd(Table table, CellGrid grid, int number, int depth) implements Event {}

  record TableEnd(Table table, Place place) implements Event {}

  /** The looks of a text. */
  interface TextLooks {
    /** What the text itself sets. */
    Look own();

    /** What is in force, styles and all. */
    Look inForce();
  }

  /** The looks of a paragraph. */
  interface ParagraphLooks {
    /** What is in force, the styles of its table and its list included. */
    Look inForce();

    /** What its text looks like that sets nothing itself. */
    Look text();
  }
}
