package decant.compare;

import decant.compare.Word.Looks;
import decant.layout.Layout;
import decant.layout.item.TextStyle;
import decant.layout.label.DocumentFonts;
import decant.layout.label.Styles;
import decant.layout.pages.Page;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.KeptBlock;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.FormField;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.ParagraphTraits;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.text.FontBook;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.regex.Pattern;

/** Takes a document apart into what is compared. */
public final class EditionReader {
  /** Shapes within shapes deeper than this are passed over. */
  private static final int DEEPEST = 8;

  private final Document document;
  private final Function<NodeId, Optional<Integer>> pageOf;
  private final Map<String, NodeId> bookmarks;
  private final Map<String, Edition.Filled> fields = new LinkedHashMap<>();

  /** The notes in the order of their marks, with the pages of these. */
  private final Map<NodeId, Integer> noted = new LinkedHashMap<>();

  private final boolean paged;
  private int page = 1;
  private int depth;

  /** Whether a page begins with what comes next, because the document says so. */
  private boolean begins;

  private EditionReader(
      Document document, boolean paged, Function<NodeId, Optional<Integer>> pageOf) {
    this.document = document;
    this.paged = paged;
    this.pageOf = pageOf;
    this.bookmarks = document.bookmarks();
  }

  /**
   * The version of a document that is made of pages.
   *
   * @param pageOf the page, from 1, that a block begins on
   */
  static Edition ofPages(Document d, int pages, Function<NodeId, Optional<Integer>> pageOf) {
    return of(d, true, pages, pageOf, s -> true);
  }

  /** The version of a document that flows, and comes to these pages here. */
  public static Edition of(Document d, Layout layout) {
    return of(
        d,
        false,
        layout.pages().size(),
        id -> layout.pagesOf(id).stream().findFirst().map(Page::number),
        shown(d, layout)::contains);
  }

  /** The headers and footers that some page shows. */
  private static Set<Story> shown(Document d, Layout layout) {
    var out = new HashSet<Story>();
    for (Page p : layout.pages()) {
      Section s = d.sections().get(p.section());
      s.runningFor(true, p.firstOfSection(), p.shown()).ifPresent(out::add);
      s.runningFor(false, p.firstOfSection(), p.shown()).ifPresent(out::add);
    }
    return out;
  }

  private static Edition of(
      Document d,
      boolean paged,
      int pages,
      Function<NodeId, Optional<Integer>> pageOf,
      Predicate<Story> isShown) {
    var reader = new EditionReader(d, paged, pageOf);
    var styles = new Styles(d.styles(), d.lists(), DocumentFonts.of(d));
    var flow = new ArrayList<Piece>();
    for (Section s : d.sections()) {
      reader.begins |= !flow.isEmpty() && s.start() != Section.Start.CONTINUOUS;
      reader.blocks(s.blocks(), styles, flow);
    }
    reader.begins = false;
    var notes = new ArrayList<Piece>();
    List<NodeId> marked = List.copyOf(reader.noted.keySet());
    for (NodeId n : marked) {
      Story s = d.stories().get(n);
      if (s != null) {
        reader.page = reader.noted.getOrDefault(n, 1);
        reader.blocks(s.blocks(), styles, notes);
      }
    }
    return new Edition(paged, pages, flow, reader.running(styles, isShown), notes, reader.fields);
  }

  /** Sections mostly have the same ones. */
  private List<Piece> running(Styles styles, Predicate<Story> isShown) {
    var texts = new LinkedHashSet<String>();
    var out = new ArrayList<Piece>();
    page = 1;
    for (Section s : document.sections()) {
      s.running().entrySet().stream()
          .filter(e -> isShown.test(e.getValue()))
          .sorted(Map.Entry.comparingByKey())
          .forEach(e -> {
            var some = new ArrayList<Piece>();
            blocks(e.getValue().blocks(), styles, some);
            for (Piece p : some) {
              if (p.words().isEmpty() || texts.add(Word.join(p.words()))) {
                out.add(p);
              }
            }
          });
    }
    // Those of single pages that the sections have not.
    for (List<Paragraph> lines : document.setting().running().lines().values()) {
      var some = new ArrayList<Piece>();
      lines.forEach(p -> paragraph(p, styles, some));
      for (Piece p : some) {
        String said = Word.join(p.words());
        // A line of a page may be a part of one of the sections, which has more in it.
        if (texts.stream().noneMatch(t -> (" " + t + " ").contains(" " + said + " "))) {
          texts.add(said);
          out.add(p);
        }
      }
    }
    return out;
  }

