package decant.model.edit;

import decant.model.Around;
import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Selection;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.walk.Walk;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Takes what is selected out of a document, with the notes and pictures in it. */
public final class Copying {
  private Copying() {}

  /** What is selected; empty for a caret alone. */
  public static Optional<Fragment> of(Document d, Selection s) {
    if (s.isCaret()) {
      return Optional.empty();
    }
    Range range = Range.of(d, s);
    return range.isEmpty() ? Optional.empty() : Optional.of(of(d, blocks(d, range)));
  }

  /** Some blocks of a document. */
  public static Fragment of(Document d, List<Block> blocks) {
    Map<NodeId, Story> stories = new LinkedHashMap<>();
    Map<MediaId, Media> media = new LinkedHashMap<>();
    Deque<List<Block>> open = new ArrayDeque<>();
    open.add(blocks);
    while (!open.isEmpty()) {
      for (Paragraph p : Walk.paragraphs(open.remove())) {
        for (Inline i : p.inlines()) {
          if (i instanceof Inline.Picture x && d.media().get(x.media()) instanceof Media m) {
            media.put(m.id(), m);
          }
          story(i)
              .map(d.stories()::get)
              .filter(story -> stories.putIfAbsent(story.id(), story) == null)
              .ifPresent(story -> open.add(story.blocks()));
        }
      }
    }
    return new Fragment(blocks, stories, media, d.lists(), d.styles(), d.keptParts());
  }

  /** The story that an inline stands for. */
  static Optional<NodeId> story(Inline i) {
    return switch (i) {
      case Inline.NoteMark n -> Optional.of(n.note());
      case Inline.Shape x -> x.content().story();
      default -> Optional.empty();
    };
  }

  private static List<Block> blocks(Document d, Range range) {
    List<Around> a = Around.of(d, range.start().paragraph());
    List<Around> b = Around.of(d, range.end().paragraph());
    int k = 0;
    while (true) {
      Around x = a.get(k);
      Around y = b.get(k);
      if (!x.container().id().equals(y.container().id())) {
        return k == 0 ? acrossSections(d, range, x, y) : List.of();
      }
      if (x.at() != y.at() || k + 1 == a.size() || k + 1 == b.size()) {
        return between(range, x.container().blocks().subList(x.at(), y.at() + 1));
      }
      // Both ends are in one table: in the same cell of it, or its cells are what is selected.
      if (!a.get(k + 1).container().id().equals(b.get(k + 1).container().id())) {
        Table t = (Table) x.container().blocks().get(x.at());
        return List.of(
            Grid.of(t).part(a.get(k + 1).container().id(), b.get(k + 1).container().id()));
      }
      k++;
    }
  }

  private static List<Block> acrossSections(Document d, Range range, Around x, Around y) {
    var out = new ArrayList<Block>();
    boolean in = false;
    for (Section s : d.sections()) {
      boolean first = s.id().equals(x.container().id());
      boolean last = s.id().equals(y.container().id());
      in |= first;
      if (in) {
        int to = last ? y.at() + 1 : s.blocks().size();
        out.addAll(s.blocks().subList(first ? x.at() : 0, to));
      }
      if (last) {
        break;
      }
    }
    return between(range, out);
  }

  /** Blocks of one container, the first and the last as far as they are in the range. */
  private static List<Block> between(Range range, List<Block> all) {
    var out = new ArrayList<Block>();
    for (Block b : all) {
      if (b instanceof Paragraph p) {
        int from = p.id().equals(range.start().paragraph()) ? range.start().offset() : 0;
        int to = p.id().equals(range.end().paragraph()) ? range.end().offset() : p.length();
        out.add(from == 0 && to == p.length() ? p : p.withInlines(p.slice(from, to)));
      } else {
        out.add(b);
      }
    }
    return out;
  }
}
