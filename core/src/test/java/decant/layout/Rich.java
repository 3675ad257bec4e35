package decant.layout;

import decant.Samples;
import decant.layout.item.Fragment;
import decant.layout.pages.Page;
import decant.model.Block;
import decant.model.Columns;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.PageNumbers;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.look.Insets;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.ParagraphTraits;
import decant.model.look.Placement;
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Origin;
import decant.model.look.Placement.Wrap;
import decant.model.look.VerticalAlignment;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import javax.imageio.ImageIO;

/** Makes documents with everything that layout knows: sections, notes, floats, shapes, lists. */
public final class Rich {
  private final List<Section> sections = new ArrayList<>();
  private final Map<NodeId, Story> stories = new LinkedHashMap<>();
  private final Map<String, ListDefinition> lists = new LinkedHashMap<>();
  private final Media picture = picture();

  public Rich section(PageSetup page, Section.Start start, Block... blocks) {
    return section(page, start, Map.of(), List.of(blocks));
  }

  public Rich section(
      PageSetup page,
      Section.Start start,
      Map<Section.Running, Story> running,
      List<Block> blocks) {
    sections.add(new Section(NodeId.fresh(), page, start, running, blocks));
    return this;
  }

  public Document document() {
    return Document.of(
        Metadata.NONE,
        Samples.styles(),
        lists,
        sections,
        stories,
        Map.of(picture.id(), picture),
        List.of());
  }

  public static PageSetup a4(Columns columns) {
    return a4(columns, PageNumbers.PLAIN, VerticalAlignment.TOP);
  }

  public static PageSetup a4(Columns columns, PageNumbers numbers, VerticalAlignment alignment) {
    PageSetup p = PageSetup.A4;
    return new PageSetup(
        p.width(),
        p.height(),
        p.margins(),
        columns,
        numbers,
        p.borders(),
        p.background(),
        alignment,
        0);
  }

  /** A note with a text, whose mark is to be put somewhere. */
  public Inline.NoteMark note(Story.Kind kind, String text) {
    NodeId id = NodeId.fresh();
    var p =
        new Paragraph(
            NodeId.fresh(),
            Look.PLAIN,
            Look.PLAIN,
            List.of(new Inline.NoteMark(id, Look.PLAIN), new Inline.Text(" " + text, Look.PLAIN)));
    stories.put(id, new Story(id, kind, List.of(p)));
    return new Inline.NoteMark(id, Look.PLAIN);
  }

  public static Paragraph of(Inline... inlines) {
    return new Paragraph(NodeId.fresh(), Look.PLAIN, Look.PLAIN, List.of(inlines));
  }

  public static Inline text(String s) {
    return new Inline.Text(s, Look.PLAIN);
  }

  public Inline picture(double width, double height, Placement placement) {
    return new Inline.Picture(
        picture.id(),
        width,
        height,
        "a quay",
        placement,
        Insets.NONE,
        0,
        Optional.empty(),
        Look.PLAIN);
  }

  public Inline box(double width, double height, Placement placement, Block... content) {
    NodeId id = NodeId.fresh();
    stories.put(id, new Story(id, Story.Kind.BOX, List.of(content)));
    return new Inline.Shape(
        new Inline.Drawing(
            Inline.Geometry.RECTANGLE,
            Optional.of(new decant.model.look.Colour(0xF0EBE0)),
            Optional.of(decant.model.look.Rule.single(1, decant.model.look.Colour.BLACK))),
        width,
        height,
        new Inline.BoxText(Optional.of(id), false, new Insets(4, 4, 4, 4), VerticalAlignment.TOP),
        "",
        placement,
        0,
        Optional.empty(),
        Look.PLAIN);
  }

  /** A place so far from the left of the column and below the top of the paragraph. */
  public static Placement.Floating beside(Wrap wrap, double x, double y) {
    return new Placement.Floating(
        new Axis(Origin.COLUMN, Align.OFFSET, x),
        new Axis(Origin.PARAGRAPH, Align.OFFSET, y),
        wrap,
        new Insets(2, 6, 2, 6),
        false);
  }

