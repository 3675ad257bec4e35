package decant.verify.office;

import decant.office.symbol.Symbols;
import decant.verify.office.CountedLabels.Instance;
import decant.verify.office.CountedLabels.Level;
import java.util.HashMap;
import java.util.Map;
import org.w3c.dom.Element;

/** The lists of the numbering part (ISO/IEC 29500-1 §17.9). */
final class DocxLabels {
  private DocxLabels() {}

  static Map<String, Instance> of(Element root) {
    var series = new HashMap<String, Map<Integer, Level>>();
    var styled = new HashMap<String, Map<Integer, Level>>();
    var out = new HashMap<String, Instance>();
    for (Element e : Package.children(root)) {
      if (e.getLocalName().equals("abstractNum")) {
        var levels = new HashMap<Integer, Level>();
        Package.children(e).stream()
            .filter(l -> l.getLocalName().equals("lvl"))
            .forEach(l -> levels.put((int) Docx.number(Docx.value(l, "ilvl")), level(l)));
        series.put(Docx.value(e, "abstractNumId"), levels);
        styled.put(Docx.value(Docx.child(e, "styleLink"), "val"), levels);
      }
    }
    // A definition may only name the style that has the levels (§17.9.21).
    for (Element e : Package.children(root)) {
      String style = Docx.value(Docx.child(e, "numStyleLink"), "val");
      if (styled.containsKey(style) && !style.isEmpty()) {
        series.put(Docx.value(e, "abstractNumId"), styled.get(style));
      }
    }
    for (Element e : Package.children(root)) {
      if (e.getLocalName().equals("num")) {
        String of = Docx.value(Docx.child(e, "abstractNumId"), "val");
        var levels = new HashMap<>(series.getOrDefault(of, Map.of()));
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
        out.put(Docx.value(e, "numId"), new Instance(of, levels, starts));
      }
    }
    return out;
  }

  /** A bullet of a symbol font by the character that it shows. */
  private static String text(Element level) {
    String text = Docx.value(Docx.child(level, "lvlText"), "val");
    String font = Docx.value(Docx.child(Docx.child(level, "rPr"), "rFonts"), "ascii");
    boolean bullet = Docx.value(Docx.child(level, "numFmt"), "val").equals("bullet");
    return bullet && !text.isEmpty() ? Symbols.bullet(text.charAt(0), font) : text;
  }

  private static Level level(Element e) {
    String start = Docx.value(Docx.child(e, "start"), "val");
    String restart = Docx.value(Docx.child(e, "lvlRestart"), "val");
    Element legal = Docx.child(e, "isLgl");
    return new Level(
        Docx.value(Docx.child(e, "numFmt"), "val"),
        text(e),
        start.isEmpty() ? 0 : (int) Docx.number(start),
        restart.isEmpty() ? -1 : (int) Docx.number(restart),
        legal != null && Docx.on(Docx.value(legal, "val"), "1"));
  }
}
