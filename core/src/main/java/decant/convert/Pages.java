package decant.convert;

import decant.layout.Layout;
import decant.layout.Layouter;
import decant.model.Document;
import decant.reading.ReadProblem;
import decant.text.FontBook;
import decant.work.Deadline;

/** The pages of a document, laid out in time. */
public final class Pages {
  private Pages() {}

  /**
   * All pages of a document.
   *
   * @throws ReadProblem if the deadline is over before all pages are laid out
   */
  public static Layout of(Document d, Deadline deadline) throws ReadProblem {
    Layout layout =
        new Layouter(FontBook.shipped())
            .layout(d, deadline::isOver, Integer.MAX_VALUE, pages -> {});
    if (!layout.complete()) {
      throw ReadProblem.tooSlow(deadline.allowed());
    }
    return layout;
  }
}
