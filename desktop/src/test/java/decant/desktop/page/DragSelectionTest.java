package decant.desktop.page;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Document;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.edit.Range;
import decant.model.look.Look;
import decant.model.look.StyleSheet;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class DragSelectionTest {
  private static final Document D =
      Document.of(
          new StyleSheet(Look.PLAIN, Look.PLAIN, "", Map.of()),
          List.of(
              Paragraph.of(Look.PLAIN, "Berths are let for the season."),
              Paragraph.of(Look.PLAIN, "Nobody is exempt.")));

  private static Position at(int paragraph, int offset) {
    return new Position(D.index().order().get(paragraph), offset);
  }

  private static String text(Selection s) {
    return Range.of(D, s).text(D);
  }

  private static DragSelection drag() {
    return new DragSelection(Selection.at(at(0, 0)));
  }

  @Test
  void lettersAfterOneClick() {
    DragSelection drag = drag();
    assertThat(drag.begin(D, at(0, 8), 1).isCaret()).isTrue();
    assertThat(text(drag.to(D, at(0, 13)))).isEqualTo("re le");
    assertThat(drag.to(D, at(0, 2)).caret()).as("backwards").isEqualTo(at(0, 2));
  }

  @Test
  void wholeWordsAfterTwoBothWays() {
    DragSelection drag = drag();
    assertThat(text(drag.begin(D, at(0, 8), 2))).isEqualTo("are");
    assertThat(text(drag.to(D, at(0, 12)))).isEqualTo("are let");
    Selection back = drag.to(D, at(0, 3));
    assertThat(text(back)).isEqualTo("Berths are");
    assertThat(back.caret()).as("the caret is where the pointer is").isEqualTo(at(0, 0));
    assertThat(text(drag.to(D, at(1, 2)))).isEqualTo("are let for the season.\nNobody");
  }

  @Test
  void wholeParagraphsAfterThree() {
    DragSelection drag = drag();
    assertThat(text(drag.begin(D, at(1, 8), 3))).isEqualTo("Nobody is exempt.");
    assertThat(text(drag.to(D, at(0, 9))))
        .isEqualTo("Berths are let for the season.\nNobody is exempt.");
  }

  @Test
  void aPressWithShiftLengthensFromWhereItBegan() {
    DragSelection drag = drag();
    Selection s = drag.lengthen(new Selection(at(0, 7), at(0, 10)), at(0, 14));
    assertThat(text(s)).isEqualTo("are let");
    assertThat(text(drag.to(D, at(0, 18)))).isEqualTo("are let for");
  }
}
