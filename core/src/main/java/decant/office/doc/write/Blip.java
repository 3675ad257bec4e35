package decant.office.doc.write;

import decant.model.look.Media;
import decant.office.emit.StorablePicture;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.Optional;
import java.util.zip.DeflaterOutputStream;

/**
 * A picture as the format holds it ([MS-ODRAW] 2.2.23).
 *
 * @param kind of picture, as an entry of the store of pictures names it (§2.4.1)
 * @param uid by which equal pictures are known; only has to differ from picture to picture
 * @param record the whole record
 */
record Blip(int kind, byte[] uid, Bytes record) {
  private static final int EMF = 2;
  private static final int WMF = 3;
  private static final int JPEG = 5;
  private static final int PNG = 6;
  private static final int PLACEABLE = 22; // bytes of the head that metafiles have only as files

  /**
   * @param width as shown, in points
   * @return empty for pictures that cannot be written
   */
  static Optional<Blip> of(Media original, double width, double height) {
    Media m = StorablePicture.of(original, width, height, Blip::holds);
    byte[] b = m.bytes();
    return switch (kind(m)) {
      case PNG -> Optional.of(bitmap(PNG, 0x6E0, 0xF01E, b));
      case JPEG -> Optional.of(bitmap(JPEG, 0x46A, 0xF01D, b));
      case EMF -> Optional.of(metafile(EMF, 0x3D4, 0xF01A, b, width, height));
      case WMF -> Optional.of(metafile(WMF, 0x216, 0xF01B, bare(b), width, height));
      default -> Optional.empty();
    };
  }

  private static int kind(Media m) {
    return switch (m.type()) {
      case "image/png" -> PNG;
      case "image/jpeg", "image/jpg" -> JPEG;
      case "image/x-emf", "image/emf" -> EMF;
      case "image/x-wmf", "image/wmf" -> WMF;
      default -> 0;
    };
  }

  private static boolean holds(Media m) {
    boolean zipped = m.bytes().length > 1 && m.bytes()[0] == 0x1F && (m.bytes()[1] & 0xFF) == 0x8B;
    return kind(m) != 0 && !zipped;
  }

  private static byte[] bare(byte[] b) {
    boolean placeable =
        b.length > PLACEABLE
            && (b[0] & 0xFF) == 0xD7
            && (b[1] & 0xFF) == 0xCD
            && (b[3] & 0xFF) == 0x9A;
    return placeable ? Arrays.copyOfRange(b, PLACEABLE, b.length) : b;
  }

  private static Blip bitmap(int kind, int instance, int type, byte[] b) {
    byte[] uid = uid(b);
    return new Blip(
        kind, uid, ArtRecord.of(0, instance, type, new Bytes().add(uid).u8(0xFF).add(b)));
  }

  /** A metafile is packed, and says how large it is (OfficeArtMetafileHeader, §2.2.31). */
  private static Blip metafile(
      int kind, int instance, int type, byte[] b, double width, double height) {
    byte[] uid = uid(b);
    byte[] packed = packed(b);
    long w = Math.round(width * 12_700);
    long h = Math.round(height * 12_700);
    var body =
        new Bytes()
            .add(uid)
            .u32(b.length)
            .u32(0)
            .u32(0)
            .u32(w / 360)
            .u32(h / 360)
            .u32(w)
            .u32(h)
            .u32(packed.length)
            .u8(0)
            .u8(0xFE)
            .add(packed);
    return new Blip(kind, uid, ArtRecord.of(0, instance, type, body));
  }

  private static byte[] packed(byte[] b) {
    var out = new ByteArrayOutputStream();
    try (var deflater = new DeflaterOutputStream(out)) {
      deflater.write(b);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  private static byte[] uid(byte[] b) {
    try {
      return MessageDigest.getInstance("MD5").digest(b);
    } catch (NoSuchAlgorithmException e) {
      throw new AssertionError("every Java runtime has MD5", e);
    }
  }

  /**
   * What the store of pictures says of it (OfficeArtFBSE, §2.2.32).
   *
   * @param at where its record stands in the stream of the text; -1 where it follows at once
   */
  Bytes entry(int at) {
    var body =
        new Bytes()
            .u8(kind)
            .u8(kind == EMF || kind == WMF ? 4 : kind)
            .add(uid)
            .u16(0xFF)
            .u32(record.size())
            .u32(1)
            .u32(at < 0 ? 0 : at)
            .u32(0);
    if (at < 0) {
      body.add(record.array());
    }
    return ArtRecord.of(2, kind, ArtRecord.BLIP_ENTRY, body);
  }
}
