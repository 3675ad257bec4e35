package decant.clip;

import decant.model.Block;
import decant.model.Cell;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.edit.Fragment;
import decant.model.edit.HeadingStyles;
import decant.model.look.Colour;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;

/**
 * HTML that another program put on the clipboard, as paragraphs, lists and tables in looks.
 * Scripts, style sheets and whatever would have to be fetched are left out.
 */
public final class HtmlReader {
  private static final Set<String> SKIPPED =
      Set.of(
          "script",
          "style",
          "head",
          "title",
          "meta",
          "link",
          "template",
          "noscript",
          "object",
          "iframe",
          "svg",
          "math",
          "select",
          "textarea",
          "button",
          "video",
          "audio",
          "canvas");

  private static final Set<String> BLOCKS =
      Set.of(
          "p",
          "div",
          "section",
          "article",
          "header",
          "footer",
          "main",
          "nav",
          "aside",
          "figure",
          "figcaption",
          "address",
          "blockquote",
          "pre",
          "dl",
          "dt",
          "dd",
          "fieldset",
          "form",
          "details",
          "summary",
          "center",
          "caption",
          "body");

  /** As deep as elements are followed; deeper ones are no document of a person's. */
  private static final int DEEPEST = 200;

  /** Characters that are read; more is no clipboard. */
  private static final int LONGEST = 20_000_000;

  private static final int MOST_COLUMNS = 200;

  private StyleSheet styles;
  private final double size;
  private final Map<MediaId, Media> media = new LinkedHashMap<>();
  private final Map<String, ListDefinition> lists = new LinkedHashMap<>();

  private final HtmlNotes notes;

  /** The places of the page that links lead to. */
  private final Set<String> places = new HashSet<>();

  private HtmlReader(StyleSheet styles, Element body) {
    this.notes = new HtmlNotes(body);
    body.select("a[href^=#]:not([role])").forEach(a -> places.add(a.attr("href").substring(1)));
    this.styles = styles;
    this.size = styles.textBase(Look.PLAIN).value(TextTraits.SIZE);
  }

  /**
   * @param styles those of the document that it goes into, by which headings are named
   */
  public static Fragment read(String html, StyleSheet styles) {
    String some = html.length() > LONGEST ? html.substring(0, LONGEST) : html;
    return read(Jsoup.parse(some).body(), styles);
  }

  /**
   * A page that was parsed before, whole.
   *
   * @param styles those of the document that it goes into, by which headings are named
   */
  public static Fragment read(Element body, StyleSheet styles) {
    var reader = new HtmlReader(styles, body);
    var out = reader.new Flow();
    out.children(body, new Around(Look.PLAIN, Look.PLAIN, false, 0));
    return new Fragment(
        out.done(), reader.notes.stories(), reader.media, reader.lists, reader.styles);
  }

  /**
   * What holds for what stands in an element.
   *
   * @param kept whether spaces and line ends are kept as they are
   */
  private record Around(Look text, Look paragraph, boolean kept, int depth) {
    Around with(Look otherText, Look otherParagraph) {
      return new Around(otherText, otherParagraph, kept, depth + 1);
    }

    Around keeping() {
      return new Around(text, paragraph, true, depth);
    }
  }

  /** Blocks as they come, one paragraph open. */
  private final class Flow {
    private final List<Block> blocks = new ArrayList<>();
    private final List<Inline> open = new ArrayList<>();
    private Look paragraph = Look.PLAIN;

    /** The places at which the open paragraph begins. */
    private final Set<String> named = new LinkedHashSet<>();

    List<Block> done() {
      end(Look.PLAIN);
      return blocks;
    }

    /** Ends the open paragraph, and begins the next in a look. */
    void end(Look next) {
      List<Inline> inlines = HtmlSpaces.stripped(open);
      if (!inlines.isEmpty()) {
        Look look =
            named.isEmpty()
                ? paragraph
                : paragraph.with(ParagraphTraits.BOOKMARKS, List.copyOf(named));
        blocks.add(new Paragraph(NodeId.fresh(), look, Look.PLAIN, inlines));
        named.clear();
      }
      open.clear();
      paragraph = next;
    }

    void children(Element e, Around a) {
      for (Node n : e.childNodes()) {
        if (n instanceof TextNode t) {
          text(t.getWholeText(), a);
        } else if (n instanceof Element x && a.depth() < DEEPEST) {
          element(x, a);
        }
      }
    }

