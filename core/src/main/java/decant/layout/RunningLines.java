package decant.layout;

import decant.layout.Places.PlacedLine;
import decant.layout.item.Fragment;
import decant.layout.pages.Page;
import decant.model.Block;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Section;
import decant.model.Story;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** The lines of the header and footer of a page, and what of the document they show. */
final class RunningLines {
  /** How far above or below a line of a running text a point still means it, in points. */
  private static final double REACH = 4;

  /**
   * A line of a running text.
   *
   * @param paragraph what of the document it shows; where running texts stand as the source had
   *     them, the line itself belongs to its page alone
   */
  record Of(PlacedLine line, NodeId paragraph) {}

  private RunningLines() {}

  /** Whether a page has a running text, were it empty. */
  static boolean shows(Layout layout, Page page, NodeId story) {
    return layout.pinned(page).isEmpty() && texts(layout, page).anyMatch(s -> s.id().equals(story));
  }

  private static Stream<Story> texts(Layout layout, Page page) {
    return Stream.of(true, false).flatMap(header -> text(layout, page, header).stream());
  }

  private static Optional<Story> text(Layout layout, Page page, boolean header) {
    Section s = layout.document().sections().get(page.section());
    return s.runningFor(header, page.firstOfSection(), page.shown());
  }

  /** Those on a page, from top to bottom; what stands in shapes is not among them. */
  static List<Of> on(Layout layout, Page page) {
    var out = new ArrayList<Of>();
    List<Fragment> fragments =
        layout.running(page).stream().filter(f -> !(f instanceof Fragment.Floated)).toList();
    int[] found = {0, 0};
    for (PlacedLine l : Places.lines(fragments)) {
      NodeId own = l.paragraph().source().id();
      if (layout.document().index().runningText(layout.document(), own).isPresent()) {
        out.add(new Of(l, own));
      } else if (layout.document().block(own).isEmpty()) {
        boolean header = l.top() < page.setup().height() / 2;
        int number = found[header ? 0 : 1]++;
        standsFor(layout, page, header, number).ifPresent(id -> out.add(new Of(l, id)));
      }
    }
    return out;
  }

  /** The paragraph that a line which is as the source had it stands for: the one in its order. */
  private static Optional<NodeId> standsFor(Layout layout, Page page, boolean header, int number) {
    List<NodeId> paragraphs =
        text(layout, page, header).stream()
            .flatMap(s -> s.blocks().stream())
            .filter(Paragraph.class::isInstance)
            .map(Block::id)
            .toList();
    return paragraphs.isEmpty()
        ? Optional.empty()
        : Optional.of(paragraphs.get(Math.min(number, paragraphs.size() - 1)));
  }

  /** The place in a running text that a point on the height of one of its lines means. */
  static Optional<Position> positionAt(Layout layout, Page page, double x, double y) {
    List<Of> here =
        on(layout, page).stream()
            .filter(r -> y > r.line().top() - REACH && y < r.line().bottom() + REACH)
            .toList();
    return Places.nearest(here.stream().map(Of::line).toList(), x, y)
        .flatMap(l -> here.stream().filter(r -> r.line() == l).findFirst())
        .map(r -> {
          int length = layout.document().requireParagraph(r.paragraph()).length();
          int offset = Places.offsetAt(r.line(), x - r.line().x());
          return new Position(r.paragraph(), Math.min(offset, length));
        });
  }
}
