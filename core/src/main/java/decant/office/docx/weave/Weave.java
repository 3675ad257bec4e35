package decant.office.docx.weave;

import decant.office.xml.Element;
import decant.office.xml.PackageFile.Relationship;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * One package made of three: the one that a document came in, what we write of it as it was taken
 * in, and what we write of it now.
 */
final class Weave {
  private static final String STRICT = "http://purl.oclc.org/ooxml/";

  private final Parts source;
  private final Parts before;
  private final Parts after;
  private final Stories stories;
  private final Canon canonBefore;
  private final Canon canonAfter;
  private final Running running;
  private final Imports imports;

  /** New contents of parts of the source. */
  private final Map<String, byte[]> changed = new LinkedHashMap<>();

  /** The parts of the source whose elements changed, and with them perhaps what they refer to. */
  private final Map<String, Element> roots = new LinkedHashMap<>();

  private final Set<String> removed = new HashSet<>();

  /** The parts of ours that were gone through on their own. */
  private final Set<String> done = new HashSet<>();

  private Weave(Parts source, Parts before, Parts after) throws ReadProblem {
    this.source = source;
    this.before = before;
    this.after = after;
    this.stories = new Stories(source, before, after);
    this.canonBefore = new Canon(before, Map.of());
    this.canonAfter = new Canon(after, stories.names());
    this.running = Running.of(source, before);
    this.imports = new Imports(source, after, canonAfter, stories.numbers(), running.inSource());
  }

  /**
   * The parts of the package; empty if the source's markup and ours cannot stand in one.
   *
   * @throws ReadProblem if a part cannot be read
   */
  static Optional<Map<String, byte[]>> of(Parts source, Parts before, Parts after)
      throws ReadProblem {
    return new Weave(source, before, after).run();
  }

  private Optional<Map<String, byte[]>> run() throws ReadProblem {
    text(new Place(source.main(), before.main(), after.main()), "body", "background");
    for (Map.Entry<String, String> e : running.inSource().entrySet()) {
      if (after.has(e.getKey())) {
        root(new Place(e.getValue(), e.getKey(), e.getKey()));
      }
    }
    for (String kind : Stories.KINDS) {
      stories(kind);
    }
    keyed("styles");
    numbering();
    boolean strict = isStrict();
    if (strict && !roots.isEmpty()) {
      return Optional.empty();
    }
    others();
    newStories();
    return new Assembly(source, before, after, imports, roots, changed, removed).parts();
  }

  private boolean isStrict() throws ReadProblem {
    return source.root(source.main()).attributes().values().stream()
        .anyMatch(v -> v.startsWith(STRICT));
  }

  private Merge merge(Place at) {
    return new Merge(canonBefore, canonAfter, imports, at);
  }

  /** The part of the text: some elements of its root, each there once or not at all. */
  private void text(Place at, String... names) throws ReadProblem {
    Element s = source.root(at.source());
    Element a = before.root(at.before());
    Element b = after.root(at.after());
    done.add(at.after());
    Merge merge = merge(at);
    List<Object> children = new ArrayList<>(s.elements());
    boolean differs = false;
    for (String name : names) {
      Optional<Element> own = first(s, name);
      Optional<Element> was = first(a, name);
      Optional<Element> is = first(b, name);
      String said = was.isPresent() ? canonBefore.of(was.get(), at.before()) : "";
      String says = is.isPresent() ? canonAfter.of(is.get(), at.after()) : "";
      if (said.equals(says)) {
        continue;
      }
      differs = true;
      Element now =
          is.isEmpty()
              ? null
              : own.isPresent() && was.isPresent()
                  ? merge.of(own.get(), was.get(), is.get())
                  : imports.element(is.get(), at);
      int place = own.isPresent() ? children.indexOf(own.get()) : 0;
      own.ifPresent(children::remove);
      if (now != null) {
        children.add(place, now);
      }
    }
    if (differs) {
      roots.put(at.source(), Marks.paired(new Element(s.name(), s.attributes(), children)));
    }
  }

  private static Optional<Element> first(Element parent, String name) {
    return parent.elements().stream().filter(e -> Markup.local(e).equals(name)).findFirst();
  }

  private void root(Place at) throws ReadProblem {
    Element s = source.root(at.source());
    Element a = before.root(at.before());
    Element b = after.root(at.after());
    done.add(at.after());
    Element now = merge(at).of(s, a, b);
    if (now != s) {
      roots.put(at.source(), Marks.paired(now));
    }
  }

  private void stories(String kind) throws ReadProblem {
    Optional<String> s = Stories.part(source, kind);
    Optional<String> a = Stories.part(before, kind);
    Optional<String> b = Stories.part(after, kind);
    if (s.isEmpty()) {
      return; // a part that is new goes the way of all others
    }
    b.ifPresent(done::add);
    var at = new Place(s.get(), a.orElse(""), b.orElse(""));
    Map<String, Element> own = Stories.in(source, kind);
    Map<String, Element> was = Stories.in(before, kind);
    Element root = source.root(s.get());
    Set<Element> usual = Collections.newSetFromMap(new IdentityHashMap<>());
    usual.addAll(own.values());
    List<Object> children =
        new ArrayList<>(root.elements().stream().filter(e -> !usual.contains(e)).toList());
    boolean differs = was.size() != Stories.in(after, kind).size();
    for (Map.Entry<String, Element> e : Stories.in(after, kind).entrySet()) {
      Element old = stories.before(kind, e.getKey()).map(was::get).orElse(null);
      Element there = own.get(stories.numbers().getOrDefault(kind + " " + e.getKey(), ""));
      if (old == null || there == null) {
        children.add(imports.element(e.getValue(), at));
        differs = true;
      } else {
        Element now = merge(at).of(there, old, e.getValue());
        children.add(now);
        differs |= now != there;
      }
    }
    if (differs) {
      roots.put(s.get(), Marks.paired(new Element(root.name(), root.attributes(), children)));
    }
  }

