package decant.model;

/**
 * A line of a paragraph where its source had it. Lengths in points.
 *
 * @param page of the source, from 0
 * @param from the place in the paragraph's text that it begins with
 * @param baseline from the upper edge of the page
 * @param divided whether it begins within a word that a hyphen divides
 * @param left where its column begins, from the left edge of the text of its page
 * @param words the places in the text that its words begin with
 * @param xs their left edges, from that of its column; as many as words
 * @param ends their right edges; as many as words
 */
public record SetLine(
    int page,
    int from,
    double baseline,
    boolean divided,
    double left,
    int[] words,
    float[] xs,
    float[] ends) {
  @Override
  public boolean equals(Object o) {
    return this == o;
  }

  @Override
  public int hashCode() {
    return System.identityHashCode(this);
  }
}
