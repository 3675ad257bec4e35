package decant.model.edit;

import com.ibm.icu.text.BreakIterator;
import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.look.FormField;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** The changes that keys and buttons ask for: each takes a revision and gives the next. */
public final class Commands {
  private static final String TYPING = "Typing";

  private static final Pattern LINE_END = Pattern.compile("\r\n?|\n");

  /** Signs that show nothing and mean nothing in a text; a tab does. */
  private static final Pattern CONTROLS = Pattern.compile("[\\p{Cc}&&[^\t]]");

  private Commands() {}

  /** Puts text in place of what is selected. Line feeds begin new paragraphs. */
  public static Revision insert(Revision r, String text) {
    Revision clear = r.selection().isCaret() ? r : delete(r, "Replace");
    boolean extend = !r.selection().isCaret() || continuesTyping(r, text);
    Look look = r.pending().or(() -> lookOfField(r)).orElseGet(() -> lookForTyping(clear));
    Position caret = clear.selection().caret();
    Paragraph here = clear.document().requireParagraph(caret.paragraph());
    var lines = new ArrayList<Block>();
    for (String line : LINE_END.split(text, -1)) {
      String shown = CONTROLS.matcher(line).replaceAll("");
      List<Inline> inlines = shown.isEmpty() ? List.of() : List.of(new Inline.Text(shown, look));
      lines.add(new Paragraph(NodeId.fresh(), goingOn(here.look()), here.endLook(), inlines));
    }
    Splice s = Splice.of(clear.document(), caret, lines, false);
    if (s.steps().isEmpty()) {
      return clear;
    }
    var edit = new Edit(TYPING, s.steps());
    Selection after = Selection.at(s.caret());
    return extend ? clear.extend(edit, after) : clear.apply(edit, after);
  }

  /** What is typed over all or part of a field is in it; empty if no field holds the selection. */
  private static Optional<Look> lookOfField(Revision r) {
    Range s = Range.of(r.document(), r.selection());
    if (s.start().equals(s.end()) || !s.start().paragraph().equals(s.end().paragraph())) {
      return Optional.empty();
    }
    Paragraph p = r.document().requireParagraph(s.start().paragraph());
    Look first = p.lookAt(s.start().offset() + 1);
    Optional<FormField> field = first.get(TextTraits.FIELD);
    return field.isPresent() && field.equals(p.lookAt(s.end().offset()).get(TextTraits.FIELD))
        ? Optional.of(first)
        : Optional.empty();
  }

  /**
   * Begins a new paragraph. At the end of a heading the new one is body text; in an item without
   * text the list ends.
   */
  public static Revision newParagraph(Revision r) {
    Optional<Revision> left = ListEdits.leave(r);
    if (left.isPresent()) {
      return left.get();
    }
    Revision clear = r.selection().isCaret() ? r : delete(r, "Replace");
    Document d = clear.document();
    Position at = clear.selection().caret();
    Paragraph p = d.requireParagraph(at.paragraph());
    boolean atEnd = at.offset() == p.length();
    Look look = goingOn(p.look());
    Look endLook = p.endLook();
    Optional<Look> following = atEnd ? following(d, p) : Optional.empty();
    if (following.isPresent()) {
      look = following.get();
      endLook = Look.PLAIN;
    } else if (atEnd) {
      endLook =
          p.inlines().isEmpty() ? endLook : p.inlines().getLast().look().without(TextTraits.LINK);
    }
    NodeId next = NodeId.fresh();
    var edit = Edit.of("New paragraph", new Step.Split(p.id(), at.offset(), next, look, endLook));
    Selection after = Selection.at(new Position(next, 0));
    return r.selection().isCaret() ? clear.apply(edit, after) : clear.extend(edit, after);
  }

  /**
   * The look of a paragraph that is begun after another: of the style that follows that one's, if
   * it is another one; after a heading whose style names none, that of body text.
   */
  private static Optional<Look> following(Document d, Paragraph p) {
    String style = p.look().value(ParagraphTraits.STYLE);
    Optional<String> next =
        d.styles()
            .style(style.isEmpty() ? d.styles().defaultStyle() : style)
            .flatMap(NamedStyle::next)
            .filter(d.styles().styles()::containsKey);
    if (next.isPresent() && !next.get().equals(style)) {
      return Optional.of(
          next.get().equals(d.styles().defaultStyle())
              ? Look.PLAIN
              : Look.of(ParagraphTraits.STYLE, next.get()));
    }
    return d.headingLevel(p) > 0 ? Optional.of(Look.PLAIN) : Optional.empty();
  }

