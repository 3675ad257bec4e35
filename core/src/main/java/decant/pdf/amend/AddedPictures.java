package decant.pdf.amend;

import decant.model.Box;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.pdf.choices.Conformance;
import decant.pdf.write.DrawingForms;
import decant.pdf.write.pictures.PictureInFile;
import decant.picture.VectorPicture;
import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/** Pictures that are put into a file. */
final class AddedPictures {
  private static final int LEVEL = 6;

  private final PDDocument pdf;
  private final Map<Shaped, PictureInFile> known = new HashMap<>();

  /** A picture, and for a drawing its height for a usual width. */
  private record Shaped(MediaId picture, int height) {}

  AddedPictures(PDDocument pdf) {
    this.pdf = pdf;
  }

  /** A picture as an object of the file, once for all places where it has the same shape. */
  PictureInFile of(Media picture, Box at) throws IOException {
    boolean drawn = VectorPicture.isVector(picture.type());
    int height =
        drawn ? (int) Math.max(1, Math.round(DrawingForms.FORM * at.height() / at.width())) : 1;
    var key = new Shaped(picture.id(), height);
    PictureInFile made = known.get(key);
    if (made == null) {
      made =
          drawn
              ? drawing(picture, height, at.width())
              : PictureInFile.image(image(picture.bytes()), "picture");
      known.put(key, made);
    }
    return made;
  }

  private PictureInFile drawing(Media picture, int height, double width) throws IOException {
    PictureInFile form =
        new DrawingForms(pdf, Conformance.DEFAULT, LEVEL)
            .of(picture, height, width)
            .orElseThrow(() -> new IOException("a drawing that cannot be painted"));
    form.stream().setItem(COSName.BBOX, new PDRectangle(DrawingForms.FORM, height));
    return form;
  }

  COSStream image(byte[] picture) throws IOException {
    try {
      return PDImageXObject.createFromByteArray(pdf, picture, "picture").getCOSObject();
    } catch (IllegalArgumentException e) {
      throw new IOException(e);
    }
  }
}
