package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import decant.desktop.page.PagesView;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Outline;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.finding.Finding;
import decant.model.finding.FindingGroup;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.publish.Receipt;
import decant.reading.Active;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** What is said about a document is so, and said once. */
class FindingsAndLooksTest extends WindowCase {
  private List<FindingGroup> groups() {
    return Window.on(
        () -> list("#findings").getItems().stream().map(g -> (FindingGroup) g).toList());
  }

  private void select(FindingGroup g) {
    Window.run(() -> list("#findings").getSelectionModel().select(g));
    window.settle();
  }

  private Work taken(Paragraph... paragraphs) {
    return window.takeIn(Made.docx(folder.resolve("Fonts.docx"), paragraphs));
  }

  private static Look in(String family) {
    return Look.of(TextTraits.FAMILY, family);
  }

  @Test
  void replacedFontsAreOneCountAndOneList() {
    Work work =
        taken(
            Made.text("In Calibri. ", in("Calibri")),
            Made.text("In Arial.", in("Arial")),
            Made.text("In a font of nobody's.", in("Quayside Grotesk")),
            Made.text("In a font that ships.", in("Liberation Sans")));
    List<Finding> fonts =
        Window.on(work::openFindings).stream()
            .filter(f -> f.kind() == Finding.Kind.FONT_REPLACED)
            .toList();
    assertThat(fonts)
        .extracting(Finding::message)
        .anyMatch(m -> m.contains("Calibri") && m.contains("Carlito"))
        .anyMatch(m -> m.contains("Arial") && m.contains("Liberation Sans"))
        .anyMatch(m -> m.contains("Quayside Grotesk"))
        .hasSize(3);
    window.until(
        () -> window.find("#foot-fonts", Button.class).getText().equals("3 replaced fonts"));
    assertThat(window.find("#foot-findings", Button.class).getText())
        .isEqualTo(Window.on(work::openFindings).size() + " findings");
    window.click("#foot-fonts");
    window.until(() -> window.desk.stepProperty().get() == StageName.TAKE_IN);
    assertThat(groups().stream().mapToInt(g -> g.findings().size()).sum())
        .as("the list of that count")
        .isEqualTo(3);
    assertThat(groups())
        .allSatisfy(g -> assertThat(g.kind()).isEqualTo(Finding.Kind.FONT_REPLACED));
    // What is left as it is counts in neither.
    select(groups().getFirst());
    window.click("#finding-leave");
    window.until(
        () -> window.find("#foot-fonts", Button.class).getText().equals("2 replaced fonts"));
  }

  @Test
  void whatIsOnNoSheetIsToldWhereItIsTakenInAndWhereItIsPublished() {
    var adrift = Made.adrift("reserved");
    Work work =
        window.takeIn(
            Made.docx(
                folder.resolve("Adrift.docx"),
                Map.of(adrift.getValue().id(), adrift.getValue()),
                adrift.getKey()));
    window.until(() ->
        work.openFindings().stream()
            .anyMatch(f ->
                f.severity() == Finding.Severity.LOSS
                    && f.message().contains("edge of the sheet")
                    && f.message().contains("served")));
    window.go(StageName.PUBLISH);
    window.until(() ->
        window.stage.getScene().getRoot().lookupAll(".label").stream()
            .anyMatch(n ->
                n.isVisible() && ((Label) n).getText().contains("◆ On page 1 text runs over")));
  }

