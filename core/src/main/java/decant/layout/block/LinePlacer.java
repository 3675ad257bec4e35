package decant.layout.block;

import com.ibm.icu.text.Bidi;
import decant.layout.block.TextUnits.Kind;
import decant.layout.block.TextUnits.Unit;
import decant.layout.item.Drawn;
import decant.layout.item.Exclusions.Lane;
import decant.layout.item.Item;
import decant.layout.item.Item.Fill.Pattern;
import decant.layout.item.Item.Fill.Role;
import decant.layout.item.Line;
import decant.layout.item.ParagraphStyle;
import decant.layout.item.TextStyle;
import decant.layout.label.Styles;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.Colour;
import decant.model.look.LinePitch;
import decant.model.look.ListDefinition;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.TextTraits.UnderlineKind;
import decant.text.Glyphs;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** Places the units of a filled line: alignment, order, height, lines under and through text. */
final class LinePlacer {
  /** Up to so many signs a leader has. */
  private static final int LONGEST_LEADER = 400;

  private final Paragraph p;
  private final ParagraphStyle style;
  private final LineBreaker.Frame frame;
  private final TextUnits texts;
  private final Styles styles;
  private final StorySetter stories;
  private final RunBuilder runs;

  LinePlacer(
      Paragraph p,
      String text,
      ParagraphStyle style,
      LineBreaker.Frame frame,
      TextUnits texts,
      Styles styles,
      StorySetter stories) {
    this.p = p;
    this.style = style;
    this.frame = frame;
    this.texts = texts;
    this.styles = styles;
    this.stories = stories;
    this.runs = new RunBuilder(p, text);
  }

  /**
   * A line to be placed.
   *
   * @param widths how far each unit advances
   * @param start where the text starts, from the left edge of the block
   * @param label of a list's item, on its first line
   * @param labelAt where it begins, if that does not follow from the list
   * @param last not stretched where lines are justified
   * @param ends the paragraph ends on it
   */
  record Given(
      List<Unit> units,
      double[] widths,
      double start,
      Lane lane,
      Optional<Unit> label,
      OptionalDouble labelAt,
      double top,
      int from,
      int to,
      boolean last,
      boolean ends,
      Line.Ends after) {}

  /** The height of a line of the paragraph's own text. */
  double usualHeight() {
    TextStyle s = styles.text(p, p.lookAt(0));
    return pitched(s.ascent() + s.descent(), s.ascent() + s.descent());
  }

  Line place(Given line) {
    double[] widths = line.widths();
    double available =
        Math.max(12, frame.width() - style.indents().end() - line.lane().right() - line.start());
    int visible = visibleCount(line.units());
    double used = 0;
    for (int k = 0; k < visible; k++) {
      used += widths[k];
    }
    double slack = available - used;
    double x = line.start();
    boolean flushRight =
        (style.lines().alignment() == Alignment.END) != style.lines().rightToLeft()
            && style.lines().alignment() != Alignment.CENTRE;
    switch (style.lines().alignment()) {
      case CENTRE -> x += slack / 2;
      case JUSTIFIED -> {
        if (!line.last() && slack > 0) {
          widths = stretched(line.units(), widths, visible, slack);
        } else if (style.lines().rightToLeft()) {
          x += slack;
        }
      }
      case START, END -> x += flushRight ? slack : 0;
    }
    if (style.lines().rightToLeft()) {
      // Indents mirror: the start is at the right.
      x += style.indents().end() + line.lane().right() - line.start();
      x += line.lane().left() - line.lane().right();
      // What is not seen at the end of the line hangs over its left edge.
      for (int k = visible; k < line.units().size(); k++) {
        x -= widths[k];
      }
    }
    return set(line, widths, x, visualOrder(line.units()));
  }

  private static int visibleCount(List<Unit> line) {
    int n = line.size();
    while (n > 0 && (line.get(n - 1).isSpace() || line.get(n - 1).endsLine())) {
      n--;
    }
    return n;
  }

  private static double[] stretched(List<Unit> line, double[] widths, int visible, double slack) {
    int from = 0; // what stands before a tab keeps its place
    for (int k = 0; k < visible; k++) {
      if (line.get(k).kind() == Kind.TAB) {
        from = k + 1;
      }
    }
    int spaces = 0;
    for (int k = from; k < visible; k++) {
      spaces += line.get(k).isSpace() ? line.get(k).to() - line.get(k).from() : 0;
    }
    if (spaces == 0) {
      return widths;
    }
    double[] out = widths.clone();
    for (int k = from; k < visible; k++) {
      if (line.get(k).isSpace()) {
        out[k] += slack * (line.get(k).to() - line.get(k).from()) / spaces;
      }
    }
    return out;
  }

