package decant.office.doc;

import decant.format.FileContent;
import decant.format.Format;
import decant.format.FormatService;
import decant.format.Written;
import decant.office.doc.write.DocWriter;
import decant.office.source.Untouched;
import decant.office.source.Ways;
import decant.verify.office.DocVerifier;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;

/** Binary office documents of 1997 to 2003 ([MS-DOC]). */
public final class DocFormat implements FormatService {
  static final String ID = "doc";

  /** What its files have room for. */
  static final Set<Format.Holding> HOLDS =
      EnumSet.of(
          Format.Holding.LOOKS,
          Format.Holding.PLACES,
          Format.Holding.PICTURES,
          Format.Holding.RUNNING_TEXTS,
          Format.Holding.COMMENTS,
          Format.Holding.PENDING_CHANGES,
          Format.Holding.FORM_FIELDS,
          Format.Holding.FIELD_RULES,
          Format.Holding.HIDDEN_TEXT);

  private static final Format FORMAT =
      new Format(
          ID,
          "DOC",
          Format.Family.TEXT,
          "application/msword",
          List.of("doc"),
          DocFormat::knows,
          HOLDS);

  private static final Untouched UNTOUCHED =
      new Untouched(
          new Ways(
              ID,
              request -> DocReader.read(request).document(),
              DocWriter::write,
              DocVerifier::verify),
          GivenOn::isSame,
          GivenOn::isQuiet,
          GivenOn::document,
          Untouched.Weaving.NONE);

  private static final int FLAGS = 10;
  private static final int TEMPLATE = 0x0001; // fDot
  private static final int ENCRYPTED = 0x0100; // fEncrypted

  private static boolean knows(FileContent c) {
    // A damaged one too, so that the reader says what is wrong with it.
    return c.hasStream("WordDocument") || c.isDamagedCompound();
  }

  @Override
  public Format format() {
    return FORMAT;
  }

  @Override
  public Optional<Reader> reader() {
    return Optional.of(DocReader::read);
  }

  @Override
  public Optional<Format> templates() {
    return Optional.of(DotFormat.FORMAT);
  }

  @Override
  public boolean isTemplate(Path file) throws IOException {
    return (flags(file) & TEMPLATE) != 0;
  }

  @Override
  public boolean isLocked(Path file) throws IOException {
    return (flags(file) & ENCRYPTED) != 0;
  }

  /** The bits of the file's head ([MS-DOC] 2.5.2, from the tenth byte); none if it is damaged. */
  private static int flags(Path file) throws IOException {
    try (var compound = new POIFSFileSystem(file.toFile(), true);
        InputStream in = compound.createDocumentInputStream("WordDocument")) {
      byte[] head = in.readNBytes(FLAGS + 2);
      return head.length < FLAGS + 2
          ? 0
          : head[FLAGS] & 0xFF | (head[FLAGS + 1] & 0xFF) << Byte.SIZE;
    } catch (java.nio.file.FileSystemException e) {
      throw e;
    } catch (IOException | RuntimeException e) {
      return 0;
    }
  }

  @Override
  public Optional<Writer> writer() {
    return Optional.of((d, out) -> Written.of(UNTOUCHED.write(d, out)));
  }

  @Override
  public Optional<Verifier> verifier() {
    return Optional.of(UNTOUCHED::verify);
  }
}
