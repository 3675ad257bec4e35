package decant.model.edit.style;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.edit.Commands;
import decant.model.edit.Revision;
import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.TextTraits;
import decant.office.docx.DocxReader;
import decant.office.docx.write.DocxWriter;
import decant.reading.ReadRequest;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class StyleEditsTest {
  private static final Look RED =
      Look.of(TextTraits.COLOUR, Colour.parse("B3261E")).with(TextTraits.SIZE, 14.0);
  private static final Look LOUD = RED.with(TextTraits.BOLD, true);

  /** A notice in red with one bold word, centred; then plain text. */
  private static Revision sample() {
    Paragraph notice = Samples.runs("No mooring ", RED, "ever", LOUD, " at the steps", RED);
    return at(
        Revision.of(
            Samples.document(
                notice.withLook(Look.of(ParagraphTraits.ALIGNMENT, Alignment.CENTRE)),
                Samples.paragraph("Plain one"),
                Samples.paragraph("Plain two"))),
        0,
        2);
  }

  private static Revision at(Revision r, int paragraph, int offset) {
    return r.withSelection(
        Selection.at(new Position(r.document().paragraphs().get(paragraph).id(), offset)));
  }

  private static Look shown(Revision r, int paragraph, int place) {
    Document d = r.document();
    Paragraph p = d.paragraphs().get(paragraph);
    return d.styles().textLook(d.styles().textBase(p.look()), p.inlineAt(place).look());
  }

  private static Alignment alignment(Revision r, int paragraph) {
    Document d = r.document();
    return d.styles()
        .paragraphLook(d.paragraphs().get(paragraph).look())
        .value(ParagraphTraits.ALIGNMENT);
  }

  private static NamedStyle style(Revision r, String name) {
    return StyleEdits.named(r.document(), name).orElseThrow();
  }

  @Test
  void aStyleMadeOfALookLooksLikeItAndServesOthers() {
    Revision r = StyleEdits.create(sample(), "Notice");
    assertThat(shown(r, 0, 1).value(TextTraits.SIZE)).isEqualTo(14);
    assertThat(alignment(r, 0)).isEqualTo(Alignment.CENTRE);
    Paragraph p = r.document().paragraphs().getFirst();
    assertThat(p.look().sets(ParagraphTraits.ALIGNMENT)).as("the style says so now").isFalse();
    assertThat(p.inlineAt(1).look().isPlain()).isTrue();
    assertThat(shown(r, 0, 12).value(TextTraits.BOLD)).as("the bold word stays").isTrue();
    String id = style(r, "Notice").id();
    Revision served = StyleEdits.apply(at(r, 1, 0), id);
    assertThat(shown(served, 1, 1).value(TextTraits.COLOUR)).isEqualTo(Colour.parse("B3261E"));
    assertThat(alignment(served, 1)).isEqualTo(Alignment.CENTRE);
    assertThat(StyleEdits.create(served, "notice").document()).isSameAs(served.document());
    assertThat(served.undo().undo().document().styles()).isEqualTo(sample().document().styles());
  }

  @Test
  void whatIsTakenIntoAStyleServesAllOfIt() {
    Revision r = StyleEdits.create(sample(), "Notice");
    String id = style(r, "Notice").id();
    r = StyleEdits.apply(at(r, 1, 0), id);
    Revision selected =
        r.withSelection(
            new Selection(
                new Position(r.document().paragraphs().get(1).id(), 0),
                new Position(r.document().paragraphs().get(1).id(), 9)));
    Revision larger = Commands.set(selected, "Size", TextTraits.SIZE, 20.0);
    larger = Commands.setParagraph(larger, "Space", ParagraphTraits.SPACE_AFTER, 12.0);
    Revision taken = StyleEdits.take(larger);
    assertThat(shown(taken, 0, 1).value(TextTraits.SIZE)).isEqualTo(20);
    assertThat(taken.document().paragraphs().get(1).inlineAt(0).look().isPlain()).isTrue();
    assertThat(
            taken
                .document()
                .styles()
                .paragraphLook(taken.document().paragraphs().getFirst().look())
                .value(ParagraphTraits.SPACE_AFTER))
        .isEqualTo(12);
    assertThat(taken.undo().document().styles()).isEqualTo(larger.document().styles());
    assertThat(taken.undo().document().paragraphs()).isEqualTo(larger.document().paragraphs());
  }

  @Test
  void aStyleIsRenamedUnlessItsNameIsTaken() {
    Revision r = StyleEdits.create(sample(), "Notice");
    String id = style(r, "Notice").id();
    assertThat(style(StyleEdits.rename(r, id, "Warning"), "warning").id()).isEqualTo(id);
    Revision two = StyleEdits.create(at(r, 1, 0), "Warning");
    assertThat(StyleEdits.rename(two, id, "WARNING").document()).isSameAs(two.document());
  }

  @Test
  void whereAStyleIsRemovedItsParagraphsHaveItsBaseAndThoseBasedOnItLookAsBefore() {
    Revision r = StyleEdits.create(sample(), "Notice");
    String notice = style(r, "Notice").id();
    r = StyleEdits.apply(at(r, 1, 0), notice);
    Revision italic =
        Commands.set(
            r.withSelection(
                new Selection(
                    new Position(r.document().paragraphs().get(1).id(), 0),
                    new Position(r.document().paragraphs().get(1).id(), 9))),
            "Italic",
            TextTraits.ITALIC,
            true);
    Revision child = StyleEdits.create(italic, "Small notice");
    Look before = shown(child, 1, 0);
    Revision gone = StyleEdits.remove(child, notice);
    assertThat(gone.document().styles().style(notice)).isEmpty();
    assertThat(gone.document().paragraphs().getFirst().look().sets(ParagraphTraits.STYLE))
        .isFalse();
    assertThat(shown(gone, 0, 1).value(TextTraits.SIZE)).isNotEqualTo(14);
    assertThat(shown(gone, 1, 0)).isEqualTo(before);
    assertThat(gone.undo().document().styles()).isEqualTo(child.document().styles());
    assertThat(gone.undo().document().paragraphs()).isEqualTo(child.document().paragraphs());
    String standard = gone.document().styles().defaultStyle();
    assertThat(StyleEdits.remove(gone, standard).document()).isSameAs(gone.document());
  }

  @Test
  void enterAtTheEndGivesTheStyleThatFollows() {
    Revision r = StyleEdits.create(sample(), "Notice");
    String notice = style(r, "Notice").id();
    Revision end = at(r, 0, r.document().paragraphs().getFirst().length());
    Revision on = Commands.newParagraph(end);
    assertThat(StyleEdits.current(on).orElseThrow().id()).as("by itself").isEqualTo(notice);
    r = StyleEdits.create(at(r, 1, 0), "Reason");
    String reason = style(r, "Reason").id();
    r = StyleEdits.follow(r, notice, reason);
    on = Commands.newParagraph(at(r, 0, r.document().paragraphs().getFirst().length()));
    assertThat(StyleEdits.current(on).orElseThrow().id()).isEqualTo(reason);
    assertThat(StyleEdits.following(r.document(), style(r, "Notice")).id()).isEqualTo(reason);
    assertThat(StyleEdits.following(r.document(), style(r, "Reason")).id()).isEqualTo(reason);
    Revision middle = Commands.newParagraph(at(r, 0, 4));
    assertThat(StyleEdits.current(middle).orElseThrow().id()).isEqualTo(notice);
  }

  @Test
  void theListTellsHowManyParagraphsEachServes() {
    Revision r = StyleEdits.create(sample(), "Notice");
    List<StyleEdits.Use> all = StyleEdits.all(r.document());
    assertThat(all.getFirst().style().name()).isEqualTo("Notice");
    assertThat(all.getFirst().count()).isEqualTo(1);
    Revision two = StyleEdits.apply(at(r, 1, 0), all.getFirst().style().id());
    assertThat(StyleEdits.all(two.document()).getFirst().count()).isEqualTo(2);
    assertThat(StyleEdits.all(sample().document()))
        .as("what is not in use is there too")
        .hasSize(sample().document().styles().styles().size());
  }

  @Test
  void eachValueSaysWhereItComesFromAndGoesBackToIt() {
    Revision r = sample();
    assertThat(Origin.ofText(r, TextTraits.SIZE)).isInstanceOf(Origin.Direct.class);
    assertThat(Origin.ofParagraph(r, ParagraphTraits.ALIGNMENT)).isInstanceOf(Origin.Direct.class);
    Revision styled = at(StyleEdits.create(r, "Notice"), 0, 2);
    assertThat(Origin.ofText(styled, TextTraits.SIZE))
        .isInstanceOfSatisfying(
            Origin.OfStyle.class, o -> assertThat(o.style().name()).isEqualTo("Notice"));
    assertThat(Origin.ofText(styled, TextTraits.LETTER_SPACING))
        .isInstanceOf(Origin.OfDocument.class);
    assertThat(Origin.textValue(styled, TextTraits.SIZE)).isEqualTo(14);
    Revision back = StyleEdits.backToStyle(r);
    assertThat(back.document().paragraphs().getFirst().inlines()).hasSize(1);
    assertThat(alignment(back, 0)).isNotEqualTo(Alignment.CENTRE);
    Revision unset = Commands.unsetParagraph(r, "x", ParagraphTraits.ALIGNMENT);
    assertThat(alignment(unset, 0)).isNotEqualTo(Alignment.CENTRE);
  }

  /** ISO/IEC 29500-1 §17.7.4.10 (next). */
  @Test
  void theStyleThatFollowsIsWrittenAndReadAgain(@TempDir Path folder) throws Exception {
    Revision r = StyleEdits.create(sample(), "Notice");
    String notice = style(r, "Notice").id();
    r = StyleEdits.create(at(r, 1, 0), "Reason");
    r = StyleEdits.follow(r, notice, style(r, "Reason").id());
    Path file = folder.resolve("styles.docx");
    try (OutputStream out = Files.newOutputStream(file)) {
      DocxWriter.write(r.document(), out);
    }
    Document again = DocxReader.read(ReadRequest.of(file)).document();
    assertThat(again.styles().style(notice).flatMap(NamedStyle::next))
        .isEqualTo(Optional.of(style(r, "Reason").id()));
  }
}
