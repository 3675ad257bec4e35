package decant.desktop.page;

import decant.paint.PdfPictures;
import java.awt.image.BufferedImage;

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
  public void paint(int page, BufferedImage image, double scale) {
    pictures.paint(page, image, scale);
  }

  @Override
  public boolean looksAs(int page, PageSource other) {
    return other instanceof PdfPages o && o.pictures == pictures;
  }
}
