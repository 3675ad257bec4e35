package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.compare.Difference;
import decant.compare.Ticks;
import decant.desktop.page.PagesView;
import decant.desktop.shell.Action;
import decant.desktop.shell.Desk;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.layout.CaretPlace;
import decant.layout.Layout;
import decant.layout.Places;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Outline;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.edit.Commands;
import decant.model.edit.Edit;
import decant.model.edit.Revision;
import decant.model.finding.Finding;
import decant.model.finding.FindingGroup;
import decant.model.look.Look;
import decant.model.look.MediaId;
import decant.model.look.StyleSheet;
import decant.model.look.TextTraits;
import decant.pdf.choices.FontEmbedding;
import decant.pdf.choices.Security;
import decant.publish.Receipt;
import decant.recipe.Recipe;
import decant.recipe.RecipeFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Pane;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.junit.jupiter.api.Test;

/** The main job, done in the real window with real keys and a real pointer. */
class WindowTest extends WindowCase {
  @Test
  void aPdfIsTakenInAHeadingChangedOnThePageAndPublishedWithBookmarks() throws IOException {
    Work work = window.takeIn(copy("Berth rules.pdf"));
    assertThat(Window.on(() -> window.desk.stepProperty().get()))
        .as("findings come first")
        .isEqualTo(StageName.TAKE_IN);
    window.go(StageName.REVISE);
    window.until(() -> ((PagesView) window.stage.getScene().lookup("#pages")).settled());
    Outline.Heading first = Outline.headings(document(work)).get(1);
    CaretPlace place =
        Window.on(() ->
            work.layout()
                .caret(new Position(first.paragraph(), first.text().length()))
                .orElseThrow());
    window.clickPage(
        place.page().number() - 1, place.x() + 30, place.top() + place.height() / 2, 1);
    window.type(" and Aim");
    assertThat(document(work).requireParagraph(first.paragraph()).text())
        .isEqualTo("1 Purpose and scope and Aim");
    window.until(() ->
        list("#outline").getItems().stream()
            .anyMatch(h -> ((Outline.Heading) h).text().endsWith("and Aim")));
    window.go(StageName.PUBLISH);
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    assertThat(Window.on(() -> work.receiptProperty().get().orElseThrow().verified())).isTrue();
    assertThat(window.find("#receipt-head", Label.class).getText())
        .isEqualTo("Published and verified");
    try (PDDocument pdf = Loader.loadPDF(folder.resolve("Berth rules published.pdf").toFile())) {
      PDOutlineItem top = pdf.getDocumentCatalog().getDocumentOutline().getFirstChild();
      assertThat(top.getFirstChild().getTitle()).isEqualTo("1 Purpose and scope and Aim");
      assertThat(pdf.getDocumentInformation().getTitle()).isEqualTo("Berth rules");
    }
    window.click("#receipt-open");
    window.until(() -> window.desk.stepProperty().get() == StageName.PROOF);
    window.until(() -> ((PagesView) window.stage.getScene().lookup("#proof-revision")).settled());
  }

  @Test
  void typingDeletingSelectingUndoingByKeys() {
    Work work = revise("Winter storage notice.docx");
    Paragraph p = document(work).paragraphs().get(1);
    caret(work, p.id(), 0);
    window.type("Note");
    window.press(KeyCode.ENTER);
    window.press(KeyCode.BACK_SPACE);
    window.type(" well ");
    assertThat(document(work).requireParagraph(p.id()).text())
        .startsWith("Note well To all holders");
    window.press(KeyCode.HOME);
    window.press(KeyCode.SHIFT, KeyCode.CONTROL, KeyCode.RIGHT);
    window.press(KeyCode.CONTROL, KeyCode.B);
    window.press(KeyCode.CONTROL, KeyCode.I);
    assertThat(document(work).requireParagraph(p.id()).inlines().getFirst().look())
        .satisfies(
            l -> assertThat(l.value(TextTraits.BOLD) && l.value(TextTraits.ITALIC)).isTrue());
    window.press(KeyCode.DELETE);
    assertThat(document(work).requireParagraph(p.id()).text()).startsWith("well To all");
    while (Window.on(() -> work.revision().canUndo())) {
      window.press(KeyCode.CONTROL, KeyCode.Z);
    }
    assertThat(document(work).paragraphs()).isEqualTo(work.taken().document().paragraphs());
    window.press(KeyCode.CONTROL, KeyCode.Y);
    assertThat(document(work).requireParagraph(p.id()).text()).startsWith("N");
  }

  @Test
  void caretMovesByLineAndPageAndSelectsWithThePointer() {
    Work work = revise("Berth rules.pdf");
    Document d = document(work);
    caret(work, d.index().order().getFirst(), 0);
    for (int k = 0; k < 6; k++) {
      window.press(KeyCode.DOWN);
    }
    Position after = Window.on(() -> work.revision().selection().caret());
    CaretPlace start =
        Window.on(
            () -> work.layout().caret(new Position(d.index().order().getFirst(), 0)).orElseThrow());
    CaretPlace end = Window.on(() -> work.layout().caret(after).orElseThrow());
    assertThat(end.top()).isGreaterThan(start.top() + 70);
    window.press(KeyCode.CONTROL, KeyCode.END);
    assertThat(Window.on(() -> work.revision().selection().caret().paragraph()))
        .isEqualTo(d.index().order().getLast());
    window.press(KeyCode.CONTROL, KeyCode.HOME);
    window.settle();
    window.until(() -> ((PagesView) window.stage.getScene().lookup("#pages")).settled());
    Paragraph title = d.paragraphs().getFirst();
    CaretPlace word =
        Window.on(() -> work.layout().caret(new Position(title.id(), 7)).orElseThrow());
    window.clickPage(0, word.x(), word.top() + 10, 2);
    Selection s = Window.on(() -> work.revision().selection());
    assertThat(title.text().substring(s.anchor().offset(), s.caret().offset())).isEqualTo("rules");
  }

