package decant.layout.label;

import decant.model.Document;
import decant.model.NodeId;
import decant.model.Story;
import decant.model.look.Typesetting;
import java.util.HashMap;
import java.util.Map;

/** The labels of notes, counted in the order of their marks. */
public final class NoteLabels {
  private NoteLabels() {}

  /** The label of each note, in the formats that the document has for them. */
  public static Map<NodeId, String> of(Document d, Flow flow) {
    if (d.stories().isEmpty()) {
      return Map.of();
    }
    Typesetting t = d.styles().typesetting();
    var labels = new HashMap<NodeId, String>();
    int footnotes = 0;
    int endnotes = 0;
    for (BlockFacts f : flow.facts()) {
      for (NodeId note : f.notes()) {
        Story s = d.stories().get(note);
        if (s == null || labels.containsKey(note)) {
          continue;
        }
        labels.put(
            note,
            s.kind() == Story.Kind.ENDNOTE
                ? ListLabels.number(t.endnotes(), ++endnotes)
                : ListLabels.number(t.footnotes(), ++footnotes));
      }
    }
    return labels;
  }
}
