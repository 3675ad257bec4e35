package decant.desktop.publish;

import decant.pdf.choices.Conflict;
import decant.pdf.choices.InitialView;
import decant.pdf.choices.InitialView.Arrangement;
import decant.pdf.choices.InitialView.Duplex;
import decant.pdf.choices.InitialView.Panel;
import decant.pdf.choices.InitialView.PrintScaling;
import decant.pdf.choices.InitialView.Zoom;
import decant.recipe.Output;
import decant.words.Words;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;

/** How the file opens and offers to print. */
final class InitialViewChoices implements Choices {
  private static final Words WORDS = Words.of(InitialViewChoices.class);

  private final PublishState state;
  private final TextField page;
  private final ComboBox<Zoom> zoom;
  private final ComboBox<Panel> panel;
  private final ComboBox<Arrangement> arrangement;
  private final CheckBox toolbar;
  private final CheckBox menu;
  private final CheckBox controls;
  private final CheckBox window;
  private final CheckBox title;
  private final ComboBox<PrintScaling> scaling;
  private final ComboBox<Duplex> duplex;
  private final TextField copies;
  private final Group group;

  InitialViewChoices(PublishState state) {
    this.state = state;
    page =
        Choosing.text(
            "publish-first-page",
            "1",
            t -> {
              if (t.matches("[1-9]\\d{0,5}")) {
                change(f -> new Parts(f).page(Integer.parseInt(t)));
              }
            });
    zoom =
        Choosing.oneOf(
            "publish-zoom", Zoom.values(), Zoom::label, v -> change(f -> new Parts(f).zoom(v)));
    panel =
        Choosing.oneOf(
            "publish-panel", Panel.values(), Panel::label, v -> change(f -> new Parts(f).panel(v)));
    arrangement =
        Choosing.oneOf(
            "publish-arrangement",
            Arrangement.values(),
            Arrangement::label,
            v -> change(f -> new Parts(f).arrangement(v)));
    toolbar =
        Choosing.yesNo(
            "publish-hide-toolbar",
            WORDS.say("initial-view-choices.hide-the-viewers-tools"),
            on -> change(f -> new Parts(f).hide(on, f.hideMenu(), f.hideControls())));
    menu =
        Choosing.yesNo(
            "publish-hide-menu",
            WORDS.say("initial-view-choices.hide-its-menu"),
            on -> change(f -> new Parts(f).hide(f.hideToolbar(), on, f.hideControls())));
    controls =
        Choosing.yesNo(
            "publish-hide-controls",
            WORDS.say("initial-view-choices.hide-its-scroll-bars-and"),
            on -> change(f -> new Parts(f).hide(f.hideToolbar(), f.hideMenu(), on)));
    window =
        Choosing.yesNo(
            "publish-fit-window",
            WORDS.say("initial-view-choices.its-window-takes-the-size"),
            on -> change(f -> new Parts(f).window(on, f.titleInBar())));
    title =
        Choosing.yesNo(
            "publish-title-in-bar",
            WORDS.say("initial-view-choices.its-title-bar-shows-the"),
            on -> change(f -> new Parts(f).window(f.fitWindow(), on)));
    scaling =
        Choosing.oneOf(
            "publish-scaling",
            PrintScaling.values(),
            PrintScaling::label,
            v -> change(f -> new Parts(f).printed(v, f.duplex(), f.copies())));
    duplex =
        Choosing.oneOf(
            "publish-duplex",
            Duplex.values(),
            Duplex::label,
            v -> change(f -> new Parts(f).printed(f.printScaling(), v, f.copies())));
    copies =
        Choosing.text(
            "publish-copies",
            WORDS.say("initial-view-choices.as-the-viewer-likes"),
            t -> {
              if (t.matches("\\d{0,2}")) {
                int n = t.isEmpty() ? 0 : Integer.parseInt(t);
                change(f -> new Parts(f).printed(f.printScaling(), f.duplex(), n));
              }
            });
    group =
        new Group(
            "group-first-sight",
            WORDS.say("initial-view-choices.first-sight"),
            Choosing.line(WORDS.say("initial-view-choices.opens-at-page"), page),
            Choosing.line(WORDS.say("initial-view-choices.in-size"), zoom),
            Choosing.line(WORDS.say("initial-view-choices.beside-it"), panel),
            Choosing.line(WORDS.say("initial-view-choices.pages-stand"), arrangement),
            title,
            window,
            toolbar,
            menu,
            controls,
            Choosing.line(WORDS.say("initial-view-choices.printed"), scaling),
            Choosing.line(WORDS.say("initial-view-choices.on-paper"), duplex),
            Choosing.line(WORDS.say("initial-view-choices.copies"), copies));
  }

