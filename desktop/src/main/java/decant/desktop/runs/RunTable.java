package decant.desktop.runs;

import decant.desktop.runs.RunLines.Line;
import decant.format.Format;
import decant.format.Formats;
import decant.recipe.Recipe;
import decant.run.Row;
import decant.words.Figures;
import decant.words.Words;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import javafx.scene.control.Label;
import javafx.scene.control.OverrunStyle;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import org.jspecify.annotations.Nullable;

/** The one table: the plan before, the progress during, and the log after a run. */
final class RunTable extends TableView<Line> {
  private static final Words WORDS = Words.of(RunTable.class);

  private final RunState state;
  private final ObservableList<Line> lines = FXCollections.observableArrayList();
  private final Set<String> folded = new HashSet<>();
  private RunLines.Filter filter = RunLines.Filter.ALL;
  private String words = "";

  /** So many rows are put into lines in a moment. */
  private static final int MANY = 2000;

  /** In which line each row stands; -1 for those that are not shown. */
  private int[] places = {};

  /** The latest of the lists that were asked for is the one that is shown. */
  private int asked;

  RunTable(RunState state) {
    this.state = state;
    setId("run-table");
    getStyleClass().add("run-table");
    setItems(lines);
    setFixedCellSize(30);
    getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
    setColumnResizePolicy(CONSTRAINED_RESIZE_POLICY_FLEX_LAST_COLUMN);
    var empty = new Label();
    empty.getStyleClass().add("quiet");
    setPlaceholder(empty);
    TableColumn<Line, Line> file = column("run-table.file", 330, Row::path, NameCell::new);
    TableColumn<Line, Line> kind =
        column("run-table.kind", 64, Row::kind, () -> new TextCell(r -> kind(r.kind()), false));
    TableColumn<Line, Line> fate =
        column("run-table.state", 108, r -> r.state().ordinal(), StateCell::new);
    TableColumn<Line, Line> pages =
        column(
            "run-table.pages",
            64,
            Row::pagesOrMade,
            () -> new TextCell(r -> number(r.pagesOrMade()), true));
    TableColumn<Line, Line> findings =
        column(
            "run-table.findings",
            76,
            r -> r.work().findings(),
            () -> new TextCell(r -> number(r.work().findings()), true));
    TableColumn<Line, Line> bytes =
        column(
            "run-table.size",
            84,
            Row::bytes,
            () -> new TextCell(r -> Figures.size(r.bytes()), true));
    TableColumn<Line, Line> results =
        column("run-table.results", 420, RunTable::told, () -> new TextCell(RunTable::told, false));
    for (TableColumn<Line, Line> c : List.of(pages, findings, bytes)) {
      c.getStyleClass().add("run-figure");
    }
    getColumns().setAll(List.of(file, kind, fate, pages, findings, bytes, results));
    setSortPolicy(t -> {
      fill();
      return true;
    });
    setOnKeyPressed(e -> {
      boolean fold = e.getCode() == KeyCode.LEFT || e.getCode() == KeyCode.RIGHT;
      if (fold && getSelectionModel().getSelectedItem() instanceof Line.Folder f) {
        fold(f.path(), e.getCode() == KeyCode.LEFT);
        e.consume();
      }
    });
  }

  private <T extends Comparable<T>> TableColumn<Line, Line> column(
      String name,
      double width,
      Function<Row, T> by,
      java.util.function.Supplier<TableCell<Line, Line>> cell) {
    var c = new TableColumn<Line, Line>(WORDS.say(name));
    c.setId(name.replace('.', '-'));
    c.setPrefWidth(width);
    c.setMinWidth(Math.min(width, 60));
    c.setReorderable(false);
    c.setCellValueFactory(d -> new ReadOnlyObjectWrapper<>(d.getValue()));
    c.setCellFactory(x -> cell.get());
    c.setComparator((a, b) ->
        a instanceof Line.File x && b instanceof Line.File y
            ? by.apply(row(x)).compareTo(by.apply(row(y)))
            : 0);
    Comparator<Row> byRow = Comparator.comparing(by);
    c.setUserData(byRow);
    return c;
  }

