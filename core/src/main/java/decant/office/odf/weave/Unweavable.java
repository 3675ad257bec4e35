package decant.office.odf.weave;

/** What was changed cannot stand in the source's package. */
final class Unweavable extends Exception {
  private static final long serialVersionUID = 1;

  Unweavable(String why) {
    super(why);
  }
}
