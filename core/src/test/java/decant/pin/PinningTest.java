package decant.pin;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.Layout;
import decant.model.Block;
import decant.model.Document;
import decant.model.Outline;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.model.look.Media;
import decant.pdf.choices.PdfChoices;
import decant.publication.KeptPage;
import decant.publication.Publication;
import decant.reading.TakenIn;
import decant.verify.Check;
import decant.verify.pdf.PdfVerifier;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationRubberStamp;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationText;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceDictionary;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceStream;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Pages that stay as they were, in a document whose other pages flow. */
class PinningTest {
  private static final Path RULES = Samples.DEMO.resolve("Berth rules.pdf");

  @TempDir Path folder;
  private TakenIn taken;
  private Media file;

  @BeforeEach
  void takeIn() throws IOException {
    taken = Samples.taken(RULES);
    file = Media.of("application/pdf", Files.readAllBytes(RULES));
  }

  private Document pinned(int... pages) {
    List<Pinning.Sheet> sheets =
        java.util.Arrays.stream(pages)
            .mapToObj(k -> new Pinning.Sheet(k, 595.28, 841.89, "it was asked for"))
            .toList();
    return Pinning.pin(taken.document(), taken.origin(), file, sheets);
  }

  private static String words(Document d) {
    return d.paragraphs().stream()
        .map(p -> p.text().replaceAll("\\s+", " ").strip())
        .collect(Collectors.joining(" "));
  }

  private static String bare(String s) {
    return s.replaceAll("\\s+", "");
  }

  @Test
  void nothingIsLostWhereverPagesAreCut() {
    String whole = bare(words(taken.document()));
    for (int k = 0; k < taken.origin().pages(); k++) {
      Document d = pinned(k);
      assertThat(bare(words(d))).as("page " + k).isEqualTo(whole);
      assertThat(d.sections()).filteredOn(s -> s.pinned().isPresent()).hasSize(1);
      assertThat(Outline.headings(d))
          .extracting(Outline.Heading::text)
          .isEqualTo(
              Outline.headings(taken.document()).stream().map(Outline.Heading::text).toList());
    }
  }

  @Test
  void releasedPagesAreJoinedAgain() {
    for (int k = 0; k < taken.origin().pages(); k++) {
      Document back = Pinning.release(pinned(k), k);
      assertThat(back.hasPinned()).isFalse();
      assertThat(back.paragraphs())
          .as("page " + k)
          .extracting(Paragraph::text)
          .isEqualTo(taken.document().paragraphs().stream().map(Paragraph::text).toList());
      assertThat(tables(back)).isEqualTo(tables(taken.document()));
    }
  }

  private static List<Integer> tables(Document d) {
    return d.sections().stream()
        .flatMap(s -> s.blocks().stream())
        .filter(b -> b instanceof Table)
        .map(b -> ((Table) b).rows().size())
        .toList();
  }

  @Test
  void aPinnedPageIsAPageOfItsOwnInItsPlace() {
    Layout l = Samples.layout(pinned(2));
    List<Integer> kept =
        l.pages().stream().filter(p -> l.kept(p).isPresent()).map(p -> p.number()).toList();
    assertThat(kept).containsExactly(3);
    assertThat(l.pages()).hasSize(taken.origin().pages());
    Section pinned =
        l.document().sections().stream()
            .filter(s -> s.pinned().isPresent())
            .findFirst()
            .orElseThrow();
    for (Block b : pinned.blocks()) {
      assertThat(l.place(b.id()).orElseThrow().page().number()).isEqualTo(3);
    }
    assertThat(l.running(l.pages().get(2))).isEmpty();
  }

  private Path publish(Layout l, PdfChoices c) throws IOException {
    return Files.write(folder.resolve("published.pdf"), Samples.pdf(l, c));
  }

