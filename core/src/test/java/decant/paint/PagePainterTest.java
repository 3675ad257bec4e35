package decant.paint;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.Layout;
import decant.layout.Layouter;
import decant.layout.Rich;
import decant.layout.pages.Page;
import decant.layout.pages.PageChange;
import decant.model.Inline;
import decant.model.edit.CommandsTest;
import decant.model.edit.Revision;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.VerticalAlignment;
import decant.text.FontBook;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;

/** Painted pages: what is painted over is what painting anew gives, and what is published. */
class PagePainterTest {
  private final PagePainter painter = new PagePainter();

  private static int[] pixels(BufferedImage i) {
    return ((DataBufferInt) i.getRaster().getDataBuffer()).getData();
  }

  @Test
  void paintingOverWhatChangedIsThePagePaintedAnew() {
    long seed = 99;
    var random = new Random(seed);
    Revision r = Revision.of(Rich.varied(seed, 6));
    var layouter = new Layouter(FontBook.shipped());
    Layout before = layouter.layout(r.document());
    BufferedImage shown = painter.paint(before, before.pages().getFirst(), 1);
    int parts = 0;
    for (int k = 0; k < 250; k++) {
      r = CommandsTest.randomEdit(r, random);
      Layout after = layouter.layout(r.document());
      Page was = before.pages().getFirst();
      Page is = after.pages().getFirst();
      Optional<PageChange> change = PageChange.between(was, is);
      if (change.isPresent()) {
        parts += change.get().bottom() - change.get().top() < 400 ? 1 : 0;
        painter.repaint(after, is, shown, 1, 0, change.get());
      }
      assertThat(pixels(shown))
          .as("seed %d, edit %d, %s", seed, k, change)
          .isEqualTo(pixels(painter.paint(after, is, 1)));
      before = after;
    }
    assertThat(parts).as("edits that needed only a part of the page").isPositive();
  }

  @Test
  void stripsPutTogetherAreThePage() {
    Layout l = Samples.layout(Rich.varied(3, 30));
    Page p = l.pages().getFirst();
    BufferedImage whole = painter.paint(l, p, 1.5);
    int top = 0;
    while (top < whole.getHeight()) {
      int rows = Math.min(200, whole.getHeight() - top);
      var strip = new BufferedImage(whole.getWidth(), rows, BufferedImage.TYPE_INT_ARGB_PRE);
      painter.paint(l, p, strip, 1.5, top);
      assertThat(pixels(strip))
          .as("from row %d", top)
          .isEqualTo(
              java.util.Arrays.copyOfRange(
                  pixels(whole), top * whole.getWidth(), (top + rows) * whole.getWidth()));
      top += rows;
    }
  }

  /** Notes, columns, pictures, boxes, lists and tables look in the PDF as they are painted. */
  @Test
  void whatIsPaintedIsWhatIsPublished() throws IOException {
    same(Samples.layout(Rich.varied(12, 45)));
  }

  @Test
  void turnedShapesAndEveryOutlineLookTheSameInThePdf() throws IOException {
    var inlines = new java.util.ArrayList<Inline>();
    for (Inline.Geometry g : Inline.Geometry.values()) {
      for (Rule.Kind k : Rule.Kind.values()) {
        inlines.add(shape(g, new Rule(k, 2, new Colour(0x7A1F33), 0), 0));
      }
      inlines.add(shape(g, Rule.single(1, Colour.BLACK), 30));
    }
    same(Samples.layout(Samples.document(Rich.of(inlines.toArray(Inline[]::new)))));
  }

  private static Inline shape(Inline.Geometry g, Rule line, double rotation) {
    boolean area = g != Inline.Geometry.LINE_DOWN && g != Inline.Geometry.LINE_UP;
    return new Inline.Shape(
        new Inline.Drawing(
            g, area ? Optional.of(new Colour(0xF0EBE0)) : Optional.empty(), Optional.of(line)),
        60,
        36,
        new Inline.BoxText(Optional.empty(), false, Insets.NONE, VerticalAlignment.TOP),
        "",
        Placement.INLINE,
        rotation,
        Optional.empty(),
        Look.PLAIN);
  }

