package decant.desktop.publish;

import decant.desktop.shell.Desk;
import decant.desktop.shell.Step;
import decant.pdf.verify.Check;
import decant.publish.Receipt;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/** What was made and verified, and what can be done with it. */
final class ReceiptPanel {
  private final Desk desk;
  private final VBox root = new VBox(6);

  ReceiptPanel(Desk desk) {
    this.desk = desk;
    root.setId("receipt");
  }

  Node node() {
    return root;
  }

  void show(Optional<Receipt> made) {
    root.getChildren().clear();
    if (made.isEmpty()) {
      return;
    }
    Receipt r = made.get();
    var head = new Label(r.verified() ? "Published and verified" : "Written, but not verified");
    head.getStyleClass().add("receipt-head");
    head.setId("receipt-head");
    String count =
        r.files().size() == 1
            ? r.pages() + (r.pages() == 1 ? " page, " : " pages, ")
            : r.files().size() + " files, ";
    var size =
        new Label(
            count
                + Choosing.size(r.bytes())
                + " bytes, "
                + String.format(Locale.ROOT, "%.1f", r.took().toMillis() / 1000.0)
                + " s");
    size.getStyleClass().add("figure");
    var look = new Button("Open beside the original");
    look.setId("receipt-open");
    look.setOnAction(e -> desk.go(Step.PROOF));
    var folder = new Button("Show the folder");
    folder.setId("receipt-folder");
    folder.setOnAction(e -> desk.showFolder(r.files().getFirst().file()));
    var out = new Button("Put into the Out-tray");
    out.setId("receipt-out-tray");
    out.setOnAction(e -> desk.layIntoOutTray(r));
    root.getChildren().addAll(head, size, new FlowPane(6, 6, look, folder, out));
    var lines = new VBox(4);
    int passed = 0;
    int all = 0;
    for (Receipt.Made m : r.files()) {
      var name = new Label(m.file().getFileName().toString());
      name.getStyleClass().add("finding-kind");
      name.setWrapText(true);
      lines.getChildren().add(name);
      for (Check c : m.checks()) {
        all++;
        passed += c.passed() ? 1 : 0;
        if (r.files().size() > 1 && c.passed()) {
          continue; // what failed is what a person has to see among many
        }
        var line = new Label((c.passed() ? "✓ " : "■ ") + c.name() + ": " + c.detail());
        line.setWrapText(true);
        if (!c.passed()) {
          line.getStyleClass().add("problem-text");
        }
        lines.getChildren().add(line);
      }
      var hash = new javafx.scene.control.TextField(m.sha256());
      hash.setEditable(false);
      hash.setAccessibleText("SHA-256");
      lines.getChildren().add(Choosing.line("SHA-256", hash));
    }
    var checks = new Group("group-checks", "Checks", lines);
    checks.say(passed + " of " + all + " passed");
    if (passed < all) {
      checks.unfold();
    }
    root.getChildren().add(checks.node());
  }
}
