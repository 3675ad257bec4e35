package decant.desktop.revise;

import decant.desktop.shell.Actions;
import decant.desktop.shell.InSight;
import decant.desktop.shell.Work;
import decant.model.edit.section.RunningEdits;
import decant.model.edit.section.RunningEdits.Apart;
import decant.words.Words;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/** Which pages the header or footer that the caret is in stands on; not there elsewhere. */
final class RunningPanel extends VBox {
  private static final Words WORDS = Words.of(RunningPanel.class);

  private final Work work;
  private final Map<Apart, CheckBox> boxes = new EnumMap<>(Apart.class);
  private final Label title = new Label();
  private final Label pages = new Label();

  RunningPanel(Work work, InSight inSight, Actions actions, Runnable back) {
    super(7);
    this.work = work;
    setId("running-panel");
    title.getStyleClass().add("side-title");
    pages.setId("running-pages");
    pages.getStyleClass().add("quiet");
    pages.setWrapText(true);
    var buttons = new FlowPane(5, 5);
    buttons
        .getChildren()
        .addAll(
            button(actions, "page-number", WORDS.say("running-panel.number"), back),
            button(actions, "page-count", WORDS.say("running-panel.count"), back),
            button(actions, "remove-running", WORDS.say("running-panel.remove"), back));
    getChildren().addAll(title, pages, buttons);
    for (Apart a : Apart.values()) {
      boxes.put(a, box(a, back));
    }
    getChildren().addAll(boxes.values());
    inSight.atRest(work.revisionProperty(), this::refresh);
    inSight.atRest(work.layoutProperty(), this::refresh);
    refresh();
  }

  private CheckBox box(Apart which, Runnable back) {
    boolean first = which == Apart.FIRST;
    var box = new CheckBox(WORDS.say(first ? "running-panel.first-own" : "running-panel.even-own"));
    box.setId(first ? "running-first" : "running-even");
    box.setOnAction(e -> {
      boolean own = box.isSelected();
      work.apply(r -> RunningEdits.apart(r, which, own));
      back.run();
    });
    return box;
  }

  private static Button button(Actions actions, String id, String label, Runnable back) {
    var b = new Button(label);
    b.setId("running-" + id);
    b.getStyleClass().add("quiet-button");
    b.setAccessibleText(actions.require(id).name());
    b.setOnAction(e -> {
      actions.require(id).perform();
      back.run();
    });
    return b;
  }

  private void refresh() {
    Optional<RunningEdits.Here> here = RunningEdits.here(work.revision());
    setVisible(here.isPresent());
    setManaged(here.isPresent());
    here.ifPresent(h -> {
      title.setText(
          h.which().isHeader()
              ? WORDS.say("running-panel.header")
              : WORDS.say("running-panel.footer"));
      int n = work.layout().pagesOf(work.revision().selection().caret().paragraph()).size();
      boxes.forEach((a, box) -> box.setSelected(RunningEdits.isApart(work.revision(), a)));
      pages.setText(WORDS.count("running-panel.pages", n));
    });
  }
}
