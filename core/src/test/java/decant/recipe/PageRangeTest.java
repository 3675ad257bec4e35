package decant.recipe;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PageRangeTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      nullValues = "-",
      value = {
        "''|1 2 3 4 5 6 7",
        "4|4",
        "2-4|2 3 4",
        "2–4|2 3 4",
        " 6 - |6 7",
        "-2|1 2",
        "odd|1 3 5 7",
        "Even|2 4 6",
        "last|7",
        "LAST 3|5 6 7",
        "5, 1; 2-3|1 2 3 5",
        "3,3,2-4|2 3 4",
        "7-7|7",
        "last 7|1 2 3 4 5 6 7",
      })
  void whatIsWrittenIsSelected(String text, String pages) throws PageRange.Problem {
    List<Integer> wanted =
        java.util.Arrays.stream(pages.split(" ")).map(s -> Integer.parseInt(s) - 1).toList();
    assertThat(new PageRange(text).select(7)).isEqualTo(wanted);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "0",
        "0-3",
        "8",
        "2-8",
        "8-",
        "-8",
        "5-3",
        "x",
        "1-2-3",
        "-",
        "1,,2",
        ",",
        "last 0",
        "last 8",
        "1 2",
        "1.5",
        "99999999999",
        "first",
        "-0",
        "+3",
        "٣x"
      })
  void whatCannotBeObeyedIsRefused(String text) {
    assertThatThrownBy(() -> new PageRange(text).select(7))
        .isInstanceOf(PageRange.Problem.class)
        .hasMessageMatching("(?s).{10,}");
  }

  /** The message names what was written, so that it is found in a long range. */
  @ParameterizedTest
  @ValueSource(strings = {"1-3, 9-12, 5", "2, last 12", "1, 5-4"})
  void theMessageNamesThePart(String text) {
    String part = text.contains("9-12") ? "9-12" : text.contains("last") ? "last 12" : "5-4";
    assertThatThrownBy(() -> new PageRange(text).select(7)).hasMessageContaining(part);
  }

  @Test
  void aDocumentOfOnePageHasNoEvenOne() {
    assertThatThrownBy(() -> new PageRange("even").select(1)).isInstanceOf(PageRange.Problem.class);
  }

  @Test
  void pagesWrittenAsARangeAreThosePages() throws PageRange.Problem {
    assertThat(PageRange.of(List.of(0, 1, 2, 4)).text()).isEqualTo("1-3, 5");
    var random = new Random(3);
    for (int k = 0; k < 500; k++) {
      int pages = 1 + random.nextInt(60);
      var some = new TreeSet<Integer>();
      for (int n = 0; n <= random.nextInt(pages); n++) {
        some.add(random.nextInt(pages));
      }
      List<Integer> chosen = List.copyOf(some);
      assertThat(PageRange.of(chosen).select(pages)).isEqualTo(chosen);
    }
  }
}
