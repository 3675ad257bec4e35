package decant.pdf.read.page;

import decant.model.look.Colour;
import decant.model.look.Comment;
import decant.model.look.FormField;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What is drawn about a glyph, and what lies on it.
 *
 * @param underlined a line runs below it
 * @param struck a line runs through it
 * @param highlight the colour that it stands on, if that is its own
 * @param leader dots fill it, if it is a gap
 * @param comments what was noted about it
 * @param field the place to fill in that it is in
 * @param linkFrame the colour of the frame that is asked for around the link that it is in
 */
public record Decor(
    boolean underlined,
    boolean struck,
    Optional<Colour> highlight,
    boolean leader,
    List<Comment> comments,
    Optional<FormField> field,
    Optional<Colour> linkFrame) {
  public static final Decor NONE = new Decor(false, false, Optional.empty());

  /** What is drawn about a letter. */
  public Decor(boolean underlined, boolean struck, Optional<Colour> highlight) {
    this(underlined, struck, highlight, false, List.of(), Optional.empty(), Optional.empty());
  }

  /** This for a gap that dots fill. */
  public Decor dotted() {
    return new Decor(underlined, struck, highlight, true, comments, field, linkFrame);
  }

  /** This without lines. */
  public Decor undrawn() {
    return new Decor(false, false, highlight, leader, comments, field, linkFrame);
  }

  /** This with one more remark. */
  public Decor with(Comment comment) {
    return new Decor(
        underlined, struck, highlight, leader, both(comments, List.of(comment)), field, linkFrame);
  }

  /** This in a place to fill in. */
  public Decor with(FormField in) {
    return new Decor(underlined, struck, highlight, leader, comments, Optional.of(in), linkFrame);
  }

  /** This in a link that a frame is asked for. */
  public Decor inFrame(Colour colour) {
    return new Decor(underlined, struck, highlight, leader, comments, field, Optional.of(colour));
  }

  /** Whether anything is drawn about the letter itself. */
  public boolean drawn() {
    return underlined || struck || highlight.isPresent() || leader;
  }

  /** All that either of two is. */
  public Decor and(Decor other) {
    return new Decor(
        underlined || other.underlined,
        struck || other.struck,
        other.highlight.isPresent() ? other.highlight : highlight,
        leader || other.leader,
        both(comments, other.comments),
        other.field.isPresent() ? other.field : field,
        other.linkFrame.isPresent() ? other.linkFrame : linkFrame);
  }

  /** What two neighbours have both. */
  public Decor shared(Decor other) {
    return equals(other)
        ? this
        : new Decor(
            underlined && other.underlined,
            struck && other.struck,
            highlight.equals(other.highlight) ? highlight : Optional.empty(),
            false,
            comments.stream().filter(other.comments::contains).toList(),
            field.equals(other.field) ? field : Optional.empty(),
            linkFrame.equals(other.linkFrame) ? linkFrame : Optional.empty());
  }

  private static List<Comment> both(List<Comment> some, List<Comment> more) {
    return more.isEmpty() || some.equals(more)
        ? some
        : Stream.concat(some.stream(), more.stream()).distinct().toList();
  }
}
