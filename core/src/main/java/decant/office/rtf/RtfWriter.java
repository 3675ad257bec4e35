package decant.office.rtf;

import decant.layout.label.ListLabels;
import decant.model.Columns;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Section;
import decant.model.Section.Running;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Comment;
import decant.model.look.Link;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.model.look.Typesetting;
import decant.model.look.VerticalAlignment;
import decant.model.walk.Part;
import decant.office.emit.Direction;
import decant.office.emit.Emitter;
import decant.office.emit.Event;
import decant.office.emit.Languages;
import decant.office.emit.Sink;
import decant.office.pending.Pending;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Map;

/**
 * Writes RTF (Rich Text Format 1.9.1). The text is gone through twice: once to learn which fonts
 * and colours it uses, which stand before it, and once to write it.
 */
public final class RtfWriter implements Sink {
  private final Document document;
  private final Emitter emitter;
  private final Registers registers;
  private final RtfTokens o;
  private final Looks looks;
  private final Tables tables;
  private final RtfDrawings drawings;
  private final Forms forms;

  /** Whether text that comes is shown by the field that it stands on. */
  private boolean shownByField;

  /** The tables that what is written stands in, from the innermost. */
  private final Deque<Tables.Open> open = new ArrayDeque<>();

  /** Whether the last paragraph of a section is empty, and ends with it. */
  private boolean owing;

  private RtfWriter(
      Document document,
      Map<NodeId, String> labels,
      Registers registers,
      Writer out,
      boolean forGood) {
    this.document = document;
    this.emitter = new Emitter(document, labels);
    this.registers = registers;
    this.o = new RtfTokens(out);
    this.looks = new Looks(o, registers);
    this.tables =
        new Tables(o, registers, looks, document.styles().typesetting().textAtTableEdge());
    this.forms = new Forms(o);
    this.drawings = new RtfDrawings(o, document, s -> emitter.story(s, this), forGood);
  }