  @Test
  void aNewStyleShowsOnThePageInSightAtOnceAndTheViewStays() {
    Work work = revise("Winter storage notice.docx");
    Position end = new Position(document(work).index().order().getLast(), 0);
    String line = "Boats stand ashore from October, and their masts are stored apart. ".repeat(9);
    Window.run(() ->
        work.apply(r ->
            Commands.insert(
                r.withSelection(Selection.at(end)), (line.strip() + "\n").repeat(900))));
    window.until(() -> work.layout().complete());
    var pages = (PagesView) window.stage.getScene().lookup("#pages");
    Window.run(() -> pages.setScrollShare(0.5));
    window.until(pages::settled);
    int first = Window.on(() -> pages.inView().first());
    assertThat(first).isGreaterThan(40);
    Position top = Window.on(() -> topOf(pages, work));
    double was = Window.on(() -> heightOf(pages, work, top));
    Document d = document(work);
    StyleSheet sheet = d.styles();
    var larger =
        new StyleSheet(
            sheet.paragraphDefaults(),
            sheet.textDefaults().with(TextTraits.SIZE, 21.0),
            sheet.defaultStyle(),
            Map.of());
    boolean[] complete = new boolean[1];
    double[] sizes = new double[2];
    Window.run(() -> {
      work.apply(r -> r.apply(Edit.of("Larger", new decant.model.edit.Step.SetStyles(larger))));
      complete[0] = work.layout().complete();
      sizes[0] = lineHeight(work, first);
      sizes[1] = lineHeight(work, 0);
    });
    assertThat(complete[0]).as("the other pages come later").isFalse();
    assertThat(sizes[0]).as("what is in sight is new at once").isGreaterThan(20);
    assertThat(sizes[1]).as("what is out of sight comes later").isLessThan(20);
    window.until(() -> work.layout().complete());
    assertThat(Window.on(() -> lineHeight(work, 0))).isGreaterThan(20);
    assertThat(Window.on(() -> heightOf(pages, work, top)))
        .as("the view did not jump, but for the height of a line")
        .isCloseTo(was, org.assertj.core.api.Assertions.within(60.0));
  }

  /** The place of the text at the top of the view. */
  private static Position topOf(PagesView pages, Work w) {
    PagesView.PagePoint at = pages.pagePoint(pages.getWidth() / 2, 4).orElseThrow();
    Layout l = w.layout();
    return l.positionAt(l.pages().get(at.page()), at.x(), at.y()).orElseThrow();
  }

  private static double lineHeight(Work w, int page) {
    return Places.lines(w.layout().pages().get(page)).get(1).line().height();
  }

  /** How far below the top of the view a place of the text stands. */
  private static double heightOf(PagesView pages, Work w, Position at) {
    CaretPlace c = w.layout().caret(at).orElseThrow();
    return pages.heightAbove(c.page().number() - 1, c.top()) - pages.scrollProperty().get();
  }

  @Test
  void aLineBecomesAHeadingByItsShortcutAndByTheCommandField() {
    Work work = revise("Winter storage notice.docx");
    Paragraph p = document(work).paragraphs().get(1);
    caret(work, p.id(), 3);
    window.press(KeyCode.CONTROL, KeyCode.ALT, KeyCode.DIGIT2);
    assertThat(document(work).headingLevel(document(work).requireParagraph(p.id()))).isEqualTo(2);
    window.until(() -> list("#outline").getItems().size() == 7);
    window.press(KeyCode.CONTROL, KeyCode.K);
    window.type("body text");
    window.press(KeyCode.ENTER);
    assertThat(document(work).headingLevel(document(work).requireParagraph(p.id()))).isZero();
  }

  @Test
  void fontSizeColourAndAlignmentChangeFromTheSide() {
    Work work = revise("Winter storage notice.docx");
    Paragraph p = document(work).paragraphs().get(1);
    Window.run(() -> work.select(new Selection(new Position(p.id(), 0), new Position(p.id(), 2))));
    window.settle();
    window.until(() -> "11".equals(combo("#look-size").getValue()));
    Window.run(() -> combo("#look-family").setValue("Liberation Mono"));
    Window.run(() -> combo("#look-size").setValue("18"));
    window.click("#look-colour-1F3A93");
    window.click("#align-centre");
    Paragraph now = document(work).requireParagraph(p.id());
    var look = now.inlines().getFirst().look();
    assertThat(look.value(TextTraits.FAMILY)).isEqualTo("Liberation Mono");
    assertThat(look.value(TextTraits.SIZE)).isEqualTo(18.0);
    assertThat(look.value(TextTraits.COLOUR).hex()).isEqualTo("1F3A93");
    assertThat(now.look().value(decant.model.look.ParagraphTraits.ALIGNMENT))
        .isEqualTo(decant.model.look.ParagraphTraits.Alignment.CENTRE);
    assertThat(window.find("#look-selected", Label.class).getText()).isEqualTo("2 characters");
  }

