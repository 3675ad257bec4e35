package decant.office.odf;

import static decant.office.odf.markup.Measures.length;
import static decant.office.odf.markup.Measures.share;
import static decant.office.odf.markup.Measures.whole;

import decant.model.Columns;
import decant.model.NodeId;
import decant.model.PageNumbers;
import decant.model.PageSetup;
import decant.model.Section;
import decant.model.Section.Running;
import decant.model.Story;
import decant.model.look.Colour;
import decant.model.look.LinePitch;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Rules;
import decant.model.look.TextTraits;
import decant.model.look.VerticalAlignment;
import decant.office.odf.markup.Measures;
import decant.office.xml.Element;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Master pages and page layouts (ODF 1.3 part 3, §16.5 and §16.9) as paper and running texts. */
final class OdfPages {
  private static final double USUAL_LINE = 1.17; // a line's height by its size, of most fonts

  /** Something that gives the blocks of a header or footer. */
  interface RunningContent {
    List<decant.model.Block> of(Element part) throws ReadProblem;
  }

  private final Map<String, Element> masters = new LinkedHashMap<>();
  private final OdfStyles styles;
  private final OdfStyles.Scope scope;
  private final RunningContent content;
  private final Map<Element, Story> stories = new HashMap<>();

  OdfPages(
      Optional<Element> masterStyles,
      OdfStyles styles,
      OdfStyles.Scope scope,
      RunningContent content) {
    masterStyles.ifPresent(m ->
        m.elements("style:master-page")
            .forEach(p -> p.attribute("style:name").ifPresent(n -> masters.put(n, p))));
    this.styles = styles;
    this.scope = scope;
    this.content = content;
  }

  /** The master page of text that names none. */
  String usual() {
    return masters.containsKey("Standard")
        ? "Standard"
        : masters.keySet().stream().findFirst().orElse("");
  }

  /** Paper and running texts that begin with a master page. */
  record Begun(PageSetup page, Section.Start start, Map<Running, Story> running) {}

  /**
   * What begins with a master page. One that is followed by another is for the first page alone.
   *
   * @param number of its first page, if it begins anew
   */
  Begun begin(String name, Optional<Integer> number) throws ReadProblem {
    Element first = masters.get(name);
    if (first == null) {
      return new Begun(PageSetup.A4, Section.Start.NEW_PAGE, Map.of());
    }
    Element rest =
        first
            .attribute("style:next-style-name")
            .filter(n -> !n.equals(name))
            .map(masters::get)
            .orElse(first);
    var running = new LinkedHashMap<Running, Story>();
    put(running, rest, "style:header", Running.HEADER);
    put(running, rest, "style:header-left", Running.HEADER_EVEN);
    put(running, rest, "style:footer", Running.FOOTER);
    put(running, rest, "style:footer-left", Running.FOOTER_EVEN);
    if (first != rest) {
      put(running, first, "style:header", Running.HEADER_FIRST);
      put(running, first, "style:footer", Running.FOOTER_FIRST);
    } else {
      for (String prefix : List.of("style", "loext")) {
        put(running, rest, prefix + ":header-first", Running.HEADER_FIRST);
        put(running, rest, prefix + ":footer-first", Running.FOOTER_FIRST);
      }
    }
    if (first != rest
        || running.containsKey(Running.HEADER_FIRST)
        || running.containsKey(Running.FOOTER_FIRST)) {
      running.putIfAbsent(Running.HEADER_FIRST, empty());
      running.putIfAbsent(Running.FOOTER_FIRST, empty());
    }
    Optional<Element> layout =
        first.attribute("style:page-layout-name").flatMap(n -> scope.find("page-layout", n));
    Section.Start start =
        switch (layout.flatMap(l -> l.attribute("style:page-usage")).orElse("all")) {
          case "right" -> first != rest ? Section.Start.ODD_PAGE : Section.Start.NEW_PAGE;
          case "left" -> first != rest ? Section.Start.EVEN_PAGE : Section.Start.NEW_PAGE;
          default -> Section.Start.NEW_PAGE;
        };
    Optional<Element> paper =
        rest.attribute("style:page-layout-name").flatMap(n -> scope.find("page-layout", n));
    PageSetup page = page(paper.or(() -> layout), running, number.filter(n -> n > 0));
    if (first != rest && layout.isPresent()) {
      page = withFirst(page, margins(layout.get()), running);
    }
    return new Begun(page, start, running);
  }

