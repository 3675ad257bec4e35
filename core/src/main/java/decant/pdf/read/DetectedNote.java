package decant.pdf.read;

import java.util.List;

/**
 * A note at the foot of a page.
 *
 * @param label as it stands before the note and at its mark; empty if none was found
 * @param lines without the label
 */
record DetectedNote(int page, String label, List<TextLine> lines) {
  DetectedNote {
    lines = List.copyOf(lines);
  }
}
