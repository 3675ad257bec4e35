package decant.pdf.write;

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
import decant.pdf.write.Target.Content;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;

/**
 * The structure of a document (ISO 32000-2 §14.7 and §14.8): elements in reading order, made from
 * the document itself and given the content of the pages. What no page shows is left out.
 */
final class Structure {
  private static final int MOST_HEADING_TAGS = 6;

  private record PartKey(int page, Content content) {}

  private final Document document;
  private final Alternatives alternatives;
  private final StructureElement root = new StructureElement("Document");
  private final Map<NodeId, StructureElement> elements = new HashMap<>();
  private final Map<NodeId, StructureElement> labels = new HashMap<>();
  private final Map<PartKey, StructureElement> parts = new HashMap<>();
  private final List<COSBase> parents = new ArrayList<>();
  private final Set<NodeId> placed = new HashSet<>();

  /** What pictures show, in words. */
  interface Alternatives {
    /**
     * @param place of the picture in the paragraph
     */
    String of(Paragraph p, int place, Inline.Picture picture);
  }

  Structure(Document document, Alternatives alternatives) {
    this.document = document;
    this.alternatives = alternatives;
    for (Section s : document.sections()) {
      blocks(s.blocks(), root);
    }
    for (Story s : document.stories().values()) {
      if (s.kind() == Story.Kind.ENDNOTE) {
        note(s, root);
      }
    }
  }

  // Elements from the document.

  /** One level of a list while its items are added. */
  private record Level(String list, int depth, StructureElement element) {}

  private void blocks(List<Block> blocks, StructureElement parent) {
    Deque<Level> levels = new ArrayDeque<>();
    Map<Level, StructureElement> bodies = new HashMap<>();
    StructureElement contents = null;
    for (Block b : blocks) {
      switch (b) {
        case Paragraph p -> {
          Look look = document.styles().paragraphLook(p.look());
          int heading = look.value(ParagraphTraits.HEADING_LEVEL);
          ListMembership member = look.value(ParagraphTraits.LIST);
          ListDefinition list = document.lists().get(member.list());
          StructureElement container = parent;
          if (heading == 0 && list != null) {
            container = item(p, member, list, parent, levels, bodies);
            contents = null;
          } else {
            levels.clear();
            if (isContentsEntry(p, look)) {
              contents = contents == null ? parent.add("TOC") : contents;
              elements.put(p.id(), contents.add("TOCI"));
            } else {
              contents = null;
              StructureElement e = parent.add(heading > 0 ? "H" : "P");
              e.heading = heading;
              elements.put(p.id(), e);
            }
          }
          stories(p, container);
        }
        case Table t -> {
          levels.clear();
          contents = null;
          table(t, parent);
        }
        case KeptBlock k -> {}
      }
    }
  }

  /** The body of a list item, where its text belongs. */
  private StructureElement item(
      Paragraph p,
      ListMembership member,
      ListDefinition list,
      StructureElement parent,
      Deque<Level> levels,
      Map<Level, StructureElement> bodies) {
    while (!levels.isEmpty()
        && (levels.peek().depth() > member.depth()
            || levels.peek().depth() == member.depth()
                && !levels.peek().list().equals(member.list()))) {
      levels.pop();
    }
    if (levels.isEmpty() || levels.peek().depth() < member.depth()) {
      Level above = levels.peek();
      StructureElement under = above == null ? parent : bodies.getOrDefault(above, parent);
      var l = new Level(member.list(), member.depth(), under.add("L"));
      attribute(
          l.element(), "List", "ListNumbering", numbering(list.level(member.depth()).format()));
      levels.push(l);
    }
    Level l = levels.getFirst();
    StructureElement li = l.element().add("LI");
    labels.put(p.id(), li.add("Lbl"));
    StructureElement body = li.add("LBody");
    elements.put(p.id(), body);
    bodies.put(l, body);
    return body;
  }

