package decant.pdf.read.blocks;

import decant.model.look.Markers;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.lines.Leaders;
import decant.pdf.read.lines.Typewriter;
import decant.pdf.read.page.Folding;
import decant.pdf.read.page.Sizes;
import decant.text.EastAsian;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * Decides which paragraphs are headings, and of what level, by what stands out from the body
 * consistently.
 */
public final class Headings {
  private Headings() {}

  /**
   * @param outline titles of the file's own outline, folded; may be empty
   */
  public static List<Detected> decide(List<Detected> blocks, Set<String> outline) {
    List<Detected> labelled = ChapterLabels.joined(blocks);
    Optional<Body> known = body(labelled, textStyles(blocks));
    if (known.isEmpty()) {
      return labelled;
    }
    Body text = known.get();
    HeadingStyle body = text.style();
    List<Detected> out = new ArrayList<>(labelled);
    Map<Integer, HeadingStyle> candidates = new HashMap<>();
    for (int k = 0; k < out.size(); k++) {
      if (out.get(k) instanceof Detected.Text t && isCandidate(t, text, out, k, outline)) {
        Detected.Text whole = Blocks.withMarker(t);
        out.set(k, whole);
        candidates.put(k, HeadingStyle.of(whole));
      }
    }
    PointedHeadings.add(out, candidates, body, text.others());
    drop(out, candidates, body, outline);
    addNumbered(out, candidates, body);
    addAlike(out, candidates, text);
    if (!body.italic()) {
      SlantedHeadings.add(out, candidates, body.size(), text.others());
    }
    Map<HeadingStyle, Integer> levels = levels(new LinkedHashSet<>(candidates.values()));
    int numberedTop = numberedTop(out, candidates, levels);
    Map<Integer, Integer> found = new TreeMap<>();
    candidates.forEach((k, style) -> {
      int level = levels.getOrDefault(style, 1);
      Optional<String> number = Markers.section(((Detected.Text) out.get(k)).text());
      if (number.isPresent() && numberedTop > 0) {
        level = numberedTop + Markers.depth(number.get()) - 1;
      }
      found.put(k, level);
    });
    ChapterLabels.sectionsBelow(out, found);
    belowTitle(out, candidates, found);
    withoutGaps(found);
    found.forEach((k, level) ->
        out.set(
            k, ((Detected.Text) out.get(k)).as(Detected.Kind.HEADING, Math.clamp(level, 1, 9))));
    return out;
  }

  /**
   * The title of a document stands before all other headings and looks like none of them: they are
   * below it, even where the parts of the document begin with larger letters.
   */
  private static void belowTitle(
      List<Detected> all, Map<Integer, HeadingStyle> candidates, Map<Integer, Integer> levels) {
    if (levels.size() < BlockThresholds.Headings.SEVERAL) {
      return;
    }
    int first = levels.keySet().iterator().next();
    Detected.Text title = (Detected.Text) all.get(first);
    HeadingStyle style = Objects.requireNonNull(candidates.get(first));
    boolean alone = candidates.values().stream().filter(style::equals).count() == 1;
    if (!alone || title.page() > 0 || Markers.section(title.text()).isPresent()) {
      return;
    }
    levels.put(first, 0); // the others begin at one; no gap is left
  }

  /** No level is left out: numbers may begin deeper than the headings above them say. */
  private static void withoutGaps(Map<Integer, Integer> levels) {
    List<Integer> used = levels.values().stream().distinct().sorted().toList();
    levels.replaceAll((k, level) -> used.indexOf(level) + 1);
  }

  /** Takes back candidates that only look like headings. */
  private static void drop(
      List<Detected> all,
      Map<Integer, HeadingStyle> candidates,
      HeadingStyle body,
      Set<String> outline) {
    Map<HeadingStyle, Long> uses =
        candidates.values().stream()
            .collect(
                java.util.stream.Collectors.groupingBy(
                    s -> s, java.util.stream.Collectors.counting()));
    candidates
        .keySet()
        .removeIf(k -> {
          Detected.Text t = (Detected.Text) all.get(k);
          HeadingStyle s = HeadingStyle.of(t);
          boolean known =
              outline.contains(Folding.fold(t.text())) || Markers.section(t.text()).isPresent();
          // Bold in the size of the text, and only once: a subject line, not a heading.
          boolean once = !Sizes.isLarger(s.size(), body.size()) && uses.getOrDefault(s, 0L) == 1;
          return !known && (once || isLetterhead(all, k) && !isTitle(k, candidates));
        });
  }

