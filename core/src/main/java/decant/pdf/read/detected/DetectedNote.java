package decant.pdf.read.detected;

import decant.pdf.read.page.TextLine;
import java.util.List;

/**
 * A note at the foot of a page.
 *
 * @param label as it stands before the note and at its mark; empty if none was found
 * @param lines without the label
 */
public record DetectedNote(int page, String label, List<TextLine> lines) {
  public DetectedNote {
    lines = List.copyOf(lines);
  }
}
