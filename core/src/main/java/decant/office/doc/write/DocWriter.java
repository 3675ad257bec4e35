package decant.office.doc.write;

import decant.layout.label.ListLabels;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.look.Comment;
import decant.model.look.Insets;
import decant.model.look.Link;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Placement;
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Origin;
import decant.model.look.TextTraits;
import decant.model.walk.Walk;
import decant.office.emit.Emitter;
import decant.office.emit.Event;
import decant.office.emit.Sink;
import decant.office.field.AskedFor;
import decant.office.field.FormData;
import decant.office.pending.Pending;
import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** Writes binary office documents as programs from 1997 on read them ([MS-DOC]). */
public final class DocWriter implements Sink {
  private static final int DEEPEST_LEVEL = 8;

  private final Document document;
  private final Emitter emitter;
  private final TextProperties texts;
  private final Styles styles;
  private final Lists lists;
  private final Sections sections = new Sections();
  private final Bookmarks bookmarks = new Bookmarks();
  private final Comments comments = new Comments();
  private final Notes footnotes = new Notes();
  private final Notes endnotes = new Notes();
  private final Map<Part, Boxes> boxes =
      new EnumMap<>(Map.of(Part.BOXES, new Boxes(), Part.RUNNING_BOXES, new Boxes()));
  private Plc running = new Plc();
  private final Bytes data = new Bytes();
  private final Drawings drawings;
  private final Map<Part, TextPart> parts = new EnumMap<>(Part.class);
  private final Deque<Writing> open = new ArrayDeque<>();
  private final Runs runs;
  private final boolean textAtEdge;
  private final double room;
  private final Fonts fonts = new Fonts();

  private DocWriter(Document document) {
    this.document = document;
    this.emitter = new Emitter(document, ListLabels.of(document));
    this.texts = new TextProperties(fonts);
    this.lists = new Lists(document.lists(), texts);
    fonts.number(document.styles().textBase(Look.PLAIN).value(TextTraits.FAMILY));
    this.styles = new Styles(document, lists, texts);
    this.runs = new Runs(document, styles, texts);
    this.drawings = new Drawings(document.media(), data);
    this.textAtEdge = document.styles().typesetting().textAtTableEdge();
    this.room = document.sections().getFirst().page().textWidth();
    for (Part p : Part.values()) {
      parts.put(p, new TextPart());
    }
  }

  /**
   * Writes a document.
   *
   * @throws IOException if the stream cannot be written
   */
  public static void write(Document document, OutputStream out) throws IOException {
    write(document, out, false);
  }

  /**
   * Writes a document as a template.
   *
   * @throws IOException if the stream cannot be written
   */
  public static void writeTemplate(Document document, OutputStream out) throws IOException {
    write(document, out, true);
  }

  private static void write(Document document, OutputStream out, boolean template)
      throws IOException {
    var w = new DocWriter(document);
    w.all();
    w.file().write(document, out, template);
  }

  private void all() {
    open.push(new Writing(Part.TEXT, part(Part.TEXT)));
    emitter.body(this);
    open.pop();
    running = RunningWriter.write(document, part(Part.RUNNING), s -> story(Part.RUNNING, s));
    for (Part p : Part.values()) {
      if (p != Part.TEXT && part(p).length() > 0) {
        part(p).end(Mark.PARAGRAPH, new byte[0], new byte[2]); // one more stands after all texts
      }
    }
  }

  private DocFile file() {
    return new DocFile(
        new DocFile.Tables(
            fonts, texts, styles, lists, sections, bookmarks, comments, footnotes, endnotes, boxes,
            running, drawings),
        parts,
        data);
  }

  private TextPart part(Part p) {
    TextPart out = parts.get(p);
    if (out == null) {
      throw new IllegalStateException("every part is there");
    }
    return out;
  }

  private Writing in() {
    return open.getFirst();
  }