  /**
   * A line whose units are as wide as is given, from where it starts.
   *
   * @param order of the units from left to right
   */
  Line set(Given line, int[] order) {
    return set(line, line.widths(), line.start(), order);
  }

  private Line set(Given line, double[] widths, double start, int[] order) {
    double ascent = 0;
    double descent = 0;
    double objects = 0;
    boolean any = false;
    var drawn = new java.util.IdentityHashMap<Unit, Drawn>();
    for (Unit u : line.units()) {
      switch (u.object()) {
        case Inline.Picture pic -> objects = Math.max(objects, pic.height());
        case Inline.Shape shape -> {
          Drawn d = Shapes.drawn(shape, stories);
          drawn.put(u, d);
          objects = Math.max(objects, d.height());
        }
        case null, default -> {
          ascent = Math.max(ascent, u.style().ascent());
          descent = Math.max(descent, u.style().descent());
        }
      }
      any |= u.kind() != Kind.PAGE_BREAK && u.kind() != Kind.COLUMN_BREAK;
    }
    if (!any && objects == 0 || line.ends() || ascent + descent == 0) {
      // The end of the paragraph is as high as text in its look would be.
      TextStyle end = styles.end(p);
      ascent = Math.max(ascent, end.ascent());
      descent = Math.max(descent, end.descent());
    }
    double words = ascent + descent;
    double natural = Math.max(ascent, objects) + descent;
    double height = pitched(natural, words);
    double baseline =
        height
            - descent
            - (style.lines().pitch() instanceof LinePitch.Exactly ? (height - natural) / 2 : 0);
    var items = new ArrayList<Item>();
    line.label().ifPresent(l -> placeLabel(items, l, start, line.labelAt()));
    double x = start;
    runs.into(items);
    for (int v : order) {
      Unit u = line.units().get(v);
      placeUnit(u, widths[v], x, runs, items, drawn.get(u));
      x += widths[v];
    }
    runs.flush();
    items.sort((a, b) -> Integer.compare(layer(a), layer(b)));
    return new Line(
        line.top(),
        height,
        baseline,
        line.lane().left(),
        line.lane().right(),
        line.from(),
        line.to(),
        items,
        line.after());
  }

  /**
   * The height of a line by the paragraph's pitch (§17.3.1.33): a multiple counts for the text, not
   * for what stands on the line with it.
   */
  private double pitched(double natural, double words) {
    double height =
        switch (style.lines().pitch()) {
          case LinePitch.Multiple m -> natural + words * (Math.max(0.1, m.factor()) - 1);
          case LinePitch.AtLeast a -> Math.max(natural, a.points());
          case LinePitch.Exactly e -> Math.max(1, e.points());
        };
    boolean snaps =
        frame.grid() > 0
            && style.lines().snaps()
            && !(style.lines().pitch() instanceof LinePitch.Exactly);
    return snaps ? Math.ceil(height / frame.grid() - 0.01) * frame.grid() : height;
  }

  private void placeLabel(List<Item> items, Unit u, double textStart, OptionalDouble given) {
    double at = style.indents().start() + style.indents().firstLine();
    Alignment alignment =
        styles.level(p).map(ListDefinition.Level::alignment).orElse(Alignment.START);
    double back =
        switch (alignment) {
          case CENTRE -> u.width() / 2;
          case END -> u.width();
          default -> 0;
        };
    double x =
        given.orElse(
            style.lines().rightToLeft()
                ? frame.width() - at - u.width() + back
                : Math.min(at - back, textStart));
    runs.into(items);
    placeUnit(u, u.width(), x, runs, items, null);
    runs.flush();
  }

  /** The order of units from left to right. */
  int[] visualOrder(List<Unit> line) {
    int[] order = new int[line.size()];
    boolean plain = true;
    byte[] levels = new byte[line.size()];
    for (int k = 0; k < order.length; k++) {
      order[k] = k;
      levels[k] = (byte) line.get(k).level();
      plain &= levels[k] == 0;
    }
    if (plain) {
      return order;
    }
    for (int k = visibleCount(line); k < levels.length; k++) {
      levels[k] = (byte) (style.lines().rightToLeft() ? 1 : 0); // UAX #9, L1
    }
    return Bidi.reorderVisual(levels);
  }

