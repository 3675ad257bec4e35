package decant.clip;

import decant.model.Block;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The room above and below paragraphs. Of the room below one and that above the next, browsers show
 * the greater (CSS 2.2, §8.3.1), where a document has both: so that above holds both.
 */
final class HtmlRoom {
  /** Points. */
  record Room(double above, double below) {}

  private static final Room NONE = new Room(0, 0);

  private final Map<NodeId, Room> rooms = new HashMap<>();

  /** Adds paragraphs that follow one another in one place. */
  void add(List<Block> blocks, StyleSheet styles) {
    double before = 0;
    for (int k = 0; k < blocks.size(); k++) {
      if (!(blocks.get(k) instanceof Paragraph p)) {
        before = 0;
        continue;
      }
      Look look = styles.paragraphLook(p.look());
      boolean contextual = look.value(ParagraphTraits.CONTEXTUAL_SPACING);
      boolean shutAbove = contextual && isAlike(p, blocks, k - 1);
      boolean shutBelow = contextual && isAlike(p, blocks, k + 1);
      double above = shutAbove ? 0 : look.value(ParagraphTraits.SPACE_BEFORE);
      double below = shutBelow ? 0 : look.value(ParagraphTraits.SPACE_AFTER);
      rooms.put(p.id(), new Room(above > 0 ? above + before : 0, below));
      before = below;
    }
  }

  Room of(Paragraph p) {
    return rooms.getOrDefault(p.id(), NONE);
  }

  /** Whether a paragraph of the same style stands at a place beside one. */
  private static boolean isAlike(Paragraph p, List<Block> blocks, int beside) {
    return beside >= 0
        && beside < blocks.size()
        && blocks.get(beside) instanceof Paragraph other
        && style(p.look()).equals(style(other.look()));
  }

  private static Optional<String> style(Look look) {
    return look.get(ParagraphTraits.STYLE);
  }
}