  private Row row(Line.File f) {
    return state.rows().get(f.row());
  }

  /** The folder that is selected, or the one of the file that is, by its path from the source. */
  Optional<String> folder() {
    return switch (getSelectionModel().getSelectedItem()) {
      case Line.Folder f -> Optional.of(f.path());
      case Line.File f when f.row() < state.rows().size() -> Optional.of(row(f).folder());
      case null, default -> Optional.empty();
    };
  }

  /** The rows of the files that are selected. */
  List<Row> selected() {
    return getSelectionModel().getSelectedItems().stream()
        .filter(Line.File.class::isInstance)
        .map(l -> row((Line.File) l))
        .toList();
  }

  void show(RunLines.Filter which, String having) {
    filter = which;
    words = having;
    fill();
  }

  /** Makes the lines anew: rows came or went, or others are asked for. */
  @SuppressWarnings("unchecked")
  void fill() {
    Optional<Comparator<Row>> order =
        getSortOrder().stream()
            .findFirst()
            .map(c -> {
              var by = (Comparator<Row>) c.getUserData();
              return c.getSortType() == TableColumn.SortType.ASCENDING ? by : by.reversed();
            });
    int mine = ++asked;
    if (state.rows().size() < MANY) {
      take(RunLines.of(state.rows(), filter, words, order, folded));
    } else {
      // Long lists are made elsewhere, so that no key has to wait for them.
      List<Row> rows = List.copyOf(state.rows());
      RunLines.Filter which = filter;
      String having = words;
      Set<String> closed = Set.copyOf(folded);
      state.elsewhere(
          () -> RunLines.of(rows, which, having, order, closed),
          made -> {
            if (mine == asked) {
              take(made);
            }
          });
    }
    ((Label) getPlaceholder())
        .setText(WORDS.say(state.rows().isEmpty() ? "run-table.nothing" : "run-table.none-such"));
  }

  /** Rows were worked on; their lines say so, if they are shown. */
  void changed(List<Integer> rows) {
    if (places.length < state.rows().size()) {
      return; // the lines are being made anew
    }
    for (int row : rows) {
      int at = places[row];
      if (at >= 0 && lines.get(at) instanceof Line.File f && f.row() == row) {
        lines.set(at, new Line.File(row, f.depth(), state.rows().get(row).state()));
      }
    }
  }

  /** More files than these are hardly selected one by one. */
  private static final int MOST_KEPT = 1000;

  private void take(List<Line> made) {
    int[] selected =
        getSelectionModel().getSelectedItems().stream()
            .filter(Line.File.class::isInstance)
            .limit(MOST_KEPT)
            .mapToInt(l -> ((Line.File) l).row())
            .toArray();
    @Nullable Line folder =
        getSelectionModel().getSelectedItem() instanceof Line.Folder f ? f : null;
    places = new int[state.rows().size()];
    java.util.Arrays.fill(places, -1);
    for (int k = 0; k < made.size(); k++) {
      if (made.get(k) instanceof Line.File f && f.row() < places.length) {
        places[f.row()] = k;
      }
    }
    lines.setAll(made);
    getSelectionModel().clearSelection();
    for (int k = 0; folder instanceof Line.Folder f && k < made.size(); k++) {
      if (made.get(k) instanceof Line.Folder now && now.path().equals(f.path())) {
        getSelectionModel().select(k);
        break;
      }
    }
    for (int row : selected) {
      if (row < places.length && places[row] >= 0) {
        getSelectionModel().select(places[row]);
      }
    }
  }

  void fold(String folder, boolean on) {
    if (on ? folded.add(folder) : folded.remove(folder)) {
      fill();
    }
  }

  private static String number(int n) {
    return n == 0 ? "" : Figures.number(n);
  }

  private static String kind(String id) {
    return Formats.of(id).map(Format::name).orElse("");
  }

  /** The results, or why there are none. */
  private static String told(Row r) {
    boolean why = r.state() == Row.State.LEFT_OUT || r.state() == Row.State.FAILED;
    return why
        ? r.message()
        : r.results().stream().map(x -> name(x.file())).collect(Collectors.joining(", "));
  }

