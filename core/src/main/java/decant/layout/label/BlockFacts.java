package decant.layout.label;

import decant.model.Block;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.walk.Walk;
import java.util.ArrayList;
import java.util.List;

/**
 * What a block holds besides text, found once for as long as the block stays.
 *
 * @param plain text and pictures alone
 * @param showsPages a field shows a number of pages
 * @param notes the notes it refers to, in reading order
 */
record BlockFacts(boolean plain, boolean showsPages, List<NodeId> notes) {
  private static final BlockFacts PLAIN = new BlockFacts(true, false, List.of());

  static BlockFacts of(Block b) {
    var f = new Finder();
    Walk.through(List.of(b), f);
    return f.plain ? PLAIN : new BlockFacts(false, f.showsPages, List.copyOf(f.notes));
  }

  private static final class Finder implements Walk.Visitor {
    private final List<NodeId> notes = new ArrayList<>();
    private boolean plain = true;
    private boolean showsPages;

    @Override
    public void paragraph(Paragraph p) {
      p.inlines().forEach(this::visit);
    }

    private void visit(Inline i) {
      switch (i) {
        case Inline.Text t -> {}
        case Inline.Picture p -> {}
        case Inline.KeptInline k -> {}
        case Inline.Shape s -> plain = false;
        case Inline.Field f -> {
          plain = false;
          showsPages |=
              f.kind() == Inline.Field.Kind.PAGES || f.kind() == Inline.Field.Kind.PAGE_OF;
        }
        case Inline.NoteMark m -> {
          plain = false;
          notes.add(m.note());
        }
      }
    }
  }
}
