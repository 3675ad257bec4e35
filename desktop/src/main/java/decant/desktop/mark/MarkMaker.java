package decant.desktop.mark;

import decant.clip.PictureFile;
import decant.desktop.page.InkChoice;
import decant.desktop.page.SmallPicture;
import decant.desktop.shell.Desk;
import decant.desktop.shell.FileToOpen;
import decant.desktop.shell.PasswordEntry;
import decant.io.WriteProblem;
import decant.mark.InkOnPaper;
import decant.mark.Making;
import decant.mark.Mark;
import decant.mark.MarkProblem;
import decant.mark.MarkShelf;
import decant.mark.ScriptFace;
import decant.model.look.Colour;
import decant.words.Words;
import decant.work.Faults;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.Toggle;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.image.ImageView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.util.StringConverter;

/** Where a mark is made: drawn, typed, set as a stamp, or taken from a picture. */
public final class MarkMaker extends BorderPane {
  private static final Words WORDS = Words.of(MarkMaker.class);

  private static final int SHOWN = 300;
  private static final double WIDE = 380;
  private static final double HIGHEST = 130;

  /** A larger file is no picture of a mark; in bytes. */
  private static final long LARGEST = 60L << 20;

  private enum Way {
    DRAW,
    TYPE,
    STAMP,
    PICTURE
  }

  private final Desk desk;
  private final MarkShelf shelf;
  private final Runnable back;
  private final Runnable kept;
  private final StackPane place = new StackPane();
  private final InkChoice inks = new InkChoice("mark-ink-", InkChoice.usual(), this::setInk);
  private final InkPad pad = new InkPad(this::refresh);
  private final TextField typed = new TextField();
  private final ComboBox<ScriptFace> face = new ComboBox<>();
  private final TextArea lines = new TextArea();
  private final Label pictured = new Label();
  private final ImageView shown = new ImageView();
  private final Label problem = new Label();
  private final TextField name = new TextField();
  private final ComboBox<Mark.Kind> kind = new ComboBox<>();
  private final Button keep;
  private final PasswordEntry entry;
  private String passphrase = "";
  private Way way = Way.DRAW;
  private Colour colour = InkChoice.usual();
  private Optional<Mark> taken = Optional.empty();
  private Optional<Mark> made = Optional.empty();

  /**
   * @param back leaves it
   * @param kept told when a mark is kept
   */
  public MarkMaker(Desk desk, Runnable back, Runnable kept) {
    this.desk = desk;
    this.shelf = desk.marks();
    this.back = back;
    this.kept = kept;
    this.entry =
        new PasswordEntry("mark-passphrase", WORDS.say("mark-maker.passphrase"), this::given);
    this.keep = new Button(WORDS.say("mark-maker.keep"));
    setId("mark-maker");
    getStyleClass().add("pages");
    setTop(head());
    keep.setId("mark-keep");
    keep.getStyleClass().add("primary");
    keep.setOnAction(e -> keep());
    var below = new HBox(24, preview(), fields());
    var middle = new VBox(14, ways(), place, inks, below);
    showInk();
    middle.getStyleClass().add("mark-maker");
    var scroll = new ScrollPane(middle);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("side-part");
    setCenter(scroll);
    fillPlaces();
    show(Way.DRAW);
  }

  private HBox head() {
    var title = new Label(WORDS.say("mark-maker.title"));
    title.getStyleClass().add("side-title");
    var close = new Button(WORDS.say("mark-maker.back"));
    close.setId("mark-back");
    close.setOnAction(e -> back.run());
    var space = new StackPane();
    HBox.setHgrow(space, Priority.ALWAYS);
    var head = new HBox(10, title, space, close);
    head.setAlignment(Pos.CENTER_LEFT);
    head.getStyleClass().add("pair-title");
    return head;
  }

