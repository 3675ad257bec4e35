package decant.model.edit;

import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.Table;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.Markers;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TableTraits;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Puts right what a reader took for something else. Each act takes what it is to be done to, and is
 * undone in one go.
 */
public final class StructureEdits {
  /** What parts the cells of a line that is a row: a tab, or a gap of several spaces. */
  private static final Pattern GAP = Pattern.compile("\\t+| {2,}");

  private StructureEdits() {}

  /**
   * Makes paragraphs headings of a level, from 1 to 9, or body text for level 0. A line that stood
   * out already keeps its look; any other takes on that of its style.
   */
  public static Revision heading(Revision r, List<NodeId> paragraphs, int level) {
    var styles = HeadingStyles.ensure(r.document().styles(), level);
    var steps = new ArrayList<Step>();
    if (styles != r.document().styles()) {
      steps.add(new Step.SetStyles(styles));
    }
    double bodySize = HeadingLook.bodySize(r.document());
    for (NodeId id : paragraphs) {
      Paragraph p = r.document().requireParagraph(id);
      steps.addAll(
          HeadingLook.standsOut(r.document(), p, styles, level, bodySize)
              ? HeadingLook.conformance(r.document(), p, styles, level)
              : headingSteps(p, styles, level));
    }
    return apply(r, level == 0 ? "Make body text" : "Make heading " + level, steps);
  }

  /** What makes one paragraph a heading; for level 0 what makes it body text. */
  private static List<Step> headingSteps(Paragraph p, StyleSheet styles, int level) {
    Look look =
        p.look()
            .without(ParagraphTraits.HEADING_LEVEL)
            .without(ParagraphTraits.STYLE)
            .without(ParagraphTraits.FIRST_LINE)
            .without(ParagraphTraits.ALIGNMENT)
            .without(ParagraphTraits.SPACE_BEFORE)
            .without(ParagraphTraits.SPACE_AFTER)
            .without(ParagraphTraits.LINE_PITCH)
            .without(ParagraphTraits.KEEP_WITH_NEXT);
    if (level > 0) {
      look = look.with(ParagraphTraits.STYLE, HeadingStyles.id(styles, level));
      look = look.without(ParagraphTraits.LIST);
    }
    var steps = new ArrayList<Step>();
    steps.add(new Step.SetParagraphLook(p.id(), look, Look.PLAIN));
    List<Inline> plain =
        p.inlines().stream().map(i -> i.withLook(HeadingStyles.bare(i.look()))).toList();
    if (!plain.isEmpty()) {
      steps.add(new Step.Restyle(p.id(), 0, plain));
    }
    return steps;
  }

  /**
   * Makes paragraphs the items of one list, marked as the first of them is; the marks that were
   * typed before their texts go.
   */
  public static Revision list(Revision r, List<NodeId> paragraphs) {
    if (paragraphs.isEmpty()) {
      return r;
    }
    Document d = r.document();
    String first = Markers.item(d.requireParagraph(paragraphs.getFirst()).text()).orElse("•");
    String id = ListEdits.free(d, Markers.isBullet(first) ? "bullets" : "numbers");
    var steps = new ArrayList<Step>();
    steps.add(ListEdits.with(d, ListDefinition.marked(id, first)));
    for (NodeId n : paragraphs) {
      Paragraph p = d.requireParagraph(n);
      int mark = markLength(p.text());
      if (mark > 0) {
        steps.add(new Step.ReplaceText(n, 0, mark, List.of()));
      }
      Look plain = p.look().without(ParagraphTraits.STYLE).without(ParagraphTraits.HEADING_LEVEL);
      Look look = ListEdits.asItem(plain, new ListMembership(id, 0));
      steps.add(new Step.SetParagraphLook(n, look, p.endLook()));
    }
    return apply(r, "Make list", steps);
  }

  private static int markLength(String text) {
    Optional<String> mark = Markers.item(text);
    if (mark.isEmpty()) {
      return 0;
    }
    int end = mark.get().length();
    while (end < text.length() && Character.isWhitespace(text.charAt(end))) {
      end++;
    }
    return end;
  }

