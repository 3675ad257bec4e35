package decant.office.docx;

import decant.model.Block;
import decant.model.Columns;
import decant.model.NodeId;
import decant.model.PageNumbers;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Look;
import decant.model.look.Rules;
import decant.office.docx.markup.Borders;
import decant.office.docx.markup.DocxLooks;
import decant.office.xml.Element;
import decant.office.xml.PackageFile;
import decant.office.xml.XmlParts;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Gathers blocks into sections; a section ends with the paragraph that carries its properties
 * (§17.6.17).
 */
final class DocxSections {
  private final PackageFile file;
  private final Map<String, PackageFile.Relationship> relationships;
  private final DocxBody.Shared shared;
  private final DocxSettings settings;
  private final Optional<Colour> background;
  private final int depth;
  private final Set<String> parts = new HashSet<>();

  /** Headers and footers by the part they were read from, which several sections may share. */
  private final Map<String, Story> texts = new LinkedHashMap<>();

  private final List<Section> done = new ArrayList<>();
  private List<Block> blocks = new ArrayList<>();
  private Map<Section.Running, Story> running = Map.of();
  private boolean ended;

  DocxSections(
      PackageFile file,
      Map<String, PackageFile.Relationship> relationships,
      DocxBody.Shared shared,
      DocxSettings settings,
      Optional<Colour> background,
      int depth) {
    this.file = file;
    this.relationships = relationships;
    this.shared = shared;
    this.settings = settings;
    this.background = background;
    this.depth = depth;
  }

  /** The parts that were read on the way. */
  Set<String> parts() {
    return parts;
  }

  void add(Element e, List<Block> read) throws ReadProblem {
    boolean carries = isCarrier(e) && !blocks.isEmpty() && blocks.getLast() instanceof Table;
    if (!carries) {
      blocks.addAll(read);
    }
    Optional<Element> properties =
        e.name().equals("w:sectPr")
            ? Optional.of(e)
            : e.child("w:pPr").flatMap(p -> p.child("w:sectPr"));
    if (properties.isPresent()) {
      end(properties.get());
      ended = e.name().equals("w:sectPr");
    }
  }

  /**
   * Whether a paragraph is there only because a section that ends with a table needs one to carry
   * its properties: nothing stands in it, and it is made as small as can be.
   */
  private static boolean isCarrier(Element e) {
    Optional<Element> p = e.child("w:pPr");
    return e.name().equals("w:p")
        && e.elements().size() == 1
        && p.isPresent()
        && p.get().elements().size() == 2
        && p.get().child("w:sectPr").isPresent()
        && p.get()
            .child("w:spacing")
            .filter(s -> s.attribute("w:line").equals(Optional.of("20")))
            .filter(s -> s.attribute("w:lineRule").equals(Optional.of("exact")))
            .isPresent();
  }

  private void end(Element sectPr) throws ReadProblem {
    running = running(sectPr);
    Section.Start start =
        switch (sectPr.val("w:type").orElse("nextPage")) {
          case "continuous" -> Section.Start.CONTINUOUS;
          case "oddPage" -> Section.Start.ODD_PAGE;
          case "evenPage" -> Section.Start.EVEN_PAGE;
          default -> Section.Start.NEW_PAGE;
        };
    boolean titlePage = sectPr.child("w:titlePg").filter(DocxLooks::on).isPresent();
    done.add(new Section(NodeId.fresh(), page(sectPr), start, used(titlePage), blocks));
    blocks = new ArrayList<>();
  }

  /** The running texts that the section uses: those for a first page only if it has one. */
  private Map<Section.Running, Story> used(boolean titlePage) {
    var out = new LinkedHashMap<>(running);
    if (!titlePage) {
      out.remove(Section.Running.HEADER_FIRST);
      out.remove(Section.Running.FOOTER_FIRST);
    } else {
      // A first page without texts of its own has none, not those of the others.
      out.putIfAbsent(Section.Running.HEADER_FIRST, empty());
      out.putIfAbsent(Section.Running.FOOTER_FIRST, empty());
    }
    if (!settings.evenAndOdd()) {
      out.remove(Section.Running.HEADER_EVEN);
      out.remove(Section.Running.FOOTER_EVEN);
    }
    same(out, Section.Running.HEADER_EVEN, Section.Running.HEADER);
    same(out, Section.Running.FOOTER_EVEN, Section.Running.FOOTER);
    return out;
  }

  /** Even pages with the text of the others are not set apart. */
  private static void same(
      Map<Section.Running, Story> running, Section.Running even, Section.Running usual) {
    Story own = running.get(even);
    if (own != null && own == running.get(usual)) {
      running.remove(even);
    }
  }

  private static Story empty() {
    return new Story(NodeId.fresh(), Story.Kind.RUNNING, List.of());
  }

