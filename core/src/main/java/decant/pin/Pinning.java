package decant.pin;

import decant.model.Block;
import decant.model.Document;
import decant.model.KeptBlock;
import decant.model.NodeId;
import decant.model.PageNumbers;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Pinned;
import decant.model.Section;
import decant.model.Selection;
import decant.model.Table;
import decant.model.edit.Edit;
import decant.model.edit.Revision;
import decant.model.edit.Step;
import decant.model.finding.Finding.SourcePlace;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.ParagraphTraits;
import decant.model.look.TableTraits;
import decant.reading.TakenIn;
import decant.words.Words;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * Pins pages of a document that came from a PDF, and lets them flow again. A pinned page is a
 * section of its own; blocks that run across its edges are cut there, and joined again when it
 * flows.
 */
public final class Pinning {
  /**
   * A page to be pinned.
   *
   * @param index which page of the file, from 0
   * @param width in points, as it is shown
   * @param height in points, as it is shown
   * @param why in the person's words
   */
  public record Sheet(int index, double width, double height, String why) {}

  private static final Words WORDS = Words.of(Pinning.class);

  private final Document document;
  private final TakenIn.Origin origin;
  private final Media file;
  private final TreeMap<Integer, Sheet> sheets = new TreeMap<>();
  private final PlacesOnPages places;
  private final PieceSetting setting;
  private final BlockCuts cuts;

  /** Whether the person has given the pages their order. */
  private final boolean ordered;

  /** What goes to one pinned page. */
  private record Held(List<Block> blocks, List<Section> from) {}

  private Pinning(Document document, TakenIn.Origin origin, Media file, List<Sheet> pages) {
    this.document = document;
    this.origin = origin;
    this.file = file;
    pages.forEach(p -> sheets.put(p.index(), p));
    this.places = new PlacesOnPages(origin, sheets.keySet());
    this.setting = new PieceSetting(document.setting());
    this.cuts = new BlockCuts(document, origin, sheets.keySet(), places, setting);
    this.ordered = Pinned.areOrdered(document.sections());
  }

  /**
   * A document with pages pinned. Pages that are pinned already stay as they are.
   *
   * @param origin says where the document's blocks stood
   * @param file the PDF that they stood in, which opens without a password
   */
  public static Document pin(
      Document document, TakenIn.Origin origin, Media file, List<Sheet> pages) {
    Set<Integer> known = pages(document).keySet();
    List<Sheet> more = pages.stream().filter(p -> !known.contains(p.index())).toList();
    return more.isEmpty() ? document : new Pinning(document, origin, file, more).pinned();
  }

  /** The pinned pages, by their number in the file, from 0. */
  public static TreeMap<Integer, Pinned> pages(Document document) {
    var out = new TreeMap<Integer, Pinned>();
    for (Section s : document.sections()) {
      s.pinned().ifPresent(p -> out.put(p.page(), p));
    }
    return out;
  }

  private Document pinned() {
    var pieces = new ArrayList<BlockCuts.Piece>();
    Map<Integer, Held> held = new TreeMap<>();
    sheets.keySet().forEach(k -> held.put(k, new Held(new ArrayList<>(), new ArrayList<>())));
    int page = 0;
    for (Section s : document.sections()) {
      if (s.pinned().isPresent()) {
        page = s.pinned().get().page();
        pieces.add(new BlockCuts.Piece(s, Paragraph.of(Look.PLAIN, ""), page));
        continue;
      }
      for (Block b : s.blocks()) {
        SourcePlace at = origin.places().get(b.id());
        page = at == null ? page : at.page();
        for (BlockCuts.Piece p : cuts.of(new BlockCuts.Piece(s, b, page))) {
          Held h = held.get(p.page());
          if (h == null) {
            pieces.add(p);
          } else {
            if (ordered && h.from().isEmpty()) {
              pieces.add(p); // where the page has its place now
            }
            h.blocks().add(p.block());
            h.from().add(s);
          }
          page = p.page();
        }
      }
    }
    return document.withSections(assembled(pieces, held)).withSetting(setting.done());
  }

  /**
   * The flow, with each pinned page before the first that stood on a later one; where the order was
   * given, in the place of its text.
   */
  private List<Section> assembled(List<BlockCuts.Piece> pieces, Map<Integer, Held> held) {
    var out = new Sections();
    var waiting = new ArrayList<>(held.keySet());
    for (BlockCuts.Piece p : pieces) {
      while (!ordered && !waiting.isEmpty() && waiting.getFirst() < p.page()) {
        out.pinned(waiting.removeFirst(), held, p.section());
      }
      if (held.containsKey(p.page()) && p.section().pinned().isEmpty()) {
        out.pinned(p.page(), held, p.section());
      } else {
        out.flowing(p);
      }
    }
    if (!ordered) { // else what is not there was taken away
      Section last = document.sections().getLast();
      waiting.forEach(k -> out.pinned(k, held, last));
    }
    return out.done();
  }

  /** Sections as they come. */
  private final class Sections {
    private final List<Section> done = new ArrayList<>();
    private final List<Block> run = new ArrayList<>();
    private Optional<Section> of = Optional.empty();
    private final Set<NodeId> begun = new HashSet<>();

    void flowing(BlockCuts.Piece p) {
      if (p.section().pinned().isPresent()) {
        flush();
        done.add(p.section());
        return;
      }
      if (of.isPresent() && of.get() != p.section()) {
        flush();
      }
      of = Optional.of(p.section());
      run.add(p.block());
    }

