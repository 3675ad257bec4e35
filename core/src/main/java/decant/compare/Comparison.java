package decant.compare;

import decant.compare.Difference.Change;
import decant.compare.Difference.Kind;
import decant.compare.Difference.Side;
import decant.model.walk.HeadingDepths;
import decant.paint.TextlessPages;
import decant.paint.Unlikeness;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/** Lists what differs between two versions, in the order of their pages. */
public final class Comparison {
  /** Of a piece that was added, removed or moved so much is said. */
  private static final int LONGEST = 300;

  /** A picture shown so much larger or smaller is shown in another size. */
  private static final double SIZE = 0.03;

  /** A picture with so much fewer pixels is less sharp. */
  private static final double PIXELS = 0.9;

  /** What stands before items and headings; files tell it by their text or let it be counted. */
  private static final Pattern LABEL =
      Pattern.compile(
          "[\\p{Punct}\\u2022\\u25AA\\u25CF\\u25CB\\u25A0\\u2013\\u2014\\uF0B7\\uF0A7o]"
              + "|\\(?(\\d{1,3}|[a-zA-Z]|[ivxlcIVXLC]{1,6})(\\.\\d{1,3})*[.):]?");

  private static final Pattern ITEM_LABEL =
      Pattern.compile("[\\u2022\\u25AA\\u25CF\\u25CB\\u25A0\\uF0B7\\uF0A7]|(\\d{1,2}|[a-z])[.)]");

  /** Numbers of pages, and what stands around them. */
  private static final Pattern NUMBERS = Pattern.compile("[#\\d\\s\\p{Punct}\\p{Pd}]*");

  private final Pictures pictures;
  private final List<Difference> out = new ArrayList<>();

  /** Whether both say themselves where pages begin. */
  private boolean flow;

  private Comparison(Pictures pictures) {
    this.pictures = pictures;
  }

  /** The differences from one version to another. */
  public static List<Difference> of(Edition a, Edition b) {
    var c = new Comparison(new Pictures());
    boolean mixed = a.paged() != b.paged();
    c.flow = !a.paged() && !b.paged();
    c.pieces(
        mixed ? asOnPages(a.pieces()) : a.pieces(),
        mixed ? asOnPages(b.pieces()) : b.pieces(),
        false);
    c.running(a, b);
    c.pieces(a.notes(), b.notes(), true);
    if (mixed) {
      new OnPages(c.out).dropWhatIsThere(a, b);
    }
    c.fields(a.fields(), b.fields());
    if (a.pages() != b.pages()) {
      c.out.add(Difference.changed(Kind.PAGE, count(a.pages()), count(b.pages())));
    }
    return sorted(c.out);
  }

  /** The last page says how many there are. */
  private static Side count(int pages) {
    return new Side(pages, Integer.toString(pages));
  }

  /**
   * Headers and footers. Of pages only their texts are known, and one that stands on a single page
   * may have been taken for a part of what is read there.
   */
  private void running(Edition a, Edition b) {
    var r = new Comparison(pictures);
    if (!a.paged() && !b.paged()) {
      r.pieces(a.running(), b.running(), false);
      out.addAll(r.out);
      return;
    }
    r.pieces(texts(a.running()), texts(b.running()), false);
    for (Difference d : r.out) {
      boolean elsewhere =
          switch (d.change()) {
            case ADDED -> isAmong(a.running(), d.b()) || dropped(Change.REMOVED, d.b());
            case REMOVED -> isAmong(b.running(), d.a()) || dropped(Change.ADDED, d.a());
            case CHANGED -> false;
            case MOVED -> true; // no page is known of them
          };
      boolean onlyNumbers =
          (d.change() == Change.ADDED || d.change() == Change.REMOVED)
              && d.a()
                  .or(d::b)
                  .map(Side::text)
                  .filter(t -> NUMBERS.matcher(t).matches())
                  .isPresent();
      if (!elsewhere && !onlyNumbers) {
        out.add(d);
      }
    }
  }

  /** Numbers in them may be those of pages, and are then counted. */
  private static boolean isAmong(List<Piece> running, Optional<Side> side) {
    String said = side.map(Side::text).map(Comparison::withoutNumbers).orElse("");
    return running.stream().anyMatch(p -> withoutNumbers(Word.join(p.words())).equals(said));
  }