  /** A placeable metafile of one filled red rectangle, by [MS-WMF]. */
  private static byte[] wmf() {
    ByteBuffer b = ByteBuffer.allocate(200).order(ByteOrder.LITTLE_ENDIAN);
    b.putInt(0x9AC6CDD7).putShort((short) 0); // 2.3.2.3
    b.putShort((short) 0).putShort((short) 0).putShort((short) 1000).putShort((short) 500);
    b.putShort((short) 1440).putInt(0);
    short sum = 0;
    for (int k = 0; k < 20; k += 2) {
      sum ^= b.getShort(k);
    }
    b.putShort(sum);
    int header = b.position();
    b.putShort((short) 1).putShort((short) 9).putShort((short) 0x0300).putInt(0);
    b.putShort((short) 2).putInt(7).putShort((short) 0); // 2.3.2.2
    record(b, 0x020B, 0, 0); // SETWINDOWORG
    record(b, 0x020C, 500, 1000); // SETWINDOWEXT
    b.putInt(7).putShort((short) 0x02FC).putShort((short) 0).putInt(0x000000FF).putShort((short) 0);
    record(b, 0x012D, 0); // SELECTOBJECT
    record(b, 0x041B, 500, 1000, 0, 0); // RECTANGLE
    b.putInt(3).putShort((short) 0);
    int words = (b.position() - header) / 2;
    b.putInt(header + 6, words);
    return java.util.Arrays.copyOf(b.array(), b.position());
  }

  private static void record(ByteBuffer b, int function, int... values) {
    b.putInt(3 + values.length).putShort((short) function);
    for (int v : values) {
      b.putShort((short) v);
    }
  }

  private static final String SVG =
      "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"100\" height=\"50\"><rect width=\"100\" height=\"50\" fill=\"#ff0000\"/></svg>";

  @Test
  void metafilesAndSvgAreDrawn() throws IOException {
    for (Media m :
        List.of(
            Media.of("image/x-wmf", wmf()),
            Media.of("image/svg+xml", SVG.getBytes(StandardCharsets.UTF_8)))) {
      var p = Rich.of(new Inline.Picture(m.id(), 200, 100, "a red square", Look.PLAIN));
      Layout l = Samples.layout(Samples.document(m, p));
      BufferedImage page = painter.paint(l, l.pages().getFirst(), 1);
      assertThat(page.getRGB(172, 122) & 0xFFFFFF).as(m.type()).isEqualTo(0xFF0000);
      assertThat(page.getRGB(290, 122) & 0xFFFFFF).as(m.type()).isEqualTo(0xFFFFFF);
      same(l);
    }
  }

  /** Of a picture only what its crop leaves is seen. */
  @Test
  void croppedPicturesShowWhatIsLeft() throws IOException {
    Media m =
        Media.of(
            "image/svg+xml",
            SVG.replace("<rect width=\"100\"", "<rect width=\"50\"")
                .getBytes(StandardCharsets.UTF_8));
    var cropped =
        new Inline.Picture(
            m.id(),
            100,
            100,
            "",
            Placement.INLINE,
            new Insets(0, 0.5, 0, 0),
            0,
            Optional.empty(),
            Look.PLAIN);
    Layout l = Samples.layout(Samples.document(m, Rich.of(cropped)));
    BufferedImage page = painter.paint(l, l.pages().getFirst(), 1);
    assertThat(page.getRGB(168, 100) & 0xFFFFFF).as("red up to the edge").isEqualTo(0xFF0000);
    assertThat(page.getRGB(176, 100) & 0xFFFFFF).isEqualTo(0xFFFFFF);
    same(l);
  }

  /** The same picture from PDFBox, but for anti-aliasing. */
  private void same(Layout l) throws IOException {
    try (PDDocument pdf = Loader.loadPDF(Samples.pdf(l, Samples.choices(l)))) {
      var renderer = new PDFRenderer(pdf);
      for (Page p : l.pages()) {
        BufferedImage published = renderer.renderImage(p.number() - 1, 2, ImageType.RGB);
        assertThat(Pixels.difference(painter.paint(l, p, 2), published))
            .as("page %d", p.number())
            .isLessThan(0.004);
      }
    }
  }
}
