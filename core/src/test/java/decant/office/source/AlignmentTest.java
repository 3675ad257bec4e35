package decant.office.source;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AlignmentTest {
  private static List<String> letters(String s) {
    return s.isEmpty() ? List.of() : List.of(s.split(""));
  }

  private static String same(String one, String other) {
    int[] a = Alignment.of(letters(one), letters(other));
    var b = new StringBuilder();
    for (int k = 0; k < a.length; k++) {
      b.append(a[k] < 0 ? '-' : one.charAt(k));
    }
    return b.toString();
  }

  /** Worked by hand. */
  @ParameterizedTest
  @CsvSource({
    "abcde, abcde, abcde",
    "abcde, abXde, ab-de",
    "abcde, bcd, -bcd-",
    "bcd, abcde, bcd",
    "aaaa, aa, aa--",
    "abc, xyz, ---",
    "abcabc, cab, --cab-",
  })
  void whatIsTheSame(String one, String other, String same) {
    assertThat(same(one, other)).isEqualTo(same);
  }

  @Test
  void pairsAreTheSameAscendAndAreAsManyAsCanBe() {
    var random = new Random(3);
    for (int n = 0; n < 500; n++) {
      List<String> one = some(random, 1 + random.nextInt(12), 4);
      List<String> other = some(random, 1 + random.nextInt(12), 4);
      int[] a = Alignment.of(one, other);
      int last = -1;
      int pairs = 0;
      for (int k = 0; k < a.length; k++) {
        if (a[k] >= 0) {
          assertThat(one.get(k)).isEqualTo(other.get(a[k]));
          assertThat(a[k]).isGreaterThan(last);
          last = a[k];
          pairs++;
        }
      }
      assertThat(pairs).isEqualTo(longest(one, other));
    }
  }

  /**
   * So long that all pairs cannot be tried: a chapter that moved, and words typed here and there.
   */
  @Test
  void longSequencesAreAlignedByWhatIsThereOnce() {
    List<String> one = IntStream.range(0, 5_000).mapToObj(k -> k % 3 == 0 ? "" : "p" + k).toList();
    List<String> other = new ArrayList<>(one);
    other.subList(1_000, 1_100).clear();
    for (int k = 0; k < other.size(); k += 100) {
      other.set(k, "typed " + k);
    }
    int[] a = Alignment.of(one, other);
    assertThat(IntStream.of(a).filter(k -> k < 0).count()).isLessThan(100 + 60);
    assertThat(IntStream.of(a).filter(k -> k >= 0).toArray()).isSorted();
  }

  /** The textbook recurrence for the longest common subsequence. */
  private static int longest(List<String> one, List<String> other) {
    int[][] l = new int[one.size() + 1][other.size() + 1];
    for (int i = 1; i <= one.size(); i++) {
      for (int j = 1; j <= other.size(); j++) {
        l[i][j] =
            one.get(i - 1).equals(other.get(j - 1))
                ? l[i - 1][j - 1] + 1
                : Math.max(l[i - 1][j], l[i][j - 1]);
      }
    }
    return l[one.size()][other.size()];
  }

  private static List<String> some(Random random, int n, int alphabet) {
    return IntStream.range(0, n)
        .mapToObj(k -> Character.toString('a' + random.nextInt(alphabet)))
        .toList();
  }
}