  @Test
  void findingAndReplacing() {
    Work work = revise("Winter storage notice.docx");
    window.press(KeyCode.CONTROL, KeyCode.F);
    window.fill("#find-text", "harbour office");
    window.press(KeyCode.ENTER);
    Selection s = Window.on(() -> work.revision().selection());
    assertThat(
            document(work)
                .requireParagraph(s.anchor().paragraph())
                .text()
                .substring(s.anchor().offset(), s.caret().offset()))
        .isEqualToIgnoringCase("harbour office");
    window.fill("#find-replace", "quay office");
    window.click("#find-all");
    assertThat(document(work).paragraphs())
        .noneMatch(p -> p.text().toLowerCase(java.util.Locale.ROOT).contains("harbour office"));
    assertThat(window.find("#find-says", Label.class).getText()).endsWith("replaced");
  }

  @Test
  void theWorkingCopyIsSavedAndANameThatIsTakenIsAskedAbout() throws IOException {
    Work work = revise("Berth rules.pdf");
    byte[] source = Files.readAllBytes(folder.resolve("Berth rules.pdf"));
    caret(work, document(work).index().order().getFirst(), 0);
    window.type("New ");
    assertThat(window.find("#head-state", Label.class).getText()).isEqualTo("unsaved changes");
    window.press(KeyCode.CONTROL, KeyCode.S);
    window.until(() -> notice().startsWith("Saved as"));
    Path copy = folder.resolve("Berth rules revised.docx");
    assertThat(copy).exists();
    assertThat(Window.on(work::unsaved)).isFalse();
    Path other = Files.writeString(folder.resolve("other.docx"), "older");
    Window.run(() -> window.desk.saving().save(other, false, () -> {}));
    window.until(() -> notice().contains("already"));
    assertThat(other).hasContent("older");
    window.clickLabelled("Save as “other 2.docx”");
    window.until(() -> Files.exists(folder.resolve("other 2.docx")));
    window.until(() -> notice().startsWith("Saved as"));
    assertThat(Files.readAllBytes(folder.resolve("Berth rules.pdf")))
        .as("the source")
        .isEqualTo(source);
  }

  /**
   * A copy that does not pass is told, stays beside the older one, and the work goes on unsaved.
   */
  @Test
  void aCopyThatDoesNotPassForgetsNothing() throws IOException {
    Work work = revise("Winter storage notice.docx");
    Path older = Files.writeString(folder.resolve("older.docx"), "older");
    var gone = new Inline.Picture(new MediaId("00".repeat(32)), 80, 60, "", Look.PLAIN);
    var p = new Paragraph(NodeId.fresh(), Look.PLAIN, Look.PLAIN, List.of(gone));
    Document d = document(work);
    Document with = d.withBlocks(d.sections().getFirst().id(), 0, 0, List.of(p));
    Window.run(() -> work.apply(r -> Revision.of(with)));
    window.until(() -> recoveries() == 1);
    boolean[] went = {false};
    Window.run(() -> window.desk.saving().save(older, true, () -> went[0] = true));
    window.until(() -> notice().contains("not verified"));
    assertThat(older).hasContent("older");
    assertThat(folder.resolve("older (not verified).docx")).exists();
    assertThat(Window.on(work::unsaved)).isTrue();
    assertThat(recoveries()).isEqualTo(1);
    assertThat(went[0]).as("nothing that waited for the copy goes on").isFalse();
  }

  private long recoveries() {
    try (var files = Files.list(folder.resolve("state/recovery"))) {
      return files.filter(f -> f.toString().endsWith(".work")).count();
    } catch (IOException e) {
      return 0;
    }
  }

  @Test
  void aTargetThatCannotBeWrittenIsReportedAndNothingIsLost() {
    Work work = revise("Winter storage notice.docx");
    caret(work, document(work).index().order().getFirst(), 0);
    window.type("Kept ");
    Window.run(() -> window.desk.saving().save(folder.resolve("gone/copy.docx"), false, () -> {}));
    window.until(() -> notice().contains("does not exist"));
    assertThat(notice()).contains("Your changes are still here");
    assertThat(document(work).paragraphs().getFirst().text()).startsWith("Kept ");
    assertThat(Window.on(work::unsaved)).isTrue();
  }

  @Test
  void aLockedPdfAsksForItsPassword() throws IOException {
    Path locked = folder.resolve("locked.pdf");
    try (PDDocument pdf = Loader.loadPDF(DEMO.resolve("Berth application.pdf").toFile())) {
      var policy = new StandardProtectionPolicy("owner", "quay", new AccessPermission());
      policy.setEncryptionKeyLength(256);
      pdf.protect(policy);
      pdf.save(locked.toFile());
    }
    Window.run(() -> window.desk.takeIn(locked));
    window.until(() -> window.stage.getScene().lookup("#notice-password") != null);
    window.fill("#notice-password", "wrong");
    window.press(KeyCode.ENTER);
    window.until(() -> notice().contains("does not open"));
    window.fill("#notice-password", "quay");
    window.press(KeyCode.ENTER);
    window.until(() -> window.desk.work().isPresent());
  }

