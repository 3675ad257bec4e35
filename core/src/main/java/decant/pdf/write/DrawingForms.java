package decant.pdf.write;

import decant.model.look.Media;
import decant.pdf.choices.Compression;
import decant.pdf.choices.Conformance;
import decant.pdf.content.UnseenText;
import decant.pdf.drawn.FormGraphics;
import decant.pdf.file.Deflated;
import decant.pdf.write.pictures.PictureInFile;
import decant.pdf.write.pictures.PictureMaker;
import decant.picture.Png;
import decant.picture.VectorPicture;
import decant.words.Words;
import decant.work.Faults;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/** Drawings as forms (ISO 32000-2 §8.10), so that they stay sharp at any size. */
public final class DrawingForms {
  private static final Words WORDS = Words.of(DrawingForms.class);

  /** Width of drawings in their own units; they are stretched to where they stand. */
  public static final int FORM = 1000;

  /** Dots an inch of a drawing that a standard allows as an image only. */
  private static final double PIXELS = 300;

  private static final int MAX_PIXELS = 5000;

  private final PDDocument scratch;
  private final Conformance conformance;
  private final int level;

  public DrawingForms(PDDocument scratch, Conformance conformance, int level) {
    this.scratch = scratch;
    this.conformance = conformance;
    this.level = level;
  }

  /**
   * @param height of the form where its width is {@link #FORM}
   * @param width that it is placed in, in points
   */
  public Optional<PictureInFile> of(Media m, int height, double width) {
    try {
      if (PaintedDrawings.has(conformance, m)) {
        return pixels(m, height, width);
      }
      if (m.type().equals("application/pdf") && !conformance.isArchive()) {
        Optional<EmbeddedPage.Form> whole = EmbeddedPage.of(m, scratch);
        if (whole.isPresent()) {
          EmbeddedPage.Form f = whole.get();
          packed(f.form().getCOSObject());
          return Optional.of(
              new PictureInFile(
                  f.form().getCOSObject(),
                  f.width(),
                  f.height(),
                  WORDS.say("drawing-forms.drawing-as-it-came")));
        }
      }
      Optional<VectorPicture> v = VectorPicture.of(m);
      if (v.isEmpty()) {
        return Optional.empty();
      }
      var g = new FormGraphics(scratch, FORM, height);
      boolean whole = v.get().draw(g, 0, 0, FORM, height);
      g.dispose();
      if (!whole) {
        return Optional.empty();
      }
      COSStream form = g.getXFormObject().getCOSObject();
      if (m.type().equals("application/pdf")) {
        try (PDDocument drawing = Loader.loadPDF(m.bytes())) {
          UnseenText.carryOver(drawing, scratch, form, FORM, height);
        }
      }
      // What a drawing paints beyond its frame is not cut off on screen either.
      form.setItem(COSName.BBOX, new PDRectangle(-FORM, -height, 3 * FORM, 3 * height));
      packed(form);
      return Optional.of(new PictureInFile(form, FORM, height, "drawing"));
    } catch (IOException | RuntimeException e) {
      Faults.mended("storing a drawing", e);
      return Optional.empty(); // the page shows a blank in its place
    }
  }

  /** A drawing as dots. */
  private Optional<PictureInFile> pixels(Media m, int height, double width) throws IOException {
    Optional<VectorPicture> v = VectorPicture.of(m);
    if (v.isEmpty()) {
      return Optional.empty();
    }
    int w = (int) Math.clamp(Math.ceil(width / 72 * PIXELS), 1, MAX_PIXELS);
    int h = (int) Math.clamp(Math.ceil((double) w * height / FORM), 1, MAX_PIXELS);
    var image = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    g.setColor(Color.WHITE);
    g.fillRect(0, 0, w, h);
    boolean whole = v.get().draw(g, 0, 0, w, h);
    g.dispose();
    if (!whole) {
      return Optional.empty();
    }
    return new PictureMaker(Compression.DEFAULT, conformance)
        .image(Png.of(image), width, width * height / FORM);
  }

  /** Compresses what a drawing is made of with the effort that all else is. */
  private void packed(COSStream form) throws IOException {
    for (COSBase o : PaintedDrawings.parts(form)) {
      if (o instanceof COSStream s && s.getDictionaryObject(COSName.DECODE_PARMS) == null) {
        Deflated.again(s, level);
      }
      if (o instanceof COSDictionary d
          && conformance.isArchive()
          && COSName.IMAGE.equals(d.getItem(COSName.SUBTYPE))) {
        d.removeItem(COSName.INTERPOLATE);
      }
    }
  }
}
