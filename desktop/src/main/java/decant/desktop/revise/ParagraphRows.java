package decant.desktop.revise;

import static decant.desktop.revise.TraitRows.Of.PARAGRAPHS;

import decant.model.edit.style.Sides;
import decant.model.edit.style.TabText;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Floating;
import decant.model.look.Placement.Origin;
import decant.model.look.Placement.Wrap;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TextFrame;
import decant.words.Words;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;
import java.util.function.UnaryOperator;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;

/** The rows of a paragraph's tab stops, of the lines around it, and of the frame it stands in. */
final class ParagraphRows {
  private static final Words WORDS = Words.of(ParagraphRows.class);
  private static final double MM = 72 / 25.4;

  private static final TabText TABS =
      new TabText(
          List.of(
              WORDS.say("paragraph-rows.tab-left"),
              WORDS.say("paragraph-rows.tab-centre"),
              WORDS.say("paragraph-rows.tab-right"),
              WORDS.say("paragraph-rows.tab-decimal")));

  private static final List<String> SIDES =
      List.of(
          WORDS.say("paragraph-rows.none"),
          WORDS.say("paragraph-rows.around"),
          WORDS.say("paragraph-rows.above"),
          WORDS.say("paragraph-rows.below"),
          WORDS.say("paragraph-rows.above-and-below"),
          WORDS.say("paragraph-rows.left"));

  /** No place on a sheet is farther, in millimetres. */
  private static final double FAR = 2000;

  /** Where a frame stands at first: where its paragraph stood, with text beside it. */
  private static final Floating BESIDE =
      new Floating(
          new Axis(Origin.COLUMN, Align.OFFSET, 0),
          new Axis(Origin.PARAGRAPH, Align.OFFSET, 0),
          Wrap.AROUND,
          new Insets(0, 9, 0, 9),
          false);

  private final TraitRows rows;

  private ParagraphRows(TraitRows rows) {
    this.rows = rows;
  }

  static void add(TraitRows rows) {
    var p = new ParagraphRows(rows);
    p.tabs();
    p.sides();
    p.thickness();
    p.colour();
    p.frame();
  }

  /** What is not understood is taken back, like a number that is none. */
  private void tabs() {
    String name = WORDS.say("paragraph-rows.tabs");
    var field = new TextField();
    field.setTooltip(new Tooltip(WORDS.say("paragraph-rows.tabs-how")));
    field.setOnAction(e -> {
      List<TabStop> now = rows.value(PARAGRAPHS, ParagraphTraits.TABS);
      TABS.read(field.getText())
          .ifPresentOrElse(
              t -> {
                rows.set(PARAGRAPHS, name, ParagraphTraits.TABS, TabText.said(t, now));
                rows.back();
              },
              () -> field.setText(TABS.write(now)));
    });
    rows.row(
        PARAGRAPHS,
        name,
        ParagraphTraits.TABS,
        field,
        () -> {
          if (!field.isFocused()) {
            field.setText(TABS.write(rows.value(PARAGRAPHS, ParagraphTraits.TABS)));
          }
        });
  }

  private Rules rules() {
    return rows.value(PARAGRAPHS, ParagraphTraits.RULES);
  }

  private void sides() {
    String name = WORDS.say("paragraph-rows.lines");
    var box = new ComboBox<String>();
    box.getItems().setAll(SIDES);
    box.setMaxWidth(Double.MAX_VALUE);
    box.setOnAction(e -> {
      int k = box.getSelectionModel().getSelectedIndex();
      if (k >= 0 && !rows.isFilling()) {
        Rules to = Sides.values()[k].drawn(Sides.line(rules()));
        rows.set(PARAGRAPHS, name, ParagraphTraits.RULES, to);
        rows.back();
      }
    });
    rows.row(
        PARAGRAPHS,
        name,
        ParagraphTraits.RULES,
        box,
        () -> box.getSelectionModel().select(Sides.of(rules()).ordinal()));
  }

