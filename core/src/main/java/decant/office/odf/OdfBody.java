package decant.office.odf;

import decant.model.Block;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.finding.Finding;
import decant.model.look.Kept;
import decant.model.look.ListDefinition;
import decant.model.look.ListDefinition.Level;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.office.odf.markup.Measures;
import decant.office.xml.Element;
import decant.reading.ReadProblem;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** The blocks of a text (ODF 1.3 part 3, §5): of the body, of a header, a note, a cell or a box. */
final class OdfBody {
  private static final Words WORDS = Words.of(OdfBody.class);
  private static final String OUTLINE = "Outline";

  /** Takes blocks as they come, with the element that each was read from. */
  interface Sink {
    void block(Element from, Block block) throws ReadProblem;

    /** A section of the text begins, or the one before goes on after it. */
    default void section(Element section, boolean begins) throws ReadProblem {}
  }

  /** The list that what is read stands in. */
  private static final class Item {
    final String style;
    final int depth;
    String list;

    /** Whether the next paragraph carries the label. */
    boolean labelled;

    Item(String style, int depth, String list) {
      this.style = style;
      this.depth = depth;
      this.list = list;
    }
  }

  final OdfShared shared;
  final OdfStyles.Scope scope;
  private final OdfLists listStyles;
  private final OdfTables tables;
  private final OdfFrames frames;
  private final Optional<NodeId> note;
  private final List<Element> waiting = new ArrayList<>();

  /**
   * @param scope the automatic styles of the part that is read
   * @param note whose text it is, if it is one's
   */
  OdfBody(OdfShared shared, OdfStyles.Scope scope, Optional<NodeId> note) {
    this.shared = shared;
    this.scope = scope;
    this.note = note;
    this.listStyles = new OdfLists(shared.styles, scope);
    this.tables = new OdfTables(shared.styles, scope, this::content);
    this.frames = new OdfFrames(shared, scope, this::apart);
  }

  OdfFrames frames() {
    return frames;
  }

  /** The blocks in an element. */
  List<Block> content(Element parent) throws ReadProblem {
    var out = new ArrayList<Block>();
    var inside = new OdfBody(shared, scope, note);
    for (Element e : parent.elements()) {
      inside.add(e, (from, b) -> out.add(b));
    }
    inside.finish((from, b) -> out.add(b));
    return out;
  }

  /** The blocks of a text of its own, which changes around it are not about. */
  List<Block> apart(Element parent) throws ReadProblem {
    Map<String, Kept> outer = shared.changes.aside();
    List<Block> out = content(parent);
    shared.changes.back(outer);
    return out;
  }

  /** What stands in an element of block level. */
  void add(Element e, Sink out) throws ReadProblem {
    add(e, null, out);
  }

  /** What was anchored to no paragraph, where none came after it. */
  void finish(Sink out) throws ReadProblem {
    if (waiting.removeIf(e -> e.name().equals("text:change"))) {
      asAccepted(); // there is no paragraph any more that it could stand in
    }
    if (!waiting.isEmpty()) {
      Element empty = new Element("text:p", Map.of(), List.of());
      out.block(empty, paragraph(empty, null));
    }
  }

