package decant.pdf;

import static decant.pdf.DrawnPdf.BOLD;
import static decant.pdf.DrawnPdf.PLAIN;
import static decant.pdf.DrawnPdf.PROSE;
import static decant.pdf.FoundTables.rows;
import static decant.pdf.FoundTables.tables;
import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.Layout;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.TableTraits;
import decant.reading.ReadProblem;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Grounds of rows and cells are those of the cells of the table: they go where these go, and the
 * head that stands again on the next page has its own. Painted by PDFBox, both the source and what
 * is published of it.
 */
class CellGroundsTest {
  private static final Color HEAD = new Color(0x2b, 0x4b, 0x63);
  private static final Color SHADE = new Color(0xe4, 0xeb, 0xf0);
  private static final double[] EDGES = {72, 130, 230, 400, 460};
  private static final double HEIGHT = 20;

  @TempDir Path folder;

  /** A place in a row, between its words. */
  private record Spot(int page, double x, double y) {
    int in(List<BufferedImage> pages) {
      return pages.get(page).getRGB((int) Math.round(x), (int) Math.round(y)) & 0xFFFFFF;
    }
  }

  private static void row(DrawnPdf pdf, double y, Color ground, Color ink, String... cells) {
    if (ground != null) {
      pdf.filled(ground, EDGES[0], y, EDGES[4] - EDGES[0], HEIGHT);
    }
    pdf.ink(ink);
    for (int c = 0; c < cells.length; c++) {
      pdf.text(ground == HEAD ? BOLD : PLAIN, 10, EDGES[c] + 5, y + 13.5, cells[c]);
    }
    pdf.ink(Color.BLACK);
  }

  private static void head(DrawnPdf pdf, double y) {
    row(pdf, y, HEAD, Color.WHITE, "Berth", "Vessel", "Remarks", "Fee");
  }

  private List<BufferedImage> painted(byte[] pdf) throws IOException {
    var out = new ArrayList<BufferedImage>();
    try (PDDocument d = Loader.loadPDF(pdf)) {
      for (int p = 0; p < d.getNumberOfPages(); p++) {
        out.add(new PDFRenderer(d).renderImage(p, 1));
      }
    }
    return out;
  }

  private static byte[] published(Document d) {
    Layout l = Samples.layout(d);
    return Samples.pdf(l, Samples.choices(l));
  }

  private static List<Integer> of(List<Spot> spots, List<BufferedImage> pages) {
    return spots.stream().map(s -> s.in(pages)).toList();
  }

  @Test
  void barsAndTheHeadGoOnWithTheTable() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 388, PROSE) + 14;
    var spots = new ArrayList<Spot>();
    int n = 101;
    for (int page = 0; page < 2; page++) {
      if (page > 0) {
        pdf.page();
        y = 70;
      }
      head(pdf, y);
      spots.add(new Spot(page, EDGES[3] - 12, y + HEIGHT / 2));
      for (y += HEIGHT; y < 740; y += HEIGHT, n++) {
        boolean shaded = n % 2 == 0;
        row(pdf, y, shaded ? SHADE : null, Color.BLACK, "" + n, "Knot " + n, "None so far", "" + n);
        spots.add(new Spot(page, EDGES[3] - 12, y + 2));
        spots.add(new Spot(page, EDGES[0] + 2, y + HEIGHT - 2));
      }
    }
    Document d = pdf.takenIn(folder).document();
    assertThat(tables(d)).hasSize(1);
    Table t = tables(d).getFirst();
    assertThat(rows(t)).hasSize(n - 100);
    assertThat(t.rows().getFirst().cells())
        .allSatisfy(
            c -> assertThat(c.look().value(TableTraits.SHADING)).isEqualTo(new Colour(0x2B4B63)));
    for (int r = 1; r < t.rows().size(); r++) {
      Colour ground = new Colour(r % 2 == 0 ? 0xE4EBF0 : 0xFFFFFF);
      assertThat(t.rows().get(r).cells())
          .as("row " + r)
          .allSatisfy(c -> assertThat(c.look().value(TableTraits.SHADING)).isEqualTo(ground));
    }
    assertThat(d.paragraphs())
        .allSatisfy(p -> assertThat(p.inlines()).noneMatch(i -> i instanceof Inline.Shape));
    assertThat(of(spots, painted(published(d))))
        .isEqualTo(of(spots, painted(Files.readAllBytes(folder.resolve("drawn.pdf")))));
  }

  /** Some cells alone stand on a ground, one of them empty. */
  @Test
  void cellsHaveTheirOwnGrounds() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    for (int r = 0; r < 6; r++) {
      double y = 100 + HEIGHT * r;
      for (int c = 0; c < 4; c++) {
        if (r == c || r == 5) {
          pdf.filled(SHADE, EDGES[c], y, EDGES[c + 1] - EDGES[c], HEIGHT);
        }
        pdf.framed(EDGES[c], y, EDGES[c + 1] - EDGES[c], HEIGHT);
        if (r != 2 || c != 2) {
          pdf.text(EDGES[c] + 5, y + 13.5, "cell " + r + c);
        }
      }
    }
    Table t = tables(pdf.takenIn(folder).document()).getFirst();
    for (int r = 0; r < 6; r++) {
      for (int c = 0; c < 4; c++) {
        assertThat(t.rows().get(r).cells().get(c).look().value(TableTraits.SHADING))
            .as("cell " + r + c)
            .isEqualTo(new Colour(r == c || r == 5 ? 0xE4EBF0 : 0xFFFFFF));
      }
    }
  }

  /** A sheet of one colour below everything is no ground of cells. */
  @Test
  void whatReachesBeyondTheTableStaysBehindIt() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.filled(SHADE, 0, 0, 595, 842);
    for (int r = 0; r < 6; r++) {
      double y = 100 + HEIGHT * r;
      row(pdf, y, null, Color.BLACK, "" + r, "Knot " + r, "None so far", "" + r);
      pdf.line(EDGES[0], y + HEIGHT, EDGES[4], y + HEIGHT);
    }
    Table t = tables(pdf.takenIn(folder).document()).getFirst();
    assertThat(t.rows())
        .flatMap(r -> r.cells())
        .allSatisfy(c -> assertThat(c.look().value(TableTraits.SHADING)).isEqualTo(Colour.WHITE));
  }
}
