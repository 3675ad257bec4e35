package decant.office.docx.weave;

import decant.office.source.Alignment;
import decant.office.xml.Element;
import decant.reading.ReadProblem;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Merges one part three ways. An element that we write now as we wrote it before stands as it stood
 * in the source; where it differs, what holds other elements is gone through one by one, and only
 * what is different in it is of ours.
 */
final class Merge {
  private static final Set<String> HOLDING =
      Set.of(
          "body",
          "hdr",
          "ftr",
          "footnote",
          "endnote",
          "comment",
          "tbl",
          "tr",
          "tc",
          "sdt",
          "sdtContent",
          "p",
          "hyperlink",
          "r");

  /** Of two texts so much is alike where one is taken for the other, changed. */
  private static final double ALIKE = 0.3;

  private final Canon before;
  private final Canon after;
  private final Imports imports;
  private final Place at;

  Merge(Canon before, Canon after, Imports imports, Place at) {
    this.before = before;
    this.after = after;
    this.imports = imports;
    this.at = at;
  }

  private String said(@Nullable Element a) throws ReadProblem {
    return a == null ? "" : before.of(a, at.before());
  }

  private String says(@Nullable Element b) throws ReadProblem {
    return b == null ? "" : after.of(b, at.after());
  }

  /** The element of the source with what differs between the two of ours. */
  Element of(Element s, Element a, Element b) throws ReadProblem {
    if (said(a).equals(says(b))) {
      return s;
    }
    if (Properties.isOne(b)) {
      return properties(s, a, b);
    }
    if (!HOLDING.contains(Markup.local(b))) {
      return imports.element(b, at);
    }
    List<Object> children = new ArrayList<>();
    for (String name : Properties.names(a, b)) {
      Optional<Element> own = property(s, name);
      Element was = property(a, name).orElse(null);
      Element is = property(b, name).orElse(null);
      if (was != null || is != null) {
        Optional<Element> now =
            said(was).equals(says(is))
                ? own
                : is == null
                    ? own.flatMap(o -> without(o, was))
                    : Optional.of(
                        own.isPresent() && was != null
                            ? of(own.get(), was, is)
                            : imports.element(is, at));
        now.ifPresent(children::add);
      }
    }
    for (Element own : s.elements()) {
      boolean only =
          property(s, Markup.local(own)).isPresent()
              && property(a, Markup.local(own)).isEmpty()
              && property(b, Markup.local(own)).isEmpty();
      if (only) {
        children.add(own);
      }
    }
    children.addAll(bookmarks(a, b));
    List<Object> rest = children(others(s), unmarked(a), unmarked(b));
    for (Element e : others(s)) {
      if (Markup.local(e).equals(Markup.BOOKMARK_START) && !rest.contains(e)) {
        children.add(e); // what it stood beside is gone
      }
    }
    children.addAll(rest);
    return new Element(s.name(), attributes(s, a, b), without(children, a, b));
  }

  /** Bookmarks are ours for whole paragraphs, wherever in one the source has them. */
  private static List<Element> unmarked(Element parent) {
    return others(parent).stream().filter(e -> !isBookmark(e)).toList();
  }

  private static boolean isBookmark(Element e) {
    return Markup.local(e).equals(Markup.BOOKMARK_START)
        || Markup.local(e).equals(Markup.BOOKMARK_END);
  }

  private static Set<String> named(Element parent) {
    return parent.elements().stream()
        .filter(e -> Markup.local(e).equals(Markup.BOOKMARK_START))
        .map(e -> Markup.attribute(e, "name").orElse(""))
        .collect(Collectors.toSet());
  }

  /** Those that are new, each ended where it begins. */
  private List<Element> bookmarks(Element a, Element b) throws ReadProblem {
    Set<String> was = named(a);
    List<Element> out = new ArrayList<>();
    for (Element e : b.elements()) {
      if (Markup.local(e).equals(Markup.BOOKMARK_START)
          && !was.contains(Markup.attribute(e, "name").orElse(""))) {
        out.add(imports.element(e, at));
      }
    }
    return out;
  }

  /** Without the bookmarks that are gone. */
  private static List<Object> without(List<Object> children, Element a, Element b) {
    Set<String> gone = new HashSet<>(named(a));
    gone.removeAll(named(b));
    children.removeIf(c ->
        c instanceof Element e
            && Markup.local(e).equals(Markup.BOOKMARK_START)
            && gone.contains(Markup.attribute(e, "name").orElse("")));
    return children;
  }

  /** The properties of an element; the last of the body's stand among its blocks. */
  private static Optional<Element> property(Element parent, String name) {
    if (Markup.local(parent).equals("body")) {
      return Optional.empty();
    }
    return parent.elements().stream()
        .filter(e -> Markup.local(e).equals(name) && Properties.isOne(e))
        .findFirst();
  }

  private static List<Element> others(Element parent) {
    return Markup.local(parent).equals("body")
        ? parent.elements()
        : parent.elements().stream().filter(e -> !Properties.isOne(e)).toList();
  }

