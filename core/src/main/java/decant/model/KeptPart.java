package decant.model;

/**
 * A part of a package file that is not part of the document as we know it, kept for the writer of
 * the same format; or the whole file, for the writer to change only what was changed in it.
 *
 * @param format such as {@code docx}
 * @param name the part's name in the package, empty for the whole file
 * @param contentType its declared type, empty if none
 */
public record KeptPart(String format, String name, String contentType, byte[] bytes) {
  /** The file that a document came in. */
  public static KeptPart whole(String format, byte[] file) {
    return new KeptPart(format, "", "", file);
  }

  public boolean isWhole() {
    return name.isEmpty();
  }
}
