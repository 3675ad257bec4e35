package decant.layout;

import decant.layout.Places.PlacedLine;
import decant.layout.item.Fragment;
import decant.layout.item.Item;
import decant.layout.pages.Page;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Section;
import decant.model.Story;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** The lines of the header and footer of a page, and what of the document they show. */
final class RunningLines {
  /** How far above or below a line of a running text a point still means it, in points. */
  private static final double REACH = 4;

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
  static List<RunningLine> on(Layout layout, Page page) {
    var out = new ArrayList<RunningLine>();
    List<Fragment> fragments =
        layout.running(page).stream().filter(f -> !(f instanceof Fragment.Floated)).toList();
    var asFound = new ArrayList<PlacedLine>();
    for (PlacedLine l : Places.lines(fragments)) {
      NodeId own = l.paragraph().source().id();
      if (layout.isRunning(own)) {
        out.add(new RunningLine(l, own, 0));
      } else if (layout.document().block(own).isEmpty()) {
        asFound.add(l);
      }
    }
    for (boolean header : new boolean[] {true, false}) {
      double middle = page.setup().height() / 2;
      out.addAll(
          standingFor(
              text(layout, page, header),
              asFound.stream().filter(l -> l.top() < middle == header).toList()));
    }
    return out;
  }

  /**
   * Lines that are as the source had them, with what of the document they stand for: those on one
   * height for one paragraph, from top to bottom.
   */
  private static List<RunningLine> standingFor(Optional<Story> text, List<PlacedLine> lines) {
    List<Paragraph> paragraphs =
        text.stream()
            .flatMap(s -> s.blocks().stream())
            .filter(Paragraph.class::isInstance)
            .map(Paragraph.class::cast)
            .toList();
    var out = new ArrayList<RunningLine>();
    if (paragraphs.isEmpty()) {
      return out;
    }
    List<PlacedLine> sorted =
        lines.stream().sorted(Comparator.comparingDouble(PlacedLine::baseline)).toList();
    int k = 0;
    for (int at = 0; at < sorted.size(); ) {
      int end = at + 1;
      double height = sorted.get(at).line().height();
      while (end < sorted.size()
          && sorted.get(end).baseline() - sorted.get(at).baseline() < height / 2) {
        end++;
      }
      Paragraph p = paragraphs.get(Math.min(k++, paragraphs.size() - 1));
      int from = 0;
      for (PlacedLine l :
          sorted.subList(at, end).stream()
              .sorted(Comparator.comparingDouble(PlacedLine::left))
              .toList()) {
        String words = l.paragraph().source().text().strip();
        int found = words.isEmpty() ? -1 : p.text().indexOf(words, from);
        int base = found < 0 ? from : found;
        out.add(new RunningLine(l, p.id(), base));
        from = Math.min(p.length(), base + words.length());
      }
      at = end;
    }
    return out;
  }

  /** Where the caret stands on a page. */
  static Optional<CaretPlace> caret(Layout layout, Page page, Position at) {
    RunningLine best = null;
    for (RunningLine r : on(layout, page)) {
      boolean here = r.paragraph().equals(at.paragraph()) && r.holds(at.offset());
      if (here) {
        best = r;
      }
    }
    if (best == null) {
      return Optional.empty();
    }
    PlacedLine l = best.line();
    return Places.caret(page, List.of(l), best.within(at.offset()));
  }

  /** The place in a running text that a point on the height of one of its lines means. */
  static Optional<Position> positionAt(Layout layout, Page page, double x, double y) {
    return on(layout, page).stream()
        .filter(r -> y > r.line().top() - REACH && y < r.line().bottom() + REACH)
        .min(
            Comparator.comparingDouble((RunningLine r) -> fromInk(r.line(), x))
                .thenComparingDouble(r -> Math.abs(y - r.line().baseline())))
        .map(r -> {
          int length = layout.document().requireParagraph(r.paragraph()).length();
          int offset = r.base() + Places.offsetAt(r.line(), x - r.line().x());
          return new Position(r.paragraph(), Math.min(offset, length));
        });
  }

  /** How far a place across the page is from what stands on a line: several may share a height. */
  private static double fromInk(PlacedLine l, double x) {
    double left = Double.MAX_VALUE;
    double right = -Double.MAX_VALUE;
    for (Item i : l.line().items()) {
      left = Math.min(left, l.x() + i.x());
      right = Math.max(right, l.x() + i.x() + i.width());
    }
    return left > right ? 0 : Math.max(0, Math.max(left - x, x - right));
  }
}
