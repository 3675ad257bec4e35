package decant.desktop.runs;

import static org.assertj.core.api.Assertions.assertThat;

import decant.desktop.runs.RunLines.Filter;
import decant.desktop.runs.RunLines.Line;
import decant.run.Row;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class RunLinesTest {
  private static Row row(int number, String path, Row.State state, String message) {
    return new Row(
        number,
        0,
        path,
        "",
        1000 - number,
        new Row.Fate(state, Row.Why.NONE, message),
        new Row.Named("", false, List.of()),
        0,
        Row.Work.NONE);
  }

  private final List<Row> rows =
      List.of(
          row(1, "a.odt", Row.State.DONE, ""),
          row(2, "b.odt", Row.State.FAILED, "The file is damaged."),
          row(3, "Old/c.odt", Row.State.PLANNED, ""),
          row(4, "Old/1999/d.odt", Row.State.AT_WORK, ""),
          row(5, "Older/e.odt", Row.State.LEFT_OUT, "The file is empty."));

  private List<String> shown(Filter f, String words, Set<String> folded) {
    return told(RunLines.of(rows, f, words, Optional.empty(), folded));
  }

  private List<String> told(List<Line> lines) {
    var out = new ArrayList<String>();
    for (Line l : lines) {
      out.add(
          switch (l) {
            case Line.Folder d -> d.path() + "/ " + d.files() + (d.folded() ? " folded" : "");
            case Line.File x -> " ".repeat(x.depth()) + rows.get(x.row()).path();
          });
    }
    return out;
  }

  @Test
  void filesStandBelowTheirFolders() {
    assertThat(shown(Filter.ALL, "", Set.of()))
        .containsExactly(
            "/ 2",
            " a.odt",
            " b.odt",
            "Old/ 1",
            "  Old/c.odt",
            "Old/1999/ 1",
            "   Old/1999/d.odt",
            "Older/ 1",
            "  Older/e.odt");
  }

  /** A folder that is folded hides those in it, and not one whose name begins alike. */
  @Test
  void whatIsFoldedHidesAllBelowIt() {
    assertThat(shown(Filter.ALL, "", Set.of("Old")))
        .containsExactly("/ 2", " a.odt", " b.odt", "Old/ 1 folded", "Older/ 1", "  Older/e.odt");
  }

  @Test
  void filtersAndWordsLeaveOthersOut() {
    assertThat(shown(Filter.TO_DO, "", Set.of()))
        .containsExactly("Old/ 1", "  Old/c.odt", "Old/1999/ 1", "   Old/1999/d.odt");
    assertThat(shown(Filter.FAILED, "", Set.of())).containsExactly("/ 1", " b.odt");
    assertThat(shown(Filter.ALL, "EMPTY", Set.of())).containsExactly("Older/ 1", "  Older/e.odt");
    assertThat(shown(Filter.DONE, "nothing", Set.of())).isEmpty();
  }

  @Test
  void sortedFilesStandAlone() {
    assertThat(
            told(
                RunLines.of(
                    rows,
                    Filter.ALL,
                    "",
                    Optional.of(Comparator.comparing(Row::bytes)),
                    Set.of("Old"))))
        .containsExactly("Older/e.odt", "Old/1999/d.odt", "Old/c.odt", "b.odt", "a.odt");
  }

  @Test
  void aFileThatBecameAnotherIsAnotherLine() {
    Line was = RunLines.of(rows, Filter.ALL, "", Optional.empty(), Set.of()).get(1);
    List<Row> later = new ArrayList<>(rows);
    later.set(0, row(1, "a.odt", Row.State.FAILED, ""));
    Line now = RunLines.of(later, Filter.ALL, "", Optional.empty(), Set.of()).get(1);
    assertThat(now).isNotEqualTo(was);
  }
}
