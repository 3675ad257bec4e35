package decant.model;

/** What a document says of itself; empty strings for what it does not say. */
public record Particulars(
    String title, String subject, String author, String keywords, String language) {
  public static final Particulars NONE = new Particulars("", "", "", "", "");

  /** These without control characters, which neither XML nor a title bar can show. */
  public Particulars clean() {
    return new Particulars(
        clean(title), clean(subject), clean(author), clean(keywords), clean(language));
  }

  private static String clean(String s) {
    return s.replaceAll("[\\p{Cc}\\p{Cs}\\p{Cn}]+", " ").strip();
  }

  public Particulars withTitle(String other) {
    return new Particulars(other, subject, author, keywords, language);
  }

  public Particulars withAuthor(String other) {
    return new Particulars(title, subject, other, keywords, language);
  }
}
