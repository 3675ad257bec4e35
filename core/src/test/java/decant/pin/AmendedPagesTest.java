package decant.pin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import decant.Samples;
import decant.Tool;
import decant.convert.Changes;
import decant.model.Document;
import decant.model.Metadata;
import decant.model.Outline;
import decant.model.Paragraph;
import decant.model.Pinned;
import decant.model.edit.Revision;
import decant.model.look.Media;
import decant.pdf.amend.Left;
import decant.pdf.amend.PageLine;
import decant.pdf.amend.PagePicture;
import decant.pdf.choices.PdfChoices;
import decant.pdf.kept.KeptPages;
import decant.pdf.write.PdfWriter;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import decant.verify.Check;
import decant.verify.pdf.PdfVerifier;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Lines of pages that stay as they were, changed where they stand; held against PDFBox. */
class AmendedPagesTest {
  private static final Path RULES = Samples.DEMO.resolve("Berth rules.pdf");

  @TempDir private Path folder;
  private Revision revision;

  @BeforeEach
  void pinTheFirstTwoPages() throws Exception {
    revision = PinnedSample.pages(RULES, 0, 1);
  }

  private static Pinned page(Document d, int page) {
    return Pinning.pages(d).get(page);
  }

  private static String text(byte[] pdf, int page) throws Exception {
    try (PDDocument d = Loader.loadPDF(pdf)) {
      var s = new PDFTextStripper();
      s.setStartPage(page);
      s.setEndPage(page);
      return s.getText(d);
    }
  }

  private static PageLine line(Pinned page, String word) throws Exception {
    return AmendedPages.parts(page).lines().stream()
        .filter(l -> l.text().contains(word))
        .findFirst()
        .orElseThrow();
  }

  private static String read(Document d) {
    return String.join("\n", d.paragraphs().stream().map(Paragraph::text).toList());
  }

  @Test
  void linesStandWhereThePageShowsThem() throws Exception {
    try (PDDocument pdf = Loader.loadPDF(RULES.toFile())) {
      List<PageLine> lines = AmendedPages.parts(page(revision.document(), 0)).lines();
      String whole = text(Files.readAllBytes(RULES), 1).replaceAll("\\s+", "");
      assertThat(lines).isNotEmpty();
      for (PageLine l : lines) {
        assertThat(whole).contains(l.text().replaceAll("\\s+", ""));
        // What stands in the line's box, by PDFBox, is the line.
        var area = new org.apache.pdfbox.text.PDFTextStripperByArea();
        area.addRegion(
            "line",
            new java.awt.geom.Rectangle2D.Double(
                l.box().x() - 1, l.box().y(), l.box().width() + 2, l.box().height()));
        area.extractRegions(pdf.getPage(0));
        assertThat(area.getTextForRegion("line").replaceAll("\\s+", " ").strip())
            .isEqualTo(l.text());
      }
    }
  }

  @Test
  void oneLineChangesOnThePageAndInWhatWasReadFromIt() throws Exception {
    Pinned before = page(revision.document(), 0);
    PageLine line = line(before, "berth");
    String now = line.text().replaceFirst("berth", "mooring");
    AmendedPages.Result r = AmendedPages.change(revision, before, line, now);
    assertThat(r.amended().changed()).isOne();
    assertThat(r.amended().told()).isEmpty();
    Pinned after = page(r.revision().document(), 0);
    assertThat(AmendedPages.parts(after).lines()).extracting(PageLine::text).contains(now);
    String was = text(before.file().bytes(), 1);
    assertThat(text(after.file().bytes(), 1).replaceAll("\\s+", ""))
        .isEqualTo(was.replaceAll("\\s+", "").replaceFirst("berth", "mooring"));
    // Links to other pages need their places, but nothing of what they show.
    try (PDDocument pdf = Loader.loadPDF(after.file().bytes());
        PDDocument whole = Loader.loadPDF(before.file().bytes())) {
      assertThat(pdf.getNumberOfPages()).isEqualTo(whole.getNumberOfPages());
      assertThat(text(after.file().bytes(), 3)).isBlank();
    }
    assertThat(after.file().bytes().length).isLessThan(before.file().bytes().length);
    Path file = Files.write(folder.resolve("page.pdf"), after.file().bytes());
    Tool.Answer qpdf = Tool.run("qpdf", "--check", file.toString());
    assertThat(qpdf.status()).as(qpdf.output()).isZero();
    assertThat(read(r.revision().document()))
        .isEqualTo(read(revision.document()).replaceFirst("berth", "mooring"));
    assertThat(page(r.revision().document(), 1)).isSameAs(page(revision.document(), 1));
    assertThat(r.revision().undo().document().sections()).isEqualTo(revision.document().sections());
  }

