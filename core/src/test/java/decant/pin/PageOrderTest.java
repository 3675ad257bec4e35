package decant.pin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import decant.Samples;
import decant.Tool;
import decant.layout.Layout;
import decant.layout.Layouter;
import decant.model.Box;
import decant.model.Document;
import decant.model.Outline;
import decant.model.Pinned;
import decant.model.edit.Revision;
import decant.model.look.Media;
import decant.pdf.choices.PdfChoices;
import decant.pdf.kept.KeptPages;
import decant.pdf.write.PdfWriter;
import decant.publication.KeptPage;
import decant.publication.Publication;
import decant.reading.TakenIn;
import decant.text.FontBook;
import decant.verify.Check;
import decant.verify.pdf.PdfVerifier;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Pages turned, cropped and put in order; what is published is held against PDFBox and qpdf. */
class PageOrderTest {
  private static final Path RULES = Samples.DEMO.resolve("Berth rules.pdf");
  private static final Path FORM = Samples.DEMO.resolve("Berth application.pdf");

  @TempDir private Path folder;
  private TakenIn taken;
  private PageOrder.Book book;
  private Revision revision;

  @BeforeEach
  void pinAll() throws Exception {
    pinAll(RULES);
  }

  private void pinAll(Path file) throws Exception {
    taken = Samples.taken(file);
    var source = new KeptPage.InFile(file, "");
    book = new PageOrder.Book(taken.origin(), source);
    revision = PinnedSample.all(taken, file);
  }

  private static Pinned page(Revision r, int k) {
    return r.document().sections().get(k).pinned().orElseThrow();
  }

  private static List<String> texts(Path pdf) throws Exception {
    var out = new ArrayList<String>();
    try (PDDocument d = Loader.loadPDF(pdf.toFile())) {
      for (int k = 1; k <= d.getNumberOfPages(); k++) {
        var s = new PDFTextStripper();
        s.setStartPage(k);
        s.setEndPage(k);
        out.add(s.getText(d).strip());
      }
    }
    return out;
  }

  private Path published(Publication p) throws Exception {
    Path out = folder.resolve("out.pdf");
    var choices =
        PdfChoices.defaults(IntStream.range(0, p.pages().size()).boxed().toList(), p.metadata());
    try (var to = Files.newOutputStream(out)) {
      PdfWriter.write(p, choices, Optional.empty(), to, n -> {}, () -> false);
    }
    assertThat(PdfVerifier.verify(out, p, choices)).allMatch(Check::passed);
    Tool.Answer checked = Tool.run("qpdf", "--check", out.toString());
    assertThat(checked.status()).as(checked.output()).isZero();
    return out;
  }

  /** The same by both ways: laid out, and with all pages kept. */
  private List<List<String>> bothWays(Revision r) throws Exception {
    Document d = r.document();
    Layout l = new Layouter(FontBook.shipped()).layout(d);
    List<String> laidOut = texts(published(l));
    List<String> kept = texts(published(KeptPages.of(file(), "", d, taken.origin().places())));
    return List.of(laidOut, kept);
  }

  private Path file() {
    return ((KeptPage.InFile) book.source()).file();
  }

  private static <T> List<T> moved(List<T> all, int from, int to) {
    var out = new ArrayList<>(all);
    out.add(to, out.remove(from));
    return out;
  }

  @Test
  void aPageGoesElsewhereAndTheOthersCloseUp() throws Exception {
    List<String> before = texts(RULES);
    Revision r =
        PageOrder.placed(
            revision, book, List.of(page(revision, 5)), Optional.of(page(revision, 2)));
    for (List<String> now : bothWays(r)) {
      assertThat(now).isEqualTo(moved(before, 5, 2));
    }
    Revision end = PageOrder.placed(r, book, List.of(page(r, 0)), Optional.empty());
    assertThat(bothWays(end).getLast()).isEqualTo(moved(moved(before, 5, 2), 0, 14));
    assertThat(end.undo().undo().document().sections()).isEqualTo(revision.document().sections());
    assertThat(
            PageOrder.placed(
                revision, book, List.of(page(revision, 0)), Optional.of(page(revision, 0))))
        .isSameAs(revision);
  }

  @Test
  void bookmarksFollowTheirPages() throws Exception {
    Revision r =
        PageOrder.placed(
            revision, book, List.of(page(revision, 14)), Optional.of(page(revision, 0)));
    Document d = r.document();
    for (Publication p :
        List.of(
            new Layouter(FontBook.shipped()).layout(d),
            KeptPages.of(RULES, "", d, taken.origin().places()))) {
      Outline.Heading title = Outline.headings(revision.document()).getFirst();
      assertThat(p.place(title.paragraph()).orElseThrow().page().number()).isEqualTo(2);
    }
  }