  /** Takes the other half of what stands elsewhere in the other version off the list. */
  private boolean dropped(Change change, Optional<Side> side) {
    String said = side.map(Side::text).map(Comparison::withoutNumbers).orElse("");
    return out.stream()
        .filter(d -> d.change() == change)
        .filter(d -> d.a().or(d::b).map(s -> withoutNumbers(s.text()).equals(said)).orElse(false))
        .findFirst()
        .map(out::remove)
        .orElse(false);
  }

  private static String withoutNumbers(String s) {
    return s.replaceAll("\\d+", Word.PAGE_NUMBER);
  }

  /**
   * On pages a drawing is lines and areas like any other, which are looked at as such, and headings
   * leave out no level.
   */
  private static List<Piece> asOnPages(List<Piece> pieces) {
    var depths = new HeadingDepths();
    return pieces.stream()
        .filter(p -> !(p instanceof Piece.Image i) || Pictures.pixels(i.media()) > 0)
        .map(p ->
            p instanceof Piece.Text t && t.level() > 0 ? t.withLevel(depths.next(t.level())) : p)
        .toList();
  }

  private static List<Piece> texts(List<Piece> pieces) {
    return pieces.stream().filter(p -> !(p instanceof Piece.Image)).toList();
  }

  /**
   * The differences from one file to another, with those that are only to be seen: these are looked
   * for on pages that have no others, where both have as many and can be painted.
   *
   * @throws IOException if a page cannot be painted
   */
  public static List<Difference> of(TakenApart a, TakenApart b) throws IOException {
    var all = new ArrayList<>(of(a.edition(), b.edition()));
    if (a.pages().isEmpty()
        || b.pages().isEmpty()
        || a.pages().get().count() != b.pages().get().count()) {
      return all;
    }
    TextlessPages was = a.pages().get();
    TextlessPages is = b.pages().get();
    Set<Integer> differing = new HashSet<>();
    for (Difference d : all) {
      d.a().ifPresent(s -> differing.add(s.page()));
      d.b().ifPresent(s -> differing.add(s.page()));
    }
    for (int page = 1; page <= was.count(); page++) {
      if (!differing.contains(page) && Unlikeness.first(was, page - 1, is, page - 1).isPresent()) {
        all.add(Difference.changed(Kind.DRAWING, new Side(page, ""), new Side(page, "")));
      }
    }
    return sorted(all);
  }

  private static List<Difference> sorted(List<Difference> all) {
    var sorted = new ArrayList<>(all);
    sorted.sort(Comparator.comparingInt(Difference::page));
    return sorted;
  }

  private void pieces(List<Piece> a, List<Piece> b, boolean notes) {
    for (Pairing.Pair p : Pairing.of(a, b, pictures)) {
      if (p.moved()) {
        out.add(
            Difference.moved(notes ? Kind.NOTE : kind(p.a().getFirst()), side(p.a()), side(p.b())));
        for (int k = 0; k < p.a().size(); k++) {
          both(p.a().get(k), p.b().get(k), notes);
        }
      } else if (p.b().isEmpty()) {
        p.a().forEach(x -> out.add(one(x, Change.REMOVED, notes)));
      } else if (p.a().isEmpty()) {
        p.b().forEach(x -> out.add(one(x, Change.ADDED, notes)));
      } else if (p.a().size() == 1 && p.b().size() == 1) {
        both(p.a().getFirst(), p.b().getFirst(), notes);
      } else {
        WordChanges.list(
            notes ? Kind.NOTE : Kind.TEXT,
            all(p.a()),
            p.a().getFirst().page(),
            all(p.b()),
            p.b().getFirst().page(),
            out);
      }
    }
  }

  private static List<Word> all(List<Piece> pieces) {
    return pieces.stream().flatMap(p -> p.words().stream()).toList();
  }

  private static Difference one(Piece p, Change change, boolean notes) {
    Kind kind = notes ? Kind.NOTE : kind(p);
    Side side = side(List.of(p));
    return change == Change.REMOVED ? Difference.removed(kind, side) : Difference.added(kind, side);
  }

  private static Kind kind(Piece p) {
    return switch (p) {
      case Piece.Text t -> t.level() > 0 ? Kind.HEADING : Kind.TEXT;
      case Piece.Grid g -> Kind.TABLE;
      case Piece.Image i -> Kind.PICTURE;
    };
  }