  /** The look of the second part of a paragraph: what is of its beginning stays with the first. */
  static Look goingOn(Look look) {
    return look.without(ParagraphTraits.BOOKMARKS).without(ParagraphTraits.PAGE_BREAK_BEFORE);
  }

  /** Breaks the line without beginning a paragraph. */
  public static Revision lineBreak(Revision r) {
    Revision clear = r.selection().isCaret() ? r : delete(r, "Replace");
    Position at = clear.selection().caret();
    var step =
        new Step.ReplaceText(
            at.paragraph(),
            at.offset(),
            at.offset(),
            List.of(new Inline.Text("\n", lookForTyping(clear))));
    return clear.apply(
        Edit.of("Line break", step), Selection.at(new Position(at.paragraph(), at.offset() + 1)));
  }

  /**
   * Deletes what is selected, else the grapheme before the caret, else takes off the mark of an
   * item or moves the paragraph out, else joins it with the one before.
   */
  public static Revision deleteBackward(Revision r) {
    if (!r.selection().isCaret()) {
      return delete(r, "Delete");
    }
    Position caret = r.selection().caret();
    Position from = Motion.previousCharacter(r.document(), caret);
    return ListEdits.outAtStart(r).orElseGet(() -> deleteBetween(r, from, caret));
  }

  /**
   * Deletes what is selected, else the grapheme after the caret, else joins with the paragraph
   * after.
   */
  public static Revision deleteForward(Revision r) {
    if (!r.selection().isCaret()) {
      return delete(r, "Delete");
    }
    Position caret = r.selection().caret();
    return deleteBetween(r, caret, Motion.nextCharacter(r.document(), caret));
  }

  /** Deletes from the caret to the beginning of the word before it. */
  public static Revision deleteWordBackward(Revision r) {
    if (!r.selection().isCaret()) {
      return delete(r, "Delete");
    }
    Position caret = r.selection().caret();
    return deleteBetween(r, Motion.previousWord(r.document(), caret), caret);
  }

  /** Deletes from the caret to the beginning of the next word. */
  public static Revision deleteWordForward(Revision r) {
    if (!r.selection().isCaret()) {
      return delete(r, "Delete");
    }
    Position caret = r.selection().caret();
    return deleteBetween(r, caret, Motion.nextWord(r.document(), caret));
  }

  private static Revision deleteBetween(Revision r, Position from, Position to) {
    if (from.equals(to)) {
      return r;
    }
    Document d = r.document();
    if (!from.paragraph().equals(to.paragraph())
        && !siblings(d, from.paragraph(), to.paragraph())) {
      return r.withSelection(Selection.at(from)); // a cell's edge: move, delete nothing
    }
    Range range = new Range(from, to);
    Position after = afterDeletion(d, range);
    var edit = new Edit("Delete", deletion(d, range));
    Optional<History.Change> last = r.history().lastDone();
    boolean run =
        last.isPresent()
            && last.get().edit().name().equals("Delete")
            && last.get().after().equals(r.selection())
            && from.paragraph().equals(to.paragraph());
    Revision base = new Revision(d, r.selection(), r.history(), Optional.empty());
    return run ? base.extend(edit, Selection.at(after)) : base.apply(edit, Selection.at(after));
  }

  private static boolean siblings(Document d, NodeId a, NodeId b) {
    Optional<NodeId> ca = d.index().container(d, a);
    int pa = d.index().place(a).orElse(-1);
    int pb = d.index().place(b).orElse(-1);
    return ca.isPresent() && ca.equals(d.index().container(d, b)) && Math.abs(pa - pb) == 1;
  }

  private static Revision delete(Revision r, String name) {
    Range range = Range.of(r.document(), r.selection());
    Position after = afterDeletion(r.document(), range);
    return r.apply(new Edit(name, deletion(r.document(), range)), Selection.at(after));
  }

  /**
   * Whether the paragraph that a deletion ends in is what remains: all of the one that it begins in
   * goes, so that a heading below an empty line stays a heading when that line is deleted.
   */
  private static boolean laterRemains(Document d, Range range) {
    return range.start().offset() == 0
        && range.end().offset() < d.requireParagraph(range.end().paragraph()).length();
  }

