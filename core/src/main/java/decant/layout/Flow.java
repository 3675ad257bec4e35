package decant.layout;

import decant.model.Block;
import decant.model.Document;
import decant.model.Section;
import decant.model.Story;
import java.util.ArrayList;
import java.util.List;

/**
 * The blocks of a document one after the other, as pages are filled with them. Endnotes come after
 * the last section.
 *
 * @param sections for each block which section it belongs to
 * @param sectionStarts for each section the number of its first block; the number of the first
 *     endnote's block at the end
 */
record Flow(List<Block> blocks, int[] sections, int[] sectionStarts) {
  static Flow of(Document d) {
    var blocks = new ArrayList<Block>();
    int n = d.sections().size();
    int[] starts = new int[n + 1];
    for (int s = 0; s < n; s++) {
      Section section = d.sections().get(s);
      starts[s] = blocks.size();
      blocks.addAll(section.blocks());
    }
    starts[n] = blocks.size();
    for (Story note : d.stories().values()) {
      if (note.kind() == Story.Kind.ENDNOTE) {
        blocks.addAll(note.blocks());
      }
    }
    int[] sections = new int[blocks.size()];
    for (int s = 0; s < n; s++) {
      int end = s + 1 < n ? starts[s + 1] : blocks.size();
      java.util.Arrays.fill(sections, starts[s], end, s);
    }
    return new Flow(blocks, sections, starts);
  }

  int size() {
    return blocks.size();
  }

  /** The number after that of a section's last block. */
  int end(int section) {
    return section + 2 < sectionStarts.length ? sectionStarts[section + 1] : blocks.size();
  }
}
