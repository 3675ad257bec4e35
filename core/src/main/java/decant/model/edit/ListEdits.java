package decant.model.edit;

import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.look.ListDefinition;
import decant.model.look.ListDefinition.Level;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * What a person does to the items of lists: makes them, moves them in and out, counts them anew.
 */
public final class ListEdits {
  /** As deep as a list goes, from 0. */
  private static final int DEEPEST = 8;

  /** How far one step in or out moves a paragraph that is no item, in points. */
  private static final double STEP = 18;

  private static final ListMembership NONE = new ListMembership("", 0);

  private ListEdits() {}

  /** The item that a paragraph is, by its own look or by its style; empty if it is none. */
  public static Optional<ListMembership> item(Document d, Paragraph p) {
    ListMembership m = look(d, p).value(ParagraphTraits.LIST);
    return m.list().isEmpty() || !d.lists().containsKey(m.list())
        ? Optional.empty()
        : Optional.of(m);
  }

  private static Look look(Document d, Paragraph p) {
    return d.styles().paragraphLook(p.look(), Look.PLAIN, d.lists());
  }

  private static List<Paragraph> touched(Revision r) {
    return Range.of(r.document(), r.selection()).parts(r.document()).stream()
        .map(Range.Part::paragraph)
        .toList();
  }

  /**
   * Whether the first paragraph that is selected is an item of a list that counts, or of one that
   * does not.
   */
  public static boolean isIn(Revision r, boolean counting) {
    Document d = r.document();
    return item(d, touched(r).getFirst())
        .filter(m -> level(d, m).ordered() == counting)
        .isPresent();
  }

  /** The list of an item, which is there: an item of none is no item. */
  private static ListDefinition list(Document d, ListMembership m) {
    return Objects.requireNonNull(d.lists().get(m.list()));
  }

  private static Level level(Document d, ListMembership m) {
    return list(d, m).level(m.depth());
  }

  /**
   * Makes all paragraphs that the selection touches items of a list, bulleted or counting; where
   * all are so already, makes them text again. Items that follow on one of such a list go on in it.
   */
  public static Revision toggle(Revision r, boolean counting) {
    Document d = r.document();
    List<Paragraph> all = touched(r);
    boolean so =
        all.stream()
            .allMatch(p -> item(d, p).filter(m -> level(d, m).ordered() == counting).isPresent());
    if (so) {
      return off(r, all);
    }
    var steps = new ArrayList<Step>();
    Optional<ListMembership> before = itemAbove(d, all.getFirst(), counting);
    String list;
    if (before.isPresent()) {
      list = before.get().list();
    } else {
      list = free(d, counting ? "numbers" : "bullets");
      steps.add(with(d, ListDefinition.marked(list, counting ? "1." : "•")));
    }
    for (Paragraph p : all) {
      int depth = item(d, p).map(ListMembership::depth).orElse(0);
      Look look = asItem(p.look(), new ListMembership(list, depth));
      steps.add(new Step.SetParagraphLook(p.id(), look, p.endLook()));
    }
    return r.apply(new Edit(counting ? "Numbered list" : "Bulleted list", steps), r.selection());
  }

  /** The lists of a document, with one more or one that takes the place of its like. */
  static Step.SetLists with(Document d, ListDefinition list) {
    Map<String, ListDefinition> lists = new LinkedHashMap<>(d.lists());
    lists.put(list.id(), list);
    return new Step.SetLists(lists);
  }

  /** The look of an item, whose indents are those of its level. */
  static Look asItem(Look look, ListMembership item) {
    return withoutIndents(look).with(ParagraphTraits.LIST, item);
  }

  private static Look withoutIndents(Look look) {
    return look.without(ParagraphTraits.INDENT_START).without(ParagraphTraits.FIRST_LINE);
  }

  /** The item just above a paragraph, if it is of a list of such a kind. */
  static Optional<ListMembership> itemAbove(Document d, Paragraph p, boolean counting) {
    return above(d, p)
        .flatMap(x -> item(d, x))
        .filter(m -> level(d, new ListMembership(m.list(), 0)).ordered() == counting);
  }

