package decant.pdf.read.fonts;

import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.SourceFace;
import decant.text.FontName;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Which faces are bold or italic beside the text of a file, though their names do not say so.
 * Medium is bold where the text is Light: a weight two steps above that of most of its family
 * stands out. So does Medium beside Regular, where the family has nothing heavier. Where names tell
 * nothing, the strokes of the letters do.
 */
public final class Weights {
  private static final int STANDS_OUT = 200;

  private static final int REGULAR = 400;

  private static final int MEDIUM = 500;

  private Weights() {}

  /** The faces that stand out, and what they are; empty if none does. */
  public static Map<SourceFace, SourceFace> standingOut(List<ScannedPage> pages, FileFonts fonts) {
    Map<SourceFace, int[]> shown = new IdentityHashMap<>(); // few instances, and many letters
    for (ScannedPage p : pages) {
      for (Glyph g : p.glyphs()) {
        if (!g.isSpace()) {
          shown.computeIfAbsent(g.ink().face(), f -> new int[1])[0]++;
        }
      }
    }
    Map<SourceFace, Integer> letters = new HashMap<>();
    shown.forEach((f, n) -> letters.merge(f, n[0], Integer::sum));
    Map<SourceFace, SourceFace> out = new HashMap<>();
    letters.keySet().stream()
        .collect(Collectors.groupingBy(SourceFace::family))
        .values()
        .forEach(family -> {
          if (family.size() < 2 || family.stream().anyMatch(SourceFace::bold)) {
            return; // what is bold says so
          }
          SourceFace most =
              family.stream()
                  .max((a, b) -> Integer.compare(count(letters, a), count(letters, b)))
                  .orElseThrow();
          int text = FontName.weight(most.name());
          for (SourceFace f : family) {
            int own = FontName.weight(f.name());
            if (own >= text + STANDS_OUT || own == MEDIUM && text == REGULAR) {
              out.put(f, new SourceFace(f.name(), f.family(), true, f.italic(), f.embedded()));
            }
          }
        });
    letters.keySet().stream()
        .filter(f -> !f.bold() && !f.italic() && fonts.strokes(f).isPresent())
        .max((a, b) -> Integer.compare(count(letters, a), count(letters, b)))
        .ifPresent(text ->
            letters
                .keySet()
                .forEach(f -> {
                  SourceFace as = out.getOrDefault(f, f);
                  SourceFace seen = seen(as, f, text, fonts);
                  if (!seen.equals(f)) {
                    out.put(f, seen);
                  }
                }));
    return out;
  }

  /** What a face is by its strokes, beside the face of most of the text. */
  private static SourceFace seen(SourceFace as, SourceFace f, SourceFace text, FileFonts fonts) {
    Optional<Strokes> own = fonts.strokes(f);
    Optional<Strokes> usual = fonts.strokes(text);
    if (f.equals(text) || own.isEmpty() || usual.isEmpty()) {
      return as;
    }
    boolean bold =
        own.get().usual() >= FontThresholds.Weights.BOLD
            && own.get().times(usual.get()).orElse(0) >= FontThresholds.Weights.THICKER;
    boolean italic = own.get().lean() >= usual.get().lean() + FontThresholds.Weights.LEANS;
    return new SourceFace(
        as.name(), as.family(), as.bold() || bold, as.italic() || italic, as.embedded());
  }

  private static int count(Map<SourceFace, Integer> letters, SourceFace f) {
    return letters.getOrDefault(f, 0);
  }

  /** A page whose letters are in other faces. */
  public static ScannedPage in(Map<SourceFace, SourceFace> others, ScannedPage page) {
    return page.with(
        page.glyphs().stream()
            .map(g -> {
              SourceFace other = others.get(g.ink().face());
              return other == null ? g : g.withFace(other);
            })
            .toList());
  }
}