  private FlowPane ways() {
    var group = new ToggleGroup();
    var row = new FlowPane(6, 6);
    for (Way w : Way.values()) {
      var b =
          new ToggleButton(
              switch (w) {
                case DRAW -> WORDS.say("mark-maker.draw");
                case TYPE -> WORDS.say("mark-maker.type");
                case STAMP -> WORDS.say("mark-maker.stamp");
                case PICTURE -> WORDS.say("mark-maker.picture");
              });
      b.setId("mark-way-" + w.ordinal());
      b.setUserData(w);
      b.setToggleGroup(group);
      b.setSelected(w == way);
      row.getChildren().add(b);
    }
    group
        .selectedToggleProperty()
        .addListener((o, was, is) -> {
          Toggle t = is == null ? was : is;
          group.selectToggle(t); // one is always chosen
          show((Way) t.getUserData());
        });
    return row;
  }

  private void setInk(Colour c) {
    colour = c;
    showInk();
    refresh();
  }

  private void showInk() {
    pad.setInk(Color.rgb(colour.red(), colour.green(), colour.blue()));
  }

  private VBox preview() {
    shown.setPreserveRatio(true);
    shown.setFitWidth(SHOWN);
    shown.setFitHeight(HIGHEST);
    var paper = new StackPane(shown);
    paper.getStyleClass().add("ink-paper");
    paper.setMinWidth(SHOWN + 40);
    paper.setMinHeight(HIGHEST + 20);
    problem.setId("mark-problem");
    problem.setWrapText(true);
    problem.getStyleClass().add("quiet");
    return new VBox(5, new Label(WORDS.say("mark-maker.as-placed")), paper, problem);
  }

  private VBox fields() {
    name.setId("mark-name");
    name.setPromptText(WORDS.say("mark-maker.name"));
    name.setAccessibleText(WORDS.say("mark-maker.name"));
    name.setPrefWidth(220);
    name.textProperty().addListener(o -> offer());
    kind.setId("mark-kind");
    kind.getItems().setAll(Mark.Kind.values());
    kind.setValue(Mark.Kind.SIGNATURE);
    kind.setConverter(new Named<>(MarkWords::kind));
    kind.setAccessibleText(WORDS.say("mark-maker.kind"));
    var both = new HBox(8, name, kind);
    entry.node().setMaxWidth(WIDE);
    var hint = new Label(WORDS.say("mark-maker.passphrase-hint"));
    hint.setWrapText(true);
    hint.getStyleClass().add("quiet");
    var fields = new VBox(8, both, entry.node(), hint, keep);
    fields.setMaxWidth(WIDE);
    return fields;
  }

  private void fillPlaces() {
    typed.setId("mark-text");
    typed.setPromptText(WORDS.say("mark-maker.text"));
    typed.setAccessibleText(WORDS.say("mark-maker.text"));
    typed.setPrefWidth(320);
    typed.textProperty().addListener(o -> refresh());
    face.setId("mark-face");
    face.getItems().setAll(ScriptFace.values());
    face.setValue(ScriptFace.GREAT_VIBES);
    face.setConverter(new Named<>(ScriptFace::shown));
    face.setAccessibleText(WORDS.say("mark-maker.face"));
    face.setOnAction(e -> refresh());
    lines.setId("mark-lines");
    lines.setPromptText(WORDS.say("mark-maker.lines"));
    lines.setAccessibleText(WORDS.say("mark-maker.lines"));
    lines.setPrefRowCount(4);
    lines.setMaxWidth(420);
    lines.textProperty().addListener(o -> refresh());
    pictured.setWrapText(true);
  }

  private void show(Way now) {
    way = now;
    Node node =
        switch (now) {
          case DRAW -> {
            var again = new Button(WORDS.say("mark-maker.again"));
            again.setId("mark-again");
            again.getStyleClass().add("quiet-button");
            again.setOnAction(e -> pad.clear());
            yield new VBox(6, pad, again);
          }
          case TYPE -> new HBox(8, typed, face);
          case STAMP -> lines;
          case PICTURE -> {
            var choose = new Button(WORDS.say("mark-maker.choose"));
            choose.setId("mark-choose");
            choose.setOnAction(e -> choose());
            yield new VBox(6, choose, pictured);
          }
        };
    inks.setVisible(now != Way.PICTURE); // it has its own
    inks.setManaged(now != Way.PICTURE);
    if (now == Way.STAMP) {
      kind.setValue(Mark.Kind.STAMP);
    }
    StackPane.setAlignment(node, Pos.TOP_LEFT);
    place.getChildren().setAll(node);
    refresh();
  }

