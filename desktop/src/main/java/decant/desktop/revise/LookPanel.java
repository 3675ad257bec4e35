package decant.desktop.revise;

import decant.desktop.page.HeadingLevels;
import decant.desktop.page.LookLaying;
import decant.desktop.shell.Actions;
import decant.desktop.shell.InSight;
import decant.desktop.shell.Memory;
import decant.desktop.shell.Work;
import decant.layout.label.DocumentFonts;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.edit.Commands;
import decant.model.edit.ListEdits;
import decant.model.edit.Range;
import decant.model.edit.Revision;
import decant.model.edit.Selected;
import decant.model.edit.object.ObjectEdits;
import decant.model.edit.section.RunningEdits;
import decant.model.edit.style.DocumentColours;
import decant.model.edit.style.Origin;
import decant.model.edit.style.SelectedLook;
import decant.model.look.Colour;
import decant.model.look.EmbeddedFont;
import decant.model.look.TextTraits;
import decant.text.FontBook;
import decant.words.Figures;
import decant.words.Words;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.beans.InvalidationListener;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.text.Font;

/** What is selected, and what it is like. */
final class LookPanel extends VBox {
  private static final Words WORDS = Words.of(LookPanel.class);

  private static final List<String> LEVELS = HeadingLevels.all();
  private static final int OWN_COLOURS = 14;

  private final Work work;
  private final Runnable back;
  private final Memory memory;
  private final ListRow listRow;

  /** The families that the document brings. */
  private final List<String> brought;

  private final Label selected = new Label();
  private final ComboBox<String> level = new ComboBox<>();
  private final ComboBox<String> family = new ComboBox<>();
  private final ComboBox<String> size = new ComboBox<>();
  private final Label served = new Label();
  private final ToggleButton bold = toggle(WORDS.say("look-panel.bold"), "look-bold");
  private final ToggleButton italic = toggle(WORDS.say("look-panel.italic"), "look-italic");
  private final ToggleButton underline =
      toggle(WORDS.say("look-panel.underline"), "look-underline");
  private final ToggleButton bullets = toggle(WORDS.say("look-panel.bullets"), "look-bullets");
  private final ToggleButton numbers = toggle(WORDS.say("look-panel.numbers"), "look-numbers");
  private final List<ToggleButton> alignments =
      List.of(
          toggle(WORDS.say("look-panel.start"), "align-start"),
          toggle(WORDS.say("look-panel.centre"), "align-centre"),
          toggle(WORDS.say("look-panel.end"), "align-end"),
          toggle(WORDS.say("look-panel.justified"), "align-justified"));
  private final VBox ofText = new VBox(7);
  private boolean filling;

  LookPanel(
      Work work,
      InSight inSight,
      LookLaying laying,
      Actions actions,
      Memory memory,
      Runnable back) {
    super(7);
    this.work = work;
    this.memory = memory;
    this.listRow = new ListRow(work, back);
    this.back = back;
    var title = new Label(WORDS.say("look-panel.title"));
    title.getStyleClass().add("side-title");
    selected.getStyleClass().add("quiet");
    selected.setWrapText(true);
    selected.setId("look-selected");
    level.getItems().setAll(LEVELS);
    level.setId("look-level");
    level.setMaxWidth(Double.MAX_VALUE);
    brought =
        work.revision().document().styles().typesetting().fonts().stream()
            .map(EmbeddedFont::family)
            .distinct()
            .sorted()
            .toList();
    family.getItems().setAll(families());
    family.setEditable(true);
    family.setId("look-family");
    family.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(family, Priority.ALWAYS);
    for (double s : new double[] {8, 9, 10, 10.5, 11, 12, 14, 16, 18, 20, 24, 28, 36, 48}) {
      size.getItems().add(Figures.decimal(s, 2));
    }
    size.setEditable(true);
    size.setPrefWidth(82);
    size.setMinWidth(82);
    size.setId("look-size");
    served.getStyleClass().add("quiet");
    served.setMinHeight(18); // its room stays, so that nothing moves
    selected.setMinHeight(18);
    level.setAccessibleText(WORDS.say("look-panel.level"));
    family.setAccessibleText(WORDS.say("look-panel.font"));
    size.setAccessibleText(WORDS.say("look-panel.size"));
    family.setCellFactory(v -> new FontCell());
    level.setOnAction(e -> change(() -> levelChosen()));
    family.setOnAction(e -> change(this::familyChosen));
    size.setOnAction(e -> change(this::sizeChosen));
    bold.setOnAction(e -> perform(actions, "bold"));
    italic.setOnAction(e -> perform(actions, "italic"));
    underline.setOnAction(e -> perform(actions, "underline"));
    alignments.forEach(b -> b.setOnAction(e -> perform(actions, b.getId())));
    var strokes = new HBox(4, bold, italic, underline);
    bold.getStyleClass().add("show-bold");
    italic.getStyleClass().add("show-italic");
    underline.getStyleClass().add("show-underline");
    var align = new HBox(4);
    align.getChildren().addAll(alignments);
    ofText
        .getChildren()
        .addAll(
            level,
            new HBox(6, family, size),
            served,
            strokes,
            colours(),
            align,
            lists(actions),
            listRow,
            looks(actions, laying));
    getChildren().addAll(title, selected, ofText);
    inSight.atRest(work.revisionProperty(), this::refresh);
    refresh();
  }

