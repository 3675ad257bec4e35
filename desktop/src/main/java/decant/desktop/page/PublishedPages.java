package decant.desktop.page;

import decant.layout.Layout;
import decant.layout.LayoutChange;
import decant.layout.pages.PageChange;
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
    return before instanceof PublishedPages o
            && o.publication instanceof Layout was
            && publication instanceof Layout now
        ? LayoutChange.onPage(was, now, page)
        : Optional.of(new PageChange(0, height(page)));
  }
}
