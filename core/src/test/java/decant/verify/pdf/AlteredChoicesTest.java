package decant.verify.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.Layout;
import decant.model.AttachedFile;
import decant.model.Document;
import decant.model.look.Comment;
import decant.model.look.FormField;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.pdf.choices.Conformance;
import decant.pdf.choices.InitialView;
import decant.pdf.choices.Navigation;
import decant.pdf.choices.Passwords;
import decant.pdf.choices.PdfChoices;
import decant.pdf.choices.Permission;
import decant.pdf.choices.Security;
import decant.pdf.choices.Version;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBoolean;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationText;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * What is chosen about a file, or goes along with it, is altered in it by a library of other
 * makers: the check that is for it must fail.
 */
class AlteredChoicesTest {
  @TempDir static Path folder;

  private static Layout layout;
  private static PdfChoices choices;
  private static Path published;

  private static Look blank(String id, String name, FormField.Kind kind, String... options) {
    return Look.of(TextTraits.FIELD, new FormField(id, name, kind, List.of(options), 0, ""));
  }

  private static Document form() {
    var comment = new Comment("r", "A. Clerk", "2031-03-01T09:30:00Z", "Is this so?", false);
    return Samples.document(
            Samples.heading(1, "Application"),
            Samples.heading(2, "Owner"),
            Samples.runs(
                "Owner: ",
                Look.PLAIN,
                "M. Tern",
                blank("1", "owner", FormField.Kind.TEXT),
                " insured ",
                Look.PLAIN,
                "\u2611",
                blank("2", "insured", FormField.Kind.TICK, "Yes"),
                " winter ",
                Look.PLAIN,
                "\u2610",
                blank("3", "winter", FormField.Kind.TICK, "Yes"),
                " yearly ",
                Look.PLAIN,
                "\u25C9",
                blank("4", "pays", FormField.Kind.ONE_OF, "yearly"),
                " monthly ",
                Look.PLAIN,
                "\u25CB",
                blank("5", "pays", FormField.Kind.ONE_OF, "monthly"),
                " at ",
                Look.PLAIN,
                "North quay",
                blank("6", "berth", FormField.Kind.CHOICE, "North quay", "South quay")),
            Samples.heading(2, "Terms"),
            Samples.runs(
                "Lines are ",
                Look.PLAIN,
                "doubled",
                Look.of(TextTraits.COMMENTS, List.of(comment)),
                " in a gale, ask ",
                Look.PLAIN,
                "here",
                Look.of(
                    TextTraits.LINK,
                    new decant.model.look.Link.External("mailto:office@saltmarsh.example"))),
            Samples.paragraph(Samples.PROSE.repeat(60)),
            Samples.heading(1, "Charges"))
        .withAttachments(
            List.of(
                new AttachedFile(
                    "berths.csv", "text/csv", "", "1,8\n".getBytes(StandardCharsets.UTF_8))));
  }

  @BeforeAll
  static void publish() throws IOException {
    layout = Samples.layout(form());
    assertThat(layout.pages()).hasSize(2);
    Conformance k = Conformance.DEFAULT;
    choices =
        Samples.choices(layout)
            .with(k.with(k.enclosures().withComments(true)))
            .with(
                new InitialView(
                    2,
                    InitialView.Zoom.WHOLE_PAGE,
                    InitialView.Panel.PAGES,
                    InitialView.Arrangement.COLUMN,
                    new InitialView.Window(true, false, true, false, true),
                    new InitialView.Printing(
                        InitialView.PrintScaling.NONE, InitialView.Duplex.LONG_EDGE, 3)));
    published = Files.write(folder.resolve("published.pdf"), Samples.pdf(layout, choices));
  }

  private static COSDictionary catalog(PDDocument pdf) {
    return pdf.getDocumentCatalog().getCOSObject();
  }

  private static COSDictionary preferences(PDDocument pdf) {
    return catalog(pdf).getCOSDictionary(COSName.VIEWER_PREFERENCES);
  }

  private static PDAnnotation annotation(PDDocument pdf, String subtype) throws IOException {
    for (var p : pdf.getPages()) {
      for (PDAnnotation a : p.getAnnotations()) {
        if (a.getSubtype().equals(subtype)) {
          return a;
        }
      }
    }
    throw new AssertionError("none of that kind");
  }

  private static void off(PDDocument pdf, String field) {
    pdf.getDocumentCatalog()
        .getAcroForm()
        .getField(field)
        .getWidgets()
        .forEach(w -> w.getCOSObject().setItem(COSName.AS, COSName.Off));
  }

