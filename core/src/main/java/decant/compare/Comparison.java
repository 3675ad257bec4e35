package decant.compare;

import decant.compare.Difference.Change;
import decant.compare.Difference.Kind;
import decant.compare.Difference.Side;
import decant.model.walk.HeadingDepths;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/** Lists what differs between two versions, in the order of their pages. */
public final class Comparison {
  /** Of a piece that was added, removed or moved so much is said. */
  private static final int LONGEST = 300;

  /** So much is said of what is counted otherwise, so that its label is in sight. */
  private static final int LABELLED = 40;

  /** A picture shown so much larger or smaller is shown in another size. */
  private static final double SIZE = 0.03;

  /** A picture with so much fewer pixels is less sharp. */
  private static final double PIXELS = 0.9;

  /** What stands before items and headings; files tell it by their text or let it be counted. */
  private static final Pattern LABEL =
      Pattern.compile(
          "[\\p{Punct}\\u2022\\u25AA\\u25CF\\u25CB\\u25A0\\u2013\\u2014\\uF0B7\\uF0A7o]"
              + "|\\(?(\\d{1,3}|[a-zA-Z]|[ivxlcIVXLC]{1,6})(\\.\\d{1,3})*[.):]?");

  /** Numbers of pages, and what stands around them. */
  private static final Pattern NUMBERS = Pattern.compile("[#\\d\\s\\p{Punct}\\p{Pd}]*");

  private final Pictures pictures;
  private final List<Difference> out = new ArrayList<>();

  private final Renumbering numbers = new Renumbering();

  /** Whether both say themselves where pages begin. */
  private boolean flow;

  /** Whether one is made of pages and the other is not. */
  private boolean mixed;

  private Comparison(Pictures pictures) {
    this.pictures = pictures;
  }

