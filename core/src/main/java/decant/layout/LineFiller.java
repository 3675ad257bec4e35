package decant.layout;

import com.ibm.icu.text.Bidi;
import com.ibm.icu.text.BreakIterator;
import decant.layout.TextUnits.Kind;
import decant.layout.TextUnits.Unit;
import decant.model.Colour;
import decant.model.LinePitch;
import decant.model.Paragraph;
import decant.model.ParagraphTraits.Alignment;
import decant.model.ParagraphTraits.TabStop;
import decant.text.Glyphs;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Fills lines with units, first fit, and places what stands on each line. */
final class LineFiller {
  /**
   * Distance of the tab stops that every paragraph has, in points (half an inch, as office
   * documents use).
   */
  private static final double DEFAULT_TAB = 36;

  private static final double TOLERANCE = 0.01;

  private final TextUnits texts;
  private final Styles styles;

  LineFiller(TextUnits texts, Styles styles) {
    this.texts = texts;
    this.styles = styles;
  }

  ParagraphLayout set(Paragraph p, double width, @Nullable String label, FieldValues fields) {
    ParagraphStyle style = styles.paragraph(p);
    return new Setting(p, style, width, label, fields).run();
  }

  /** The setting of one paragraph. */
  private final class Setting {
    private final Paragraph p;
    private final ParagraphStyle style;
    private final double width;
    private final String text;
    private final List<Unit> units;
    private final Optional<Unit> label;
    private final List<Line> lines = new ArrayList<>();
    private double top;

    Setting(
        Paragraph p,
        ParagraphStyle style,
        double width,
        @Nullable String label,
        FieldValues fields) {
      this.p = p;
      this.style = style;
      this.width = width;
      this.text = p.text();
      this.units = texts.cut(p, style, fields);
      this.label =
          label == null || label.isEmpty() ? Optional.empty() : Optional.of(labelUnit(label));
    }

    private Unit labelUnit(String shown) {
      TextStyle look =
          styles.text(styles.base(p), p.lookAt(0).without(decant.model.TextTraits.LINK));
      // A bullet may be a character that the text's face lacks.
      var face = styles.fonts().stepIn(look.face(), shown.codePointAt(0));
      TextStyle served =
          look.face().covers(shown.codePointAt(0))
              ? look
              : new TextStyle(
                  face,
                  look.size(),
                  look.fullSize(),
                  0,
                  false,
                  false,
                  false,
                  false,
                  look.colour(),
                  Colour.WHITE,
                  Optional.empty());
      Glyphs g = texts.shape(served.face(), shown, style.rightToLeft() ? 1 : 0);
      int level = style.rightToLeft() ? 1 : 0;
      return new Unit(
          Kind.OBJECT, 0, 0, served, g, TextUnits.scaled(g, served), false, level, shown, null);
    }

    ParagraphLayout run() {
      int next = 0;
      while (next < units.size()) {
        next = fill(next);
      }
      boolean open = lines.isEmpty() || endsWithBreak();
      if (open) {
        emit(List.of(), text.length(), text.length(), true, false);
      }
      return new ParagraphLayout(p, style, width, lines);
    }

    private boolean endsWithBreak() {
      return !units.isEmpty() && units.getLast().kind() == Kind.LINE_BREAK;
    }

    private double lineStart() {
      double start = style.indentStart();
      if (lines.isEmpty()) {
        start += style.firstLine();
        if (label.isPresent()) {
          // Text begins where the label's tab leads: at the hanging indent, or the next stop.
          double after = start + label.get().width();
          double hang = style.indentStart();
          start = style.firstLine() < 0 && after <= hang ? hang : nextDefaultTab(after + 2);
        }
      }
      return start;
    }

    private double nextDefaultTab(double x) {
      return Math.floor(x / DEFAULT_TAB + 1) * DEFAULT_TAB;
    }

