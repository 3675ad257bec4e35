package decant.office.odf.write;

import static decant.office.odf.markup.Measures.hash;
import static decant.office.odf.markup.Measures.points;

import decant.model.Columns;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Section;
import decant.model.Section.Running;
import decant.model.Story;
import decant.model.look.Colour;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Paper and running texts as page layouts and master pages (ODF 1.3 part 3, §16.5, §16.9). A
 * section that begins on a page has a master page, one that goes on down the page has not; one with
 * texts for its first page alone has two.
 */
final class OdfPagesWriter {
  /** Writes the text of a header or footer. */
  interface Texts {
    String of(Story s);
  }

  private final Document document;
  private final Map<NodeId, String> masters = new HashMap<>();
  private final Xml layouts = new Xml();
  private final Xml pages = new Xml();
  private int layoutCount;

  OdfPagesWriter(Document document) {
    this.document = document;
  }

  /** The master page that a section begins with; empty for one that goes on down the page. */
  Optional<String> master(Section s) {
    return Optional.ofNullable(masters.get(s.id()));
  }

  /** Whether a section's columns are those of its page, rather than of a part of it. */
  boolean columnsAreOfPage(Section s) {
    List<Section> all = document.sections();
    int k = all.indexOf(s);
    boolean shared = k + 1 < all.size() && isContinuous(all.get(k + 1), k + 1);
    return !isContinuous(s, k) && !shared;
  }

  static boolean isContinuous(Section s, int number) {
    return number > 0 && s.start() == Section.Start.CONTINUOUS;
  }

  /** Makes the master pages of all sections. */
  void prepare(Texts texts) {
    List<Section> all = document.sections();
    for (int k = 0; k < all.size(); k++) {
      Section s = all.get(k);
      if (!isContinuous(s, k)) {
        masters.put(
            s.id(),
            master(s, masters.isEmpty() ? "Standard" : "Page" + (masters.size() + 1), texts));
      }
    }
  }

  private String master(Section s, String name, Texts texts) {
    Map<Running, Story> r = s.running();
    boolean first = r.containsKey(Running.HEADER_FIRST) || r.containsKey(Running.FOOTER_FIRST);
    boolean side = s.start() == Section.Start.ODD_PAGE || s.start() == Section.Start.EVEN_PAGE;
    String rest = first || side ? name + "_next" : name;
    if (first || side) {
      var own = new ArrayList<Optional<Story>>();
      own.add(Optional.ofNullable(r.get(first ? Running.HEADER_FIRST : Running.HEADER)));
      own.add(Optional.ofNullable(r.get(first ? Running.FOOTER_FIRST : Running.FOOTER)));
      String usage =
          s.start() == Section.Start.ODD_PAGE
              ? "right"
              : s.start() == Section.Start.EVEN_PAGE ? "left" : "";
      page(s, name, rest, own.get(0), Optional.empty(), own.get(1), Optional.empty(), usage, texts);
    }
    page(
        s,
        rest,
        "",
        Optional.ofNullable(r.get(Running.HEADER)),
        Optional.ofNullable(r.get(Running.HEADER_EVEN)),
        Optional.ofNullable(r.get(Running.FOOTER)),
        Optional.ofNullable(r.get(Running.FOOTER_EVEN)),
        "",
        texts);
    return name;
  }

  private void page(
      Section s,
      String name,
      String next,
      Optional<Story> header,
      Optional<Story> evenHeader,
      Optional<Story> footer,
      Optional<Story> evenFooter,
      String usage,
      Texts texts) {
    boolean hasHeader = says(header) || says(evenHeader);
    boolean hasFooter = says(footer) || says(evenFooter);
    String layout = layout(s, hasHeader, hasFooter, usage);
    pages.open(
        "style:master-page",
        "style:name",
        name,
        "style:page-layout-name",
        layout,
        "style:next-style-name",
        next);
    running("style:header", header, hasHeader, texts);
    if (says(evenHeader)) {
      running("style:header-left", evenHeader, true, texts);
    }
    running("style:footer", footer, hasFooter, texts);
    if (says(evenFooter)) {
      running("style:footer-left", evenFooter, true, texts);
    }
    pages.close("style:master-page");
  }

