package decant.pdf.write.pictures;

import decant.model.look.Media;
import decant.pdf.choices.Compression;
import decant.pdf.choices.Conformance;
import decant.pdf.file.Deflated;
import decant.picture.PixelPicture;
import decant.words.Words;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.Optional;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBoolean;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.graphics.image.CCITTFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/**
 * Stores each picture by its kind: what is JPEG stays the bytes it came as; photographs become JPEG
 * if that is chosen; all else is lossless, in as few bits as its colours need; and nothing becomes
 * larger than it came.
 */
public final class PictureMaker {
  private static final Words WORDS = Words.of(PictureMaker.class);

  /** JPEG that has to be made smaller keeps this quality where no other is chosen. */
  private static final int USUAL_QUALITY = 85;

  /** A picture a little above the limit is not worth a second loss. */
  private static final double SLACK = 1.15;

  private final Compression compression;
  private final Conformance conformance;

  public PictureMaker(Compression compression, Conformance conformance) {
    this.compression = compression;
    this.conformance = conformance;
  }

  /**
   * An image for a file; empty if it is of a kind that cannot be decoded.
   *
   * @param width the largest width that it is placed in, in points
   */
  public Optional<PictureInFile> image(Media m, double width, double height) throws IOException {
    Optional<Jpeg> jpeg = Jpeg.of(m.bytes());
    if (jpeg.isPresent() && passes(jpeg.get())) {
      PictureInFile asItCame = passed(m.bytes(), jpeg.get());
      if (!tooFine(jpeg.get().width(), jpeg.get().height(), width, height)) {
        return Optional.of(asItCame);
      }
      return Optional.of(coarser(m, width, height, asItCame));
    }
    BufferedImage image = PixelPicture.decode(m.bytes()).orElse(null);
    if (image == null) {
      return jpeg.isPresent() ? Optional.of(passed(m.bytes(), jpeg.get())) : Optional.empty();
    }
    Optional<PictureInFile> untouched = PngPassing.of(m.bytes(), conformance).map(this::finished);
    PictureInFile best = made(Raster.of(image), jpeg.isPresent());
    // The bytes of a PNG can serve as they are: then they do, if they are no more.
    if (untouched.isPresent() && size(untouched.get()) <= size(best)) {
      best = untouched.get();
    }
    if (tooFine(image.getWidth(), image.getHeight(), width, height)) {
      PictureInFile coarse = made(Raster.of(limited(image, width, height)), jpeg.isPresent());
      // Line art may take more room with fewer pixels, since its edges turn into shades.
      best = size(coarse) < size(best) ? coarse : best;
    }
    return Optional.of(best);
  }

  /** Pictures of four inks have no place where all colour is measured by the screen's. */
  private boolean passes(Jpeg j) {
    return j.bits() == 8 && (j.components() != 4 || !conformance.isArchive());
  }

  private boolean tooFine(int pixels, int rows, double width, double height) {
    double limit = compression.resolution() * SLACK;
    return compression.resolution() > 0
        && pixels / Math.max(0.1, width) * 72 > limit
        && rows / Math.max(0.1, height) * 72 > limit;
  }

  private BufferedImage limited(BufferedImage image, double width, double height) {
    int w = Math.max(1, (int) Math.ceil(width / 72 * compression.resolution()));
    int h = Math.max(1, (int) Math.ceil(height / 72 * compression.resolution()));
    return Raster.scaled(image, Math.min(w, image.getWidth()), Math.min(h, image.getHeight()));
  }

  private PictureInFile coarser(Media m, double width, double height, PictureInFile asItCame)
      throws IOException {
    BufferedImage image = PixelPicture.decode(m.bytes()).orElse(null);
    if (image == null) {
      return asItCame;
    }
    PictureInFile made = made(Raster.of(limited(image, width, height)), true);
    return size(made) < size(asItCame) ? made : asItCame;
  }

  private PictureInFile passed(byte[] bytes, Jpeg j) throws IOException {
    COSStream s = Deflated.raw(bytes);
    s.setItem(COSName.FILTER, COSName.DCT_DECODE);
    COSName space =
        switch (j.components()) {
          case 1 -> COSName.DEVICEGRAY;
          case 3 -> COSName.DEVICERGB;
          default -> COSName.DEVICECMYK;
        };
    head(s, j.width(), j.height(), space, j.bits());
    if (j.components() == 4 && j.adobe()) {
      COSArray inverted = new COSArray();
      for (int k = 0; k < 4; k++) {
        inverted.add(COSInteger.ONE);
        inverted.add(COSInteger.ZERO);
      }
      s.setItem(COSName.DECODE, inverted);
    }
    return finished(PictureInFile.image(s, WORDS.say("picture-maker.as-it-came-jpeg")));
  }

