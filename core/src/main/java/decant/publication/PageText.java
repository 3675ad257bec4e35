package decant.publication;

import decant.layout.item.Item;
import decant.model.Box;
import decant.model.look.Colour;

/** The characters of a page, one after the other as they are told. */
public final class PageText implements PageSink {
  private final StringBuilder all = new StringBuilder();

  private PageText() {}

  public static String of(Publication publication, PublishedPage page) {
    var text = new PageText();
    publication.walk(page, text);
    return text.all.toString();
  }

  @Override
  public void glyphs(Item.GlyphRun run, double x, double y) {
    all.append(run.shown().text());
  }

  @Override
  public void fill(Box box, Colour colour) {}

  @Override
  public void picture(Item.PictureBox picture, Box box) {}
}
