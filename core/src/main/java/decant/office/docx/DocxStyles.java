package decant.office.docx;

import decant.model.look.Kept;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.office.docx.markup.DocxLooks;
import decant.office.xml.Element;
import decant.office.xml.XmlParts;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** The styles part (§17.7). */
final class DocxStyles {
  /** What holds where nothing is said (§17.7.5). */
  private static final Look TEXT =
      Look.of(TextTraits.FAMILY, "Times New Roman").with(TextTraits.SIZE, 10.0);

  private DocxStyles() {}

  static StyleSheet none() {
    return new StyleSheet(Look.PLAIN, TEXT, "", Map.of());
  }

  /**
   * @param levels which list and level each style is linked to, by instance of the list
   */
  static StyleSheet read(
      Element part, DocxLooks looks, Map<String, Map<String, ListMembership>> levels) {
    Look paragraphs = Look.PLAIN;
    Look texts = TEXT;
    Optional<Element> defaults = part.child("w:docDefaults");
    if (defaults.isPresent()) {
      paragraphs =
          defaults
              .get()
              .child("w:pPrDefault")
              .flatMap(d -> d.child("w:pPr"))
              .map(looks::paragraph)
              .orElse(paragraphs);
      texts =
          defaults
              .get()
              .child("w:rPrDefault")
              .flatMap(d -> d.child("w:rPr"))
              .map(looks::text)
              .map(l -> l.over(TEXT))
              .orElse(texts);
    }
    var styles = new LinkedHashMap<String, NamedStyle>();
    Map<String, Element> elements = new HashMap<>();
    part.elements("w:style")
        .forEach(s -> s.attribute("w:styleId").ifPresent(id -> elements.put(id, s)));
    String standard = "";
    for (Element s : part.elements("w:style").toList()) {
      Optional<NamedStyle> style = style(s, looks);
      if (style.isEmpty()) {
        continue;
      }
      styles.put(style.get().id(), inList(style.get(), elements, levels));
      if (style.get().kind() == NamedStyle.Kind.PARAGRAPH && isOn(s.attribute("w:default"))) {
        standard = style.get().id();
      }
    }
    return new StyleSheet(paragraphs, texts, standard, styles);
  }

  /**
   * A style with its membership of a list made whole: the level is the one that the list links to
   * the style, the list that of the style it is based on, where it does not say so itself.
   */
  private static NamedStyle inList(
      NamedStyle style,
      Map<String, Element> elements,
      Map<String, Map<String, ListMembership>> levels) {
    Optional<Element> numPr = numPr(elements.get(style.id()));
    if (style.kind() != NamedStyle.Kind.PARAGRAPH || numPr.isEmpty()) {
      return style;
    }
    String list = list(style.id(), elements);
    if (list.isEmpty() || list.equals("0")) {
      return style.withParagraph(
          style.paragraph().with(ParagraphTraits.LIST, new ListMembership("", 0)));
    }
    ListMembership linked = levels.getOrDefault(list, Map.of()).get(style.id());
    int depth =
        DocxLooks.number(numPr.get().val("w:ilvl"))
            .map(Double::intValue)
            .orElse(linked == null ? 0 : linked.depth());
    return style.withParagraph(
        style
            .paragraph()
            .with(ParagraphTraits.LIST, new ListMembership(list, Math.clamp(depth, 0, 8))));
  }

  private static Optional<Element> numPr(@Nullable Element style) {
    return style == null ? Optional.empty() : style.child("w:pPr").flatMap(p -> p.child("w:numPr"));
  }

  private static String list(String id, Map<String, Element> elements) {
    @Nullable Element s = elements.get(id);
    for (int depth = 0; depth < 12 && s != null; depth++) {
      Optional<String> own = numPr(s).flatMap(n -> n.val("w:numId"));
      if (own.isPresent()) {
        return own.get();
      }
      s = s.val("w:basedOn").map(elements::get).orElse(null);
    }
    return "";
  }

  private static boolean isOn(Optional<String> v) {
    return v.filter(x -> x.equals("1") || x.equals("true") || x.equals("on")).isPresent();
  }

  private static Optional<NamedStyle> style(Element s, DocxLooks looks) {
    String id = s.attribute("w:styleId").orElse("");
    NamedStyle.Kind kind =
        switch (s.attribute("w:type").orElse("paragraph")) {
          case "paragraph" -> NamedStyle.Kind.PARAGRAPH;
          case "character" -> NamedStyle.Kind.CHARACTER;
          case "table" -> NamedStyle.Kind.TABLE;
          default -> null;
        };
    if (id.isEmpty() || kind == null) {
      return Optional.empty();
    }
    String name = s.val("w:name").orElse(id);
    Look paragraph = s.child("w:pPr").map(looks::paragraph).orElse(Look.PLAIN);
    // The built-in heading styles are headings even where the file does not give their level
    // (§17.7.4.9).
    int level = builtInHeading(name);
    if (kind == NamedStyle.Kind.PARAGRAPH
        && level > 0
        && !paragraph.sets(ParagraphTraits.HEADING_LEVEL)) {
      paragraph = paragraph.with(ParagraphTraits.HEADING_LEVEL, level);
    }
    var kept = new ArrayList<Kept>();
    for (Element e : s.elements()) {
      switch (e.name()) {
        case "w:name", "w:basedOn", "w:next", "w:pPr", "w:rPr" -> {}
        default -> kept.add(new Kept(DocxLooks.FORMAT, XmlParts.write(e)));
      }
    }
    return Optional.of(
        new NamedStyle(
            id,
            name,
            kind,
            s.val("w:basedOn"),
            s.val("w:next"),
            paragraph,
            s.child("w:rPr").map(looks::text).orElse(Look.PLAIN),
            List.copyOf(kept)));
  }

  private static int builtInHeading(String name) {
    String n = name.toLowerCase(Locale.ROOT);
    return n.matches("heading [1-9]") ? n.charAt(8) - '0' : 0;
  }
}
