package decant.model;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.edit.Commands;
import decant.model.edit.ListEdits;
import decant.model.edit.Revision;
import decant.model.edit.TableEdits;
import decant.model.edit.section.PageEdits;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Where the nodes stand, made from version to version, is what a walk through all finds. */
class DocumentIndexTest {
  /** Every block by its path, found by walking through the document. */
  private static Map<NodeId, List<Integer>> walked(Document d) {
    var out = new LinkedHashMap<NodeId, List<Integer>>();
    for (int s = 0; s < d.sections().size(); s++) {
      walk(d.sections().get(s).blocks(), List.of(DocumentIndex.FLOW, s), out);
      for (var e : d.sections().get(s).running().entrySet()) {
        walk(e.getValue().blocks(), List.of(DocumentIndex.RUNNING, s, e.getKey().ordinal()), out);
      }
    }
    int n = 0;
    for (Story story : d.stories().values()) {
      walk(story.blocks(), List.of(DocumentIndex.NOTES, n++), out);
    }
    return out;
  }

  private static void walk(List<Block> blocks, List<Integer> path, Map<NodeId, List<Integer>> out) {
    for (int b = 0; b < blocks.size(); b++) {
      var at = new ArrayList<>(path);
      at.add(b);
      out.put(blocks.get(b).id(), at);
      if (blocks.get(b) instanceof Table t) {
        for (int r = 0; r < t.rows().size(); r++) {
          for (int c = 0; c < t.rows().get(r).cells().size(); c++) {
            var in = new ArrayList<>(at);
            in.add(r);
            in.add(c);
            walk(t.rows().get(r).cells().get(c).blocks(), in, out);
          }
        }
      }
    }
  }

  private static List<Integer> list(int[] path) {
    return java.util.Arrays.stream(path).boxed().toList();
  }

  private static void holds(Document d, List<NodeId> gone) {
    DocumentIndex index = d.index();
    Map<NodeId, List<Integer>> expected = walked(d);
    expected.forEach((id, path) -> {
      assertThat(list(index.path(id))).as("%s", id).isEqualTo(path);
      assertThat(d.block(id).orElseThrow().id()).isEqualTo(id);
      assertThat(d.blocksOf(index.container(d, id).orElseThrow()))
          .contains(d.block(id).orElseThrow());
    });
    List<NodeId> flow = Walk.paragraphs(d, Part.OF_FLOW).stream().map(Paragraph::id).toList();
    assertThat(index.order()).containsExactlyElementsOf(flow);
    for (int k = 0; k < flow.size(); k += 7) {
      assertThat(index.ordinal(flow.get(k))).contains(k);
      assertThat(index.orderAround(flow.get(k)).get(k)).isEqualTo(flow.get(k));
    }
    gone.stream()
        .filter(id -> !expected.containsKey(id))
        .forEach(id -> {
          assertThat(index.path(id)).as("%s is gone", id).isNull();
          assertThat(index.ordinal(id)).isEmpty();
          assertThat(index.orderAround(id)).isEmpty();
        });
  }

  @Test
  void isRightAfterEveryKindOfChangeAndOnTheWayBack() {
    Document first = Samples.varied(11, 400);
    Revision r = Revision.of(first);
    var random = new Random(4);
    var seen = new ArrayList<>(walked(first).keySet());
    for (int k = 0; k < 400; k++) {
      List<NodeId> order = r.document().index().order();
      NodeId at = order.get(random.nextInt(order.size()));
      int length = r.document().requireParagraph(at).length();
      r = r.withSelection(Selection.at(new Position(at, length == 0 ? 0 : random.nextInt(length))));
      r =
          switch (random.nextInt(10)) {
            case 0, 1, 2 -> Commands.newParagraph(r);
            case 3 -> Commands.deleteBackward(r);
            case 4 -> Commands.insert(r, "at the quay");
            case 5 -> {
              NodeId to = order.get(Math.min(order.size() - 1, random.nextInt(order.size())));
              Selection s = new Selection(r.selection().caret(), new Position(to, 0));
              yield random.nextInt(8) == 0 ? Commands.deleteBackward(r.withSelection(s)) : r.undo();
            }
            case 6 -> PageEdits.begin(r);
            case 7 -> TableEdits.insert(r, 2, 2);
            case 8 -> ListEdits.toggle(r, true);
            default -> r.undo();
          };
      if (k % 4 == 0) {
        holds(r.document(), seen);
        walked(r.document()).keySet().stream().skip(random.nextInt(50)).limit(3).forEach(seen::add);
      }
    }
    while (r.canUndo()) {
      r = r.undo();
    }
    holds(r.document(), seen);
    assertThat(walked(r.document())).isEqualTo(walked(first));
  }

