package decant.office.text;

import decant.format.FileContent;
import decant.format.Format;
import decant.format.FormatService;
import decant.verify.office.TextVerifier;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/** Plain text, which every program reads. */
public final class TextFormat implements FormatService {
  static final String ID = "txt";

  private static final Format FORMAT =
      new Format(
          ID,
          "TXT",
          Format.Family.TEXT,
          "text/plain",
          List.of("txt", "text"),
          TextFormat::knows,
          Set.of());

  /** Markup of some kind: an element that is closed, or what says that it is XML. */
  private static final Pattern MARKUP =
      Pattern.compile("^<(?:\\?xml|!doctype|(\\w[\\w:.-]*)[^<>]*>.*</\\1)", Pattern.DOTALL);

  /** Characters without a mark of any other kind of file. */
  private static boolean knows(FileContent c) {
    String head = c.head();
    String start = head.strip();
    boolean marked =
        start.startsWith("%PDF")
            || start.startsWith("%!")
            || start.startsWith("{\\rtf")
            || MARKUP.matcher(start).find();
    boolean named = c.isCalledText() || c.extension().isEmpty() && !start.isEmpty();
    return named
        && !marked
        && !c.isCompound()
        && !c.isZip()
        && (c.isWide() || head.chars().allMatch(TextFormat::isOfText));
  }

  /** What stands in texts, and in the logs of programs: bells, steps back, colours, other sets. */
  private static boolean isOfText(int c) {
    return c >= ' ' && c != 0x7F || c >= 0x07 && c <= 0x0F || c == 0x1B;
  }

  @Override
  public Format format() {
    return FORMAT;
  }

  @Override
  public Optional<Reader> reader() {
    return Optional.of(TextReader::read);
  }

  @Override
  public Optional<Writer> writer() {
    return Optional.of(Writer.alone(TextWriter::write));
  }

  @Override
  public Optional<Verifier> verifier() {
    return Optional.of(TextVerifier::verify);
  }
}
