package decant.model.look;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** The traits of paragraphs. Lengths are in points. */
public final class ParagraphTraits {
  /** Where lines stand between the margins; start and end follow the direction of the paragraph. */
  public enum Alignment {
    START,
    CENTRE,
    END,
    JUSTIFIED
  }

  /** The base direction of a paragraph (UAX #9, P2 and P3). */
  public enum Direction {
    LEFT_TO_RIGHT,
    RIGHT_TO_LEFT
  }

  /** A place that a tab advances to, measured from the paragraph's left margin. */
  public record TabStop(double at, Kind kind, Leader leader) {
    /** How the text after the tab stands to the stop. */
    public enum Kind {
      LEFT,
      CENTRE,
      RIGHT,
      /** The decimal sign of a number stands at the stop. */
      DECIMAL,
      /** Takes away a stop that a style has set here. */
      CLEAR
    }

    /** What fills the way to the stop. */
    public enum Leader {
      NONE(""),
      DOT("."),
      HYPHEN("-"),
      UNDERSCORE("_"),
      MIDDLE_DOT("\u00B7");

      private final String sign;

      Leader(String sign) {
        this.sign = sign;
      }

      /** The character that is repeated; empty for none. */
      public String sign() {
        return sign;
      }
    }
  }

  /** The id of a named paragraph style; empty for the default one. */
  public static final Trait<String> STYLE = new Trait<>("style", "");

  /** 0 for body text, 1 to 9 for headings. */
  public static final Trait<Integer> HEADING_LEVEL = new Trait<>("heading-level", 0);

  /**
   * Membership of a list. An empty list id stands for none, which takes a styled paragraph out of
   * its list.
   */
  public static final Trait<ListMembership> LIST = new Trait<>("list", new ListMembership("", 0));

  public static final Trait<Alignment> ALIGNMENT = new Trait<>("alignment", Alignment.START);
  public static final Trait<Direction> DIRECTION =
      new Trait<>("direction", Direction.LEFT_TO_RIGHT);
  public static final Trait<Double> INDENT_START = new Trait<>("indent-start", 0.0);
  public static final Trait<Double> INDENT_END = new Trait<>("indent-end", 0.0);

  /** Extra indent of the first line; negative hangs it. */
  public static final Trait<Double> FIRST_LINE = new Trait<>("first-line", 0.0);

  public static final Trait<Double> SPACE_BEFORE = new Trait<>("space-before", 0.0);
  public static final Trait<Double> SPACE_AFTER = new Trait<>("space-after", 0.0);

  /**
   * The space that is left to the program, in points, as paragraphs of HTML have it by practice.
   */
  public static final double AUTO_SPACE = 14;

  /**
   * Whether the space above is left to the program: it is not added to that of a neighbour which
   * leaves it too, and there is none at the start of a cell.
   */
  public static final Trait<Boolean> AUTO_BEFORE = new Trait<>("auto-before", false);

  /** The same for the space below. */
  public static final Trait<Boolean> AUTO_AFTER = new Trait<>("auto-after", false);

  /** No space between neighbours of the same style. */
  public static final Trait<Boolean> CONTEXTUAL_SPACING = new Trait<>("contextual-spacing", false);

  public static final Trait<LinePitch> LINE_PITCH = new Trait<>("line-pitch", LinePitch.SINGLE);
  public static final Trait<Boolean> KEEP_WITH_NEXT = new Trait<>("keep-with-next", false);
  public static final Trait<Boolean> KEEP_TOGETHER = new Trait<>("keep-together", false);
  public static final Trait<Boolean> PAGE_BREAK_BEFORE = new Trait<>("page-break-before", false);
  public static final Trait<Boolean> WIDOW_CONTROL = new Trait<>("widow-control", true);
  public static final Trait<List<TabStop>> TABS =
      new Trait<>("tabs", List.of(), ParagraphTraits::tabsOver);

  /** Background of the whole paragraph; white stands for none. */
  public static final Trait<Colour> SHADING = new Trait<>("paragraph-shading", Colour.WHITE);

  /** Lines around the paragraph, and between it and neighbours of equal lines and indents. */
  public static final Trait<Rules> RULES =
      new Trait<>("paragraph-rules", Rules.UNSAID, Rules::over);

  /** Words may be divided at line ends where the document asks for it. */
  public static final Trait<Boolean> HYPHENATION = new Trait<>("hyphenation", true);

  /** Whether lines keep to the grid that a section may have. */
  public static final Trait<Boolean> SNAP_TO_GRID = new Trait<>("snap-to-grid", true);

  /** The frame that the paragraph stands in, if it is not in the flow. */
  public static final Trait<TextFrame> FRAME = new Trait<>("frame", TextFrame.NONE);

  /** It goes on from the paragraph before, from which a page that is pinned cut it. */
  public static final Trait<Boolean> GOES_ON = new Trait<>("goes-on", false);

  /** Names by which links reach this paragraph. */
  public static final Trait<List<String>> BOOKMARKS = new Trait<>("bookmarks", List.of());

  /** Paragraph properties a reader kept without understanding them. */
  public static final Trait<List<Kept>> KEPT = new Trait<>("kept-paragraph", List.of());

  /** All that a paragraph looks like, wherever it stands and whatever it is called. */
  public static final List<Trait<?>> OF_PARAGRAPHS =
      List.of(
          ALIGNMENT,
          DIRECTION,
          INDENT_START,
          INDENT_END,
          FIRST_LINE,
          SPACE_BEFORE,
          SPACE_AFTER,
          LINE_PITCH,
          KEEP_WITH_NEXT,
          KEEP_TOGETHER,
          PAGE_BREAK_BEFORE,
          WIDOW_CONTROL,
          TABS,
          SHADING,
          RULES,
          HYPHENATION,
          CONTEXTUAL_SPACING,
          AUTO_BEFORE,
          AUTO_AFTER,
          SNAP_TO_GRID,
          FRAME,
          HEADING_LEVEL);

  private ParagraphTraits() {}

  /** Stops that hold, as they are to be said where others hold below: those are taken away. */
  public static List<TabStop> tabsInsteadOf(List<TabStop> below, List<TabStop> stops) {
    var out = new ArrayList<>(stops);
    for (TabStop b : below) {
      if (stops.stream().noneMatch(s -> s.at() == b.at())) {
        out.add(new TabStop(b.at(), TabStop.Kind.CLEAR, TabStop.Leader.NONE));
      }
    }
    return List.copyOf(out);
  }

  /** Stops add up down the cascade; one at the same place replaces or clears the one below. */
  private static List<TabStop> tabsOver(List<TabStop> own, List<TabStop> base) {
    var out = new ArrayList<TabStop>(own);
    for (TabStop b : base) {
      if (own.stream().noneMatch(o -> Math.abs(o.at() - b.at()) < SAME_STOP)) {
        out.add(b);
      }
    }
    out.sort(Comparator.comparingDouble(TabStop::at));
    return List.copyOf(out);
  }

  private static final double SAME_STOP = 0.3;
}
