package decant.layout;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.item.Fragment;
import decant.layout.item.Item;
import decant.layout.label.NoteLabels;
import decant.layout.pages.Page;
import decant.model.Block;
import decant.model.Box;
import decant.model.Columns;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.PageNumbers;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Section;
import decant.model.Story;
import decant.model.edit.CommandsTest;
import decant.model.edit.Revision;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Placement;
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Origin;
import decant.model.look.Placement.Wrap;
import decant.model.look.TableTraits;
import decant.model.look.TextFrame;
import decant.model.look.VerticalAlignment;
import decant.text.FontBook;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** What stands where on pages: columns, notes, what text flows around, sections, page numbers. */
class PagesTest {
  private static List<Places.PlacedLine> lines(Layout l, int page) {
    return Places.lines(l.pages().get(page));
  }

  private static String textOf(Places.PlacedLine l) {
    return l.paragraph().source().text().substring(l.line().from(), l.line().to()).strip();
  }

  private static Block[] prose(int paragraphs) {
    var out = new Block[paragraphs];
    for (int k = 0; k < paragraphs; k++) {
      out[k] = Samples.paragraph(k + " " + Samples.PROSE.repeat(2));
    }
    return out;
  }

  @Test
  void columnsAreFilledOneAfterTheOther() {
    PageSetup two = Rich.a4(Columns.equal(2, 24, true));
    Layout l =
        Samples.layout(new Rich().section(two, Section.Start.NEW_PAGE, prose(40)).document());
    double middle = two.margins().left() + two.textWidth() / 2;
    List<Places.PlacedLine> page = lines(l, 0);
    assertThat(page)
        .allSatisfy(x -> {
          boolean left = x.x() < middle;
          double right = x.x() + x.paragraph().width();
          assertThat(right)
              .isLessThanOrEqualTo(
                  left ? middle - 11.9 : two.width() - two.margins().right() + 0.1);
        });
    int turn = 0;
    while (page.get(turn).x() < middle) {
      turn++;
    }
    assertThat(page.subList(turn, page.size())).allMatch(x -> x.x() > middle);
    assertThat(page.get(turn - 1).bottom()).isGreaterThan(page.get(turn).bottom() + 500);
    assertThat(l.pages().getFirst().columnRules())
        .singleElement()
        .satisfies(r -> {
          assertThat(r.x() + r.width() / 2).isBetween(middle - 0.1, middle + 0.1);
        });
  }

  @Test
  void columnsOfASectionThatGoesOnAreBalanced() {
    PageSetup three = Rich.a4(Columns.equal(3, 18, false));
    Layout l =
        Samples.layout(
            new Rich()
                .section(Rich.a4(Columns.ONE), Section.Start.NEW_PAGE, Samples.paragraph("above"))
                .section(three, Section.Start.CONTINUOUS, prose(9))
                .section(Rich.a4(Columns.ONE), Section.Start.CONTINUOUS, Samples.paragraph("below"))
                .document());
    assertThat(l.pages()).hasSize(1);
    double[] bottoms = new double[3];
    for (Places.PlacedLine x : lines(l, 0)) {
      if (x.paragraph().width() < 200) {
        int column = (int) ((x.x() - three.margins().left()) / (three.textWidth() / 3));
        bottoms[column] = Math.max(bottoms[column], x.bottom());
      }
    }
    double lowest = Math.max(bottoms[0], Math.max(bottoms[1], bottoms[2]));
    double line = lines(l, 0).getFirst().line().height();
    // As even as whole lines and pairs of them allow.
    for (double b : bottoms) {
      assertThat(lowest - b).isLessThan(6 * line);
    }
    assertThat(lines(l, 0).getLast().top()).isGreaterThan(lowest - 0.1).isLessThan(lowest + 30);
  }

  @Test
  void aColumnBreakEndsTheColumnAndWithOneColumnThePage() {
    String broken = "first" + Inline.COLUMN_BREAK + "second";
    Layout two =
        Samples.layout(
            new Rich()
                .section(
                    Rich.a4(Columns.equal(2, 24, false)),
                    Section.Start.NEW_PAGE,
                    Samples.paragraph(broken))
                .document());
    assertThat(two.pages()).hasSize(1);
    assertThat(lines(two, 0).get(1).top()).isEqualTo(lines(two, 0).get(0).top());
    Layout one = Samples.layout(Samples.document(Samples.paragraph(broken)));
    assertThat(one.pages()).hasSize(2);
  }

