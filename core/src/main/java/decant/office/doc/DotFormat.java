package decant.office.doc;

import decant.format.Format;
import decant.format.FormatService;
import decant.office.doc.write.DocWriter;
import decant.verify.office.DocVerifier;
import java.util.List;
import java.util.Optional;

/** Templates of binary office documents, which open as new documents (fDot, [MS-DOC] 2.5.2). */
public final class DotFormat implements FormatService {
  static final Format FORMAT =
      new Format(
          "dot",
          "DOT",
          Format.Family.TEXT,
          "application/msword",
          List.of("dot"),
          c -> false,
          DocFormat.HOLDS);

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
    return Optional.of(Writer.alone(DocWriter::writeTemplate));
  }

  @Override
  public Optional<Verifier> verifier() {
    return Optional.of(DocVerifier::verify);
  }
}
