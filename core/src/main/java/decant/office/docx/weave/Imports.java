package decant.office.docx.weave;

import decant.office.xml.Element;
import decant.office.xml.Namespaces;
import decant.office.xml.PackageFile.Relationship;
import decant.office.xml.RawXml;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * Brings markup of our own into the source's parts: whatever it refers to gets the number or the
 * name that it has there, or a new one.
 */
final class Imports {
  private static final String SPACE = "xmlns:";
  private static final String MC = "mc";
  private static final String LATER = "w14";

  private final Parts source;
  private final Parts after;
  private final Canon canonSource;
  private final Canon canonAfter;

  /** The numbers that notes and comments have in the source, by kind and number of our own. */
  private final Map<String, String> stories;

  /** Where headers and footers of ours stand in the source. */
  private final Map<String, String> running;

  private final Map<String, Map<String, Relationship>> related = new LinkedHashMap<>();
  private final Map<String, String> copies = new LinkedHashMap<>();
  private final Map<String, Long> highest = new HashMap<>();

  Imports(
      Parts source,
      Parts after,
      Canon canonAfter,
      Map<String, String> stories,
      Map<String, String> running) {
    this.source = source;
    this.after = after;
    this.canonSource = new Canon(source, Map.of());
    this.canonAfter = canonAfter;
    this.stories = stories;
    this.running = running;
  }

  /** The parts that came along: their names by those that they have in ours. */
  Map<String, String> copies() {
    return copies;
  }

  /** The relationships of a part of the source, those that were added among them. */
  Map<String, Relationship> relationships(String part) throws ReadProblem {
    Map<String, Relationship> known = related.get(part);
    if (known == null) {
      known = new LinkedHashMap<>(source.relationships(part));
      related.put(part, known);
    }
    return known;
  }

  /** An element of ours as it is to stand in a part of the source. */
  Element element(Element e, Place at) throws ReadProblem {
    Element copy = copy(e, at);
    Map<String, String> known = source.root(at.source()).attributes();
    Map<String, String> own = after.root(at.after()).attributes();
    var declared = new TreeMap<String, String>();
    own.forEach((n, uri) -> {
      if (n.startsWith(SPACE)
          && !uri.equals(known.get(n))
          && uses(copy, n.substring(SPACE.length()) + ":")) {
        declared.put(n, uri);
      }
    });
    boolean passedOver = uses(copy, LATER + ":") && !isIgnorable(known);
    if (declared.isEmpty() && !passedOver) {
      return copy;
    }
    if (passedOver) {
      declared.put(SPACE + MC, Namespaces.uri(MC).orElseThrow());
    }
    var attributes = new LinkedHashMap<String, String>(declared);
    if (passedOver) {
      attributes.put(MC + ":Ignorable", LATER);
    }
    attributes.putAll(copy.attributes());
    return new Element(copy.name(), attributes, copy.children());
  }

  /** Whether older readers are told to pass over what is not of the standard (-3 §10.1). */
  private static boolean isIgnorable(Map<String, String> root) {
    return List.of(root.getOrDefault(MC + ":Ignorable", "").split("\\s+")).contains(LATER)
        && Namespaces.uri(LATER).orElseThrow().equals(root.get(SPACE + LATER));
  }

  private static boolean uses(Element e, String prefix) {
    return e.name().startsWith(prefix)
        || e.attributes().keySet().stream().anyMatch(n -> n.startsWith(prefix))
        || e.elements().stream().anyMatch(c -> uses(c, prefix));
  }

  private Element copy(Element e, Place at) throws ReadProblem {
    var attributes = new LinkedHashMap<>(e.attributes());
    for (String n : Markup.relating(e)) {
      attributes.put(n, relationship(attributes.getOrDefault(n, ""), at));
    }
    String name = Markup.local(e);
    for (Map.Entry<String, String> a : attributes.entrySet()) {
      if (!Markup.local(a.getKey()).equals("id") || Markup.relating(e).contains(a.getKey())) {
        continue;
      }
      Optional<String> story = Markup.referred(e);
      if (story.isPresent()) {
        a.setValue(stories.getOrDefault(story.get() + " " + a.getValue(), a.getValue()));
      } else if (name.equals(Markup.BOOKMARK_START) || name.equals(Markup.BOOKMARK_END)) {
        a.setValue(above(at.source(), Markup.BOOKMARK_START, a.getValue()));
      } else if (Markup.isOnlyNumbered(e)) {
        a.setValue(above(at.source(), "docPr", a.getValue()));
      }
    }
    var children = new ArrayList<>(e.children().size());
    for (Object c : e.children()) {
      children.add(c instanceof Element child ? copy(child, at) : c);
    }
    return new Element(e.name(), attributes, children);
  }

