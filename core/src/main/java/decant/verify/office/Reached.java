package decant.verify.office;

import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What somebody reaches who reads a document from its beginning on, following notes and shapes: all
 * but what stands on every page again.
 */
final class Reached {
  private final Document document;
  private final Set<NodeId> stories = new HashSet<>();
  private final List<Paragraph> out = new ArrayList<>();

  private Reached(Document document) {
    this.document = document;
  }

  static List<Paragraph> paragraphs(Document d) {
    var r = new Reached(d);
    for (Section s : d.sections()) {
      r.blocks(s.blocks());
    }
    return r.out;
  }

  private void blocks(List<Block> blocks) {
    for (Block b : blocks) {
      switch (b) {
        case Paragraph p -> {
          out.add(p);
          p.inlines().forEach(this::inline);
        }
        case Table t -> {
          for (Table.Row row : t.rows()) {
            for (Cell c : row.cells()) {
              blocks(c.blocks());
            }
          }
        }
        case KeptBlock k -> {}
      }
    }
  }

  private void inline(Inline i) {
    Optional<NodeId> leads =
        switch (i) {
          case Inline.NoteMark n -> Optional.of(n.note());
          case Inline.Shape s -> s.content().story();
          case Inline.Text t -> Optional.empty();
          case Inline.Field f -> Optional.empty();
          case Inline.KeptInline k -> Optional.empty();
          case Inline.Picture p -> Optional.empty();
        };
    Story story = leads.map(document.stories()::get).orElse(null);
    if (story != null && stories.add(story.id())) {
      blocks(story.blocks());
    }
  }
}
