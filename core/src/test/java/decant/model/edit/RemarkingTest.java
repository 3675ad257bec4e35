package decant.model.edit;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Remark;
import decant.model.Selection;
import java.util.List;
import org.junit.jupiter.api.Test;

class RemarkingTest {
  private static final Remark ONE = new Remark("1", "A. Clerk", "", "Is this so?", false);
  private static final Remark TWO = new Remark("2", "B. Clerk", "", "It is.", false);

  private final Paragraph first = Samples.paragraph("Lines are doubled in a gale.");
  private final Paragraph second = Samples.paragraph("Fenders hang on both sides.");
  private final Document document = Samples.document(first, second);

  private Revision selected(Paragraph from, int a, Paragraph to, int b) {
    return Revision.of(document)
        .withSelection(new Selection(new Position(from.id(), a), new Position(to.id(), b)));
  }

  private static List<Remark> at(Revision r, Paragraph p, int offset) {
    return Remarking.at(r.document().requireParagraph(p.id()), offset);
  }

  @Test
  void aRemarkIsAboutWhatIsSelected() {
    Revision r = Remarking.add(selected(first, 10, first, 17), ONE);
    assertThat(at(r, first, 12)).containsExactly(ONE);
    assertThat(at(r, first, 5)).isEmpty();
    assertThat(r.document().requireParagraph(first.id()).text()).isEqualTo(first.text());
    assertThat(r.undo().document().requireParagraph(first.id())).isEqualTo(first);
  }

  @Test
  void remarksMayLieOverEachOtherAndReachOverParagraphs() {
    Revision r = Remarking.add(selected(first, 10, second, 7), ONE);
    Revision both =
        Remarking.add(
            r.withSelection(
                new Selection(new Position(second.id(), 0), new Position(second.id(), 7))),
            TWO);
    assertThat(at(both, first, 20)).containsExactly(ONE);
    assertThat(at(both, second, 3)).containsExactly(ONE, TWO);
    Revision settled = Remarking.settle(both, ONE);
    assertThat(at(settled, first, 20)).isEmpty();
    assertThat(at(settled, second, 3)).containsExactly(TWO);
    assertThat(settled.undo().document().requireParagraph(first.id()))
        .isEqualTo(both.document().requireParagraph(first.id()));
  }

  @Test
  void withoutASelectionNothingIsNoted() {
    Revision r = Revision.of(document);
    assertThat(Remarking.add(r, ONE)).isSameAs(r);
    assertThat(Remarking.settle(r, ONE)).isSameAs(r);
  }
}
