package decant.pin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.Samples;
import decant.Tool;
import decant.model.Document;
import decant.model.Pinned;
import decant.model.edit.Revision;
import decant.pdf.amend.PageLine;
import decant.publication.KeptPage;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentNameDictionary;
import org.apache.pdfbox.pdmodel.PDEmbeddedFilesNameTreeNode;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.apache.pdfbox.pdmodel.common.filespecification.PDEmbeddedFile;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Files with changed pages, held against their sources by qpdf, PDFBox and poppler's painting. */
class ChangedFileTest {
  private static final Path RULES = Samples.DEMO.resolve("Berth rules.pdf");
  private static final Path FORM = Samples.DEMO.resolve("Berth application.pdf");

  @TempDir private Path folder;

  /** The rules with a bookmark and an attached file. */
  private Path marked() throws Exception {
    Path file = folder.resolve("marked.pdf");
    try (PDDocument pdf = Loader.loadPDF(RULES.toFile())) {
      var outline = new PDDocumentOutline();
      var item = new PDOutlineItem();
      item.setTitle("Rafting");
      item.setDestination(pdf.getPage(4));
      outline.addLast(item);
      pdf.getDocumentCatalog().setDocumentOutline(outline);
      var names = new PDDocumentNameDictionary(pdf.getDocumentCatalog());
      var files = new PDEmbeddedFilesNameTreeNode();
      var one = new PDComplexFileSpecification();
      one.setFile("tides.txt");
      one.setEmbeddedFile(
          new PDEmbeddedFile(pdf, new java.io.ByteArrayInputStream(new byte[] {'t'})));
      files.setNames(java.util.Map.of("tides.txt", one));
      names.setEmbeddedFiles(files);
      pdf.getDocumentCatalog().setNames(names);
      pdf.save(file.toFile());
    }
    return file;
  }

  private static Pinned page(Revision r, int k) {
    return r.document().sections().get(k).pinned().orElseThrow();
  }

  /** The second page with a line that says something else. */
  private static Revision changed(Revision r) throws Exception {
    Pinned before = page(r, 1);
    PageLine line =
        AmendedPages.parts(before).lines().stream()
            .filter(l -> l.text().contains("berth"))
            .findFirst()
            .orElseThrow();
    AmendedPages.Result done =
        AmendedPages.change(r, before, line, line.text().replace("berth", "place"));
    assertThat(done.amended().changed()).isOne();
    return done.revision();
  }

  private ChangedFile.Written write(Revision r, Path source, String password, boolean old)
      throws Exception {
    return ChangedFile.write(
        r.document(),
        new KeptPage.InFile(source, password),
        folder.resolve("changed.pdf"),
        true,
        old);
  }

  private static String text(PDDocument pdf, int page) throws Exception {
    var s = new PDFTextStripper();
    s.setStartPage(page);
    s.setEndPage(page);
    return s.getText(pdf);
  }

  private static void checked(Path file, String... more) {
    var command = new ArrayList<>(List.of("qpdf"));
    command.addAll(List.of(more));
    command.addAll(List.of("--check", file.toString()));
    Tool.Answer answer = Tool.run(command.toArray(String[]::new));
    assertThat(answer.status()).as(answer.output()).isZero();
  }

  private static byte[] content(PDDocument pdf, int page) throws Exception {
    try (var in = pdf.getPage(page).getContents()) {
      return in.readAllBytes();
    }
  }