  /** Whether what stands at the top is larger than several headings below it. */
  private static boolean isTitle(int k, Map<Integer, HeadingStyle> candidates) {
    HeadingStyle top = Objects.requireNonNull(candidates.get(k));
    long smaller =
        candidates.values().stream().filter(s -> Sizes.isLarger(top.size(), s.size())).count();
    return smaller >= BlockThresholds.Headings.SEVERAL && smaller == candidates.size() - 1;
  }

  /** A name at the very top with the lines of an address below it. */
  private static boolean isLetterhead(List<Detected> all, int k) {
    if (k != 0 || all.size() < 4) {
      return false;
    }
    int lines = 0;
    for (int j = 1; j < 6 && j < all.size(); j++) {
      if (!(all.get(j) instanceof Detected.Text t)
          || t.page() != all.get(k).page()
          || EastAsian.letters(t.text()) > 45) {
        break;
      }
      boolean close = j > 1 || t.spaceBefore() < BlockThresholds.Headings.CLOSE * t.size();
      if (!close || t.text().matches(".*[.!?:。！？：]$")) {
        break;
      }
      lines += t.lines().size();
    }
    return lines >= 3;
  }

  /**
   * Looks for the members that a series of numbered headings lacks: short paragraphs whose number
   * goes on from one that is a heading, or begins a series below it.
   */
  private static void addNumbered(
      List<Detected> all, Map<Integer, HeadingStyle> candidates, HeadingStyle body) {
    Set<String> known = new java.util.HashSet<>();
    candidates
        .keySet()
        .forEach(k -> Markers.section(((Detected.Text) all.get(k)).text()).ifPresent(known::add));
    if (known.size() < 2) {
      return;
    }
    for (int k = 0; k < all.size(); k++) {
      if (candidates.containsKey(k)
          || !(all.get(k) instanceof Detected.Text t)
          || t.kind() == Detected.Kind.ITEM) {
        continue;
      }
      String text = t.text();
      Optional<String> number = Markers.section(text);
      boolean shape =
          number.isPresent()
              && EastAsian.letters(text) < 120
              && t.lines().size() <= 2
              && !text.contains("\t")
              && !Leaders.in(text)
              && !text.matches(".*([.;,。；，、]|\\.{3,}\\s*\\d+)$")
              && !(k + 1 < all.size()
                  && all.get(k + 1).page() == t.page()
                  && isEntry(all.get(k + 1), number.get()));
      double min = t.bold() && !body.bold() ? BlockThresholds.Headings.SMALLER : Sizes.AS_LARGE;
      if (shape && t.size() >= body.size() * min && goesOn(number.get(), known)) {
        candidates.put(k, HeadingStyle.of(t));
        known.add(number.get());
      }
    }
  }

  /** Short lines that look just as several headings do are headings too, wherever they stand. */
  private static void addAlike(
      List<Detected> all, Map<Integer, HeadingStyle> candidates, Body text) {
    Map<HeadingStyle, Long> uses =
        candidates.values().stream()
            .collect(
                java.util.stream.Collectors.groupingBy(
                    s -> s, java.util.stream.Collectors.counting()));
    Map<HeadingStyle, List<Integer>> alike = new HashMap<>();
    for (int k = 0; k < all.size(); k++) {
      if (candidates.containsKey(k)
          || !(all.get(k) instanceof Detected.Text t)
          || t.kind() != Detected.Kind.PARAGRAPH
          || t.lines().size() > 1) {
        continue;
      }
      HeadingStyle s = HeadingStyle.of(t);
      String words = t.text();
      boolean heading =
          uses.getOrDefault(s, 0L) >= BlockThresholds.Headings.SEVERAL
              && s.standsOutOf(text.style())
              && words.length() > 3
              && EastAsian.letters(words) < 80
              && !words.matches(".*[.;,:。；，、：]$")
              && !words.contains("\t")
              && !Leaders.in(words)
              && !text.others().contains(s.ofAnyCase());
      if (heading) {
        alike.computeIfAbsent(s, x -> new ArrayList<>()).add(k);
      }
    }
    // A look that many other lines have too is not that of headings alone.
    alike.forEach((s, more) -> {
      if (more.size() * BlockThresholds.Headings.FEW <= uses.getOrDefault(s, 0L)) {
        more.forEach(k -> candidates.put(k, s));
      }
    });
  }