    /** Fills one line from a unit on and gives the first unit of the next. */
    private int fill(int first) {
      double start = lineStart();
      double available = Math.max(12, width - style.indentEnd() - start);
      double x = 0;
      int lastBreak = -1; // the unit after which the line may end
      int k = first;
      while (k < units.size()) {
        Unit u = units.get(k);
        if (u.kind() == Kind.LINE_BREAK || u.kind() == Kind.PAGE_BREAK) {
          emit(
              units.subList(first, k + 1),
              units.get(first).from(),
              u.to(),
              true,
              u.kind() == Kind.PAGE_BREAK);
          return k + 1;
        }
        double w = u.kind() == Kind.TAB ? tabAdvance(k, start + x, start + available) : u.width();
        boolean overflows = !u.isSpace() && x + w > available + TOLERANCE;
        if (overflows) {
          if (lastBreak >= first) {
            emit(
                units.subList(first, lastBreak + 1),
                units.get(first).from(),
                units.get(lastBreak).to(),
                false,
                false);
            return lastBreak + 1;
          }
          if (u.kind() == Kind.WORD && breakWord(k, available - x, k == first)) {
            emit(
                units.subList(first, k + 1),
                units.get(first).from(),
                units.get(k).to(),
                false,
                false);
            return k + 1;
          }
          if (k > first) {
            emit(units.subList(first, k), units.get(first).from(), u.from(), false, false);
            return k;
          }
        }
        x += w;
        if (u.breakAfter()) {
          lastBreak = k;
        }
        k++;
      }
      emit(units.subList(first, k), units.get(first).from(), text.length(), true, false);
      return k;
    }

    /**
     * Cuts a word that no line can hold where the line ends, between graphemes. False if nothing
     * fits.
     */
    private boolean breakWord(int k, double room, boolean alone) {
      Unit u = units.get(k);
      BreakIterator graphemes = BreakIterator.getCharacterInstance(Locale.ROOT);
      graphemes.setText(text.substring(u.from(), u.to()));
      int low = 0;
      double scale = u.style().size() / u.style().face().unitsPerEm();
      for (int g = graphemes.next(); g != BreakIterator.DONE; g = graphemes.next()) {
        double w =
            texts.shape(u.style().face(), text.substring(u.from(), u.from() + g), u.level()).width()
                * scale;
        if (w > room && low > 0 || w > room && !alone) {
          break;
        }
        low = g;
        if (w > room) {
          break; // a single grapheme wider than the line stands alone
        }
      }
      if (low == 0 || u.from() + low >= u.to()) {
        return false;
      }
      units.set(k, texts.part(u, text, u.from(), u.from() + low, true));
      units.add(k + 1, texts.part(u, text, u.from() + low, u.to(), u.breakAfter()));
      return true;
    }

    private TabStop stopAfter(double x) {
      for (TabStop t : style.tabs()) {
        if (t.at() > x + TOLERANCE) {
          return t;
        }
      }
      double hang = style.indentStart();
      if (x + TOLERANCE < hang) {
        return new TabStop(hang, TabStop.Kind.LEFT, false);
      }
      return new TabStop(nextDefaultTab(x + TOLERANCE), TabStop.Kind.LEFT, false);
    }

    private double tabAdvance(int k, double x, double limit) {
      TabStop stop = stopAfter(x);
      double following = 0;
      if (stop.kind() != TabStop.Kind.LEFT) {
        for (int j = k + 1; j < units.size(); j++) {
          Kind kind = units.get(j).kind();
          if (kind == Kind.TAB || kind == Kind.LINE_BREAK || kind == Kind.PAGE_BREAK) {
            break;
          }
          following += units.get(j).width();
        }
        following *= stop.kind() == TabStop.Kind.CENTRE ? 0.5 : 1;
      }
      double at = Math.min(stop.at(), stop.kind() == TabStop.Kind.LEFT ? stop.at() : limit);
      return Math.max(1, at - following - x);
    }

