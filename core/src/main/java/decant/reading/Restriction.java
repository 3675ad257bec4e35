package decant.reading;

import decant.model.finding.Finding;
import decant.words.Words;

/**
 * What a document asks of those who open it. It binds no one: it is told, kept where a format can
 * say it, and does not keep anybody from revising.
 */
public enum Restriction {
  /** To be opened for reading, unless it is to be changed. */
  READING_RECOMMENDED("restriction.reading-recommended"),
  /** To be changed only by those who know a password. */
  WRITING_RESERVED("restriction.writing-reserved"),
  READING_ONLY("restriction.reading-only"),
  COMMENTS_ONLY("restriction.comments-only"),
  TRACKED_ONLY("restriction.tracked-only"),
  FORMS_ONLY("restriction.forms-only"),
  /** Only some looks are to be used. */
  SOME_LOOKS_ONLY("restriction.some-looks-only");

  private static final Words WORDS = Words.of(Restriction.class);

  private final String words;

  Restriction(String words) {
    this.words = words;
  }

  public Finding finding() {
    return Finding.general(Finding.Kind.REMARK, Finding.Severity.NOTE, WORDS.say(words));
  }
}
