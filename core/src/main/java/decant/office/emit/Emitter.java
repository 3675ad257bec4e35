package decant.office.emit;

import decant.layout.label.ListLabels;
import decant.layout.label.NoteLabels;
import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Comment;
import decant.model.look.FormField;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.model.walk.Part;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Tells sinks what a document says: the text of its sections by {@link #body}, and of headers,
 * notes and shapes by {@link #story}, wherever a format has them. Bookmarks, comments and fields
 * are numbered over all that is told. Not safe for use by several threads.
 */
public final class Emitter {
  private final Document document;
  private final Map<NodeId, String> labels;
  private final Map<NodeId, String> noteLabels;
  private final Map<Comment, Integer> comments = new LinkedHashMap<>();
  private int nextBookmark = 1;
  private int nextField = 1;

  /**
   * @param labels those of the items of lists, by paragraph; see {@link ListLabels}
   */
  public Emitter(Document document, Map<NodeId, String> labels) {
    this.document = document;
    this.labels = labels;
    this.noteLabels = NoteLabels.said(document);
  }

  /** The comments that were told of, in their order. */
  public List<Comment> comments() {
    return List.copyOf(comments.keySet());
  }

  /** The text of all sections. */
  public void body(Sink sink) {
    for (Section s : document.sections()) {
      boolean last = s == document.sections().getLast();
      boolean told = !last && !s.blocks().isEmpty() && s.blocks().getLast() instanceof Paragraph;
      sink.take(new Event.SectionStart(s, s == document.sections().getFirst()));
      new Text(sink, Part.FLOW, null)
          .blocks(s.blocks(), Surroundings.NONE, told ? Optional.of(s) : Optional.empty());
      sink.take(new Event.SectionEnd(s, last, told));
    }
  }

  /** The text of a header, a note or a shape. */
  public void story(Story s, Sink sink) {
    new Text(sink, Part.of(s), s.kind().isNote() ? s.id() : null)
        .blocks(s.blocks(), Surroundings.NONE, Optional.empty());
  }

  /** What the tables around a text give it. */
  private record Surroundings(Look paragraphs, Look texts, int depth) {
    static final Surroundings NONE = new Surroundings(Look.PLAIN, Look.PLAIN, 0);
  }

  /** The looks of a text, worked out when they are asked for. */
  private record Texts(Document document, Look base, Look own) implements Event.TextLooks {
    @Override
    public Look inForce() {
      return document.styles().textLook(base, own);
    }
  }

  private record Paragraphs(Document document, Look own, Look fromTable, Look text)
      implements Event.ParagraphLooks {
    @Override
    public Look inForce() {
      return document.styles().paragraphLook(own, fromTable, document.lists());
    }
  }

  /** One text: of a section, or a story. */
  private final class Text {
    private final Sink sink;
    private final Part part;
    private final @Nullable NodeId note;

    /**
     * @param note that it is the text of
     */
    Text(Sink sink, Part part, @Nullable NodeId note) {
      this.sink = sink;
      this.part = part;
      this.note = note;
    }

    void blocks(List<Block> blocks, Surroundings in, Optional<Section> ends) {
      for (int k = 0; k < blocks.size(); k++) {
        boolean last = k == blocks.size() - 1;
        var place = new Event.Place(part, in.depth(), last);
        switch (blocks.get(k)) {
          case Paragraph p -> paragraph(p, in, last ? ends : Optional.empty(), place);
          case Table t -> table(t, place);
          case KeptBlock b -> sink.take(new Event.Kept(b));
        }
      }
    }

    private void table(Table t, Event.Place place) {
      CellGrid grid = CellGrid.of(t);
      int depth = place.depth() + 1;
      sink.take(new Event.TableStart(t, grid, place));
      for (int r = 0; r < grid.rows().size(); r++) {
        sink.take(new Event.RowStart(t, grid, r, depth));
        for (CellGrid.Piece p : grid.rows().get(r)) {
          List<Block> blocks = p.below() ? List.of() : p.cell().blocks();
          Look look = p.cell().look();
          sink.take(new Event.CellStart(p, depth));
          blocks(
              blocks,
              new Surroundings(
                  look.value(TableTraits.PARAGRAPHS), look.value(TableTraits.TEXTS), depth),
              Optional.empty());
          boolean open = blocks.isEmpty() || !(blocks.getLast() instanceof Paragraph);
          sink.take(new Event.CellEnd(p, depth, open));
        }
        sink.take(new Event.RowEnd(t, grid, r, depth));
      }
      sink.take(new Event.TableEnd(t, place));
    }

    private void paragraph(
        Paragraph p, Surroundings in, Optional<Section> ends, Event.Place place) {
      Look base = document.styles().textBase(p.look(), in.texts());
      sink.take(
          new Event.ParagraphStart(
              p,
              new Paragraphs(document, p.look(), in.paragraphs(), base),
              Optional.ofNullable(labels.get(p.id())),
              ends,
              place));
      List<String> bookmarks = p.look().value(ParagraphTraits.BOOKMARKS);
      int first = nextBookmark;
      bookmarks.forEach(b -> sink.take(new Event.BookmarkStart(b, nextBookmark++)));
      inlines(p, base);
      for (int k = 0; k < bookmarks.size(); k++) {
        sink.take(new Event.BookmarkEnd(bookmarks.get(k), first + k));
      }
      sink.take(new Event.ParagraphEnd(p, new Texts(document, base, p.endLook()), place));
    }

    /** Links enclose fields; comments begin before both and end after them. */
    private void inlines(Paragraph p, Look base) {
      Link link = null;
      FormField field = null;
      Map<Comment, Integer> noted = new LinkedHashMap<>();
      for (Inline i : joined(p.inlines())) {
        Link to = i.look().get(TextTraits.LINK).orElse(null);
        FormField on = i.look().get(TextTraits.FIELD).orElse(null);
        boolean sameLink = Objects.equals(link, to);
        if (field != null && (!field.equals(on) || !sameLink)) {
          sink.take(new Event.FieldEnd());
          field = null;
        }
        if (link != null && !sameLink) {
          sink.take(new Event.LinkEnd());
        }
        comments(i.look().value(TextTraits.COMMENTS), noted);
        if (to != null && !sameLink) {
          sink.take(new Event.LinkStart(to));
        }
        link = to;
        if (on != null && field == null) {
          sink.take(new Event.FieldStart(on, p.textOn(on), nextField++));
          field = on;
        }
        inline(i, new Texts(document, base, i.look()));
      }
      if (field != null) {
        sink.take(new Event.FieldEnd());
      }
      if (link != null) {
        sink.take(new Event.LinkEnd());
      }
      comments(List.of(), noted);
    }

    /** Text of one look as one, however it was typed. */
    private static List<Inline> joined(List<Inline> inlines) {
      var out = new ArrayList<Inline>(inlines.size());
      for (Inline i : inlines) {
        if (i instanceof Inline.Text t
            && !out.isEmpty()
            && out.getLast() instanceof Inline.Text before
            && before.look().equals(t.look())) {
          out.set(out.size() - 1, new Inline.Text(before.text() + t.text(), t.look()));
        } else {
          out.add(i);
        }
      }
      return out;
    }

    /** Ends the comments that go on no further, and begins those that begin here. */
    private void comments(List<Comment> now, Map<Comment, Integer> noted) {
      noted
          .entrySet()
          .removeIf(e -> {
            boolean ends = !now.contains(e.getKey());
            if (ends) {
              sink.take(new Event.CommentEnd(e.getKey(), e.getValue()));
            }
            return ends;
          });
      for (Comment c : now) {
        if (!comments.containsKey(c) && sink.holds(c)) {
          int number = comments.size();
          comments.put(c, number);
          noted.put(c, number);
          sink.take(new Event.CommentStart(c, number));
        }
      }
    }

    private void inline(Inline i, Event.TextLooks looks) {
      switch (i) {
        case Inline.Text t -> sink.take(new Event.Run(t.text(), looks));
        case Inline.Picture p -> sink.take(new Event.Picture(p));
        case Inline.Shape s ->
            sink.take(new Event.Shape(s, s.content().story().map(document.stories()::get)));
        case Inline.Field f -> value(f, looks);
        case Inline.NoteMark n -> {
          Story story = document.stories().get(n.note());
          if (story != null) {
            sink.take(
                new Event.NoteMark(
                    story,
                    story.id().equals(note),
                    Optional.ofNullable(noteLabels.get(story.id())),
                    looks));
          }
        }
        case Inline.KeptInline k -> sink.take(new Event.KeptInline(k, looks));
      }
    }

    private void value(Inline.Field f, Event.TextLooks looks) {
      String instruction = instruction(f);
      sink.take(
          instruction.isEmpty()
              ? new Event.Run(f.shown(), looks)
              : new Event.Value(instruction, shown(f), looks));
    }
  }

  /**
   * What stands in the file until a program works it out: pages are numbered, if by nothing yet.
   */
  private String shown(Inline.Field f) {
    return switch (f.kind()) {
      case PAGE, PAGES, PAGE_OF -> f.shown().isEmpty() ? "1" : f.shown();
      case TITLE -> {
        String title = document.metadata().title();
        yield title.isEmpty() ? f.shown() : title;
      }
      case STYLED_TEXT, DATE, OTHER -> f.shown();
    };
  }

  private String instruction(Inline.Field f) {
    return switch (f.kind()) {
      case PAGE -> "PAGE";
      case PAGES -> "NUMPAGES";
      case TITLE -> "TITLE";
      case PAGE_OF -> "PAGEREF " + f.target() + " \\h";
      case STYLED_TEXT ->
          "STYLEREF \""
              + document.styles().style(f.target()).map(NamedStyle::name).orElse(f.target())
              + "\"";
      case DATE -> f.target().isEmpty() ? "DATE" : "DATE \\@ \"" + f.target() + "\"";
      case OTHER -> "";
    };
  }
}
