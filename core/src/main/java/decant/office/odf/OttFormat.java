package decant.office.odf;

import decant.format.Format;
import decant.format.FormatService;
import decant.office.odf.write.OdtWriter;
import decant.verify.office.OdtVerifier;
import java.util.List;
import java.util.Optional;

/** Templates of OpenDocument text, as they are written; taken in they are documents like others. */
public final class OttFormat implements FormatService {
  static final Format FORMAT =
      new Format(
          "ott",
          "OTT",
          Format.Family.TEXT,
          "application/vnd.oasis.opendocument.text-template",
          List.of("ott"),
          c -> false,
          OdtFormat.HOLDS);

  @Override
  public Format format() {
    return FORMAT;
  }

  @Override
  public boolean isTemplate() {
    return true;
  }

  @Override
  public Optional<Writer> writer() {
    return Optional.of(Writer.alone(OdtWriter::writeTemplate));
  }

  @Override
  public Optional<Locker> locker() {
    return Optional.of(new OdfPackageLock());
  }

  @Override
  public Optional<Verifier> verifier() {
    return Optional.of(OdtVerifier::verify);
  }
}
