package decant.office.odf;

import decant.model.Block;
import decant.model.Columns;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.look.Look;
import decant.office.odf.markup.Measures;
import decant.office.xml.Element;
import decant.reading.ReadProblem;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;

/**
 * Gathers blocks into sections: one begins with each paragraph or table that names a master page
 * (ODF 1.3 part 3, §19.505), and around each section of the text that has columns of its own.
 */
final class OdfFlow implements OdfBody.Sink {
  private final OdfShared shared;
  private final OdfStyles.Scope scope;
  private final OdfPages pages;
  private final List<Section> done = new ArrayList<>();
  private final Deque<Columns> columns = new ArrayDeque<>();
  private List<Block> blocks = new ArrayList<>();
  private OdfPages.Begun page;

  OdfFlow(OdfShared shared, OdfStyles.Scope scope, OdfPages pages) throws ReadProblem {
    this.shared = shared;
    this.scope = scope;
    this.pages = pages;
    this.page = pages.begin(pages.usual(), Optional.empty());
    shared.textWidth = page.page().textWidth();
  }

  @Override
  public void block(Element from, Block block) throws ReadProblem {
    String family = from.name().equals("table:table") ? "table" : "paragraph";
    Optional<Element> style =
        shared.styles.style(
            family,
            from.attribute(family.equals("table") ? "table:style-name" : "text:style-name"),
            scope);
    Optional<String> master =
        style.flatMap(s -> s.attribute("style:master-page-name")).filter(m -> !m.isEmpty());
    if (master.isPresent()) {
      Optional<Integer> number =
          style
              .flatMap(s -> s.child("style:" + family + "-properties"))
              .flatMap(p -> Measures.whole(p.attribute("style:page-number")));
      end();
      page = pages.begin(master.get(), number);
      shared.textWidth = page.page().textWidth();
    } else if (family.equals("table") && breaks(style)) {
      breakAfterLast();
    }
    blocks.add(block);
  }

  private static boolean breaks(Optional<Element> table) {
    return table
        .flatMap(s -> s.child("style:table-properties"))
        .flatMap(p -> p.attribute("fo:break-before"))
        .filter(b -> b.equals("page"))
        .isPresent();
  }

  /** A table cannot say that it begins a page: what stands before it ends one. */
  private void breakAfterLast() {
    if (!blocks.isEmpty() && blocks.getLast() instanceof Paragraph p) {
      var inlines = new ArrayList<Inline>(p.inlines());
      inlines.add(new Inline.Text("\f", p.endLook()));
      blocks.set(blocks.size() - 1, p.withInlines(inlines));
    }
  }

  @Override
  public void section(Element section, boolean begins) {
    Element p =
        shared.styles.properties(
            "section", section.attribute("text:style-name"), scope, "style:section-properties");
    Columns own =
        p.child("style:columns")
            .map(OdfPages::columns)
            .map(c -> OdfPages.within(c, page.page().textWidth()))
            .orElse(Columns.ONE);
    if (own.count() == 1) {
      return;
    }
    if (begins) {
      goOn();
      columns.push(own);
    } else {
      goOn();
      columns.poll();
    }
  }

  /** What was read becomes a section of its own, and the page goes on. */
  private void goOn() {
    if (!blocks.isEmpty()) {
      end();
      page =
          new OdfPages.Begun(
              page.page()
                  .withNumbers(
                      new decant.model.PageNumbers(
                          Optional.empty(), page.page().numbers().format())),
              Section.Start.CONTINUOUS,
              page.running());
    }
  }

  private void end() {
    if (blocks.isEmpty()) {
      return;
    }
    Columns own =
        columns.isEmpty()
            ? OdfPages.within(page.page().columns(), page.page().textWidth())
            : columns.element();
    done.add(
        new Section(
            NodeId.fresh(), page.page().withColumns(own), page.start(), page.running(), blocks));
    blocks = new ArrayList<>();
  }

  List<Section> finish() {
    boolean text =
        blocks.stream().anyMatch(b -> b instanceof Paragraph)
            || done.stream()
                .anyMatch(s -> s.blocks().stream().anyMatch(b -> b instanceof Paragraph));
    if (!text) {
      blocks.add(Paragraph.of(Look.PLAIN, ""));
    }
    end();
    return done;
  }
}
