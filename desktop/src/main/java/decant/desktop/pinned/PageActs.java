package decant.desktop.pinned;

import decant.desktop.shell.Desk;
import decant.desktop.shell.LongChange;
import decant.desktop.shell.Work;
import decant.model.Pinned;
import decant.pin.PageOrder;
import decant.publication.KeptPage;
import decant.words.Words;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.function.IntConsumer;

/** What can be done to pinned pages as a whole: they are turned, put elsewhere, taken away. */
final class PageActs {
  private static final Words WORDS = Words.of(PageActs.class);

  private final Desk desk;
  private final Work work;

  PageActs(Desk desk, Work work) {
    this.desk = desk;
    this.work = work;
  }

  /** Whether every page is pinned, so that each can go elsewhere. */
  boolean areFree() {
    return PageOrder.isFree(work.revision().document());
  }

  /**
   * @param page from 0
   */
  Optional<Pinned> pinned(int page) {
    return work.layout().pinnedAt(page);
  }

  private List<Pinned> pinned(Collection<Integer> pages) {
    return pages.stream().flatMap(p -> pinned(p).stream()).toList();
  }

  PageOrder.Book book() {
    return new PageOrder.Book(
        work.taken().origin(), new KeptPage.InFile(work.source(), work.password()));
  }

  /**
   * @param done what is to be said then
   * @param refused what is to be said if it cannot be
   */
  void start(LongChange.Change change, String done, String refused) {
    LongChange.start(work, change, desk::tell, () -> desk.tell(done), () -> desk.tell(refused));
  }

  void turn(Collection<Integer> pages, int quarters) {
    List<Pinned> some = pinned(pages);
    if (!some.isEmpty()) {
      start(
          r -> Optional.of(PageOrder.turned(r, some, quarters)),
          WORDS.count("page-acts.turned", some.size()),
          "");
    }
  }

  /**
   * Puts pages before another one.
   *
   * @param before as they stand now, from 0; how many there are for the end
   * @param moved called with where the first of them stands then
   */
  void place(Collection<Integer> pages, int before, IntConsumer moved) {
    List<Pinned> some = pinned(pages);
    int to = before - (int) pages.stream().filter(p -> p < before).count();
    if (some.isEmpty() || stay(pages, to)) {
      return;
    }
    Optional<Pinned> behind = pinned(before);
    LongChange.start(
        work,
        r -> Optional.of(PageOrder.placed(r, book(), some, behind)),
        desk::tell,
        () -> {
          desk.tell(
              some.size() == 1
                  ? WORDS.say("page-acts.moved", to + 1)
                  : WORDS.say("page-acts.moved-several", to + 1, to + some.size()));
          moved.accept(to);
        },
        () -> {});
  }

  /** Whether pages stand there already, one after the other. */
  private static boolean stay(Collection<Integer> pages, int to) {
    int next = to;
    for (int p : pages.stream().sorted().toList()) {
      if (p != next++) {
        return false;
      }
    }
    return true;
  }

  void away(Collection<Integer> pages) {
    List<Pinned> some = pinned(pages);
    if (!some.isEmpty()) {
      start(
          r -> PageOrder.without(r, book(), some),
          WORDS.count("page-acts.gone", some.size()),
          WORDS.say("page-acts.only"));
    }
  }
}
