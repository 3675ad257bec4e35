package decant.office.odf;

import decant.format.FileContent;
import decant.format.Format;
import decant.format.FormatService;
import decant.format.Written;
import decant.office.odf.write.OdtLedger;
import decant.office.odf.write.OdtWriter;
import decant.office.source.Untouched;
import decant.office.source.Ways;
import decant.office.xml.PackageGlance;
import decant.verify.office.OdtVerifier;
import java.io.IOException;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** OpenDocument text (ODF 1.3, ISO/IEC 26300), and its flat form, which is taken in only. */
public final class OdtFormat implements FormatService {
  static final Set<Format.Holding> HOLDS =
      EnumSet.complementOf(
          EnumSet.of(
              Format.Holding.ATTACHED_FILES,
              Format.Holding.FIELD_RULES,
              Format.Holding.COMMENTS_ON_RUNNING_TEXTS));

  private static final Format FORMAT =
      new Format(
          OdtReader.FORMAT,
          "ODT",
          Format.Family.TEXT,
          "application/vnd.oasis.opendocument.text",
          List.of("odt", "fodt"),
          OdtFormat::knows,
          HOLDS);

  private static final Untouched UNTOUCHED =
      new Untouched(
          new Ways(
              OdtReader.FORMAT,
              request -> OdtReader.read(request).document(),
              OdtWriter::write,
              OdtWriter::draft,
              OdtVerifier::verify),
          GivenOn::isSame,
          GivenOn::isQuiet,
          GivenOn::current,
          GivenOn.WEAVING);

  private static boolean knows(FileContent c) {
    return c.packedMediaType().startsWith("application/vnd.oasis.opendocument.text")
        || c.head().contains("<office:document") && c.head().contains("opendocument.text");
  }

  @Override
  public Format format() {
    return FORMAT;
  }

  @Override
  public Optional<Reader> reader() {
    return Optional.of(OdtReader::read);
  }

  @Override
  public Optional<Format> templates() {
    return Optional.of(OttFormat.FORMAT);
  }

  @Override
  public boolean isTemplate(Path file) throws IOException {
    return PackageGlance.says(file, "mimetype", "-template");
  }

  /** Whether a part of it is encrypted (ODF 1.3-2 §4.4); the manifest says so. */
  @Override
  public boolean isLocked(Path file) throws IOException {
    return PackageGlance.says(file, "META-INF/manifest.xml", "encryption-data");
  }

  @Override
  public Optional<Writer> writer() {
    return Optional.of((d, out) -> Written.of(UNTOUCHED.write(d, out)));
  }

  @Override
  public Optional<LedgerWriter> ledger() {
    return Optional.of(OdtLedger::new);
  }

  @Override
  public Optional<Locker> locker() {
    return Optional.of(new OdfPackageLock());
  }

  @Override
  public Optional<Verifier> verifier() {
    return Optional.of(UNTOUCHED::verify);
  }
}
