package decant.verify.pdf;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.IntPredicate;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * The text that each page of a file shows. Of a file with many pages it is read on another thread
 * from the first on, and on the one that asks for it as soon as that does.
 */
final class ShownTexts implements AutoCloseable {
  /** Fewer pages are read sooner than the file is opened again. */
  private static final int MANY = 40;

  /** Pages that are taken at a time. */
  private static final int STRETCH = 8;

  private final IntPredicate wanted;
  private final String[] texts;
  private final AtomicInteger next = new AtomicInteger();
  private final Optional<Beside<Boolean>> beside;

  private ShownTexts(Path file, String password, int pages, IntPredicate wanted) {
    this.wanted = wanted;
    this.texts = new String[pages];
    this.beside =
        pages < MANY ? Optional.empty() : Optional.of(Beside.begin(file, password, this::read));
  }

  /**
   * @param pages of the file
   * @param wanted the pages whose text is asked for, from 0
   */
  static ShownTexts begin(Path file, String password, int pages, IntPredicate wanted) {
    return new ShownTexts(file, password, pages, wanted);
  }

  /**
   * The text of each page; nothing for those that are not asked for.
   *
   * @param pdf the file, open
   */
  String[] all(PDDocument pdf) throws IOException {
    read(pdf);
    if (beside.isPresent()) {
      beside.get().result();
    }
    return texts;
  }

  private boolean read(PDDocument pdf) throws IOException {
    var reader = new ShownText();
    for (int from = next.getAndAdd(STRETCH); from < texts.length; from = next.getAndAdd(STRETCH)) {
      for (int k = from; k < Math.min(texts.length, from + STRETCH); k++) {
        texts[k] = wanted.test(k) ? Expected.bare(reader.of(pdf.getPage(k))) : "";
      }
    }
    return true;
  }

  @Override
  public void close() {
    beside.ifPresent(Beside::close);
  }
}