  private HBox lists(Actions actions) {
    bullets.setOnAction(e -> perform(actions, "bulleted-list"));
    numbers.setOnAction(e -> perform(actions, "numbered-list"));
    return new HBox(
        4,
        bullets,
        numbers,
        button(WORDS.say("look-panel.move-out"), actions, "move-out"),
        button(WORDS.say("look-panel.move-in"), actions, "move-in"));
  }

  /** A look is picked up here; while one is, what can be done with it. */
  private VBox looks(Actions actions, LookLaying laying) {
    var pickUp = button(WORDS.say("look-panel.pick-up"), actions, "pick-up-look");
    var alike = button(WORDS.say("look-panel.alike"), actions, "restyle-alike");
    var says = new Label(WORDS.say("look-panel.laying"));
    says.getStyleClass().add("quiet");
    says.setWrapText(true);
    says.setId("look-laying");
    InvalidationListener picked =
        o -> {
          boolean is = laying.pickedProperty().get().isPresent();
          says.setVisible(is);
          says.setManaged(is);
          alike.setDisable(!is);
        };
    laying.pickedProperty().addListener(picked);
    picked.invalidated(laying.pickedProperty());
    return new VBox(5, new HBox(4, pickUp, alike), says);
  }

  private Button button(String label, Actions actions, String action) {
    var b = new Button(label);
    b.setId("look-" + action);
    b.getStyleClass().add("quiet-button");
    b.setAccessibleText(actions.require(action).name());
    b.setTooltip(new Tooltip(actions.require(action).name()));
    b.setOnAction(e -> perform(actions, action));
    return b;
  }

  /** The families that can be chosen: those used last and those that the document brings first. */
  private List<String> families() {
    List<String> shipped = FontBook.shipped().families();
    List<String> recent =
        memory.kept().fonts().stream()
            .filter(f -> shipped.contains(f) || brought.contains(f))
            .toList();
    return Stream.of(recent, brought, shipped).flatMap(List::stream).distinct().toList();
  }

  /** What is chosen, or the prompt where nothing is. */
  private static final class ChosenCell extends ListCell<String> {
    private final ComboBox<String> box;

    ChosenCell(ComboBox<String> box) {
      this.box = box;
    }

    @Override
    protected void updateItem(String value, boolean empty) {
      super.updateItem(value, empty);
      setText(empty || value == null ? box.getPromptText() : value);
    }
  }

  /** A font's name in its own face, where it ships; the toolkit knows only what was loaded. */
  private final class FontCell extends ListCell<String> {
    @Override
    protected void updateItem(String name, boolean empty) {
      super.updateItem(name, empty);
      boolean own = brought.contains(name) && !FontBook.shipped().families().contains(name);
      setText(empty ? null : own ? WORDS.say("look-panel.brought", name) : name);
      setStyle(
          empty || name == null || !Font.getFamilies().contains(name)
              ? ""
              : "-fx-font-family: \"" + name + "\";");
    }
  }

  private static ToggleButton toggle(String label, String id) {
    var b = new ToggleButton(label);
    b.setId(id);
    b.setFocusTraversable(true);
    return b;
  }

  private FlowPane colours() {
    var row = new FlowPane(4, 4);
    row.setAlignment(Pos.CENTER_LEFT);
    for (int rgb : ColourChooser.USUAL) {
      var c = new Colour(rgb);
      Button b = ColourChooser.swatch(c, () -> colour(c));
      b.setId("look-colour-" + c.hex());
      row.getChildren().add(b);
    }
    var any = new Button(WORDS.say("look-panel.any-colour"));
    any.getStyleClass().add("quiet-button");
    any.setId("look-colour-any");
    any.setOnAction(e ->
        new ColourChooser(
                Origin.textValue(work.revision(), TextTraits.COLOUR),
                DocumentColours.of(work.revision().document(), OWN_COLOURS),
                Optional.empty(),
                this::colour)
            .show(any));
    row.getChildren().add(any);
    return row;
  }

  private void colour(Colour c) {
    change(() -> work.apply(r -> Commands.set(r, "Colour", TextTraits.COLOUR, c)));
  }

  private void perform(Actions actions, String id) {
    actions.require(id).perform();
    refresh();
    back.run();
  }