  private static Side side(List<Piece> pieces) {
    String said = String.join(" ", pieces.stream().map(Comparison::said).toList());
    String cut = said.length() > LONGEST ? said.substring(0, LONGEST) + "\u2026" : said;
    return new Side(pieces.getFirst().page(), cut);
  }

  private static String said(Piece p) {
    return switch (p) {
      case Piece.Text t -> Word.join(t.words());
      case Piece.Grid g -> String.join(" / ", g.rows().stream().map(Piece.Grid.Row::text).toList());
      case Piece.Image i ->
          i.alt().isBlank()
              ? Math.round(i.width()) + " \u00D7 " + Math.round(i.height()) + " pt"
              : i.alt();
    };
  }

  private void both(Piece a, Piece b, boolean notes) {
    if (a instanceof Piece.Text x && b instanceof Piece.Text y) {
      texts(x, y, notes);
    } else if (a instanceof Piece.Grid x && b instanceof Piece.Grid y) {
      tables(x, y);
    } else if (a instanceof Piece.Image x && b instanceof Piece.Image y) {
      pictures(x, y);
    }
  }

  private void texts(Piece.Text a, Piece.Text b, boolean notes) {
    if (a.level() != b.level() && !notes) {
      out.add(
          Difference.changed(
              Kind.HEADING, new Side(a.page(), Word.join(a.words())), side(List.of(b))));
    }
    if (flow && a.begins() && !b.begins()) {
      out.add(Difference.removed(Kind.PAGE, beginning(a)));
    } else if (flow && b.begins() && !a.begins()) {
      out.add(Difference.added(Kind.PAGE, beginning(b)));
    }
    List<Word> x = withoutLabel(a, b);
    List<Word> y = withoutLabel(b, a);
    WordChanges.list(notes ? Kind.NOTE : Kind.TEXT, x, a.page(), y, b.page(), out);
  }

  /** A page that is begun, by what it begins with. */
  private static Side beginning(Piece.Text p) {
    return side(List.of(p));
  }

  /** Where the other is counted and this one is not, its label is no word of it. */
  private static List<Word> withoutLabel(Piece.Text p, Piece.Text other) {
    List<Word> words = p.words();
    boolean told =
        !p.item()
            && (other.item() || other.level() > 0)
            && words.size() > 1
            && LABEL.matcher(words.getFirst().text()).matches()
            && !words.getFirst().says(other.words().getFirst());
    return told ? words.subList(1, words.size()) : words;
  }

  // Tables.

  private void tables(Piece.Grid a, Piece.Grid b) {
    var numbers = new Numbering();
    int[] x = a.rows().stream().mapToInt(r -> numbers.of(r.text())).toArray();
    int[] y = b.rows().stream().mapToInt(r -> numbers.of(r.text())).toArray();
    int[] m = Matching.of(x, y);
    int j = 0;
    for (int i = 0; i <= m.length; i++) {
      int to = i == m.length ? b.rows().size() : m[i];
      if (to < 0) {
        continue;
      }
      int from = i;
      while (from > 0 && m[from - 1] < 0) {
        from--;
      }
      rows(a, a.rows().subList(from, i), b, b.rows().subList(j, to));
      if (i < m.length) {
        cells(a, a.rows().get(i), b, b.rows().get(to));
        j = to + 1;
      }
    }
  }

  /** Rows between those that are the same: as many as can be stand for each other. */
  private void rows(Piece.Grid a, List<Piece.Grid.Row> was, Piece.Grid b, List<Piece.Grid.Row> is) {
    int j = 0;
    for (int i = 0; i < was.size(); i++) {
      int spare = is.size() - j - (was.size() - i);
      int best = j;
      for (int k = j; k <= j + Math.max(0, spare) && k < is.size(); k++) {
        if (shared(was.get(i), is.get(k)) > shared(was.get(i), is.get(best))) {
          best = k;
        }
      }
      boolean gone =
          j >= is.size() || shared(was.get(i), is.get(best)) == 0 && was.size() - i > is.size() - j;
      if (gone) {
        out.add(Difference.removed(Kind.TABLE, new Side(a.page(), was.get(i).text())));
        continue;
      }
      for (; j < best; j++) {
        out.add(Difference.added(Kind.TABLE, new Side(b.page(), is.get(j).text())));
      }
      cells(a, was.get(i), b, is.get(j++));
    }
    for (; j < is.size(); j++) {
      out.add(Difference.added(Kind.TABLE, new Side(b.page(), is.get(j).text())));
    }
  }

