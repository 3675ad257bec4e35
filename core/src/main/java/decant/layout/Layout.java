package decant.layout;

import decant.layout.item.Fragment;
import decant.layout.label.Context;
import decant.layout.label.FieldValues;
import decant.layout.label.Flow;
import decant.layout.label.ListLabels;
import decant.layout.pages.Page;
import decant.model.AttachedFile;
import decant.model.Block;
import decant.model.Box;
import decant.model.Content;
import decant.model.Document;
import decant.model.DocumentIndex;
import decant.model.Inline;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.Outline;
import decant.model.PageSetup;
import decant.model.Pinned;
import decant.model.Position;
import decant.model.Section;
import decant.model.Story;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.publication.KeptPage;
import decant.publication.PageSink;
import decant.publication.Publication;
import decant.publication.PublishedPage;
import decant.publication.StructureNode;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/**
 * A document on pages. Immutable, and safe for use by several threads.
 *
 * <p>While {@link #complete} is false there are more pages to come.
 */
public final class Layout implements Publication {
  private final Document document;
  private final List<Page> pages;
  private final boolean complete;
  private final Flow flow;
  private final RunningTexts runningTexts;
  private final Map<Integer, List<Fragment>> running = new ConcurrentHashMap<>();

  /** Sets running texts, which need the number of pages. */
  interface RunningTexts {
    /**
     * The fragments of a running text, from the top left of the text it stands above or below.
     *
     * @param top where the text begins on the page
     */
    List<Fragment> set(Story story, PageSetup setup, double top, FieldValues fields);
  }

  Layout(
      Document document, List<Page> pages, boolean complete, Flow flow, RunningTexts runningTexts) {
    this.document = document;
    this.pages = List.copyOf(pages);
    this.complete = complete;
    this.flow = flow;
    this.runningTexts = runningTexts;
  }

  public Document document() {
    return document;
  }

  @Override
  public List<Page> pages() {
    return pages;
  }

  @Override
  public boolean complete() {
    return complete;
  }

  @Override
  public Content content() {
    return document;
  }

  @Override
  public void walk(PublishedPage page, PageSink sink) {
    PageWalker.walk(this, pages.get(page.number() - 1), sink);
  }

  @Override
  public Map<MediaId, Media> media() {
    return document.media();
  }

  @Override
  public Metadata metadata() {
    return document.metadata();
  }

  @Override
  public List<AttachedFile> attachments() {
    return document.attachments();
  }

  @Override
  public List<Outline.Heading> headings() {
    return Outline.headings(document);
  }

  @Override
  public Map<NodeId, String> labels() {
    return ListLabels.of(document);
  }

  @Override
  public Map<String, NodeId> bookmarks() {
    return document.bookmarks();
  }

  @Override
  public Optional<Place> place(NodeId block) {
    Optional<Pinned> pinned = pinnedOf(block);
    if (pinned.isPresent()) {
      double top = topOn(pinned.get(), block);
      return pagesOf(block).stream().findFirst().map(p -> new Place(p, top));
    }
    return caret(new Position(block, 0)).map(c -> new Place(c.page(), c.top()));
  }

  /** The pinned page that a block is read from, if it is one. */
  private Optional<Pinned> pinnedOf(NodeId block) {
    return document.sectionOf(block).flatMap(Section::pinned);
  }

  /** The height of a block on a pinned page; that of its table, if it stands in one. */
  private double topOn(Pinned pinned, NodeId block) {
    Box own = pinned.places().get(block);
    if (own != null) {
      return own.y();
    }
    return document
        .topLevel(block)
        .map(Block::id)
        .map(pinned.places()::get)
        .map(Box::y)
        .orElse(0.0);
  }

  @Override
  public Optional<KeptPage> kept(PublishedPage page) {
    return pinned(pages.get(page.number() - 1))
        .map(p -> new KeptPage(new KeptPage.InMemory(p.file()), p.page(), p.places()));
  }

  @Override
  public Optional<Page> pageLike(int sourcePage) {
    return pages.stream()
        .filter(p -> p.start().found() == sourcePage)
        .findFirst()
        .or(() ->
            flow.blocks().stream()
                .filter(b ->
                    document
                        .setting()
                        .block(b.id())
                        .filter(s -> s.page() == sourcePage)
                        .isPresent())
                .findFirst()
                .flatMap(b -> pagesOf(b.id()).stream().findFirst()));
  }

