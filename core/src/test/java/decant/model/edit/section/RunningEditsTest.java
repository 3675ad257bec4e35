package decant.model.edit.section;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.CaretPlace;
import decant.layout.Layout;
import decant.layout.Layouter;
import decant.layout.Places;
import decant.layout.pages.Page;
import decant.layout.pages.PageChange;
import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Section;
import decant.model.Selection;
import decant.model.Story;
import decant.model.edit.Commands;
import decant.model.edit.Motion;
import decant.model.edit.Revision;
import decant.model.edit.Search;
import decant.text.FontBook;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Headers and footers are written in where they stand. */
class RunningEditsTest {
  private static final Paragraph HEAD = Samples.paragraph("Saltmarsh Quay");

  private static final Story HEADER = new Story(NodeId.fresh(), Story.Kind.RUNNING, List.of(HEAD));

  /** Two sections of several pages each; both have the one header. */
  private static Document document(Map<Section.Running, Story> running) {
    return Samples.document(Samples.paragraph("x"))
        .withSections(List.of(section(running), section(running)));
  }

  private static Section section(Map<Section.Running, Story> running) {
    var blocks = new ArrayList<Block>();
    for (int k = 0; k < 60; k++) {
      blocks.add(Samples.paragraph(Samples.PROSE));
    }
    return new Section(NodeId.fresh(), PageSetup.A4, Section.Start.NEW_PAGE, running, blocks);
  }

  private static Revision at(Document d, NodeId paragraph, int offset) {
    return Revision.of(d).withSelection(Selection.at(new Position(paragraph, offset)));
  }

  private static String words(Layout l, Page p) {
    var out = new StringBuilder();
    Places.lines(l.running(p)).forEach(x -> out.append(x.paragraph().source().text()));
    return out.toString();
  }

  @Test
  void whatIsTypedInAHeaderStandsOnThePagesOfEverySectionThatHasIt() {
    Document d = document(Map.of(Section.Running.HEADER, HEADER));
    Revision r = Commands.insert(at(d, HEAD.id(), 9), " old");
    var layouter = new Layouter(FontBook.shipped());
    Layout before = layouter.layout(d);
    Layout after = layouter.layout(r.document());
    assertThat(after.pages().size()).isGreaterThanOrEqualTo(6);
    for (Page p : after.pages()) {
      assertThat(words(after, p)).isEqualTo("Saltmarsh old Quay");
      assertThat(p)
          .matches(x -> Places.lines(x).equals(Places.lines(before.pages().get(x.number() - 1))));
    }
    assertThat(after.pages().get(2) == before.pages().get(2)).as("not made again").isTrue();
    assertThat(r.undo().document().sections()).isEqualTo(d.sections());
  }

  /** An office that is renamed is renamed in its headers and notes too, and once in each. */
  @Test
  void textIsFoundAndReplacedInHeadersAndNotes() {
    Document d = document(Map.of(Section.Running.HEADER, HEADER));
    var note =
        new Story(
            NodeId.fresh(),
            Story.Kind.FOOTNOTE,
            List.of(Samples.paragraph("Told by Saltmarsh Quay.")));
    d = d.withStories(Map.of(note.id(), note));
    var query = new Search.Query("saltmarsh", false);
    assertThat(Search.all(d, query)).hasSize(2);
    Position at = new Position(d.index().order().getFirst(), 0);
    Selection first = Search.next(d, query, at).orElseThrow();
    Selection second = Search.next(d, query, first.caret()).orElseThrow();
    assertThat(List.of(first, second)).isEqualTo(Search.all(d, query));
    assertThat(Search.next(d, query, second.caret())).as("and round").contains(first);
    assertThat(Search.previous(d, query, second.anchor())).contains(first);
    Revision r = Search.replaceAll(Revision.of(d), query, "Eastmarsh");
    assertThat(Search.all(r.document(), query)).isEmpty();
    for (Section s : r.document().sections()) {
      Story head = s.running().get(Section.Running.HEADER);
      assertThat(((Paragraph) head.blocks().getFirst()).text()).isEqualTo("Eastmarsh Quay");
    }
    assertThat(r.undo().document().sections()).isEqualTo(d.sections());
  }

  @Test
  void aHeaderThatGrowsBeyondTheMarginMovesTheText() {
    Document d = document(Map.of(Section.Running.HEADER, HEADER));
    Revision r = at(d, HEAD.id(), 0);
    for (int k = 0; k < 8; k++) {
      r = Commands.newParagraph(r);
    }
    var layouter = new Layouter(FontBook.shipped());
    double top = Places.lines(layouter.layout(d).pages().getFirst()).getFirst().top();
    Layout after = layouter.layout(r.document());
    assertThat(Places.lines(after.pages().getFirst()).getFirst().top()).isGreaterThan(top + 20);
    assertThat(Places.lines(after.pages().getFirst()).getFirst().top())
        .as("as if it had been so from the beginning")
        .isEqualTo(Places.lines(Samples.layout(r.document()).pages().getFirst()).getFirst().top());
  }

  @Test
  void theCaretStandsOnThePageItWasPutOnAndAPointOnAHeaderMeansItsPlace() {
    Document d = document(Map.of(Section.Running.HEADER, HEADER));
    Layout l = Samples.layout(d);
    for (int page : new int[] {0, 3, l.pages().size() - 1}) {
      for (int k = 0; k <= HEAD.length(); k++) {
        var at = new Position(HEAD.id(), k);
        CaretPlace c = l.caret(at, page).orElseThrow();
        assertThat(c.page().number()).isEqualTo(page + 1);
        assertThat(l.positionAt(c.page(), c.x(), c.top() + c.height() / 2)).contains(at);
      }
      Page p = l.pages().get(page);
      Places.PlacedLine first = Places.lines(p).getFirst();
      assertThat(l.positionAt(p, first.left() + 1, first.top() + 1).orElseThrow().paragraph())
          .as("a point on the text means the text")
          .isEqualTo(first.paragraph().source().id());
      assertThat(l.positionAt(p, first.left() + 1, first.top() - 8).orElseThrow().paragraph())
          .as("so does one between them")
          .isEqualTo(first.paragraph().source().id());
    }
    assertThat(l.pagesOf(HEAD.id()).equals(l.pages())).isTrue();
  }