  static Stream<Altered> alterations() {
    return Stream.of(
        new Altered(
            "Opening", "opens elsewhere", pdf -> catalog(pdf).removeItem(COSName.OPEN_ACTION)),
        new Altered(
            "Opening",
            "opens at another page",
            pdf ->
                catalog(pdf)
                    .getCOSArray(COSName.OPEN_ACTION)
                    .set(0, pdf.getPage(0).getCOSObject())),
        new Altered(
            "Opening",
            "opens at another size",
            pdf ->
                catalog(pdf).getCOSArray(COSName.OPEN_ACTION).set(1, COSName.getPDFName("FitB"))),
        new Altered(
            "Opening",
            "another panel",
            pdf -> catalog(pdf).setName(COSName.PAGE_MODE, "UseOutlines")),
        new Altered(
            "Opening",
            "another arrangement",
            pdf -> catalog(pdf).setName(COSName.PAGE_LAYOUT, "SinglePage")),
        new Altered(
            "Opening",
            "tools that show",
            pdf -> preferences(pdf).removeItem(COSName.getPDFName("HideToolbar"))),
        new Altered(
            "Opening",
            "a menu that is hidden",
            pdf -> preferences(pdf).setItem(COSName.getPDFName("HideMenubar"), COSBoolean.TRUE)),
        new Altered(
            "Opening",
            "scaled to the paper",
            pdf -> preferences(pdf).removeItem(COSName.getPDFName("PrintScaling"))),
        new Altered("Opening", "on one side", pdf -> preferences(pdf).setName("Duplex", "Simplex")),
        new Altered("Opening", "more copies", pdf -> preferences(pdf).setInt("NumCopies", 4)),
        new Altered(
            "Form fields",
            "another text",
            pdf -> pdf.getDocumentCatalog().getAcroForm().getField("owner").setValue("J. Gull")),
        new Altered(
            "Form fields",
            "another choice",
            pdf -> pdf.getDocumentCatalog().getAcroForm().getField("berth").setValue("South quay")),
        new Altered("Form fields", "a tick that is gone", pdf -> off(pdf, "insured")),
        new Altered(
            "Form fields",
            "a tick that nobody made",
            pdf ->
                ((org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox)
                        pdf.getDocumentCatalog().getAcroForm().getField("winter"))
                    .check()),
        new Altered("Form fields", "none of several", pdf -> off(pdf, "pays")),
        new Altered("Form fields", "no form", pdf -> catalog(pdf).removeItem(COSName.ACRO_FORM)),
        new Altered(
            "Comments",
            "other words",
            pdf -> annotation(pdf, PDAnnotationText.SUB_TYPE).setContents("It is.")),
        new Altered(
            "Comments",
            "another author",
            pdf ->
                ((PDAnnotationText) annotation(pdf, PDAnnotationText.SUB_TYPE))
                    .setTitlePopup("B. Clerk")),
        new Altered(
            "Attached files",
            "no files",
            pdf -> catalog(pdf).getCOSDictionary(COSName.NAMES).removeItem(COSName.EMBEDDED_FILES)),
        new Altered(
            "Attached files",
            "another content",
            pdf -> {
              var tree = pdf.getDocumentCatalog().getNames().getEmbeddedFiles();
              var file = tree.getNames().values().iterator().next().getEmbeddedFile();
              try (var out = file.createOutputStream()) {
                out.write("1,9\n".getBytes(StandardCharsets.UTF_8));
              }
            }),
        new Altered(
            "Links",
            "a link beside its words",
            pdf -> {
              COSArray r = annotation(pdf, "Link").getCOSObject().getCOSArray(COSName.RECT);
              r.set(0, new COSFloat(5));
              r.set(2, new COSFloat(15));
            }),
        new Altered(
            "Links",
            "a link on nothing",
            pdf -> {
              var more = new COSDictionary(annotation(pdf, "Link").getCOSObject());
              more.setItem(
                  COSName.RECT, new COSArray(COSArray.ofCOSIntegers(List.of(5, 5, 9, 9)).toList()));
              pdf.getPage(1).getCOSObject().setItem(COSName.ANNOTS, new COSArray(List.of(more)));
            }),
        new Altered(
            "Bookmarks",
            "a heading that is no longer below another",
            pdf -> {
              var outline = pdf.getDocumentCatalog().getDocumentOutline();
              PDOutlineItem first = outline.getFirstChild();
              COSDictionary below = first.getFirstChild().getCOSObject();
              COSDictionary last = first.getLastChild().getCOSObject();
              COSDictionary next = first.getNextSibling().getCOSObject();
              first.getCOSObject().removeItem(COSName.FIRST);
              first.getCOSObject().removeItem(COSName.LAST);
              first.getCOSObject().setItem(COSName.NEXT, below);
              last.setItem(COSName.NEXT, next);
            }));
  }

