package decant.office.text;

import decant.format.FileContent;
import decant.format.Format;
import decant.format.FormatService;
import decant.verify.office.TextVerifier;
import java.util.List;
import java.util.Optional;
import java.util.Set;

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

  /**
   * Nothing in plain text says that it is that: a file that is called otherwise is more likely
   * another one that went wrong.
   */
  private static final Set<String> OF_TEXT = Set.of("", "txt", "text", "asc", "log", "md", "tsv");

  /** Characters without a mark of any other kind of file. */
  private static boolean knows(FileContent c) {
    String head = c.head();
    boolean wide = head.startsWith("\u00FF\u00FE") || head.startsWith("\u00FE\u00FF");
    String start = head.strip();
    boolean marked = start.startsWith("<") || start.startsWith("{\\rtf") || start.startsWith("%");
    return OF_TEXT.contains(c.extension())
        && !start.isEmpty()
        && !marked
        && !c.isCompound()
        && !c.isZip()
        && (wide || head.chars().allMatch(k -> k >= ' ' && k != 0x7F || k >= '\t' && k <= '\r'));
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
    return Optional.of(TextWriter::write);
  }

  @Override
  public Optional<Verifier> verifier() {
    return Optional.of(TextVerifier::verify);
  }
}
