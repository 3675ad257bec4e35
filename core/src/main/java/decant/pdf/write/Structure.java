package decant.pdf.write;

import decant.model.NodeId;
import decant.model.look.ListDefinition;
import decant.model.walk.HeadingDepths;
import decant.pdf.write.Target.Content;
import decant.publication.StructureNode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;

/**
 * The structure of a file (ISO 32000-2 §14.7 and §14.8): elements in reading order, made from what
 * is read and given the content of the pages. What no page shows is left out.
 */
final class Structure {
  private record PartKey(int page, Content content) {}

  private final Figures figures;
  private final StructureElement root = new StructureElement("Document");
  private final Map<NodeId, StructureElement> elements = new HashMap<>();
  private final Map<NodeId, StructureElement> labels = new HashMap<>();
  private final Map<PartKey, StructureElement> parts = new HashMap<>();
  private final List<COSBase> parents = new ArrayList<>();

  /**
   * @param figures the words for pictures
   */
  Structure(List<StructureNode> nodes, Figures figures) {
    this.figures = figures;
    elements(nodes, root);
  }

  /** What pictures show, in words. */
  @FunctionalInterface
  interface Figures {
    /**
     * @param at the place of the picture in its block
     */
    String text(NodeId block, int at);
  }

  // Elements from what is read.

  private void elements(List<StructureNode> nodes, StructureElement parent) {
    for (StructureNode n : nodes) {
      switch (n) {
        case StructureNode.Text t -> {
          StructureElement e = parent.add(t.heading() > 0 ? "H" : "P");
          e.heading = t.heading();
          elements.put(t.id(), e);
        }
        case StructureNode.Contents c -> {
          StructureElement e = parent.add("TOC");
          c.entries().forEach(id -> elements.put(id, e.add("TOCI")));
        }
        case StructureNode.Listing l -> list(l, parent.add("L"));
        case StructureNode.Division d -> elements(d.content(), parent.add("Div"));
        case StructureNode.Note note -> note(note, parent.add("Note"));
        case StructureNode.Table t -> {
          StructureElement e = parent.add("Table");
          elements.put(t.id(), e);
          t.rows().forEach(r -> row(r, e.add("TR")));
        }
      }
    }
  }

  private void list(StructureNode.Listing l, StructureElement list) {
    attribute(list, "List", "ListNumbering", numbering(l.numbering()));
    for (StructureNode.Item i : l.items()) {
      StructureElement li = list.add("LI");
      labels.put(i.id(), li.add("Lbl"));
      StructureElement body = li.add("LBody");
      elements.put(i.id(), body);
      elements(i.below(), body);
    }
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

  private void note(StructureNode.Note n, StructureElement note) {
    note.dictionary.setItem(COSName.ID, new COSString("note-" + n.id()));
    StructureElement label = note.add("Lbl");
    elements(n.content(), note);
    n.labelled().ifPresent(first -> labels.putIfAbsent(first, label));
  }

  private void row(StructureNode.Row r, StructureElement tr) {
    tr.keepsEmpty = true;
    for (StructureNode.Cell c : r.cells()) {
      StructureElement cell = tr.add(r.header() ? "TH" : "TD");
      cell.keepsEmpty = true;
      COSDictionary attributes = new COSDictionary();
      attributes.setName(COSName.O, "Table");
      if (r.header()) {
        attributes.setName("Scope", "Column");
      }
      if (c.columns() > 1) {
        attributes.setInt("ColSpan", c.columns());
      }
      if (c.rows() > 1) {
        attributes.setInt("RowSpan", c.rows());
      }
      if (attributes.size() > 1) {
        cell.dictionary.setItem(COSName.A, attributes);
      }
      elements(c.content(), cell);
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
      String words = figures.text(c.block(), c.serial());
      if (!words.isEmpty()) {
        e.dictionary.setItem(COSName.ALT, new COSString(words));
      }
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
    number(root, new HeadingDepths());
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
  private void number(StructureElement e, HeadingDepths depths) {
    if (e.heading > 0 && e.hasContent()) {
      e.heading = depths.next(e.heading);
    }
    e.below.forEach(b -> number(b, depths));
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
