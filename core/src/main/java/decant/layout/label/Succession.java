package decant.layout.label;

import decant.model.Block;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.look.ListMembership;
import decant.model.look.ParagraphTraits;
import decant.model.walk.Walk;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Iterator;
import java.util.List;
import java.util.Map;

/**
 * One version of a document after another, of which little changed. Tells whether what is counted
 * through a document comes out as before, by looking at the changed blocks alone.
 *
 * @param before the earlier version
 * @param was its flow
 * @param known what was counted in it
 */
public record Succession(Document before, Flow was, Context known) {
  /** An item of a list: what its label follows from, together with the items before it. */
  private record Item(NodeId paragraph, ListMembership of) {}

  /** What the flow of a later version shares with that of this one. */
  Flow.Shared shared(Flow flow) {
    return Flow.Shared.of(was.blocks(), flow.blocks());
  }

  /** Whether the labels of lists are those of the version before. */
  boolean sameLabels(Document d, Flow flow, Flow.Shared shared, Styles styles) {
    return before.styles() == d.styles()
        && before.lists() == d.lists()
        && items(was.but(shared), styles).equals(items(flow.but(shared), styles))
        && (before.stories() == d.stories()
            || sameInStories(before.stories().values(), d.stories().values(), styles))
        && sameInRunningTexts(d, styles);
  }

  /** Whether the labels of notes are those of the version before. */
  boolean sameNotes(Document d, Flow flow, Flow.Shared shared) {
    return before.styles() == d.styles()
        && before.stories() == d.stories()
        && notes(was.factsBut(shared)).equals(notes(flow.factsBut(shared)));
  }

  private static List<NodeId> notes(List<BlockFacts> facts) {
    return facts.stream().flatMap(f -> f.notes().stream()).toList();
  }

  private static List<Item> items(List<Block> blocks, Styles styles) {
    var out = new ArrayList<Item>();
    Walk.through(
        blocks,
        new Walk.Visitor() {
          @Override
          public void paragraph(Paragraph p) {
            ListMembership m = styles.paragraphLook(p).value(ParagraphTraits.LIST);
            if (styles.lists().containsKey(m.list())) {
              out.add(new Item(p.id(), m));
            }
          }
        });
    return out;
  }

  private static boolean sameInStories(Collection<Story> a, Collection<Story> b, Styles styles) {
    if (a.size() != b.size()) {
      return false;
    }
    Iterator<Story> others = b.iterator();
    for (Story x : a) {
      Story y = others.next();
      boolean same =
          x == y
              || x.id().equals(y.id())
                  && x.kind() == y.kind()
                  && items(x.blocks(), styles).equals(items(y.blocks(), styles));
      if (!same) {
        return false;
      }
    }
    return true;
  }

  private boolean sameInRunningTexts(Document d, Styles styles) {
    if (before.sections().size() != d.sections().size()) {
      return false;
    }
    for (int s = 0; s < d.sections().size(); s++) {
      Map<Section.Running, Story> a = before.sections().get(s).running();
      Map<Section.Running, Story> b = d.sections().get(s).running();
      if (a != b && !sameInStories(a.values(), b.values(), styles)) {
        return false;
      }
    }
    return true;
  }
}