  @Test
  void alikeFindingsAreOneEntryWhosePlacesAreGoneThrough() {
    Work work = window.takeIn(Made.coarse(folder.resolve("Pontoons.pdf"), 5));
    window.go(StageName.TAKE_IN);
    List<Finding> all = Window.on(work::openFindings);
    List<FindingGroup> entries = groups();
    assertThat(entries.size()).isLessThan(all.size());
    assertThat(entries.stream().mapToInt(g -> g.findings().size()).sum()).isEqualTo(all.size());
    FindingGroup many =
        entries.stream().filter(g -> g.findings().size() > 1).findFirst().orElseThrow();
    int n = many.findings().size();
    select(many);
    assertThat(window.find("#finding-place", Label.class).getText()).isEqualTo("1 of " + n);
    assertThat(Window.on(() -> work.shownFindingProperty().get()))
        .contains(many.findings().getFirst());
    window.click("#finding-next");
    assertThat(window.find("#finding-place", Label.class).getText()).isEqualTo("2 of " + n);
    assertThat(Window.on(() -> work.shownFindingProperty().get())).contains(many.findings().get(1));
    Window.run(() -> window.stage.getScene().lookup("#findings").requestFocus());
    window.press(KeyCode.LEFT);
    assertThat(Window.on(() -> work.shownFindingProperty().get()))
        .contains(many.findings().getFirst());
    window.press(KeyCode.LEFT);
    assertThat(Window.on(() -> work.shownFindingProperty().get()))
        .as("and round")
        .contains(many.findings().getLast());
  }

  @Test
  @SuppressWarnings("unchecked")
  void findingsAreFilteredByKind() {
    window.takeIn(copy("Berth application.pdf"));
    window.go(StageName.TAKE_IN);
    ComboBox<Object> kinds = window.find("#findings-kind", ComboBox.class);
    int all = groups().size();
    assertThat(Window.on(() -> kinds.getItems().size())).isGreaterThan(2);
    Window.run(() -> kinds.getSelectionModel().select(java.util.Optional.of(Finding.Kind.FORM)));
    window.settle();
    assertThat(groups())
        .isNotEmpty()
        .allSatisfy(g -> assertThat(g.kind()).isEqualTo(Finding.Kind.FORM));
    Window.run(() -> kinds.getSelectionModel().select(0));
    window.settle();
    assertThat(groups()).hasSize(all);
  }

  @Test
  void aMendedFindingIsOpenAgainOnceItIsUndone() {
    Work work = window.takeIn(Made.letter(folder.resolve("Letter.pdf")));
    window.go(StageName.TAKE_IN);
    FindingGroup suspected =
        groups().stream()
            .filter(g -> g.kind() == Finding.Kind.HEADING_SUSPECTED)
            .findFirst()
            .orElseThrow();
    int before = Window.on(() -> work.openFindings().size());
    int headings = Outline.headings(document(work)).size();
    select(suspected);
    window.click("#finding-accept");
    assertThat(Outline.headings(document(work))).hasSize(headings + 1);
    assertThat(Window.on(() -> work.openFindings().size())).isEqualTo(before - 1);
    Window.run(() -> window.stage.getScene().lookup("#take-in-result").requestFocus());
    window.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(Outline.headings(document(work))).hasSize(headings);
    assertThat(Window.on(() -> work.openFindings().size())).as("open again").isEqualTo(before);
    window.press(KeyCode.CONTROL, KeyCode.Y);
    assertThat(Window.on(() -> work.openFindings().size())).isEqualTo(before - 1);
  }

  @Test
  void aLargeBoldTitleThatIsMadeAHeadingLooksAsItDid() {
    Look loud = Look.of(TextTraits.SIZE, 28.0).with(TextTraits.BOLD, true);
    Work work =
        taken(Made.text("Winter storage", loud), Made.text(Made.PROSE.repeat(2), Look.PLAIN));
    NodeId title = document(work).index().order().getFirst();
    window.go(StageName.REVISE);
    caret(work, title, 2);
    double before = lineHeight(work);
    window.press(KeyCode.CONTROL, KeyCode.ALT, KeyCode.DIGIT1);
    Document d = document(work);
    assertThat(d.headingLevel(d.requireParagraph(title))).isEqualTo(1);
    Paragraph p = d.requireParagraph(title);
    Look seen = d.styles().textLook(d.styles().textBase(p.look()), p.lookAt(1));
    assertThat(seen.value(TextTraits.SIZE)).isEqualTo(28.0);
    assertThat(seen.value(TextTraits.BOLD)).isTrue();
    assertThat(lineHeight(work)).isEqualTo(before);
  }

