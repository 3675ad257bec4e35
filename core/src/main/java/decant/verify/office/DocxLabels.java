package decant.verify.office;

import com.ibm.icu.text.RuleBasedNumberFormat;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.w3c.dom.Element;

/** The labels of list items by the numbering part (ISO/IEC 29500-1 §17.9), counted item by item. */
final class DocxLabels {
  private static final RuleBasedNumberFormat ROMAN = roman();

  private static RuleBasedNumberFormat roman() {
    var f = new RuleBasedNumberFormat(Locale.ROOT, RuleBasedNumberFormat.NUMBERING_SYSTEM);
    f.setDefaultRuleSet("%roman-upper");
    return f;
  }

  private record Level(String format, String text, int start, int restart, boolean legal) {}

  private record Instance(
      String series, Map<Integer, Level> levels, Map<Integer, Integer> starts) {}

  private final Map<String, Map<Integer, Level>> series;
  private final Map<String, Instance> instances;
  private final Map<String, Integer> counts = new HashMap<>();
  private final Set<String> begun = new HashSet<>();

  private DocxLabels(Map<String, Map<Integer, Level>> series, Map<String, Instance> instances) {
    this.series = series;
    this.instances = instances;
  }

  static DocxLabels none() {
    return new DocxLabels(new HashMap<>(), new HashMap<>());
  }

  /** The same lists, of which nothing was counted yet. */
  DocxLabels afresh() {
    return new DocxLabels(series, instances);
  }

  static DocxLabels of(Element root) {
    DocxLabels out = none();
    for (Element e : Package.children(root)) {
      if (e.getLocalName().equals("abstractNum")) {
        var levels = new HashMap<Integer, Level>();
        Package.children(e).stream()
            .filter(l -> l.getLocalName().equals("lvl"))
            .forEach(l -> levels.put((int) Docx.number(Docx.value(l, "ilvl")), level(l)));
        out.series.put(Docx.value(e, "abstractNumId"), levels);
      }
    }
    for (Element e : Package.children(root)) {
      if (e.getLocalName().equals("num")) {
        String of = Docx.value(Docx.child(e, "abstractNumId"), "val");
        var levels = new HashMap<>(out.series.getOrDefault(of, Map.of()));
        var starts = new HashMap<Integer, Integer>();
        for (Element o : Package.children(e)) {
          if (o.getLocalName().equals("lvlOverride")) {
            int depth = (int) Docx.number(Docx.value(o, "ilvl"));
            Element own = Docx.child(o, "lvl");
            if (own != null) {
              levels.put(depth, level(own));
            }
            Element start = Docx.child(o, "startOverride");
            if (start != null) {
              starts.put(depth, (int) Docx.number(Docx.value(start, "val")));
            }
          }
        }
        out.instances.put(Docx.value(e, "numId"), new Instance(of, levels, starts));
      }
    }
    return out;
  }

  private static Level level(Element e) {
    String start = Docx.value(Docx.child(e, "start"), "val");
    String restart = Docx.value(Docx.child(e, "lvlRestart"), "val");
    Element legal = Docx.child(e, "isLgl");
    return new Level(
        Docx.value(Docx.child(e, "numFmt"), "val"),
        Docx.value(Docx.child(e, "lvlText"), "val"),
        start.isEmpty() ? 0 : (int) Docx.number(start),
        restart.isEmpty() ? -1 : (int) Docx.number(restart),
        legal != null && Docx.on(Docx.value(legal, "val"), "1"));
  }

  /** The label of the next item. */
  String next(String list, int depth) {
    Instance in = instances.get(list);
    if (in == null || in.levels().get(depth) == null) {
      return "";
    }
    Level level = in.levels().get(depth);
    Integer anew = in.starts().get(depth);
    String key = in.series() + "/" + depth;
    if (begun.add(list + "/" + depth) && anew != null) {
      counts.put(key, anew);
    } else {
      counts.merge(key, level.start(), (was, start) -> was + 1);
    }
    for (int d = 0; d < depth; d++) {
      Level above = in.levels().get(d);
      counts.putIfAbsent(in.series() + "/" + d, above == null ? 1 : above.start());
    }
    for (int d = depth + 1; d < 9; d++) {
      Level below = in.levels().get(d);
      int restart = below == null ? -1 : below.restart();
      // It starts anew after its own restart level or a higher one; always if none is said, never
      // if it is 0 (§17.9.10).
      if (restart < 0 || depth < restart) {
        counts.remove(in.series() + "/" + d);
      }
    }
    if (level.format().equals("bullet")) {
      return level.text();
    }
    String label = level.text();
    for (int d = 0; d <= depth; d++) {
      Level l = in.levels().getOrDefault(d, level);
      boolean plain = level.legal() && !l.format().equals("none");
      String n =
          number(plain ? "decimal" : l.format(), counts.getOrDefault(in.series() + "/" + d, 1));
      label = label.replace("%" + (d + 1), n);
    }
    return label;
  }

  private static String number(String format, int n) {
    return switch (format) {
      case "none" -> "";
      case "lowerLetter", "upperLetter" -> {
        String s = n < 1 ? "" + n : Character.toString('a' + (n - 1) % 26).repeat(1 + (n - 1) / 26);
        yield format.startsWith("upper") ? s.toUpperCase(Locale.ROOT) : s;
      }
      case "lowerRoman" -> n < 1 ? "" + n : ROMAN.format(n).toLowerCase(Locale.ROOT);
      case "upperRoman" -> n < 1 ? "" + n : ROMAN.format(n);
      case "decimalZero" -> n >= 0 && n < 10 ? "0" + n : "" + n;
      case "ordinal" ->
          n
              + (n / 10 % 10 == 1
                  ? "th"
                  : n % 10 == 1 ? "st" : n % 10 == 2 ? "nd" : n % 10 == 3 ? "rd" : "th");
      default -> "" + n;
    };
  }
}
