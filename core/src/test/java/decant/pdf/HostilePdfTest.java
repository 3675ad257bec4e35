package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.finding.Finding;
import decant.reading.TakenIn;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Small files made to ask for endless work, built object by object. Each must be read, with what is
 * good in it; the limit of time only ends a test that would hang.
 */
class HostilePdfTest {
  private static final Duration ENDLESS = Duration.ofMinutes(2);
  private static final String GOOD = "BT /F 11 Tf 72 700 Td (Keep the quay clear.) Tj ET\n";

  @TempDir Path folder;

  private interface Harm {
    void to(PDDocument pdf, PDPage page) throws IOException;
  }

  private TakenIn read(Harm harm) throws IOException {
    Path file = folder.resolve("hostile.pdf");
    try (var pdf = new PDDocument()) {
      var page = new PDPage();
      pdf.addPage(page);
      var resources = new PDResources();
      resources.put(name("F"), new PDType1Font(Standard14Fonts.FontName.HELVETICA));
      page.setResources(resources);
      page.getCOSObject().setItem(COSName.CONTENTS, stream(pdf, GOOD));
      harm.to(pdf, page);
      pdf.save(file.toFile());
    }
    assertThat(file).satisfies(f -> assertThat(f.toFile().length()).isLessThan(1_000_000));
    return Assertions.assertTimeoutPreemptively(ENDLESS, () -> Samples.taken(file));
  }

  private static COSName name(String n) {
    return COSName.getPDFName(n);
  }

  private static COSStream stream(PDDocument pdf, String content) throws IOException {
    COSStream s = pdf.getDocument().createCOSStream();
    try (var out = s.createOutputStream(COSName.FLATE_DECODE)) {
      out.write(content.getBytes(StandardCharsets.ISO_8859_1));
    }
    return s;
  }

  @Test
  void anOutlineThatGoesInCircles() throws IOException {
    TakenIn t =
        read((pdf, page) -> {
          var root = new COSDictionary();
          var a = new COSDictionary();
          var b = new COSDictionary();
          for (COSDictionary d : new COSDictionary[] {a, b}) {
            d.setString(COSName.TITLE, "Round and round");
            d.setItem(COSName.PARENT, root);
          }
          a.setItem(COSName.NEXT, b);
          b.setItem(COSName.NEXT, a);
          a.setItem(COSName.FIRST, a);
          b.setItem(COSName.FIRST, root);
          root.setItem(COSName.FIRST, a);
          root.setItem(COSName.LAST, b);
          pdf.getDocumentCatalog().getCOSObject().setItem(COSName.OUTLINES, root);
        });
    assertThat(Samples.text(t)).contains("Keep the quay clear.");
  }

  @Test
  void aTreeOfAttachedFilesThatHoldsItself() throws IOException {
    TakenIn t =
        read((pdf, page) -> {
          var tree = new COSDictionary();
          var kids = new COSArray();
          kids.add(tree);
          kids.add(tree);
          tree.setItem(COSName.KIDS, kids);
          var names = new COSDictionary();
          names.setItem(name("EmbeddedFiles"), tree);
          pdf.getDocumentCatalog().getCOSObject().setItem(COSName.NAMES, names);
        });
    assertThat(Samples.text(t)).contains("Keep the quay clear.");
  }

  /** Forty levels, each of which holds the next one twice: 2⁴⁰ elements to whoever walks them. */
  @Test
  void structureTagsThatDoubleAtEachLevel() throws IOException {
    TakenIn t =
        read((pdf, page) -> {
          COSDictionary below = new COSDictionary();
          below.setName(COSName.S, "P");
          for (int k = 0; k < 40; k++) {
            var e = new COSDictionary();
            e.setName(COSName.S, "Div");
            var kids = new COSArray();
            kids.add(below);
            kids.add(below);
            e.setItem(COSName.K, kids);
            below = e;
          }
          var root = new COSDictionary();
          root.setItem(COSName.TYPE, COSName.STRUCT_TREE_ROOT);
          root.setItem(COSName.K, below);
          pdf.getDocumentCatalog().getCOSObject().setItem(COSName.STRUCT_TREE_ROOT, root);
        });
    assertThat(Samples.text(t)).contains("Keep the quay clear.");
  }

  /** Each form shows the next ten times: 10⁹ texts on one page. The rest is told, not dropped. */
  @Test
  void formsThatMultiply() throws IOException {
    TakenIn t =
        read((pdf, page) -> {
          COSStream below = stream(pdf, "0 0 1 1 re f\n");
          form(below, null);
          for (int k = 0; k < 9; k++) {
            COSStream s = stream(pdf, "/X Do\n".repeat(10));
            form(s, below);
            below = s;
          }
          COSDictionary xs = new COSDictionary();
          xs.setItem(name("X"), below);
          page.getResources().getCOSObject().setItem(COSName.XOBJECT, xs);
          page.getCOSObject().setItem(COSName.CONTENTS, stream(pdf, GOOD + "/X Do\n"));
        });
    assertThat(Samples.text(t)).contains("Keep the quay clear.");
    assertThat(t.findings())
        .filteredOn(f -> f.severity() == Finding.Severity.LOSS)
        .as("what was left out is told")
        .isNotEmpty();
  }

