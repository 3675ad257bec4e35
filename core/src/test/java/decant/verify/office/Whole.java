package decant.verify.office;

import decant.Samples;
import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.look.Colour;
import decant.model.look.Comment;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.TextTraits;
import decant.model.look.VerticalAlignment;
import decant.office.pending.Pending;
import decant.pdf.Published;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A document with something of all that an office document is compared by. */
final class Whole {
  private Whole() {}

  static Document document() {
    Document d = Published.everything();
    var blocks = new ArrayList<Block>(d.sections().getFirst().blocks());
    var stories = new LinkedHashMap<>(d.stories());
    var comment = new Comment("r1", "Quay master", "", "Ask the pilots first.", false);
    var change = new Pending(Pending.Kind.PUT_IN, "M. Okafor", "2026-03-02T09:30:00", "");
    blocks.add(Samples.runs("Nobody else. ", Look.of(TextTraits.KEPT, List.of(change.kept()))));
    blocks.add(
        Samples.runs(
            "Nobody is exempt. ",
            Look.of(TextTraits.BOLD, true),
            "Not on Sundays. ",
            Look.of(TextTraits.ITALIC, true).with(TextTraits.COLOUR, new Colour(0x990000)),
            "In doubt, ask. ",
            Look.of(TextTraits.COMMENTS, List.of(comment)),
            "Slipway",
            Look.of(TextTraits.SIZE, 17.0).with(TextTraits.FAMILY, "Liberation Sans")));
    blocks.add(
        new Paragraph(
            NodeId.fresh(),
            Look.PLAIN,
            Look.PLAIN,
            List.of(new Inline.Text("Beside the crane ", Look.PLAIN), box(stories))));
    var last = NodeId.fresh();
    stories.put(
        last,
        new Story(
            last, Story.Kind.ENDNOTE, List.of(Samples.paragraph("Since the flood of 1911."))));
    blocks.add(
        new Paragraph(
            NodeId.fresh(),
            Look.PLAIN,
            Look.PLAIN,
            List.of(
                new Inline.Text("The high wall", Look.PLAIN),
                new Inline.NoteMark(last, Look.PLAIN),
                new Inline.Text(" of sheets ", Look.PLAIN),
                new Inline.Field(Inline.Field.Kind.PAGES, "3", Look.PLAIN))));
    return Document.of(
        d.metadata(),
        d.styles(),
        d.lists(),
        List.of(
            new Section(
                NodeId.fresh(),
                d.sections().getFirst().page(),
                Section.Start.NEW_PAGE,
                Map.of(Section.Running.HEADER, running(), Section.Running.FOOTER, footer()),
                blocks)),
        stories,
        d.media(),
        List.of());
  }

  private static Story running() {
    return new Story(
        NodeId.fresh(), Story.Kind.RUNNING, List.of(Samples.paragraph("Saltmarsh Quay")));
  }

  private static Story footer() {
    var p =
        new Paragraph(
            NodeId.fresh(),
            Look.PLAIN,
            Look.PLAIN,
            List.of(
                new Inline.Text("Sheet ", Look.PLAIN),
                new Inline.Field(Inline.Field.Kind.PAGE, "1", Look.PLAIN)));
    return new Story(NodeId.fresh(), Story.Kind.RUNNING, List.of(p));
  }

  private static Inline box(Map<NodeId, Story> stories) {
    NodeId id = NodeId.fresh();
    stories.put(id, new Story(id, Story.Kind.BOX, List.of(Samples.paragraph("Keep clear"))));
    return new Inline.Shape(
        new Inline.Drawing(
            Inline.Geometry.RECTANGLE,
            Optional.of(new Colour(0xF0EBE0)),
            Optional.of(Rule.single(1, Colour.BLACK))),
        100,
        40,
        new Inline.BoxText(Optional.of(id), false, new Insets(4, 4, 4, 4), VerticalAlignment.TOP),
        "",
        Placement.INLINE,
        0,
        Optional.empty(),
        Look.PLAIN);
  }
}
