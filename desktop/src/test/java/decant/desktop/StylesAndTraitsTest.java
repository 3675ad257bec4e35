package decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.desktop.page.PagesView;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.edit.style.StyleEdits;
import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TextTraits;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.PopupWindow;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Styles are made, changed, renamed and removed in the side, and every trait tells its origin. */
class StylesAndTraitsTest extends WindowCase {
  private static final Look RED =
      Look.of(TextTraits.COLOUR, Colour.parse("B3261E")).with(TextTraits.SIZE, 14.0);

  private Work work;

  @BeforeEach
  void document() {
    work =
        window.takeIn(
            Made.docx(
                folder.resolve("Rules.docx"),
                Made.text("No mooring at the steps", RED),
                Made.text("No fires on board", Look.PLAIN),
                Made.text(Made.PROSE, Look.PLAIN)));
    window.go(StageName.REVISE);
    window.until(() -> ((PagesView) window.stage.getScene().lookup("#pages")).settled());
    caret(work, paragraph(0).id(), 3);
  }

  private Paragraph paragraph(int k) {
    return document(work).paragraphs().get(k);
  }

  private Look shown(int k) {
    Document d = document(work);
    Paragraph p = d.paragraphs().get(k);
    return d.styles().textLook(d.styles().textBase(p.look()), p.inlineAt(0).look());
  }

  private String style(int k) {
    return StyleEdits.of(document(work), paragraph(k));
  }

  private void name(String typed) {
    Window.run(() -> window.find("#style-name", TextField.class).setText(typed));
  }

  private void pick(String styleName) {
    Window.run(() -> {
      @SuppressWarnings("unchecked")
      var list = (ListView<StyleEdits.Use>) window.stage.getScene().lookup("#styles");
      list.getItems().stream()
          .filter(u -> u.style().name().equals(styleName))
          .findFirst()
          .ifPresent(u -> list.getSelectionModel().select(u));
    });
  }

  @Test
  void aStyleIsMadeUsedChangedRenamedAndRemoved() {
    window.click("#side-styles");
    window.until(() -> window.stage.getScene().lookup("#styles") != null);
    name("Warning");
    fire("#style-new");
    assertThat(StyleEdits.named(document(work), "Warning")).isPresent();
    assertThat(style(0)).isEqualTo("Warning");
    caret(work, paragraph(1).id(), 2);
    window.settle();
    pick("Warning");
    fire("#style-use");
    assertThat(style(1)).isEqualTo("Warning");
    assertThat(shown(1).value(TextTraits.COLOUR)).isEqualTo(Colour.parse("B3261E"));
    // What is changed here goes into the style, and serves the other too.
    Window.run(() ->
        work.select(
            new Selection(
                new Position(paragraph(1).id(), 0),
                new Position(paragraph(1).id(), paragraph(1).length()))));
    window.press(KeyCode.CONTROL, KeyCode.I);
    window.until(() -> !window.find("#style-take", Button.class).isDisabled());
    fire("#style-take");
    assertThat(shown(0).value(TextTraits.ITALIC)).isTrue();
    name("Danger");
    fire("#style-rename");
    assertThat(StyleEdits.named(document(work), "Danger")).isPresent();
    pick("Danger");
    fire("#style-remove");
    assertThat(StyleEdits.named(document(work), "Danger")).isEmpty();
    assertThat(shown(0).value(TextTraits.ITALIC)).isFalse();
    Window.run(() -> window.find("#pages", Node.class).requestFocus());
    window.press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(shown(0).value(TextTraits.ITALIC)).as("one undo").isTrue();
  }

  @Test
  void everyTraitSaysWhereItComesFromAndGoesBack() {
    window.click("#side-details");
    window.until(() -> window.stage.getScene().lookup("#details-panel") != null);
    window.until(() -> window.find("#origin-size", Button.class).getText().equals("here ×"));
    assertThat(window.find("#trait-size", TextField.class).getText()).isEqualTo("14");
    assertThat(window.find("#origin-letter-spacing", Button.class).getText()).isEqualTo("document");
    Window.run(() ->
        work.select(
            new Selection(
                new Position(paragraph(0).id(), 0),
                new Position(paragraph(0).id(), paragraph(0).length()))));
    window.settle();
    fire("#origin-size");
    assertThat(shown(0).value(TextTraits.SIZE)).isNotEqualTo(14);
    assertThat(window.find("#origin-size", Button.class).isDisabled()).isTrue();
    Window.run(() -> window.find("#trait-small-caps", CheckBox.class).fire());
    assertThat(shown(0).value(TextTraits.SMALL_CAPS)).isTrue();
    Window.run(() -> {
      TextField after = window.find("#trait-space-after", TextField.class);
      after.setText("12,5");
      after.getOnAction().handle(null);
    });
    assertThat(paragraph(0).look().value(ParagraphTraits.SPACE_AFTER)).isEqualTo(12.5);
    choose("#trait-line-pitch", "1.5 lines");
    assertThat(paragraph(0).look().sets(ParagraphTraits.LINE_PITCH)).isTrue();
    window.settle();
    assertThat(window.find("#trait-line-pitch", ComboBox.class).getValue()).isEqualTo("1.5 lines");
  }

