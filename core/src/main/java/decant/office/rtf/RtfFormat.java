package decant.office.rtf;

import decant.format.Format;
import decant.format.FormatService;
import decant.format.Written;
import decant.office.rtf.read.RtfPasted;
import decant.office.source.Untouched;
import decant.office.source.Ways;
import decant.verify.office.RtfVerifier;
import java.nio.charset.StandardCharsets;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

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
              Format.Holding.PLACES,
              Format.Holding.PICTURES,
              Format.Holding.RUNNING_TEXTS,
              Format.Holding.COMMENTS,
              Format.Holding.COMMENTS_BESIDE,
              Format.Holding.COMMENTS_ON_RUNNING_TEXTS,
              Format.Holding.PENDING_CHANGES,
              Format.Holding.FORM_FIELDS,
              Format.Holding.FIELD_RULES,
              Format.Holding.HIDDEN_TEXT));

  /** Objects, fields that fetch, templates ([RTF] 1.9.1): what other programs may act upon. */
  private static final Pattern ACTS =
      Pattern.compile(
          "\\\\(?:objdata|objlink|objautlink|objocx|template|linkself|htmlrtf)\\b"
              + "|\\b(?:DDE|DDEAUTO|IMPORT|INCLUDE|INCLUDEPICTURE|INCLUDETEXT|LINK|DATABASE)\\s+[\\\\\"\\w]",
          Pattern.CASE_INSENSITIVE);

  private static final Pattern WRITTEN = Pattern.compile("\\{\\\\revtim[^}]*\\}");

  private static final Untouched UNTOUCHED =
      new Untouched(
          new Ways(
              ID,
              request -> RtfFile.read(request).document(),
              RtfWriter::write,
              RtfVerifier::verify),
          RtfFormat::isSame,
          file -> !ACTS.matcher(new String(file, StandardCharsets.ISO_8859_1)).find(),
          file -> file,
          Untouched.Weaving.NONE);

  /** Whether two files that we wrote hold the same, whenever they were written. */
  static boolean isSame(byte[] one, byte[] other) {
    return undated(one).equals(undated(other));
  }

  private static String undated(byte[] file) {
    return WRITTEN.matcher(new String(file, StandardCharsets.ISO_8859_1)).replaceFirst("");
  }

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
    return Optional.of((d, out) -> Written.of(UNTOUCHED.write(d, out)));
  }

  @Override
  public Optional<Paste> paste() {
    return Optional.of(RtfPasted::read);
  }

  @Override
  public Optional<Verifier> verifier() {
    return Optional.of(UNTOUCHED::verify);
  }
}
