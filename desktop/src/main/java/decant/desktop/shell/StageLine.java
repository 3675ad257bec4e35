package decant.desktop.shell;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;

/**
 * The four stages as one line that fills as a document moves from the source to the published file.
 */
final class StageLine extends Pane {
  private static final List<StageName> STEPS =
      List.of(StageName.TAKE_IN, StageName.REVISE, StageName.PROOF, StageName.PUBLISH);
  private static final double WIDTH = 460;

  private final Desk desk;
  private final Runnable keyboard;
  private final Line whole = new Line();
  private final Line done = new Line();
  private final List<Button> buttons;

  /**
   * @param keyboard gives the keyboard to the stage in sight
   */
  StageLine(Desk desk, Runnable keyboard) {
    this.desk = desk;
    this.keyboard = keyboard;
    getStyleClass().add("stage-line");
    whole.getStyleClass().add("stage-whole");
    done.getStyleClass().add("stage-done");
    buttons = STEPS.stream().map(this::button).toList();
    getChildren().addAll(whole, done);
    getChildren().addAll(buttons);
    setPrefSize(WIDTH, 40);
    setMinWidth(WIDTH);
    setMaxWidth(WIDTH);
    desk.stepProperty().addListener(o -> refresh());
    desk.workProperty().addListener(o -> refresh());
    refresh();
  }

  private Button button(StageName s) {
    var b = new Button(s.label());
    b.getStyleClass().add("stage");
    b.setId("stage-" + s.name().toLowerCase(java.util.Locale.ROOT));
    b.setOnAction(e -> {
      desk.go(s);
      keyboard.run();
    });
    return b;
  }

  private void refresh() {
    int now = STEPS.indexOf(desk.stepProperty().get());
    boolean any = desk.work().isPresent();
    for (int k = 0; k < buttons.size(); k++) {
      Button b = buttons.get(k);
      b.setDisable(!any);
      b.getStyleClass().removeAll("current", "passed");
      if (k == now) {
        b.getStyleClass().add("current");
      } else if (k < now) {
        b.getStyleClass().add("passed");
      }
    }
    requestLayout();
  }

  @Override
  protected void layoutChildren() {
    double h = getHeight();
    double y = h - 7;
    whole.setStartX(0);
    whole.setEndX(WIDTH);
    whole.setStartY(y);
    whole.setEndY(y);
    int now = STEPS.indexOf(desk.stepProperty().get());
    double cell = WIDTH / STEPS.size();
    done.setStartX(0);
    done.setEndX(now < 0 ? 0 : cell * (now + 1));
    done.setStartY(y);
    done.setEndY(y);
    done.setVisible(now >= 0);
    for (int k = 0; k < buttons.size(); k++) {
      buttons.get(k).resizeRelocate(k * cell, 0, cell, h - 8);
    }
  }
}
