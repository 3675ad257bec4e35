package decant.model.edit;

import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Selection;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Kept;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Puts what was copied into a document. Everything in it gets identities of its own, so that it can
 * be put in as often as wanted; styles and lists that the document does not have come along.
 */
public final class Pasting {
  private final Fragment from;
  private StyleSheet styles;
  private final Map<String, ListDefinition> lists;
  private final Map<String, String> listNames = new HashMap<>();
  private final Map<String, String> styleNames = new HashMap<>();
  private final Map<NodeId, NodeId> storyNames = new HashMap<>();
  private final Map<NodeId, Optional<Story>> stories = new LinkedHashMap<>();
  private final Set<String> bookmarks;
  private final boolean sameFile;

  private Pasting(Document target, Fragment from) {
    this.from = from;
    this.styles = target.styles();
    this.lists = new LinkedHashMap<>(target.lists());
    this.bookmarks = new HashSet<>(target.bookmarks().keySet());
    this.sameFile = target.keptParts().equals(from.parts());
  }

  /** Puts a fragment in place of what is selected. */
  public static Revision paste(Revision r, Fragment fragment) {
    return paste(r, fragment, false);
  }

  /**
   * Puts a fragment in place of what is selected.
   *
   * @param goesOn whether this is one with the last change
   */
  static Revision paste(Revision r, Fragment fragment, boolean goesOn) {
    if (fragment.isEmpty()) {
      return r;
    }
    Revision clear = r.selection().isCaret() ? r : Commands.deleteBackward(r);
    Document d = clear.document();
    NodeId at = clear.selection().caret().paragraph();
    Adapted adapted = adapted(d, fragment, d.index().topLevel(at).isPresent());
    var steps = new ArrayList<>(adapted.before());
    Splice s = Splice.of(d, clear.selection().caret(), adapted.blocks(), true);
    steps.addAll(s.steps());
    var edit = new Edit("Paste", steps);
    Selection after = Selection.at(s.caret());
    boolean one = goesOn || !r.selection().isCaret();
    return one ? clear.extend(edit, after) : clear.apply(edit, after);
  }

  /**
   * What a fragment comes to in a document.
   *
   * @param blocks one for each of the fragment, with identities of their own
   * @param before what the document has to get before them: styles, lists, pictures and notes
   */
  public record Adapted(List<Block> blocks, List<Step> before) {
    public Adapted {
      blocks = List.copyOf(blocks);
      before = List.copyOf(before);
    }
  }

  /**
   * @param inFlow whether it goes into the flow, where notes may be
   */
  public static Adapted adapted(Document d, Fragment fragment, boolean inFlow) {
    var paste = new Pasting(d, fragment);
    List<Block> blocks = paste.blocks(fragment.blocks(), inFlow);
    var steps = new ArrayList<Step>();
    if (paste.styles != d.styles()) {
      steps.add(new Step.SetStyles(paste.styles));
    }
    if (!paste.lists.equals(d.lists())) {
      steps.add(new Step.SetLists(paste.lists));
    }
    if (!fragment.media().isEmpty()) {
      steps.add(new Step.AddMedia(List.copyOf(fragment.media().values())));
    }
    if (!paste.stories.isEmpty()) {
      steps.add(new Step.PutStories(paste.stories));
    }
    return new Adapted(blocks, steps);
  }

  private List<Block> blocks(List<Block> of, boolean inFlow) {
    var out = new ArrayList<Block>();
    for (Block b : of) {
      out.add(
          switch (b) {
            case Paragraph p -> paragraph(p, inFlow);
            case Table t -> table(t, inFlow);
            case KeptBlock k ->
                leadsSomewhere(k.kept())
                    ? new KeptBlock(NodeId.fresh(), k.kept())
                    : new Paragraph(NodeId.fresh(), Look.PLAIN, Look.PLAIN, List.of());
          });
    }
    return out;
  }

  private Table table(Table t, boolean inFlow) {
    var rows = new ArrayList<Table.Row>();
    for (Table.Row row : t.rows()) {
      var cells = new ArrayList<Cell>();
      for (Cell c : row.cells()) {
        cells.add(
            new Cell(
                NodeId.fresh(), c.columnSpan(), c.rowSpan(), c.look(), blocks(c.blocks(), inFlow)));
      }
      rows.add(new Table.Row(row.look(), cells));
    }
    return new Table(NodeId.fresh(), t.look(), t.columns(), rows);
  }