  @Test
  void flowingAndPinnedPagesArePublishedAndVerifiedTogether() throws IOException {
    Layout l = Samples.layout(pinned(0, 4));
    PdfChoices c = Samples.choices(l);
    Path out = publish(l, c);
    List<Check> checks = PdfVerifier.verify(out, l, c);
    assertThat(checks).allMatch(Check::passed);
    assertThat(checks).extracting(Check::name).contains("Pages kept", "Text", "Bookmarks");
    try (PDDocument got = Loader.loadPDF(out.toFile());
        PDDocument was = Loader.loadPDF(RULES.toFile())) {
      assertThat(got.getNumberOfPages()).isEqualTo(was.getNumberOfPages());
      for (int k : new int[] {0, 4}) {
        assertThat(painting(got.getPage(k))).isEqualTo(painting(was.getPage(k)));
        assertThat(text(got, k)).isEqualTo(text(was, k));
        var a = new PDFRenderer(got).renderImageWithDPI(k, 36);
        var b = new PDFRenderer(was).renderImageWithDPI(k, 36);
        assertThat(InkGrid.of(a).alike(InkGrid.of(b))).isEqualTo(1);
      }
      int headings = Outline.headings(l.document()).size();
      assertThat(count(got.getDocumentCatalog().getDocumentOutline())).isEqualTo(headings);
    }
  }

  /** What paints a page, without marks, as PDFBox's own parser reads it. */
  private static List<String> painting(org.apache.pdfbox.pdmodel.PDPage page) throws IOException {
    return new org.apache.pdfbox.pdfparser.PDFStreamParser(page)
        .parse().stream()
            .map(String::valueOf)
            .collect(
                java.util.ArrayList::new, PinningTest::withoutMarks, java.util.ArrayList::addAll);
  }

  private static void withoutMarks(java.util.ArrayList<String> out, String token) {
    if (token.equals("PDFOperator{BDC}") || token.equals("PDFOperator{BMC}")) {
      out.removeLast();
      if (token.contains("BDC")) {
        out.removeLast();
      }
    } else if (!token.equals("PDFOperator{EMC}")) {
      out.add(token);
    }
  }

  private static int count(
      org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode n) {
    int all = 0;
    for (var i : n.children()) {
      all += 1 + count(i);
    }
    return all;
  }

  private static String text(PDDocument d, int page) throws IOException {
    var s = new PDFTextStripper();
    s.setStartPage(page + 1);
    s.setEndPage(page + 1);
    return s.getText(d);
  }

  /** The text of each structure element that has content on a page, by its type. */
  private static List<String> elements(PDDocument pdf, int page) throws IOException {
    var extractor = new org.apache.pdfbox.text.PDFMarkedContentExtractor();
    extractor.processPage(pdf.getPage(page));
    var texts = new java.util.TreeMap<Integer, String>();
    for (var m : extractor.getMarkedContents()) {
      if (m.getMCID() >= 0) {
        texts.merge(m.getMCID(), text(m), String::concat);
      }
    }
    var out = new java.util.ArrayList<String>();
    in(pdf.getDocumentCatalog().getStructureTreeRoot().getKids(), pdf.getPage(page), texts, out);
    return out;
  }

  private static String text(
      org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDMarkedContent m) {
    return m.getContents().stream()
        .map(o -> o instanceof org.apache.pdfbox.text.TextPosition t ? t.getUnicode() : "")
        .collect(Collectors.joining());
  }

  private static void in(
      List<Object> kids,
      org.apache.pdfbox.pdmodel.PDPage page,
      java.util.Map<Integer, String> texts,
      List<String> out) {
    for (Object k : kids) {
      if (k
          instanceof
          org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement e) {
        boolean here = e.getPage() != null && e.getPage().getCOSObject() == page.getCOSObject();
        String own =
            e.getKids().stream()
                .filter(x -> here && x instanceof Integer)
                .map(x -> texts.getOrDefault((Integer) x, ""))
                .collect(Collectors.joining());
        if (!own.isEmpty()) {
          out.add(e.getStructureType() + " " + own.replaceAll("\\s+", ""));
        }
        in(e.getKids(), page, texts, out);
      }
    }
  }

  @Test
  void aPinnedPageHasTheStructureThatWasReadFromIt() throws IOException {
    Layout l = Samples.layout(pinned(1, 3));
    PdfChoices c = Samples.choices(l);
    try (PDDocument got = Loader.loadPDF(publish(l, c).toFile())) {
      for (int k : new int[] {1, 3}) {
        List<String> elements = elements(got, k);
        Section s =
            l.document().sections().stream()
                .filter(x -> x.pinned().isPresent())
                .toList()
                .get(k / 2);
        for (Paragraph p : decant.model.walk.Walk.paragraphs(s.blocks())) {
          String text = p.text().replaceAll("[\\s\\u00AD\\uFFFC]+", "");
          if (!text.isEmpty()) {
            int level = l.document().headingLevel(p);
            assertThat(elements)
                .as("page " + (k + 1))
                .anyMatch(e ->
                    e.startsWith(level > 0 ? "H" : "")
                        && e.replaceAll("[-\\u2022\\u2013]", "")
                            .contains(text.replaceAll("[-\\u2022\\u2013]", "")));
          }
        }
        assertThat(elements)
            .as("no more than is read")
            .hasSizeLessThanOrEqualTo(decant.model.walk.Walk.paragraphs(s.blocks()).size() + 8);
      }
    }
  }

