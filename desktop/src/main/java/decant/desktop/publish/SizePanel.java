package decant.desktop.publish;

import decant.desktop.publish.PublishState.Weights;
import decant.pdf.file.FilePart;
import decant.preview.SizeEstimate;
import decant.recipe.Plan;
import decant.words.Figures;
import decant.words.Words;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * What will come out, how large, what takes the room, and how large it would be otherwise. What
 * stands in the way is told by the Publish button.
 */
final class SizePanel {
  private static final Words WORDS = Words.of(SizePanel.class);
  private static final long NO_SIZE = Long.MIN_VALUE;
  private static final int MAX_FILES = 4;
  private static final int MAX_PARTS = 4;
  private static final int MAX_OTHERS = 4;

  /** Rows keep their room while sizes are worked out, so that nothing below them moves. */
  private static final double ROW = 20;

  private final PublishState state;
  private final VBox root = new VBox(4);
  private final VBox files = new VBox(2);
  private final ProgressBar busy = new ProgressBar();
  private final VBox parts = new VBox(2);
  private final VBox others = new VBox(2);
  private final Group detail;
  private List<Plan.Item> items = List.of();

  SizePanel(PublishState state) {
    this.state = state;
    parts.setMinHeight((MAX_PARTS + 1) * (ROW + 2));
    others.setMinHeight((MAX_OTHERS + 2) * ROW);
    busy.setId("publish-busy");
    busy.getStyleClass().add("thin");
    busy.setMaxWidth(Double.MAX_VALUE);
    files.setId("publish-files");
    parts.setId("publish-parts");
    others.setId("publish-others");
    detail = new Group("group-size", WORDS.say("size-panel.size"), parts, others);
    detail.unfold();
    root.getChildren().addAll(files, busy, detail.node());
  }

  Node node() {
    return root;
  }

  void show() {
    files.getChildren().clear();
    PublishState.Outlook outlook = state.outlookProperty().get();
    // While a choice is being mended the files stay listed, so that nothing moves.
    outlook.plan().ifPresent(p -> items = p.items());
    Weights w = state.weightsProperty().get();
    for (int k = 0; k < Math.min(MAX_FILES, items.size()); k++) {
      files
          .getChildren()
          .add(figure(items.get(k).name(), w.files().getOrDefault(items.get(k).name(), -1L), ""));
    }
    if (items.size() > MAX_FILES) {
      files
          .getChildren()
          .add(figure(WORDS.count("size-panel.more-files", items.size() - MAX_FILES), NO_SIZE, ""));
      files
          .getChildren()
          .add(
              figure(
                  WORDS.say("size-panel.together"),
                  w.complete() ? w.files().values().stream().mapToLong(Long::longValue).sum() : -1,
                  "differs"));
    }
    parts(w);
    others(w);
    detail.setShown(state.pdf().isPresent());
    boolean possible = outlook.plan().isPresent();
    busy.setVisible(possible && !w.complete());
    detail.say(
        w.looked() > 0
            ? Figures.size(w.looked())
            : WORDS.say(possible ? "size-panel.working" : "size-panel.unknown"));
  }

  /** Like parts together, the largest first; pictures and fonts by number if there are many. */
  private void parts(Weights w) {
    parts.getChildren().clear();
    if (w.written().isEmpty()) {
      if (state.outlookProperty().get().plan().isPresent()) {
        parts.getChildren().add(Choosing.quiet(WORDS.say("size-panel.working-parts")));
      }
      return;
    }
    Map<String, Long> by = new LinkedHashMap<>();
    int picture = 0;
    for (Map.Entry<FilePart, Long> e : w.written().get().bytes().entrySet()) {
      FilePart p = e.getKey();
      String name =
          switch (p.kind()) {
            case FONT -> p.name();
            case PICTURE -> WORDS.say("size-panel.picture", ++picture);
            case ATTACHMENT -> WORDS.say("size-panel.attached", p.name());
            default -> p.kind().label();
          };
      by.merge(name, e.getValue(), Long::sum);
    }
    List<Map.Entry<String, Long>> sorted = new ArrayList<>(by.entrySet());
    sorted.sort(Map.Entry.comparingByValue(Comparator.reverseOrder()));
    long max = sorted.isEmpty() ? 1 : sorted.getFirst().getValue();
    long rest = 0;
    for (int k = 0; k < sorted.size(); k++) {
      if (k < MAX_PARTS || sorted.size() == MAX_PARTS + 1) {
        parts.getChildren().add(bar(sorted.get(k).getKey(), sorted.get(k).getValue(), max));
      } else {
        rest += sorted.get(k).getValue();
      }
    }
    if (rest > 0) {
      parts.getChildren().add(bar(WORDS.say("size-panel.rest"), rest, max));
    }
  }

