package decant.clip;

import decant.model.Block;
import decant.model.Cell;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.Table;
import decant.model.edit.Fragment;
import decant.model.edit.ListEdits;
import decant.model.look.Colour;
import decant.model.look.Link;
import decant.model.look.ListDefinition;
import decant.model.look.ListDefinition.Level;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.ParagraphTraits;
import decant.model.look.Placement;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.picture.PictureSize;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.DocumentType;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.TextNode;

/** A fragment as HTML (the WHATWG's living standard), its looks in style attributes. */
public final class HtmlWriter {
  private final Fragment from;

  /** The same as a document, of which paragraphs are asked what they are. */
  private final decant.model.Document whole;

  private final HtmlRoom rooms = new HtmlRoom();
  private final List<Element> notes = new ArrayList<>();

  /** The shapes that what is written stands in. */
  private final Set<NodeId> open = new HashSet<>();

  /** What stands before items, and their numbers, as they are in the whole document. */
  private final Map<NodeId, String> labels;

  private final Map<NodeId, Integer> numbers;

  private HtmlWriter(Fragment from, Map<NodeId, String> labels, Map<NodeId, Integer> numbers) {
    this.from = from;
    this.whole = from.document();
    this.labels = labels;
    this.numbers = numbers;
  }

  /** A fragment, whose items count by themselves. */
  public static String write(Fragment f) {
    return write(f, Metadata.NONE, Map.of(), Map.of());
  }

  /**
   * A whole document.
   *
   * @param said what it says of itself
   * @param labels what stands before items, by their paragraphs
   * @param numbers of items on their levels
   */
  public static String write(
      Fragment f, Metadata said, Map<NodeId, String> labels, Map<NodeId, Integer> numbers) {
    Document html = Document.createShell("");
    html.outputSettings().prettyPrint(false).charset("UTF-8");
    html.prependChild(new DocumentType("html", "", ""));
    html.head().appendElement("meta").attr("charset", "utf-8");
    if (!said.title().isEmpty()) {
      html.title(said.title());
    }
    if (!said.author().isEmpty()) {
      html.head().appendElement("meta").attr("name", "author").attr("content", said.author());
    }
    if (!said.language().isEmpty()) {
      html.select("html").attr("lang", said.language());
    }
    var w = new HtmlWriter(f, labels, numbers);
    w.blocks(f.blocks(), html.body());
    if (!w.notes.isEmpty()) {
      Element list = html.body().appendElement("section").attr("role", "doc-endnotes");
      w.notes.forEach(list::appendChild);
    }
    return html.outerHtml();
  }

  /**
   * A list that items are added to.
   *
   * @param indent how far in they stand, in points
   */
  private record OpenList(Element element, String list, double indent) {}

  private void blocks(List<Block> blocks, Element into) {
    var lists = new ArrayList<OpenList>(); // by their depth
    rooms.add(blocks, from.styles());
    for (Block b : blocks) {
      switch (b) {
        case Paragraph p -> {
          Optional<ListMembership> m = ListEdits.item(whole, p);
          if (m.isEmpty() || whole.headingLevel(p) > 0) {
            lists.clear();
            paragraph(p, into);
          } else {
            item(p, m.get(), into, lists);
          }
        }
        case Table t -> {
          lists.clear();
          table(t, into);
        }
        case KeptBlock k -> {}
      }
    }
  }

  private void item(Paragraph p, ListMembership m, Element into, List<OpenList> lists) {
    Look look = from.styles().paragraphLook(p.look());
    boolean other = lists.size() > m.depth() && !lists.get(m.depth()).list.equals(m.list());
    while (lists.size() > (other ? m.depth() : m.depth() + 1)) {
      lists.removeLast();
    }
    while (lists.size() <= m.depth()) {
      Element in = lists.isEmpty() ? into : lastItem(lists.getLast().element);
      Level level = level(m.list(), lists.size());
      double indent = indent(look, m, lists.size());
      double by = indent - (lists.isEmpty() ? 0 : lists.getLast().indent);
      Element list = in.appendElement(level.ordered() ? "ol" : "ul");
      list.attr(
          "style",
          "margin-top:0;margin-bottom:0;"
              + (by > 0 ? "padding-inline-start:%spt;".formatted(points(by)) : "")
              + HtmlLists.mark(level));
      if (level.ordered()) {
        list.attr("type", type(level)).attr("start", Integer.toString(level.start()));
      }
      lists.add(new OpenList(list, m.list(), indent));
    }
    Element li = lists.getLast().element.appendElement("li");
    double size = from.styles().textBase(p.look()).value(TextTraits.SIZE);
    styled(li, HtmlBlocks.css(look, size, rooms.of(p)));
    bookmarks(p, li);
    label(p, m, li);
    inlines(p, li);
    boxes(p, li);
  }

