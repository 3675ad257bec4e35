package decant.pdf.amend;

import decant.pdf.amend.line.FontsOfFile;
import decant.pdf.amend.line.PageLetters;
import decant.pdf.amend.line.Rows;
import decant.pdf.read.OpenedPdf;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.words.Words;
import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;

/**
 * Reads a changed file back and holds it against what was there before: the new words are there,
 * the old ones are not, no letter of others is lost, and pages without changes are what they were,
 * byte by byte.
 */
public final class AmendCheck {
  private static final Words WORDS = Words.of(AmendCheck.class);

  private final FileBefore was;
  private final PDDocument is;
  private final List<Replacement> all;
  private final Amended amended;
  private final FontsOfFile fonts = new FontsOfFile();

  /** How many of each letter there are to be more, or less, on all pages that were changed. */
  private final Map<Integer, Integer> letters = new HashMap<>();

  /** How many places were changed, as far as the pages tell. */
  private long places;

  private boolean spoken;

  private AmendCheck(FileBefore was, PDDocument is, List<Replacement> all, Amended amended) {
    this.was = was;
    this.is = is;
    this.all = all;
    this.amended = amended;
  }

  /**
   * @param was the file before
   * @param written the file as it was written
   * @return what is wrong with it, in the person's words; empty if nothing is
   * @throws ReadProblem if it cannot be read back
   */
  public static Optional<String> problem(
      FileBefore was, ReadRequest written, List<Replacement> all, Amended amended)
      throws ReadProblem {
    return OpenedPdf.in(
        written, after -> new AmendCheck(was, after, all, amended).problem(written));
  }

  private Optional<String> problem(ReadRequest request) throws ReadProblem, IOException {
    if (was.contents().size() != is.getNumberOfPages()) {
      return Optional.of(WORDS.say("amend-check.pages"));
    }
    int k = 0;
    for (PDPage page : is.getPages()) {
      request.checkpoint();
      SaidOnPage before = was.said().get(k);
      Optional<String> wrong = before == null ? same(page, k) : words(page, k, before);
      if (wrong.isPresent()) {
        return wrong;
      }
      k++;
    }
    // Where replacements share words, places cannot be told apart by counting.
    boolean told = places == amended.changed() && !spoken;
    boolean kept = letters.values().stream().allMatch(n -> n == 0);
    return told && !kept ? Optional.of(WORDS.say("amend-check.letters")) : Optional.empty();
  }

  private Optional<String> same(PDPage page, int k) throws IOException {
    return FileBefore.content(page).equals(was.contents().get(k))
        ? Optional.empty()
        : Optional.of(WORDS.say("amend-check.moved", k + 1));
  }

  private Optional<String> words(PDPage page, int k, SaidOnPage before) {
    SaidOnPage after = SaidOnPage.of(Rows.of(PageLetters.of(page, fonts).letters()), all);
    before.letters().forEach((c, n) -> letters.merge(c, n, Integer::sum));
    after.letters().forEach((c, n) -> letters.merge(c, -n, Integer::sum));
    spoken |= before.spoken() || after.spoken();
    for (int n = 0; n < all.size(); n++) {
      Replacement r = all.get(n);
      long left =
          amended.left().stream()
              .filter(l -> l.page() == k + 1 && l.text().equals(r.words()) && l.reason().isOnPage())
              .count();
      int had = before.old().get(n);
      int has = after.old().get(n);
      places += had - left;
      SaidOnPage.count(r.with(), had - left, letters);
      SaidOnPage.count(r.words(), left - had, letters);
      boolean comesAgain = all.stream().anyMatch(o -> says(o.with(), r.words()));
      if (has > left && !comesAgain) {
        return Optional.of(WORDS.say("amend-check.left-over", k + 1, r.words()));
      }
      boolean goes = all.stream().anyMatch(o -> says(o.words(), r.with()));
      boolean parts = all.stream().anyMatch(o -> o != r && says(r.words(), o.words()));
      boolean enough = after.fresh().get(n) >= before.fresh().get(n) + had - left;
      if (!r.with().isBlank() && !goes && !parts && !enough) {
        return Optional.of(WORDS.say("amend-check.missing", k + 1, r.with()));
      }
    }
    return Optional.empty();
  }

  /** Whether words stand among others. */
  private static boolean says(String all, String some) {
    return !some.isBlank()
        && (" " + all.replaceAll("[^\\p{L}\\p{N}]+", " ") + " ")
            .contains(" " + some.replaceAll("[^\\p{L}\\p{N}]+", " ").strip() + " ");
  }
}
