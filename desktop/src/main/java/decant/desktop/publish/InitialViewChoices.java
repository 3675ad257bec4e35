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
            on ->
                change(
                    f -> new Parts(f).hide(on, f.window().hideMenu(), f.window().hideControls())));
    menu =
        Choosing.yesNo(
            "publish-hide-menu",
            WORDS.say("initial-view-choices.hide-its-menu"),
            on ->
                change(f ->
                    new Parts(f).hide(f.window().hideToolbar(), on, f.window().hideControls())));
    controls =
        Choosing.yesNo(
            "publish-hide-controls",
            WORDS.say("initial-view-choices.hide-its-scroll-bars-and"),
            on ->
                change(
                    f -> new Parts(f).hide(f.window().hideToolbar(), f.window().hideMenu(), on)));
    window =
        Choosing.yesNo(
            "publish-fit-window",
            WORDS.say("initial-view-choices.its-window-takes-the-size"),
            on -> change(f -> new Parts(f).window(on, f.window().titleInBar())));
    title =
        Choosing.yesNo(
            "publish-title-in-bar",
            WORDS.say("initial-view-choices.its-title-bar-shows-the"),
            on -> change(f -> new Parts(f).window(f.window().fitWindow(), on)));
    scaling =
        Choosing.oneOf(
            "publish-scaling",
            PrintScaling.values(),
            PrintScaling::label,
            v ->
                change(f -> new Parts(f).printed(v, f.printing().duplex(), f.printing().copies())));
    duplex =
        Choosing.oneOf(
            "publish-duplex",
            Duplex.values(),
            Duplex::label,
            v ->
                change(
                    f -> new Parts(f).printed(f.printing().scaling(), v, f.printing().copies())));
    copies =
        Choosing.text(
            "publish-copies",
            WORDS.say("initial-view-choices.as-the-viewer-likes"),
            t -> {
              if (t.matches("\\d{0,2}")) {
                int n = t.isEmpty() ? 0 : Integer.parseInt(t);
                change(f -> new Parts(f).printed(f.printing().scaling(), f.printing().duplex(), n));
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
    InitialView page(int n) {
      return new InitialView(n, f.zoom(), f.panel(), f.arrangement(), f.window(), f.printing());
    }

    InitialView zoom(Zoom z) {
      return new InitialView(f.page(), z, f.panel(), f.arrangement(), f.window(), f.printing());
    }

    InitialView panel(Panel p) {
      return new InitialView(f.page(), f.zoom(), p, f.arrangement(), f.window(), f.printing());
    }

    InitialView arrangement(Arrangement a) {
      return new InitialView(f.page(), f.zoom(), f.panel(), a, f.window(), f.printing());
    }

    InitialView hide(boolean toolbar, boolean menu, boolean controls) {
      InitialView.Window w = f.window();
      return with(new InitialView.Window(toolbar, menu, controls, w.fitWindow(), w.titleInBar()));
    }

    InitialView window(boolean fit, boolean titleInBar) {
      InitialView.Window w = f.window();
      return with(
          new InitialView.Window(w.hideToolbar(), w.hideMenu(), w.hideControls(), fit, titleInBar));
    }

    private InitialView with(InitialView.Window w) {
      return new InitialView(f.page(), f.zoom(), f.panel(), f.arrangement(), w, f.printing());
    }

    InitialView printed(PrintScaling s, Duplex d, int copies) {
      return new InitialView(
          f.page(),
          f.zoom(),
          f.panel(),
          f.arrangement(),
          f.window(),
          new InitialView.Printing(s, d, copies));
    }
  }

  private void change(UnaryOperator<InitialView> how) {
    state.change(o -> o.with(how.apply(o.settings().initialView())));
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
    InitialView f = o.settings().initialView();
    if (!page.isFocused()) {
      Choosing.show(page, Integer.toString(f.page()));
    }
    zoom.setValue(f.zoom());
    panel.setValue(f.panel());
    arrangement.setValue(f.arrangement());
    toolbar.setSelected(f.window().hideToolbar());
    menu.setSelected(f.window().hideMenu());
    controls.setSelected(f.window().hideControls());
    window.setSelected(f.window().fitWindow());
    title.setSelected(f.window().titleInBar());
    scaling.setValue(f.printing().scaling());
    duplex.setValue(f.printing().duplex());
    Choosing.show(
        copies, f.printing().copies() == 0 ? "" : Integer.toString(f.printing().copies()));
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
