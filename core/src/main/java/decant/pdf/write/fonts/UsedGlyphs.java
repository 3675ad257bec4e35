package decant.pdf.write.fonts;

import decant.layout.item.Item;

/** Notes which glyphs are shown for which texts, before any of them has a code. */
public final class UsedGlyphs {
  /** Stands for the glyph that shows nothing, whose number the font knows. */
  static final int BLANK = -1;

  private final GlyphTable table = new GlyphTable();

  public GlyphTable table() {
    return table;
  }

  public void note(Item.GlyphRun run) {
    String[] texts = GlyphTexts.of(run);
    int[] glyphs = run.placed().glyphs();
    for (int k = 0; k < glyphs.length; k++) {
      String shown = texts[k];
      if (run.placed().rightToLeft() && shown.length() > 1) {
        for (int c = 1; c < shown.length(); c++) {
          table.add(BLANK, shown.substring(c, c + 1));
        }
        table.add(glyphs[k], shown); // for fonts that need no blanks
        shown = shown.substring(0, 1);
      }
      table.add(glyphs[k], shown);
    }
  }

  public void noteAll(GlyphTable other) {
    for (int k = 0; k < other.size(); k++) {
      table.add(other.glyph(k), other.text(k));
    }
  }
}