  /**
   * Writes a document.
   *
   * @throws IOException if the stream cannot be written
   */
  public static void write(Document document, OutputStream out) throws IOException {
    // Written beside the numbering, for readers that do not number themselves.
    Map<NodeId, String> labels = ListLabels.of(document);
    var registers = new Registers(document);
    try {
      new RtfWriter(document, labels, registers, Writer.nullWriter(), false).whole();
      var writer = new OutputStreamWriter(out, StandardCharsets.US_ASCII);
      new RtfWriter(document, labels, registers, writer, true).whole();
      writer.flush();
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
  }

  private void whole() {
    o.open().word("rtf1").word("ansi").word("ansicpg1252").word("uc1").word("deff0");
    Languages.number(language()).ifPresent(n -> o.word("deflang", n));
    o.newLine();
    var head = new Head(o, document, registers, looks);
    registers.font(document.styles().textBase(Look.PLAIN).value(TextTraits.FAMILY));
    head.fontsAndColours();
    head.styles();
    head.lists();
    head.authors();
    head.metadata();
    settings();
    emitter.body(this);
    o.close().newLine();
  }

  private String language() {
    String own = document.metadata().language();
    return own.isEmpty() ? document.styles().textBase(Look.PLAIN).value(TextTraits.LANGUAGE) : own;
  }

  private void settings() {
    PageSetup p = document.sections().getFirst().page();
    Typesetting t = document.styles().typesetting();
    o.twips("paperw", p.width()).twips("paperh", p.height());
    o.twips("margl", p.margins().left()).twips("margr", p.margins().right());
    o.twips("margt", p.margins().top()).twips("margb", p.margins().bottom());
    o.twips("deftab", t.tabDistance()).word("viewkind1");
    o.flag("hyphauto1", t.hyphenates());
    o.flag("expshrtn", t.expandsLastLines());
    o.flag("facingp", facing());
    o.word("ftnbj").word("aenddoc");
    o.word(
        "fet",
        document.stories().values().stream().anyMatch(s -> s.kind() == Story.Kind.ENDNOTE) ? 2 : 0);
    o.word("ftn" + noteNumbers(t.footnotes())).word("aftn" + noteNumbers(t.endnotes()));
    o.newLine();
  }

  private boolean facing() {
    return document.sections().stream()
        .anyMatch(s ->
            s.running().containsKey(Running.HEADER_EVEN)
                || s.running().containsKey(Running.FOOTER_EVEN));
  }

  private static String noteNumbers(ListDefinition.NumberFormat f) {
    return switch (f) {
      case LOWER_LETTER -> "nalc";
      case UPPER_LETTER -> "nauc";
      case LOWER_ROMAN -> "nrlc";
      case UPPER_ROMAN -> "nruc";
      case BULLET, DECIMAL, TWO_DIGITS, ORDINAL, NONE -> "nar";
    };
  }

  private void section(Section s) {
    PageSetup p = s.page();
    o.word("sectd");
    o.word(
        switch (s.start()) {
          case NEW_PAGE -> "sbkpage";
          case CONTINUOUS -> "sbknone";
          case ODD_PAGE -> "sbkodd";
          case EVEN_PAGE -> "sbkeven";
        });
    o.twips("pgwsxn", p.width()).twips("pghsxn", p.height());
    o.flag("lndscpsxn", p.width() > p.height());
    o.twips("marglsxn", p.margins().left()).twips("margrsxn", p.margins().right());
    o.twips("margtsxn", p.margins().top()).twips("margbsxn", p.margins().bottom());
    o.twips("headery", p.margins().header()).twips("footery", p.margins().footer());
    columns(p.columns(), p.textWidth());
    p.numbers().start().ifPresent(n -> o.word("pgnrestart").word("pgnstarts", n));
    o.word(
        switch (p.numbers().format()) {
          case LOWER_LETTER -> "pgnlcltr";
          case UPPER_LETTER -> "pgnucltr";
          case LOWER_ROMAN -> "pgnlcrm";
          case UPPER_ROMAN -> "pgnucrm";
          case BULLET, DECIMAL, TWO_DIGITS, ORDINAL, NONE -> "pgndec";
        });
    if (p.alignment() != VerticalAlignment.TOP) {
      o.word(p.alignment() == VerticalAlignment.CENTRE ? "vertalc" : "vertalb");
    }
    if (p.borders().rules().isDrawn()) {
      o.word("pgbrdropt", p.borders().fromEdge() ? 32 : 0);
      looks.rule("pgbrdrt", p.borders().rules().top(), true);
      looks.rule("pgbrdrl", p.borders().rules().start(), true);
      looks.rule("pgbrdrb", p.borders().rules().bottom(), true);
      looks.rule("pgbrdrr", p.borders().rules().end(), true);
    }
    boolean ownFirst =
        s.running().containsKey(Running.HEADER_FIRST)
            || s.running().containsKey(Running.FOOTER_FIRST);
    o.flag("titlepg", ownFirst).newLine();
    boolean facing = facing();
    for (Running r : Running.values()) {
      Story story = s.running().get(r);
      if (story == null) {
        continue;
      }
      switch (r) {
        case HEADER -> running(facing ? "headerr" : "header", story);
        case HEADER_FIRST -> running("headerf", story);
        case HEADER_EVEN -> running("headerl", story);
        case FOOTER -> running(facing ? "footerr" : "footer", story);
        case FOOTER_FIRST -> running("footerf", story);
        case FOOTER_EVEN -> running("footerl", story);
      }
    }
    // Where left and right pages differ, a section with one text for all needs it on both.
    if (facing) {
      bothSides(s, Running.HEADER, Running.HEADER_EVEN, "headerl");
      bothSides(s, Running.FOOTER, Running.FOOTER_EVEN, "footerl");
    }
  }

  private void bothSides(Section s, Running usual, Running even, String word) {
    Story story = s.running().get(usual);
    if (story != null && !s.running().containsKey(even)) {
      running(word, story);
    }
  }

  private void running(String word, Story story) {
    o.open().word(word);
    emitter.story(story, this);
    o.close().newLine();
  }

  private void columns(Columns c, double room) {
    if (c.count() == 1) {
      return;
    }
    o.word("cols", c.count());
    if (c.widths().isEmpty()) {
      o.twips("colsx", c.gaps().isEmpty() ? 36 : c.gaps().getFirst());
    }
    for (int k = 0; k < c.widths().size(); k++) {
      o.word("colno", k + 1).twips("colw", c.width(k, room));
      if (k < c.gaps().size()) {
        o.twips("colsr", c.gaps().get(k));
      }
    }
    o.flag("linebetcol", c.rule());
  }

  @Override
  public boolean holds(Comment c) {
    return true;
  }

  @Override
  public void take(Event event) {
    switch (event) {
      case Event.SectionStart s -> {
        if (!s.first()) {
          o.word("sect");
        }
        section(s.section());
      }
      case Event.SectionEnd s -> {
        if (s.last() && owing) {
          o.word("par").newLine();
        }
        if (!s.last()
            && !s.section().blocks().isEmpty()
            && s.section().blocks().getLast() instanceof Table) {
          o.word("pard").word("plain").word("fs", 2);
        }
      }
      case Event.ParagraphStart p -> begin(p);
      case Event.ParagraphEnd p -> {
        looks.text(p.looks().inForce(), false);
        // Where what it stands in ends, a paragraph need not say that it does, unless it is empty.
        boolean empty = p.paragraph().inlines().isEmpty() && p.place().depth() == 0;
        owing = empty && p.place().endsWithContainer() && p.place().part() == Part.FLOW;
        if (!p.place().endsWithContainer() || empty && !owing) {
          o.word("par").newLine();
        }
      }
      case Event.BookmarkStart b -> o.destination("bkmkstart").text(b.name()).close();
      case Event.BookmarkEnd b -> o.destination("bkmkend").text(b.name()).close();
      case Event.LinkStart l -> beginField(address(l.link()));
      case Event.LinkEnd l -> o.close().close();
      case Event.FieldStart f -> shownByField = forms.begin(f);
      case Event.FieldEnd f -> {
        shownByField = false;
        o.close().close();
      }
      case Event.CommentStart c ->
          o.destination("atrfstart").text(Integer.toString(c.number() + 1)).close();
      case Event.CommentEnd c -> end(c);
      case Event.Run r -> {
        if (!shownByField) {
          text(r.text(), r.looks().inForce());
        }
      }
      case Event.Value v -> {
        beginValue(v.instruction(), v.looks().inForce());
        text(v.shown(), v.looks().inForce());
        o.close().close();
      }
      case Event.NoteMark n -> note(n);
      case Event.Picture p -> drawings.picture(p.picture());
      case Event.Shape s -> drawings.shape(s.shape(), s.text());
      case Event.KeptInline k ->
          Pending.takenAway(k.kept())
              .ifPresentOrElse(
                  p -> looks.takenOut(p, k.looks().inForce()),
                  () -> text(k.kept().shown(), k.looks().inForce()));
      case Event.Kept k -> {}
      case Event.TableStart t ->
          open.push(
              Tables.Open.of(
                  t.table(), t.grid(), document.sections().getFirst().page().textWidth()));
      case Event.RowStart r -> tables.row(open.getFirst(), r.number(), r.depth());
      case Event.CellStart c -> {}
      case Event.CellEnd c -> tables.cellEnd(c.open(), c.depth());
      case Event.RowEnd r -> tables.rowEnd(open.getFirst(), r.number(), r.depth());
      case Event.TableEnd t -> {
        open.pop();
        if (t.place().last() && t.place().depth() == 0 && !t.place().endsWithContainer()) {
          o.word("pard").word("plain").word("fs", 2).word("par").newLine();
        }
      }
    }
  }

  private void begin(Event.ParagraphStart p) {
    Look look = p.looks().inForce();
    o.word("pard").word("plain");
    o.word("s", registers.style(look.value(ParagraphTraits.STYLE)));
    if (p.place().depth() > 0) {
      o.word("intbl").word("itap", p.place().depth());
    }
    looks.paragraph(look);
    ListMembership member = look.value(ParagraphTraits.LIST);
    ListDefinition list = document.lists().get(member.list());
    if (p.label().isPresent() && list != null && registers.list(member.list()) > 0) {
      o.word("ls", registers.list(member.list())).word("ilvl", member.depth());
      o.open().word("listtext").word("pard").word("plain");
      looks.text(list.level(member.depth()).label().over(p.looks().text()), false);
      o.text(p.label().get() + "\t").close();
    }
  }

  /** Its words stand where it ends. */
  private void end(Event.CommentEnd e) {
    Comment c = e.comment();
    String number = Integer.toString(e.number() + 1);
    o.destination("atrfend").text(number).close();
    o.destination("atnid").text(c.author()).close();
    o.destination("atnauthor").text(c.author()).close();
    o.word("chatn").destination("annotation");
    o.destination("atnref").text(number).close();
    o.word("pard").word("plain").text(c.text()).close();
  }

  private static String address(Link link) {
    return switch (link) {
      case Link.External e -> "HYPERLINK \"" + e.uri().replace("\"", "%22") + "\"";
      case Link.Internal i -> "HYPERLINK \\l \"" + i.bookmark() + "\"";
    };
  }

  /** Begins a field whose value readers work out, and show in the look of its instruction. */
  private void beginValue(String instruction, Look look) {
    o.open().word("field").destination("fldinst").open();
    looks.text(look, false);
    o.text(instruction).close().close();
    o.open().word("fldrslt");
  }

  /** Begins a field; its result and itself stay open. */
  private void beginField(String instruction) {
    o.open().word("field").destination("fldinst").text(instruction).close();
    o.open().word("fldrslt");
  }

  /** Text in stretches that are shaped alike. */
  private void text(String s, Look look) {
    int from = 0;
    while (from < s.length()) {
      boolean rtl = Direction.isRightToLeft(s, from);
      int to = Direction.end(s, from, rtl);
      o.open();
      looks.text(look, rtl);
      o.text(s.substring(from, to)).close();
      from = to;
    }
  }

  private void note(Event.NoteMark n) {
    o.open();
    looks.text(n.looks().inForce().with(TextTraits.RAISE, TextTraits.Raise.SUPERSCRIPT), false);
    if (n.label().isPresent()) {
      o.text(n.label().get()).close();
    } else {
      o.word("chftn").close();
    }
    if (n.own()) {
      return;
    }
    o.open().word("footnote").flag("ftnalt", n.note().kind() == Story.Kind.ENDNOTE);
    emitter.story(n.note(), this);
    o.close();
  }
}
