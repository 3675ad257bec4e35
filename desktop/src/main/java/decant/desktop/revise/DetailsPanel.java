package decant.desktop.revise;

import static decant.desktop.revise.TraitRows.Of.LETTERS;
import static decant.desktop.revise.TraitRows.Of.PARAGRAPHS;

import decant.desktop.shell.InSight;
import decant.desktop.shell.Work;
import decant.model.look.LinePitch;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.words.Figures;
import decant.words.Words;
import java.util.List;
import javafx.scene.control.Label;

/** Every trait of the letters and the paragraph at the caret, each with where it comes from. */
final class DetailsPanel extends SideRows {
  private static final Words WORDS = Words.of(DetailsPanel.class);
  private static final double MM = 72 / 25.4;

  private static final List<LinePitch> PITCHES =
      List.of(
          LinePitch.SINGLE,
          new LinePitch.Multiple(1.08),
          new LinePitch.Multiple(1.15),
          new LinePitch.Multiple(1.25),
          new LinePitch.Multiple(1.5),
          new LinePitch.Multiple(2),
          new LinePitch.AtLeast(12),
          new LinePitch.AtLeast(14),
          new LinePitch.Exactly(12),
          new LinePitch.Exactly(13.5),
          new LinePitch.Exactly(15));

  private static final List<String> UNDERLINES =
      List.of(
          WORDS.say("details-panel.single"),
          WORDS.say("details-panel.double"),
          WORDS.say("details-panel.thick"),
          WORDS.say("details-panel.dotted"),
          WORDS.say("details-panel.dashed"),
          WORDS.say("details-panel.wave"),
          WORDS.say("details-panel.words"));

  private static final List<String> RAISES =
      List.of(
          WORDS.say("details-panel.on-line"),
          WORDS.say("details-panel.raised"),
          WORDS.say("details-panel.lowered"));

  private static final List<String> ALIGNMENTS =
      List.of(
          WORDS.say("details-panel.start"),
          WORDS.say("details-panel.centre"),
          WORDS.say("details-panel.end"),
          WORDS.say("details-panel.justified"));

  private static final List<String> DIRECTIONS =
      List.of(WORDS.say("details-panel.left-to-right"), WORDS.say("details-panel.right-to-left"));

  DetailsPanel(Work work, InSight inSight, Runnable back) {
    super("details-panel", 104, 86, 72);
    setContent(grid);
    var rows = new TraitRows(work, grid, back);
    letters(rows);
    paragraphs(rows);
    inSight.atRest(work.revisionProperty(), rows::refresh);
    rows.refresh();
  }

  private void head(String words) {
    var l = new Label(words);
    l.getStyleClass().add("group");
    grid.add(l, 0, grid.getRowCount(), 3, 1);
  }

  private void letters(TraitRows rows) {
    head(WORDS.say("details-panel.letters"));
    rows.words(LETTERS, WORDS.say("details-panel.font"), TextTraits.FAMILY);
    rows.number(LETTERS, WORDS.say("details-panel.size"), TextTraits.SIZE, 1, 1, 400);
    rows.yesNo(LETTERS, WORDS.say("details-panel.bold"), TextTraits.BOLD);
    rows.yesNo(LETTERS, WORDS.say("details-panel.italic"), TextTraits.ITALIC);
    rows.yesNo(LETTERS, WORDS.say("details-panel.underline"), TextTraits.UNDERLINE);
    rows.choice(
        LETTERS,
        WORDS.say("details-panel.underline-kind"),
        TextTraits.UNDERLINE_KIND,
        List.of(TextTraits.UnderlineKind.values()),
        k -> UNDERLINES.get(k.ordinal()));
    rows.yesNo(LETTERS, WORDS.say("details-panel.strike"), TextTraits.STRIKE);
    rows.yesNo(LETTERS, WORDS.say("details-panel.double-strike"), TextTraits.DOUBLE_STRIKE);
    rows.yesNo(LETTERS, WORDS.say("details-panel.capitals"), TextTraits.ALL_CAPS);
    rows.yesNo(LETTERS, WORDS.say("details-panel.small-capitals"), TextTraits.SMALL_CAPS);
    rows.choice(
        LETTERS,
        WORDS.say("details-panel.raise"),
        TextTraits.RAISE,
        List.of(TextTraits.Raise.values()),
        k -> RAISES.get(k.ordinal()));
    rows.colour(LETTERS, WORDS.say("details-panel.colour"), TextTraits.COLOUR, false);
    rows.colour(LETTERS, WORDS.say("details-panel.highlight"), TextTraits.HIGHLIGHT, true);
    rows.number(
        LETTERS, WORDS.say("details-panel.spacing"), TextTraits.LETTER_SPACING, 1, -20, 100);
    rows.number(LETTERS, WORDS.say("details-panel.shift"), TextTraits.SHIFT, 1, -100, 100);
    rows.number(LETTERS, WORDS.say("details-panel.kerning"), TextTraits.KERNING, 1, 0, 400);
    rows.yesNo(LETTERS, WORDS.say("details-panel.ligatures"), TextTraits.LIGATURES);
    rows.yesNo(LETTERS, WORDS.say("details-panel.hidden"), TextTraits.HIDDEN);
    rows.words(LETTERS, WORDS.say("details-panel.language"), TextTraits.LANGUAGE);
  }

