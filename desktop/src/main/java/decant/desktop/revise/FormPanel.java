package decant.desktop.revise;

import decant.blanks.Blank;
import decant.blanks.Blanks;
import decant.desktop.shell.InSight;
import decant.desktop.shell.Work;
import decant.model.Position;
import decant.model.Selection;
import decant.model.look.FormField;
import decant.words.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.layout.VBox;

/** The fields of a form, to be filled in one after the other by Tab; each shows its place. */
final class FormPanel extends ScrollPane {
  private static final Words WORDS = Words.of(FormPanel.class);

  private final Work work;
  private final Filling filling;
  private final Runnable reveal;
  private final VBox rows = new VBox(9);
  private final FormActs acts;
  private final Map<String, Label> problems = new LinkedHashMap<>();
  private List<Blank> shown = List.of();

  /**
   * @param reveal brings what is selected into sight
   */
  FormPanel(Work work, Filling filling, FormActs acts, InSight inSight, Runnable reveal) {
    this.work = work;
    this.filling = filling;
    this.acts = acts;
    this.reveal = reveal;
    setId("form-panel");
    setHbarPolicy(ScrollBarPolicy.NEVER);
    setFitToWidth(true);
    getStyleClass().add("side-part");
    setContent(new VBox(12, acts.node(), rows));
    inSight.atRest(work.revisionProperty(), this::refresh);
    fill();
  }

  /** Not while something is written here: it would go. */
  private void refresh() {
    List<Blank> now = Blanks.of(work.revision().document());
    if (!now.equals(shown) && !isWriting()) {
      fill();
    }
  }

  private boolean isWriting() {
    if (getScene() == null || !(getScene().getFocusOwner() instanceof TextInputControl t)) {
      return false;
    }
    Node up = t;
    while (up != null && up != rows) {
      up = up.getParent();
    }
    return up == rows;
  }

  private void fill() {
    shown = Blanks.of(work.revision().document());
    rows.getChildren().clear();
    problems.clear();
    acts.offer(!shown.isEmpty());
    if (shown.isEmpty()) {
      var none = new Label(WORDS.say("form-panel.none"));
      none.setWrapText(true);
      none.getStyleClass().add("quiet");
      rows.getChildren().add(none);
    }
    for (Blank b : shown) {
      var name = new Label(b.name());
      name.getStyleClass().add("quiet");
      var problem = new Label();
      problem.setWrapText(true);
      problem.getStyleClass().add("differs");
      problem.setVisible(false);
      problem.setManaged(false);
      problems.put(b.name(), problem);
      Control control = control(b, this::filled);
      control.setId("form-field-" + rows.getChildren().size());
      control.setAccessibleText(b.name());
      control.setMaxWidth(Double.MAX_VALUE);
      control
          .focusedProperty()
          .addListener((o, was, is) -> {
            if (is) {
              show(b);
            }
          });
      rows.getChildren().add(new VBox(3, name, control, problem));
    }
  }

  /** Its place on the page, as far as the text has one. */
  private void show(Blank b) {
    Blank.Place p = b.places().getFirst();
    work.select(
        new Selection(new Position(p.paragraph(), p.from()), new Position(p.paragraph(), p.to())));
    reveal.run();
  }

  private void filled(Blank b, String value) {
    Optional<String> problem = b.problem(value);
    tell(b.name(), problem.orElse(""));
    if (problem.isEmpty()) {
      filling.fill(Map.of(b.name(), value), left -> left.forEach(this::notTaken));
    }
  }

  private void notTaken(String name) {
    tell(name, WORDS.say("form-panel.not-taken"));
  }

  private void tell(String name, String problem) {
    Label l = problems.get(name);
    if (l != null) {
      l.setText(problem);
      l.setVisible(!problem.isEmpty());
      l.setManaged(!problem.isEmpty());
    }
  }

  private static Control control(Blank b, BiConsumer<Blank, String> chosen) {
    return switch (b.kind()) {
      case TEXT -> text(new TextField(b.value()), b, chosen);
      case LINES -> {
        var area = new TextArea(b.value());
        area.setPrefRowCount(3);
        area.setWrapText(true);
        yield text(area, b, chosen);
      }
      case TICK -> {
        var box = new CheckBox(WORDS.say("form-panel.on"));
        box.setSelected(!b.value().isEmpty());
        box.setOnAction(e -> chosen.accept(b, box.isSelected() ? b.options().getFirst() : ""));
        yield box;
      }
      case ONE_OF, CHOICE, CHOICE_OR_TEXT -> {
        var box = new ComboBox<String>();
        List<String> all = new ArrayList<>(List.of(""));
        all.addAll(b.options());
        box.getItems().setAll(all);
        box.setEditable(b.kind() == FormField.Kind.CHOICE_OR_TEXT);
        box.setValue(b.value());
        box.setOnAction(e -> chosen.accept(b, box.getValue() == null ? "" : box.getValue()));
        yield box;
      }
    };
  }

  /** Filled in when the field is left, or at Enter. */
  private static <T extends TextInputControl> T text(
      T field, Blank b, BiConsumer<Blank, String> chosen) {
    var last = new String[] {b.value()};
    Runnable done =
        () -> {
          if (!field.getText().equals(last[0])) {
            last[0] = field.getText();
            chosen.accept(b, field.getText());
          }
        };
    if (field instanceof TextField t) {
      t.setOnAction(e -> done.run());
    }
    field
        .focusedProperty()
        .addListener((o, was, is) -> {
          if (!is) {
            done.run();
          }
        });
    return field;
  }
}