  private static Position afterDeletion(Document d, Range range) {
    if (range.cells(d).isPresent()) {
      return new Position(range.parts(d).getFirst().paragraph().id(), 0);
    }
    NodeId a = range.start().paragraph();
    NodeId b = range.end().paragraph();
    boolean together = !a.equals(b) && d.index().container(d, a).equals(d.index().container(d, b));
    return together && laterRemains(d, range) ? new Position(b, 0) : range.start();
  }

  private static List<Step> deletion(Document d, Range range) {
    Position a = range.start();
    Position b = range.end();
    var steps = new ArrayList<Step>();
    if (a.paragraph().equals(b.paragraph())) {
      steps.add(new Step.ReplaceText(a.paragraph(), a.offset(), b.offset(), List.of()));
      return steps;
    }
    Optional<NodeId> container = d.index().container(d, a.paragraph());
    if (container.isPresent() && container.equals(d.index().container(d, b.paragraph()))) {
      int i = d.index().place(a.paragraph()).orElseThrow();
      int j = d.index().place(b.paragraph()).orElseThrow();
      List<Block> between = d.blocksOf(container.get()).subList(i + 1, j);
      if (laterRemains(d, range)) {
        List<Block> gone = d.blocksOf(container.get()).subList(i, j);
        Position rest = new Position(b.paragraph(), 0);
        if (b.offset() > 0) {
          steps.add(new Step.ReplaceText(b.paragraph(), 0, b.offset(), List.of()));
        }
        steps.add(new Step.ReplaceBlocks(container.get(), i, gone, List.of(), rest));
        return steps;
      }
      int length = d.requireParagraph(a.paragraph()).length();
      if (a.offset() < length) {
        steps.add(new Step.ReplaceText(a.paragraph(), a.offset(), length, List.of()));
      }
      if (b.offset() > 0) {
        steps.add(new Step.ReplaceText(b.paragraph(), 0, b.offset(), List.of()));
      }
      if (!between.isEmpty()) {
        steps.add(new Step.ReplaceBlocks(container.get(), i + 1, between, List.of(), a));
      }
      steps.add(new Step.Join(a.paragraph(), a.offset(), b.paragraph()));
      return steps;
    }
    for (Range.Part part : range.parts(d)) {
      if (part.from() < part.to()) {
        steps.add(new Step.ReplaceText(part.paragraph().id(), part.from(), part.to(), List.of()));
      }
    }
    return steps;
  }

  /** Sets a text trait on what is selected; with a caret, on what is typed next. */
  public static <T> Revision set(Revision r, String name, Trait<T> trait, T value) {
    if (r.selection().isCaret()) {
      return r.withPending(r.pending().orElseGet(() -> lookForTyping(r)).with(trait, value));
    }
    Document d = r.document();
    var steps = new ArrayList<Step>();
    for (Range.Part part : Range.of(d, r.selection()).parts(d)) {
      List<Inline> styled =
          part.paragraph().slice(part.from(), part.to()).stream()
              .map(i -> i.withLook(i.look().with(trait, value)))
              .toList();
      if (!styled.isEmpty()) {
        steps.add(new Step.Restyle(part.paragraph().id(), part.from(), styled));
      }
    }
    return steps.isEmpty() ? r : r.apply(new Edit(name, steps), r.selection());
  }

  /** Leaves a trait of what is selected to its style; with a caret, of what is typed next. */
  public static Revision unset(Revision r, String name, Trait<?> trait) {
    if (r.selection().isCaret()) {
      return r.withPending(r.pending().orElseGet(() -> lookForTyping(r)).without(trait));
    }
    Document d = r.document();
    var steps = new ArrayList<Step>();
    for (Range.Part part : Range.of(d, r.selection()).parts(d)) {
      List<Inline> plain =
          part.paragraph().slice(part.from(), part.to()).stream()
              .map(i -> i.withLook(i.look().without(trait)))
              .toList();
      if (!plain.isEmpty()) {
        steps.add(new Step.Restyle(part.paragraph().id(), part.from(), plain));
      }
    }
    return steps.isEmpty() ? r : r.apply(new Edit(name, steps), r.selection());
  }