  private static Optional<Paragraph> above(Document d, Paragraph p) {
    List<NodeId> order = d.index().orderAround(p.id());
    int at = d.index().placeInOrder(p.id()).orElse(0);
    return at == 0 ? Optional.empty() : d.paragraph(order.get(at - 1));
  }

  static String free(Document d, String stem) {
    String id = stem;
    for (int k = 2; d.lists().containsKey(id); k++) {
      id = stem + "-" + k;
    }
    return id;
  }

  private static Revision off(Revision r, List<Paragraph> all) {
    var steps = new ArrayList<Step>();
    for (Paragraph p : all) {
      steps.add(new Step.SetParagraphLook(p.id(), taken(r.document(), p, false), p.endLook()));
    }
    return r.apply(new Edit("No list", steps), r.selection());
  }

  /**
   * The look of an item that is none any more; its text stays where it is or goes to the margin.
   */
  private static Look taken(Document d, Paragraph p, boolean stays) {
    Look was = look(d, p);
    Look bare = withoutIndents(p.look().without(ParagraphTraits.LIST));
    boolean styled = d.styles().paragraphLook(bare).sets(ParagraphTraits.LIST);
    if (styled) {
      bare = bare.with(ParagraphTraits.LIST, NONE);
    }
    return stays
        ? bare.with(ParagraphTraits.INDENT_START, was.value(ParagraphTraits.INDENT_START))
            .with(ParagraphTraits.FIRST_LINE, 0.0)
        : bare;
  }

  /**
   * What Enter does in an item without text: the list ends there. Empty where it is no such item.
   */
  static Optional<Revision> leave(Revision r) {
    Document d = r.document();
    Paragraph p = d.requireParagraph(r.selection().caret().paragraph());
    if (!r.selection().isCaret() || p.length() > 0 || item(d, p).isEmpty()) {
      return Optional.empty();
    }
    return Optional.of(off(r, List.of(p)));
  }

  /**
   * What Backspace does at the start of a paragraph that stands in: an item loses its mark and
   * stays where it is, then each time the text moves out by a step. Empty where it stands at the
   * margin.
   */
  static Optional<Revision> outAtStart(Revision r) {
    Document d = r.document();
    Position caret = r.selection().caret();
    Paragraph p = d.requireParagraph(caret.paragraph());
    if (!r.selection().isCaret() || caret.offset() > 0) {
      return Optional.empty();
    }
    if (item(d, p).isPresent()) {
      var step = new Step.SetParagraphLook(p.id(), taken(d, p, true), p.endLook());
      return Optional.of(r.apply(Edit.of("Take mark off", step), r.selection()));
    }
    double indent = p.look().value(ParagraphTraits.INDENT_START);
    if (!p.look().sets(ParagraphTraits.INDENT_START) || indent <= 0 || d.headingLevel(p) > 0) {
      return Optional.empty();
    }
    return Optional.of(shift(r, List.of(p), -1));
  }

  /** Whether Tab moves what is selected in, and does not stand in the text. */
  public static boolean movesByTab(Revision r) {
    Document d = r.document();
    if (!r.selection().isCaret()) {
      return touched(r).stream().anyMatch(p -> item(d, p).isPresent()) && touched(r).size() > 1;
    }
    Position caret = r.selection().caret();
    return caret.offset() == 0 && item(d, d.requireParagraph(caret.paragraph())).isPresent();
  }

  /** Moves all paragraphs that the selection touches in (1) or out (-1): items by a level. */
  public static Revision shift(Revision r, int by) {
    return shift(r, touched(r), by);
  }