  @Test
  void theVerifierSeesAPinnedPageThatWasTouched() throws IOException {
    Layout l = Samples.layout(pinned(1));
    PdfChoices c = Samples.choices(l);
    Path out = publish(l, c);
    Path touched = folder.resolve("touched.pdf");
    try (PDDocument d = Loader.loadPDF(out.toFile())) {
      d.getPage(1).setContents(d.getPage(0).getContentStreams().next());
      d.save(touched.toFile());
    }
    assertThat(PdfVerifier.verify(touched, l, c))
        .filteredOn(x -> x.name().equals("Pages kept"))
        .noneMatch(Check::passed);
  }

  /** Where a standard is asked for: nothing of the text is lost, and no page more is needed. */
  @Test
  void aPictureLiesOverTheTextOfItsPage() throws IOException {
    Document d = PinnedPictures.overText(pinned(2, 3));
    assertThat(d.hasPinned()).isFalse();
    Layout l = Samples.layout(d);
    assertThat(l.pages()).hasSize(taken.origin().pages());
    assertThat(Outline.headings(d)).hasSameSizeAs(Outline.headings(taken.document()));
    PdfChoices c = Samples.choices(l);
    Path out = publish(l, c);
    assertThat(PdfVerifier.verify(out, l, c)).allMatch(Check::passed);
    try (PDDocument got = Loader.loadPDF(out.toFile());
        PDDocument was = Loader.loadPDF(RULES.toFile())) {
      for (int k : new int[] {2, 3}) {
        String text = text(got, k).replaceAll("[\\s-]+", "");
        for (Paragraph p : onPage(k)) {
          assertThat(text)
              .contains(
                  p.text()
                      .replaceAll("[\\s\\u00AD\\uFFFC-]+", "")
                      .substring(
                          0,
                          Math.min(20, p.text().replaceAll("[\\s\\u00AD\\uFFFC-]+", "").length())));
        }
        var a = new PDFRenderer(got).renderImageWithDPI(k, 40);
        var b = new PDFRenderer(was).renderImageWithDPI(k, 40);
        // The edges of letters are those of a picture.
        assertThat(InkGrid.of(a).alike(InkGrid.of(b))).as("it looks as it did").isGreaterThan(0.9);
      }
    }
  }

  @Test
  void theVerifierSeesALinkOfAPinnedPageThatLeadsElsewhere() throws IOException {
    Layout l = Samples.layout(pinned(0));
    PdfChoices c = Samples.choices(l);
    Path out = publish(l, c);
    assertThat(PdfVerifier.verify(out, l, c)).allMatch(Check::passed);
    Path touched = folder.resolve("elsewhere.pdf");
    try (PDDocument d = Loader.loadPDF(out.toFile())) {
      for (var a : d.getPage(0).getAnnotations()) {
        if (a instanceof org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink link
            && link.getAction()
                instanceof org.apache.pdfbox.pdmodel.interactive.action.PDActionURI uri) {
          uri.setURI("https://elsewhere.example/");
        }
      }
      d.save(touched.toFile());
    }
    assertThat(PdfVerifier.verify(touched, l, c))
        .filteredOn(x -> x.name().equals("Pages kept"))
        .noneMatch(Check::passed);
  }

  /**
   * Pages as they are, whatever was taken in: a judge who says otherwise sees what is not there.
   */
  @Test
  void aPageThatIsKeptIsAlikeInAllItsInk() throws IOException {
    Layout l = Samples.layout(pinned(0, 1, 2));
    Judgement j = judged(l);
    assertThat(j.complete()).isTrue();
    assertThat(j.pages().subList(0, 3)).allMatch(v -> v.alike() > 0.97 && v.kept() > 0.97);
    assertThat(j.pages()).allMatch(v -> v.alike() > PinnedPages.FAITHFUL);
  }