  /** Where a recipe keeps all pages, the changed one goes out changed, its links leading on. */
  @Test
  void allPagesKeptAreThosePinned() throws Exception {
    Pinned before = page(revision.document(), 0);
    PageLine line = line(before, "berth");
    AmendedPages.Result r =
        AmendedPages.change(revision, before, line, line.text().replaceFirst("berth", "mooring"));
    TakenIn taken = Samples.taken(RULES);
    KeptPages kept = KeptPages.of(RULES, "", r.revision().document(), taken.origin().places());
    var choices =
        PdfChoices.defaults(
            IntStream.range(0, kept.pages().size()).boxed().toList(), kept.metadata());
    Path out = folder.resolve("kept.pdf");
    try (var to = Files.newOutputStream(out)) {
      PdfWriter.write(kept, choices, Optional.empty(), to, n -> {}, () -> false);
    }
    assertThat(PdfVerifier.verify(out, kept, choices)).allMatch(Check::passed);
    String now = text(Files.readAllBytes(out), 1);
    assertThat(now).contains("mooring");
    assertThat(text(Files.readAllBytes(out), 3)).isEqualTo(text(Files.readAllBytes(RULES), 3));
  }

  @Test
  void aPictureIsTakenAwayOrAnotherPutInItsPlace() throws Exception {
    Pinned page = null;
    TakenIn taken = Samples.taken(RULES);
    Media whole = Media.of("application/pdf", Files.readAllBytes(RULES));
    Document d = taken.document();
    int at = 0;
    while (page == null || AmendedPages.parts(page).pictures().isEmpty()) {
      d =
          Pinning.pin(
              d, taken.origin(), whole, List.of(new Pinning.Sheet(at, 595.28, 841.89, "asked")));
      page = page(d, at++);
    }
    Revision r = Revision.of(d);
    PagePicture picture = AmendedPages.parts(page).pictures().getFirst();
    Pinned gone = page(PagePictures.change(r, page, picture, Optional.empty()).document(), at - 1);
    assertThat(AmendedPages.parts(gone).pictures())
        .hasSize(AmendedPages.parts(page).pictures().size() - 1);
    assertThat(text(gone.file().bytes(), at)).isEqualTo(text(page.file().bytes(), at));
    assertThat(images(gone)).hasSize(images(page).size() - 1);
    var png = new java.io.ByteArrayOutputStream();
    javax.imageio.ImageIO.write(
        new java.awt.image.BufferedImage(40, 20, java.awt.image.BufferedImage.TYPE_INT_RGB),
        "png",
        png);
    Pinned other =
        page(
            PagePictures.change(r, page, picture, Optional.of(png.toByteArray())).document(),
            at - 1);
    assertThat(images(other)).contains("40x20").hasSize(images(page).size());
    var now = AmendedPages.parts(other).pictures().getFirst().box();
    // As large as fits, in the middle of where the first one stood.
    assertThat(now.width() / now.height()).isCloseTo(2, within(0.01));
    assertThat(now.x() + now.width() / 2)
        .isCloseTo(picture.box().x() + picture.box().width() / 2, within(0.1));
    assertThat(Math.max(now.width() / picture.box().width(), now.height() / picture.box().height()))
        .isCloseTo(1, within(0.01));
    Pinned on = page;
    assertThatThrownBy(() ->
            PagePictures.change(
                r,
                on,
                picture,
                Optional.of("no picture".getBytes(java.nio.charset.StandardCharsets.US_ASCII))))
        .isInstanceOf(ReadProblem.class)
        .hasMessageContaining("no picture");
  }

  /** The sizes of all pictures that a file holds. */
  private static List<String> images(Pinned page) throws Exception {
    var out = new java.util.ArrayList<String>();
    try (PDDocument pdf = Loader.loadPDF(page.file().bytes())) {
      var resources = pdf.getPage(page.page()).getResources();
      for (var name : resources.getXObjectNames()) {
        if (resources.getXObject(name)
            instanceof org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject i) {
          out.add(i.getWidth() + "x" + i.getHeight());
        }
      }
    }
    return out;
  }

  @Test
  void aHeadingThatChangesHasAnotherBookmark() throws Exception {
    Outline.Heading h = Outline.headings(revision.document()).getFirst();
    String title = revision.document().requireParagraph(h.paragraph()).text().strip();
    String word = title.split(" ")[0];
    Pinned page = page(revision.document(), 0);
    PageLine line =
        AmendedPages.parts(page).lines().stream()
            .filter(l -> title.startsWith(l.text()) && l.text().length() > title.length() / 2)
            .findFirst()
            .orElseThrow();
    AmendedPages.Result r =
        AmendedPages.change(revision, page, line, line.text().replaceFirst(word, "Quay"));
    assertThat(r.revision().document().requireParagraph(h.paragraph()).text())
        .isEqualTo(title.replaceFirst(word, "Quay"));
  }