  private Map<String, String> attributes(Element s, Element a, Element b) throws ReadProblem {
    Element was = new Element(a.name(), a.attributes(), List.of());
    Element is = new Element(b.name(), b.attributes(), List.of());
    if (said(was).equals(says(is))) {
      return s.attributes();
    }
    var out = new LinkedHashMap<>(s.attributes());
    imports
        .element(is, at)
        .attributes()
        .forEach((n, v) -> {
          if (!b.attributes().getOrDefault(n, "").equals(a.attributes().get(n))) {
            out.put(n, v);
          }
        });
    return out;
  }

  /** What is left of properties of the source where all that we know of them is gone. */
  private static Optional<Element> without(Element s, @Nullable Element a) {
    if (a == null) {
      return Optional.of(s);
    }
    Set<String> known = Properties.names(a, a);
    List<Object> left =
        new ArrayList<>(
            s.elements().stream().filter(e -> !known.contains(Markup.local(e))).toList());
    return left.isEmpty()
        ? Optional.empty()
        : Optional.of(new Element(s.name(), s.attributes(), left));
  }

  private Element properties(Element s, Element a, Element b) throws ReadProblem {
    List<Object> children = new ArrayList<>(s.elements());
    for (String name : Properties.names(a, b)) {
      List<Element> was = Properties.named(a, name);
      List<Element> is = Properties.named(b, name);
      if (all(before, was, at.before()).equals(all(after, is, at.after()))) {
        continue;
      }
      List<Element> own = Properties.named(s, name);
      List<Element> now = new ArrayList<>();
      boolean within =
          own.size() == 1 && was.size() == 1 && is.size() == 1 && Properties.isOne(is.getFirst());
      if (within) {
        now.add(properties(own.getFirst(), was.getFirst(), is.getFirst()));
      } else {
        for (Element e : is) {
          now.add(imports.element(e, at));
        }
      }
      Properties.put(Markup.local(s), children, name, now);
    }
    return new Element(s.name(), attributes(s, a, b), children);
  }

  private static String all(Canon canon, List<Element> elements, String part) throws ReadProblem {
    var b = new StringBuilder();
    for (Element e : elements) {
      b.append(canon.of(e, part));
    }
    return b.toString();
  }

  /** Elements of the source, and the elements of ours that were made of them. */
  private record Stretch(int from, int to, int ourFrom, int ourTo, boolean isOne) {}

  private List<Object> children(List<Element> source, List<Element> was, List<Element> is)
      throws ReadProblem {
    List<Stretch> stretches = stretches(source, was);
    int[] stretchOf = new int[was.size()];
    for (int k = 0; k < stretches.size(); k++) {
      Arrays.fill(stretchOf, stretches.get(k).ourFrom(), stretches.get(k).ourTo(), k);
    }
    List<String> said = new ArrayList<>();
    for (Element a : was) {
      said.add(said(a));
    }
    List<String> says = new ArrayList<>();
    for (Element b : is) {
      says.add(says(b));
    }
    int[] same = Alignment.of(says, said);
    int[] changed = changed(is, was, same);
    List<Object> out = new ArrayList<>();
    if (!stretches.isEmpty() && stretches.getFirst().ourTo() == 0) {
      emit(source, stretches.getFirst(), out); // what stands before all that we know
    }
    for (int k = 0; k < is.size(); ) {
      if (same[k] >= 0) {
        Stretch s = stretches.get(stretchOf[same[k]]);
        int length = s.ourTo() - s.ourFrom();
        if (isWhole(same, k, s)) {
          emit(source, s, out);
          k += length;
          continue;
        }
        out.add(part(source, s, was.get(same[k]), is.get(k)));
      } else if (changed[k] >= 0) {
        Stretch s = stretches.get(stretchOf[changed[k]]);
        if (s.isOne()) {
          out.add(of(source.get(s.from()), was.get(changed[k]), is.get(k)));
          out.addAll(source.subList(s.from() + 1, s.to()));
        } else {
          out.add(part(source, s, was.get(changed[k]), is.get(k)));
        }
      } else {
        out.add(imports.element(is.get(k), at));
      }
      k++;
    }
    return out;
  }

  private static void emit(List<Element> source, Stretch s, List<Object> out) {
    out.addAll(source.subList(s.from(), s.to()));
  }

  private static boolean isWhole(int[] same, int k, Stretch s) {
    int length = s.ourTo() - s.ourFrom();
    if (k + length > same.length) {
      return false;
    }
    for (int i = 0; i < length; i++) {
      if (same[k + i] != s.ourFrom() + i) {
        return false;
      }
    }
    return true;
  }

