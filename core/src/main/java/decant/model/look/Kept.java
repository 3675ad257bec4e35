package decant.model.look;

/**
 * Something a reader did not understand, kept where it stood so that the writer of the same format
 * can put it back.
 *
 * @param format the format it came from, such as {@code docx}
 * @param source the thing itself in that format's own terms, such as an XML element
 */
public record Kept(String format, String source) {}