  /** Writes a text into its part, with at least one paragraph, which ends it. */
  private void story(Part part, Story story) {
    var w = new Writing(part, part(part));
    int from = w.to.length();
    open.push(w);
    emitter.story(story, this);
    if (w.to.length() == from
        || story.blocks().isEmpty()
        || !(story.blocks().getLast() instanceof Paragraph)) {
      w.endPlain(Mark.PARAGRAPH);
    }
    open.pop();
  }

  @Override
  public boolean holds(Comment c) {
    return in().part == Part.TEXT;
  }

  @Override
  public void take(Event event) {
    switch (event) {
      case Event.SectionStart s -> {}
      case Event.SectionEnd s -> end(s);
      case Event.ParagraphStart p -> begin(p);
      case Event.ParagraphEnd p -> end(p);
      case Event.BookmarkStart b -> bookmarks.begin(b.name(), in().part, in().to.length());
      case Event.BookmarkEnd b -> bookmarks.end(b.name(), in().part, in().to.length());
      case Event.LinkStart l -> in().beginField(address(l.link()));
      case Event.LinkEnd l -> in().endField();
      case Event.FieldStart f -> begin(f);
      case Event.FieldEnd f -> {
        in().shownByField = false;
        in().endField();
      }
      case Event.CommentStart c -> comments.begin(c.number(), in().to.length());
      case Event.CommentEnd c -> comment(c);
      case Event.Run r -> {
        if (!in().shownByField) {
          text(r.text(), r.looks().inForce());
        }
      }
      case Event.Value v -> {
        in().beginField(v.instruction(), runs.properties(v.looks().inForce(), in().style));
        text(v.shown(), v.looks().inForce());
        in().endField();
      }
      case Event.NoteMark n -> note(n);
      case Event.Picture p -> picture(p.picture());
      case Event.Shape s -> shape(s);
      case Event.KeptInline k ->
          Pending.takenAway(k.kept())
              .ifPresentOrElse(
                  p -> runs.takenOut(p, k.looks().inForce(), in()),
                  () -> text(k.kept().shown(), k.looks().inForce()));
      case Event.Kept k -> {}
      case Event.TableStart t ->
          in().tables
              .push(
                  new Writing.OpenTable(
                      RowProperties.of(
                          t.table(), t.grid(), t.grid().edges(t.table(), room), textAtEdge)));
      case Event.RowStart r -> in().tables.getFirst().row = r.number();
      case Event.CellStart c -> in().tables.getFirst().piece = c.piece();
      case Event.CellEnd c -> endCell(c);
      case Event.RowEnd r -> endRow(r);
      case Event.TableEnd t -> in().tables.pop();
    }
  }

  private void begin(Event.FieldStart f) {
    AskedFor asked = AskedFor.of(f.field(), f.text());
    int place = data.size();
    data.add(FormData.bytes(asked)).align(4);
    in().beginForm(asked, place);
    in().shownByField = asked.kind() != AskedFor.Kind.TEXT;
  }

  private void end(Event.SectionEnd s) {
    TextPart to = in().to;
    boolean told = s.last() ? !to.isOpen() && endsWithParagraph(s.section()) : s.told();
    if (!told) {
      in().endPlain(s.last() ? Mark.PARAGRAPH : Mark.SECTION);
    }
    sections.add(s.section(), to.length());
  }

  private static boolean endsWithParagraph(Section s) {
    return !s.blocks().isEmpty() && s.blocks().getLast() instanceof Paragraph;
  }