  private static boolean says(Optional<Story> s) {
    return s.filter(x -> !x.blocks().isEmpty()).isPresent();
  }

  private void running(String element, Optional<Story> s, boolean wanted, Texts texts) {
    if (wanted) {
      pages.open(element).raw(says(s) ? texts.of(s.orElseThrow()) : "<text:p/>").close(element);
    }
  }

  private String layout(Section s, boolean header, boolean footer, String usage) {
    String name = "pm" + ++layoutCount;
    PageSetup p = s.page();
    var m = p.margins();
    // Heads that stand lower than the text would begin push it down, here as there.
    double top = header ? m.header() : m.top();
    double bottom = footer ? m.footer() : m.bottom();
    layouts.open("style:page-layout", "style:name", name, "style:page-usage", usage);
    var x = new Xml().raw("<style:page-layout-properties");
    x.attribute("fo:page-width", points(p.width())).attribute("fo:page-height", points(p.height()));
    x.attribute("fo:margin-top", points(top)).attribute("fo:margin-bottom", points(bottom));
    x.attribute("fo:margin-left", points(m.left())).attribute("fo:margin-right", points(m.right()));
    x.attribute("style:print-orientation", p.width() > p.height() ? "landscape" : "portrait");
    x.attribute("style:num-format", ListStylesWriter.format(p.numbers().format()));
    if (!p.background().equals(Colour.WHITE)) {
      x.attribute("fo:background-color", hash(p.background()));
    }
    if (p.borders().rules().isDrawn()) {
      OdfLooksWriter.rules(x, p.borders().rules(), false);
    }
    if (p.grid() > 0) {
      x.attribute("style:layout-grid-mode", "line");
      x.attribute("style:layout-grid-base-height", points(p.grid()));
    }
    Columns c = columnsAreOfPage(s) ? p.columns() : Columns.ONE;
    x.raw(">")
        .raw(c.count() > 1 ? columns(c, p.textWidth()) : "")
        .raw("</style:page-layout-properties>");
    layouts.raw(x.toString());
    if (header) {
      room("style:header-style", "fo:margin-bottom", m.top() - top);
    }
    if (footer) {
      room("style:footer-style", "fo:margin-top", m.bottom() - bottom);
    }
    layouts.close("style:page-layout");
    return name;
  }

  private void room(String element, String space, double height) {
    layouts
        .open(element)
        .empty(
            "style:header-footer-properties",
            "fo:min-height",
            points(Math.max(0, height)),
            space,
            "0pt")
        .close(element);
  }

  /** §17.12. */
  static String columns(Columns c, double room) {
    boolean equal = c.widths().isEmpty();
    double gap = c.gaps().isEmpty() ? 0 : c.gaps().getFirst();
    var x =
        new Xml()
            .open(
                "style:columns",
                "fo:column-count",
                Integer.toString(c.count()),
                "fo:column-gap",
                equal ? points(gap) : "");
    if (c.rule()) {
      x.empty(
          "style:column-sep",
          "style:width",
          "0.5pt",
          "style:color",
          "#000000",
          "style:height",
          "100%");
    }
    for (int k = 0; k < c.count(); k++) {
      double before = k > 0 ? c.gaps().get(k - 1) / 2 : 0;
      double after = k < c.gaps().size() ? c.gaps().get(k) / 2 : 0;
      x.empty(
          "style:column",
          "style:rel-width",
          Math.round((c.width(k, room) + before + after) * 20) + "*",
          "fo:start-indent",
          points(before),
          "fo:end-indent",
          points(after));
    }
    return x.close("style:columns").toString();
  }

  /** The page layouts, which stand among the automatic styles. */
  String layouts() {
    return layouts.toString();
  }

  String masters() {
    return new Xml()
        .raw("<office:master-styles>")
        .raw(pages.toString())
        .raw("</office:master-styles>")
        .toString();
  }
}
