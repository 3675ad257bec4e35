package decant.desktop.revise;

import decant.desktop.shell.Actions;
import decant.desktop.shell.InSight;
import decant.desktop.shell.Work;
import decant.model.Columns;
import decant.model.PageNumbers;
import decant.model.PageSetup;
import decant.model.edit.Revision;
import decant.model.edit.section.PageEdits;
import decant.model.edit.section.Paper;
import decant.model.look.ListDefinition.NumberFormat;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;
import java.util.function.ToDoubleFunction;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/** What the pages that the caret is on are like: paper, margins, columns, numbers. */
final class PagePanel extends SideRows {
  private static final Words WORDS = Words.of(PagePanel.class);
  private static final double MM = 72 / 25.4;
  private static final int MOST_COLUMNS = 12;

  /** The width of what stands in it, in pixels. */
  private static final double BESIDE = 264;

  private static final List<String> PAPERS =
      List.of(
          WORDS.say("page-panel.a3"),
          WORDS.say("page-panel.a4"),
          WORDS.say("page-panel.a5"),
          WORDS.say("page-panel.a6"),
          WORDS.say("page-panel.b4"),
          WORDS.say("page-panel.b5"),
          WORDS.say("page-panel.letter"),
          WORDS.say("page-panel.legal"),
          WORDS.say("page-panel.tabloid"));

  private static final List<NumberFormat> FORMATS =
      List.of(
          NumberFormat.DECIMAL,
          NumberFormat.LOWER_ROMAN,
          NumberFormat.UPPER_ROMAN,
          NumberFormat.LOWER_LETTER,
          NumberFormat.UPPER_LETTER);

  private static final List<String> FORMAT_NAMES =
      List.of(
          WORDS.say("page-panel.decimal"),
          WORDS.say("page-panel.small-roman"),
          WORDS.say("page-panel.roman"),
          WORDS.say("page-panel.small-letters"),
          WORDS.say("page-panel.letters"));

  private final Work work;
  private final Runnable back;
  private final Actions actions;
  private final ComboBox<String> scope = new ComboBox<>();
  private final ComboBox<String> paper = new ComboBox<>();
  private final CheckBox sideways = new CheckBox(WORDS.say("page-panel.sideways"));
  private final CheckBox rule = new CheckBox(WORDS.say("page-panel.rule"));
  private final ComboBox<String> format = new ComboBox<>();
  private final TextField start = new TextField();
  private final List<Button> buttons = new ArrayList<>();
  private final List<Runnable> refreshing = new ArrayList<>();
  private boolean filling;

  /**
   * @param order what can be done to pages as they are; shown above what is said of their paper
   */
  PagePanel(Work work, InSight inSight, Actions actions, Node order, Runnable back) {
    super("page-panel", 118, 140);
    this.work = work;
    this.back = back;
    this.actions = actions;
    setContent(new VBox(8, order, grid, parts()));
    scope();
    paper();
    margins();
    columns();
    numbers();
    inSight.atRest(work.revisionProperty(), this::refresh);
    refresh();
  }

  private void refresh() {
    filling = true;
    refreshing.forEach(Runnable::run);
    filling = false;
    // Pages that are pinned keep what they are.
    grid.setDisable(PageEdits.here(work.revision()).own().pinned().isPresent());
    for (Button b : buttons) {
      b.setDisable(
          !actions.require(b.getId().substring("page-".length())).applies().getAsBoolean());
    }
  }

  private PageSetup page() {
    return PageEdits.here(work.revision()).section().page();
  }

  /** Of the caret's own section: others on its pages may have other columns. */
  private Columns columnsHere() {
    return PageEdits.here(work.revision()).own().page().columns();
  }

  private boolean everywhere() {
    return scope.getSelectionModel().getSelectedIndex() == 1;
  }

  private void apply(UnaryOperator<Revision> change) {
    if (!filling) {
      work.apply(change);
      refresh();
      back.run();
    }
  }

