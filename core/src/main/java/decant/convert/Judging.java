package decant.convert;

import decant.layout.Layout;
import decant.layout.Layouter;
import decant.pin.PinnedPages;
import decant.publication.KeptPage;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.text.FontBook;
import decant.work.Deadline;
import java.io.IOException;
import java.util.function.BooleanSupplier;

/** Holds what was taken in from a PDF against its pages, and pins what is not faithful. */
public final class Judging {
  private Judging() {}

  /**
   * What was taken in, with such pages pinned and told of.
   *
   * @param request what the file was read by
   * @param deadline half of what is left of it is used; pages that are not reached are told of
   */
  public static TakenIn of(ReadRequest request, TakenIn taken, Deadline deadline)
      throws IOException {
    BooleanSupplier over = half(deadline);
    Layout layout =
        new Layouter(FontBook.shipped())
            .layout(taken.document(), over, Integer.MAX_VALUE, pages -> {});
    if (!layout.complete()) {
      return PinnedPages.notCompared(taken, taken.origin().pages());
    }
    return PinnedPages.judged(
        new KeptPage.InFile(request.file(), request.password().orElse("")), taken, layout, over);
  }

  /** Over when half of the time that is left now is used up: the rest is for publishing. */
  private static BooleanSupplier half(Deadline deadline) {
    if (deadline.allowed().isZero()) {
      return () -> false;
    }
    Deadline sooner = Deadline.in(deadline.left().dividedBy(2));
    return sooner::isOver;
  }
}
