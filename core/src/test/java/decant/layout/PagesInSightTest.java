package decant.layout;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.item.Item;
import decant.layout.pages.Page;
import decant.model.Document;
import decant.model.Position;
import decant.model.Selection;
import decant.model.edit.Commands;
import decant.model.edit.Revision;
import decant.model.edit.section.PageEdits;
import decant.model.look.Look;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.text.FontBook;
import java.util.List;
import org.junit.jupiter.api.Test;

class PagesInSightTest {
  private final Document before = Samples.varied(5, 600);
  private final Layouter layouter = new Layouter(FontBook.shipped());
  private final Layout shown = layouter.layout(before);
  private final int middle = shown.pages().size() / 2;

  private static Document larger(Document d, double size) {
    StyleSheet s = d.styles();
    return d.withStyles(
        new StyleSheet(
            s.paragraphDefaults(),
            Look.of(TextTraits.FAMILY, "Liberation Serif").with(TextTraits.SIZE, size),
            s.defaultStyle(),
            s.styles()));
  }

  private static Places.PlacedLine firstLine(Layout l, int page) {
    return Places.lines(l.pages().get(page)).getFirst();
  }

  /** Pages out of sight are those of before; their sections have other numbers since. */
  @Test
  void pagesOutOfSightBelongToTheSectionsThatThereAre() {
    Revision r = Revision.of(before);
    for (int at : new int[] {20, 200, 400}) {
      var place = new Position(before.index().order().get(at), 0);
      r = PageEdits.begin(r.withSelection(Selection.at(place)));
    }
    Layout cut = new Layouter(FontBook.shipped()).layout(r.document());
    Revision joined = PageEdits.join(PageEdits.join(PageEdits.join(r).undo()));
    Revision other = PageEdits.join(joined);
    for (Document d : List.of(r.document(), joined.document(), other.document(), before)) {
      for (Layout l : List.of(shown, cut)) {
        Layout now = new Layouter(FontBook.shipped()).inSight(d, l, 3, 2);
        for (Page p : now.pages()) {
          assertThat(p.section()).isBetween(0, d.sections().size() - 1);
          assertThat(now.pinned(p)).isEmpty();
          assertThat(now.running(p)).isEmpty();
        }
      }
    }
  }

  @Test
  void aChangeOfStyleShowsFirstOnThePagesInSight() {
    Document after = larger(before, 13);
    Layout now = layouter.inSight(after, shown, middle, 2);
    assertThat(now.complete()).isFalse();
    assertThat(now.document()).isSameAs(after);
    assertThat(now.pages().subList(0, middle))
        .as("what is above stays as it was")
        .isEqualTo(shown.pages().subList(0, middle));
    Places.PlacedLine was = firstLine(shown, middle);
    for (int k = middle; k < middle + 2; k++) {
      assertThat(Places.lines(now.pages().get(k)))
          .as("page %d is set anew", k + 1)
          .allSatisfy(l ->
              assertThat(l.line().items())
                  .filteredOn(i -> i instanceof Item.GlyphRun)
                  .allSatisfy(
                      i -> assertThat(((Item.GlyphRun) i).size()).isGreaterThanOrEqualTo(13)));
    }
    Places.PlacedLine is = firstLine(now, middle);
    assertThat(is.paragraph().source().id()).isEqualTo(was.paragraph().source().id());
    assertThat(was.line().from())
        .as("the page begins with the same words")
        .isBetween(is.line().from(), is.line().to());
    assertThat(numbers(now)).isEqualTo(numbers(shown).subList(0, now.pages().size()));
    assertThat(starts(now)).isSorted();
    assertThat(Rich.shape(layouter.layout(after)))
        .as("all pages, when they are made")
        .isEqualTo(Rich.shape(Samples.layout(after)));
  }

  private static List<Integer> numbers(Layout l) {
    return l.pages().stream().map(Page::number).toList();
  }

  private static List<Integer> starts(Layout l) {
    return l.pages().stream().map(p -> p.start().at().block()).toList();
  }

  @Test
  void pagesThatTheNewOnesReachOverAreNotShownTwice() {
    Layout now = layouter.inSight(larger(before, 6), shown, middle, 3);
    assertThat(now.pages()).hasSizeLessThan(shown.pages().size());
    assertThat(starts(now)).isSorted();
    assertThat(numbers(now))
        .isEqualTo(java.util.stream.IntStream.rangeClosed(1, now.pages().size()).boxed().toList());
  }

  /** Typing goes on while pages are still made for an earlier change. */
  @Test
  void aPlaceInSightIsFoundThoughBlocksBeforeItCameAndWent() {
    Revision r = Revision.of(larger(before, 13));
    Layout now = layouter.inSight(r.document(), shown, middle, 2);
    Position start = new Position(firstLine(now, middle).paragraph().source().id(), 0);
    Position above = new Position(before.paragraphs().get(2).id(), 3);
    r = Commands.newParagraph(r.withSelection(Selection.at(above)));
    r = Commands.newParagraph(r.withSelection(Selection.at(start)));
    Position typed = r.selection().caret();
    Layout then = layouter.inSight(r.document(), now, middle, 2);
    assertThat(then.caret(typed)).isPresent();
    assertThat(then.caret(typed).get().page().number()).isEqualTo(middle + 1);
    assertThat(starts(then)).isSorted();
  }

  @Test
  void nothingIsLostWhereTheFirstPlaceInSightIsGone() {
    Revision r = Revision.of(before);
    Position from = new Position(firstLine(shown, middle - 1).paragraph().source().id(), 0);
    Position to = new Position(firstLine(shown, middle + 1).paragraph().source().id(), 0);
    r = Commands.deleteBackward(r.withSelection(new Selection(from, to)));
    Layout now = layouter.inSight(larger(r.document(), 12), shown, middle, 2);
    assertThat(now.pages()).isNotEmpty();
    assertThat(starts(now)).isSorted();
  }

  @Test
  void aWorkThatWasBrokenOffLeavesWhatWasMadeBefore() {
    Position at = new Position(before.paragraphs().get(4).id(), 2);
    Revision r = Commands.insert(Revision.of(before).withSelection(Selection.at(at)), "x");
    Layout cut = layouter.layout(r.document(), () -> true, 10, l -> {});
    r = Commands.insert(r, "y");
    Layout all = layouter.layout(r.document());
    assertThat(Rich.shape(all)).isEqualTo(Rich.shape(Samples.layout(r.document())));
    assertThat(all.pages().getLast())
        .as("pages after the change are taken over")
        .isSameAs(shown.pages().getLast());
    assertThat(cut.pages().size()).isLessThanOrEqualTo(all.pages().size());
  }
}