  private void blocks(List<Block> blocks, Styles styles, List<Piece> out) {
    for (Block b : blocks) {
      pageOf.apply(b.id()).ifPresent(p -> page = p);
      switch (b) {
        case Paragraph p -> paragraph(p, styles, out);
        case Table t -> table(t, styles, out);
        case KeptBlock k -> {}
      }
    }
  }

  private void paragraph(Paragraph p, Styles styles, List<Piece> out) {
    int at = page;
    List<Word> words = words(p, styles);
    int broken = p.text().indexOf('\f');
    boolean inside = broken >= 0 && !p.text().substring(0, broken).isBlank();
    boolean begun =
        begins
            || broken >= 0 && !inside
            || styles.paragraphLook(p).value(ParagraphTraits.PAGE_BREAK_BEFORE);
    begins = begun;
    if (!words.isEmpty()) {
      out.add(
          new Piece.Text(
              at,
              styles.paragraphLook(p).value(ParagraphTraits.HEADING_LEVEL),
              styles.level(p).isPresent(),
              !paged && !out.isEmpty() && begun,
              words));
      begins = inside; // else what follows the break begins the page
    }
    for (Inline i : p.inlines()) {
      switch (i) {
        case Inline.Picture pic -> picture(pic, at, out);
        case Inline.Shape s -> shape(s, styles, out);
        case Inline.NoteMark n -> noted.putIfAbsent(n.note(), at);
        default -> {}
      }
    }
  }

  private void picture(Inline.Picture p, int at, List<Piece> out) {
    Media m = document.media().get(p.media());
    if (m != null) {
      out.add(new Piece.Image(at, m, p.width(), p.height(), p.alt()));
    }
  }

  private void shape(Inline.Shape s, Styles styles, List<Piece> out) {
    Story story = s.content().story().map(document.stories()::get).orElse(null);
    if (story != null && depth < DEEPEST) {
      depth++;
      blocks(story.blocks(), styles, out);
      depth--;
    }
  }

  private void table(Table t, Styles styles, List<Piece> out) {
    int at = page;
    var rows = new ArrayList<Piece.Grid.Row>();
    var pictures = new ArrayList<Piece>();
    for (Table.Row r : t.rows()) {
      var cells = new ArrayList<List<Word>>();
      for (Cell c : r.cells()) {
        var inside = new ArrayList<Piece>();
        blocks(c.blocks(), in(t, r, c, styles), inside);
        var words = new ArrayList<Word>();
        for (Piece p : inside) {
          words.addAll(p.words());
          if (p instanceof Piece.Image) {
            pictures.add(p);
          }
        }
        cells.add(words);
      }
      rows.add(new Piece.Grid.Row(cells));
    }
    if (rows.stream().anyMatch(r -> r.cells().stream().anyMatch(c -> !c.isEmpty()))) {
      out.add(new Piece.Grid(at, rows));
    }
    out.addAll(pictures);
  }

  private static Styles in(Table t, Table.Row r, Cell c, Styles styles) {
    Look look = c.look().over(r.look().over(t.look()));
    return look.sets(TableTraits.PARAGRAPHS) || look.sets(TableTraits.TEXTS)
        ? styles.in(
            new Styles.CellLooks(look.value(TableTraits.PARAGRAPHS), look.value(TableTraits.TEXTS)))
        : styles;
  }

