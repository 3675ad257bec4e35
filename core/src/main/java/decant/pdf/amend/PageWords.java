package decant.pdf.amend;

import decant.pdf.amend.line.Found;
import decant.pdf.amend.line.Letter;
import decant.pdf.amend.line.LettersOfFont;
import decant.pdf.amend.line.LettersOfFont.Code;
import decant.pdf.amend.line.PageLetters;
import decant.pdf.amend.line.Room;
import decant.pdf.amend.line.Row;
import decant.pdf.amend.line.Rows;
import decant.pdf.amend.line.Search;
import decant.pdf.amend.line.Show;
import decant.pdf.amend.setting.Edit;
import decant.pdf.amend.setting.LineDifference;
import decant.pdf.amend.setting.LineRooms;
import decant.pdf.amend.setting.Reflow;
import decant.pdf.amend.setting.RowSetting;
import decant.pdf.amend.setting.Setting;
import decant.pdf.amend.setting.Setting.Word;
import decant.pdf.amend.setting.SubstituteFont;
import decant.text.DividedWords;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.apache.pdfbox.pdmodel.PDPage;

/** Replaces words on one page: which of them can be, and how their lines stand then. */
final class PageWords {
  private final PDPage page;
  private final List<Row> rows;
  private final LineRooms rooms;
  private final SubstituteFont.All substitutes;
  private final List<Left> left = new ArrayList<>();
  private final Map<Row, List<Edit>> accepted = new IdentityHashMap<>();
  private final Map<Row, Setting> settings = new IdentityHashMap<>();
  private final TreeSet<String> brought = new TreeSet<>();
  private final List<Crowded> crowded = new ArrayList<>();
  private final Hyphens hyphens;
  private int changed;
  private boolean smaller;
  private int lines;

  /** Words that have no room in their lines, unless words below these give way. */
  private record Crowded(Found where, List<Edit> edits, String said) {
    private Row first() {
      return edits.getFirst().row();
    }
  }

  /** What a hyphen parts at the end of a line. */
  @FunctionalInterface
  interface Hyphens {
    DividedWords.Hyphen between(String head, String tail);
  }

  /** Thrown where a line cannot be set. */
  private static final class Unset extends Exception {
    private static final long serialVersionUID = 1;
    private final Left.Reason reason;

    private Unset(Left.Reason reason) {
      super(reason.name());
      this.reason = reason;
    }
  }

  private PageWords(
      PDPage page, PageLetters.Result content, SubstituteFont.All substitutes, Hyphens hyphens) {
    this.page = page;
    this.rows = Rows.of(content.letters());
    this.rooms = new LineRooms(page, rows, content.uprights());
    this.substitutes = substitutes;
    this.hyphens = hyphens;
  }

  /**
   * @param number of the page, from 1
   */
  static PageWords of(
      PDPage page,
      int number,
      PageLetters.Result content,
      List<Replacement> all,
      SubstituteFont.All substitutes,
      Hyphens hyphens) {
    var p = new PageWords(page, content, substitutes, hyphens);
    for (Replacement r : all) {
      for (Found f : Search.in(p.rows, r.words())) {
        p.replace(f, r, number);
      }
      // Letters that run to the left stand in the line the other way round.
      if (runsLeft(r.words())) {
        String seen = new StringBuilder(r.words()).reverse().toString();
        Search.in(p.rows, seen)
            .forEach(f -> p.left.add(new Left(number, r.words(), Left.Reason.RIGHT_TO_LEFT)));
      }
    }
    p.left.addAll(standing(content, number, all));
    p.goOn(number);
    return p;
  }

  /** Words in lines that run from head to foot, which are no rows. */
  private static List<Left> standing(
      PageLetters.Result content, int number, List<Replacement> all) {
    if (content.shows().stream().noneMatch(s -> s.state.font().isVertical())) {
      return List.of();
    }
    var text = new StringBuilder();
    for (Letter l : content.letters()) {
      text.append(l.show.state.font().isVertical() ? l.text : "\n");
    }
    return all.stream()
        .filter(r -> WholeWords.said(r.words()).test(text.toString()))
        .map(r -> new Left(number, r.words(), Left.Reason.VERTICAL))
        .toList();
  }

  private static boolean runsLeft(String s) {
    return s.codePoints()
        .map(Character::getDirectionality)
        .anyMatch(d ->
            d == Character.DIRECTIONALITY_RIGHT_TO_LEFT
                || d == Character.DIRECTIONALITY_RIGHT_TO_LEFT_ARABIC);
  }

  /** What the page said before. */
  SaidOnPage before(List<Replacement> all) {
    return SaidOnPage.of(rows, all);
  }

  int changed() {
    return changed;
  }

  List<Left> left() {
    return left;
  }

