package decant.compare;

import decant.convert.Pages;
import decant.format.Formats;
import decant.format.Intake;
import decant.layout.Layout;
import decant.paint.PaintedPages;
import decant.paint.PaintedPdf;
import decant.paint.PaintedPublication;
import decant.pdf.open.SourceParser;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.work.Deadline;
import decant.work.Faults;
import java.io.IOException;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.PDDocument;

/** A file as it is compared: what it says, and what its pages show besides. */
public final class TakenApart implements AutoCloseable {
  private final Edition edition;
  private final Optional<PaintedPages> pages;
  private final Optional<PDDocument> open;
  private final Optional<Layout> layout;

  private TakenApart(
      Edition edition,
      Optional<PaintedPages> pages,
      Optional<PDDocument> open,
      Optional<Layout> layout) {
    this.edition = edition;
    this.pages = pages;
    this.open = open;
    this.layout = layout;
  }

  /**
   * Takes a file in and apart. Its pages are its own where it has some, else those that it comes to
   * here.
   *
   * @throws ReadProblem if it cannot be taken in, or not within its time
   */
  public static TakenApart of(ReadRequest request, Deadline deadline)
      throws ReadProblem, IOException {
    TakenIn taken = Intake.take(request.by(deadline));
    if (Formats.hasPages(taken.origin().format())) {
      Optional<PDDocument> pdf = opened(request);
      return new TakenApart(Editions.paged(taken), pdf.map(PaintedPdf::new), pdf, Optional.empty());
    }
    Layout layout = Pages.of(taken.document(), deadline);
    return new TakenApart(
        EditionReader.of(taken.document(), layout),
        Optional.of(new PaintedPublication(layout)),
        Optional.empty(),
        Optional.of(layout));
  }

  private static Optional<PDDocument> opened(ReadRequest request) {
    try {
      return Optional.of(SourceParser.open(request.file(), request.password().orElse("")));
    } catch (IOException e) {
      Faults.mended("opening a file to paint it", e);
      return Optional.empty();
    }
  }

  public Edition edition() {
    return edition;
  }

  /** The pages that it comes to here, where it has none of its own. */
  public Optional<Layout> layout() {
    return layout;
  }

  /** Its pages to be painted; none where the file is too damaged for that. */
  Optional<PaintedPages> pages() {
    return pages;
  }

  @Override
  public void close() throws IOException {
    if (open.isPresent()) {
      open.get().close();
    }
  }
}
