package decant.pdf;

import decant.Samples;
import decant.layout.Layout;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Link;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.ParagraphTraits;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.pdf.choices.PdfChoices;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;

/** What tests of published files have in common. */
public final class Published {
  public static final Metadata PARTICULARS =
      new Metadata("Berth rules", "Mooring", "Harbour office", "berths, charges", "en");

  private Published() {}

  public static Path file(Path folder, Layout l, PdfChoices c) {
    try {
      return Files.write(folder.resolve("published.pdf"), Samples.pdf(l, c));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** An image drawn pixel by pixel. */
  public static BufferedImage image(
      int w, int h, int type, java.util.function.IntBinaryOperator argb) {
    var out = new BufferedImage(w, h, type);
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        out.setRGB(x, y, argb.applyAsInt(x, y));
      }
    }
    return out;
  }

  /** Soft colours with a little noise, as cameras make them; the same each time. */
  public static BufferedImage photograph(int w, int h) {
    var random = new java.util.Random(7);
    return image(
        w,
        h,
        BufferedImage.TYPE_INT_RGB,
        (x, y) -> {
          int r = (int) (120 + 80 * Math.sin(x / 31.0) + random.nextInt(12));
          int g = (int) (110 + 70 * Math.cos(y / 23.0) + random.nextInt(12));
          int b = (int) (90 + 60 * Math.sin((x + y) / 47.0) + random.nextInt(12));
          return 0xFF000000 | r << 16 | g << 8 | b;
        });
  }

  static BufferedImage lineArt(int w, int h, Color ink) {
    var out = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = out.createGraphics();
    g.setColor(Color.WHITE);
    g.fillRect(0, 0, w, h);
    g.setColor(ink);
    for (int k = 0; k < 12; k++) {
      g.drawRect(10 + 8 * k, 10 + 8 * k, w - 20 - 16 * k, h - 20 - 16 * k);
    }
    g.dispose();
    return out;
  }

  public static Media png(BufferedImage image) {
    return media(image, "png");
  }

  public static Media jpeg(BufferedImage image) {
    return media(image, "jpeg");
  }

