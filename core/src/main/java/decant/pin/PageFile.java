package decant.pin;

import decant.model.Document;
import decant.model.Pinned;
import decant.model.Section;
import decant.model.look.Media;
import decant.pdf.amend.PdfAmender;
import decant.reading.ReadProblem;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;

/** The files of pinned pages: each page that was changed has its own. */
final class PageFile {
  static final String PDF = "application/pdf";

  private PageFile() {}

  /**
   * What became of a change.
   *
   * @param page with what it shows now; empty if nothing of it was changed
   */
  record Changed<T>(T result, Optional<Pinned> page) {
    Pinned requirePage() {
      return page.orElseThrow();
    }
  }

  /**
   * Changes a page in its file.
   *
   * @param changes whether what came of it changed the page
   * @throws ReadProblem if its file cannot be read
   */
  static <T> Changed<T> changed(Pinned page, PdfAmender.Use<T> change, Predicate<T> changes)
      throws ReadProblem {
    var out = new ByteArrayOutputStream();
    T result =
        PdfAmender.in(
            page.file().bytes(),
            pdf -> {
              T done = change.of(pdf);
              if (changes.test(done)) {
                pdf.writeOnly(page.page(), out);
              }
              return done;
            });
    return new Changed<>(
        result,
        changes.test(result)
            ? Optional.of(page.in(Media.of(PDF, out.toByteArray()), page.places()))
            : Optional.empty());
  }

  /** What is done to a page. */
  @FunctionalInterface
  interface Amendment {
    void to(PdfAmender pdf) throws ReadProblem, IOException;
  }

  /**
   * A page with something done to it in its file.
   *
   * @throws ReadProblem if its file cannot be read
   */
  static Pinned amended(Pinned page, Amendment what) throws ReadProblem {
    return changed(
            page,
            pdf -> {
              what.to(pdf);
              return true;
            },
            done -> done)
        .requirePage();
  }

  /** A document with another section in the place of one that is a page. */
  static Document with(Document d, Pinned page, UnaryOperator<Section> to) {
    return d.withSections(d.sections().stream().map(s -> s.is(page) ? to.apply(s) : s).toList());
  }
}
