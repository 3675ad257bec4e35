package decant.model.edit.style;

import decant.model.look.ParagraphTraits.TabStop;
import decant.words.Figures;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Tab stops as a person writes them: the distances from the left margin in millimetres, apart by
 * semicolons, each followed by how text stands to it and by the sign that fills the way: {@code 40;
 * 80 centre; 160 right .}
 */
public final class TabText {
  private static final double MM = 72 / 25.4;
  private static final double FARTHEST = 2000;
  private static final double SAME = 0.3;

  private final List<String> kinds;

  /**
   * @param kinds what text at the left, in the middle, at the right of a stop and at its decimal
   *     sign is called
   */
  public TabText(List<String> kinds) {
    this.kinds = List.copyOf(kinds);
  }

  /** The stops in words, but for those that are taken away. */
  public String write(List<TabStop> stops) {
    return stops.stream()
        .filter(t -> t.kind() != TabStop.Kind.CLEAR)
        .sorted(Comparator.comparingDouble(TabStop::at))
        .map(this::write)
        .collect(Collectors.joining("; "));
  }

  private String write(TabStop t) {
    String at = Figures.decimal(t.at() / MM, 1).replace("\u202F", "");
    String kind = t.kind() == TabStop.Kind.LEFT ? "" : " " + kinds.get(t.kind().ordinal());
    String leader = t.leader().sign().isEmpty() ? "" : " " + t.leader().sign();
    return at + kind + leader;
  }

  /** The stops that some words name; empty if they cannot be understood. */
  public Optional<List<TabStop>> read(String words) {
    var out = new ArrayList<TabStop>();
    for (String one : words.split(";")) {
      if (!one.isBlank()) {
        Optional<TabStop> t = stop(one.strip().split("\\s+"));
        if (t.isEmpty()) {
          return Optional.empty();
        }
        out.add(t.get());
      }
    }
    out.sort(Comparator.comparingDouble(TabStop::at));
    return Optional.of(out);
  }

  private Optional<TabStop> stop(String[] words) {
    double at;
    try {
      at = Double.parseDouble(words[0].replace(',', '.')) * MM;
    } catch (NumberFormatException e) {
      return Optional.empty();
    }
    if (!(Math.abs(at) <= FARTHEST) || words.length > 3) {
      return Optional.empty();
    }
    TabStop.Kind kind = TabStop.Kind.LEFT;
    TabStop.Leader leader = TabStop.Leader.NONE;
    for (int k = 1; k < words.length; k++) {
      Optional<TabStop.Leader> l = leader(words[k]);
      Optional<TabStop.Kind> other = kind(words[k]);
      if (l.isPresent()) {
        leader = l.get();
      } else if (other.isPresent()) {
        kind = other.get();
      } else {
        return Optional.empty();
      }
    }
    return Optional.of(new TabStop(at, kind, leader));
  }

  private static Optional<TabStop.Leader> leader(String sign) {
    for (TabStop.Leader l : TabStop.Leader.values()) {
      if (l.sign().equals(sign)) {
        return Optional.of(l);
      }
    }
    return Optional.empty();
  }

  /** By its beginning: "r" is right. */
  private Optional<TabStop.Kind> kind(String word) {
    for (int k = 0; k < kinds.size(); k++) {
      if (kinds.get(k).toLowerCase(Locale.ROOT).startsWith(word.toLowerCase(Locale.ROOT))) {
        return Optional.of(TabStop.Kind.values()[k]);
      }
    }
    return Optional.empty();
  }

  /**
   * What a paragraph has to say so that its stops are those wanted: stops of its style that are not
   * among them are taken away.
   *
   * @param now the stops that hold, whoever says so
   */
  public static List<TabStop> said(List<TabStop> wanted, List<TabStop> now) {
    var out = new ArrayList<>(wanted);
    for (TabStop t : now) {
      if (out.stream().noneMatch(o -> Math.abs(o.at() - t.at()) < SAME)) {
        out.add(new TabStop(t.at(), TabStop.Kind.CLEAR, TabStop.Leader.NONE));
      }
    }
    out.sort(Comparator.comparingDouble(TabStop::at));
    return List.copyOf(out);
  }
}
