package decant.office.html;

import decant.format.FileContent;
import decant.format.Format;
import decant.format.FormatService;
import decant.verify.office.HtmlVerifier;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

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

  /**
   * What pages begin with (WHATWG MIME Sniffing §7.1), and a space or the end of the tag. From h2
   * on the tags are not of that list: parts of pages that programs hand on begin with them.
   */
  private static final Pattern BEGINS =
      Pattern.compile(
          "<(?:!doctype html|html|head|script|iframe|h1|div|font|table|a|style|title|b|body|br|p"
              + "|h[2-6]|ul|ol|dl|pre|blockquote|center|meta|link|hr|img|span|em|strong|i|u)"
              + "[\\s>].*",
          Pattern.DOTALL);

  private static boolean knows(FileContent c) {
    boolean wide = c.head().matches("(?s)(\u00FF\u00FE|\u00FE\u00FF).*");
    String narrow = wide ? c.head().substring(2).replace("\0", "") : c.head();
    String head = narrow.replaceAll("^[\u00EF\u00BB\u00BF\\s]+", "").toLowerCase(Locale.ROOT);
    boolean later = head.startsWith("<?xml") || head.startsWith("<!--");
    return BEGINS.matcher(head).matches() || later && head.contains("<html");
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