  private void others(Weights w) {
    others.getChildren().clear();
    if (w.others().isEmpty()) {
      return;
    }
    others.getChildren().add(Choosing.quiet(WORDS.say("size-panel.others")));
    w.others().entrySet().stream()
        .filter(e -> e.getValue() > 0 && change(e.getValue(), w) != 0)
        // What may harm the look of the file comes last, however much it saves.
        .sorted(
            Comparator.comparing(
                    (Map.Entry<SizeEstimate.Alternative, Long> e) -> e.getKey().risky())
                .thenComparing(Map.Entry::getValue))
        .limit(MAX_OTHERS)
        .forEach(e -> others.getChildren().add(other(e.getKey(), e.getValue(), w)));
  }

  /** By how many hundredths a file would be larger or smaller. */
  private static long change(long bytes, Weights w) {
    return Math.round(100.0 * (bytes - w.looked()) / Math.max(1, w.looked()));
  }

  private Node other(SizeEstimate.Alternative a, long bytes, Weights w) {
    long change = change(bytes, w);
    var name = new Button(a.label());
    name.getStyleClass().add("alternative");
    name.setWrapText(true);
    name.setMaxWidth(Double.MAX_VALUE);
    name.setAlignment(Pos.CENTER_LEFT);
    name.setOnAction(e -> state.change(o -> a.output()));
    HBox.setHgrow(name, Priority.ALWAYS);
    String sign = change > 0 ? "+" : "\u2212";
    var figure = new Label(Figures.size(bytes) + "  " + sign + Math.abs(change) + "\u202F%");
    figure.getStyleClass().add("tabular");
    figure.setMinWidth(Region.USE_PREF_SIZE);
    var line = new HBox(4, name, figure);
    line.setAlignment(Pos.CENTER_LEFT);
    return line;
  }

  private static Node figure(String name, long bytes, String style) {
    var l = new Label(name);
    l.setMaxWidth(Double.MAX_VALUE);
    l.setTextOverrun(javafx.scene.control.OverrunStyle.CENTER_ELLIPSIS);
    HBox.setHgrow(l, Priority.ALWAYS);
    var n = new Label(bytes == NO_SIZE ? "" : bytes < 0 ? "…" : Figures.size(bytes));
    n.getStyleClass().add("tabular");
    n.setMinWidth(Region.USE_PREF_SIZE);
    if (bytes > 0) {
      n.setTooltip(new Tooltip(Figures.bytes(bytes)));
    }
    if (!style.isEmpty()) {
      n.getStyleClass().add(style);
    }
    return new HBox(6, l, n);
  }

  private static Node bar(String name, long bytes, long max) {
    var fill = new Region();
    fill.getStyleClass().add("part-bar");
    double width = 60.0 * bytes / Math.max(1, max);
    fill.setMinSize(Math.max(1, width), 8);
    fill.setPrefSize(Math.max(1, width), 8);
    fill.setMaxSize(Math.max(1, width), 8);
    var hold = new HBox(fill);
    hold.setMinWidth(64);
    hold.setAlignment(Pos.CENTER_LEFT);
    var line = (HBox) figure(name, bytes, "");
    HBox.setHgrow(line, Priority.ALWAYS);
    var all = new HBox(6, hold, line);
    all.setAlignment(Pos.CENTER_LEFT);
    return all;
  }
}