  @Test
  void badFilesAreExplainedAndTheDocumentInWorkStays() throws IOException {
    Work work = revise("Winter storage notice.docx");
    Path empty = Files.createFile(folder.resolve("empty.pdf"));
    Window.run(() -> window.desk.takeIn(empty));
    window.until(() -> notice().contains("empty"));
    assertThat(window.work()).isSameAs(work);
    window.press(KeyCode.ESCAPE);
    assertThat(notice()).isEmpty();
  }

  @Test
  void aFindingShowsItsPlace() {
    window.takeIn(copy("Berth rules.pdf"));
    window.until(() -> !list("#findings").getItems().isEmpty());
    Window.run(() -> list("#findings").getSelectionModel().select(0));
    window.until(() -> !window.stage.getScene().getRoot().lookupAll(".finding-place").isEmpty());
  }

  @Test
  void aFindingShowsBothItsPlaceAndWhatBecameOfIt() {
    Work work = window.takeIn(copy("Berth rules.pdf"));
    Outline.Heading late = Outline.headings(work.revision().document()).get(40);
    Finding f =
        Finding.of(Finding.Kind.HEADING_DOUBTFUL, Finding.Severity.DOUBT, "Look", late.paragraph());
    Window.run(() -> work.shownFindingProperty().set(Optional.of(f)));
    for (String side : List.of("#take-in-source", "#take-in-result")) {
      window.until(
          () -> !window.stage.getScene().lookup(side).lookupAll(".finding-place").isEmpty());
    }
  }

  /** The place of a block on the first page of the Take in stage's revision. */
  private void pick(Work work, NodeId block, double across) {
    window.until(() -> ((PagesView) window.stage.getScene().lookup("#take-in-result")).settled());
    Layout.BlockPlace at = Window.on(() -> work.layout().placesOf(block).getFirst());
    var view = (PagesView) window.stage.getScene().lookup("#take-in-result");
    int page = at.page().number() - 1;
    Window.run(() -> view.reveal(page, at.box().y(), at.box().bottom()));
    window.settle();
    window.clickPage(
        "#take-in-result", page, at.box().x() + across, at.box().y() + at.box().height() / 2, 1);
  }

  @Test
  void whatWasTakenForSomethingElseIsMendedWhereItStands() {
    Work work = window.takeIn(copy("Berth rules.pdf"));
    window.go(StageName.TAKE_IN);
    List<Outline.Heading> headings = Outline.headings(document(work));
    NodeId second = headings.get(2).paragraph();
    pick(work, second, 30);
    assertThat(window.find("#mend-shown", Label.class).getText()).contains(headings.get(2).text());
    Window.run(() -> combo("#mend-level").getSelectionModel().select(0));
    assertThat(document(work).headingLevel(document(work).requireParagraph(second))).isZero();
    window.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(document(work).headingLevel(document(work).requireParagraph(second)))
        .as("undone here too")
        .isEqualTo(headings.get(2).level());
    pick(work, second, 30);
    Window.run(() -> window.find("#mend-all", CheckBox.class).setSelected(true));
    Window.run(() -> combo("#mend-level").getSelectionModel().select(4));
    long alike = Outline.headings(document(work)).stream().filter(h -> h.level() == 4).count();
    assertThat(alike).as("all that looked like it").isGreaterThan(3);
  }

  @Test
  void paragraphsAreJoinedSplitMovedAndDroppedInTheTakeInStage() {
    Work work = window.takeIn(copy("Berth rules.pdf"));
    window.go(StageName.TAKE_IN);
    Document d = document(work);
    List<decant.model.Block> blocks = d.sections().getFirst().blocks();
    int k = 0;
    while (!(blocks.get(k) instanceof Paragraph x
        && d.headingLevel(x) == 0
        && x.length() > 120
        && blocks.get(k + 1) instanceof Paragraph)) {
      k++;
    }
    var p = (Paragraph) blocks.get(k);
    var next = (Paragraph) blocks.get(k + 1);
    pick(work, p.id(), 150);
    window.click("#mend-split");
    String head = document(work).requireParagraph(p.id()).text();
    assertThat(p.text()).startsWith(head);
    assertThat(head.length()).isBetween(5, p.length() - 5);
    pick(work, p.id(), 20);
    window.click("#mend-join");
    assertThat(document(work).requireParagraph(p.id()).text()).isEqualTo(p.text());
    window.click("#mend-later");
    int at = document(work).index().place(p.id()).orElseThrow();
    assertThat(document(work).index().place(next.id()).orElseThrow()).isEqualTo(at - 1);
    window.click("#mend-drop");
    assertThat(document(work).paragraph(p.id())).isEmpty();
    assertThat(window.find("#mend-shown", Label.class).getText()).startsWith("Click a paragraph");
  }

