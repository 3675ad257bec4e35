package decant.pdf.amend;

import decant.pdf.amend.Setting.Word;
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
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeSet;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.pdmodel.PDPage;

/** Replaces words on one page: which of them can be, and how their lines stand then. */
final class PageWords {
  private final PDPage page;
  private final PageLetters.Result content;
  private final List<Row> rows;
  private final SubstituteFont.All substitutes;
  private final List<Left> left = new ArrayList<>();
  private final Map<Row, List<Edit>> accepted = new IdentityHashMap<>();
  private final Map<Row, Setting> settings = new IdentityHashMap<>();
  private final TreeSet<String> brought = new TreeSet<>();
  private int changed;
  private boolean smaller;
  private int lines;

  /** Thrown where a line cannot be set. */
  private static final class Unset extends Exception {
    private static final long serialVersionUID = 1;
    private final Left.Reason reason;

    private Unset(Left.Reason reason) {
      super(reason.name());
      this.reason = reason;
    }
  }

  private PageWords(PDPage page, PageLetters.Result content, SubstituteFont.All substitutes) {
    this.page = page;
    this.content = content;
    this.rows = Rows.of(content.letters());
    this.substitutes = substitutes;
  }

  /**
   * @param number of the page, from 1
   */
  static PageWords of(
      PDPage page,
      int number,
      PageLetters.Result content,
      List<Replacement> all,
      SubstituteFont.All substitutes) {
    var p = new PageWords(page, content, substitutes);
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
    return p;
  }

  private static boolean runsLeft(String s) {
    return s.codePoints()
        .map(Character::getDirectionality)
        .anyMatch(d ->
            d == Character.DIRECTIONALITY_RIGHT_TO_LEFT
                || d == Character.DIRECTIONALITY_RIGHT_TO_LEFT_ARABIC);
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
      SubstituteFont.All substitutes) {
    var p = new PageWords(page, content, substitutes);
    Row row = p.rows.get(index);
    LineDifference.between(row, text)
        .ifPresent(e -> {
          Found where = new Found(List.of(new Found.Piece(row, e.from(), e.to(), 0)), true);
          p.replace(where, List.of(e), LineDifference.text(row), number);
        });
    return p.changed > 0 && !p.smaller ? p : reflowed(p, number, index, text);
  }

  /** The same where the words that have no room go on in the lines below; else as it was. */
  private static PageWords reflowed(PageWords before, int number, int index, String text) {
    boolean room =
        before.smaller || before.left.stream().anyMatch(l -> l.reason() == Left.Reason.NO_ROOM);
    if (!room) {
      return before;
    }
    var p = new PageWords(before.page, before.content, before.substitutes);
    Row row = p.rows.get(index);
    Optional<List<Edit>> edits =
        new Reflow(p.rows, p::room, words -> p.width(words, row)).of(row, text);
    if (edits.filter(e -> e.size() > 1).isEmpty()) {
      return before;
    }
    var pieces = new ArrayList<Found.Piece>();
    edits.get().forEach(e -> pieces.add(new Found.Piece(e.row(), e.from(), e.to(), pieces.size())));
    p.replace(new Found(pieces, true), edits.get(), LineDifference.text(row), number);
    p.lines = edits.get().size();
    return p.changed > 0 && !p.smaller ? p : before;
  }

  private Room room(Row row) {
    double[] reach = reach(row);
    return Room.of(row, rows, content.uprights(), reach[0], reach[1]);
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

  /** How many lines were set anew; 0 for the one alone. */
  int lines() {
    return lines;
  }

  private void replace(Found f, Replacement r, int number) {
    replace(f, Edit.of(f, r.with()), r.words(), number);
  }

  private void replace(Found f, List<Edit> edits, String said, int number) {
    Map<Row, List<Edit>> tried = new IdentityHashMap<>();
    try {
      check(f);
      for (Edit e : edits) {
        List<Edit> all =
            tried.computeIfAbsent(
                e.row(), k -> new ArrayList<>(accepted.getOrDefault(k, List.of())));
        if (all.stream().anyMatch(o -> o.from() < e.to() && e.from() < o.to())) {
          return; // another replacement has it already
        }
        all.add(e);
        all.sort(PageChange.inOrder());
      }
      Map<Row, Setting> set = new IdentityHashMap<>();
      for (Map.Entry<Row, List<Edit>> e : tried.entrySet()) {
        set.put(e.getKey(), set(e.getKey(), e.getValue()));
      }
      accepted.putAll(tried);
      settings.putAll(set);
      changed++;
    } catch (Unset e) {
      left.add(new Left(number, said, e.reason));
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
        if (l.show.spoken.isPresent() && refers(l.show.spoken.get())) {
          throw new Unset(Left.Reason.MARKED);
        }
      }
    }
  }

  /** Whether what a mark says of itself cannot stand in the content (§14.6.2). */
  private static boolean refers(Show.Spoken s) {
    COSBase p = s.start().properties().orElse(null);
    return !(p instanceof COSDictionary d) || holdsReference(d, 0);
  }

  private static boolean holdsReference(COSBase o, int depth) {
    return switch (o) {
      case COSObject r -> true;
      case COSDictionary d ->
          depth > 8 || d.getValues().stream().anyMatch(v -> holdsReference(v, depth + 1));
      case COSArray a -> {
        boolean any = depth > 8;
        for (int k = 0; k < a.size(); k++) {
          any |= a.get(k) != null && holdsReference(a.get(k), depth + 1);
        }
        yield any;
      }
      default -> false;
    };
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
                room(row),
                (text, like) -> words.getOrDefault(like.show, Map.of()).get(text))
            .orElseThrow(() -> new Unset(Left.Reason.NO_ROOM));
    if (s.scale() != 1) {
      boolean named = row.letters().stream().allMatch(l -> l.show.state.name().isPresent());
      if (!named) {
        throw new Unset(Left.Reason.FONT);
      }
      smaller = true;
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

  /** From where to where the page reaches along a line. */
  private double[] reach(Row row) {
    var box = page.getCropBox();
    var r =
        new Rectangle2D.Double(
            box.getLowerLeftX(), box.getLowerLeftY(), box.getWidth(), box.getHeight());
    double cos = Math.cos(row.angle());
    double sin = Math.sin(row.angle());
    double least = Double.MAX_VALUE;
    double most = -Double.MAX_VALUE;
    for (double x : new double[] {r.getMinX(), r.getMaxX()}) {
      for (double y : new double[] {r.getMinY(), r.getMaxY()}) {
        least = Math.min(least, x * cos + y * sin);
        most = Math.max(most, x * cos + y * sin);
      }
    }
    return new double[] {least, most};
  }
}