  private Judgement judged(Publication l) throws IOException {
    return PageJudge.judge(new KeptPage.InFile(RULES, ""), taken, (Layout) l, () -> false);
  }

  @Test
  void aPageThatLostItsInkIsPinnedAndNothingOfItIsToldAsLost() throws IOException {
    Document d = taken.document();
    // All text of the third page goes, as if it had not been read.
    Document poor = d;
    for (Paragraph p : d.paragraphs()) {
      var at = taken.origin().places().get(p.id());
      if (at != null && at.page() == 2) {
        poor = poor.withParagraph(p.withInlines(List.of()));
      }
    }
    var loss =
        Finding.general(Finding.Kind.CONTENT_LEFT_OUT, Finding.Severity.LOSS, "gone")
            .from(2, new decant.model.Box(0, 0, 10, 10));
    var less = new TakenIn(poor, List.of(loss), taken.origin());
    TakenIn judged =
        PinnedPages.judged(new KeptPage.InFile(RULES, ""), less, Samples.layout(poor), () -> false);
    assertThat(PinnedPages.numbers(judged.document())).contains(3);
    assertThat(judged.findings())
        .noneMatch(f -> f.severity() == Finding.Severity.LOSS)
        .anyMatch(f ->
            f.kind() == Finding.Kind.PAGE_PINNED && f.message().startsWith("Page 3 is pinned"));
  }

  /** Paragraphs of a page, from its top. */
  private List<Paragraph> onPage(int page) {
    var places = taken.origin().places();
    return taken.document().paragraphs().stream()
        .filter(p -> places.containsKey(p.id()) && places.get(p.id()).page() == page)
        .sorted(java.util.Comparator.comparingDouble(p -> places.get(p.id()).box().y()))
        .toList();
  }

  private TakenIn judgedAs(Document d) throws IOException {
    return PinnedPages.judged(
        new KeptPage.InFile(RULES, ""),
        new TakenIn(d, List.of(), taken.origin()),
        Samples.layout(d),
        () -> false);
  }

  @Test
  void aPartOfAPageThatIsGoneIsToldWithItsPlace() throws IOException {
    assertThat(judgedAs(taken.document()).findings()).as("nothing is gone").isEmpty();
    Paragraph last = onPage(2).getLast();
    TakenIn judged = judgedAs(taken.document().withParagraph(last.withInlines(List.of())));
    assertThat(judged.findings())
        .anySatisfy(f -> {
          assertThat(f.severity()).isIn(Finding.Severity.LOSS, Finding.Severity.DOUBT);
          assertThat(f.message()).startsWith("On page 3 something that shows here");
          var box = taken.origin().places().get(last.id()).box();
          var told = f.source().orElseThrow().box();
          assertThat(told.y()).isBetween(box.y() - 25, box.bottom());
          assertThat(f.remedy()).contains(new Finding.Remedy.PinPage(2));
        });
  }

  /**
   * The icon of a remark says only that there is one, which comes along as a remark; what a reader
   * drew on the page shows, and is missed.
   */
  @Test
  void theIconOfARemarkIsNotMissedButWhatWasDrawnIs() throws IOException {
    assertThat(judgedWith(new PDAnnotationText()).findings()).as("an icon").isEmpty();
    assertThat(judgedWith(new PDAnnotationRubberStamp()).findings())
        .as("a stamp")
        .anyMatch(f -> f.source().filter(at -> at.page() == 2).isPresent());
  }

  /** What is said of a page with an annotation that shows a black square in an empty corner. */
  private TakenIn judgedWith(PDAnnotation a) throws IOException {
    Path file = folder.resolve(a.getSubtype() + ".pdf");
    try (PDDocument pdf = Loader.loadPDF(RULES.toFile())) {
      var shape = new PDAppearanceStream(pdf);
      shape.setBBox(new PDRectangle(60, 60));
      try (var out = shape.getContentStream().createOutputStream()) {
        out.write("0 0 60 60 re f".getBytes(StandardCharsets.US_ASCII));
      }
      var appearance = new PDAppearanceDictionary();
      appearance.setNormalAppearance(shape);
      a.setAppearance(appearance);
      a.setRectangle(new PDRectangle(500, 20, 60, 60));
      pdf.getPage(2).getAnnotations().add(a);
      pdf.save(file.toFile());
    }
    TakenIn plain = new TakenIn(taken.document(), List.of(), taken.origin());
    return PinnedPages.judged(
        new KeptPage.InFile(file, ""), plain, Samples.layout(taken.document()), () -> false);
  }