    private void text(String s, Around a) {
      String shown = HtmlSpaces.shown(s, a.kept(), open);
      if (!shown.isEmpty()) {
        open.add(new Inline.Text(shown, a.text()));
      }
    }

    private void element(Element e, Around a) {
      String name = e.normalName();
      Css css = Css.of(e.attr("style"));
      if (SKIPPED.contains(name) || css.hides() || e.hasAttr("hidden") || notes.isNote(e)) {
        return;
      }
      Optional<Inline> mark = notes.mark(e, n -> apart(n, a));
      if (mark.isPresent()) {
        open.add(mark.get());
        return;
      }
      Around in = a.with(css.text(HtmlMarks.look(name, e, a.text()), size), a.paragraph());
      if (css.value("white-space").startsWith("pre") || name.equals("pre")) {
        in = in.keeping();
      }
      String place = e.hasAttr("id") ? e.id() : name.equals("a") ? e.attr("name") : "";
      if (places.contains(place)) {
        place(place, BLOCKS.contains(name) || name.matches("h[1-6]|li|table|ul|ol"));
      }
      switch (name) {
        case "br" -> open.add(new Inline.Text("\n", a.text()));
        case "hr" -> end(Look.PLAIN);
        case "img" -> HtmlPictures.of(e, size, media).ifPresent(open::add);
        case "ul", "ol", "menu" -> list(e, in, -1, "");
        case "table" -> table(e, in);
        case "li" -> block(e, in, css.paragraph(in.paragraph(), size));
        case "h1", "h2", "h3", "h4", "h5", "h6" -> heading(e, in, name.charAt(1) - '0', css);
        default -> {
          if (BLOCKS.contains(name)) {
            Look p = css.paragraph(a.paragraph(), size);
            p =
                name.equals("center")
                    ? p.with(ParagraphTraits.ALIGNMENT, ParagraphTraits.Alignment.CENTRE)
                    : p;
            p = name.equals("blockquote") ? p.with(ParagraphTraits.INDENT_START, QUOTE) : p;
            p =
                e.attr("dir").equalsIgnoreCase("rtl")
                    ? p.with(ParagraphTraits.DIRECTION, ParagraphTraits.Direction.RIGHT_TO_LEFT)
                    : p;
            block(e, in, p);
          } else {
            children(e, in);
          }
        }
      }
    }

    /** Something that links lead to begins here. */
    private void place(String name, boolean block) {
      if (block) {
        end(Look.PLAIN); // it is the place of the paragraph that comes
      }
      named.add(name);
    }

    /** What stands apart from the text, in a note. */
    private List<Block> apart(Element e, Around a) {
      var inner = new Flow();
      inner.children(e, new Around(Look.PLAIN, Look.PLAIN, false, a.depth() + 1));
      return inner.done();
    }

    private void block(Element e, Around in, Look look) {
      end(look);
      children(e, in.with(withoutGround(in.text(), e), look));
      end(Look.PLAIN);
    }

    /** The ground of a block is not that of its letters. */
    private Look withoutGround(Look text, Element e) {
      return Css.of(e.attr("style")).background().isPresent()
          ? text.without(TextTraits.HIGHLIGHT)
          : text;
    }

    private void heading(Element e, Around in, int level, Css css) {
      styles = HeadingStyles.ensure(styles, level);
      Look look =
          css.paragraph(in.paragraph(), size)
              .with(ParagraphTraits.STYLE, HeadingStyles.id(styles, level));
      // Its size and weight are those of headings of the document.
      Look text =
          in.text().without(TextTraits.SIZE).without(TextTraits.BOLD).without(TextTraits.FAMILY);
      block(e, in.with(text, look), look);
    }

    private void list(Element e, Around in, int depth, String outer) {
      end(Look.PLAIN);
      int here = Math.min(8, depth + 1);
      String start = e.attr("start").matches("\\d{1,3}") ? e.attr("start") : "1";
      String id = here == 0 ? define(e, start) : outer;
      int next = Integer.parseInt(start);
      for (Element item : e.children()) {
        String name = item.normalName();
        if (name.equals("ul") || name.equals("ol")) {
          list(item, in, here, id); // as some programs nest them
          continue;
        }
        Css css = Css.of(item.attr("style"));
        if (css.hides() || SKIPPED.contains(name)) {
          continue;
        }
        String value = item.attr("value");
        if (here == 0 && value.matches("\\d{1,4}") && Integer.parseInt(value) != next) {
          id = define(e, value);
          next = Integer.parseInt(value);
        }
        next++;
        Look look =
            css.paragraph(Look.PLAIN, size)
                .without(ParagraphTraits.INDENT_START)
                .without(ParagraphTraits.FIRST_LINE);
        look =
            css.value("list-style-type").equals("none")
                ? look.with(ParagraphTraits.INDENT_START, STEP * (here + 1))
                : look.with(ParagraphTraits.LIST, new ListMembership(id, here));
        end(look);
        item(item, in.with(css.text(in.text(), size), look), here, id, look);
        end(Look.PLAIN);
      }
    }