  /** Whether the next block is an entry of the same contents page. */
  private static boolean isEntry(Detected next, String number) {
    return next instanceof Detected.Text t
        && t.lines().size() == 1
        && Markers.section(t.text())
            .filter(n -> Markers.depth(n) >= Markers.depth(number))
            .isPresent()
        && t.text().matches(".*\\d$");
  }

  /** Whether a number has a sibling before it or after it, or begins below one that is known. */
  private static boolean goesOn(String number, Set<String> known) {
    int dot = number.lastIndexOf('.');
    int last;
    try {
      last = Integer.parseInt(number.substring(dot + 1));
    } catch (NumberFormatException e) {
      return false;
    }
    String parent = dot < 0 ? "" : number.substring(0, dot);
    String prefix = dot < 0 ? "" : parent + ".";
    if (dot < 0) {
      return known.contains(Integer.toString(last - 1))
          && known.contains(Integer.toString(last + 1));
    }
    return known.contains(parent)
        || known.contains(prefix + (last - 1))
        || known.contains(prefix + (last + 1));
  }

  /**
   * Blocks from tags as they are, if the tags know headings; else the headings found by their look.
   */
  public static List<Detected> whereTagsHaveNone(List<Detected> tagged, Set<String> outline) {
    boolean any =
        tagged.stream()
            .anyMatch(f -> f instanceof Detected.Text t && t.kind() == Detected.Kind.HEADING);
    return any ? tagged : decide(tagged, outline);
  }

  /**
   * What text looks like.
   *
   * @param style that most letters have; those of program code count only if there is little else
   * @param others styles that most long paragraphs have
   * @param typewriter whether text itself is in a typewriter face, so that code is told by nothing
   */
  private record Body(HeadingStyle style, Set<HeadingStyle> others, boolean typewriter) {}

  /**
   * The other styles are those without labels of chapters, which make long titles of short ones.
   */
  private static Optional<Body> body(List<Detected> found, Set<HeadingStyle> others) {
    Map<HeadingStyle, Integer> letters = new HashMap<>();
    Map<HeadingStyle, Integer> code = new HashMap<>();
    for (Detected f : found) {
      if (f instanceof Detected.Text t) {
        Map<HeadingStyle, Integer> counted = Typewriter.is(t.lines()) ? code : letters;
        counted.merge(HeadingStyle.of(t).ofAnyCase(), EastAsian.letters(t.text()), Integer::sum);
      }
    }
    boolean typewriter = sum(code) > BlockThresholds.Headings.MOSTLY * sum(letters);
    if (typewriter) {
      code.forEach((s, n) -> letters.merge(s, n, Integer::sum));
    }
    return letters.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .map(e -> new Body(e.getKey(), others, typewriter));
  }

  private static int sum(Map<HeadingStyle, Integer> counts) {
    return counts.values().stream().mapToInt(n -> n).sum();
  }

  /** Styles of running text: most of their letters stand in long paragraphs. */
  private static Set<HeadingStyle> textStyles(List<Detected> found) {
    Map<HeadingStyle, int[]> letters = new HashMap<>(); // all, and those in long paragraphs
    for (Detected f : found) {
      if (f instanceof Detected.Text t) {
        int n = EastAsian.letters(t.text());
        int[] known = letters.computeIfAbsent(HeadingStyle.of(t).ofAnyCase(), s -> new int[2]);
        known[0] += n;
        known[1] += t.lines().size() >= 3 || n > BlockThresholds.Headings.LONG ? n : 0;
      }
    }
    Set<HeadingStyle> out = new java.util.HashSet<>();
    letters.forEach((style, n) -> {
      if (n[0] >= BlockThresholds.Headings.ENOUGH && n[1] * 2 > n[0]) {
        out.add(style);
      }
    });
    return out;
  }

