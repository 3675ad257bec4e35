package decant.pdf.file;

/**
 * What some bytes of a file serve.
 *
 * @param name which picture or font; empty for kinds of which there is one
 */
public record Part(Kind kind, String name) {
  /** The kinds of parts. */
  public enum Kind {
    TEXT("Text and drawing"),
    PICTURE("Picture"),
    FONT("Font"),
    STRUCTURE("Tags"),
    WAYFINDING("Bookmarks and links"),
    FIELDS("Fields and notes"),
    PARTICULARS("Particulars"),
    ATTACHMENT("Attached file"),
    FRAME("Pages and cross-references");

    private final String label;

    Kind(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  public static final Part TEXT = new Part(Kind.TEXT, "");
  public static final Part STRUCTURE = new Part(Kind.STRUCTURE, "");
  public static final Part WAYFINDING = new Part(Kind.WAYFINDING, "");
  public static final Part FIELDS = new Part(Kind.FIELDS, "");
  public static final Part PARTICULARS = new Part(Kind.PARTICULARS, "");
  public static final Part FRAME = new Part(Kind.FRAME, "");
}