  /** The differences from one version to another. */
  public static List<Difference> of(Edition a, Edition b) {
    var c = new Comparison(new Pictures());
    boolean mixed = a.paged() != b.paged();
    c.mixed = mixed;
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
    if (!mixed) {
      c.remarks(a.remarks(), b.remarks());
    }
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
    r.mixed = mixed;
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
    boolean alike = a.edition().paged() == b.edition().paged();
    all.addAll(SeenChanges.of(a.pages().get(), b.pages().get(), alike, all));
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
        p.a().forEach(x -> numbers.listed(label(x), true));
        p.b().forEach(x -> numbers.listed(label(x), false));
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

  private Difference one(Piece p, Change change, boolean notes) {
    Kind kind = notes ? Kind.NOTE : kind(p);
    Side side = side(List.of(p));
    numbers.listed(label(p), change == Change.REMOVED);
    return change == Change.REMOVED ? Difference.removed(kind, side) : Difference.added(kind, side);
  }

  private static Kind kind(Piece p) {
    return switch (p) {
      case Piece.Text t -> t.level() > 0 ? Kind.HEADING : Kind.TEXT;
      case Piece.Grid g -> Kind.TABLE;
      case Piece.Image i -> Kind.PICTURE;
    };
  }

  static Side side(Piece piece) {
    return side(List.of(piece));
  }

  private static Side side(List<Piece> pieces) {
    String said = String.join(" ", pieces.stream().map(Comparison::said).toList());
    return new Side(pieces.getFirst().page(), cut(said));
  }

  private static String cut(String said) {
    return cut(said, LONGEST);
  }

  private static String cut(String said, int longest) {
    return said.length() > longest ? said.substring(0, longest).strip() + "\u2026" : said;
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
      new TableChanges(out).list(x, y);
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
    labels(a, b);
    List<Word> x = withoutLabel(a, b);
    List<Word> y = withoutLabel(b, a);
    int before = out.size();
    WordChanges.list(notes ? Kind.NOTE : Kind.TEXT, x, a.page(), y, b.page(), out);
    Set<About> about =
        a.look().isPresent() && b.look().isPresent()
            ? a.look().get().differing(b.look().get())
            : Set.of();
    if (!about.isEmpty()) {
      looks(a, b, about, out.subList(before, out.size()));
    }
  }

  /** How a paragraph stands is told with what its letters look like, if that is one difference. */
  private static void looks(Piece a, Piece b, Set<About> about, List<Difference> ofLetters) {
    var all = EnumSet.copyOf(about);
    List<Difference> looks = ofLetters.stream().filter(d -> d.kind() == Kind.LOOK).toList();
    if (looks.size() == 1) {
      all.addAll(looks.getFirst().about());
      ofLetters.remove(looks.getFirst());
    }
    ofLetters.add(Difference.changed(Kind.LOOK, side(a), side(b), all));
  }

  // Labels.

  private static Optional<Label> label(Piece p) {
    return p instanceof Piece.Text t ? t.label() : Optional.empty();
  }

  private void labels(Piece.Text a, Piece.Text b) {
    Optional<Label> was = labelBeside(a, b);
    Optional<Label> is = labelBeside(b, a);
    boolean signs = a.look().isPresent() && b.look().isPresent();
    boolean told =
        was.isPresent() && is.isPresent()
            ? numbers.isNew(was.get(), is.get(), signs)
            : isOneSided(was.or(() -> is), signs);
    if (told) {
      numbers.listed(was, true);
      numbers.listed(is, false);
      out.add(Difference.changed(Kind.TEXT, labelled(a), labelled(b), Set.of(About.LABEL)));
    }
  }

  /** Pages and documents each have labels in their own way. */
  private boolean isOneSided(Optional<Label> label, boolean signs) {
    return !mixed && label.filter(l -> signs || !l.counted().isEmpty()).isPresent();
  }

  private static Side labelled(Piece.Text p) {
    return new Side(p.page(), cut(p.labelled(), LABELLED));
  }

  /** The label of a paragraph; its first word where that is what the other is counted by. */
  private static Optional<Label> labelBeside(Piece.Text p, Piece.Text other) {
    return p.label()
        .or(() ->
            startsWithLabel(p, other)
                ? other.label().map(l -> new Label("", l.depth(), p.words().getFirst().text()))
                : Optional.empty());
  }

  /** A page that is begun, by what it begins with. */
  private static Side beginning(Piece.Text p) {
    return side(List.of(p));
  }

  /** Where the other is counted and this one is not, its label is no word of it. */
  private static List<Word> withoutLabel(Piece.Text p, Piece.Text other) {
    return startsWithLabel(p, other) ? p.words().subList(1, p.words().size()) : p.words();
  }

  private static boolean startsWithLabel(Piece.Text p, Piece.Text other) {
    return p.label().isEmpty()
        && other.label().isPresent()
        && p.words().size() > 1
        && LABEL.matcher(p.words().getFirst().text()).matches()
        && !p.words().getFirst().says(other.words().getFirst());
  }

  // Pictures and fields.

  private void pictures(Piece.Image a, Piece.Image b) {
    boolean same = pictures.number(a.media()) == pictures.number(b.media());
    boolean asLarge = near(a.width(), b.width()) && near(a.height(), b.height());
    long was = Pictures.pixels(a.media());
    long is = Pictures.pixels(b.media());
    boolean lessSharp = was > 0 && is > 0 && is < was * PIXELS;
    var found =
        new About.Found()
            .add(same, About.OTHER_PICTURE)
            .add(asLarge, About.EXTENT)
            .add(!same || !lessSharp, About.SHARPNESS)
            .add(mixed || a.alt().equals(b.alt()), About.DESCRIPTION);
    if (a.look().isPresent() && b.look().isPresent()) {
      a.look().get().differing(b.look().get(), found);
    }
    if (!found.all().isEmpty()) {
      out.add(Difference.changed(Kind.PICTURE, side(a), side(b), found.all()));
    }
  }

  private static boolean near(double x, double y) {
    return Math.abs(x - y) <= SIZE * Math.max(x, y) + 0.5;
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

  private void remarks(List<Edition.Remark> a, List<Edition.Remark> b) {
    var left = new ArrayList<>(b);
    for (Edition.Remark was : a) {
      Optional<Edition.Remark> same =
          left.stream().filter(r -> r.text().equals(was.text())).findFirst();
      same.ifPresentOrElse(
          left::remove,
          () -> out.add(Difference.removed(Kind.NOTE, new Side(was.page(), cut(was.text())))));
    }
    left.forEach(is -> out.add(Difference.added(Kind.NOTE, new Side(is.page(), cut(is.text())))));
  }

  private static String plain(String value) {
    return value.replaceAll("\\s+", " ").strip();
  }
}
