package decant.office.odf;

import decant.model.look.EmbeddedFont;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.model.look.Typesetting;
import decant.office.odf.markup.Measures;
import decant.office.odf.markup.StyleNames;
import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;

/**
 * The styles of a file (ODF 1.3 part 3, §16): the common ones, which become named styles, and the
 * automatic ones, which stand for looks set directly.
 */
final class OdfStyles {
  private static final int DEEPEST = 32; // a longer chain is a cycle

  /** What holds where nothing is said; common practice, the standard leaves it open. */
  private static final Look TEXT =
      Look.of(TextTraits.FAMILY, "Liberation Serif").with(TextTraits.SIZE, 12.0);

  /** Styles by family and name. */
  record Scope(Map<String, Map<String, Element>> families) {
    static final Scope NONE = new Scope(Map.of());

    static Scope of(Optional<Element> styles) {
      var out = new HashMap<String, Map<String, Element>>();
      for (Element e : styles.map(Element::elements).orElse(List.of())) {
        String family =
            switch (e.name()) {
              case "style:style" -> e.attribute("style:family").orElse("");
              case "text:list-style" -> "list";
              case "style:page-layout" -> "page-layout";
              default -> "";
            };
        e.attribute("style:name")
            .ifPresent(n -> out.computeIfAbsent(family, f -> new LinkedHashMap<>()).put(n, e));
      }
      return new Scope(out);
    }

    Optional<Element> find(String family, String name) {
      return Optional.ofNullable(families.getOrDefault(family, Map.of()).get(name));
    }
  }

  private final Scope common;
  private final Map<String, Element> defaults = new HashMap<>();
  private final OdfLooks looks;
  private final StyleSheet sheet;
  private final Map<String, Double> sizes = new HashMap<>();
  private final Map<String, OdfLooks.Below> below = new HashMap<>();
  private boolean hyphenates;

  /**
   * @param styles {@code office:styles}
   * @param fonts declared families by their names
   * @param brought the fonts that the file brings
   */
  OdfStyles(Optional<Element> styles, Map<String, String> fonts, List<EmbeddedFont> brought) {
    this.common = Scope.of(styles);
    this.looks = new OdfLooks(fonts);
    styles.ifPresent(s ->
        s.elements("style:default-style")
            .forEach(d -> d.attribute("style:family").ifPresent(f -> defaults.put(f, d))));
    this.sheet = sheet(brought);
  }

  StyleSheet sheet() {
    return sheet;
  }

  private StyleSheet sheet(List<EmbeddedFont> brought) {
    Optional<Element> base = Optional.ofNullable(defaults.get("paragraph"));
    Look texts =
        base.flatMap(d -> d.child("style:text-properties"))
            .map(p -> looks.text(p, TEXT.value(TextTraits.SIZE)))
            .orElse(Look.PLAIN)
            .over(TEXT);
    sizes.put("", texts.value(TextTraits.SIZE));
    Look paragraphs =
        Look.of(ParagraphTraits.WIDOW_CONTROL, false).with(ParagraphTraits.HYPHENATION, false);
    paragraphs =
        base.flatMap(d -> d.child("style:paragraph-properties"))
            .map(p -> looks.paragraph(p, OdfLooks.Below.NOTHING))
            .orElse(Look.PLAIN)
            .over(paragraphs);
    below.put("", OdfLooks.Below.NOTHING.with(paragraphs));
    paragraphs = hyphenation(base, paragraphs);
    Optional<Double> distance =
        base.flatMap(d -> d.child("style:paragraph-properties"))
            .flatMap(p -> Measures.length(p.attribute("style:tab-stop-distance")))
            .filter(d -> d > 1);
    var styles = new LinkedHashMap<String, NamedStyle>();
    for (String family : List.of("paragraph", "text")) {
      for (Element e : common.families().getOrDefault(family, Map.of()).values()) {
        NamedStyle s = named(e, family);
        styles.putIfAbsent(s.id(), s);
      }
    }
    Typesetting t = Typesetting.PLAIN;
    return new StyleSheet(
        paragraphs,
        texts,
        styles.containsKey("Standard") ? "Standard" : "",
        styles,
        new Typesetting(
            distance.orElse(t.tabDistance()),
            hyphenates,
            false,
            true,
            t.footnotes(),
            t.endnotes(),
            brought));
  }

  private Look hyphenation(Optional<Element> style, Look look) {
    Optional<String> said =
        style
            .flatMap(s -> s.child("style:text-properties"))
            .flatMap(p -> p.attribute("fo:hyphenate"));
    if (said.isEmpty()) {
      return look;
    }
    hyphenates |= said.get().equals("true");
    return look.with(ParagraphTraits.HYPHENATION, said.get().equals("true"));
  }

  private NamedStyle named(Element e, String family) {
    String id = e.attribute("style:name").orElse("");
    String parent = e.attribute("style:parent-style-name").orElse("");
    boolean ofText = family.equals("text");
    Look paragraph = ofText ? Look.PLAIN : paragraph(e, parent);
    Optional<Integer> level =
        Measures.whole(e.attribute("style:default-outline-level")).filter(l -> l >= 1 && l <= 9);
    if (!ofText && e.attribute("style:default-outline-level").isPresent()) {
      paragraph = paragraph.with(ParagraphTraits.HEADING_LEVEL, level.orElse(0));
    }
    return new NamedStyle(
        id,
        e.attribute("style:display-name").orElse(StyleNames.decoded(id)),
        ofText ? NamedStyle.Kind.CHARACTER : NamedStyle.Kind.PARAGRAPH,
        Optional.of(parent).filter(p -> !p.isEmpty()),
        e.attribute("style:next-style-name").filter(n -> !n.equals(id)),
        paragraph,
        text(e, ofText ? "" : parent),
        List.of());
  }

