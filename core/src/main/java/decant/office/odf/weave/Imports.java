package decant.office.odf.weave;

import decant.office.source.Alignment;
import decant.office.xml.Element;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Brings markup of ours into the source: its automatic styles, its pictures, what it refers to. */
final class Imports {
  private static final String MASTER = "style:master-page-name";
  private static final String LIST_ID = "xml:id";
  private static final String GOES_ON = "text:continue-list";

  private final Map<String, Element> sourceStyles;
  private final Map<String, Element> beforeStyles;
  private final Map<String, Element> afterStyles;
  private final Controls controls;
  private final OutlineNumbers outline;
  private final RowBreaks rowBreaks;
  private final Map<String, byte[]> source;
  private final Map<String, byte[]> after;

  /** What pages of the source are called. */
  private final Set<String> pages = new HashSet<>();

  /** What those pages of ours are called that it does not have. */
  private final Set<String> fresh = new HashSet<>();

  /** The pages of the source by the names that ours have; empty where the source names none. */
  private final Map<String, String> masters = new HashMap<>();

  /** What stands for lists of ours. */
  private final Map<String, Element> lists = new HashMap<>();

  private final Map<String, Element> styles = new LinkedHashMap<>();
  private final Map<String, String> pictures = new LinkedHashMap<>();
  private final String prefix;
  private int names;

  /**
   * @param part that markup is brought into
   * @param prefix of names that come along, which the source has none of
   */
  Imports(String part, String prefix, OdfPackage source, OdfPackage before, OdfPackage after)
      throws ReadProblem {
    this.prefix = prefix;
    this.sourceStyles = source.automatic(part);
    this.beforeStyles = before.automatic(part);
    this.afterStyles = after.automatic(part);
    this.controls = Controls.of(part, source, after);
    this.outline = OutlineNumbers.of(source);
    this.rowBreaks = RowBreaks.of(source);
    this.source = source.parts();
    pages.addAll(pages(source));
    fresh.addAll(pages(after));
    fresh.removeAll(pages(before));
    this.after = after.parts();
  }

  private static Set<String> pages(OdfPackage p) throws ReadProblem {
    var out = new HashSet<String>();
    p.in("styles.xml", "office:master-styles")
        .ifPresent(m -> m.elements().forEach(e -> out.add(Odf.name(e))));
    return out;
  }

  /** The name that a page has which comes along. */
  String fresh(String page) {
    return prefix + page;
  }

  /**
   * What a page of the source is like now, with all of it that we do not know.
   *
   * @param was the page as we write it of the source
   * @param is as we write it now
   */
  String layout(Element page, Element was, Element is) throws Unweavable {
    Element own = sourceStyles.get(page.attributes().getOrDefault(Odf.PAGE_LAYOUT, ""));
    String name = is.attributes().getOrDefault(Odf.PAGE_LAYOUT, "");
    Element before = beforeStyles.get(was.attributes().getOrDefault(Odf.PAGE_LAYOUT, ""));
    Element after = afterStyles.get(name);
    if (own == null || before == null || after == null) {
      throw new Unweavable("a page is like nothing that is told");
    }
    Element merged = ThreeWay.merged(own, before, after);
    merged.attributes().put("style:name", prefix + name);
    styles.put(prefix + name, merged);
    return prefix + name;
  }

  /** The automatic styles that came along, under names that are free. */
  List<Element> styles() {
    return List.copyOf(styles.values());
  }

  /** The pictures that came along: what they are called in ours, by their names. */
  Map<String, String> pictures() {
    return pictures;
  }

  /**
   * Tells pages of ours by those of the source that begin with the same words.
   *
   * @param own the text of the source
   * @param ours the same as we write it
   */
  void pairPages(Element own, Element ours) {
    var there = new ArrayList<Element>();
    var here = new ArrayList<Element>();
    beginning(sourceStyles, own, there);
    beginning(beforeStyles, ours, here);
    int[] partner =
        Alignment.of(
            here.stream().map(Odf::words).toList(), there.stream().map(Odf::words).toList());
    for (int k = 0; k < partner.length; k++) {
      if (partner[k] >= 0) {
        masters.putIfAbsent(
            master(beforeStyles, here.get(k)), master(sourceStyles, there.get(partner[k])));
      }
    }
  }

  /** What begins pages. */
  private static void beginning(Map<String, Element> styles, Element e, List<Element> into) {
    for (Element c : e.elements()) {
      if (!master(styles, c).isEmpty()) {
        into.add(c);
      } else if (!c.name().equals("text:p") && !c.name().equals("text:h")) {
        beginning(styles, c, into);
      }
    }
  }

