package decant.model;

/** What a document says of itself; empty strings for what it does not say. */
public record Particulars(
    String title, String subject, String author, String keywords, String language) {
  public static final Particulars NONE = new Particulars("", "", "", "", "");

  public Particulars withTitle(String other) {
    return new Particulars(other, subject, author, keywords, language);
  }

  public Particulars withAuthor(String other) {
    return new Particulars(title, subject, other, keywords, language);
  }
}
