package decant.clip;

import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import java.util.HashSet;
import java.util.Objects;
import java.util.Set;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;

/** The items of lists (§4.4.5–8 of the living standard). */
final class HtmlItems {
  private static final Set<String> LISTS = Set.of("ul", "ol", "menu", "dir");

  /** Blocks that an item may begin with, whose text stands beside its mark. */
  private static final Set<String> FIRST = Set.of("p", "div", "section", "label", "center");

  /** Of each level of a list whose items have no mark, in points. */
  private static final double STEP = 18;

  private static final int DEEPEST = 8;

  /** Where an item stands. */
  private record Level(String list, int depth) {}

  private final HtmlPage page;
  private final HtmlFlow flow;

  /** Levels of lists that have items, so that their marks stay. */
  private final Set<Level> used = new HashSet<>();

  HtmlItems(HtmlPage page, HtmlFlow flow) {
    this.page = page;
    this.flow = flow;
  }

  void list(Element e, HtmlAround in) {
    int from = flow.count();
    list(e, in, -1, "");
    flow.end(in.paragraph());
    flow.spaced(from, Css.of(e));
  }

  private void list(Element e, HtmlAround in, int depth, String outer) {
    if (in.isTooDeep()) {
      return;
    }
    flow.end(in.paragraph());
    int here = Math.min(DEEPEST, depth + 1);
    int start = HtmlLists.start(e);
    String id = outer.isEmpty() ? define(e, start, here) : within(e, start, here, outer);
    Css of = Css.of(e);
    int next = start;
    for (Node n : e.childNodes()) {
      if (!(n instanceof Element item) || !item.normalName().equals("li")) {
        if (n instanceof Element x
            && LISTS.contains(x.normalName())
            && !flow.isSkipped(x, Css.of(x))) {
          list(x, in.with(in.text(), in.paragraph()), here, id); // as some programs nest them
        } else {
          flow.node(n, stray(in, here)); // it has no mark
        }
        continue;
      }
      Css css = Css.of(item);
      if (flow.isSkipped(item, css)) {
        continue;
      }
      String value = item.attr("value");
      if (value.matches("\\d{1,4}") && Integer.parseInt(value) != next) {
        next = Integer.parseInt(value);
        id = define(e, next, here);
      }
      next++;
      Look look = look(css, of, in, new Level(id, here));
      flow.end(look);
      int from = flow.count();
      item(item, in.with(css.text(in.text(), page.size), look), new Level(id, here));
      flow.end(in.paragraph());
      flow.spaced(from, css);
    }
    flow.end(in.paragraph());
  }

  private HtmlAround stray(HtmlAround in, int depth) {
    return in.with(
        in.text(), in.paragraph().with(ParagraphTraits.INDENT_START, STEP * (depth + 1)));
  }

  private Look look(Css css, Css list, HtmlAround in, Level at) {
    Look look =
        page.paragraph(css, in.paragraph())
            .without(ParagraphTraits.INDENT_START)
            .without(ParagraphTraits.FIRST_LINE);
    String mark = css.value("list-style-type");
    boolean unmarked = (mark.isEmpty() ? list.value("list-style-type") : mark).equals("none");
    return unmarked
        ? look.with(ParagraphTraits.INDENT_START, indent(at))
        : look.with(ParagraphTraits.LIST, new ListMembership(at.list(), at.depth()));
  }

  /** How far in items stand that have no mark. */
  private double indent(Level at) {
    return Objects.requireNonNull(page.lists.get(at.list()))
        .level(at.depth())
        .paragraph()
        .value(ParagraphTraits.INDENT_START);
  }

  private void item(Element item, HtmlAround in, Level at) {
    boolean first = true;
    // What goes on below the first paragraph of an item has no mark of its own.
    Look further =
        in.paragraph().without(ParagraphTraits.LIST).with(ParagraphTraits.INDENT_START, indent(at));
    HtmlAround below = in.with(in.text(), further);
    int from = flow.count();
    for (Node n : item.childNodes()) {
      boolean begun = flow.count() > from;
      if (n instanceof Element x && flow.isSkipped(x, Css.of(x))) {
        continue;
      } else if (n instanceof Element x && LISTS.contains(x.normalName())) {
        list(
            x,
            in.with(in.text(), further.without(ParagraphTraits.INDENT_START)),
            at.depth(),
            at.list());
      } else if (n instanceof Element x && FIRST.contains(x.normalName()) && first) {
        Css css = Css.of(x);
        flow.children(x, in.with(css.text(in.text(), page.size), in.paragraph()));
        flow.end(further);
        flow.spaced(from, css);
        first = false;
      } else {
        flow.node(n, begun ? below : in);
        first &= n instanceof TextNode t && t.isBlank();
      }
    }
  }

  /** A list in another belongs to it, unless it is counted or marked otherwise. */
  private String within(Element e, int start, int depth, String outer) {
    ListDefinition known = page.lists.get(outer);
    ListDefinition.Level own = HtmlLists.level(e, start, depth);
    boolean same =
        known != null
            && known.level(depth).format() == own.format()
            && known.level(depth).pattern().equals(own.pattern())
            && known.level(depth).start() == own.start();
    boolean first = !used.contains(new Level(outer, depth));
    if (known == null || !same && !first) {
      return define(e, start, depth);
    }
    if (first) {
      page.lists.put(outer, HtmlLists.with(known, depth, own));
    }
    used.add(new Level(outer, depth));
    return outer;
  }

  private String define(Element e, int start, int depth) {
    String id =
        (HtmlLists.isOrdered(e) ? "numbers" : "bullets") + "-pasted-" + (page.lists.size() + 1);
    page.lists.put(id, HtmlLists.of(id, e, start, depth));
    used.add(new Level(id, depth));
    return id;
  }
}