  private static boolean isCandidate(
      Detected.Text t, Body given, List<Detected> all, int k, Set<String> outline) {
    HeadingStyle body = given.style();
    String text = Blocks.withMarker(t).text();
    if (t.lines().size() <= 4 && !outline.isEmpty() && outline.contains(Folding.fold(text))) {
      return true;
    }
    boolean numbered = Markers.section(text).isPresent();
    boolean letters = text.chars().filter(Character::isLetter).count() >= 2;
    if (EastAsian.letters(text) > BlockThresholds.Headings.LONGEST
        || t.lines().size() > 3
        || !letters
        || text.contains("\t")
        || Leaders.in(text)) {
      return false;
    }
    HeadingStyle s = HeadingStyle.of(t);
    if (given.others().contains(s.ofAnyCase()) && !s.equals(body) && !numbered && !s.capitals()
        || !given.typewriter() && Typewriter.is(t.lines())) {
      return false;
    }
    boolean larger = Sizes.isLarger(s.size(), body.size());
    boolean bolder = s.bold() && !body.bold();
    boolean sentence = isSentence(text) && !numbered;
    if (larger) {
      return !sentence || s.size() > body.size() * BlockThresholds.Headings.MUCH_LARGER;
    }
    double min = bolder && numbered ? BlockThresholds.Headings.SMALLER : Sizes.AS_LARGE;
    if (s.size() < body.size() * min || t.kind() == Detected.Kind.ITEM && !numbered) {
      return false;
    }
    boolean standsOff = HeadingLines.standsOff(all, k, t);
    boolean followed = k + 1 < all.size();
    if (bolder) {
      return !sentence && !text.endsWith(":") && followed && (standsOff || numbered);
    }
    boolean slanted = s.italic() && !body.italic() && t.lines().size() == 1 && leadsIn(all, k);
    return (slanted || s.capitals() && !body.capitals())
        && standsOff
        && followed
        && !sentence
        && text.length() > 6;
  }

  /** Whether a text ends as sentences do, or one ends within it by a sign that is no other. */
  static boolean isSentence(String text) {
    return !text.isEmpty()
        && (".;,；，、".indexOf(text.charAt(text.length() - 1)) >= 0 || text.indexOf('。') >= 0);
  }

  /** Whether a block stands closer to the text below it than to what is above it. */
  private static boolean leadsIn(List<Detected> all, int k) {
    return k + 1 < all.size()
        && all.get(k) instanceof Detected.Text t
        && all.get(k + 1) instanceof Detected.Text next
        && next.page() == t.page()
        && !next.lines().getFirst().italic()
        && EastAsian.letters(t.text()) < BlockThresholds.Headings.LONG / 2
        && !t.text().endsWith(":")
        && (k == 0
            || all.get(k - 1) instanceof Detected.Text
                && (all.get(k - 1).page() != t.page() || next.spaceBefore() < t.spaceBefore()));
  }

  /** Larger before smaller, bold before plain, capitals before mixed. */
  private static Map<HeadingStyle, Integer> levels(Set<HeadingStyle> styles) {
    List<HeadingStyle> sorted = new ArrayList<>(styles);
    sorted.sort(
        Comparator.comparingDouble(HeadingStyle::size)
            .reversed()
            .thenComparing(s -> !s.bold())
            .thenComparing(s -> !s.capitals())
            .thenComparing(HeadingStyle::italic));
    Map<HeadingStyle, Integer> out = new HashMap<>();
    int level = 0;
    HeadingStyle last = null;
    for (HeadingStyle s : sorted) {
      boolean same =
          last != null
              && Sizes.near(last.size(), s.size())
              && last.bold() == s.bold()
              && last.capitals() == s.capitals()
              && last.italic() == s.italic();
      if (!same) {
        level++;
      }
      out.put(s, level);
      last = s;
    }
    return out;
  }

  /**
   * The level of headings numbered with one number, by which the deeper ones are ordered; 0 if
   * there are too few.
   */
  private static int numberedTop(
      List<Detected> all,
      Map<Integer, HeadingStyle> candidates,
      Map<HeadingStyle, Integer> levels) {
    int numbered = 0;
    int top = Integer.MAX_VALUE;
    for (Map.Entry<Integer, HeadingStyle> e : candidates.entrySet()) {
      Optional<String> n = Markers.section(((Detected.Text) all.get(e.getKey())).text());
      if (n.isPresent()) {
        numbered++;
        top = Math.min(top, levels.getOrDefault(e.getValue(), 1) - Markers.depth(n.get()) + 1);
      }
    }
    return numbered < 3 ? 0 : Math.max(1, top);
  }
}