  private static double lineHeight(Work w) {
    return Window.on(
        () -> decant.layout.Places.lines(w.layout().pages().getFirst()).getFirst().line().height());
  }

  @Test
  void whatIsNotTheSameEverywhereIsSaidToBeMixed() {
    Work work =
        taken(
            Made.text("In Carlito.", in("Carlito").with(TextTraits.SIZE, 12.0)),
            Made.text("In sans.", in("Liberation Sans").with(TextTraits.BOLD, true)));
    window.go(StageName.REVISE);
    window.until(() -> ((PagesView) window.stage.getScene().lookup("#pages")).settled());
    List<NodeId> order = document(work).index().order();
    Window.run(() ->
        work.select(new Selection(new Position(order.get(0), 0), new Position(order.get(1), 4))));
    window.until(() -> combo("#look-family").getValue() == null);
    assertThat(combo("#look-family").getPromptText()).isEqualTo("mixed");
    assertThat(combo("#look-size").getPromptText()).isEqualTo("mixed");
    assertThat(window.find("#look-bold", ToggleButton.class).getStyleClass()).contains("mixed");
    assertThat(combo("#look-level").getValue()).as("both are body text").isEqualTo("Body text");
    Window.run(() ->
        work.select(new Selection(new Position(order.get(0), 0), new Position(order.get(0), 4))));
    window.until(() -> "Carlito".equals(combo("#look-family").getValue()));
    assertThat(combo("#look-size").getValue()).isEqualTo("12");
    assertThat(window.find("#look-bold", ToggleButton.class).getStyleClass())
        .doesNotContain("mixed");
    // Headings and text together are mixed too.
    window.press(KeyCode.CONTROL, KeyCode.ALT, KeyCode.DIGIT1);
    Window.run(() ->
        work.select(new Selection(new Position(order.get(0), 0), new Position(order.get(1), 4))));
    window.until(() -> combo("#look-level").getValue() == null);
    assertThat(Window.on(() -> combo("#look-level").getButtonCell().getText())).isEqualTo("mixed");
  }

  /** What is made in Revise is listed, and both sides go to where it is. */
  @Test
  void theProofListsWhatDiffers() throws IOException {
    Work work = revise("Berth rules.pdf");
    window.go(StageName.PROOF);
    Label said = window.find("#proof-differ", Label.class);
    window.until(() -> said.getText().endsWith("as they were taken in."));
    window.go(StageName.REVISE);
    Paragraph last = work.revision().document().paragraphs().getLast();
    caret(work, last.id(), 0);
    window.type("Lighthouse ");
    window.go(StageName.PROOF);
    window.until(() -> said.getText().startsWith("One difference. All were made in Revise."));
    ListView<?> list = window.find("#proof-differences", ListView.class);
    assertThat(Window.on(() -> list.getItems().size())).isEqualTo(1);
    PagesView right = window.find("#proof-revision", PagesView.class);
    window.until(right::settled);
    Window.run(() -> list.getSelectionModel().select(0));
    assertThat(Window.on(right::scrollShare)).isPositive();
    assertThat(said.getText()).endsWith("One is not ticked yet.");
    window.go(StageName.PUBLISH);
    Label proofed = window.find("#publish-proofed", Label.class);
    window.until(() -> proofed.isVisible() && proofed.getText().startsWith("One difference"));
    window.go(StageName.PROOF);
    CheckBox tick = (CheckBox) Window.on(() -> list.lookup(".check-box"));
    Window.run(tick::fire);
    window.until(() -> said.getText().endsWith("All are ticked."));
    window.click("#proof-sheet");
    Path sheet = work.draftProperty().get().folder().resolve("Berth rules proof sheet.pdf");
    window.until(() -> Files.exists(sheet));
    try (var pdf = org.apache.pdfbox.Loader.loadPDF(sheet.toFile())) {
      assertThat(new org.apache.pdfbox.text.PDFTextStripper().getText(pdf))
          .contains("1 of them ticked")
          .contains("Lighthouse");
    }
    window.go(StageName.PUBLISH);
    window.until(() -> proofed.getText().startsWith("All differences"));
    // Another change is not ticked because one was.
    window.go(StageName.REVISE);
    caret(work, last.id(), 0);
    window.type("Old ");
    window.go(StageName.PUBLISH);
    window.until(() -> proofed.getText().startsWith("One difference"));
  }

