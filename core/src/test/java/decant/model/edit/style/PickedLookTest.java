package decant.model.edit.style;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.edit.ListEdits;
import decant.model.edit.Revision;
import decant.model.look.Colour;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.TextTraits;
import org.junit.jupiter.api.Test;

class PickedLookTest {
  private static final Look RED =
      Look.of(TextTraits.COLOUR, Colour.parse("B3261E")).with(TextTraits.SIZE, 14.0);

  private static final Look LINK =
      Look.of(TextTraits.LINK, new Link.External("https://quay.example"));

  private static Revision select(Revision r, int p1, int o1, int p2, int o2) {
    var order = r.document().index().order();
    return r.withSelection(
        new Selection(new Position(order.get(p1), o1), new Position(order.get(p2), o2)));
  }

  private static Look shown(Revision r, int paragraph, int place) {
    Document d = r.document();
    Paragraph p = d.paragraphs().get(paragraph);
    return d.styles().textLook(d.styles().textBase(p.look()), p.inlineAt(place).look());
  }

  private static Revision sample() {
    Paragraph notice = Samples.runs("No mooring", RED);
    return Revision.of(
        Samples.document(
            notice.withLook(Look.of(ParagraphTraits.ALIGNMENT, Alignment.CENTRE)),
            Samples.runs("See ", Look.PLAIN, "the rules", LINK, " first.", Look.PLAIN),
            Samples.heading(2, "Tides")));
  }

  @Test
  void onAParagraphTheWholeLookIsLaidDownAndLinksStay() {
    Revision r = sample();
    PickedLook picked = PickedLook.of(select(r, 0, 3, 0, 3));
    Revision laid = picked.layDown(select(r, 1, 2, 1, 2));
    Paragraph p = laid.document().paragraphs().get(1);
    assertThat(p.look().value(ParagraphTraits.ALIGNMENT)).isEqualTo(Alignment.CENTRE);
    for (int k = 0; k < p.length(); k++) {
      assertThat(shown(laid, 1, k).value(TextTraits.COLOUR)).isEqualTo(Colour.parse("B3261E"));
      assertThat(shown(laid, 1, k).value(TextTraits.SIZE)).isEqualTo(14);
    }
    assertThat(p.inlineAt(5).look().get(TextTraits.LINK)).isPresent();
    assertThat(laid.undo().document().paragraphs()).isEqualTo(r.document().paragraphs());
  }

  @Test
  void onLettersOnlyTheLettersChange() {
    Revision r = sample();
    PickedLook picked = PickedLook.of(select(r, 0, 3, 0, 3));
    Revision laid = picked.layDown(select(r, 2, 0, 2, 2));
    assertThat(shown(laid, 2, 0).value(TextTraits.SIZE)).isEqualTo(14);
    assertThat(shown(laid, 2, 0).value(TextTraits.BOLD))
        .as("it was not bold where it was")
        .isFalse();
    assertThat(shown(laid, 2, 3)).isEqualTo(shown(r, 2, 3));
    assertThat(laid.document().headingLevel(laid.document().paragraphs().get(2))).isEqualTo(2);
  }

  @Test
  void aHeadingsLookMakesHeadings() {
    Revision r = sample();
    Revision laid = PickedLook.of(select(r, 2, 1, 2, 1)).layDown(select(r, 0, 0, 1, 3));
    Document d = laid.document();
    assertThat(d.headingLevel(d.paragraphs().get(0))).isEqualTo(2);
    assertThat(d.headingLevel(d.paragraphs().get(1))).isEqualTo(2);
    assertThat(shown(laid, 0, 0)).isEqualTo(shown(r, 2, 0));
  }

  @Test
  void allThatLookAlikeAreRestyledInOneGo() {
    Document d =
        Samples.document(
            Samples.runs("No mooring", RED),
            Samples.heading(2, "Tides"),
            Samples.paragraph("Text."),
            Samples.heading(2, "Berths"),
            Samples.heading(3, "East"));
    Revision r = Revision.of(d);
    Revision laid = PickedLook.of(select(r, 0, 1, 0, 1)).layDownOnAlike(select(r, 3, 0, 3, 0));
    assertThat(shown(laid, 1, 0)).isEqualTo(shown(r, 0, 0));
    assertThat(shown(laid, 3, 0)).isEqualTo(shown(r, 0, 0));
    assertThat(shown(laid, 2, 0)).isEqualTo(shown(r, 2, 0));
    assertThat(shown(laid, 4, 0)).isEqualTo(shown(r, 4, 0));
    assertThat(laid.undo().document().paragraphs()).isEqualTo(d.paragraphs());
  }

  @Test
  void anItemStaysAnItem() {
    Revision r = sample();
    Revision listed = ListEdits.toggle(select(r, 1, 0, 1, 0), true);
    Revision laid = PickedLook.of(select(listed, 0, 1, 0, 1)).layDown(select(listed, 1, 0, 1, 0));
    assertThat(ListEdits.item(laid.document(), laid.document().paragraphs().get(1))).isPresent();
    assertThat(laid.document().paragraphs().get(1).inlines())
        .allMatch(i -> i instanceof Inline.Text && i.look().sets(TextTraits.COLOUR));
  }
}
