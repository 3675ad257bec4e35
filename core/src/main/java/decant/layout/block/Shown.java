package decant.layout.block;

import decant.layout.label.FieldValues;
import decant.model.Block;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Story;
import decant.model.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * What a block shows that does not stand in it.
 *
 * @param texts labels and values of fields
 * @param stories the texts of shapes
 */
record Shown(List<String> texts, List<Story> stories) {
  static final Shown NOTHING = new Shown(List.of(), List.of());

  /** Whether a paragraph shows nothing but its own text. */
  static boolean isSimple(Paragraph p) {
    for (Inline i : p.inlines()) {
      if (!(i instanceof Inline.Text)) {
        return false;
      }
    }
    return true;
  }

  static Shown by(
      Block b, Map<NodeId, String> labels, Map<NodeId, Story> stories, FieldValues fields) {
    var out = new Shown(new ArrayList<>(), new ArrayList<>());
    out.gather(b, labels, stories, fields);
    return out;
  }

  private void gather(
      Block b, Map<NodeId, String> labels, Map<NodeId, Story> all, FieldValues fields) {
    switch (b) {
      case Paragraph p -> {
        String label = labels.get(p.id());
        if (label != null) {
          texts.add(label);
        }
        if (!isSimple(p)) {
          for (Inline i : p.inlines()) {
            switch (i) {
              case Inline.Field f -> texts.add(fields.show(f));
              case Inline.NoteMark m -> texts.add(fields.show(m));
              case Inline.Shape s -> s.content().story().map(all::get).ifPresent(stories::add);
              case Inline.Text t -> {}
              case Inline.Picture pic -> {}
              case Inline.KeptInline kept -> {}
            }
          }
        }
      }
      case Table t ->
          t.rows()
              .forEach(r ->
                  r.cells().forEach(c -> c.blocks().forEach(n -> gather(n, labels, all, fields))));
      case KeptBlock k -> {}
    }
  }
}
