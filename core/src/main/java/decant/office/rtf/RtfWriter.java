package decant.office.rtf;

import decant.layout.label.ListLabels;
import decant.model.Block;
import decant.model.Columns;
import decant.model.Document;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Section.Running;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Comment;
import decant.model.look.Link;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.model.look.Typesetting;
import decant.model.look.VerticalAlignment;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Writes RTF (Rich Text Format 1.9.1). The text is gone through twice: once to learn which fonts
 * and colours it uses, which stand before it, and once to write it.
 */
public final class RtfWriter {
  private final Document document;
  private final Map<NodeId, String> labels;
  private final Registers registers;
  private final RtfTokens o;
  private final Looks looks;
  private final Tables tables;
  private final RtfDrawings drawings;

  /** Remarks that stand in the file. */
  private final Set<Comment> written = new LinkedHashSet<>();

  private RtfWriter(
      Document document,
      Map<NodeId, String> labels,
      Registers registers,
      Writer out,
      boolean forGood) {
    this.document = document;
    this.labels = labels;
    this.registers = registers;
    this.o = new RtfTokens(out);
    this.looks = new Looks(o, registers);
    this.tables =
        new Tables(
            o, registers, looks, document.styles().typesetting().textAtTableEdge(), this::cell);
    this.drawings =
        new RtfDrawings(o, document, b -> blocks(b, Look.PLAIN, Look.PLAIN, 0, false), forGood);
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
    o.open().word("rtf1").word("ansi").word("ansicpg1252").word("uc1").word("deff0").newLine();
    var head = new Head(o, document, registers, looks);
    registers.font(document.styles().textBase(Look.PLAIN).value(TextTraits.FAMILY));
    head.fontsAndColours();
    head.styles();
    head.lists();
    head.particulars();
    settings();
    boolean first = true;
    for (Section s : document.sections()) {
      if (!first) {
        o.word("sect");
      }
      first = false;
      section(s);
      // The end of a section ends its last paragraph too.
      blocks(s.blocks(), Look.PLAIN, Look.PLAIN, 0, true);
      boolean last = s == document.sections().getLast();
      if (!last && !s.blocks().isEmpty() && s.blocks().getLast() instanceof Table) {
        o.word("pard").word("plain").word("fs", 2);
      }
    }
    o.close().newLine();
  }

