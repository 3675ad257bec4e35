package decant.layout.item;

import decant.model.Inline;
import java.util.List;

/**
 * A shape as it is drawn.
 *
 * @param height as drawn: that of its text where it grows with it
 * @param content what stands in it, from its top left corner
 */
public record Drawn(Inline.Shape shape, double height, List<Fragment> content) {
  public Drawn {
    content = List.copyOf(content);
  }
}