  @Test
  void onlyTheChangedPageIsOtherwise() throws Exception {
    Path source = marked();
    TakenIn taken = Samples.taken(source);
    Revision r = changed(PinnedSample.all(taken, source));
    ChangedFile.Written w = write(r, source, "", false);
    assertThat(w.pages()).isOne();
    assertThat(w.told()).isEmpty();
    checked(w.file());
    try (PDDocument was = Loader.loadPDF(source.toFile());
        PDDocument is = Loader.loadPDF(w.file().toFile())) {
      for (int k = 0; k < was.getNumberOfPages(); k++) {
        assertThat(Arrays.equals(content(was, k), content(is, k)))
            .as("page " + k)
            .isEqualTo(k != 1);
      }
      assertThat(text(is, 2)).contains("place");
      // Bookmarks, tags, labels and properties are the file's own.
      for (COSName n :
          List.of(
              COSName.OUTLINES, COSName.STRUCT_TREE_ROOT, COSName.PAGE_LABELS, COSName.METADATA)) {
        assertThat(is.getDocumentCatalog().getCOSObject().containsKey(n))
            .isEqualTo(was.getDocumentCatalog().getCOSObject().containsKey(n));
      }
      assertThat(is.getDocumentInformation().getTitle())
          .isEqualTo(was.getDocumentInformation().getTitle());
      var outline = is.getDocumentCatalog().getDocumentOutline();
      assertThat(outline.getFirstChild().getTitle()).isEqualTo("Rafting");
      assertThat(outline.getFirstChild().findDestinationPage(is)).isEqualTo(is.getPage(4));
      var names = new PDDocumentNameDictionary(is.getDocumentCatalog());
      assertThat(names.getEmbeddedFiles().getNames()).containsKey("tides.txt");
    }
    // What is written without the edition before has none of its words.
    assertThat(
            new String(Files.readAllBytes(w.file()), java.nio.charset.StandardCharsets.ISO_8859_1))
        .containsOnlyOnce("%%EOF");
    BufferedImage a = Tool.painted(RULES, 3);
    BufferedImage b = Tool.painted(w.file(), 3);
    for (int y = 0; y < a.getHeight(); y++) {
      for (int x = 0; x < a.getWidth(); x++) {
        assertThat(b.getRGB(x, y)).isEqualTo(a.getRGB(x, y));
      }
    }
  }

  @Test
  void theEditionBeforeStaysInsideByteByByte() throws Exception {
    Revision r = changed(PinnedSample.all(Samples.taken(RULES), RULES));
    r = PageOrder.turned(r, List.of(page(r, 3)), 1);
    ChangedFile.Written w = write(r, RULES, "", true);
    assertThat(w.pages()).isEqualTo(2);
    checked(w.file());
    byte[] was = Files.readAllBytes(RULES);
    byte[] is = Files.readAllBytes(w.file());
    assertThat(Arrays.copyOf(is, was.length)).isEqualTo(was);
    assertThat(is.length - was.length).isLessThan(60_000);
    try (PDDocument pdf = Loader.loadPDF(w.file().toFile())) {
      assertThat(text(pdf, 2)).contains("place");
      assertThat(pdf.getPage(3).getRotation()).isEqualTo(90);
      assertThat(pdf.getPage(2).getRotation()).isZero();
    }
  }

  @Test
  void pagesInAnotherOrderAreSo() throws Exception {
    TakenIn taken = Samples.taken(RULES);
    Revision r = changed(PinnedSample.all(taken, RULES));
    var book = new PageOrder.Book(taken.origin(), new KeptPage.InFile(RULES, ""));
    r = PageOrder.placed(r, book, List.of(page(r, 1)), Optional.of(page(r, 5)));
    for (boolean old : new boolean[] {false, true}) {
      ChangedFile.Written w = write(r, RULES, "", old);
      checked(w.file());
      try (PDDocument was = Loader.loadPDF(RULES.toFile());
          PDDocument is = Loader.loadPDF(w.file().toFile())) {
        assertThat(text(is, 5)).contains("place");
        assertThat(text(is, 2)).isEqualTo(text(was, 3));
        assertThat(text(is, 6)).isEqualTo(text(was, 6));
        assertThat(is.getNumberOfPages()).isEqualTo(was.getNumberOfPages());
      }
    }
    Revision fewer = PageOrder.without(r, book, List.of(page(r, 0))).orElseThrow();
    assertThat(ChangedFile.hindrance(fewer.document(), taken.origin().pages()))
        .get()
        .asString()
        .contains("taken away");
    assertThat(ChangedFile.hindrance(taken.document(), taken.origin().pages()))
        .get()
        .asString()
        .contains("flow");
  }

