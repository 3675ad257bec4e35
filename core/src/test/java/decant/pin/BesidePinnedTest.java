package decant.pin;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.Layout;
import decant.layout.item.Item;
import decant.model.Box;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.edit.Revision;
import decant.model.finding.Finding;
import decant.model.look.Colour;
import decant.model.look.Media;
import decant.publication.KeptPage;
import decant.publication.PageSink;
import decant.publication.PublishedPage;
import decant.reading.TakenIn;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What flows beside pinned pages, and was cut from them. */
class BesidePinnedTest {
  @TempDir Path folder;

  private static final int LINES = 44;

  /** Pages of one paragraph that runs on over all of them, with a footer on each. */
  private Path pages(List<String> footers) throws IOException {
    Path file = folder.resolve("pages.pdf");
    var font = new PDType1Font(Standard14Fonts.FontName.HELVETICA);
    try (var pdf = new PDDocument()) {
      int word = 0;
      for (String footer : footers) {
        var page = new PDPage();
        pdf.addPage(page);
        try (var c = new PDPageContentStream(pdf, page)) {
          for (int k = 0; k < LINES; k++) {
            var line = new StringBuilder();
            for (int w = 0; w < 9; w++) {
              line.append("berth").append(word++).append(' ');
            }
            line(c, font, 72, 720 - 14 * k, line.toString().strip());
          }
          line(c, font, 72, 40, footer);
        }
      }
      pdf.save(file.toFile());
    }
    return file;
  }

  private static void line(PDPageContentStream c, PDType1Font font, double x, double y, String text)
      throws IOException {
    c.beginText();
    c.setFont(font, 10);
    c.newLineAtOffset((float) x, (float) y);
    c.showText(text);
    c.endText();
  }

  private static Document pinned(TakenIn t, Path file, int... pages) throws IOException {
    Media media = Media.of("application/pdf", Files.readAllBytes(file));
    List<Pinning.Sheet> sheets =
        IntStream.of(pages).mapToObj(k -> new Pinning.Sheet(k, 612, 792, "asked")).toList();
    return Pinning.pin(t.document(), t.origin(), media, sheets);
  }

  /** The text of a page, each run with its place. */
  private static List<String> shown(Layout l, PublishedPage page) {
    var out = new ArrayList<String>();
    l.walk(
        page,
        new PageSink() {
          @Override
          public void glyphs(Item.GlyphRun run, double x, double y) {
            String text = run.shown().text().strip();
            if (!text.isEmpty()) {
              out.add(text + " " + Math.round(x + run.x()) + " " + Math.round(y));
            }
          }

          @Override
          public void fill(Box box, Colour colour) {}

          @Override
          public void picture(Item.PictureBox picture, Box box) {}
        });
    return out;
  }

  private static List<List<String>> shown(Layout l) {
    return l.pages().stream().map(p -> shown(l, p)).toList();
  }

  @Test
  void aParagraphThatRunsIntoAPinnedPageStandsAsItStood() throws IOException {
    Path file =
        pages(List.of("Saltmarsh Quay", "Saltmarsh Quay", "Saltmarsh Quay", "Saltmarsh Quay"));
    TakenIn t = Samples.taken(file);
    assertThat(t.document().paragraphs()).as("one paragraph on four pages").hasSize(1);
    List<List<String>> was = shown(Samples.layout(t.document()));
    assertThat(was).hasSize(4);
    for (int k = 0; k < 4; k++) {
      Document d = pinned(t, file, k);
      Layout l = Samples.layout(d);
      List<List<String>> is = shown(l);
      assertThat(is).hasSize(4);
      for (int p = 0; p < 4; p++) {
        if (p != k) {
          assertThat(is.get(p)).as("page " + p + " beside " + k).isEqualTo(was.get(p));
        }
      }
      assertThat(shown(Samples.layout(Pinning.release(d, k)))).as("released").isEqualTo(was);
    }
  }

  /** What is known of how the pieces were set comes and goes with them. */
  @Test
  void pinningIsUndoneWhole() throws IOException {
    Path file = pages(List.of("Saltmarsh Quay", "Saltmarsh Quay", "Saltmarsh Quay"));
    TakenIn t = Samples.taken(file);
    List<List<String>> was = shown(Samples.layout(t.document()));
    Media media = Media.of("application/pdf", Files.readAllBytes(file));
    Revision r = Revision.of(t.document());
    Revision on =
        Pinning.pin(r, t.origin(), media, List.of(new Pinning.Sheet(1, 612, 792, "asked")));
    assertThat(on.document().hasPinned()).isTrue();
    assertThat(shown(Samples.layout(on.undo().document()))).isEqualTo(was);
    assertThat(shown(Samples.layout(on.undo().redo().document())).getFirst())
        .isEqualTo(was.getFirst());
    Paragraph first = (Paragraph) on.document().sections().getFirst().blocks().getFirst();
    assertThat(on.document().setting().block(first.id()).orElseThrow().lines()).hasSize(LINES);
  }

  /** One footer stands for all pages; a page that had another one is told of, or pinned. */
  @Test
  void aFooterThatSaysSomethingElseIsTold() throws IOException {
    String storage = "Winter storage";
    Path file = pages(List.of("Berth rules", "Berth rules", storage, storage, storage, storage));
    TakenIn t = Samples.taken(file);
    KeptPage.Source source = new KeptPage.InFile(file, "");
    Layout as = Samples.layout(t.document());
    assertThat(RunningWords.unsaid(as, 0, as.pages().getFirst())).isEmpty();
    assertThat(RunningWords.unsaid(as, 0, as.pages().get(2))).containsExactly("Berth rules");
    // A page more than the source had, and the footers are those of the document.
    Paragraph p = t.document().paragraphs().getFirst();
    Document longer = t.document().withParagraph(p.withInlines(twice(p)));
    TakenIn judged =
        PinnedPages.judged(
            source,
            new TakenIn(longer, List.of(), t.origin()),
            Samples.layout(longer),
            () -> false);
    assertThat(judged.findings())
        .filteredOn(f -> f.message().contains("“Berth rules”"))
        .hasSize(2)
        .allMatch(f -> f.severity() == Finding.Severity.LOSS);
  }

  /** Pages that were not come to again are as they were before. */
  @Test
  void whatWasJudgedBeforeCounts() {
    var first =
        new Judgement(List.of(verdict(0, 0.9), verdict(1, 0.2), verdict(2, 0.8)), true, List.of());
    var again = new Judgement(List.of(verdict(2, 0.7)), false, List.of());
    Judgement both = again.over(first, Set.of(0, 2));
    assertThat(both.complete()).isTrue();
    assertThat(both.pages()).extracting(Judgement.Verdict::alike).containsExactly(0.9, 0.7);
    assertThat(again.over(first, Set.of(0, 2, 3)).complete()).isFalse();
  }

  private static Judgement.Verdict verdict(int page, double alike) {
    var none = new Judgement.Differs(List.of(), List.of(), List.of());
    return new Judgement.Verdict(page, 612, 792, page, alike, 1, 1, none);
  }

  private static List<decant.model.Inline> twice(Paragraph p) {
    var out = new ArrayList<>(p.inlines());
    out.addAll(p.inlines());
    return out;
  }
}