  @Test
  void lettersHaveStylesToo() {
    window.click("#side-styles");
    window.until(() -> window.stage.getScene().lookup("#styles") != null);
    choose("#style-kind", "Styles of letters");
    Window.run(() ->
        work.select(
            new Selection(new Position(paragraph(1).id(), 0), new Position(paragraph(1).id(), 2))));
    window.press(KeyCode.CONTROL, KeyCode.B);
    name("Strong words");
    fire("#style-new");
    assertThat(StyleEdits.named(document(work), "Strong words")).isEmpty();
    Window.run(() ->
        work.select(
            new Selection(new Position(paragraph(1).id(), 4), new Position(paragraph(1).id(), 7))));
    pick("Strong words");
    fire("#style-use");
    Look use = paragraph(1).inlineAt(5).look();
    assertThat(use.value(TextTraits.CHARACTER_STYLE)).isEqualTo("Strongwords");
    assertThat(document(work).styles().textLook(Look.PLAIN, use).value(TextTraits.BOLD)).isTrue();
    assertThat(paragraph(1).inlineAt(3).look().sets(TextTraits.CHARACTER_STYLE)).isFalse();
  }

  @Test
  void tabStopsAndLinesAreSetAndGivenBack() {
    window.click("#side-details");
    window.until(() -> window.stage.getScene().lookup("#details-panel") != null);
    give("#trait-tabs", "40; 160 right .");
    assertThat(paragraph(0).look().value(ParagraphTraits.TABS)).hasSize(2);
    assertThat(paragraph(0).look().value(ParagraphTraits.TABS).getLast().leader())
        .isEqualTo(ParagraphTraits.TabStop.Leader.DOT);
    give("#trait-tabs", "nowhere");
    assertThat(window.find("#trait-tabs", TextField.class).getText())
        .as("what is no tab stop is taken back")
        .isEqualTo("40; 160 right .");
    choose("#trait-paragraph-rules", "below");
    give("#trait-rule-thickness", "2");
    Rules rules = paragraph(0).look().value(ParagraphTraits.RULES);
    assertThat(rules.bottom().orElseThrow().width()).isEqualTo(2);
    assertThat(rules.top()).contains(Rule.NONE);
    assertThat(window.find("#origin-paragraph-rules", Button.class).getText()).isEqualTo("here ×");
    fire("#origin-paragraph-rules");
    fire("#origin-tabs");
    assertThat(paragraph(0).look().sets(ParagraphTraits.RULES)).isFalse();
    assertThat(paragraph(0).look().sets(ParagraphTraits.TABS)).isFalse();
    assertThat(window.find("#trait-rule-thickness", TextField.class).isDisabled()).isTrue();
  }

  /** A width makes a frame of a paragraph of the flow; it is put where its text is wanted. */
  @Test
  void aParagraphIsPutInAFrameThatIsMovedAndGivenBack() {
    window.click("#side-details");
    window.until(() -> window.stage.getScene().lookup("#details-panel") != null);
    assertThat(window.find("#trait-frame-across", TextField.class).isDisabled()).isTrue();
    double before = firstLine().left();
    give("#trait-frame", "50");
    give("#trait-frame-across", "30");
    assertThat(firstLine().left()).isEqualTo(before + 30 * 72 / 25.4, within(0.5));
    double top = firstLine().top();
    give("#trait-frame-down", "20");
    assertThat(firstLine().top()).isEqualTo(top + 20 * 72 / 25.4, within(0.5));
    fire("#origin-frame");
    assertThat(firstLine().left()).isEqualTo(before, within(0.1));
  }

  private decant.layout.Places.PlacedLine firstLine() {
    NodeId id = paragraph(0).id();
    return Window.on(() ->
        decant.layout.Places.lines(work.layout().pages().getFirst()).stream()
            .filter(l -> l.paragraph().source().id().equals(id))
            .findFirst()
            .orElseThrow());
  }

  @Test
  void anyColourIsChosenByItsNumberAndTheDocumentsOwnComeFirst() {
    Window.run(() ->
        work.select(
            new Selection(new Position(paragraph(1).id(), 0), new Position(paragraph(1).id(), 2))));
    window.click("#look-colour-any");
    window.until(() -> popup("#colour-number") != null);
    assertThat(popup("#colour-B3261E")).as("the document has it").isNotNull();
    Window.run(() -> {
      TextField number = (TextField) popup("#colour-number");
      number.setText("#0a8");
      number.getOnAction().handle(null);
    });
    assertThat(shown(1).value(TextTraits.COLOUR)).isEqualTo(Colour.parse("00AA88"));
  }

  private static Node popup(String selector) {
    return Window.on(() ->
        javafx.stage.Window.getWindows().stream()
            .filter(w -> w instanceof PopupWindow)
            .map(w -> w.getScene().lookup(selector))
            .filter(java.util.Objects::nonNull)
            .findFirst()
            .orElse(null));
  }

  /** Only the panel in sight is kept up. */
  @Test
  void panelsOutOfSightDoNothing() {
    window.click("#side-styles");
    window.until(() -> window.stage.getScene().lookup("#styles") != null);
    ListView<?> styles = window.find("#styles", ListView.class);
    window.click("#side-outline");
    int before = Window.on(() -> styles.getItems().size());
    Window.run(() -> work.apply(r -> StyleEdits.create(r, "Unseen")));
    window.settle();
    assertThat(Window.on(() -> styles.getItems().size())).isEqualTo(before);
    window.click("#side-styles");
    window.until(() -> styles.getItems().size() == before + 1);
  }
}