  private void row(String name, String id, Node editor, Runnable show) {
    add(grid, name, "page-" + id, editor);
    refreshing.add(show);
  }

  /** A row without a name of its own. */
  private void row(String id, CheckBox box, Runnable show) {
    box.setId("page-" + id);
    grid.add(box, 1, grid.getRowCount());
    refreshing.add(show);
  }

  private void scope() {
    scope
        .getItems()
        .setAll(WORDS.say("page-panel.these-pages"), WORDS.say("page-panel.whole-document"));
    scope.getSelectionModel().select(0);
    scope.setMaxWidth(Double.MAX_VALUE);
    row(
        WORDS.say("page-panel.scope"),
        "scope",
        scope,
        () -> scope.setDisable(PageEdits.here(work.revision()).parts() < 2));
  }

  private void paper() {
    paper.getItems().setAll(PAPERS);
    paper.setMaxWidth(Double.MAX_VALUE);
    paper.setPromptText(WORDS.say("page-panel.own-size"));
    paper.setOnAction(e -> {
      int k = paper.getSelectionModel().getSelectedIndex();
      if (k >= 0) {
        size(Paper.values()[k].width(), Paper.values()[k].height(), sideways.isSelected());
      }
    });
    row(
        WORDS.say("page-panel.paper"),
        "paper",
        paper,
        () -> {
          Optional<Paper> now = Paper.of(page());
          paper.setValue(null);
          now.ifPresent(p -> paper.getSelectionModel().select(p.ordinal()));
        });
    sideways.setOnAction(e -> size(page().width(), page().height(), sideways.isSelected()));
    row("sideways", sideways, () -> sideways.setSelected(page().width() > page().height()));
    number(
        WORDS.say("page-panel.width"),
        "width",
        PageSetup::width,
        v -> r -> PageEdits.size(r, everywhere(), paperSide(v), page().height()));
    number(
        WORDS.say("page-panel.height"),
        "height",
        PageSetup::height,
        v -> r -> PageEdits.size(r, everywhere(), page().width(), paperSide(v)));
  }

  /** From 35 mm to 5 m. */
  private static double paperSide(double points) {
    return Math.clamp(points, 100, 14_400);
  }

  private void size(double a, double b, boolean turned) {
    double shorter = Math.min(a, b);
    double longer = Math.max(a, b);
    apply(
        r -> PageEdits.size(r, everywhere(), turned ? longer : shorter, turned ? shorter : longer));
  }

  /** A length of the page, in millimetres. */
  private void number(
      String name,
      String id,
      ToDoubleFunction<PageSetup> value,
      DoubleFunction<UnaryOperator<Revision>> change) {
    var field = new NumberField(v -> apply(change.apply(v * MM)), 1);
    row(name, id, field, () -> field.show(value.applyAsDouble(page()) / MM));
  }

  /** How margins become others. */
  private interface Changed {
    PageSetup.Margins with(PageSetup.Margins m, double v);
  }

  private void margin(String name, String id, ToDoubleFunction<PageSetup> value, Changed to) {
    number(name, id, value, v -> r -> PageEdits.margins(r, everywhere(), m -> to.with(m, v)));
  }