  private Look paragraph(Element style, String parent) {
    Look look =
        style
            .child("style:paragraph-properties")
            .map(p -> looks.paragraph(p, below(parent)))
            .orElse(Look.PLAIN);
    return hyphenation(Optional.of(style), look);
  }

  private Look text(Element style, String parent) {
    return style
        .child("style:text-properties")
        .map(p -> looks.text(p, size(parent)))
        .orElse(Look.PLAIN);
  }

  /** The size that text of a paragraph style has, in points. */
  private double size(String style) {
    return inherited(
        sizes,
        style,
        sizes.getOrDefault("", 12.0),
        "style:text-properties",
        (p, under) -> looks.text(p, under).get(TextTraits.SIZE).orElse(under));
  }

  /** What holds of paragraphs of a style where they say nothing. */
  private OdfLooks.Below below(String style) {
    return inherited(
        below,
        style,
        below.getOrDefault("", OdfLooks.Below.NOTHING),
        "style:paragraph-properties",
        (p, under) -> under.with(looks.paragraph(p, under)));
  }

  /**
   * What a paragraph style says, or the nearest that it stands on does.
   *
   * @param least what a chain of styles ends with, and a cycle
   * @param said what properties say, given what holds below them
   */
  private <T> T inherited(
      Map<String, T> known,
      String style,
      T least,
      String properties,
      BiFunction<Element, T, T> said) {
    T before = known.get(style);
    if (before != null) {
      return before;
    }
    known.put(style, least);
    Optional<Element> e = common.find("paragraph", style);
    String parent = e.flatMap(s -> s.attribute("style:parent-style-name")).orElse("");
    T under = inherited(known, parent, least, properties, said);
    T own = e.flatMap(s -> s.child(properties)).map(p -> said.apply(p, under)).orElse(under);
    known.put(style, own);
    return own;
  }

  /**
   * What a style that something names gives it.
   *
   * @param paragraph set directly, with the named style that it stands on
   * @param text set directly on all of its text
   * @param style the automatic style itself, where it is one
   */
  record Direct(Look paragraph, Look text, Optional<Element> style) {}

  /** What a paragraph's style gives it. */
  Direct paragraph(Optional<String> name, Scope scope) {
    String n = name.orElse("");
    Optional<Element> automatic = scope.find("paragraph", n);
    if (automatic.isEmpty()) {
      boolean known = sheet.styles().containsKey(n) && !n.equals(sheet.defaultStyle());
      return new Direct(
          known ? Look.of(ParagraphTraits.STYLE, n) : Look.PLAIN,
          Look.PLAIN,
          common.find("paragraph", n));
    }
    Element e = automatic.get();
    String parent = e.attribute("style:parent-style-name").orElse("");
    Look paragraph = paragraph(e, parent);
    if (sheet.styles().containsKey(parent) && !parent.equals(sheet.defaultStyle())) {
      paragraph = paragraph.with(ParagraphTraits.STYLE, parent);
    }
    return new Direct(paragraph, text(e, parent), automatic);
  }

  /**
   * The look of a stretch of text.
   *
   * @param size of the text around it, in points
   */
  Look text(Optional<String> name, Scope scope, double size) {
    String n = name.orElse("");
    Optional<Element> automatic = scope.find("text", n);
    if (automatic.isEmpty()) {
      return sheet.styles().containsKey(n) ? Look.of(TextTraits.CHARACTER_STYLE, n) : Look.PLAIN;
    }
    Look look =
        automatic
            .get()
            .child("style:text-properties")
            .map(p -> looks.text(p, size))
            .orElse(Look.PLAIN);
    String parent = automatic.get().attribute("style:parent-style-name").orElse("");
    return sheet.styles().containsKey(parent)
        ? look.with(TextTraits.CHARACTER_STYLE, parent)
        : look;
  }

  /** Text properties that stand by themselves, of the label of a list. */
  Look text(Element properties) {
    return looks.text(properties, size(""));
  }

  /** The style of a family by its name, automatic or common. */
  Optional<Element> style(String family, Optional<String> name, Scope scope) {
    return name.flatMap(n -> scope.find(family, n).or(() -> common.find(family, n)));
  }

  /**
   * An attribute of a paragraph's style or of those that it stands on, such as {@code
   * style:list-style-name}.
   */
  Optional<String> inherited(Optional<String> name, Scope scope, String attribute) {
    Optional<Element> e = style("paragraph", name, scope);
    for (int depth = 0; depth < DEEPEST && e.isPresent(); depth++) {
      Optional<String> own = e.get().attribute(attribute);
      if (own.isPresent()) {
        return own;
      }
      e = e.get().attribute("style:parent-style-name").flatMap(p -> common.find("paragraph", p));
    }
    return Optional.empty();
  }

  /**
   * All properties of one kind that a style has, those of the styles that it stands on and of its
   * family's default among them.
   */
  Element properties(String family, Optional<String> name, Scope scope, String kind) {
    var chain = new ArrayList<Element>();
    Optional<Element> e = style(family, name, scope);
    for (int depth = 0; depth < DEEPEST && e.isPresent(); depth++) {
      e.get().child(kind).ifPresent(chain::add);
      e = e.get().attribute("style:parent-style-name").flatMap(p -> common.find(family, p));
    }
    Optional.ofNullable(defaults.get(family)).flatMap(d -> d.child(kind)).ifPresent(chain::add);
    Collections.reverse(chain);
    var attributes = new LinkedHashMap<String, String>();
    var children = new ArrayList<Object>();
    for (Element p : chain) {
      attributes.putAll(p.attributes());
      if (!p.children().isEmpty()) {
        children.clear();
        children.addAll(p.children());
      }
    }
    return new Element(kind, attributes, children);
  }
}