  private void change(Runnable run) {
    if (!filling) {
      run.run();
      back.run();
    }
  }

  private void levelChosen() {
    int l = level.getSelectionModel().getSelectedIndex();
    if (l >= 0) {
      work.apply(r -> Commands.setHeadingLevel(r, l));
    }
  }

  private void familyChosen() {
    String f = family.getValue();
    if (f != null && !f.isBlank()) {
      work.apply(r -> Commands.set(r, "Font", TextTraits.FAMILY, f.strip()));
      memory.change(k -> k.used(f.strip()));
    }
  }

  private void sizeChosen() {
    try {
      double s = Double.parseDouble(size.getValue().replace(',', '.').strip());
      if (s >= 1 && s <= 400) {
        work.apply(r -> Commands.set(r, "Size", TextTraits.SIZE, s));
      }
    } catch (NumberFormatException e) {
      refresh(); // not a number: what is in force shows again
    }
  }

  private void refresh() {
    Revision r = work.revision();
    Document d = r.document();
    Paragraph p = d.paragraph(r.selection().caret().paragraph()).orElse(null);
    if (p == null) {
      return;
    }
    filling = true;
    Optional<Selected.OneObject> object = ObjectEdits.selected(r);
    ofText.setVisible(object.isEmpty());
    ofText.setManaged(object.isEmpty());
    boolean pinned = d.isPinned(p.id());
    for (Node n : ofText.getChildren()) {
      n.setVisible(!pinned || n == level); // bookmarks have a level on such pages too
      n.setManaged(!pinned || n == level);
    }
    selected.setText(
        object
            .map(o ->
                WORDS.say(
                    o.object() instanceof Inline.Picture
                        ? "look-panel.picture"
                        : "look-panel.shape"))
            .orElseGet(() ->
                pinned
                    ? WORDS.say("look-panel.pinned")
                    : describe(d, Range.of(d, r.selection()), p)));
    SelectedLook look = SelectedLook.of(r);
    show(level, look.level().map(l -> LEVELS.get(Math.min(6, l))));
    show(family, look.family());
    show(size, look.size().map(s -> Figures.decimal(s, 2)));
    served.setText(
        look.family()
            .map(f -> served(d, f, look.bold().orElse(false), look.italic().orElse(false)))
            .orElse(""));
    show(bold, look.bold());
    show(italic, look.italic());
    show(underline, look.underline());
    for (int k = 0; k < alignments.size(); k++) {
      int at = k;
      alignments.get(k).setSelected(look.alignment().filter(x -> x.ordinal() == at).isPresent());
    }
    bullets.setSelected(ListEdits.isIn(r, false));
    numbers.setSelected(ListEdits.isIn(r, true));
    listRow.refresh();
    filling = false;
  }

  /** A value, or that there are several. */
  private static void show(ComboBox<String> box, Optional<String> value) {
    box.setPromptText(value.isPresent() ? "" : WORDS.say("look-panel.mixed"));
    if (!box.isEditable()) {
      box.setButtonCell(new ChosenCell(box)); // the toolkit shows a prompt only once
    }
    box.setValue(value.orElse(null));
    if (box.isEditable()) {
      box.getEditor().setText(value.orElse(""));
    }
  }

  private static void show(ToggleButton b, Optional<Boolean> value) {
    b.setSelected(value.orElse(false));
    b.getStyleClass().remove("mixed");
    b.setAccessibleHelp(value.isPresent() ? "" : WORDS.say("look-panel.mixed"));
    if (value.isEmpty()) {
      b.getStyleClass().add("mixed");
    }
  }

  private static String served(Document d, String family, boolean bold, boolean italic) {
    FontBook.Served s = DocumentFonts.of(d).serve(family, bold, italic);
    return switch (s.reason()) {
      case SAME -> "";
      case EMBEDDED -> WORDS.say("look-panel.embedded");
      case SAME_METRICS -> WORDS.say("look-panel.same-widths", s.face().family());
      case FALLBACK -> WORDS.say("look-panel.similar", s.face().family());
    };
  }

  private String describe(Document d, Range range, Paragraph p) {
    if (range.isEmpty()) {
      Optional<RunningEdits.Here> running = RunningEdits.here(work.revision());
      if (running.isPresent()) {
        return running.get().which().isHeader()
            ? WORDS.say("look-panel.in-header")
            : WORDS.say("look-panel.in-footer");
      }
      int l = d.headingLevel(p);
      return l > 0 ? WORDS.say("look-panel.in-heading", l) : WORDS.say("look-panel.in-paragraph");
    }
    List<Range.Part> parts = range.parts(d);
    int characters = parts.stream().mapToInt(x -> x.to() - x.from()).sum();
    String count = WORDS.count("look-panel.characters", characters);
    return parts.size() > 1 ? WORDS.count("look-panel.in-paragraphs", parts.size(), count) : count;
  }
}
