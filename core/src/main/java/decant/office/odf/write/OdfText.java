package decant.office.odf.write;

import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Comment;
import decant.model.look.Link;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextFrame;
import decant.office.emit.Event;
import decant.office.emit.Sink;
import decant.office.odf.markup.Addresses;
import decant.office.pending.Pending;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** One text (ODF 1.3 part 3, §5 to §7), into which it is written as it is told. */
final class OdfText implements Sink {
  private final OdtWriter file;
  private final OdtWriter.Part part;
  private final OpenLists.Chains chains;
  private final boolean takesComments;
  private final Deque<OdfTablesWriter.Open> tables = new ArrayDeque<>();
  private final Deque<OpenLists> lists = new ArrayDeque<>();

  /** Where it is written: the text itself, or a frame beside it that waits for its anchor. */
  private Xml x;

  private final Xml whole;
  private final Xml waiting = new Xml();
  private TextFrame frame = TextFrame.NONE;

  private Optional<Section> begins = Optional.empty();
  private Paragraph paragraph = Paragraph.of(Look.PLAIN, "");
  private Look inForce = Look.PLAIN;
  private boolean heading;
  private final OdfRuns runs;
  private final OpenChanges changes;

  /** The end of a paragraph that waits to be written: whether changes go on is seen after it. */
  private Event.@Nullable ParagraphEnd ending;

  private final ParagraphStyles styles;
  private boolean afterOwnMark;

  /** What breaks at the end of a paragraph, until it is known what comes after it. */
  private String owed = "";

  private boolean inParagraph;

  private boolean textSection;
  private final OdfFields fields;

  /**
   * @param takesComments whether comments may stand here: headers and footers take none
   */
  OdfText(
      OdtWriter file, OdtWriter.Part part, Xml x, OpenLists.Chains chains, boolean takesComments) {
    this.chains = chains;
    this.file = file;
    this.part = part;
    this.x = x;
    this.whole = x;
    this.runs = new OdfRuns(file, part);
    this.changes = new OpenChanges(part.changes());
    this.fields = new OdfFields(runs, part.controls());
    this.styles = new ParagraphStyles(file, part);
    this.takesComments = takesComments;
    lists.push(file.lists(part, x, chains));
  }

  @Override
  public boolean holds(Comment c) {
    return takesComments;
  }

  /** Ends what is open. */
  void finish() {
    endParagraph(false);
    emptyAfterBreak();
    endFrame();
    lists.element().close();
    if (!waiting.isEmpty()) {
      whole.open("text:p").raw(waiting.toString()).close("text:p");
    }
    if (textSection) {
      whole.close("text:section");
    }
  }

  @Override
  public void take(Event event) {
    boolean goesOn = event instanceof Event.ParagraphStart p && frame(p).equals(frame);
    endParagraph(goesOn);
    if (!owed.isEmpty()) {
      breakBefore(event, goesOn);
    }
    event.onLine().ifPresent(look -> changes.at(x, look));
    switch (event) {
      case Event.SectionStart s -> section(s);
      case Event.SectionEnd s -> endSection();
      case Event.ParagraphStart p -> begin(p);
      case Event.ParagraphEnd p -> ending = p;
      case Event.BookmarkStart b -> {
        if (!b.name().isBlank()) {
          x.empty("text:bookmark", "text:name", b.name());
        }
      }
      case Event.BookmarkEnd b -> {}
      case Event.LinkStart l ->
          x.open("text:a", "xlink:type", "simple", "xlink:href", address(l.link()));
      case Event.LinkEnd l -> x.close("text:a");
      case Event.FieldStart f -> fields.begin(f.field());
      case Event.FieldEnd f -> fields.end(x, paragraph);
      case Event.CommentStart c -> comment(c);
      case Event.CommentEnd c ->
          x.empty("office:annotation-end", "office:name", "comment" + c.number());
      case Event.Run r -> run(r.text(), r.looks());
      case Event.Value v -> {
        if (runs.worksOut(v)) {
          runs.value(x, v, paragraph);
        } else {
          run(v.shown(), v.looks());
        }
      }
      case Event.NoteMark n -> note(n);
      case Event.Picture p -> {
        part.drawings().picture(x, p.picture());
        runs.thing();
      }
      case Event.Shape s -> {
        part.drawings()
            .shape(x, s.shape(), s.text(), (story, into) -> file.story(story, part, into));
        runs.thing();
      }
      case Event.KeptInline k -> kept(k);
      case Event.Kept k -> {}
      case Event.TableStart t -> table(t);
      case Event.RowStart r -> part.tables().beginRow(x, tables.element(), r.number());
      case Event.CellStart c -> {
        part.tables().beginCell(x, tables.element(), c.piece());
        lists.push(file.lists(part, x, chains));
      }
      case Event.CellEnd c -> {
        lists.pop().close();
        part.tables().endCell(x, tables.element(), c.piece(), c.open());
      }
      case Event.RowEnd r -> part.tables().endRow(x, tables.element());
      case Event.TableEnd t -> part.tables().end(x, tables.pop());
    }
  }

