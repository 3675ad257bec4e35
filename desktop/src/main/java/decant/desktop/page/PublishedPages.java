package decant.desktop.page;

import decant.layout.Layout;
import decant.layout.pages.Page;
import decant.layout.pages.PageChange;
import decant.model.Section;
import decant.paint.PagePainter;
import decant.publication.Publication;
import java.awt.image.BufferedImage;
import java.util.Optional;

/** The pages of a publication. */
public record PublishedPages(Publication publication, PagePainter painter) implements PageSource {
  @Override
  public int count() {
    return publication.pages().size();
  }

  @Override
  public double width(int page) {
    return publication.pages().get(page).width();
  }

  @Override
  public double height(int page) {
    return publication.pages().get(page).height();
  }

  @Override
  public void paint(int page, BufferedImage image, double scale, int top) {
    painter.paint(publication, publication.pages().get(page), image, scale, top);
  }

  @Override
  public int[] repaint(int page, BufferedImage image, double scale, int top, PageChange change) {
    return painter.repaint(publication, publication.pages().get(page), image, scale, top, change);
  }

  @Override
  public boolean paintsInStrips() {
    return true;
  }

  @Override
  public Optional<PageChange> change(int page, PageSource before) {
    if (before instanceof PublishedPages o
        && o.publication instanceof Layout was
        && publication instanceof Layout now
        && comparable(was, now, page)) {
      Optional<PageChange> text = PageChange.between(was.pages().get(page), now.pages().get(page));
      Optional<PageChange> running = running(was, now, page);
      return text.isPresent() && running.isPresent()
          ? text.map(running.get()::union)
          : text.or(() -> running);
    }
    return Optional.of(new PageChange(0, height(page)));
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