  private void add(Element e, @Nullable Item item, Sink out) throws ReadProblem {
    switch (e.name()) {
      case "text:p", "text:h" -> out.block(e, paragraph(e, item));
      case "text:list" -> list(e, item, out);
      case "text:numbered-paragraph" -> numbered(e, out);
      case "table:table" -> out.block(e, tables.read(e));
      case "text:section" -> {
        boolean hidden = e.attribute("text:display").filter(d -> d.equals("none")).isPresent();
        if (hidden) {
          leftOut(WORDS.say("odf-body.a-hidden-section"));
        } else {
          out.section(e, true);
          addAll(e, item, out);
          out.section(e, false);
        }
      }
      case "text:table-of-content",
          "text:illustration-index",
          "text:table-index",
          "text:object-index",
          "text:user-index",
          "text:alphabetical-index",
          "text:bibliography" -> {
        Optional<Element> body = e.child("text:index-body");
        if (body.isPresent()) {
          addAll(body.get(), item, out);
        }
      }
      case "text:index-title", "text:soft-page-break" -> addAll(e, item, out);
      case "text:change-start", "text:change-end" -> shared.changes.mark(e);
      case "text:change" -> waiting.add(e);
      case "text:tracked-changes" -> asAccepted();
      default -> {
        if (OdfFrames.isDrawn(e)) {
          waiting.add(e);
        } else if (e.descendant("text:p").or(() -> e.descendant("text:h")).isPresent()) {
          addAll(e, item, out); // an element around others (part 3, §3.17)
        }
      }
    }
  }

  private void addAll(Element parent, @Nullable Item item, Sink out) throws ReadProblem {
    for (Element e : parent.elements()) {
      add(e, item, out);
    }
  }

  private void asAccepted() {
    shared.findings.add(
        Finding.general(
            Finding.Kind.REMARK,
            Finding.Severity.NOTE,
            WORDS.say("odf-body.changes-are-shown-as-accepted")));
  }

  private void leftOut(String message) {
    shared.findings.add(
        Finding.general(Finding.Kind.CONTENT_LEFT_OUT, Finding.Severity.LOSS, message));
  }

  private void list(Element e, @Nullable Item outer, Sink out) throws ReadProblem {
    int depth = outer == null ? 0 : Math.min(8, outer.depth + 1);
    Optional<String> own = e.attribute("text:style-name").filter(s -> !s.isEmpty());
    String style = own.orElseGet(() -> outer != null ? outer.style : styleOfFirst(e).orElse(""));
    String list = outer != null && style.equals(outer.style) ? outer.list : begun(e, style);
    e.attribute("xml:id")
        .or(() -> e.attribute("text:id"))
        .ifPresent(n -> shared.listNames.put(n, list));
    var item = new Item(style, depth, list);
    for (Element c : e.elements()) {
      boolean header = c.name().equals("text:list-header");
      if (!header && !c.name().equals("text:list-item")) {
        continue;
      }
      Optional<Integer> start =
          header ? Optional.empty() : Measures.whole(c.attribute("text:start-value"));
      if (start.isPresent()) {
        item.list = from(item, start.get());
      }
      item.labelled = !header;
      addAll(c, item, out);
    }
  }

  /** The list style of the paragraph that a list begins with. */
  private Optional<String> styleOfFirst(Element list) {
    Optional<Element> p = list.descendant("text:p").or(() -> list.descendant("text:h"));
    return p.flatMap(x ->
        shared.styles.inherited(x.attribute("text:style-name"), scope, "style:list-style-name"));
  }

  /** A list that begins, or goes on with one before it (§5.3.2). */
  private String begun(Element e, String style) {
    boolean goesOn = Measures.isTrue(e.attribute("text:continue-numbering"));
    Optional<String> other = e.attribute("text:continue-list").map(shared.listNames::get);
    String id =
        other
            .map(o -> shared.countedOn(o, levels(style)))
            .or(() ->
                goesOn ? Optional.ofNullable(shared.lastOfStyle.get(style)) : Optional.empty())
            .orElseGet(() -> shared.newList(levels(style)));
    shared.lastOfStyle.put(style, id);
    return id;
  }

  private List<Level> levels(String style) {
    return listStyles.levels(Optional.of(style));
  }

  /** The list, counting from another number at the depth of an item. */
  private String from(Item item, int start) {
    ListDefinition now = java.util.Objects.requireNonNull(shared.lists.get(item.list));
    String id = shared.goesOn(now, item.depth, start);
    shared.lastOfStyle.put(item.style, id);
    return id;
  }