  public Paragraph item(String list, int depth, String text) {
    lists.computeIfAbsent(
        list,
        id -> {
          Look indent =
              Look.of(ParagraphTraits.INDENT_START, 36.0).with(ParagraphTraits.FIRST_LINE, -18.0);
          return new ListDefinition(
              id,
              List.of(
                  new ListDefinition.Level(
                      ListDefinition.NumberFormat.DECIMAL, "%1.", 1, indent, Look.PLAIN),
                  new ListDefinition.Level(
                      ListDefinition.NumberFormat.LOWER_LETTER, "%2)", 1, indent, Look.PLAIN)));
        });
    return Paragraph.of(Look.of(ParagraphTraits.LIST, new ListMembership(list, depth)), text);
  }

  private static Media picture() {
    var image = new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB);
    for (int x = 0; x < 40; x++) {
      for (int y = 0; y < 30; y++) {
        image.setRGB(x, y, x * 6 << 16 | y * 8 << 8 | 0x60);
      }
    }
    var out = new ByteArrayOutputStream();
    try {
      ImageIO.write(image, "png", out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return Media.of("image/png", out.toByteArray());
  }

  /** A document in which everything comes up, the same for the same seed. */
  public static Document varied(long seed, int blocks) {
    var random = new Random(seed);
    var rich = new Rich();
    List<List<Block>> parts = List.of(new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
    for (List<Block> part : parts) {
      for (int k = 0; k < blocks / 3; k++) {
        part.add(rich.some(random, k));
      }
      part.add(Samples.paragraph("End of the part."));
    }
    rich.section(a4(Columns.ONE), Section.Start.NEW_PAGE, Map.of(), parts.get(0));
    rich.section(a4(Columns.equal(2, 18, true)), Section.Start.CONTINUOUS, Map.of(), parts.get(1));
    rich.section(a4(Columns.ONE), Section.Start.CONTINUOUS, Map.of(), parts.get(2));
    return rich.document();
  }

  private Block some(Random random, int k) {
    String prose = Samples.PROSE.repeat(1 + random.nextInt(3));
    return switch (random.nextInt(12)) {
      case 0 -> Samples.heading(1 + random.nextInt(3), "Heading " + k);
      case 1 ->
          Samples.table(new String[] {"Berth " + k, Samples.PROSE}, new String[] {"Depth", "4 m"});
      case 2 ->
          of(
              text(prose),
              note(Story.Kind.FOOTNOTE, "Note " + k + ". " + Samples.PROSE),
              text(" on."));
      case 3 ->
          of(
              text("Beside: "),
              picture(80, 60, beside(Wrap.AROUND, random.nextInt(120), random.nextInt(30))),
              text(prose));
      case 4 ->
          of(text("Below: "), picture(120, 40, beside(Wrap.ABOVE_AND_BELOW, 0, 10)), text(prose));
      case 5 -> item("l" + random.nextInt(2), random.nextInt(2), prose);
      case 6 ->
          of(
              text(prose),
              box(100, 50, beside(Wrap.AROUND, 10, 0), Samples.paragraph("In a box")),
              text(prose));
      case 7 -> of(text(prose), note(Story.Kind.ENDNOTE, "Endnote " + k));
      default -> Samples.paragraph(prose);
    };
  }

  /** Where all of a layout stands: equal for equal layouts. */
  public static List<String> shape(Layout l) {
    var out = new ArrayList<String>();
    for (Page p : l.pages()) {
      out.add(p.number() + " " + p.shown() + " " + p.setup());
      for (Fragment f : p.texts()) {
        out.add("%s %.3f %.3f %.3f".formatted(f.source().id(), f.x(), f.y(), f.height()));
      }
      for (Places.PlacedLine line : Places.lines(p)) {
        out.add(
            "%s %d-%d %.3f %.3f"
                .formatted(
                    line.paragraph().source().id(),
                    line.line().from(),
                    line.line().to(),
                    line.x(),
                    line.top()));
      }
    }
    return out;
  }
}