  private void margins() {
    margin(
        WORDS.say("page-panel.top"),
        "top",
        p -> p.margins().top(),
        (m, v) ->
            new PageSetup.Margins(v, m.right(), m.bottom(), m.left(), m.header(), m.footer()));
    margin(
        WORDS.say("page-panel.bottom"),
        "bottom",
        p -> p.margins().bottom(),
        (m, v) -> new PageSetup.Margins(m.top(), m.right(), v, m.left(), m.header(), m.footer()));
    margin(
        WORDS.say("page-panel.left"),
        "left",
        p -> p.margins().left(),
        (m, v) -> new PageSetup.Margins(m.top(), m.right(), m.bottom(), v, m.header(), m.footer()));
    margin(
        WORDS.say("page-panel.right"),
        "right",
        p -> p.margins().right(),
        (m, v) -> new PageSetup.Margins(m.top(), v, m.bottom(), m.left(), m.header(), m.footer()));
    margin(
        WORDS.say("page-panel.header"),
        "header",
        p -> p.margins().header(),
        (m, v) -> new PageSetup.Margins(m.top(), m.right(), m.bottom(), m.left(), v, m.footer()));
    margin(
        WORDS.say("page-panel.footer"),
        "footer",
        p -> p.margins().footer(),
        (m, v) -> new PageSetup.Margins(m.top(), m.right(), m.bottom(), m.left(), m.header(), v));
  }

  private void columns() {
    var count =
        new NumberField(
            v -> columns(Math.clamp(Math.round(v), 1, MOST_COLUMNS), gap(), ruled()), 0);
    row(WORDS.say("page-panel.columns"), "columns", count, () -> count.show(columnsHere().count()));
    var between = new NumberField(v -> columns(columnsHere().count(), v * MM, ruled()), 1);
    row(
        WORDS.say("page-panel.gap"),
        "gap",
        between,
        () -> {
          between.setDisable(columnsHere().count() < 2);
          between.show(gap() / MM);
        });
    rule.setOnAction(e -> columns(columnsHere().count(), gap(), rule.isSelected()));
    row(
        "rule",
        rule,
        () -> {
          rule.setDisable(columnsHere().count() < 2);
          rule.setSelected(ruled());
        });
  }

  private boolean ruled() {
    return columnsHere().rule();
  }

  private double gap() {
    List<Double> gaps = columnsHere().gaps();
    return gaps.isEmpty() ? 18 : gaps.getFirst();
  }

  private void columns(int count, double gap, boolean ruled) {
    Columns to = count == 1 ? Columns.ONE : Columns.equal(count, Math.clamp(gap, 0, 200), ruled);
    apply(r -> PageEdits.columns(r, everywhere(), to));
  }

  private void numbers() {
    start.setPromptText(WORDS.say("page-panel.goes-on"));
    start.setOnAction(e -> numbered());
    row(
        WORDS.say("page-panel.start"),
        "start",
        start,
        () -> {
          if (!start.isFocused()) {
            start.setText(page().numbers().start().map(n -> Integer.toString(n)).orElse(""));
          }
        });
    format.getItems().setAll(FORMAT_NAMES);
    format.setMaxWidth(Double.MAX_VALUE);
    format.setOnAction(e -> numbered());
    row(
        WORDS.say("page-panel.format"),
        "format",
        format,
        () -> {
          int k = FORMATS.indexOf(page().numbers().format());
          format.getSelectionModel().select(Math.max(0, k));
        });
  }

  /** What is no number begins none: the pages go on. */
  private void numbered() {
    String typed = start.getText().strip();
    Optional<Integer> first =
        typed.matches("\\d{1,5}") ? Optional.of(Integer.parseInt(typed)) : Optional.empty();
    int k = format.getSelectionModel().getSelectedIndex();
    if (k >= 0) {
      var to = new PageNumbers(first, FORMATS.get(k));
      apply(r -> PageEdits.numbers(r, everywhere(), to));
    }
  }

  private Node parts() {
    var pane = new FlowPane(5, 5);
    pane.setMaxWidth(BESIDE);
    pane.getChildren()
        .addAll(
            button("begin-part", WORDS.say("page-panel.begin")),
            button("join-part", WORDS.say("page-panel.join")));
    return pane;
  }

  private Button button(String action, String label) {
    var b = new Button(label);
    b.setId("page-" + action);
    b.getStyleClass().add("quiet-button");
    b.setAccessibleText(actions.require(action).name());
    b.setOnAction(e -> {
      actions.require(action).perform();
      back.run();
    });
    buttons.add(b);
    return b;
  }
}
