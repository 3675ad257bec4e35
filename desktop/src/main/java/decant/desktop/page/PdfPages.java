package decant.desktop.page;

import decant.layout.pages.PageChange;
import decant.paint.PdfPictures;
import java.awt.image.BufferedImage;
import java.util.Optional;

/** The pages of a PDF file as they are. */
public record PdfPages(PdfPictures pictures) implements PageSource {
  @Override
  public int count() {
    return pictures.count();
  }

  @Override
  public double width(int page) {
    return pictures.width(page);
  }

  @Override
  public double height(int page) {
    return pictures.height(page);
  }

  @Override
  public void paint(int page, BufferedImage image, double scale, int top) {
    pictures.paint(page, image, scale);
  }

  @Override
  public Optional<PageChange> change(int page, PageSource before) {
    return before instanceof PdfPages o && o.pictures == pictures
        ? Optional.empty()
        : Optional.of(new PageChange(0, height(page)));
  }
}