  @Test
  void wherePagesHaveNoneTheyGetOne() {
    Document d = document(Map.of());
    NodeId body = d.index().order().getFirst();
    Revision r = RunningEdits.go(at(d, body, 5), Section.Running.FOOTER);
    assertThat(RunningEdits.here(r))
        .hasValueSatisfying(h -> {
          assertThat(h.which()).isEqualTo(Section.Running.FOOTER);
          assertThat(h.sections()).isEqualTo(2);
        });
    r = RunningEdits.putField(Commands.insert(r, "Page "), Inline.Field.Kind.PAGE);
    Layout l = Samples.layout(r.document());
    assertThat(l.caret(r.selection().caret(), 4).orElseThrow().page().number()).isEqualTo(5);
    assertThat(l.caret(r.selection().caret(), 4).orElseThrow().top()).isGreaterThan(700);
    Revision removed = RunningEdits.remove(r);
    assertThat(removed.document().sections()).allMatch(s -> s.running().isEmpty());
    assertThat(removed.selection().caret()).isEqualTo(new Position(body, 0));
    assertThat(removed.undo().document().sections()).isEqualTo(r.document().sections());
    Revision none = r;
    while (none.canUndo()) {
      none = none.undo();
    }
    assertThat(none.document().sections()).isEqualTo(d.sections());
    assertThat(none.selection().caret()).isEqualTo(new Position(body, 5));
  }

  @Test
  void oneThatIsThereIsGoneToAndNotMadeAnew() {
    Document d = document(Map.of(Section.Running.HEADER, HEADER));
    Revision r = RunningEdits.go(Revision.of(d), Section.Running.HEADER);
    assertThat(r.document()).isSameAs(d);
    assertThat(r.selection().caret()).isEqualTo(new Position(HEAD.id(), 0));
    assertThat(Motion.all(d, r.selection().caret()))
        .isEqualTo(new Selection(new Position(HEAD.id(), 0), new Position(HEAD.id(), 14)));
    assertThat(RunningEdits.here(Revision.of(d))).isEqualTo(Optional.empty());
  }

  @Test
  void aSectionWithAHeaderOfItsOwnKeepsItWhenTheOthersGetOne() {
    Document d =
        Samples.document(Samples.paragraph("x"))
            .withSections(
                List.of(section(Map.of()), section(Map.of(Section.Running.HEADER, HEADER))));
    Revision r = RunningEdits.go(Revision.of(d), Section.Running.HEADER);
    assertThat(RunningEdits.here(r).orElseThrow().sections()).isEqualTo(1);
    assertThat(r.document().sections().get(1)).isSameAs(d.sections().get(1));
  }

  /** Only the strip with the header is painted again, not the page. */
  @Test
  void onlyTheHeaderLooksDifferent() {
    Document d = document(Map.of(Section.Running.HEADER, HEADER));
    var layouter = new Layouter(FontBook.shipped());
    Layout a = layouter.layout(d);
    Layout b = layouter.layout(Commands.insert(at(d, HEAD.id(), 9), "s").document());
    Page p = b.pages().get(2);
    Optional<PageChange> c = PageChange.ofRunning(a.running(p), b.running(p), 842);
    assertThat(c).hasValueSatisfying(x -> assertThat(x.bottom()).isLessThan(100));
    assertThat(PageChange.ofRunning(a.running(p), a.running(p), 842)).isEmpty();
  }

  /** The header is empty there; the footer says what it said. */
  @Test
  void theFirstPageGetsAHeaderOfItsOwnAndGivesItBack() {
    Document d = Samples.varied(2, 30);
    Revision footer = RunningEdits.go(Revision.of(d), Section.Running.FOOTER);
    footer = Commands.insert(footer, "Saltmarsh Quay");
    Revision r = RunningEdits.go(footer, Section.Running.HEADER);
    r = Commands.insert(r, "Berths");
    assertThat(RunningEdits.isApart(r, RunningEdits.Apart.FIRST)).isFalse();
    Revision own = RunningEdits.apart(r, RunningEdits.Apart.FIRST, true);
    Section s = own.document().sections().getFirst();
    assertThat(words(s.runningFor(true, true, 1))).isEmpty();
    assertThat(words(s.runningFor(true, false, 2))).isEqualTo("Berths");
    assertThat(words(s.runningFor(false, true, 1))).isEqualTo("Saltmarsh Quay");
    Revision there = RunningEdits.go(own, Section.Running.HEADER_FIRST);
    there = Commands.insert(there, "Notice");
    assertThat(words(there.document().sections().getFirst().runningFor(true, true, 1)))
        .isEqualTo("Notice");
    Revision back = RunningEdits.apart(there, RunningEdits.Apart.FIRST, false);
    assertThat(words(back.document().sections().getFirst().runningFor(true, true, 1)))
        .isEqualTo("Berths");
    assertThat(back.document().paragraph(back.selection().caret().paragraph())).isPresent();
    assertThat(words(back.undo().document().sections().getFirst().runningFor(true, true, 1)))
        .isEqualTo("Notice");
  }

  private static String words(java.util.Optional<Story> text) {
    return decant.model.walk.Walk.paragraphs(text.orElseThrow().blocks()).getFirst().text();
  }
}
