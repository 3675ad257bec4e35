package decant.clip;

import decant.model.Block;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.edit.HeadingStyles;
import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TextTraits;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;

/** Blocks of a page as they come, one paragraph open. */
final class HtmlFlow {
  /** What shows nothing of its own on paper, or would have to be fetched. */
  private static final Set<String> SKIPPED =
      Set.of(
          "script",
          "style",
          "head",
          "title",
          "meta",
          "link",
          "template",
          "iframe",
          "video",
          "audio",
          "canvas",
          "datalist");

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
          "xmp",
          "listing",
          "plaintext",
          "dl",
          "dt",
          "dd",
          "fieldset",
          "legend",
          "form",
          "details",
          "summary",
          "dialog",
          "center",
          "caption",
          "hgroup",
          "search",
          "body");

  /** Of quotations and of what is defined, in points: 40 pixels, as browsers have it. */
  private static final double QUOTE = 36;

  private static final double DEFINED = 30;

  /** Of a line across the page, in points. */
  private static final double HAIR = 0.75;

  private final HtmlPage page;
  private final List<Block> blocks = new ArrayList<>();
  private final List<Inline> open = new ArrayList<>();
  private Look paragraph = Look.PLAIN;
  private boolean newPage;

  /** The places at which the open paragraph begins. */
  private final Set<String> named = new LinkedHashSet<>();

  HtmlFlow(HtmlPage page) {
    this.page = page;
  }

  /** The blocks, once all was read. */
  List<Block> done() {
    end(Look.PLAIN);
    return blocks;
  }

  /** All of a page. */
  void page(Element body) {
    Css css = Css.of(body);
    Look text = css.withoutGround(css.text(Look.PLAIN, page.size));
    children(body, HtmlAround.PAGE.with(text, look(body, css.withoutMargins(), Look.PLAIN)));
  }

  /** How many blocks are ended. */
  int count() {
    return blocks.size();
  }

  /** Ends the open paragraph, and begins the next in a look. */
  void end(Look next) {
    List<Inline> inlines = HtmlSpaces.stripped(open);
    if (!inlines.isEmpty()) {
      add(inlines);
    }
    open.clear();
    paragraph = next;
  }

  private void add(List<Inline> inlines) {
    Look look = paragraph;
    if (!named.isEmpty()) {
      look = look.with(ParagraphTraits.BOOKMARKS, List.copyOf(named));
      named.clear();
    }
    if (newPage) {
      look = look.with(ParagraphTraits.PAGE_BREAK_BEFORE, true);
      newPage = false;
    }
    blocks.add(new Paragraph(NodeId.fresh(), look, Look.PLAIN, inlines));
  }

  /** Puts a table, after what is open. */
  void put(Block table) {
    end(Look.PLAIN);
    blocks.add(table);
  }

  void children(Element e, HtmlAround a) {
    for (Node n : e.childNodes()) {
      node(n, a);
    }
  }

  void node(Node n, HtmlAround a) {
    if (n instanceof TextNode t) {
      page.take(t);
      String shown = HtmlSpaces.shown(t.getWholeText(), a.kept(), open);
      if (!shown.isEmpty()) {
        open.add(new Inline.Text(shown, a.text()));
      }
    } else if (n instanceof Element x && !a.isTooDeep()) {
      element(x, a);
    }
  }

  /** Whether an element shows nothing, or shows where it is called. */
  boolean isSkipped(Element e, Css css) {
    return SKIPPED.contains(e.normalName()) || isHidden(e, css) || page.notes.isNote(e);
  }

  static boolean isHidden(Element e, Css css) {
    return css.hides() || e.normalName().equals("dialog") && !e.hasAttr("open");
  }

  private void element(Element e, HtmlAround a) {
    Css css = Css.of(e);
    if (isSkipped(e, css)) {
      return;
    }
    String name = e.normalName();
    Optional<Inline> mark = page.notes.mark(e, n -> apart(n, a));
    if (mark.isPresent()) {
      page.takeAll(e);
      open.add(mark.get());
      return;
    }
    HtmlAround in =
        a.with(css.text(HtmlMarks.look(name, e, a.text(), page), page.size), a.paragraph());
    if (css.value("white-space").startsWith("pre") || name.matches("pre|xmp|listing|plaintext")) {
      in = in.keeping();
    }
    boolean block = isBlock(name, css);
    String place = e.hasAttr("id") ? e.id() : name.equals("a") ? e.attr("name") : "";
    if (page.isLedTo(place)) {
      place(place, block || name.matches("h[1-6]|li|table|ul|ol"), a);
    }
    newPage |= css.breaksBefore();
    switch (name) {
      case "br" -> {
        if (css.breaksBefore()) {
          end(a.paragraph());
        } else {
          say("\n", a.text());
        }
      }
      case "wbr" -> say("\u200B", a.text());
      case "hr" -> line(css, a);
      case "img" -> page.picture(e).ifPresent(open::add);
      case "svg" -> page.drawing(e).ifPresent(open::add);
      case "math" -> equation(e, in);
      case "q" -> quoted(e, in);
      case "rt" -> reading(e, in);
      case "ul", "ol", "menu", "dir" -> new HtmlItems(page, this).list(e, in);
      case "table" -> HtmlTable.put(e, in, page, this);
      case "h1", "h2", "h3", "h4", "h5", "h6" -> heading(e, in, name.charAt(1) - '0', css);
      default -> {
        if (HtmlFields.isControl(name)) {
          HtmlFields.of(e, page, in.text()).ifPresent(open::add);
        } else if (block) {
          block(e, in, look(e, css, a.paragraph()), css);
        } else {
          children(e, in);
        }
      }
    }
    newPage |= css.breaksAfter();
  }

  private static boolean isBlock(String name, Css css) {
    String display = css.value("display");
    return BLOCKS.contains(name) || name.equals("li")
        ? !display.equals("inline")
        : display.matches("block|flex|grid|flow-root|list-item");
  }

  /** Characters that no text of the page says. */
  private void say(String s, Look look) {
    open.add(new Inline.Text(s, look));
  }

  private Look look(Element e, Css css, Look around) {
    Look p = page.paragraph(css, around);
    p =
        switch (e.normalName()) {
          case "center" -> p.with(ParagraphTraits.ALIGNMENT, Alignment.CENTRE);
          case "blockquote" -> indented(p, css, QUOTE);
          case "dd" -> indented(p, css, DEFINED);
          default -> p;
        };
    return e.attr("dir").equalsIgnoreCase("rtl")
        ? p.with(ParagraphTraits.DIRECTION, ParagraphTraits.Direction.RIGHT_TO_LEFT)
        : p;
  }

  /** As browsers have it, unless the page says otherwise. */
  private static Look indented(Look p, Css css, double by) {
    return css.value("margin-left").isEmpty()
        ? p.with(ParagraphTraits.INDENT_START, p.value(ParagraphTraits.INDENT_START) + by)
        : p;
  }

  /** Something that links lead to begins here. */
  private void place(String name, boolean block, HtmlAround a) {
    if (block) {
      end(a.paragraph()); // it is the place of the paragraph that comes
    }
    named.add(name);
  }

  /** What stands apart from the text, in a note. */
  private List<Block> apart(Element e, HtmlAround a) {
    var inner = new HtmlFlow(page);
    inner.children(e, new HtmlAround(Look.PLAIN, Look.PLAIN, false, a.depth() + 1));
    return inner.done();
  }

  private void block(Element e, HtmlAround in, Look look, Css css) {
    end(look);
    int from = blocks.size();
    children(e, in.with(css.withoutGround(in.text()), look));
    if (blocks.size() == from && isEmptyLine(e)) {
      open.clear();
      add(List.of());
    }
    end(in.paragraph());
    spaced(from, css);
  }

  /** A line break alone, by which pages are made to have an empty line. */
  private static boolean isEmptyLine(Element e) {
    return e.normalName().matches("p|div")
        && e.childrenSize() == 1
        && e.child(0).normalName().equals("br")
        && e.ownText().isBlank();
  }

  /** The room above and below blocks, of which the greater shows (CSS 2.2, §8.3.1). */
  void spaced(int from, Css css) {
    if (blocks.size() <= from) {
      return;
    }
    double above = css.length("margin-top", page.size).orElse(0.0);
    if (above > 0 && blocks.get(from) instanceof Paragraph p) {
      double before =
          from > 0 && blocks.get(from - 1) instanceof Paragraph last
              ? last.look().value(ParagraphTraits.SPACE_AFTER)
              : 0;
      double more = Math.max(above - before, p.look().value(ParagraphTraits.SPACE_BEFORE));
      blocks.set(from, p.withLook(p.look().with(ParagraphTraits.SPACE_BEFORE, Math.max(0, more))));
    }
    double below = css.length("margin-bottom", page.size).orElse(0.0);
    if (below > 0 && blocks.getLast() instanceof Paragraph p) {
      double more = Math.max(below, p.look().value(ParagraphTraits.SPACE_AFTER));
      blocks.set(blocks.size() - 1, p.withLook(p.look().with(ParagraphTraits.SPACE_AFTER, more)));
    }
  }

  private void line(Css css, HtmlAround a) {
    end(a.paragraph());
    var rule = Rule.single(HAIR, css.colour("color").orElse(new Colour(0x808080)));
    Rules under =
        new Rules(
            Optional.empty(),
            Optional.empty(),
            Optional.of(rule),
            Optional.empty(),
            Optional.empty(),
            Optional.empty());
    paragraph = paragraph.with(ParagraphTraits.RULES, under);
    add(List.of());
    paragraph = a.paragraph();
  }

  private void equation(Element e, HtmlAround in) {
    boolean apart = e.attr("display").equals("block");
    if (apart) {
      end(in.paragraph().with(ParagraphTraits.ALIGNMENT, Alignment.CENTRE));
    }
    page.equation(e, in.text()).ifPresent(open::add);
    if (apart) {
      end(in.paragraph());
    }
  }

  private void quoted(Element e, HtmlAround in) {
    boolean within = e.parents().stream().anyMatch(p -> p.normalName().equals("q"));
    say(within ? "‘" : "“", in.text());
    children(e, in);
    say(within ? "’" : "”", in.text());
  }

  /** How a word is read stands after it, in brackets. */
  private void reading(Element e, HtmlAround in) {
    boolean bracketed =
        e.previousElementSibling() instanceof Element before && before.normalName().equals("rp");
    if (!bracketed) {
      say("(", in.text());
    }
    children(e, in);
    if (!bracketed) {
      say(")", in.text());
    }
  }

  private void heading(Element e, HtmlAround in, int level, Css css) {
    page.styles = HeadingStyles.ensure(page.styles, level);
    Look look =
        page.paragraph(css, in.paragraph())
            .with(ParagraphTraits.STYLE, HeadingStyles.id(page.styles, level));
    // Its size and weight are those of headings of the document, as far as the page has none.
    boolean own = page.whole;
    Look text = own ? in.text() : in.text().without(TextTraits.FAMILY);
    text = own && css.says("font-size") ? text : text.without(TextTraits.SIZE);
    text = own && css.says("font-weight") ? text : text.without(TextTraits.BOLD);
    if (own && css.length("margin-top", page.size).isPresent()) {
      look = look.with(ParagraphTraits.SPACE_BEFORE, 0.0); // and what it says comes to it
    }
    if (own && css.length("margin-bottom", page.size).isPresent()) {
      look = look.with(ParagraphTraits.SPACE_AFTER, 0.0);
    }
    text = own && css.bold().equals(Optional.of(false)) ? text.with(TextTraits.BOLD, false) : text;
    block(e, in.with(text, in.paragraph()), look, css);
  }
}
