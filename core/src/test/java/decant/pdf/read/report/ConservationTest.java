package decant.pdf.read.report;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Block;
import decant.model.Box;
import decant.model.Cell;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.TableTraits;
import decant.pdf.read.beside.RunningTexts;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.Placed;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.SourceFace;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What stood on a page is in the document, is left out by a rule, or is told. */
class ConservationTest {
  private static final SourceFace PLAIN = new SourceFace("Serif", "Serif", false, false, true);

  private static final String[] WORDS =
      ("the harbour office berth quay tide gauge east stairs lines doubled metre four above when"
              + " stands fenders both sides vessel charge season paid first march holder pontoon"
              + " crane slipway winter storage notice before after without leave moored shall may")
          .split(" ");

  private static TextLine line(int page, double baseline, String text) {
    var glyphs = new ArrayList<Glyph>();
    double x = 72;
    for (int k = 0; k < text.length(); k++, x += 5) {
      glyphs.add(Glyph.made(text.substring(k, k + 1), x, baseline, 5, 10, PLAIN, -1));
    }
    return new TextLine(page, glyphs, new Box(72, baseline - 8, x - 72, 10), baseline, 10);
  }

  private static ScannedPage page(int number, List<TextLine> lines, Placed... pictures) {
    var glyphs = new ArrayList<Glyph>();
    lines.forEach(l -> glyphs.addAll(l.glyphs()));
    return new ScannedPage(number, 595, 842, glyphs, List.of(), List.of(pictures), List.of());
  }

  private static final RunningTexts.Result NONE = new RunningTexts.Result(List.of(), Set.of());

  private static List<String> told(List<List<TextLine>> lines, Document d) {
    return told(lines, NONE, d);
  }

  private static List<String> told(
      List<List<TextLine>> lines, RunningTexts.Result running, Document d) {
    var pages = new ArrayList<ScannedPage>();
    for (int p = 0; p < lines.size(); p++) {
      pages.add(page(p, lines.get(p)));
    }
    return Conservation.of(pages, lines, running, d).stream().map(Finding::message).toList();
  }

  /** A word that a grid parts among its cells is there; a part of it that is gone is told. */
  @Test
  void wordsThatCellsPartAreThere() {
    List<List<TextLine>> lines =
        List.of(
            List.of(line(0, 100, "Winterstorage pontoon")), List.of(line(1, 100, "Winterstorage")));
    Document parted =
        Samples.document(
            Samples.paragraph("Winterstorage"),
            row("Winterst", "orage"),
            Samples.paragraph("pontoon"));
    assertThat(told(lines, parted)).isEmpty();
    Document less =
        Samples.document(
            Samples.paragraph("Winterstorage"),
            row("Winterst", "or"),
            Samples.paragraph("pontoon"));
    assertThat(told(lines, less)).singleElement().asString().contains("Winterstorage");
  }

  private static Table row(String... cells) {
    List<Cell> all =
        java.util.Arrays.stream(cells)
            .map(c -> new Cell(NodeId.fresh(), 1, 1, Look.PLAIN, List.of(Samples.paragraph(c))))
            .toList();
    return new Table(
        NodeId.fresh(),
        Look.PLAIN,
        java.util.Collections.nCopies(cells.length, 100.0),
        List.of(new Table.Row(Look.PLAIN, all)));
  }

  /**
   * Pages of sentences that say the same again and again, broken anywhere, of which some words
   * nobody else says are left out of the document: those are told, all of them, and nothing else.
   */
  @ParameterizedTest
  @ValueSource(ints = {0, 1, 2, 7})
  void whatIsMissingIsToldAndNothingElse(int missing) {
    for (long seed = 1; seed <= 25; seed++) {
      var random = new Random(seed * 100 + missing);
      var blocks = new ArrayList<Block>();
      var pages = new ArrayList<List<TextLine>>();
      var lost = new HashSet<String>();
      int left = missing;
      for (int p = 0; p < 4; p++) {
        var lines = new ArrayList<TextLine>();
        double y = 80;
        for (int para = 0; para < 6; para++) {
          var source = new StringBuilder();
          var document = new StringBuilder();
          String label = random.nextInt(4) == 0 ? (para + 1) + ". " : "";
          source.append(label);
          int n = 5 + random.nextInt(40);
          for (int k = 0; k < n; k++) {
            String word = WORDS[random.nextInt(WORDS.length)];
            boolean out = left > 0 && random.nextInt(100) == 0;
            if (out) {
              word = "EUR" + (10_000 + random.nextInt(80_000));
              lost.add(word);
              left--;
            } else {
              document.append(word).append(' ');
            }
            source
                .append(word)
                .append(random.nextInt(60) == 0 && !out ? "1 " : " "); // a note's mark
          }
          blocks.add(Samples.paragraph(document.toString()));
          for (String l : broken(source.toString(), 30 + random.nextInt(50))) {
            lines.add(line(p, y, l));
            y += 12;
          }
        }
        pages.add(lines);
      }
      List<String> told = told(pages, Samples.document(blocks.toArray(Block[]::new)));
      for (String word : lost) {
        assertThat(told).as("seed " + seed).anyMatch(m -> m.contains(word));
      }
      if (lost.isEmpty()) {
        assertThat(told).as("seed " + seed).isEmpty();
      }
      assertThat(told).as("seed " + seed).allMatch(m -> lost.stream().anyMatch(m::contains));
    }
  }

