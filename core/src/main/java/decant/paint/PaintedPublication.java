package decant.paint;

import decant.publication.PageText;
import decant.publication.Publication;
import decant.publication.PublishedPage;
import java.awt.image.BufferedImage;

/** The pages of a publication as we paint them. */
public final class PaintedPublication implements PaintedPages {
  private final Publication publication;
  private final PagePainter textless = PagePainter.withoutText();
  private final PagePainter whole = new PagePainter();

  public PaintedPublication(Publication publication) {
    this.publication = publication;
  }

  private PublishedPage page(int page) {
    return publication.pages().get(page);
  }

  @Override
  public int count() {
    return publication.pages().size();
  }

  @Override
  public double width(int page) {
    return page(page).width();
  }

  @Override
  public double height(int page) {
    return page(page).height();
  }

  @Override
  public BufferedImage paintTextless(int page, double scale) {
    return textless.paint(publication, page(page), scale);
  }

  @Override
  public BufferedImage paintWhole(int page, double scale) {
    return whole.paint(publication, page(page), scale);
  }

  @Override
  public Written written(int page) {
    return Written.of(PageText.of(publication, page(page)));
  }
}
