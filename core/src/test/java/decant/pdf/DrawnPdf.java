package decant.pdf;

import decant.format.Intake;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.text.FontFace;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.Map;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBoolean;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentNameDictionary;
import org.apache.pdfbox.pdmodel.PDEmbeddedFilesNameTreeNode;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.apache.pdfbox.pdmodel.common.filespecification.PDEmbeddedFile;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.color.PDPattern;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.pattern.PDShadingPattern;
import org.apache.pdfbox.pdmodel.graphics.shading.PDShading;
import org.apache.pdfbox.pdmodel.graphics.state.RenderingMode;
import org.apache.pdfbox.pdmodel.interactive.action.PDAction;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationText;
import org.apache.pdfbox.util.Matrix;

/**
 * Draws pages with PDFBox, without tags, as any producer might. Places are in points from the top
 * left of an A4 page.
 */
final class DrawnPdf {
  /** Prose for where only its amount matters. */
  static final String PROSE =
      "The harbour office keeps the berth plan and tells every holder by the first of March which "
          + "berth is theirs for the season, how long their lines may be, and where they may lay "
          + "up ashore. Whoever moves a vessel without asking pays for the berth they take and for "
          + "the one they leave. Fenders hang on both sides, and lines are doubled in a gale. ";

  static final PDFont PLAIN = new PDType1Font(FontName.TIMES_ROMAN);
  static final PDFont BOLD = new PDType1Font(FontName.TIMES_BOLD);
  static final PDFont ITALIC = new PDType1Font(FontName.TIMES_ITALIC);

  private final PDDocument pdf = new PDDocument();
  private PDPageContentStream content;

  DrawnPdf() {
    page();
  }

  private interface Drawing {
    void on(PDPageContentStream c) throws IOException;
  }

