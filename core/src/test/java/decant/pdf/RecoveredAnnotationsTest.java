package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Intake;
import decant.layout.Layout;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.finding.Finding;
import decant.model.look.Colour;
import decant.model.look.FormField;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.model.look.Trait;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceRGB;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationFreeText;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationHighlight;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationStrikeout;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationTextMarkup;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationUnknown;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceDictionary;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceStream;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDRadioButton;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What stands on pages as annotations: filled-in fields, text typed on, marks over text. */
class RecoveredAnnotationsTest {
  private static final PDType1Font FONT = new PDType1Font(FontName.HELVETICA);

  @TempDir Path folder;
  private final PDDocument pdf = new PDDocument();
  private final PDPage page = new PDPage(PDRectangle.A4);
  private final PDAcroForm form = new PDAcroForm(pdf);

  private void lines(String... texts) throws IOException {
    pdf.addPage(page);
    try (var c = new PDPageContentStream(pdf, page)) {
      for (int k = 0; k < texts.length; k++) {
        c.beginText();
        c.setFont(FONT, 10);
        c.newLineAtOffset(72, 700 - 30 * k);
        c.showText(texts[k]);
        c.endText();
      }
    }
    var resources = new PDResources();
    resources.put(COSName.HELV, FONT);
    form.setDefaultResources(resources);
    form.setDefaultAppearance("/Helv 10 Tf 0 g");
    pdf.getDocumentCatalog().setAcroForm(form);
  }

  private PDTextField field(String name, int line) throws IOException {
    var f = new PDTextField(form);
    f.setPartialName(name);
    f.setDefaultAppearance("/Helv 10 Tf 0 g");
    widget(f.getWidgets().getFirst(), 200, line, 150);
    form.getFields().add(f);
    return f;
  }

  private void widget(PDAnnotationWidget w, float x, int line, float width) throws IOException {
    w.setRectangle(new PDRectangle(x, 696 - 30 * line, width, 14));
    w.setPage(page);
    w.setPrinted(true);
    page.getAnnotations().add(w);
  }

  private TakenIn taken() throws IOException, ReadProblem {
    Path file = folder.resolve("form.pdf");
    pdf.save(file.toFile());
    pdf.close();
    return Intake.take(ReadRequest.of(file));
  }

  private static List<String> texts(Document d) {
    return d.paragraphs().stream().map(Paragraph::text).toList();
  }

  @Test
  void whatWasFilledInIsTextAndWhatWasNotIsALineToFillIn() throws IOException, ReadProblem {
    lines("Name of the owner", "Name of the vessel", "Draught");
    field("owner", 0).setValue("M. Tern");
    field("vessel", 1);
    PDTextField bare = field("draught", 2);
    bare.getCOSObject().setString(COSName.V, "1.4 m"); // no appearance: the reader has to make one
    TakenIn t = taken();
    List<String> texts = texts(t.document());
    String all = String.join(" ", texts);
    assertThat(all)
        .containsPattern("Name of the owner\\s+M\\. Tern")
        .containsPattern("Name of the vessel\\s+_{15,}")
        .containsPattern("Draught\\s+1\\.4 m");
    assertThat(t.findings())
        .filteredOn(f -> f.kind() == Finding.Kind.FORM)
        .singleElement()
        .satisfies(
            f -> assertThat(f.message()).startsWith("3 form fields were taken in as fields"));
  }

  @Test
  void boxesToTickSayWhetherTheyAreTicked() throws IOException, ReadProblem {
    lines("     Insured", "     Winter storage");
    for (int line = 0; line < 2; line++) {
      var box = new PDCheckBox(form);
      box.setPartialName("box" + line);
      PDAnnotationWidget w = box.getWidgets().getFirst();
      widget(w, 72, line, 12);
      w.setAppearanceState(line == 0 ? "Yes" : "Off");
      form.getFields().add(box);
    }
    List<String> texts = texts(taken().document());
    assertThat(texts).anyMatch(x -> x.matches("☑\\s*Insured"));
    assertThat(texts).anyMatch(x -> x.matches("☐\\s*Winter storage"));
  }

