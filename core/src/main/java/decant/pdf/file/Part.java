package decant.pdf.file;

import decant.words.Words;

/**
 * What some bytes of a file serve.
 *
 * @param name which picture or font; empty for kinds of which there is one
 */
public record Part(Kind kind, String name) {
  private static final Words WORDS = Words.of(Part.class);

  /** The kinds of parts. */
  public enum Kind {
    TEXT("part.text-and-drawing"),
    PICTURE("part.picture"),
    FONT("part.font"),
    STRUCTURE("part.tags"),
    WAYFINDING("part.bookmarks-and-links"),
    FIELDS("part.fields-and-notes"),
    PARTICULARS("part.particulars"),
    ATTACHMENT("part.attached-file"),
    FRAME("part.pages-and-cross-references");

    private final String label;

    Kind(String label) {
      this.label = label;
    }

    public String label() {
      return WORDS.say(label);
    }
  }

  public static final Part TEXT = new Part(Kind.TEXT, "");
  public static final Part STRUCTURE = new Part(Kind.STRUCTURE, "");
  public static final Part WAYFINDING = new Part(Kind.WAYFINDING, "");
  public static final Part FIELDS = new Part(Kind.FIELDS, "");
  public static final Part PARTICULARS = new Part(Kind.PARTICULARS, "");
  public static final Part FRAME = new Part(Kind.FRAME, "");
}
