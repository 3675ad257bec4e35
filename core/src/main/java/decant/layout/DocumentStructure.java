package decant.layout;

import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Link;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.publication.StructureNode;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What of a document is read, in reading order: lists nested, notes after what refers to them. */
final class DocumentStructure {
  private final Document document;
  private final Set<NodeId> placed = new HashSet<>();

  private DocumentStructure(Document document) {
    this.document = document;
  }

  static List<StructureNode> of(Document d) {
    var structure = new DocumentStructure(d);
    var out = new ArrayList<StructureNode>();
    for (Section s : d.sections()) {
      structure.blocks(s.blocks(), out);
    }
    for (Story s : d.stories().values()) {
      if (s.kind() == Story.Kind.ENDNOTE) {
        out.add(structure.note(s));
      }
    }
    return out;
  }

  /** One level of a list while its items are added. */
  private record Level(String list, int depth, List<StructureNode.Item> items) {}

  private List<StructureNode> blocks(List<Block> blocks) {
    var out = new ArrayList<StructureNode>();
    blocks(blocks, out);
    return out;
  }

  private void blocks(List<Block> blocks, List<StructureNode> out) {
    Deque<Level> levels = new ArrayDeque<>();
    List<NodeId> contents = null;
    for (Block b : blocks) {
      switch (b) {
        case Paragraph p -> {
          Look look = document.styles().paragraphLook(p.look());
          int heading = look.value(ParagraphTraits.HEADING_LEVEL);
          ListMembership member = look.value(ParagraphTraits.LIST);
          ListDefinition list = document.lists().get(member.list());
          List<StructureNode> container = out;
          boolean leads = false;
          if (heading == 0 && list != null) {
            container = item(p, member, list, out, levels);
          } else {
            levels.clear();
            leads = isContentsEntry(p, look);
            if (leads && contents == null) {
              contents = new ArrayList<>();
              out.add(new StructureNode.Contents(contents));
            }
            if (leads && contents != null) {
              contents.add(p.id());
            } else {
              out.add(new StructureNode.Text(p.id(), heading));
            }
          }
          contents = leads ? contents : null;
          stories(p, container);
        }
        case Table t -> {
          levels.clear();
          contents = null;
          out.add(table(t));
        }
        case KeptBlock k -> {}
      }
    }
  }

  /** What stands below a list item, where its notes belong. */
  private static List<StructureNode> item(
      Paragraph p,
      ListMembership member,
      ListDefinition list,
      List<StructureNode> out,
      Deque<Level> levels) {
    while (!levels.isEmpty()
        && (levels.peek().depth() > member.depth()
            || levels.peek().depth() == member.depth()
                && !levels.peek().list().equals(member.list()))) {
      levels.pop();
    }
    if (levels.isEmpty() || levels.peek().depth() < member.depth()) {
      Level above = levels.peek();
      var l = new Level(member.list(), member.depth(), new ArrayList<>());
      (above == null ? out : above.items().getLast().below())
          .add(new StructureNode.Listing(list.level(member.depth()).format(), l.items()));
      levels.push(l);
    }
    var item = new StructureNode.Item(p.id(), new ArrayList<>());
    levels.getFirst().items().add(item);
    return item.below();
  }

  /** A line that leads to a page: with a leader to a number, or a link all along. */
  private static boolean isContentsEntry(Paragraph p, Look look) {
    boolean leader =
        look.value(ParagraphTraits.TABS).stream()
            .anyMatch(t -> t.leader() != ParagraphTraits.TabStop.Leader.NONE);
    return leader
        && p.text().indexOf('\t') >= 0
        && p.inlines().stream()
            .anyMatch(i ->
                i instanceof Inline.Field f && f.kind() == Inline.Field.Kind.PAGE_OF
                    || i.look().get(TextTraits.LINK).orElse(null) instanceof Link.Internal);
  }

  /** The notes and texts in shapes that a paragraph holds follow it. */
  private void stories(Paragraph p, List<StructureNode> out) {
    for (Inline i : p.inlines()) {
      Optional<NodeId> id =
          switch (i) {
            case Inline.NoteMark n -> Optional.of(n.note());
            case Inline.Shape s -> s.content().story();
            default -> Optional.empty();
          };
      Story s = id.map(document.stories()::get).orElse(null);
      if (s == null || !placed.add(s.id())) {
        continue; // a note's own text begins with its mark
      }
      switch (s.kind()) {
        case FOOTNOTE -> out.add(note(s));
        case BOX -> out.add(new StructureNode.Division(blocks(s.blocks())));
        case ENDNOTE, RUNNING -> {}
      }
    }
  }

  private StructureNode note(Story s) {
    Optional<NodeId> first =
        s.blocks().stream().filter(Paragraph.class::isInstance).findFirst().map(Block::id);
    return new StructureNode.Note(s.id(), first, blocks(s.blocks()));
  }

  private StructureNode table(Table t) {
    List<List<TableGrid.Slot>> grid = TableGrid.of(t);
    var rows = new ArrayList<StructureNode.Row>();
    for (int r = 0; r < grid.size(); r++) {
      if (grid.get(r).isEmpty()) {
        continue; // cells from above cover all of it
      }
      var cells = new ArrayList<StructureNode.Cell>();
      for (TableGrid.Slot slot : grid.get(r)) {
        int high = 0;
        for (int k = r; k < r + slot.rows(); k++) {
          high += grid.get(k).isEmpty() ? 0 : 1;
        }
        cells.add(
            new StructureNode.Cell(
                slot.columns(), high, slot.cell().map(c -> blocks(c.blocks())).orElse(List.of())));
      }
      rows.add(new StructureNode.Row(t.rows().get(r).look().value(TableTraits.HEADER_ROW), cells));
    }
    return new StructureNode.Table(t.id(), rows);
  }
}
