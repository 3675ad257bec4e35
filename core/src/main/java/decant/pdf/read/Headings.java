package decant.pdf.read;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Decides which paragraphs are headings, and of what level, by what stands out from the body
 * consistently.
 */
final class Headings {
  private static final int LONGEST = 220;

  /** How text looks, as far as headings are told by it. */
  private record Style(double size, boolean bold, boolean italic, boolean capitals) {
    static Style of(Found.Text t) {
      String text = t.text();
      boolean capitals =
          text.equals(text.toUpperCase(java.util.Locale.ROOT))
              && text.chars().filter(Character::isLetter).count() > 3;
      boolean italic = t.lines().stream().allMatch(TextLine::italic);
      return new Style(Math.round(t.size() * 2) / 2.0, t.bold(), italic, capitals);
    }
  }

  private Headings() {}

  /**
   * @param outline titles of the file's own outline, folded; may be empty
   */
  static List<Found> decide(List<Found> found, Set<String> outline) {
    Optional<Style> body = bodyStyle(found);
    if (body.isEmpty()) {
      return found;
    }
    List<Found> out = new ArrayList<>(found);
    Set<Style> styles = new LinkedHashSet<>();
    Map<Integer, Style> candidates = new HashMap<>();
    for (int k = 0; k < out.size(); k++) {
      if (out.get(k) instanceof Found.Text t && isCandidate(t, body.get(), out, k, outline)) {
        Found.Text whole = Blocks.withMarker(t);
        out.set(k, whole);
        Style s = Style.of(whole);
        styles.add(s);
        candidates.put(k, s);
      }
    }
    Map<Style, Integer> levels = levels(styles);
    int numberedTop = numberedTop(out, candidates, levels);
    candidates.forEach((k, style) -> {
      Found.Text t = (Found.Text) out.get(k);
      int level = levels.getOrDefault(style, 1);
      Optional<String> number = Markers.section(t.text());
      if (number.isPresent() && numberedTop > 0) {
        level = numberedTop + Markers.depth(number.get()) - 1;
      }
      out.set(k, t.as(Found.Kind.HEADING, Math.clamp(level, 1, 9)));
    });
    return out;
  }

  /**
   * Blocks from tags as they are, if the tags know headings; else the headings found by their look.
   */
  static List<Found> whereTagsHaveNone(List<Found> tagged, Set<String> outline) {
    boolean any =
        tagged.stream().anyMatch(f -> f instanceof Found.Text t && t.kind() == Found.Kind.HEADING);
    return any ? tagged : decide(tagged, outline);
  }

  private static Optional<Style> bodyStyle(List<Found> found) {
    Map<Style, Integer> letters = new HashMap<>();
    for (Found f : found) {
      if (f instanceof Found.Text t) {
        Style s = Style.of(t);
        letters.merge(
            new Style(s.size(), s.bold(), s.italic(), false), t.text().length(), Integer::sum);
      }
    }
    return letters.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
  }

  private static boolean isCandidate(
      Found.Text t, Style body, List<Found> all, int k, Set<String> outline) {
    String text = Blocks.withMarker(t).text();
    if (outline.contains(fold(text)) && t.lines().size() <= 4) {
      return true;
    }
    boolean numbered = Markers.section(text).isPresent();
    boolean letters = text.chars().filter(Character::isLetter).count() >= 2;
    if (text.length() > LONGEST || t.lines().size() > 3 || !letters || text.contains("\t")) {
      return false;
    }
    Style s = Style.of(t);
    boolean larger = s.size() > body.size() * 1.09;
    boolean bolder = s.bold() && !body.bold();
    boolean sentence = text.matches(".*[.;,]$") && !numbered;
    if (larger) {
      return !sentence || s.size() > body.size() * 1.3;
    }
    if (s.size() < body.size() * 0.95 || t.kind() == Found.Kind.ITEM && !numbered) {
      return false;
    }
    boolean standsOff = t.spaceBefore() > 1.5 || k == 0 || all.get(k - 1).page() != t.page();
    boolean followed = k + 1 < all.size();
    if (bolder) {
      return !sentence && !text.endsWith(":") && followed && (standsOff || numbered);
    }
    return s.capitals()
        && !body.capitals()
        && standsOff
        && followed
        && !sentence
        && text.length() > 6;
  }

  /** Larger before smaller, bold before plain, capitals before mixed. */
  private static Map<Style, Integer> levels(Set<Style> styles) {
    List<Style> sorted = new ArrayList<>(styles);
    sorted.sort(
        Comparator.comparingDouble(Style::size)
            .reversed()
            .thenComparing(s -> !s.bold())
            .thenComparing(s -> !s.capitals())
            .thenComparing(Style::italic));
    Map<Style, Integer> out = new HashMap<>();
    int level = 0;
    Style last = null;
    for (Style s : sorted) {
      boolean same =
          last != null
              && Math.abs(last.size() - s.size()) < 0.6
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
      List<Found> all, Map<Integer, Style> candidates, Map<Style, Integer> levels) {
    int numbered = 0;
    int top = Integer.MAX_VALUE;
    for (Map.Entry<Integer, Style> e : candidates.entrySet()) {
      Optional<String> n = Markers.section(((Found.Text) all.get(e.getKey())).text());
      if (n.isPresent()) {
        numbered++;
        top = Math.min(top, levels.getOrDefault(e.getValue(), 1) - Markers.depth(n.get()) + 1);
      }
    }
    return numbered < 3 ? 0 : Math.max(1, top);
  }

  static String fold(String s) {
    return s.toLowerCase(java.util.Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", " ").strip();
  }
}