  /** Changes the line on the sides that have one. */
  private void line(String name, UnaryOperator<Rule> change) {
    Rules to = Sides.of(rules()).drawn(change.apply(Sides.line(rules())));
    rows.set(PARAGRAPHS, name, ParagraphTraits.RULES, to);
    rows.back();
  }

  private void thickness() {
    String name = WORDS.say("paragraph-rows.thickness");
    var field =
        new NumberField(
            v -> line(name, l -> new Rule(l.kind(), Math.clamp(v, 0.1, 30), l.colour(), l.space())),
            2);
    rows.part(
        name,
        "rule-thickness",
        field,
        () -> {
          field.setDisable(!rules().isDrawn());
          field.show(Sides.line(rules()).width());
        });
  }

  private void colour() {
    String name = WORDS.say("paragraph-rows.line-colour");
    var swatch = new Button();
    swatch.getStyleClass().add("colour");
    swatch.setOnAction(e ->
        rows.choose(
            swatch,
            Sides.line(rules()).colour(),
            Optional.empty(),
            c -> line(name, l -> new Rule(l.kind(), l.width(), c, l.space()))));
    rows.part(
        name,
        "rule-colour",
        swatch,
        () -> {
          swatch.setDisable(!rules().isDrawn());
          Colour c = Sides.line(rules()).colour();
          swatch.setStyle("-fx-background-color: #" + c.hex() + ";");
        });
  }

  /** A width given to a paragraph that stands in the flow makes a frame of it. */
  private void frame() {
    String wide = WORDS.say("paragraph-rows.frame-width");
    NumberField width =
        measure(
            wide,
            0,
            v -> {
              TextFrame f = framed();
              boolean none = f.equals(TextFrame.NONE);
              return new TextFrame(v, f.height(), f.exact(), none ? BESIDE : f.placement());
            });
    rows.row(
        PARAGRAPHS, wide, ParagraphTraits.FRAME, width, () -> width.show(framed().width() / MM));
    String high = WORDS.say("paragraph-rows.frame-height");
    NumberField height =
        measure(
            high,
            0,
            v -> new TextFrame(framed().width(), v, framed().exact(), framed().placement()));
    rows.part(high, "frame-height", height, () -> show(height, framed().height()));
    String across = WORDS.say("paragraph-rows.frame-across");
    NumberField x =
        measure(across, -FAR, v -> placed(at(v, placement().across()), placement().down()));
    rows.part(across, "frame-across", x, () -> show(x, offset(placement().across())));
    String down = WORDS.say("paragraph-rows.frame-down");
    NumberField y =
        measure(down, -FAR, v -> placed(placement().across(), at(v, placement().down())));
    rows.part(down, "frame-down", y, () -> show(y, offset(placement().down())));
  }

  private TextFrame framed() {
    return rows.value(PARAGRAPHS, ParagraphTraits.FRAME);
  }

  private Floating placement() {
    return framed().placement() instanceof Floating f ? f : BESIDE;
  }

  private TextFrame placed(Axis across, Axis down) {
    TextFrame f = framed();
    Floating was = placement();
    return new TextFrame(
        f.width(),
        f.height(),
        f.exact(),
        new Floating(across, down, was.wrap(), was.distance(), was.behind()));
  }

  private static Axis at(double offset, Axis was) {
    return new Axis(was.origin(), Align.OFFSET, offset);
  }

  /** What is aligned has no distance of its own. */
  private static double offset(Axis axis) {
    return axis.align() == Align.OFFSET ? axis.offset() : 0;
  }

  /** A measure of the frame that a paragraph stands in; a size of 0 is what its text needs. */
  private NumberField measure(String name, double least, DoubleFunction<TextFrame> with) {
    return new NumberField(
        v ->
            rows.set(
                PARAGRAPHS,
                name,
                ParagraphTraits.FRAME,
                with.apply(Math.clamp(v, least, FAR) * MM)),
        1);
  }

  private void show(NumberField field, double points) {
    field.setDisable(framed().equals(TextFrame.NONE));
    field.show(points / MM);
  }
}
