package decant.pin;

import decant.model.Block;
import decant.model.Box;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Pinned;
import decant.model.Section;
import decant.model.Selection;
import decant.model.edit.Copying;
import decant.model.edit.Edit;
import decant.model.edit.Pasting;
import decant.model.edit.Revision;
import decant.model.edit.Step;
import decant.model.look.Media;
import decant.model.walk.Walk;
import decant.pdf.amend.PdfAmender;
import decant.publication.KeptPage;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import decant.words.Words;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Pages of a document all of which are pinned: turned, cropped, put in another order, taken away,
 * and put in from other files. What they show stays as it is.
 */
public final class PageOrder {
  private static final Words WORDS = Words.of(PageOrder.class);

  /** No page is smaller, in points: PDF readers show none (ISO 32000-1 annex C). */
  private static final double LEAST = 3;

  private PageOrder() {}

  /** Whether all pages are pinned, so that each can go elsewhere. */
  public static boolean isFree(Document d) {
    return d.sections().stream().allMatch(s -> s.pinned().isPresent());
  }

  /** What a document came from: pages of it without any text may not be in the document yet. */
  public record Book(TakenIn.Origin origin, KeptPage.Source source) {}

  /**
   * Puts pages together before another one, in the order that they have, as one act that can be
   * undone.
   *
   * @param before that page; empty for the end
   * @throws IOException if the source is not there any more
   */
  public static Revision placed(Revision r, Book book, List<Pinned> pages, Optional<Pinned> before)
      throws IOException {
    List<Section> all = complete(r.document(), book).sections();
    int to = before.isPresent() ? at(all, before.get()) : all.size();
    List<Section> going = these(all, pages);
    var left = new ArrayList<Section>();
    for (int k = 0; k <= all.size(); k++) {
      if (k == to) {
        left.addAll(going);
      }
      if (k < all.size() && !going.contains(all.get(k))) {
        left.add(all.get(k));
      }
    }
    return left.equals(all) ? r : ordered(r, WORDS.say("page-order.move"), left);
  }

  /**
   * Takes pages away, as one act that can be undone.
   *
   * @return empty if there are no others
   * @throws IOException if the source is not there any more
   */
  public static Optional<Revision> without(Revision r, Book book, List<Pinned> pages)
      throws IOException {
    List<Section> all = complete(r.document(), book).sections();
    var left = new ArrayList<>(all);
    left.removeAll(these(all, pages));
    return left.isEmpty()
        ? Optional.empty()
        : Optional.of(ordered(r, WORDS.say("page-order.away"), left));
  }

  private static List<Section> these(List<Section> all, List<Pinned> pages) {
    return all.stream().filter(s -> pages.stream().anyMatch(s::is)).toList();
  }

  /** A document with all pages of its source, unless their order was given before. */
  private static Document complete(Document d, Book book) throws IOException {
    if (!isFree(d)) {
      throw new IllegalArgumentException("some pages flow");
    }
    if (Pinned.areOrdered(d.sections())) {
      return d;
    }
    List<Pinning.Sheet> all = PinnedPages.askedAll(book.source);
    return all.size() == Pinning.pages(d).size()
        ? d
        : Pinning.pin(d, book.origin, PinnedPages.unlocked(book.source), all);
  }

  private static int at(List<Section> all, Pinned page) {
    for (int k = 0; k < all.size(); k++) {
      if (all.get(k).is(page)) {
        return k;
      }
    }
    throw new IllegalArgumentException("no page of this document");
  }

  private static Revision ordered(Revision r, String name, List<Section> sections) {
    return AmendedPages.changed(
        r, name, r.document().withSections(sections.stream().map(PageOrder::inOrder).toList()));
  }

  private static Section inOrder(Section s) {
    return s.withPinned(s.pinned().orElseThrow().inOrder());
  }

  /**
   * Turns pinned pages, as one act that can be undone.
   *
   * @param quarters of a turn, clockwise
   * @throws ReadProblem if a file of theirs cannot be read
   */
  public static Revision turned(Revision r, List<Pinned> pages, int quarters) throws ReadProblem {
    Document d = r.document();
    for (Pinned page : pages) {
      d = changed(d, page, pdf -> pdf.turn(page.page(), quarters), s -> turned(s, page, quarters));
    }
    return AmendedPages.changed(r, WORDS.say("page-order.turn"), d);
  }

  private static Shown turned(Section s, Pinned page, int quarters) {
    Map<NodeId, Box> places = new HashMap<>(page.places());
    double w = s.page().width();
    double h = s.page().height();
    for (int k = 0; k < Math.floorMod(quarters, 4); k++) {
      double high = h;
      places.replaceAll((id, b) -> new Box(high - b.bottom(), b.x(), b.height(), b.width()));
      h = w;
      w = high;
    }
    return new Shown(w, h, places);
  }

