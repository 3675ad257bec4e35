package decant.desktop.pinned;

import decant.blanks.Blank;
import decant.blanks.Blanks;
import decant.desktop.page.PagesView;
import decant.desktop.shell.Work;
import decant.model.Document;
import decant.model.look.FormField;
import decant.pdf.amend.PageParts;
import decant.words.Words;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** Fields of pages that stay, filled in where they stand: Tab goes on to the next of the page. */
public final class PinnedFields {
  private static final Words WORDS = Words.of(PinnedFields.class);

  /** Fills fields in. */
  @FunctionalInterface
  public interface Fill {
    /**
     * @param values by the names of fields
     * @param left told, when it is done, the names of those that did not take their value
     */
    void with(Map<String, String> values, Consumer<List<String>> left);
  }

  private final PagesView view;
  private final Work work;
  private final Consumer<String> told;
  private final Fill fill;
  private final BlankField field;

  /** The blanks of a version by their names: they are asked for as the pointer moves. */
  private Optional<Known> known = Optional.empty();

  private record Known(Document of, Map<String, Blank> blanks) {}

  PinnedFields(PagesView view, Work work, Consumer<String> told, Fill fill) {
    this.view = view;
    this.work = work;
    this.told = told;
    this.fill = fill;
    this.field = new BlankField(view);
  }

  /** The blank that a field is; empty for one that is not filled in, as a button. */
  Optional<Blank> of(PageParts.Field f) {
    Document now = work.revision().document();
    Known of =
        known
            .filter(k -> k.of() == now)
            .orElseGet(() ->
                new Known(
                    now, Blanks.of(now).stream().collect(Collectors.toMap(Blank::name, b -> b))));
    known = Optional.of(of);
    return Optional.ofNullable(of.blanks().get(f.name()));
  }

  /**
   * Opens a field, or turns a switch.
   *
   * @param page of the view, from 0
   */
  void open(int page, PageParts all, PageParts.Field f, Runnable closed) {
    Blank b = of(f).orElseThrow();
    if (b.isSwitch()) {
      String on = f.on().isEmpty() ? b.options().getFirst() : f.on();
      boolean isOn = b.value().equals(on);
      boolean stays = isOn && b.kind() == FormField.Kind.ONE_OF;
      if (!stays) {
        fill(b, isOn ? "" : on);
      }
      closed.run();
      return;
    }
    view.reveal(page, f.box().y(), f.box().height());
    field.open(page, f.box(), b, v -> fill(b, v), by -> go(page, all, f, by, closed), closed);
  }

  /** The next field of the page that text is written in. */
  private void go(int page, PageParts all, PageParts.Field from, int by, Runnable closed) {
    List<PageParts.Field> written =
        all.fields().stream()
            .filter(f -> f.equals(from) || of(f).filter(b -> !b.isSwitch()).isPresent())
            .toList();
    int next = Math.floorMod(written.indexOf(from) + by, written.size());
    if (written.size() == 1) {
      field.close();
    } else {
      open(page, all, written.get(next), closed);
    }
  }

  private void fill(Blank b, String value) {
    fill.with(
        Map.of(b.name(), value),
        left -> {
          if (!left.isEmpty()) {
            told.accept(WORDS.say("pinned-fields.not-taken", b.name()));
          }
        });
  }
}