  /** Collects words from letters. */
  private static final class Letters {
    private final List<Word> words = new ArrayList<>();
    private final StringBuilder word = new StringBuilder();
    private final List<Looks> looks = new ArrayList<>();
    private final FontBook fonts;
    private String link = "";

    Letters(FontBook fonts) {
      this.fonts = fonts;
    }

    void add(String text, TextStyle style, String to) {
      for (int k = 0; k < text.length(); ) {
        int c = text.codePointAt(k);
        k += Character.charCount(c);
        if (c == 0xAD || c == 0x200B || c == 0xFEFF) {
          continue;
        }
        if (isSpace(c)) {
          end();
          continue;
        }
        boolean alone = Character.isIdeographic(c);
        if (alone || !link.equals(to)) {
          end();
        }
        link = to;
        word.appendCodePoint(c);
        Looks look = Looks.of(style, c, fonts);
        if (looks.isEmpty() || !looks.getLast().equals(look)) {
          looks.add(look);
        }
        if (alone) {
          end();
        }
      }
    }

    private static boolean isSpace(int c) {
      return c <= ' ' || Character.isWhitespace(c) || Character.isSpaceChar(c);
    }

    void end() {
      if (!word.isEmpty()) {
        words.add(new Word(word.toString(), looks, link));
        word.setLength(0);
        looks.clear();
      }
    }
  }

  private List<Word> words(Paragraph p, Styles styles) {
    var letters = new Letters(styles.fonts());
    for (Inline i : p.inlines()) {
      TextStyle style = styles.text(p, i.look());
      switch (i) {
        case Inline.Text t -> text(t, style, letters);
        case Inline.Field f -> letters.add(shown(f), style, to(i));
        case Inline.KeptInline k -> letters.add(k.shown(), style, to(i));
        case Inline.Picture pic -> {}
        case Inline.Shape s -> {}
        case Inline.NoteMark n -> {}
      }
    }
    letters.end();
    return letters.words;
  }

  private void text(Inline.Text t, TextStyle style, Letters letters) {
    Optional<FormField> field = t.look().get(TextTraits.FIELD);
    if (field.isPresent()) {
      FormField f = field.get();
      if (f.value(t.text()).isEmpty() && t.text().chars().anyMatch(Character::isLetter)) {
        letters.add(t.text(), style, to(t)); // what asks to be filled in shows on the page
      }
      fields.merge(
          f.name().isEmpty() ? f.id() : f.name(),
          new Edition.Filled(page, f.value(t.text())),
          (x, y) -> new Edition.Filled(x.page(), x.value() + y.value()));
      return;
    }
    if (!t.look().value(TextTraits.HIDDEN)) {
      String said = style.letters().allCaps() ? t.text().toUpperCase(Locale.ROOT) : t.text();
      letters.add(said, style, to(t));
    }
  }

  private String to(Inline i) {
    return i.look().get(TextTraits.LINK).map(this::to).orElse("");
  }

  private static String shown(Inline.Field f) {
    return switch (f.kind()) {
      case PAGE, PAGES, PAGE_OF -> Word.PAGE_NUMBER;
      case TITLE, STYLED_TEXT, DATE, OTHER -> f.shown();
    };
  }

  /** The number of a heading, which is of its text in some files and put before it in others. */
  private static final Pattern NUMBER = Pattern.compile("^(\\d+\\.)*\\d+\\.? +(?=\\S)");

  /**
   * Bookmarks are called otherwise in every file; what they stand at is the same. What leads
   * nowhere is no link that anyone could follow.
   */
  private String to(Link link) {
    return switch (link) {
      case Link.External e -> e.uri();
      case Link.Internal i -> {
        NodeId at = bookmarks.get(i.bookmark());
        yield Optional.ofNullable(at)
            .flatMap(document::paragraph)
            .map(b -> b.text().replaceAll("[\\s\\uFFFC]+", " ").strip())
            .map(t -> "#" + NUMBER.matcher(t).replaceFirst(""))
            .orElse("");
      }
    };
  }
}
