package decant.model.walk;

import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;

/**
 * The one traversal of a document: through its parts in the order of {@link Part}, in each through
 * the blocks in reading order, into every cell of every table.
 */
public final class Walk {
  /** Told of what is passed; what is of no interest is passed over. */
  public interface Visitor {
    /** Before the blocks of all sections, of a header or footer, of a note, or of a shape. */
    default void begin(Part part) {}

    /** After them. */
    default void end(Part part) {}

    default void paragraph(Paragraph p) {}

    /** Before the cells of a table. */
    default void table(Table t) {}

    /** After the cells of a row. */
    default void row(Table.Row r) {}

    /** Before the blocks of a cell. */
    default void cell(Cell c) {}

    default void kept(KeptBlock k) {}
  }

  private Walk() {}

  /** Through the parts that are asked for. */
  public static void through(Document d, Set<Part> parts, Visitor v) {
    if (parts.contains(Part.FLOW)) {
      v.begin(Part.FLOW);
      for (Section s : d.sections()) {
        through(s.blocks(), v);
      }
      v.end(Part.FLOW);
    }
    if (parts.contains(Part.RUNNING)) {
      for (Section s : d.sections()) {
        s.running().values().forEach(r -> story(r, Part.RUNNING, v));
      }
    }
    for (Part part : List.of(Part.NOTES, Part.BOXES)) {
      if (parts.contains(part)) {
        d.stories().values().stream()
            .filter(s -> Part.of(s) == part)
            .forEach(s -> story(s, part, v));
      }
    }
  }

  private static void story(Story s, Part part, Visitor v) {
    v.begin(part);
    through(s.blocks(), v);
    v.end(part);
  }

  /** Through some blocks. */
  public static void through(List<Block> blocks, Visitor v) {
    for (Block b : blocks) {
      switch (b) {
        case Paragraph p -> v.paragraph(p);
        case Table t -> table(t, v);
        case KeptBlock k -> v.kept(k);
      }
    }
  }

  private static void table(Table t, Visitor v) {
    v.table(t);
    for (Table.Row r : t.rows()) {
      for (Cell c : r.cells()) {
        v.cell(c);
        through(c.blocks(), v);
      }
      v.row(r);
    }
  }

  /** Every paragraph of some parts. */
  public static List<Paragraph> paragraphs(Document d, Set<Part> parts) {
    var out = new ArrayList<Paragraph>();
    through(d, parts, paragraphs(out::add));
    return out;
  }

  /** Every paragraph of some blocks, in reading order. */
  public static List<Paragraph> paragraphs(List<Block> blocks) {
    var out = new ArrayList<Paragraph>();
    through(blocks, paragraphs(out::add));
    return out;
  }

  /** Whatever stands in the paragraphs of some parts. */
  public static void inlines(Document d, Set<Part> parts, Consumer<Inline> each) {
    through(d, parts, paragraphs(p -> p.inlines().forEach(each)));
  }

  private static Visitor paragraphs(Consumer<Paragraph> each) {
    return new Visitor() {
      @Override
      public void paragraph(Paragraph p) {
        each.accept(p);
      }
    };
  }
}