  private static void form(COSStream s, COSStream shows) {
    s.setItem(COSName.TYPE, COSName.XOBJECT);
    s.setItem(COSName.SUBTYPE, COSName.FORM);
    var box = new COSArray();
    box.growToSize(0);
    for (int v : new int[] {0, 0, 600, 800}) {
      box.add(org.apache.pdfbox.cos.COSInteger.get(v));
    }
    s.setItem(COSName.BBOX, box);
    if (shows != null) {
      var xs = new COSDictionary();
      xs.setItem(name("X"), shows);
      var resources = new COSDictionary();
      resources.setItem(COSName.XOBJECT, xs);
      s.setItem(COSName.RESOURCES, resources);
    }
  }

  /** One line that asks for a table of four thousand million characters. */
  @Test
  void aFontThatListsMoreCharactersThanThereAre() throws IOException {
    TakenIn t =
        read((pdf, page) ->
            font(page)
                .setItem(
                    COSName.TO_UNICODE,
                    stream(
                        pdf,
                        "1 begincodespacerange <00> <FF> endcodespacerange\n"
                            + "1 beginbfrange\n<00000000> <FFFFFFFF> <0041>\nendbfrange\n")));
    assertThat(Samples.text(t)).contains("Keep the quay clear.");
  }

  /** A good table whose places, read as codes, would be a table without end. */
  @Test
  void aFontWithManyFarCharactersKeepsThem() throws IOException {
    TakenIn t =
        read((pdf, page) -> {
          var table = new StringBuilder("1 begincodespacerange <00> <FF> endcodespacerange\n");
          table.append("94 beginbfrange\n");
          for (int c = 0x21; c < 0x7F; c++) {
            table.append("<%02X> <%02X> <%04X>\n".formatted(c, c, c == 'K' ? 0x6E2F : c));
          }
          table.append("endbfrange\n100 beginbfrange\n");
          for (int c = 0x8000; c < 0x8064; c++) {
            table.append("<%04X> <%04X> <0041>\n".formatted(c, c));
          }
          table.append("endbfrange\n1 beginbfchar\n<20> <0020>\nendbfchar\n");
          table.append("1 beginbfrange\n<FE> <FE> [<0041>]\nendbfrange\n");
          font(page).setItem(COSName.TO_UNICODE, stream(pdf, table.toString()));
        });
    assertThat(Samples.text(t)).contains("\u6E2Feep the quay clear.");
  }

  private static COSDictionary font(PDPage page) {
    return page.getResources()
        .getCOSObject()
        .getCOSDictionary(COSName.FONT)
        .getCOSDictionary(name("F"));
  }

  /** A few kilobytes that unpack to half a gigabyte of nothing. */
  @Test
  void contentThatUnpacksToFarMoreThanAPageCanNeed() throws IOException {
    TakenIn t =
        read((pdf, page) -> {
          COSStream s = pdf.getDocument().createCOSStream();
          try (var out = s.createOutputStream(COSName.FLATE_DECODE)) {
            out.write(GOOD.getBytes(StandardCharsets.ISO_8859_1));
            var blank = " ".repeat(1_000_000).getBytes(StandardCharsets.ISO_8859_1);
            for (int k = 0; k < 500; k++) {
              out.write(blank);
            }
          }
          page.getCOSObject().setItem(COSName.CONTENTS, s);
        });
    assertThat(t.findings())
        .filteredOn(f -> f.severity() == Finding.Severity.LOSS)
        .as("the page is told as not read")
        .isNotEmpty();
  }

  /** A flood of single letters, as a plan has them, is no text: the page is kept as it is. */
  @Test
  void aPageWhoseTextLiesInThousandsOfPiecesIsKeptAsAPicture() throws IOException {
    var page = new DrawnPdf();
    var random = new java.util.Random(3);
    for (int k = 0; k < 14_000; k++) {
      page.text(
          20 + random.nextInt(550),
          20 + random.nextInt(800),
          "abcdefgh".substring(k % 8, k % 8 + 1));
    }
    TakenIn t;
    try {
      t = page.takenIn(folder);
    } catch (decant.reading.ReadProblem e) {
      throw new AssertionError(e);
    }
    assertThat(t.document().paragraphs().stream().flatMap(p -> p.inlines().stream()))
        .filteredOn(i -> i instanceof decant.model.Inline.Picture)
        .hasSize(1);
    assertThat(t.findings())
        .filteredOn(f -> f.kind() == decant.model.finding.Finding.Kind.SCANNED_PAGE)
        .singleElement()
        .satisfies(f -> assertThat(f.message()).contains("thousands of pieces"));
  }
}
