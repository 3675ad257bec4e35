package decant.model.edit;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.label.ListLabels;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.look.Link;
import decant.model.look.ListDefinition;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class ListEditsTest {
  private static Revision revision(String... texts) {
    var blocks = new decant.model.Block[texts.length];
    for (int k = 0; k < texts.length; k++) {
      blocks[k] = Samples.paragraph(texts[k]);
    }
    return Revision.of(Samples.document(blocks));
  }

  private static Revision at(Revision r, int paragraph, int offset) {
    NodeId id = r.document().index().order().get(paragraph);
    return r.withSelection(Selection.at(new Position(id, offset)));
  }

  private static Revision all(Revision r) {
    return r.withSelection(
        new Selection(Motion.documentStart(r.document()), Motion.documentEnd(r.document())));
  }

  /** Each paragraph as it is read on the page: its label, and its text. */
  private static List<String> shown(Revision r) {
    Map<NodeId, String> labels = ListLabels.of(r.document());
    return r.document().paragraphs().stream()
        .map(p -> (labels.getOrDefault(p.id(), "") + " " + p.text()).strip())
        .toList();
  }

  private static int depth(Revision r, int paragraph) {
    Document d = r.document();
    return ListEdits.item(d, d.paragraphs().get(paragraph)).map(ListMembership::depth).orElse(-1);
  }

  private static Revision typed(Revision r, String text) {
    Revision now = r;
    for (String c : text.split("")) {
      now = Commands.insert(now, c);
      now = c.equals(" ") ? WhileTyping.settled(now) : now;
    }
    return now;
  }

  @Test
  void whatIsSelectedBecomesAListAndTextAgain() {
    Revision r = ListEdits.toggle(all(revision("oars", "rope", "fenders")), true);
    assertThat(shown(r)).containsExactly("1. oars", "2. rope", "3. fenders");
    r = ListEdits.toggle(r, false);
    assertThat(shown(r)).containsExactly("• oars", "• rope", "• fenders");
    r = ListEdits.toggle(r, false);
    assertThat(shown(r)).containsExactly("oars", "rope", "fenders");
    assertThat(r.document().paragraphs())
        .extracting(p -> p.look().value(ParagraphTraits.INDENT_START))
        .containsOnly(0.0);
    assertThat(shown(r.undo().undo())).containsExactly("1. oars", "2. rope", "3. fenders");
  }

  @Test
  void aListGoesOnWithTheItemAbove() {
    Revision r = ListEdits.toggle(at(revision("oars", "rope"), 0, 0), true);
    r = ListEdits.toggle(at(r, 1, 0), true);
    assertThat(shown(r)).containsExactly("1. oars", "2. rope");
  }

  @Test
  void enterInAnItemWithoutTextLeavesTheList() {
    Revision r = ListEdits.toggle(at(revision("oars"), 0, 4), true);
    r = Commands.newParagraph(r);
    assertThat(shown(r)).containsExactly("1. oars", "2.");
    r = Commands.newParagraph(r);
    assertThat(shown(r)).containsExactly("1. oars", "");
    assertThat(shown(Commands.insert(r, "Rope."))).containsExactly("1. oars", "Rope.");
  }

  @Test
  void backspaceTakesTheMarkOffThenMovesOutThenJoins() {
    Revision r = ListEdits.toggle(all(revision("oars", "rope")), false);
    r = Commands.deleteBackward(at(r, 1, 0));
    assertThat(shown(r)).containsExactly("• oars", "rope");
    double stays = r.document().paragraphs().get(1).look().value(ParagraphTraits.INDENT_START);
    assertThat(stays).as("the text stays where it was").isEqualTo(18);
    r = Commands.deleteBackward(r);
    assertThat(r.document().paragraphs().get(1).look().value(ParagraphTraits.INDENT_START))
        .isZero();
    r = Commands.deleteBackward(r);
    assertThat(shown(r)).containsExactly("• oarsrope");
  }

  @Test
  void itemsMoveInAndOutByLevels() {
    Revision r = ListEdits.toggle(all(revision("oars", "spare", "rope")), true);
    r = ListEdits.shift(at(r, 1, 0), 1);
    assertThat(shown(r)).containsExactly("1. oars", "a. spare", "2. rope");
    assertThat(ListEdits.movesByTab(at(r, 1, 0))).isTrue();
    assertThat(ListEdits.movesByTab(at(r, 1, 2))).as("a tab within the text is typed").isFalse();
    for (int k = 0; k < 20; k++) {
      r = ListEdits.shift(at(r, 1, 0), 1);
    }
    assertThat(depth(r, 1)).isEqualTo(8);
    r = ListEdits.shift(ListEdits.shift(at(r, 0, 0), -1), -1);
    assertThat(depth(r, 0)).isZero();
  }

  /** A list that came with one level, as those of converted documents do. */
  @Test
  void anItemGoesDeeperThanItsListHadLevels() {
    Revision r = ListEdits.toggle(all(revision("oars", "rope", "fenders")), true);
    Document d = r.document();
    ListDefinition own = d.lists().values().iterator().next();
    var flat = new ListDefinition(own.id(), List.of(own.levels().getFirst()));
    r = Revision.of(d.withLists(Map.of(own.id(), flat)));
    r = ListEdits.shift(at(r, 1, 0), 1);
    assertThat(shown(r)).containsExactly("1. oars", "1. rope", "2. fenders");
    Look first = r.document().lists().get(own.id()).level(0).paragraph();
    Look second = r.document().lists().get(own.id()).level(1).paragraph();
    assertThat(second.value(ParagraphTraits.INDENT_START))
        .isGreaterThan(first.value(ParagraphTraits.INDENT_START));
    assertThat(r.undo().document().lists()).containsEntry(own.id(), flat);
  }

  @Test
  void countingBeginsAnewFromANumberAndGoesOnAgain() {
    Revision r = ListEdits.toggle(all(revision("oars", "rope", "bell", "lamp")), true);
    r = ListEdits.startAt(at(r, 2, 0), 7);
    assertThat(shown(r)).containsExactly("1. oars", "2. rope", "7. bell", "8. lamp");
    r = ListEdits.goOn(at(r, 2, 0));
    assertThat(shown(r)).containsExactly("1. oars", "2. rope", "3. bell", "4. lamp");
    assertThat(shown(r.undo().undo())).endsWith("4. lamp");
  }

  @Test
  void marksAreWrittenOtherwise() {
    Revision r = ListEdits.toggle(all(revision("oars", "rope")), true);
    r = ListEdits.format(r, NumberFormat.UPPER_ROMAN, "(%1)");
    assertThat(shown(r)).containsExactly("(I) oars", "(II) rope");
  }

  @Test
  void aMarkThatIsTypedMakesAListAndOneUndoTakesThatBack() {
    Revision bullets = typed(revision(""), "- oars");
    assertThat(shown(bullets)).containsExactly("– oars");
    Revision numbers = typed(revision(""), "1. oars");
    assertThat(shown(numbers)).containsExactly("1. oars");
    Revision before = typed(revision(""), "1. ");
    assertThat(shown(before.undo())).containsExactly("1.");
    assertThat(before.undo().document().paragraphs().getFirst().text()).isEqualTo("1. ");
  }

  @Test
  void datesAndAmountsMakeNoList() {
    for (String s : List.of("24. December", "10. entry", "2. mooring", "x. y", "a. b")) {
      assertThat(shown(typed(revision(""), s))).as(s).containsExactly(s);
    }
    Revision r = typed(at(typed(revision("", ""), "1. oars"), 1, 0), "2. rope");
    assertThat(shown(r)).as("below item 1").containsExactly("1. oars", "2. rope");
  }

  @Test
  void anAddressThatIsTypedBecomesALink() {
    for (String[] one :
        new String[][] {
          {"https://quay.example/tides", "https://quay.example/tides"},
          {"www.quay.example", "https://www.quay.example"},
          {"office@quay.example", "mailto:office@quay.example"}
        }) {
      Revision r = typed(revision(""), "See " + one[0] + ", ");
      Paragraph p = r.document().paragraphs().getFirst();
      assertThat(p.slice(4, 4 + one[0].length()))
          .allMatch(i ->
              i.look()
                  .get(TextTraits.LINK)
                  .equals(java.util.Optional.of(new Link.External(one[1]))));
      assertThat(p.lookAt(p.length()).sets(TextTraits.LINK)).as("not the comma").isFalse();
      assertThat(p.text()).isEqualTo("See " + one[0] + ", ");
      assertThat(r.undo().document().paragraphs().getFirst().inlines())
          .as("one undo takes it back")
          .noneMatch(i -> i.look().sets(TextTraits.LINK));
    }
    Revision ended = Commands.newParagraph(typed(revision(""), "www.quay.example"));
    Paragraph first = WhileTyping.settled(ended).document().paragraphs().getFirst();
    assertThat(first.lookAt(5).sets(TextTraits.LINK)).as("ended by Enter").isTrue();
    for (String s : List.of("3.5 m ", "e.g. ", "a@b ", "Berth no.7 ")) {
      assertThat(typed(revision(""), s).document().paragraphs().getFirst().inlines())
          .as(s)
          .noneMatch(i -> i.look().sets(TextTraits.LINK));
    }
  }
}
