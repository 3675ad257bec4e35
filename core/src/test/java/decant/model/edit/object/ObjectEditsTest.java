package decant.model.edit.object;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.Samples;
import decant.layout.Layout;
import decant.layout.PlacedObject;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Position;
import decant.model.Selection;
import decant.model.edit.Moving;
import decant.model.edit.Revision;
import decant.model.edit.Selected;
import decant.model.edit.object.ObjectEdits.Wrapping;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.Placement;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

class ObjectEditsTest {
  private static Media picture(int w, int h) throws IOException {
    var out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB), "png", out);
    return Media.of("image/png", out.toByteArray());
  }

  /** A picture of 120 by 60 points between words, selected. */
  private static Revision sample() throws IOException {
    Media m = picture(40, 20);
    var pic = new Inline.Picture(m.id(), 120, 60, "the quay", Look.PLAIN);
    Document d =
        Samples.document(
            m,
            Samples.paragraph("Before the picture stands a line."),
            Samples.inlines(
                new Inline.Text("See ", Look.PLAIN), pic, new Inline.Text(" here", Look.PLAIN)),
            Samples.paragraph(Samples.PROSE));
    Revision r = Revision.of(d);
    return r.withSelection(ObjectEdits.selection(new Position(d.paragraphs().get(1).id(), 4)));
  }

  private static Inline.Picture pic(Revision r) {
    return ObjectEdits.picture(r).orElseThrow();
  }

  private static PlacedObject placed(Revision r) {
    Position at = ((Selected.OneObject) Selected.of(r)).at();
    Layout l = Samples.layout(r.document());
    return PlacedObject.find(l, at, 0).orElseThrow().object();
  }

  @Test
  void onePlaceThatHoldsAPictureIsAnObjectAndNothingElseIs() throws IOException {
    Revision r = sample();
    assertThat(Selected.of(r)).isInstanceOf(Selected.OneObject.class);
    Position at = ((Selected.OneObject) Selected.of(r)).at();
    Position more = new Position(at.paragraph(), at.offset() + 2);
    assertThat(Selected.of(r.document(), new Selection(at, more)))
        .isInstanceOf(Selected.Text.class);
    assertThat(Selected.of(r.document(), Selection.at(at))).isInstanceOf(Selected.Caret.class);
    var letter = new Position(at.paragraph(), 0);
    assertThat(Selected.of(r.document(), new Selection(letter, new Position(at.paragraph(), 1))))
        .isInstanceOf(Selected.Text.class);
  }

  @Test
  void whatIsCutOffIsGoneAndTheRestIsAsLargeAsItWas() throws IOException {
    Revision r = ObjectEdits.crop(sample(), new Insets(0, 0.25, 0, 0.25));
    assertThat(pic(r).width()).isEqualTo(60, within(1e-9));
    assertThat(pic(r).height()).isEqualTo(60, within(1e-9));
    // Cut again: what was cut off can come back.
    Revision back = ObjectEdits.crop(r, Insets.NONE);
    assertThat(pic(back).width()).isEqualTo(120, within(1e-9));
    // Never so much that nothing is left.
    Revision all = ObjectEdits.crop(r, new Insets(0, 0.9, 0, 0.9));
    assertThat(pic(all).width()).isPositive();
    assertThat(pic(all).crop().left() + pic(all).crop().right()).isLessThan(1);
  }

  @Test
  void aPictureThatLeavesTheLineStandsWhereItStoodAndMovesAsFarAsItIsMoved() throws IOException {
    Revision r = sample();
    PlacedObject on = placed(r);
    Revision beside = ObjectEdits.wrap(r, Wrapping.AROUND, on.box().x(), 0);
    assertThat(ObjectEdits.wrapping(pic(beside))).isEqualTo(Wrapping.AROUND);
    PlacedObject was = placed(beside);
    assertThat(was.box().x()).isEqualTo(on.box().x(), within(0.1));
    assertThat(was.box().y()).isEqualTo(on.box().y(), within(20.0));
    Revision moved = ObjectEdits.move(beside, 36, 18, was.box().x(), was.box().y());
    PlacedObject is = placed(moved);
    assertThat(is.box().x() - was.box().x()).isEqualTo(36, within(0.1));
    assertThat(is.box().y() - was.box().y()).isEqualTo(18, within(0.1));
    Revision behind = ObjectEdits.wrap(moved, Wrapping.BEHIND, 0, 0);
    assertThat(placed(behind).layer()).isEqualTo(PlacedObject.Layer.BEHIND);
    assertThat(placed(behind).box().x()).isEqualTo(is.box().x(), within(0.1));
    Revision line = ObjectEdits.wrap(behind, Wrapping.IN_LINE, 0, 0);
    assertThat(pic(line).placement()).isEqualTo(Placement.INLINE);
  }

  @Test
  void whatIsAlignedIsMovedFromWhereItIs() throws IOException {
    Revision r = sample();
    Position at = ((Selected.OneObject) Selected.of(r)).at();
    var centred =
        new Placement.Floating(
            new Placement.Axis(Placement.Origin.MARGIN, Placement.Align.CENTRE, 0),
            new Placement.Axis(Placement.Origin.MARGIN, Placement.Align.END, 0),
            Placement.Wrap.THROUGH,
            Insets.NONE,
            false);
    Inline.Picture p = pic(r);
    var floating =
        new Inline.Picture(
            p.media(), 120, 60, "", centred, Insets.NONE, 0, Optional.empty(), Look.PLAIN);
    Revision set =
        r.apply(
            decant.model.edit.Edit.of(
                "x",
                new decant.model.edit.Step.Restyle(at.paragraph(), at.offset(), List.of(floating))),
            r.selection());
    PlacedObject was = placed(set);
    Revision moved = ObjectEdits.move(set, -10, -100, was.box().x(), was.box().y());
    assertThat(placed(moved).box().x()).isEqualTo(was.box().x() - 10, within(0.1));
    assertThat(placed(moved).box().y()).isEqualTo(was.box().y() - 100, within(0.1));
    assertThat(ObjectEdits.isOnPage(pic(moved))).isTrue();
  }

  @Test
  void anotherPictureFitsIntoThePlaceOfTheFirst() throws IOException {
    Media tall = picture(10, 40);
    Revision r = ObjectEdits.replace(sample(), tall, 0.25);
    assertThat(pic(r).media()).isEqualTo(tall.id());
    assertThat(pic(r).height()).isEqualTo(60, within(1e-9));
    assertThat(pic(r).width()).isEqualTo(15, within(1e-9));
    assertThat(pic(r).alt()).isEqualTo("the quay");
    assertThat(r.document().media()).containsKey(tall.id());
    assertThat(pic(r.undo()).width()).isEqualTo(120);
  }

  @Test
  void aTurnedPictureIsFoundWhereItIsSeen() throws IOException {
    Revision r = ObjectEdits.turn(sample(), 450);
    assertThat(pic(r).rotation()).isEqualTo(90);
    PlacedObject o = placed(r);
    Layout l = Samples.layout(r.document());
    double x = o.box().x() + o.box().width() / 2;
    double y = o.box().y() + o.box().height() / 2;
    // Upright it is 60 wide and 120 high about its middle.
    assertThat(PlacedObject.at(l, l.pages().getFirst(), x, y - 50)).contains(o);
    assertThat(PlacedObject.at(l, l.pages().getFirst(), x - 50, y)).isEmpty();
  }

  @Test
  void aSizeStaysWithinWhatCanBeAndACaretChangesNothing() throws IOException {
    Revision r = sample();
    assertThat(ObjectEdits.resize(r, 1, -5))
        .satisfies(x -> assertThat(pic(x).width()).isPositive());
    assertThat(ObjectEdits.resize(r.withSelection(Selection.at(r.selection().anchor())), 50, 50))
        .isEqualTo(r.withSelection(Selection.at(r.selection().anchor())));
  }

  @Test
  void whatIsSelectedMovesAndIsSelectedThere() throws IOException {
    Revision r = sample();
    Document d = r.document();
    Position end = new Position(d.paragraphs().getFirst().id(), 6);
    Revision moved = Moving.to(r, end, false);
    assertThat(moved.document().paragraphs().getFirst().text()).startsWith("Before\uFFFC the");
    assertThat(moved.document().paragraphs().get(1).text()).isEqualTo("See  here");
    assertThat(Selected.of(moved)).isInstanceOf(Selected.OneObject.class);
    assertThat(moved.undo().document().paragraphs()).isEqualTo(d.paragraphs());
    Revision copied = Moving.to(r, end, true);
    assertThat(copied.document().paragraphs().get(1).text()).isEqualTo("See \uFFFC here");
    assertThat(copied.document().paragraphs().getFirst().text()).contains("\uFFFC");
    assertThat(copied.undo().document().paragraphs()).isEqualTo(d.paragraphs());
  }

  /** Behind what is moved, in the same paragraph, the place moves along. */
  @Test
  void wordsMoveWithinTheirParagraphAndBeyondItsEnd() {
    Document d = Samples.document(Samples.paragraph("one two three"), Samples.paragraph("four"));
    Position from = new Position(d.paragraphs().getFirst().id(), 0);
    Revision r =
        Revision.of(d).withSelection(new Selection(from, new Position(from.paragraph(), 4)));
    Revision moved = Moving.to(r, new Position(from.paragraph(), 13), false);
    assertThat(moved.document().paragraphs().getFirst().text()).isEqualTo("two threeone ");
    Revision within = Moving.to(r, new Position(from.paragraph(), 2), false);
    assertThat(within).isSameAs(r);
    Position next = new Position(d.paragraphs().get(1).id(), 4);
    var both =
        Revision.of(d)
            .withSelection(
                new Selection(
                    new Position(from.paragraph(), 8), new Position(next.paragraph(), 2)));
    Revision across = Moving.to(both, from, false);
    assertThat(across.document().paragraphs())
        .extracting(p -> p.text())
        .containsExactly("three", "foone two ur");
    assertThat(across.undo().document().paragraphs()).isEqualTo(d.paragraphs());
  }
}
