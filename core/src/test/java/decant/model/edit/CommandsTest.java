package decant.model.edit;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

public class CommandsTest {
  private static Revision revision(String... paragraphs) {
    var blocks = new decant.model.Block[paragraphs.length];
    for (int k = 0; k < paragraphs.length; k++) {
      blocks[k] = Samples.paragraph(paragraphs[k]);
    }
    return Revision.of(Samples.document(blocks));
  }

  private static Position at(Revision r, int paragraph, int offset) {
    return new Position(r.document().index().order().get(paragraph), offset);
  }

  private static Revision select(Revision r, int p1, int o1, int p2, int o2) {
    return r.withSelection(new Selection(at(r, p1, o1), at(r, p2, o2)));
  }

  /** One paragraph with a note of two paragraphs. */
  private static Document noted() {
    NodeId note = NodeId.fresh();
    Paragraph body =
        Samples.inlines(
            new Inline.Text("Depths are charted", Look.PLAIN),
            new Inline.NoteMark(note, Look.PLAIN));
    var story =
        new Story(
            note,
            Story.Kind.FOOTNOTE,
            List.of(Samples.paragraph("At low water."), Samples.paragraph("In metres.")));
    Document plain = Samples.document(body, Samples.paragraph("Berths are numbered."));
    return Document.of(
        plain.metadata(),
        plain.styles(),
        Map.of(),
        plain.sections(),
        Map.of(note, story),
        Map.of(),
        List.of());
  }

  private static List<String> texts(Revision r) {
    return r.document().paragraphs().stream().map(Paragraph::text).toList();
  }

  @Test
  void oneUndoTakesBackOneWord() {
    Revision r = revision("");
    for (String c : "two words".split("")) {
      r = Commands.insert(r, c);
    }
    assertThat(texts(r)).containsExactly("two words");
    r = r.undo();
    assertThat(texts(r)).containsExactly("two ");
    r = r.undo();
    assertThat(texts(r)).containsExactly("");
    assertThat(r.canUndo()).isFalse();
    r = r.redo().redo();
    assertThat(texts(r)).containsExactly("two words");
    assertThat(r.selection().caret().offset()).isEqualTo(9);
  }

  @Test
  void typingReplacesWhatIsSelectedAcrossParagraphs() {
    Revision r = select(revision("The first berth", "in between", "the last berth"), 0, 4, 2, 9);
    r = Commands.insert(r, "only ");
    assertThat(texts(r)).containsExactly("The only berth");
    assertThat(texts(r.undo()))
        .as("one undo")
        .containsExactly("The first berth", "in between", "the last berth");
  }

  @Test
  void deletingJoinsParagraphsAndGraphemesGoWhole() {
    Revision r = select(revision("one", "two"), 1, 0, 1, 0);
    assertThat(texts(Commands.deleteBackward(r))).containsExactly("onetwo");
    assertThat(texts(Commands.deleteBackward(r).undo())).containsExactly("one", "two");
    Revision flag = select(revision("a\uD83C\uDDF3\uD83C\uDDF4e\u0301"), 0, 7, 0, 7);
    flag = Commands.deleteBackward(flag);
    assertThat(texts(flag))
        .as("letter and accent are one grapheme (UAX #29)")
        .containsExactly("a\uD83C\uDDF3\uD83C\uDDF4");
    flag = Commands.deleteBackward(flag);
    assertThat(texts(flag)).as("a flag is one grapheme").containsExactly("a");
  }

  @Test
  void deletingAtACellsEdgeDeletesNothing() {
    Table t = Samples.table(new String[] {"left", "right"});
    Revision r = Revision.of(Samples.document(Samples.paragraph("x"), t));
    r = r.withSelection(Selection.at(at(r, 2, 0)));
    Revision after = Commands.deleteBackward(r);
    assertThat(texts(after)).containsExactly("x", "left", "right");
    assertThat(after.selection().caret()).isEqualTo(at(r, 1, 4));
  }

  @Test
  void selectionsOverCellsClearTheTextAndKeepTheCells() {
    Table t = Samples.table(new String[] {"left", "right"});
    Revision r = select(Revision.of(Samples.document(Samples.paragraph("before"), t)), 0, 3, 2, 2);
    assertThat(texts(Commands.deleteForward(r))).containsExactly("bef", "", "ght");
  }

