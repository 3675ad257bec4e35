package decant.pdf.file;

import decant.words.Words;

/**
 * What some bytes of a file serve.
 *
 * @param name which picture or font; empty for kinds of which there is one
 */
public record FilePart(Kind kind, String name) {
  private static final Words WORDS = Words.of(FilePart.class);

  /** The kinds of parts. */
  public enum Kind {
    TEXT("file-part.text-and-drawing"),
    PICTURE("file-part.picture"),
    FONT("file-part.font"),
    STRUCTURE("file-part.tags"),
    WAYFINDING("file-part.bookmarks-and-links"),
    FIELDS("file-part.fields-and-notes"),
    PARTICULARS("file-part.particulars"),
    ATTACHMENT("file-part.attached-file"),
    FRAME("file-part.pages-and-cross-references");

    private final String label;

    Kind(String label) {
      this.label = label;
    }

    public String label() {
      return WORDS.say(label);
    }
  }

  public static final FilePart TEXT = new FilePart(Kind.TEXT, "");
  public static final FilePart STRUCTURE = new FilePart(Kind.STRUCTURE, "");
  public static final FilePart WAYFINDING = new FilePart(Kind.WAYFINDING, "");
  public static final FilePart FIELDS = new FilePart(Kind.FIELDS, "");
  public static final FilePart PARTICULARS = new FilePart(Kind.PARTICULARS, "");
  public static final FilePart FRAME = new FilePart(Kind.FRAME, "");
}
