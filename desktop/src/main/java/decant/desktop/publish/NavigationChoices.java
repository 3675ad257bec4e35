package decant.desktop.publish;

import decant.pdf.choices.Navigation;
import decant.pdf.choices.Navigation.Addresses;
import decant.recipe.Output;
import decant.recipe.Plan;
import decant.words.Words;
import java.util.HashSet;
import java.util.Set;
import java.util.function.UnaryOperator;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;

/** Bookmarks, links and page labels. */
final class NavigationChoices implements Choices {
  private static final Words WORDS = Words.of(NavigationChoices.class);

  private static final Integer[] LEVELS = {1, 2, 3, 4, 5, 6, 7, 8, 9};

  private final PublishState state;
  private final CheckBox bookmarks;
  private final ComboBox<Integer> levels;
  private final ComboBox<Integer> open;
  private final CheckBox numbered;
  private final CheckBox links;
  private final CheckBox addresses;
  private final CheckBox underlined;
  private final TextField colour;
  private final CheckBox labels;
  private final Label says = Choosing.quiet("");
  private final Group group;

  NavigationChoices(PublishState state) {
    this.state = state;
    bookmarks =
        Choosing.yesNo(
            "publish-bookmarks",
            WORDS.say("navigation-choices.bookmarks-from-the-headings"),
            on ->
                change(w -> with(w, on ? Math.max(w.bookmarkLevels(), on(w)) : 0, w.openLevels())));
    levels =
        Choosing.oneOf(
            "publish-levels",
            LEVELS,
            n ->
                n == 9
                    ? WORDS.say("navigation-choices.all-levels")
                    : WORDS.say("navigation-choices.down-to-level", n),
            n -> change(w -> w.bookmarks() ? with(w, n, w.openLevels()) : w));
    open =
        Choosing.oneOf(
            "publish-open-levels",
            LEVELS,
            n ->
                n == 9
                    ? WORDS.say("navigation-choices.all-of-them")
                    : n == 1
                        ? WORDS.say("navigation-choices.the-first-level")
                        : WORDS.say("navigation-choices.the-first-levels", n),
            n -> change(w -> with(w, w.bookmarkLevels(), n)));
    numbered =
        Choosing.yesNo(
            "publish-numbered",
            WORDS.say("navigation-choices.with-the-numbers-of-numbered"),
            on ->
                change(w ->
                    new Navigation(
                        w.bookmarkLevels(),
                        w.openLevels(),
                        on,
                        w.links(),
                        w.addresses(),
                        w.pageLabels())));
    links =
        Choosing.yesNo(
            "publish-links",
            WORDS.say("navigation-choices.links-can-be-followed"),
            on ->
                change(w ->
                    new Navigation(
                        w.bookmarkLevels(),
                        w.openLevels(),
                        w.numbered(),
                        on,
                        w.addresses(),
                        w.pageLabels())));
    addresses =
        Choosing.yesNo(
            "publish-addresses",
            WORDS.say("navigation-choices.addresses-in-the-text-become"),
            on -> address(a -> new Addresses(on, a.underlined(), a.colour())));
    underlined =
        Choosing.yesNo(
            "publish-underlined",
            WORDS.say("navigation-choices.underlined"),
            on -> address(a -> new Addresses(a.linked(), on, a.colour())));
    colour =
        Choosing.text(
            "publish-link-colour",
            WORDS.say("navigation-choices.colour-of-the-text-or"),
            t -> {
              if (t.matches("|[0-9A-Fa-f]{6}")) {
                address(a -> new Addresses(a.linked(), a.underlined(), t));
              }
            });
    labels =
        Choosing.yesNo(
            "publish-labels",
            WORDS.say("navigation-choices.viewers-show-the-page-numbers"),
            on ->
                change(w ->
                    new Navigation(
                        w.bookmarkLevels(),
                        w.openLevels(),
                        w.numbered(),
                        w.links(),
                        w.addresses(),
                        on)));
    group =
        new Group(
            "group-wayfinding",
            WORDS.say("navigation-choices.wayfinding"),
            bookmarks,
            Choosing.line(WORDS.say("navigation-choices.reaching"), levels),
            Choosing.line(WORDS.say("navigation-choices.unfolded"), open),
            numbered,
            says,
            links,
            addresses,
            underlined,
            Choosing.line(WORDS.say("navigation-choices.in-colour"), colour),
            labels);
  }

  private static int on(Navigation w) {
    return w.bookmarkLevels() == 0 ? Navigation.ALL_LEVELS : w.bookmarkLevels();
  }

  private void change(UnaryOperator<Navigation> how) {
    state.change(o -> o.with(how.apply(o.settings().navigation())));
  }

  private void address(UnaryOperator<Addresses> how) {
    change(w ->
        new Navigation(
            w.bookmarkLevels(),
            w.openLevels(),
            w.numbered(),
            w.links(),
            how.apply(w.addresses()),
            w.pageLabels()));
  }

  private static Navigation with(Navigation w, int bookmarkLevels, int openLevels) {
    return new Navigation(
        bookmarkLevels, openLevels, w.numbered(), w.links(), w.addresses(), w.pageLabels());
  }

  @Override
  public Group group() {
    return group;
  }

  @Override
  public void show(Output.Pdf o) {
    Navigation w = o.settings().navigation();
    bookmarks.setSelected(w.bookmarks());
    levels.setValue(on(w));
    open.setValue(Math.max(1, w.openLevels()));
    numbered.setSelected(w.numbered());
    links.setSelected(w.links());
    addresses.setSelected(w.addresses().linked());
    underlined.setSelected(w.addresses().underlined());
    Choosing.show(colour, w.addresses().colour());
    labels.setSelected(w.pageLabels());
    levels.setDisable(!w.bookmarks());
    open.setDisable(!w.bookmarks());
    numbered.setDisable(!w.bookmarks());
    underlined.setDisable(!w.addresses().linked());
    colour.setDisable(!w.addresses().linked());
    long n = bookmarks(w);
    String count = WORDS.count("navigation-choices.bookmarks", n);
    says.setText(
        w.bookmarks()
            ? WORDS.say("navigation-choices.each-to-its-headings-own", count)
            : WORDS.say("navigation-choices.the-pdf-will-have-no"));
    group.say(
        (w.bookmarks() ? count : WORDS.say("navigation-choices.no-bookmarks"))
            + (w.links()
                ? WORDS.say("navigation-choices.links")
                : WORDS.say("navigation-choices.no-links")));
  }

  private long bookmarks(Navigation w) {
    Set<Integer> pages = new HashSet<>();
    for (Plan.Item i : state.files()) {
      if (i instanceof Plan.Item.Pdf p) {
        pages.addAll(p.choices().pages());
      }
    }
    return state.chapters().stream()
        .filter(c -> c.level() <= w.bookmarkLevels() && pages.contains(c.from()))
        .count();
  }
}