  @Test
  void enterAfterAHeadingBeginsBodyText() {
    Revision r = Revision.of(Samples.document(Samples.heading(2, "Charges")));
    r = Commands.newParagraph(r.withSelection(Selection.at(at(r, 0, 7))));
    assertThat(r.document().paragraphs()).extracting(p -> 0).hasSize(2);
    assertThat(r.document().headingLevel(r.document().paragraphs().get(0))).isEqualTo(2);
    assertThat(r.document().headingLevel(r.document().paragraphs().get(1))).isZero();
  }

  @Test
  void aLineThatStoodOutKeepsItsLookAsAHeadingAndUndoBringsItBack() {
    Look loud =
        Look.of(TextTraits.BOLD, true)
            .with(TextTraits.SIZE, 26.0)
            .with(TextTraits.COLOUR, new Colour(0x1F3A93));
    Paragraph p = Samples.runs("Fuel", loud);
    Revision r = Revision.of(Samples.document(p, Samples.paragraph("body text that is longer")));
    Revision heading = Commands.setHeadingLevel(r, 1);
    Document d = heading.document();
    Paragraph h = d.paragraphs().getFirst();
    assertThat(d.headingLevel(h)).isEqualTo(1);
    Look seen = d.styles().textLook(d.styles().textBase(h.look()), h.lookAt(1));
    assertThat(seen.value(TextTraits.SIZE)).isEqualTo(26.0);
    assertThat(seen.value(TextTraits.BOLD)).isTrue();
    assertThat(seen.value(TextTraits.COLOUR)).isEqualTo(new Colour(0x1F3A93));
    Look paragraph = d.styles().paragraphLook(h.look());
    assertThat(paragraph.value(ParagraphTraits.SPACE_AFTER))
        .as("nor does the line move")
        .isEqualTo(
            r.document().styles().paragraphLook(p.look()).value(ParagraphTraits.SPACE_AFTER));
    Revision body = Commands.setHeadingLevel(heading, 0);
    assertThat(body.document().headingLevel(body.document().paragraphs().getFirst())).isZero();
    assertThat(heading.undo().document().paragraphs().getFirst()).isEqualTo(p);
  }

  @Test
  void aLineOfBodyTextTakesOnTheLookOfItsHeadingStyle() {
    Paragraph p = Samples.runs("Fuel", Look.of(TextTraits.ITALIC, true));
    Revision r = Revision.of(Samples.document(p, Samples.paragraph("body text that is longer")));
    Paragraph h = Commands.setHeadingLevel(r, 2).document().paragraphs().getFirst();
    assertThat(h.inlines().getFirst().look()).isEqualTo(Look.PLAIN);
    // And a heading changes its look with its level.
    Revision second =
        Revision.of(Samples.document(Samples.heading(2, "Fuel"), Samples.paragraph("b")));
    Paragraph first = Commands.setHeadingLevel(second, 1).document().paragraphs().getFirst();
    assertThat(first.inlines().getFirst().look()).isEqualTo(Look.PLAIN);
  }

  @Test
  void backspaceInFrontOfAHeadingTakesTheEmptyLineAboveAway() {
    Revision r =
        Revision.of(
            Samples.document(
                Samples.paragraph("before"), Samples.paragraph(""), Samples.heading(1, "Berths")));
    NodeId heading = r.document().paragraphs().getLast().id();
    Revision after =
        Commands.deleteBackward(r.withSelection(Selection.at(new Position(heading, 0))));
    assertThat(after.document().paragraphs())
        .extracting(Paragraph::text)
        .containsExactly("before", "Berths");
    assertThat(after.document().headingLevel(after.document().requireParagraph(heading)))
        .isEqualTo(1);
    assertThat(after.selection()).isEqualTo(Selection.at(new Position(heading, 0)));
    assertThat(after.undo().document().sections()).isEqualTo(r.document().sections());
    // The same from the empty line, and with all of the line before selected.
    NodeId empty = r.document().paragraphs().get(1).id();
    Revision forward =
        Commands.deleteForward(r.withSelection(Selection.at(new Position(empty, 0))));
    assertThat(forward.document().headingLevel(forward.document().paragraphs().getLast()))
        .isEqualTo(1);
    NodeId first = r.document().paragraphs().getFirst().id();
    Revision selected =
        Commands.deleteBackward(
            r.withSelection(new Selection(new Position(first, 0), new Position(heading, 2))));
    assertThat(selected.document().paragraphs())
        .extracting(Paragraph::text)
        .containsExactly("rths");
    assertThat(selected.document().headingLevel(selected.document().paragraphs().getFirst()))
        .isEqualTo(1);
  }

