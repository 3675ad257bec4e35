package decant.model.look;

/**
 * What somebody noted about a piece of the text, which is no part of it.
 *
 * @param id tells it from others; the same on every run that it is about
 * @param author who noted it; empty if unknown
 * @param date when, as ISO 8601 has it; empty if unknown
 * @param kept whether the original's own account of it goes back by itself where the document is
 *     written in the format it came in
 */
public record Comment(String id, String author, String date, String text, boolean kept) {}
