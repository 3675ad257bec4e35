package decant.office.docx;

import decant.format.Format;
import decant.format.FormatService;
import decant.format.Written;
import decant.verify.office.DocxVerifier;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;

/**
 * Templates of Office Open XML text, as they are written; taken in they are documents like others.
 */
public final class DotxFormat implements FormatService {
  static final Format FORMAT =
      new Format(
          "dotx",
          "DOTX",
          Format.Family.TEXT,
          "application/vnd.openxmlformats-officedocument.wordprocessingml.template",
          List.of("dotx"),
          c -> false,
          EnumSet.complementOf(EnumSet.of(Format.Holding.COMMENTS_ON_RUNNING_TEXTS)));

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
    return Optional.of(DotxFormat::write);
  }

  /** Macros would make it a file of another kind; other parts go along. */
  private static Written write(decant.model.Document d, java.io.OutputStream out)
      throws java.io.IOException {
    return DocxFormat.write(
        d.withKeptParts(d.keptParts().stream().filter(k -> !k.name().contains("vba")).toList()),
        true,
        out);
  }

  @Override
  public Optional<Locker> locker() {
    return Optional.of(new PackageLock());
  }

  @Override
  public Optional<Verifier> verifier() {
    return Optional.of(DocxVerifier::verify);
  }
}
