package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.Tool;
import decant.layout.Layout;
import decant.model.Document;
import decant.model.Metadata;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Section;
import decant.model.Story;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.pdf.choices.Conflict;
import decant.pdf.choices.Conformance;
import decant.pdf.choices.Conformance.Standard;
import decant.pdf.choices.Enclosures;
import decant.pdf.choices.PdfChoices;
import decant.pdf.choices.Version;
import decant.verify.Check;
import decant.verify.pdf.PdfVerifier;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Standards by veraPDF's judgement, and the tags that they ask for (ISO 32000-2 §14.8). */
class StandardsTest {
  @TempDir Path folder;

  private static Conformance conformance(Standard s, boolean accessible) {
    return new Conformance(s, accessible, true, Version.V1_7, Enclosures.DEFAULT);
  }

  private void keeps(Layout l, Conformance k) {
    Metadata p =
        l.document().metadata().title().isEmpty() ? Published.PARTICULARS : l.document().metadata();
    PdfChoices c =
        Samples.choices(l)
            .with(k)
            .with(new Metadata(p.title(), p.subject(), p.author(), p.keywords(), "en"));
    assertThat(Conflict.of(c)).isEmpty();
    Path file = Published.file(folder, l, c);
    assertThat(PdfVerifier.verify(file, l, c))
        .allSatisfy(x -> assertThat(x.passed()).as(x.name() + ": " + x.detail()).isTrue());
    assertThat(Tool.run("qpdf", "--check", file.toString()))
        .satisfies(a -> assertThat(a.status()).as(a.output()).isZero());
  }

  @ParameterizedTest
  @EnumSource(
      value = Standard.class,
      names = {"NONE", "A4F"},
      mode = EnumSource.Mode.EXCLUDE)
  void everyPartAndLevelIsKept(Standard s) {
    keeps(Samples.layout(Published.everything()), conformance(s, s.part() != 4 && s.part() != 0));
  }

  @ParameterizedTest
  @ValueSource(strings = {"Berth rules.pdf", "Winter storage notice.docx", "Berth application.pdf"})
  void theDemoKeepsTheStrictest(String name) {
    keeps(Samples.layout(Samples.demo(name).document()), conformance(Standard.A2A, true));
  }

  @Test
  void aFileIsAccessibleWithoutBeingAnArchive() {
    keeps(Samples.layout(Published.everything()), conformance(Standard.NONE, true));
  }

  @Test
  void textThatNoFontShowsKeepsTheStandardToo() {
    Document d = Samples.document(Samples.paragraph("\uD800\uDF42\uD800\uDF30 harbour"));
    keeps(Samples.layout(d), conformance(Standard.A2U, false));
  }

  /** ISO 19005-2 §6.2.11.7.3: what only a font knows is said in characters that all know. */
  @Test
  void privateSignsAreSaidInCharactersThatAllKnow() throws IOException {
    Layout l = Samples.layout(Samples.document(Samples.paragraph("\uF0B7 berths \uE123 are let")));
    keeps(l, conformance(Standard.A2A, true));
    Path file = Published.file(folder, l, Samples.choices(l));
    assertThat(Tool.run("pdftotext", "-enc", "UTF-8", file.toString(), "-").output())
        .contains("\u2022 berths \uFFFD are let");
  }

  @Test
  void linksInRunningTextsAreTaggedToo() {
    Look link =
        Look.of(TextTraits.LINK, new Link.External("https://saltmarsh.example"))
            .with(TextTraits.UNDERLINE, true);
    Story header =
        new Story(
            NodeId.fresh(), Story.Kind.RUNNING, List.of(Samples.runs("saltmarsh.example", link)));
    var section =
        new Section(
            NodeId.fresh(),
            PageSetup.A4,
            Section.Start.NEW_PAGE,
            Map.of(Section.Running.HEADER, header),
            List.of(Samples.heading(1, "Rules"), Samples.paragraph(Samples.PROSE)));
    Document d =
        Document.of(
            Published.PARTICULARS,
            Samples.styles(),
            Map.of(),
            List.of(section),
            Map.of(),
            Map.of(),
            List.of());
    keeps(Samples.layout(d), conformance(Standard.A2A, true));
  }

