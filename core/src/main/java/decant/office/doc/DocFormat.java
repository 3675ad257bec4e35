package decant.office.doc;

import decant.format.FileContent;
import decant.format.Format;
import decant.format.FormatService;
import decant.office.doc.write.DocWriter;
import decant.office.source.Untouched;
import decant.office.source.Ways;
import decant.verify.office.DocVerifier;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Binary office documents of 1997 to 2003 ([MS-DOC]). */
public final class DocFormat implements FormatService {
  static final String ID = "doc";

  /** What its files have room for. */
  static final Set<Format.Holding> HOLDS =
      EnumSet.of(
          Format.Holding.LOOKS,
          Format.Holding.PICTURES,
          Format.Holding.RUNNING_TEXTS,
          Format.Holding.COMMENTS);

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
  public Optional<Writer> writer() {
    return Optional.of(UNTOUCHED::write);
  }

  @Override
  public Optional<Verifier> verifier() {
    return Optional.of(UNTOUCHED::verify);
  }
}
