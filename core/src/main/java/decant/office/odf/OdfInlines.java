package decant.office.odf;

import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Story;
import decant.model.finding.Finding;
import decant.model.look.Comment;
import decant.model.look.FormField;
import decant.model.look.Kept;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import decant.office.odf.markup.Addresses;
import decant.office.odf.markup.Measures;
import decant.office.pending.Pending;
import decant.office.xml.Element;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import decant.words.Words;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What a paragraph holds (ODF 1.3 part 3, §6 and §7). */
final class OdfInlines {
  private static final Words WORDS = Words.of(OdfInlines.class);
  private static final int MOST_SPACES = 500; // in one element

  private final OdfBody body;
  private final OdfShared shared;
  private final NodeId id;
  private final Look base;
  private final Optional<NodeId> note;
  private final List<Inline> inlines = new ArrayList<>();
  private final Set<String> bookmarks = new LinkedHashSet<>();
  private final Map<String, Comment> open;

  /** The look of what comes next. */
  private Look look;

  /** Whether white space that comes next is more of the same, or begins the paragraph (§6.1.2). */
  private boolean spaced = true;

  /**
   * @param paragraph the look of the paragraph
   * @param text what its own style sets on all of its text
   * @param note whose text it is, if it is one's
   */
  OdfInlines(OdfBody body, NodeId id, Look paragraph, Look text, Optional<NodeId> note) {
    this.body = body;
    this.shared = body.shared;
    this.id = id;
    this.base = shared.styles.sheet().textBase(paragraph);
    this.look = text;
    this.note = note;
    this.end = text;
    this.open = body.shared.openComments;
  }

  private final Look end;

  Paragraph paragraph(Look paragraphLook) {
    Look out =
        bookmarks.isEmpty()
            ? paragraphLook
            : paragraphLook.with(ParagraphTraits.BOOKMARKS, List.copyOf(bookmarks));
    return new Paragraph(id, out, shared.changes.of(end(paragraphLook)), inlines);
  }

  /**
   * The end of a paragraph takes no room of its own: it is as high as what it follows. The label of
   * an item looks like its beginning, which that would change.
   */
  private Look end(Look paragraphLook) {
    if (inlines.isEmpty() || paragraphLook.sets(ParagraphTraits.LIST)) {
      return end;
    }
    Look last = inlines.getLast().look();
    Look out = end;
    for (Trait<?> t : List.of(TextTraits.FAMILY, TextTraits.SIZE)) {
      out = as(out, last, t);
    }
    return out;
  }

  private static <T> Look as(Look look, Look other, Trait<T> t) {
    return other.get(t).map(v -> look.with(t, v)).orElse(look);
  }

  /** What stands before the paragraph, and belongs into it. */
  void waited(Element e) throws ReadProblem {
    if (e.name().equals("text:change")) {
      takenAway(e);
    } else {
      drawn(e);
    }
  }

  /** Reads what stands in an element. */
  void read(Element e) throws ReadProblem {
    shared.texts.take(e);
    for (Object c : e.children()) {
      if (c instanceof Element child) {
        element(child);
      } else {
        collapsed((String) c);
      }
    }
  }

  /** Text as it is. */
  void text(String s) {
    if (!s.isEmpty()) {
      Look now = shared.changes.of(look);
      inlines.add(
          new Inline.Text(
              s, open.isEmpty() ? now : now.with(TextTraits.COMMENTS, List.copyOf(open.values()))));
      spaced = false;
    }
  }

  /** Text of the markup, in which any white space is one space. */
  private void collapsed(String s) {
    var b = new StringBuilder(s.length());
    for (int k = 0; k < s.length(); k++) {
      char c = s.charAt(k);
      boolean space = c == ' ' || c == '\t' || c == '\n' || c == '\r';
      if (!space) {
        b.append(c);
      } else if (!spaced) {
        b.append(' ');
      }
      spaced = space;
    }
    boolean after = spaced;
    text(b.toString());
    spaced = after;
  }