  /** The number that an item has; where HTML cannot write its label, the label as text. */
  private void label(Paragraph p, ListMembership m, Element li) {
    String label = labels.getOrDefault(p.id(), "");
    Integer number = numbers.get(p.id());
    if (label.isEmpty() || number == null) {
      return;
    }
    Level level = level(m.list(), m.depth());
    if (!HtmlLists.mark(level).isEmpty()) {
      return;
    }
    boolean simple =
        level.ordered()
            && level.pattern().equals("%" + (m.depth() + 1) + ".")
            && level.format() != ListDefinition.NumberFormat.TWO_DIGITS
            && level.format() != ListDefinition.NumberFormat.ORDINAL;
    if (simple) {
      li.attr("value", number.toString());
    } else {
      li.attr("style", li.attr("style") + "list-style-type:none");
      li.appendElement("span").text(label + "\u00A0");
    }
  }

  /** Places that links lead to. */
  private static void bookmarks(Paragraph p, Element into) {
    for (String name : p.look().value(ParagraphTraits.BOOKMARKS)) {
      into.appendElement("a").attr("id", name);
    }
  }

  private Level level(String list, int depth) {
    return java.util.Objects.requireNonNull(from.lists().get(list)).level(depth);
  }

  /** How far in the items of a list stand: as the first of them does, or their level. */
  private double indent(Look own, ListMembership m, int depth) {
    return depth == m.depth() && own.sets(ParagraphTraits.INDENT_START)
        ? own.value(ParagraphTraits.INDENT_START)
        : level(m.list(), depth).paragraph().value(ParagraphTraits.INDENT_START);
  }

  private static Element lastItem(Element list) {
    Element last = list.lastElementChild();
    return last == null ? list.appendElement("li") : last;
  }

  private static String type(Level l) {
    return switch (l.format()) {
      case LOWER_LETTER -> "a";
      case UPPER_LETTER -> "A";
      case LOWER_ROMAN -> "i";
      case UPPER_ROMAN -> "I";
      default -> "1";
    };
  }

  private void paragraph(Paragraph p, Element into) {
    Look look = from.styles().paragraphLook(p.look());
    int level = look.value(ParagraphTraits.HEADING_LEVEL);
    Element e = into.appendElement(level > 0 ? "h" + Math.min(6, level) : "p");
    Look text = from.styles().textBase(p.look());
    var css = new StringBuilder(HtmlBlocks.css(look, text.value(TextTraits.SIZE), rooms.of(p)));
    // Browsers have headings bold.
    css.append(level > 0 && isLight(p, text) ? "font-weight:normal;" : "");
    double indent = look.value(ParagraphTraits.INDENT_START);
    css.append(indent > 0 ? "margin-inline-start:%spt;".formatted(points(indent)) : "");
    double first = look.value(ParagraphTraits.FIRST_LINE);
    css.append(first != 0 ? "text-indent:%spt;".formatted(points(first)) : "");
    if (look.value(ParagraphTraits.DIRECTION) == ParagraphTraits.Direction.RIGHT_TO_LEFT) {
      e.attr("dir", "rtl");
    }
    styled(e, css);
    bookmarks(p, e);
    String label = level > 0 ? labels.getOrDefault(p.id(), "") : "";
    if (!label.isEmpty()) {
      e.appendElement("span").text(label + "\u00A0"); // a heading is one rather than an item
    }
    inlines(p, e);
    boxes(p, into);
  }

  /** Whether some of a paragraph's text is not bold: the rest says that it is. */
  private boolean isLight(Paragraph p, Look base) {
    return !base.value(TextTraits.BOLD)
        || p.inlines().stream()
            .anyMatch(i ->
                i instanceof Inline.Text t
                    && !from.styles().textLook(base, t.look()).value(TextTraits.BOLD));
  }

  private static void styled(Element e, CharSequence css) {
    if (!css.isEmpty()) {
      e.attr("style", css.toString());
    }
  }

  static String points(double v) {
    String s = String.format(Locale.ROOT, "%.2f", v);
    return s.endsWith(".00") ? s.substring(0, s.length() - 3) : s;
  }

  private void inlines(Paragraph p, Element into) {
    Look base = from.styles().textBase(p.look());
    for (Inline i : p.inlines()) {
      switch (i) {
        case Inline.Text t -> text(t.text(), marked(into, base, t.look()));
        case Inline.Picture x -> picture(x, into);
        case Inline.Field f -> text(f.shown(), marked(into, base, f.look()));
        case Inline.KeptInline k -> text(k.shown(), marked(into, base, k.look()));
        case Inline.NoteMark n -> note(n.note(), into);
        case Inline.Shape s -> { // its text comes after the paragraph
          HtmlShapes.draw(s, into);
          if (!(s.placement() instanceof Placement.Floating)) {
            into.appendText(" ");
          }
        }
      }
    }
    if (p.inlines().isEmpty()) {
      into.appendElement("br"); // else it would take no room
    }
  }

  /** The text of shapes stands after the paragraph: a paragraph cannot hold others. */
  private void boxes(Paragraph p, Element into) {
    for (Inline i : p.inlines()) {
      if (!(i instanceof Inline.Shape s)) {
        continue;
      }
      Story story = s.content().story().map(from.stories()::get).orElse(null);
      if (story != null && open.add(story.id())) {
        blocks(story.blocks(), into.appendElement("div").attr("style", HtmlShapes.css(s)));
        open.remove(story.id());
      }
    }
  }

