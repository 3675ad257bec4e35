package decant.pdf.read.tagged;

import decant.pdf.read.lines.Leaders;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.Sizes;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;

/**
 * Dots between the title and the page of an entry, which tags leave out as artifacts (ISO 32000-1
 * §14.8.2.2): they are of the text that they lead on from.
 */
final class ArtifactLeaders {
  private ArtifactLeaders() {}

  /**
   * Gives the marked letters of a page with their marked content, and the dots with that which they
   * go on from.
   *
   * @return those dots, by identity
   */
  static Set<Glyph> marked(ScannedPage page, BiConsumer<Integer, Glyph> each) {
    Map<Glyph, Integer> led = in(page);
    for (Glyph g : page.glyphs()) {
      int own = g.marked().artifact() ? -1 : g.marked().content();
      int content = led.getOrDefault(g, own);
      if (content >= 0) {
        each.accept(content, g);
      }
    }
    return led.keySet();
  }

  /** The dots of a page, by identity, each with the marked content that it goes on from. */
  private static Map<Glyph, Integer> in(ScannedPage page) {
    Map<Glyph, Integer> out = new IdentityHashMap<>();
    var dots = new ArrayList<Glyph>();
    Glyph before = null;
    for (Glyph g : page.glyphs()) {
      boolean artifact = g.marked().artifact();
      if (artifact && before != null && isOn(before, g) && (g.isSpace() || Leaders.isDots(g))) {
        dots.add(g);
        continue;
      }
      if (!artifact && before != null && leads(before, dots, g)) {
        int content = before.marked().content();
        dots.forEach(d -> out.put(d, content));
      }
      dots.clear();
      before = !artifact && g.marked().content() >= 0 ? g : null;
    }
    return out;
  }

  private static boolean leads(Glyph before, List<Glyph> dots, Glyph after) {
    return dots.stream().filter(d -> !d.isSpace()).count() >= 3 && isOn(before, after);
  }

  private static boolean isOn(Glyph a, Glyph b) {
    return Sizes.samePlace(a.baseline(), b.baseline(), a.size());
  }
}
