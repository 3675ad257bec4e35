package decant.model.look;

import java.util.List;
import java.util.Optional;

/**
 * A named look that paragraphs or runs refer to.
 *
 * @param id how looks refer to it
 * @param name what a person calls it
 * @param basedOn the style whose traits it starts from
 * @param next the style of the paragraph that is begun after one of this; itself if it names none
 * @param kept what the reader did not understand of it
 */
public record NamedStyle(
    String id,
    String name,
    Kind kind,
    Optional<String> basedOn,
    Optional<String> next,
    Look paragraph,
    Look text,
    List<Kept> kept) {
  /** A style that names none to follow it. */
  public NamedStyle(
      String id,
      String name,
      Kind kind,
      Optional<String> basedOn,
      Look paragraph,
      Look text,
      List<Kept> kept) {
    this(id, name, kind, basedOn, Optional.empty(), paragraph, text, kept);
  }

  /** This style with another look of paragraphs. */
  public NamedStyle withParagraph(Look other) {
    return withLooks(other, text);
  }

  /** This style with other looks. */
  public NamedStyle withLooks(Look ofParagraphs, Look ofText) {
    return new NamedStyle(id, name, kind, basedOn, next, ofParagraphs, ofText, kept);
  }

  /** This style under another name. */
  public NamedStyle withName(String other) {
    return new NamedStyle(id, other, kind, basedOn, next, paragraph, text, kept);
  }

  /** This style based on another. */
  public NamedStyle withBasedOn(Optional<String> other) {
    return new NamedStyle(id, name, kind, other, next, paragraph, text, kept);
  }

  /** This style followed by another. */
  public NamedStyle withNext(Optional<String> other) {
    return new NamedStyle(id, name, kind, basedOn, other, paragraph, text, kept);
  }

  public enum Kind {
    PARAGRAPH,
    CHARACTER,
    TABLE
  }
}