    private void item(Element item, Around in, int depth, String id, Look look) {
      boolean first = true;
      for (Node n : item.childNodes()) {
        if (n instanceof Element x
            && (x.normalName().equals("ul") || x.normalName().equals("ol"))) {
          list(x, in, depth, id);
        } else if (n instanceof Element x && BLOCKS.contains(x.normalName()) && first) {
          children(x, in.with(Css.of(x.attr("style")).text(in.text(), size), look));
          first = false;
        } else if (n instanceof Element x && in.depth() < DEEPEST) {
          element(x, in);
        } else if (n instanceof TextNode t) {
          text(t.getWholeText(), in);
        }
      }
    }

    private String define(Element e, String start) {
      String id =
          (e.normalName().equals("ol") ? "numbers" : "bullets") + "-pasted-" + (lists.size() + 1);
      lists.put(id, HtmlLists.of(id, e, start));
      return id;
    }

    private void table(Element e, Around in) {
      end(Look.PLAIN);
      var rows = new ArrayList<Table.Row>();
      for (Element tr : e.select("tr")) {
        if (tr.closest("table") != e) {
          continue; // of a table within
        }
        var cells = new ArrayList<Cell>();
        boolean head =
            !tr.children().isEmpty()
                && tr.parent() != null
                && tr.parent().normalName().equals("thead");
        boolean heads = !tr.children().isEmpty();
        for (Element td : tr.children()) {
          boolean th = td.normalName().equals("th");
          if (!th && !td.normalName().equals("td") || cells.size() >= MOST_COLUMNS) {
            continue;
          }
          heads &= th;
          cells.add(cell(td, in));
        }
        if (!cells.isEmpty()) {
          boolean isHead = head || heads && rows.isEmpty();
          rows.add(
              new Table.Row(isHead ? Look.of(TableTraits.HEADER_ROW, true) : Look.PLAIN, cells));
        }
      }
      if (!rows.isEmpty()) {
        blocks.add(new Table(NodeId.fresh(), TableTraits.RULED, List.of(), rows));
      }
    }

    private Cell cell(Element td, Around in) {
      Css css = Css.of(td.attr("style"));
      Look text = css.text(in.text(), size).without(TextTraits.HIGHLIGHT);
      var inner = new Flow();
      Look paragraph = css.paragraph(Look.PLAIN, size).without(ParagraphTraits.INDENT_START);
      paragraph =
          switch (td.attr("align").toLowerCase(java.util.Locale.ROOT)) {
            case "right" ->
                paragraph.with(ParagraphTraits.ALIGNMENT, ParagraphTraits.Alignment.END);
            case "center" ->
                paragraph.with(ParagraphTraits.ALIGNMENT, ParagraphTraits.Alignment.CENTRE);
            default -> paragraph;
          };
      inner.paragraph = paragraph;
      inner.children(td, in.with(text, paragraph));
      List<Block> content = inner.done();
      if (content.isEmpty() || !(content.getLast() instanceof Paragraph)) {
        content.add(new Paragraph(NodeId.fresh(), paragraph, Look.PLAIN, List.of()));
      }
      Look look =
          css.background()
              .filter(c -> !c.equals(Colour.WHITE))
              .map(c -> Look.of(TableTraits.SHADING, c))
              .orElse(Look.PLAIN);
      return new Cell(NodeId.fresh(), span(td, "colspan"), span(td, "rowspan"), look, content);
    }

    private int span(Element td, String name) {
      String v = td.attr(name);
      return v.matches("\\d{1,3}") ? Math.clamp(Integer.parseInt(v), 1, MOST_COLUMNS) : 1;
    }
  }

  /** Of each level of a list whose items have no mark, in points. */
  private static final double STEP = 18;

  /** Of quotations, in points. */
  private static final double QUOTE = 36;
}
