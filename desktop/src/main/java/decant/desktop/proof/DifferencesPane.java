package decant.desktop.proof;

import decant.compare.Difference;
import decant.compare.Difference.Kind;
import decant.compare.Ticks;
import decant.words.Words;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import javafx.beans.property.ObjectProperty;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** What differs, in the order of the pages; kinds that are of no interest can be left out. */
final class DifferencesPane extends VBox {
  private static final Words WORDS = Words.of(DifferencesPane.class);

  private final Label told = new Label();
  private final FlowPane kinds = new FlowPane(4, 4);
  private final ListView<Listed> list = new ListView<>();
  private final Set<Kind> leftOut = EnumSet.noneOf(Kind.class);
  private final ObjectProperty<Ticks> ticks;
  private final Button tickAll = new Button(WORDS.say("differences-pane.tick-all"));
  private final FlowPane acts = new FlowPane(6, 4);
  private List<Listed> all = List.of();

  /**
   * @param ticks the differences that were found right
   * @param chosen takes a difference that is to be seen on both sides
   */
  DifferencesPane(ObjectProperty<Ticks> ticks, Consumer<Difference> chosen) {
    super(6);
    this.ticks = ticks;
    told.setId("proof-differ");
    told.setWrapText(true);
    told.setMinHeight(USE_PREF_SIZE);
    kinds.setId("proof-kinds");
    list.setId("proof-differences");
    list.getStyleClass().add("findings");
    list.setAccessibleText(WORDS.say("differences-pane.list"));
    list.setCellFactory(v -> new Cell());
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener((o, was, is) -> {
          if (is != null) {
            chosen.accept(is.difference());
          }
        });
    tickAll.setId("proof-tick-all");
    tickAll.getStyleClass().add("quiet-button");
    tickAll.setOnAction(e -> tick(list.getItems().stream().map(Listed::difference).toList(), true));
    VBox.setVgrow(list, Priority.ALWAYS);
    acts.getChildren().add(tickAll);
    getChildren().addAll(told, kinds, list, acts);
  }

  /** Puts what else can be done with the differences beside what ticks them. */
  void offer(Button act) {
    acts.getChildren().add(act);
  }

  private void tick(List<Difference> some, boolean on) {
    ticks.set(ticks.get().with(some, on));
    list.refresh();
    told.setText(said());
  }

  /** What was found last. */
  List<Listed> found() {
    return all;
  }

  /** It is being looked for. */
  void looking() {
    told.setText(WORDS.say("differences-pane.looking"));
  }

  /** A file that holds some pages only lacks all others, which is no news. */
  void part() {
    show(Optional.of(List.of()));
    told.setText(WORDS.say("differences-pane.part"));
  }

  /** Shows what was found; nothing where it could not be told. */
  void show(Optional<List<Listed>> found) {
    all = found.orElse(List.of());
    fill();
    told.setText(found.isEmpty() ? WORDS.say("differences-pane.cannot-tell") : said());
  }

  private String said() {
    if (all.isEmpty()) {
      return WORDS.say("differences-pane.alike");
    }
    int lacking = ticks.get().lacking(all.stream().map(Listed::difference).toList());
    String ticked =
        lacking == 0
            ? WORDS.say("differences-pane.all-ticked")
            : WORDS.count("differences-pane.lacking", lacking);
    return strange() + " " + ticked;
  }

  private String strange() {
    int strange = (int) all.stream().filter(l -> !l.meant()).count();
    String many = WORDS.count("differences-pane.differences", all.size());
    return strange == 0
        ? many + " " + WORDS.say("differences-pane.all-meant")
        : many + " " + WORDS.count("differences-pane.not-meant", strange);
  }

  private void fill() {
    Map<Kind, Integer> counts = new EnumMap<>(Kind.class);
    all.forEach(l -> counts.merge(l.difference().kind(), 1, Integer::sum));
    var buttons = new ArrayList<ToggleButton>();
    counts.forEach((k, n) -> {
      var b = new ToggleButton(WORDS.say("differences-pane.kind", k.label(), n));
      b.setId("proof-kind-" + k.code());
      b.getStyleClass().add("kind");
      b.setSelected(!leftOut.contains(k));
      b.setOnAction(e -> {
        if (b.isSelected()) {
          leftOut.remove(k);
        } else {
          leftOut.add(k);
        }
        rows();
      });
      buttons.add(b);
    });
    kinds.getChildren().setAll(buttons);
    kinds.setVisible(counts.size() > 1);
    kinds.setManaged(counts.size() > 1);
    list.setVisible(!all.isEmpty());
    list.setManaged(!all.isEmpty());
    tickAll.setVisible(!all.isEmpty());
    tickAll.setManaged(!all.isEmpty());
    rows();
  }

  private void rows() {
    List<Listed> rows = all.stream().filter(l -> !leftOut.contains(l.difference().kind())).toList();
    if (!rows.equals(list.getItems())) {
      list.getItems().setAll(rows);
    }
  }

  /** A tick; beside it the kind and the pages above, what was and what is below. */
  private final class Cell extends ListCell<Listed> {
    private final CheckBox right = new CheckBox();
    private final Label head = new Label();
    private final Label text = new Label();
    private final HBox both = new HBox(4, right, new VBox(2, head, text));

    private Cell() {
      head.getStyleClass().add("quiet");
      text.setWrapText(true);
      text.setMaxHeight(60);
      setPrefWidth(0);
      text.prefWidthProperty().bind(widthProperty().subtract(46));
      right.setTooltip(new Tooltip(WORDS.say("differences-pane.tick")));
      right.setOnAction(e -> {
        if (getItem() != null) {
          tick(List.of(getItem().difference()), right.isSelected());
        }
      });
    }

    @Override
    protected void updateItem(Listed l, boolean empty) {
      super.updateItem(l, empty);
      if (empty || l == null) {
        setGraphic(null);
        return;
      }
      Difference d = l.difference();
      head.setText(
          WORDS.say(
              l.meant() ? "differences-pane.head" : "differences-pane.head-not-meant",
              d.title(),
              pages(d)));
      head.getStyleClass().remove("differs");
      if (!l.meant()) {
        head.getStyleClass().add("differs");
      }
      right.setSelected(ticks.get().has(d));
      text.setText(text(d));
      right.setAccessibleText(WORDS.say("differences-pane.tick"));
      setAccessibleText(head.getText() + ": " + text.getText());
      setGraphic(both);
    }

    private String pages(Difference d) {
      int was = d.a().map(Difference.Side::page).orElse(0);
      int is = d.b().map(Difference.Side::page).orElse(0);
      int one = was == 0 ? is : was;
      return was == is || was == 0 || is == 0
          ? WORDS.say("differences-pane.page", one)
          : WORDS.say("differences-pane.pages", was, is);
    }

    private String text(Difference d) {
      String was = d.a().map(Difference.Side::text).orElse("");
      String is = d.b().map(Difference.Side::text).orElse("");
      return was.isEmpty() || is.isEmpty() || was.equals(is)
          ? was.isEmpty() ? is : was
          : WORDS.say("differences-pane.was-is", was, is);
    }
  }
}
