package decant.pdf.content;

import java.io.ByteArrayOutputStream;
import java.util.List;

/**
 * A change of a content stream.
 *
 * @param span what is replaced; nothing, where it is empty
 * @param by what stands there instead
 */
public record ContentSplice(Span span, byte[] by) {
  /** Something put in before a byte. */
  public static ContentSplice before(int at, byte[] what) {
    return new ContentSplice(new Span(at, at), what);
  }

  public static ContentSplice without(Span span) {
    return new ContentSplice(span, new byte[0]);
  }

  /**
   * A stream with changes; every byte that none of them is about stays as it is. Around what is put
   * in stands a space where it would run into its neighbours.
   *
   * @param changes in the order of the stream, none reaching into another
   * @throws IllegalArgumentException if they are not
   */
  public static byte[] all(byte[] stream, List<ContentSplice> changes) {
    var out = new ByteArrayOutputStream(stream.length + 64);
    int at = 0;
    for (ContentSplice c : changes) {
      if (c.span.from() < at || c.span.to() > stream.length) {
        throw new IllegalArgumentException("changes out of order: " + c.span);
      }
      out.write(stream, at, c.span.from() - at);
      at = c.span.to();
      if (c.by.length > 0) {
        out.write(' ');
        out.writeBytes(c.by);
        out.write(' ');
      } else if (c.span.length() > 0) {
        out.write(' ');
      }
    }
    out.write(stream, at, stream.length - at);
    return out.toByteArray();
  }
}
