package decant.office.docx.weave;

import decant.office.xml.Element;
import decant.office.xml.PackageFile;
import decant.office.xml.PackageFile.Relationship;
import decant.office.xml.RawXml;
import decant.office.xml.XmlParts;
import decant.reading.ReadProblem;
import java.util.ArrayDeque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The parts of one package (ISO/IEC 29500-2), all of them in memory. */
final class Parts {
  static final String TYPES = "[Content_Types].xml";
  static final String ROOT = "_rels/.rels";
  private static final String CORE = "core-properties";
  private static final int DEEPEST = 1000;

  private final Map<String, byte[]> bytes;
  private final Map<String, String> defaults = new LinkedHashMap<>();
  private final Map<String, String> overrides = new LinkedHashMap<>();
  private final Map<String, Map<String, Relationship>> relationships = new LinkedHashMap<>();
  private final Map<String, Element> roots = new LinkedHashMap<>();
  private final String main;

  /**
   * @throws ReadProblem if what says what the parts are is damaged
   */
  Parts(Map<String, byte[]> bytes) throws ReadProblem {
    this.bytes = bytes;
    Optional<byte[]> types = bytes(TYPES);
    if (types.isPresent()) {
      for (Element e : XmlParts.parse(types.get(), TYPES, DEEPEST).elements()) {
        String type = e.attribute("ContentType").orElse("");
        e.attribute("Extension").ifPresent(x -> defaults.put(x.toLowerCase(Locale.ROOT), type));
        e.attribute("PartName")
            .filter(n -> n.startsWith("/"))
            .ifPresent(n -> overrides.put(n.substring(1), type));
      }
    }
    this.main = relatedTo("", "officeDocument").orElse("word/document.xml");
  }

  /** The part that holds the text. */
  String main() {
    return main;
  }

  Set<String> names() {
    return bytes.keySet();
  }

  boolean has(String name) {
    return bytes.containsKey(name);
  }

  Optional<byte[]> bytes(String name) {
    return Optional.ofNullable(bytes.get(name));
  }

  /** The root of a part as it stands. @throws ReadProblem if it is not there, or is damaged */
  Element root(String name) throws ReadProblem {
    Element known = roots.get(name);
    if (known == null) {
      known = RawXml.parse(bytes(name).orElse(new byte[0]), name, DEEPEST);
      roots.put(name, known);
    }
    return known;
  }

  String type(String name) {
    String extension = name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
    return overrides.getOrDefault(name, defaults.getOrDefault(extension, ""));
  }

  /** The part that a part names as its only one of a kind, such as its styles. */
  Optional<String> relatedTo(String part, String shortType) throws ReadProblem {
    return relationships(part).values().stream()
        .filter(r -> !r.external() && r.shortType().equals(shortType) && has(r.target()))
        .map(Relationship::target)
        .findFirst();
  }

  /** The relationships of a part by id, their targets as names of parts. */
  Map<String, Relationship> relationships(String part) throws ReadProblem {
    Map<String, Relationship> known = relationships.get(part);
    if (known == null) {
      Optional<byte[]> b = bytes(PackageFile.relationshipsOf(part));
      known =
          b.isPresent()
              ? PackageFile.relationships(part, b.get(), DEEPEST, this::found)
              : new LinkedHashMap<>();
      relationships.put(part, known);
    }
    return known;
  }

  /** Names are the same whatever the case of their letters (ISO/IEC 29500-2 §6.2.2.3). */
  private String found(String name) {
    return has(name)
        ? name
        : bytes.keySet().stream().filter(name::equalsIgnoreCase).findFirst().orElse(name);
  }

  /** The parts that can be come to from the package, with what relates them. */
  Set<String> reachable() throws ReadProblem {
    var out = new LinkedHashSet<String>(List.of(TYPES, ROOT));
    var open = new ArrayDeque<String>(List.of(""));
    while (!open.isEmpty()) {
      String part = open.poll();
      for (Relationship r : relationships(part).values()) {
        if (!r.external() && has(r.target()) && out.add(r.target())) {
          if (has(PackageFile.relationshipsOf(r.target()))) {
            out.add(PackageFile.relationshipsOf(r.target()));
          }
          open.add(r.target());
        }
      }
    }
    return out;
  }

  /** Whether a relationship leads to what is said of the document as a whole. */
  static boolean isCore(Relationship r) {
    return r.shortType().equals(CORE);
  }
}
