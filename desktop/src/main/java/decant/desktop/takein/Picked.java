package decant.desktop.takein;

import decant.model.Document;
import decant.model.NodeId;
import decant.model.Position;
import java.util.List;
import java.util.Optional;

/**
 * What is picked on the pages of the revision, to be mended.
 *
 * @param blocks paragraphs and tables of the flow, in reading order
 * @param at the place that was pointed at, if it is in a paragraph
 */
record Picked(List<NodeId> blocks, Optional<Position> at) {
  static final Picked NOTHING = new Picked(List.of(), Optional.empty());

  Picked {
    blocks = List.copyOf(blocks);
  }

  /** What of it is still there in a changed document. */
  Picked in(Document d) {
    return new Picked(
        blocks.stream().filter(b -> d.block(b).isPresent()).toList(),
        at.filter(p -> d.paragraph(p.paragraph()).isPresent()));
  }
}