  /** Tesseract is optional: without it the stage says what would help. */
  @Test
  void aScannedPageIsOfferedToBeRecognised() throws IOException {
    Path scan = folder.resolve("scan.pdf");
    try (PDDocument from = Loader.loadPDF(DEMO.resolve("Berth rules.pdf").toFile());
        var pdf = new PDDocument()) {
      var image = new org.apache.pdfbox.rendering.PDFRenderer(from).renderImageWithDPI(0, 150);
      var page = new org.apache.pdfbox.pdmodel.PDPage();
      pdf.addPage(page);
      try (var c = new org.apache.pdfbox.pdmodel.PDPageContentStream(pdf, page)) {
        c.drawImage(
            org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory.createFromImage(pdf, image),
            0,
            0,
            612,
            792);
      }
      pdf.save(scan.toFile());
    }
    Work work = window.takeIn(scan);
    boolean installed =
        decant.reading.Tesseract.installed()
            .filter(p -> decant.reading.Tesseract.languages(p).contains("eng"))
            .isPresent();
    if (!installed) {
      window.until(
          () -> window.find("#recognition-message", Label.class).getText().contains("Tesseract"));
      return;
    }
    window.until(() -> window.stage.getScene().lookup("#recognition-go") != null);
    window.settle();
    window.click("#recognition-go");
    window.until(() -> window.desk.work().filter(w -> w != work).isPresent());
    Work now = Window.on(() -> window.desk.work().orElseThrow());
    assertThat(document(now).paragraphs()).anyMatch(p -> p.text().contains("berth is let"));
    assertThat(window.stage.getScene().lookup("#recognition-go"))
        .as("the stage shows the new document")
        .isNull();
  }

  @Test
  void anotherDocumentTakenInAtTheSameStageIsShown() {
    window.takeIn(copy("Berth rules.pdf"));
    assertThat(Window.on(() -> window.desk.stepProperty().get())).isEqualTo(StageName.TAKE_IN);
    Work next = window.takeIn(copy("Berth application.pdf"));
    assertThat(Window.on(() -> window.desk.stepProperty().get())).isEqualTo(StageName.TAKE_IN);
    int open = Window.on(() -> next.openFindings().size());
    assertThat(
            list("#findings").getItems().stream()
                .mapToInt(g -> ((FindingGroup) g).findings().size())
                .sum())
        .isEqualTo(open);
    assertThat(list("#findings").getItems())
        .extracting(g -> ((FindingGroup) g).kind())
        .contains(Finding.Kind.FORM);
  }

  @Test
  void aFindingThatIsLeftSoIsSettled() {
    Work work = window.takeIn(copy("Berth rules.pdf"));
    int before = Window.on(() -> work.openFindings().size());
    Window.run(() -> list("#findings").getSelectionModel().select(0));
    window.settle();
    window.click("#finding-leave");
    assertThat(Window.on(() -> work.openFindings().size())).isEqualTo(before - 1);
    assertThat(window.find("#findings-summary", Label.class).getText()).contains("1 is done");
  }

  @Test
  void aRangeOfPagesIsPublishedAndAWrongOneExplained() throws IOException {
    Work work = revise("Berth rules.pdf");
    window.go(StageName.PUBLISH);
    window.fill("#publish-range", "99");
    assertThat(window.find("#publish-range-says", Label.class).getText())
        .contains("goes past the end");
    Window.run(() -> window.find("#publish-range", TextField.class).setText("2-3, 5"));
    assertThat(window.find("#publish-range-says", Label.class).getText()).startsWith("3 of ");
    Window.run(() -> window.find("#publish-bookmarks", CheckBox.class).setSelected(false));
    Window.run(() -> window.find("#publish-title", TextField.class).setText("Three pages"));
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    try (PDDocument pdf = Loader.loadPDF(folder.resolve("Berth rules published.pdf").toFile())) {
      assertThat(pdf.getNumberOfPages()).isEqualTo(3);
      assertThat(pdf.getDocumentCatalog().getDocumentOutline()).isNull();
      assertThat(pdf.getDocumentInformation().getTitle()).isEqualTo("Three pages");
    }
  }

  @Test
  void sizesAreToldBeforeAndAreTheFilesAfter() throws IOException {
    Work work = revise("Berth rules.pdf");
    window.go(StageName.PUBLISH);
    window.until(() -> window.find("#publish-parts", Pane.class).getChildren().size() > 2);
    String told =
        ((Label)
                ((Pane) window.find("#publish-files", Pane.class).getChildren().get(0))
                    .getChildren()
                    .get(1))
            .getText();
    window.until(() -> window.find("#publish-others", Pane.class).getChildren().size() > 3);
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    long bytes = Files.size(folder.resolve("Berth rules published.pdf"));
    assertThat(told).endsWith("kB");
    double predicted = 1000 * Double.parseDouble(told.replaceAll("[^\\d.]", ""));
    // differ by less than 2 %
    assertThat(predicted).isBetween(bytes * 0.98, bytes * 1.02);
  }

  @Test
  void aLockedFileAsksForItsPasswordAndOpensByItAlone() throws IOException {
    Work work = revise("Winter storage notice.docx");
    window.go(StageName.PUBLISH);
    choose("#publish-protection", Security.Protection.AES_256);
    assertThat(window.find("#group-rights-warning", Label.class).getText())
        .contains("Enter the password for opening");
    window.click("#publish-go");
    window.until(() -> window.desk.noticeProperty().get().isPresent());
    assertThat(window.desk.noticeProperty().get().orElseThrow().message())
        .contains("Enter the password for opening");
    Window.run(() -> window.find("#publish-open-password", TextField.class).setText("low tide"));
    Window.run(
        () -> window.find("#publish-open-password-again", TextField.class).setText("low tide"));
    window.settle();
    assertThat(window.find("#group-rights-warning", Label.class).getText()).isEmpty();
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    Path file = folder.resolve("Winter storage notice published.pdf");
    assertThatThrownBy(() -> Loader.loadPDF(file.toFile()))
        .isInstanceOf(InvalidPasswordException.class);
    try (PDDocument pdf = Loader.loadPDF(file.toFile(), "low tide")) {
      assertThat(pdf.getNumberOfPages()).isEqualTo(2);
    }
    // A password never stands in what is kept.
    assertThat(RecipeFile.write(draft(work).recipe())).doesNotContain("low tide");
  }

