package decant.pdf.read.tagged;

/**
 * Tags: where one thing ends and another begins. Lengths are in ems of the text at hand, shares are
 * of what is named, and points are said to be such.
 */
final class TaggedThresholds {
  private TaggedThresholds() {}

  /** Of {@link decant.pdf.read.tagged.Artifacts}. */
  static final class Artifacts {
    private Artifacts() {}

    /** Of the height of a page: headers and footers reach as far into it. */
    static final double EDGE = 0.2;
  }

  /** Of {@link decant.pdf.read.tagged.TaggedBlocks}. */
  static final class TaggedBlocks {
    private TaggedBlocks() {}

    static final double MIN_COVERAGE = 0.9;

    /** Of the pitch: less is no space between paragraphs. */
    static final double GAP = 0.2;
  }

  /** Of {@link decant.pdf.read.tagged.TableGeometry}. */
  static final class TableGeometry {
    private TableGeometry() {}

    /** Points that texts reach beyond a line between columns at most. */
    static final double NEAR = 2;

    /** Points that lines around a table may stand off its text. */
    static final double PADDING = 24;

    /** Points beside the text of a table without lines around it. */
    static final double MARGIN = 4;
  }

  /** Of {@link decant.pdf.read.tagged.Untagged}. */
  static final class Untagged {
    private Untagged() {}

    /** Between baselines of lines that go on. */
    static final double FOLLOWS = 1.7;
  }
}
