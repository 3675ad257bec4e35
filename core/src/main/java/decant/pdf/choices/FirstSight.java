package decant.pdf.choices;

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
    VIEWERS("As the viewer likes"),
    WHOLE_PAGE("Whole page"),
    PAGE_WIDTH("Page width"),
    ACTUAL("100 %");

    private final String label;

    Zoom(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /** What is open beside the page: PageMode. */
  public enum Panel {
    NOTHING("UseNone", "Nothing"),
    BOOKMARKS("UseOutlines", "Bookmarks, if there are any"),
    PAGES("UseThumbs", "Small pages"),
    ATTACHMENTS("UseAttachments", "Attached files"),
    FULL_SCREEN("FullScreen", "Nothing: full screen");

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
      return label;
    }
  }

  /** How pages stand together: PageLayout. */
  public enum Arrangement {
    VIEWERS("", "As the viewer likes"),
    ONE_PAGE("SinglePage", "One page at a time"),
    COLUMN("OneColumn", "One below the other"),
    TWO_COLUMNS("TwoColumnLeft", "Two beside each other"),
    TWO_COLUMNS_COVER("TwoColumnRight", "Two beside each other after a cover"),
    SPREAD("TwoPageLeft", "Spreads"),
    SPREAD_COVER("TwoPageRight", "Spreads after a cover");

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
      return label;
    }
  }

  /** Whether printing may scale pages. */
  public enum PrintScaling {
    VIEWERS("As the viewer likes"),
    NONE("Actual size");

    private final String label;

    PrintScaling(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /** Printing on both sides. */
  public enum Duplex {
    VIEWERS("", "As the printer is set"),
    ONE_SIDE("Simplex", "One side"),
    LONG_EDGE("DuplexFlipLongEdge", "Both sides, turned on the long edge"),
    SHORT_EDGE("DuplexFlipShortEdge", "Both sides, turned on the short edge");

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
      return label;
    }
  }

  public FirstSight {
    if (page < 1) {
      throw new IllegalArgumentException("pages are counted from 1, so the first is not " + page);
    }
    if (copies < 0 || copies > 99) {
      throw new IllegalArgumentException("copies are 1 to 99, or 0, not " + copies);
    }
  }
}
