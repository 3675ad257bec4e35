package decant.desktop.revise;

import decant.desktop.shell.Work;
import decant.model.edit.Revision;
import decant.model.edit.TableLooks;
import decant.model.edit.TableLooks.Which;
import decant.model.edit.style.DocumentColours;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.Rule;
import decant.model.look.TableTraits;
import decant.model.look.VerticalAlignment;
import decant.words.Words;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import org.jspecify.annotations.Nullable;

/** What the cells at the caret look like: their ground, lines and margins. */
final class CellLookRows extends GridPane {
  private static final Words WORDS = Words.of(CellLookRows.class);
  private static final double MM = 72 / 25.4;
  private static final int OWN_COLOURS = 14;
  private static final double USUAL_LINE = 0.5;

  private static final List<String> PLACES =
      List.of(
          WORDS.say("cell-look-rows.top"),
          WORDS.say("cell-look-rows.middle"),
          WORDS.say("cell-look-rows.bottom"));

  private static final List<String> SIDES =
      List.of(
          WORDS.say("cell-look-rows.left"),
          WORDS.say("cell-look-rows.centre"),
          WORDS.say("cell-look-rows.right"));

  private final Work work;
  private final Runnable back;
  private final Button ground = swatch("cell-ground");
  private final Button line = swatch("cell-line-colour");
  private final NumberField thickness = new NumberField(v -> {}, 2);
  private final NumberField across;
  private final NumberField down;
  private final ComboBox<String> place = new ComboBox<>();
  private final ComboBox<String> side = new ComboBox<>();
  private Colour lineColour = Colour.BLACK;
  private boolean filling;

  CellLookRows(Work work, Runnable back) {
    super(6, 5);
    this.work = work;
    this.back = back;
    across = new NumberField(v -> padded(v, -1), 1);
    across.setId("cell-margin-sides");
    down = new NumberField(v -> padded(-1, v), 1);
    down.setId("cell-margin-above");
    thickness.setId("cell-line-thickness");
    thickness.show(USUAL_LINE);
    ground.setOnAction(e -> chooseGround());
    line.setOnAction(e -> chooseLine());
    place.setId("cell-place");
    place.getItems().setAll(PLACES);
    place.setOnAction(
        e -> chosen(place, k -> apply(r -> TableLooks.align(r, VerticalAlignment.values()[k]))));
    side.setId("table-side");
    side.getItems().setAll(SIDES);
    side.setOnAction(
        e -> chosen(side, k -> apply(r -> TableLooks.place(r, Alignment.values()[k]))));
    row("cell-look-rows.ground", ground);
    row("cell-look-rows.line", line(thickness, unit("cell-look-rows.points"), line));
    row(
        "cell-look-rows.lines",
        new HBox(
            4,
            lines("cell-lines-all", WORDS.say("cell-look-rows.all"), Which.ALL, true),
            lines("cell-lines-around", WORDS.say("cell-look-rows.around"), Which.AROUND, true),
            lines("cell-lines-between", WORDS.say("cell-look-rows.between"), Which.BETWEEN, true),
            lines("cell-lines-none", WORDS.say("cell-look-rows.none"), Which.ALL, false)));
    row(
        "cell-look-rows.margins",
        line(across, unit("cell-look-rows.by"), down, unit("cell-look-rows.mm")));
    row("cell-look-rows.place", line(place, side));
  }

  private static Button swatch(String id) {
    var b = new Button();
    b.getStyleClass().add("colour");
    b.setId(id);
    return b;
  }

  private static HBox line(Node... parts) {
    var row = new HBox(6, parts);
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }

  private static Label unit(String key) {
    var l = new Label(WORDS.say(key));
    l.getStyleClass().add("quiet");
    l.setMinWidth(USE_PREF_SIZE);
    return l;
  }

  private void row(String key, Node editor) {
    var name = new Label(WORDS.say(key));
    name.setMinWidth(USE_PREF_SIZE);
    editor.setAccessibleText(name.getText());
    addRow(getRowCount(), name, editor);
  }

  private Button lines(String id, String label, Which which, boolean drawn) {
    var b = new Button(label);
    b.setId(id);
    b.getStyleClass().add("quiet-button");
    b.setMinWidth(USE_PREF_SIZE);
    b.setOnAction(e -> {
      Rule rule = drawn ? Rule.single(thickness(), lineColour) : Rule.NONE;
      apply(r -> TableLooks.rule(r, which, rule));
      back.run();
    });
    return b;
  }

  private double thickness() {
    try {
      return Math.clamp(Double.parseDouble(thickness.getText().replace(',', '.').strip()), 0.1, 12);
    } catch (NumberFormatException e) {
      return USUAL_LINE;
    }
  }

  private void chooseGround() {
    new ColourChooser(
            ground().orElse(Colour.WHITE),
            own(),
            Optional.of(Colour.WHITE),
            c -> {
              apply(r -> TableLooks.shade(r, c));
              back.run();
            })
        .show(ground);
  }

  private void chooseLine() {
    new ColourChooser(
            lineColour,
            own(),
            Optional.empty(),
            c -> {
              lineColour = c;
              paint(line, c);
            })
        .show(line);
  }

  private List<Colour> own() {
    return DocumentColours.of(work.revision().document(), OWN_COLOURS);
  }

  private Optional<Colour> ground() {
    return TableLooks.atCaret(work.revision()).map(l -> l.value(TableTraits.SHADING));
  }

  /** Sets one of the margins, the other as it is where it is below 0; in millimetres. */
  private void padded(double sides, double above) {
    apply(r ->
        TableLooks.atCaret(r)
            .map(l -> l.value(TableTraits.CELL_PADDING))
            .map(p ->
                TableLooks.padding(
                    r, sides < 0 ? p.left() : sides * MM, above < 0 ? p.top() : above * MM))
            .orElse(r));
  }

  private void chosen(ComboBox<String> box, java.util.function.IntConsumer act) {
    int k = box.getSelectionModel().getSelectedIndex();
    if (!filling && k >= 0) {
      act.accept(k);
      back.run();
    }
  }

  private void apply(UnaryOperator<Revision> change) {
    Revision r = work.revision();
    if (!filling && !r.document().isPinned(r.selection().caret().paragraph())) {
      work.apply(change);
    }
  }

  private static void paint(Button b, @Nullable Colour c) {
    b.setStyle("-fx-background-color: #" + (c == null ? Colour.WHITE : c).hex() + ";");
  }

  /** Shows what the cell at the caret is like. */
  void refresh() {
    Optional<Look> look = TableLooks.atCaret(work.revision());
    if (look.isEmpty()) {
      return;
    }
    filling = true;
    paint(ground, look.get().value(TableTraits.SHADING));
    paint(line, lineColour);
    Insets p = look.get().value(TableTraits.CELL_PADDING);
    across.show(p.left() / MM);
    down.show(p.top() / MM);
    place.getSelectionModel().select(look.get().value(TableTraits.VERTICAL_ALIGNMENT).ordinal());
    side.getSelectionModel()
        .select(Math.min(SIDES.size() - 1, look.get().value(TableTraits.ALIGNMENT).ordinal()));
    filling = false;
  }
}