  /** What a page shows in place of text, if it is pinned. */
  public Optional<Pinned> pinned(Page page) {
    int after = flow.sectionStarts()[page.section() + 1];
    return page.start().at().block() >= after
        ? Optional.empty()
        : document.sections().get(page.section()).pinned();
  }

  /** The same by the page's place, from 0; empty beyond the last. */
  public Optional<Pinned> pinnedAt(int page) {
    return page >= 0 && page < pages.size() ? pinned(pages.get(page)) : Optional.empty();
  }

  @Override
  public String words(NodeId block) {
    return document.paragraph(block).map(FigureTexts::plain).orElse("");
  }

  @Override
  public String figureText(NodeId block, int at) {
    return document.paragraph(block).map(p -> FigureTexts.of(document, p, at)).orElse("");
  }

  @Override
  public List<StructureNode> structure() {
    return DocumentStructure.of(document);
  }

  Flow flow() {
    return flow;
  }

  /** Header and footer of a page. */
  public List<Fragment> running(Page page) {
    return running.computeIfAbsent(
        page.number(), n -> new RunningOfPage(this, runningTexts, page).set());
  }

  /** Wherever the block is nested; empty if its pages are not made yet. */
  @Override
  public List<Page> pagesOf(NodeId block) {
    Optional<DocumentIndex.TopLevel> top = document.index().topLevel(block);
    if (top.isPresent()) {
      return pagesOfBlock(flow.sectionStarts()[top.get().section()] + top.get().block());
    }
    Optional<NodeId> text = document.index().runningText(document, block);
    if (text.isPresent()) {
      return pages.stream().filter(p -> RunningLines.shows(this, p, text.get())).toList();
    }
    NodeId story = document.index().story(document, block).orElse(null);
    return story == null ? List.of() : pagesOfStory(story);
  }

  /**
   * Like {@link #pagesOf(NodeId)}; of those that a running text stands on only the nearest.
   *
   * @param near the number of a page, from 0
   */
  List<Page> pagesOf(NodeId block, int near) {
    List<Page> all = pagesOf(block);
    return all.size() < 2 || !isRunning(block)
        ? all
        : List.of(
            Collections.min(all, Comparator.comparingInt(p -> Math.abs(p.number() - 1 - near))));
  }

  private List<Page> pagesOfBlock(int k) {
    if (pages.isEmpty()) {
      return List.of();
    }
    Page first = pages.get(firstPageOf(k));
    if (first.section() == flow.sections()[k] && pinned(first).isPresent()) {
      return List.of(first);
    }
    NodeId id = flow.blocks().get(k).id();
    var out = new ArrayList<Page>();
    for (int p = firstPageOf(k); p < pages.size() && pages.get(p).start().at().block() <= k; p++) {
      if (pages.get(p).body().stream().anyMatch(f -> f.source().id().equals(id))) {
        out.add(pages.get(p));
      }
    }
    return out;
  }

  /** Pages that hold a note, or a shape with a text in it: those that its anchor stands on. */
  private List<Page> pagesOfStory(NodeId story) {
    int notes = flow.sectionStarts()[flow.sectionStarts().length - 1];
    Story s = document.stories().get(story);
    if (s != null && s.kind() == Story.Kind.ENDNOTE) {
      for (int k = notes; k < flow.size(); k++) {
        if (s.blocks().contains(flow.blocks().get(k))) {
          return pagesOfBlock(k);
        }
      }
    }
    for (int k = 0; k < notes; k++) {
      boolean refers =
          Context.holds(
              flow.blocks().get(k),
              i ->
                  i instanceof Inline.NoteMark m && m.note().equals(story)
                      || i instanceof Inline.Shape h
                          && h.content().story().equals(Optional.of(story)));
      if (refers) {
        List<Page> found = pagesOfBlock(k);
        if (found.isEmpty()) {
          return found;
        }
        // A note may go on on the page after.
        int after = found.getLast().number();
        var out = new ArrayList<>(found);
        if (after < pages.size()) {
          out.add(pages.get(after));
        }
        return out;
      }
    }
    return List.of();
  }

  /** The last page that begins before a block, or with it. */
  private int firstPageOf(int block) {
    int low = 0;
    int high = pages.size() - 1;
    while (low < high) {
      int mid = (low + high + 1) >>> 1;
      Page.FlowPoint s = pages.get(mid).start().at();
      if (s.block() < block || s.block() == block && s.part() == 0) {
        low = mid;
      } else {
        high = mid - 1;
      }
    }
    return low;
  }

