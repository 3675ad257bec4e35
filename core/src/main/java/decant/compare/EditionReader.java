package decant.compare;

import decant.layout.Layout;
import decant.layout.item.TextStyle;
import decant.layout.label.DocumentFonts;
import decant.layout.label.ListLabels;
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
import decant.model.look.Comment;
import decant.model.look.FormField;
import decant.model.look.Link;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.ParagraphTraits;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
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

  /** Whether what the document says of looks is what it looks like: not where pages were read. */
  private final boolean finely;

  private final Map<NodeId, String> labels;
  private final Map<String, Edition.Remark> remarks = new LinkedHashMap<>();
  private int page = 1;
  private int depth;

  /** Whether a page begins with what comes next, because the document says so. */
  private boolean begins;

  private EditionReader(
      Document document,
      boolean paged,
      boolean finely,
      Function<NodeId, Optional<Integer>> pageOf) {
    this.document = document;
    this.paged = paged;
    this.finely = finely;
    this.labels = ListLabels.of(document);
    this.pageOf = pageOf;
    this.bookmarks = document.bookmarks();
  }

  /**
   * The version of a document that is made of pages.
   *
   * @param pageOf the page, from 1, that a block begins on
   */
  static Edition ofPages(Document d, int pages, Function<NodeId, Optional<Integer>> pageOf) {
    return of(new EditionReader(d, true, false, pageOf), pages, s -> true);
  }

  /**
   * A document before or after it was revised: all that it has, whether a page shows it or not.
   *
   * @param pageOf the page, from 1, that a block begins on
   */
  static Edition ofRevisable(Document d, int pages, Function<NodeId, Optional<Integer>> pageOf) {
    return of(new EditionReader(d, false, true, pageOf), pages, s -> true);
  }

  /** The version of a document that flows, and comes to these pages here. */
  public static Edition of(Document d, Layout layout) {
    return of(
        new EditionReader(d, false, true, pages(layout)),
        layout.pages().size(),
        shown(d, layout)::contains);
  }

  /** The pages that blocks begin on. */
  static Function<NodeId, Optional<Integer>> pages(Layout layout) {
    return id -> layout.pagesOf(id).stream().findFirst().map(Page::number);
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

  private static Edition of(EditionReader reader, int pages, Predicate<Story> isShown) {
    Document d = reader.document;
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
    return new Edition(
        reader.paged,
        pages,
        flow,
        reader.running(styles, isShown),
        notes,
        reader.fields,
        List.copyOf(reader.remarks.values()));
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
              Optional.ofNullable(labels.get(p.id())).map(l -> label(l, p, styles)),
              !paged && !out.isEmpty() && begun,
              words,
              finely
                  ? Optional.of(ParagraphLook.of(styles.paragraph(p), p.text()))
                  : Optional.empty()));
      // What follows a break begins the page, here or in the next paragraph.
      begins = inside && p.text().substring(p.text().lastIndexOf('\f')).isBlank();
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

  private Label label(String said, Paragraph p, Styles styles) {
    ListMembership member = styles.paragraphLook(p).value(ParagraphTraits.LIST);
    ListDefinition list = styles.lists().get(member.list());
    return new Label(list == null ? member.list() : list.series(), member.depth(), said);
  }

  private void picture(Inline.Picture p, int at, List<Piece> out) {
    Media m = document.media().get(p.media());
    if (m != null) {
      out.add(
          new Piece.Image(
              at,
              m,
              p.width(),
              p.height(),
              p.alt(),
              finely ? Optional.of(PictureLook.of(p)) : Optional.empty()));
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
    List<List<CellLook>> looks = finely ? CellLook.of(t) : List.of();
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
      rows.add(new Piece.Grid.Row(cells, finely ? looks.get(rows.size()) : List.of()));
    }
    if (rows.stream().anyMatch(r -> r.cells().stream().anyMatch(c -> !c.isEmpty()))) {
      out.add(new Piece.Grid(at, rows));
    }
    out.addAll(pictures);
  }

  private static Styles in(Table t, Table.Row r, Cell c, Styles styles) {
    Look look = t.lookOf(r, c);
    return look.sets(TableTraits.PARAGRAPHS) || look.sets(TableTraits.TEXTS)
        ? styles.in(
            new Styles.CellLooks(look.value(TableTraits.PARAGRAPHS), look.value(TableTraits.TEXTS)))
        : styles;
  }

  private List<Word> words(Paragraph p, Styles styles) {
    var letters = new Letters(styles.fonts(), finely);
    for (Inline i : p.inlines()) {
      for (Comment c : i.look().value(TextTraits.COMMENTS)) {
        remarks.putIfAbsent(c.id() + ' ' + c.text(), new Edition.Remark(page, said(c)));
      }
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
    return letters.words();
  }

  private static String said(Comment c) {
    return c.author().isBlank() ? c.text() : c.author() + ": " + c.text();
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