  private PageSetup page(Element sectPr) {
    Optional<Element> size = sectPr.child("w:pgSz");
    Optional<Element> margins = sectPr.child("w:pgMar");
    PageSetup a4 = PageSetup.A4;
    PageSetup.Margins inch = a4.margins();
    double gutter = within(margins, "w:gutter", 0);
    boolean atRight = sectPr.child("w:rtlGutter").filter(DocxLooks::on).isPresent();
    Optional<Element> borders = sectPr.child("w:pgBorders");
    Optional<Element> grid =
        sectPr
            .child("w:docGrid")
            .filter(g -> g.attribute("w:type").filter(t -> !t.equals("default")).isPresent());
    return new PageSetup(
        Math.max(100, within(size, "w:w", a4.width())),
        Math.max(100, within(size, "w:h", a4.height())),
        new PageSetup.Margins(
            Math.abs(within(margins, "w:top", inch.top())),
            within(margins, "w:right", inch.right()) + (atRight ? gutter : 0),
            Math.abs(within(margins, "w:bottom", inch.bottom())),
            within(margins, "w:left", inch.left()) + (atRight ? 0 : gutter),
            within(margins, "w:header", inch.header()),
            within(margins, "w:footer", inch.footer())),
        sectPr.child("w:cols").map(DocxSections::columns).orElse(Columns.ONE),
        numbers(sectPr.child("w:pgNumType")),
        new PageSetup.Borders(
            borders.map(Borders::box).orElse(Rules.UNSAID),
            borders
                .flatMap(b -> b.attribute("w:offsetFrom"))
                .filter(o -> o.equals("page"))
                .isPresent()),
        background.orElse(Colour.WHITE),
        TableLooks.vertical(sectPr.val("w:vAlign").orElse("top")),
        grid.flatMap(g -> DocxLooks.twips(g.attribute("w:linePitch")))
            .filter(p -> p > 1 && p < 200)
            .orElse(0.0));
  }

  /** §17.6.4. */
  private static Columns columns(Element cols) {
    int count =
        Math.clamp(
            DocxLooks.number(cols.attribute("w:num")).map(Double::intValue).orElse(1), 1, 45);
    double gap = DocxLooks.twips(cols.attribute("w:space")).orElse(36.0);
    boolean rule = cols.attribute("w:sep").map(DocxLooks::isOn).orElse(false);
    List<Element> own = cols.elements("w:col").toList();
    boolean equal = cols.attribute("w:equalWidth").map(DocxLooks::isOn).orElse(own.isEmpty());
    if (equal || own.isEmpty()) {
      return Columns.equal(count, gap, rule);
    }
    var widths = new ArrayList<Double>();
    var gaps = new ArrayList<Double>();
    for (Element c : own.subList(0, Math.min(own.size(), 45))) {
      widths.add(Math.max(12, DocxLooks.twips(c.attribute("w:w")).orElse(72.0)));
      gaps.add(DocxLooks.twips(c.attribute("w:space")).orElse(0.0));
    }
    return widths.size() == 1
        ? Columns.ONE
        : new Columns(widths.size(), widths, gaps.subList(0, gaps.size() - 1), rule);
  }

  private static PageNumbers numbers(Optional<Element> pgNumType) {
    if (pgNumType.isEmpty()) {
      return PageNumbers.PLAIN;
    }
    return new PageNumbers(
        DocxLooks.number(pgNumType.get().attribute("w:start"))
            .map(v -> Math.clamp(v.intValue(), 0, 100_000)),
        pgNumType.get().attribute("w:fmt").map(DocxLists::format).orElse(NumberFormat.DECIMAL));
  }

  private static double within(Optional<Element> e, String name, double otherwise) {
    return e.flatMap(x -> DocxLooks.twips(x.attribute(name)))
        .map(v -> Math.clamp(v, -1000.0, 14_400.0))
        .orElse(otherwise);
  }

  /** Headers and footers; one not given is the section's before (§17.10.5). */
  private Map<Section.Running, Story> running(Element sectPr) throws ReadProblem {
    var out = new LinkedHashMap<>(running);
    for (Element e : sectPr.elements()) {
      boolean header = e.name().equals("w:headerReference");
      if (!header && !e.name().equals("w:footerReference")) {
        continue;
      }
      PackageFile.Relationship r = relationships.get(e.attribute("r:id").orElse(""));
      Optional<byte[]> part = r == null ? Optional.empty() : file.bytes(r.target());
      if (part.isEmpty() || r == null) {
        continue;
      }
      Story known = texts.get(r.target());
      Story story = known == null ? story(r.target(), part.get()) : known;
      texts.put(r.target(), story);
      Section.Running place =
          switch (e.attribute("w:type").orElse("default")) {
            case "first" -> header ? Section.Running.HEADER_FIRST : Section.Running.FOOTER_FIRST;
            case "even" -> header ? Section.Running.HEADER_EVEN : Section.Running.FOOTER_EVEN;
            default -> header ? Section.Running.HEADER : Section.Running.FOOTER;
          };
      out.put(place, story);
    }
    return out;
  }

  private Story story(String target, byte[] part) throws ReadProblem {
    parts.add(target);
    Element root = XmlParts.parse(part, target, depth);
    List<Block> blocks = new DocxBody(file, file.relationships(target), shared).content(root);
    shared.text.after(root);
    return new Story(NodeId.fresh(), Story.Kind.RUNNING, blocks);
  }

  List<Section> finish() {
    if (!ended || done.isEmpty()) {
      done.add(
          new Section(NodeId.fresh(), PageSetup.A4, Section.Start.NEW_PAGE, used(false), blocks));
    } else if (!blocks.isEmpty()) {
      Section last = done.removeLast();
      var all = new ArrayList<>(last.blocks());
      all.addAll(blocks);
      done.add(last.withBlocks(all));
    }
    Section last = done.getLast();
    if (done.stream().allMatch(s -> s.blocks().stream().noneMatch(b -> b instanceof Paragraph))) {
      var all = new ArrayList<>(last.blocks());
      all.add(Paragraph.of(Look.PLAIN, ""));
      done.set(done.size() - 1, last.withBlocks(all));
    }
    return done;
  }
}