    private void emit(List<Unit> given, int from, int to, boolean last, boolean pageBreak) {
      List<Unit> line = new ArrayList<>(given);
      if (!last && !line.isEmpty()) {
        texts.hyphenAfter(line.getLast(), text).ifPresent(line::add);
      }
      double start = lineStart();
      double available = Math.max(12, width - style.indentEnd() - start);
      double[] widths = widths(line, start, start + available);
      double used = 0;
      int visible = visibleCount(line);
      for (int k = 0; k < visible; k++) {
        used += widths[k];
      }
      double slack = available - used;
      double x = start;
      boolean flushRight =
          (style.alignment() == Alignment.END) != style.rightToLeft()
              && style.alignment() != Alignment.CENTRE;
      switch (style.alignment()) {
        case CENTRE -> x += slack / 2;
        case JUSTIFIED -> {
          if (!last && slack > 0) {
            stretch(line, widths, visible, slack);
          } else if (style.rightToLeft()) {
            x += slack;
          }
        }
        case START, END -> x += flushRight ? slack : 0;
      }
      if (style.rightToLeft()) {
        // Indents mirror: the start is at the right.
        x += style.indentEnd() - start;
      }
      place(line, widths, x, from, to, pageBreak);
    }

    private int visibleCount(List<Unit> line) {
      int n = line.size();
      while (n > 0
          && (line.get(n - 1).isSpace()
              || line.get(n - 1).kind() == Kind.LINE_BREAK
              || line.get(n - 1).kind() == Kind.PAGE_BREAK)) {
        n--;
      }
      return n;
    }

    private double[] widths(List<Unit> line, double start, double limit) {
      double[] widths = new double[line.size()];
      double x = start;
      for (int k = 0; k < widths.length; k++) {
        Unit u = line.get(k);
        widths[k] =
            u.kind() == Kind.TAB ? tabAdvance(Math.max(0, units.indexOf(u)), x, limit) : u.width();
        x += widths[k];
      }
      return widths;
    }

    private void stretch(List<Unit> line, double[] widths, int visible, double slack) {
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
        return;
      }
      for (int k = from; k < visible; k++) {
        if (line.get(k).isSpace()) {
          widths[k] += slack * (line.get(k).to() - line.get(k).from()) / spaces;
        }
      }
    }

    private void place(
        List<Unit> line, double[] widths, double start, int from, int to, boolean pageBreak) {
      double ascent = 0;
      double descent = 0;
      boolean any = false;
      for (Unit u : line) {
        if (u.picture() != null) {
          ascent = Math.max(ascent, u.picture().height());
        } else {
          ascent = Math.max(ascent, u.style().ascent());
          descent = Math.max(descent, u.style().descent());
        }
        any = true;
      }
      if (!any || ascent + descent == 0) {
        TextStyle end =
            styles.text(styles.base(p), p.inlines().isEmpty() ? p.endLook() : p.lookAt(from));
        ascent = Math.max(ascent, end.ascent());
        descent = Math.max(descent, end.descent());
      }
      var items = new ArrayList<Item>();
      if (lines.isEmpty() && label.isPresent()) {
        placeLabel(items, start);
      }
      double x = start;
      int[] order = visualOrder(line);
      var run = new RunBuilder(items);
      for (int v : order) {
        Unit u = line.get(v);
        placeUnit(u, widths[v], x, run, items);
        x += widths[v];
      }
      run.flush();
      double natural = ascent + descent;
      double height =
          switch (style.pitch()) {
            case LinePitch.Multiple m -> natural * Math.max(0.1, m.factor());
            case LinePitch.AtLeast a -> Math.max(natural, a.points());
            case LinePitch.Exactly e -> Math.max(1, e.points());
          };
      double baseline =
          height
              - descent
              - (style.pitch() instanceof LinePitch.Exactly ? (height - natural) / 2 : 0);
      items.sort((a, b) -> Integer.compare(layer(a), layer(b)));
      lines.add(new Line(top, height, baseline, from, to, items, pageBreak));
      top += height;
    }