  private DrawnPdf draw(Drawing d) {
    try {
      d.on(content);
      return this;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  DrawnPdf page() {
    try {
      if (content != null) {
        content.close();
      }
      var page = new PDPage(PDRectangle.A4);
      pdf.addPage(page);
      content = new PDPageContentStream(pdf, page);
      return this;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static float up(double y) {
    return (float) (PDRectangle.A4.getHeight() - y);
  }

  DrawnPdf text(PDFont font, double size, double x, double baseline, String text) {
    return draw(c -> {
      c.beginText();
      c.setFont(font, (float) size);
      c.newLineAtOffset((float) x, up(baseline));
      c.showText(text);
      c.endText();
    });
  }

  DrawnPdf text(double x, double baseline, String text) {
    return text(PLAIN, 10, x, baseline, text);
  }

  /** Text in a line that is turned clockwise around where it begins, in degrees. */
  DrawnPdf turned(
      double degrees, PDFont font, double size, double x, double baseline, String text) {
    return draw(c -> {
      c.beginText();
      c.setFont(font, (float) size);
      c.setTextMatrix(Matrix.getRotateInstance(-Math.toRadians(degrees), (float) x, up(baseline)));
      c.showText(text);
      c.endText();
    });
  }

  /** Text that is there but does not show, as behind a scanned picture (text rendering mode 3). */
  DrawnPdf invisible(double x, double baseline, String text) {
    draw(c -> c.setRenderingMode(RenderingMode.NEITHER));
    text(x, baseline, text);
    return draw(c -> c.setRenderingMode(RenderingMode.FILL));
  }

  /** A text in lines of a width, 12 points from one to the next; the baseline after the last. */
  double prose(double x, double baseline, double width, String text) {
    double y = baseline;
    var line = new StringBuilder();
    for (String word : text.strip().split(" ")) {
      String longer = line.isEmpty() ? word : line + " " + word;
      if (width(PLAIN, 10, longer) > width) {
        text(x, y, line.toString());
        y += 12;
        line = new StringBuilder(word);
      } else {
        line = new StringBuilder(longer);
      }
    }
    text(x, y, line.toString());
    return y + 12;
  }

  static double width(PDFont font, double size, String text) {
    try {
      return font.getStringWidth(text) * size / 1000;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  DrawnPdf filled(Color colour, double x, double y, double w, double h) {
    return draw(c -> {
      c.setNonStrokingColor(colour);
      c.addRect((float) x, up(y + h), (float) w, (float) h);
      c.fill();
      c.setNonStrokingColor(Color.BLACK);
    });
  }

  DrawnPdf framed(double x, double y, double w, double h) {
    return draw(c -> {
      c.addRect((float) x, up(y + h), (float) w, (float) h);
      c.stroke();
    });
  }

  DrawnPdf line(double x1, double y1, double x2, double y2) {
    return draw(c -> {
      c.moveTo((float) x1, up(y1));
      c.lineTo((float) x2, up(y2));
      c.stroke();
    });
  }

  /** The colour of text from here on. */
  DrawnPdf ink(Color colour) {
    return draw(c -> c.setNonStrokingColor(colour));
  }

  /** How lines and frames are drawn from here on; dashes as in an array of ISO 32000-1 §8.4.3.6. */
  DrawnPdf stroke(double width, Color colour, float... dashes) {
    return draw(c -> {
      c.setLineWidth((float) width);
      c.setStrokingColor(colour);
      c.setLineDashPattern(dashes, 0);
    });
  }

  DrawnPdf picture(BufferedImage image, double x, double y, double w, double h) {
    return draw(c ->
        c.drawImage(
            LosslessFactory.createFromImage(pdf, image),
            (float) x,
            up(y + h),
            (float) w,
            (float) h));
  }

  /** Text that shows only within an area. */
  DrawnPdf clipped(double x, double y, double w, double h, Runnable drawing) {
    draw(c -> {
      c.saveGraphicsState();
      c.addRect((float) x, up(y + h), (float) w, (float) h);
      c.clip();
    });
    drawing.run();
    return draw(PDPageContentStream::restoreGraphicsState);
  }

  /** What a page's content may be made of that has no method here. */
  interface Painting {
    void on(PDDocument file, PDPage page, PDPageContentStream content) throws IOException;
  }

  /** Draws by calls of PDFBox, in its own coordinates. */
  DrawnPdf painted(Painting p) {
    return draw(c -> p.on(pdf, pdf.getPage(pdf.getNumberOfPages() - 1), c));
  }

  static COSArray numbers(double... values) {
    var out = new COSArray();
    for (double v : values) {
      out.add(new COSFloat((float) v));
    }
    return out;
  }

  /** From one colour to another, along a line or between circles (ISO 32000-2 §8.7.4.5). */
  static COSDictionary gradient(COSName space, COSArray coordinates, COSArray from, COSArray to) {
    var f = new COSDictionary();
    f.setInt(COSName.FUNCTION_TYPE, 2);
    f.setItem(COSName.DOMAIN, numbers(0, 1));
    f.setItem(COSName.C0, from);
    f.setItem(COSName.C1, to);
    f.setInt(COSName.N, 1);
    var s = new COSDictionary();
    s.setInt(COSName.SHADING_TYPE, coordinates.size() == 4 ? 2 : 3);
    s.setItem(COSName.COLORSPACE, space);
    s.setItem(COSName.COORDS, coordinates);
    s.setItem(COSName.FUNCTION, f);
    var both = new COSArray();
    both.add(COSBoolean.TRUE);
    both.add(COSBoolean.TRUE);
    s.setItem(COSName.EXTEND, both);
    return s;
  }

  /** Fills a box with a gradient, in PDFBox's own coordinates. */
  static void fade(
      PDPage page,
      PDPageContentStream c,
      COSDictionary gradient,
      float x,
      float y,
      float w,
      float h)
      throws IOException {
    var p = new PDShadingPattern();
    p.setShading(PDShading.create(gradient));
    c.setNonStrokingColor(
        new PDColor(page.getResources().add(p), new PDPattern(page.getResources())));
    c.addRect(x, y, w, h);
    c.fill();
  }

  /** A note that someone stuck on the page. */
  DrawnPdf comment(double x, double y, String words) {
    return draw(c -> {
      var note = new PDAnnotationText();
      note.setRectangle(new PDRectangle((float) x, up(y), 20, 20));
      note.setContents(words);
      pdf.getPage(pdf.getNumberOfPages() - 1).getAnnotations().add(note);
    });
  }

  /** An area that does something when it is clicked. */
  DrawnPdf acting(double x, double y, double w, double h, PDAction action) {
    return draw(c -> {
      var link = new PDAnnotationLink();
      link.setRectangle(new PDRectangle((float) x, up(y + h), (float) w, (float) h));
      link.setAction(action);
      pdf.getPage(pdf.getNumberOfPages() - 1).getAnnotations().add(link);
    });
  }

  /** What happens when the file is opened. */
  DrawnPdf opening(PDAction action) {
    pdf.getDocumentCatalog().setOpenAction(action);
    return this;
  }

  DrawnPdf attached(String name) {
    return draw(c -> {
      var file = new PDComplexFileSpecification();
      file.setFile(name);
      file.setEmbeddedFile(new PDEmbeddedFile(pdf, new ByteArrayInputStream(new byte[] {1})));
      var tree = new PDEmbeddedFilesNameTreeNode();
      tree.setNames(Map.of(name, file));
      var names = new PDDocumentNameDictionary(pdf.getDocumentCatalog());
      names.setEmbeddedFiles(tree);
      pdf.getDocumentCatalog().setNames(names);
    });
  }

  /** One of the shipped fonts. */
  PDFont font(String file) {
    try {
      return PDType0Font.load(pdf, FontFace.class.getResourceAsStream("fonts/" + file), true);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  TakenIn takenIn(Path folder) throws IOException, ReadProblem {
    return Intake.take(ReadRequest.of(saved(folder)));
  }

  /** The file that was drawn. */
  Path saved(Path folder) throws IOException {
    Path file = folder.resolve("drawn.pdf");
    content.close();
    pdf.save(file.toFile());
    pdf.close();
    return file;
  }
}
