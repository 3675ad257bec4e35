package decant.office.odf.weave;

import decant.office.xml.Element;
import decant.office.xml.RawXml;
import decant.reading.ReadProblem;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * One package made of three: the one that a document came in, what we write of it as it was taken
 * in, and what we write of it now.
 */
public final class Weave {
  private static final String CONTENT = "content.xml";
  private static final String STYLES = "styles.xml";
  private static final String META = "meta.xml";
  private static final String MANIFEST = "META-INF/manifest.xml";
  private static final String PATH = "manifest:full-path";
  private static final String DECLARING = "xmlns:";

  /** What holds only for the text as it was: a picture of its first page, who signed it. */
  private static final Set<String> OF_THE_OLD_TEXT =
      Set.of("Thumbnails/thumbnail.png", "META-INF/documentsignatures.xml");

  private static final System.Logger LOG = System.getLogger(Weave.class.getName());

  private final OdfPackage source;
  private final OdfPackage before;
  private final OdfPackage after;
  private final Imports imports;
  private final String prefix;

  private Weave(OdfPackage source, OdfPackage before, OdfPackage after) throws ReadProblem {
    this.source = source;
    this.before = before;
    this.after = after;
    this.prefix = freePrefix(source);
    this.imports = new Imports(CONTENT, prefix, source, before, after);
  }

  /** What begins no name in the source, which may have been woven before. */
  private static String freePrefix(OdfPackage source) {
    List<String> parts =
        Stream.of(CONTENT, STYLES)
            .map(p -> source.parts().getOrDefault(p, new byte[0]))
            .map(b -> new String(b, StandardCharsets.UTF_8))
            .toList();
    return IntStream.iterate(0, k -> k + 1)
        .mapToObj(k -> "d" + (k == 0 ? "" : k) + "-")
        .filter(prefix -> parts.stream().noneMatch(p -> p.contains("\"" + prefix)))
        .findFirst()
        .orElseThrow();
  }

  /**
   * The parts of the package; empty if what was changed cannot stand in it.
   *
   * @param source the parts of the package that the document came in
   * @param before those that we write of it as it was taken in
   * @param after those that we write of it now
   */
  public static Optional<Map<String, byte[]>> of(
      Map<String, byte[]> source, Map<String, byte[]> before, Map<String, byte[]> after) {
    try {
      return Optional.of(
          new Weave(new OdfPackage(source), new OdfPackage(before), new OdfPackage(after)).run());
    } catch (ReadProblem | Unweavable e) {
      LOG.log(System.Logger.Level.DEBUG, "what was changed cannot stand in the source", e);
      return Optional.empty();
    }
  }

  /** Whether two packages that we wrote say the same, whatever names stand in them. */
  public static boolean isSame(Map<String, byte[]> one, Map<String, byte[]> other) {
    try {
      return Sameness.of(new OdfPackage(one), new OdfPackage(other));
    } catch (ReadProblem e) {
      return false;
    }
  }

  private Map<String, byte[]> run() throws ReadProblem, Unweavable {
    Map<String, byte[]> parts = new LinkedHashMap<>(source.parts());
    parts.keySet().removeAll(OF_THE_OLD_TEXT);
    Element content = content();
    parts.put(CONTENT, RawXml.part(content));
    var inPages = new Imports(STYLES, prefix + "p-", source, before, after);
    var said = BeforeAndAfter.of(STYLES, before, after);
    var pages = new Pages(said, imports, inPages, before, after);
    Optional<Element> styles = new CommonStyles(said, source, before, after, pages).merged();
    styles.ifPresent(root -> parts.put(STYLES, RawXml.part(root)));
    if (parts.containsKey(META)) {
      parts.put(
          META, RawXml.part(About.merged(source.root(META), before.root(META), after.root(META))));
    }
    Set<String> shown = new HashSet<>();
    shown(content, shown);
    shown(styles.isPresent() ? styles.get() : source.root(STYLES), shown);
    Set<String> was = new HashSet<>();
    shown(source.root(CONTENT), was);
    shown(source.root(STYLES), was);
    was.removeAll(shown);
    parts.keySet().removeAll(was); // pictures of text that is gone
    var pictures = new LinkedHashMap<>(imports.pictures());
    pictures.putAll(inPages.pictures());
    for (Map.Entry<String, String> p : pictures.entrySet()) {
      parts.put(p.getKey(), after.parts().getOrDefault(p.getValue(), new byte[0]));
    }
    parts.put(MANIFEST, RawXml.part(manifest(parts, pictures)));
    return parts;
  }