  @Test
  void aSelectionFromTheBodyIntoANoteHoldsNothing() {
    Document d = noted();
    NodeId body = d.index().order().getFirst();
    NodeId note = ((Paragraph) d.stories().values().iterator().next().blocks().getFirst()).id();
    for (var s :
        List.of(
            new Selection(new Position(body, 0), new Position(note, 1)),
            new Selection(new Position(note, 1), new Position(body, 0)))) {
      Revision r = Revision.of(d).withSelection(s);
      assertThat(Range.of(d, s).text(d)).isEmpty();
      assertThat(Commands.isSet(r, TextTraits.BOLD)).isFalse();
      assertThat(Commands.toggle(r, "Bold", TextTraits.BOLD).document()).isSameAs(d);
      assertThat(Commands.deleteBackward(r).document().paragraphs()).isEqualTo(d.paragraphs());
      assertThat(Commands.insert(r, "x").document().requireParagraph(s.anchor().paragraph()).text())
          .contains("x");
    }
  }

  @Test
  void theCaretGoesFromOneParagraphOfANoteToTheNext() {
    Document d = noted();
    List<NodeId> note =
        d.index()
            .orderAround(
                ((Paragraph) d.stories().values().iterator().next().blocks().getFirst()).id());
    assertThat(note).hasSize(2);
    Position end = new Position(note.getFirst(), d.requireParagraph(note.getFirst()).length());
    assertThat(Motion.nextCharacter(d, end)).isEqualTo(new Position(note.get(1), 0));
    assertThat(Motion.previousCharacter(d, new Position(note.get(1), 0))).isEqualTo(end);
    assertThat(Motion.previousCharacter(d, new Position(note.getFirst(), 0)))
        .isEqualTo(new Position(note.getFirst(), 0));
    Selection both = new Selection(new Position(note.getFirst(), 0), new Position(note.get(1), 2));
    assertThat(Range.of(d, both).text(d)).contains("\n");
  }

  @Test
  void aTableThatHoldsTheCaretIsDroppedAndTypingGoesOnBeside() {
    Document d =
        Samples.document(
            Samples.paragraph("above"),
            Samples.table(new String[] {"Berth", "Depth"}),
            Samples.paragraph("below"));
    Table t = (Table) d.sections().getFirst().blocks().get(1);
    NodeId inCell = t.rows().getFirst().cells().getFirst().blocks().getFirst().id();
    Revision r = Revision.of(d).withSelection(Selection.at(new Position(inCell, 0)));
    Revision dropped = StructureEdits.drop(r, List.of(t.id()));
    assertThat(dropped.document().paragraph(dropped.selection().caret().paragraph())).isPresent();
    Revision typed = Commands.insert(dropped, "goes on ");
    assertThat(typed.document().paragraphs()).anyMatch(p -> p.text().contains("goes on"));
    assertThat(typed.undo().undo().document().sections()).isEqualTo(d.sections());
    // A table made text keeps the caret where it was: its paragraphs are still there.
    assertThat(StructureEdits.text(r, t.id()).document().paragraph(inCell)).isPresent();
  }

  @Test
  void aHeadingStyleIsAddedWhereTheSheetHasNone() {
    Revision r = Commands.setHeadingLevel(revision("Deep"), 6);
    Document d = r.document();
    assertThat(d.headingLevel(d.paragraphs().getFirst())).isEqualTo(6);
    assertThat(r.undo().document().styles()).isEqualTo(Samples.styles());
  }

  @Test
  void boldTogglesOverMixedText() {
    Revision r =
        Revision.of(
            Samples.document(Samples.runs("ab", Look.PLAIN, "cd", Look.of(TextTraits.BOLD, true))));
    r = select(r, 0, 1, 0, 4);
    assertThat(Commands.isSet(r, TextTraits.BOLD)).isFalse();
    r = Commands.toggle(r, "Bold", TextTraits.BOLD);
    assertThat(Commands.isSet(r, TextTraits.BOLD)).isTrue();
    r = Commands.toggle(r, "Bold", TextTraits.BOLD);
    assertThat(Commands.isSet(r, TextTraits.BOLD)).isFalse();
    assertThat(r.selection().caret().offset()).isEqualTo(4);
  }

