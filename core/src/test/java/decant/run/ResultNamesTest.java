package decant.run;

import static org.assertj.core.api.Assertions.assertThat;

import decant.recipe.RecipeBook;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

class ResultNamesTest {
  private static final String[] PARTS = {
    "a",
    "A",
    "\u00E4",
    "a\u0308",
    "b ",
    " b",
    "(doc)",
    " 2",
    ".",
    "x".repeat(130),
    "\u0416".repeat(60),
    ":",
    "\uD83D\uDE00"
  };
  private static final String[] ENDS = {".doc", ".docx", ".DOCX", ".odt", "", ".", ".tar.gz"};

  /** Whatever a folder holds, no result is another's, and every name fits a file system. */
  @Test
  void namesAreNeverAlikeAndNeverTooLong() {
    var random = new Random(17);
    for (int round = 0; round < 300; round++) {
      Set<String> names = new HashSet<>();
      for (int k = 0; k < 12; k++) {
        var b = new StringBuilder();
        for (int p = 0; p <= random.nextInt(3); p++) {
          b.append(PARTS[random.nextInt(PARTS.length)]);
        }
        names.add(b + ENDS[random.nextInt(ENDS.length)]);
      }
      List<ResultNames.Wanted> wanted = new ArrayList<>();
      names.stream()
          .sorted()
          .forEach(n ->
              wanted.add(
                  new ResultNames.Wanted(n, "docx", RecipeBook.counterCopy(), Optional.empty())));
      var naming = new ResultNames(LocalDate.of(2026, 1, 1));
      List<String> results =
          naming.stems(wanted).stream()
              .flatMap(s -> naming.names(RecipeBook.counterCopy(), s).stream())
              .toList();
      assertThat(results.stream().map(ResultNames::folded)).as("%s", names).doesNotHaveDuplicates();
      assertThat(results)
          .allMatch(r ->
              r.getBytes(StandardCharsets.UTF_8).length
                  < 255 - ".0123456789abcdef.decant-part".length())
          .allMatch(r -> !r.isBlank() && !r.contains("/"));
      // The same folder gives the same names.
      assertThat(new ResultNames(LocalDate.of(2026, 1, 1)).stems(wanted))
          .isEqualTo(new ResultNames(LocalDate.of(2026, 1, 1)).stems(wanted));
    }
  }
}
