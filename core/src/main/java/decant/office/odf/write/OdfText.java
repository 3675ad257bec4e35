package decant.office.odf.write;

import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Comment;
import decant.model.look.FormField;
import decant.model.look.Link;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextFrame;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import decant.office.emit.Event;
import decant.office.emit.Sink;
import decant.office.odf.markup.Addresses;
import decant.office.odf.markup.StyleNames;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;

/** One text (ODF 1.3 part 3, §5 to §7), into which it is written as it is told. */
final class OdfText implements Sink {
  private static final List<Trait<?>> PROPERTIES_OF_TEXT =
      List.of(
          TextTraits.FAMILY,
          TextTraits.SIZE,
          TextTraits.BOLD,
          TextTraits.ITALIC,
          TextTraits.UNDERLINE,
          TextTraits.UNDERLINE_KIND,
          TextTraits.STRIKE,
          TextTraits.DOUBLE_STRIKE,
          TextTraits.ALL_CAPS,
          TextTraits.SMALL_CAPS,
          TextTraits.LETTER_SPACING,
          TextTraits.KERNING,
          TextTraits.SHIFT,
          TextTraits.HIDDEN,
          TextTraits.COLOUR,
          TextTraits.HIGHLIGHT,
          TextTraits.RAISE,
          TextTraits.LANGUAGE);

  private final OdtWriter file;
  private final OdtWriter.Part part;
  private final OpenLists.Chains chains;
  private final boolean inBody;
  private final Deque<OdfTablesWriter.Open> tables = new ArrayDeque<>();
  private final Deque<OpenLists> lists = new ArrayDeque<>();

  /** Where it is written: the text itself, or a frame beside it that waits for its anchor. */
  private Xml x;

  private final Xml whole;
  private final Xml waiting = new Xml();
  private TextFrame frame = TextFrame.NONE;

  private Optional<Section> begins = Optional.empty();
  private Paragraph paragraph = Paragraph.of(Look.PLAIN, "");
  private Event.ParagraphStart start = none();
  private boolean heading;
  private boolean spaced;
  private boolean afterOwnMark;
  private boolean textSection;
  private Optional<FormField> field = Optional.empty();
  private final StringBuilder onField = new StringBuilder();

  /**
   * @param inBody whether sections and comments may stand here: headers, notes and shapes take none
   */
  OdfText(OdtWriter file, OdtWriter.Part part, Xml x, OpenLists.Chains chains, boolean inBody) {
    this.chains = chains;
    this.file = file;
    this.part = part;
    this.x = x;
    this.whole = x;
    this.inBody = inBody;
    lists.push(file.lists(part, x, chains));
  }

  private static Event.ParagraphStart none() {
    return new Event.ParagraphStart(
        Paragraph.of(Look.PLAIN, ""),
        new Event.ParagraphLooks() {
          @Override
          public Look inForce() {
            return Look.PLAIN;
          }

          @Override
          public Look text() {
            return Look.PLAIN;
          }
        },
        Optional.empty(),
        Optional.empty(),
        new Event.Place(decant.model.walk.Part.FLOW, 0, true));
  }

  @Override
  public boolean holds(Comment c) {
    return inBody;
  }

