package decant.desktop.publish;

import decant.model.NodeId;
import decant.recipe.Chapters;
import decant.recipe.Output;
import decant.recipe.PageChoice;
import decant.recipe.PageRange;
import decant.recipe.Plan;
import decant.recipe.PublishProblem;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;

/** Which pages, and into how many files. */
final class PagesChoices implements Choices {
  private static final Words WORDS = Words.of(PagesChoices.class);

  private static final int MAX = 200;

  private final PublishState state;
  private final TextField range;
  private final ComboBox<PageChoice.Split> split;
  private final TextField naming;
  private final Label says = Choosing.quiet("");
  private final VBox chapters = new VBox(3);
  private final ScrollPane list = new ScrollPane(chapters);
  private final Group group;
  private List<Chapters.Chapter> shown = List.of();

  PagesChoices(PublishState state) {
    this.state = state;
    range =
        Choosing.text(
            "publish-range",
            WORDS.say("pages-choices.all-or-such-as-1"),
            t -> change(p -> new PageChoice(t, p.chapters(), p.split())));
    split =
        Choosing.oneOf(
            "publish-split",
            PageChoice.Split.values(),
            PageChoice.Split::label,
            s -> change(p -> new PageChoice(p.range(), p.chapters(), s)));
    naming =
        Choosing.text(
            "publish-naming",
            "{stem}",
            t ->
                state.change(o -> {
                  try {
                    return o.withNaming(t.isBlank() ? "{stem}" : t);
                  } catch (IllegalArgumentException e) {
                    return o; // it is still being written
                  }
                }));
    says.setId("publish-range-says");
    var selection = new Button(WORDS.say("pages-choices.the-pages-of-the-selection"));
    selection.getStyleClass().add("quiet-button");
    selection.setOnAction(e -> ofSelection());
    list.setMaxHeight(140);
    list.setFitToWidth(true);
    list.getStyleClass().add("choice-list");
    group =
        new Group(
            "group-pages",
            WORDS.say("pages-choices.pages"),
            range,
            selection,
            Choosing.quiet(WORDS.say("pages-choices.or-the-pages-of-some")),
            list,
            says,
            split,
            Choosing.line(WORDS.say("pages-choices.named"), naming),
            Choosing.quiet(WORDS.say("pages-choices.stem-number-heading-and-date")));
    group.unfold();
  }

  private void change(java.util.function.UnaryOperator<PageChoice> how) {
    state.change(o -> o.with(how.apply(o.pages())));
  }

  private void ofSelection() {
    var s = state.work().revision().selection();
    List<Integer> pages = new ArrayList<>();
    for (NodeId id : List.of(s.anchor().paragraph(), s.caret().paragraph())) {
      state.going().pagesOf(id).forEach(p -> pages.add(p.number() - 1));
    }
    if (!pages.isEmpty()) {
      int from = pages.stream().mapToInt(Integer::intValue).min().orElse(0);
      int to = pages.stream().mapToInt(Integer::intValue).max().orElse(0);
      String text =
          PageRange.of(java.util.stream.IntStream.rangeClosed(from, to).boxed().toList()).text();
      change(p -> new PageChoice(text, List.of(), p.split()));
    }
  }

  @Override
  public Group group() {
    return group;
  }

  @Override
  public void show(Output.Pdf o) {
    PageChoice p = o.pages();
    Choosing.show(range, p.range());
    split.setValue(p.split());
    Choosing.show(naming, o.naming());
    var layout = state.going();
    List<Chapters.Chapter> all = state.chapters();
    if (!all.equals(shown)) {
      shown = all;
      chapters.getChildren().clear();
      for (Chapters.Chapter c : fewer(all)) {
        var box = new CheckBox(c.text());
        box.setMnemonicParsing(false);
        box.setUserData(c.text());
        box.setPadding(new javafx.geometry.Insets(0, 0, 0, 14.0 * (c.level() - 1)));
        box.selectedProperty().addListener((x, was, now) -> ticked(c.text(), now));
        chapters.getChildren().add(box);
      }
    }
    chapters
        .getChildren()
        .forEach(n -> {
          if (n instanceof CheckBox b) {
            b.setSelected(p.chapters().contains(String.valueOf(b.getUserData())));
          }
        });
    list.setVisible(!all.isEmpty());
    list.setManaged(!all.isEmpty());
    says.getStyleClass().remove("problem-text");
    try {
      int n = Plan.pages(p, layout).size();
      int total = layout.pages().size();
      String words =
          n == total
              ? WORDS.count("pages-choices.all-pages", total)
              : WORDS.say("pages-choices.some-pages", n, total);
      int files = Math.max(1, state.files().size());
      String into = files == 1 ? "" : WORDS.count("pages-choices.files", files);
      says.setText(words + into);
      group.say(words + into);
    } catch (PublishProblem e) {
      says.setText(e.getMessage());
      says.getStyleClass().add("problem-text");
      group.say(WORDS.say("pages-choices.cannot-be-followed"));
    }
  }

  /** As many levels as a list can be looked through. */
  private static List<Chapters.Chapter> fewer(List<Chapters.Chapter> all) {
    List<Chapters.Chapter> some = all;
    for (int deepest = 9; some.size() > MAX && deepest > 1; deepest--) {
      int level = deepest;
      some = some.stream().filter(c -> c.level() < level).toList();
    }
    return some.size() > MAX ? some.subList(0, MAX) : some;
  }

  private void ticked(String heading, boolean on) {
    change(p -> {
      if (p.chapters().contains(heading) == on) {
        return p;
      }
      var now = new ArrayList<>(p.chapters());
      if (on) {
        now.add(heading);
      } else {
        now.remove(heading);
      }
      return new PageChoice(p.range(), now, p.split());
    });
  }
}
