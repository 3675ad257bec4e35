package decant.desktop.revise;

import decant.desktop.page.ObjectHandles;
import decant.desktop.shell.Actions;
import decant.desktop.shell.InSight;
import decant.desktop.shell.Work;
import decant.model.Inline;
import decant.model.Position;
import decant.model.edit.Revision;
import decant.model.edit.Selected;
import decant.model.edit.object.ObjectEdits;
import decant.model.edit.object.ObjectEdits.Wrapping;
import decant.model.look.Media;
import decant.picture.PixelPicture;
import decant.words.Figures;
import decant.words.Words;
import java.awt.Dimension;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/** The picture or shape that is selected, and what it is like; not there for anything else. */
final class ObjectPanel extends VBox {
  private static final Words WORDS = Words.of(ObjectPanel.class);
  private static final double MM = 72 / 25.4;

  private static final List<String> WRAPPINGS =
      List.of(
          WORDS.say("object-panel.in-line"),
          WORDS.say("object-panel.around"),
          WORDS.say("object-panel.above-and-below"),
          WORDS.say("object-panel.behind"),
          WORDS.say("object-panel.in-front"));

  private final Work work;
  private final ObjectHandles handles;
  private final Runnable back;
  private final NumberField width;
  private final NumberField height;
  private final NumberField turned;
  private final CheckBox ratio = new CheckBox(WORDS.say("object-panel.ratio"));
  private final ComboBox<String> wrap = new ComboBox<>();
  private final CheckBox onPage = new CheckBox(WORDS.say("object-panel.on-page"));
  private final TextField alt = new TextField();
  private final Label sharpness = new Label();
  private final ToggleButton crop = new ToggleButton(WORDS.say("object-panel.crop"));
  private final List<Node> ofPictures;
  private boolean filling;

  /** The picture that the description was begun for. */
  private @Nullable Position described;

  ObjectPanel(Work work, ObjectHandles handles, InSight inSight, Actions actions, Runnable back) {
    super(7);
    this.work = work;
    this.handles = handles;
    this.back = back;
    setId("object-panel");
    width = number("object-width", this::widen);
    height = number("object-height", this::heighten);
    turned = number("object-turned", degrees -> edit(r -> ObjectEdits.turn(r, degrees)));
    ratio.setSelected(true);
    ratio.setId("object-ratio");
    wrap.getItems().setAll(WRAPPINGS);
    wrap.setId("object-wrap");
    wrap.setMaxWidth(Double.MAX_VALUE);
    wrap.setAccessibleText(WORDS.say("object-panel.wrap"));
    wrap.setOnAction(e -> wrapChosen());
    onPage.setId("object-on-page");
    onPage.setOnAction(e -> anchored());
    alt.setId("object-alt");
    alt.setPromptText(WORDS.say("object-panel.alt"));
    alt.setAccessibleText(WORDS.say("object-panel.alt"));
    alt.setOnAction(e -> {
      describe();
      back.run();
    });
    alt.focusedProperty()
        .addListener((o, was, is) -> {
          if (!is) {
            describe();
          }
        });
    sharpness.getStyleClass().add("quiet");
    sharpness.setId("object-sharpness");
    sharpness.setWrapText(true);
    crop.setId("object-crop");
    crop.setOnAction(e -> act(actions, "crop-picture"));
    var grid = new GridPane(6, 6);
    grid.addRow(0, name("object-panel.width"), width, unit("object-panel.mm"), ratio);
    grid.addRow(1, name("object-panel.height"), height, unit("object-panel.mm"));
    grid.addRow(2, name("object-panel.turned"), turned, unit("object-panel.degrees"));
    grid.add(button(actions, "turn-object", WORDS.say("object-panel.turn")), 3, 2);
    var acts = new FlowPane(5, 5);
    acts.setAlignment(Pos.CENTER_LEFT);
    acts.getChildren()
        .addAll(
            crop,
            button(actions, "replace-picture", WORDS.say("object-panel.replace")),
            button(actions, "save-picture", WORDS.say("object-panel.save")));
    ofPictures = List.of(acts, sharpness, alt);
    getChildren().addAll(grid, wrap, onPage, acts, alt, sharpness);
    inSight.atRest(work.revisionProperty(), this::refresh);
    refresh();
  }

  private static Label name(String key) {
    return new Label(WORDS.say(key));
  }

  private static Label unit(String key) {
    var l = new Label(WORDS.say(key));
    l.getStyleClass().add("quiet");
    return l;
  }

