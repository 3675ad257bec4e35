package decant.picture;

import com.github.weisj.jsvg.SVGDocument;
import com.github.weisj.jsvg.parser.LoaderContext;
import com.github.weisj.jsvg.parser.SVGLoader;
import com.github.weisj.jsvg.view.ViewBox;
import decant.model.look.Media;
import decant.work.Faults;
import java.awt.Dimension;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Dimension2D;
import java.awt.geom.Rectangle2D;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Map;
import java.util.Optional;
import java.util.zip.GZIPInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.rendering.PageDrawer;
import org.apache.pdfbox.rendering.PageDrawerParameters;
import org.apache.poi.hemf.usermodel.HemfPicture;
import org.apache.poi.hwmf.usermodel.HwmfPicture;
import org.apache.poi.sl.draw.Drawable;
import org.jspecify.annotations.Nullable;

/** A picture that is drawn rather than scaled. */
public final class VectorPicture {
  static {
    StandInFonts.use();
  }

  private static final float MAX_PIXELS = 4000;
  private static final int MAX_BYTES = 40 << 20;

  /** Which shipped fonts serve those that drawings name. */
  private static final Map<String, String> FONTS =
      Map.of(
          "Arial", "Liberation Sans",
          "Helvetica", "Liberation Sans",
          "Times New Roman", "Liberation Serif",
          "Courier New", "Liberation Mono",
          "Calibri", "Carlito",
          "Cambria", "Caladea",
          "*", "Liberation Sans");

  private interface Drawing {
    void draw(Graphics2D g, Rectangle2D bounds);
  }

  private final Drawing drawing;
  private final Optional<Dimension2D> size;

  private VectorPicture(Drawing drawing) {
    this(drawing, Optional.empty());
  }

  private VectorPicture(Drawing drawing, Optional<Dimension2D> size) {
    this.drawing = drawing;
    this.size = size;
  }

  /** The size that an SVG gives itself, in its pixels, 96 to the inch. */
  public Optional<Dimension2D> size() {
    return size;
  }

  /** Whether pictures of a type are drawings. */
  public static boolean isVector(String type) {
    return switch (type) {
      case "image/x-emf",
          "image/emf",
          "image/x-wmf",
          "image/wmf",
          "image/svg+xml",
          "application/pdf" ->
          true;
      default -> false;
    };
  }

  /** The drawing; empty if the picture is none, or damaged. */
  public static Optional<VectorPicture> of(Media m) {
    try {
      byte[] bytes = unpacked(m.bytes());
      return switch (m.type()) {
        case "image/x-emf", "image/emf" -> {
          var emf = new HemfPicture(new ByteArrayInputStream(bytes));
          emf.getRecords(); // read now, so that damage shows here
          yield Optional.of(new VectorPicture(emf::draw));
        }
        case "image/x-wmf", "image/wmf" -> {
          var wmf = new HwmfPicture(new ByteArrayInputStream(bytes));
          yield Optional.of(new VectorPicture(wmf::draw));
        }
        case "image/svg+xml" -> svg(bytes);
        case "application/pdf" -> page(bytes);
        default -> Optional.empty();
      };
    } catch (IOException | RuntimeException | StackOverflowError e) {
      Faults.mended("drawing a picture", e);
      return Optional.empty(); // readers throw all kinds of things at damaged pictures
    }
  }

  private static Optional<VectorPicture> svg(byte[] bytes) {
    SVGDocument svg =
        new SVGLoader().load(new ByteArrayInputStream(bytes), null, LoaderContext.createDefault());
    if (svg == null) {
      return Optional.empty();
    }
    var size = new Dimension();
    size.setSize(svg.size().width, svg.size().height);
    return Optional.of(
        new VectorPicture(
            (g, b) ->
                svg.render(
                    null,
                    g,
                    new ViewBox(
                        (float) b.getX(),
                        (float) b.getY(),
                        (float) b.getWidth(),
                        (float) b.getHeight())),
            size.width < 1 || size.height < 1 ? Optional.empty() : Optional.of(size)));
  }

  /** The first page of a PDF. */
  private static Optional<VectorPicture> page(byte[] bytes) throws IOException {
    PDDocument pdf = Loader.loadPDF(bytes);
    PDRectangle crop = pdf.getPage(0).getCropBox();
    return Optional.of(
        new VectorPicture((g, b) -> {
          g.translate(b.getX(), b.getY());
          g.scale(b.getWidth() / crop.getWidth(), b.getHeight() / crop.getHeight());
          try {
            new Transparent(pdf, g).renderPageToGraphics(0, g);
          } catch (IOException e) {
            throw new UncheckedIOException(e);
          }
        }));
  }

  /** Renders a page without the white sheet that it would have below it. */
  private static final class Transparent extends PDFRenderer {
    private final Graphics2D target;
    private final @Nullable Shape clip;
    private final AffineTransform before;

    Transparent(PDDocument pdf, Graphics2D target) {
      super(pdf);
      this.target = target;
      this.clip = target.getClip();
      this.before = target.getTransform();
      // The sheet is cleared before the drawer is made; it reaches nowhere.
      target.clip(new Rectangle2D.Double());
    }

    @Override
    protected PageDrawer createPageDrawer(PageDrawerParameters parameters) throws IOException {
      AffineTransform now = target.getTransform();
      target.setTransform(before);
      target.setClip(clip);
      target.setTransform(now);
      return super.createPageDrawer(parameters);
    }
  }

  /**
   * A page of a PDF in pixels, 300 to the inch, as a PNG: for formats that have no room for it.
   * Empty if it is damaged.
   */
  public static Optional<Media> pixels(Media pdfPage) {
    try (PDDocument pdf = Loader.loadPDF(pdfPage.bytes())) {
      PDRectangle crop = pdf.getPage(0).getCropBox();
      float dots = Math.min(300, 72 * MAX_PIXELS / Math.max(crop.getWidth(), crop.getHeight()));
      return Optional.of(Png.of(new PDFRenderer(pdf).renderImageWithDPI(0, dots, ImageType.ARGB)));
    } catch (IOException | RuntimeException e) {
      Faults.mended("drawing a picture", e);
      return Optional.empty();
    }
  }

  private static byte[] unpacked(byte[] bytes) throws IOException {
    if (bytes.length < 2 || (bytes[0] & 0xFF) != 0x1F || (bytes[1] & 0xFF) != 0x8B) {
      return bytes;
    }
    try (InputStream in = new GZIPInputStream(new ByteArrayInputStream(bytes))) {
      return in.readNBytes(MAX_BYTES);
    }
  }

  /**
   * Draws the picture into a box of the target's own units.
   *
   * @return whether all of it was drawn
   */
  public synchronized boolean draw(Graphics2D g, double x, double y, double width, double height) {
    Graphics2D own = (Graphics2D) g.create();
    try {
      own.setRenderingHint(Drawable.FONT_MAP, FONTS);
      own.setRenderingHint(Drawable.FONT_FALLBACK, FONTS);
      own.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
      // Letters as wide and as heavy as in print, not fitted to the pixels of a screen.
      own.setRenderingHint(
          RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
      own.setRenderingHint(
          RenderingHints.KEY_FRACTIONALMETRICS, RenderingHints.VALUE_FRACTIONALMETRICS_ON);
      own.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
      own.clip(new Rectangle2D.Double(x, y, width, height));
      drawing.draw(own, new Rectangle2D.Double(x, y, width, height));
      return true;
    } catch (RuntimeException | StackOverflowError e) {
      Faults.mended("drawing a picture", e);
      return false; // a record that cannot be drawn ends the drawing
    } finally {
      own.dispose();
    }
  }
}