  private static Media media(BufferedImage image, String format) {
    var out = new ByteArrayOutputStream();
    try {
      if (!ImageIO.write(image, format, out)) {
        throw new AssertionError("no writer for " + format);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return Media.of("image/" + format, out.toByteArray());
  }

  public static Paragraph picture(Media m, double width, double height, String alt) {
    return new Paragraph(
        NodeId.fresh(),
        Look.PLAIN,
        Look.PLAIN,
        List.of(new Inline.Picture(m.id(), width, height, alt, Look.PLAIN)));
  }

  private static ListDefinition.Level level(
      ListDefinition.NumberFormat format, String pattern, double indent) {
    return new ListDefinition.Level(
        format,
        pattern,
        1,
        Look.of(ParagraphTraits.INDENT_START, indent).with(ParagraphTraits.FIRST_LINE, -18.0),
        Look.PLAIN);
  }

  private static Paragraph item(String list, int depth, String text) {
    return Paragraph.of(Look.of(ParagraphTraits.LIST, new ListMembership(list, depth)), text);
  }

  /** A document with something of everything that a page can show. */
  public static Document everything() {
    Media see = png(image(60, 40, BufferedImage.TYPE_INT_ARGB, (x, y) -> x * 4 << 24 | 0x336699));
    Media photograph = jpeg(photograph(80, 60));
    Media drawing =
        Media.of(
            "image/svg+xml",
            """
            <svg xmlns="http://www.w3.org/2000/svg" width="100" height="50">
            <rect x="5" y="5" width="90" height="40" fill="#cc8800" fill-opacity="0.5"/>
            <circle cx="50" cy="25" r="15" fill="navy"/></svg>
            """
                .getBytes(StandardCharsets.UTF_8));
    var levels =
        List.of(
            level(ListDefinition.NumberFormat.DECIMAL, "%1.", 18),
            level(ListDefinition.NumberFormat.BULLET, "\u2022", 36));
    var list = new ListDefinition("steps", levels);
    NodeId note = NodeId.fresh();
    Paragraph noteText =
        Samples.inlines(
            new Inline.NoteMark(note, Look.PLAIN),
            new Inline.Text(" Above chart datum.", Look.PLAIN));
    var noted =
        new Paragraph(
            NodeId.fresh(),
            Look.PLAIN,
            Look.PLAIN,
            List.of(
                new Inline.Text("The gauge shows four metres", Look.PLAIN),
                new Inline.NoteMark(note, Look.PLAIN),
                new Inline.Text(", see ", Look.PLAIN),
                new Inline.Text(
                    "the charges", Look.of(TextTraits.LINK, new Link.Internal("charges"))),
                new Inline.Text(" or ", Look.PLAIN),
                new Inline.Text(
                    "write",
                    Look.of(TextTraits.LINK, new Link.External("mailto:office@saltmarsh.example"))
                        .with(TextTraits.UNDERLINE, true)),
                new Inline.Text(".", Look.PLAIN)));
    var charges =
        Paragraph.of(
            Look.of(ParagraphTraits.STYLE, "Heading3")
                .with(ParagraphTraits.BOOKMARKS, List.of("charges")),
            "Charges");
    List<Block> blocks = new ArrayList<>();
    blocks.add(Samples.heading(1, "Berth rules"));
    blocks.add(noted);
    blocks.add(item("steps", 0, "Tie up."));
    blocks.add(item("steps", 1, "Bow first."));
    blocks.add(item("steps", 0, "Report to the office."));
    blocks.add(charges); // from the first level to the third
    blocks.add(uneven());
    blocks.add(picture(see, 60, 40, "The east stairs"));
    blocks.add(picture(photograph, 80, 60, ""));
    blocks.add(picture(drawing, 100, 50, "A buoy"));
    for (String s :
        new String[] {
          "Efficient office, fjord", "Ωμέγα Причал", "שלום לנמל", "مرحبا بكم", "สวัสดี", "नमस्ते"
        }) {
      blocks.add(Samples.paragraph(s));
    }
    blocks.add(Samples.heading(2, "Notices"));
    blocks.add(Samples.paragraph(Samples.PROSE.repeat(60)));
    Map<MediaId, Media> media = new LinkedHashMap<>();
    for (Media m : List.of(see, photograph, drawing)) {
      media.put(m.id(), m);
    }
    Story footer =
        new Story(NodeId.fresh(), Story.Kind.RUNNING, List.of(Samples.paragraph("Harbour office")));
    var section =
        new Section(
            NodeId.fresh(),
            PageSetup.A4,
            Section.Start.NEW_PAGE,
            Map.of(Section.Running.FOOTER, footer),
            blocks);
    return Document.of(
        PARTICULARS,
        Samples.styles(),
        Map.of("steps", list),
        List.of(section),
        Map.of(note, new Story(note, Story.Kind.FOOTNOTE, List.of(noteText))),
        media,
        List.of());
  }

  /** A table with a header row, merged cells and a row that lacks one. */
  private static Table uneven() {
    return new Table(
        NodeId.fresh(),
        Look.PLAIN,
        List.of(100.0, 100.0, 100.0),
        List.of(
            new Table.Row(
                Look.of(TableTraits.HEADER_ROW, true),
                List.of(cell(2, 1, "Length"), cell(1, 1, "Charge"))),
            new Table.Row(
                Look.PLAIN, List.of(cell(1, 2, "to 8 m"), cell(1, 1, "day"), cell(1, 1, "12"))),
            new Table.Row(Look.PLAIN, List.of(cell(1, 1, "week")))));
  }

  private static Cell cell(int columns, int rows, String text) {
    return new Cell(NodeId.fresh(), columns, rows, Look.PLAIN, List.of(Samples.paragraph(text)));
  }
}
