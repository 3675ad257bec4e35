package decant.desktop.revise;

import decant.desktop.shell.InSight;
import decant.desktop.shell.Work;
import decant.layout.Layout;
import decant.layout.pages.Page;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Outline;
import decant.words.Words;
import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/** The headings, to jump to. */
final class OutlinePanel extends VBox {
  private static final Words WORDS = Words.of(OutlinePanel.class);

  private final Work work;
  private final ListView<Outline.Heading> list = new ListView<>();
  private @Nullable Document shown;

  OutlinePanel(Work work, InSight inSight, Consumer<NodeId> jump) {
    super(6);
    this.work = work;
    list.setId("outline");
    list.getStyleClass().add("outline");
    list.setCellFactory(v -> new HeadingCell());
    var none = new Label(WORDS.say("outline-panel.none"));
    none.getStyleClass().add("quiet");
    none.setWrapText(true);
    list.setPlaceholder(none);
    list.setOnMouseClicked(e -> chosen(jump));
    list.setOnKeyPressed(e -> {
      if (e.getCode() == javafx.scene.input.KeyCode.ENTER) {
        chosen(jump);
        e.consume();
      }
    });
    VBox.setVgrow(list, Priority.ALWAYS);
    getChildren().add(list);
    inSight.atRest(work.layoutProperty(), this::refresh);
    refresh();
  }

  private void chosen(Consumer<NodeId> jump) {
    Outline.Heading h = list.getSelectionModel().getSelectedItem();
    if (h != null && work.revision().document().paragraph(h.paragraph()).isPresent()) {
      jump.accept(h.paragraph());
    }
  }

  private void refresh() {
    Document d = work.revision().document();
    if (shown == d) {
      list.refresh();
      return;
    }
    shown = d;
    List<Outline.Heading> headings = Outline.headings(d);
    if (!headings.equals(list.getItems())) {
      int selected = list.getSelectionModel().getSelectedIndex();
      list.getItems().setAll(headings);
      if (selected < headings.size()) {
        list.getSelectionModel().select(selected);
      }
    } else {
      list.refresh();
    }
  }

  private final class HeadingCell extends ListCell<Outline.Heading> {
    HeadingCell() {
      setPrefWidth(0);
    }

    @Override
    protected void updateItem(Outline.Heading h, boolean empty) {
      super.updateItem(h, empty);
      if (empty || h == null) {
        setGraphic(null);
        return;
      }
      var text = new Label(h.text());
      text.getStyleClass().add(h.level() == 1 ? "outline-first" : "outline-other");
      text.setMaxWidth(Double.MAX_VALUE);
      HBox.setHgrow(text, Priority.ALWAYS);
      Layout layout = work.layout();
      var page =
          new Label(
              layout.pagesOf(h.paragraph()).stream()
                  .findFirst()
                  .map(Page::number)
                  .map(String::valueOf)
                  .orElse(""));
      page.getStyleClass().add("quiet");
      page.setMinWidth(24);
      page.setAlignment(javafx.geometry.Pos.CENTER_RIGHT);
      var row = new HBox(6, text, page);
      row.setPadding(new Insets(0, 0, 0, (h.level() - 1) * 14));
      setGraphic(row);
    }
  }
}