    void pinned(int page, Map<Integer, Held> held, Section next) {
      flush();
      Held h = held.getOrDefault(page, new Held(List.of(), List.of()));
      Sheet sheet = sheets.get(page);
      Section like = h.from().isEmpty() ? next : h.from().getFirst();
      if (sheet == null) {
        return;
      }
      List<Block> blocks =
          h.blocks().isEmpty() ? List.of(Paragraph.of(Look.PLAIN, "")) : h.blocks();
      PageSetup paper = like.page().withSize(sheet.width(), sheet.height());
      boolean first = !h.from().isEmpty() && begun.add(like.id());
      done.add(
          new Section(
              first ? like.id() : NodeId.fresh(),
              first ? paper : paper.withNumbers(goingOn(paper)),
              Section.Start.NEW_PAGE,
              like.running(),
              blocks,
              Optional.of(new Pinned(file, page, sheet.why(), places.on(page), ordered))));
    }

    private void flush() {
      if (of.isPresent() && !run.isEmpty()) {
        Section s = of.get();
        boolean first = begun.add(s.id());
        boolean afterPinned = !done.isEmpty() && done.getLast().pinned().isPresent();
        done.add(
            new Section(
                first ? s.id() : NodeId.fresh(),
                first ? s.page() : s.page().withNumbers(goingOn(s.page())),
                afterPinned || !first ? Section.Start.NEW_PAGE : s.start(),
                first ? s.running() : withoutFirst(s.running()),
                run));
      }
      run.clear();
      of = Optional.empty();
    }

    List<Section> done() {
      flush();
      return done;
    }
  }

  private static PageNumbers goingOn(PageSetup p) {
    return new PageNumbers(Optional.empty(), p.numbers().format());
  }

  private static Map<Section.Running, decant.model.Story> withoutFirst(
      Map<Section.Running, decant.model.Story> running) {
    var out = new HashMap<>(running);
    out.remove(Section.Running.HEADER_FIRST);
    out.remove(Section.Running.FOOTER_FIRST);
    return out;
  }

  /** Pins pages as one act that can be undone. */
  public static Revision pin(Revision r, TakenIn.Origin origin, Media file, List<Sheet> pages) {
    return resected(r, WORDS.say("pinning.pin"), pin(r.document(), origin, file, pages));
  }

  /** Lets a page flow again as one act that can be undone. */
  public static Revision release(Revision r, int page) {
    return resected(r, WORDS.say("pinning.release"), release(r.document(), page));
  }

  /** Lets all pages flow again as one act that can be undone. */
  public static Revision releaseAll(Revision r) {
    return resected(r, WORDS.say("pinning.release-all"), releaseAll(r.document()));
  }

  private static Revision resected(Revision r, String name, Document to) {
    if (to.sections().equals(r.document().sections())) {
      return r;
    }
    Edit edit = Edit.of(name, Step.Resection.to(to));
    return r.apply(
        edit, new Selection(edit.map(r.selection().anchor()), edit.map(r.selection().caret())));
  }

  /** A document with a page flowing again; it stays as it is if the page is not pinned. */
  public static Document release(Document document, int page) {
    var out = new ArrayList<Section>();
    var setting = new PieceSetting(document.setting());
    boolean released = false;
    for (Section s : document.sections()) {
      if (s.pinned().filter(p -> p.page() == page).isPresent()) {
        add(out, s.flowing(), setting);
        released = true;
      } else if (released) {
        add(out, s, setting);
        released = false;
      } else {
        out.add(s);
      }
    }
    return document.withSections(out).withSetting(setting.done());
  }

  /** A document all of whose pages flow. */
  public static Document releaseAll(Document document) {
    Document out = document;
    for (int page : pages(document).keySet()) {
      out = release(out, page);
    }
    return out;
  }

  /** Adds a section, to the one before where a pinned page had cut them apart. */
  private static void add(List<Section> to, Section s, PieceSetting setting) {
    Section before = to.isEmpty() ? null : to.getLast();
    if (before == null
        || before.pinned().isPresent()
        || s.pinned().isPresent()
        || s.blocks().isEmpty()
        || !(goesOn(s.blocks().getFirst()) || before.blocks().isEmpty())) {
      to.add(s);
      return;
    }
    var blocks = new ArrayList<>(before.blocks());
    if (!joined(blocks, s.blocks().getFirst(), setting)) {
      to.add(s);
      return;
    }
    blocks.addAll(s.blocks().subList(1, s.blocks().size()));
    to.set(to.size() - 1, before.withBlocks(blocks));
  }

  private static boolean goesOn(Block b) {
    return switch (b) {
      case Paragraph p -> p.look().value(ParagraphTraits.GOES_ON);
      case Table t -> t.look().value(TableTraits.GOES_ON);
      case KeptBlock k -> false;
    };
  }

  /** Joins a block to the last of some; false if they are not of one kind. */
  private static boolean joined(List<Block> to, Block more, PieceSetting setting) {
    Block last = to.isEmpty() ? null : to.getLast();
    if (last instanceof Paragraph a && more instanceof Paragraph b) {
      var inlines = new ArrayList<>(a.inlines());
      inlines.addAll(b.inlines());
      Paragraph whole = a.withInlines(inlines);
      setting.joined(a, b, whole);
      to.set(to.size() - 1, whole);
      return true;
    }
    if (last instanceof Table a && more instanceof Table b && a.columns().equals(b.columns())) {
      var rows = new ArrayList<>(a.rows());
      rows.addAll(b.rows());
      Table whole = a.withRows(rows);
      setting.joined(a, b, whole);
      to.set(to.size() - 1, whole);
      return true;
    }
    return false;
  }
}
