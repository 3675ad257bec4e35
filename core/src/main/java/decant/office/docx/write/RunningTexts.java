package decant.office.docx.write;

import decant.model.Document;
import decant.model.NodeId;
import decant.model.Section;
import decant.model.Section.Running;
import decant.model.Story;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The headers and footers that each section names (§17.10). A section that names none has those of
 * the section before it, so one that is to have none names an empty one; and where any section sets
 * even pages apart, all do, with the text of the other pages if they have no other.
 */
final class RunningTexts {
  private static final Set<Running> FIRST = EnumSet.of(Running.HEADER_FIRST, Running.FOOTER_FIRST);
  private static final Map<Running, Running> EVEN =
      Map.of(Running.HEADER_EVEN, Running.HEADER, Running.FOOTER_EVEN, Running.FOOTER);

  private final boolean even;
  private final Set<Running> inForce = EnumSet.noneOf(Running.class);
  private final Story none = new Story(NodeId.fresh(), Story.Kind.RUNNING, List.of());

  RunningTexts(Document d) {
    this.even = setsEvenApart(d);
  }

  static boolean setsEvenApart(Document d) {
    return d.sections().stream()
        .anyMatch(s -> EVEN.keySet().stream().anyMatch(s.running()::containsKey));
  }

  /** What a section names; sections are asked for in their order. */
  Map<Running, Story> of(Section s) {
    boolean first = FIRST.stream().anyMatch(s.running()::containsKey);
    var out = new EnumMap<Running, Story>(Running.class);
    for (Running which : Running.values()) {
      if (FIRST.contains(which) && !first || EVEN.containsKey(which) && !even) {
        continue; // not shown, whatever the section before it has
      }
      Story own = s.running().get(which);
      Story story = own == null && EVEN.containsKey(which) ? s.running().get(EVEN.get(which)) : own;
      if (story != null && !story.blocks().isEmpty()) {
        out.put(which, story);
        inForce.add(which);
      } else if (inForce.remove(which)) {
        out.put(which, none);
      }
    }
    return out;
  }
}