  private static int size(PictureInFile p) throws IOException {
    int n = (int) p.stream().getLength();
    return p.stream().getDictionaryObject(COSName.SMASK) instanceof COSStream mask
        ? n + (int) mask.getLength()
        : n;
  }

  /** The smallest of what may be made of some pixels. */
  private PictureInFile made(Raster given, boolean lossyAlready) throws IOException {
    Raster r = conformance.standard().part() == 1 ? given.onWhite() : given;
    PictureInFile best = lossless(r);
    int quality =
        compression.photographQuality() > 0
            ? compression.photographQuality()
            : lossyAlready ? USUAL_QUALITY : 0;
    if (quality > 0 && (lossyAlready || r.photographic())) {
      PictureInFile lossy = photograph(r, quality);
      best = lossyAlready || size(lossy) < size(best) ? lossy : best;
    }
    if (!r.opaque()) {
      COSStream mask =
          Deflated.raw(Deflated.bytes(PngRows.filtered(r.alpha(), r.width(), 1), effort()));
      predicted(mask, r.width(), 1, 8);
      head(mask, r.width(), r.height(), COSName.DEVICEGRAY, 8);
      best.stream().setItem(COSName.SMASK, finished(PictureInFile.image(mask, "")).stream());
    }
    return finished(best);
  }

  private PictureInFile photograph(Raster r, int quality) throws IOException {
    boolean grey = compression.greyWhereColourless() && r.colourless();
    COSStream s = Deflated.raw(Jpeg.encode(grey ? r.grey() : r.image(), quality));
    s.setItem(COSName.FILTER, COSName.DCT_DECODE);
    head(s, r.width(), r.height(), grey ? COSName.DEVICEGRAY : COSName.DEVICERGB, 8);
    return PictureInFile.image(
        s, WORDS.say("picture-maker.jpeg-quality", quality, (grey ? ", grey" : "")));
  }

  private int effort() {
    return compression.effort().level();
  }

  private PictureInFile lossless(Raster r) throws IOException {
    int[] palette = r.palette();
    boolean colourless = r.colourless();
    boolean blackAndWhite =
        palette.length > 0 && palette.length <= 2 && colourless && pure(palette);
    if (blackAndWhite && compression.faxForOneBit()) {
      return fax(r);
    }
    if (blackAndWhite) {
      return packed(
          r, p -> p & 1, 1, COSName.DEVICEGRAY, WORDS.say("picture-maker.one-bit-lossless"));
    }
    boolean grey = colourless && compression.greyWhereColourless();
    PictureInFile best =
        grey
            ? samples(r, true, COSName.DEVICEGRAY, WORDS.say("picture-maker.grey-lossless"))
            : samples(r, false, COSName.DEVICERGB, "lossless");
    if (palette.length > 0 && palette.length <= 256 && r.rgb().length > 64) {
      PictureInFile indexed = indexed(r, palette);
      best = size(indexed) <= size(best) ? indexed : best;
    }
    return best;
  }

  private static boolean pure(int[] palette) {
    for (int c : palette) {
      if (c != 0 && c != 0xFFFFFF) {
        return false;
      }
    }
    return true;
  }

  /** ITU-T T.6. */
  private PictureInFile fax(Raster r) throws IOException {
    var image = new BufferedImage(r.width(), r.height(), BufferedImage.TYPE_BYTE_BINARY);
    image.setRGB(0, 0, r.width(), r.height(), opaque(r.rgb()), 0, r.width());
    try (PDDocument scratch = new PDDocument()) {
      PDImageXObject x = CCITTFactory.createFromImage(scratch, image);
      COSStream from = x.getCOSObject();
      COSStream s;
      try (var in = from.createRawInputStream()) {
        s = Deflated.raw(in.readAllBytes());
      }
      from.entrySet().forEach(e -> s.setItem(e.getKey(), e.getValue()));
      PictureInFile flat =
          packed(r, p -> p & 1, 1, COSName.DEVICEGRAY, WORDS.say("picture-maker.one-bit-lossless"));
      PictureInFile faxed =
          PictureInFile.image(s, WORDS.say("picture-maker.one-bit-ccitt-group-4"));
      return size(faxed) <= size(flat) ? faxed : flat;
    }
  }