  private NumberField number(String id, java.util.function.DoubleConsumer given) {
    var field =
        new NumberField(
            v -> {
              given.accept(v);
              refresh();
            },
            1);
    field.setId(id);
    return field;
  }

  private Button button(Actions actions, String action, String label) {
    var b = new Button(label);
    b.setId("object-" + action);
    b.getStyleClass().add("quiet-button");
    b.setAccessibleText(actions.require(action).name());
    b.setOnAction(e -> act(actions, action));
    return b;
  }

  private void act(Actions actions, String action) {
    actions.require(action).perform();
    refresh();
    back.run();
  }

  private void edit(java.util.function.UnaryOperator<Revision> change) {
    if (!filling) {
      work.apply(change);
    }
  }

  private void widen(double mm) {
    sized((w, h) -> new double[] {mm * MM, ratio.isSelected() ? h * mm * MM / w : h});
  }

  private void heighten(double mm) {
    sized((w, h) -> new double[] {ratio.isSelected() ? w * mm * MM / h : w, mm * MM});
  }

  private void sized(BiFunction<Double, Double, double[]> to) {
    ObjectEdits.selected(work.revision())
        .map(Selected.OneObject::object)
        .ifPresent(o -> {
          double[] size = to.apply(ObjectEdits.width(o), ObjectEdits.height(o));
          edit(r -> ObjectEdits.resize(r, size[0], size[1]));
        });
  }

  private void wrapChosen() {
    int chosen = wrap.getSelectionModel().getSelectedIndex();
    if (!filling && chosen >= 0) {
      handles.wrap(Wrapping.values()[chosen]);
      refresh();
      back.run();
    }
  }

  private void anchored() {
    boolean to = onPage.isSelected();
    handles.anchor(to);
    refresh();
    back.run();
  }

  private void describe() {
    Position of = described;
    String words = alt.getText();
    if (!filling && of != null && isPicture(work.revision(), of, words)) {
      work.apply(r -> ObjectEdits.describe(r, of, words));
    }
  }

  /** Whether a picture stands at a place and is not described in these words yet. */
  private static boolean isPicture(Revision r, Position at, String words) {
    return r.document()
        .paragraph(at.paragraph())
        .filter(p -> at.offset() < p.length())
        .map(p -> p.slice(at.offset(), at.offset() + 1).getFirst())
        .filter(i -> i instanceof Inline.Picture p && !p.alt().equals(words.strip()))
        .isPresent();
  }

  private void refresh() {
    Revision r = work.revision();
    Optional<Selected.OneObject> selected = ObjectEdits.selected(r);
    setVisible(selected.isPresent());
    setManaged(selected.isPresent());
    if (selected.isEmpty()) {
      return;
    }
    filling = true;
    Inline o = selected.get().object();
    width.show(ObjectEdits.width(o) / MM);
    height.show(ObjectEdits.height(o) / MM);
    turned.show(ObjectEdits.rotation(o));
    wrap.getSelectionModel().select(ObjectEdits.wrapping(o).ordinal());
    onPage.setDisable(ObjectEdits.wrapping(o) == Wrapping.IN_LINE);
    onPage.setSelected(ObjectEdits.isOnPage(o));
    crop.setSelected(handles.isCropping());
    boolean picture = o instanceof Inline.Picture;
    ofPictures.forEach(n -> {
      n.setVisible(picture);
      n.setManaged(picture);
    });
    if (o instanceof Inline.Picture p) {
      if (!selected.get().at().equals(described) || !alt.isFocused()) {
        alt.setText(p.alt());
      }
      described = selected.get().at();
      sharpness.setText(sharpness(r.document().media().get(p.media()), p));
    }
    filling = false;
  }

  /** How many pixels there are to the inch, as it is shown. */
  private static String sharpness(@Nullable Media m, Inline.Picture p) {
    Optional<Dimension> pixels =
        Stream.ofNullable(m).flatMap(x -> PixelPicture.size(x.bytes()).stream()).findFirst();
    return pixels
        .map(d -> {
          double shown = d.getWidth() * (1 - p.crop().left() - p.crop().right());
          return WORDS.say(
              "object-panel.pixels",
              Figures.number(d.width),
              Figures.number(d.height),
              Figures.number(Math.round(shown * 72 / p.width())));
        })
        .orElse(WORDS.say("object-panel.drawing"));
  }
}
