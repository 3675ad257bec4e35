package decant.layout.block;

import com.ibm.icu.text.BreakIterator;
import decant.layout.block.TextUnits.Kind;
import decant.layout.block.TextUnits.Unit;
import decant.layout.item.Exclusions;
import decant.layout.item.Exclusions.Lane;
import decant.layout.item.Line;
import decant.layout.item.ParagraphLayout;
import decant.layout.item.ParagraphStyle;
import decant.layout.item.TextStyle;
import decant.layout.label.FieldValues;
import decant.layout.label.Styles;
import decant.model.Paragraph;
import decant.model.SetBlock;
import decant.model.look.ListDefinition;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.Typesetting;
import decant.text.Hyphenator;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;

/** Fills lines with units, first fit. */
final class LineBreaker {

  /** The least room beside something in the way that a line is set in: an inch. */
  private static final double MIN_LANE = 72;

  private final TextUnits texts;
  private final Styles styles;

  LineBreaker(TextUnits texts, Styles styles) {
    this.texts = texts;
    this.styles = styles;
  }

  Styles styles() {
    return styles;
  }

  TextUnits texts() {
    return texts;
  }

  /**
   * What a paragraph is set into.
   *
   * @param label of a list's item, if it is one
   * @param lanes what room lines have
   * @param laneLines how many lines the lanes are for; those after stand on the next page
   * @param grid distance of the lines that text snaps to; 0 for none
   */
  record Frame(
      double width,
      @Nullable String label,
      FieldValues fields,
      Exclusions lanes,
      int laneLines,
      double grid) {}

  /**
   * @param was where its source had it, if it is to be set as it was there
   */
  ParagraphLayout set(Paragraph p, Frame frame, StorySetter stories, Optional<SetBlock> was) {
    ParagraphStyle style = styles.paragraph(p);
    var setting = new Setting(p, style, frame, stories);
    return was.filter(w -> AsFoundLines.fit(w, frame.width()))
        .flatMap(w ->
            new AsFoundLines(
                    new ArrayList<>(setting.units),
                    setting.text,
                    texts,
                    setting.placer,
                    setting.label)
                .set(p, style, frame.width(), w))
        .orElseGet(setting::run);
  }

  /** The setting of one paragraph. */
  private final class Setting {
    private final Paragraph p;
    private final ParagraphStyle style;
    private final Frame frame;
    private final Typesetting typesetting;
    private final String text;
    private final List<Unit> units;
    private final Optional<Unit> label;
    private final LinePlacer placer;
    private final List<Line> lines = new ArrayList<>();
    private double top;

    /** The rest of the room at the height of the last line, beyond what stands amid the width. */
    private final Deque<Lane> beyond = new ArrayDeque<>();

    /** The first line of those that stand beside each other at the height of the last one. */
    private int bandStart;

    Setting(Paragraph p, ParagraphStyle style, Frame frame, StorySetter stories) {
      this.p = p;
      this.style = style;
      this.frame = frame;
      this.typesetting = styles.sheet().typesetting();
      this.text = p.text();
      this.units = texts.cut(p, text, style, frame.fields());
      this.placer = new LinePlacer(p, text, style, frame, texts, styles, stories);
      String shown = frame.label();
      this.label =
          shown == null || shown.isEmpty() ? Optional.empty() : Optional.of(labelUnit(shown));
    }

    private Unit labelUnit(String shown) {
      TextStyle look = styles.label(p);
      // A bullet may be a character that the text's face lacks.
      TextStyle served =
          look.face().covers(shown.codePointAt(0))
              ? look
              : look.in(styles.fonts().stepIn(look.face(), shown.codePointAt(0)));
      int level = style.lines().rightToLeft() ? 1 : 0;
      var g = texts.shape(served, shown, level);
      return new Unit(
          Kind.OBJECT, 0, 0, served, g, TextUnits.scaled(g, served), false, level, shown);
    }

    ParagraphLayout run() {
      int next = 0;
      while (next < units.size()) {
        next = fill(next);
      }
      if (lines.isEmpty() || units.getLast().kind() == Kind.LINE_BREAK) {
        Lane lane = lane();
        double start = lineStart(lane);
        emit(
            List.of(),
            new double[0],
            lane,
            start,
            text.length(),
            text.length(),
            true,
            Line.Ends.NOTHING);
      }
      return new ParagraphLayout(p, style, frame.width(), lines);
    }

    /** Where the text of the next line starts, from the left edge of the block. */
    private double lineStart(Lane lane) {
      double start = style.indents().start() + lane.left();
      if (lines.isEmpty()) {
        start += style.indents().firstLine();
        if (label.isPresent()) {
          start = afterLabel(start);
        }
      }
      return start;
    }