  private void placeUnit(
      Unit u,
      double w,
      double x,
      RunBuilder run,
      List<Item> items,
      @org.jspecify.annotations.Nullable Drawn drawn) {
    if (u.object() instanceof Inline.Picture pic) {
      run.flush();
      items.add(Item.PictureBox.of(pic, x, u.from()));
      return;
    }
    if (drawn != null) {
      run.flush();
      items.add(new Item.ShapeBox(drawn, x, drawn.shape().width(), drawn.height(), u.from()));
      return;
    }
    decorate(u, w, x, items);
    switch (u.kind()) {
      case WORD, SPACE -> run.add(u, w, x);
      case OBJECT -> {
        run.flush();
        if (u.glyphs().ids().length > 0) {
          run.add(u, w, x);
          run.flush();
        }
      }
      case TAB -> {
        run.flush();
        TabStop stop = style.stopAfter(x, styles.sheet().typesetting().tabDistance());
        if (w > 4 && stop.leader() != TabStop.Leader.NONE) {
          leader(u, stop.leader().sign(), w, x, run);
        }
      }
      case LINE_BREAK, COLUMN_BREAK, PAGE_BREAK -> {}
    }
  }

  private void leader(Unit u, String sign, double w, double x, RunBuilder run) {
    double signWidth = TextUnits.scaled(texts.shape(u.style(), sign, 0), u.style());
    int n = (int) Math.floor((w - 4) / signWidth);
    if (n > 1) {
      String signs = sign.repeat(Math.min(n, LONGEST_LEADER));
      Glyphs g = texts.shape(u.style(), signs, 0);
      double gw = TextUnits.scaled(g, u.style());
      var unit = new Unit(Kind.OBJECT, u.from(), u.to(), u.style(), g, gw, false, 0, signs);
      run.add(unit, gw, x + w - gw - 2);
      run.flush();
    }
  }

  private void decorate(Unit u, double w, double x, List<Item> items) {
    TextStyle s = u.style();
    if (!s.ink().highlight().equals(Colour.WHITE)) {
      items.add(
          new Item.Fill(
              x,
              s.ascent(),
              w,
              s.ascent() + s.descent(),
              s.ink().highlight(),
              Role.BACKGROUND,
              Pattern.SOLID));
    }
    TextStyle.Decoration lines = s.ink().decoration();
    if (lines.isNone()) {
      return;
    }
    double em = s.size() / s.face().unitsPerEm();
    double thickness = Math.max(0.4, s.face().tables().underlineThickness() * em);
    if (lines.underline().isPresent()
        && !(lines.underline().get() == UnderlineKind.WORDS && u.isSpace())) {
      double y = s.rise() - s.face().tables().underlinePosition() * em + thickness / 2;
      switch (lines.underline().get()) {
        case SINGLE, WORDS -> line(items, x, y, w, thickness, s.ink().colour(), Pattern.SOLID);
        case THICK -> line(items, x, y, w, 2 * thickness, s.ink().colour(), Pattern.SOLID);
        case DOUBLE -> {
          line(items, x, y, w, thickness, s.ink().colour(), Pattern.SOLID);
          line(items, x, y - 2 * thickness, w, thickness, s.ink().colour(), Pattern.SOLID);
        }
        case DOTTED -> line(items, x, y, w, thickness, s.ink().colour(), Pattern.DOTTED);
        case DASHED -> line(items, x, y, w, thickness, s.ink().colour(), Pattern.DASHED);
        case WAVE -> line(items, x, y, w, thickness, s.ink().colour(), Pattern.WAVE);
      }
    }
    double middle = s.rise() + s.size() * 0.27;
    if (lines.doubleStrike()) {
      line(items, x, middle + thickness, w, thickness, s.ink().colour(), Pattern.SOLID);
      line(items, x, middle - thickness, w, thickness, s.ink().colour(), Pattern.SOLID);
    } else if (lines.strike()) {
      line(items, x, middle, w, thickness, s.ink().colour(), Pattern.SOLID);
    }
  }

  private static void line(
      List<Item> items,
      double x,
      double y,
      double w,
      double thickness,
      Colour colour,
      Pattern pattern) {
    // Lengthen the line before, so that it has no seams.
    for (int k = items.size() - 1; k >= 0 && k >= items.size() - 4; k--) {
      if (items.get(k) instanceof Item.Fill f
          && f.role() == Role.LINE
          && f.pattern() == pattern
          && f.colour().equals(colour)
          && Math.abs(f.x() + f.width() - x) < 0.01
          && Math.abs(f.top() - y) < 0.01) {
        items.set(k, new Item.Fill(f.x(), y, f.width() + w, thickness, colour, f.role(), pattern));
        return;
      }
    }
    items.add(new Item.Fill(x, y, w, thickness, colour, Role.LINE, pattern));
  }

  private static int layer(Item i) {
    return i instanceof Item.Fill f ? (f.role() == Role.BACKGROUND ? 0 : 2) : 1;
  }
}