  @Test
  void aPageWhoseTextWouldRunOverTheSheetIsPinned() throws IOException {
    Table was =
        taken.document().sections().stream()
            .flatMap(x -> x.blocks().stream())
            .filter(Table.class::isInstance)
            .map(Table.class::cast)
            .findFirst()
            .orElseThrow();
    int page = taken.origin().places().get(was.id()).page();
    List<Double> columns = was.columns().stream().map(w -> 2 * w).toList();
    Document d =
        taken
            .document()
            .withSections(
                taken.document().sections().stream()
                    .map(x ->
                        x.withBlocks(
                            x.blocks().stream()
                                .map(b ->
                                    b == was
                                        ? new Table(was.id(), was.look(), columns, was.rows())
                                        : b)
                                .toList()))
                    .toList());
    TakenIn judged = judgedAs(d);
    assertThat(PinnedPages.numbers(judged.document())).contains(page + 1);
    assertThat(judged.findings())
        .anyMatch(f -> f.message().contains("run over the edge of the sheet"))
        .noneMatch(f -> f.severity() == Finding.Severity.LOSS);
  }

  /** A picture that cannot be read here shows on neither page, so that comparing says nothing. */
  @Test
  void aPageWithAPictureThatCannotBeReadIsPinned() throws IOException {
    TakenIn whole = Samples.taken(RULES);
    var unread =
        Finding.general(Finding.Kind.PICTURE_MISSING, Finding.Severity.LOSS, "unread")
            .from(1, new decant.model.Box(0, 0, 10, 10));
    TakenIn judged =
        PinnedPages.judged(
            new KeptPage.InFile(RULES, ""),
            new TakenIn(whole.document(), List.of(unread), whole.origin()),
            Samples.layout(whole.document()),
            () -> false);
    assertThat(PinnedPages.numbers(judged.document())).containsExactly(2);
    assertThat(judged.findings())
        .as("it is kept, and so is no longer missing")
        .noneMatch(f -> f.kind() == Finding.Kind.PICTURE_MISSING);
  }

  /** A word may be one that is doubted; of a page that loses lines, none is lost if it is kept. */
  @Test
  void aPageThatWouldLoseLinesOfItsTextIsPinned() throws IOException {
    TakenIn whole = Samples.taken(RULES);
    var lost = new ArrayList<Finding>();
    for (int page : new int[] {0, 1, 1, 1}) {
      lost.add(
          Finding.general(
                  Finding.Kind.CONTENT_LEFT_OUT,
                  Finding.Severity.LOSS,
                  "line " + lost.size() + " is not in the document")
              .from(page, new decant.model.Box(0, 0, 10, 10)));
    }
    TakenIn judged =
        PinnedPages.judged(
            new KeptPage.InFile(RULES, ""),
            new TakenIn(whole.document(), lost, whole.origin()),
            Samples.layout(whole.document()),
            () -> false);
    assertThat(PinnedPages.numbers(judged.document())).containsExactly(2);
    assertThat(judged.findings())
        .as("what is on the page that flows is told still")
        .filteredOn(f -> f.severity() == Finding.Severity.LOSS)
        .hasSize(1);
  }

  @Test
  void whatIsNotComparedIsSaid() throws IOException {
    TakenIn judged =
        PinnedPages.judged(
            new KeptPage.InFile(RULES, ""), taken, Samples.layout(taken.document()), () -> true);
    assertThat(judged.findings()).anyMatch(f -> f.message().contains("were not compared"));
  }

