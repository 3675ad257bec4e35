package decant.office;

import decant.Samples;
import decant.layout.Rich;
import decant.model.Block;
import decant.model.Columns;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.PageNumbers;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.look.Colour;
import decant.model.look.Comment;
import decant.model.look.LinePitch;
import decant.model.look.Link;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TextTraits;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A document with everything in it that office formats have room for. */
public final class Everything {
  private Everything() {}

  /** Everything that a document can hold and the demo does not. */
  public static Document document() {
    var rich = new Rich();
    Look link = Look.of(TextTraits.LINK, new Link.External("https://quay.example/a b?x=%'"));
    Look inside = Look.of(TextTraits.LINK, new Link.Internal("charges"));
    Look remarked =
        Look.of(
            TextTraits.COMMENTS,
            List.of(new Comment("1", "M. Okafor", "2026-03-02T09:30:00", "Still so?", false)));
    var blocks = new ArrayList<Block>();
    blocks.add(Samples.heading(1, "Mooring charges"));
    blocks.add(
        Samples.paragraph("x")
            .withLook(Look.of(ParagraphTraits.BOOKMARKS, List.of("charges")))
            .withInlines(
                List.of(
                    new Inline.Text("  two spaces,\ta tab,\na line, ", Look.PLAIN),
                    new Inline.Text("a link", link),
                    new Inline.Text(" and ", Look.PLAIN),
                    new Inline.Text("a way back", inside),
                    new Inline.Text(" and ", Look.PLAIN),
                    new Inline.Text("a remark", remarked),
                    rich.note(Story.Kind.FOOTNOTE, "A note at the foot."),
                    rich.note(Story.Kind.ENDNOTE, "A note at the end."),
                    new Inline.Field(Inline.Field.Kind.PAGE_OF, "charges", "1", Look.PLAIN))));
    blocks.add(
        Samples.runs(
            "struck",
            Look.of(TextTraits.STRIKE, true),
            "twice",
            Look.of(TextTraits.UNDERLINE, true)
                .with(TextTraits.UNDERLINE_KIND, TextTraits.UnderlineKind.DOUBLE),
            "2",
            Look.of(TextTraits.RAISE, TextTraits.Raise.SUPERSCRIPT),
            "raised",
            Look.of(TextTraits.SHIFT, 3.0),
            "wide",
            Look.of(TextTraits.LETTER_SPACING, 1.5).with(TextTraits.SMALL_CAPS, true),
            "green",
            Look.of(TextTraits.COLOUR, new Colour(0x1E7A3C))
                .with(TextTraits.HIGHLIGHT, new Colour(0xFFF4C2))
                .with(TextTraits.LANGUAGE, "de-AT")));
    blocks.add(
        Paragraph.of(
            Look.of(
                    ParagraphTraits.RULES,
                    Rules.around(new Rule(Rule.Kind.DOUBLE, 0.5, Colour.BLACK, 3)))
                .with(ParagraphTraits.SHADING, new Colour(0xEEF3F5))
                .with(ParagraphTraits.LINE_PITCH, new LinePitch.Exactly(16))
                .with(
                    ParagraphTraits.TABS,
                    List.of(
                        new ParagraphTraits.TabStop(
                            200,
                            ParagraphTraits.TabStop.Kind.RIGHT,
                            ParagraphTraits.TabStop.Leader.DOT))),
            "Berth\t12.50"));
    blocks.add(rich.item("l", 0, "first"));
    blocks.add(rich.item("l", 1, "below the first"));
    blocks.add(Samples.paragraph("between"));
    blocks.add(rich.item("l", 1, "goes on below"));
    blocks.add(rich.item("l", 0, "second"));
    blocks.add(Samples.table(new String[] {"Berth", "Depth"}, new String[] {"North", "4 m"}));
    blocks.add(Samples.paragraph("before\fafter the break"));
    blocks.add(
        Rich.of(
            Rich.text("Beside: "),
            rich.picture(80, 60, Rich.beside(Placement.Wrap.AROUND, 30, 10)),
            rich.picture(40, 30, Placement.INLINE),
            rich.box(
                100,
                50,
                Rich.beside(Placement.Wrap.ABOVE_AND_BELOW, 10, 0),
                Samples.paragraph("In a box"))));
    Story header =
        new Story(NodeId.fresh(), Story.Kind.RUNNING, List.of(Samples.paragraph("Harbour office")));
    Story first =
        new Story(NodeId.fresh(), Story.Kind.RUNNING, List.of(Samples.paragraph("First page")));
    Story footer =
        new Story(
            NodeId.fresh(),
            Story.Kind.RUNNING,
            List.of(Rich.of(new Inline.Field(Inline.Field.Kind.PAGE, "1", Look.PLAIN))));
    rich.section(
        Rich.a4(Columns.ONE),
        Section.Start.NEW_PAGE,
        Map.of(
            Section.Running.HEADER, header,
            Section.Running.HEADER_FIRST, first,
            Section.Running.FOOTER, footer),
        blocks);
    rich.section(
        Rich.a4(Columns.equal(2, 18, true)),
        Section.Start.CONTINUOUS,
        Map.of(),
        List.of(Samples.paragraph(Samples.PROSE.repeat(4))));
    rich.section(
        Rich.a4(
            Columns.ONE,
            new PageNumbers(Optional.of(5), NumberFormat.LOWER_ROMAN),
            decant.model.look.VerticalAlignment.TOP),
        Section.Start.ODD_PAGE,
        Map.of(),
        List.of(Samples.table(new String[] {"A table", "begins it"}), Samples.paragraph("End.")));
    return rich.document();
  }
}
