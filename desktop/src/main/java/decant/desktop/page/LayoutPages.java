package decant.desktop.page;

import decant.layout.Layout;
import decant.layout.pages.PageChange;
import decant.paint.PagePainter;
import java.awt.image.BufferedImage;
import java.util.Optional;

/** The pages of a layout. */
public record LayoutPages(Layout layout, PagePainter painter) implements PageSource {
  @Override
  public int count() {
    return layout.pages().size();
  }

  @Override
  public double width(int page) {
    return layout.pages().get(page).setup().width();
  }

  @Override
  public double height(int page) {
    return layout.pages().get(page).setup().height();
  }

  @Override
  public void paint(int page, BufferedImage image, double scale, int top) {
    painter.paint(layout, layout.pages().get(page), image, scale, top);
  }

  @Override
  public int[] repaint(int page, BufferedImage image, double scale, int top, PageChange change) {
    return painter.repaint(layout, layout.pages().get(page), image, scale, top, change);
  }

  @Override
  public boolean paintsInStrips() {
    return true;
  }

  @Override
  public Optional<PageChange> change(int page, PageSource before) {
    boolean comparable =
        before instanceof LayoutPages o
            && page < o.count()
            && page < count()
            // Running texts show how many pages there are, and come from the sections.
            && o.count() == count()
            && o.layout.document().media() == layout.document().media()
            && sameRunningTexts(o.layout, page);
    return comparable && before instanceof LayoutPages o
        ? PageChange.between(o.layout.pages().get(page), layout.pages().get(page))
        : Optional.of(new PageChange(0, height(page)));
  }

  private boolean sameRunningTexts(Layout other, int page) {
    int section = layout.pages().get(page).section();
    return other.pages().get(page).section() == section
        && section < other.document().sections().size()
        && other
            .document()
            .sections()
            .get(section)
            .running()
            .equals(layout.document().sections().get(section).running())
        && other.document().styles() == layout.document().styles();
  }
}