  @Test
  void footnotesStandAtTheFootOfThePageThatTheirMarksAreOn() {
    var rich = new Rich();
    var blocks = new ArrayList<Block>();
    var notes = new ArrayList<NodeId>();
    for (int k = 0; k < 60; k++) {
      Inline.NoteMark mark = rich.note(Story.Kind.FOOTNOTE, "Note " + k + ". " + Samples.PROSE);
      notes.add(mark.note());
      blocks.add(Rich.of(Rich.text(Samples.PROSE), mark, Rich.text(" " + Samples.PROSE)));
    }
    Layout l =
        Samples.layout(
            rich.section(PageSetup.A4, Section.Start.NEW_PAGE, Map.of(), blocks).document());
    int found = 0;
    for (Page p : l.pages()) {
      List<Places.PlacedLine> body = Places.lines(p.body());
      List<Places.PlacedLine> foot = Places.lines(p.notes().orElseThrow().content());
      double bodyEnd = body.stream().mapToDouble(Places.PlacedLine::bottom).max().orElseThrow();
      assertThat(foot.getFirst().top()).isGreaterThanOrEqualTo(bodyEnd - 0.1);
      assertThat(foot.getLast().bottom())
          .isCloseTo(
              p.setup().height() - p.setup().margins().bottom(),
              org.assertj.core.data.Offset.offset(0.2));
      for (Places.PlacedLine f : foot) {
        if (f.line().from() == 0) {
          int number = found++;
          assertThat(f.paragraph().source().text()).contains("Note " + number + ".");
          // Its mark is on this page.
          Block paragraph = blocks.get(number);
          assertThat(l.pagesOf(paragraph.id())).contains(p);
        }
      }
    }
    assertThat(found).isEqualTo(60);
    assertThat(NoteLabels.of(l.document(), l.flow()).get(notes.get(41))).isEqualTo("42");
  }

  @Test
  void aNoteThatDoesNotFitGoesOnOnTheNextPage() {
    var rich = new Rich();
    Inline.NoteMark mark = rich.note(Story.Kind.FOOTNOTE, Samples.PROSE.repeat(60));
    Layout l =
        Samples.layout(
            rich.section(
                    PageSetup.A4,
                    Section.Start.NEW_PAGE,
                    Rich.of(Rich.text(Samples.PROSE.repeat(20)), mark),
                    Samples.paragraph(Samples.PROSE.repeat(20)))
                .document());
    var text = new StringBuilder();
    for (Page p : l.pages()) {
      p.notes()
          .ifPresent(
              n -> Places.lines(n.content()).forEach(x -> text.append(textOf(x)).append(' ')));
    }
    assertThat(l.pages().get(1).notes()).isPresent();
    assertThat(text.toString().replaceAll("[^a-z]", ""))
        .isEqualTo(Samples.PROSE.repeat(60).replaceAll("[^a-z]", ""));
  }

  @Test
  void endnotesStandAfterTheLastSection() {
    var rich = new Rich();
    Inline.NoteMark mark = rich.note(Story.Kind.ENDNOTE, "At the end.");
    Layout l =
        Samples.layout(
            rich.section(
                    PageSetup.A4,
                    Section.Start.NEW_PAGE,
                    Rich.of(Rich.text("Marked"), mark),
                    Samples.paragraph("Last"))
                .document());
    assertThat(textOf(lines(l, 0).getLast())).endsWith("At the end.");
    Item.GlyphRun label = (Item.GlyphRun) lines(l, 0).getFirst().line().items().getLast();
    assertThat(label.shown().text()).isEqualTo("i");
    assertThat(label.rise()).isPositive();
  }