  @Test
  void aPageIsTakenAwayAndStaysAway() throws Exception {
    List<String> before = texts(RULES);
    Revision r = PageOrder.without(revision, book, List.of(page(revision, 1))).orElseThrow();
    var expected = new ArrayList<>(before);
    expected.remove(1);
    for (List<String> now : bothWays(r)) {
      assertThat(now).isEqualTo(expected);
    }
    // It does not come back when the others are let flow and pinned again.
    Document flowing = Pinning.release(r.document(), page(r, 4).page());
    var source = new KeptPage.InFile(RULES, "");
    Document again =
        Pinning.pin(
            flowing, taken.origin(), PinnedPages.unlocked(source), PinnedPages.askedAll(source));
    assertThat(again.sections().stream().map(s -> s.pinned().orElseThrow().page()))
        .containsExactlyElementsOf(
            r.document().sections().stream().map(s -> s.pinned().orElseThrow().page()).toList());
  }

  @Test
  void theOnlyPageStays() throws Exception {
    pinAll(FORM);
    assertThat(PageOrder.without(revision, book, List.of(page(revision, 0)))).isEmpty();
  }

  /** A page without any text is no part of what was read, and is not lost for that. */
  @Test
  void anEmptyPageCountsToo() throws Exception {
    Path file = folder.resolve("with empty.pdf");
    try (PDDocument pdf = Loader.loadPDF(RULES.toFile())) {
      while (pdf.getNumberOfPages() > 2) {
        pdf.removePage(2);
      }
      pdf.getPages().insertAfter(new PDPage(), pdf.getPage(0));
      pdf.save(file.toFile());
    }
    pinAll(file);
    Document judged =
        Pinning.pin(
            taken.document(),
            taken.origin(),
            PinnedPages.unlocked(book.source()),
            List.of(PinnedPages.asked(book.source(), 0), PinnedPages.asked(book.source(), 2)));
    assertThat(judged.sections()).hasSize(2);
    assertThat(texts(published(KeptPages.of(file, "", judged, taken.origin().places()))))
        .hasSize(3);
    revision = Revision.of(judged);
    Revision r =
        PageOrder.placed(
            revision, book, List.of(page(revision, 1)), Optional.of(page(revision, 0)));
    assertThat(bothWays(r).getLast()).hasSize(3).element(2).isEqualTo("");
  }

