package decant.office.emit;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.label.ListLabels;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Comment;
import decant.model.look.FormField;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class EmitterTest {
  /** Writes nothing but what it is told, and sees to it that what begins ends in its order. */
  private static final class Recording implements Sink {
    final List<Event> events = new ArrayList<>();
    final StringBuilder text = new StringBuilder();
    private final Deque<Class<?>> open = new ArrayDeque<>();

    @Override
    public boolean holds(Comment c) {
      return !c.text().contains("not here");
    }

    @Override
    public void take(Event e) {
      events.add(e);
      switch (e) {
        case Event.SectionStart s -> open.push(Event.SectionEnd.class);
        case Event.ParagraphStart p -> open.push(Event.ParagraphEnd.class);
        case Event.LinkStart l -> open.push(Event.LinkEnd.class);
        case Event.FieldStart f -> open.push(Event.FieldEnd.class);
        case Event.TableStart t -> open.push(Event.TableEnd.class);
        case Event.RowStart r -> open.push(Event.RowEnd.class);
        case Event.CellStart c -> open.push(Event.CellEnd.class);
        case Event.SectionEnd s -> ends(e);
        case Event.LinkEnd l -> ends(e);
        case Event.FieldEnd f -> ends(e);
        case Event.TableEnd t -> ends(e);
        case Event.RowEnd r -> ends(e);
        case Event.CellEnd c -> ends(e);
        case Event.ParagraphEnd p -> {
          text.append('\n');
          ends(e);
        }
        case Event.Run r -> text.append(r.text());
        case Event.Value v -> text.append(v.shown());
        case Event.NoteMark n -> text.append('*');
        case Event.BookmarkStart b -> {}
        case Event.BookmarkEnd b -> {}
        case Event.CommentStart c -> {}
        case Event.CommentEnd c -> {}
        case Event.Picture p -> {}
        case Event.Shape s -> {}
        case Event.KeptInline k -> {}
        case Event.Kept k -> {}
      }
    }

    private void ends(Event e) {
      assertThat(open.pop()).isEqualTo(e.getClass());
    }

    <T extends Event> List<T> of(Class<T> kind) {
      return events.stream().filter(kind::isInstance).map(kind::cast).toList();
    }

    List<String> names() {
      return events.stream().map(e -> e.getClass().getSimpleName()).toList();
    }
  }

  private static Recording told(Document d) {
    var sink = new Recording();
    new Emitter(d, ListLabels.of(d)).body(sink);
    assertThat(sink.open).isEmpty();
    return sink;
  }

  /** Held against the walk through a document, which knows nothing of events. */
  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
  void tellsAllTextInItsOrder(long seed) {
    Document d = Samples.varied(seed, 40);
    var wanted = new StringBuilder();
    for (Paragraph p : Walk.paragraphs(d, Part.OF_FLOW)) {
      for (Inline i : p.inlines()) {
        wanted.append(
            switch (i) {
              case Inline.Text t -> t.text();
              case Inline.Field f -> f.shown().isEmpty() ? "1" : f.shown();
              case Inline.NoteMark n -> "*";
              case Inline.Picture x -> "";
              case Inline.Shape x -> "";
              case Inline.KeptInline x -> "";
            });
      }
      wanted.append('\n');
    }
    assertThat(told(d).text).hasToString(wanted.toString());
  }

  private static Inline text(String s, Look look) {
    return new Inline.Text(s, look);
  }

  private static final Comment COMMENT = new Comment("c1", "Ada", "", "Check the rate", false);
  private static final Comment OTHER = new Comment("c2", "Ada", "", "not here", false);
  private static final Look LINKED =
      Look.PLAIN.with(TextTraits.LINK, new Link.External("https://quay.example/rates"));

  @Test
  void fieldsStandWithinLinksAndCommentsAroundBoth() {
    var field = new FormField("f1", "Length", FormField.Kind.TEXT, List.of(), 0, "");
    Look all =
        LINKED.with(TextTraits.FIELD, field).with(TextTraits.COMMENTS, List.of(COMMENT, OTHER));
    Recording r =
        told(
            Samples.document(
                new Paragraph(
                    NodeId.fresh(),
                    Look.PLAIN,
                    Look.PLAIN,
                    List.of(
                        text("per ", Look.PLAIN),
                        text("metre", all),
                        text(" of boat", all.with(TextTraits.BOLD, true)),
                        text(" and week", LINKED)))));
    assertThat(r.names())
        .containsSubsequence(
            "Run",
            "CommentStart",
            "LinkStart",
            "FieldStart",
            "Run",
            "Run",
            "FieldEnd",
            "CommentEnd",
            "Run",
            "LinkEnd",
            "ParagraphEnd");
    assertThat(r.of(Event.CommentStart.class))
        .extracting(Event.CommentStart::comment)
        .containsExactly(COMMENT);
    assertThat(r.of(Event.FieldStart.class).getFirst().text()).isEqualTo("metre of boat");
    assertThat(r.of(Event.LinkStart.class)).hasSize(1);
    assertThat(r.of(Event.Run.class).get(2).looks().own().value(TextTraits.BOLD)).isTrue();
  }

  /** A comment is written once, where it begins, however many paragraphs it is about. */
  @Test
  void whatIsWrittenOnceIsToldOnce() {
    Look noted = Look.PLAIN.with(TextTraits.COMMENTS, List.of(COMMENT));
    Block p = Paragraph.of(Look.PLAIN, "").withInlines(List.of(text("one", noted)));
    Block q = Paragraph.of(Look.PLAIN, "").withInlines(List.of(text("two", noted)));
    Document d = Samples.document(p, q);
    var emitter = new Emitter(d, Map.of());
    var sink = new Recording();
    emitter.body(sink);
    assertThat(sink.of(Event.CommentStart.class)).hasSize(1);
    assertThat(sink.of(Event.CommentEnd.class)).hasSize(1);
    assertThat(emitter.comments()).containsExactly(COMMENT);
  }

  private static Cell cell(int columns, int rows, Block... blocks) {
    return new Cell(NodeId.fresh(), columns, rows, Look.PLAIN, List.of(blocks));
  }

  /** By the merged cells of ISO/IEC 29500-1 §17.4.84: each row has a piece of what covers it. */
  @Test
  void aCellThatCoversRowsHasAPieceInEach() {
    Cell high = cell(1, 2, Samples.paragraph("Pier"));
    Table t =
        new Table(
            NodeId.fresh(),
            Look.PLAIN,
            List.of(60.0, 60.0, 60.0),
            List.of(
                new Table.Row(Look.PLAIN, List.of(high, cell(2, 1, Samples.paragraph("Rates")))),
                new Table.Row(
                    Look.PLAIN,
                    List.of(cell(1, 1, Samples.paragraph("Day")), cell(1, 1, Samples.table())))));
    Recording r = told(Samples.document(t));
    CellGrid grid = r.of(Event.TableStart.class).getFirst().grid();
    assertThat(grid.columns()).isEqualTo(3);
    assertThat(grid.rows().get(0)).extracting(CellGrid.Piece::column).containsExactly(0, 1);
    assertThat(grid.rows().get(1)).extracting(CellGrid.Piece::column).containsExactly(0, 1, 2);
    assertThat(grid.rows().get(1))
        .extracting(CellGrid.Piece::below)
        .containsExactly(true, false, false);
    assertThat(r.text).hasToString("Pier\nRates\nDay\n");
    assertThat(r.of(Event.CellEnd.class))
        .extracting(Event.CellEnd::open)
        .endsWith(true); // no paragraph after the table in it
  }

  @Test
  void aNoteKnowsItsOwnMark() {
    NodeId id = NodeId.fresh();
    Inline mark = new Inline.NoteMark(id, Look.PLAIN);
    Story note =
        new Story(
            id,
            Story.Kind.FOOTNOTE,
            List.of(
                new Paragraph(
                    NodeId.fresh(),
                    Look.PLAIN,
                    Look.PLAIN,
                    List.of(mark, text(" x", Look.PLAIN)))));
    Document d =
        Samples.document(
            new Paragraph(
                NodeId.fresh(), Look.PLAIN, Look.PLAIN, List.of(text("a", Look.PLAIN), mark)));
    Document with =
        Document.of(
            d.metadata(),
            d.styles(),
            d.lists(),
            d.sections(),
            Map.of(id, note),
            Map.of(),
            List.of());
    var emitter = new Emitter(with, Map.of());
    var body = new Recording();
    emitter.body(body);
    var inNote = new Recording();
    emitter.story(note, inNote);
    assertThat(body.of(Event.NoteMark.class))
        .extracting(Event.NoteMark::own)
        .containsExactly(false);
    assertThat(inNote.of(Event.NoteMark.class))
        .extracting(Event.NoteMark::own)
        .containsExactly(true);
    assertThat(inNote.of(Event.ParagraphEnd.class).getFirst().place())
        .isEqualTo(new Event.Place(Part.NOTES, 0, true));
  }

  @Test
  void aSectionIsToldByTheParagraphThatEndsIt() {
    Document d = Samples.varied(3, 12);
    Recording r = told(d);
    List<Event.SectionEnd> ends = r.of(Event.SectionEnd.class);
    assertThat(ends.getLast().last()).isTrue();
    long told =
        r.of(Event.ParagraphStart.class).stream()
            .map(Event.ParagraphStart::ends)
            .flatMap(Optional::stream)
            .count();
    assertThat(told).isEqualTo(ends.stream().filter(Event.SectionEnd::told).count());
  }
}
