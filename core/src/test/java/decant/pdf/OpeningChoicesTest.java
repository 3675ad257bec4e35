package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.Tool;
import decant.layout.Layout;
import decant.model.Document;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.PageNumbers;
import decant.model.PageSetup;
import decant.model.Section;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.pdf.choices.Compression;
import decant.pdf.choices.Conformance;
import decant.pdf.choices.Enclosures;
import decant.pdf.choices.InitialView;
import decant.pdf.choices.InitialView.Arrangement;
import decant.pdf.choices.InitialView.Duplex;
import decant.pdf.choices.InitialView.Panel;
import decant.pdf.choices.InitialView.PrintScaling;
import decant.pdf.choices.InitialView.Zoom;
import decant.pdf.choices.Navigation;
import decant.pdf.choices.Navigation.Addresses;
import decant.pdf.choices.PdfChoices;
import decant.pdf.choices.Version;
import decant.verify.pdf.PdfVerifier;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** How files open, find their way and say what they are, by PDFBox, poppler and qpdf. */
class OpeningChoicesTest {
  @TempDir Path folder;

  private final Layout rules = Samples.layout(Samples.demo("Berth rules.pdf").document());

  private static PDDocument read(Layout l, PdfChoices c) throws IOException {
    return Loader.loadPDF(Samples.pdf(l, c));
  }

  private static COSDictionary catalog(PDDocument pdf) {
    return pdf.getDocumentCatalog().getCOSObject();
  }

  private static int count(PDOutlineNode n, int deepest) {
    int c = 0;
    if (n != null && deepest > 0) {
      for (PDOutlineItem i = n.getFirstChild(); i != null; i = i.getNextSibling()) {
        c += 1 + count(i, deepest - 1);
      }
    }
    return c;
  }

  @Test
  void bookmarksReachDownToTheChosenLevel() throws IOException {
    PdfChoices all = Samples.choices(rules);
    long two =
        decant.model.Outline.headings(rules.document()).stream()
            .filter(h -> h.level() <= 2)
            .count();
    Navigation w = new Navigation(2, 1, true, true, Addresses.AS_TEXT, true);
    try (PDDocument pdf = read(rules, all.with(w))) {
      assertThat(count(pdf.getDocumentCatalog().getDocumentOutline(), 99)).isEqualTo((int) two);
    }
    Navigation none = new Navigation(0, 1, true, true, Addresses.AS_TEXT, true);
    try (PDDocument pdf = read(rules, all.with(none))) {
      assertThat(pdf.getDocumentCatalog().getDocumentOutline()).isNull();
    }
  }

  @Test
  void asManyLevelsAreUnfoldedAsChosen() throws IOException {
    for (int open = 1; open <= 3; open++) {
      Navigation w = new Navigation(9, open, true, true, Addresses.AS_TEXT, true);
      try (PDDocument pdf = read(rules, Samples.choices(rules).with(w))) {
        PDOutlineNode root = pdf.getDocumentCatalog().getDocumentOutline();
        // ISO 32000-2 table 150: what is in sight while nothing is touched
        assertThat(root.getOpenCount()).isEqualTo(count(root, open));
      }
    }
  }

  @Test
  void numberedHeadingsBringTheirNumbers() throws IOException {
    var level =
        new decant.model.look.ListDefinition.Level(
            NumberFormat.DECIMAL, "%1.", 1, Look.PLAIN, Look.PLAIN);
    var heading =
        decant.model.Paragraph.of(
            Look.of(ParagraphTraits.STYLE, "Heading1")
                .with(ParagraphTraits.LIST, new decant.model.look.ListMembership("parts", 0)),
            "Charges");
    Document d =
        Samples.document(heading)
            .withLists(
                Map.of("parts", new decant.model.look.ListDefinition("parts", List.of(level))));
    Layout l = Samples.layout(d);
    for (boolean numbered : new boolean[] {true, false}) {
      Navigation w = new Navigation(9, 1, numbered, true, Addresses.AS_TEXT, true);
      PdfChoices c = Samples.choices(l).with(w);
      try (PDDocument pdf = read(l, c)) {
        assertThat(pdf.getDocumentCatalog().getDocumentOutline().getFirstChild().getTitle())
            .isEqualTo(numbered ? "1. Charges" : "Charges");
      }
      assertThat(PdfVerifier.verify(Published.file(folder, l, c), l, c))
          .allSatisfy(x -> assertThat(x.passed()).as(x.name() + x.detail()).isTrue());
    }
  }