  /** The choices with some of them replaced. */
  private record Parts(InitialView f) {
    private InitialView with(
        int page,
        Zoom z,
        Panel p,
        Arrangement a,
        boolean[] flags,
        PrintScaling s,
        Duplex d,
        int n) {
      return new InitialView(
          page, z, p, a, flags[0], flags[1], flags[2], flags[3], flags[4], s, d, n);
    }

    private boolean[] flags() {
      return new boolean[] {
        f.hideToolbar(), f.hideMenu(), f.hideControls(), f.fitWindow(), f.titleInBar()
      };
    }

    InitialView page(int n) {
      return with(
          n,
          f.zoom(),
          f.panel(),
          f.arrangement(),
          flags(),
          f.printScaling(),
          f.duplex(),
          f.copies());
    }

    InitialView zoom(Zoom z) {
      return with(
          f.page(),
          z,
          f.panel(),
          f.arrangement(),
          flags(),
          f.printScaling(),
          f.duplex(),
          f.copies());
    }

    InitialView panel(Panel p) {
      return with(
          f.page(),
          f.zoom(),
          p,
          f.arrangement(),
          flags(),
          f.printScaling(),
          f.duplex(),
          f.copies());
    }

    InitialView arrangement(Arrangement a) {
      return with(
          f.page(), f.zoom(), f.panel(), a, flags(), f.printScaling(), f.duplex(), f.copies());
    }

    InitialView hide(boolean toolbar, boolean menu, boolean controls) {
      boolean[] b = {toolbar, menu, controls, f.fitWindow(), f.titleInBar()};
      return with(
          f.page(),
          f.zoom(),
          f.panel(),
          f.arrangement(),
          b,
          f.printScaling(),
          f.duplex(),
          f.copies());
    }

    InitialView window(boolean fit, boolean titleInBar) {
      boolean[] b = {f.hideToolbar(), f.hideMenu(), f.hideControls(), fit, titleInBar};
      return with(
          f.page(),
          f.zoom(),
          f.panel(),
          f.arrangement(),
          b,
          f.printScaling(),
          f.duplex(),
          f.copies());
    }

    InitialView printed(PrintScaling s, Duplex d, int copies) {
      return with(f.page(), f.zoom(), f.panel(), f.arrangement(), flags(), s, d, copies);
    }
  }

  private void change(UnaryOperator<InitialView> how) {
    state.change(o -> o.with(how.apply(o.firstSight())));
  }

  @Override
  public Group group() {
    return group;
  }

  @Override
  public Optional<Conflict.Group> conflicts() {
    return Optional.of(Conflict.Group.FIRST_SIGHT);
  }

  @Override
  public void show(Output.Pdf o) {
    InitialView f = o.firstSight();
    if (!page.isFocused()) {
      Choosing.show(page, Integer.toString(f.page()));
    }
    zoom.setValue(f.zoom());
    panel.setValue(f.panel());
    arrangement.setValue(f.arrangement());
    toolbar.setSelected(f.hideToolbar());
    menu.setSelected(f.hideMenu());
    controls.setSelected(f.hideControls());
    window.setSelected(f.fitWindow());
    title.setSelected(f.titleInBar());
    scaling.setValue(f.printScaling());
    duplex.setValue(f.duplex());
    Choosing.show(copies, f.copies() == 0 ? "" : Integer.toString(f.copies()));
    group.say(
        WORDS.say(
            "initial-view-choices.page",
            f.page(),
            (f.zoom() == Zoom.VIEWERS
                ? ""
                : ", " + f.zoom().label().toLowerCase(java.util.Locale.ROOT)),
            switch (f.panel()) {
              case NOTHING -> "";
              case BOOKMARKS -> WORDS.say("initial-view-choices.says-bookmarks");
              case PAGES -> WORDS.say("initial-view-choices.says-thumbnails");
              case ATTACHMENTS -> WORDS.say("initial-view-choices.says-attached");
              case FULL_SCREEN -> WORDS.say("initial-view-choices.says-full-screen");
            }));
  }
}