  /** The styles, each known by its name. */
  private void keyed(String kind) throws ReadProblem {
    Optional<String> s = source.relatedTo(source.main(), kind);
    Optional<String> a = before.relatedTo(before.main(), kind);
    Optional<String> b = after.relatedTo(after.main(), kind);
    if (s.isEmpty() || a.isEmpty() || b.isEmpty()) {
      return;
    }
    done.add(b.get());
    var at = new Place(s.get(), a.get(), b.get());
    Map<String, Element> was = byKey(before.root(a.get()));
    Map<String, Element> is = new LinkedHashMap<>(byKey(after.root(b.get())));
    Element root = source.root(s.get());
    List<Object> children = new ArrayList<>();
    boolean differs = false;
    for (Element own : root.elements()) {
      String key = key(own);
      Element old = was.get(key);
      Element now = is.remove(key);
      if (old == null && now == null) {
        children.add(own);
      } else if (now != null) {
        Element merged = old == null ? imports.element(now, at) : merge(at).of(own, old, now);
        children.add(merged);
        differs |= merged != own;
      } else {
        differs = true;
      }
    }
    for (Map.Entry<String, Element> e : is.entrySet()) {
      if (!was.containsKey(e.getKey())) {
        children.add(imports.element(e.getValue(), at));
        differs = true;
      }
    }
    if (differs) {
      roots.put(s.get(), new Element(root.name(), root.attributes(), children));
    }
  }

  private static Map<String, Element> byKey(Element root) {
    var out = new LinkedHashMap<String, Element>();
    root.elements().forEach(e -> out.putIfAbsent(key(e), e));
    return out;
  }

  private static String key(Element e) {
    return Markup.local(e) + " " + Markup.attribute(e, "styleId").orElse("");
  }

  private void numbering() throws ReadProblem {
    Optional<String> s = source.relatedTo(source.main(), "numbering");
    Optional<String> a = before.relatedTo(before.main(), "numbering");
    Optional<String> b = after.relatedTo(after.main(), "numbering");
    if (s.isEmpty() || b.isEmpty()) {
      return;
    }
    done.add(b.get());
    var at = new Place(s.get(), a.orElse(""), b.get());
    Lists own = Lists.of(source.root(s.get()));
    Lists was = a.isPresent() ? Lists.of(before.root(a.get())) : Lists.NONE;
    Lists is = Lists.of(after.root(b.get()));
    Optional<Element> now = is.into(own, was, source.root(s.get()), e -> imports.element(e, at));
    now.ifPresent(e -> roots.put(s.get(), e));
  }

  /** All other parts: those that we keep as they are, and new ones. */
  private void others() throws ReadProblem {
    boolean edited = !roots.isEmpty();
    for (String name : before.names()) {
      boolean own = name.equals(Parts.TYPES) || name.equals(Parts.ROOT) || isOurs(name, before);
      if (!own && !after.has(name) && source.has(name)) {
        removed.add(name);
      }
    }
    for (String name : after.names()) {
      if (isOurs(name, after) || done.contains(name)) {
        continue;
      }
      byte[] now = after.bytes(name).orElseThrow();
      boolean same =
          name.equals(CoreProperties.PART)
              ? !edited && CoreProperties.isSame(before, after)
              : before.bytes(name).filter(b -> Arrays.equals(b, now)).isPresent();
      boolean counts = name.equals("docProps/app.xml") && edited;
      if (same && !counts) {
        continue; // what the source has, or has not, says the same
      }
      changed.put(name, now);
      if (!name.contains("_rels/")) {
        related(name);
      }
    }
  }

  /** Whether a part is written anew each time, under a name of our own. */
  private boolean isOurs(String name, Parts parts) {
    return name.equals(Parts.TYPES)
        || name.equals(Parts.ROOT)
        || name.startsWith("word/media/picture")
        || name.matches(
                "word/(_rels/)?(document|header\\d+|footer\\d+|(foot|end)notes|comments)\\.xml(\\.rels)?")
            && parts.type(name).contains("wordprocessingml")
        || name.matches("word/_rels/(document|header\\d+|footer\\d+|(foot|end)notes)\\.xml\\.rels");
  }

  /** A part that the text did not lead to before leads from it now. */
  private void related(String name) throws ReadProblem {
    for (Relationship r : after.relationships(after.main()).values()) {
      if (!r.external() && r.target().equals(name)) {
        imports.relationship(r, source.main());
      }
    }
  }

  /** The first notes, or comments, of a document that had none. */
  private void newStories() throws ReadProblem {
    for (Relationship r : after.relationships(after.main()).values()) {
      boolean single =
          !r.external()
              && !done.contains(r.target())
              && isOurs(r.target(), after)
              && Set.of("footnotes", "endnotes", "comments").contains(r.shortType());
      if (single) {
        imports.relationship(r, source.main());
      }
    }
  }
}
