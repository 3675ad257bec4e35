package decant.reading;

import decant.model.Document;
import decant.model.finding.Finding;
import decant.text.FontBook;
import decant.words.Words;
import java.util.List;
import java.util.Optional;

/** The findings about fonts in whose place another one is shown. */
public final class ReplacedFonts {
  private static final Words WORDS = Words.of(ReplacedFonts.class);

  private ReplacedFonts() {}

  /** One for each family that text of a document is in and that another one stands in for. */
  public static List<Finding> of(Document d, FontBook book) {
    return FontsUsed.families(d).stream()
        .map(f -> book.serve(f, false, false))
        .flatMap(s -> finding(s).stream())
        .toList();
  }

  /** The finding about a font that is shown in one of the same widths; empty for any other. */
  public static Optional<Finding> sameMetrics(FontBook.Served s) {
    return s.reason() == FontBook.Reason.SAME_METRICS ? finding(s) : Optional.empty();
  }

  private static Optional<Finding> finding(FontBook.Served s) {
    return switch (s.reason()) {
      case SAME, EMBEDDED -> Optional.empty();
      case SAME_METRICS ->
          Optional.of(
              Finding.general(
                  Finding.Kind.FONT_REPLACED,
                  Finding.Severity.NOTE,
                  WORDS.say("replaced-fonts.same-widths", s.asked(), s.face().family())));
      case FALLBACK ->
          Optional.of(
              Finding.general(
                  Finding.Kind.FONT_REPLACED,
                  Finding.Severity.DOUBT,
                  WORDS.say("replaced-fonts.similar", s.asked(), s.face().family())));
    };
  }
}