  @Test
  void aLineIsTakenAwayAndOneWithoutRoomIsLeft() throws Exception {
    Pinned page = page(revision.document(), 0);
    PageLine line = line(page, "berth");
    AmendedPages.Result gone = AmendedPages.change(revision, page, line, "");
    assertThat(AmendedPages.parts(page(gone.revision().document(), 0)).lines())
        .extracting(PageLine::text)
        .doesNotContain(line.text())
        .hasSize(AmendedPages.parts(page).lines().size() - 1);
    AmendedPages.Result left =
        AmendedPages.change(revision, page, line, (line.text() + " ").repeat(4));
    assertThat(left.revision()).isSameAs(revision);
    assertThat(left.amended().left()).extracting(Left::reason).containsExactly(Left.Reason.NO_ROOM);
  }

  @Test
  void replacingReachesPinnedPagesAndCountsWhatStays() throws Exception {
    Document d = revision.document();
    String was = read(d);
    long all = was.split("\\bberth\\b", -1).length - 1;
    long parts = was.split("berth", -1).length - 1;
    Changes changes = new Changes(List.of(new Changes.Replacement("berth", "slip")), Metadata.NONE);
    Changes.Changed c = changes.in(d);
    assertThat(c.replaced() + c.left()).isEqualTo((int) parts);
    assertThat(c.left()).isLessThanOrEqualTo((int) (parts - all));
    for (int p = 0; p < 2; p++) {
      Pinned page = page(c.document(), p);
      assertThat(text(page.file().bytes(), p + 1)).doesNotContainPattern("\\bberth\\b");
    }
    assertThat(read(c.document())).doesNotContainPattern("\\bberth\\b");
  }

  private PageLine withWord(Pinned page, String start) throws Exception {
    return AmendedPages.parts(page).lines().stream()
        .filter(l -> l.text().startsWith(start))
        .findFirst()
        .orElseThrow();
  }

  /** Words that have no room go on in the lines below; all else stays, to the pixel. */
  @Test
  void wordsWithoutRoomGoOnInTheLinesBelow() throws Exception {
    Pinned before = page(revision.document(), 1);
    PageLine line = withWord(before, "let for one season");
    String now = line.text().replace("the holder", "the holder of any berth of the north pontoon");
    AmendedPages.Result r = AmendedPages.change(revision, before, line, now);
    assertThat(r.amended().left()).isEmpty();
    assertThat(r.amended().changed()).isOne();
    assertThat(r.amended().told()).singleElement().asString().contains("went on into");
    Pinned after = page(r.revision().document(), 1);
    String was = text(before.file().bytes(), 2).replaceAll("\\s+", " ");
    assertThat(text(after.file().bytes(), 2).replaceAll("\\s+", " "))
        .isEqualTo(was.replace(line.text(), now));
    String read = read(r.revision().document());
    assertThat(read).contains("holder of any berth of the north pontoon keeps the right");
    assertThat(read.replaceFirst(" of any berth of the north pontoon", ""))
        .isEqualTo(read(revision.document()));
    double right = line.box().right();
    List<PageLine> lines = AmendedPages.parts(after).lines();
    assertThat(lines).hasSameSizeAs(AmendedPages.parts(before).lines());
    assertThat(lines).allSatisfy(l -> assertThat(l.box().right()).isLessThan(right + 1));
    java.awt.image.BufferedImage a = painted(before);
    java.awt.image.BufferedImage b = painted(after);
    double top = line.box().y() - 1;
    double bottom = line.box().bottom() + 2.6 * line.box().height();
    for (int y = 0; y < a.getHeight(); y++) {
      for (int x = 0; x < a.getWidth(); x++) {
        if (y < top - 1 || y > bottom) {
          assertThat(b.getRGB(x, y)).as(x + " " + y).isEqualTo(a.getRGB(x, y));
        }
      }
    }
    assertThat(r.revision().undo().document().sections()).isEqualTo(revision.document().sections());
  }

  private java.awt.image.BufferedImage painted(Pinned page) throws Exception {
    Path file = Files.write(folder.resolve("painted.pdf"), page.file().bytes());
    return Tool.painted(file, page.page() + 1);
  }

  /** The last line of a paragraph has no line below to go on in: it says so and stays. */
  @Test
  void aParagraphWithoutRoomStaysAsItIs() throws Exception {
    Pinned before = page(revision.document(), 1);
    PageLine line = withWord(before, "doubled when the tide gauge");
    String now =
        line.text()
            + " This holds for all of the berths of the east stairs, and for every"
            + " vessel that is longer than the berth it is let, whatever the season may be.";
    AmendedPages.Result r = AmendedPages.change(revision, before, line, now);
    assertThat(r.amended().changed()).isZero();
    assertThat(r.amended().left()).extracting(Left::reason).containsExactly(Left.Reason.NO_ROOM);
    assertThat(r.revision()).isSameAs(revision);
  }
}
