package decant.desktop.takein;

import decant.desktop.shell.Work;
import decant.model.Finding;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** What did not carry over and is not settled yet, the worst first; each with what can be done. */
final class FindingList extends VBox {
  private final Work work;
  private final Mends mends;
  private final Label summary = new Label();
  private final ListView<Finding> list = new ListView<>();

  FindingList(Work work, Mends mends) {
    super(8);
    this.work = work;
    this.mends = mends;
    var title = new Label("What did not carry over?");
    title.getStyleClass().add("side-title");
    summary.getStyleClass().add("quiet");
    summary.setWrapText(true);
    summary.setMinHeight(USE_PREF_SIZE);
    summary.setId("findings-summary");
    list.setId("findings");
    list.getStyleClass().add("findings");
    list.setCellFactory(v -> new FindingCell());
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener((o, was, is) -> work.shownFindingProperty().set(Optional.ofNullable(is)));
    VBox.setVgrow(list, Priority.ALWAYS);
    getChildren().addAll(title, summary, list);
    work.settledProperty().addListener(o -> refresh());
    refresh();
  }

  private void refresh() {
    List<Finding> open = new ArrayList<>(work.openFindings());
    open.sort(Comparator.comparing(Finding::severity));
    if (!open.equals(list.getItems())) {
      list.getItems().setAll(open);
    }
    int all = work.taken().findings().size();
    long lost = open.stream().filter(f -> f.severity() == Finding.Severity.LOSS).count();
    String count = open.size() + (open.size() == 1 ? " finding" : " findings");
    String settled = all > open.size() ? " " + (all - open.size()) + " settled." : "";
    summary.setText(
        all == 0
            ? "Everything came over; there is nothing to look at."
            : open.isEmpty()
                ? "All findings are settled."
                : count
                    + (lost > 0 ? ", " + lost + " of them a loss." : ", nothing is lost.")
                    + settled);
  }

  private FlowPane acts(Finding f) {
    var row = new FlowPane(5, 5);
    row.getStyleClass().add("finding-acts");
    mends
        .offer(f)
        .ifPresent(offer -> {
          row.getChildren().add(act(offer, "finding-accept", () -> mends.accept(List.of(f))));
          List<Finding> like = mends.like(f);
          if (like.size() > 1) {
            row.getChildren()
                .add(
                    act(
                        "All " + like.size() + " of these",
                        "finding-accept-all",
                        () -> mends.accept(like)));
          }
        });
    row.getChildren().add(act("Leave it so", "finding-leave", () -> work.settle(f)));
    return row;
  }

  private static Button act(String name, String id, Runnable run) {
    var b = new Button(name);
    b.setId(id);
    b.setOnAction(e -> run.run());
    return b;
  }

  private final class FindingCell extends ListCell<Finding> {
    FindingCell() {
      setPrefWidth(0); // as wide as the list, so that text wraps
      selectedProperty().addListener(o -> fill());
    }

    @Override
    protected void updateItem(Finding f, boolean empty) {
      super.updateItem(f, empty);
      fill();
    }

    private void fill() {
      Finding f = getItem();
      if (isEmpty() || f == null) {
        setGraphic(null);
        return;
      }
      // Told apart by shape and word.
      var sign =
          new Label(
              switch (f.severity()) {
                case LOSS -> "■";
                case DOUBT -> "◆";
                case NOTE -> "○";
              });
      sign.getStyleClass().add("finding-sign");
      var kind = new Label(f.kind().label());
      kind.getStyleClass().add("finding-kind");
      var severity =
          new Label(
              f.severity().label() + f.source().map(s -> " · page " + (s.page() + 1)).orElse(""));
      severity.getStyleClass().add("quiet");
      var head = new HBox(6, sign, kind, severity);
      head.setAlignment(Pos.BASELINE_LEFT);
      var message = new Label(f.message());
      message.setWrapText(true);
      var all = new VBox(2, head, message);
      if (isSelected()) {
        all.getChildren().add(acts(f));
      }
      setGraphic(all);
    }
  }
}
