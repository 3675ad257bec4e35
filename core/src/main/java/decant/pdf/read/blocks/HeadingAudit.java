package decant.pdf.read.blocks;

import decant.model.Document;
import decant.model.NodeId;
import decant.model.Outline;
import decant.model.finding.Finding;
import decant.model.look.Markers;
import decant.words.Words;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Findings about headings: gaps in their numbering and levels that are passed over. */
public final class HeadingAudit {
  private static final Words WORDS = Words.of(HeadingAudit.class);

  private HeadingAudit() {}

  public static List<Finding> of(Document d, Map<NodeId, Finding.SourcePlace> places) {
    var out = new ArrayList<Finding>();
    List<Outline.Heading> headings = Outline.headings(d);
    Map<String, Integer> last = new HashMap<>(); // number of the parent → last number below it
    int level = 0;
    for (Outline.Heading h : headings) {
      Optional<String> number = Markers.section(h.text());
      if (number.isPresent()) {
        gap(number.get(), last).ifPresent(m -> out.add(at(h, m, places)));
      }
      if (level > 0 && h.level() > level + 1) {
        out.add(
            at(
                h,
                WORDS.count(
                    "heading-audit.levels-skipped",
                    h.level() - level - 1,
                    shortened(h.text()),
                    h.level(),
                    level),
                places));
      }
      level = h.level();
    }
    return out;
  }

  private static Optional<String> gap(String number, Map<String, Integer> last) {
    int[] parts = Arrays.stream(number.split("\\.")).mapToInt(Integer::parseInt).toArray();
    String parent = number.contains(".") ? number.substring(0, number.lastIndexOf('.')) : "";
    int n = parts[parts.length - 1];
    Integer before = last.put(parent, n);
    int expected = before == null ? 1 : before + 1;
    if (n > expected && n < expected + 20 && (before != null || n == 2)) {
      String missing = parent.isEmpty() ? Integer.toString(expected) : parent + "." + expected;
      return Optional.of(WORDS.say("heading-audit.heading-is-here-but-is", number, missing));
    }
    return Optional.empty();
  }

  private static Finding at(
      Outline.Heading h, String message, Map<NodeId, Finding.SourcePlace> places) {
    Finding f =
        Finding.of(Finding.Kind.HEADING_DOUBTFUL, Finding.Severity.DOUBT, message, h.paragraph());
    Finding.SourcePlace s = places.get(h.paragraph());
    return s == null ? f : f.from(s.page(), s.box());
  }

  private static String shortened(String s) {
    return s.length() > 40 ? s.substring(0, 38) + "…" : s;
  }
}
