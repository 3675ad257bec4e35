package decant.compare;

/**
 * The label of an item of a list, or of a heading that is counted.
 *
 * @param series what it is counted with; each version has its own
 * @param depth from 0
 * @param text as it stands before the item
 */
record Label(String series, int depth, String text) {
  /** What of labels is the same in every format: signs before items are drawn in many ways. */
  String counted() {
    return text.replaceAll("[^\\p{L}\\p{N}.]", "").replaceAll("^\\.+|\\.+$", "");
  }

  /** How it is counted: 1. and 7. are alike, 1. and a) are not. */
  String manner() {
    return text.replaceAll("\\p{N}+", "9").replaceAll("\\p{L}+", "a");
  }
}
