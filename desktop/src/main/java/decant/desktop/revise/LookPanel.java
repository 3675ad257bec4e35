package decant.desktop.revise;

import decant.desktop.shell.Actions;
import decant.desktop.shell.Work;
import decant.layout.DocumentFonts;
import decant.model.Colour;
import decant.model.Document;
import decant.model.Look;
import decant.model.Paragraph;
import decant.model.ParagraphTraits;
import decant.model.TextTraits;
import decant.model.edit.Commands;
import decant.model.edit.Range;
import decant.model.edit.Revision;
import decant.text.FontBook;
import java.util.List;
import java.util.Locale;
import javafx.animation.PauseTransition;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.util.Duration;

/** What is selected, and what it is like. */
final class LookPanel extends VBox {
  private static final List<String> LEVELS =
      List.of(
          "Body text",
          "Heading 1",
          "Heading 2",
          "Heading 3",
          "Heading 4",
          "Heading 5",
          "Heading 6");
  private static final List<Integer> COLOURS =
      List.of(0x000000, 0x5A5A5A, 0x7B1E3A, 0xB3261E, 0xB25E00, 0x2E6B34, 0x0B5C7A, 0x1F3A93);

  private final Work work;
  private final Runnable back;
  private final Label selected = new Label();
  private final ComboBox<String> level = new ComboBox<>();
  private final ComboBox<String> family = new ComboBox<>();
  private final ComboBox<String> size = new ComboBox<>();
  private final Label served = new Label();
  private final ToggleButton bold = toggle("Bold", "look-bold");
  private final ToggleButton italic = toggle("Italic", "look-italic");
  private final ToggleButton underline = toggle("Underline", "look-underline");
  private final List<ToggleButton> alignments =
      List.of(
          toggle("Start", "align-start"),
          toggle("Centre", "align-centre"),
          toggle("End", "align-end"),
          toggle("Justified", "align-justified"));
  private final PauseTransition rest = new PauseTransition(Duration.millis(60));
  private boolean filling;

  LookPanel(Work work, Actions actions, Runnable back) {
    super(7);
    this.work = work;
    this.back = back;
    var title = new Label("What is selected?");
    title.getStyleClass().add("side-title");
    selected.getStyleClass().add("quiet");
    selected.setWrapText(true);
    selected.setId("look-selected");
    level.getItems().setAll(LEVELS);
    level.setId("look-level");
    level.setMaxWidth(Double.MAX_VALUE);
    family.getItems().setAll(families(work.revision().document()));
    family.setEditable(true);
    family.setId("look-family");
    family.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(family, Priority.ALWAYS);
    for (double s : new double[] {8, 9, 10, 10.5, 11, 12, 14, 16, 18, 20, 24, 28, 36, 48}) {
      size.getItems().add(number(s));
    }
    size.setEditable(true);
    size.setPrefWidth(82);
    size.setMinWidth(82);
    size.setId("look-size");
    served.getStyleClass().add("quiet");
    served.setWrapText(true);
    served.setMinHeight(USE_PREF_SIZE);
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
    getChildren()
        .addAll(
            title, selected, level, new HBox(6, family, size), served, strokes, colours(), align);
    rest.setOnFinished(e -> refresh());
    work.revisionProperty().addListener(o -> rest.playFromStart());
    refresh();
  }

  /** The families that can be chosen: those that the document brings come first. */
  private static List<String> families(Document d) {
    return java.util.stream.Stream.concat(
            d.styles().typesetting().fonts().stream().map(f -> f.family()).distinct().sorted(),
            FontBook.shipped().families().stream())
        .distinct()
        .toList();
  }

  private static ToggleButton toggle(String label, String id) {
    var b = new ToggleButton(label);
    b.setId(id);
    b.setFocusTraversable(true);
    return b;
  }

  private FlowPane colours() {
    var row = new FlowPane(5, 5);
    row.setAlignment(Pos.CENTER_LEFT);
    for (int rgb : COLOURS) {
      var b = new Button();
      var c = new Colour(rgb);
      b.getStyleClass().add("colour");
      b.setStyle("-fx-background-color: #" + c.hex() + ";");
      b.setId("look-colour-" + c.hex());
      b.setAccessibleText("Text colour " + c.hex());
      b.setTooltip(new Tooltip("Text colour #" + c.hex()));
      b.setOnAction(
          e -> change(() -> work.apply(r -> Commands.set(r, "Colour", TextTraits.COLOUR, c))));
      row.getChildren().add(b);
    }
    return row;
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
    Range range = Range.of(d, r.selection());
    selected.setText(describe(d, range, p));
    Look direct = r.pending().orElseGet(() -> p.lookAt(probe(range, p)));
    Look look = d.styles().textLook(d.styles().textBase(p.look()), direct);
    level.getSelectionModel().select(Math.min(6, d.headingLevel(p)));
    family.setValue(look.value(TextTraits.FAMILY));
    size.setValue(number(look.value(TextTraits.SIZE)));
    FontBook.Served s =
        DocumentFonts.of(d)
            .serve(
                look.value(TextTraits.FAMILY),
                look.value(TextTraits.BOLD),
                look.value(TextTraits.ITALIC));
    served.setText(
        s.reason() == FontBook.Reason.SAME
            ? ""
            : "Served by " + s.face().family() + ": " + s.reason().label() + ".");
    served.setManaged(!served.getText().isEmpty());
    bold.setSelected(Commands.isSet(r, TextTraits.BOLD));
    italic.setSelected(Commands.isSet(r, TextTraits.ITALIC));
    underline.setSelected(Commands.isSet(r, TextTraits.UNDERLINE));
    int a = d.styles().paragraphLook(p.look()).value(ParagraphTraits.ALIGNMENT).ordinal();
    for (int k = 0; k < alignments.size(); k++) {
      alignments.get(k).setSelected(k == a);
    }
    filling = false;
  }

  private static int probe(Range range, Paragraph p) {
    return range.isEmpty() || !range.start().paragraph().equals(p.id())
        ? range.end().offset()
        : range.start().offset() + 1;
  }

  private static String describe(Document d, Range range, Paragraph p) {
    if (range.isEmpty()) {
      int l = d.headingLevel(p);
      return l > 0 ? "Caret in a heading " + l : "Caret in a paragraph";
    }
    List<Range.Part> parts = range.parts(d);
    int characters = parts.stream().mapToInt(x -> x.to() - x.from()).sum();
    return characters
        + (characters == 1 ? " character" : " characters")
        + (parts.size() > 1 ? " in " + parts.size() + " paragraphs" : "");
  }

  private static String number(double v) {
    return v == Math.rint(v)
        ? Long.toString((long) v)
        : String.format(Locale.ROOT, "%s", Math.round(v * 100) / 100.0);
  }
}
