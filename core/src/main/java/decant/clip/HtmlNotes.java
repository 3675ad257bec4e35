package decant.clip;

import decant.model.Block;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.look.Look;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jsoup.nodes.Element;

/**
 * Notes of a page, by the roles that say so (W3C Digital Publishing WAI-ARIA Module 1.1:
 * doc-noteref, doc-footnote, doc-endnote, doc-backlink).
 */
final class HtmlNotes {
  private final Map<String, Element> byId = new HashMap<>();
  private final Set<Element> called = new HashSet<>();
  private final Map<NodeId, Story> stories = new LinkedHashMap<>();

  HtmlNotes(Element body) {
    for (Element e : body.select("[role=doc-footnote][id], [role=doc-endnote][id]")) {
      byId.putIfAbsent(e.id(), e);
    }
    for (Element a : body.select("a[role=doc-noteref][href^=#]")) {
      Optional.ofNullable(byId.get(a.attr("href").substring(1))).ifPresent(called::add);
    }
  }

  Map<NodeId, Story> stories() {
    return stories;
  }

  /** Whether an element is a note that is called somewhere, where it is shown. */
  boolean isNote(Element e) {
    return called.contains(e);
  }

  /**
   * The mark of the note that a link calls; empty if it calls none, or one that was called before.
   *
   * @param blocks reads what stands in an element
   */
  Optional<Inline> mark(Element a, Function<Element, List<Block>> blocks) {
    String to = a.attr("href");
    boolean calls = a.attr("role").equals("doc-noteref") && to.startsWith("#");
    Element e = calls ? byId.remove(to.substring(1)) : null;
    if (e == null) {
      return Optional.empty();
    }
    e.select("a[role=doc-backlink]").remove();
    NodeId id = NodeId.fresh();
    boolean atEnd = e.attr("role").equals("doc-endnote");
    List<Block> content = new ArrayList<>(blocks.apply(e));
    if (content.isEmpty() || !(content.getFirst() instanceof Paragraph)) {
      content.addFirst(Paragraph.of(Look.PLAIN, ""));
    }
    var first = (Paragraph) content.getFirst();
    var inlines = new ArrayList<Inline>();
    inlines.add(new Inline.NoteMark(id, Look.PLAIN));
    inlines.add(new Inline.Text(" ", Look.PLAIN));
    inlines.addAll(first.inlines());
    content.set(0, first.withInlines(inlines));
    stories.put(id, new Story(id, atEnd ? Story.Kind.ENDNOTE : Story.Kind.FOOTNOTE, content));
    return Optional.of(new Inline.NoteMark(id, Look.PLAIN));
  }
}
