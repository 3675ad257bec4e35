package decant.office.rtf;

import decant.format.Format;
import decant.format.FormatService;
import decant.office.rtf.read.RtfReader;
import decant.verify.office.RtfVerifier;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;

/** Rich Text Format 1.9.1, which office programs of every age read. */
public final class RtfFormat implements FormatService {
  static final String ID = "rtf";

  private static final Format FORMAT =
      new Format(
          ID,
          "RTF",
          Format.Family.TEXT,
          "application/rtf",
          List.of("rtf"),
          c -> c.head().startsWith("{\\rtf"),
          EnumSet.of(
              Format.Holding.LOOKS,
              Format.Holding.PICTURES,
              Format.Holding.RUNNING_TEXTS,
              Format.Holding.COMMENTS));

  @Override
  public Format format() {
    return FORMAT;
  }

  @Override
  public Optional<Reader> reader() {
    return Optional.of(RtfFile::read);
  }

  @Override
  public Optional<Writer> writer() {
    return Optional.of(RtfWriter::write);
  }

  @Override
  public Optional<Paste> paste() {
    return Optional.of(RtfReader::read);
  }

  @Override
  public Optional<Verifier> verifier() {
    return Optional.of(RtfVerifier::verify);
  }
}
