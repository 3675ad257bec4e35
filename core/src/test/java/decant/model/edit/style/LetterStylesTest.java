package decant.model.edit.style;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Document;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.edit.Commands;
import decant.model.edit.Revision;
import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class LetterStylesTest {
  private static final Colour RED = Colour.parse("B3261E");

  private final Document plain =
      Document.of(
          new StyleSheet(Look.PLAIN, Look.PLAIN, "", Map.of()),
          List.of(
              Paragraph.of(Look.PLAIN, "No vessel may lie here"),
              Paragraph.of(Look.PLAIN, "No fires on the quay")));

  private static Revision select(Revision r, int paragraph, int from, int to) {
    var id = r.document().paragraphs().get(paragraph).id();
    return r.withSelection(new Selection(new Position(id, from), new Position(id, to)));
  }

  private static Look look(Revision r, int paragraph, int at) {
    Document d = r.document();
    Paragraph p = d.paragraphs().get(paragraph);
    return d.styles().textLook(d.styles().textBase(p.look()), p.inlineAt(at).look());
  }

  /** "No" of the first paragraph in red is made a style, "No" of the second gets it. */
  private Revision warned() {
    Revision r = select(Revision.of(plain), 0, 0, 2);
    r = Commands.set(r, "Colour", TextTraits.COLOUR, RED);
    r = LetterStyles.create(r, "Warning");
    String id = LetterStyles.named(r.document(), "warning").orElseThrow().id();
    return LetterStyles.apply(select(r, 1, 0, 2), id);
  }

  @Test
  void aStyleIsMadeOfLettersAndServesOthers() {
    Revision r = warned();
    assertThat(look(r, 1, 0).value(TextTraits.COLOUR)).isEqualTo(RED);
    assertThat(look(r, 1, 5).value(TextTraits.COLOUR)).isEqualTo(Colour.BLACK);
    assertThat(r.document().paragraphs().getFirst().inlineAt(0).look().sets(TextTraits.COLOUR))
        .as("it comes from the style, not from the letters")
        .isFalse();
    assertThat(LetterStyles.all(r.document()).getFirst().count()).isEqualTo(2);
    assertThat(LetterStyles.current(r).orElseThrow().name()).isEqualTo("Warning");
    assertThat(LetterStyles.create(r, "WARNING")).as("a name is given once").isSameAs(r);
    assertThat(r.undo().undo().undo().document().styles().styles()).isEmpty();
  }

  @Test
  void whatIsChangedGoesIntoTheStyleAndServesAll() {
    Revision r = Commands.toggle(warned(), "Bold", TextTraits.BOLD);
    assertThat(look(r, 0, 0).value(TextTraits.BOLD)).isFalse();
    r = LetterStyles.take(r);
    assertThat(look(r, 0, 0).value(TextTraits.BOLD)).isTrue();
    assertThat(look(r, 1, 0).value(TextTraits.BOLD)).isTrue();
    assertThat(look(r, 1, 0).value(TextTraits.COLOUR)).isEqualTo(RED);
    assertThat(LetterStyles.take(r)).as("nothing is set directly any more").isSameAs(r);
  }

  @Test
  void itIsTakenOffAndRemoved() {
    Revision off = LetterStyles.none(warned());
    assertThat(look(off, 1, 0).value(TextTraits.COLOUR)).isEqualTo(Colour.BLACK);
    assertThat(look(off, 0, 0).value(TextTraits.COLOUR)).isEqualTo(RED);
    Revision renamed = StyleEdits.rename(warned(), "Warning", "Danger");
    assertThat(LetterStyles.named(renamed.document(), "Danger")).isPresent();
    Revision gone = LetterStyles.remove(renamed, "Warning");
    assertThat(LetterStyles.all(gone.document())).isEmpty();
    for (int k = 0; k < 2; k++) {
      assertThat(look(gone, k, 0).value(TextTraits.COLOUR)).isEqualTo(Colour.BLACK);
      assertThat(gone.document().paragraphs().get(k).inlineAt(0).look().isPlain()).isTrue();
    }
    assertThat(look(gone.undo(), 0, 0).value(TextTraits.COLOUR)).isEqualTo(RED);
  }

  @Test
  void withACaretItIsForWhatIsTypedNext() {
    Revision r = warned();
    var id = r.document().paragraphs().get(1).id();
    r = r.withSelection(Selection.at(new Position(id, 20)));
    r = Commands.insert(LetterStyles.apply(r, "Warning"), "!");
    assertThat(look(r, 1, 20).value(TextTraits.COLOUR)).isEqualTo(RED);
    assertThat(look(r, 1, 19).value(TextTraits.COLOUR)).isEqualTo(Colour.BLACK);
  }
}
