package decant.pdf.choices;

import decant.words.Words;

/**
 * How a viewer opens the file and offers to print it (ISO 32000-2 tables 29 and 147).
 *
 * @param page the page that is shown first, from 1
 * @param zoom how large
 * @param panel what stands beside the page
 * @param arrangement how pages stand together
 * @param window what the viewer shows around the pages
 * @param printing what it offers for printing
 */
public record InitialView(
    int page, Zoom zoom, Panel panel, Arrangement arrangement, Window window, Printing printing)
    implements PdfSetting {
  private static final Words WORDS = Words.of(InitialView.class);

  public static final InitialView DEFAULT =
      new InitialView(
          1, Zoom.VIEWERS, Panel.BOOKMARKS, Arrangement.VIEWERS, Window.DEFAULT, Printing.DEFAULT);

  /**
   * What the viewer shows around the pages.
   *
   * @param hideToolbar whether its tools are hidden
   * @param hideMenu whether its menu is hidden
   * @param hideControls whether its scroll bars and the like are hidden
   * @param fitWindow whether its window takes the size of the page
   * @param titleInBar whether its title bar shows the document's title rather than the file's name
   */
  public record Window(
      boolean hideToolbar,
      boolean hideMenu,
      boolean hideControls,
      boolean fitWindow,
      boolean titleInBar) {
    public static final Window DEFAULT = new Window(false, false, false, false, true);
  }

  /**
   * What the viewer offers for printing.
   *
   * @param scaling whether it may fit pages to the paper
   * @param duplex how it prints on both sides
   * @param copies how many copies it offers to print, up to 99; 0 leaves it to the viewer
   */
  public record Printing(PrintScaling scaling, Duplex duplex, int copies) {
    public static final Printing DEFAULT = new Printing(PrintScaling.VIEWERS, Duplex.VIEWERS, 0);

    public Printing {
      if (copies < 0 || copies > 99) {
        throw new IllegalArgumentException(WORDS.say("initial-view.copies", copies));
      }
    }
  }

  /** How large the first page is shown. */
  public enum Zoom {
    VIEWERS("initial-view.as-the-viewer-likes"),
    WHOLE_PAGE("initial-view.whole-page"),
    PAGE_WIDTH("initial-view.page-width"),
    ACTUAL("initial-view.hundred");

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
    NOTHING("UseNone", "initial-view.nothing"),
    BOOKMARKS("UseOutlines", "initial-view.bookmarks-if-there-are-any"),
    PAGES("UseThumbs", "initial-view.small-pages"),
    ATTACHMENTS("UseAttachments", "initial-view.attached-files"),
    FULL_SCREEN("FullScreen", "initial-view.nothing-full-screen");

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
    VIEWERS("", "initial-view.as-the-viewer-likes"),
    ONE_PAGE("SinglePage", "initial-view.one-page-at-a-time"),
    COLUMN("OneColumn", "initial-view.one-below-the-other"),
    TWO_COLUMNS("TwoColumnLeft", "initial-view.two-beside-each-other"),
    TWO_COLUMNS_COVER("TwoColumnRight", "initial-view.two-beside-each-other-after"),
    SPREAD("TwoPageLeft", "initial-view.spreads"),
    SPREAD_COVER("TwoPageRight", "initial-view.spreads-after-a-cover");

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
    VIEWERS("initial-view.as-the-viewer-likes"),
    NONE("initial-view.actual-size");

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
    VIEWERS("", "initial-view.as-the-printer-is-set"),
    ONE_SIDE("Simplex", "initial-view.one-side"),
    LONG_EDGE("DuplexFlipLongEdge", "initial-view.both-sides-turned-on-the"),
    SHORT_EDGE("DuplexFlipShortEdge", "initial-view.both-sides-turned-on-the-2");

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

  public InitialView {
    if (page < 1) {
      throw new IllegalArgumentException(WORDS.say("initial-view.first-page", page));
    }
  }
}
