package decant.recipe;

/** Which fonts are put into an editable document, beside those that it brought along itself. */
public enum FontsInside {
  NONE,
  /** Of each font that text is in, the characters that it uses. */
  USED,
  /** Each font that text is in, whole. */
  WHOLE
}
