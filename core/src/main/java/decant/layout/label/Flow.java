package decant.layout.label;

import decant.model.Block;
import decant.model.Document;
import decant.model.Section;
import decant.model.Story;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The blocks of a document one after the other, as pages are filled with them. Endnotes come after
 * the last section.
 *
 * @param facts for each block what it holds besides text
 * @param sections for each block which section it belongs to
 * @param sectionStarts for each section the number of its first block; the number of the first
 *     endnote's block at the end
 */
public record Flow(List<Block> blocks, BlockFacts[] facts, int[] sections, int[] sectionStarts) {
  /**
   * @param before an earlier flow that shares most of its blocks with this one
   */
  public static Flow of(Document d, @Nullable Flow before) {
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
    return new Flow(blocks, facts(blocks, before), sections, starts);
  }

  private static BlockFacts[] facts(List<Block> blocks, @Nullable Flow before) {
    int n = blocks.size();
    var facts = new BlockFacts[n];
    int first = 0;
    int last = 0;
    if (before != null) {
      int shared = Math.min(n, before.size());
      while (first < shared && blocks.get(first) == before.blocks.get(first)) {
        facts[first] = before.facts[first];
        first++;
      }
      while (last < shared - first
          && blocks.get(n - 1 - last) == before.blocks.get(before.size() - 1 - last)) {
        facts[n - 1 - last] = before.facts[before.size() - 1 - last];
        last++;
      }
    }
    for (int k = first; k < n - last; k++) {
      facts[k] = BlockFacts.of(blocks.get(k));
    }
    return facts;
  }

  /** The blocks of this flow that are not at the same end of another. */
  List<Block> changedFrom(Flow other) {
    int first = sharedFirst(other);
    return blocks.subList(first, size() - sharedLast(other, first));
  }

  /** The facts of those blocks. */
  List<BlockFacts> changedFactsFrom(Flow other) {
    int first = sharedFirst(other);
    return java.util.Arrays.asList(facts).subList(first, size() - sharedLast(other, first));
  }

  /** How many blocks both begin with. */
  private int sharedFirst(Flow other) {
    int shared = Math.min(size(), other.size());
    int k = 0;
    while (k < shared && blocks.get(k) == other.blocks.get(k)) {
      k++;
    }
    return k;
  }

  /** How many blocks both end with, of those after the ones that both begin with. */
  private int sharedLast(Flow other, int first) {
    int shared = Math.min(size(), other.size()) - first;
    int k = 0;
    while (k < shared && blocks.get(size() - 1 - k) == other.blocks.get(other.size() - 1 - k)) {
      k++;
    }
    return k;
  }

  public int size() {
    return blocks.size();
  }

  /** The number after that of a section's last block. */
  public int end(int section) {
    return section + 2 < sectionStarts.length ? sectionStarts[section + 1] : blocks.size();
  }

  /** Whether a field in the text shows a number of pages. */
  public boolean showsPages() {
    for (BlockFacts f : facts) {
      if (f.showsPages()) {
        return true;
      }
    }
    return false;
  }
}
