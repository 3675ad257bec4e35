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
      double above =
          isAlike(blocks, k, k - 1, styles) ? 0 : look.value(ParagraphTraits.SPACE_BEFORE);
      double below =
          isAlike(blocks, k, k + 1, styles) ? 0 : look.value(ParagraphTraits.SPACE_AFTER);
      rooms.put(p.id(), new Room(above > 0 ? above + before : 0, below));
      before = below;
    }
  }

  Room of(Paragraph p) {
    return rooms.getOrDefault(p.id(), NONE);
  }

  /** Whether a paragraph wants no room beside one of its style, and that is such a one. */
  private static boolean isAlike(List<Block> blocks, int at, int beside, StyleSheet styles) {
    if (beside < 0 || beside >= blocks.size() || !(blocks.get(beside) instanceof Paragraph other)) {
      return false;
    }
    Look look = ((Paragraph) blocks.get(at)).look();
    return styles.paragraphLook(look).value(ParagraphTraits.CONTEXTUAL_SPACING)
        && style(look).equals(style(other.look()));
  }

  private static Optional<String> style(Look look) {
    return look.get(ParagraphTraits.STYLE);
  }
}
