package decant.pdf.read.tagged;

import decant.pdf.read.beside.Footnotes;
import decant.pdf.read.detected.DetectedNote;
import decant.pdf.read.lines.Regions;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import org.apache.pdfbox.cos.COSDictionary;

/** The notes that tags tell of. */
final class TaggedNotes {
  private static final int LONGEST_MARK = 4;

  private final List<DetectedNote> found = new ArrayList<>();
  private final Set<COSDictionary> begun = Collections.newSetFromMap(new IdentityHashMap<>());

  List<DetectedNote> found() {
    return found;
  }

  /** Whether an element is met for the first time: it is part of a paragraph, and walked again. */
  boolean begin(COSDictionary element) {
    return begun.add(element);
  }

  /** Takes a note by its label, or by the one that it begins with. */
  void take(String label, List<TextLine> lines) {
    if (lines.isEmpty()) {
      return;
    }
    String known = label.replaceAll("[^\\p{L}\\p{N}*†‡§]", "");
    found.add(
        known.isEmpty()
            ? Footnotes.labelled(lines)
            : new DetectedNote(lines.getFirst().page(), known, lines));
  }

  /**
   * Takes a note whose first leaf is its mark in the text, which stays there; false if it is not.
   *
   * @param used takes the leaves of the note
   */
  boolean takeMarked(
      List<TaggedBlocks.Leaf> leaves,
      Set<TaggedBlocks.Leaf> used,
      Function<List<TaggedBlocks.Leaf>, List<TextLine>> linesOf) {
    if (leaves.size() < 2) {
      return false;
    }
    List<TextLine> mark = linesOf.apply(leaves.subList(0, 1));
    List<TextLine> rest = linesOf.apply(leaves.subList(1, leaves.size()));
    boolean apart =
        mark.size() == 1
            && !rest.isEmpty()
            && mark.getFirst().text().strip().length() <= LONGEST_MARK
            && isInText(mark.getFirst(), rest.getFirst());
    if (apart) {
      used.addAll(leaves.subList(1, leaves.size()));
      found.add(Footnotes.labelled(Regions.merged(rest)));
    }
    return apart;
  }

  /** Whether a label stands in the text further up rather than beside its note. */
  private static boolean isInText(TextLine label, TextLine note) {
    return label.page() != note.page() || label.baseline() < note.baseline() - 2 * note.size();
  }
}
