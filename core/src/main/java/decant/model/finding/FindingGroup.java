package decant.model.finding;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Findings of one kind that matter alike and that the same act puts right: one entry of a list,
 * with a place for each.
 *
 * @param findings at least one, in the order of the document
 */
public record FindingGroup(
    Finding.Kind kind,
    Finding.Severity severity,
    Optional<Finding.Remedy> remedy,
    List<Finding> findings) {
  private record Key(
      Finding.Kind kind, Finding.Severity severity, Optional<Finding.Remedy> remedy) {}

  public FindingGroup {
    if (findings.isEmpty()) {
      throw new IllegalArgumentException("a group has at least one finding");
    }
    findings = List.copyOf(findings);
  }

  /** Findings in groups, the gravest first. */
  public static List<FindingGroup> of(List<Finding> findings) {
    Map<Key, List<Finding>> by = new LinkedHashMap<>();
    for (Finding f : findings) {
      by.computeIfAbsent(new Key(f.kind(), f.severity(), f.remedy()), k -> new ArrayList<>())
          .add(f);
    }
    return by.entrySet().stream()
        .map(e ->
            new FindingGroup(
                e.getKey().kind(), e.getKey().severity(), e.getKey().remedy(), e.getValue()))
        .sorted(Comparator.comparing(FindingGroup::severity))
        .toList();
  }

  /** The same kind of thing, whatever became of single ones meanwhile. */
  public boolean isLike(FindingGroup other) {
    return kind == other.kind && severity == other.severity && remedy.equals(other.remedy);
  }
}