  /**
   * Ends the paragraph that was told of, if one was.
   *
   * @param goesOn whether another one comes right after it, which may stand in the same changes
   */
  private void endParagraph(boolean goesOn) {
    if (ending == null) {
      return;
    }
    if (goesOn) {
      changes.at(x, ending.looks().own());
    } else {
      changes.end(x);
    }
    x.close(heading ? "text:h" : "text:p");
    inParagraph = false;
    ending = null;
  }

  private void kept(Event.KeptInline k) {
    if (Pending.isTakenAway(k.kept())) {
      part.changes()
          .tell(k.kept().kept())
          .ifPresent(name -> x.empty("text:change", "text:change-id", name));
    } else {
      run(k.kept().shown(), k.looks());
    }
  }

  private static TextFrame frame(Event.ParagraphStart p) {
    return p.looks().inForce().value(ParagraphTraits.FRAME);
  }

  private void section(Event.SectionStart s) {
    Section section = s.section();
    if (file.pages().master(section).isPresent()) {
      begins = Optional.of(section); // a part of a text cannot say so, its first paragraph does
    }
    if (!file.pages().columnsAreOfPage(section) && section.page().columns().count() > 1) {
      String style =
          part.styles()
              .name(
                  "Section",
                  " style:family=\"section\"",
                  "<style:section-properties>"
                      + OdfPagesWriter.columns(section.page().columns(), section.page().textWidth())
                      + "</style:section-properties>");
      x.open("text:section", "text:style-name", style, "text:name", file.sectionName());
      textSection = true;
    }
  }

  private void endSection() {
    endFrame();
    lists.element().close();
    if (begins.isPresent()) {
      // Nothing stood in it.
      x.empty(
          "text:p",
          "text:style-name",
          styles.name(Look.PLAIN, Look.PLAIN, Look.PLAIN, "", false, begins));
    }
    if (!waiting.isEmpty()) {
      x.open("text:p").raw(waiting.taken()).close("text:p");
    }
    if (textSection) {
      x.close("text:section");
      textSection = false;
    }
  }

  private void begin(Event.ParagraphStart p) {
    paragraph = p.paragraph();
    inForce = p.looks().inForce();
    TextFrame now = frame(p);
    if (!now.equals(frame)) {
      endFrame();
      if (!now.equals(TextFrame.NONE) && tables.isEmpty()) {
        beginFrame(now);
      }
    }
    ListMembership m = inForce.value(ParagraphTraits.LIST);
    if (m.list().isEmpty()) {
      lists.element().close();
    } else {
      lists.element().item(m, file.number(paragraph));
    }
    open();
    inParagraph = true;
  }

  /** Opens the paragraph, or a further part of it, after the break that is owed. */
  private void open() {
    String breaks = owed.isEmpty() ? "" : new Xml().attribute("fo:break-before", owed).toString();
    owed = "";
    int level = inForce.value(ParagraphTraits.HEADING_LEVEL);
    heading = level > 0;
    String style =
        styles.name(
            paragraph.look(),
            inForce,
            paragraph.endLook(),
            breaks,
            paragraph.length() == 0,
            begins);
    begins = Optional.empty();
    x.open(
        heading ? "text:h" : "text:p",
        "text:style-name",
        style,
        "text:outline-level",
        heading ? Integer.toString(level) : "");
    runs.begin();
    afterOwnMark = false;
    if (x == whole && !waiting.isEmpty()) {
      x.raw(waiting.taken());
    }
  }

  private void beginFrame(TextFrame f) {
    frame = f;
    x = new Xml();
    // Its text is told within that of the paragraph after it, which may be an item of the same
    // list.
    lists.push(file.lists(part, x, new OpenLists.Chains()));
  }

  /** A frame ends, and waits for the paragraph that it is anchored to. */
  private void endFrame() {
    if (x == whole || frame.equals(TextFrame.NONE)) {
      frame = TextFrame.NONE;
      return;
    }
    lists.pop().close();
    part.drawings().frame(waiting, frame, x.toString(), file.room());
    x = whole;
    frame = TextFrame.NONE;
  }

