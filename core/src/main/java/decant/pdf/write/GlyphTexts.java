package decant.pdf.write;

import decant.layout.Item;
import java.util.function.IntFunction;

/** Which characters each glyph of a run stands for. */
final class GlyphTexts {
  private GlyphTexts() {}

  /**
   * The text of each glyph by its number. The first glyph of a cluster shows all its characters,
   * the others none, so that the texts put together are the run's text, no more and no less.
   */
  static IntFunction<String> of(Item.GlyphRun run) {
    if (run.generated()) {
      return generated(run);
    }
    int n = run.glyphs().length;
    return k -> {
      int cluster = run.clusters()[k];
      // In right-to-left runs the glyphs of a cluster come last to first; its base carries the
      // text.
      boolean carries =
          run.rightToLeft()
              ? k == n - 1 || run.clusters()[k + 1] != cluster
              : k == 0 || run.clusters()[k - 1] != cluster;
      if (!carries) {
        return "";
      }
      int next = nextCluster(run, k, cluster);
      String t = run.text().substring(cluster - run.from(), next - run.from());
      return t.replace("\u00AD", "");
    };
  }

  private static int nextCluster(Item.GlyphRun run, int k, int cluster) {
    int step = run.rightToLeft() ? -1 : 1;
    for (int j = k + step; j >= 0 && j < run.glyphs().length; j += step) {
      if (run.clusters()[j] > cluster) {
        return run.clusters()[j];
      }
    }
    return run.to();
  }

  private static IntFunction<String> generated(Item.GlyphRun run) {
    int n = run.glyphs().length;
    // A hyphen that only the line's end calls for is no character of the text (ISO 32000-2
    // §14.8.2.2.3).
    boolean divides = run.from() == run.to() && run.from() > 0 && run.text().equals("-");
    String text = divides ? "\u00AD" : run.text();
    boolean oneEach = text.codePointCount(0, text.length()) == n;
    return k -> {
      if (!oneEach) {
        return k == 0 ? text : "";
      }
      int at = run.rightToLeft() ? n - 1 - k : k;
      int start = text.offsetByCodePoints(0, at);
      return text.substring(start, text.offsetByCodePoints(start, 1));
    };
  }
}