  private void begin(Event.ParagraphStart p) {
    Writing in = in();
    Look look = p.looks().inForce();
    in.style = look.value(ParagraphTraits.STYLE);
    Look below = styles.paragraph(in.style);
    ListMembership member = look.value(ParagraphTraits.LIST);
    int list = p.label().isPresent() ? lists.number(member.list()) : 0;
    var out = new Properties();
    int depth = p.place().depth();
    if (depth > 0) {
      out.flag(Sprm.P_IN_TABLE, true).add(Sprm.P_DEPTH, depth);
    }
    if (list > 0) {
      out.add(Sprm.P_LEVEL, Math.clamp(member.depth(), 0, DEEPEST_LEVEL)).add(Sprm.P_LIST, list);
    } else if (lists.number(below.value(ParagraphTraits.LIST).list()) > 0) {
      out.add(Sprm.P_LIST, 0);
    }
    if (in.beginsPage) {
      look = look.with(ParagraphTraits.PAGE_BREAK_BEFORE, true);
      in.beginsPage = false;
    }
    breaks(in, p);
    out.add(ParagraphProperties.differing(look, below, list > 0).array());
    if (in.breaks > 0 && out.isEmpty()) {
      // There are readers that forget the style of what follows a break if nothing else is said.
      out.flag(Sprm.P_KEEP, look.value(ParagraphTraits.KEEP_TOGETHER));
    }
    in.mark = p.ends().isPresent() ? Mark.SECTION : Mark.PARAGRAPH;
    if (depth > 0 && p.place().last() && in.tables.getFirst().endsCell()) {
      in.mark = depth == 1 ? Mark.CELL : Mark.PARAGRAPH;
      if (depth > 1) {
        out.flag(Sprm.P_INNER_CELL_END, true);
      }
    }
    in.paragraph = new Bytes().u16(styles.ofParagraph(look)).add(out.array()).array();
  }

  /**
   * A break that ends a paragraph is said by the one after it: readers of this format put the mark
   * of a paragraph after its break, so that one line of the next page would stay empty.
   */
  private static void breaks(Writing in, Event.ParagraphStart p) {
    String text = p.paragraph().text();
    in.breaks = (int) text.chars().filter(c -> c == '\f').count();
    in.endsPage = text.endsWith("\f") && !p.place().last();
  }

  private void end(Event.ParagraphEnd p) {
    Writing in = in();
    in.to.end(in.mark, properties(p.looks().inForce()), in.paragraph);
    in.mark = Mark.PARAGRAPH;
    in.beginsPage = in.endsPage;
  }

  private byte[] properties(Look look) {
    return runs.properties(look, in().style);
  }

  private void text(String s, Look look) {
    runs.add(s, look, in());
  }

  private void endCell(Event.CellEnd c) {
    Writing in = in();
    if (c.open() && in.tables.getFirst().endsCell()) {
      var out = new Properties().flag(Sprm.P_IN_TABLE, true).add(Sprm.P_DEPTH, c.depth());
      if (c.depth() > 1) {
        out.flag(Sprm.P_INNER_CELL_END, true);
      }
      in.to.end(c.depth() == 1 ? Mark.CELL : Mark.PARAGRAPH, new byte[0], unstyled(out));
    }
  }

  private void endRow(Event.RowEnd r) {
    Writing in = in();
    Writing.OpenTable t = in.tables.getFirst();
    if (t.rows.grid().rows().get(t.row).isEmpty()) {
      return;
    }
    var out = new Properties().flag(Sprm.P_IN_TABLE, true).add(Sprm.P_DEPTH, r.depth());
    out.flag(r.depth() == 1 ? Sprm.P_ROW_END : Sprm.P_INNER_ROW_END, true);
    out.add(t.rows.of(t.row));
    in.to.end(r.depth() == 1 ? Mark.CELL : Mark.PARAGRAPH, new byte[0], unstyled(out));
  }

  private static byte[] unstyled(Properties p) {
    return new Bytes().u16(0).add(p.array()).array();
  }

  private String address(Link link) {
    return switch (link) {
      case Link.External e -> "HYPERLINK \"" + e.uri().replace("\"", "%22") + "\"";
      case Link.Internal i -> "HYPERLINK \\l \"" + bookmarks.name(i.bookmark()) + "\"";
    };
  }

