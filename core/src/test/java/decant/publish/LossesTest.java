package decant.publish;

import static org.assertj.core.api.Assertions.assertThat;

import decant.format.Formats;
import decant.model.finding.Finding;
import decant.model.finding.Finding.Kind;
import decant.model.finding.Finding.Severity;
import decant.reading.Active;
import decant.recipe.Recipe;
import decant.recipe.RecipeBook;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What a receipt says is lacking, and what is told of a run, are the same. */
class LossesTest {
  private static final Finding ACTS =
      Finding.general(Kind.ACTIVE_CONTENT, Severity.LOSS, "A macro.");
  private static final Finding DAMAGED =
      Finding.general(Kind.FILE_DAMAGED, Severity.LOSS, "Page 1 is damaged.");
  private static final Finding PICTURE =
      Finding.general(Kind.PICTURE_MISSING, Severity.LOSS, "A picture.");
  private static final Finding NOTE = Finding.general(Kind.REMARK, Severity.NOTE, "A comment.");
  private static final List<Finding> ALL = List.of(ACTS, DAMAGED, PICTURE, NOTE);

  @Test
  void whatActsIsLostOnlyWhereItIsLeftOut() {
    Recipe recipe = RecipeBook.copyAs(Formats.pages());
    assertThat(Losses.of(recipe.with(Active.REMOVE), ALL)).containsExactly(ACTS, DAMAGED, PICTURE);
    assertThat(Losses.of(recipe.with(Active.KEEP), ALL)).containsExactly(DAMAGED, PICTURE);
  }

  @Test
  void pagesThatGoOutAsTheyAreLackWhatTheFileLacks() {
    assertThat(Losses.ofKeptPages(ALL)).containsExactly(ACTS, DAMAGED);
  }
}
