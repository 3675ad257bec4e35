package decant.desktop.revise;

import decant.desktop.shell.InSight;
import decant.desktop.shell.QuietButton;
import decant.desktop.shell.Work;
import decant.model.Document;
import decant.model.edit.Revision;
import decant.model.edit.style.LetterStyles;
import decant.model.edit.style.StyleEdits;
import decant.model.look.NamedStyle;
import decant.words.Words;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The styles of paragraphs or of letters, how many each serves, and what can be done with them. */
final class StylesPanel extends VBox {
  private static final Words WORDS = Words.of(StylesPanel.class);

  private final Work work;
  private final Runnable back;
  private final ComboBox<String> kind = new ComboBox<>();
  private final HBox after;
  private final ListView<StyleEdits.Use> list = new ListView<>();
  private final TextField name = new TextField();
  private final ComboBox<String> next = new ComboBox<>();
  private final Button use;
  private final Button take;
  private final Button rename;
  private final Button remove;
  private final Label says = new Label();
  private boolean filling;

  StylesPanel(Work work, InSight inSight, Runnable back) {
    super(6);
    this.work = work;
    this.back = back;
    setId("styles-panel");
    kind.setId("style-kind");
    kind.getItems()
        .setAll(WORDS.say("styles-panel.of-paragraphs"), WORDS.say("styles-panel.of-letters"));
    kind.getSelectionModel().select(0);
    kind.setMaxWidth(Double.MAX_VALUE);
    kind.setAccessibleText(WORDS.say("styles-panel.kind"));
    kind.setOnAction(e -> {
      name.clear();
      refresh();
    });
    list.setId("styles");
    list.getStyleClass().add("outline");
    list.setCellFactory(v -> new UseCell());
    var none = new Label(WORDS.say("styles-panel.none"));
    none.setWrapText(true);
    none.getStyleClass().add("quiet");
    list.setPlaceholder(none);
    list.setOnMouseClicked(e -> {
      if (e.getClickCount() == 2) {
        use();
      }
    });
    list.setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.ENTER) {
        use();
        e.consume();
      }
    });
    list.getSelectionModel().selectedItemProperty().addListener(o -> picked());
    VBox.setVgrow(list, Priority.ALWAYS);
    name.setId("style-name");
    name.setPromptText(WORDS.say("styles-panel.name"));
    name.setAccessibleText(WORDS.say("styles-panel.name"));
    next.setId("style-next");
    next.setMaxWidth(Double.MAX_VALUE);
    next.setAccessibleText(WORDS.say("styles-panel.next"));
    next.setOnAction(e -> nextChosen());
    HBox.setHgrow(next, Priority.ALWAYS);
    says.getStyleClass().add("quiet");
    says.setWrapText(true);
    says.setMinHeight(18);
    says.setId("styles-says");
    use = QuietButton.of("style-use", WORDS.say("styles-panel.use"), this::use);
    take =
        QuietButton.of(
            "style-take",
            WORDS.say("styles-panel.take"),
            () -> change(r -> ofLetters() ? LetterStyles.take(r) : StyleEdits.take(r)));
    rename = QuietButton.of("style-rename", WORDS.say("styles-panel.rename"), this::rename);
    remove = QuietButton.of("style-remove", WORDS.say("styles-panel.remove"), this::remove);
    var acts = new FlowPane(5, 5);
    acts.getChildren()
        .addAll(
            use,
            take,
            QuietButton.of(
                "style-back",
                WORDS.say("styles-panel.back"),
                () -> change(r -> ofLetters() ? LetterStyles.none(r) : StyleEdits.backToStyle(r))));
    var named = new FlowPane(5, 5);
    named
        .getChildren()
        .addAll(
            QuietButton.of("style-new", WORDS.say("styles-panel.new"), this::create),
            rename,
            remove);
    var follows = new Label(WORDS.say("styles-panel.follows"));
    follows.setMinWidth(USE_PREF_SIZE);
    after = new HBox(6, follows, next);
    after.setAlignment(Pos.CENTER_LEFT);
    getChildren().addAll(kind, list, acts, name, named, after, says);
    inSight.atRest(work.revisionProperty(), this::refresh);
    refresh();
  }

  private boolean ofLetters() {
    return kind.getSelectionModel().getSelectedIndex() == 1;
  }

  private Optional<NamedStyle> named(String called) {
    Document d = work.revision().document();
    return ofLetters() ? LetterStyles.named(d, called) : StyleEdits.named(d, called);
  }

  private Optional<NamedStyle> current() {
    return ofLetters()
        ? LetterStyles.current(work.revision())
        : StyleEdits.current(work.revision());
  }

  private Optional<NamedStyle> chosen() {
    return Optional.ofNullable(list.getSelectionModel().getSelectedItem())
        .map(StyleEdits.Use::style);
  }

  private void change(UnaryOperator<Revision> to) {
    boolean pinned =
        work.revision().document().isPinned(work.revision().selection().caret().paragraph());
    if (!filling && !pinned) {
      work.apply(to);
      refresh();
      back.run();
    }
  }

  private void use() {
    chosen()
        .ifPresent(s ->
            change(r -> ofLetters() ? LetterStyles.apply(r, s.id()) : StyleEdits.apply(r, s.id())));
  }

  private void create() {
    String typed = name.getText();
    if (isFree(typed)) {
      change(r -> ofLetters() ? LetterStyles.create(r, typed) : StyleEdits.create(r, typed));
    }
  }

  private void rename() {
    String typed = name.getText();
    chosen()
        .filter(s -> s.name().equalsIgnoreCase(typed.strip()) || isFree(typed))
        .ifPresent(s -> change(r -> StyleEdits.rename(r, s.id(), typed)));
  }

  private boolean isFree(String typed) {
    boolean taken = named(typed).isPresent();
    says.setText(
        typed.isBlank()
            ? WORDS.say("styles-panel.no-name")
            : taken ? WORDS.say("styles-panel.taken", typed.strip()) : "");
    return !typed.isBlank() && !taken;
  }

  private void remove() {
    chosen()
        .ifPresent(s ->
            change(
                r -> ofLetters() ? LetterStyles.remove(r, s.id()) : StyleEdits.remove(r, s.id())));
  }

  private void nextChosen() {
    String to = next.getValue();
    if (filling || to == null) {
      return;
    }
    chosen()
        .ifPresent(s ->
            StyleEdits.named(work.revision().document(), to)
                .ifPresent(n -> change(r -> StyleEdits.follow(r, s.id(), n.id()))));
  }

  private void refresh() {
    Revision r = work.revision();
    filling = true;
    List<StyleEdits.Use> all =
        ofLetters() ? LetterStyles.all(r.document()) : StyleEdits.all(r.document());
    after.setVisible(!ofLetters());
    if (!all.equals(list.getItems())) {
      list.getItems().setAll(all);
    }
    List<String> names = all.stream().map(u -> u.style().name()).toList();
    if (!names.equals(next.getItems())) {
      next.getItems().setAll(names);
    }
    current()
        .ifPresent(c ->
            all.stream()
                .filter(u -> u.style().id().equals(c.id()))
                .findFirst()
                .ifPresent(u -> list.getSelectionModel().select(u)));
    filling = false;
    picked();
  }

  private void picked() {
    filling = true;
    Optional<NamedStyle> s = chosen();
    Revision r = work.revision();
    boolean here = s.isPresent() && current().map(NamedStyle::id).equals(s.map(NamedStyle::id));
    take.setDisable(!here);
    use.setDisable(s.isEmpty());
    rename.setDisable(s.isEmpty());
    remove.setDisable(
        s.filter(x -> !x.id().equals(r.document().styles().defaultStyle())).isEmpty());
    next.setDisable(s.isEmpty());
    s.ifPresent(x -> {
      name.setText(x.name());
      if (!ofLetters()) {
        next.setValue(StyleEdits.following(r.document(), x).name());
      }
    });
    says.setText("");
    filling = false;
  }

  /** A style's name, and how many paragraphs it serves. */
  private static final class UseCell extends ListCell<StyleEdits.Use> {
    UseCell() {
      setPrefWidth(0);
    }

    @Override
    protected void updateItem(StyleEdits.Use u, boolean empty) {
      super.updateItem(u, empty);
      if (empty || u == null) {
        setGraphic(null);
        return;
      }
      var text = new Label(u.style().name());
      text.getStyleClass().add(u.count() > 0 ? "outline-first" : "outline-other");
      text.setMaxWidth(Double.MAX_VALUE);
      HBox.setHgrow(text, Priority.ALWAYS);
      var count =
          new Label(u.count() == 0 ? WORDS.say("styles-panel.unused") : String.valueOf(u.count()));
      count.getStyleClass().add("quiet");
      count.setMinWidth(USE_PREF_SIZE);
      setGraphic(new HBox(6, text, count));
    }
  }
}
