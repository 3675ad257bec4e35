package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.model.Outline;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.model.look.Colour;
import decant.model.look.ParagraphTraits;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TableTraits;
import decant.reading.TakenIn;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Files with structure tags (ISO 32000-1 §14.7), built object by object. */
class TaggedPdfTest {
  @TempDir Path folder;

  /** Text shown as marked content 0, 1, 2 … from the top of the page, all in one look. */
  private static String content(String... texts) {
    var b = new StringBuilder();
    for (int k = 0; k < texts.length; k++) {
      b.append(
          "/P <</MCID %d>> BDC BT /F 11 Tf 72 %d Td (%s) Tj ET EMC\n"
              .formatted(k, 760 - 20 * k, texts[k]));
    }
    return b.toString();
  }

  private static COSDictionary element(String role, COSDictionary page, Object... kids) {
    var e = new COSDictionary();
    e.setName(COSName.S, role);
    e.setItem(COSName.PG, page);
    var k = new COSArray();
    for (Object kid : kids) {
      k.add(kid instanceof Integer n ? COSInteger.get(n) : (COSDictionary) kid);
    }
    e.setItem(COSName.K, k);
    return e;
  }

  /** Builds the tags of a page. */
  private interface Tags {
    COSDictionary of(COSDictionary page);
  }

  private Document read(String content, Tags tags) throws IOException {
    return taken(content, tags).document();
  }

  private TakenIn taken(String content, Tags tags) throws IOException {
    Path file = folder.resolve("tagged.pdf");
    try (PDDocument pdf = new PDDocument()) {
      var page = new PDPage();
      pdf.addPage(page);
      var resources = new PDResources();
      resources.put(COSName.getPDFName("F"), new PDType1Font(Standard14Fonts.FontName.HELVETICA));
      page.setResources(resources);
      var stream = new PDStream(pdf);
      try (var out = stream.createOutputStream()) {
        out.write(content.getBytes(StandardCharsets.US_ASCII));
      }
      page.setContents(stream);
      var root = new COSDictionary();
      root.setItem(COSName.TYPE, COSName.STRUCT_TREE_ROOT);
      root.setItem(COSName.K, tags.of(page.getCOSObject()));
      pdf.getDocumentCatalog().getCOSObject().setItem(COSName.STRUCT_TREE_ROOT, root);
      pdf.save(file.toFile());
    }
    return Samples.taken(file);
  }

  /** A clause that an editor put in later, and did not tag, is as binding as the others. */
  @Test
  void whatIsOutsideTheTagsIsKeptInItsPlaceAndTold() throws IOException {
    String prose = "The holder of a berth keeps to the rules of the harbour office at all times. ";
    String tagged = content(prose.repeat(3), prose.repeat(4), prose.repeat(3));
    String untagged = "BT /F 11 Tf 72 750 Td (The holder shall pay EUR 12000) Tj ET\n";
    TakenIn t =
        taken(
            tagged + untagged,
            page -> element("Document", page, element("P", page, 0), element("P", page, 1, 2)));
    List<String> texts =
        t.document().sections().getFirst().blocks().stream()
            .map(b -> ((Paragraph) b).text())
            .toList();
    assertThat(texts).hasSize(3);
    assertThat(texts.get(1)).isEqualTo("The holder shall pay EUR 12000");
    assertThat(t.findings())
        .filteredOn(f -> f.kind() == Finding.Kind.ORDER_DOUBTFUL)
        .singleElement()
        .satisfies(f -> {
          assertThat(f.severity()).isEqualTo(Finding.Severity.DOUBT);
          assertThat(f.message()).contains("page 1");
          assertThat(f.source().orElseThrow().box().width()).isGreaterThan(100);
        });
  }

