package decant.recipe;

import decant.model.Metadata;
import decant.words.Words;

/**
 * What a published file says of itself.
 *
 * @param from what holds where nothing is set here
 * @param title set here; empty for what {@code from} gives
 * @param language a BCP 47 tag
 */
public record Details(
    From from, String title, String subject, String author, String keywords, String language) {
  private static final Words WORDS = Words.of(Details.class);

  public static final Details OF_DOCUMENT = new Details(From.DOCUMENT, "", "", "", "", "");

  /** Where particulars come from. */
  public enum From {
    DOCUMENT("details.the-documents-own"),
    /** None: nothing of the document's own goes along. */
    NOWHERE("details.none-but-these");

    private final String label;

    From(String label) {
      this.label = label;
    }

    public String label() {
      return WORDS.say(label);
    }
  }

  public Details {
    if (!language.matches("|[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*")) {
      throw new IllegalArgumentException(WORDS.say("details.a-language-is-given-by", language));
    }
  }

  /** What the file will say, for a document that says this. */
  public Metadata over(Metadata own) {
    Metadata base =
        from == From.DOCUMENT
            ? own
            : new Metadata("", "", "", "", own.language()); // aids need it to read aloud
    return new Metadata(
        or(title, base.title()),
        or(subject, base.subject()),
        or(author, base.author()),
        or(keywords, base.keywords()),
        or(language, base.language()));
  }

  private static String or(String here, String there) {
    return here.isBlank() ? there : here.strip();
  }
}
