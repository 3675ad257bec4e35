package decant.model.edit;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.KeptPart;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.Kept;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What is selected, put in elsewhere: nothing of it is lost, and nothing of it is there twice. */
class CopyPasteTest {
  private static final Look RED = Look.of(TextTraits.COLOUR, Colour.parse("B3261E"));

  private static Position at(Document d, int paragraph, int offset) {
    return new Position(d.index().order().get(paragraph), offset);
  }

  private static Fragment copied(Document d, int p1, int o1, int p2, int o2) {
    return Copying.of(d, new Selection(at(d, p1, o1), at(d, p2, o2))).orElseThrow();
  }

  private static Revision pasted(Document into, int paragraph, int offset, Fragment f) {
    return Pasting.paste(
        Revision.of(into).withSelection(Selection.at(at(into, paragraph, offset))), f);
  }

  private static List<String> texts(Revision r) {
    return r.document().paragraphs().stream().map(Paragraph::text).toList();
  }

  @Test
  void aPartOfALineKeepsItsLook() {
    Document d =
        Samples.document(
            Samples.runs("Berths are ", Look.PLAIN, "closed", RED, " in winter.", Look.PLAIN),
            Samples.paragraph("Note: "));
    Revision r = pasted(d, 1, 6, copied(d, 0, 7, 0, 20));
    assertThat(texts(r)).last().isEqualTo("Note: are closed in");
    assertThat(r.document().paragraphs().getLast().slice(10, 16))
        .containsExactly(new Inline.Text("closed", RED));
    assertThat(r.selection()).isEqualTo(Selection.at(at(r.document(), 1, 19)));
    assertThat(texts(r.undo())).containsExactly("Berths are closed in winter.", "Note: ");
  }

  /** A formula stands alone; a chart leads to a part of its file, which another file has not. */
  @Test
  void whatIsKeptGoesWhereItLeadsSomewhere() {
    var formula = new Kept("docx", "<m:oMath><m:r><m:t>x</m:t></m:r></m:oMath>");
    var chart = new Kept("docx", "<w:r><c:chart r:id=\"rId4\"/></w:r>");
    Document plain =
        Samples.document(
            Samples.inlines(
                new Inline.Text("a", Look.PLAIN),
                new Inline.KeptInline(formula, "x", Look.PLAIN),
                new Inline.KeptInline(chart, "[chart]", RED),
                new Inline.Text("b", Look.PLAIN)),
            Samples.paragraph("end"));
    Document d =
        Document.of(
            plain.metadata(),
            plain.styles(),
            plain.lists(),
            plain.sections(),
            plain.stories(),
            plain.media(),
            List.of(new KeptPart("docx", "word/charts/chart1.xml", "", new byte[] {1})));
    Fragment f = copied(d, 0, 0, 0, 4);
    assertThat(pasted(d, 1, 0, f).document().paragraphs().get(1).inlines())
        .startsWith(d.paragraphs().getFirst().inlines().subList(0, 3).toArray(Inline[]::new));
    Document other = Samples.document(Samples.paragraph(""));
    assertThat(pasted(other, 0, 0, f).document().paragraphs().getFirst().inlines())
        .containsExactly(
            new Inline.Text("a", Look.PLAIN),
            new Inline.KeptInline(formula, "x", Look.PLAIN),
            new Inline.Text("[chart]", RED),
            new Inline.Text("b", Look.PLAIN));
  }

  @Test
  void severalParagraphsAndATableComeWhole() {
    Document d =
        Samples.document(
            Samples.heading(1, "Rules"),
            Samples.paragraph("All boats."),
            Samples.table(new String[] {"A1", "6 m"}, new String[] {"A2", "8 m"}),
            Samples.paragraph("Ends here."));
    Fragment f = copied(d, 0, 0, 6, 5);
    assertThat(f.blocks()).hasSize(4);
    Document other = Samples.document(Samples.paragraph("Before and after."));
    Revision r = pasted(other, 0, 7, f);
    assertThat(texts(r))
        .containsExactly("Before Rules", "All boats.", "A1", "6 m", "A2", "8 m", "Ends and after.");
    Revision empty = pasted(Samples.document(Samples.paragraph("")), 0, 0, f);
    assertThat(empty.document().headingLevel(empty.document().paragraphs().getFirst()))
        .as("a paragraph without text takes on the look of what comes")
        .isEqualTo(1);
    assertThat(texts(r.undo())).containsExactly("Before and after.");
    assertThat(texts(r.undo().redo())).isEqualTo(texts(r));
  }