  private void element(Element e) throws ReadProblem {
    switch (e.name()) {
      case "text:span" -> within(spanned(e), e);
      case "text:a" -> within(linked(e), e);
      case "text:s" ->
          text(
              " "
                  .repeat(
                      Math.clamp(Measures.whole(e.attribute("text:c")).orElse(1), 0, MOST_SPACES)));
      case "text:tab" -> text("\t");
      case "text:line-break" -> text("\n");
      case "text:soft-page-break" ->
          shared.breaks.add(
              new TakenIn.PageBreak(shared.breaks.size() + 1, new Position(id, length())));
      case "text:note" -> note(e);
      case "office:annotation" -> comment(e);
      case "office:annotation-end" -> e.attribute("office:name").ifPresent(this::commentEnds);
      case "text:bookmark",
          "text:bookmark-start",
          "text:reference-mark",
          "text:reference-mark-start" ->
          e.attribute("text:name").ifPresent(bookmarks::add);
      case "text:bookmark-end",
          "text:reference-mark-end",
          "text:toc-mark",
          "text:toc-mark-start",
          "text:toc-mark-end",
          "text:user-index-mark",
          "text:alphabetical-index-mark",
          "text:alphabetical-index-mark-start",
          "text:alphabetical-index-mark-end",
          "office:event-listeners",
          "text:script",
          "text:hidden-paragraph" -> {}
      case "text:change-start", "text:change-end" -> changed(e);
      case "text:change" -> takenAway(e);
      case "text:page-number" -> field(e, Inline.Field.Kind.PAGE, "");
      case "text:page-count" -> field(e, Inline.Field.Kind.PAGES, "");
      case "text:title" -> field(e, Inline.Field.Kind.TITLE, "");
      case "text:date" -> date(e);
      case "text:bookmark-ref", "text:reference-ref" -> reference(e);
      case "text:chapter" -> chapter(e);
      case "text:text-input", "text:placeholder", "text:drop-down" -> blank(e);
      case "text:ruby" -> ruby(e);
      case "text:hidden-text" -> {
        if (!Measures.isTrue(e.attribute("text:is-hidden"))) {
          text(e.attribute("text:string-value").orElse(""));
        }
      }
      default -> {
        if (OdfFrames.isDrawn(e)) {
          drawn(e);
        } else {
          read(e); // the words that a field shows, or an element around others
        }
      }
    }
  }

  private void changed(Element mark) {
    if (shared.changes.mark(mark).isPresent()) {
      shared.find(
          Finding.Kind.REMARK,
          Finding.Severity.NOTE,
          WORDS.say("odf-inlines.a-tracked-change"),
          id);
    }
  }

  private void takenAway(Element mark) {
    Optional<Kept> change = shared.changes.of(mark).filter(Pending::isTakenAway);
    if (change.isPresent()) {
      inlines.add(new Inline.KeptInline(change.get(), "", look));
      shared.find(
          Finding.Kind.CONTENT_KEPT_UNSHOWN,
          Finding.Severity.NOTE,
          WORDS.say("odf-inlines.a-tracked-deletion"),
          id);
    }
  }

  private int length() {
    return inlines.stream().mapToInt(Inline::length).sum();
  }

  private void within(Look inside, Element e) throws ReadProblem {
    Look around = look;
    look = inside;
    read(e);
    look = around;
  }

  private Look spanned(Element e) {
    double size = shared.styles.sheet().textLook(base, look).value(TextTraits.SIZE);
    return shared.styles.text(e.attribute("text:style-name"), body.scope, size).over(look);
  }

  private Look linked(Element e) {
    Optional<String> href = e.attribute("xlink:href").map(String::strip).filter(h -> !h.isEmpty());
    Look own = e.attribute("text:style-name").map(n -> spanned(e)).orElse(look);
    if (href.isEmpty()) {
      return own;
    }
    String to = href.get();
    if (!to.startsWith("#")) {
      String address = shared.isPackage() ? Addresses.read(to) : to;
      return own.with(TextTraits.LINK, new Link.External(address));
    }
    String name = to.substring(1).replaceAll("\\|(outline|table|frame|region|graphic|ole)$", "");
    if (to.endsWith("|outline")) {
      shared.outlineLinks.add(name);
    }
    return own.with(TextTraits.LINK, new Link.Internal(name));
  }

  /** What stands on the line as one thing; white space after it is white space. */
  private void thing(Inline i) {
    inlines.add(i.withLook(shared.changes.of(i.look())));
    spaced = false;
  }

  private void drawn(Element e) throws ReadProblem {
    Look around = look;
    if (e.name().equals("draw:a")) {
      look = linked(e);
    }
    List<Inline> onLine =
        OdfForms.isOnLine(e) ? shared.forms.shown(e, shared.fieldId(), false, look) : List.of();
    onLine.forEach(this::thing);
    if (onLine.isEmpty()) {
      body.frames().read(e, look, id).ifPresent(this::thing);
    }
    look = around;
  }

  private void note(Element e) throws ReadProblem {
    if (note.isPresent()) {
      return; // there are no notes in notes
    }
    boolean end = e.attribute("text:note-class").filter(c -> c.equals("endnote")).isPresent();
    NodeId own = NodeId.fresh();
    var inside = new OdfBody(shared, body.scope, Optional.of(own));
    Optional<Element> text = e.child("text:note-body");
    var blocks = new ArrayList<>(text.isPresent() ? inside.apart(text.get()) : List.of());
    if (!blocks.isEmpty() && blocks.getFirst() instanceof Paragraph p) {
      // The mark stands before the text by itself; ours is part of it.
      var with = new ArrayList<Inline>();
      with.add(new Inline.NoteMark(own, Look.PLAIN));
      with.add(new Inline.Text(" ", Look.PLAIN));
      with.addAll(p.inlines());
      blocks.set(0, p.withInlines(with));
    }
    Optional<String> label = e.child("text:note-citation").flatMap(c -> c.attribute("text:label"));
    var story = new Story(own, end ? Story.Kind.ENDNOTE : Story.Kind.FOOTNOTE, blocks, label);
    shared.stories.put(own, story);
    thing(new Inline.NoteMark(own, look.without(TextTraits.RAISE)));
  }

