package decant.compare.sheet;

import decant.compare.Difference;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Table;
import decant.model.edit.HeadingStyles;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.model.look.ParagraphTraits;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.StyleSheet;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.words.Words;
import java.io.IOException;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * A document that shows the pages of two versions beside one another, wherever they differ, each
 * difference framed, numbered and listed below, and room to sign at the end.
 */
public final class ProofSheet {
  private static final Words WORDS = Words.of(ProofSheet.class);
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.ENGLISH);

  /** A4 across, in points. */
  private static final double WIDTH = 841.89;

  private static final double HEIGHT = 595.28;
  private static final double MARGIN = 34;
  private static final double ROOM = WIDTH - 2 * MARGIN;

  /** What the head of the first sheet takes, the names above the pages, and a row of the list. */
  private static final double HEAD = 44;

  private static final double NAMES = 32;
  private static final double ROW = 17;
  private static final double SIGNING = 112;

  /** So many differences are to fit below the pages; more go on, on another sheet. */
  private static final int BELOW = 4;

  private static final double BETWEEN = 12;
  private static final Look SMALL = Look.of(TextTraits.SIZE, 8.0);
  private static final Rule FINE = Rule.single(0.5, new Colour(0x8A8178));

  private final SheetSide a;
  private final SheetSide b;
  private final Map<MediaId, Media> media = new LinkedHashMap<>();
  private final List<Section> sections = new ArrayList<>();

  /**
   * A difference on the sheet.
   *
   * @param ticked whether a person has found it right
   * @param meant whether it was made in the revision; empty where nobody knows
   */
  public record Entry(Difference difference, boolean ticked, Optional<Boolean> meant) {}

  private ProofSheet(SheetSide a, SheetSide b) {
    this.a = a;
    this.b = b;
  }

  /**
   * @param entries in the order of the pages
   * @throws IOException if a page cannot be read
   */
  public static Document of(SheetSide a, SheetSide b, List<Entry> entries) throws IOException {
    var sheet = new ProofSheet(a, b);
    sheet.pages(entries);
    StyleSheet styles =
        HeadingStyles.ensure(
            new StyleSheet(
                Look.of(ParagraphTraits.SPACE_AFTER, 4.0),
                Look.of(TextTraits.FAMILY, "Liberation Sans").with(TextTraits.SIZE, 9.0),
                "",
                Map.of()),
            1);
    Metadata about =
        new Metadata(WORDS.say("proof-sheet.title", a.name(), b.name()), "", "", "", "en");
    return Document.of(about, styles, Map.of(), sheet.sections, Map.of(), sheet.media, List.of());
  }

  /** Pages that are seen together, from 1. */
  private record Pair(int of, int with) implements Comparable<Pair> {
    @Override
    public int compareTo(Pair o) {
      return with != o.with ? Integer.compare(with, o.with) : Integer.compare(of, o.of);
    }
  }

  private Pair pair(Difference d) {
    int of = d.a().or(d::b).map(Difference.Side::page).orElse(1);
    int with = d.b().or(d::a).map(Difference.Side::page).orElse(1);
    return new Pair(
        Math.clamp(of, 1, a.pdf().getNumberOfPages()),
        Math.clamp(with, 1, b.pdf().getNumberOfPages()));
  }

  /** A difference with the number it goes by. */
  private record Numbered(int number, Entry entry) {}

  private void pages(List<Entry> entries) throws IOException {
    Map<Pair, List<Numbered>> byPair = new TreeMap<>();
    entries.forEach(e ->
        byPair
            .computeIfAbsent(pair(e.difference()), k -> new ArrayList<>())
            .add(new Numbered(0, e)));
    int n = 0;
    boolean first = true;
    for (Map.Entry<Pair, List<Numbered>> p : byPair.entrySet()) {
      var numbered = new ArrayList<Numbered>();
      for (Numbered e : p.getValue()) {
        numbered.add(new Numbered(++n, e.entry));
      }
      var blocks = new ArrayList<Block>();
      if (first) {
        blocks.addAll(head(entries));
      }
      double list = ROW * (1 + Math.min(BELOW, numbered.size()));
      double high = HEIGHT - 2 * MARGIN - NAMES - list - (first ? HEAD : 0);
      high -= sections.size() == byPair.size() - 1 ? SIGNING : 0;
      blocks.add(beside(p.getKey(), numbered, high));
      blocks.add(list(numbered));
      blocks.add(Paragraph.of(Look.PLAIN, ""));
      sections.add(section(blocks));
      first = false;
    }
    var end = new ArrayList<Block>();
    if (first) {
      end.addAll(head(entries));
      end.add(Paragraph.of(Look.PLAIN, WORDS.say("proof-sheet.alike")));
    }
    end.addAll(signing());
    if (sections.isEmpty()) {
      sections.add(section(end));
    } else {
      Section last = sections.removeLast();
      var all = new ArrayList<>(last.blocks());
      all.addAll(end);
      sections.add(last.withBlocks(all));
    }
  }

  private static Section section(List<Block> blocks) {
    var margins = new PageSetup.Margins(MARGIN, MARGIN, MARGIN, MARGIN, 18, 18);
    return new Section(
        NodeId.fresh(),
        PageSetup.plain(WIDTH, HEIGHT, margins),
        Section.Start.NEW_PAGE,
        Map.of(),
        blocks);
  }

  private List<Block> head(List<Entry> entries) {
    int ticked = (int) entries.stream().filter(Entry::ticked).count();
    String many = WORDS.count("proof-sheet.differences", entries.size());
    return List.of(
        Paragraph.of(
            Look.of(ParagraphTraits.STYLE, "Heading1"),
            WORDS.say("proof-sheet.title", a.name(), b.name())),
        Paragraph.of(
            Look.PLAIN, WORDS.say("proof-sheet.about", many, ticked, LocalDate.now().format(DAY))));
  }

  private Table beside(Pair pages, List<Numbered> numbered, double most) throws IOException {
    double wide = (ROOM - BETWEEN) / 2;
    Cell left = page(a, pages.of, marks(numbered, true), wide, most);
    Cell right = page(b, pages.with, marks(numbered, false), wide, most);
    Look look =
        Look.of(TableTraits.FIXED_COLUMNS, true)
            .with(TableTraits.CELL_PADDING, new Insets(0, 4, 0, 0));
    return new Table(
        NodeId.fresh(),
        look,
        List.of(ROOM / 2, ROOM / 2),
        List.of(new Table.Row(Look.PLAIN, List.of(left, right))));
  }

  private static List<MarkedPage.Mark> marks(List<Numbered> numbered, boolean first) {
    var out = new ArrayList<MarkedPage.Mark>();
    for (Numbered n : numbered) {
      Difference d = n.entry.difference();
      (first ? d.a() : d.b())
          .ifPresent(s -> out.add(new MarkedPage.Mark(n.number, isWords(d) ? s.text() : "")));
    }
    return out;
  }

  private static boolean isWords(Difference d) {
    return switch (d.kind()) {
      case TEXT, LOOK, HEADING, TABLE, LINK, NOTE, FIELD -> true;
      case PICTURE, PAGE, DRAWING -> false;
    };
  }

  private Cell page(SheetSide side, int page, List<MarkedPage.Mark> marks, double wide, double most)
      throws IOException {
    MarkedPage.Result r = MarkedPage.of(side.pdf(), page - 1, marks);
    MediaId id = r.picture().id();
    media.put(id, r.picture());
    double scale = Math.min(wide / r.width(), most / r.height());
    String title = WORDS.say("proof-sheet.page", side.name(), page);
    var picture = new Inline.Picture(id, r.width() * scale, r.height() * scale, title, Look.PLAIN);
    var name = Paragraph.of(Look.of(ParagraphTraits.KEEP_WITH_NEXT, true), "");
    return new Cell(
        NodeId.fresh(),
        1,
        1,
        Look.PLAIN,
        List.of(
            name.withInlines(List.of(new Inline.Text(title, SMALL.with(TextTraits.BOLD, true)))),
            new Paragraph(NodeId.fresh(), Look.PLAIN, Look.PLAIN, List.of(picture))));
  }

  private static Table list(List<Numbered> numbered) {
    var rows = new ArrayList<Table.Row>();
    rows.add(
        row(
            Look.of(TableTraits.HEADER_ROW, true),
            true,
            WORDS.say("proof-sheet.number"),
            WORDS.say("proof-sheet.kind"),
            WORDS.say("proof-sheet.was"),
            WORDS.say("proof-sheet.is"),
            WORDS.say("proof-sheet.state")));
    for (Numbered n : numbered) {
      Difference d = n.entry.difference();
      rows.add(
          row(
              Look.PLAIN,
              false,
              Integer.toString(n.number),
              d.title(),
              d.a().map(Difference.Side::text).orElse("\u2013"),
              d.b().map(Difference.Side::text).orElse("\u2013"),
              state(n.entry)));
    }
    Look look =
        Look.of(TableTraits.RULES, Rules.all(FINE))
            .with(TableTraits.FIXED_COLUMNS, true)
            .with(TableTraits.CELL_PADDING, new Insets(2, 4, 2, 4));
    return new Table(NodeId.fresh(), look, List.of(28.0, 110.0, 250.0, 250.0, ROOM - 638), rows);
  }

  private static String state(Entry e) {
    String ticked = WORDS.say(e.ticked() ? "proof-sheet.ticked" : "proof-sheet.not-ticked");
    return e.meant()
        .map(m -> WORDS.say(m ? "proof-sheet.meant" : "proof-sheet.not-meant", ticked))
        .orElse(ticked);
  }

  private static Table.Row row(Look look, boolean bold, String... texts) {
    Look letters = bold ? SMALL.with(TextTraits.BOLD, true) : SMALL;
    var cells = new ArrayList<Cell>();
    for (String t : texts) {
      var p =
          Paragraph.of(Look.of(ParagraphTraits.SPACE_AFTER, 0.0), "")
              .withInlines(List.of(new Inline.Text(t, letters)));
      cells.add(new Cell(NodeId.fresh(), 1, 1, Look.PLAIN, List.of(p)));
    }
    return new Table.Row(look, cells);
  }

  private static List<Block> signing() {
    Look line = Look.of(TableTraits.RULES, Rules.all(FINE));
    var rows =
        List.of(
            row(
                Look.of(TableTraits.HEADER_ROW, true),
                true,
                WORDS.say("proof-sheet.name"),
                WORDS.say("proof-sheet.day"),
                WORDS.say("proof-sheet.signature")),
            row(Look.of(TableTraits.ROW_HEIGHT, 30.0), false, " ", " ", " "));
    return List.of(
        Paragraph.of(
            Look.of(ParagraphTraits.SPACE_BEFORE, 8.0).with(ParagraphTraits.KEEP_WITH_NEXT, true),
            WORDS.say("proof-sheet.found-right")),
        new Table(
            NodeId.fresh(),
            line.with(TableTraits.CELL_PADDING, new Insets(2, 4, 2, 4)),
            List.of(240.0, 140.0, ROOM - 380),
            rows),
        Paragraph.of(Look.of(ParagraphTraits.SPACE_AFTER, 0.0), ""));
  }
}
