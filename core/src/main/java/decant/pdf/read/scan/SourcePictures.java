package decant.pdf.read.scan;

import decant.model.look.Media;
import decant.picture.Png;
import decant.work.Faults;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.graphics.image.PDImage;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/** The pictures of a file, each read once, within limits. */
final class SourcePictures {
  /** Dots of a black-and-white picture, or of a JPEG that is kept as it is: A0 at 250 an inch. */
  private static final double MAX_DOTS = 100_000_000;

  /** Pixels of a picture; of one with more, only every second or third is read, both ways. */
  private static final double MAX_PIXELS = 40_000_000;

  /** A picture that would have to be thinned out more is not read. */
  private static final int COARSEST = 5;

  /** A picture as it was read, and whether some of it is damaged in the file. */
  record Read(Media media, boolean damaged) {}

  private final Map<COSBase, Read> known = new HashMap<>();

  /** A picture; empty if it cannot be read, or is far too large. */
  Optional<Read> of(PDImage image) {
    COSBase key = image.getCOSObject();
    Read before = known.get(key);
    if (before != null) {
      return Optional.of(before);
    }
    int step = step(image);
    if (step > COARSEST || step > 1 && image.isStencil()) {
      return Optional.empty();
    }
    try {
      Optional<Media> made =
          pixels(image) <= MAX_DOTS && image instanceof PDImageXObject x
              ? jpeg(x)
              : Optional.empty();
      if (made.isEmpty()) {
        BufferedImage pixels =
            image.isStencil()
                ? image.getStencilImage(java.awt.Color.BLACK)
                : image.getImage(null, step);
        made = Optional.of(Png.of(pixels));
      }
      var read = new Read(made.get(), PictureDamage.isIn(image));
      known.put(key, read);
      return Optional.of(read);
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading a picture", e);
      return Optional.empty(); // a finding says so
    }
  }

  /** The bytes of a JPEG as they are, where nothing is laid over them. */
  private static Optional<Media> jpeg(PDImageXObject x) throws IOException {
    COSDictionary d = x.getCOSObject();
    boolean plain =
        d.getDictionaryObject(COSName.FILTER) instanceof COSName n
            && n.equals(COSName.DCT_DECODE)
            && !d.containsKey(COSName.SMASK)
            && !d.containsKey(COSName.MASK)
            && !d.containsKey(COSName.DECODE)
            && x.getColorSpace().getNumberOfComponents() != 4;
    if (!plain) {
      return Optional.empty();
    }
    try (InputStream in = x.createInputStream(List.of(COSName.DCT_DECODE.getName()))) {
      return Optional.of(Media.of("image/jpeg", in.readAllBytes()));
    }
  }

  /** Whether a picture was read with fewer pixels than it has. */
  static boolean isThinned(PDImage image, Media read) {
    return step(image) > 1 && read.type().equals("image/png");
  }

  /** Of how many pixels one is read, both ways. */
  private static int step(PDImage image) {
    double max = image.getBitsPerComponent() == 1 ? MAX_DOTS : MAX_PIXELS;
    return (int) Math.max(1, Math.ceil(Math.sqrt(pixels(image) / max)));
  }

  private static double pixels(PDImage image) {
    return (double) image.getWidth() * image.getHeight();
  }
}
