package decant.model.edit.style;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.model.Position;
import decant.model.Selection;
import decant.model.edit.Commands;
import decant.model.edit.Revision;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.TextTraits;
import org.junit.jupiter.api.Test;

/** What is shown of a selection is true of all of it, or not shown. */
class SelectedLookTest {
  private static final Look BOLD = Look.of(TextTraits.BOLD, true);

  private final Document document =
      Samples.document(
          Samples.heading(2, "Berths"),
          Samples.runs(
              "plain ", Look.PLAIN, "bold", BOLD, " large", Look.of(TextTraits.SIZE, 14.0)),
          Samples.paragraph("last"),
          Samples.heading(2, "Charges"));

  private SelectedLook look(int p1, int o1, int p2, int o2) {
    return SelectedLook.of(revision(p1, o1, p2, o2));
  }

  private Revision revision(int p1, int o1, int p2, int o2) {
    var order = document.index().order();
    return Revision.of(document)
        .withSelection(
            new Selection(new Position(order.get(p1), o1), new Position(order.get(p2), o2)));
  }

  @Test
  void oneLookIsShownWhole() {
    SelectedLook l = look(1, 0, 1, 3);
    assertThat(l.bold()).contains(false);
    assertThat(l.size()).contains(11.0);
    assertThat(l.family()).contains("Liberation Serif");
    assertThat(l.level()).contains(0);
    assertThat(l.italic()).contains(false);
    assertThat(l.underline()).contains(false);
    assertThat(l.alignment()).contains(Alignment.START);
  }

  @Test
  void whatDiffersIsNotShown() {
    SelectedLook l = look(1, 0, 1, 16);
    assertThat(l.bold()).isEmpty();
    assertThat(l.size()).isEmpty();
    assertThat(l.family()).contains("Liberation Serif");
  }

  @Test
  void onlyWhatIsSelectedCounts() {
    assertThat(look(1, 6, 1, 10).bold()).contains(true);
    assertThat(look(1, 6, 1, 11).bold()).isEmpty();
    assertThat(look(1, 10, 1, 16).size()).contains(14.0);
  }

  @Test
  void stylesCountAsWhatTheyGive() {
    SelectedLook heading = look(0, 0, 0, 6);
    assertThat(heading.level()).contains(2);
    assertThat(heading.bold()).contains(true);
    assertThat(look(0, 0, 3, 7).level()).as("headings and text").isEmpty();
    assertThat(look(0, 0, 0, 0).level()).contains(2);
  }

  /** At a caret it is the look that the next letter will have. */
  @Test
  void aCaretShowsWhatWouldBeTyped() {
    assertThat(look(1, 8, 1, 8).bold()).contains(true);
    assertThat(look(1, 3, 1, 3).bold()).contains(false);
    Revision pending = Commands.toggle(revision(1, 3, 1, 3), "Bold", TextTraits.BOLD);
    assertThat(SelectedLook.of(pending).bold()).contains(true);
    Revision typed = Commands.insert(pending, "x");
    assertThat(SelectedLook.of(typed).bold()).contains(true);
  }

  /** What is set through commands is what is shown next. */
  @Test
  void whatIsSetIsShown() {
    Revision all = revision(0, 0, 3, 7);
    Revision r = Commands.set(all, "Size", TextTraits.SIZE, 9.0);
    assertThat(SelectedLook.of(r).size()).contains(9.0);
    r = Commands.setParagraph(r, "Align", ParagraphTraits.ALIGNMENT, Alignment.CENTRE);
    assertThat(SelectedLook.of(r).alignment()).contains(Alignment.CENTRE);
    r = Commands.setHeadingLevel(r, 3);
    assertThat(SelectedLook.of(r).level()).contains(3);
    assertThat(SelectedLook.of(r.undo().undo().undo())).isEqualTo(SelectedLook.of(all));
  }
}
