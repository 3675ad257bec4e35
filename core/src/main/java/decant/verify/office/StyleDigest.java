package decant.verify.office;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.w3c.dom.Element;

/** What the styles of a DOCX give (ISO/IEC 29500-1 §17.7), worked out for single paragraphs. */
final class StyleDigest {
  private static final Set<String> SWITCHED_OVER = Set.of("b", "i", "strike"); // §17.7.3

  private static final String THEME = "theme:";

  private record Style(String basedOn, Map<String, String> text, Map<String, String> paragraph) {}

  private final Map<String, Style> styles = new HashMap<>();
  private Map<String, String> defaults = Map.of();
  private String usual = "";

  private final Map<String, Map<String, String>> texts = new HashMap<>();

  /** The fonts that a theme names for headings and for text (§20.1.4.1.24 and .25). */
  private Map<String, String> themed = Map.of();

  /**
   * @param themed the theme's fonts, by {@code major} and {@code minor}
   */
  static StyleDigest of(
      @org.jspecify.annotations.Nullable Element root, Map<String, String> themed) {
    var s = new StyleDigest();
    s.themed = themed;
    if (root == null) {
      return s;
    }
    for (Element e : Package.children(root)) {
      switch (e.getLocalName()) {
        case "docDefaults" ->
            s.defaults = properties(Docx.child(Docx.child(e, "rPrDefault"), "rPr"));
        case "style" -> {
          String id = Docx.value(e, "styleId");
          String based = Docx.value(Docx.child(e, "basedOn"), "val");
          s.styles.put(
              id,
              new Style(based, properties(Docx.child(e, "rPr")), paragraph(Docx.child(e, "pPr"))));
          if (Docx.value(e, "type").equals("paragraph") && Docx.on(Docx.value(e, "default"), "0")) {
            s.usual = id;
          }
        }
        default -> {}
      }
    }
    return s;
  }

  /** Run properties by name, a toggle as {@code 1} or {@code 0}. */
  static Map<String, String> properties(@org.jspecify.annotations.Nullable Element rPr) {
    var out = new HashMap<String, String>();
    if (rPr == null) {
      return out;
    }
    for (Element e : Package.children(rPr)) {
      String v = Docx.value(e, "val");
      switch (e.getLocalName()) {
        case "b", "i", "strike" -> out.put(e.getLocalName(), Docx.on(v, "1") ? "1" : "0");
        case "u", "sz", "color", "vertAlign", "rStyle" -> out.put(e.getLocalName(), v);
        case "rFonts" -> {
          // A font of the theme goes before one that is named (§17.3.2.26).
          String theme = Docx.value(e, "asciiTheme");
          String named = Docx.value(e, "ascii");
          if (!theme.isEmpty() || !named.isEmpty()) {
            out.put("font", theme.isEmpty() ? named : THEME + theme.substring(0, 5) + named);
          }
        }
        default -> {}
      }
    }
    return out;
  }

  /** Outline level and numbering, as far as they are said. */
  static Map<String, String> paragraph(@org.jspecify.annotations.Nullable Element pPr) {
    var out = new HashMap<String, String>();
    if (pPr == null) {
      return out;
    }
    for (Element e : Package.children(pPr)) {
      switch (e.getLocalName()) {
        case "outlineLvl" -> out.put("level", Docx.value(e, "val"));
        case "pStyle" -> out.put("style", Docx.value(e, "val"));
        case "numPr" -> {
          String depth = Docx.value(Docx.child(e, "ilvl"), "val");
          out.put("depth", depth.isEmpty() ? "0" : depth);
          out.put("list", Docx.value(Docx.child(e, "numId"), "val"));
        }
        default -> {}
      }
    }
    return out;
  }

  /** A property of a paragraph from its own look or its styles; empty for none. */
  String of(Map<String, String> direct, String property) {
    String own = direct.get(property);
    if (own != null) {
      return own;
    }
    return inherited(style(direct), property);
  }

  private String inherited(String id, String property) {
    var seen = new HashSet<String>();
    for (String s = id; styles.containsKey(s) && seen.add(s); s = styles.get(s).basedOn()) {
      String v = styles.get(s).paragraph().get(property);
      if (v != null) {
        return v;
      }
    }
    return "";
  }

  private String style(Map<String, String> direct) {
    String id = direct.getOrDefault("style", "");
    return styles.containsKey(id) ? id : usual;
  }

  private Map<String, String> texts(String id) {
    return texts.computeIfAbsent(
        id,
        k -> {
          var out = new HashMap<String, String>();
          var seen = new HashSet<String>();
          for (String s = id; styles.containsKey(s) && seen.add(s); s = styles.get(s).basedOn()) {
            styles.get(s).text().forEach(out::putIfAbsent);
          }
          return out;
        });
  }

  private String font(String said) {
    if (!said.startsWith(THEME)) {
      return said;
    }
    String theme = said.substring(THEME.length(), THEME.length() + 5);
    String named = said.substring(THEME.length() + 5);
    return themed.getOrDefault(theme, named.isEmpty() ? "Times New Roman" : named);
  }

  /** The look in force of a run. */
  TextLook look(Map<String, String> paragraph, Map<String, String> run) {
    var now = new HashMap<>(defaults);
    Map<String, String> ofParagraph = texts(style(paragraph));
    now.putAll(ofParagraph);
    if (run.containsKey("rStyle")) {
      Map<String, String> own = texts(run.get("rStyle"));
      var below = Map.copyOf(now);
      now.putAll(own);
      for (String t : SWITCHED_OVER) {
        if (own.getOrDefault(t, "0").equals("1") && below.getOrDefault(t, "0").equals("1")) {
          now.put(t, defaults.getOrDefault(t, "0"));
        }
      }
    }
    now.putAll(run);
    String colour = now.getOrDefault("color", "auto");
    String raise = now.getOrDefault("vertAlign", "");
    return new TextLook(
        font(now.getOrDefault("font", "Times New Roman")), // where nothing is said: usual practice
        Math.round(Docx.number(now.getOrDefault("sz", "20"))),
        now.getOrDefault("b", "0").equals("1"),
        now.getOrDefault("i", "0").equals("1"),
        !now.getOrDefault("u", "none").equals("none"),
        now.getOrDefault("strike", "0").equals("1"),
        colour.matches("[0-9A-Fa-f]{6}") ? Integer.parseInt(colour, 16) : 0,
        raise.equals("superscript") ? 1 : raise.equals("subscript") ? -1 : 0);
  }
}
