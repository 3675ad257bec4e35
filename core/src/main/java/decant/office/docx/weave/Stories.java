package decant.office.docx.weave;

import decant.office.source.Alignment;
import decant.office.xml.Element;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Notes and comments, each of which has a number in its part: which of ours now was which before,
 * and which in the source.
 */
final class Stories {
  static final List<String> KINDS = List.of("footnote", "endnote", "comment");

  private final Parts source;
  private final Parts before;
  private final Parts after;

  /** The number before of each that is there now; by kind and number. */
  private final Map<String, String> was = new HashMap<>();

  private final Map<String, String> inSource = new HashMap<>();

  Stories(Parts source, Parts before, Parts after) throws ReadProblem {
    this.source = source;
    this.before = before;
    this.after = after;
    for (String kind : KINDS) {
      pair(kind);
    }
  }

  /** The names of those that are there now: those of before, and others for new ones. */
  Map<String, String> names() {
    return was;
  }

  /** The numbers in the source of those that are there now, by kind and number. */
  Map<String, String> numbers() {
    return inSource;
  }

  /** The number before of one that is there now. */
  Optional<String> before(String kind, String number) {
    return Optional.ofNullable(was.get(kind + " " + number))
        .map(v -> v.substring(kind.length() + 1));
  }

  static Optional<String> part(Parts parts, String kind) throws ReadProblem {
    return parts.relatedTo(parts.main(), kind + "s");
  }

  /** Those of a part by number; lines between notes and text are none. */
  static Map<String, Element> in(Parts parts, String kind) throws ReadProblem {
    var out = new LinkedHashMap<String, Element>();
    Optional<String> part = part(parts, kind);
    if (part.isPresent()) {
      for (Element e : parts.root(part.get()).elements()) {
        boolean usual = Markup.attribute(e, "type").orElse("normal").equals("normal");
        Optional<String> id = Markup.attribute(e, "id");
        if (Markup.local(e).equals(kind) && usual && id.isPresent()) {
          out.put(id.get(), e);
        }
      }
    }
    return out;
  }

  private void pair(String kind) throws ReadProblem {
    Map<String, Element> s = in(source, kind);
    Map<String, Element> a = in(before, kind);
    Map<String, Element> b = in(after, kind);
    List<String> sIds = List.copyOf(s.keySet());
    List<String> aIds = List.copyOf(a.keySet());
    List<String> bIds = List.copyOf(b.keySet());
    int[] bOfA = paired(contents(before, kind, a), contents(after, kind, b));
    int[] aOfS =
        paired(
            s.values().stream().map(Markup::text).toList(),
            a.values().stream().map(Markup::text).toList());
    var sOfA = new HashMap<String, String>();
    for (int k = 0; k < aOfS.length; k++) {
      if (aOfS[k] >= 0) {
        sOfA.put(aIds.get(aOfS[k]), sIds.get(k));
      }
    }
    var aOfB = new HashMap<String, String>();
    for (int k = 0; k < bOfA.length; k++) {
      if (bOfA[k] >= 0) {
        aOfB.put(bIds.get(bOfA[k]), aIds.get(k));
      }
    }
    long next = 1;
    for (String id : sIds) {
      next = Math.max(next, id.matches("\\d{1,9}") ? Long.parseLong(id) + 1 : 1);
    }
    for (String id : bIds) {
      String old = aOfB.get(id);
      was.put(kind + " " + id, old == null ? kind + " new " + id : kind + " " + old);
      if (part(source, kind).isEmpty()) {
        continue; // the part goes along as it is
      }
      String number = old == null ? null : sOfA.get(old);
      inSource.put(kind + " " + id, number == null ? Long.toString(next++) : number);
    }
  }

  private static List<String> contents(Parts parts, String kind, Map<String, Element> all)
      throws ReadProblem {
    var canon = new Canon(parts, Map.of());
    String part = part(parts, kind).orElse("");
    List<String> out = new ArrayList<>();
    for (Element e : all.values()) {
      var b = new StringBuilder(Markup.attribute(e, "author").orElse(""));
      for (Element c : e.elements()) {
        b.append(canon.of(c, part));
      }
      out.add(b.toString());
    }
    return out;
  }

  /** For each of the first sequence the other that it is, or that stands in its place. */
  private static int[] paired(List<String> one, List<String> other) {
    int[] out = Alignment.of(one, other);
    int from = 0;
    int otherFrom = 0;
    for (int k = 0; k <= one.size(); k++) {
      if (k < one.size() && out[k] < 0) {
        continue;
      }
      int otherTo = k == one.size() ? other.size() : out[k];
      if (k - from == otherTo - otherFrom) {
        for (int i = from; i < k; i++) {
          out[i] = otherFrom + i - from;
        }
      }
      from = k + 1;
      otherFrom = otherTo + 1;
    }
    return out;
  }
}