  private Paragraph paragraph(Paragraph p, boolean inFlow) {
    Look look = named(p.look(), ParagraphTraits.STYLE);
    if (look.sets(ParagraphTraits.LIST)) {
      ListMembership m = look.value(ParagraphTraits.LIST);
      if (!m.list().isEmpty()) {
        look = look.with(ParagraphTraits.LIST, new ListMembership(list(m.list()), m.depth()));
      }
    }
    if (look.sets(ParagraphTraits.BOOKMARKS)) {
      // A name leads to one place: the one that had it first.
      List<String> free =
          look.value(ParagraphTraits.BOOKMARKS).stream().filter(bookmarks::add).toList();
      look =
          free.isEmpty()
              ? look.without(ParagraphTraits.BOOKMARKS)
              : look.with(ParagraphTraits.BOOKMARKS, free);
    }
    var inlines = new ArrayList<Inline>();
    for (Inline i : p.inlines()) {
      inline(i.withLook(named(i.look(), TextTraits.CHARACTER_STYLE)), inFlow)
          .ifPresent(inlines::add);
    }
    return new Paragraph(
        NodeId.fresh(), look, named(p.endLook(), TextTraits.CHARACTER_STYLE), inlines);
  }

  private Optional<Inline> inline(Inline i, boolean inFlow) {
    return switch (i) {
      case Inline.NoteMark n -> {
        Optional<NodeId> own = Optional.ofNullable(storyNames.get(n.note()));
        // There are no notes within notes, headers and shapes.
        Optional<NodeId> note = own.isPresent() || !inFlow ? own : story(n.note());
        yield note.map(x -> new Inline.NoteMark(x, n.look()));
      }
      case Inline.Shape s -> Optional.of(shape(s));
      case Inline.Text t -> Optional.of(t);
      case Inline.Picture p -> Optional.of(p.withKept(p.kept().filter(this::leadsSomewhere)));
      case Inline.Field f -> Optional.of(f);
      case Inline.KeptInline k ->
          leadsSomewhere(k.kept())
              ? Optional.of(k)
              : Optional.of(k.shown())
                  .filter(s -> !s.isEmpty())
                  .map(s -> new Inline.Text(s, k.look()));
    };
  }

  /** What refers to other parts of its file leads nowhere in another one. */
  private boolean leadsSomewhere(Kept k) {
    return sameFile || k.standsAlone();
  }

  private Inline shape(Inline.Shape s) {
    Optional<NodeId> text = s.content().story().flatMap(this::story);
    Inline.BoxText c = s.content();
    return new Inline.Shape(
        s.drawing(),
        s.width(),
        s.height(),
        new Inline.BoxText(text, c.grows(), c.padding(), c.alignment()),
        s.alt(),
        s.placement(),
        s.rotation(),
        s.kept().filter(this::leadsSomewhere),
        s.look());
  }

  /** A story of its own for a mark; none if the fragment does not have it. */
  private Optional<NodeId> story(NodeId was) {
    Story s = from.stories().get(was);
    if (s == null) {
      return Optional.empty();
    }
    NodeId id = NodeId.fresh();
    storyNames.put(was, id); // a note's own text shows its mark
    List<Block> blocks = blocks(s.blocks(), false);
    storyNames.remove(was);
    stories.put(id, Optional.of(new Story(id, s.kind(), blocks, s.label())));
    return Optional.of(id);
  }

  private Look named(Look look, Trait<String> trait) {
    if (!look.sets(trait) || look.value(trait).isEmpty()) {
      return look;
    }
    return look.with(trait, style(look.value(trait)));
  }

  /** What a style of the fragment is called in the document; it is added if it is not there. */
  private String style(String id) {
    String known = styleNames.get(id);
    if (known != null) {
      return known;
    }
    Optional<NamedStyle> own = from.styles().style(id);
    if (own.isEmpty() || styles.styles().containsKey(id)) {
      styleNames.put(id, id);
      return id;
    }
    NamedStyle s = own.get();
    Optional<String> alike =
        styles.styles().values().stream()
            .filter(x -> x.kind() == s.kind() && x.name().equalsIgnoreCase(s.name()))
            .map(NamedStyle::id)
            .findFirst();
    styleNames.put(id, alike.orElse(id));
    if (alike.isEmpty()) {
      styles =
          styles.with(
              new NamedStyle(
                  id,
                  s.name(),
                  s.kind(),
                  s.basedOn().map(this::style),
                  s.next().map(this::style),
                  s.paragraph(),
                  s.text(),
                  s.kept()));
    }
    return alike.orElse(id);
  }

  /** What a list of the fragment is called in the document. */
  private String list(String id) {
    String known = listNames.get(id);
    if (known != null) {
      return known;
    }
    ListDefinition own = from.lists().get(id);
    String name = id;
    if (own != null && !own.equals(lists.get(id))) {
      for (int k = 2; lists.containsKey(name); k++) {
        name = id + "-" + k;
      }
      lists.put(name, new ListDefinition(name, name, own.restarts(), own.levels()));
    }
    listNames.put(id, name);
    return name;
  }
}
