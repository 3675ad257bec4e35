package decant.pdf.amend;

import decant.pdf.amend.line.FontsOfFile;
import decant.pdf.amend.line.Letter;
import decant.pdf.amend.line.PageLetters;
import decant.pdf.amend.line.Plain;
import decant.pdf.amend.line.Row;
import decant.pdf.amend.line.Rows;
import decant.pdf.amend.line.Search;
import decant.pdf.amend.page.PageStreams;
import decant.pdf.read.OpenedPdf;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.words.Words;
import java.io.IOException;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;

/**
 * Reads a changed file back and holds it against the one it was made from: the new words are there,
 * the old ones are not, and pages without changes are what they were, byte by byte.
 */
public final class AmendCheck {
  private static final Words WORDS = Words.of(AmendCheck.class);

  private final PDDocument was;
  private final PDDocument is;
  private final List<Replacement> all;
  private final Amended amended;
  private final Set<Integer> touched;
  private final FontsOfFile fontsBefore = new FontsOfFile();
  private final FontsOfFile fontsAfter = new FontsOfFile();

  private AmendCheck(
      PDDocument was, PDDocument is, List<Replacement> all, Amended amended, Set<Integer> touched) {
    this.was = was;
    this.is = is;
    this.all = all;
    this.amended = amended;
    this.touched = touched;
  }

  /**
   * @param was as the file was before
   * @param is the same with the file as it was written
   * @param touched the pages that were changed, from 0
   * @return what is wrong with it, in the person's words; empty if nothing is
   * @throws ReadProblem if it cannot be read back
   */
  public static Optional<String> problem(
      ReadRequest was, ReadRequest is, List<Replacement> all, Amended amended, Set<Integer> touched)
      throws ReadProblem {
    return OpenedPdf.in(
        was,
        before ->
            OpenedPdf.in(
                is, after -> new AmendCheck(before, after, all, amended, touched).problem(was)));
  }

  /** How many of each letter there are to be more, or less, on all pages that were changed. */
  private final Map<Integer, Integer> letters = new HashMap<>();

  /** How many places were changed, as far as the pages tell. */
  private long places;

  /** Whether marks say what letters do not: a change takes away what they say. */
  private boolean spoken;

  private Optional<String> problem(ReadRequest request) throws ReadProblem, IOException {
    if (was.getNumberOfPages() != is.getNumberOfPages()) {
      return Optional.of(WORDS.say("amend-check.pages"));
    }
    for (int k = 0; k < was.getNumberOfPages(); k++) {
      request.checkpoint();
      Optional<String> wrong = touched.contains(k) ? words(k) : same(k);
      if (wrong.isPresent()) {
        return wrong;
      }
    }
    // Where replacements share words, places cannot be told apart by counting.
    boolean told = places == amended.changed() && !spoken;
    boolean kept = letters.values().stream().allMatch(n -> n == 0);
    return told && !kept ? Optional.of(WORDS.say("amend-check.letters")) : Optional.empty();
  }

  private void count(List<Row> rows, int sign) {
    for (Row r : rows) {
      for (Letter l : r.letters()) {
        count(l.text, sign);
        spoken |= l.show.spoken.isPresent();
      }
    }
  }

  /** Hyphens come and go with the ends of lines. */
  private void count(String text, long times) {
    Plain.of(text)
        .codePoints()
        .filter(c -> !Character.isWhitespace(c) && c != '-' && c != 0xAD)
        .forEach(c -> letters.merge(c, (int) times, Integer::sum));
  }

  private Optional<String> same(int k) throws IOException {
    List<COSStream> before = PageStreams.contentsOf(was.getPage(k));
    List<COSStream> after = PageStreams.contentsOf(is.getPage(k));
    boolean same = before.size() == after.size();
    for (int s = 0; same && s < before.size(); s++) {
      try (var a = before.get(s).createRawInputStream();
          var b = after.get(s).createRawInputStream()) {
        same = Arrays.equals(a.readAllBytes(), b.readAllBytes());
      }
    }
    return same ? Optional.empty() : Optional.of(WORDS.say("amend-check.moved", k + 1));
  }

  private Optional<String> words(int k) {
    List<Row> before = rows(was.getPage(k), fontsBefore);
    List<Row> after = rows(is.getPage(k), fontsAfter);
    count(before, 1);
    count(after, -1);
    for (Replacement r : all) {
      long left =
          amended.left().stream()
              .filter(l -> l.page() == k + 1 && l.text().equals(r.words()) && l.reason().isOnPage())
              .count();
      int had = Search.in(before, r.words()).size();
      int has = Search.in(after, r.words()).size();
      places += had - left;
      count(r.with(), had - left);
      count(r.words(), left - had);
      boolean comesAgain = all.stream().anyMatch(o -> says(o.with(), r.words()));
      if (has > left && !comesAgain) {
        return Optional.of(WORDS.say("amend-check.left-over", k + 1, r.words()));
      }
      boolean goes = all.stream().anyMatch(o -> says(o.words(), r.with()));
      int came = r.with().isBlank() ? 0 : Search.in(after, r.with()).size();
      int wereThere = r.with().isBlank() ? 0 : Search.in(before, r.with()).size();
      boolean parts = all.stream().anyMatch(o -> o != r && says(r.words(), o.words()));
      if (!r.with().isBlank() && !goes && !parts && came < wereThere + had - left) {
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

  private static List<Row> rows(PDPage page, FontsOfFile fonts) {
    return Rows.of(PageLetters.of(page, fonts).letters());
  }
}