  /** Its words stand in a part of their own, each paragraph of them as one. */
  private void comment(Event.CommentEnd e) {
    TextPart words = part(Part.COMMENTS);
    comments.end(e.comment(), e.number(), in().to.length(), words.length());
    in().to.add(String.valueOf(Mark.COMMENT), Mark.SPECIAL);
    words.add(String.valueOf(Mark.COMMENT), Mark.SPECIAL);
    for (String line : e.comment().text().split("\n", -1)) {
      words.add(line.replaceAll("\\p{Cntrl}", " "), new byte[0]);
      words.end(Mark.PARAGRAPH, new byte[0], new byte[2]);
    }
  }

  private void note(Event.NoteMark n) {
    Look look = n.looks().inForce().with(TextTraits.RAISE, TextTraits.Raise.SUPERSCRIPT);
    TextPart to = in().to;
    boolean counted = n.label().isEmpty();
    boolean endnote = n.note().kind() == Story.Kind.ENDNOTE;
    Part part = endnote ? Part.ENDNOTES : Part.FOOTNOTES;
    int at = to.length();
    boolean marked = n.own() ? in().part == part : in().part == Part.TEXT;
    if (counted && marked) {
      to.add(String.valueOf(Mark.NOTE), Mark.special(properties(look)));
    } else {
      text(n.label().orElse("*"), look);
    }
    if (n.own()) {
      return;
    }
    if (in().part == Part.TEXT) {
      (endnote ? endnotes : footnotes).add(at, part(part).length(), counted);
      story(part, n.note());
      drawWaiting();
    } else {
      inPlace(n.note(), look.without(TextTraits.RAISE)); // only the text itself can have notes
    }
  }

  /** The words of something that cannot stand by itself here. */
  private void inPlace(Story s, Look look) {
    String words =
        Walk.paragraphs(s.blocks()).stream()
            .map(p -> p.text().replace(String.valueOf(Inline.OBJECT), ""))
            .collect(Collectors.joining("\n"));
    text(" [" + words.strip() + "]", look);
  }

  private void picture(Inline.Picture p) {
    TextPart to = in().to;
    if (p.placement() instanceof Placement.Floating f && in().part.holdsDrawings()) {
      if (drawings.beside(in().part == Part.RUNNING, to.length(), p, f)) {
        to.add(String.valueOf(Mark.DRAWING), Mark.SPECIAL);
      }
      return;
    }
    Optional<Integer> at = drawings.onLine(p);
    if (at.isPresent()) {
      byte[] how = new Properties().add(Sprm.C_PICTURE, at.get()).add(Sprm.C_SPECIAL, 1).array();
      to.add(String.valueOf(Mark.PICTURE), how);
    }
  }

  private void shape(Event.Shape s) {
    Writing in = in();
    if (!in.part.holdsDrawings()) {
      // It stands beside the text around instead, right after what it is in.
      open.stream().filter(w -> w.part.holdsDrawings()).findFirst().orElseThrow().waiting.add(s);
      return;
    }
    boolean header = in.part == Part.RUNNING;
    Placement.Floating place = s.shape().placement() instanceof Placement.Floating f ? f : ON_LINE;
    Part part = header ? Part.RUNNING_BOXES : Part.BOXES;
    Boxes texts = boxes.getOrDefault(part, new Boxes());
    Optional<Integer> number = s.text().map(t -> texts.next());
    int id = drawings.shape(header, in.to.length(), s.shape(), place, number);
    in.to.add(String.valueOf(Mark.DRAWING), Mark.SPECIAL);
    if (s.text().isPresent()) {
      texts.add(part(part).length(), id);
      story(part, s.text().get());
    }
    drawWaiting();
  }

  private void drawWaiting() {
    while (!in().waiting.isEmpty()) {
      shape(in().waiting.remove());
    }
  }

  /** Where a shape stands that is on a line, which this format has for pictures alone. */
  private static final Placement.Floating ON_LINE =
      new Placement.Floating(
          new Axis(Origin.COLUMN, Align.OFFSET, 0),
          new Axis(Origin.PARAGRAPH, Align.OFFSET, 0),
          Placement.Wrap.ABOVE_AND_BELOW,
          Insets.NONE,
          false);
}