  /** In the order of the page. */
  List<Setting> settings() {
    return rows.stream().map(settings::get).filter(Objects::nonNull).toList();
  }

  /** Fonts that are brought for letters that the file's lack. */
  List<String> brought() {
    return List.copyOf(brought);
  }

  /** Whether a line had to become smaller. */
  boolean smaller() {
    return smaller;
  }

  /**
   * Makes a line say something else.
   *
   * @param index of the line among those of the page
   */
  static PageWords ofLine(
      PDPage page,
      int number,
      PageLetters.Result content,
      int index,
      String text,
      SubstituteFont.All substitutes,
      Hyphens hyphens) {
    var p = new PageWords(page, content, substitutes, hyphens);
    Row row = p.rows.get(index);
    LineDifference.between(row, text)
        .ifPresent(e -> {
          Found where = new Found(List.of(new Found.Piece(row, e.from(), e.to(), 0)), true);
          p.replace(where, List.of(e), LineDifference.text(row), number);
        });
    p.goOn(number);
    return p;
  }

  /** How wide words are in the looks of a line's first letter, with the gaps it has. */
  private double width(String text, Row like) {
    Letter first = like.letters().getFirst();
    double out = 0;
    int n = 0;
    for (String w : text.split(" ")) {
      try {
        out += word(w, first).width();
      } catch (Unset e) {
        return Double.MAX_VALUE;
      }
      n++;
    }
    return out + (n - 1) * RowSetting.spaceOf(first);
  }

  /** How many lines were set anew where words went on in lines below; 0 if none did. */
  int lines() {
    return lines;
  }

  private void replace(Found f, Replacement r, int number) {
    replace(f, Edit.of(f, r.with()), r.words(), number);
  }

  private void replace(Found f, List<Edit> edits, String said, int number) {
    try {
      check(f);
      if (edits.isEmpty()) {
        changed++; // the same words stand there already
        return;
      }
      Map<Row, List<Edit>> tried = with(edits);
      if (tried.isEmpty()) {
        return; // another replacement has it already
      }
      Map<Row, Setting> set = set(tried);
      if (set.values().stream().anyMatch(s -> s.scale() != 1)) {
        crowded.add(new Crowded(f, edits, said));
        return;
      }
      accept(tried, set);
      changed++;
    } catch (Unset e) {
      if (e.reason == Left.Reason.NO_ROOM) {
        crowded.add(new Crowded(f, edits, said));
      } else {
        left.add(new Left(number, said, e.reason));
      }
    }
  }

  /** What is changed already in the lines of more changes, with these; empty if they overlap. */
  private Map<Row, List<Edit>> with(List<Edit> more) {
    Map<Row, List<Edit>> out = new IdentityHashMap<>();
    for (Edit e : more) {
      List<Edit> all =
          out.computeIfAbsent(e.row(), k -> new ArrayList<>(accepted.getOrDefault(k, List.of())));
      if (all.stream().anyMatch(o -> o.from() < e.to() && e.from() < o.to())) {
        return Map.of();
      }
      all.add(e);
      all.sort(PageChange.inOrder());
    }
    return out;
  }

  private Map<Row, Setting> set(Map<Row, List<Edit>> tried) throws Unset {
    Map<Row, Setting> out = new IdentityHashMap<>();
    for (Map.Entry<Row, List<Edit>> e : tried.entrySet()) {
      out.put(e.getKey(), set(e.getKey(), e.getValue()));
    }
    return out;
  }

  private void accept(Map<Row, List<Edit>> tried, Map<Row, Setting> set) {
    accepted.putAll(tried);
    settings.putAll(set);
    smaller |= set.values().stream().anyMatch(s -> s.scale() != 1);
  }

  /** Where lines had no room: all of a paragraph at once, else one after the other. */
  private void goOn(int number) {
    crowded.sort(Comparator.comparingInt(c -> rows.indexOf(c.first())));
    while (!crowded.isEmpty()) {
      Crowded first = crowded.getFirst();
      if (!goOn(first, List.copyOf(crowded)) && !goOn(first, List.of(first))) {
        crowded.remove(first);
        settle(first, number);
      }
    }
  }

  /** Sets a line smaller, or leaves it. */
  private void settle(Crowded c, int number) {
    try {
      Map<Row, List<Edit>> tried = with(c.edits);
      if (tried.isEmpty()) {
        throw new Unset(Left.Reason.NO_ROOM);
      }
      accept(tried, set(tried));
      changed++;
    } catch (Unset e) {
      left.add(new Left(number, c.said, e.reason));
    }
  }