  private static String name(String path) {
    return path.substring(path.lastIndexOf('/') + 1);
  }

  static String say(Row.State s) {
    return switch (s) {
      case PLANNED -> WORDS.say("run-table.planned");
      case AT_WORK -> WORDS.say("run-table.at-work");
      case DONE -> WORDS.say("run-table.done");
      case FAILED -> WORDS.say("run-table.failed");
      case LEFT_OUT -> WORDS.say("run-table.left-out");
    };
  }

  /** What a cell is made of is made once: cells are filled again and again while files are done. */
  private abstract class Cell extends TableCell<Line, Line> {
    private String hint = "";

    Cell() {
      // A hint is made when somebody may want it, not for every file that passes by.
      setOnMouseEntered(e -> setTooltip(hint.isEmpty() ? null : new Tooltip(hint)));
    }

    @Override
    protected void updateItem(Line line, boolean empty) {
      super.updateItem(line, empty);
      hint = "";
      boolean known = !empty && (!(line instanceof Line.File f) || f.row() < state.rows().size());
      switch (known ? line : null) {
        case Line.Folder f -> folder(f);
        case Line.File f -> file(row(f), f);
        case null -> nothing();
      }
    }

    final void hint(String text) {
      hint = text;
    }

    void nothing() {
      setText(null);
      setGraphic(null);
    }

    void folder(Line.Folder f) {
      nothing();
    }

    abstract void file(Row r, Line.File line);
  }

  private final class NameCell extends Cell {
    private final Region arrow = new Region();
    private final Label name = new Label();
    private final Label count = new Label();
    private final HBox folder = new HBox(7, arrow, name, count);

    NameCell() {
      setTextOverrun(OverrunStyle.CENTER_ELLIPSIS);
      arrow.getStyleClass().add("run-fold");
      name.getStyleClass().add("run-folder");
      name.setTextOverrun(OverrunStyle.LEADING_ELLIPSIS);
      count.getStyleClass().add("quiet");
      count.setMinWidth(Region.USE_PREF_SIZE);
      folder.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
      folder.setOnMouseClicked(e -> {
        if (getItem() instanceof Line.Folder f) {
          fold(f.path(), !f.folded());
        }
      });
    }

    @Override
    void folder(Line.Folder f) {
      arrow.setRotate(f.folded() ? -45 : 45);
      name.setText(f.path().isEmpty() ? WORDS.say("run-table.source-itself") : f.path());
      Recipe own = state.draft().more().recipes().get(f.path());
      count.setText(
          own == null
              ? Figures.number(f.files())
              : WORDS.say("run-table.by-recipe", Figures.number(f.files()), own.name()));
      setText(null);
      setGraphic(folder);
    }

    @Override
    void file(Row r, Line.File line) {
      setGraphic(null);
      setText(line.depth() == 0 ? r.path() : INDENT + name(r.path()));
      hint(r.path());
    }
  }

  private static final String INDENT = "      ";

  private final class StateCell extends Cell {
    private final Region sign = new Region();

    @Override
    void file(Row r, Line.File line) {
      sign.getStyleClass().setAll("run-sign", STYLES.get(r.state()));
      setGraphic(sign);
      setText(say(r.state()));
    }
  }

  private static final Map<Row.State, String> STYLES =
      Map.of(
          Row.State.PLANNED, "run-planned",
          Row.State.AT_WORK, "run-at-work",
          Row.State.DONE, "run-done",
          Row.State.FAILED, "run-failed",
          Row.State.LEFT_OUT, "run-left-out");

  private final class TextCell extends Cell {
    private final Function<Row, String> text;

    TextCell(Function<Row, String> text, boolean figure) {
      this.text = text;
      if (figure) {
        getStyleClass().add("run-figure");
      }
    }

    @Override
    void file(Row r, Line.File line) {
      String t = text.apply(r);
      setText(t);
      hint(t.length() > 24 ? t : "");
    }
  }
}
