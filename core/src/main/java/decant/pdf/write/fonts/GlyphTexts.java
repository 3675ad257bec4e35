package decant.pdf.write.fonts;

import decant.layout.item.Item;

/** Which characters each glyph of a run stands for. */
public final class GlyphTexts {
  /** Texts of one character, made once. */
  private static final String[] ONES = new String[1 << 16];

  private GlyphTexts() {}

  /**
   * The text of each glyph. The first glyph of a cluster shows all its characters, the others none,
   * so that the texts put together are the run's text, no more and no less.
   */
  public static String[] of(Item.GlyphRun run) {
    return run.shown().generated() ? generated(run) : ofText(run);
  }

  private static String[] ofText(Item.GlyphRun run) {
    int n = run.placed().glyphs().length;
    int[] clusters = run.placed().clusters();
    String[] out = new String[n];
    for (int k = 0; k < n; k++) {
      int cluster = clusters[k];
      // In right-to-left runs the glyphs of a cluster come last to first; its base carries the
      // text.
      boolean carries =
          run.placed().rightToLeft()
              ? k == n - 1 || clusters[k + 1] != cluster
              : k == 0 || clusters[k - 1] != cluster;
      out[k] = carries ? text(run, cluster, nextCluster(run, k, cluster)) : "";
    }
    return out;
  }

  private static String text(Item.GlyphRun run, int from, int to) {
    int start = from - run.shown().from();
    int end = to - run.shown().from();
    if (end - start == 1) {
      char c = run.shown().text().charAt(start);
      return c == '\u00AD' ? "" : one(c);
    }
    String t = run.shown().text().substring(start, end);
    return t.indexOf('\u00AD') < 0 ? t : t.replace("\u00AD", "");
  }

  private static String one(char c) {
    String s = ONES[c];
    if (s == null) {
      s = String.valueOf(c);
      ONES[c] = s;
    }
    return s;
  }

  private static int nextCluster(Item.GlyphRun run, int k, int cluster) {
    int step = run.placed().rightToLeft() ? -1 : 1;
    for (int j = k + step; j >= 0 && j < run.placed().glyphs().length; j += step) {
      if (run.placed().clusters()[j] > cluster) {
        return run.placed().clusters()[j];
      }
    }
    return run.shown().to();
  }

  private static String[] generated(Item.GlyphRun run) {
    int n = run.placed().glyphs().length;
    // ISO 32000-2 §14.8.2.2.3
    String text = run.shown().kind() == Item.Shown.Kind.HYPHEN ? "\u00AD" : run.shown().text();
    String[] out = new String[n];
    if (text.codePointCount(0, text.length()) != n) {
      java.util.Arrays.fill(out, "");
      if (n > 0) {
        out[0] = text;
      }
      return out;
    }
    int start = 0;
    for (int k = 0; k < n; k++) {
      int end = text.offsetByCodePoints(start, 1);
      out[run.placed().rightToLeft() ? n - 1 - k : k] = text.substring(start, end);
      start = end;
    }
    return out;
  }
}