  private void settings() {
    PageSetup p = document.sections().getFirst().page();
    Typesetting t = document.styles().typesetting();
    o.twips("paperw", p.width()).twips("paperh", p.height());
    o.twips("margl", p.margins().left()).twips("margr", p.margins().right());
    o.twips("margt", p.margins().top()).twips("margb", p.margins().bottom());
    o.twips("deftab", t.tabDistance()).word("viewkind1");
    o.flag("hyphauto1", t.hyphenates());
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
    blocks(story.blocks(), Look.PLAIN, Look.PLAIN, 0, false);
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

  /** Blocks whose last paragraph ends the cell that they stand in. */
  private void cell(List<Block> blocks, Look paragraphs, Look texts, int depth) {
    boolean open = blocks.isEmpty() || !(blocks.getLast() instanceof Paragraph);
    blocks(blocks, paragraphs, texts, depth, true);
    if (open) {
      o.word("pard").word("plain").word("intbl").word("itap", depth);
    }
  }

  /**
   * @param depth of the tables that they stand in, 0 for none
   * @param open whether the last paragraph is left without its end
   */
  private void blocks(List<Block> blocks, Look paragraphs, Look texts, int depth, boolean open) {
    for (int k = 0; k < blocks.size(); k++) {
      boolean last = k == blocks.size() - 1;
      switch (blocks.get(k)) {
        case Paragraph p -> {
          paragraph(p, paragraphs, texts, depth);
          if (!last || !open) {
            o.word("par").newLine();
          }
        }
        case Table t -> {
          tables.table(t, depth + 1, document.sections().getFirst().page().textWidth());
          if (last && depth == 0 && !open) {
            o.word("pard").word("plain").word("fs", 2).word("par").newLine();
          }
        }
        case KeptBlock b -> {}
      }
    }
  }

  private void paragraph(Paragraph p, Look fromTable, Look texts, int depth) {
    Look look = document.styles().paragraphLook(p.look(), fromTable, document.lists());
    Look base = document.styles().textBase(p.look(), texts);
    o.word("pard").word("plain");
    int style = registers.style(look.value(ParagraphTraits.STYLE));
    o.word("s", style);
    if (depth > 0) {
      o.word("intbl").word("itap", depth);
    }
    looks.paragraph(look);
    ListMembership member = look.value(ParagraphTraits.LIST);
    String label = labels.get(p.id());
    ListDefinition list = document.lists().get(member.list());
    if (label != null && list != null && registers.list(member.list()) > 0) {
      o.word("ls", registers.list(member.list())).word("ilvl", member.depth());
      o.open().word("listtext").word("pard").word("plain");
      looks.text(list.level(member.depth()).label().over(base), false);
      o.text(label + "\t").close();
    }
    List<String> bookmarks = look.value(ParagraphTraits.BOOKMARKS);
    bookmarks.forEach(b -> o.destination("bkmkstart").text(b).close());
    Link open = null;
    Map<Comment, Integer> noted = new LinkedHashMap<>();
    for (Inline i : p.inlines()) {
      Link link = i.look().get(TextTraits.LINK).orElse(null);
      if (open != null && !open.equals(link)) {
        o.close().close();
      }
      if (link != null && !link.equals(open)) {
        beginField(address(link));
      }
      open = link;
      remarks(i.look().value(TextTraits.REMARKS), noted);
      inline(i, base);
    }
    if (open != null) {
      o.close().close();
    }
    remarks(List.of(), noted);
    bookmarks.forEach(b -> o.destination("bkmkend").text(b).close());
    looks.text(document.styles().textLook(base, p.endLook()), false);
  }

  /** Ends the remarks that go on no further, with their words, and begins those that begin here. */
  private void remarks(List<Comment> now, Map<Comment, Integer> noted) {
    noted
        .entrySet()
        .removeIf(e -> {
          Comment r = e.getKey();
          if (now.contains(r)) {
            return false;
          }
          String number = e.getValue().toString();
          o.destination("atrfend").text(number).close();
          o.destination("atnid").text(r.author()).close();
          o.destination("atnauthor").text(r.author()).close();
          o.word("chatn").destination("annotation");
          o.destination("atnref").text(number).close();
          o.word("pard").word("plain").text(r.text()).close();
          return true;
        });
    for (Comment r : now) {
      if (!noted.containsKey(r) && written.add(r)) {
        noted.put(r, written.size());
        o.destination("atrfstart").text(Integer.toString(written.size())).close();
      }
    }
  }

  private static String address(Link link) {
    return switch (link) {
      case Link.External e -> "HYPERLINK \"" + e.uri().replace("\"", "%22") + "\"";
      case Link.Internal i -> "HYPERLINK \\l \"" + i.bookmark() + "\"";
    };
  }

  /** Begins a field; its result and itself stay open. */
  private void beginField(String instruction) {
    o.open().word("field").destination("fldinst").text(instruction).close();
    o.open().word("fldrslt");
  }

  private void inline(Inline i, Look base) {
    Look look = document.styles().textLook(base, i.look());
    switch (i) {
      case Inline.Text t -> text(t.text(), look);
      case Inline.Picture p -> drawings.picture(p);
      case Inline.Shape s -> drawings.shape(s);
      case Inline.Field f -> field(f, look);
      case Inline.NoteMark n -> note(n, look);
      case Inline.KeptInline k -> text(k.shown(), look);
    }
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

  private void field(Inline.Field f, Look look) {
    String code =
        switch (f.kind()) {
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
    if (code.isEmpty()) {
      text(f.shown(), look);
      return;
    }
    beginField(code);
    text(f.shown().isEmpty() ? "1" : f.shown(), look);
    o.close().close();
  }

  /** The note that is being written. */
  private @Nullable NodeId openNote;

  private void note(Inline.NoteMark n, Look look) {
    Story story = document.stories().get(n.note());
    if (story == null) {
      return;
    }
    o.open();
    looks.text(look.with(TextTraits.RAISE, TextTraits.Raise.SUPERSCRIPT), false);
    o.word("chftn").close();
    if (n.note().equals(openNote)) {
      return;
    }
    NodeId outer = openNote;
    openNote = n.note();
    o.open().word("footnote").flag("ftnalt", story.kind() == Story.Kind.ENDNOTE);
    blocks(story.blocks(), Look.PLAIN, Look.PLAIN, 0, true);
    o.close();
    openNote = outer;
  }
}