    private void placeLabel(List<Item> items, double textStart) {
      Unit u = label.orElseThrow();
      double x =
          style.rightToLeft()
              ? width - style.indentStart() - style.firstLine() - u.width()
              : style.indentStart() + style.firstLine();
      var run = new RunBuilder(items);
      placeUnit(u, u.width(), Math.min(x, style.rightToLeft() ? x : textStart), run, items);
      run.flush();
    }

    private int[] visualOrder(List<Unit> line) {
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
        levels[k] = (byte) (style.rightToLeft() ? 1 : 0); // UAX #9, L1
      }
      return Bidi.reorderVisual(levels);
    }

    private void placeUnit(Unit u, double w, double x, RunBuilder run, List<Item> items) {
      if (u.picture() != null) {
        run.flush();
        items.add(
            new Item.PictureBox(
                u.picture().media(),
                x,
                u.picture().width(),
                u.picture().height(),
                u.picture().alt(),
                u.from()));
        return;
      }
      decorate(u, w, x, items);
      switch (u.kind()) {
        case WORD, SPACE -> run.add(u, w, x, text);
        case OBJECT -> {
          run.flush();
          if (u.glyphs().ids().length > 0) {
            run.add(u, w, x, text);
            run.flush();
          }
        }
        case TAB -> {
          run.flush();
          if (w > 4 && hasLeader(x)) {
            leader(u, w, x, run);
          }
        }
        case LINE_BREAK, PAGE_BREAK -> {}
      }
    }

    private boolean hasLeader(double x) {
      return style.tabs().stream().anyMatch(TabStop::leader) && stopAfter(x).leader();
    }

    private void leader(Unit u, double w, double x, RunBuilder run) {
      Glyphs dot = texts.shape(u.style().face(), ".", 0);
      double dotWidth = TextUnits.scaled(dot, u.style());
      int n = (int) Math.floor((w - 4) / dotWidth);
      if (n > 1) {
        String dots = ".".repeat(Math.min(n, 400));
        Glyphs g = texts.shape(u.style().face(), dots, 0);
        double gw = TextUnits.scaled(g, u.style());
        var unit = new Unit(Kind.OBJECT, u.from(), u.to(), u.style(), g, gw, false, 0, dots, null);
        run.add(unit, gw, x + w - gw - 2, text);
        run.flush();
      }
    }

    private void decorate(Unit u, double w, double x, List<Item> items) {
      TextStyle s = u.style();
      if (!s.highlight().equals(Colour.WHITE)) {
        items.add(
            new Item.Fill(
                x,
                s.ascent(),
                w,
                s.ascent() + s.descent(),
                s.highlight(),
                Item.Fill.Role.BACKGROUND));
      }
      double em = s.size() / s.face().unitsPerEm();
      double thickness = Math.max(0.4, s.face().tables().underlineThickness() * em);
      if (s.underline()) {
        double y = s.rise() - s.face().tables().underlinePosition() * em + thickness / 2;
        line(items, x, y, w, thickness, s.colour());
      }
      if (s.strike()) {
        line(items, x, s.rise() + s.size() * 0.27, w, thickness, s.colour());
      }
    }

    private void line(
        List<Item> items, double x, double y, double w, double thickness, Colour colour) {
      // Lengthen the line before, so that it has no seams.
      if (!items.isEmpty()) {
        for (int k = items.size() - 1; k >= 0 && k >= items.size() - 3; k--) {
          if (items.get(k) instanceof Item.Fill f
              && f.role() == Item.Fill.Role.LINE
              && f.colour().equals(colour)
              && Math.abs(f.x() + f.width() - x) < 0.01
              && Math.abs(f.top() - y) < 0.01) {
            items.set(k, new Item.Fill(f.x(), y, f.width() + w, thickness, colour, f.role()));
            return;
          }
        }
      }
      items.add(new Item.Fill(x, y, w, thickness, colour, Item.Fill.Role.LINE));
    }

    private int layer(Item i) {
      return i instanceof Item.Fill f ? (f.role() == Item.Fill.Role.BACKGROUND ? 0 : 2) : 1;
    }
  }
}
