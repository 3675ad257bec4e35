package decant.publication;

import decant.model.NodeId;
import decant.model.look.ListDefinition.NumberFormat;
import java.util.List;
import java.util.Optional;

/** What is read, by what it is: the structure of a publication, without its places on pages. */
public sealed interface StructureNode {
  /**
   * A line or paragraph.
   *
   * @param heading its level as a heading, from 1; 0 for other text
   */
  record Text(NodeId id, int heading) implements StructureNode {}

  /** Lines that lead to pages. */
  record Contents(List<NodeId> entries) implements StructureNode {}

  record Listing(NumberFormat numbering, List<Item> items) implements StructureNode {}

  /**
   * An item of a list.
   *
   * @param id of its text
   * @param below what follows it within the item, such as lists of a deeper level
   */
  record Item(NodeId id, List<StructureNode> below) {}

  /** What belongs together without being a part of the text around it, such as a text box. */
  record Division(List<StructureNode> content) implements StructureNode {}

  /**
   * A note, where it is referred to or at the end.
   *
   * @param labelled the text that begins with the note's mark
   */
  record Note(NodeId id, Optional<NodeId> labelled, List<StructureNode> content)
      implements StructureNode {}

  record Table(NodeId id, List<Row> rows) implements StructureNode {}

  record Row(boolean header, List<Cell> cells) {}

  /**
   * A cell, of a grid without gaps or overlaps.
   *
   * @param columns how many columns it covers
   * @param rows how many rows it covers
   */
  record Cell(int columns, int rows, List<StructureNode> content) {}
}