  /** Broken into lines, now and then within a word. */
  private static List<String> broken(String text, int width) {
    var out = new ArrayList<String>();
    int from = 0;
    while (from < text.length()) {
      int to = Math.min(text.length(), from + width);
      int word = text.lastIndexOf(' ', to - 1) + 1;
      while (text.startsWith("EUR", word) && to < text.length() && text.charAt(to) != ' ') {
        to++; // what is looked for stays whole
      }
      boolean within =
          to < text.length()
              && Character.isLetter(text.charAt(to - 1))
              && Character.isLetter(text.charAt(to));
      out.add(text.substring(from, to) + (within ? "-" : ""));
      from = to;
    }
    return out;
  }

  @Test
  void aRunningTextStandsOnceForAllItsPages() {
    var pages = new ArrayList<List<TextLine>>();
    var running = new ArrayList<TextLine>();
    for (int p = 0; p < 3; p++) {
      TextLine head = line(p, 40, "Harbour office 2026, sheet " + (p + 1));
      running.add(head);
      pages.add(List.of(head, line(p, 100, "Page of " + WORDS[p])));
    }
    var known = new RunningTexts.Result(List.of(), Set.copyOf(running));
    Block[] body = {
      Samples.paragraph("Page of the"),
      Samples.paragraph("Page of harbour"),
      Samples.paragraph("Page of office")
    };
    Story story =
        new Story(
            NodeId.fresh(),
            Story.Kind.RUNNING,
            List.of(Samples.paragraph("Harbour office 2026, sheet 1")));
    var with = Samples.document(body).sections().getFirst();
    Document has =
        Document.of(
            decant.model.Metadata.NONE,
            Samples.styles(),
            Map.of(),
            List.of(
                new Section(
                    with.id(),
                    PageSetup.A4,
                    with.start(),
                    Map.of(Section.Running.HEADER, story),
                    with.blocks())),
            Map.of(),
            Map.of(),
            List.of());
    assertThat(told(pages, known, has)).isEmpty();
    assertThat(told(pages, known, Samples.document(body)))
        .as("dropped with nothing in its place")
        .singleElement()
        .satisfies(m -> assertThat(m).contains("Harbour", "3 pages"));
  }

  @Test
  void theHeadsOfATableThatGoesOnStandOnce() {
    var pages = new ArrayList<List<TextLine>>();
    for (int p = 0; p < 3; p++) {
      pages.add(
          List.of(
              line(p, 60, "Berth Length"),
              line(p, 80, "Pontoon " + WORDS[p] + " 12"),
              line(p, 92, "Crane " + WORDS[p + 4] + " 30")));
    }
    var rows = new ArrayList<Table.Row>();
    rows.add(row(true, "Berth", "Length"));
    for (int p = 0; p < 3; p++) {
      rows.add(row(false, "Pontoon " + WORDS[p], "12"));
      rows.add(row(false, "Crane " + WORDS[p + 4], "30"));
    }
    assertThat(told(pages, Samples.document(table(rows)))).isEmpty();
    rows.remove(4);
    assertThat(told(pages, Samples.document(table(rows)))).isNotEmpty();
  }

  private static Table table(List<Table.Row> rows) {
    return new Table(NodeId.fresh(), Look.PLAIN, List.of(100.0, 100.0), rows);
  }

  private static Table.Row row(boolean head, String... cells) {
    var out = new ArrayList<Cell>();
    for (String c : cells) {
      out.add(new Cell(NodeId.fresh(), 1, 1, Look.PLAIN, List.of(Samples.paragraph(c))));
    }
    return new Table.Row(head ? Look.of(TableTraits.HEADER_ROW, true) : Look.PLAIN, out);
  }

  /** Glyphs that no line of the page holds are looked for too. */
  @Test
  void glyphsOutsideAllLinesAreNotForgotten() {
    TextLine kept = line(0, 100, "Keep the quay clear.");
    TextLine fell = line(0, 300, "Fenders hang on both sides.");
    ScannedPage whole = page(0, List.of(kept, fell));
    Document d = Samples.document(Samples.paragraph("Keep the quay clear."));
    List<Finding> told = Conservation.of(List.of(whole), List.of(List.of(kept)), NONE, d);
    assertThat(told)
        .singleElement()
        .satisfies(f -> {
          assertThat(f.message()).contains("Fenders hang on both sides");
          assertThat(f.severity()).isEqualTo(Finding.Severity.LOSS);
          assertThat(f.source().orElseThrow().box().y()).isBetween(280.0, 310.0);
        });
  }

  @Test
  void aPictureThatIsNotShownIsTold() {
    Media buoy = Media.of("image/png", new byte[] {1});
    Media crane = Media.of("image/png", new byte[] {2});
    ScannedPage page =
        page(
            0,
            List.of(),
            new Placed(buoy, new Box(10, 10, 50, 50), -1, ""),
            new Placed(crane, new Box(10, 90, 50, 50), -1, ""));
    Document d = Samples.document(buoy, decant.pdf.Published.picture(buoy, 50, 50, ""));
    List<Finding> told = Conservation.of(List.of(page), List.of(List.of()), NONE, d);
    assertThat(told)
        .singleElement()
        .satisfies(f -> {
          assertThat(f.kind()).isEqualTo(Finding.Kind.PICTURE_MISSING);
          assertThat(f.source().orElseThrow().box().y()).isEqualTo(90);
        });
  }

  /** A page that lost everything does not fill the list of findings. */
  @Test
  void manyLossesOfAPageAreToldAsOne() {
    var lines = new ArrayList<TextLine>();
    for (int k = 0; k < 60; k++) {
      lines.add(line(0, 60 + 12 * k, WORDS[k % WORDS.length] + " number" + k));
    }
    assertThat(told(List.of(lines), Samples.document(Samples.paragraph("x"))))
        .hasSize(6)
        .last()
        .satisfies(m -> assertThat(m).startsWith("55 more lines"));
  }
}
