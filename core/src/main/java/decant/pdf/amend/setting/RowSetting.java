package decant.pdf.amend.setting;

import decant.pdf.amend.line.AmendLimits;
import decant.pdf.amend.line.Letter;
import decant.pdf.amend.line.LettersOfFont;
import decant.pdf.amend.line.Room;
import decant.pdf.amend.line.Row;
import decant.pdf.amend.setting.Setting.Word;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;

/**
 * Sets a line anew within its room: gaps become smaller first, then letters nearer, then all of it
 * smaller; beyond that it is left.
 */
public final class RowSetting {
  private final Row row;
  private final List<Part> parts = new ArrayList<>();
  private List<Letter> trailing = List.of();
  private final Set<Letter> gone = Collections.newSetFromMap(new IdentityHashMap<>());

  /**
   * What stands in the line after the change: a letter that stays, or a word that comes.
   *
   * @param letter its number in the line, or that of the first that went
   * @param gap from the end of the one before
   * @param apart whether the gap parts words
   * @param spaces letters in the gap that are spaces, each with where it stood in it, as a share
   */
  private record Part(
      int letter,
      Optional<Word> word,
      double width,
      double gap,
      boolean apart,
      Map<Letter, Double> spaces) {}

  private RowSetting(Row row) {
    this.row = row;
  }

  /**
   * @param edits of this line, in its order
   * @param words makes a word of a text in the looks of a letter
   * @return empty if the line has no room
   */
  public static Optional<Setting> of(
      Row row, List<Edit> edits, Room room, BiFunction<String, Letter, Word> words) {
    var s = new RowSetting(row);
    s.take(edits, words);
    return s.set(room);
  }

  private void take(List<Edit> edits, BiFunction<String, Letter, Word> words) {
    var gap = new Gap(row.left());
    int next = 0;
    int k = 0;
    while (k < row.letters().size()) {
      Edit e = next < edits.size() ? edits.get(next) : null;
      Letter l = row.letters().get(k);
      if (e != null && k == e.from()) {
        gap.endsAt(l.u, k > 0 && row.isApart(k));
        for (int g = e.from(); g < e.to(); g++) {
          goes(g);
        }
        boolean first = true;
        for (String text : e.text().isEmpty() ? List.<String>of() : List.of(e.text().split(" "))) {
          Word w = words.apply(text, l);
          add(k, Optional.of(w), w.width(), first ? gap : Gap.of(gapOf(l)));
          first = false;
        }
        gap =
            first ? gap.goingOn(row.letters().get(e.to() - 1).right()) : new Gap(right(e.to() - 1));
        k = e.to();
        next++;
        continue;
      }
      if (l.isSpace()) {
        gap.spaces.add(l);
      } else if (!l.text.isEmpty() || l.width != 0) {
        gap.endsAt(l.u, row.isApart(k));
        add(k, Optional.empty(), l.right() - l.u, gap);
        gap = new Gap(l.right());
      }
      k++;
    }
    trailing = List.copyOf(gap.spaces);
  }

  /** What lies between two letters. */
  private static final class Gap {
    private final List<Letter> spaces = new ArrayList<>();
    private double from;

    /** Less than nothing where letters are drawn together. */
    private double width = Double.NEGATIVE_INFINITY;

    private boolean apart;
    private boolean wordGone;

    private Gap(double from) {
      this.from = from;
    }

    private static Gap of(double width) {
      var g = new Gap(0);
      g.width = width;
      g.apart = true;
      return g;
    }

    private void endsAt(double u, boolean apart) {
      // Where a word went and none came, one of the gaps beside it goes too.
      width = Math.max(width, u - from);
      this.apart |= apart;
    }

    /** The same from behind a word that went. */
    private Gap goingOn(double right) {
      from = right;
      wordGone = true;
      return this;
    }

    /** Where each space stands in it; those behind a word that went go with it. */
    private Map<Letter, Double> shares() {
      Map<Letter, Double> out = Setting.letters();
      int n = 0;
      for (Letter l : spaces) {
        out.put(l, (double) n++ / spaces.size());
      }
      return out;
    }
  }

  private void add(int letter, Optional<Word> word, double width, Gap gap) {
    if (gap.wordGone && gap.spaces.size() > 1) {
      Letter last = gap.spaces.removeLast();
      gone.add(last);
    }
    double before = parts.isEmpty() ? 0 : gap.width;
    parts.add(new Part(letter, word, width, before, gap.apart, gap.shares()));
  }

  private void goes(int k) {
    gone.add(row.letters().get(k));
    gone.addAll(row.again().get(k));
  }

  private double right(int k) {
    return row.letters().get(k).right();
  }

  /** A gap as others of the line are, or as wide as the font's space. */
  private double gapOf(Letter like) {
    double[] gaps = new double[row.letters().size()];
    int n = 0;
    double right = row.left();
    for (int k = 0; k < row.letters().size(); k++) {
      Letter l = row.letters().get(k);
      if (l.isSpace()) {
        continue;
      }
      if (k > 0 && row.isApart(k)) {
        gaps[n++] = l.u - right;
      }
      right = l.right();
    }
    if (n > 0) {
      double[] all = java.util.Arrays.copyOf(gaps, n);
      java.util.Arrays.sort(all);
      return all[n / 2];
    }
    return spaceOf(like);
  }

