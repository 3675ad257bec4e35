package decant.pdf.write;

import decant.model.Box;
import decant.model.NodeId;
import decant.pdf.file.PdfFile;
import decant.pdf.kept.KeptTags;
import decant.pdf.write.Target.Artifact;
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
import org.apache.pdfbox.cos.COSName;

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

  /**
   * The structure of a page that stays as it was: its text by where it stands, its links and its
   * fields.
   *
   * @param object the page in the file that is written
   * @param number its place there, from 0
   */
  void tag(KeptPage page, Structure structure, COSDictionary object, int number, int level)
      throws IOException {
    List<NodeId> owners = of(page).tag(page, level);
    if (owners.isEmpty()) {
      return;
    }
    structure.page(number, object, owners.stream().map(KeptSources::text).toList());
    for (var touched : of(page).touched(page).entrySet()) {
      COSDictionary annotation = touched.getKey();
      Target at =
          at(page, touched.getValue()).<Target>map(KeptSources::text).orElse(Artifact.LAYOUT);
      if (annotation.getNameAsString(COSName.SUBTYPE).equals("Link")) {
        structure.annotation(number, object, annotation, at);
      } else {
        structure.inside(number, object, annotation, at, "Form");
      }
    }
  }

  private static Target.Content text(NodeId block) {
    return new Target.Content(block, Target.Part.TEXT, 0);
  }

  /** The block that the middle of a box stands in. */
  private static Optional<NodeId> at(KeptPage page, Box box) {
    double x = box.x() + box.width() / 2;
    double y = box.y() + box.height() / 2;
    return KeptTags.blockAt(page.places(), x, y, 0);
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
