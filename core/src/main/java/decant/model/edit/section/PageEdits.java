package decant.model.edit.section;

import decant.model.Block;
import decant.model.Columns;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.PageNumbers;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Section;
import decant.model.Selection;
import decant.model.SetBlock;
import decant.model.SourceSetting;
import decant.model.Story;
import decant.model.edit.Commands;
import decant.model.edit.Edit;
import decant.model.edit.Revision;
import decant.model.edit.Step;
import decant.model.look.ParagraphTraits;
import decant.model.walk.Walk;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;

/** Changes to paper, margins, columns and the numbers of pages, and to where they change. */
public final class PageEdits {
  /** What is left for the text at least, in points. */
  private static final double LEAST = 72;

  private PageEdits() {}

  /**
   * The pages that the caret is on.
   *
   * @param section the first of the sections that share them
   * @param own the section that the caret is in
   * @param parts how many kinds of pages the document has, one after the other
   */
  public record Here(Section section, Section own, int parts) {}

  /** The pages that the caret is on. */
  public static Here here(Revision r) {
    Document d = r.document();
    int own = sectionAt(d, r.selection());
    int first = sharing(d, own).getFirst();
    int parts = 0;
    for (int k = 0; k < d.sections().size(); k++) {
      parts += k == 0 || d.sections().get(k).start() != Section.Start.CONTINUOUS ? 1 : 0;
    }
    return new Here(d.sections().get(first), d.sections().get(own), parts);
  }

  /** The number of the section whose pages the caret is on. */
  static int sectionAt(Document d, Selection s) {
    NodeId at = s.caret().paragraph();
    Optional<NodeId> running = d.index().runningText(d, at);
    for (int k = 0; running.isPresent() && k < d.sections().size(); k++) {
      NodeId text = running.get();
      if (d.sections().get(k).running().values().stream().anyMatch(t -> t.id().equals(text))) {
        return k;
      }
    }
    return d.index().topLevel(at).map(t -> t.section()).orElse(0);
  }

  /** The sections that stand on the same pages as one: those that begin where it goes on. */
  private static List<Integer> sharing(Document d, int section) {
    int from = section;
    while (from > 0 && d.sections().get(from).start() == Section.Start.CONTINUOUS) {
      from--;
    }
    var out = new ArrayList<Integer>();
    out.add(from);
    for (int k = from + 1;
        k < d.sections().size() && d.sections().get(k).start() == Section.Start.CONTINUOUS;
        k++) {
      out.add(k);
    }
    return out;
  }

  /** Other paper; pages that are pinned keep theirs. */
  public static Revision size(Revision r, boolean everywhere, double width, double height) {
    return change(r, everywhere, true, s -> s.page().withSize(width, height));
  }

  /** Other margins. */
  public static Revision margins(
      Revision r, boolean everywhere, UnaryOperator<PageSetup.Margins> change) {
    return change(r, everywhere, true, s -> s.page().withMargins(change.apply(s.page().margins())));
  }

  /** Other columns, of the caret's own section alone or of all. */
  public static Revision columns(Revision r, boolean everywhere, Columns to) {
    return change(r, everywhere, false, s -> s.page().withColumns(to));
  }

  /**
   * Pages numbered otherwise. The first number is that of the first of them; where they go on in
   * other sections, those count on.
   */
  public static Revision numbers(Revision r, boolean everywhere, PageNumbers to) {
    Document d = r.document();
    int own = sectionAt(d, r.selection());
    int first = everywhere ? 0 : sharing(d, own).getFirst();
    NodeId begins = d.sections().get(first).id();
    var on = new PageNumbers(Optional.empty(), to.format());
    return change(r, everywhere, true, s -> s.page().withNumbers(s.id().equals(begins) ? to : on));
  }

  /**
   * @param pages whether it is a matter of whole pages, which sections may share
   */
  private static Revision change(
      Revision r, boolean everywhere, boolean pages, Function<Section, PageSetup> change) {
    Document d = r.document();
    int own = sectionAt(d, r.selection());
    List<Integer> meant = pages ? sharing(d, own) : List.of(own);
    var to = new LinkedHashMap<NodeId, PageSetup>();
    var reset = new ArrayList<Section>();
    for (int k = 0; k < d.sections().size(); k++) {
      Section s = d.sections().get(k);
      PageSetup other = change.apply(s);
      boolean applies = everywhere || meant.contains(k);
      if (applies && s.pinned().isEmpty() && !other.equals(s.page())) {
        to.put(s.id(), fitting(other));
        reset.add(s);
      }
    }
    if (to.isEmpty()) {
      return r;
    }
    var step = new Step.SetPages(to, without(d.setting(), reset));
    return r.apply(Edit.of("Pages", step), r.selection());
  }