  private static int shared(Piece.Grid.Row a, Piece.Grid.Row b) {
    Set<String> cells = new HashSet<>();
    a.cells().forEach(c -> cells.add(Word.join(c)));
    return (int) b.cells().stream().filter(c -> cells.contains(Word.join(c))).count();
  }

  private void cells(Piece.Grid a, Piece.Grid.Row was, Piece.Grid b, Piece.Grid.Row is) {
    if (was.cells().size() == is.cells().size()) {
      for (int k = 0; k < was.cells().size(); k++) {
        cell(a.page(), was.cells().get(k), b.page(), is.cells().get(k));
      }
      return;
    }
    var numbers = new Numbering();
    int[] x = was.cells().stream().mapToInt(c -> numbers.of(Word.join(c))).toArray();
    int[] y = is.cells().stream().mapToInt(c -> numbers.of(Word.join(c))).toArray();
    int[] m = Matching.of(x, y);
    var kept = new HashSet<Integer>();
    for (int k = 0; k < m.length; k++) {
      kept.add(m[k]);
      if (m[k] < 0 && !was.cells().get(k).isEmpty()) {
        out.add(Difference.removed(Kind.TABLE, new Side(a.page(), Word.join(was.cells().get(k)))));
      }
    }
    for (int k = 0; k < y.length; k++) {
      if (!kept.contains(k) && !is.cells().get(k).isEmpty()) {
        out.add(Difference.added(Kind.TABLE, new Side(b.page(), Word.join(is.cells().get(k)))));
      }
    }
  }

  /** A cell is one difference, however many of its words changed. */
  private void cell(int pageA, List<Word> was, int pageB, List<Word> is) {
    var words = new ArrayList<Difference>();
    WordChanges.list(Kind.TABLE, was, pageA, is, pageB, words);
    if (words.stream().anyMatch(d -> d.kind() == Kind.TABLE)
        && !unlabelled(was).equals(unlabelled(is))) {
      out.add(
          Difference.changed(
              Kind.TABLE, new Side(pageA, Word.join(was)), new Side(pageB, Word.join(is))));
    }
    words.stream().filter(d -> d.kind() != Kind.TABLE).forEach(out::add);
  }

  /** The labels of a list in a cell are words in files that have no lists in cells. */
  private static String unlabelled(List<Word> words) {
    return String.join(
        "", words.stream().map(Word::text).filter(t -> !ITEM_LABEL.matcher(t).matches()).toList());
  }

  // Pictures and fields.

  private void pictures(Piece.Image a, Piece.Image b) {
    boolean other = pictures.number(a.media()) != pictures.number(b.media());
    boolean size = differs(a.width(), b.width()) || differs(a.height(), b.height());
    long was = Pictures.pixels(a.media());
    long is = Pictures.pixels(b.media());
    boolean lessSharp = was > 0 && is > 0 && is < was * PIXELS;
    if (other || size || lessSharp) {
      out.add(Difference.changed(Kind.PICTURE, side(List.of(a)), side(List.of(b))));
    }
  }

  private static boolean differs(double x, double y) {
    return Math.abs(x - y) > SIZE * Math.max(x, y) + 0.5;
  }

  private void fields(Map<String, Edition.Filled> a, Map<String, Edition.Filled> b) {
    a.forEach((name, was) -> {
      Optional<Edition.Filled> is = Optional.ofNullable(b.get(name));
      Side x = new Side(was.page(), name + ": " + was.value());
      if (is.isEmpty()) {
        out.add(Difference.removed(Kind.FIELD, x));
      } else if (!plain(is.get().value()).equals(plain(was.value()))) {
        out.add(
            Difference.changed(
                Kind.FIELD, x, new Side(is.get().page(), name + ": " + is.get().value())));
      }
    });
    b.forEach((name, is) -> {
      if (!a.containsKey(name)) {
        out.add(Difference.added(Kind.FIELD, new Side(is.page(), name + ": " + is.value())));
      }
    });
  }

  private static String plain(String value) {
    return value.replaceAll("\\s+", " ").strip();
  }
}
