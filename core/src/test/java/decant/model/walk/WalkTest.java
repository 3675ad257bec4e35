package decant.model.walk;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Formats;
import decant.layout.Layout;
import decant.layout.Places;
import decant.layout.Rich;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.FormField;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Placement;
import decant.model.look.TextTraits;
import decant.preview.Enclosed;
import decant.preview.LeftOut;
import decant.verify.Check;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Each part of a document is passed once, in its order, into every cell. */
class WalkTest {
  @TempDir Path folder;

  private static Paragraph p(String text) {
    return Samples.paragraph(text);
  }

  private static Story story(Story.Kind kind, Block... blocks) {
    return new Story(NodeId.fresh(), kind, List.of(blocks));
  }

  private static Document whole() {
    var inner =
        new Table(
            NodeId.fresh(),
            Look.PLAIN,
            List.of(50.0),
            List.of(
                new Table.Row(
                    Look.PLAIN,
                    List.of(new Cell(NodeId.fresh(), 1, 1, Look.PLAIN, List.of(p("deep")))))));
    var outer =
        new Table(
            NodeId.fresh(),
            Look.PLAIN,
            List.of(100.0),
            List.of(
                new Table.Row(
                    Look.PLAIN,
                    List.of(
                        new Cell(NodeId.fresh(), 1, 1, Look.PLAIN, List.of(p("cell"), inner))))));
    var sections = new ArrayList<Section>();
    for (int k = 1; k <= 2; k++) {
      sections.add(
          new Section(
              NodeId.fresh(),
              PageSetup.A4,
              Section.Start.NEW_PAGE,
              Map.of(Section.Running.HEADER, story(Story.Kind.RUNNING, p("head" + k))),
              k == 1 ? List.of(p("one"), outer, p("two")) : List.of(p("three"))));
    }
    var stories = new LinkedHashMap<NodeId, Story>();
    for (Story s :
        List.of(
            story(Story.Kind.FOOTNOTE, p("foot")),
            story(Story.Kind.BOX, p("box")),
            story(Story.Kind.ENDNOTE, p("end")))) {
      stories.put(s.id(), s);
    }
    Document plain = Samples.document(p("x"));
    return Document.of(
        plain.metadata(), plain.styles(), Map.of(), sections, stories, Map.of(), List.of());
  }

  private static List<String> texts(Set<Part> parts) {
    return Walk.paragraphs(whole(), parts).stream().map(Paragraph::text).toList();
  }

  @Test
  void theScopeSaysWhatIsPassed() {
    assertThat(texts(Part.OF_FLOW)).containsExactly("one", "cell", "deep", "two", "three");
    assertThat(texts(EnumSet.of(Part.RUNNING))).containsExactly("head1", "head2");
    assertThat(texts(EnumSet.of(Part.NOTES))).containsExactly("foot", "end");
    assertThat(texts(EnumSet.of(Part.BOXES))).containsExactly("box");
    assertThat(texts(Part.ONCE)).hasSize(8).doesNotContain("head1", "head2");
    assertThat(texts(Part.ALL)).hasSize(10);
    assertThat(texts(Set.of())).isEmpty();
    assertThat(whole().paragraphs()).extracting(Paragraph::text).isEqualTo(texts(Part.OF_FLOW));
  }

  @Test
  void partsTablesAndRowsAreToldInTheirOrder() {
    var told = new ArrayList<String>();
    Walk.through(
        whole(),
        Part.ALL,
        new Walk.Visitor() {
          @Override
          public void begin(Part part) {
            told.add("(" + part);
          }

          @Override
          public void end(Part part) {
            told.add(part + ")");
          }

          @Override
          public void table(Table t) {
            told.add("table");
          }

          @Override
          public void cell(Cell c) {
            told.add("cell");
          }

          @Override
          public void row(Table.Row r) {
            told.add("row");
          }
        });
    assertThat(told)
        .startsWith("(FLOW", "table", "cell", "table", "cell", "row", "row", "FLOW)")
        .containsSubsequence("(RUNNING", "RUNNING)", "(RUNNING", "RUNNING)", "(NOTES", "NOTES)");
    assertThat(told).filteredOn(s -> s.startsWith("(")).hasSize(6);
  }

  /** What stands in a header alone goes along, or is told not to. */
  @Test
  void aFormFieldInAHeaderIsNotForgotten() {
    Look field =
        Look.of(
            TextTraits.FIELD, new FormField("1", "vessel", FormField.Kind.TEXT, List.of(), 0, ""));
    var section =
        new Section(
            NodeId.fresh(),
            PageSetup.A4,
            Section.Start.NEW_PAGE,
            Map.of(
                Section.Running.HEADER, story(Story.Kind.RUNNING, Samples.runs("Curlew", field))),
            List.of(p("x")));
    Document plain = Samples.document(p("x"));
    Document d =
        Document.of(
            plain.metadata(),
            plain.styles(),
            Map.of(),
            List.of(section),
            Map.of(),
            Map.of(),
            List.of());
    assertThat(Enclosed.in(d).fields()).isEqualTo(1);
    assertThat(LeftOut.of(d, Formats.of("html").orElseThrow()))
        .anyMatch(s -> s.contains("1 form field"));
  }

  /** A list in a box, a note or a table shows its labels as one in the flow does. */
  @Test
  void listsInBoxesShowTheirLabels() throws IOException {
    var level =
        new ListDefinition.Level(
            ListDefinition.NumberFormat.DECIMAL, "%1.", 1, Look.PLAIN, Look.PLAIN);
    Look item = Look.of(ParagraphTraits.LIST, new ListMembership("steps", 0));
    var rich = new Rich();
    Inline box =
        rich.box(
            200,
            80,
            Placement.INLINE,
            Paragraph.of(item, "Tie up."),
            Paragraph.of(item, "Report."));
    rich.section(PageSetup.A4, Section.Start.NEW_PAGE, Paragraph.of(item, "Arrive."), Rich.of(box));
    Document d =
        rich.document().withLists(Map.of("steps", new ListDefinition("steps", List.of(level))));
    for (var f : List.of(Formats.working(), Formats.older())) {
      Path file = folder.resolve("lists." + f.extension());
      try (OutputStream out = Files.newOutputStream(file)) {
        Formats.writer(f).write(d, out);
      }
      assertThat(Formats.verifier(f).verify(file, d)).allMatch(Check::passed);
    }
    Layout l = Samples.layout(d);
    var labels = new LinkedHashMap<String, String>();
    for (Places.PlacedLine line : Places.lines(l.pages().getFirst())) {
      String text = line.paragraph().source().text();
      String shown =
          line.line().items().stream()
              .filter(i -> i instanceof decant.layout.item.Item.GlyphRun r && r.shown().generated())
              .map(i -> ((decant.layout.item.Item.GlyphRun) i).shown().text())
              .findFirst()
              .orElse("none");
      labels.put(text, shown.strip());
    }
    assertThat(labels)
        .containsEntry("Arrive.", "1.")
        .containsEntry("Tie up.", "1.")
        .containsEntry("Report.", "2.");
  }
}
