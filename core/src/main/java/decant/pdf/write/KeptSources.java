package decant.pdf.write;

import decant.pdf.file.PdfFile;
import decant.publication.KeptPage;
import java.io.Closeable;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;

/** The files that pages come from which go out as they are. */
final class KeptSources implements Closeable {
  private final Map<KeptPage.Source, KeptPagesInFile> files = new LinkedHashMap<>();

  /** Opens the files of some pages, each once. */
  void open(List<KeptPage> pages, PdfFile target) throws IOException {
    Map<KeptPage.Source, List<KeptPage>> bySource =
        pages.stream()
            .collect(
                Collectors.groupingBy(KeptPage::source, LinkedHashMap::new, Collectors.toList()));
    for (var e : bySource.entrySet()) {
      files.put(e.getKey(), new KeptPagesInFile(e.getValue(), target));
    }
  }

  private KeptPagesInFile of(KeptPage page) {
    return Objects.requireNonNull(files.get(page.source()), "its file was opened before");
  }

  /** A page as it goes out. */
  COSDictionary page(KeptPage page) throws IOException {
    return of(page).page(page.index());
  }

  /** A height of a page for a destination on it. */
  COSBase height(KeptPage page, double down) {
    return of(page).height(page.index(), down);
  }

  /** Brings over what stands on the pages besides what paints them. */
  void annotate(IntFunction<Optional<COSDictionary>> others) throws IOException {
    for (KeptPagesInFile f : files.values()) {
      f.annotate(others);
    }
  }

  /** What the pages need of their files as a whole. */
  void complete(COSDictionary catalog) throws IOException {
    for (KeptPagesInFile f : files.values()) {
      f.complete(catalog);
    }
  }

  @Override
  public void close() throws IOException {
    for (KeptPagesInFile f : files.values()) {
      f.close();
    }
  }
}