  @Test
  void fieldsThatAreFilledInOrMadeComeAlong() throws Exception {
    TakenIn taken = Samples.taken(FORM);
    Revision r = PinnedSample.all(taken, FORM);
    List<String> before = names(FORM);
    MadeFields.Result made = MadeFields.make(r);
    String field = made.names().isEmpty() ? before.getFirst() : made.names().getFirst();
    Revision filled =
        Revision.of(
            PinnedBlanks.fill(made.revision().document(), java.util.Map.of(field, "Ada Quay"))
                .document());
    ChangedFile.Written w = write(filled, FORM, "", true);
    checked(w.file());
    assertThat(names(w.file())).containsAll(before).containsAll(made.names());
    try (PDDocument pdf = Loader.loadPDF(w.file().toFile())) {
      assertThat(pdf.getDocumentCatalog().getAcroForm().getField(field).getValueAsString())
          .isEqualTo("Ada Quay");
    }
    ChangedFile.Written whole = write(filled, FORM, "", false);
    checked(whole.file());
    assertThat(names(whole.file())).containsExactlyInAnyOrderElementsOf(names(w.file()));
  }

  private static List<String> names(Path pdf) throws Exception {
    var out = new ArrayList<String>();
    try (PDDocument d = Loader.loadPDF(pdf.toFile())) {
      var form = d.getDocumentCatalog().getAcroForm();
      if (form != null) {
        form.getFieldTree().forEach(f -> out.add(f.getFullyQualifiedName()));
      }
    }
    return out;
  }

  @Test
  void aLockedFileStaysLockedAndKeepsNoEditionInside() throws Exception {
    Path locked = folder.resolve("locked.pdf");
    try (PDDocument pdf = Loader.loadPDF(RULES.toFile())) {
      var policy = new StandardProtectionPolicy("tide", "tide", new AccessPermission());
      policy.setEncryptionKeyLength(256);
      pdf.protect(policy);
      pdf.save(locked.toFile());
    }
    TakenIn taken = Samples.taken(RULES);
    var source = new KeptPage.InFile(locked, "tide");
    Document d =
        Pinning.pin(
            taken.document(),
            taken.origin(),
            PinnedPages.unlocked(source),
            PinnedPages.askedAll(source));
    Revision now = changed(Revision.of(d));
    ChangedFile.Written w = write(now, locked, "tide", false);
    checked(w.file(), "--password=tide");
    assertThat(w.pages()).isOne();
    try (PDDocument pdf = Loader.loadPDF(w.file().toFile(), "tide")) {
      assertThat(pdf.isEncrypted()).isTrue();
      assertThat(text(pdf, 2)).contains("place");
      assertThat(pdf.getPage(1).getAnnotations()).hasSameSizeAs(annotations());
    }
    assertThatThrownBy(() -> write(now, locked, "tide", true))
        .isInstanceOf(ReadProblem.class)
        .hasMessageContaining("locked");
  }

  private static List<?> annotations() throws Exception {
    try (PDDocument pdf = Loader.loadPDF(RULES.toFile())) {
      return List.copyOf(pdf.getPage(1).getAnnotations());
    }
  }

  @Test
  void anUnchangedDocumentIsWrittenAsItWas() throws Exception {
    Revision r = PinnedSample.all(Samples.taken(RULES), RULES);
    ChangedFile.Written w = write(r, RULES, "", true);
    assertThat(w.pages()).isZero();
    checked(w.file());
    byte[] was = Files.readAllBytes(RULES);
    byte[] is = Files.readAllBytes(w.file());
    assertThat(Arrays.copyOf(is, was.length)).isEqualTo(was);
  }
}
