package decant.desktop.revise;

import decant.desktop.shell.InSight;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** One of several panels at a time; those that are not shown do no work. */
final class SideSwitch extends VBox {
  /**
   * A panel.
   *
   * @param inSight listens for it
   */
  private record Shown(ToggleButton button, Node panel, InSight inSight) {}

  /** Of the side, in pixels. */
  private static final double WIDTH = 281;

  private final List<Shown> all = new ArrayList<>();
  private final ToggleGroup group = new ToggleGroup();
  private final FlowPane buttons = new FlowPane(4, 4);
  private final StackPane place = new StackPane();
  private boolean inSight;

  SideSwitch() {
    super(6);
    VBox.setVgrow(place, Priority.ALWAYS);
    buttons.setPrefWrapLength(WIDTH);
    buttons.setMaxWidth(WIDTH); // however wide the panel below is
    getChildren().addAll(buttons, place);
    group
        .selectedToggleProperty()
        .addListener((o, was, is) -> {
          if (is == null) {
            group.selectToggle(was); // one is always shown
          } else {
            refresh();
          }
        });
  }

  /** Adds a panel; the first is shown. */
  void add(String id, String label, Node panel, InSight listening) {
    var b = new ToggleButton(label);
    b.setId(id);
    b.setToggleGroup(group);
    buttons.getChildren().add(b);
    all.add(new Shown(b, panel, listening));
    if (all.size() == 1) {
      group.selectToggle(b);
    }
  }

  /** Whether there is a panel with a button's id. */
  boolean has(String id) {
    return all.stream().anyMatch(s -> id.equals(s.button().getId()));
  }

  /** Shows the panel with a button's id. */
  void show(String id) {
    all.stream()
        .filter(s -> id.equals(s.button().getId()))
        .findFirst()
        .ifPresent(s -> group.selectToggle(s.button()));
  }

  void begin() {
    inSight = true;
    refresh();
  }

  void end() {
    inSight = false;
    refresh();
  }

  private void refresh() {
    for (Shown s : all) {
      boolean is = s.button().isSelected();
      if (is && inSight) {
        s.inSight().begin();
      } else {
        s.inSight().end();
      }
      if (is && !place.getChildren().equals(List.of(s.panel()))) {
        place.getChildren().setAll(s.panel());
      }
    }
  }
}
