package decant.format;

/** What became of the file that a document came in when the document was written. */
public enum Written {
  /** All that the format can hold of the document, and of its file, is there. */
  WHOLE,

  /** All of the document is there; what its file holds that is not known to us is not. */
  ANEW;

  /**
   * @param whole whether nothing of the file was given up
   */
  public static Written of(boolean whole) {
    return whole ? WHOLE : ANEW;
  }
}
