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
    Shared shared = before == null ? Shared.NOTHING : Shared.of(blocks, before.blocks);
    if (before != null) {
      System.arraycopy(before.facts, 0, facts, 0, shared.first);
      int was = before.size() - shared.last;
      System.arraycopy(before.facts, was, facts, n - shared.last, shared.last);
    }
    for (int k = shared.first; k < n - shared.last; k++) {
      facts[k] = BlockFacts.of(blocks.get(k));
    }
    return facts;
  }

  /**
   * How many blocks two flows both begin with, and how many of the others both end with.
   *
   * @param last of those after the first
   */
  record Shared(int first, int last) {
    static final Shared NOTHING = new Shared(0, 0);

    static Shared of(List<Block> a, List<Block> b) {
      int most = Math.min(a.size(), b.size());
      int first = 0;
      while (first < most && a.get(first) == b.get(first)) {
        first++;
      }
      int last = 0;
      while (last < most - first && a.get(a.size() - 1 - last) == b.get(b.size() - 1 - last)) {
        last++;
      }
      return new Shared(first, last);
    }
  }

  /** The blocks that are not shared. */
  List<Block> but(Shared shared) {
    return blocks.subList(shared.first, size() - shared.last);
  }

  /** The facts of those blocks. */
  List<BlockFacts> factsBut(Shared shared) {
    return java.util.Arrays.asList(facts).subList(shared.first, size() - shared.last);
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