  /**
   * Lets words go on in the lines below.
   *
   * @param all that may be changed with the first
   * @return whether they could
   */
  private boolean goOn(Crowded first, List<Crowded> all) {
    Map<Row, List<Edit>> wanted = with(all.stream().flatMap(c -> c.edits.stream()).toList());
    if (wanted.isEmpty()) {
      return false;
    }
    Optional<Reflow.Flowed> flowed = new Reflow(rows, new OnThisPage(wanted)).from(first.first());
    if (flowed.isEmpty()) {
      return false;
    }
    Set<Row> through = Collections.newSetFromMap(new IdentityHashMap<>());
    through.addAll(flowed.get().rows());
    List<Crowded> done =
        all.stream()
            .filter(c -> c.edits.stream().anyMatch(e -> through.contains(e.row())))
            .toList();
    boolean within =
        done.stream().flatMap(c -> c.edits.stream()).allMatch(e -> through.contains(e.row()));
    if (!within) {
      return false;
    }
    try {
      Map<Row, List<Edit>> tried = new IdentityHashMap<>();
      for (Edit e : flowed.get().edits()) {
        check(new Found(List.of(new Found.Piece(e.row(), e.from(), e.to(), 0)), true));
        tried.put(e.row(), List.of(e));
      }
      Map<Row, Setting> set = set(tried);
      if (set.values().stream().anyMatch(s -> s.scale() != 1)) {
        return false;
      }
      through.forEach(r -> {
        accepted.remove(r);
        settings.remove(r);
      });
      accept(tried, set);
    } catch (Unset e) {
      return false;
    }
    lines += flowed.get().edits().size();
    changed += done.size();
    crowded.removeAll(done);
    return true;
  }

  /** The page, as words go on in its lines. */
  private final class OnThisPage implements Reflow.Page {
    private final Map<Row, List<Edit>> wanted;

    private OnThisPage(Map<Row, List<Edit>> wanted) {
      this.wanted = wanted;
    }

    @Override
    public Room room(Row row) {
      return rooms.of(row);
    }

    @Override
    public double width(String words, Row like) {
      return PageWords.this.width(words, like);
    }

    @Override
    public String text(Row row) {
      List<Edit> here = wanted.getOrDefault(row, accepted.getOrDefault(row, List.of()));
      return LineDifference.text(row, here);
    }

    @Override
    public boolean isLink(Row row) {
      return LinkPlaces.isOn(page, row);
    }

    @Override
    public DividedWords.Hyphen between(String head, String tail) {
      return hyphens.between(head, tail);
    }
  }

  private void check(Found f) throws Unset {
    if (f.unseen()) {
      throw new Unset(Left.Reason.UNSEEN);
    }
    if (!f.whole()) {
      throw new Unset(Left.Reason.PART);
    }
    for (Found.Piece p : f.pieces()) {
      for (Letter l : p.letters()) {
        if (l.show.spoken.isPresent() && l.show.spoken.get().refers()) {
          throw new Unset(Left.Reason.MARKED);
        }
      }
    }
  }

  private Setting set(Row row, List<Edit> edits) throws Unset {
    Map<Show, Map<String, Word>> words = new IdentityHashMap<>();
    for (Edit e : edits) {
      Letter like = row.letters().get(e.from());
      for (String text : e.text().isEmpty() ? List.<String>of() : List.of(e.text().split(" "))) {
        words.computeIfAbsent(like.show, k -> new LinkedHashMap<>()).put(text, word(text, like));
      }
    }
    Setting s =
        RowSetting.of(
                row,
                edits,
                rooms.of(row),
                (text, like) -> words.getOrDefault(like.show, Map.of()).get(text))
            .orElseThrow(() -> new Unset(Left.Reason.NO_ROOM));
    if (s.scale() != 1) {
      boolean named = row.letters().stream().allMatch(l -> l.show.state.name().isPresent());
      if (!named) {
        throw new Unset(Left.Reason.FONT);
      }
    }
    return s;
  }

  private Word word(String text, Letter like) throws Unset {
    if (runsLeft(text)) {
      throw new Unset(Left.Reason.RIGHT_TO_LEFT);
    }
    LettersOfFont font = like.show.state.font();
    Optional<List<Code>> own = font.of(text);
    if (own.isPresent()) {
      return new Word(text, own.get(), Optional.empty(), width(own.get(), like), like);
    }
    SubstituteFont other =
        substitutes.closest(font.face(), text).orElseThrow(() -> new Unset(Left.Reason.NO_LETTERS));
    if (like.show.state.name().isEmpty()) {
      throw new Unset(Left.Reason.FONT);
    }
    brought.add(other.family());
    List<Code> codes = other.of(text);
    return new Word(text, codes, Optional.of(other), width(codes, like), like);
  }

  private static double width(List<Code> codes, Letter like) {
    Show.State s = like.show.state;
    double size = codes.stream().mapToDouble(Code::width).sum() * s.size();
    double spacing = s.letters() * (codes.size() - 1);
    return Math.abs((size + spacing) * s.stretch()) * like.show.scale();
  }
}
