package decant.office.html;

import decant.format.FileContent;
import decant.format.Format;
import decant.format.FormatService;
import decant.verify.office.HtmlVerifier;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** HTML (the WHATWG's living standard). */
public final class HtmlFormat implements FormatService {
  static final String ID = "html";

  private static final Format FORMAT =
      new Format(
          ID,
          "HTML",
          Format.Family.TEXT,
          "text/html",
          List.of("html", "htm", "xhtml"),
          HtmlFormat::knows,
          EnumSet.of(Format.Holding.LOOKS, Format.Holding.PICTURES));

  private static boolean knows(FileContent c) {
    String head = c.head().replaceAll("^[\u00EF\u00BB\u00BF\\s]+", "").toLowerCase(Locale.ROOT);
    return head.startsWith("<!doctype html")
        || head.startsWith("<html")
        || head.startsWith("<?xml") && head.contains("<html");
  }

  @Override
  public Format format() {
    return FORMAT;
  }

  @Override
  public Optional<Reader> reader() {
    return Optional.of(HtmlFile::read);
  }

  @Override
  public Optional<Writer> writer() {
    return Optional.of(HtmlFile::write);
  }

  @Override
  public Optional<Verifier> verifier() {
    return Optional.of(HtmlVerifier::verify);
  }
}