  @Test
  void choicesThatCannotGoTogetherAreToldWhereTheyAreMade() {
    revise("Winter storage notice.docx");
    window.go(StageName.PUBLISH);
    choose("#publish-recipe", "Archive copy");
    assertThat(window.find("#group-keeping-says", Label.class).getText())
        .startsWith("PDF/A-2a + PDF/UA-1");
    choose("#publish-embedding", FontEmbedding.Embedding.LEFT_OUT);
    assertThat(window.find("#group-type-warning", Label.class).getText())
        .contains("requires every font to be embedded");
  }

  @Test
  void recipesAreKeptRenamedAndLetGo() {
    Work work = revise("Winter storage notice.docx");
    window.go(StageName.PUBLISH);
    choose("#publish-quality", 70);
    assertThat(draft(work).changed()).isTrue();
    recipeAct("recipe-keep-as");
    Window.run(() -> window.find("#recipe-name", TextField.class).setText("Notice board"));
    fire("#recipe-keep-name");
    assertThat(draft(work).changed()).isFalse();
    assertThat(window.desk.recipes().own())
        .extracting(Recipe::name)
        .containsExactly("Notice board");
    recipeAct("recipe-rename");
    Window.run(() -> window.find("#recipe-name", TextField.class).setText("Notices"));
    fire("#recipe-keep-name");
    assertThat(window.desk.recipes().own()).extracting(Recipe::name).containsExactly("Notices");
    recipeAct("recipe-add-docx");
    assertThat(draft(work).recipe().outputs()).hasSize(2);
    recipeAct("recipe-keep");
    fire("#publish-output-1");
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    assertThat(folder.resolve("Winter storage notice published.pdf")).exists();
    assertThat(folder.resolve("Winter storage notice published.docx")).exists();
    recipeAct("recipe-forget");
    assertThat(window.desk.recipes().own()).isEmpty();
    Window.run(() ->
        window
            .desk
            .noticeProperty()
            .get()
            .orElseThrow()
            .answers()
            .getFirst()
            .withText()
            .accept(""));
    window.settle();
    assertThat(window.desk.recipes().own()).extracting(Recipe::name).containsExactly("Notices");
  }

  @Test
  void somethingIsNotedAboutTheSelectionAndSettled() {
    Work work = revise("Winter storage notice.docx");
    Paragraph p = document(work).paragraphs().getFirst();
    Window.run(() -> work.select(new Selection(new Position(p.id(), 0), new Position(p.id(), 6))));
    window.until(() -> !window.find("#remark-add", Button.class).isDisabled());
    Window.run(() -> window.find("#remark-text", TextField.class).setText("Ask the crane driver"));
    fire("#remark-add");
    assertThat(document(work).paragraphs().getFirst().inlines().getFirst().look())
        .extracting(l -> l.value(TextTraits.COMMENTS).getFirst().text())
        .isEqualTo("Ask the crane driver");
    Window.run(() -> work.select(Selection.at(new Position(p.id(), 3))));
    window.until(() -> !window.find("#remarks", Pane.class).getChildren().isEmpty());
    fire("#remark-settle");
    window.until(() -> window.find("#remarks", Pane.class).getChildren().isEmpty());
    assertThat(document(work).paragraphs().getFirst().inlines())
        .noneMatch(i -> i.look().sets(TextTraits.COMMENTS));
  }

  @Test
  void aFormIsPublishedToBeFilledInUnlessThatIsUnchosen() throws IOException {
    Work work = revise("Berth application.pdf");
    window.go(StageName.PUBLISH);
    fire("#group-keeping");
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    assertThat(Window.on(() -> work.receiptProperty().get().orElseThrow().verified())).isTrue();
    try (PDDocument pdf =
        Loader.loadPDF(folder.resolve("Berth application published.pdf").toFile())) {
      assertThat(pdf.getDocumentCatalog().getAcroForm().getField("vessel").getValueAsString())
          .isEqualTo("Curlew");
    }
    CheckBox blanks = window.find("#publish-blanks", CheckBox.class);
    Window.run(blanks::fire);
    assertThat(draft(work).recipe().outputs().getFirst())
        .extracting(
            o -> ((decant.recipe.Output.Pdf) o).settings().conformance().enclosures().fields())
        .isEqualTo(false);
    choose("#publish-standard", decant.pdf.choices.Conformance.Standard.A2B);
    window.until(() -> Window.on(blanks::isDisabled));
  }

