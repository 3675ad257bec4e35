package decant.desktop.page;

import java.awt.image.BufferedImage;

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
        public void paint(int page, BufferedImage image, double scale) {}

        @Override
        public boolean looksAs(int page, PageSource other) {
          return false;
        }
      };

  int count();

  /** Width of a page in points. */
  double width(int page);

  /** Height of a page in points. */
  double height(int page);

  /** Paints a page over a whole picture, at a scale of pixels a point. */
  void paint(int page, BufferedImage image, double scale);

  /** Whether a page is surely the same picture as the other source's page of that number. */
  boolean looksAs(int page, PageSource other);
}
