package decant.desktop.page;

import decant.layout.Layout;
import decant.paint.PagePainter;
import java.awt.image.BufferedImage;

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
  public void paint(int page, BufferedImage image, double scale) {
    painter.paint(layout, layout.pages().get(page), image, scale);
  }

  @Override
  public boolean looksAs(int page, PageSource other) {
    return other instanceof LayoutPages o
        && page < o.count()
        && page < count()
        && o.layout.pages().get(page) == layout.pages().get(page)
        // Running texts show how many pages there are, and come from the sections.
        && o.count() == count()
        && o.layout.document().media() == layout.document().media();
  }
}