  @Test
  void boldChosenAtACaretGoesToWhatIsTypedNext() {
    Revision r = select(revision("ab"), 0, 1, 0, 1);
    r = Commands.insert(Commands.toggle(r, "Bold", TextTraits.BOLD), "X");
    Paragraph p = r.document().paragraphs().getFirst();
    assertThat(p.slice(1, 2).getFirst().look().value(TextTraits.BOLD)).isTrue();
    assertThat(p.slice(0, 1).getFirst().look().value(TextTraits.BOLD)).isFalse();
  }

  @Test
  void typingAtTheEndOfALinkDoesNotLengthenIt() {
    Look link = Look.of(TextTraits.LINK, new Link.External("https://harbour.example"));
    Revision r = Revision.of(Samples.document(Samples.runs("page", link)));
    Revision end = Commands.insert(select(r, 0, 4, 0, 4), "!");
    assertThat(end.document().paragraphs().getFirst().inlines()).hasSize(2);
    Revision inside = Commands.insert(select(r, 0, 2, 0, 2), "!");
    assertThat(inside.document().paragraphs().getFirst().inlines())
        .containsExactly(new Inline.Text("pa!ge", link));
  }

  @Test
  void paragraphTraitsGoToEveryParagraphTouched() {
    Revision r = select(revision("a", "b", "c"), 0, 1, 1, 0);
    r =
        Commands.setParagraph(
            r, "Centre", ParagraphTraits.ALIGNMENT, ParagraphTraits.Alignment.CENTRE);
    assertThat(r.document().paragraphs())
        .extracting(p -> p.look().value(ParagraphTraits.ALIGNMENT))
        .containsExactly(
            ParagraphTraits.Alignment.CENTRE,
            ParagraphTraits.Alignment.CENTRE,
            ParagraphTraits.Alignment.START);
  }

  @Test
  void pastedLinesBecomeParagraphs() {
    Revision r = Commands.insert(select(revision("AB"), 0, 1, 0, 1), "x\r\ny\nz");
    assertThat(texts(r)).containsExactly("Ax", "y", "zB");
    assertThat(texts(r.undo())).containsExactly("AB");
  }

  @Test
  void findingGoesRoundAndReplacingKeepsLooks() {
    Paragraph p = Samples.runs("Berth and ", Look.PLAIN, "BERTH", Look.of(TextTraits.BOLD, true));
    Revision r = Revision.of(Samples.document(p, Samples.paragraph("a berth")));
    var any = new Search.Query("berth", false);
    assertThat(Search.all(r.document(), any)).hasSize(3);
    assertThat(Search.all(r.document(), new Search.Query("berth", true))).hasSize(1);
    assertThat(Search.next(r.document(), any, at(r, 1, 5)).orElseThrow().anchor())
        .isEqualTo(at(r, 0, 0));
    assertThat(Search.previous(r.document(), any, at(r, 0, 0)).orElseThrow().anchor())
        .isEqualTo(at(r, 1, 2));
    Revision replaced = Search.replaceAll(r, any, "mooring");
    assertThat(texts(replaced)).containsExactly("mooring and mooring", "a mooring");
    assertThat(
            replaced
                .document()
                .paragraphs()
                .getFirst()
                .inlines()
                .getLast()
                .look()
                .value(TextTraits.BOLD))
        .isTrue();
    assertThat(texts(replaced.undo())).containsExactly("Berth and BERTH", "a berth");
  }

  @Test
  void thousandsOfRandomEditsUndoToTheStart() {
    long seed = 20261123;
    var random = new Random(seed);
    Document start = Samples.varied(seed, 12);
    Revision r = Revision.of(start);
    for (int k = 0; k < 3000; k++) {
      r = randomEdit(r, random);
      assertThat(r.document().paragraph(r.selection().caret().paragraph()))
          .as("seed %d, step %d: the caret stands in a paragraph that is there", seed, k)
          .isPresent();
    }
    Document last = r.document();
    while (r.canUndo()) {
      r = r.undo();
    }
    assertThat(r.document().paragraphs()).as("seed %d", seed).isEqualTo(start.paragraphs());
    assertThat(r.document().sections()).isEqualTo(start.sections());
    assertThat(r.document().lists()).isEqualTo(start.lists());
    while (r.canRedo()) {
      r = r.redo();
    }
    assertThat(r.document().sections()).as("seed %d, redone", seed).isEqualTo(last.sections());
    assertThat(r.document().lists()).isEqualTo(last.lists());
    assertThat(r.document().stories()).isEqualTo(last.stories());
  }