  private static int[] opaque(int[] rgb) {
    int[] out = new int[rgb.length];
    for (int k = 0; k < out.length; k++) {
      out[k] = rgb[k] | 0xFF000000;
    }
    return out;
  }

  private PictureInFile samples(Raster r, boolean grey, COSName space, String how)
      throws IOException {
    int channels = grey ? 1 : 3;
    byte[] plain = new byte[r.rgb().length * channels];
    for (int k = 0; k < r.rgb().length; k++) {
      int p = r.rgb()[k];
      if (grey) {
        plain[k] = (byte) p;
      } else {
        plain[3 * k] = (byte) (p >> 16);
        plain[3 * k + 1] = (byte) (p >> 8);
        plain[3 * k + 2] = (byte) p;
      }
    }
    byte[] bare = Deflated.bytes(plain, effort());
    byte[] filtered =
        Deflated.bytes(PngRows.filtered(plain, r.width() * channels, channels), effort());
    COSStream s = Deflated.raw(filtered.length < bare.length ? filtered : bare);
    if (filtered.length < bare.length) {
      predicted(s, r.width(), channels, 8);
    } else {
      s.setItem(COSName.FILTER, COSName.FLATE_DECODE);
    }
    head(s, r.width(), r.height(), space, 8);
    return PictureInFile.image(s, how);
  }

  private PictureInFile indexed(Raster r, int[] palette) throws IOException {
    var at = new java.util.HashMap<Integer, Integer>();
    byte[] table = new byte[palette.length * 3];
    for (int k = 0; k < palette.length; k++) {
      at.put(palette[k], k);
      table[3 * k] = (byte) (palette[k] >> 16);
      table[3 * k + 1] = (byte) (palette[k] >> 8);
      table[3 * k + 2] = (byte) palette[k];
    }
    int bits = palette.length <= 2 ? 1 : palette.length <= 4 ? 2 : palette.length <= 16 ? 4 : 8;
    PictureInFile p =
        packed(
            r,
            c -> at.getOrDefault(c, 0),
            bits,
            COSName.DEVICEGRAY,
            WORDS.say("picture-maker.colours-lossless", palette.length));
    COSArray space = new COSArray();
    space.add(COSName.INDEXED);
    space.add(COSName.DEVICERGB);
    space.add(COSInteger.get(palette.length - 1));
    space.add(new COSString(table));
    p.stream().setItem(COSName.COLORSPACE, space);
    return p;
  }

  private PictureInFile packed(
      Raster r, java.util.function.IntUnaryOperator value, int bits, COSName space, String how)
      throws IOException {
    int row = (r.width() * bits + 7) / 8;
    byte[] plain = new byte[row * r.height()];
    for (int y = 0; y < r.height(); y++) {
      for (int x = 0; x < r.width(); x++) {
        int v = value.applyAsInt(r.rgb()[y * r.width() + x]);
        int bit = x * bits;
        plain[y * row + bit / 8] |= (byte) (v << 8 - bits - bit % 8);
      }
    }
    COSStream s = Deflated.raw(Deflated.bytes(plain, effort()));
    s.setItem(COSName.FILTER, COSName.FLATE_DECODE);
    head(s, r.width(), r.height(), space, bits);
    return PictureInFile.image(s, how);
  }

  private static void head(COSStream s, int width, int height, COSName space, int bits) {
    s.setInt(COSName.WIDTH, width);
    s.setInt(COSName.HEIGHT, height);
    s.setItem(COSName.COLORSPACE, space);
    s.setInt(COSName.BITS_PER_COMPONENT, bits);
  }

  static void predicted(COSStream s, int columns, int colours, int bits) {
    s.setItem(COSName.FILTER, COSName.FLATE_DECODE);
    COSDictionary parameters = new COSDictionary();
    parameters.setInt(COSName.PREDICTOR, 15);
    parameters.setInt(COSName.COLUMNS, columns);
    parameters.setInt(COSName.COLORS, colours);
    parameters.setInt(COSName.BITS_PER_COMPONENT, bits);
    s.setItem(COSName.DECODE_PARMS, parameters);
  }

  private PictureInFile finished(PictureInFile p) {
    COSStream s = p.stream();
    s.setItem(COSName.TYPE, COSName.XOBJECT);
    s.setItem(COSName.SUBTYPE, COSName.IMAGE);
    if (conformance.isArchive()) {
      s.removeItem(COSName.INTERPOLATE); // ISO 19005-2 §6.2.8.1
    } else {
      // Smooth where it is enlarged, as it was on screen.
      s.setItem(COSName.INTERPOLATE, COSBoolean.TRUE);
    }
    return p;
  }
}
