package decant.pdf.drawn;

import decant.work.Faults;
import java.io.IOException;
import java.io.OutputStream;
import java.util.Optional;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.graphics.shading.PDShading;
import org.apache.pdfbox.pdmodel.graphics.shading.PDShadingType2;

/**
 * Gradients along a line or between circles (ISO 32000-2 §8.7.4.5.3 and .4), the same in red, green
 * and blue: whatever colours and functions the file names them by, what is cut out needs none of
 * these.
 */
public final class Gradients {
  /** How many places along a gradient are kept; bytes tell no more of its colours apart. */
  private static final int SAMPLES = 256;

  private Gradients() {}

  /** The gradient for a document of its own; empty if it is of another kind or cannot be read. */
  static Optional<COSDictionary> in(PDDocument own, PDShading shading) {
    int type = shading.getShadingType();
    if (type != PDShading.SHADING_TYPE2 && type != PDShading.SHADING_TYPE3
        || !(shading instanceof PDShadingType2 along)
        || shading.getBBox() != null) {
      return Optional.empty();
    }
    try {
      COSArray ends = along.getCoords();
      if (ends == null || ends.size() != (type == PDShading.SHADING_TYPE2 ? 4 : 6)) {
        return Optional.empty();
      }
      var out = new COSDictionary();
      out.setInt(COSName.SHADING_TYPE, type);
      out.setItem(COSName.COLORSPACE, COSName.DEVICERGB);
      out.setItem(COSName.COORDS, numbers(ends.toFloatArray()));
      COSArray extend = along.getExtend();
      if (extend != null) {
        out.setItem(COSName.EXTEND, extend);
      }
      out.setItem(COSName.FUNCTION, colours(own, along));
      return Optional.of(out);
    } catch (IOException | RuntimeException e) {
      Faults.mended("reading a gradient", e); // it is painted instead
      return Optional.empty();
    }
  }

  /** A sampled function (§7.10.2) from 0 to 1. */
  private static COSDictionary colours(PDDocument own, PDShadingType2 along) throws IOException {
    var samples = new byte[SAMPLES * 3];
    for (int k = 0; k < SAMPLES; k++) {
      float[] rgb = at(along, k / (SAMPLES - 1f));
      for (int c = 0; c < 3; c++) {
        samples[3 * k + c] = (byte) Math.clamp(Math.round(rgb[c] * 255), 0, 255);
      }
    }
    var stream = new PDStream(own);
    COSDictionary f = stream.getCOSObject();
    f.setInt(COSName.FUNCTION_TYPE, 0);
    f.setItem(COSName.DOMAIN, numbers(0, 1));
    f.setItem(COSName.RANGE, numbers(0, 1, 0, 1, 0, 1));
    var size = new COSArray();
    size.add(COSInteger.get(SAMPLES));
    f.setItem(COSName.SIZE, size);
    f.setInt(COSName.BITS_PER_SAMPLE, 8);
    try (OutputStream bytes = stream.createOutputStream(COSName.FLATE_DECODE)) {
      bytes.write(samples);
    }
    return f;
  }

  /**
   * The red, green and blue of a gradient, 0 to 1 each.
   *
   * @param share of the way along it, 0 to 1
   * @throws IOException if its colours cannot be read
   */
  public static float[] at(PDShadingType2 along, float share) throws IOException {
    COSArray domain = along.getDomain();
    float[] ends = domain == null ? new float[] {0, 1} : domain.toFloatArray();
    return along.getColorSpace().toRGB(along.evalFunction(ends[0] + (ends[1] - ends[0]) * share));
  }

  private static COSArray numbers(float... values) {
    var out = new COSArray();
    out.setFloatArray(values);
    return out;
  }
}
