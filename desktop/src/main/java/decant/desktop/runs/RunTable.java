package decant.desktop.runs;

import decant.desktop.runs.RunLines.Line;
import decant.format.Format;
import decant.format.Formats;
import decant.run.Row;
import decant.words.Figures;
import decant.words.Words;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
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
      lines.setAll(RunLines.of(state.rows(), filter, words, order, folded));
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
              lines.setAll(made);
            }
          });
    }
    ((Label) getPlaceholder())
        .setText(WORDS.say(state.rows().isEmpty() ? "run-table.nothing" : "run-table.none-such"));
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

  private abstract class Cell extends TableCell<Line, Line> {
    @Override
    protected void updateItem(Line line, boolean empty) {
      super.updateItem(line, empty);
      setText(null);
      setGraphic(null);
      setTooltip(null);
      if (!empty && line instanceof Line.Folder f) {
        folder(f);
      } else if (!empty && line instanceof Line.File f && f.row() < state.rows().size()) {
        file(row(f), f);
      }
    }

    void folder(Line.Folder f) {}

    abstract void file(Row r, Line.File line);
  }

  private final class NameCell extends Cell {
    NameCell() {
      setTextOverrun(OverrunStyle.CENTER_ELLIPSIS);
    }

    @Override
    void folder(Line.Folder f) {
      var arrow = new Region();
      arrow.getStyleClass().addAll("run-fold", f.folded() ? "folded" : "unfolded");
      String last = f.path().isEmpty() ? WORDS.say("run-table.source-itself") : f.path();
      var name = new Label(last);
      name.getStyleClass().add("run-folder");
      name.setTextOverrun(OverrunStyle.LEADING_ELLIPSIS);
      var count = new Label(Figures.number(f.files()));
      count.getStyleClass().add("quiet");
      count.setMinWidth(Region.USE_PREF_SIZE);
      var line = new HBox(7, arrow, name, count);
      line.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
      line.setOnMouseClicked(e -> fold(f.path(), !f.folded()));
      setGraphic(line);
    }

    @Override
    void file(Row r, Line.File line) {
      setText(
          (line.depth() == 0 ? "" : "      ") + (line.depth() == 0 ? r.path() : name(r.path())));
      setTooltip(new Tooltip(r.path()));
    }
  }

  private final class StateCell extends Cell {
    @Override
    void file(Row r, Line.File line) {
      var sign = new Region();
      sign.getStyleClass()
          .addAll(
              "run-sign",
              "run-" + r.state().name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'));
      setGraphic(sign);
      setText(say(r.state()));
    }
  }

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
      if (t.length() > 24) {
        setTooltip(new Tooltip(t));
      }
    }
  }
}