  private static String master(Map<String, Element> styles, Element e) {
    for (Map.Entry<String, String> a : e.attributes().entrySet()) {
      Element style = Odf.namesStyle(a.getKey()) ? styles.get(a.getValue()) : null;
      if (style != null && style.attributes().containsKey(MASTER)) {
        return style.attributes().getOrDefault(MASTER, "");
      }
    }
    return "";
  }

  /** The name that a page of ours has in the source; empty where that names none. */
  Optional<String> page(String ours) {
    return Optional.ofNullable(masters.get(ours));
  }

  /** A block of the source stands where one of ours would. */
  void stands(Element ours, Element own) {
    String id = ours.attributes().getOrDefault(LIST_ID, "");
    if (!id.isEmpty()) {
      lists.put(id, own);
    }
  }

  /** A block of ours as it is to stand in the source. */
  List<Element> block(Element e) throws Unweavable {
    var out = new ArrayList<Element>();
    for (Element b : outline.inSource(e)) {
      out.add(of(b));
    }
    return out;
  }

  /** An element of ours as it is to stand in the source. */
  Element of(Element e) throws Unweavable {
    var attributes = new LinkedHashMap<String, String>();
    for (Map.Entry<String, String> a : e.attributes().entrySet()) {
      attributes.put(a.getKey(), value(a.getKey(), a.getValue()));
    }
    if (e.name().equals("table:table-row")) {
      rowBreaks.say(attributes, styles, prefix + "row");
    }
    var children = new ArrayList<Object>(e.children().size());
    Element copy = new Element(e.name(), attributes, children);
    stands(e, copy);
    String label = "";
    for (Object c : e.children()) {
      children.add(c instanceof Element child ? of(child) : without(label, (String) c));
      label = c instanceof Element child ? controls.label(child) : "";
    }
    return copy;
  }

  /** What stands behind a control whose label the source tells of with it. */
  private static String without(String label, String text) {
    return text.startsWith(label) ? text.substring(label.length()) : text;
  }

  private String value(String attribute, String value) throws Unweavable {
    return switch (attribute) {
      case LIST_ID, "text:id", "office:name" -> prefix + value;
      case GOES_ON -> list(value);
      case "draw:control" -> control(value);
      case "xlink:href" -> after.containsKey(value) ? picture(value) : value;
      default -> Odf.namesStyle(attribute) ? style(value) : value;
    };
  }

  /** The name of the list that one of ours goes on from. */
  private String list(String ours) throws Unweavable {
    Element list = lists.get(ours);
    if (list == null) {
      throw new Unweavable("a list goes on from one that is not there");
    }
    return list.attributes().computeIfAbsent(LIST_ID, k -> prefix + "to-" + ++names);
  }

  private String control(String ours) throws Unweavable {
    return controls
        .inSource(ours)
        .orElseThrow(() -> new Unweavable("a control of a form that the source does not tell of"));
  }

  private String picture(String name) {
    byte[] bytes = after.getOrDefault(name, new byte[0]);
    byte[] own = source.get(name);
    if (own != null && Arrays.equals(own, bytes)) {
      return name;
    }
    String free = own == null ? name : name.replaceFirst("([^/]*)$", prefix + "$1");
    pictures.put(free, name);
    return free;
  }

  private String style(String name) throws Unweavable {
    Element ours = afterStyles.get(name);
    if (ours == null) {
      return name; // a common one, which the source has too
    }
    String free = prefix + name;
    if (styles.containsKey(free)) {
      return free;
    }
    styles.put(free, ours); // one that names itself is known by now
    var attributes = new LinkedHashMap<String, String>();
    for (Map.Entry<String, String> a : ours.attributes().entrySet()) {
      String v = a.getValue();
      switch (a.getKey()) {
        case "style:name" -> v = free;
        case MASTER -> v = own(v);
        default -> v = Odf.namesStyle(a.getKey()) ? style(v) : v;
      }
      if (!a.getKey().equals(MASTER) || !v.isEmpty()) {
        attributes.put(a.getKey(), v);
      }
    }
    styles.put(free, new Element(ours.name(), attributes, inside(ours)));
    return free;
  }

  private List<Object> inside(Element ours) throws Unweavable {
    List<Object> children = new ArrayList<>();
    for (Object c : ours.children()) {
      children.add(c instanceof Element child ? of(child) : c);
    }
    return children;
  }

  private String own(String master) throws Unweavable {
    if (fresh.contains(master)) {
      return fresh(master);
    }
    @Nullable String known = masters.get(master);
    if (known == null && pages.contains(master)) {
      return master;
    }
    if (known == null) {
      throw new Unweavable("a page of ours is none of the source's");
    }
    return known;
  }
}
