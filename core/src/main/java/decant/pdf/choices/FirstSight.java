package decant.pdf.choices;

import decant.words.Words;

/**
 * How a viewer opens the file and offers to print it (ISO 32000-2 tables 29 and 147).
 *
 * @param page the page that is shown first, from 1
 * @param zoom how large
 * @param panel what stands beside the page
 * @param arrangement how pages stand together
 * @param hideToolbar whether the viewer's tools are hidden
 * @param hideMenu whether its menu is hidden
 * @param hideControls whether its scroll bars and the like are hidden
 * @param fitWindow whether its window takes the size of the page
 * @param titleInBar whether its title bar shows the document's title rather than the file's name
 * @param printScaling whether it may fit pages to the paper
 * @param duplex how it prints on both sides
 * @param copies how many copies it offers to print; 0 leaves it to the viewer
 */
public record FirstSight(
    int page,
    Zoom zoom,
    Panel panel,
    Arrangement arrangement,
    boolean hideToolbar,
    boolean hideMenu,
    boolean hideControls,
    boolean fitWindow,
    boolean titleInBar,
    PrintScaling printScaling,
    Duplex duplex,
    int copies) {
  private static final Words WORDS = Words.of(FirstSight.class);

  public static final FirstSight USUAL =
      new FirstSight(
          1,
          Zoom.VIEWERS,
          Panel.BOOKMARKS,
          Arrangement.VIEWERS,
          false,
          false,
          false,
          false,
          true,
          PrintScaling.VIEWERS,
          Duplex.VIEWERS,
          0);

  /** How large the first page is shown. */
  public enum Zoom {
    VIEWERS("first-sight.as-the-viewer-likes"),
    WHOLE_PAGE("first-sight.whole-page"),
    PAGE_WIDTH("first-sight.page-width"),
    ACTUAL("first-sight.hundred");

    private final String label;

    Zoom(String label) {
      this.label = label;
    }

    public String label() {
      return WORDS.say(label);
    }
  }

  /** What is open beside the page: PageMode. */
  public enum Panel {
    NOTHING("UseNone", "first-sight.nothing"),
    BOOKMARKS("UseOutlines", "first-sight.bookmarks-if-there-are-any"),
    PAGES("UseThumbs", "first-sight.small-pages"),
    ATTACHMENTS("UseAttachments", "first-sight.attached-files"),
    FULL_SCREEN("FullScreen", "first-sight.nothing-full-screen");

    private final String name;
    private final String label;

    Panel(String name, String label) {
      this.name = name;
      this.label = label;
    }

    /** As PDF names it. */
    public String pdfName() {
      return name;
    }

    public String label() {
      return WORDS.say(label);
    }
  }

  /** How pages stand together: PageLayout. */
  public enum Arrangement {
    VIEWERS("", "first-sight.as-the-viewer-likes"),
    ONE_PAGE("SinglePage", "first-sight.one-page-at-a-time"),
    COLUMN("OneColumn", "first-sight.one-below-the-other"),
    TWO_COLUMNS("TwoColumnLeft", "first-sight.two-beside-each-other"),
    TWO_COLUMNS_COVER("TwoColumnRight", "first-sight.two-beside-each-other-after"),
    SPREAD("TwoPageLeft", "first-sight.spreads"),
    SPREAD_COVER("TwoPageRight", "first-sight.spreads-after-a-cover");

    private final String name;
    private final String label;

    Arrangement(String name, String label) {
      this.name = name;
      this.label = label;
    }

    /** As PDF names it; empty to say nothing. */
    public String pdfName() {
      return name;
    }

    public String label() {
      return WORDS.say(label);
    }
  }

  /** Whether printing may scale pages. */
  public enum PrintScaling {
    VIEWERS("first-sight.as-the-viewer-likes"),
    NONE("first-sight.actual-size");

    private final String label;

    PrintScaling(String label) {
      this.label = label;
    }

    public String label() {
      return WORDS.say(label);
    }
  }

  /** Printing on both sides. */
  public enum Duplex {
    VIEWERS("", "first-sight.as-the-printer-is-set"),
    ONE_SIDE("Simplex", "first-sight.one-side"),
    LONG_EDGE("DuplexFlipLongEdge", "first-sight.both-sides-turned-on-the"),
    SHORT_EDGE("DuplexFlipShortEdge", "first-sight.both-sides-turned-on-the-2");

    private final String name;
    private final String label;

    Duplex(String name, String label) {
      this.name = name;
      this.label = label;
    }

    /** As PDF names it; empty to say nothing. */
    public String pdfName() {
      return name;
    }

    public String label() {
      return WORDS.say(label);
    }
  }

  public FirstSight {
    if (page < 1) {
      throw new IllegalArgumentException(WORDS.say("first-sight.first-page", page));
    }
    if (copies < 0 || copies > 99) {
      throw new IllegalArgumentException(WORDS.say("first-sight.copies", copies));
    }
  }
}
