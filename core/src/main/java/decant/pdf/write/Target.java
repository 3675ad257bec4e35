package decant.pdf.write;

import decant.model.NodeId;

/** What a stretch of a page's content belongs to. */
sealed interface Target {
  /**
   * A part of a block.
   *
   * @param serial tells apart the links, pictures and note marks of one block on one page
   */
  record Content(NodeId block, Part part, int serial) implements Target {}

  /** Nothing that is read: running texts, lines, areas, repeated rows (§14.8.2.2). */
  enum Artifact implements Target {
    LAYOUT(""),
    HEADER("<</Type/Pagination/Subtype/Header>>"),
    FOOTER("<</Type/Pagination/Subtype/Footer>>"),
    REPEATED("<</Type/Pagination>>");

    private final String properties;

    Artifact(String properties) {
      this.properties = properties;
    }

    String properties() {
      return properties;
    }
  }

  /** The parts of a block. */
  enum Part {
    TEXT("P"),
    LABEL("Lbl"),
    LINK("Link"),
    NOTE_MARK("Reference"),
    FIGURE("Figure");

    private final String tag;

    Part(String tag) {
      this.tag = tag;
    }

    String tag() {
      return tag;
    }
  }
}
