package decant.model;

/** What a document says of itself; empty strings for what it does not say. */
public record Metadata(
    String title, String subject, String author, String keywords, String language) {
  public static final Metadata NONE = new Metadata("", "", "", "", "");

  /** These without control characters, which neither XML nor a title bar can show. */
  public Metadata clean() {
    return new Metadata(
        clean(title), clean(subject), clean(author), clean(keywords), clean(language));
  }

  private static String clean(String s) {
    return s.replaceAll("[\\p{Cc}\\p{Cs}\\p{Cn}]+", " ").strip();
  }

  public Metadata withTitle(String other) {
    return new Metadata(other, subject, author, keywords, language);
  }

  public Metadata withAuthor(String other) {
    return new Metadata(title, subject, other, keywords, language);
  }
}
