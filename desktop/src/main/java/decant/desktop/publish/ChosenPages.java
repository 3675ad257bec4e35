package decant.desktop.publish;

import decant.desktop.page.PageSource;
import decant.layout.pages.PageChange;
import java.awt.image.BufferedImage;
import java.util.List;
import java.util.Optional;

/** Some pages of others. */
record ChosenPages(PageSource of, List<Integer> chosen) implements PageSource {
  @Override
  public int count() {
    return chosen.size();
  }

  @Override
  public double width(int page) {
    return of.width(chosen.get(page));
  }

  @Override
  public double height(int page) {
    return of.height(chosen.get(page));
  }

  @Override
  public void paint(int page, BufferedImage image, double scale, int top) {
    of.paint(chosen.get(page), image, scale, top);
  }

  @Override
  public boolean paintsInStrips() {
    return of.paintsInStrips();
  }

  @Override
  public Optional<PageChange> change(int page, PageSource before) {
    boolean comparable =
        before instanceof ChosenPages o
            && page < o.chosen.size()
            && page < chosen.size()
            && o.chosen.get(page).equals(chosen.get(page));
    return comparable && before instanceof ChosenPages o
        ? of.change(chosen.get(page), o.of)
        : Optional.of(new PageChange(0, height(page)));
  }
}
