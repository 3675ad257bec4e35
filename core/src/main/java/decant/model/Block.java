package decant.model;

/** What a section, a cell, a note or a running text is made of, one below the other. */
public sealed interface Block permits Paragraph, Table, KeptBlock {
  NodeId id();
}