    /** Where the text stands after the label that begins, centres or ends at a place (§17.9.7). */
    private double afterLabel(double at) {
      Optional<ListDefinition.Level> level = styles.level(p);
      double w = label.orElseThrow().width();
      double end =
          switch (level
              .map(ListDefinition.Level::alignment)
              .orElse(decant.model.look.ParagraphTraits.Alignment.START)) {
            case CENTRE -> at + w / 2;
            case END -> at;
            default -> at + w;
          };
      return switch (level.map(ListDefinition.Level::follow).orElse(ListDefinition.Follow.TAB)) {
        case TAB -> stopAfter(end).at();
        case SPACE -> end + texts.spaceWidth(styles.label(p));
        case NOTHING -> end;
      };
    }

    private Lane lane() {
      if (!beyond.isEmpty()) {
        return beyond.removeFirst();
      }
      bandStart = lines.size();
      if (frame.lanes() == Exclusions.FREE || lines.size() >= frame.laneLines()) {
        return new Lane(0, 0, top);
      }
      double height = placer.usualHeight();
      double own = frame.width() - style.indents().start() - style.indents().end();
      List<Lane> lanes = frame.lanes().at(top, height);
      for (int tries = 0; tries < 200; tries++) {
        for (Lane lane : lanes) {
          double room = own - lane.left() - lane.right();
          if (lane.isFree() || room >= Math.min(MIN_LANE, own)) {
            add(lane);
          }
        }
        if (!beyond.isEmpty()) {
          return beyond.removeFirst();
        }
        // Too narrow here: further down, line by line.
        lanes = frame.lanes().at(lanes.getFirst().top() + height / 2, height);
      }
      return lanes.getFirst();
    }

    private void add(Lane lane) {
      if (style.lines().rightToLeft()) {
        beyond.addFirst(lane);
      } else {
        beyond.addLast(lane);
      }
    }

    /** Fills one line from a unit on and gives the first unit of the next. */
    private int fill(int first) {
      Lane lane = lane();
      double start = lineStart(lane);
      double available = Math.max(12, frame.width() - style.indents().end() - lane.right() - start);
      double[] widths = new double[Math.min(64, units.size() - first + 1)];
      double x = 0;
      int lastBreak = -1; // the unit after which the line may end
      int k = first;
      while (k < units.size()) {
        Unit u = units.get(k);
        if (k - first >= widths.length) {
          widths = java.util.Arrays.copyOf(widths, widths.length * 2);
        }
        widths[k - first] =
            u.kind() == Kind.TAB ? tabAdvance(k, start + x, start + available) : u.width();
        if (u.endsLine()) {
          Line.Ends ends =
              switch (u.kind()) {
                case PAGE_BREAK -> Line.Ends.PAGE;
                case COLUMN_BREAK -> Line.Ends.COLUMN;
                default -> Line.Ends.NOTHING;
              };
          beyond.clear(); // a break leads to the next line (§17.18.3)
          boolean last = ends != Line.Ends.NOTHING || !typesetting.expandsLastLines();
          end(first, k + 1, widths, lane, start, last, ends);
          return k + 1;
        }
        boolean overflows =
            !u.isSpace() && x + widths[k - first] > available + ParagraphStyle.TOLERANCE;
        if (overflows) {
          int hyphenated = hyphenate(k, start + available, start + x);
          if (hyphenated > 0) {
            widths = widthsOf(first, hyphenated, start, available);
            end(first, hyphenated, widths, lane, start, false, Line.Ends.NOTHING);
            return hyphenated;
          }
          if (lastBreak >= first) {
            end(first, lastBreak + 1, widths, lane, start, false, Line.Ends.NOTHING);
            return lastBreak + 1;
          }
          if (u.kind() == Kind.WORD && breakWord(k, available - x, k == first)) {
            widths[k - first] = units.get(k).width();
            end(first, k + 1, widths, lane, start, false, Line.Ends.NOTHING);
            return k + 1;
          }
          if (k > first) {
            end(first, k, widths, lane, start, false, Line.Ends.NOTHING);
            return k;
          }
        }
        x += widths[k - first];
        if (u.breakAfter()) {
          lastBreak = k;
        }
        k++;
      }
      end(first, k, widths, lane, start, true, Line.Ends.NOTHING);
      return k;
    }

    private double[] widthsOf(int first, int end, double start, double available) {
      double[] widths = new double[end - first];
      double x = start;
      for (int k = first; k < end; k++) {
        Unit u = units.get(k);
        widths[k - first] = u.kind() == Kind.TAB ? tabAdvance(k, x, start + available) : u.width();
        x += widths[k - first];
      }
      return widths;
    }

