package decant.desktop.page;

import decant.layout.pages.PageChange;
import java.awt.image.BufferedImage;
import java.util.Optional;

/** Pages that can be shown. Painting may be called from any thread. */
public interface PageSource {
  PageSource NONE =
      new PageSource() {
        @Override
        public int count() {
          return 0;
        }

        @Override
        public double width(int page) {
          return 1;
        }

        @Override
        public double height(int page) {
          return 1;
        }

        @Override
        public void paint(int page, BufferedImage image, double scale, int top) {}

        @Override
        public Optional<PageChange> change(int page, PageSource before) {
          return Optional.of(new PageChange(0, height(page)));
        }
      };

  int count();

  /** Width of a page in points. */
  double width(int page);

  /** Height of a page in points. */
  double height(int page);

  /**
   * Paints a stretch of a page over a whole picture.
   *
   * @param scale pixels a point
   * @param top the row of the page's pixels that the picture begins with
   */
  void paint(int page, BufferedImage image, double scale, int top);

  /**
   * Paints what changed over a picture that holds a stretch of the page as it was.
   *
   * @return the first row of the picture that was painted, and the one after the last
   */
  default int[] repaint(int page, BufferedImage image, double scale, int top, PageChange change) {
    paint(page, image, scale, top);
    return new int[] {0, image.getHeight()};
  }

  /** Whether a page can be painted in strips, each for a share of the work. */
  default boolean paintsInStrips() {
    return false;
  }

  /** What of a page looks different from another source's page of that number; nothing if empty. */
  Optional<PageChange> change(int page, PageSource before);
}
