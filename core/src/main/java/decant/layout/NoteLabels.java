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
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The labels of notes, counted in the order of their marks. */
public final class NoteLabels {
  private final Document document;
  private final Map<NodeId, String> labels = new HashMap<>();
  private int footnotes;
  private int endnotes;

  private NoteLabels(Document document) {
    this.document = document;
  }

  /** The label of each note, in the formats that the document has for them. */
  public static Map<NodeId, String> of(Document d) {
    if (d.stories().values().stream().noneMatch(s -> s.kind().isNote())) {
      return Map.of();
    }
    var l = new NoteLabels(d);
    for (Section s : d.sections()) {
      l.walk(s.blocks());
    }
    return l.labels;
  }

  private void walk(List<Block> blocks) {
    for (Block b : blocks) {
      switch (b) {
        case Paragraph p -> {
          for (Inline i : p.inlines()) {
            if (i instanceof Inline.NoteMark m) {
              count(m.note());
            }
          }
        }
        case Table t -> t.rows().forEach(r -> r.cells().forEach(c -> walk(c.blocks())));
        case KeptBlock k -> {}
      }
    }
  }

  private void count(NodeId note) {
    Story s = document.stories().get(note);
    if (s == null || labels.containsKey(note)) {
      return;
    }
    labels.put(
        note,
        s.kind() == Story.Kind.ENDNOTE
            ? ListLabels.number(document.styles().typesetting().endnotes(), ++endnotes)
            : ListLabels.number(document.styles().typesetting().footnotes(), ++footnotes));
  }
}