  private void numbered(Element e, Sink out) throws ReadProblem {
    String style = e.attribute("text:style-name").orElse("");
    int level = Measures.whole(e.attribute("text:level")).orElse(1);
    String list =
        e.attribute("text:list-id")
            .map(i -> shared.listNames.computeIfAbsent(i, k -> shared.newList(levels(style))))
            .orElseGet(() -> begun(e, style));
    var item = new Item(style, Math.clamp(level - 1, 0, 8), list);
    item.labelled = true;
    addAll(e, item, out);
  }

  private Paragraph paragraph(Element e, @Nullable Item item) throws ReadProblem {
    NodeId id = NodeId.fresh();
    Optional<String> name =
        e.attribute("text:style-name").or(() -> e.attribute("text:cond-style-name"));
    OdfStyles.Direct direct = shared.styles.paragraph(name, scope);
    Look look = direct.paragraph();
    if (e.name().equals("text:h")) {
      look = heading(e, look, item);
    } else if (level(look) > 0) {
      look = look.with(ParagraphTraits.HEADING_LEVEL, 0); // looks like a heading, and is none
    }
    look = item == null ? look : inList(look, item);
    boolean pageAfter = breaks(direct, "fo:break-after", "page");
    var reader = new OdfInlines(this, id, look, direct.text(), note);
    boolean begins = direct.style().flatMap(s -> s.attribute("style:master-page-name")).isPresent();
    if (shared.begun && !begins && breaks(direct, "fo:break-before", "column")) {
      reader.text(String.valueOf(decant.model.Inline.COLUMN_BREAK));
    }
    for (Element d : List.copyOf(waiting)) {
      reader.waited(d);
    }
    waiting.clear();
    reader.read(e);
    if (pageAfter) {
      reader.text("\f");
    }
    shared.begun = true;
    return reader.paragraph(look);
  }

  private static boolean breaks(OdfStyles.Direct direct, String side, String what) {
    return direct
        .style()
        .flatMap(s -> s.child("style:paragraph-properties"))
        .flatMap(p -> p.attribute(side))
        .filter(b -> b.equals(what))
        .isPresent();
  }

  private int level(Look look) {
    return shared.styles.sheet().paragraphLook(look).value(ParagraphTraits.HEADING_LEVEL);
  }

  private Look heading(Element e, Look look, @Nullable Item item) {
    int level = Math.clamp(Measures.whole(e.attribute("text:outline-level")).orElse(1), 1, 9);
    Look out = look;
    if (level(look) != level) {
      out = out.with(ParagraphTraits.HEADING_LEVEL, level);
    }
    boolean unnumbered = Measures.isTrue(e.attribute("text:is-list-header"));
    if (item == null && !unnumbered && shared.lists.containsKey(OUTLINE)) {
      Level own = shared.lists.get(OUTLINE).level(level - 1);
      if (own.ordered() && !own.pattern().isEmpty()) {
        out = out.with(ParagraphTraits.LIST, new ListMembership(OUTLINE, level - 1));
      }
    }
    return out;
  }

  /** An item carries its label once; what follows in it stands where its text begins. */
  private Look inList(Look look, Item item) {
    if (item.labelled) {
      item.labelled = false;
      return look.with(ParagraphTraits.LIST, new ListMembership(item.list, item.depth));
    }
    Look level =
        java.util.Objects.requireNonNull(shared.lists.get(item.list)).level(item.depth).paragraph();
    Look out = look;
    if (!out.sets(ParagraphTraits.INDENT_START) && level.sets(ParagraphTraits.INDENT_START)) {
      out = out.with(ParagraphTraits.INDENT_START, level.value(ParagraphTraits.INDENT_START));
    }
    return out.sets(ParagraphTraits.FIRST_LINE) ? out : out.with(ParagraphTraits.FIRST_LINE, 0.0);
  }

  /** The numbering of headings, as a list that they are items of. */
  void outline(Element style) {
    shared.lists.put(OUTLINE, new ListDefinition(OUTLINE, listStyles.levels(style)));
  }
}