  @Test
  void everythingPastedHasAnIdentityOfItsOwn() {
    Document d =
        Samples.document(
            Samples.table(new String[] {"A1", "6 m"}),
            Samples.paragraph("one"),
            Samples.paragraph("two"));
    Fragment f = copied(d, 0, 0, 3, 3);
    Revision r = Revision.of(d).withSelection(Selection.at(at(d, 3, 3)));
    r = Pasting.paste(Pasting.paste(r, f), f);
    var ids = new HashSet<NodeId>();
    List<Paragraph> all = r.document().paragraphs();
    all.forEach(p -> ids.add(p.id()));
    assertThat(ids).hasSameSizeAs(all);
    assertThat(all.stream().filter(p -> p.text().equals("A1"))).hasSize(3);
  }

  @Test
  void partOfATableIsCopiedAsItsCells() {
    Document d =
        Samples.document(
            Samples.table(
                new String[] {"A1", "6"}, new String[] {"A2", "8"}, new String[] {"A3", "9"}),
            Samples.paragraph("end"));
    Fragment f = copied(d, 2, 1, 5, 0);
    assertThat(f.blocks())
        .singleElement()
        .isInstanceOfSatisfying(
            Table.class,
            t -> assertThat(t.rows()).hasSize(2).allMatch(row -> row.cells().size() == 2));
    assertThat(copied(d, 2, 0, 2, 2).blocks())
        .as("within one cell, text")
        .singleElement()
        .isInstanceOf(Paragraph.class);
  }

  private static Document noted() {
    NodeId note = NodeId.fresh();
    Paragraph body =
        Samples.inlines(
            new Inline.Text("Depths", Look.PLAIN),
            new Inline.NoteMark(note, Look.PLAIN),
            new Inline.Text(" are charted.", Look.PLAIN));
    Paragraph own =
        Samples.inlines(
            new Inline.NoteMark(note, Look.PLAIN), new Inline.Text(" At low water.", Look.PLAIN));
    var story = new Story(note, Story.Kind.FOOTNOTE, List.of(own));
    return Samples.document(body, Samples.paragraph("")).withStories(Map.of(note, story));
  }

  @Test
  void aNoteIsCopiedWithItsMarkAndHasAStoryOfItsOwn() {
    Document d = noted();
    Revision r = pasted(d, 1, 0, copied(d, 0, 0, 0, 20));
    assertThat(r.document().stories()).hasSize(2);
    Inline.NoteMark mark =
        (Inline.NoteMark)
            r.document().paragraphs().getLast().inlines().stream()
                .filter(i -> i instanceof Inline.NoteMark)
                .findFirst()
                .orElseThrow();
    Story copy = r.document().stories().get(mark.note());
    assertThat(copy).isNotNull();
    assertThat(((Paragraph) copy.blocks().getFirst()).inlines().getFirst())
        .as("its text shows its own label")
        .isEqualTo(new Inline.NoteMark(mark.note(), Look.PLAIN));
    assertThat(r.undo().document().stories()).isEqualTo(d.stories());
    assertThat(r.undo().redo().document().stories()).isEqualTo(r.document().stories());
  }

