package decant.model;

/**
 * A part of a package file that is not part of the document as we know it, kept for the writer of
 * the same format.
 *
 * @param format such as {@code docx}
 * @param name the part's name in the package
 * @param contentType its declared type, empty if none
 */
public record KeptPart(String format, String name, String contentType, byte[] bytes) {}