  private void paragraphs(TraitRows rows) {
    head(WORDS.say("details-panel.paragraph"));
    rows.choice(
        PARAGRAPHS,
        WORDS.say("details-panel.alignment"),
        ParagraphTraits.ALIGNMENT,
        List.of(ParagraphTraits.Alignment.values()),
        k -> ALIGNMENTS.get(k.ordinal()));
    rows.choice(
        PARAGRAPHS,
        WORDS.say("details-panel.direction"),
        ParagraphTraits.DIRECTION,
        List.of(ParagraphTraits.Direction.values()),
        k -> DIRECTIONS.get(k.ordinal()));
    rows.number(
        PARAGRAPHS, WORDS.say("details-panel.indent"), ParagraphTraits.INDENT_START, MM, -100, 400);
    rows.number(
        PARAGRAPHS,
        WORDS.say("details-panel.indent-end"),
        ParagraphTraits.INDENT_END,
        MM,
        -100,
        400);
    rows.number(
        PARAGRAPHS,
        WORDS.say("details-panel.first-line"),
        ParagraphTraits.FIRST_LINE,
        MM,
        -200,
        200);
    rows.number(
        PARAGRAPHS, WORDS.say("details-panel.before"), ParagraphTraits.SPACE_BEFORE, 1, 0, 1000);
    rows.number(
        PARAGRAPHS, WORDS.say("details-panel.after"), ParagraphTraits.SPACE_AFTER, 1, 0, 1000);
    rows.yesNo(PARAGRAPHS, WORDS.say("details-panel.auto-before"), ParagraphTraits.AUTO_BEFORE);
    rows.yesNo(PARAGRAPHS, WORDS.say("details-panel.auto-after"), ParagraphTraits.AUTO_AFTER);
    rows.yesNo(
        PARAGRAPHS, WORDS.say("details-panel.contextual"), ParagraphTraits.CONTEXTUAL_SPACING);
    rows.choice(
        PARAGRAPHS,
        WORDS.say("details-panel.pitch"),
        ParagraphTraits.LINE_PITCH,
        PITCHES,
        DetailsPanel::pitch);
    rows.colour(PARAGRAPHS, WORDS.say("details-panel.shading"), ParagraphTraits.SHADING, true);
    ParagraphRows.add(rows);
    rows.yesNo(PARAGRAPHS, WORDS.say("details-panel.keep-next"), ParagraphTraits.KEEP_WITH_NEXT);
    rows.yesNo(PARAGRAPHS, WORDS.say("details-panel.keep-together"), ParagraphTraits.KEEP_TOGETHER);
    rows.yesNo(PARAGRAPHS, WORDS.say("details-panel.new-page"), ParagraphTraits.PAGE_BREAK_BEFORE);
    rows.yesNo(PARAGRAPHS, WORDS.say("details-panel.widows"), ParagraphTraits.WIDOW_CONTROL);
    rows.yesNo(PARAGRAPHS, WORDS.say("details-panel.hyphenation"), ParagraphTraits.HYPHENATION);
    rows.yesNo(PARAGRAPHS, WORDS.say("details-panel.grid"), ParagraphTraits.SNAP_TO_GRID);
  }

  private static String pitch(LinePitch p) {
    return switch (p) {
      case LinePitch.Multiple m -> WORDS.say("details-panel.times", Figures.decimal(m.factor(), 2));
      case LinePitch.AtLeast a ->
          WORDS.say("details-panel.at-least", Figures.decimal(a.points(), 1));
      case LinePitch.Exactly x ->
          WORDS.say("details-panel.exactly", Figures.decimal(x.points(), 1));
    };
  }
}