  /**
   * One of ours that stands for several of the source, or a part of one: text keeps the looks that
   * the source gave all of them.
   */
  private Element part(List<Element> source, Stretch s, Element a, Element b) throws ReadProblem {
    Element now = imports.element(b, at);
    Element was = child(a, "rPr");
    Element is = child(b, "rPr");
    if (!Markup.local(b).equals("r") || !said(was).equals(says(is))) {
      return now;
    }
    List<Element> looks = new ArrayList<>();
    for (Element e : source.subList(s.from(), s.to())) {
      if (Markup.local(e).equals("r")) {
        Element own = child(e, "rPr");
        if (own == null || !looks.isEmpty() && !looks.getFirst().equals(own)) {
          return now;
        }
        looks.add(own);
      }
    }
    if (looks.isEmpty()) {
      return now;
    }
    List<Object> children = new ArrayList<>(now.children());
    children.removeIf(c -> c instanceof Element e && Markup.local(e).equals("rPr"));
    children.addFirst(looks.getFirst());
    return new Element(now.name(), now.attributes(), children);
  }

  private static @Nullable Element child(Element parent, String name) {
    return parent.elements().stream()
        .filter(e -> Markup.local(e).equals(name))
        .findFirst()
        .orElse(null);
  }

  /**
   * For each element that is not as it was, the one that it was before the change: within each
   * place where they differ, in order, of the same name, with some text in common.
   */
  private static int[] changed(List<Element> is, List<Element> was, int[] same) {
    int[] out = new int[is.size()];
    Arrays.fill(out, -1);
    int free = 0;
    for (int k = 0; k < is.size(); k++) {
      if (same[k] >= 0) {
        free = same[k] + 1;
        continue;
      }
      int limit = was.size();
      int left = 0;
      for (int n = k; n < is.size(); n++, left++) {
        if (same[n] >= 0) {
          limit = same[n];
          break;
        }
      }
      // Where as many stand as stood before, each is taken for the one in its place.
      boolean asMany = limit - free == left;
      for (int i = free; i < limit; i++) {
        boolean alike = Markup.local(was.get(i)).equals(Markup.local(is.get(k)));
        if (alike && (asMany && i == free || isAlike(was.get(i), is.get(k)))) {
          out[k] = i;
          free = i + 1;
          break;
        }
        if (asMany) {
          break;
        }
      }
      if (asMany && out[k] < 0 && free < limit) {
        free++;
      }
    }
    return out;
  }

  private static boolean isAlike(Element a, Element b) {
    String one = Markup.text(a);
    String other = Markup.text(b);
    int most = Math.max(one.length(), other.length());
    int least = Math.min(one.length(), other.length());
    int begin = 0;
    while (begin < least && one.charAt(begin) == other.charAt(begin)) {
      begin++;
    }
    int end = 0;
    while (end < least - begin
        && one.charAt(one.length() - 1 - end) == other.charAt(other.length() - 1 - end)) {
      end++;
    }
    return most == 0 || begin + end >= ALIKE * most;
  }

  private static List<Stretch> stretches(List<Element> source, List<Element> ours) {
    int[] partner = Alignment.of(keys(source), keys(ours));
    List<Stretch> out = new ArrayList<>();
    int from = 0;
    int ourFrom = 0;
    for (int k = 0; k <= source.size(); k++) {
      boolean end = k == source.size();
      if (!end && partner[k] < 0) {
        continue;
      }
      int ourTo = end ? ours.size() : partner[k];
      between(out, source, ours, new Stretch(from, k, ourFrom, ourTo, false));
      if (!end) {
        out.add(new Stretch(k, k + 1, ourTo, ourTo + 1, alike(source, k, ours, ourTo)));
      }
      from = k + 1;
      ourFrom = ourTo + 1;
    }
    return out;
  }

  /** What has no partner on our side goes with what stands before it. */
  private static void between(
      List<Stretch> out, List<Element> source, List<Element> ours, Stretch gap) {
    boolean none = gap.ourFrom() >= gap.ourTo();
    if (gap.from() >= gap.to() && none) {
      return;
    }
    if (none && !out.isEmpty()) {
      Stretch last = out.removeLast();
      out.add(new Stretch(last.from(), gap.to(), last.ourFrom(), last.ourTo(), last.isOne()));
      return;
    }
    boolean one =
        gap.to() - gap.from() == 1
            && gap.ourTo() - gap.ourFrom() == 1
            && alike(source, gap.from(), ours, gap.ourFrom());
    out.add(new Stretch(gap.from(), gap.to(), gap.ourFrom(), gap.ourTo(), one));
  }

  private static boolean alike(List<Element> source, int k, List<Element> ours, int i) {
    return Markup.local(source.get(k)).equals(Markup.local(ours.get(i)));
  }

  /** A paragraph may stand in a control of its own, or have it within. */
  private static List<String> keys(List<Element> elements) {
    return elements.stream()
        .map(e -> {
          String name = Markup.local(e);
          String text = Markup.text(e);
          boolean block = name.equals("p") || name.equals("sdt") && text.startsWith("\u0002");
          return (block ? "block" : name) + "|" + text;
        })
        .toList();
  }
}
