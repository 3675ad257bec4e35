package decant.model;

import java.util.List;

/** Blocks that stand outside the flow: a note, a header, a footer, the text in a shape. */
public record Story(NodeId id, Kind kind, List<Block> blocks) implements Container {
  /** What a story is for. */
  public enum Kind {
    /** A header or footer. */
    RUNNING,
    /** Stands at the foot of the page that its mark is on. */
    FOOTNOTE,
    /** Stands after the last section. */
    ENDNOTE,
    /** Stands in a shape. */
    BOX;

    public boolean isNote() {
      return this == FOOTNOTE || this == ENDNOTE;
    }
  }

  public Story {
    blocks = List.copyOf(blocks);
  }

  @Override
  public Story withBlocks(List<Block> others) {
    return new Story(id, kind, others);
  }
}
