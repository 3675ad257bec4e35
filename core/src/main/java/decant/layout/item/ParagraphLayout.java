package decant.layout.item;

import decant.model.Paragraph;
import java.util.List;

/** A paragraph broken into lines. */
public record ParagraphLayout(
    Paragraph source, ParagraphStyle style, double width, List<Line> lines) implements BlockLayout {
  public ParagraphLayout {
    lines = List.copyOf(lines);
  }

  /** How far its lines stand apart. */
  public decant.model.look.LinePitch pitch() {
    return style.lines().pitch();
  }

  /** How far down its first line stands because something is in its way. */
  public double lead() {
    return lines.getFirst().top();
  }

  /** Whether a line stands beside the one before, not below it. */
  public boolean standsBeside(int line) {
    return line > 0 && line < lines.size() && lines.get(line).top() == lines.get(line - 1).top();
  }

  @Override
  public double spaceBefore() {
    return style.space().before();
  }

  @Override
  public double spaceAfter() {
    return style.space().after();
  }

  @Override
  public boolean keepWithNext() {
    return style.keeps().withNext();
  }

  @Override
  public double height() {
    return height(0, lines.size());
  }

  @Override
  public Line.Ends ends(int part) {
    return lines.get(part).ends();
  }

  @Override
  public int parts() {
    return lines.size();
  }

  @Override
  public double height(int from, int to) {
    if (from >= to) {
      return 0;
    }
    double height = lines.get(to - 1).bottom() - lines.get(from).top();
    // Lines that stand where a source had them may go on further up, in another column.
    return height > 0
        ? height
        : lines.subList(from, to).stream().mapToDouble(Line::bottom).max().orElse(0)
            - lines.get(from).top();
  }

  @Override
  public int leastHead() {
    if (style.keeps().together()) {
      return lines.size();
    }
    // Two lines together at either end of a page; three lines cannot be split so.
    return style.keeps().widowControl() ? (lines.size() <= 3 ? lines.size() : 2) : 1;
  }
}