  /** Paper that leaves room for text, whatever margins were asked for. */
  private static PageSetup fitting(PageSetup p) {
    PageSetup.Margins m = p.margins();
    double across = Math.max(0, p.width() - LEAST);
    double down = Math.max(0, p.height() - LEAST);
    double left = Math.clamp(m.left(), 0, across);
    double top = Math.clamp(m.top(), 0, down);
    return p.withMargins(
        new PageSetup.Margins(
            top,
            Math.clamp(m.right(), 0, across - left),
            Math.clamp(m.bottom(), 0, down - top),
            left,
            Math.clamp(m.header(), 0, down),
            Math.clamp(m.footer(), 0, down)));
  }

  /** On other paper nothing stands any more as its source had set it. */
  private static SourceSetting without(SourceSetting setting, List<Section> sections) {
    Set<NodeId> gone = new HashSet<>();
    for (Section s : sections) {
      s.blocks().forEach(b -> gone.add(b.id()));
      Walk.paragraphs(s.blocks()).forEach(p -> gone.add(p.id()));
    }
    Map<NodeId, SetBlock> left = new HashMap<>(setting.blocks());
    return left.keySet().removeAll(gone)
        ? new SourceSetting(setting.styles(), left, setting.running())
        : setting;
  }

  /** Whether a part can begin at the caret: in the flow, not where one begins already. */
  public static boolean canBegin(Revision r) {
    Position at = r.selection().caret();
    return r.document()
        .topLevel(at.paragraph())
        .filter(b -> b.id().equals(at.paragraph()))
        .flatMap(b -> r.document().index().topLevel(b.id()))
        .filter(t -> t.block() > 0 || at.offset() > 0)
        .isPresent();
  }

  /**
   * Begins a part of its own at the caret, on paper like that before, which can then be changed.
   * Only in the flow, not in a table.
   */
  public static Revision begin(Revision r) {
    if (!canBegin(r)) {
      return r;
    }
    Revision cut =
        r.selection().isCaret() && r.selection().caret().offset() > 0
            ? Commands.newParagraph(r)
            : r;
    Document c = cut.document();
    NodeId first = cut.selection().caret().paragraph();
    var place = c.index().topLevel(first).orElseThrow();
    if (place.block() == 0) {
      return r; // one begins here already
    }
    Section s = c.sections().get(place.section());
    var sections = new ArrayList<>(c.sections());
    sections.set(place.section(), s.withBlocks(s.blocks().subList(0, place.block())));
    sections.add(
        place.section() + 1,
        new Section(
            NodeId.fresh(),
            s.page().withNumbers(new PageNumbers(Optional.empty(), s.page().numbers().format())),
            Section.Start.NEW_PAGE,
            onMorePages(s.running()),
            unbroken(s.blocks().subList(place.block(), s.blocks().size()))));
    Edit edit = Edit.of("Begin a part", Step.Resection.to(c.withSections(sections)));
    return cut == r ? r.apply(edit, r.selection()) : cut.extend(edit, cut.selection());
  }

  /** A title page of its own the part has none. */
  private static Map<Section.Running, Story> onMorePages(Map<Section.Running, Story> running) {
    var out = new LinkedHashMap<>(running);
    out.remove(Section.Running.HEADER_FIRST);
    out.remove(Section.Running.FOOTER_FIRST);
    return out;
  }

  /** The part begins a page by itself. */
  private static List<Block> unbroken(List<Block> blocks) {
    var out = new ArrayList<>(blocks);
    if (out.getFirst() instanceof Paragraph p) {
      out.set(
          0,
          new Paragraph(
              p.id(),
              p.look().without(ParagraphTraits.PAGE_BREAK_BEFORE),
              p.endLook(),
              p.inlines()));
    }
    return out;
  }

  /** Whether the caret's section can be joined with the one before. */
  public static boolean canJoin(Revision r) {
    Document d = r.document();
    int own = sectionAt(d, r.selection());
    return own > 0
        && d.sections().get(own).pinned().isEmpty()
        && d.sections().get(own - 1).pinned().isEmpty();
  }

  /** The caret's section goes on as the one before: on its paper, with its headers and footers. */
  public static Revision join(Revision r) {
    if (!canJoin(r)) {
      return r;
    }
    Document d = r.document();
    int own = sectionAt(d, r.selection());
    Section before = d.sections().get(own - 1);
    Section s = d.sections().get(own);
    var blocks = new ArrayList<>(before.blocks());
    blocks.addAll(s.blocks());
    var sections = new ArrayList<>(d.sections());
    sections.remove(own);
    sections.set(own - 1, before.withBlocks(blocks));
    Selection after = r.selection();
    boolean gone =
        d.index().runningText(d, after.caret().paragraph()).isPresent()
            || d.index().runningText(d, after.anchor().paragraph()).isPresent();
    if (gone) {
      var top = new Position(Walk.paragraphs(s.blocks()).getFirst().id(), 0);
      after = Selection.at(top);
    }
    Document joined = d.withSections(sections);
    var pages = new Step.SetPages(Map.of(), without(d.setting(), List.of(s)));
    return r.apply(
        new Edit("Join with the part before", List.of(Step.Resection.to(joined), pages)), after);
  }
}