  @Test
  void linesKeepClearOfWhatTheyFlowAround() {
    var rich = new Rich();
    Inline picture = rich.picture(150, 100, Rich.beside(Wrap.AROUND, 0, 20));
    Layout l =
        Samples.layout(
            rich.section(
                    PageSetup.A4,
                    Section.Start.NEW_PAGE,
                    Samples.paragraph("Above."),
                    Rich.of(picture, Rich.text(Samples.PROSE.repeat(8))),
                    Samples.paragraph(Samples.PROSE.repeat(4)))
                .document());
    Fragment.Floated f =
        (Fragment.Floated)
            l.pages().getFirst().body().stream()
                .filter(x -> x instanceof Fragment.Floated)
                .findFirst()
                .orElseThrow();
    var box = new Box(f.x(), f.y(), 150, 100);
    int beside = 0;
    for (Places.PlacedLine x : lines(l, 0)) {
      double left = x.line().items().stream().mapToDouble(Item::x).min().orElse(0) + x.x();
      double right =
          x.line().items().stream().mapToDouble(i -> i.x() + i.width()).max().orElse(0) + x.x();
      boolean level = x.bottom() > box.y() + 0.1 && x.top() < box.bottom() - 0.1;
      if (level) {
        beside++;
        assertThat(left >= box.right() + 5.9 || right <= box.x() - 5.9).as(textOf(x)).isTrue();
      }
    }
    assertThat(beside).isGreaterThan(4);
  }

  @Test
  void whatStandsFurtherUpThanItsAnchorMakesTheTextBeforeItWayToo() {
    var rich = new Rich();
    var atTop =
        new Placement.Floating(
            new Axis(Origin.MARGIN, Align.END, 0),
            new Axis(Origin.MARGIN, Align.START, 0),
            Wrap.AROUND,
            decant.model.look.Insets.NONE,
            false);
    Layout l =
        Samples.layout(
            rich.section(
                    PageSetup.A4,
                    Section.Start.NEW_PAGE,
                    Samples.paragraph(Samples.PROSE.repeat(6)),
                    Rich.of(rich.picture(200, 80, atTop), Rich.text("Anchored here.")))
                .document());
    double limit = PageSetup.A4.width() - PageSetup.A4.margins().right() - 200;
    for (Places.PlacedLine x : lines(l, 0)) {
      if (x.top() < PageSetup.A4.margins().top() + 79) {
        double right =
            x.line().items().stream().mapToDouble(i -> i.x() + i.width()).max().orElse(0) + x.x();
        assertThat(right).as(textOf(x)).isLessThan(limit + 0.1);
      }
    }
  }

  @Test
  void textStandsAboveAndBelowWhatTakesTheWholeWidth() {
    var rich = new Rich();
    Layout l =
        Samples.layout(
            rich.section(
                    PageSetup.A4,
                    Section.Start.NEW_PAGE,
                    Rich.of(
                        rich.picture(100, 70, Rich.beside(Wrap.ABOVE_AND_BELOW, 50, 0)),
                        Rich.text(Samples.PROSE.repeat(3))))
                .document());
    assertThat(lines(l, 0).getFirst().top())
        .isGreaterThanOrEqualTo(PageSetup.A4.margins().top() + 70);
  }

  @Test
  void aFrameAndAFloatingTableStandBesideTheText() {
    var place =
        new Placement.Floating(
            new Axis(Origin.MARGIN, Align.END, 0),
            new Axis(Origin.PARAGRAPH, Align.OFFSET, 0),
            Wrap.AROUND,
            new decant.model.look.Insets(0, 0, 0, 9),
            false);
    Look framed = Look.of(ParagraphTraits.FRAME, new TextFrame(120, 0, false, place));
    Paragraph a = Paragraph.of(framed, "In the frame");
    Paragraph b = Paragraph.of(framed, "Below in the frame");
    var t = Samples.table(new String[] {"4", "85"});
    var floating =
        new decant.model.Table(
            t.id(), t.look().with(TableTraits.PLACEMENT, place), List.of(60.0, 60.0), t.rows());
    Layout l =
        Samples.layout(
            Samples.document(
                a,
                b,
                Samples.paragraph(Samples.PROSE.repeat(2)),
                floating,
                Samples.paragraph(Samples.PROSE.repeat(2))));
    List<Places.PlacedLine> all = lines(l, 0);
    Places.PlacedLine first =
        all.stream().filter(x -> textOf(x).startsWith("In the")).findFirst().orElseThrow();
    assertThat(first.x())
        .isCloseTo(
            PageSetup.A4.width() - PageSetup.A4.margins().right() - 120,
            org.assertj.core.data.Offset.offset(0.2));
    Places.PlacedLine flow =
        all.stream().filter(x -> textOf(x).startsWith("Lines")).findFirst().orElseThrow();
    assertThat(flow.top()).as("beside the frame, not below").isEqualTo(first.top());
    assertThat(all)
        .filteredOn(x -> textOf(x).equals("85"))
        .singleElement()
        .satisfies(x -> assertThat(x.x()).isGreaterThan(PageSetup.A4.width() / 2));
  }

