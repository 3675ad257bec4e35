package decant.pdf.content;

/**
 * A stretch of a stream.
 *
 * @param from its first byte
 * @param to the byte after it
 */
public record Span(int from, int to) {
  public Span {
    if (from < 0 || to < from) {
      throw new IllegalArgumentException(from + " to " + to);
    }
  }

  public int length() {
    return to - from;
  }
}
