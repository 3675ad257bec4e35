package decant.pdf.read.report;

import decant.layout.label.ListLabels;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.finding.Finding;
import decant.model.finding.Finding.SourcePlace;
import decant.model.look.Markers;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Holds the labels that the document's lists count to against those that stood before items. */
final class LabelAudit {
  private static final Words WORDS = Words.of(LabelAudit.class);

  private LabelAudit() {}

  /**
   * @param marks what stood before each item
   */
  static List<Finding> of(Document d, Map<NodeId, String> marks, Map<NodeId, SourcePlace> places) {
    var out = new ArrayList<Finding>();
    Map<NodeId, String> labels = ListLabels.of(d);
    marks.forEach((item, mark) -> {
      String label = labels.getOrDefault(item, "");
      SourcePlace at = places.get(item);
      // Signs that only the source's font has are told of with their fonts.
      if (!label.equals(mark) && at != null && !Markers.isPrivate(mark)) {
        out.add(
            Finding.of(
                    Finding.Kind.LAYOUT_SIMPLIFIED,
                    Finding.Severity.DOUBT,
                    WORDS.say("label-audit.labelled", at.page() + 1, mark, label),
                    item)
                .from(at.page(), at.box()));
      }
    });
    return out;
  }
}
