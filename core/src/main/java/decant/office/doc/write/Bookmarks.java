package decant.office.doc.write;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Places that links lead to, by their names ([MS-DOC] 2.8.10 and 2.8.11). */
final class Bookmarks {
  private static final int LONGEST = 40; // characters of a name

  private record Place(String name, Part part, int from, int to) {
    int start(Map<Part, Integer> begins) {
      return begins.getOrDefault(part, 0) + from;
    }

    int end(Map<Part, Integer> begins) {
      return begins.getOrDefault(part, 0) + to;
    }
  }

  private final Map<String, Place> all = new LinkedHashMap<>();
  private final Map<String, String> names = new HashMap<>();

  /** A name as it can stand in the file: one that is too long is cut, and stays the only one. */
  String name(String s) {
    return names.computeIfAbsent(s, this::fitting);
  }

  private String fitting(String s) {
    String some = s.length() <= LONGEST ? s : s.substring(0, LONGEST);
    for (int k = 2; names.containsValue(some); k++) {
      String end = "_" + k;
      some = s.substring(0, Math.min(s.length(), LONGEST - end.length())) + end;
    }
    return some;
  }

  /** Begins a place; one that goes by a name that is taken is not told again. */
  void begin(String name, Part part, int at) {
    all.putIfAbsent(name(name), new Place(name(name), part, at, -1));
  }

  void end(String name, Part part, int at) {
    all.computeIfPresent(
        name(name),
        (k, p) -> p.to() < 0 && p.part() == part ? new Place(k, part, p.from(), at) : p);
  }

  boolean isEmpty() {
    return all.isEmpty();
  }

  private List<Place> byStart(Map<Part, Integer> begins) {
    var out = new ArrayList<>(all.values());
    out.sort(Comparator.comparingInt(p -> p.start(begins)));
    return out;
  }

  private List<Place> byEnd(Map<Part, Integer> begins) {
    var out = new ArrayList<>(all.values());
    out.sort(Comparator.comparingInt(p -> p.end(begins)));
    return out;
  }

  Bytes names(EnumMap<Part, Integer> begins) {
    List<Place> places = byStart(begins);
    var out = new Bytes().u16(0xFFFF).u16(places.size()).u16(0);
    places.forEach(p -> out.counted(p.name()));
    return out;
  }

  /**
   * Where they begin, each with the number of its end.
   *
   * @param begins the first character of each part
   */
  Bytes starts(EnumMap<Part, Integer> begins, int length) {
    var ends = new HashMap<Place, Integer>();
    byEnd(begins).forEach(p -> ends.put(p, ends.size()));
    var out = new Plc();
    byStart(begins)
        .forEach(p -> out.add(p.start(begins), new Bytes().u16(ends.getOrDefault(p, 0)).u16(0)));
    return out.end(length + 1L);
  }

  Bytes ends(EnumMap<Part, Integer> begins, int length) {
    var out = new Plc();
    byEnd(begins).forEach(p -> out.add(p.end(begins)));
    return out.end(length + 1L);
  }
}