  /** What stays in its place is the same object in both versions, so it is not looked at again. */
  @Test
  void aChangeMakesAnewOnlyTheStretchItFallsIn() {
    Document before = Samples.varied(3, 2_000);
    before.index();
    NodeId at = before.index().order().get(1_000);
    Document after =
        Commands.newParagraph(Revision.of(before).withSelection(Selection.at(new Position(at, 0))))
            .document();
    int section = before.index().topLevel(at).orElseThrow().section();
    List<BlockList.Stretch> was = BlockList.of(before.sections().get(section).blocks()).stretches();
    List<BlockList.Stretch> is = BlockList.of(after.sections().get(section).blocks()).stretches();
    assertThat(was).hasSizeGreaterThan(10);
    assertThat(is.stream().filter(s -> !was.contains(s)).count()).isBetween(1L, 3L);
  }

  /**
   * Headings and words are kept stretch by stretch; a change of text or style is seen all the same.
   */
  @Test
  void headingsAndWordsAreThoseOfTheVersion() {
    Revision r = Revision.of(Samples.varied(3, 900));
    long words = r.document().words();
    List<Outline.Heading> headings = Outline.headings(r.document());
    NodeId at = r.document().index().order().get(500);
    assertThat(r.document().headingLevel(r.document().requireParagraph(at))).isZero();
    Revision typed =
        Commands.insert(r.withSelection(Selection.at(new Position(at, 0))), "three more words, ");
    assertThat(typed.document().words()).isEqualTo(words + 3);
    Revision heading = Commands.setHeadingLevel(typed, 2);
    assertThat(Outline.headings(heading.document())).hasSize(headings.size() + 1);
    assertThat(Outline.headings(heading.document()).stream().map(Outline.Heading::paragraph))
        .contains(at);
    assertThat(Outline.headings(heading.undo().document())).isEqualTo(headings);
    Document plain =
        heading
            .document()
            .withStyles(
                new decant.model.look.StyleSheet(
                    decant.model.look.Look.PLAIN, decant.model.look.Look.PLAIN, "", Map.of()));
    assertThat(Outline.headings(plain))
        .as("without the styles they are none")
        .hasSizeLessThan(headings.size());
  }

  @Test
  void blocksAreThoseOfAListWithTheSameChanges() {
    var random = new Random(9);
    List<Block> plain = new ArrayList<>();
    BlockList list = BlockList.of(List.of());
    for (int k = 0; k < 2_000; k++) {
      int from = random.nextInt(plain.size() + 1);
      int to = Math.min(plain.size(), from + (random.nextInt(5) == 0 ? random.nextInt(90) : 0));
      var with = new ArrayList<Block>();
      for (int n = random.nextInt(random.nextInt(20) == 0 ? 200 : 4); n > 0; n--) {
        with.add(Paragraph.of(decant.model.look.Look.PLAIN, "text " + k));
      }
      list = list.with(from, to, with);
      plain.subList(from, to).clear();
      plain.addAll(from, with);
      assertThat(list.size()).isEqualTo(plain.size());
      if (k % 20 == 0) {
        assertThat(list).isEqualTo(plain);
        int most = list.stretches().size();
        assertThat(most).as("stretches stay few").isLessThan(plain.size() / 4 + 20);
      }
    }
  }

  @Test
  void aHeaderThatSectionsHaveInListsOfTheirOwnIsKnownWhenOneOfThemGoes() {
    Paragraph words = Paragraph.of(Look.PLAIN, "Harbour office");
    NodeId text = NodeId.fresh();
    var sections = new ArrayList<Section>();
    for (int k = 0; k < 3; k++) {
      // Each alike, none the same, as they are after an undo that put back only some of them.
      var header = new Story(text, Story.Kind.RUNNING, new ArrayList<>(List.of(words)));
      sections.add(
          new Section(
              NodeId.fresh(),
              PageSetup.A4,
              Section.Start.NEW_PAGE,
              Map.of(Section.Running.HEADER, header),
              List.of(Paragraph.of(Look.PLAIN, "Berth " + k))));
    }
    Document d = Samples.document(Paragraph.of(Look.PLAIN, "Berth")).withSections(sections);
    assertThat(d.index().container(d, words.id())).contains(text);
    for (List<Section> left :
        List.of(sections.subList(0, 2), sections.subList(1, 3), sections.subList(0, 1))) {
      Document fewer = d.withSections(left);
      assertThat(fewer.index().container(fewer, words.id())).contains(text);
      Paragraph other = words.withLook(Look.of(ParagraphTraits.SPACE_AFTER, 3.0));
      assertThat(fewer.withParagraph(other).requireParagraph(words.id())).isEqualTo(other);
    }
  }
}
