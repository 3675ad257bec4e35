package decant.desktop.publish;

import decant.desktop.shell.PasswordEntry;
import decant.format.Format;
import decant.format.Formats;
import decant.model.Document;
import decant.pdf.choices.Passwords;
import decant.publish.OfficeFonts;
import decant.recipe.FontsInside;
import decant.recipe.Output;
import decant.recipe.Plan;
import decant.words.Figures;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;

/** The choices of an editable document: which fonts go along, and whether a password opens it. */
final class OfficeChoices {
  private static final Words WORDS = Words.of(OfficeChoices.class);
  private static final int MOST_SAID = 6;

  private final PublishState state;
  private final ComboBox<FontsInside> fonts;
  private final Label adds = Choosing.quiet("");
  private final CheckBox lock;
  private final PasswordEntry password;
  private final Label means = Choosing.quiet("");
  private final Group fontGroup;
  private final Group lockGroup;
  private final VBox root = new VBox();
  private Weighed weighed = new Weighed(null, FontsInside.NONE, null, List.of());

  /** What fonts come to; worked out once for a document, a choice and a format. */
  private record Weighed(
      @Nullable Document document, FontsInside how, @Nullable Format format, List<String> lines) {}

  OfficeChoices(PublishState state) {
    this.state = state;
    fonts =
        Choosing.oneOf(
            "publish-office-fonts",
            FontsInside.values(),
            OfficeChoices::label,
            f -> state.changeOffice(o -> o.with(f)));
    adds.setId("publish-office-fonts-adds");
    lock =
        Choosing.yesNo(
            "publish-office-lock",
            WORDS.say("office-choices.ask-to-open"),
            on -> state.changeOffice(o -> o.withPassword(on)));
    password =
        new PasswordEntry(
            "publish-office-password",
            WORDS.say("office-choices.password"),
            p -> {
              Passwords now = new Passwords(p, state.draft().passwords().change());
              if (!now.equals(state.draft().passwords())) {
                state.draftProperty().set(state.draft().with(now));
              }
            });
    means.setId("publish-office-lock-means");
    fontGroup = new Group("group-office-fonts", WORDS.say("office-choices.fonts"), fonts, adds);
    lockGroup =
        new Group(
            "group-office-lock", WORDS.say("office-choices.lock"), lock, password.node(), means);
    root.getChildren().addAll(fontGroup.node(), lockGroup.node());
  }

  Node node() {
    return root;
  }

  private static String label(FontsInside f) {
    return switch (f) {
      case NONE -> WORDS.say("office-choices.none");
      case USED -> WORDS.say("office-choices.used");
      case WHOLE -> WORDS.say("office-choices.whole");
    };
  }

  void show() {
    var office = state.office();
    root.setVisible(office.isPresent());
    root.setManaged(office.isPresent());
    office.ifPresent(o -> {
      fonts(o);
      lock(o);
    });
  }

  private void fonts(Output.Office o) {
    boolean room = o.format().holds().contains(Format.Holding.FONTS);
    fonts.setDisable(!room);
    fonts.setValue(o.fonts());
    if (!room) {
      adds.setText(WORDS.say("office-choices.no-room", o.format().name()));
      fontGroup.say(WORDS.say("office-choices.says-no-room"));
      return;
    }
    adds.setText(String.join("\n", lines(o)));
    fontGroup.say(
        switch (o.fonts()) {
          case NONE -> WORDS.say("office-choices.says-none");
          case USED -> WORDS.say("office-choices.says-used");
          case WHOLE -> WORDS.say("office-choices.says-whole");
        });
  }

  private static String meaning(FontsInside f) {
    return switch (f) {
      case NONE -> WORDS.say("office-choices.none-means");
      case USED -> WORDS.say("office-choices.used-means");
      case WHOLE -> WORDS.say("office-choices.whole-means");
    };
  }

  /** What each font adds, and which stay out; found out aside, since it goes through all text. */
  private List<String> lines(Output.Office o) {
    Document d = state.work().layout().document();
    boolean known =
        weighed.document() == d
            && weighed.how() == o.fonts()
            && o.format().equals(weighed.format());
    if (!known) {
      weighed = new Weighed(d, o.fonts(), o.format(), List.of(meaning(o.fonts())));
      Weighed mine = weighed;
      state.aside(
          () -> OfficeFonts.in(d, o),
          r -> {
            if (weighed == mine) {
              weighed = new Weighed(d, o.fonts(), o.format(), lines(o.fonts(), r));
              show();
            }
          });
    }
    return weighed.lines();
  }

  private static List<String> lines(FontsInside how, OfficeFonts.Result r) {
    var lines = new ArrayList<String>();
    lines.add(meaning(how));
    r.put().stream()
        .limit(MOST_SAID)
        .forEach(
            p -> lines.add(WORDS.say("office-choices.adds", p.name(), Figures.bytes(p.bytes()))));
    if (r.put().size() > MOST_SAID) {
      long rest = r.put().stream().skip(MOST_SAID).mapToLong(OfficeFonts.Put::bytes).sum();
      lines.add(
          WORDS.say("office-choices.adds-more", r.put().size() - MOST_SAID, Figures.bytes(rest)));
    }
    lines.addAll(r.leftOut());
    return lines;
  }

  private void lock(Output.Office o) {
    boolean can = Formats.locker(o.format()).isPresent();
    lock.setSelected(o.password());
    lock.setDisable(!can && !o.password());
    password.setDisable(!o.password() || !can);
    password.show(state.draft().passwords().open());
    means.setText(can ? WORDS.say("office-choices.lock-means") : Plan.cannotLock(o.format()));
    lockGroup.say(
        !o.password()
            ? WORDS.say("office-choices.says-open")
            : WORDS.say("office-choices.says-locked"));
    lockGroup.warn(
        o.password() && !can
            ? Plan.cannotLock(o.format())
            : o.password() && state.draft().passwords().open().isEmpty()
                ? WORDS.say("office-choices.type-a-password")
                : "");
  }
}