  private void note(NodeId id, Element into) {
    Story s = from.stories().get(id);
    if (s == null) {
      return;
    }
    int number = notes.size() + 1;
    String label = s.label().orElse(Integer.toString(number));
    into.appendElement("sup")
        .appendElement("a")
        .attr("href", "#note-" + number)
        .attr("role", "doc-noteref")
        .text(label);
    var e = new Element("aside").attr("id", "note-" + number).attr("role", "doc-footnote");
    notes.add(e);
    blocks(withoutMarks(s), e);
  }

  /** A note's own text begins with its mark. */
  private static List<Block> withoutMarks(Story s) {
    return s.blocks().stream()
        .map(b ->
            b instanceof Paragraph p
                ? (Block)
                    p.withInlines(
                        p.inlines().stream().filter(i -> !(i instanceof Inline.NoteMark)).toList())
                : b)
        .toList();
  }

  private void picture(Inline.Picture p, Element into) {
    Media m = from.media().get(p.media());
    Element img = into.appendElement("img").attr("alt", p.alt());
    img.attr("width", Long.toString(Math.round(p.width() / PictureSize.PIXEL)));
    img.attr("height", Long.toString(Math.round(p.height() / PictureSize.PIXEL)));
    if (m != null && m.type().startsWith("image/")) {
      img.attr(
          "src", "data:" + m.type() + ";base64," + Base64.getEncoder().encodeToString(m.bytes()));
    }
  }

  private Element marked(Element into, Look base, Look direct) {
    Look look = from.styles().textLook(base, direct);
    Element e = into;
    Link link = direct.get(TextTraits.LINK).orElse(null);
    if (link != null) {
      e = e.appendElement("a").attr("href", link.target());
    }
    var css = new StringBuilder();
    css.append("font-family:'").append(look.value(TextTraits.FAMILY).replace("'", "")).append("';");
    css.append("font-size:").append(points(look.value(TextTraits.SIZE))).append("pt;");
    Colour colour = look.value(TextTraits.COLOUR);
    css.append(colour.equals(Colour.BLACK) ? "" : "color:#" + colour.hex() + ";");
    Colour behind = look.value(TextTraits.HIGHLIGHT);
    css.append(behind.equals(Colour.WHITE) ? "" : "background-color:#" + behind.hex() + ";");
    double apart = look.value(TextTraits.LETTER_SPACING);
    css.append(apart == 0 ? "" : "letter-spacing:%spt;".formatted(points(apart)));
    css.append(look.value(TextTraits.SMALL_CAPS) ? "font-variant:small-caps;" : "");
    css.append(look.value(TextTraits.ALL_CAPS) ? "text-transform:uppercase;" : "");
    e = e.appendElement("span");
    styled(e, css);
    e = look.value(TextTraits.BOLD) ? e.appendElement("b") : e;
    e = look.value(TextTraits.ITALIC) ? e.appendElement("i") : e;
    e = look.value(TextTraits.UNDERLINE) ? e.appendElement("u") : e;
    e = look.value(TextTraits.STRIKE) ? e.appendElement("s") : e;
    return switch (look.value(TextTraits.RAISE)) {
      case SUPERSCRIPT -> e.appendElement("sup");
      case SUBSCRIPT -> e.appendElement("sub");
      case NONE -> e;
    };
  }

  /** Lines are broken; tabs, and spaces beside spaces, would be lost but for how they are kept. */
  private static void text(String s, Element into) {
    String[] lines = s.split("[\\n\\u000B\\f]", -1);
    for (int k = 0; k < lines.length; k++) {
      if (k > 0) {
        into.appendElement("br");
      }
      boolean kept =
          lines[k].contains("\t") || lines[k].contains("  ") || !lines[k].equals(lines[k].strip());
      Element in = kept ? into.appendElement("span").attr("style", "white-space:pre-wrap") : into;
      if (!lines[k].isEmpty()) {
        in.appendChild(new TextNode(lines[k]));
      }
    }
  }

  private void table(Table t, Element into) {
    Element table = into.appendElement("table").attr("style", "border-collapse:collapse");
    for (Table.Row row : t.rows()) {
      Element tr = table.appendElement("tr");
      boolean head = row.look().value(TableTraits.HEADER_ROW);
      for (Cell c : row.cells()) {
        Element td = tr.appendElement(head ? "th" : "td");
        if (c.columnSpan() > 1) {
          td.attr("colspan", Integer.toString(c.columnSpan()));
        }
        if (c.rowSpan() > 1) {
          td.attr("rowspan", Integer.toString(c.rowSpan()));
        }
        Colour shade = c.look().value(TableTraits.SHADING);
        var css = new StringBuilder();
        css.append(ruled(t) ? "border:0.5pt solid #000000;" : "");
        css.append(shade.equals(Colour.WHITE) ? "" : "background-color:#" + shade.hex() + ";");
        css.append(head ? "font-weight:normal;text-align:start;" : "");
        styled(td, css);
        blocks(c.blocks(), td);
      }
    }
  }

  private static boolean ruled(Table t) {
    return t.look().value(TableTraits.RULES).isDrawn();
  }
}