  @Test
  void sectionsBeginOnTheSideTheyAskForAndCountAsTheySay() {
    var roman =
        Rich.a4(
            Columns.ONE,
            new PageNumbers(Optional.of(4), NumberFormat.LOWER_ROMAN),
            VerticalAlignment.TOP);
    Document d =
        new Rich()
            .section(roman, Section.Start.NEW_PAGE, Samples.paragraph("front"))
            .section(PageSetup.A4, Section.Start.EVEN_PAGE, Samples.paragraph("even"))
            .section(PageSetup.A4, Section.Start.ODD_PAGE, Samples.paragraph("odd"))
            .document();
    Layout l = Samples.layout(d);
    assertThat(l.pages()).extracting(Page::shown).containsExactly(4, 5, 6, 7);
    assertThat(l.pages().get(1).body()).as("the empty page in between").isEmpty();
    assertThat(textOf(lines(l, 2).getFirst())).isEqualTo("even");
    assertThat(textOf(lines(l, 3).getFirst())).isEqualTo("odd");
  }

  @Test
  void aPageThatIsNotFullStandsWhereItsSectionAsks() {
    PageSetup bottom = Rich.a4(Columns.ONE, PageNumbers.PLAIN, VerticalAlignment.BOTTOM);
    Layout l =
        Samples.layout(
            new Rich()
                .section(bottom, Section.Start.NEW_PAGE, Samples.paragraph("low"))
                .document());
    assertThat(lines(l, 0).getFirst().bottom())
        .isCloseTo(
            PageSetup.A4.height() - PageSetup.A4.margins().bottom(),
            org.assertj.core.data.Offset.offset(0.2));
  }

  @Test
  void fieldsShowThePageABookmarkStandsOnAndFollowIt() {
    var target = Paragraph.of(Look.of(ParagraphTraits.BOOKMARKS, List.of("charges")), "Charges");
    var contents =
        Rich.of(
            Rich.text("Charges "),
            new Inline.Field(Inline.Field.Kind.PAGE_OF, "charges", "99", Look.PLAIN),
            Rich.text(" of "),
            new Inline.Field(Inline.Field.Kind.PAGES, "0", Look.PLAIN));
    var blocks = new ArrayList<Block>(List.of(contents));
    blocks.addAll(List.of(prose(40)));
    blocks.add(target);
    Document d = Document.of(Samples.styles(), blocks);
    var layouter = new Layouter(FontBook.shipped());
    Layout l = layouter.layout(d);
    int page = l.pagesOf(target.id()).getFirst().number();
    assertThat(page).isGreaterThan(1);
    assertThat(shownIn(l, contents)).isEqualTo("Charges " + page + " of " + l.pages().size());
    // More text before the target moves it to a later page; the field follows.
    var more = new ArrayList<Block>(blocks);
    more.addAll(1, List.of(prose(60)));
    Layout after = layouter.layout(Document.of(d.styles(), more));
    int later = after.pagesOf(target.id()).getFirst().number();
    assertThat(later).isGreaterThan(page);
    assertThat(shownIn(after, contents)).startsWith("Charges " + later + " of");
  }

  private static String shownIn(Layout l, Paragraph p) {
    var b = new StringBuilder();
    for (Places.PlacedLine x : lines(l, 0)) {
      if (x.paragraph().source().id().equals(p.id())) {
        x.line()
            .items()
            .forEach(i -> {
              if (i instanceof Item.GlyphRun r) {
                b.append(r.shown().text());
              }
            });
      }
    }
    return b.toString();
  }

