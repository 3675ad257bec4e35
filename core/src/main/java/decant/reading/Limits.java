package decant.reading;

/**
 * How much a reader takes on before it gives up with {@link ReadProblem.Kind#TOO_LARGE}.
 *
 * @param fileBytes size of the file
 * @param unpackedBytes size of everything in a package, or of one decoded stream
 * @param ratio how many times larger than packed an entry may be, once it is over a mebibyte
 * @param entries parts of a package
 * @param depth nesting of elements
 * @param pages pages of a file
 */
public record Limits(
    long fileBytes, long unpackedBytes, int ratio, int entries, int depth, int pages) {
  public static final Limits DEFAULT = new Limits(1L << 30, 2L << 30, 400, 20_000, 400, 20_000);
}