  @Test
  void withTheMarkOfANoteGoesItsText() {
    Document d = noted();
    Revision r = Revision.of(d).withSelection(Selection.at(at(d, 0, 7)));
    Revision gone = Commands.deleteBackward(r);
    assertThat(texts(gone).getFirst()).isEqualTo("Depths are charted.");
    assertThat(gone.document().stories()).isEmpty();
    assertThat(gone.undo().document().stories()).isEqualTo(d.stories());
    assertThat(gone.undo().redo().document().stories()).isEmpty();
    Revision moved = StructureEdits.move(r, d.index().order().getFirst(), false);
    assertThat(moved.document().stories()).as("moved, not deleted").isEqualTo(d.stories());
    Revision twice = pasted(d, 1, 0, copied(d, 0, 0, 0, 20));
    Revision one =
        Commands.deleteBackward(twice.withSelection(Selection.at(at(twice.document(), 1, 7))));
    assertThat(one.document().stories()).as("the other one stays").hasSize(1);
  }

  @Test
  void thereIsNoNoteWithinANote() {
    Document d = noted();
    Fragment f = copied(d, 0, 0, 0, 20);
    NodeId inNote = d.stories().values().iterator().next().blocks().getFirst().id();
    Revision r =
        Pasting.paste(Revision.of(d).withSelection(Selection.at(new Position(inNote, 1))), f);
    assertThat(r.document().requireParagraph(inNote).text())
        .isEqualTo("\uFFFCDepths are charted. At low water.");
    assertThat(r.document().stories()).hasSize(1);
  }

  @Test
  void itemsGoOnInTheirListAndComeWithItIntoOtherDocuments() {
    Document plain = Samples.document(Samples.paragraph("oars"), Samples.paragraph("rope"));
    Revision list =
        ListEdits.toggle(
            Revision.of(plain)
                .withSelection(
                    new Selection(Motion.documentStart(plain), Motion.documentEnd(plain))),
            true);
    Fragment f = copied(list.document(), 0, 0, 1, 4);
    Revision within = pasted(list.document(), 1, 4, f);
    assertThat(within.document().lists()).isEqualTo(list.document().lists());
    Revision other = pasted(Samples.document(Samples.paragraph("")), 0, 0, f);
    assertThat(other.document().paragraphs())
        .allMatch(p -> ListEdits.item(other.document(), p).isPresent());
  }

  @Test
  void aStyleThatIsMissingComesAlong() {
    var notice =
        new NamedStyle(
            "Notice",
            "Notice",
            NamedStyle.Kind.PARAGRAPH,
            Optional.empty(),
            Look.PLAIN,
            RED,
            List.of());
    Document d =
        Document.of(
            Samples.styles().with(notice),
            List.<Block>of(Paragraph.of(Look.of(ParagraphTraits.STYLE, "Notice"), "No entry")));
    Revision r = pasted(Samples.document(Samples.paragraph("")), 0, 0, copied(d, 0, 0, 0, 8));
    Paragraph p = r.document().paragraphs().getFirst();
    assertThat(r.document().styles().textBase(p.look()).value(TextTraits.COLOUR))
        .isEqualTo(Colour.parse("B3261E"));
    assertThat(r.undo().document().styles().style("Notice")).isEmpty();
  }

  @Test
  void whatIsSelectedIsReplacedAndOneUndoBringsItBack() {
    Document d = Samples.document(Samples.paragraph("The old words."), Samples.paragraph("new"));
    Fragment f = copied(d, 1, 0, 1, 3);
    Revision r =
        Pasting.paste(Revision.of(d).withSelection(new Selection(at(d, 0, 4), at(d, 0, 7))), f);
    assertThat(texts(r)).containsExactly("The new words.", "new");
    assertThat(texts(r.undo())).containsExactly("The old words.", "new");
  }

  @Test
  void manyLinesAreFewSteps() {
    Document d = Samples.document(Samples.paragraph("ab"));
    String lines = "line\n".repeat(200) + "last";
    Revision r = Commands.insert(Revision.of(d).withSelection(Selection.at(at(d, 0, 1))), lines);
    assertThat(texts(r)).hasSize(201).startsWith("aline", "line").endsWith("line", "lastb");
    assertThat(r.history().lastDone().orElseThrow().edit().steps()).hasSizeLessThan(6);
  }
}