  /** Where only the first page has a header or footer, its own paper says how far out that is. */
  private static PageSetup withFirst(
      PageSetup page, PageSetup.Margins first, Map<Running, Story> running) {
    PageSetup.Margins m = page.margins();
    return page.withMargins(
        new PageSetup.Margins(
            m.top(),
            m.right(),
            m.bottom(),
            m.left(),
            running.containsKey(Running.HEADER) ? m.header() : first.header(),
            running.containsKey(Running.FOOTER) ? m.footer() : first.footer()));
  }

  private static Element properties(Element layout) {
    return layout
        .child("style:page-layout-properties")
        .orElseGet(() -> new Element("", Map.of(), List.of()));
  }

  /** The margins of a paper, up to its header and footer. */
  private static PageSetup.Margins margins(Element layout) {
    Element p = properties(layout);
    Optional<Double> all = length(p.attribute("fo:margin"));
    double top = length(p.attribute("fo:margin-top")).or(() -> all).orElse(0.0);
    double bottom = length(p.attribute("fo:margin-bottom")).or(() -> all).orElse(0.0);
    double left = length(p.attribute("fo:margin-left")).or(() -> all).orElse(0.0);
    double right = length(p.attribute("fo:margin-right")).or(() -> all).orElse(0.0);
    return new PageSetup.Margins(top, right, bottom, left, top, bottom);
  }

  private static Story empty() {
    return new Story(NodeId.fresh(), Story.Kind.RUNNING, List.of());
  }

  private void put(Map<Running, Story> running, Element master, String part, Running where)
      throws ReadProblem {
    Optional<Element> e =
        master
            .child(part)
            .filter(p -> !p.attribute("style:display").orElse("true").equals("false"));
    if (e.isEmpty()) {
      return;
    }
    Story known = stories.get(e.get());
    if (known == null) {
      known = new Story(NodeId.fresh(), Story.Kind.RUNNING, content.of(e.get()));
      stories.put(e.get(), known);
    }
    running.put(where, known);
  }

  private PageSetup page(
      Optional<Element> layout, Map<Running, Story> running, Optional<Integer> number) {
    PageSetup a4 = PageSetup.A4;
    if (layout.isEmpty()) {
      return a4;
    }
    Element p = properties(layout.get());
    PageSetup.Margins m = margins(layout.get());
    double header = room(layout.get(), "style:header-style", running, Running.HEADER);
    double footer = room(layout.get(), "style:footer-style", running, Running.FOOTER);
    Optional<Rules> borders = OdfLooks.rules(p, false);
    boolean lines =
        p.attribute("style:layout-grid-mode").filter(mode -> !mode.equals("none")).isPresent();
    return new PageSetup(
        length(p.attribute("fo:page-width")).filter(w -> w > 72).orElse(a4.width()),
        length(p.attribute("fo:page-height")).filter(h -> h > 72).orElse(a4.height()),
        new PageSetup.Margins(
            m.top() + header, m.right(), m.bottom() + footer, m.left(), m.top(), m.bottom()),
        p.child("style:columns").map(OdfPages::columns).orElse(Columns.ONE),
        new PageNumbers(
            number.or(() -> whole(p.attribute("style:first-page-number")).filter(n -> n > 0)),
            p.attribute("style:num-format")
                .filter(f -> !f.isEmpty())
                .map(OdfLists::format)
                .orElse(decant.model.look.ListDefinition.NumberFormat.DECIMAL)),
        borders.isPresent() ? new PageSetup.Borders(borders.get(), false) : PageSetup.Borders.NONE,
        Measures.colour(p.attribute("fo:background-color")).orElse(Colour.WHITE),
        VerticalAlignment.TOP,
        lines
            ? length(p.attribute("style:layout-grid-base-height"))
                .filter(g -> g > 1 && g < 200)
                .orElse(0.0)
            : 0);
  }

  /**
   * The room that a header or footer takes between the margin and the text: its own least height,
   * or what its text takes, and the space after it.
   */
  private double room(Element layout, String style, Map<Running, Story> running, Running which) {
    Story story = running.get(which);
    Optional<Element> p =
        layout.child(style).flatMap(s -> s.child("style:header-footer-properties"));
    if (story == null || p.isEmpty()) {
      return 0;
    }
    Optional<Double> exact = length(p.get().attribute("svg:height"));
    double least = length(p.get().attribute("fo:min-height")).orElse(0.0);
    Optional<Double> all = length(p.get().attribute("fo:margin"));
    double space =
        length(p.get().attribute(which == Running.HEADER ? "fo:margin-bottom" : "fo:margin-top"))
            .or(() -> all)
            .orElse(0.0);
    // Without space after it, the layout finds out itself how far a text reaches below its room.
    return exact.orElseGet(() -> space == 0 ? least : Math.max(least, height(story))) + space;
  }