  /** Shows the mark as it would be, or why there is none. */
  private void refresh() {
    try {
      Optional<Making> making = making();
      made = making.isPresent() ? Optional.of(making.get().in(colour)) : Optional.empty();
      problem.setText("");
    } catch (MarkProblem e) {
      made = Optional.empty();
      problem.setText(e.getMessage());
    }
    shown.setImage(made.flatMap(m -> m.painted(2 * SHOWN)).map(SmallPicture::image).orElse(null));
    offer();
  }

  private Optional<Making> making() {
    return switch (way) {
      case DRAW -> Optional.of(new Making.Drawn(pad.strokes(), InkPad.PEN));
      case TYPE -> Optional.of(new Making.Typed(typed.getText(), face.getValue()));
      case STAMP -> Optional.of(new Making.Stamped(lines.getText().lines().toList()));
      case PICTURE -> taken.map(Making.Taken::new);
    };
  }

  private void offer() {
    keep.setDisable(made.isEmpty() || name.getText().isBlank() || entry.isUnsure());
  }

  private void given(String password) {
    passphrase = password;
    offer();
  }

  private void choose() {
    FileToOpen.choose(
            desk,
            getScene().getWindow(),
            WORDS.say("mark-maker.choose"),
            WORDS.say("mark-maker.pictures"),
            PictureFile.EXTENSIONS)
        .ifPresent(this::take);
  }

  /** Takes the ink from a picture, beside what goes on. */
  public void take(Path file) {
    String called = String.valueOf(file.getFileName());
    pictured.setText(WORDS.say("mark-maker.looking", called));
    taken = Optional.empty();
    refresh();
    Thread.ofVirtual()
        .start(() -> {
          try {
            byte[] bytes = Files.size(file) > LARGEST ? new byte[0] : Files.readAllBytes(file);
            Mark m = InkOnPaper.in(bytes);
            Platform.runLater(() -> took(Optional.of(m), called));
          } catch (MarkProblem e) {
            Platform.runLater(() -> took(Optional.empty(), e.getMessage()));
          } catch (IOException | RuntimeException e) {
            Faults.mended("reading a picture of a mark", e);
            String why = WORDS.say("mark-maker.unreadable", called);
            Platform.runLater(() -> took(Optional.empty(), why));
          }
        });
  }

  private void took(Optional<Mark> mark, String says) {
    taken = mark;
    boolean dots = mark.filter(m -> !m.picture().type().contains("svg")).isPresent();
    pictured.setText(dots ? WORDS.say("mark-maker.stays-picture", says) : says);
    refresh();
  }

  private void keep() {
    if (made.isEmpty()) {
      return;
    }
    String called = name.getText().strip();
    if (shelf.has(called)) {
      problem.setText(WORDS.say("mark-maker.taken", called));
      return;
    }
    Mark m = made.get();
    Mark mark = m.as(called, kind.getValue(), width(m));
    Optional<char[]> by =
        passphrase.isEmpty() ? Optional.empty() : Optional.of(passphrase.toCharArray());
    keep.setDisable(true);
    Thread.ofVirtual()
        .start(() -> {
          try {
            shelf.keep(mark, by);
            Platform.runLater(() -> {
              desk.tell(WORDS.say("mark-maker.kept", called));
              kept.run();
              back.run();
            });
          } catch (WriteProblem e) {
            Platform.runLater(() -> {
              problem.setText(e.getMessage());
              offer();
            });
          }
        });
  }

  /** As wide as such things are on paper, in points. */
  private double width(Mark m) {
    double most =
        switch (kind.getValue()) {
          case SIGNATURE -> 160;
          case INITIALS -> 50;
          case STAMP -> 240;
        };
    return Math.min(most, m.width());
  }

  /** Shows values by what they are called. */
  private static final class Named<T> extends StringConverter<T> {
    private final Function<T, String> names;

    Named(Function<T, String> names) {
      this.names = names;
    }

    @Override
    public String toString(T value) {
      return value == null ? "" : names.apply(value);
    }

    @Override
    public T fromString(String s) {
      throw new UnsupportedOperationException("nothing is typed");
    }
  }
}
