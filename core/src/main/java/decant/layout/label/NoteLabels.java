package decant.layout.label;

import decant.model.Document;
import decant.model.NodeId;
import decant.model.Story;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Typesetting;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;

/**
 * The labels of notes, counted in the order of their marks. A note that has a label of its own
 * keeps it; where that is a number, those after it are counted on from there.
 */
public final class NoteLabels {
  private static final int MOST_DIGITS = 6;

  private NoteLabels() {}

  /** The label of each note, in the formats that the document has for them. */
  public static Map<NodeId, String> of(Document d, Flow flow) {
    if (d.stories().isEmpty()) {
      return Map.of();
    }
    var labels = new LinkedHashMap<NodeId, String>();
    var counted = new EnumMap<Story.Kind, Integer>(Story.Kind.class);
    for (BlockFacts f : flow.facts()) {
      for (NodeId note : f.notes()) {
        Story s = d.stories().get(note);
        if (s != null && !labels.containsKey(note)) {
          int next = counted.getOrDefault(s.kind(), 0) + 1;
          labels.put(note, s.label().orElseGet(() -> number(d, s.kind(), next)));
          int at = s.label().isEmpty() ? next : numberIn(s.label().get(), next - 1);
          counted.put(s.kind(), at);
        }
      }
    }
    return labels;
  }

  private static String number(Document d, Story.Kind kind, int n) {
    Typesetting t = d.styles().typesetting();
    NumberFormat format = kind == Story.Kind.ENDNOTE ? t.endnotes() : t.footnotes();
    return ListLabels.number(format, n);
  }

  private static int numberIn(String label, int otherwise) {
    boolean digits =
        label.length() <= MOST_DIGITS && label.chars().allMatch(c -> c >= '0' && c <= '9');
    return digits && !label.isEmpty() ? Integer.parseInt(label) : otherwise;
  }

  /**
   * The labels that a format has to say, which counts from one and does not count those that are
   * said.
   */
  public static Map<NodeId, String> said(Document d) {
    if (d.stories().values().stream().allMatch(s -> s.label().isEmpty())) {
      return Map.of();
    }
    var out = new HashMap<NodeId, String>();
    var counted = new EnumMap<Story.Kind, Integer>(Story.Kind.class);
    of(d, Flow.of(d, null))
        .forEach((note, label) -> {
          Story.Kind kind = Objects.requireNonNull(d.stories().get(note)).kind();
          int next = counted.getOrDefault(kind, 0) + 1;
          if (number(d, kind, next).equals(label)) {
            counted.put(kind, next);
          } else {
            out.put(note, label);
          }
        });
    return out;
  }

  /**
   * A document whose notes are called as they were in its source, where counting would call them
   * otherwise.
   *
   * @param found what each was called; empty where that is not known
   */
  public static Document labelled(Document d, Map<NodeId, String> found) {
    var stories = new LinkedHashMap<>(d.stories());
    var counted = new EnumMap<Story.Kind, Integer>(Story.Kind.class);
    of(d, Flow.of(d, null))
        .keySet()
        .forEach(note -> {
          Story s = Objects.requireNonNull(d.stories().get(note));
          String was = found.getOrDefault(note, "");
          int next = counted.getOrDefault(s.kind(), 0) + 1;
          if (!was.isEmpty() && !was.equals(number(d, s.kind(), next))) {
            stories.put(note, s.labelled(was));
            next = numberIn(was, next - 1);
          }
          counted.put(s.kind(), next);
        });
    return d.withStories(stories);
  }
}
