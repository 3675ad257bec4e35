package decant.pdf.read;

import java.util.List;

/**
 * Lines of one column, from top to bottom, each a whole line with all its pieces.
 *
 * @param column whether it stands beside others
 */
record Region(int page, List<TextLine> lines, double left, double right, boolean column) {
  Region {
    lines = List.copyOf(lines);
  }
}