  @Test
  void tagsDecideWhatTheLookDoesNotTell() throws IOException {
    Document d =
        read(
            content(
                "Rules",
                "First paragraph.",
                "1.",
                "An item",
                "1.",
                "A nested one",
                "Second heading"),
            p ->
                element(
                    "Document",
                    p,
                    element("H1", p, 0),
                    element("P", p, 1),
                    element(
                        "L",
                        p,
                        element(
                            "LI",
                            p,
                            element("Lbl", p, 2),
                            element(
                                "LBody",
                                p,
                                3,
                                element(
                                    "L",
                                    p,
                                    element(
                                        "LI", p, element("Lbl", p, 4), element("LBody", p, 5)))))),
                    element("H2", p, 6)));
    assertThat(Outline.headings(d))
        .extracting(h -> h.level() + " " + h.text())
        .containsExactly("1 Rules", "2 Second heading");
    List<Paragraph> items =
        d.paragraphs().stream().filter(p -> p.look().sets(ParagraphTraits.LIST)).toList();
    assertThat(items).extracting(Paragraph::text).containsExactly("An item", "A nested one");
    assertThat(items)
        .extracting(p -> p.look().value(ParagraphTraits.LIST).depth())
        .containsExactly(0, 1);
  }

  @Test
  void theOrderOfTheTagsIsTheReadingOrder() throws IOException {
    Document d =
        read(
            content("second", "first", "third"),
            p ->
                element("Document", p, element("P", p, 1), element("P", p, 0), element("P", p, 2)));
    assertThat(d.paragraphs())
        .extracting(Paragraph::text)
        .containsExactly("first", "second", "third");
  }

  @Test
  void tagsThatLeaveOutTextAreNotTrusted() throws IOException {
    Document d =
        read(
            content(
                "Only this is tagged",
                "This paragraph is in no tag at all",
                "and neither is this one here"),
            p -> element("Document", p, element("P", p, 0)));
    assertThat(String.join(" ", d.paragraphs().stream().map(Paragraph::text).toList()))
        .contains("in no tag", "neither is this");
  }

  @Test
  void artifactsAndCyclesDoNoHarm() throws IOException {
    Document d =
        read(
            "/Artifact BMC BT /F 9 Tf 72 780 Td (Harbour Office) Tj ET EMC\n"
                + content("Body of the page"),
            p -> {
              COSDictionary root = element("Document", p, element("P", p, 0));
              ((COSArray) root.getDictionaryObject(COSName.K)).add(root);
              return root;
            });
    assertThat(d.paragraphs()).extracting(Paragraph::text).containsExactly("Body of the page");
    assertThat(d.sections().getFirst().running()).isNotEmpty();
  }

  @Test
  void groupsThatSayNothingAreGoneDownThrough() throws IOException {
    Document d =
        read(
            content("Berth rules", "Keys are handed out here.", "Lights stay on."),
            page ->
                element(
                    "Document",
                    page,
                    element(
                        "NonStruct",
                        page,
                        element(
                            "NonStruct",
                            page,
                            element("H1", page, 0),
                            element("P", page, 1),
                            element("P", page, 2)))));
    assertThat(d.paragraphs().stream().map(Paragraph::text))
        .containsExactly("Berth rules", "Keys are handed out here.", "Lights stay on.");
    assertThat(Outline.headings(d)).hasSize(1);
  }

  /** The tags tell the cells; how wide the columns are and what is drawn, the page tells. */
  @Test
  void aTableKeepsItsColumnsAndItsLines() throws IOException {
    String[][] cells = {
      {"Berth", "Length", "Remarks"},
      {"A1", "6 m", "by the slip"},
      {"A2", "9 m", "on the long pontoon"}
    };
    int[] xs = {72, 132, 232};
    var content = new StringBuilder("0.75 w 68 736 m 400 736 l S\n");
    int id = 0;
    for (int r = 0; r < 3; r++) {
      for (int c = 0; c < 3; c++) {
        content.append(
            "/P <</MCID %d>> BDC BT /F 11 Tf %d %d Td (%s) Tj ET EMC\n"
                .formatted(id++, xs[c], 740 - 18 * r, cells[r][c]));
      }
    }
    Document d =
        read(
            content.toString(),
            page -> {
              var rows = new ArrayList<COSDictionary>();
              for (int r = 0; r < 3; r++) {
                rows.add(
                    element(
                        "TR",
                        page,
                        element(r == 0 ? "TH" : "TD", page, 3 * r),
                        element(r == 0 ? "TH" : "TD", page, 3 * r + 1),
                        element(r == 0 ? "TH" : "TD", page, 3 * r + 2)));
              }
              return element("Document", page, element("Table", page, rows.toArray()));
            });
    Table t = (Table) d.sections().getFirst().blocks().getFirst();
    double first = t.columns().get(0);
    double second = t.columns().get(1);
    assertThat(68 + first).as("between Berth and Length").isBetween(99.0, 132.0);
    assertThat(68 + first + second).as("between Length and Remarks").isBetween(165.0, 232.0);
    assertThat(t.look().value(TableTraits.RULES).isDrawn()).isFalse();
    Rules header = t.rows().getFirst().cells().getFirst().look().value(TableTraits.RULES);
    assertThat(header.bottom()).contains(Rule.single(0.75, Colour.BLACK));
  }