  /** A number of ours beyond all that the source has of its kind. */
  private String above(String part, String kind, String number) throws ReadProblem {
    Long most = highest.get(part + " " + kind);
    if (most == null) {
      most = highest(source.root(part), kind);
      highest.put(part + " " + kind, most);
    }
    return number.matches("\\d{1,9}") ? Long.toString(most + 1 + Long.parseLong(number)) : number;
  }

  private static long highest(Element e, String kind) {
    boolean one = kind.equals("docPr") ? Markup.isOnlyNumbered(e) : Markup.local(e).equals(kind);
    long most =
        one
            ? Markup.attribute(e, "id")
                .filter(v -> v.matches("\\d{1,9}"))
                .map(Long::parseLong)
                .orElse(0L)
            : 0;
    for (Object c : e.children()) {
      if (c instanceof Element child) {
        most = Math.max(most, highest(child, kind));
      }
    }
    return most;
  }

  private String relationship(String id, Place at) throws ReadProblem {
    Relationship r = after.relationships(at.after()).get(id);
    return r == null ? id : relationship(r, at.source());
  }

  /** The id in a part of the source of what ours leads to. */
  String relationship(Relationship r, String part) throws ReadProblem {
    Map<String, Relationship> there = relationships(part);
    String target = r.external() ? r.target() : name(r);
    for (Relationship known : there.values()) {
      boolean same =
          known.shortType().equals(r.shortType())
              && known.external() == r.external()
              && (known.target().equals(target)
                  || !r.external()
                      && !copies.containsKey(r.target())
                      && canonSource.target(known).equals(canonAfter.target(r)));
      if (same) {
        return known.id();
      }
    }
    int n = 1;
    while (there.containsKey("d" + n)) {
      n++;
    }
    there.put("d" + n, new Relationship("d" + n, r.type(), target, r.external()));
    return "d" + n;
  }

  /** The name of a part that ours leads to. */
  private String name(Relationship r) throws ReadProblem {
    String known = running.get(r.target());
    if (known != null) {
      return known;
    }
    for (Relationship s : source.relationships(source.main()).values()) {
      if (!s.external()
          && s.shortType().equals(r.shortType())
          && canonSource.target(s).equals(canonAfter.target(r))
          && !r.shortType().equals("header")
          && !r.shortType().equals("footer")) {
        return s.target();
      }
    }
    boolean there =
        source
            .bytes(r.target())
            .filter(b -> Arrays.equals(b, after.bytes(r.target()).orElse(new byte[0])))
            .isPresent();
    if (there || !after.has(r.target())) {
      return r.target();
    }
    return copied(r.target());
  }

  /** Copies a part of ours, with all that it leads to, under a name that is free. */
  String copied(String part) throws ReadProblem {
    String known = copies.get(part);
    if (known != null) {
      return known;
    }
    String name = part;
    int dot = part.lastIndexOf('.');
    for (int n = 1; source.has(name) || copies.containsValue(name); n++) {
      name = part.substring(0, dot) + "-d" + n + part.substring(dot);
    }
    copies.put(part, name);
    Map<String, Relationship> own = new LinkedHashMap<>();
    for (Relationship r : after.relationships(part).values()) {
      own.put(r.id(), r.external() ? r : new Relationship(r.id(), r.type(), name(r), false));
    }
    if (!own.isEmpty()) {
      related.put(name, own);
    }
    return name;
  }

  /** Relationships as a part; their targets from the root of the package. */
  static byte[] part(Map<String, Relationship> relationships) {
    List<Object> children = new ArrayList<>();
    for (Relationship r : relationships.values()) {
      var a = new LinkedHashMap<String, String>();
      a.put("Id", r.id());
      a.put("Type", r.type());
      a.put("Target", r.external() ? r.target() : "/" + r.target());
      if (r.external()) {
        a.put("TargetMode", "External");
      }
      children.add(new Element("Relationship", a, List.of()));
    }
    var root = new LinkedHashMap<String, String>();
    root.put("xmlns", "http://schemas.openxmlformats.org/package/2006/relationships");
    return RawXml.part(new Element("Relationships", root, children));
  }
}