  /** A circle to choose looks like a bullet, and would be lost as one. */
  @Test
  void whatCanBeChosenIsNoItemOfAList() throws IOException, ReadProblem {
    lines("     By the slip", "     On the pontoon", "     Ashore");
    var berth = new PDRadioButton(form);
    berth.setPartialName("berth");
    var widgets = new ArrayList<PDAnnotationWidget>();
    for (int line = 0; line < 3; line++) {
      var w = new PDAnnotationWidget();
      widget(w, 72, line, 12);
      w.setAppearanceState(line == 1 ? "b1" : "Off");
      widgets.add(w);
    }
    berth.setWidgets(widgets);
    form.getFields().add(berth);
    Document d = taken().document();
    assertThat(d.paragraphs()).noneMatch(p -> p.look().get(ParagraphTraits.LIST).isPresent());
    assertThat(texts(d))
        .satisfiesExactly(
            x -> assertThat(x).matches("○\\s*By the slip"),
            x -> assertThat(x).matches("◉\\s*On the pontoon"),
            x -> assertThat(x).matches("○\\s*Ashore"));
    List<FormField> fields =
        d.paragraphs().stream()
            .flatMap(p -> p.inlines().stream())
            .flatMap(i -> i.look().get(TextTraits.FIELD).stream())
            .toList();
    assertThat(fields).extracting(FormField::kind).containsOnly(FormField.Kind.ONE_OF);
  }

  /** The line that holds the place of an empty field is not printed where there was none. */
  @Test
  void anEmptyFieldStaysEmptyOnThePublishedPage() throws IOException, ReadProblem {
    lines("Name of the vessel", "Draught");
    field("vessel", 0);
    field("draught", 1).setValue("1.4 m");
    Document d = taken().document();
    assertThat(String.join(" ", texts(d))).contains("____");
    Layout l = Samples.layout(d);
    try (PDDocument out = Loader.loadPDF(Samples.pdf(l, Samples.choices(l)))) {
      assertThat(new PDFTextStripper().getText(out)).contains("vessel").doesNotContain("_");
      PDAcroForm published = out.getDocumentCatalog().getAcroForm();
      assertThat(published.getField("vessel").getValueAsString()).isEmpty();
      assertThat(published.getField("draught").getValueAsString()).isEqualTo("1.4 m");
    }
  }

  @Test
  void aHiddenFieldIsNotThere() throws IOException, ReadProblem {
    lines("Name of the owner");
    PDTextField f = field("owner", 0);
    f.setValue("M. Tern");
    f.getWidgets().getFirst().setHidden(true);
    assertThat(texts(taken().document())).containsExactly("Name of the owner");
  }

  /** Viewers draw what brings no drawing of its own (ISO 32000-2 §12.5.2), and so it is read. */
  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void textThatSomeoneTypedOntoThePageIsText(boolean drawn) throws IOException, ReadProblem {
    lines("Place and date", "Signature");
    var typed = new PDAnnotationFreeText();
    typed.setRectangle(new PDRectangle(200, 694, 200, 18));
    typed.setContents("Saltmarsh Quay, 4 May");
    typed.setDefaultAppearance("/Helv 10 Tf 0 g");
    page.getAnnotations().add(typed);
    if (drawn) {
      typed.constructAppearances(pdf);
    }
    TakenIn t = taken();
    assertThat(String.join(" ", texts(t.document()))).contains("Saltmarsh Quay, 4 May");
    assertThat(t.findings()).noneMatch(f -> f.kind() == Finding.Kind.CONTENT_LEFT_OUT);
  }