  /** Leaves a paragraph trait of what the selection touches to the style. */
  public static Revision unsetParagraph(Revision r, String name, Trait<?> trait) {
    Document d = r.document();
    var steps = new ArrayList<Step>();
    for (Range.Part part : Range.of(d, r.selection()).parts(d)) {
      Paragraph p = part.paragraph();
      steps.add(new Step.SetParagraphLook(p.id(), p.look().without(trait), p.endLook()));
    }
    return r.apply(new Edit(name, steps), r.selection());
  }

  /** Sets a yes-or-no trait, or clears it where all that is selected has it. */
  public static Revision toggle(Revision r, String name, Trait<Boolean> trait) {
    return set(r, name, trait, !isSet(r, trait));
  }

  /** Whether all that is selected has the trait. */
  public static boolean isSet(Revision r, Trait<Boolean> trait) {
    Document d = r.document();
    if (r.selection().isCaret()) {
      Paragraph p = d.requireParagraph(r.selection().caret().paragraph());
      Look direct = r.pending().orElseGet(() -> p.lookAt(r.selection().caret().offset()));
      return d.styles().textLook(d.styles().textBase(p.look()), direct).value(trait);
    }
    boolean any = false;
    for (Range.Part part : Range.of(d, r.selection()).parts(d)) {
      Look base = d.styles().textBase(part.paragraph().look());
      for (Inline i : part.paragraph().slice(part.from(), part.to())) {
        any = true;
        if (!d.styles().textLook(base, i.look()).value(trait)) {
          return false;
        }
      }
    }
    return any;
  }

  /** Sets a paragraph trait on every paragraph that the selection touches. */
  public static <T> Revision setParagraph(Revision r, String name, Trait<T> trait, T value) {
    Document d = r.document();
    var steps = new ArrayList<Step>();
    for (Range.Part part : Range.of(d, r.selection()).parts(d)) {
      Paragraph p = part.paragraph();
      steps.add(new Step.SetParagraphLook(p.id(), p.look().with(trait, value), p.endLook()));
    }
    return r.apply(new Edit(name, steps), r.selection());
  }

  /**
   * Makes every paragraph that the selection touches a heading of a level, or body text for level
   * 0. The named style of the level is used; a line that stood out already keeps its look, links
   * stay.
   */
  public static Revision setHeadingLevel(Revision r, int level) {
    Document d = r.document();
    List<NodeId> touched =
        Range.of(d, r.selection()).parts(d).stream().map(p -> p.paragraph().id()).toList();
    return StructureEdits.heading(r, touched, level);
  }

  /** The look that text typed now would have. */
  public static Look lookForTyping(Revision r) {
    Position caret = r.selection().caret();
    Paragraph p = r.document().requireParagraph(caret.paragraph());
    Look look = p.lookAt(caret.offset());
    // A link ends where its text ends: typing at its edge does not lengthen it.
    boolean inside =
        look.sets(TextTraits.LINK)
            && caret.offset() < p.length()
            && p.lookAt(caret.offset() + 1).get(TextTraits.LINK).equals(look.get(TextTraits.LINK));
    return inside ? look : look.without(TextTraits.LINK);
  }

  private static boolean continuesTyping(Revision r, String text) {
    // One undo takes back a word: a space after a letter begins the next one.
    Optional<History.Change> last = r.history().lastDone();
    if (last.isEmpty()
        || !last.get().edit().name().equals(TYPING)
        || !last.get().after().equals(r.selection())
        || text.contains("\n")) {
      return false;
    }
    Position caret = r.selection().caret();
    String before = r.document().requireParagraph(caret.paragraph()).text();
    boolean spaceBefore =
        caret.offset() > 0 && Character.isWhitespace(before.charAt(caret.offset() - 1));
    return !spaceBefore || Character.isWhitespace(text.charAt(0));
  }

  /** Selects the word at a position. */
  public static Selection wordAt(Document d, Position at) {
    String text = d.requireParagraph(at.paragraph()).text();
    BreakIterator words = BreakIterator.getWordInstance(java.util.Locale.ROOT);
    words.setText(text);
    int end = at.offset() >= text.length() ? text.length() : words.following(at.offset());
    int start = words.preceding(Math.max(end, 1));
    return new Selection(
        new Position(at.paragraph(), Math.max(0, start)),
        new Position(at.paragraph(), Math.max(0, end)));
  }
}