  @Test
  void lockedSourcesAreKeptOpenInMemoryOnly() throws IOException {
    Path locked = folder.resolve("locked.pdf");
    try (PDDocument d = Loader.loadPDF(RULES.toFile())) {
      d.protect(
          new org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy(
              "owner", "user", new org.apache.pdfbox.pdmodel.encryption.AccessPermission()));
      d.save(locked.toFile());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    TakenIn out =
        PinnedPages.pinned(
            new KeptPage.InFile(locked, "user"),
            taken,
            List.of(new Pinning.Sheet(0, 595.28, 841.89, "it was asked for")));
    Layout l = Samples.layout(out.document());
    PdfChoices c = Samples.choices(l);
    assertThat(PdfVerifier.verify(publish(l, c), l, c)).allMatch(Check::passed);
  }

  /** A link on a page that stays as it was leads on, whatever became of the page it leads to. */
  @Test
  void linksOfPinnedPagesLeadToPagesThatFlow() throws IOException {
    Path linked = folder.resolve("linked.pdf");
    try (PDDocument d = Loader.loadPDF(RULES.toFile())) {
      var link = new org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink();
      link.setRectangle(new org.apache.pdfbox.pdmodel.common.PDRectangle(80, 700, 100, 20));
      var to =
          new org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination
              .PDPageFitDestination();
      to.setPage(d.getPage(6));
      link.setDestination(to);
      d.getPage(0).getAnnotations().add(link);
      d.save(linked.toFile());
    }
    TakenIn of = Samples.taken(linked);
    TakenIn out =
        PinnedPages.pinned(
            new KeptPage.InFile(linked, ""),
            of,
            List.of(new Pinning.Sheet(0, 595.28, 841.89, "it was asked for")));
    Layout l = Samples.layout(out.document());
    Path published = publish(l, Samples.choices(l));
    try (PDDocument d = Loader.loadPDF(published.toFile())) {
      List<Integer> led = new java.util.ArrayList<>();
      for (var a : d.getPage(0).getAnnotations()) {
        if (a instanceof org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink x
            && x.getDestination()
                instanceof
                org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination
                        .PDPageDestination
                    p) {
          led.add(p.retrievePageNumber());
        }
      }
      assertThat(led).contains(6);
    }
  }

  private static decant.publish.Publisher.GoingOut goingOut(
      decant.recipe.PagesKept kept, boolean standard) {
    return new decant.publish.Publisher.GoingOut(
        decant.reading.Active.REMOVE,
        kept,
        decant.pdf.choices.Navigation.DEFAULT.addresses(),
        standard);
  }

  @Test
  void whereAStandardIsAskedForPinnedPagesBecomePictures() throws IOException {
    Layout l = Samples.layout(pinned(2));
    Publication out =
        decant.publish.Publisher.goingOut(l, goingOut(decant.recipe.PagesKept.AUTO, true));
    assertThat(out.keepsPages()).isFalse();
    assertThat(out.pages()).hasSameSizeAs(l.pages());
    Layout pictured = (Layout) out;
    PdfChoices c = Samples.choices(pictured);
    Path file = publish(pictured, c);
    assertThat(PdfVerifier.verify(file, pictured, c)).allMatch(Check::passed);
    try (PDDocument got = Loader.loadPDF(file.toFile());
        PDDocument was = Loader.loadPDF(RULES.toFile())) {
      var a = InkGrid.of(new PDFRenderer(got).renderImageWithDPI(2, 40));
      var b = InkGrid.of(new PDFRenderer(was).renderImageWithDPI(2, 40));
      assertThat(a.alike(b)).isGreaterThan(0.9);
    }
  }

  @Test
  void aRecipeThatKeepsNoPageLetsAllFlow() {
    Layout l = Samples.layout(pinned(2, 3));
    Publication out =
        decant.publish.Publisher.goingOut(l, goingOut(decant.recipe.PagesKept.NONE, false));
    assertThat(out.keepsPages()).isFalse();
    assertThat(((Document) out.content()).paragraphs())
        .extracting(Paragraph::text)
        .isEqualTo(taken.document().paragraphs().stream().map(Paragraph::text).toList());
  }

  @Test
  void intoOfficeFormatsAPinnedPageGoesAsAPictureWithItsWords() throws IOException {
    Document d = PinnedPictures.in(pinned(2));
    var format = decant.format.Formats.working();
    Path out = folder.resolve("rules." + format.extension());
    try (var to = Files.newOutputStream(out)) {
      decant.format.Formats.writer(format).write(d, to);
    }
    assertThat(decant.format.Formats.verifier(format).verify(out, d)).allMatch(Check::passed);
    Document back = Samples.taken(out).document();
    assertThat(
            back.paragraphs().stream()
                .flatMap(p -> p.inlines().stream())
                .filter(i -> i instanceof decant.model.Inline.Picture p && p.alt().length() > 500)
                .map(i -> (decant.model.Inline.Picture) i))
        .singleElement()
        .satisfies(p -> assertThat(p.height()).isBetween(840.0, 843.0));
    assertThat(decant.preview.LeftOut.of(pinned(2), format))
        .anyMatch(w -> w.contains("1 pinned page"));
  }
}