  @Test
  void contentsAreMadeFromTheHeadingsAndRenewed() {
    Document d =
        Samples.document(
            Samples.heading(1, "Berths"), Samples.paragraph("text"), Samples.heading(2, "Charges"));
    Revision r = Contents.renew(Revision.of(d));
    assertThat(r.document().paragraphs())
        .extracting(Paragraph::text)
        .startsWith("Berths\t\uFFFC", "Charges\t\uFFFC", "Berths");
    Paragraph entry = r.document().paragraphs().get(1);
    decant.model.Inline.Field f = (decant.model.Inline.Field) entry.inlines().getLast();
    assertThat(f.kind()).isEqualTo(decant.model.Inline.Field.Kind.PAGE_OF);
    assertThat(
            r.document()
                .paragraphs()
                .getLast()
                .look()
                .value(decant.model.look.ParagraphTraits.BOOKMARKS))
        .containsExactly(f.target());
    // A heading more; the contents that are there are renewed, not made a second time.
    Position end = Motion.documentEnd(r.document());
    Revision more = Commands.newParagraph(r.withSelection(Selection.at(end)));
    more = Commands.setHeadingLevel(Commands.insert(more, "Winter"), 1);
    Revision renewed = Contents.renew(more);
    assertThat(renewed.document().paragraphs())
        .filteredOn(p -> Contents.isEntry(renewed.document(), p))
        .extracting(Paragraph::text)
        .containsExactly("Berths\t\uFFFC", "Charges\t\uFFFC", "Winter\t\uFFFC");
    assertThat(renewed.undo().document().paragraphs()).isEqualTo(more.document().paragraphs());
  }

  /** Some edit at some place. */
  public static Revision randomEdit(Revision r, Random random) {
    List<decant.model.NodeId> order = r.document().index().order();
    Paragraph p = r.document().requireParagraph(order.get(random.nextInt(order.size())));
    Position a = new Position(p.id(), random.nextInt(p.length() + 1));
    Position b = a;
    if (random.nextInt(4) == 0) {
      int far =
          Math.min(
              order.size() - 1,
              r.document().index().ordinal(p.id()).orElseThrow() + random.nextInt(3));
      Paragraph q = r.document().requireParagraph(order.get(far));
      b = new Position(q.id(), random.nextInt(q.length() + 1));
    }
    Revision s = r.withSelection(new Selection(a, b));
    // What grows tables and documents is done while they are small.
    int kinds = order.size() < 250 ? 20 : 12;
    return switch (random.nextInt(20) % kinds) {
      case 0 -> Commands.newParagraph(s);
      case 1 -> Commands.deleteBackward(s);
      case 2 -> Commands.deleteForward(s);
      case 3 -> Commands.toggle(s, "Bold", TextTraits.BOLD);
      case 4 -> Commands.setHeadingLevel(s, random.nextInt(4));
      case 5 -> Commands.insert(s, "two\nlines");
      case 6 -> s.canUndo() && random.nextInt(3) == 0 ? r.undo() : Commands.insert(s, "x");
      case 7 -> ListEdits.toggle(s, random.nextBoolean());
      case 8 -> ListEdits.shift(s, random.nextBoolean() ? 1 : -1);
      case 9 -> ListEdits.goOn(ListEdits.startAt(s, random.nextInt(9)));
      case 10 -> TableEdits.deleteRows(s);
      case 11 -> random.nextBoolean() ? TableEdits.deleteColumns(s) : TableEdits.split(s);
      case 12 ->
          Copying.of(s.document(), s.selection())
              .map(f -> Pasting.paste(s.withSelection(Selection.at(at(r, 0, 0))), f))
              .orElse(s);
      case 13 -> TableEdits.insertRows(s, random.nextBoolean());
      case 14 -> TableEdits.insertColumns(s, random.nextBoolean());
      case 15 -> TableEdits.merge(s);
      case 16 ->
          random.nextInt(4) > 0
              ? TableEdits.go(s, random.nextBoolean() ? 1 : -1)
              : TableEdits.insert(r.withSelection(Selection.at(a)), 2, 3);
      case 17 -> WhileTyping.settled(Commands.insert(s, random.nextBoolean() ? "- " : " "));
      default -> Commands.insert(s, "quay ");
    };
  }
}