  /** About as high as the text of a header is, each paragraph taken for one line. */
  private double height(Story s) {
    double sum = 0;
    for (decant.model.Block b : s.blocks()) {
      sum +=
          switch (b) {
            case decant.model.Paragraph p -> height(p);
            case decant.model.Table t ->
                t.rows().stream()
                    .mapToDouble(r ->
                        r.cells().stream()
                            .mapToDouble(c ->
                                c.blocks().stream()
                                    .mapToDouble(
                                        x -> x instanceof decant.model.Paragraph p ? height(p) : 0)
                                    .sum())
                            .max()
                            .orElse(0))
                    .sum();
            case decant.model.KeptBlock k -> 0;
          };
    }
    return sum;
  }

  private double height(decant.model.Paragraph p) {
    Look look = styles.sheet().paragraphLook(p.look());
    Look base = styles.sheet().textBase(p.look());
    double size =
        p.inlines().stream()
            .mapToDouble(i ->
                i instanceof decant.model.Inline.Picture pic
                    ? pic.placement() instanceof decant.model.look.Placement.OnLine
                        ? pic.height() / USUAL_LINE
                        : 0
                    : styles.sheet().textLook(base, i.look()).value(TextTraits.SIZE))
            .max()
            .orElse(base.value(TextTraits.SIZE));
    double line =
        switch (look.value(ParagraphTraits.LINE_PITCH)) {
          case LinePitch.Multiple m -> size * USUAL_LINE * m.factor();
          case LinePitch.AtLeast a -> Math.max(a.points(), size * USUAL_LINE);
          case LinePitch.Exactly e -> e.points();
        };
    return line
        + look.value(ParagraphTraits.SPACE_BEFORE)
        + look.value(ParagraphTraits.SPACE_AFTER);
  }

  /** §17.12: columns, whose widths are shares of all of them, the spaces between them included. */
  static Columns columns(Element e) {
    int count = Math.clamp(whole(e.attribute("fo:column-count")).orElse(1), 1, 45);
    boolean rule = e.child("style:column-sep").isPresent();
    List<Element> own = e.elements("style:column").limit(45).toList();
    double gap = length(e.attribute("fo:column-gap")).orElse(0.0);
    if (own.size() < 2 || own.size() != count) {
      return Columns.equal(count, gap, rule);
    }
    var gaps = new ArrayList<Double>();
    var weights = new ArrayList<Double>();
    for (int k = 0; k < own.size(); k++) {
      weights.add(weight(own.get(k)));
      if (k > 0) {
        gaps.add(
            length(own.get(k - 1).attribute("fo:end-indent")).orElse(0.0)
                + length(own.get(k).attribute("fo:start-indent")).orElse(0.0));
      }
    }
    if (e.attribute("fo:column-gap").isPresent() && gaps.stream().allMatch(g -> g == 0)) {
      gaps.replaceAll(g -> gap);
    }
    boolean alike =
        weights.stream().allMatch(w -> Math.abs(w - weights.getFirst()) < 0.02 * weights.getFirst())
            && gaps.stream().allMatch(g -> Math.abs(g - gaps.getFirst()) < 0.5);
    return alike
        ? Columns.equal(count, gaps.getFirst(), rule)
        : new Columns(count, weights, gaps, rule);
  }

  /** Columns whose widths are shares, as they are in so much room, in points. */
  static Columns within(Columns c, double room) {
    if (c.widths().isEmpty()) {
      return c;
    }
    double sum = c.widths().stream().mapToDouble(w -> w).sum();
    var widths = new ArrayList<Double>();
    for (int k = 0; k < c.count(); k++) {
      double before = k > 0 ? c.gaps().get(k - 1) / 2 : 0;
      double after = k < c.gaps().size() ? c.gaps().get(k) / 2 : 0;
      widths.add(Math.max(12, room * c.widths().get(k) / Math.max(1, sum) - before - after));
    }
    return new Columns(c.count(), widths, c.gaps(), c.rule());
  }

  private static double weight(Element column) {
    String rel = column.attribute("style:rel-width").orElse("1*");
    return whole(Optional.of(rel.replace("*", "")))
        .map(w -> (double) w)
        .or(() -> share(Optional.of(rel)))
        .orElse(1.0);
  }
}
