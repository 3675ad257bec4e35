package decant.pdf.choices;

import decant.words.Words;

/**
 * How heavy the file is.
 *
 * @param effort of the compression of text, drawing and lossless pictures
 * @param objectStreams whether small objects are compressed together (ISO 32000-2 §7.5.7), where
 *     the version has it
 * @param photographQuality quality, 1 to 100, of the JPEG that lossless photographs become; 0 keeps
 *     them as they are
 * @param resolution the most dots an inch that a picture keeps at the size it is placed in; 0 for
 *     no limit
 * @param greyWhereColourless whether pictures without colour are stored in grey
 * @param faxForOneBit whether pictures of two tones are stored as CCITT group 4 (ITU-T T.6)
 */
public record Compression(
    Effort effort,
    boolean objectStreams,
    int photographQuality,
    int resolution,
    boolean greyWhereColourless,
    boolean faxForOneBit)
    implements PdfSetting {
  private static final Words WORDS = Words.of(Compression.class);

  public static final Compression DEFAULT = new Compression(Effort.MEDIUM, true, 0, 0, true, true);

  /** Of the deflate compression (RFC 1951). */
  public enum Effort {
    LITTLE(1, "compression.fast"),
    MEDIUM(6, "compression.medium"),
    MOST(9, "compression.smallest");

    private final int level;
    private final String label;

    Effort(int level, String label) {
      this.level = level;
      this.label = label;
    }

    /** As zlib counts it, 1 to 9. */
    public int level() {
      return level;
    }

    public String label() {
      return WORDS.say(label);
    }
  }

  /** This with other choices about pictures. */
  public Compression with(int quality, int dotsAnInch) {
    return new Compression(
        effort, objectStreams, quality, dotsAnInch, greyWhereColourless, faxForOneBit);
  }

  public Compression {
    if (photographQuality < 0 || photographQuality > 100) {
      throw new IllegalArgumentException(
          WORDS.say("compression.the-quality-of-photographs-is", photographQuality));
    }
    if (resolution != 0 && (resolution < 36 || resolution > 2400)) {
      throw new IllegalArgumentException(
          WORDS.say("compression.the-resolution-of-pictures-is", resolution));
    }
  }
}
