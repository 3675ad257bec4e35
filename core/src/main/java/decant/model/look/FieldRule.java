package decant.model.look;

/**
 * What a form asks of a value that is filled in.
 *
 * @param most characters; 0 for any number
 * @param picture how a date is written, of {@code d}, {@code m} and {@code y}, as in {@code
 *     dd.mm.yyyy}; empty where none is asked for
 * @param least the smallest number, and
 * @param greatest the greatest; without limits where they are infinite
 */
public record FieldRule(int most, Sort sort, String picture, double least, double greatest) {
  /** What a value is. */
  public enum Sort {
    TEXT,
    NUMBER,
    DATE
  }

  public static final FieldRule NONE =
      new FieldRule(0, Sort.TEXT, "", Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY);

  public FieldRule withMost(int characters) {
    return new FieldRule(Math.max(0, characters), sort, picture, least, greatest);
  }

  public FieldRule number() {
    return new FieldRule(most, Sort.NUMBER, "", least, greatest);
  }

  public FieldRule between(double from, double to) {
    return new FieldRule(most, sort, picture, from, to);
  }

  public FieldRule date(String written) {
    return new FieldRule(most, Sort.DATE, written, least, greatest);
  }
}
