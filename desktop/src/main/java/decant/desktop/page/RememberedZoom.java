package decant.desktop.page;

import decant.desktop.shell.Memory;

/** Shows pages in the zoom that a person chose last, and remembers what is chosen now. */
public final class RememberedZoom {
  private RememberedZoom() {}

  public static void of(PagesView pages, Memory memory) {
    double kept = memory.kept().zoom();
    if (kept > 0) {
      pages.setZoom(kept);
    }
    pages
        .zoomProperty()
        .addListener(o -> {
          if (!pages.fitsProperty().get()) {
            memory.change(k -> k.zoomed(pages.zoomProperty().get()));
          }
        });
    pages
        .fitsProperty()
        .addListener((o, was, fits) -> {
          if (fits) {
            memory.change(k -> k.zoomed(0));
          }
        });
  }
}