  @Test
  void whereSomePagesFlowNoneIsMoved() {
    Document mixed = Pinning.release(revision.document(), 3);
    assertThat(PageOrder.isFree(mixed)).isFalse();
    Revision r = Revision.of(mixed);
    assertThatThrownBy(
            () -> PageOrder.placed(r, book, List.of(page(r, 0)), Optional.of(page(r, 2))))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void theOrderIsToldWhereItCannotBeKept() throws Exception {
    Revision r =
        PageOrder.placed(
            revision, book, List.of(page(revision, 5)), Optional.of(page(revision, 2)));
    Document mixed = Pinning.release(r.document(), 8);
    KeptPages kept = KeptPages.of(RULES, "", mixed, taken.origin().places());
    assertThat(kept.leftOut()).singleElement().asString().contains("order");
  }

  @Test
  void aPageIsTurnedWithWhatItShows() throws Exception {
    Revision r = PageOrder.turned(revision, List.of(page(revision, 0)), 1);
    var paper = r.document().sections().getFirst().page();
    assertThat(paper.width()).isCloseTo(841.89, within(0.1));
    assertThat(paper.height()).isCloseTo(595.28, within(0.1));
    Document d = r.document();
    for (Publication p :
        List.of(
            new Layouter(FontBook.shipped()).layout(d),
            KeptPages.of(RULES, "", d, taken.origin().places()))) {
      try (PDDocument pdf = Loader.loadPDF(published(p).toFile())) {
        assertThat(pdf.getPage(0).getRotation()).isEqualTo(90);
        assertThat(pdf.getPage(1).getRotation()).isZero();
      }
    }
    // Lines stand where they show now: the first of all runs down the right side.
    Box line = AmendedPages.parts(page(r, 0)).lines().getFirst().box();
    assertThat(line.height()).isGreaterThan(line.width());
    Pinned whole = page(r, 0);
    Revision back = PageOrder.turned(r, List.of(whole), 3);
    page(back, 0)
        .places()
        .forEach((id, b) ->
            assertThat(b.x()).isCloseTo(page(revision, 0).places().get(id).x(), within(0.01)));
  }

  @Test
  void aPageShowsAPartAloneAndTheRestStaysInTheFile() throws Exception {
    var part = new Box(60, 50, 400, 300);
    Revision r = PageOrder.cropped(revision, page(revision, 0), part).orElseThrow();
    Path out = published(new Layouter(FontBook.shipped()).layout(r.document()));
    try (PDDocument pdf = Loader.loadPDF(out.toFile())) {
      var crop = pdf.getPage(0).getCropBox();
      assertThat(crop.getWidth()).isCloseTo(400, within(0.1f));
      assertThat(crop.getHeight()).isCloseTo(300, within(0.1f));
      assertThat(crop.getLowerLeftX()).isCloseTo(60, within(0.1f));
      assertThat(crop.getUpperRightY()).isCloseTo(841.89f - 50, within(0.1f));
    }
    assertThat(texts(out).getFirst()).isEqualTo(texts(RULES).getFirst());
    assertThat(PageOrder.cropped(revision, page(revision, 0), new Box(700, 0, 50, 50))).isEmpty();
    // Of a part again, and of a page that is turned.
    Revision turned = PageOrder.turned(r, List.of(page(r, 0)), 1);
    Revision again =
        PageOrder.cropped(turned, page(turned, 0), new Box(0, 0, 150, 400)).orElseThrow();
    try (PDDocument pdf =
        Loader.loadPDF(
            published(new Layouter(FontBook.shipped()).layout(again.document())).toFile())) {
      var crop = pdf.getPage(0).getCropBox();
      // The left of the turned part is the lower half of it.
      assertThat(crop.getLowerLeftY()).isCloseTo(841.89f - 350, within(0.1f));
      assertThat(crop.getHeight()).isCloseTo(150, within(0.1f));
    }
  }

  @Test
  void severalPagesGoElsewhereTogether() throws Exception {
    List<String> source = texts(RULES);
    List<Pinned> two = List.of(page(revision, 1), page(revision, 3));
    Revision later = PageOrder.placed(revision, book, two, Optional.of(page(revision, 6)));
    for (List<String> now : bothWays(later)) {
      assertThat(now.subList(0, 7))
          .containsExactly(
              source.get(0),
              source.get(2),
              source.get(4),
              source.get(5),
              source.get(1),
              source.get(3),
              source.get(6));
    }
    assertThat(later.undo().document().sections()).isEqualTo(revision.document().sections());
    Revision first = PageOrder.placed(revision, book, two, Optional.of(page(revision, 0)));
    assertThat(texts(published(new Layouter(FontBook.shipped()).layout(first.document()))))
        .startsWith(source.get(1), source.get(3), source.get(0), source.get(2));
    assertThat(
            PageOrder.placed(
                revision, book, List.of(page(revision, 1)), Optional.of(page(revision, 2))))
        .isSameAs(revision);
    Revision end = PageOrder.placed(revision, book, two, Optional.empty());
    assertThat(page(end, source.size() - 1).page()).isEqualTo(3);
    Revision gone = PageOrder.without(revision, book, two).orElseThrow();
    assertThat(gone.document().sections()).hasSize(source.size() - 2);
    Revision turned = PageOrder.turned(revision, two, 1);
    assertThat(turned.undo().document().sections()).isEqualTo(revision.document().sections());
    for (int k = 0; k < 5; k++) {
      var was = revision.document().sections().get(k).page();
      var is = turned.document().sections().get(k).page();
      assertThat(is.width()).isEqualTo(k == 1 || k == 3 ? was.height() : was.width());
    }
  }

  @Test
  void pagesOfAnotherFileArePutIn() throws Exception {
    pinAll(FORM);
    TakenIn rules = Samples.taken(RULES);
    var other = new PageOrder.Other(rules, new KeptPage.InFile(RULES, ""), "Berth rules.pdf");
    Revision r =
        PageOrder.putIn(revision, book, Optional.of(page(revision, 0)), other, List.of(4, 2));
    List<String> of = texts(RULES);
    List<String> form = texts(FORM);
    for (List<String> now : bothWays(r)) {
      assertThat(now).containsExactly(form.getFirst(), of.get(4), of.get(2));
    }
    assertThat(page(r, 1).why()).contains("Berth rules.pdf");
    assertThat(page(r, 1).page()).isNotEqualTo(page(r, 0).page());
    // Their headings are in the outline.
    List<String> headings =
        Outline.headings(r.document()).stream().map(Outline.Heading::text).toList();
    assertThat(headings).anyMatch(h -> h.contains("Rafting"));
    // The other pages' text is not in the file that they bring.
    Media brought = page(r, 1).file();
    Path file = Files.write(folder.resolve("brought.pdf"), brought.bytes());
    assertThat(String.join("", texts(file))).doesNotContain(of.get(9).substring(0, 60));
    // A line of theirs is changed where it stands, and they go elsewhere like others.
    Revision first = PageOrder.placed(r, book, List.of(page(r, 2)), Optional.of(page(r, 0)));
    assertThat(bothWays(first).getFirst()).containsExactly(of.get(2), form.getFirst(), of.get(4));
    Document flows = Pinning.release(first.document(), page(first, 0).page());
    assertThat(flows.sections().getFirst().pinned()).isEmpty();
    assertThat(r.undo().document().sections()).isEqualTo(revision.document().sections());
  }
}
