package decant.office.docx;

import decant.model.NodeId;
import decant.model.Story;
import decant.office.docx.markup.DocxLooks;
import decant.office.xml.Element;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The marks of notes in the text (ISO/IEC 29500-1, 17.11.14 and 17.11.7): each leads to a note
 * once, and one with a label of its own is followed by that (customMarkFollows).
 */
final class NoteReferences {
  private final Map<String, NodeId> footnotes = new HashMap<>();
  private final Map<String, NodeId> endnotes = new HashMap<>();
  private final Set<NodeId> met = new HashSet<>();
  private final Map<NodeId, String> labels = new HashMap<>();
  private Optional<NodeId> unlabelled = Optional.empty();

  void known(Story.Kind kind, String id, NodeId note) {
    of(kind).put(id, note);
  }

  private Map<String, NodeId> of(Story.Kind kind) {
    return kind == Story.Kind.ENDNOTE ? endnotes : footnotes;
  }

  /** The note that a mark leads to, if there is one. */
  Optional<NodeId> target(Story.Kind kind, Element mark) {
    return mark.attribute("w:id").map(of(kind)::get);
  }

  /** Whether a mark is the first that leads to its note. */
  boolean first(NodeId note, Element mark) {
    boolean own = mark.attribute("w:customMarkFollows").map(DocxLooks::isOn).orElse(false);
    boolean first = met.add(note);
    unlabelled = own && first ? Optional.of(note) : Optional.empty();
    return first;
  }

  /** A label stands in the run of its mark. */
  void runEnds() {
    unlabelled = Optional.empty();
  }

  /** Takes text as the label of the mark before it, if that has one of its own. */
  boolean takeAsLabel(String text) {
    if (unlabelled.isEmpty() || text.isBlank()) {
      return false;
    }
    labels.put(unlabelled.get(), text.strip());
    unlabelled = Optional.empty();
    return true;
  }

  /** Notes with the labels that were read since. */
  Map<NodeId, Story> labelled(Map<NodeId, Story> notes) {
    var out = new java.util.LinkedHashMap<>(notes);
    labels.forEach((id, label) -> out.computeIfPresent(id, (k, s) -> s.labelled(label)));
    return out;
  }
}