  private void comment(Element e) {
    var words = new StringBuilder();
    for (Element p : e.elements()) {
      if (p.name().startsWith("text:")) {
        words.append(words.isEmpty() ? "" : "\n").append(p.text());
      }
    }
    String name = e.attribute("office:name").orElse("");
    var comment =
        new Comment(
            shared.commentId(),
            e.child("dc:creator").map(Element::text).orElse(""),
            e.child("dc:date").map(Element::text).orElse(""),
            words.toString(),
            false);
    if (shared.ending.contains(name)) {
      open.put(name, comment);
    } else {
      onLast(comment);
    }
  }

  private void commentEnds(String name) {
    Comment c = open.remove(name);
    if (c != null
        && inlines.stream().noneMatch(i -> i.look().value(TextTraits.COMMENTS).contains(c))) {
      onLast(c);
    }
  }

  /** A comment without an end, or on nothing, is on what stands before it. */
  private void onLast(Comment comment) {
    if (!inlines.isEmpty()) {
      Inline last = inlines.removeLast();
      var all = new ArrayList<>(last.look().value(TextTraits.COMMENTS));
      all.add(comment);
      inlines.add(last.withLook(last.look().with(TextTraits.COMMENTS, all)));
    } else {
      shared.find(
          Finding.Kind.REMARK,
          Finding.Severity.LOSS,
          WORDS.say("odf-inlines.a-comment", comment.text()),
          id);
    }
  }

  private void field(Element e, Inline.Field.Kind kind, String target) {
    thing(new Inline.Field(kind, target, shared.texts.all(e), look));
  }

  private void date(Element e) {
    if (Measures.isTrue(e.attribute("text:fixed"))) {
      text(shared.texts.all(e));
    } else {
      field(e, Inline.Field.Kind.DATE, "");
    }
  }

  private void reference(Element e) throws ReadProblem {
    String target = e.attribute("text:ref-name").orElse("");
    if (e.attribute("text:reference-format").filter(f -> f.equals("page")).isPresent()) {
      field(e, Inline.Field.Kind.PAGE_OF, target);
    } else {
      within(look.with(TextTraits.LINK, new Link.Internal(target)), e);
    }
  }

  /** The heading that a page belongs to, by the style that headings of its level have. */
  private void chapter(Element e) {
    int level = Measures.whole(e.attribute("text:outline-level")).orElse(1);
    Optional<String> style =
        shared.styles.sheet().styles().values().stream()
            .filter(s -> s.paragraph().value(ParagraphTraits.HEADING_LEVEL) == level)
            .map(decant.model.look.NamedStyle::id)
            .findFirst();
    if (style.isPresent()) {
      field(e, Inline.Field.Kind.STYLED_TEXT, style.get());
    } else {
      text(shared.texts.all(e));
    }
  }

  /** Places to fill in (§7.4.14, §7.6.7). */
  private void blank(Element e) {
    shared.texts.take(e);
    String name = e.attribute("text:description").or(() -> e.attribute("text:name")).orElse("");
    List<String> options =
        e.elements("text:label").flatMap(l -> l.attribute("text:value").stream()).toList();
    boolean choice = e.name().equals("text:drop-down");
    String shown =
        choice
            ? e.children().stream()
                .filter(c -> c instanceof String)
                .map(c -> (String) c)
                .reduce("", String::concat)
            : shared.texts.all(e);
    boolean waits = e.name().equals("text:placeholder");
    var field =
        new FormField(
            shared.fieldId(),
            name.isBlank() ? WORDS.say("odf-inlines.unnamed") : name,
            choice ? FormField.Kind.CHOICE : FormField.Kind.TEXT,
            options,
            0,
            waits ? shown : "");
    Look around = look;
    look = look.with(TextTraits.FIELD, field);
    text(shown.isEmpty() ? FormField.HELD_OPEN.repeat(5) : shown);
    look = around;
  }

  /** A reading beside a word (§6.4) stands after it, in brackets. */
  private void ruby(Element e) throws ReadProblem {
    Optional<Element> base = e.child("text:ruby-base");
    if (base.isPresent()) {
      read(base.get());
    }
    Optional<String> aid = e.child("text:ruby-text").map(Element::text).filter(t -> !t.isBlank());
    if (aid.isPresent()) {
      text("(" + aid.get().strip() + ")");
      shared.find(
          Finding.Kind.LAYOUT_SIMPLIFIED,
          Finding.Severity.NOTE,
          WORDS.say("odf-inlines.a-reading-aid"),
          id);
    }
  }
}