    private void end(
        int first,
        int end,
        double[] widths,
        Lane lane,
        double start,
        boolean last,
        Line.Ends after) {
      List<Unit> line = units.subList(first, end);
      double[] own = widths;
      if (!last && !line.isEmpty() && line.getLast().hyphen()) {
        line = new ArrayList<>(line);
        line.add(texts.hyphenAfter(line.getLast()));
        own = java.util.Arrays.copyOf(widths, Math.max(widths.length, line.size()));
        own[line.size() - 1] = line.getLast().width();
      }
      int to = end == units.size() ? text.length() : units.get(end - 1).to();
      emit(line, own, lane, start, units.get(first).from(), to, last, after);
    }

    private void emit(
        List<Unit> line,
        double[] widths,
        Lane lane,
        double start,
        int from,
        int to,
        boolean last,
        Line.Ends after) {
      Optional<Unit> shown = lines.isEmpty() ? label : Optional.empty();
      boolean ends = to == text.length();
      Line placed =
          placer.place(
              new LinePlacer.Given(
                  line,
                  widths,
                  start,
                  lane,
                  shown,
                  OptionalDouble.empty(),
                  lane.top(),
                  from,
                  to,
                  last,
                  ends,
                  after));
      lines.add(placed);
      if (bandStart < lines.size() - 1) {
        level();
      }
      top = lines.getLast().bottom();
    }

    /** Puts the lines that stand beside each other on one baseline. */
    private void level() {
      List<Line> band = lines.subList(bandStart, lines.size());
      double above = band.stream().mapToDouble(Line::baseline).max().orElse(0);
      double below = band.stream().mapToDouble(l -> l.height() - l.baseline()).max().orElse(0);
      band.replaceAll(l -> l.leveled(above + below, above));
    }

    /**
     * Divides the word that runs over the end of a line, if the document asks for it and a part of
     * it fits, and gives the unit after the first part; 0 if not.
     */
    private int hyphenate(int k, double limit, double x) {
      Unit u = units.get(k);
      if (!typesetting.hyphenates()
          || !style.lines().hyphenates()
          || u.kind() != Kind.WORD
          || u.to() - u.from() < 5) {
        return 0;
      }
      Optional<Hyphenator> hyphenator = Hyphenator.of(u.style().shaping().language());
      if (hyphenator.isEmpty() || startsAmidWord(k)) {
        return 0;
      }
      String word = text.substring(u.from(), u.to());
      int letters = 0;
      while (letters < word.length() && Character.isLetter(word.charAt(letters))) {
        letters++;
      }
      boolean[] at = hyphenator.get().divisions(word.substring(0, letters));
      double hyphen = TextUnits.scaled(texts.shape(u.style(), "-", u.level()), u.style());
      for (int n = letters - 1; n > 0; n--) {
        if (at[n]) {
          Unit head = texts.part(u, text, u.from(), u.from() + n, true, true);
          if (x + head.width() + hyphen <= limit + ParagraphStyle.TOLERANCE) {
            units.set(k, head);
            units.add(k + 1, texts.part(u, text, u.from() + n, u.to(), u.breakAfter(), u.hyphen()));
            return k + 1;
          }
        }
      }
      return 0;
    }

    /** Whether the unit before goes on into this one: a word of two looks is not divided. */
    private boolean startsAmidWord(int k) {
      return k > 0 && units.get(k - 1).kind() == Kind.WORD && !units.get(k - 1).breakAfter();
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
      for (int g = graphemes.next(); g != BreakIterator.DONE; g = graphemes.next()) {
        double w = texts.part(u, text, u.from(), u.from() + g, false, false).width();
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
      units.set(k, texts.part(u, text, u.from(), u.from() + low, true, false));
      units.add(k + 1, texts.part(u, text, u.from() + low, u.to(), u.breakAfter(), u.hyphen()));
      return true;
    }

    private TabStop stopAfter(double x) {
      return style.stopAfter(x, typesetting.tabDistance());
    }

    private double tabAdvance(int k, double x, double limit) {
      TabStop stop = stopAfter(x);
      double following = 0;
      if (stop.kind() != TabStop.Kind.LEFT) {
        for (int j = k + 1; j < units.size(); j++) {
          Unit u = units.get(j);
          if (u.kind() == Kind.TAB || u.endsLine()) {
            break;
          }
          int decimal = stop.kind() == TabStop.Kind.DECIMAL ? u.decimalIn(text) : -1;
          if (decimal >= 0) {
            following +=
                decimal == 0
                    ? 0
                    : texts.part(u, text, u.from(), u.from() + decimal, false, false).width();
            break;
          }
          following += u.width();
        }
        following *= stop.kind() == TabStop.Kind.CENTRE ? 0.5 : 1;
      }
      double at = Math.min(stop.at(), stop.kind() == TabStop.Kind.LEFT ? stop.at() : limit);
      return Math.max(1, at - following - x);
    }
  }
}
