package decant.pdf.kept;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.Samples;
import decant.Tool;
import decant.io.Untouchable;
import decant.model.Document;
import decant.pdf.choices.Passwords;
import decant.pdf.choices.Security;
import decant.publish.Publisher;
import decant.publish.Receipt;
import decant.reading.ActiveContent;
import decant.reading.TakenIn;
import decant.recipe.Output;
import decant.recipe.PageChoice;
import decant.recipe.PublishProblem;
import decant.recipe.Recipe;
import decant.recipe.RecipeBook;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentNameDictionary;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.interactive.action.PDAction;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionGoTo;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionJavaScript;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionLaunch;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationUnknown;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageFitDestination;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.apache.pdfbox.pdmodel.interactive.pagenavigation.PDThreadBead;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Pages that go out as they are, of a file by another maker; read again by PDFBox and qpdf. */
class KeptPagesTest {
  @TempDir Path folder;
  private Path source;

  @BeforeEach
  void make() throws IOException {
    source = folder.resolve("source.pdf");
    try (PDDocument pdf = new PDDocument()) {
      for (int n = 1; n <= 4; n++) {
        var page = new PDPage(new PDRectangle(20, 30, 400, 300));
        page.setCropBox(new PDRectangle(40, 50, 360, 260));
        page.setRotation(n == 3 ? 90 : 0);
        pdf.addPage(page);
        try (var out = new PDPageContentStream(pdf, page)) {
          out.setNonStrokingColor(0.1f * n, 0.4f, 0.5f);
          out.addRect(60, 70, 30 * n, 20);
          out.fill();
          out.beginText();
          out.setFont(new PDType1Font(FontName.HELVETICA_BOLD), n == 2 ? 22 : 11);
          out.newLineAtOffset(60, 240);
          out.showText("Berth " + n + " of the east pier");
          out.endText();
        }
      }
      links(pdf);
      form(pdf);
      pdf.save(source.toFile());
    }
  }

  private static void links(PDDocument pdf) throws IOException {
    var named = new COSDictionary();
    var fit = new PDPageFitDestination();
    fit.setPage(pdf.getPage(1));
    named.setItem(COSName.getPDFName("second"), fit.getCOSObject());
    pdf.getDocumentCatalog().getCOSObject().setItem(COSName.getPDFName("Dests"), named);
    pdf.getDocumentCatalog().setNames(new PDDocumentNameDictionary(pdf.getDocumentCatalog()));
    List<PDAnnotation> all = pdf.getPage(0).getAnnotations();
    var web = new PDActionURI();
    web.setURI("https://quay.example/rates");
    all.add(link(web));
    var file = new PDActionURI();
    file.setURI("file:///etc/passwd");
    all.add(link(file));
    all.add(link(new PDActionJavaScript("app.alert(1)")));
    all.add(link(new PDActionLaunch()));
    var there = new PDActionGoTo();
    var last = new PDPageFitDestination();
    last.setPage(pdf.getPage(3));
    there.setDestination(last);
    all.add(link(there));
    var byName = new PDAnnotationLink();
    byName.setRectangle(new PDRectangle(50, 60, 20, 10));
    byName.getCOSObject().setItem(COSName.DEST, COSName.getPDFName("second"));
    all.add(byName);
    var sound = new COSDictionary();
    sound.setItem(COSName.TYPE, COSName.ANNOT);
    sound.setItem(COSName.SUBTYPE, COSName.getPDFName("Sound"));
    sound.setItem(COSName.RECT, new PDRectangle(50, 60, 9, 9).getCOSArray());
    all.add(new PDAnnotationUnknown(sound));
    pdf.getPage(0).setAnnotations(all);
  }

  private static PDAnnotationLink link(PDAction action) {
    var l = new PDAnnotationLink();
    l.setRectangle(new PDRectangle(50, 60, 20, 10));
    l.setAction(action);
    return l;
  }

