package decant.layout;

import decant.layout.pages.Page;
import decant.layout.pages.PageChange;
import decant.model.Section;
import java.util.Optional;

/** What looks different on the pages of one layout from those of another. */
public final class LayoutChange {
  private LayoutChange() {}

  /**
   * What of a page looks different, its running texts included; nothing if empty.
   *
   * @param page its number, from 0
   */
  public static Optional<PageChange> onPage(Layout was, Layout now, int page) {
    if (!comparable(was, now, page)) {
      return Optional.of(new PageChange(0, now.pages().get(page).height()));
    }
    Optional<PageChange> text = PageChange.between(was.pages().get(page), now.pages().get(page));
    Optional<PageChange> running = running(was, now, page);
    return text.isPresent() && running.isPresent()
        ? text.map(running.get()::union)
        : text.or(() -> running);
  }

  private static boolean comparable(Layout was, Layout now, int page) {
    return page < was.pages().size()
        && page < now.pages().size()
        // Running texts show how many pages there are, and come from the sections.
        && was.pages().size() == now.pages().size()
        && was.document().media() == now.document().media()
        && was.pages().get(page).section() == now.pages().get(page).section()
        && was.document().styles() == now.document().styles();
  }

  private static Optional<PageChange> running(Layout was, Layout now, int page) {
    Page before = was.pages().get(page);
    Page after = now.pages().get(page);
    Section a = was.document().sections().get(before.section());
    Section b = now.document().sections().get(after.section());
    return a.running().equals(b.running())
        ? Optional.empty()
        : PageChange.ofRunning(was.running(before), now.running(after), after.height());
  }
}
