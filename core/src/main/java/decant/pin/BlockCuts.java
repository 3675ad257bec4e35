package decant.pin;

import decant.model.Block;
import decant.model.Document;
import decant.model.KeptBlock;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Table;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TableTraits;
import decant.reading.TakenIn;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Cuts blocks where pinned pages begin and end within them. */
final class BlockCuts {
  /** A part of a section, on one page at least at its beginning. */
  record Piece(Section section, Block block, int page) {}

  private final Document document;
  private final Set<Integer> pinned;
  private final PlacesOnPages places;
  private final PieceSetting setting;
  private final Map<NodeId, List<TakenIn.PageBreak>> breaks = new HashMap<>();

  /**
   * @param pinned the pages, from 0
   */
  BlockCuts(
      Document document,
      TakenIn.Origin origin,
      Set<Integer> pinned,
      PlacesOnPages places,
      PieceSetting setting) {
    this.document = document;
    this.pinned = pinned;
    this.places = places;
    this.setting = setting;
    origin
        .breaks()
        .forEach(b -> breaks.computeIfAbsent(b.at().paragraph(), k -> new ArrayList<>()).add(b));
  }

  /** A block in pieces, cut where a pinned page begins or ends within it. */
  List<Piece> of(Piece whole) {
    return switch (whole.block()) {
      case Paragraph p -> cut(whole, p);
      case Table t -> cut(whole, t);
      case KeptBlock k -> List.of(whole);
    };
  }

  /** Whether a page begins or ends a pinned one, so that what runs into it is cut. */
  private boolean cutsBefore(int page, int before) {
    return pinned.contains(page) || pinned.contains(before);
  }

  private List<Piece> cut(Piece whole, Paragraph p) {
    var out = new ArrayList<Piece>();
    int from = 0;
    int begins = whole.page();
    int page = whole.page();
    for (TakenIn.PageBreak b : breaks.getOrDefault(p.id(), List.of())) {
      int at = Math.min(b.at().offset(), p.length());
      if (cutsBefore(b.page(), page) && at > from) {
        out.add(piece(whole, p, from, at, begins));
        from = at;
        begins = b.page();
      }
      page = b.page();
    }
    if (out.isEmpty()) {
      return List.of(whole);
    }
    if (from < p.length()) {
      out.add(piece(whole, p, from, p.length(), begins));
    }
    return out;
  }

  private Piece piece(Piece whole, Paragraph p, int from, int to, int page) {
    Paragraph part = part(p, from, to);
    setting.piece(p, part, from, to);
    if (from > 0) {
      double edge = whole.section().page().margins().left();
      document.setting().block(p.id()).ifPresent(b -> places.piece(part.id(), b, page, edge));
    }
    return new Piece(whole.section(), part, page);
  }

  private Paragraph part(Paragraph p, int from, int to) {
    if (from == 0) {
      return p.withInlines(p.slice(0, to));
    }
    Look look =
        p.look()
            .without(ParagraphTraits.BOOKMARKS)
            .without(ParagraphTraits.SPACE_BEFORE)
            .without(ParagraphTraits.PAGE_BREAK_BEFORE)
            .with(ParagraphTraits.GOES_ON, true);
    var list = look.value(ParagraphTraits.LIST);
    var definition = document.lists().get(list.list());
    if (definition != null) {
      Look level = definition.level(list.depth()).paragraph();
      double own = look.value(ParagraphTraits.INDENT_START);
      double indent = own != 0 ? own : level.value(ParagraphTraits.INDENT_START);
      look = look.without(ParagraphTraits.LIST).with(ParagraphTraits.INDENT_START, indent);
    }
    return new Paragraph(
        NodeId.fresh(), look.with(ParagraphTraits.FIRST_LINE, 0.0), p.endLook(), p.slice(from, to));
  }

  private List<Piece> cut(Piece whole, Table t) {
    var out = new ArrayList<Piece>();
    int from = 0;
    int begins = whole.page();
    int page = whole.page();
    for (int r = 1; r < t.rows().size(); r++) {
      int here = pageOf(t.rows().get(r)).orElse(page);
      if (here > page && cutsBefore(here, page)) {
        out.add(piece(whole, t, from, r, begins));
        from = r;
        begins = here;
      }
      page = Math.max(page, here);
    }
    if (out.isEmpty()) {
      return List.of(whole);
    }
    out.add(piece(whole, t, from, t.rows().size(), begins));
    return out;
  }

  private Piece piece(Piece whole, Table t, int from, int to, int page) {
    Table part = part(t, from, to);
    setting.rows(t, part, from, to);
    return new Piece(whole.section(), part, page);
  }

  private Optional<Integer> pageOf(Table.Row row) {
    return row.cells().stream()
        .flatMap(c -> c.blocks().stream())
        .flatMap(b -> breaks.getOrDefault(b.id(), List.of()).stream())
        .map(TakenIn.PageBreak::page)
        .findFirst();
  }

  private static Table part(Table t, int from, int to) {
    return from == 0
        ? t.withRows(t.rows().subList(0, to))
        : new Table(
            NodeId.fresh(),
            t.look().with(TableTraits.GOES_ON, true),
            t.columns(),
            t.rows().subList(from, to));
  }
}
