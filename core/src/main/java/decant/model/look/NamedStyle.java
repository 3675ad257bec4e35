package decant.model.look;

import java.util.List;
import java.util.Optional;

/**
 * A named look that paragraphs or runs refer to.
 *
 * @param id how looks refer to it
 * @param name what a person calls it
 * @param basedOn the style whose traits it starts from
 * @param kept what the reader did not understand of it
 */
public record NamedStyle(
    String id,
    String name,
    Kind kind,
    Optional<String> basedOn,
    Look paragraph,
    Look text,
    List<Kept> kept) {
  /** This style with another look of paragraphs. */
  public NamedStyle withParagraph(Look other) {
    return new NamedStyle(id, name, kind, basedOn, other, text, kept);
  }

  public enum Kind {
    PARAGRAPH,
    CHARACTER,
    TABLE
  }
}