  private static void form(PDDocument pdf) throws IOException {
    var form = new PDAcroForm(pdf);
    pdf.getDocumentCatalog().setAcroForm(form);
    var resources = new org.apache.pdfbox.pdmodel.PDResources();
    resources.put(COSName.HELV, new PDType1Font(FontName.HELVETICA));
    form.setDefaultResources(resources);
    form.setDefaultAppearance("/Helv 10 Tf 0 g");
    for (int k : new int[] {0, 3}) {
      var field = new PDTextField(form);
      field.setPartialName("boat" + k);
      form.getFields().add(field);
      var w = field.getWidgets().getFirst();
      w.setRectangle(new PDRectangle(60, 120, 120, 18));
      w.setPage(pdf.getPage(k));
      var script = new COSDictionary();
      script.setItem(COSName.K, new PDActionJavaScript("event.value = 0").getCOSObject());
      field.getCOSObject().setItem(COSName.getPDFName("AA"), script);
      pdf.getPage(k).getAnnotations().add(w);
      field.setValue("Otter " + k);
    }
  }

  private KeptPages kept() throws IOException {
    TakenIn t = Samples.taken(source);
    Document d = ActiveContent.without(t.document());
    return KeptPages.of(source, "", d, t.origin().places());
  }

  private Receipt publish(Output.Pdf pdf, Passwords passwords) throws IOException, PublishProblem {
    var recipe = RecipeBook.counterCopy().withOutputs(List.of(pdf));
    return published(recipe, passwords);
  }

  private Receipt published(Recipe recipe, Passwords passwords) throws IOException, PublishProblem {
    try {
      return Publisher.publish(
          new Publisher.Order(
              kept(),
              recipe,
              folder,
              "kept",
              source,
              true,
              passwords,
              Untouchable.inputs(List.of(source))),
          (f, d) -> {},
          () -> false);
    } catch (decant.io.WriteProblem e) {
      throw new AssertionError(e);
    }
  }

  private Path file(Output.Pdf pdf) throws IOException, PublishProblem {
    Receipt r = publish(pdf, Passwords.NONE);
    assertThat(r.files().getFirst().checks()).allMatch(c -> c.passed());
    return r.files().getFirst().file();
  }

  private static byte[] content(PDPage p) throws IOException {
    try (InputStream in = p.getContents()) {
      return in.readAllBytes();
    }
  }

  @Test
  void whatPaintsThemStaysByteByByte() throws Exception {
    Path file = file(Output.Pdf.DEFAULT);
    assertThat(Tool.run("qpdf", "--check", file.toString()).status()).isZero();
    try (PDDocument now = Loader.loadPDF(file.toFile());
        PDDocument was = Loader.loadPDF(source.toFile())) {
      assertThat(now.getNumberOfPages()).isEqualTo(4);
      for (int k = 0; k < 4; k++) {
        assertThat(content(now.getPage(k))).isEqualTo(content(was.getPage(k)));
        assertThat(now.getPage(k).getRotation()).isEqualTo(was.getPage(k).getRotation());
        assertThat(now.getPage(k).getCropBox().toString())
            .isEqualTo(was.getPage(k).getCropBox().toString());
      }
      assertThat(new PDFTextStripper().getText(now)).isEqualTo(new PDFTextStripper().getText(was));
    }
  }

  /** ISO 32000-2 §12.4.3: threads of articles stay behind; the pages say the same without them. */
  @Test
  void threadsOverThePagesDoNotMatter() throws Exception {
    Path rules = Samples.DEMO.resolve("Berth rules.pdf");
    try (PDDocument pdf = Loader.loadPDF(rules.toFile())) {
      var crop = pdf.getPage(0).getCropBox();
      var second = new PDThreadBead();
      second.setRectangle(
          new PDRectangle(
              crop.getLowerLeftX(), crop.getLowerLeftY(), crop.getWidth(), crop.getHeight() / 2));
      var first = new PDThreadBead();
      first.setRectangle(
          new PDRectangle(
              crop.getLowerLeftX(),
              crop.getLowerLeftY() + crop.getHeight() / 2,
              crop.getWidth(),
              crop.getHeight() / 2));
      pdf.getPage(0).setThreadBeads(List.of(second, first)); // against the order of the page
      Path with = folder.resolve("threads.pdf");
      pdf.save(with.toFile());
      source = with;
    }
    try (PDDocument with = Loader.loadPDF(source.toFile());
        PDDocument without = Loader.loadPDF(rules.toFile())) {
      assertThat(new PDFTextStripper().getText(with))
          .isNotEqualTo(new PDFTextStripper().getText(without));
    }
    assertThat(publish(Output.Pdf.DEFAULT, Passwords.NONE).verified()).isTrue();
  }

