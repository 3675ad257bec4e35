package decant.office.docx.weave;

import decant.office.docx.markup.Out;
import decant.office.xml.Element;
import decant.office.xml.PackageFile;
import decant.office.xml.PackageFile.Relationship;
import decant.office.xml.RawXml;
import decant.reading.ReadProblem;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Puts the source's parts and those that are new or different together, with what relates them. */
final class Assembly {
  /** What holds only for the text as it was: a picture of its first page, who signed it. */
  private static final Set<String> OF_THE_OLD_TEXT = Set.of("thumbnail", "origin", "signature");

  private final Parts source;
  private final Parts before;
  private final Parts after;
  private final Imports imports;
  private final Map<String, Element> roots;
  private final Map<String, byte[]> changed;
  private final Set<String> removed;

  /**
   * @param roots of the source's parts whose elements changed
   * @param changed new contents of others
   * @param removed parts of the source that go
   */
  Assembly(
      Parts source,
      Parts before,
      Parts after,
      Imports imports,
      Map<String, Element> roots,
      Map<String, byte[]> changed,
      Set<String> removed) {
    this.source = source;
    this.before = before;
    this.after = after;
    this.imports = imports;
    this.roots = roots;
    this.changed = changed;
    this.removed = removed;
  }

  /** The parts; empty if something that is gone is still referred to. */
  Optional<Map<String, byte[]>> parts() throws ReadProblem {
    boolean edited = !roots.isEmpty();
    Map<String, byte[]> parts = new LinkedHashMap<>();
    for (String name : source.names()) {
      if (!removed.contains(name) && !name.equals(Parts.TYPES)) {
        parts.put(name, source.bytes(name).orElseThrow());
      }
    }
    parts.putAll(changed);
    for (Map.Entry<String, Element> e : roots.entrySet()) {
      parts.put(e.getKey(), RawXml.part(e.getValue()));
    }
    for (Map.Entry<String, String> c : imports.copies().entrySet()) {
      parts.put(c.getValue(), after.bytes(c.getKey()).orElseThrow());
    }
    Set<String> touched = new LinkedHashSet<>(roots.keySet());
    touched.add(source.main());
    touched.addAll(imports.copies().values());
    for (String name : touched) {
      if (!relationships(name, parts)) {
        return Optional.empty();
      }
    }
    root(parts, edited);
    parts.put(Parts.TYPES, types(parts));
    if (edited || !removed.isEmpty()) {
      parts.keySet().retainAll(new Parts(new LinkedHashMap<>(parts)).reachable());
    }
    return Optional.of(parts);
  }

  /** The relationships of a part as far as they still lead somewhere; whether all do. */
  private boolean relationships(String name, Map<String, byte[]> parts) throws ReadProblem {
    Map<String, Relationship> all = imports.relationships(name);
    Map<String, Relationship> was = source.relationships(name);
    boolean copied = imports.copies().containsValue(name);
    Set<String> now = used(roots.get(name));
    Set<String> then = source.has(name) ? used(source.root(name)) : Set.of();
    Map<String, Relationship> left = new LinkedHashMap<>();
    for (Relationship r : all.values()) {
      boolean rewritten = roots.containsKey(name);
      boolean leads = r.external() || parts.containsKey(r.target());
      boolean needed = !rewritten || now.contains(r.id()) || !then.contains(r.id());
      boolean gone = name.equals(source.main()) && isGone(r);
      if (rewritten ? now.contains(r.id()) && gone : then.contains(r.id()) && gone) {
        return false;
      }
      if (leads && needed && !gone) {
        left.put(r.id(), r);
      }
    }
    if (!left.equals(was) || copied) {
      String rels = PackageFile.relationshipsOf(name);
      if (left.isEmpty()) {
        parts.remove(rels);
      } else {
        parts.put(rels, Imports.part(left));
      }
    }
    return true;
  }

  /** Whether what was taken in led somewhere where the document does not lead any longer. */
  private boolean isGone(Relationship r) throws ReadProblem {
    Relationship was = before.relationships(before.main()).get(r.id());
    boolean kept =
        was != null && was.target().equals(r.target()) && was.shortType().equals(r.shortType());
    return kept && !after.relationships(after.main()).containsKey(r.id());
  }

  private static Set<String> used(@org.jspecify.annotations.Nullable Element root) {
    var out = new HashSet<String>();
    if (root != null) {
      used(root, out);
    }
    return out;
  }

  private static void used(Element e, Set<String> into) {
    into.addAll(e.attributes().values());
    for (Object c : e.children()) {
      if (c instanceof Element child) {
        used(child, into);
      }
    }
  }

  private void root(Map<String, byte[]> parts, boolean edited) throws ReadProblem {
    Map<String, Relationship> was = source.relationships("");
    Map<String, Relationship> left = new LinkedHashMap<>();
    for (Relationship r : was.values()) {
      boolean old = edited && OF_THE_OLD_TEXT.contains(r.shortType());
      boolean untold =
          edited && r.shortType().equals("extended-properties") && !after.has(r.target());
      if (!old && !untold && (r.external() || parts.containsKey(r.target()))) {
        left.put(r.id(), r);
      }
    }
    for (Relationship r : after.relationships("").values()) {
      boolean there = left.values().stream().anyMatch(s -> s.shortType().equals(r.shortType()));
      if (!there && parts.containsKey(r.target())) {
        int n = 1;
        while (left.containsKey("d" + n)) {
          n++;
        }
        left.put("d" + n, new Relationship("d" + n, r.type(), r.target(), r.external()));
      }
    }
    if (!left.equals(was)) {
      parts.put(Parts.ROOT, Imports.part(left));
    }
  }

  private byte[] types(Map<String, byte[]> parts) throws ReadProblem {
    var of = new HashMap<String, String>();
    Map<String, String> copies = new HashMap<>();
    imports.copies().forEach((ours, name) -> copies.put(name, ours));
    for (String name : parts.keySet()) {
      if (name.equals(Parts.TYPES)) {
        continue;
      }
      String own = source.type(name);
      String type =
          copies.containsKey(name)
              ? after.type(copies.get(name))
              : own.isEmpty() ? after.type(name) : own;
      of.put(name, name.equals(source.main()) ? after.type(after.main()) : type);
    }
    boolean same =
        of.entrySet().stream().allMatch(e -> source.type(e.getKey()).equals(e.getValue()))
            && source.has(Parts.TYPES);
    return same && removed.isEmpty()
        ? source.bytes(Parts.TYPES).orElseThrow()
        : declared(of).getBytes(StandardCharsets.UTF_8);
  }

  private static String declared(Map<String, String> types) {
    var o =
        new Out()
            .raw(Out.HEAD)
            .raw("<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\">");
    o.empty(
        "Default",
        "Extension",
        "rels",
        "ContentType",
        "application/vnd.openxmlformats-package.relationships+xml");
    types.entrySet().stream()
        .filter(e -> !e.getKey().endsWith(".rels"))
        .sorted(Map.Entry.comparingByKey())
        .forEach(e ->
            o.empty(
                "Override",
                "PartName",
                "/" + e.getKey(),
                "ContentType",
                e.getValue().isEmpty() ? "application/octet-stream" : e.getValue()));
    return o.raw("</Types>").toString();
  }
}