  @Test
  void linksCanBeLeftDead() throws IOException {
    Layout l = Samples.layout(Published.everything());
    Navigation w = new Navigation(9, 1, true, false, Addresses.AS_TEXT, true);
    try (PDDocument pdf = read(l, Samples.choices(l).with(w))) {
      assertThat(pdf.getPage(0).getAnnotations()).isEmpty();
    }
    try (PDDocument pdf = read(l, Samples.choices(l))) {
      assertThat(pdf.getPage(0).getAnnotations()).hasSize(2);
    }
  }

  @Test
  void pageLabelsAreTheNumbersOnThePages() throws IOException {
    Document d =
        Document.of(
            Metadata.NONE,
            Samples.styles(),
            Map.of(),
            List.of(
                section(Optional.of(1), NumberFormat.LOWER_ROMAN, 60),
                section(Optional.of(1), NumberFormat.DECIMAL, 120)),
            Map.of(),
            Map.of(),
            List.of());
    Layout l = Samples.layout(d);
    try (PDDocument pdf = read(l, Samples.choices(l))) {
      String[] labels = pdf.getDocumentCatalog().getPageLabels().getLabelsByPageIndices();
      assertThat(labels).startsWith("i", "ii").contains("1", "2", "3").hasSize(l.pages().size());
    }
    // Pages that are left out leave their numbers to those that stay.
    PdfChoices some = Samples.choices(l).with(List.of(1, l.pages().size() - 1));
    try (PDDocument pdf = read(l, some)) {
      assertThat(pdf.getDocumentCatalog().getPageLabels().getLabelsByPageIndices())
          .containsExactly("ii", Integer.toString(l.pages().getLast().shown()));
    }
    Navigation without = new Navigation(9, 1, true, true, Addresses.AS_TEXT, false);
    try (PDDocument pdf = read(l, Samples.choices(l).with(without))) {
      assertThat(pdf.getDocumentCatalog().getPageLabels()).isNull();
    }
  }

  private static Section section(Optional<Integer> start, NumberFormat f, int prose) {
    return new Section(
        NodeId.fresh(),
        PageSetup.A4.withNumbers(new PageNumbers(start, f)),
        Section.Start.NEW_PAGE,
        Map.of(),
        List.of(Samples.paragraph(Samples.PROSE.repeat(prose))));
  }

  private static InitialView sight(
      int page, Zoom z, Panel p, Arrangement a, boolean hide, PrintScaling s, Duplex d, int n) {
    return new InitialView(
        page,
        z,
        p,
        a,
        new InitialView.Window(hide, hide, hide, hide, true),
        new InitialView.Printing(s, d, n));
  }

  @ParameterizedTest
  @EnumSource(Panel.class)
  void theChosenPanelIsOpen(Panel p) throws IOException {
    InitialView f =
        sight(
            1,
            Zoom.VIEWERS,
            p,
            Arrangement.VIEWERS,
            false,
            PrintScaling.VIEWERS,
            Duplex.VIEWERS,
            0);
    try (PDDocument pdf = read(rules, Samples.choices(rules).with(f))) {
      assertThat(pdf.getDocumentCatalog().getPageMode().stringValue()).isEqualTo(p.pdfName());
    }
  }

  @ParameterizedTest
  @EnumSource(value = Arrangement.class, names = "VIEWERS", mode = EnumSource.Mode.EXCLUDE)
  void pagesStandTogetherAsChosen(Arrangement a) throws IOException {
    InitialView f =
        sight(1, Zoom.VIEWERS, Panel.NOTHING, a, false, PrintScaling.VIEWERS, Duplex.VIEWERS, 0);
    try (PDDocument pdf = read(rules, Samples.choices(rules).with(f))) {
      assertThat(pdf.getDocumentCatalog().getPageLayout().stringValue()).isEqualTo(a.pdfName());
    }
  }

  @ParameterizedTest
  @EnumSource(Zoom.class)
  void theFileOpensAtAPageInASize(Zoom z) throws IOException {
    InitialView f =
        sight(
            3,
            z,
            Panel.NOTHING,
            Arrangement.VIEWERS,
            false,
            PrintScaling.VIEWERS,
            Duplex.VIEWERS,
            0);
    PdfChoices c = Samples.choices(rules).with(f);
    try (PDDocument pdf = read(rules, c)) {
      var to = catalog(pdf).getCOSArray(COSName.OPEN_ACTION);
      assertThat(to.getObject(0)).isEqualTo(pdf.getPage(2).getCOSObject());
      assertThat(to.getName(1))
          .isEqualTo(
              switch (z) {
                case VIEWERS, ACTUAL -> "XYZ";
                case WHOLE_PAGE -> "Fit";
                case PAGE_WIDTH -> "FitH";
              });
      if (z == Zoom.ACTUAL) {
        assertThat(to.getInt(4)).isEqualTo(1);
      }
    }
  }

