package decant.desktop.takein;

import decant.desktop.shell.InSight;
import decant.desktop.shell.Work;
import decant.model.finding.Finding;
import decant.model.finding.FindingGroup;
import decant.words.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;

/**
 * What needs a look, the gravest first: alike findings are one entry, whose places are gone through
 * one by one; each with what can be done.
 */
final class FindingList extends VBox {
  private static final Words WORDS = Words.of(FindingList.class);

  private final Work work;
  private final Mends mends;
  private final Label summary = new Label();

  /** A line of its own that is always there: the list below it stays where it is as it changes. */
  private final Label compared = new Label();

  private final ComboBox<Optional<Finding.Kind>> kinds = new ComboBox<>();
  private final ListView<FindingGroup> list = new ListView<>();
  private final Map<Finding.Kind, Integer> counts = new LinkedHashMap<>();
  private int place;
  private boolean filling;

  FindingList(Work work, InSight inSight, Mends mends) {
    super(8);
    this.work = work;
    this.mends = mends;
    var title = new Label(WORDS.say("finding-list.title"));
    title.getStyleClass().add("side-title");
    summary.getStyleClass().add("quiet");
    summary.setWrapText(true);
    summary.setMinHeight(USE_PREF_SIZE);
    summary.setId("findings-summary");
    compared.getStyleClass().add("quiet");
    compared.setId("findings-compared");
    kinds.setId("findings-kind");
    kinds.setAccessibleText(WORDS.say("finding-list.filter"));
    kinds.setMaxWidth(Double.MAX_VALUE);
    kinds.setConverter(new KindName());
    kinds.setOnAction(e -> {
      if (!filling && kinds.getValue() != null) {
        work.filterProperty().set(kinds.getValue());
      }
    });
    list.setId("findings");
    list.setAccessibleText(WORDS.say("finding-list.keys"));
    list.getStyleClass().add("findings");
    list.setCellFactory(v -> new FindingCell());
    list.getSelectionModel().selectedItemProperty().addListener((o, was, is) -> chosen(was, is));
    // A filter: the toolkit's own handler would move the keyboard to the pages.
    list.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
    VBox.setVgrow(list, Priority.ALWAYS);
    getChildren().addAll(title, summary, compared, kinds, list);
    inSight.on(work.settledProperty(), this::refresh);
    inSight.on(work.filterProperty(), this::refresh);
    inSight.on(work.judgingProperty(), this::refresh);
    refresh();
  }

  /** What has the keyboard first. */
  Node keyboard() {
    return list;
  }

  private void pressed(KeyEvent e) {
    boolean used = true;
    switch (e.getCode()) {
      case LEFT -> step(-1);
      case RIGHT -> step(1);
      case ENTER -> shown().filter(f -> mends.offer(f).isPresent()).ifPresent(this::accept);
      case DELETE -> shown().ifPresent(work::settle);
      case DOWN, UP -> {
        used = list.getSelectionModel().isEmpty();
        if (used) {
          list.getSelectionModel().selectFirst(); // the toolkit would begin with the second
        }
      }
      default -> used = false;
    }
    if (used) {
      e.consume();
    }
  }

  private void chosen(FindingGroup was, FindingGroup is) {
    if (is != null && (was == null || !is.isLike(was))) {
      place = 0;
    }
    show();
  }

  private Optional<Finding> shown() {
    FindingGroup g = list.getSelectionModel().getSelectedItem();
    return Optional.ofNullable(g)
        .map(x -> x.findings().get(Math.min(place, x.findings().size() - 1)));
  }

  private void show() {
    work.shownFindingProperty().set(shown());
  }

  /** Goes to the next place of the entry that is chosen, or to the one before. */
  private void step(int by) {
    FindingGroup g = list.getSelectionModel().getSelectedItem();
    if (g != null && g.findings().size() > 1) {
      place = Math.floorMod(Math.min(place, g.findings().size() - 1) + by, g.findings().size());
      show();
      list.refresh();
    }
  }

  private void accept(Finding f) {
    mends.accept(List.of(f));
  }

  private void refresh() {
    List<Finding> open = work.openFindings();
    counts.clear();
    for (FindingGroup g : FindingGroup.of(open)) {
      counts.merge(g.kind(), g.findings().size(), Integer::sum);
    }
    Optional<Finding.Kind> filter = work.filterProperty().get().filter(counts::containsKey);
    filling = true;
    var offered = new ArrayList<Optional<Finding.Kind>>();
    offered.add(Optional.empty());
    counts.keySet().forEach(k -> offered.add(Optional.of(k)));
    if (!kinds.getItems().equals(offered)) {
      kinds.getItems().setAll(offered);
    }
    kinds.setValue(filter);
    kinds.setDisable(counts.size() < 2);
    filling = false;
    List<FindingGroup> groups =
        FindingGroup.of(
            open.stream().filter(f -> filter.isEmpty() || f.kind() == filter.get()).toList());
    if (!groups.equals(list.getItems())) {
      FindingGroup was = list.getSelectionModel().getSelectedItem();
      list.getItems().setAll(groups);
      if (was != null) {
        groups.stream()
            .filter(g -> g.isLike(was))
            .findFirst()
            .ifPresent(list.getSelectionModel()::select);
      }
      show();
    }
    int all = work.taken().findings().size();
    Work.Judged judged = work.judgingProperty().get();
    summary.setText(
        switch (judged) {
          case AT_WORK -> all == 0 ? WORDS.say("finding-list.none-yet") : counts(all, open);
          case DONE, NOT -> all == 0 ? WORDS.say("finding-list.none") : counts(all, open);
        });
    compared.setText(
        switch (judged) {
          case AT_WORK -> WORDS.say("finding-list.comparing");
          case DONE -> WORDS.say("finding-list.compared");
          case NOT -> "";
        });
  }

