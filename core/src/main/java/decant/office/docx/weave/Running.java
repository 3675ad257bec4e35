package decant.office.docx.weave;

import decant.office.xml.Element;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Which header and footer of ours stands for which of the source: those that the same section uses
 * on the same pages, where a section without one uses that of the section before (§17.10.1).
 *
 * @param inSource the source's parts by the names of ours
 */
record Running(Map<String, String> inSource) {
  static Running of(Parts source, Parts before) throws ReadProblem {
    List<Map<String, String>> theirs = sections(source);
    List<Map<String, String>> ours = sections(before);
    Map<String, String> out = new LinkedHashMap<>();
    Set<String> unclear = new HashSet<>();
    if (theirs.size() == ours.size()) {
      for (int k = 0; k < ours.size(); k++) {
        for (Map.Entry<String, String> e : ours.get(k).entrySet()) {
          String part = theirs.get(k).get(e.getKey());
          if (part != null) {
            String known = out.putIfAbsent(e.getValue(), part);
            if (known != null && !known.equals(part)) {
              unclear.add(e.getValue());
            }
          }
        }
      }
    }
    Map<String, String> first = new HashMap<>();
    out.forEach((own, part) -> {
      String other = first.putIfAbsent(part, own);
      if (other != null) {
        unclear.add(own);
        unclear.add(other);
      }
    });
    out.keySet().removeAll(unclear);
    return new Running(out);
  }

  private static List<Map<String, String>> sections(Parts parts) throws ReadProblem {
    List<Element> found = new ArrayList<>();
    find(parts.root(parts.main()), found);
    List<Map<String, String>> out = new ArrayList<>();
    Map<String, String> last = Map.of();
    for (Element s : found) {
      Map<String, String> own = new LinkedHashMap<>(last);
      for (Element e : s.elements()) {
        String name = Markup.local(e);
        if (name.equals("headerReference") || name.equals("footerReference")) {
          var r = parts.relationships(parts.main()).get(Markup.attribute(e, "id").orElse(""));
          if (r != null && parts.has(r.target())) {
            own.put(name + " " + Markup.attribute(e, "type").orElse("default"), r.target());
          }
        }
      }
      out.add(own);
      last = own;
    }
    return out;
  }

  private static void find(Element e, List<Element> into) {
    for (Element c : e.elements()) {
      switch (Markup.local(c)) {
        case "sectPr" -> into.add(c);
        case "sectPrChange", "pPrChange", "r" -> {}
        default -> find(c, into);
      }
    }
  }
}
