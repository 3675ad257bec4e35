package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.convert.Changes;
import decant.convert.Conversion;
import decant.io.Untouchable;
import decant.pdf.choices.Passwords;
import decant.pdf.merge.MergedPdf;
import decant.reading.ReadRequest;
import decant.recipe.RecipeBook;
import decant.verify.Check;
import decant.work.Deadline;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class MergedPdfTest {
  @TempDir Path folder;

  private Path published(String demo) throws Exception {
    Path source = Samples.DEMO.resolve(demo);
    Conversion c =
        Conversion.of(
            new Conversion.Order(
                ReadRequest.of(source), RecipeBook.counterCopy(), false, Changes.NONE),
            Deadline.NEVER);
    return c.publish(
            new Conversion.Place(
                folder,
                demo.replaceFirst("\\..*", ""),
                source,
                true,
                Untouchable.inputs(List.of(source))),
            Passwords.NONE,
            Deadline.NEVER)
        .files()
        .getFirst()
        .file();
  }

  @Test
  void pagesTextBookmarksLinksAndFieldsOfAllPartsAreThere() throws Exception {
    List<Path> files =
        List.of(
            published("Berth rules.pdf"),
            published("Winter storage notice.docx"),
            published("Berth application.pdf"),
            published("Berth rules.pdf"));
    var parts = new ArrayList<MergedPdf.Part>();
    for (int k = 0; k < files.size(); k++) {
      parts.add(new MergedPdf.Part("Part " + k, files.get(k)));
    }
    Path whole = folder.resolve("whole.pdf");
    try (var out = Files.newOutputStream(whole)) {
      MergedPdf.write(parts, "Archive", out);
    }
    assertThat(MergedPdf.verify(whole, parts)).isNotEmpty().allMatch(Check::passed);
    // Apart from our own check: the library's text, outline, links and fields.
    var text = new StringBuilder();
    int pages = 0;
    int links = 0;
    int fields = 0;
    int bookmarks = 0;
    for (Path f : files) {
      try (var pdf = Loader.loadPDF(f.toFile())) {
        text.append(new PDFTextStripper().getText(pdf));
        pages += pdf.getNumberOfPages();
        links += links(pdf);
        fields += fields(pdf);
        bookmarks += bookmarks(pdf.getDocumentCatalog().getDocumentOutline());
      }
    }
    assertThat(links).isPositive();
    assertThat(fields).isPositive();
    try (var pdf = Loader.loadPDF(whole.toFile())) {
      assertThat(pdf.getNumberOfPages()).isEqualTo(pages);
      assertThat(new PDFTextStripper().getText(pdf)).isEqualTo(text.toString());
      assertThat(links(pdf)).isEqualTo(links);
      assertThat(fields(pdf)).isEqualTo(fields);
      var outline = pdf.getDocumentCatalog().getDocumentOutline();
      assertThat(bookmarks(outline)).isEqualTo(bookmarks + files.size());
      assertThat(outline.children())
          .extracting(PDOutlineItem::getTitle)
          .containsExactly("Part 0", "Part 1", "Part 2", "Part 3");
      // What leads to a heading of the last part leads there, and not to its twin in the first.
      PDOutlineItem last = outline.getLastChild();
      assertThat(pdf.getPages().indexOf(last.getFirstChild().findDestinationPage(pdf)))
          .isGreaterThanOrEqualTo(pages - 15);
      assertThat(pdf.getDocumentInformation().getTitle()).isEqualTo("Archive");
      assertThat(pdf.getDocumentCatalog().getStructureTreeRoot()).isNotNull();
    }
  }

  @Test
  void aPageThatIsAnotherIsSeen() throws Exception {
    Path a = published("Winter storage notice.docx");
    Path b = published("Berth application.pdf");
    Path whole = folder.resolve("whole.pdf");
    try (var out = Files.newOutputStream(whole)) {
      MergedPdf.write(List.of(new MergedPdf.Part("A", a), new MergedPdf.Part("B", b)), "x", out);
    }
    assertThat(
            MergedPdf.verify(
                whole, List.of(new MergedPdf.Part("A", b), new MergedPdf.Part("B", a))))
        .anyMatch(c -> !c.passed());
    assertThat(MergedPdf.verify(whole, List.of(new MergedPdf.Part("A", a))))
        .anyMatch(c -> !c.passed());
  }

  private static int links(org.apache.pdfbox.pdmodel.PDDocument pdf) throws java.io.IOException {
    int n = 0;
    for (var p : pdf.getPages()) {
      n += (int) p.getAnnotations().stream().filter(PDAnnotationLink.class::isInstance).count();
    }
    return n;
  }

  private static int fields(org.apache.pdfbox.pdmodel.PDDocument pdf) {
    var form = pdf.getDocumentCatalog().getAcroForm();
    int n = 0;
    if (form != null) {
      for (var f : form.getFieldTree()) {
        n += f.getWidgets().isEmpty() ? 0 : 1;
      }
    }
    return n;
  }

  private static int bookmarks(
      org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode in) {
    int n = 0;
    if (in != null) {
      for (PDOutlineItem i : in.children()) {
        n += 1 + bookmarks(i);
      }
    }
    return n;
  }
}