  @Test
  void theVersionIsTheStandards() throws IOException {
    Layout l = Samples.layout(Published.everything());
    for (Standard s : List.of(Standard.A1B, Standard.A2B, Standard.A4)) {
      Path file = Published.file(folder, l, Samples.choices(l).with(conformance(s, false)));
      assertThat(Tool.run("pdfinfo", file.toString()).output())
          .containsPattern(
              "PDF version:\\s+" + (s.part() == 1 ? "1.4" : s.part() == 2 ? "1.7" : "2.0"));
    }
  }

  @Test
  void tagsSayWhatThingsAre() throws IOException {
    Layout l = Samples.layout(Published.everything());
    Path file = Published.file(folder, l, Samples.choices(l));
    // poppler's reading of the structure
    List<String> tags =
        Tool.run("pdfinfo", "-struct", file.toString())
            .output()
            .lines()
            .map(s -> s.replaceAll("( <.*>)?:?\\s*(\\(.*)?$", "").replaceAll("\\d+ 0$", ""))
            .filter(s -> !s.isBlank())
            .toList();
    assertThat(tags)
        .containsSubsequence(
            "Document", "  H1", "  P", "    Reference", "    Link", "      Object ", "    Link")
        .contains("  L", "    LI", "      Lbl", "      LBody", "        L", "          LI")
        .contains("  Table", "    TR", "      TH", "      TD", "  Note", "    Figure")
        .contains("  H2") // the third level, right after the first, is the second
        .doesNotContain("  H3");
  }

  @Test
  void tablesSayWhatTheirCellsCoverAndHead() throws IOException {
    Layout l = Samples.layout(Published.everything());
    try (PDDocument pdf = Loader.loadPDF(Samples.pdf(l, Samples.choices(l)))) {
      COSDictionary root =
          pdf.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.STRUCT_TREE_ROOT);
      COSDictionary table = find(root, "Table");
      COSArray rows = table.getCOSArray(COSName.K);
      assertThat(rows).hasSize(3);
      COSDictionary head = (COSDictionary) cells(rows, 0).getObject(0);
      assertThat(head.getNameAsString(COSName.S)).isEqualTo("TH");
      COSDictionary a = head.getCOSDictionary(COSName.A);
      assertThat(a.getNameAsString("Scope")).isEqualTo("Column");
      assertThat(a.getInt("ColSpan")).isEqualTo(2);
      assertThat(
              ((COSDictionary) cells(rows, 1).getObject(0))
                  .getCOSDictionary(COSName.A)
                  .getInt("RowSpan"))
          .isEqualTo(2);
      // The last row lacks a cell, and is given one.
      assertThat(cells(rows, 2)).hasSize(2);
    }
  }

  private static COSArray cells(COSArray rows, int r) {
    return ((COSDictionary) rows.getObject(r)).getCOSArray(COSName.K);
  }

  private static COSDictionary find(COSDictionary from, String tag) {
    if (tag.equals(from.getNameAsString(COSName.S))) {
      return from;
    }
    COSBase k = from.getDictionaryObject(COSName.K);
    List<COSBase> kids =
        k instanceof COSArray a ? a.toList().stream().map(o -> (COSBase) o).toList() : List.of(k);
    for (COSBase kid : kids) {
      COSBase o = kid instanceof org.apache.pdfbox.cos.COSObject r ? r.getObject() : kid;
      if (o instanceof COSDictionary d && d.containsKey(COSName.S)) {
        COSDictionary found = find(d, tag);
        if (found != null) {
          return found;
        }
      }
    }
    return null;
  }

  @Test
  void untaggedIsPossible() {
    Layout l = Samples.layout(Published.everything());
    Path file =
        Published.file(
            folder,
            l,
            Samples.choices(l)
                .with(
                    new Conformance(
                        Standard.NONE, false, false, Version.V1_7, Enclosures.DEFAULT)));
    assertThat(Tool.run("pdfinfo", file.toString()).output()).containsPattern("Tagged:\\s+no");
  }

  @Test
  void verificationSeesAStandardThatIsNotKept() {
    Layout l = Samples.layout(Published.everything());
    PdfChoices plain = Samples.choices(l);
    Path file = Published.file(folder, l, plain);
    List<Check> checks = PdfVerifier.verify(file, l, plain.with(conformance(Standard.A2A, true)));
    assertThat(checks.stream().filter(c -> !c.passed()).map(Check::name))
        .containsExactly("PDF/A-2a", "PDF/UA-1");
  }
}