  /**
   * Makes paragraphs that follow one another a table: each a row, cut where tabs or wide gaps are.
   * Does nothing if they do not follow one another, or if none has more than one part.
   */
  public static Revision table(Revision r, List<NodeId> paragraphs) {
    Document d = r.document();
    List<NodeId> inOrder = inOrder(d, paragraphs);
    if (!followOneAnother(d, inOrder)) {
      return r;
    }
    List<List<List<Inline>>> rows =
        inOrder.stream().map(id -> parts(d.requireParagraph(id))).toList();
    int columns = rows.stream().mapToInt(List::size).max().orElse(0);
    if (columns < 2) {
      return r;
    }
    var made = new ArrayList<Table.Row>();
    for (List<List<Inline>> row : rows) {
      var cells = new ArrayList<Cell>();
      for (int c = 0; c < columns; c++) {
        List<Inline> content = c < row.size() ? row.get(c) : List.of();
        var p = new Paragraph(NodeId.fresh(), Look.PLAIN, Look.PLAIN, content);
        cells.add(new Cell(NodeId.fresh(), 1, 1, Look.PLAIN, List.of(p)));
      }
      made.add(new Table.Row(Look.PLAIN, cells));
    }
    double width =
        d.sections()
            .get(d.index().topLevel(inOrder.getFirst()).orElseThrow().section())
            .page()
            .textWidth();
    var table =
        new Table(
            NodeId.fresh(),
            TableTraits.RULED,
            java.util.Collections.nCopies(columns, width / columns),
            made);
    NodeId within = ((Paragraph) first(table)).id();
    return replace(r, "Make table", inOrder, List.of(table), new Position(within, 0));
  }

  private static Block first(Table t) {
    return t.rows().getFirst().cells().getFirst().blocks().getFirst();
  }

  private static List<List<Inline>> parts(Paragraph p) {
    var out = new ArrayList<List<Inline>>();
    Matcher gap = GAP.matcher(p.text());
    int from = 0;
    while (gap.find()) {
      if (gap.start() > from || from > 0) {
        out.add(p.slice(from, gap.start()));
      }
      from = gap.end();
    }
    out.add(p.slice(from, p.length()));
    return out;
  }

  /** Makes the texts of a table's cells paragraphs, row by row. */
  public static Revision text(Revision r, NodeId table) {
    if (!(r.document().block(table).orElse(null) instanceof Table t)) {
      return r;
    }
    List<Block> blocks =
        t.rows().stream()
            .flatMap(row -> row.cells().stream())
            .flatMap(c -> c.blocks().stream())
            .filter(b -> !(b instanceof Paragraph p) || p.length() > 0)
            .toList();
    Optional<NodeId> refuge = blocks.stream().map(Block::id).findFirst();
    return refuge.isEmpty()
        ? r
        : replace(r, "Make text", List.of(table), blocks, new Position(refuge.get(), 0));
  }

  /**
   * Makes the rows of a table lines, their cells apart by tabs; what {@link #table} undoes. A cell
   * of several paragraphs has line breaks; a table in a cell stands after its line.
   */
  public static Revision lines(Revision r, NodeId table) {
    if (!(r.document().block(table).orElse(null) instanceof Table t)) {
      return r;
    }
    var blocks = new ArrayList<Block>();
    for (Table.Row row : t.rows()) {
      var line = new ArrayList<Inline>();
      var beside = new ArrayList<Block>();
      for (Cell c : row.cells()) {
        if (c != row.cells().getFirst()) {
          line.add(new Inline.Text("\t", Look.PLAIN));
        }
        boolean first = true;
        for (Block b : c.blocks()) {
          if (b instanceof Paragraph p) {
            if (!first) {
              line.add(new Inline.Text("\n", Look.PLAIN));
            }
            line.addAll(p.inlines());
            first = false;
          } else {
            beside.add(b);
          }
        }
      }
      blocks.add(new Paragraph(NodeId.fresh(), Look.PLAIN, Look.PLAIN, line));
      blocks.addAll(beside);
    }
    return replace(r, "Make text", List.of(table), blocks, new Position(blocks.getFirst().id(), 0));
  }

  /** Joins a paragraph with the one that follows it, with a space between them. */
  public static Revision join(Revision r, NodeId paragraph) {
    Document d = r.document();
    Optional<Paragraph> next = after(d, paragraph);
    if (next.isEmpty()) {
      return r;
    }
    Paragraph p = d.requireParagraph(paragraph);
    var steps = new ArrayList<Step>();
    int length = p.length();
    boolean apart =
        length > 0
            && next.get().length() > 0
            && !Character.isWhitespace(p.text().charAt(length - 1))
            && !Character.isWhitespace(next.get().text().charAt(0));
    if (apart) {
      Look look = p.lookAt(length);
      steps.add(
          new Step.ReplaceText(paragraph, length, length, List.of(new Inline.Text(" ", look))));
      length++;
    }
    steps.add(new Step.Join(paragraph, length, next.get().id()));
    return apply(r, "Join paragraphs", steps);
  }

  /** Whether a paragraph follows one in the same container. */
  public static boolean canJoin(Document d, NodeId paragraph) {
    return after(d, paragraph).isPresent();
  }

  private static Optional<Paragraph> after(Document d, NodeId paragraph) {
    Optional<NodeId> container = d.index().container(d, paragraph);
    int at = d.index().place(paragraph).orElse(-1);
    if (container.isEmpty() || at < 0) {
      return Optional.empty();
    }
    List<Block> blocks = d.blocksOf(container.get());
    return at + 1 < blocks.size() && blocks.get(at + 1) instanceof Paragraph p
        ? Optional.of(p)
        : Optional.empty();
  }

