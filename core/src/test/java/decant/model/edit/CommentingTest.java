package decant.model.edit;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.look.Comment;
import java.util.List;
import org.junit.jupiter.api.Test;

class CommentingTest {
  private static final Comment ONE = new Comment("1", "A. Clerk", "", "Is this so?", false);
  private static final Comment TWO = new Comment("2", "B. Clerk", "", "It is.", false);

  private final Paragraph first = Samples.paragraph("Lines are doubled in a gale.");
  private final Paragraph second = Samples.paragraph("Fenders hang on both sides.");
  private final Document document = Samples.document(first, second);

  private Revision selected(Paragraph from, int a, Paragraph to, int b) {
    return Revision.of(document)
        .withSelection(new Selection(new Position(from.id(), a), new Position(to.id(), b)));
  }

  private static List<Comment> at(Revision r, Paragraph p, int offset) {
    return Commenting.at(r.document().requireParagraph(p.id()), offset);
  }

  @Test
  void aRemarkIsAboutWhatIsSelected() {
    Revision r = Commenting.add(selected(first, 10, first, 17), ONE);
    assertThat(at(r, first, 12)).containsExactly(ONE);
    assertThat(at(r, first, 5)).isEmpty();
    assertThat(r.document().requireParagraph(first.id()).text()).isEqualTo(first.text());
    assertThat(r.undo().document().requireParagraph(first.id())).isEqualTo(first);
  }

  @Test
  void remarksMayLieOverEachOtherAndReachOverParagraphs() {
    Revision r = Commenting.add(selected(first, 10, second, 7), ONE);
    Revision both =
        Commenting.add(
            r.withSelection(
                new Selection(new Position(second.id(), 0), new Position(second.id(), 7))),
            TWO);
    assertThat(at(both, first, 20)).containsExactly(ONE);
    assertThat(at(both, second, 3)).containsExactly(ONE, TWO);
    Revision settled = Commenting.settle(both, ONE);
    assertThat(at(settled, first, 20)).isEmpty();
    assertThat(at(settled, second, 3)).containsExactly(TWO);
    assertThat(settled.undo().document().requireParagraph(first.id()))
        .isEqualTo(both.document().requireParagraph(first.id()));
  }

  @Test
  void withoutASelectionNothingIsNoted() {
    Revision r = Revision.of(document);
    assertThat(Commenting.add(r, ONE)).isSameAs(r);
    assertThat(Commenting.settle(r, ONE)).isSameAs(r);
  }
}