  /**
   * Shows a part of a pinned page alone, as one act that can be undone. What lies outside is hidden
   * and stays in the file.
   *
   * @param to on the page, in points; what of it lies beyond the page does not count
   * @return empty if nothing would be left
   * @throws ReadProblem if its file cannot be read
   */
  public static Optional<Revision> cropped(Revision r, Pinned page, Box to) throws ReadProblem {
    Section of = r.document().sections().stream().filter(s -> s.is(page)).findFirst().orElseThrow();
    double x = Math.max(0, to.x());
    double y = Math.max(0, to.y());
    double width = Math.min(of.page().width(), to.right()) - x;
    double height = Math.min(of.page().height(), to.bottom()) - y;
    if (width < LEAST || height < LEAST) {
      return Optional.empty();
    }
    var box = new Box(x, y, width, height);
    Document cropped =
        changed(
            r.document(),
            page,
            pdf -> pdf.crop(page.page(), box),
            s -> {
              Map<NodeId, Box> places = new HashMap<>();
              page.places()
                  .forEach((id, b) ->
                      places.put(id, new Box(b.x() - x, b.y() - y, b.width(), b.height())));
              return new Shown(width, height, places);
            });
    return Optional.of(AmendedPages.changed(r, WORDS.say("page-order.crop"), cropped));
  }

  /** How large a page is shown, and where its blocks stand on it. */
  private record Shown(double width, double height, Map<NodeId, Box> places) {}

  private interface Showing {
    Shown of(Section before);
  }

  private static Document changed(
      Document d, Pinned was, PageFile.Amendment change, Showing showing) throws ReadProblem {
    Pinned now = PageFile.amended(was, change);
    return PageFile.with(
        d,
        was,
        s -> {
          Shown shown = showing.of(s);
          return s.withPage(s.page().withSize(shown.width, shown.height))
              .withPinned(now.in(now.file(), shown.places));
        });
  }

  /**
   * Another file that pages are put in from.
   *
   * @param taken what it was taken in as
   * @param name by which it is told
   */
  public record Other(TakenIn taken, KeptPage.Source source, String name) {}

  /**
   * Puts pages of another file in, as one act that can be undone. They are pinned; what is read
   * from them comes along, so that they can flow too.
   *
   * @param after the page that they stand after; empty: at the beginning
   * @param pages of the other file, from 0, in the order that they are to have
   * @throws ReadProblem if the other file cannot be read
   * @throws IOException if a file is not there any more
   */
  public static Revision putIn(
      Revision r, Book book, Optional<Pinned> after, Other other, List<Integer> pages)
      throws ReadProblem, IOException {
    Document complete = complete(r.document(), book);
    Document d = complete;
    int place = after.map(p -> at(complete.sections(), p) + 1).orElse(0);
    int from = Math.max(book.origin.pages(), Pinning.pages(complete).lastKey() + 1);
    Media whole = PinnedPages.unlocked(other.source);
    var out = new ByteArrayOutputStream();
    PdfAmender.in(
        whole.bytes(),
        pdf -> {
          pdf.writeSome(pages, from, out);
          return pages;
        });
    Media file = Media.of(PageFile.PDF, out.toByteArray());
    Document pinned =
        Pinning.pin(
            Pinning.releaseAll(other.taken.document()),
            other.taken.origin(),
            whole,
            PinnedPages.askedAll(other.source));
    var steps = new ArrayList<Step>();
    var fresh = new ArrayList<Section>();
    String why = WORDS.say("page-order.put-in-from", other.name);
    for (int k = 0; k < pages.size(); k++) {
      int page = pages.get(k);
      Section s = section(pinned, page);
      Pasting.Adapted adapted = Pasting.adapted(d, Copying.of(pinned, s.blocks()), true);
      for (Step step : adapted.before()) {
        d = step.apply(d).document();
      }
      steps.addAll(adapted.before());
      Map<NodeId, Box> places =
          places(s.blocks(), adapted.blocks(), s.pinned().orElseThrow().places());
      fresh.add(
          new Section(
              NodeId.fresh(),
              s.page(),
              Section.Start.NEW_PAGE,
              Map.of(),
              adapted.blocks(),
              Optional.of(new Pinned(file, from + k, why, places, true))));
    }
    var all = new ArrayList<>(d.sections().stream().map(PageOrder::inOrder).toList());
    all.addAll(place, fresh);
    steps.add(Step.Resection.to(d.withSections(all)));
    Selection at = r.selection();
    return r.apply(new Edit(WORDS.say("page-order.put-in"), steps), at);
  }

  private static Section section(Document pinned, int page) {
    return pinned.sections().stream()
        .filter(s -> s.pinned().filter(p -> p.page() == page).isPresent())
        .findFirst()
        .orElseThrow();
  }

  /** The places of blocks, for those that have become of them. */
  private static Map<NodeId, Box> places(List<Block> was, List<Block> is, Map<NodeId, Box> places) {
    Map<NodeId, Box> out = new HashMap<>();
    for (int k = 0; k < was.size(); k++) {
      put(was.get(k).id(), is.get(k).id(), places, out);
      List<Paragraph> a = Walk.paragraphs(List.of(was.get(k)));
      List<Paragraph> b = Walk.paragraphs(List.of(is.get(k)));
      for (int p = 0; p < Math.min(a.size(), b.size()); p++) {
        put(a.get(p).id(), b.get(p).id(), places, out);
      }
    }
    return out;
  }

  private static void put(NodeId was, NodeId is, Map<NodeId, Box> from, Map<NodeId, Box> to) {
    Box at = from.get(was);
    if (at != null) {
      to.put(is, at);
    }
  }
}