  /** Parts a paragraph before the word at a place; spaces at the cut go. */
  public static Revision split(Revision r, Position at) {
    Paragraph p = r.document().requireParagraph(at.paragraph());
    String text = p.text();
    int to = at.offset();
    boolean amidWord = to < text.length() && !Character.isWhitespace(text.charAt(to));
    while (amidWord && to > 0 && !Character.isWhitespace(text.charAt(to - 1))) {
      to--;
    }
    while (to < text.length() && Character.isWhitespace(text.charAt(to))) {
      to++;
    }
    int from = to;
    while (from > 0 && Character.isWhitespace(text.charAt(from - 1))) {
      from--;
    }
    if (from == 0 || to == text.length()) {
      return r;
    }
    var steps = new ArrayList<Step>();
    if (from < to) {
      steps.add(new Step.ReplaceText(p.id(), from, to, List.of()));
    }
    NodeId second = NodeId.fresh();
    steps.add(new Step.Split(p.id(), from, second, p.look(), p.endLook()));
    return r.apply(new Edit("Split paragraph", steps), Selection.at(new Position(second, 0)));
  }

  /** Takes blocks away: what was running text, or a scrap of something. The last one stays. */
  public static Revision drop(Revision r, List<NodeId> blocks) {
    Revision now = r;
    boolean begun = false;
    for (NodeId id : blocks) {
      Document d = now.document();
      Optional<NodeId> container = d.index().container(d, id);
      int at = d.index().place(id).orElse(-1);
      if (container.isEmpty() || at < 0 || d.blocksOf(container.get()).size() < 2) {
        continue;
      }
      Block gone = d.blocksOf(container.get()).get(at);
      Optional<Position> refuge = refuge(d.blocksOf(container.get()), at);
      if (refuge.isEmpty()) {
        continue;
      }
      var step =
          new Step.ReplaceBlocks(container.get(), at, List.of(gone), List.of(), refuge.get());
      var edit = Edit.of("Drop", step);
      Selection after = Selection.at(step.map(now.selection().caret()));
      now = begun ? now.extend(edit, after) : now.apply(edit, after);
      begun = true;
    }
    return now;
  }

  /** A place in the nearest paragraph beside a block. */
  private static Optional<Position> refuge(List<Block> blocks, int at) {
    for (int d = 1; d < blocks.size(); d++) {
      for (int k : new int[] {at + d, at - d}) {
        if (k >= 0 && k < blocks.size() && blocks.get(k) instanceof Paragraph p) {
          return Optional.of(new Position(p.id(), 0));
        }
      }
    }
    return Optional.empty();
  }

  /** Puts a block before the one above it in reading order, or after the one below it. */
  public static Revision move(Revision r, NodeId block, boolean up) {
    Document d = r.document();
    Optional<NodeId> container = d.index().container(d, block);
    int at = d.index().place(block).orElse(-1);
    if (container.isEmpty() || at < 0) {
      return r;
    }
    List<Block> blocks = d.blocksOf(container.get());
    int first = up ? at - 1 : at;
    if (first < 0 || first + 1 >= blocks.size()) {
      return r;
    }
    List<Block> both = blocks.subList(first, first + 2);
    var step =
        new Step.ReplaceBlocks(
            container.get(), first, both, both.reversed(), r.selection().caret());
    return r.apply(Edit.of(up ? "Read earlier" : "Read later", step), r.selection());
  }

  private static List<NodeId> inOrder(Document d, List<NodeId> paragraphs) {
    List<NodeId> order = d.index().order();
    return paragraphs.stream().distinct().sorted(Comparator.comparingInt(order::indexOf)).toList();
  }

  private static boolean followOneAnother(Document d, List<NodeId> blocks) {
    if (blocks.isEmpty() || d.index().topLevel(blocks.getFirst()).isEmpty()) {
      return false;
    }
    Optional<NodeId> container = d.index().container(d, blocks.getFirst());
    int at = d.index().place(blocks.getFirst()).orElse(-1);
    for (int k = 0; k < blocks.size(); k++) {
      boolean next =
          d.index().container(d, blocks.get(k)).equals(container)
              && d.index().place(blocks.get(k)).orElse(-2) == at + k;
      if (!next) {
        return false;
      }
    }
    return true;
  }

  private static Revision replace(
      Revision r, String name, List<NodeId> gone, List<Block> with, Position after) {
    Document d = r.document();
    NodeId container = d.index().container(d, gone.getFirst()).orElseThrow();
    int at = d.index().place(gone.getFirst()).orElseThrow();
    List<Block> removed = d.blocksOf(container).subList(at, at + gone.size());
    var step = new Step.ReplaceBlocks(container, at, removed, with, after);
    return r.apply(Edit.of(name, step), Selection.at(after));
  }

  private static Revision apply(Revision r, String name, List<Step> steps) {
    return steps.isEmpty() ? r : r.apply(new Edit(name, steps));
  }
}