  private void table(Event.TableStart t) {
    endFrame();
    lists.element().close();
    Table table = t.table();
    Optional<Section> page = t.place().depth() == 0 ? begins : Optional.empty();
    if (page.isPresent()) {
      begins = Optional.empty();
    }
    tables.push(
        part.tables()
            .begin(
                x,
                table,
                t.grid(),
                page.flatMap(file.pages()::master),
                page.flatMap(s -> s.page().numbers().start())));
  }

  static String address(Link link) {
    return switch (link) {
      case Link.External e -> Addresses.written(e.uri());
      case Link.Internal i -> "#" + i.bookmark();
    };
  }

  private void comment(Event.CommentStart c) {
    Comment said = c.comment();
    x.open("office:annotation", "office:name", "comment" + c.number());
    x.open("dc:creator").text(said.author()).close("dc:creator");
    if (said.date().matches("\\d{4}-\\d\\d-\\d\\dT\\d\\d:\\d\\d:\\d\\d.*")) {
      x.open("dc:date").text(said.date()).close("dc:date");
    }
    for (String line : said.text().split("\n")) {
      x.open("text:p").text(line).close("text:p");
    }
    x.close("office:annotation");
  }

  private void run(String text, Event.TextLooks looks) {
    if (fields.takes(text, looks)) {
      return;
    }
    String s = text;
    if (afterOwnMark && (s.startsWith(" ") || s.startsWith("\t"))) {
      s = s.substring(1); // readers set the mark apart themselves
    }
    afterOwnMark = false;
    int from = 0;
    for (int k = 0; k <= s.length(); k++) {
      boolean breaks =
          k < s.length() && (s.charAt(k) == '\f' || s.charAt(k) == Inline.COLUMN_BREAK);
      if (k == s.length() || breaks) {
        stretch(s.substring(from, k), looks);
        from = k + 1;
      }
      if (breaks) {
        breakInside();
        owed = s.charAt(k) == '\f' ? "page" : "column";
      }
    }
  }

  /**
   * A break falls between paragraphs only: what comes after it is one of its own, be it the rest of
   * the paragraph or, where there is none, the next one.
   */
  private void breakBefore(Event event, boolean goesOn) {
    switch (event) {
      case Event.ParagraphStart p -> {
        if (!goesOn) {
          emptyAfterBreak();
        }
      }
      case Event.ParagraphEnd e -> {}
      case Event.BookmarkEnd b -> {}
      case Event.LinkEnd l -> {}
      case Event.FieldEnd f -> {}
      case Event.CommentEnd c -> {}
      case Event.Run r -> {}
      case Event.Kept k -> {}
      default -> {
        if (inParagraph) {
          breakInside();
        } else {
          emptyAfterBreak();
        }
      }
    }
  }

  private void breakInside() {
    if (!owed.isEmpty()) {
      x.close(heading ? "text:h" : "text:p");
      open();
    }
  }

  private void emptyAfterBreak() {
    if (!owed.isEmpty()) {
      open();
      x.close(heading ? "text:h" : "text:p");
    }
  }

  private void stretch(String s, Event.TextLooks looks) {
    if (s.isEmpty()) {
      return;
    }
    breakInside();
    String style = runs.style(looks, paragraph);
    openSpan(style);
    runs.characters(x, s);
    closeSpan(style);
  }

  private void openSpan(String style) {
    if (!style.isEmpty()) {
      x.open("text:span", "text:style-name", style);
    }
  }

  private void closeSpan(String style) {
    if (!style.isEmpty()) {
      x.close("text:span");
    }
  }

  private void note(Event.NoteMark n) {
    if (n.own()) {
      afterOwnMark = true; // it shows by itself
      return;
    }
    boolean end = n.note().kind() == Story.Kind.ENDNOTE;
    String style = runs.style(n.looks(), paragraph);
    openSpan(style);
    int number = file.noteNumber(n.note());
    x.open("text:note", "text:id", "ftn" + number, "text:note-class", end ? "endnote" : "footnote");
    x.open("text:note-citation", "text:label", n.label().orElse(""))
        .text(n.label().orElse(Integer.toString(number)))
        .close("text:note-citation");
    x.open("text:note-body");
    file.story(n.note(), part, x);
    x.close("text:note-body").close("text:note");
    closeSpan(style);
    runs.thing();
  }
}
