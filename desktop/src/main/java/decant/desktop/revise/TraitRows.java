package decant.desktop.revise;

import decant.desktop.shell.Work;
import decant.model.edit.Commands;
import decant.model.edit.Revision;
import decant.model.edit.style.DocumentColours;
import decant.model.edit.style.Origin;
import decant.model.look.Colour;
import decant.model.look.Trait;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.GridPane;

/** Rows of a trait's name, its value to be set, and where that comes from. */
final class TraitRows {
  private static final Words WORDS = Words.of(TraitRows.class);
  private static final int OWN_COLOURS = 14;

  /** Whether a trait is one of letters or of whole paragraphs. */
  enum Of {
    LETTERS,
    PARAGRAPHS
  }

  private final Work work;
  private final Runnable back;
  private final GridPane grid;
  private final List<Runnable> refreshing = new ArrayList<>();
  private boolean filling;

  TraitRows(Work work, GridPane grid, Runnable back) {
    this.work = work;
    this.grid = grid;
    this.back = back;
  }

  /** Shows what holds now. */
  void refresh() {
    filling = true;
    refreshing.forEach(Runnable::run);
    filling = false;
  }

  private void apply(UnaryOperator<Revision> change) {
    Revision r = work.revision();
    if (!filling && !r.document().isPinned(r.selection().caret().paragraph())) {
      work.apply(change);
      refresh();
    }
  }

  <T> void set(Of of, String name, Trait<T> trait, T value) {
    apply(r ->
        of == Of.LETTERS
            ? Commands.set(r, name, trait, value)
            : Commands.setParagraph(r, name, trait, value));
  }

  /** The keyboard goes back to the pages. */
  void back() {
    back.run();
  }

  /** Whether values are only being shown. */
  boolean isFilling() {
    return filling;
  }

  <T> T value(Of of, Trait<T> trait) {
    Revision r = work.revision();
    return of == Of.LETTERS ? Origin.textValue(r, trait) : Origin.paragraphValue(r, trait);
  }

  /** A yes or no. */
  void yesNo(Of of, String name, Trait<Boolean> trait) {
    var box = new CheckBox();
    box.setOnAction(e -> {
      set(of, name, trait, box.isSelected());
      back.run();
    });
    row(of, name, trait, box, () -> box.setSelected(value(of, trait)));
  }

  /**
   * A number.
   *
   * @param unit how many points one of what is typed is
   */
  void number(Of of, String name, Trait<Double> trait, double unit, double least, double most) {
    var field = new NumberField(v -> set(of, name, trait, Math.clamp(v, least, most) * unit), 2);
    row(of, name, trait, field, () -> field.show(value(of, trait) / unit));
  }

  /** One of several. */
  <T> void choice(Of of, String name, Trait<T> trait, List<T> values, Function<T, String> label) {
    var box = new ComboBox<String>();
    box.getItems().setAll(values.stream().map(label).toList());
    box.setMaxWidth(Double.MAX_VALUE);
    box.setOnAction(e -> {
      int k = box.getSelectionModel().getSelectedIndex();
      if (!filling && k >= 0) {
        set(of, name, trait, values.get(k));
        back.run();
      }
    });
    row(
        of,
        name,
        trait,
        box,
        () -> {
          T now = value(of, trait);
          box.setValue(null);
          box.setPromptText(label.apply(now));
          if (values.contains(now)) {
            box.getSelectionModel().select(values.indexOf(now));
          }
        });
  }

  /** A colour; white stands for none where it is one of a ground. */
  void colour(Of of, String name, Trait<Colour> trait, boolean ground) {
    var swatch = new Button();
    swatch.getStyleClass().add("colour");
    swatch.setOnAction(e ->
        choose(
            swatch,
            value(of, trait),
            ground ? Optional.of(Colour.WHITE) : Optional.empty(),
            c -> {
              set(of, name, trait, c);
              back.run();
            }));
    row(
        of,
        name,
        trait,
        swatch,
        () -> swatch.setStyle("-fx-background-color: #" + value(of, trait).hex() + ";"));
  }

  /** Lets a colour be chosen. */
  void choose(Node at, Colour now, Optional<Colour> none, Consumer<Colour> chosen) {
    new ColourChooser(
            now, DocumentColours.of(work.revision().document(), OWN_COLOURS), none, chosen)
        .show(at);
  }

  /** Words. */
  void words(Of of, String name, Trait<String> trait) {
    var field = new TextField();
    field.setOnAction(e -> {
      set(of, name, trait, field.getText().strip());
      back.run();
    });
    row(
        of,
        name,
        trait,
        field,
        () -> {
          if (!field.isFocused()) {
            field.setText(value(of, trait));
          }
        });
  }

  /** A part of a trait's value, which says where it comes from in a row of its own. */
  void part(String name, String id, Node editor, Runnable show) {
    SideRows.add(grid, name, "trait-" + id, editor);
    refreshing.add(show);
  }

  /** A row of a trait: its name, what sets it, where its value comes from. */
  void row(Of of, String name, Trait<?> trait, Node editor, Runnable show) {
    int at = SideRows.add(grid, name, "trait-" + trait.name(), editor);
    var origin = new Button();
    origin.getStyleClass().addAll("quiet-button", "origin");
    origin.setId("origin-" + trait.name());
    origin.setOnAction(e -> {
      apply(r ->
          of == Of.LETTERS
              ? Commands.unset(r, WORDS.say("trait-rows.back"), trait)
              : Commands.unsetParagraph(r, WORDS.say("trait-rows.back"), trait));
      back.run();
    });
    grid.add(origin, 2, at);
    origin.setAlignment(Pos.CENTER_LEFT);
    refreshing.add(() -> {
      show.run();
      show(
          origin,
          of == Of.LETTERS
              ? Origin.ofText(work.revision(), trait)
              : Origin.ofParagraph(work.revision(), trait));
    });
  }

  /** Says where a value comes from; what was set here can be given back. */
  private static void show(Button b, Origin origin) {
    boolean here = origin instanceof Origin.Direct;
    b.setDisable(!here);
    b.setText(
        switch (origin) {
          case Origin.Direct d -> WORDS.say("trait-rows.here");
          case Origin.OfStyle s -> s.style().name();
          case Origin.OfList l -> WORDS.say("trait-rows.list");
          case Origin.OfDocument d -> WORDS.say("trait-rows.document");
        });
    b.setTooltip(
        here
            ? new Tooltip(WORDS.say("trait-rows.back"))
            : new Tooltip(WORDS.say("trait-rows.from", b.getText())));
  }
}
