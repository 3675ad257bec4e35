package decant.desktop.revise;

import decant.desktop.shell.Work;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.edit.ListEdits;
import decant.model.edit.Revision;
import decant.model.look.ListDefinition.Level;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.ListMembership;
import decant.words.Words;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;

/** The marks of the list at the caret, and the number that its item has; not there elsewhere. */
final class ListRow extends HBox {
  private static final Words WORDS = Words.of(ListRow.class);
  private static final int MOST = 9_999;

  /**
   * Marks that can be chosen.
   *
   * @param pattern with {@code %1} for the number, or the bullet itself
   */
  private record Mark(String shown, NumberFormat format, String pattern) {}

  private static final List<Mark> MARKS =
      List.of(
          new Mark("•", NumberFormat.BULLET, "•"),
          new Mark("–", NumberFormat.BULLET, "–"),
          new Mark("▪", NumberFormat.BULLET, "▪"),
          new Mark("○", NumberFormat.BULLET, "○"),
          new Mark("1.", NumberFormat.DECIMAL, "%1."),
          new Mark("1)", NumberFormat.DECIMAL, "%1)"),
          new Mark("(1)", NumberFormat.DECIMAL, "(%1)"),
          new Mark("a.", NumberFormat.LOWER_LETTER, "%1."),
          new Mark("a)", NumberFormat.LOWER_LETTER, "%1)"),
          new Mark("A.", NumberFormat.UPPER_LETTER, "%1."),
          new Mark("i.", NumberFormat.LOWER_ROMAN, "%1."),
          new Mark("I.", NumberFormat.UPPER_ROMAN, "%1."));

  private final Work work;
  private final ComboBox<String> marks = new ComboBox<>();
  private final NumberField start;
  private final Label from = new Label(WORDS.say("list-row.start"));
  private boolean filling;

  ListRow(Work work, Runnable back) {
    super(6);
    this.work = work;
    setId("list-row");
    setAlignment(Pos.CENTER_LEFT);
    marks.setId("list-marks");
    marks.setAccessibleText(WORDS.say("list-row.marks"));
    marks.getItems().setAll(MARKS.stream().map(Mark::shown).toList());
    marks.setOnAction(e -> {
      int k = marks.getSelectionModel().getSelectedIndex();
      if (!filling && k >= 0) {
        Mark m = MARKS.get(k);
        work.apply(r -> ListEdits.format(r, m.format(), m.pattern()));
        back.run();
      }
    });
    start =
        new NumberField(
            v -> {
              int first = Math.clamp(Math.round(v), 0, MOST);
              work.apply(r -> ListEdits.startAt(r, first));
              back.run();
            },
            0);
    start.setId("list-start");
    start.setAccessibleText(from.getText());
    getChildren().addAll(marks, from, start);
  }

  void refresh() {
    Revision r = work.revision();
    Document d = r.document();
    Optional<Paragraph> p = d.paragraph(r.selection().caret().paragraph());
    Optional<ListMembership> m = p.flatMap(x -> ListEdits.item(d, x));
    Optional<Level> level =
        m.flatMap(x -> Optional.ofNullable(d.lists().get(x.list())).map(l -> l.level(x.depth())));
    setVisible(level.isPresent());
    setManaged(level.isPresent());
    if (level.isEmpty()) {
      return;
    }
    filling = true;
    Level l = level.get();
    boolean counts = l.ordered();
    start.setVisible(counts);
    from.setVisible(counts);
    start.show(l.start());
    String plain = l.pattern().replaceAll("%\\d", "%1");
    marks.setValue(null);
    marks.setPromptText(plain.replace("%1", "1"));
    MARKS.stream()
        .filter(x -> x.format() == l.format() && x.pattern().equals(plain))
        .findFirst()
        .ifPresent(x -> marks.setValue(x.shown()));
    filling = false;
  }
}
