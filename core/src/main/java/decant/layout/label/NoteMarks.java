package decant.layout.label;

import decant.layout.item.BlockLayout;
import decant.layout.item.Fragment;
import decant.layout.item.ParagraphLayout;
import decant.layout.item.TableLayout;
import decant.model.Block;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** Which footnotes the parts of blocks refer to. */
public final class NoteMarks {
  private record Mark(int offset, NodeId note) {}

  private final Map<NodeId, Story> stories;
  private final boolean none;
  private final Map<Block, List<Mark>> known = new IdentityHashMap<>();

  public NoteMarks(Map<NodeId, Story> stories) {
    this.stories = stories;
    this.none = stories.values().stream().noneMatch(s -> s.kind() == Story.Kind.FOOTNOTE);
  }

  /** The notes that a part of a block refers to, in reading order. */
  public List<NodeId> in(BlockLayout l, int part) {
    if (none) {
      return List.of();
    }
    var out = new ArrayList<NodeId>();
    switch (l) {
      case ParagraphLayout p -> add(p, part, part + 1, out);
      case TableLayout t -> t.rows().get(part).cells().forEach(c -> add(c.content(), out));
    }
    return out;
  }

  private void add(List<Fragment> fragments, List<NodeId> out) {
    for (Fragment f : fragments) {
      switch (f) {
        case Fragment.Lines l -> add(l.layout(), l.from(), l.to(), out);
        case Fragment.Floated p -> {}
        case Fragment.Rows r -> {
          for (int k = r.from(); k < r.to(); k++) {
            r.layout().rows().get(k).cells().forEach(c -> add(c.content(), out));
          }
        }
      }
    }
  }

  private void add(ParagraphLayout p, int from, int to, List<NodeId> out) {
    List<Mark> marks = marks(p.source());
    if (marks.isEmpty()) {
      return;
    }
    int first = p.lines().get(from).from();
    boolean ends = to == p.lines().size();
    int last = ends ? Integer.MAX_VALUE : p.lines().get(to).from();
    for (Mark m : marks) {
      if (m.offset() >= first && m.offset() < last) {
        out.add(m.note());
      }
    }
  }

  private List<Mark> marks(Paragraph p) {
    List<Mark> marks = known.get(p);
    if (marks == null) {
      marks = new ArrayList<>();
      int at = 0;
      for (Inline i : p.inlines()) {
        if (i instanceof Inline.NoteMark n) {
          Story s = stories.get(n.note());
          if (s != null && s.kind() == Story.Kind.FOOTNOTE) {
            marks.add(new Mark(at, n.note()));
          }
        }
        at += i.length();
      }
      known.put(p, List.copyOf(marks));
    }
    return marks;
  }
}