  @ParameterizedTest
  @MethodSource("alterations")
  void whatIsAlteredIsSeen(Altered a) throws IOException {
    Path file = Altered.changed(published, a.change());
    assertThat(Altered.failed(file, layout, choices)).contains(a.check());
  }

  @Test
  void whatIsNotAlteredPasses() {
    assertThat(Altered.failed(published, layout, choices)).isEmpty();
  }

  /** A file that opens in some way of its own was not chosen to. */
  @Test
  void whatWasNotChosenIsSeenToo() throws IOException {
    PdfChoices usual = choices.with(InitialView.DEFAULT);
    assertThat(Altered.failed(published, layout, usual)).containsExactly("Opening");
    Path older =
        Files.write(
            folder.resolve("older.pdf"),
            Samples.pdf(layout, choices.with(choices.settings().conformance().with(Version.V1_4))));
    assertThat(
            Altered.failed(
                older, layout, choices.with(choices.settings().conformance().with(Version.V1_4))))
        .isEmpty();
  }

  @ParameterizedTest
  @EnumSource(InitialView.Zoom.class)
  void everySizeOfOpeningPasses(InitialView.Zoom zoom) throws IOException {
    InitialView f = InitialView.DEFAULT;
    PdfChoices c =
        choices.with(
            new InitialView(
                1,
                zoom,
                f.panel(),
                f.arrangement(),
                new InitialView.Window(false, true, false, true, false),
                new InitialView.Printing(
                    f.printing().scaling(), InitialView.Duplex.SHORT_EDGE, 0)));
    Path file = Files.write(folder.resolve("zoom.pdf"), Samples.pdf(layout, c));
    assertThat(Altered.failed(file, layout, c)).isEmpty();
    assertThat(Altered.failed(file, layout, choices)).contains("Opening");
  }

  /** Headings on pages that are left out lift those below them. */
  @Test
  void theOutlineOfSomePagesPasses() throws IOException {
    for (PdfChoices c :
        List.of(
            choices.with(InitialView.DEFAULT).with(List.of(1)),
            choices.with(new Navigation(1, 1, true, true, Navigation.Addresses.AS_TEXT, true)))) {
      Path file = Files.write(folder.resolve("some.pdf"), Samples.pdf(layout, c));
      assertThat(Altered.failed(file, layout, c)).isEmpty();
    }
  }

  private static final Security LOCKED =
      new Security(Security.Protection.AES_256, true, true, EnumSet.of(Permission.PRINT), true);

  private static final Passwords WORDS = new Passwords("quay", "harbour master");

  private Path protectedBy(PdfChoices c, String owner, String user, boolean print, int bits)
      throws IOException {
    Path file = folder.resolve("protected.pdf");
    Path open = Files.write(folder.resolve("open.pdf"), Samples.pdf(layout, choices));
    try (PDDocument pdf = Loader.loadPDF(open.toFile())) {
      var may = new AccessPermission();
      may.setCanAssembleDocument(false);
      may.setCanExtractContent(false);
      may.setCanExtractForAccessibility(false);
      may.setCanFillInForm(false);
      may.setCanModify(false);
      may.setCanModifyAnnotations(false);
      may.setCanPrint(print);
      may.setCanPrintFaithful(false);
      var policy = new StandardProtectionPolicy(owner, user, may);
      policy.setEncryptionKeyLength(bits);
      policy.setPreferAES(true);
      pdf.protect(policy);
      pdf.save(file.toFile());
    }
    assertThat(c.settings().security()).isEqualTo(LOCKED);
    return file;
  }

  /** Another library protects the file as chosen, and then with one thing otherwise. */
  @Test
  void protectionThatIsNotAsChosenIsSeen() throws IOException {
    PdfChoices c = choices.with(LOCKED, WORDS);
    assertThat(Altered.failed(protectedBy(c, "harbour master", "quay", true, 256), layout, c))
        .isEmpty();
    assertThat(Altered.failed(protectedBy(c, "harbour master", "quay", false, 256), layout, c))
        .as("permission")
        .contains("Protection");
    assertThat(Altered.failed(protectedBy(c, "harbour master", "quay", true, 128), layout, c))
        .as("cipher")
        .contains("Protection");
    assertThat(Altered.failed(protectedBy(c, "harbour master", "", true, 256), layout, c))
        .as("opens without a password")
        .contains("Protection");
    assertThat(Altered.failed(protectedBy(c, "other", "quay", true, 256), layout, c))
        .as("another password for changing")
        .isNotEmpty();
    assertThat(Altered.failed(published, layout, c))
        .as("no protection at all")
        .contains("Protection");
  }
}
