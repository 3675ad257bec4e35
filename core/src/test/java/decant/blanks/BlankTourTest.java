package decant.blanks;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.edit.Commands;
import decant.model.edit.Revision;
import decant.model.look.FormField;
import decant.model.look.FormField.Kind;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import java.util.List;
import org.junit.jupiter.api.Test;

/** From blank to blank on the page. */
class BlankTourTest {
  private static Inline.Text field(String name, Kind kind, String text, String... of) {
    var f = new FormField(name, name, kind, List.of(of), 0, kind == Kind.TEXT ? text : "");
    return new Inline.Text(text, Look.of(TextTraits.FIELD, f));
  }

  private static Inline.Text text(String s) {
    return new Inline.Text(s, Look.PLAIN);
  }

  private static final Paragraph FIRST =
      Samples.paragraph("")
          .withInlines(List.of(text("Name "), field("name", Kind.TEXT, "_____"), text(", berth")));
  private static final Paragraph SECOND =
      Samples.paragraph("")
          .withInlines(
              List.of(
                  field("insured", Kind.TICK, "\u2610", "Yes"),
                  text(" insured "),
                  field("when", Kind.ONE_OF, "\u25CB", "day"),
                  text(" day")));

  private static final Document FORM =
      Samples.document(FIRST, Samples.paragraph("Between."), SECOND);

  private static Selection in(Paragraph p, int from, int to) {
    return new Selection(new Position(p.id(), from), new Position(p.id(), to));
  }

  private static Revision at(Selection s) {
    return Revision.of(FORM).withSelection(s);
  }

  @Test
  void goesFromEachToTheNextAndFromTheLastToTheFirst() {
    assertThat(BlankTour.next(at(in(FIRST, 7, 7)), 1)).contains(in(SECOND, 0, 1));
    assertThat(BlankTour.next(at(in(SECOND, 0, 1)), 1)).contains(in(SECOND, 10, 11));
    assertThat(BlankTour.next(at(in(SECOND, 10, 11)), 1)).contains(in(FIRST, 5, 10));
    assertThat(BlankTour.next(at(in(FIRST, 5, 10)), -1)).contains(in(SECOND, 10, 11));
  }

  @Test
  void beginsInABlankAlone() {
    assertThat(BlankTour.next(at(in(FIRST, 2, 2)), 1)).isEmpty();
    assertThat(BlankTour.next(at(in(FIRST, 2, 7)), 1)).isEmpty();
    var alone = Samples.document(FIRST);
    assertThat(BlankTour.next(Revision.of(alone).withSelection(in(FIRST, 5, 5)), 1)).isEmpty();
  }

  /** What is typed over a blank that one has come to is its value. */
  @Test
  void typedTextIsTheValue() {
    Revision r = at(BlankTour.next(at(in(SECOND, 10, 11)), 1).orElseThrow());
    for (String c : "Lund".split("")) {
      r = Commands.insert(r, c);
    }
    assertThat(Blanks.of(r.document()).getFirst().value()).isEqualTo("Lund");
    assertThat(r.document().paragraphs().getFirst().text()).isEqualTo("Name Lund, berth");
    assertThat(BlankTour.next(r, 1)).contains(in(SECOND, 0, 1));
  }

  @Test
  void switchesAreTurned() {
    Revision on = BlankTour.turned(at(in(SECOND, 0, 1))).orElseThrow();
    assertThat(Blanks.of(on.document()).get(1).value()).isEqualTo("Yes");
    assertThat(on.selection()).isEqualTo(in(SECOND, 0, 1));
    Revision off = BlankTour.turned(on).orElseThrow();
    assertThat(Blanks.of(off.document()).get(1).value()).isEmpty();
    assertThat(off.undo().document().sections()).isEqualTo(on.document().sections());
    Revision one = BlankTour.turned(at(in(SECOND, 10, 11))).orElseThrow();
    assertThat(Blanks.of(one.document()).get(2).value()).isEqualTo("day");
    // One of several stays on until another is chosen.
    assertThat(BlankTour.turned(one).orElseThrow().document()).isSameAs(one.document());
    assertThat(BlankTour.turned(at(in(FIRST, 5, 6)))).isEmpty();
  }
}
