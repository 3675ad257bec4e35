package decant.paint;

import decant.publication.Publication;
import decant.publication.PublishedPage;
import java.awt.image.BufferedImage;

/** The pages of a publication as we paint them. */
public final class TextlessPublication implements TextlessPages {
  private final Publication publication;
  private final PagePainter painter = PagePainter.withoutText();

  public TextlessPublication(Publication publication) {
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
  public BufferedImage paint(int page, double scale) {
    return painter.paint(publication, page(page), scale);
  }
}