  /** Addresses and places stay; what acts, and what leads into the machine, does not. */
  @Test
  void linksThatOnlyLeadSomewhereStay() throws Exception {
    Path file = file(Output.Pdf.DEFAULT);
    var said = new ArrayList<String>();
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      for (PDAnnotation a : pdf.getPage(0).getAnnotations()) {
        assertThat(a.getSubtype()).isIn("Link", "Widget");
        if (a instanceof PDAnnotationLink l) {
          String to =
              l.getAction() instanceof PDActionURI u
                  ? u.getURI()
                  : l.getDestination()
                          instanceof
                          org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination
                                  .PDPageDestination
                              d
                      ? "page " + (1 + pdf.getPages().indexOf(d.getPage()))
                      : String.valueOf(l.getAction());
          said.add(to);
        }
      }
    }
    assertThat(said)
        .containsExactly("https://quay.example/rates", "null", "null", "null", "page 4", "page 2");
    assertThat(new String(Files.readAllBytes(file), java.nio.charset.StandardCharsets.ISO_8859_1))
        .doesNotContain("JavaScript", "Launch", "etc/passwd");
    assertThat(kept().leftOut()).singleElement().asString().contains("page 1", "Sound");
  }

  @Test
  void whatIsFilledInStaysFilledIn() throws Exception {
    Path file =
        file(Output.Pdf.DEFAULT.with(new PageChoice("1-2", List.of(), PageChoice.Split.ONE_FILE)));
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      assertThat(pdf.getNumberOfPages()).isEqualTo(2);
      PDAcroForm form = pdf.getDocumentCatalog().getAcroForm();
      assertThat(form.getFields())
          .singleElement()
          .satisfies(f -> {
            assertThat(f.getFullyQualifiedName()).isEqualTo("boat0");
            assertThat(f.getValueAsString()).isEqualTo("Otter 0");
            assertThat(f.getCOSObject().containsKey(COSName.getPDFName("AA"))).isFalse();
          });
      // A link to a page that stays behind leads nowhere, and brings none of it along.
      var doc = pdf.getDocument();
      long pages =
          doc.getXrefTable().keySet().stream()
              .map(doc::getObjectFromPool)
              .filter(o ->
                  o.getObject() instanceof COSDictionary d
                      && COSName.PAGE.equals(d.getCOSName(COSName.TYPE)))
              .count();
      assertThat(pages).isEqualTo(2);
    }
  }

  @Test
  void headingsThatWereFoundAreBookmarks() throws Exception {
    KeptPages k = kept();
    assertThat(k.headings()).extracting(h -> h.text()).contains("Berth 2 of the east pier");
    Path file = file(Output.Pdf.DEFAULT);
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      var titles = new ArrayList<String>();
      pdf.getDocumentCatalog()
          .getDocumentOutline()
          .children()
          .forEach(i -> titles.add(i.getTitle()));
      assertThat(titles).contains("Berth 2 of the east pier");
    }
  }

  /** A signature is for the bytes of its file; another file that has it would claim too much. */
  @Test
  void whatIsPublishedIsNotSigned() throws Exception {
    try (PDDocument pdf = Loader.loadPDF(source.toFile())) {
      PDAcroForm form = pdf.getDocumentCatalog().getAcroForm();
      var field = new org.apache.pdfbox.pdmodel.interactive.form.PDSignatureField(form);
      var signature = new org.apache.pdfbox.pdmodel.interactive.digitalsignature.PDSignature();
      signature.setName("Ada of the harbour office");
      field.setValue(signature);
      field.getWidgets().getFirst().setRectangle(new PDRectangle(60, 150, 80, 20));
      field.getWidgets().getFirst().setPage(pdf.getPage(1));
      pdf.getPage(1).getAnnotations().add(field.getWidgets().getFirst());
      form.getFields().add(field);
      pdf.save(source.toFile());
    }
    assertThat(kept().leftOut()).anyMatch(s -> s.contains("is signed"));
    try (PDDocument pdf = Loader.loadPDF(file(Output.Pdf.DEFAULT).toFile())) {
      assertThat(pdf.getSignatureDictionaries()).isEmpty();
      assertThat(pdf.getPage(1).getAnnotations()).hasSize(1);
    }
  }

  @Test
  void protectsWhatItKeeps() throws Exception {
    var security =
        new Security(
            Security.Protection.AES_256,
            true,
            true,
            java.util.EnumSet.noneOf(decant.pdf.choices.Permission.class),
            true);
    Receipt r = publish(Output.Pdf.DEFAULT.with(security), new Passwords("low tide", "high tide"));
    assertThat(r.verified()).isTrue();
    Path file = r.files().getFirst().file();
    assertThat(Tool.run("qpdf", "--check", "--password=low tide", file.toString()).status())
        .isZero();
    assertThat(Tool.run("qpdf", "--check", file.toString()).status()).isNotZero();
  }

  private static Recipe shipped(String name) {
    return RecipeBook.shipped().stream()
        .filter(r -> r.name().equals(name))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void noStandardIsPromised() {
    assertThatThrownBy(() -> published(shipped("Archive copy"), Passwords.NONE))
        .isInstanceOf(PublishProblem.class)
        .hasMessageContaining("kept as they are");
  }

  /** What the verifier must see: the same file, each time with one thing changed. */
  @Test
  void whatIsNotAsItWasIsSeen() throws Exception {
    Path file = file(Output.Pdf.DEFAULT);
    var choices = decant.pdf.choices.PdfChoices.defaults(List.of(0, 1, 2, 3), kept().metadata());
    List<Consumer<PDDocument>> changes =
        List.of(
            pdf -> set(pdf.getPage(1), "0 0 1 rg 60 70 60 20 re f"),
            pdf -> pdf.getPage(0).getCOSObject().removeItem(COSName.ANNOTS),
            pdf -> font(pdf.getPage(2)).setItem(COSName.BASE_FONT, COSName.getPDFName("Courier")),
            pdf ->
                pdf.getPage(1)
                    .getResources()
                    .getCOSObject()
                    .setItem(COSName.PATTERN, new COSDictionary()),
            pdf -> pdf.getPage(3).setRotation(180),
            pdf ->
                pdf.getDocumentCatalog()
                    .getAcroForm()
                    .getFields()
                    .getFirst()
                    .getWidgets()
                    .getFirst()
                    .getCOSObject()
                    .removeItem(COSName.AP));
    for (Consumer<PDDocument> c : changes) {
      Path altered = folder.resolve("altered.pdf");
      try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
        c.accept(pdf);
        pdf.save(altered.toFile());
      }
      assertThat(decant.verify.pdf.PdfVerifier.verify(altered, kept(), choices))
          .filteredOn(x -> !x.passed())
          .extracting(x -> x.name())
          .contains("Pages kept");
    }
  }

  private static COSDictionary font(PDPage p) {
    COSDictionary fonts = p.getResources().getCOSObject().getCOSDictionary(COSName.FONT);
    return fonts.getCOSDictionary(fonts.keySet().iterator().next());
  }

  private static void set(PDPage p, String content) {
    try {
      var s = new org.apache.pdfbox.pdmodel.common.PDStream(new PDDocument());
      try (var out = s.createOutputStream()) {
        out.write(content.getBytes(java.nio.charset.StandardCharsets.US_ASCII));
      }
      p.setContents(s);
    } catch (IOException e) {
      throw new AssertionError(e);
    }
  }
}
