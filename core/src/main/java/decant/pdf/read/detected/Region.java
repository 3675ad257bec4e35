package decant.pdf.read.detected;

import decant.pdf.read.page.TextLine;
import java.util.List;

/**
 * Lines of one column, from top to bottom, each a whole line with all its pieces.
 *
 * @param column whether it stands beside others
 */
public record Region(int page, List<TextLine> lines, double left, double right, boolean column) {
  public Region {
    lines = List.copyOf(lines);
  }
}