  /** What an element refers to. */
  private static void shown(Element e, Set<String> into) {
    String to = e.attributes().getOrDefault("xlink:href", "");
    into.add(to.startsWith("./") ? to.substring(2) : to);
    e.elements().forEach(c -> shown(c, into));
  }

  private static Element text(OdfPackage p) throws ReadProblem, Unweavable {
    return p.in(CONTENT, "office:body")
        .flatMap(b -> b.child("office:text"))
        .orElseThrow(() -> new Unweavable("no text"));
  }

  private Element content() throws ReadProblem, Unweavable {
    Element root = source.root(CONTENT);
    Element text = text(source);
    imports.pairPages(text, text(before));
    List<Object> merged =
        new Blocks(BeforeAndAfter.of(CONTENT, before, after), imports)
            .merged(
                text.elements(),
                Changes.without(text(before).elements()),
                Changes.without(text(after).elements()));
    Element whole = new Element(text.name(), text.attributes(), merged);
    Element now = Marks.paired(Changes.with(whole, text(after)));
    List<Object> children = new ArrayList<>();
    for (Element e : root.elements()) {
      children.add(
          switch (e.name()) {
            case "office:font-face-decls" ->
                Fonts.with(e, after.in(CONTENT, "office:font-face-decls"));
            case "office:automatic-styles" -> added(e, imports.styles());
            case "office:body" -> replaced(e, text, now);
            default -> e;
          });
    }
    if (root.child("office:automatic-styles").isEmpty() && !imports.styles().isEmpty()) {
      throw new Unweavable("nowhere to put styles");
    }
    return new Element(root.name(), declared(root), children);
  }

  /** The prefixes of ours, which must mean the same in the source. */
  private Map<String, String> declared(Element root) throws ReadProblem, Unweavable {
    var all = new LinkedHashMap<>(root.attributes());
    for (Map.Entry<String, String> a : after.root(CONTENT).attributes().entrySet()) {
      if (a.getKey().startsWith(DECLARING)
          && !a.getValue().equals(all.getOrDefault(a.getKey(), a.getValue()))) {
        throw new Unweavable("other prefixes");
      }
      if (a.getKey().startsWith(DECLARING)) {
        all.putIfAbsent(a.getKey(), a.getValue());
      }
    }
    return all;
  }

  static Element added(Element e, List<Element> more) {
    List<Object> children = new ArrayList<>(e.children());
    children.addAll(more);
    return new Element(e.name(), e.attributes(), children);
  }

  private static Element replaced(Element in, Element old, Element now) {
    List<Object> children = new ArrayList<>();
    for (Object c : in.children()) {
      children.add(c == old ? now : c);
    }
    return new Element(in.name(), in.attributes(), children);
  }

  /**
   * @param pictures that came along: what they are called in ours, by their names
   */
  private Element manifest(Map<String, byte[]> parts, Map<String, String> pictures)
      throws ReadProblem {
    Element root = source.root(MANIFEST);
    List<Object> children = new ArrayList<>();
    for (Element e : root.elements()) {
      if (path(e).endsWith("/") || parts.containsKey(path(e))) {
        children.add(e);
      }
    }
    Map<String, Element> ours = new HashMap<>();
    after.root(MANIFEST).elements().forEach(e -> ours.put(path(e), e));
    pictures.forEach((name, own) -> {
      Element e = ours.get(own);
      if (e != null) {
        var attributes = new LinkedHashMap<>(e.attributes());
        attributes.put(PATH, name);
        children.add(new Element(e.name(), attributes, List.of()));
      }
    });
    return new Element(root.name(), root.attributes(), children);
  }

  private static String path(Element entry) {
    return entry.attributes().getOrDefault(PATH, "");
  }
}