  @Test
  void aRunningTitleNamesTheChapterOfItsPage() {
    var field = new Inline.Field(Inline.Field.Kind.STYLED_TEXT, "Heading1", "?", Look.PLAIN);
    var header = new Story(NodeId.fresh(), Story.Kind.RUNNING, List.of(Rich.of(field)));
    var blocks = new ArrayList<Block>();
    blocks.add(Samples.heading(1, "Berths"));
    blocks.addAll(List.of(prose(45)));
    blocks.add(Samples.heading(1, "Charges"));
    blocks.addAll(List.of(prose(45)));
    Layout l =
        Samples.layout(
            new Rich()
                .section(
                    PageSetup.A4,
                    Section.Start.NEW_PAGE,
                    Map.of(Section.Running.HEADER, header),
                    blocks)
                .document());
    var titles = new ArrayList<String>();
    for (Page p : l.pages()) {
      Item.GlyphRun r =
          (Item.GlyphRun) Places.lines(l.running(p)).getFirst().line().items().getFirst();
      titles.add(r.shown().text());
    }
    assertThat(titles).startsWith("Berths").endsWith("Charges").doesNotContain("?");
    assertThat(String.join(" ", titles)).matches("(Berths )+(Charges ?)+");
  }

  @Test
  void caretsAreFoundInNotesShapesAndCells() {
    var rich = new Rich();
    Inline.NoteMark mark = rich.note(Story.Kind.FOOTNOTE, "In a note.");
    Paragraph inBox = Samples.paragraph("In a box");
    Inline box = rich.box(120, 60, Rich.beside(Wrap.AROUND, 200, 0), inBox);
    Document d =
        rich.section(
                PageSetup.A4,
                Section.Start.NEW_PAGE,
                Rich.of(Rich.text("Text"), mark, box, Rich.text(" and more text.")))
            .document();
    Layout l = Samples.layout(d);
    NodeId note = d.stories().get(mark.note()).blocks().getFirst().id();
    for (NodeId id : List.of(note, inBox.id())) {
      CaretPlace c = l.caret(new Position(id, 3)).orElseThrow();
      Position back = l.positionAt(c.page(), c.x(), c.top() + c.height() / 2).orElseThrow();
      assertThat(back).isEqualTo(new Position(id, 3));
    }
  }

  @Test
  void blocksAreFoundWhereTheyStandAndPlacesLeadToThem() {
    Paragraph first = Samples.paragraph(Samples.PROSE.repeat(4));
    decant.model.Table table = Samples.table(new String[] {"Berth", "4 east"});
    Paragraph last = Samples.paragraph("The end.");
    Layout l = Samples.layout(Samples.document(first, table, last));
    for (NodeId id : List.of(first.id(), table.id(), last.id())) {
      Layout.BlockPlace place = l.placesOf(id).getFirst();
      assertThat(l.placesOf(id)).hasSize(1);
      Box b = place.box();
      assertThat(l.blockAt(place.page(), b.x() + b.width() / 2, b.y() + b.height() / 2))
          .contains(id);
    }
    assertThat(l.blockAt(l.pages().getFirst(), 300, 800))
        .as("below all text the last block is nearest")
        .contains(last.id());
    assertThat(l.placesOf(first.id()).getFirst().box().bottom())
        .isLessThan(l.placesOf(table.id()).getFirst().box().y() + 7);
  }

  @Test
  void aBlockOnTwoPagesHasAPlaceOnEach() {
    Paragraph longest = Samples.paragraph(Samples.PROSE.repeat(80));
    Layout l = Samples.layout(Samples.document(longest));
    assertThat(l.placesOf(longest.id()))
        .hasSize(l.pages().size())
        .extracting(p -> p.page().number())
        .startsWith(1, 2);
  }

  /** The bar of thousands: every seed and edit is named where it fails. */
  @Test
  void incrementalLayoutEqualsLayoutFromScratchWithEverythingOnThePage() {
    for (long seed : new long[] {1, 77, 4242}) {
      var random = new Random(seed);
      Revision r = Revision.of(Rich.varied(seed, 60));
      var layouter = new Layouter(FontBook.shipped());
      layouter.layout(r.document());
      for (int k = 0; k < 1200; k++) {
        r = CommandsTest.randomEdit(r, random);
        if (k % 7 == 0) {
          layouter.layout(r.document(), () -> true, 1, l -> {}); // broken off after a page
          continue;
        }
        Layout incremental = layouter.layout(r.document());
        if (k % 12 == 0 || k % 35 == 1) {
          assertThat(Rich.shape(incremental))
              .as("seed %d, edit %d", seed, k)
              .isEqualTo(Rich.shape(Samples.layout(r.document())));
        }
      }
    }
  }
}