  private static Revision shift(Revision r, List<Paragraph> all, int by) {
    Document d = r.document();
    var steps = new ArrayList<Step>();
    Map<String, ListDefinition> lists = new LinkedHashMap<>(d.lists());
    for (Paragraph p : all) {
      Optional<ListMembership> m = item(d, p);
      Look look;
      if (m.isPresent()) {
        int depth = Math.clamp(m.get().depth() + by, 0, DEEPEST);
        lists.computeIfPresent(m.get().list(), (id, l) -> l.downTo(depth));
        look = asItem(p.look(), new ListMembership(m.get().list(), depth));
      } else {
        double indent = Math.max(0, look(d, p).value(ParagraphTraits.INDENT_START) + by * STEP);
        look = p.look().with(ParagraphTraits.INDENT_START, indent);
      }
      if (!look.equals(p.look())) {
        steps.add(new Step.SetParagraphLook(p.id(), look, p.endLook()));
      }
    }
    if (steps.isEmpty()) {
      return r;
    }
    if (!lists.equals(d.lists())) {
      steps.addFirst(new Step.SetLists(lists));
    }
    return r.apply(new Edit(by > 0 ? "Move in" : "Move out", steps), r.selection());
  }

  /**
   * Counts anew from the item at the caret on: this item and those of its list below it become a
   * list of their own.
   *
   * @param start the number of the item, at least 0
   */
  public static Revision startAt(Revision r, int start) {
    Document d = r.document();
    Paragraph p = touched(r).getFirst();
    Optional<ListMembership> m = item(d, p).filter(x -> level(d, x).ordered());
    if (m.isEmpty()) {
      return r;
    }
    ListDefinition own = list(d, m.get());
    String id = free(d, own.id());
    List<Level> levels = own.with(m.get().depth(), own.level(m.get().depth()).from(start));
    var steps = new ArrayList<Step>();
    steps.add(with(d, new ListDefinition(id, id, Set.of(), levels)));
    steps.addAll(moved(d, p, m.get().list(), id));
    return r.apply(new Edit("Count from " + start, steps), r.selection());
  }

  /** Counts on from the nearest list above that is marked likewise. */
  public static Revision goOn(Revision r) {
    Document d = r.document();
    Paragraph p = touched(r).getFirst();
    Optional<ListMembership> m = item(d, p);
    if (m.isEmpty()) {
      return r;
    }
    Level here = level(d, m.get());
    for (Optional<Paragraph> x = above(d, p); x.isPresent(); x = above(d, x.get())) {
      Optional<ListMembership> other =
          item(d, x.get()).filter(o -> !o.list().equals(m.get().list()));
      boolean alike =
          other.isPresent()
              && list(d, other.get()).level(m.get().depth()) instanceof Level l
              && l.format() == here.format()
              && l.pattern().equals(here.pattern());
      if (alike) {
        return r.apply(
            new Edit("Count on", moved(d, p, m.get().list(), other.get().list())), r.selection());
      }
    }
    return r;
  }

  /** Takes a paragraph, and those below it that are of its list, into another list. */
  private static List<Step> moved(Document d, Paragraph from, String list, String to) {
    var steps = new ArrayList<Step>();
    List<NodeId> order = d.index().orderAround(from.id());
    for (int k = d.index().placeInOrder(from.id()).orElse(0); k < order.size(); k++) {
      Paragraph p = d.requireParagraph(order.get(k));
      item(d, p)
          .filter(m -> m.list().equals(list))
          .ifPresent(m ->
              steps.add(
                  new Step.SetParagraphLook(
                      p.id(),
                      p.look().with(ParagraphTraits.LIST, new ListMembership(to, m.depth())),
                      p.endLook())));
    }
    return steps;
  }

  /** Gives the list at the caret other marks, at the depth of its item. */
  public static Revision format(Revision r, ListDefinition.NumberFormat format, String pattern) {
    Document d = r.document();
    Optional<ListMembership> m = item(d, touched(r).getFirst());
    if (m.isEmpty()) {
      return r;
    }
    ListDefinition own = list(d, m.get());
    int depth = Math.min(m.get().depth(), own.levels().size() - 1);
    Level other = own.level(depth).written(format, pattern.replace("%1", "%" + (depth + 1)));
    List<Level> levels = own.with(depth, other);
    var marked = new ListDefinition(own.id(), own.series(), own.restarts(), levels);
    return r.apply(Edit.of("Marks of a list", with(d, marked)), r.selection());
  }
}