  /** Where a block of the flow stands on a page. */
  public record BlockPlace(Page page, Box box) {}

  /** The places of a block of the flow, one a page; empty if its pages are not made yet. */
  public List<BlockPlace> placesOf(NodeId block) {
    var out = new ArrayList<BlockPlace>();
    for (Page page : pagesOf(block)) {
      pinned(page).map(p -> p.places().get(block)).ifPresent(b -> out.add(new BlockPlace(page, b)));
      page.body().stream()
          .filter(f -> !(f instanceof Fragment.Floated) && f.source().id().equals(block))
          .map(Layout::boxOf)
          .reduce(Box::union)
          .ifPresent(b -> out.add(new BlockPlace(page, b)));
    }
    return out;
  }

  private static Box boxOf(Fragment f) {
    double width =
        switch (f) {
          case Fragment.Lines l -> l.layout().width();
          case Fragment.Rows r -> r.layout().width();
          case Fragment.Floated p -> p.object().width();
        };
    return new Box(f.x(), f.y(), width, f.height());
  }

  /** The block of the flow nearest to a point of a page: a paragraph, or a whole table. */
  public Optional<NodeId> blockAt(Page page, double x, double y) {
    Optional<Pinned> pinned = pinned(page);
    if (pinned.isPresent()) {
      return pinned.get().places().entrySet().stream()
          .filter(e -> e.getValue().contains(x, y))
          .flatMap(e -> document.topLevel(e.getKey()).stream())
          .map(Block::id)
          .findFirst();
    }
    NodeId best = null;
    double min = Double.MAX_VALUE;
    for (Fragment f : page.body()) {
      if (f instanceof Fragment.Floated) {
        continue;
      }
      Box b = boxOf(f);
      double dx = Math.max(0, Math.max(b.x() - x, x - b.right()));
      double dy = Math.max(0, Math.max(b.y() - y, y - b.bottom()));
      double d = Math.hypot(dx, dy * 4); // rather beside it than above or below
      if (d < min) {
        min = d;
        best = f.source().id();
      }
    }
    return Optional.ofNullable(best);
  }

  /**
   * The lines of a paragraph on a page, wherever it stands there.
   *
   * <p>Those of a running text that is as the source had it may hold other words than the
   * paragraph: what they say on that page.
   */
  List<Places.PlacedLine> linesOf(Page page, NodeId paragraph) {
    if (isRunning(paragraph)) {
      return runningLines(page, paragraph).stream().map(RunningLine::line).toList();
    }
    return Places.lines(page).stream()
        .filter(l -> l.paragraph().source().id().equals(paragraph))
        .toList();
  }

  /** Whether a paragraph stands in a header or footer. */
  boolean isRunning(NodeId paragraph) {
    return document.index().runningText(document, paragraph).isPresent();
  }

  /** The lines of a paragraph of a header or footer on a page. */
  public List<RunningLine> runningLines(Page page, NodeId paragraph) {
    return RunningLines.on(this, page).stream()
        .filter(r -> r.paragraph().equals(paragraph))
        .toList();
  }

  /** Where the caret stands at a position; empty if its page is not made yet. */
  public Optional<CaretPlace> caret(Position at) {
    return caret(at, 0);
  }

  /**
   * Where the caret stands at a position; empty if its page is not made yet.
   *
   * @param near the page, from 0, that it is looked for on where it stands on many
   */
  public Optional<CaretPlace> caret(Position at, int near) {
    boolean running = isRunning(at.paragraph());
    for (Page page : pagesOf(at.paragraph(), near)) {
      Optional<CaretPlace> place =
          running
              ? RunningLines.caret(this, page, at)
              : Places.caret(page, linesOf(page, at.paragraph()), at.offset());
      if (place.isPresent()) {
        return place;
      }
    }
    return Optional.empty();
  }

  /**
   * The position nearest to a point of a page. One in a running text only if the point is on its
   * height.
   */
  public Optional<Position> positionAt(Page page, double x, double y) {
    Optional<Places.PlacedLine> body = Places.nearest(Places.lines(page), x, y);
    return body.filter(l -> l.contains(x, y)).isPresent()
        ? body.map(l -> l.positionAt(x))
        : RunningLines.positionAt(this, page, x, y).or(() -> body.map(l -> l.positionAt(x)));
  }
}
