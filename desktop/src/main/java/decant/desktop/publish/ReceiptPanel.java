package decant.desktop.publish;

import decant.desktop.shell.Desk;
import decant.desktop.shell.StageName;
import decant.publish.Receipt;
import decant.verify.Check;
import decant.words.Figures;
import decant.words.Words;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * What was made and verified, and what can be done with it: in short by the Publish button, where
 * its room is kept free, and check by check in place of the choices.
 */
final class ReceiptPanel {
  private static final Words WORDS = Words.of(ReceiptPanel.class);
  private static final double ROOM = 98;

  private final VBox brief = new VBox(4);
  private final Label head = new Label();
  private final Label figures = new Label();
  private final FlowPane acts = new FlowPane(5, 4);
  private final Button checks = quiet("", "receipt-checks");
  private final VBox lines = new VBox(4);
  private final VBox details = new VBox(8);
  private Optional<Receipt> shown = Optional.empty();

  /**
   * @param look puts the details in place of the choices, or the choices back
   */
  ReceiptPanel(Desk desk, java.util.function.Consumer<Boolean> look) {
    brief.setId("receipt");
    brief.setMinHeight(ROOM);
    brief.setPrefHeight(ROOM);
    brief.setMaxHeight(ROOM);
    head.setId("receipt-head");
    head.setWrapText(true);
    figures.getStyleClass().add("figure");
    figures.setId("receipt-figures");
    var open = quiet(WORDS.say("receipt-panel.open"), "receipt-open");
    open.setOnAction(e -> desk.go(StageName.PROOF));
    var folder = quiet(WORDS.say("receipt-panel.show-folder"), "receipt-folder");
    folder.setOnAction(e -> shown.ifPresent(r -> desk.showFolder(r.files().getFirst().file())));
    var out = quiet(WORDS.say("receipt-panel.out-tray"), "receipt-out-tray");
    out.setOnAction(e -> shown.ifPresent(desk.waiting()::layIntoOutTray));
    checks.setOnAction(e -> look.accept(true));
    acts.getChildren().addAll(open, folder, out, checks);
    brief.getChildren().addAll(head, figures, acts);
    var title = new Label(WORDS.say("receipt-panel.checks"));
    title.getStyleClass().add("side-title");
    title.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(title, Priority.ALWAYS);
    var back = quiet(WORDS.say("receipt-panel.back"), "receipt-back");
    back.setOnAction(e -> look.accept(false));
    var top = new HBox(6, title, back);
    top.setAlignment(Pos.CENTER_LEFT);
    details.setId("receipt-details");
    details.getStyleClass().add("side");
    details.getChildren().addAll(top, lines);
    clear("");
  }

  private static Button quiet(String words, String id) {
    var b = new Button(words);
    b.setId(id);
    b.getStyleClass().add("quiet-button");
    return b;
  }

  /** What stands by the Publish button. */
  Node brief() {
    return brief;
  }

  /** All checks, to be looked at in place of the choices. */
  ScrollPane details() {
    var scroll = new ScrollPane(details);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("side-scroll");
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    return scroll;
  }

  /** Shows no receipt, but why nothing can be published, if there is a reason. */
  void clear(String problem) {
    shown = Optional.empty();
    head.setText(problem.isEmpty() ? WORDS.say("receipt-panel.none") : problem);
    head.getStyleClass().setAll("label", problem.isEmpty() ? "quiet" : "problem-text");
    figures.setText("");
    acts.setVisible(false);
  }

  void show(Receipt r) {
    shown = Optional.of(r);
    head.setText(WORDS.say(r.verified() ? "receipt-panel.verified" : "receipt-panel.not-verified"));
    head.getStyleClass().setAll("label", "receipt-head");
    figures.setText(
        what(r)
            + ", "
            + Figures.size(r.bytes())
            + ", "
            + WORDS.say("receipt-panel.seconds", Figures.decimal(r.took().toMillis() / 1000.0, 1))
            + (r.files().stream().anyMatch(m -> m.remark().isPresent())
                ? WORDS.say("receipt-panel.anew")
                : ""));
    acts.setVisible(true);
    lines.getChildren().clear();
    int passed = 0;
    int all = 0;
    for (Receipt.Made m : r.files()) {
      Label name = wrapped(m.file().getFileName().toString());
      name.getStyleClass().add("finding-kind");
      lines.getChildren().add(name);
      for (Check c : m.checks()) {
        all++;
        passed += c.passed() ? 1 : 0;
        Label line =
            wrapped(
                WORDS.say(
                    c.passed() ? "receipt-panel.passed" : "receipt-panel.failed",
                    c.name(),
                    c.detail()));
        if (!c.passed()) {
          line.getStyleClass().add("problem-text");
        }
        lines.getChildren().add(line);
      }
      m.remark().ifPresent(said -> lines.getChildren().add(wrapped(said)));
      var hash = new TextField(m.sha256());
      hash.setEditable(false);
      hash.setAccessibleText("SHA-256");
      lines.getChildren().add(Choosing.line("SHA-256", hash));
    }
    checks.setText(WORDS.say("receipt-panel.checks-passed", passed, all));
  }

  private static Label wrapped(String text) {
    var label = new Label(text);
    label.setWrapText(true);
    return label;
  }

  /** Pages of one file that has pages; else its format, or how many files there are. */
  private static String what(Receipt r) {
    if (r.files().size() > 1) {
      return WORDS.count("receipt-panel.files", r.files().size());
    }
    Receipt.Made m = r.files().getFirst();
    return m.pages() > 0
        ? WORDS.count("receipt-panel.pages", m.pages())
        : m.format().toUpperCase(java.util.Locale.ROOT);
  }
}
