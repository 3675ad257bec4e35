package decant.office.odf.weave;

import decant.office.source.Alignment;
import decant.office.xml.Element;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Blocks of three packages made one: where ours say the same as when the document was taken in, the
 * source's stand.
 */
final class Blocks {
  /** Blocks of the source and the same ones as we write them, or those of either between such. */
  private record Stretch(List<Element> source, List<Element> before, boolean pair) {}

  private static final String LIST = "text:list";

  private final Said before;
  private final Said after;
  private final Imports imports;

  Blocks(BeforeAndAfter said, Imports imports) {
    this.before = said.before();
    this.after = said.after();
    this.imports = imports;
  }

  /**
   * @param s as the source has them
   * @param b as we write what was taken in
   * @param a as we write them now
   */
  List<Object> merged(List<Element> s, List<Element> b, List<Element> a) throws Unweavable {
    int[] kept =
        Alignment.of(b.stream().map(before::of).toList(), a.stream().map(after::of).toList());
    List<Object> out = new ArrayList<>();
    int at = 0; // in b
    int next = 0; // in a
    for (Stretch t : stretches(s, b)) {
      int until = until(t.before.size(), at, next, kept, a.size());
      stretch(t, at, kept, a, next, until, out);
      next = until;
      at += t.before.size();
    }
    for (; next < a.size(); next++) {
      out.addAll(imports.block(a.get(next)));
    }
    return out;
  }

  /** How far those of now go that stand for so many of before: up to the next that is the same. */
  private static int until(int count, int at, int next, int[] kept, int all) {
    if (count == 0) {
      return next;
    }
    int from = at;
    while (from < kept.length && kept[from] < 0) {
      from++;
    }
    int same = from == kept.length ? all : kept[from];
    if (from - at >= count && from - at == same - next) {
      return next + count; // as many changed as there were: one for one
    }
    int after = at + count;
    if (kept[after - 1] >= 0 && after < kept.length && kept[after] < 0) {
      return kept[after - 1] + 1; // what is new stands for what comes and is gone
    }
    while (after < kept.length && kept[after] < 0) {
      after++;
    }
    return after == kept.length ? all : kept[after];
  }

  private static String key(Element e) {
    return e.name() + " " + Odf.words(e);
  }

  private List<Stretch> stretches(List<Element> s, List<Element> b) {
    int[] partner =
        Alignment.of(s.stream().map(Blocks::key).toList(), b.stream().map(Blocks::key).toList());
    List<Stretch> out = new ArrayList<>();
    int from = 0;
    int bFrom = 0;
    for (int k = 0; k <= s.size(); k++) {
      int with = k == s.size() ? b.size() : partner[k];
      if (with < 0) {
        continue;
      }
      if (k > from || with > bFrom) {
        out.add(new Stretch(s.subList(from, k), b.subList(bFrom, with), false));
      }
      if (k < s.size()) {
        out.add(new Stretch(List.of(s.get(k)), List.of(b.get(with)), true));
      }
      from = k + 1;
      bFrom = with + 1;
    }
    return out;
  }

  /** What becomes of a stretch whose blocks are some of ours now. */
  private void stretch(
      Stretch t, int at, int[] kept, List<Element> a, int from, int until, List<Object> out)
      throws Unweavable {
    boolean same = until - from == t.before.size();
    for (int k = 0; same && k < t.before.size(); k++) {
      same = kept[at + k] == from + k;
    }
    if (same) {
      stand(a.subList(from, until), t.source);
      out.addAll(t.source);
      return;
    }
    Element wrapper = wrapper(t);
    if (!t.pair && wrapper != null && until > from) {
      for (Element e : t.source) {
        out.add(e == wrapper ? wrapped(e, t.before, a.subList(from, until)) : e);
      }
      return;
    }
    t.source.stream().filter(e -> Odf.isDeclared(e) && !t.pair).forEach(out::add);
    boolean used = !t.pair || kept[at] >= 0;
    for (int k = from; k < until; k++) {
      Element is = a.get(k);
      if (t.pair && kept[at] == k) {
        imports.stands(is, t.source.getFirst());
        out.add(t.source.getFirst());
      } else if (!used && goesInto(t, is)) {
        used = true;
        Element own = t.source.getFirst();
        Element now =
            new Element(
                own.name(),
                new LinkedHashMap<>(own.attributes()),
                merged(own.elements(), t.before.getFirst().elements(), is.elements()));
        imports.stands(is, now);
        out.add(now);
      } else {
        out.addAll(imports.block(is));
      }
    }
  }

  /** Lists that stand for ours, where there are as many. */
  private void stand(List<Element> ours, List<Element> own) {
    List<Element> lists = ours.stream().filter(e -> e.name().equals(LIST)).toList();
    var others = new ArrayList<Element>();
    own.forEach(e -> lists(e, others));
    for (int k = 0; lists.size() == others.size() && k < lists.size(); k++) {
      imports.stands(lists.get(k), others.get(k));
    }
  }

  /** The outermost lists in an element. */
  private static void lists(Element e, List<Element> into) {
    if (e.name().equals(LIST)) {
      into.add(e);
    } else if (Odf.isWrapper(e) || e.name().equals("text:index-body")) {
      e.elements().forEach(c -> lists(c, into));
    }
  }

  /** Whether only what stands in a block changed. */
  private boolean goesInto(Stretch t, Element is) {
    Element was = t.before.getFirst();
    return was.name().equals(is.name())
        && Odf.isContainer(is)
        && before.attributes(was).equals(after.attributes(is));
  }

  /** The one element of a stretch that stands around blocks which we write without it. */
  private static @Nullable Element wrapper(Stretch t) {
    List<Element> all = t.source.stream().filter(Odf::isWrapper).toList();
    boolean alone = t.source.stream().filter(e -> !Odf.words(e).isEmpty()).count() <= 1;
    return all.size() == 1 && alone ? all.getFirst() : null;
  }

  private Element wrapped(Element own, List<Element> was, List<Element> is) throws Unweavable {
    List<Object> children = new ArrayList<>();
    Element body = own.child("text:index-body").orElse(null);
    if (body == null) {
      children.addAll(merged(own.elements(), was, is));
    } else {
      for (Element e : own.elements()) {
        children.add(
            e == body ? new Element(e.name(), e.attributes(), merged(e.elements(), was, is)) : e);
      }
    }
    return new Element(own.name(), own.attributes(), children);
  }
}