  private static String counts(int all, List<Finding> open) {
    if (open.isEmpty()) {
      return WORDS.say("finding-list.all-done");
    }
    int lost = (int) open.stream().filter(f -> f.severity() == Finding.Severity.LOSS).count();
    String count = WORDS.count("finding-list.findings", open.size());
    String losses = lost > 0 ? " " + WORDS.count("finding-list.losses", lost) : "";
    String done =
        all > open.size() ? " " + WORDS.count("finding-list.done", all - open.size()) : "";
    return count + losses + done;
  }

  private FlowPane acts(FindingGroup g, Finding f) {
    var row = new FlowPane(5, 5);
    row.getStyleClass().add("finding-acts");
    mends
        .offer(f)
        .ifPresent(offer -> {
          row.getChildren().add(act(offer, "finding-accept", () -> accept(f)));
          List<Finding> like = mends.like(f);
          if (like.size() > 1) {
            row.getChildren()
                .add(
                    act(
                        WORDS.count("finding-list.all-of-these", like.size()),
                        "finding-accept-all",
                        () -> mends.accept(like)));
          }
        });
    row.getChildren()
        .add(act(WORDS.say("finding-list.leave"), "finding-leave", () -> work.settle(f)));
    if (g.findings().size() > 1) {
      row.getChildren()
          .add(
              act(
                  WORDS.count("finding-list.leave-all", g.findings().size()),
                  "finding-leave-all",
                  () -> g.findings().forEach(work::settle)));
    }
    return row;
  }

  private HBox stepper(FindingGroup g) {
    var back = act("‹", "finding-previous", () -> step(-1));
    back.setAccessibleText(WORDS.say("finding-list.previous"));
    var on = act("›", "finding-next", () -> step(1));
    on.setAccessibleText(WORDS.say("finding-list.next"));
    int at = Math.min(place, g.findings().size() - 1) + 1;
    var where = new Label(WORDS.say("finding-list.place", at, g.findings().size()));
    where.setId("finding-place");
    where.getStyleClass().add("quiet");
    where.setMinWidth(Region.USE_PREF_SIZE);
    var box = new HBox(5, back, where, on);
    box.setAlignment(Pos.CENTER_LEFT);
    box.getStyleClass().add("finding-acts");
    return box;
  }

  /** A button in an entry. The keyboard stays with the list: entries are drawn anew. */
  private Button act(String name, String id, Runnable run) {
    var b = new Button(name);
    b.setId(id);
    b.setFocusTraversable(false);
    b.setOnAction(e -> {
      list.requestFocus();
      run.run();
    });
    return b;
  }

  private final class KindName extends StringConverter<Optional<Finding.Kind>> {
    @Override
    public String toString(Optional<Finding.Kind> kind) {
      if (kind == null || kind.isEmpty()) {
        return WORDS.say("finding-list.all-kinds");
      }
      int n = counts.getOrDefault(kind.get(), 0);
      return WORDS.say("finding-list.kind-and-count", kind.get().label(), n);
    }

    @Override
    public Optional<Finding.Kind> fromString(String s) {
      return Optional.empty(); // it is chosen, not written
    }
  }

  private final class FindingCell extends ListCell<FindingGroup> {
    FindingCell() {
      setPrefWidth(0); // as wide as the list, so that text wraps
      selectedProperty().addListener(o -> fill());
    }

    @Override
    protected void updateItem(FindingGroup g, boolean empty) {
      super.updateItem(g, empty);
      fill();
    }

    private void fill() {
      FindingGroup g = getItem();
      if (isEmpty() || g == null) {
        setGraphic(null);
        return;
      }
      int n = g.findings().size();
      Finding f = isSelected() ? shown().orElse(g.findings().getFirst()) : g.findings().getFirst();
      // Told apart by shape and word.
      var sign =
          new Label(
              switch (g.severity()) {
                case LOSS -> "■";
                case DOUBT -> "◆";
                case NOTE -> "○";
              });
      sign.getStyleClass().add("finding-sign");
      var kind = new Label(g.kind().label());
      kind.getStyleClass().add("finding-kind");
      String many = n > 1 ? WORDS.count("finding-list.places", n) + " · " : "";
      String page =
          f.source().map(s -> " · " + WORDS.say("finding-list.page", s.page() + 1)).orElse("");
      var severity = new Label(many + g.severity().label() + (isSelected() || n == 1 ? page : ""));
      severity.getStyleClass().add("quiet");
      var head = new FlowPane(6, 0, new HBox(6, sign, kind), severity);
      head.setRowValignment(javafx.geometry.VPos.BASELINE);
      var message = new Label(f.message());
      message.setWrapText(true);
      message.setMinHeight(Region.USE_PREF_SIZE);
      var all = new VBox(2, head, message);
      if (isSelected()) {
        if (n > 1) {
          all.getChildren().add(stepper(g));
        }
        all.getChildren().add(acts(g, f));
      }
      setGraphic(all);
    }
  }
}