  @Test
  void anOlderOfficeCopyIsDoc() throws IOException {
    Work work = revise("Winter storage notice.docx");
    window.go(StageName.PUBLISH);
    choose("#publish-recipe", "Older office copy");
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    assertThat(Window.on(() -> work.receiptProperty().get().orElseThrow().verified())).isTrue();
    Path made = folder.resolve("Winter storage notice published.doc");
    assertThat(decant.format.Formats.recognise(made)).isEqualTo(decant.format.Formats.older());
  }

  @Test
  void anOfficeCopyIsLockedAndBringsItsFonts() throws Exception {
    Work work = revise("Berth rules.pdf");
    window.go(StageName.PUBLISH);
    choose("#publish-recipe", "Office copy");
    fire("#group-office-fonts");
    choose("#publish-office-fonts", decant.recipe.FontsInside.USED);
    javafx.scene.control.Label adds =
        window.find("#publish-office-fonts-adds", javafx.scene.control.Label.class);
    window.until(() -> Window.on(adds::getText).contains(" adds "));
    fire("#group-office-lock");
    CheckBox lock = window.find("#publish-office-lock", CheckBox.class);
    Window.run(() -> lock.setSelected(true));
    window.until(() ->
        Window.on(() ->
            window
                .find("#group-office-lock-warning", javafx.scene.control.Label.class)
                .isVisible()));
    window.fill("#publish-office-password", "high tide");
    window.fill("#publish-office-password-again", "high tide");
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    assertThat(Window.on(() -> work.receiptProperty().get().orElseThrow().verified())).isTrue();
    Path made =
        Window.on(() -> work.receiptProperty().get().orElseThrow().files().getFirst().file());
    var request = decant.reading.ReadRequest.of(made);
    org.assertj.core.api.Assertions.assertThatThrownBy(() -> decant.format.Intake.take(request))
        .isInstanceOf(decant.reading.ReadProblem.class);
    var taken = decant.format.Intake.take(request.withPassword("high tide"));
    assertThat(taken.document().styles().typesetting().fonts()).isNotEmpty();
  }

  @Test
  void whatCannotBeLockedSaysSo() throws IOException {
    revise("Winter storage notice.docx");
    window.go(StageName.PUBLISH);
    choose("#publish-recipe", "Older office copy");
    CheckBox lock = window.find("#publish-office-lock", CheckBox.class);
    window.until(() -> Window.on(lock::isDisabled));
    assertThat(
            Window.on(
                window.find("#publish-office-lock-means", javafx.scene.control.Label.class)
                    ::getText))
        .contains("DOC cannot be locked");
  }

  @Test
  void aPictureIsDescribedWhereTheStandardAsksForIt() throws IOException {
    Work work = revise("Berth rules.pdf");
    window.go(StageName.PUBLISH);
    choose("#publish-recipe", "Archive copy");
    window.until(() -> !window.find("#publish-lacks", Pane.class).getChildren().isEmpty());
    fire("#group-keeping");
    Pane lacks = window.find("#publish-lacks", Pane.class);
    int before = Window.on(() -> lacks.getChildren().size());
    Window.run(() -> {
      Pane last = (Pane) lacks.getChildren().get(before - 1);
      Pane line = (Pane) last.getChildren().get(1);
      TextField field =
          (TextField)
              line.getChildren().stream()
                  .filter(TextField.class::isInstance)
                  .findFirst()
                  .orElseThrow();
      field.setText("A pontoon with four berths");
      ((Button) line.getChildren().getLast()).fire();
    });
    window.until(() -> lacks.getChildren().size() == before - 1);
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    assertThat(Window.on(() -> work.receiptProperty().get().orElseThrow().verified())).isTrue();
    try (PDDocument pdf = Loader.loadPDF(folder.resolve("Berth rules published.pdf").toFile())) {
      assertThat(pdf.getDocumentCatalog().getStructureTreeRoot()).isNotNull();
    }
    Window.run(() -> work.apply(decant.model.edit.Revision::undo));
    window.until(() -> lacks.getChildren().size() == before);
  }

  @Test
  void whatIsPublishedAndQueuedWaitsInTheOutTray() {
    Work work = revise("Winter storage notice.docx");
    window.go(StageName.PUBLISH);
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    fire("#receipt-out-tray");
    assertThat(window.desk.waiting().outTray().files()).hasSize(1);
    Window.run(() -> window.find("#publish-then-out-tray", CheckBox.class).setSelected(true));
    Window.run(() -> window.find("#publish-stem", TextField.class).setText("At once"));
    window.settle();
    Window.run(() -> work.receiptProperty().set(java.util.Optional.empty()));
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    assertThat(window.desk.waiting().outTray().files()).hasSize(2);
    Window.run(() -> window.find("#publish-stem", TextField.class).setText("For later"));
    window.settle();
    fire("#publish-later");
    assertThat(window.desk.waiting().queue().all()).hasSize(1);
    assertThat(folder.resolve("For later.pdf")).doesNotExist();
    window.click("#foot-out-tray");
    window.until(() -> window.desk.stepProperty().get() == StageName.OUT_TRAY);
    fire("#queue-publish");
    window.until(() -> notice().startsWith("1 file published"));
    assertThat(folder.resolve("For later.pdf")).exists();
    assertThat(window.desk.waiting().queue().all()).isEmpty();
    assertThat(window.desk.waiting().outTray().files()).hasSize(3);
  }

