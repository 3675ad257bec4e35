package decant.layout.block;

import decant.layout.block.TextUnits.Unit;
import decant.layout.item.Item;
import decant.layout.item.Item.Shown.Kind;
import decant.layout.item.TextStyle;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.text.Glyphs;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Joins neighbouring units of one look into one glyph run, for one line after the other. */
final class RunBuilder {
  private List<Item> out = List.of();
  private final Paragraph p;
  private final String text;
  private @Nullable TextStyle style;
  private int level;
  private double x;
  private double width;
  private int[] glyphs = new int[64];
  private float[] xs = new float[64];
  private float[] ys = new float[64];
  private int[] clusters = new int[64];
  private int count;
  private int from;
  private int to;
  private boolean objects;
  private String instead = "";

  /**
   * @param text of the paragraph
   */
  RunBuilder(Paragraph p, String text) {
    this.p = p;
    this.text = text;
  }

  /** Puts the runs among these items from now on. */
  RunBuilder into(List<Item> items) {
    this.out = items;
    return this;
  }

  void add(Unit u, double unitWidth, double at) {
    boolean shown = u.kind() == TextUnits.Kind.OBJECT;
    boolean joins =
        style != null
            && !shown
            && (style == u.style() || style.equals(u.style()))
            && level == u.level()
            && ((level & 1) == 0 ? to == u.from() : from == u.to());
    if (!joins) {
      flush();
      style = u.style();
      level = u.level();
      x = at;
      width = 0;
      from = u.from();
      to = u.to();
    }
    Glyphs g = u.glyphs();
    ensure(count + g.ids().length);
    double scale = u.style().size() / u.style().face().unitsPerEm();
    boolean stretches = u.isSpace() || u.kind() == TextUnits.Kind.WORD;
    double extra = stretches && g.ids().length > 0 ? (unitWidth - u.width()) / g.ids().length : 0;
    for (int k = 0; k < g.ids().length; k++) {
      glyphs[count] = g.ids()[k];
      xs[count] = (float) (at - x + g.x()[k] * scale + extra * k);
      ys[count] = (float) (g.y()[k] * scale);
      clusters[count] = shown ? u.from() : u.from() + g.clusters()[k];
      count++;
    }
    from = Math.min(from, u.from());
    to = Math.max(to, u.to());
    width = at - x + unitWidth;
    instead = shown ? u.shown() : "";
    objects = shown;
  }

  private void ensure(int n) {
    if (n > glyphs.length) {
      int size = Math.max(n, glyphs.length * 2);
      glyphs = Arrays.copyOf(glyphs, size);
      xs = Arrays.copyOf(xs, size);
      ys = Arrays.copyOf(ys, size);
      clusters = Arrays.copyOf(clusters, size);
    }
  }

  void flush() {
    TextStyle s = style;
    if (s != null && count > 0) {
      String characters = objects ? instead : text.substring(from, to);
      if (s.letters().allCaps() && !objects && s.meaning().field().isEmpty()) {
        characters = TextUnits.capitals(characters); // what is read is what is seen
      }
      out.add(
          new Item.GlyphRun(
              s.face(),
              s.size(),
              s.ink().colour(),
              x,
              s.rise(),
              width,
              new Item.Placed(
                  Arrays.copyOf(glyphs, count),
                  Arrays.copyOf(xs, count),
                  Arrays.copyOf(ys, count),
                  Arrays.copyOf(clusters, count),
                  (level & 1) == 1),
              new Item.Shown(kind(characters), from, to, characters),
              s.meaning()));
    }
    style = null;
    count = 0;
  }

  private Kind kind(String characters) {
    if (from == to) {
      return from == 0 ? Kind.LABEL : characters.equals("-") ? Kind.HYPHEN : Kind.TEXT;
    }
    if (to - from == 1) {
      char c = text.charAt(from);
      if (c == '\t') {
        return Kind.LEADER;
      }
      if (c == Inline.OBJECT && p.inlineAt(from) instanceof Inline.NoteMark) {
        return Kind.NOTE_MARK;
      }
    }
    return Kind.TEXT;
  }
}
