package decant.desktop.shell;

import decant.format.Formats;
import decant.layout.Layout;
import decant.pdf.kept.KeptPages;
import decant.publication.Publication;
import decant.reading.ActiveContent;
import decant.recipe.PagesKept;
import decant.recipe.Recipe;
import java.io.IOException;

/** The pages that go out: those of the original where a recipe keeps all of them. */
public final class GoingPages {
  private GoingPages() {}

  /** Whether a recipe keeps all pages of what is in work as they were. */
  public static boolean areKept(Work work, Recipe recipe) {
    return recipe.pagesKept() == PagesKept.ALL && Formats.hasPages(work.taken().origin().format());
  }

  /**
   * The pages of a document as a recipe has them.
   *
   * @param layout of the document; its headings become bookmarks in either case
   * @throws IOException if the original cannot be read any more
   */
  public static Publication of(Work work, Recipe recipe, Layout layout) throws IOException {
    return areKept(work, recipe)
        ? KeptPages.of(
            work.source(),
            work.password(),
            ActiveContent.without(layout.document()),
            work.taken().origin().places())
        : layout;
  }
}