  @Test
  void addressesAreSeenAsTheLinksThatTheyBecome() {
    Work work = revise("Winter storage notice.docx");
    Window.run(
        () -> work.select(Selection.at(new Position(document(work).paragraphs().get(1).id(), 0))));
    Window.run(
        () -> work.apply(r -> decant.model.edit.Commands.insert(r, "office@saltmarsh.example ")));
    window.go(StageName.PUBLISH);
    Window.run(() -> window.find("#publish-addresses", CheckBox.class).setSelected(true));
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    Receipt r = Window.on(() -> work.receiptProperty().get().orElseThrow());
    assertThat(r.verified()).isTrue();
    try (PDDocument pdf = Loader.loadPDF(r.files().getFirst().file().toFile())) {
      assertThat(pdf.getPage(0).getAnnotations()).isNotEmpty();
    } catch (IOException e) {
      throw new AssertionError(e);
    }
  }

  @Test
  void aPictureIsLookedAtCloser() {
    revise("Berth rules.pdf");
    window.go(StageName.PUBLISH);
    window.until(() -> window.stage.getScene().lookup("#picture-closer-1") != null);
    fire("#picture-closer-1");
    window.until(() -> window.find("#picture-whole", ImageView.class).getImage() != null);
    fire("#picture-back");
    window.until(() -> window.stage.getScene().lookup("#picture-whole") == null);
  }

  @Test
  void bothSidesOfTheProofScrollTogether() {
    window.takeIn(copy("Berth rules.pdf"));
    window.go(StageName.PROOF);
    PagesView left = window.find("#proof-source", PagesView.class);
    PagesView right = window.find("#proof-revision", PagesView.class);
    window.until(() -> left.settled() && right.settled());
    Window.run(() -> left.scrollBy(2500));
    assertThat(Window.on(left::scrollShare)).isPositive();
    assertThat(Window.on(right::scrollShare))
        .isBetween(Window.on(left::scrollShare) - 0.01, Window.on(left::scrollShare) + 0.01);
  }

  @Test
  void unsavedChangesOutliveACrash() {
    Work work = revise("Winter storage notice.docx");
    caret(work, document(work).index().order().getFirst(), 0);
    window.type("Kept ");
    window.desk.keepUnsaved();
    window.close(); // without saving, as in a crash
    window = Window.open(folder.resolve("state"));
    Window.run(window.desk::offerRecovery);
    window.until(() -> notice().contains("can be recovered"));
    window.clickLabelled("Recover");
    window.until(() -> window.desk.work().isPresent());
    assertThat(document(window.work()).paragraphs().getFirst().text()).startsWith("Kept ");
    assertThat(Window.on(() -> window.work().unsaved())).isTrue();
    window.press(KeyCode.CONTROL, KeyCode.S);
    window.until(() -> notice().startsWith("Saved as"));
    assertThat(folder.resolve("Winter storage notice revised.docx")).exists();
    try (var files = Files.list(folder.resolve("state/recovery"))) {
      assertThat(files.filter(f -> f.toString().endsWith(".work"))).isEmpty();
    } catch (IOException e) {
      throw new AssertionError(e);
    }
  }

  @Test
  void whatWasTickedOutlivesACrashWithoutAnyOtherChange() {
    Work work = revise("Winter storage notice.docx");
    var ticks =
        new Ticks(
            Set.of(
                new Difference.Said(
                    Difference.Kind.TEXT,
                    Difference.Change.CHANGED,
                    Optional.of("May"),
                    Optional.of("June"),
                    Set.of())));
    Window.run(() -> work.proofing().ticksProperty().set(ticks));
    window.desk.keepUnsaved();
    window.until(() -> recoveries() == 1);
    window.close(); // as in a crash
    window = Window.open(folder.resolve("state"));
    Window.run(window.desk::offerRecovery);
    window.until(() -> notice().contains("can be recovered"));
    window.clickLabelled("Recover");
    window.until(() -> window.desk.work().isPresent());
    assertThat(Window.on(() -> window.work().proofing().ticksProperty().get())).isEqualTo(ticks);
    // Saved and closed as usual, nothing is offered again.
    window.press(KeyCode.CONTROL, KeyCode.S);
    window.until(() -> notice().startsWith("Saved as"));
    window.desk.keepUnsaved();
    assertThat(Window.on(() -> window.desk.closing().mayClose())).isTrue();
    assertThat(recoveries()).isZero();
  }

  @Test
  void theTrayRemembersWhatWasTakenIn() {
    window.takeIn(copy("Berth rules.pdf"));
    window.click("#foot-tray");
    window.until(() ->
        list("#tray-list").getItems().contains(folder.resolve("Berth rules.pdf").toAbsolutePath()));
    var again = new Desk(folder.resolve("state"));
    assertThat(again.tray().documents())
        .contains(folder.resolve("Berth rules.pdf").toAbsolutePath());
  }

  @Test
  void everyActionHasANameOfItsOwnAndNoTwoShareAShortcut() {
    List<Action> actions = window.frame.actions().all();
    assertThat(actions).extracting(Action::id).doesNotHaveDuplicates();
    var shortcuts = new ArrayList<String>();
    actions.forEach(a -> a.shortcuts().forEach(s -> shortcuts.add(s.getName())));
    assertThat(shortcuts).doesNotHaveDuplicates();
    assertThat(actions).allSatisfy(a -> assertThat(a.name()).isNotBlank());
  }
}
