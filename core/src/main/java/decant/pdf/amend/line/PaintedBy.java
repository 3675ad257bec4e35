package decant.pdf.amend.line;

import decant.pdf.content.Span;
import java.util.List;

/**
 * What of a content paints a picture or a drawing.
 *
 * @param span all of it
 * @param parts what of it paints; the rest sets colours and lines that what follows may need
 * @param isolated whether nothing that it sets holds beyond it
 */
public record PaintedBy(Span span, List<Span> parts, boolean isolated) {
  public PaintedBy {
    parts = List.copyOf(parts);
  }

  /** One operator, or what stands between q and Q. */
  static PaintedBy whole(Span span) {
    return new PaintedBy(span, List.of(span), true);
  }
}