  /** Ends what is open. */
  void finish() {
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
    switch (event) {
      case Event.SectionStart s -> section(s);
      case Event.SectionEnd s -> end(s);
      case Event.ParagraphStart p -> begin(p);
      case Event.ParagraphEnd p -> x.close(heading ? "text:h" : "text:p");
      case Event.BookmarkStart b -> x.empty("text:bookmark", "text:name", b.name());
      case Event.BookmarkEnd b -> {}
      case Event.LinkStart l ->
          x.open("text:a", "xlink:type", "simple", "xlink:href", address(l.link()));
      case Event.LinkEnd l -> x.close("text:a");
      case Event.FieldStart f -> {
        field = Optional.of(f.field()).filter(b -> !b.isSwitch());
        onField.setLength(0);
      }
      case Event.FieldEnd f -> field();
      case Event.CommentStart c -> comment(c);
      case Event.CommentEnd c ->
          x.empty("office:annotation-end", "office:name", "comment" + c.number());
      case Event.Run r -> run(r.text(), r.looks());
      case Event.Value v -> value(v);
      case Event.NoteMark n -> note(n);
      case Event.Picture p -> {
        part.drawings().picture(x, p.picture());
        spaced = false;
      }
      case Event.Shape s -> {
        part.drawings()
            .shape(x, s.shape(), s.text(), (story, into) -> file.story(story, part, into));
        spaced = false;
      }
      case Event.KeptInline k -> run(k.kept().shown(), k.looks());
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

  private void section(Event.SectionStart s) {
    Section section = s.section();
    boolean goesOn = file.pages().master(section).isEmpty();
    if (!goesOn) {
      begins = Optional.of(section);
    }
    if (!file.pages().columnsAreOfPage(section) && section.page().columns().count() > 1) {
      if (!goesOn) {
        // The page is begun by a paragraph of its own, since a part of a text cannot say so.
        begins = Optional.of(section);
      }
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

  private void end(Event.SectionEnd s) {
    endFrame();
    lists.element().close();
    if (begins.isPresent()) {
      // Nothing stood in it.
      x.empty("text:p", "text:style-name", style(Look.PLAIN, Look.PLAIN, Look.PLAIN, "", false));
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
    start = p;
    paragraph = p.paragraph();
    Look inForce = p.looks().inForce();
    TextFrame now = inForce.value(ParagraphTraits.FRAME);
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
    open("");
  }

  /**
   * Opens the paragraph, or a further part of it.
   *
   * @param breaks the attribute that says what it breaks before; empty for what its look says
   */
  private void open(String breaks) {
    Look inForce = start.looks().inForce();
    int level = inForce.value(ParagraphTraits.HEADING_LEVEL);
    heading = level > 0;
    String style =
        style(paragraph.look(), inForce, paragraph.endLook(), breaks, paragraph.length() == 0);
    x.open(
        heading ? "text:h" : "text:p",
        "text:style-name",
        style,
        "text:outline-level",
        heading ? Integer.toString(level) : "");
    spaced = true;
    afterOwnMark = false;
    if (x == whole && !waiting.isEmpty()) {
      x.raw(waiting.taken());
    }
  }

  /** The style of a paragraph, with what it stands in and where it begins. */
  private String style(Look own, Look inForce, Look end, String breaks, boolean isEmpty) {
    var sheet = file.document().styles();
    String named = own.value(ParagraphTraits.STYLE);
    String parent =
        named.isEmpty() || !sheet.styles().containsKey(named) ? sheet.defaultStyle() : named;
    // What a list or a table gives it is said too: readers differ in what they let them give.
    Look below =
        sheet.paragraphLook(
            own.sets(ParagraphTraits.STYLE) ? Look.of(ParagraphTraits.STYLE, named) : Look.PLAIN);
    Look direct = own;
    for (Trait<?> t : OdtWriter.PROPERTIES_OF_PARAGRAPHS) {
      direct = told(direct, inForce, below, t);
    }
    if (!inForce.value(ParagraphTraits.LIST).list().isEmpty()) {
      direct =
          direct
              .with(ParagraphTraits.INDENT_START, inForce.value(ParagraphTraits.INDENT_START))
              .with(ParagraphTraits.FIRST_LINE, inForce.value(ParagraphTraits.FIRST_LINE));
    }
    Optional<String> master = begins.flatMap(file.pages()::master);
    Optional<Integer> number = begins.flatMap(s -> s.page().numbers().start());
    begins = Optional.empty();
    String more = breaks.isEmpty() ? CommonStylesWriter.breaks(direct) : breaks;
    if (number.isPresent()) {
      more += new Xml().attribute("style:page-number", number.get().toString());
    }
    String hyphens =
        own.get(ParagraphTraits.HYPHENATION)
            .map(h ->
                new Xml()
                    .attribute(
                        "fo:hyphenate", Boolean.toString(h && sheet.typesetting().hyphenates()))
                    .toString())
            .orElse("");
    // Text typed into an empty paragraph takes on the look of its end.
    Look text = isEmpty ? end : Look.PLAIN;
    String properties =
        part.looks().paragraph(direct, inForce, more)
            + part.looks().text(text, text.value(TextTraits.SIZE), hyphens);
    String attributes =
        " style:family=\"paragraph\""
            + new Xml()
                .attribute(
                    "style:parent-style-name",
                    parent.isEmpty() ? "Standard" : StyleNames.encoded(parent))
            + master
                .map(m -> new Xml().attribute("style:master-page-name", m).toString())
                .orElse("");
    return properties.isEmpty() && master.isEmpty()
        ? parent.isEmpty() ? "Standard" : StyleNames.encoded(parent)
        : part.styles().name("P", attributes, properties);
  }

  /** A trait that holds, and that neither a style nor the look itself says. */
  private static <T> Look told(Look direct, Look inForce, Look below, Trait<T> t) {
    if (direct.sets(t) || inForce.value(t).equals(below.value(t))) {
      return direct;
    }
    return direct.with(t, inForce.value(t));
  }

  private void beginFrame(TextFrame f) {
    frame = f;
    x = new Xml();
    lists.push(file.lists(part, x, chains));
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
    Optional<String> master = begins.flatMap(file.pages()::master);
    Optional<Integer> number = begins.flatMap(s -> s.page().numbers().start());
    if (t.place().depth() == 0) {
      begins = Optional.empty();
    }
    tables.push(
        part.tables()
            .begin(
                x,
                table,
                t.grid(),
                t.place().depth() == 0 ? master : Optional.empty(),
                t.place().depth() == 0 ? number : Optional.empty()));
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

  /** The style of a stretch of text; empty for none. */
  private String textStyle(Event.TextLooks looks) {
    var sheet = file.document().styles();
    Look own = looks.own();
    Look inForce = looks.inForce();
    String character = own.value(TextTraits.CHARACTER_STYLE);
    boolean known = !character.isEmpty() && sheet.styles().containsKey(character);
    Look named = sheet.textBase(paragraph.look());
    Look below = known ? file.characterStyle(character).over(named) : named;
    Look direct = Look.PLAIN;
    for (Trait<?> t : PROPERTIES_OF_TEXT) {
      direct = differs(direct, own, inForce, below, t);
    }
    String properties = part.looks().text(direct, inForce.value(TextTraits.SIZE), "");
    if (properties.isEmpty()) {
      return known ? StyleNames.encoded(character) : "";
    }
    String attributes =
        " style:family=\"text\""
            + (known
                ? new Xml()
                    .attribute("style:parent-style-name", StyleNames.encoded(character))
                    .toString()
                : "");
    return part.styles().name("T", attributes, properties);
  }

  /** What the text sets itself, and what holds for it that nothing below it says. */
  private static <T> Look differs(Look direct, Look own, Look inForce, Look below, Trait<T> t) {
    boolean says = own.sets(t) || !inForce.value(t).equals(below.value(t));
    return says ? direct.with(t, inForce.value(t)) : direct;
  }

  private void run(String text, Event.TextLooks looks) {
    if (field.isPresent()) {
      onField.append(text);
      fieldLooks = looks;
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
        breakBefore(s.charAt(k) == '\f' ? "page" : "column");
      }
    }
  }

  private Event.TextLooks fieldLooks =
      new Event.TextLooks() {
        @Override
        public Look own() {
          return Look.PLAIN;
        }

        @Override
        public Look inForce() {
          return Look.PLAIN;
        }
      };

  /** A break falls between paragraphs only: what comes after it is one of its own. */
  private void breakBefore(String what) {
    x.close(heading ? "text:h" : "text:p");
    open(new Xml().attribute("fo:break-before", what).toString());
  }

  private void stretch(String s, Event.TextLooks looks) {
    if (s.isEmpty()) {
      return;
    }
    String style = textStyle(looks);
    if (!style.isEmpty()) {
      x.open("text:span", "text:style-name", style);
    }
    characters(s);
    if (!style.isEmpty()) {
      x.close("text:span");
    }
  }

  /** White space that would be lost stands as elements (§6.1.2). */
  private void characters(String s) {
    int from = 0;
    int k = 0;
    while (k < s.length()) {
      char c = s.charAt(k);
      boolean extra = c == ' ' && spaced;
      if (c != '\t' && c != '\n' && !extra) {
        spaced = c == ' ';
        k++;
        continue;
      }
      x.text(s.substring(from, k));
      if (c == ' ') {
        int end = k;
        while (end < s.length() && s.charAt(end) == ' ') {
          end++;
        }
        x.empty("text:s", "text:c", end - k > 1 ? Integer.toString(end - k) : "");
        k = end;
        spaced = false;
      } else {
        x.empty(c == '\t' ? "text:tab" : "text:line-break");
        spaced = false;
        k++;
      }
      from = k;
    }
    x.text(s.substring(from));
  }

  private void field() {
    if (field.isEmpty()) {
      return;
    }
    FormField f = field.get();
    field = Optional.empty();
    String text = onField.toString();
    String style = textStyle(fieldLooks);
    if (!style.isEmpty()) {
      x.open("text:span", "text:style-name", style);
    }
    boolean choice = f.kind() == FormField.Kind.CHOICE;
    if (text.indexOf('\n') >= 0 || text.indexOf('\t') >= 0) {
      characters(text); // a field holds one line
    } else if (choice) {
      x.open("text:drop-down", "text:name", f.name());
      for (String o : f.options()) {
        x.empty(
            "text:label",
            "text:value",
            o,
            "text:current-selected",
            Boolean.toString(o.equals(text.strip())));
      }
      x.text(text).close("text:drop-down");
    } else if (f.holds(text) || f.waiting().isEmpty()) {
      x.open("text:text-input", "text:description", f.name()).text(text).close("text:text-input");
    } else {
      x.open("text:placeholder", "text:placeholder-type", "text", "text:description", f.name())
          .text(text)
          .close("text:placeholder");
    }
    if (!style.isEmpty()) {
      x.close("text:span");
    }
    spaced = false;
  }

  /** Values that readers work out (§7.3 to §7.7). */
  private void value(Event.Value v) {
    String[] words = v.instruction().split("\\s+", 2);
    String target = words.length > 1 ? words[1].split("\\s+\\\\")[0].replace("\"", "") : "";
    Optional<Integer> level =
        words[0].equals("STYLEREF") ? file.headingLevel(target) : Optional.empty();
    if (words[0].equals("STYLEREF") && level.isEmpty()) {
      run(v.shown(), v.looks());
      return;
    }
    String style = textStyle(v.looks());
    if (!style.isEmpty()) {
      x.open("text:span", "text:style-name", style);
    }
    switch (words[0]) {
      case "PAGE" -> shown("text:page-number", v, "text:select-page", "current");
      case "NUMPAGES" -> shown("text:page-count", v);
      case "TITLE" -> shown("text:title", v);
      case "PAGEREF" ->
          shown("text:bookmark-ref", v, "text:reference-format", "page", "text:ref-name", target);
      case "STYLEREF" ->
          shown(
              "text:chapter",
              v,
              "text:display",
              "name",
              "text:outline-level",
              level.map(Object::toString).orElse("1"));
      case "DATE" -> shown("text:date", v);
      default -> x.text(v.shown());
    }
    if (!style.isEmpty()) {
      x.close("text:span");
    }
    spaced = false;
  }

  private void shown(String element, Event.Value v, String... attributes) {
    x.open(element, attributes).text(v.shown()).close(element);
  }

  private void note(Event.NoteMark n) {
    if (n.own()) {
      afterOwnMark = true; // it shows by itself
      return;
    }
    boolean end = n.note().kind() == Story.Kind.ENDNOTE;
    String style = textStyle(n.looks());
    if (!style.isEmpty()) {
      x.open("text:span", "text:style-name", style);
    }
    int number = file.noteNumber(n.note());
    x.open("text:note", "text:id", "ftn" + number, "text:note-class", end ? "endnote" : "footnote");
    x.open("text:note-citation", "text:label", n.label().orElse(""))
        .text(n.label().orElse(Integer.toString(number)))
        .close("text:note-citation");
    x.open("text:note-body");
    file.story(n.note(), part, x);
    x.close("text:note-body").close("text:note");
    if (!style.isEmpty()) {
      x.close("text:span");
    }
    spaced = false;
  }
}