  @Test
  void partsOfTheViewerAreHiddenAndPrintingIsOffered() throws IOException {
    InitialView f =
        sight(
            1,
            Zoom.VIEWERS,
            Panel.NOTHING,
            Arrangement.VIEWERS,
            true,
            PrintScaling.NONE,
            Duplex.LONG_EDGE,
            2);
    PdfChoices c = Samples.choices(rules).with(f);
    try (PDDocument pdf = read(rules, c)) {
      var p = pdf.getDocumentCatalog().getViewerPreferences();
      assertThat(p.hideToolbar()).isTrue();
      assertThat(p.hideMenubar()).isTrue();
      assertThat(p.hideWindowUI()).isTrue();
      assertThat(p.fitWindow()).isTrue();
      assertThat(p.displayDocTitle()).isTrue();
      assertThat(p.getPrintScaling()).isEqualTo("None");
      assertThat(p.getDuplex()).isEqualTo("DuplexFlipLongEdge");
      assertThat(p.getCOSObject().getInt("NumCopies")).isEqualTo(2);
    }
    try (PDDocument pdf = read(rules, Samples.choices(rules))) {
      var p = pdf.getDocumentCatalog().getViewerPreferences();
      assertThat(p.hideToolbar()).isFalse();
      assertThat(p.getCOSObject().containsKey("NumCopies")).isFalse();
    }
  }

  @ParameterizedTest
  @EnumSource(Version.class)
  void eachVersionIsWhatItSaysAndNoMore(Version v) throws IOException {
    PdfChoices c =
        Samples.choices(rules)
            .with(new Conformance(Conformance.Standard.NONE, false, true, v, Enclosures.DEFAULT));
    Path file = Published.file(folder, rules, c);
    assertThat(Tool.run("qpdf", "--check", file.toString()).output())
        .contains("PDF Version: " + v.number());
    String raw = new String(Files.readAllBytes(file), java.nio.charset.StandardCharsets.ISO_8859_1);
    boolean together = v.compareTo(Version.V1_5) >= 0;
    assertThat(raw.contains("/ObjStm")).isEqualTo(together);
    assertThat(raw.contains("\nxref\n")).isEqualTo(!together);
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      boolean info = pdf.getDocument().getTrailer().containsKey(COSName.INFO);
      assertThat(info).isEqualTo(v != Version.V2_0);
    }
    assertThat(PdfVerifier.verify(file, rules, c))
        .allSatisfy(x -> assertThat(x.passed()).as(x.name() + x.detail()).isTrue());
  }

  @Test
  void effortAndObjectStreamsShowInTheSize() throws IOException {
    long min = size(new Compression(Compression.Effort.LITTLE, true, 0, 0, true, true));
    long medium = size(new Compression(Compression.Effort.MEDIUM, true, 0, 0, true, true));
    long max = size(new Compression(Compression.Effort.MOST, true, 0, 0, true, true));
    long apart = size(new Compression(Compression.Effort.MOST, false, 0, 0, true, true));
    assertThat(max).isLessThan(medium);
    assertThat(medium).isLessThan(min);
    assertThat(apart).isGreaterThan(max * 11 / 10);
  }

  private long size(Compression w) throws IOException {
    return Samples.pdf(rules, Samples.choices(rules).with(w)).length;
  }

  @Test
  void theBytesOfAllPartsAreTheFile() throws Exception {
    Layout l = Samples.layout(Published.everything());
    var out = new java.io.ByteArrayOutputStream();
    var written =
        decant.pdf.write.PdfWriter.write(
            l, Samples.choices(l), Optional.empty(), out, n -> {}, () -> false);
    // Shares of what is compressed together are rounded.
    assertThat((double) written.total()).isBetween(out.size() * 0.998, out.size() * 1.002);
    assertThat(written.pictures()).hasSize(3);
    assertThat(
            written.bytes().keySet().stream()
                .filter(p -> p.kind() == decant.pdf.file.FilePart.Kind.FONT))
        .hasSizeGreaterThan(4);
  }

  @Test
  void twoProcessorsWriteWhatOneDoes() throws Exception {
    byte[] many = Samples.pdf(rules, Samples.choices(rules));
    byte[] one;
    try (var alone = new java.util.concurrent.ForkJoinPool(1)) {
      one = alone.submit(() -> Samples.pdf(rules, Samples.choices(rules))).get();
    }
    assertThat(one.length).isBetween(many.length - 200, many.length + 200);
    try (PDDocument a = Loader.loadPDF(many);
        PDDocument b = Loader.loadPDF(one)) {
      for (int k = 0; k < a.getNumberOfPages(); k++) {
        assertThat(a.getPage(k).getContents().readAllBytes())
            .isEqualTo(b.getPage(k).getContents().readAllBytes());
      }
    }
  }
}
