package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.finding.Finding;
import decant.reading.TakenIn;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Layers (optional content, ISO 32000-2 §8.11): what nobody sees on a page is not taken in. What
 * shows is what the library's renderer paints, for groups; for what says of several groups when it
 * shows, what the tables of the standard say.
 */
class LayersTest {
  private static final COSName OCG = COSName.OCG;

  @TempDir Path folder;

  /** A file with the layer Draft, which does not show, and Final, which does. */
  private final class Layered {
    final PDDocument pdf = new PDDocument();
    final PDPage page = new PDPage();
    final PDResources resources = new PDResources();
    final COSDictionary draft = group("Draft");
    final COSDictionary shown = group("Final");
    final COSDictionary state = new COSDictionary();
    final StringBuilder content = new StringBuilder();

    Layered() {
      pdf.addPage(page);
      page.setResources(resources);
      resources.put(COSName.getPDFName("F"), new PDType1Font(Standard14Fonts.FontName.HELVETICA));
      var all = new COSDictionary();
      all.setItem(COSName.OCGS, array(draft, shown));
      all.setItem(COSName.D, state);
      state.setItem(COSName.OFF, array(draft));
      pdf.getDocumentCatalog().getCOSObject().setItem(COSName.OCPROPERTIES, all);
      content.append(text(700, "Berth rules"));
    }

    private static COSDictionary group(String name) {
      var g = new COSDictionary();
      g.setItem(COSName.TYPE, OCG);
      g.setString(COSName.NAME, name);
      return g;
    }

    static String text(int y, String words) {
      return "BT /F 11 Tf 72 %d Td (%s) Tj ET\n".formatted(y, words);
    }

    /** Content on a layer. */
    Layered on(COSDictionary layer, String what) {
      var lists = resources.getCOSObject();
      var properties = lists.getCOSDictionary(COSName.PROPERTIES);
      if (properties == null) {
        properties = new COSDictionary();
        lists.setItem(COSName.PROPERTIES, properties);
      }
      String name = "L" + properties.size();
      properties.setItem(name, layer);
      content.append("/OC /").append(name).append(" BDC\n").append(what).append("EMC\n");
      return this;
    }

    Layered form(COSDictionary layer, String what) throws IOException {
      COSStream form = pdf.getDocument().createCOSStream();
      try (var out = form.createOutputStream()) {
        out.write(what.getBytes(StandardCharsets.ISO_8859_1));
      }
      form.setItem(COSName.TYPE, COSName.XOBJECT);
      form.setItem(COSName.SUBTYPE, COSName.FORM);
      form.setItem(COSName.BBOX, page.getMediaBox().getCOSArray());
      form.setItem(COSName.RESOURCES, resources.getCOSObject());
      form.setItem(COSName.OC, layer);
      var forms = new COSDictionary();
      forms.setItem("X", form);
      resources.getCOSObject().setItem(COSName.XOBJECT, forms);
      content.append("/X Do\n");
      return this;
    }

    byte[] bytes() throws IOException {
      COSStream c = pdf.getDocument().createCOSStream();
      try (var out = c.createOutputStream(COSName.FLATE_DECODE)) {
        out.write(content.toString().getBytes(StandardCharsets.ISO_8859_1));
      }
      page.getCOSObject().setItem(COSName.CONTENTS, c);
      var out = new ByteArrayOutputStream();
      try (pdf) {
        pdf.save(out);
      }
      return out.toByteArray();
    }

    TakenIn taken() throws IOException {
      return Samples.taken(java.nio.file.Files.write(folder.resolve("layers.pdf"), bytes()));
    }
  }

  private static COSArray array(COSBase... all) {
    var a = new COSArray();
    for (COSBase b : all) {
      a.add(b);
    }
    return a;
  }

  private static boolean tells(TakenIn t) {
    return t.findings().stream().anyMatch(f -> f.message().contains("a layer that does not show"));
  }

  @Test
  void whatStandsOnAHiddenLayerIsLeftOutAndTold() throws IOException {
    var l = new Layered();
    l.on(l.draft, Layered.text(600, "Draft words") + "72 300 200 90 re f\n");
    l.on(l.shown, Layered.text(500, "Final words"));
    l.form(l.draft, Layered.text(400, "Form words"));
    TakenIn t = l.taken();
    assertThat(Samples.text(t))
        .contains("Berth rules", "Final words")
        .doesNotContain("Draft", "Form");
    assertThat(t.document().media()).as("nor is what is drawn there").isEmpty();
    assertThat(t.findings().stream().filter(f -> f.kind() == Finding.Kind.CONTENT_LEFT_OUT))
        .singleElement()
        .satisfies(f -> assertThat(f.severity()).isEqualTo(Finding.Severity.DOUBT));
    assertThat(tells(t)).isTrue();
  }