  /** Some programs leave out the tags of cells that nothing is in. */
  @Test
  void cellsThatTheTagsLeaveOutArePutBackByPlace() throws IOException {
    String[][] said = {
      {"Quay", "Berth", "Vessel", "Fee"},
      {"Inner", "104", "Curlew", "18"},
      {"", "105", "Dunlin", ""},
      {"", "", "Knot", "31"},
      {"Outer", "", "", "95"},
    };
    int[] at = {72, 150, 220, 330};
    var content = new StringBuilder();
    int id = 0;
    for (int r = 0; r < said.length; r++) {
      for (int c = 0; c < 4; c++) {
        if (!said[r][c].isEmpty()) {
          content.append(
              "/P <</MCID %d>> BDC BT /F 11 Tf %d %d Td (%s) Tj ET EMC\n"
                  .formatted(id++, at[c], 700 - 20 * r, said[r][c]));
        }
      }
    }
    Document d =
        read(
            content.toString(),
            page -> {
              int next = 0;
              var rows = new ArrayList<COSDictionary>();
              for (String[] row : said) {
                var cells = new ArrayList<COSDictionary>();
                for (String cell : row) {
                  if (!cell.isEmpty()) {
                    cells.add(element("TD", page, next++));
                  }
                }
                rows.add(element("TR", page, cells.toArray()));
              }
              return element("Document", page, element("Table", page, rows.toArray()));
            });
    Table t = (Table) d.sections().getFirst().blocks().getFirst();
    assertThat(t.rows())
        .extracting(r ->
            r.cells().stream()
                .map(c ->
                    c.blocks().stream()
                        .map(b -> ((Paragraph) b).text())
                        .collect(java.util.stream.Collectors.joining()))
                .toList())
        .isEqualTo(List.of(said).stream().map(List::of).toList());
  }

  /** A row with one cell and nothing in it, where others have several, tells no place. */
  @Test
  void aRowWithNothingInItsOneCellDoesNoHarm() throws IOException {
    Document d =
        read(
            "/P <</MCID 0>> BDC BT /F 11 Tf 72 700 Td (Berth) Tj ET EMC\n"
                + "/P <</MCID 1>> BDC BT /F 11 Tf 200 700 Td (Vessel) Tj ET EMC\n",
            page ->
                element(
                    "Document",
                    page,
                    element(
                        "Table",
                        page,
                        element("TR", page, element("TD", page, 0), element("TD", page, 1)),
                        element("TR", page, element("TD", page)))));
    Table t = (Table) d.sections().getFirst().blocks().getFirst();
    assertThat(cellTexts(t, 0, 0)).containsExactly("Berth");
    assertThat(t.rows().size()).isBetween(1, 2);
  }

  /** ISO 32000-2 §14.8.4.8.3: a cell holds blocks, and text between them where a maker left it. */
  @Test
  void theParagraphsOfACellStayApart() throws IOException {
    String text = content("Berth", "Charges", "A1", "For a night", "payable on the day", "and tax");
    Document d =
        read(
            text,
            page ->
                element(
                    "Table",
                    page,
                    element("TR", page, element("TH", page, 0), element("TH", page, 1)),
                    element(
                        "TR",
                        page,
                        element("TD", page, element("P", page, 2)),
                        element("TD", page, element("P", page, 3, 4), 5))));
    Table t = (Table) d.sections().getFirst().blocks().getFirst();
    assertThat(cellTexts(t, 1, 0)).containsExactly("A1");
    assertThat(cellTexts(t, 1, 1)).containsExactly("For a night payable on the day", "and tax");
    assertThat(cellTexts(t, 0, 1)).containsExactly("Charges");
  }

  private static List<String> cellTexts(Table t, int row, int cell) {
    return t.rows().get(row).cells().get(cell).blocks().stream()
        .map(b -> ((Paragraph) b).text())
        .toList();
  }
}