  /** How wide a font's space is on the page, in points. */
  public static double spaceOf(Letter like) {
    double width =
        like.show.state.font().of(" ").stream()
            .flatMap(List::stream)
            .mapToDouble(LettersOfFont.Code::width)
            .sum();
    return (width > 0 ? width : AmendLimits.USUAL_GAP)
        * Math.abs(like.show.state.size() * like.show.state.stretch())
        * like.show.scale();
  }

  private Optional<Setting> set(Room room) {
    double natural = 0;
    double shrink = 0;
    double nearer = 0;
    double spaces = 0;
    int gaps = 0;
    for (int k = 0; k < parts.size(); k++) {
      Part p = parts.get(k);
      natural += p.width + (k == 0 ? 0 : p.gap);
      if (k > 0 && p.apart) {
        gaps++;
        spaces += p.gap;
        shrink += Math.max(0, p.gap - least(p));
      }
      nearer += letters(p) * AmendLimits.TIGHT_LETTERS * row.size();
    }
    int parted = gaps;
    double had = row.right() - row.left();
    double column = room.right() - room.left();
    double furthest = room.furthest() - room.left();
    final double over = natural - column;
    if (room.held() == Room.Held.BOTH && over < 0 && gaps > 0) {
      final double wider =
          Math.min(
              -over, spaces * AmendLimits.WIDE_GAP + gaps * AmendLimits.WIDER_GAP * row.size());
      return Optional.of(place(room, natural + wider, p -> wider / parted, 0, 1));
    }
    if (over <= 0.01 || natural <= had) {
      return Optional.of(place(room, natural, p -> 0, 0, 1));
    }
    double all = shrink;
    if (over <= shrink) {
      return Optional.of(place(room, column, p -> -(p.gap - least(p)) * over / all, 0, 1));
    }
    if (over <= shrink + nearer) {
      double by = (over - shrink) / nearer * AmendLimits.TIGHT_LETTERS * row.size();
      return Optional.of(place(room, column, p -> least(p) - p.gap, by, 1));
    }
    if (natural <= furthest) {
      return Optional.of(place(room, natural, p -> 0, 0, 1));
    }
    double widest = Math.max(column, furthest);
    double tight = natural - shrink - nearer;
    double scale = widest / tight;
    if (scale < AmendLimits.SMALLEST) {
      return Optional.empty();
    }
    double by = AmendLimits.TIGHT_LETTERS * row.size();
    return Optional.of(place(room, widest, p -> least(p) - p.gap, by, Math.min(1, scale)));
  }

  private double least(Part p) {
    return Math.min(
        p.gap, Math.max(p.gap * AmendLimits.TIGHT_GAP, AmendLimits.LEAST_GAP * row.size()));
  }

  /** How many gaps between letters it has, that before it among them. */
  private static int letters(Part p) {
    return p.word.map(w -> w.codes().size()).orElse(1);
  }

  private interface Giving {
    double by(Part p);
  }

  /**
   * @param width of all of it
   * @param giving by how much a gap between words changes
   * @param nearer by how much letters come nearer
   */
  private Setting place(Room room, double width, Giving giving, double nearer, double scale) {
    double u =
        switch (room.held()) {
          case LEFT, BOTH -> row.left();
          case RIGHT -> row.right() - width;
          case MIDDLE -> Math.max(room.left(), row.middle() - width / 2);
        };
    if (room.held() == Room.Held.MIDDLE) {
      u = Math.min(u, room.furthest() - width);
    }
    Map<Letter, Double> places = Setting.letters();
    var words = new ArrayList<Setting.Placed>();
    for (int k = 0; k < parts.size(); k++) {
      Part p = parts.get(k);
      double gap = k == 0 ? 0 : (p.gap + (p.apart ? giving.by(p) : 0) - nearer) * scale;
      double from = u;
      p.spaces.forEach((space, share) -> places.put(space, from + share * gap));
      u += gap;
      if (p.word.isPresent()) {
        place(p, u, words);
        u += (p.width - nearer * Math.max(0, letters(p) - 1)) * scale;
      } else {
        Letter l = row.letters().get(p.letter);
        places.put(l, u);
        for (Letter again : row.again().get(p.letter)) {
          places.put(again, u + (again.u - l.u) * scale);
        }
        u += p.width * scale;
      }
    }
    // Spaces at the end stay beyond the last letter; one of them at least.
    for (int k = 0; k < trailing.size(); k++) {
      Letter l = trailing.get(k);
      if (k == 0 || l.u >= u) {
        places.put(l, Math.max(u, l.u));
      } else {
        gone.add(l);
      }
    }
    boolean tightened = nearer > 0 || parts.stream().anyMatch(p -> p.apart && giving.by(p) < -0.01);
    return new Setting(row, places, gone, words, scale, nearer * scale, tightened);
  }

  /** Where a letter that went was shown twice, the word is. */
  private void place(Part p, double u, List<Setting.Placed> words) {
    Letter first = row.letters().get(p.letter);
    words.add(new Setting.Placed(p.word.orElseThrow(), first, u));
    for (Letter again : row.again().get(p.letter)) {
      words.add(new Setting.Placed(p.word.orElseThrow(), again, u + again.u - first.u));
    }
  }
}
