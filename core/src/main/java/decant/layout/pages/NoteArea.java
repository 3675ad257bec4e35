package decant.layout.pages;

import decant.layout.block.BlockLayouter;
import decant.layout.item.BlockLayout;
import decant.layout.item.Fragment;
import decant.layout.item.ParagraphLayout;
import decant.layout.item.Spacing;
import decant.layout.item.TableLayout;
import decant.model.Block;
import decant.model.Box;
import decant.model.NodeId;
import decant.model.SetBlock;
import decant.model.SourceSetting;
import decant.model.Story;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Fills the foot of pages with notes; one that does not fit goes on on the next page. */
final class NoteArea {
  /** Length of the line above the notes: two inches, as common practice has it. */
  private static final double SEPARATOR = 144;

  private static final double THICKNESS = 0.5;

  /** A block of a note from a part on. */
  record Rest(BlockLayout layout, int from) {}

  private final BlockLayouter setter;
  private final Map<NodeId, Story> stories;
  private final double separatorHeight;
  private List<Fragment> content = new ArrayList<>();
  private Spacing spacing = new Spacing();
  private Deque<Rest> waiting = new ArrayDeque<>();
  private double filled;

  NoteArea(BlockLayouter setter, Map<NodeId, Story> stories, double separatorHeight) {
    this.setter = setter;
    this.stories = stories;
    this.separatorHeight = separatorHeight;
  }

  /** A state to come back to. */
  record State(List<Fragment> content, Spacing spacing, Deque<Rest> waiting, double filled) {}

  State save() {
    return new State(new ArrayList<>(content), spacing.copy(), new ArrayDeque<>(waiting), filled);
  }

  void restore(State s) {
    content = new ArrayList<>(s.content);
    spacing = s.spacing.copy();
    waiting = new ArrayDeque<>(s.waiting);
    filled = s.filled;
  }

  /** What waits for the next page. */
  List<Rest> waiting() {
    return List.copyOf(waiting);
  }

  /** The height that the notes take up, the line above them included; 0 if there are none. */
  double height() {
    return content.isEmpty() ? 0 : separatorHeight + filled;
  }

  /**
   * The least height that these notes would take up in addition: all of them but of the last its
   * first lines.
   */
  double least(List<NodeId> notes, double width) {
    double h = content.isEmpty() ? separatorHeight : 0;
    Spacing s = spacing.copy();
    boolean first = content.isEmpty();
    for (int n = 0; n < notes.size(); n++) {
      for (Block b : blocks(notes.get(n))) {
        BlockLayout l = setter.set(b, width);
        if (l.parts() == 0) {
          continue;
        }
        h += first ? 0 : s.before(l);
        if (n == notes.size() - 1) {
          return h + l.height(0, Math.min(l.parts(), l.leastHead()));
        }
        h += l.height();
        s.placed(l);
        first = false;
      }
    }
    return h;
  }

  private List<Block> blocks(NodeId note) {
    Story s = stories.get(note);
    return s == null ? List.of() : s.blocks();
  }

  /** Adds notes, as much of them as fits into a height; the rest waits for the next page. */
  void add(List<NodeId> notes, double width, double room) {
    for (NodeId id : notes) {
      for (Block b : blocks(id)) {
        BlockLayout l = setter.set(b, width);
        if (l.parts() > 0) {
          waiting.add(new Rest(l, 0));
        }
      }
    }
    fill(room);
  }

  /** Begins the notes of a page with what waited on the one before. */
  void begin(List<Rest> rests, double room) {
    waiting.addAll(rests);
    fill(room);
  }

  private void fill(double room) {
    while (!waiting.isEmpty()) {
      Rest next = waiting.peek();
      BlockLayout l = next.layout();
      double gap = content.isEmpty() ? 0 : next.from() == 0 ? spacing.before(l) : 0;
      double above = content.isEmpty() ? separatorHeight : 0;
      double left = room - above - height() - gap;
      int to = next.from();
      while (to < l.parts() && l.height(next.from(), to + 1) <= left + 0.05) {
        to++;
      }
      if (to == next.from()) {
        return;
      }
      double y = filled + gap;
      content.add(
          switch (l) {
            case ParagraphLayout p -> new Fragment.Lines(p, next.from(), to, 0, y);
            case TableLayout t -> new Fragment.Rows(t, next.from(), to, false, t.x(), y);
          });
      filled = y + l.height(next.from(), to);
      waiting.remove();
      if (to < l.parts()) {
        waiting.addFirst(new Rest(l, to));
        spacing.clear();
        return;
      }
      spacing.placed(l);
    }
  }

  /** The notes where the source had them; empty if that is not known of all. */
  private List<Fragment> asFound(double left) {
    var out = new ArrayList<Fragment>();
    for (Fragment f : content) {
      if (!(f instanceof Fragment.Lines l)) {
        return List.of();
      }
      Optional<SetBlock> b = setter.asFound(l.source());
      if (b.isEmpty() || b.get().lines().size() != l.layout().parts()) {
        return List.of();
      }
      double y =
          b.get().lines().get(l.from()).baseline() - l.layout().lines().get(l.from()).baseline();
      out.add(f.moved(left, y - f.y()));
    }
    return out;
  }

  /**
   * The notes of the page, down to its bottom margin.
   *
   * @param found the page of the source that they are to stand as on, if they have not changed; -1
   *     if on none
   */
  Optional<Page.Notes> placed(double left, double bottom, int found) {
    if (content.isEmpty()) {
      return Optional.empty();
    }
    List<Fragment> asFound = found >= 0 ? asFound(left) : List.of();
    if (!asFound.isEmpty()) {
      SourceSetting.Running source = setter.setting().running();
      double above = asFound.getFirst().y() - separatorHeight * 0.5;
      Optional<Box> line =
          source.pages() > 0
              ? Optional.ofNullable(source.noteRules().get(found))
              : Optional.of(new Box(left, above, SEPARATOR, THICKNESS));
      return Optional.of(new Page.Notes(line, asFound));
    }
    double top = bottom - filled;
    var separator = new Box(left, top - separatorHeight * 0.5, SEPARATOR, THICKNESS);
    return Optional.of(
        new Page.Notes(
            Optional.of(separator), content.stream().map(f -> f.moved(left, top)).toList()));
  }
}