  /**
   * ISO 32000-2 §12.5.5: whatever a kind is, what it looks like is on the page; what plays does not
   * go along (§13.2, §13.6, §13.7), which is told.
   */
  @ParameterizedTest
  @CsvSource({
    "Movie, true",
    "Screen, true",
    "Sound, true",
    "3D, true",
    "RichMedia, true",
    "Redact, false",
    "Projection, false",
    "Unheard, false",
    "Stamp, false",
  })
  void whatAnAnnotationLooksLikeIsOnThePage(String kind, boolean plays)
      throws IOException, ReadProblem {
    lines("Quay rules", "Berths", "Charges");
    var shown = new PDAppearanceStream(pdf);
    shown.setBBox(new PDRectangle(150, 14));
    shown.setResources(new PDResources());
    try (var c = new PDPageContentStream(pdf, shown)) {
      c.beginText();
      c.setFont(FONT, 10);
      c.newLineAtOffset(2, 4);
      c.showText("Seen on the page");
      c.endText();
    }
    var looks = new PDAppearanceDictionary();
    looks.setNormalAppearance(shown);
    var a = new PDAnnotationUnknown(new COSDictionary());
    a.getCOSObject().setName(COSName.SUBTYPE, kind);
    a.setRectangle(new PDRectangle(200, 500, 150, 14));
    a.setAppearance(looks);
    page.getAnnotations().add(a);
    TakenIn t = taken();
    assertThat(String.join(" ", texts(t.document()))).contains("Seen on the page");
    assertThat(t.findings())
        .filteredOn(f -> f.severity() == Finding.Severity.LOSS)
        .hasSize(plays ? 1 : 0)
        .allMatch(f -> f.message().contains("(" + kind + ") does not go along"));
    assertThat(t.document().stories()).as("no comment without words").isEmpty();
  }

  private void markup(PDAnnotationTextMarkup m, String before, String words, int line)
      throws IOException {
    float x = 72 + FONT.getStringWidth(before) / 100;
    float w = FONT.getStringWidth(words) / 100;
    float y = 698 - 30 * line;
    m.setRectangle(new PDRectangle(x, y, w, 11));
    m.setQuadPoints(new float[] {x, y + 11, x + w, y + 11, x, y, x + w, y});
    page.getAnnotations().add(m);
  }

  private static <T> String with(Document d, Trait<T> trait, T value) {
    return d.paragraphs().stream()
        .flatMap(p -> p.inlines().stream())
        .filter(i -> i instanceof Inline.Text x && x.look().value(trait).equals(value))
        .map(i -> ((Inline.Text) i).text())
        .collect(Collectors.joining("|"));
  }

  @Test
  void marksOverTextAreLooksAndTheWordsWithThemAreRemarks() throws IOException, ReadProblem {
    lines("Berths are let by the day and by the week.", "Nobody is exempt from this rule.");
    var lit = new PDAnnotationHighlight();
    lit.setColor(new PDColor(new float[] {1, 1, 0}, PDDeviceRGB.INSTANCE));
    markup(lit, "Berths are let ", "by the day", 0);
    var struck = new PDAnnotationStrikeout();
    struck.setContents("Is that so?");
    markup(struck, "Nobody ", "is exempt", 1);
    TakenIn t = taken();
    assertThat(with(t.document(), TextTraits.HIGHLIGHT, new Colour(0xFFFF00)))
        .isEqualTo("by the day");
    assertThat(with(t.document(), TextTraits.STRIKE, true)).isEqualTo("is exempt");
    assertThat(t.findings())
        .filteredOn(f -> f.kind() == Finding.Kind.REMARK)
        .singleElement()
        .satisfies(f -> assertThat(f.message()).contains("Is that so?"));
    assertThat(t.document().paragraphs().stream().flatMap(p -> p.inlines().stream()))
        .filteredOn(i -> i.look().sets(TextTraits.COMMENTS))
        .extracting(i -> ((Inline.Text) i).text())
        .containsExactly("is exempt");
  }

  @Test
  void theDemoFormKeepsWhatWasFilledIn() throws IOException {
    String all = String.join("\n", texts(Samples.demo("Berth application.pdf").document()));
    assertThat(all)
        .containsPattern("Name of the vessel\\s+Curlew")
        .containsPattern("☐ Winter storage");
    try (PDDocument source =
        Loader.loadPDF(Samples.DEMO.resolve("Berth application.pdf").toFile())) {
      assertThat(source.getDocumentCatalog().getAcroForm().getField("vessel").getValueAsString())
          .as("what the file itself says")
          .isEqualTo("Curlew");
    }
  }
}