  private static String numbering(ListDefinition.NumberFormat f) {
    return switch (f) {
      case BULLET -> "Disc";
      case DECIMAL, TWO_DIGITS, ORDINAL -> "Decimal";
      case LOWER_LETTER -> "LowerAlpha";
      case UPPER_LETTER -> "UpperAlpha";
      case LOWER_ROMAN -> "LowerRoman";
      case UPPER_ROMAN -> "UpperRoman";
      case NONE -> "None";
    };
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
  private void stories(Paragraph p, StructureElement parent) {
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
        case FOOTNOTE -> note(s, parent);
        case BOX -> blocks(s.blocks(), parent.add("Div"));
        case ENDNOTE, RUNNING -> {}
      }
    }
  }

  private void note(Story s, StructureElement parent) {
    StructureElement note = parent.add("Note");
    note.dictionary.setItem(COSName.ID, new COSString("note-" + s.id()));
    StructureElement label = note.add("Lbl");
    blocks(s.blocks(), note);
    s.blocks().stream()
        .filter(Paragraph.class::isInstance)
        .findFirst()
        .ifPresent(first -> labels.putIfAbsent(first.id(), label));
  }

  private void table(Table t, StructureElement parent) {
    StructureElement table = parent.add("Table");
    elements.put(t.id(), table);
    List<List<TableGrid.Slot>> rows = TableGrid.of(t);
    for (int r = 0; r < rows.size(); r++) {
      if (rows.get(r).isEmpty()) {
        continue; // cells from above cover all of it
      }
      boolean header = t.rows().get(r).look().value(TableTraits.HEADER_ROW);
      StructureElement tr = table.add("TR");
      tr.keepsEmpty = true;
      for (TableGrid.Slot slot : rows.get(r)) {
        StructureElement cell = tr.add(header ? "TH" : "TD");
        cell.keepsEmpty = true;
        COSDictionary attributes = new COSDictionary();
        attributes.setName(COSName.O, "Table");
        if (header) {
          attributes.setName("Scope", "Column");
        }
        if (slot.columns() > 1) {
          attributes.setInt("ColSpan", slot.columns());
        }
        int first = r;
        int high =
            (int)
                java.util.stream.IntStream.range(0, slot.rows())
                    .filter(k -> !rows.get(first + k).isEmpty())
                    .count();
        if (high > 1) {
          attributes.setInt("RowSpan", high);
        }
        if (attributes.size() > 1) {
          cell.dictionary.setItem(COSName.A, attributes);
        }
        slot.cell().ifPresent(c -> blocks(c.blocks(), cell));
      }
    }
  }

  private static void attribute(StructureElement e, String owner, String name, String value) {
    COSDictionary a = new COSDictionary();
    a.setName(COSName.O, owner);
    a.setName(COSName.getPDFName(name), value);
    e.dictionary.setItem(COSName.A, a);
  }

  // Content from the pages.

  /** Takes in what a page shows. */
  void page(int number, COSDictionary page, List<Content> marks) {
    COSArray owners = new COSArray();
    for (int id = 0; id < marks.size(); id++) {
      StructureElement e = elementOf(number, marks.get(id));
      if (e.content.isEmpty()) {
        e.page = page;
      }
      if (e.page == page) {
        e.content.add(COSInteger.get(id));
      } else {
        COSDictionary reference = new COSDictionary();
        reference.setItem(COSName.TYPE, COSName.getPDFName("MCR"));
        reference.setItem(COSName.PG, page);
        reference.setInt(COSName.MCID, id);
        e.content.add(reference);
      }
      owners.add(e.dictionary);
    }
    page.setInt(COSName.STRUCT_PARENTS, parents.size());
    parents.add(owners);
  }

  /** Takes in an area that leads somewhere. */
  void annotation(int number, COSDictionary page, COSDictionary annotation, Target target) {
    // A link in a running text has no content of its own.
    StructureElement e = target instanceof Content c ? linkOf(number, c) : root.add("Link");
    if (e.content.isEmpty()) {
      e.page = page;
    }
    refer(e, page, annotation);
  }

  private void refer(StructureElement e, COSDictionary page, COSDictionary annotation) {
    COSDictionary reference = new COSDictionary();
    reference.setItem(COSName.TYPE, COSName.getPDFName("OBJR"));
    reference.setItem(COSName.PG, page);
    reference.setItem(COSName.OBJ, annotation);
    e.content.add(reference);
    annotation.setInt(COSName.STRUCT_PARENT, parents.size());
    parents.add(e.dictionary);
  }

  /** An annotation other than a link stands in the element of its text, in one of its own. */
  void inside(int number, COSDictionary page, COSDictionary annotation, Target target, String tag) {
    var e = new StructureElement(tag);
    if (target instanceof Content c) {
      StructureElement outer = elementOf(number, new Content(c.block(), Target.Part.TEXT, 0));
      outer.content.add(e.dictionary);
      outer.inside.add(e);
    } else {
      root.below.add(e);
    }
    e.page = page;
    refer(e, page, annotation);
  }

  /** The element of what leads somewhere; a note's mark or a picture has one inside its own. */
  private StructureElement linkOf(int page, Content c) {
    if (c.part() == Target.Part.LINK) {
      return elementOf(page, c);
    }
    StructureElement outer = elementOf(page, c);
    var e = new StructureElement(Target.Part.LINK.tag());
    outer.content.add(e.dictionary);
    outer.inside.add(e);
    return e;
  }

  private StructureElement elementOf(int page, Content c) {
    StructureElement block = elements.get(c.block());
    if (block == null) {
      block = root.add("P");
      elements.put(c.block(), block);
    }
    return switch (c.part()) {
      case TEXT -> block;
      case LABEL -> labels.getOrDefault(c.block(), block);
      case LINK, NOTE_MARK, FIGURE -> {
        StructureElement in = block;
        yield parts.computeIfAbsent(new PartKey(page, c), k -> part(c, in));
      }
    };
  }

  private StructureElement part(Content c, StructureElement block) {
    boolean ownLabel = c.part() == Target.Part.NOTE_MARK && labels.containsKey(c.block());
    if (ownLabel && block.content.isEmpty() && !block.tag.equals("LBody")) {
      return labels.getOrDefault(c.block(), block); // the mark that a note begins with
    }
    var e = new StructureElement(c.part().tag());
    block.content.add(e.dictionary);
    block.inside.add(e);
    if (c.part() == Target.Part.FIGURE) {
      document
          .paragraph(c.block())
          .ifPresent(p -> {
            int at = 0;
            for (Inline i : p.inlines()) {
              if (at == c.serial() && i instanceof Inline.Picture picture) {
                String words = alternatives.of(p, at, picture);
                if (!words.isEmpty()) {
                  e.dictionary.setItem(COSName.ALT, new COSString(words));
                }
              }
              at += i.length();
            }
          });
    }
    return e;
  }

  /** Says where a figure stands (ISO 32000-2 table 379). */
  void figureBox(int number, Content c, COSArray box) {
    StructureElement e = elementOf(number, c);
    COSDictionary a = new COSDictionary();
    a.setName(COSName.O, "Layout");
    a.setItem(COSName.BBOX, box);
    a.setName("Placement", "Block");
    e.dictionary.setItem(COSName.A, a);
  }

  // Writing.

  /** The root of the structure, with the way from content back to its elements. */
  COSDictionary write() {
    COSDictionary tree = new COSDictionary();
    tree.setItem(COSName.TYPE, COSName.STRUCT_TREE_ROOT);
    number(root, new ArrayDeque<>());
    finish(root, tree, "Document");
    tree.setItem(COSName.K, root.dictionary);
    COSArray nums = new COSArray();
    for (int k = 0; k < parents.size(); k++) {
      nums.add(COSInteger.get(k));
      nums.add(parents.get(k));
    }
    COSDictionary parentTree = new COSDictionary();
    parentTree.setItem(COSName.NUMS, nums);
    tree.setItem(COSName.PARENT_TREE, parentTree);
    tree.setInt(COSName.PARENT_TREE_NEXT_KEY, parents.size());
    return tree;
  }

  /** Levels of headings without a gap (ISO 14289-1 §7.4.2): each as deep as it stands. */
  private void number(StructureElement e, Deque<Integer> above) {
    if (e.heading > 0 && e.hasContent()) {
      while (!above.isEmpty() && above.peek() >= e.heading) {
        above.pop();
      }
      above.push(e.heading);
      e.heading = Math.min(MOST_HEADING_TAGS, above.size());
    }
    e.below.forEach(b -> number(b, above));
  }

  private void finish(StructureElement e, COSDictionary parent, String tag) {
    COSDictionary d = e.dictionary;
    d.setItem(COSName.TYPE, COSName.STRUCT_ELEM);
    d.setName(COSName.S, tag);
    d.setItem(COSName.P, parent);
    COSArray kids = new COSArray();
    e.content.forEach(kids::add);
    if (!e.content.isEmpty() && e.page.size() > 0) {
      d.setItem(COSName.PG, e.page);
    }
    for (StructureElement i : e.inside) {
      finish(i, d, i.tag);
    }
    for (StructureElement b : e.below) {
      if (b.hasContent() || b.keepsEmpty) {
        finish(b, d, b.heading > 0 ? "H" + b.heading : b.tag);
        kids.add(b.dictionary);
      }
    }
    if (kids.size() == 1) {
      d.setItem(COSName.K, kids.get(0));
    } else if (kids.size() > 1) {
      d.setItem(COSName.K, kids);
    }
  }
}