  @Test
  void bothSidesAreSeenByTurnsInOnePlace() {
    revise("Berth rules.pdf");
    window.go(StageName.PROOF);
    PagesView left = window.find("#proof-source", PagesView.class);
    PagesView right = window.find("#proof-revision", PagesView.class);
    window.until(() -> left.settled() && right.settled());
    Window.run(() -> window.find("#proof-over", ToggleButton.class).fire());
    window.until(() -> shown(right) && !shown(left));
    window.until(() -> shown(left) && !shown(right));
    assertThat(Window.on(() -> left.localToScene(0, 0)))
        .isEqualTo(Window.on(() -> right.localToScene(0, 0)));
    Window.run(() -> window.find("#proof-over", ToggleButton.class).fire());
    window.until(() -> shown(left) && shown(right));
  }

  private static boolean shown(Node n) {
    return Window.on(() -> n.getParent().isVisible());
  }

  @Test
  void takingInCountsPages() {
    Path file = Made.pdf(folder.resolve("Pontoons.pdf"), 40);
    var told = java.util.Collections.synchronizedList(new java.util.ArrayList<String>());
    Window.run(() ->
        window
            .desk
            .jobs()
            .shownProperty()
            .addListener((o, was, is) -> is.ifPresent(b -> told.add(b.label()))));
    window.takeIn(file);
    assertThat(told).anyMatch(t -> t.matches("Taking in Pontoons\\.pdf: page \\d+ of 40"));
  }

  /** Where nothing acts nothing is asked; where something does, it is left out unless chosen. */
  @Test
  void whatActsIsAskedAboutWhereThereIsAny() throws IOException {
    revise("Berth rules.pdf");
    window.go(StageName.PUBLISH);
    assertThat(window.find("#group-active", Node.class).getParent().isVisible()).isFalse();
    Path tides =
        Made.docx(
            folder.resolve("tides.docx"),
            Made.text(
                "Tides", Look.of(TextTraits.LINK, new Link.External("file:///g:/tides.xls"))));
    Work work = window.takeIn(tides);
    window.go(StageName.PUBLISH);
    assertThat(window.find("#group-active", Node.class).getParent().isVisible()).isTrue();
    window.until(() -> !window.find("#publish-busy", Node.class).isVisible());
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    assertThat(made(work)).doesNotContain("/Link");
    Window.run(() -> window.find("#publish-active", CheckBox.class).setSelected(true));
    Window.run(() -> window.find("#publish-stem", TextField.class).setText("with"));
    window.settle();
    assertThat(draft(work).recipe().active()).isEqualTo(Active.KEEP);
    Window.run(() -> work.receiptProperty().set(Optional.empty()));
    window.click("#publish-go");
    window.until(() -> work.receiptProperty().get().isPresent());
    assertThat(made(work)).contains("/Link");
  }

  private static String made(Work work) throws IOException {
    Receipt r = Window.on(() -> work.receiptProperty().get().orElseThrow());
    assertThat(r.verified()).isTrue();
    return Files.readString(r.files().getFirst().file(), StandardCharsets.ISO_8859_1);
  }
}