  @Test
  void layersWithinALayerThatIsHiddenAreHidden() throws IOException {
    var l = new Layered();
    String inner = "/OC /L1 BDC\n" + Layered.text(600, "Inner words") + "EMC\n";
    l.on(l.draft, inner + Layered.text(550, "Outer words"));
    l.on(l.shown, Layered.text(500, "Final words"));
    assertThat(Samples.text(l.taken()))
        .contains("Final words")
        .doesNotContain("Inner words", "Outer words");
  }

  /** Where all is off but for some; the renderer of the library agrees. */
  @ParameterizedTest
  @CsvSource({"true, true", "true, false", "false, false"})
  void whatIsOffByTheWholeShowsWhereItIsOn(boolean baseOff, boolean on) throws IOException {
    var l = new Layered();
    l.state.removeItem(COSName.OFF);
    if (baseOff) {
      l.state.setItem(COSName.BASE_STATE, COSName.OFF);
    }
    if (on) {
      l.state.setItem(COSName.ON, array(l.shown));
    }
    l.on(l.shown, Layered.text(500, "Final words"));
    byte[] pdf = l.bytes();
    boolean painted;
    try (PDDocument d = Loader.loadPDF(pdf)) {
      var image = new PDFRenderer(d).renderImage(0);
      painted = false;
      for (int x = 72; x < 150; x++) {
        painted |= image.getRGB(x, 792 - 503) != -1;
      }
    }
    TakenIn t = Samples.taken(java.nio.file.Files.write(folder.resolve("state.pdf"), pdf));
    assertThat(Samples.text(t).contains("Final words")).isEqualTo(painted);
    assertThat(tells(t)).isEqualTo(!painted);
  }

  /** §8.11.2.2: by a policy over several groups. */
  @ParameterizedTest
  @CsvSource({
    "AllOn, false, false",
    "AnyOn, true, false",
    "AnyOff, true, true",
    "AllOff, false, true"
  })
  void policiesSayWhenSeveralShow(String policy, boolean ofBoth, boolean ofDraft)
      throws IOException {
    for (boolean both : new boolean[] {true, false}) {
      var l = new Layered();
      var membership = new COSDictionary();
      membership.setItem(COSName.TYPE, COSName.OCMD);
      membership.setItem(COSName.OCGS, both ? array(l.draft, l.shown) : l.draft);
      membership.setName(COSName.P, policy);
      l.on(membership, Layered.text(500, "Several words"));
      assertThat(Samples.text(l.taken()).contains("Several words"))
          .isEqualTo(both ? ofBoth : ofDraft);
    }
  }

  /** §8.11.2.2, table 97: by an expression, which goes before the policy. */
  @Test
  void expressionsSayWhenSomethingShows() throws IOException {
    COSName and = COSName.getPDFName("And");
    COSName or = COSName.getPDFName("Or");
    COSName not = COSName.getPDFName("Not");
    for (boolean shows : new boolean[] {true, false}) {
      var l = new Layered();
      var membership = new COSDictionary();
      membership.setItem(COSName.TYPE, COSName.OCMD);
      membership.setItem(COSName.OCGS, shows ? l.draft : l.shown);
      COSArray one = array(and, l.shown, array(not, l.draft));
      COSArray other = array(not, array(or, l.draft, l.shown));
      membership.setItem(COSName.getPDFName("VE"), shows ? one : other);
      l.on(membership, Layered.text(500, "Several words"));
      assertThat(Samples.text(l.taken()).contains("Several words")).isEqualTo(shows);
    }
  }

  /** ISO 32000-1 §12.7.8: the pages of such a file are not its form. */
  @ParameterizedTest
  @CsvSource({"true, LOSS", "false, LOSS"})
  void formsWhosePagesAreMadeOnOpeningAreTold(boolean flag, Finding.Severity severity)
      throws IOException {
    var l = new Layered();
    var form = new COSDictionary();
    form.setItem("XFA", array());
    form.setItem(COSName.FIELDS, array());
    COSDictionary catalog = l.pdf.getDocumentCatalog().getCOSObject();
    catalog.setItem(COSName.ACRO_FORM, form);
    catalog.setBoolean("NeedsRendering", flag);
    assertThat(l.taken().findings())
        .filteredOn(f -> f.message().contains("XFA"))
        .singleElement()
        .satisfies(f -> assertThat(f.severity()).isEqualTo(severity));
  }

  /** §7.7.3.3, table 31: UserUnit: a page may be measured in larger units than points. */
  @Test
  void pagesInLargerUnitsAreTold() throws IOException {
    var l = new Layered();
    l.page.setUserUnit(4);
    assertThat(l.taken().findings())
        .filteredOn(f -> f.severity() == Finding.Severity.DOUBT)
        .singleElement()
        .satisfies(f -> assertThat(f.message()).contains("Page 1 is 4 times as wide"));
  }
}
