package decant.desktop.publish;

import decant.desktop.shell.PasswordEntry;
import decant.pdf.choices.Conflict;
import decant.pdf.choices.Passwords;
import decant.pdf.choices.Permission;
import decant.pdf.choices.Security;
import decant.pdf.choices.Security.Protection;
import decant.recipe.Output;
import decant.words.Words;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;

/** Passwords and permissions. */
final class SecurityChoices implements Choices {
  private static final Words WORDS = Words.of(SecurityChoices.class);

  private final PublishState state;
  private final ComboBox<Protection> protection;
  private final Label strength = Choosing.quiet("");

  private final CheckBox askToOpen;
  private final PasswordEntry open;
  private final CheckBox askToChange;
  private final PasswordEntry change;
  private final Map<Permission, CheckBox> permissions = new EnumMap<>(Permission.class);
  private final CheckBox metadata;
  private final VBox locked = new VBox(6);
  private final Group group;

  SecurityChoices(PublishState state) {
    this.state = state;
    protection =
        Choosing.oneOf(
            "publish-protection",
            Protection.values(),
            p -> p == Protection.NONE ? WORDS.say("security-choices.open-to-all") : p.label(),
            p -> change(r -> protect(r, p)));
    askToOpen =
        Choosing.yesNo(
            "publish-ask-to-open",
            WORDS.say("security-choices.ask-to-open"),
            on ->
                change(r ->
                    new Security(
                        r.protection(), on, r.askToChange(), r.allowed(), r.encryptMetadata())));
    askToChange =
        Choosing.yesNo(
            "publish-ask-to-change",
            WORDS.say("security-choices.ask-to-change"),
            on ->
                change(r ->
                    new Security(
                        r.protection(), r.askToOpen(), on, r.allowed(), r.encryptMetadata())));
    metadata =
        Choosing.yesNo(
            "publish-encrypt-particulars",
            WORDS.say("security-choices.encrypt-properties"),
            on ->
                change(r ->
                    new Security(r.protection(), r.askToOpen(), r.askToChange(), r.allowed(), on)));
    open =
        new PasswordEntry(
            "publish-open-password",
            WORDS.say("security-choices.open-password"),
            p -> give(new Passwords(p, state.draft().passwords().change())));
    change =
        new PasswordEntry(
            "publish-change-password",
            WORDS.say("security-choices.change-password"),
            p -> give(new Passwords(state.draft().passwords().open(), p)));
    var allowed = new VBox(4);
    for (Permission p : Permission.values()) {
      CheckBox box =
          Choosing.yesNo(
              "publish-may-" + p.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'),
              p.words(),
              on -> change(r -> allow(r, p, on)));
      permissions.put(p, box);
      allowed.getChildren().add(box);
    }
    strength.setMinHeight(34); // two lines, whatever is chosen
    locked
        .getChildren()
        .addAll(
            askToOpen,
            open.node(),
            askToChange,
            change.node(),
            Choosing.quiet(WORDS.say("security-choices.without-password")),
            allowed,
            Choosing.quiet(WORDS.say("security-choices.by-agreement")),
            metadata);
    group =
        new Group(
            "group-rights",
            WORDS.say("security-choices.rights"),
            new Node[] {protection, strength, locked});
  }

  private void give(Passwords now) {
    if (!now.equals(state.draft().passwords())) {
      state.draftProperty().set(state.draft().with(now));
    }
  }

  @Override
  public void mend() {
    Passwords known = state.draft().passwords();
    boolean opening = askToOpen.isSelected() && known.open().isEmpty();
    (opening || !askToChange.isSelected() ? open : change).requestFocus();
  }

  private static Security protect(Security r, Protection p) {
    if (p == Protection.NONE) {
      return new Security(p, false, false, r.allowed(), true);
    }
    boolean asks = r.askToOpen() || r.askToChange();
    return new Security(
        p, r.askToOpen() || !asks, r.askToChange(), r.allowed(), r.encryptMetadata() || !p.isAes());
  }

  private static Security allow(Security r, Permission p, boolean on) {
    Set<Permission> now = EnumSet.noneOf(Permission.class);
    now.addAll(r.allowed());
    if (on) {
      now.add(p);
    } else {
      now.remove(p);
    }
    return new Security(r.protection(), r.askToOpen(), r.askToChange(), now, r.encryptMetadata());
  }

  private void change(UnaryOperator<Security> how) {
    state.change(o -> o.with(how.apply(o.settings().security())));
  }

  @Override
  public Group group() {
    return group;
  }

  @Override
  public Optional<Conflict.Group> conflicts() {
    return Optional.of(Conflict.Group.RIGHTS);
  }

  @Override
  public void show(Output.Pdf o) {
    Security r = o.settings().security();
    boolean on = r.protection() != Protection.NONE;
    protection.setValue(r.protection());
    strength.setText(on ? r.protection().strength() : WORDS.say("security-choices.anyone"));
    locked.setVisible(on);
    locked.setManaged(on);
    askToOpen.setSelected(r.askToOpen());
    askToChange.setSelected(r.askToChange());
    open.setDisable(!r.askToOpen());
    change.setDisable(!r.askToChange());
    permissions.forEach((p, box) -> {
      box.setSelected(r.allowed().contains(p));
      box.setDisable(!r.askToChange());
    });
    metadata.setSelected(r.encryptMetadata());
    metadata.setDisable(!r.protection().isAes());
    Passwords known = state.draft().passwords();
    open.show(known.open());
    change.show(known.change());
    String says = on ? r.protection().label() : WORDS.say("security-choices.says-open");
    if (r.askToOpen()) {
      says += WORDS.say("security-choices.says-opens-by-password");
    }
    if (r.askToChange()) {
      says +=
          WORDS.say(
              "security-choices.says-allowed", r.allowed().size(), Permission.values().length);
    }
    group.say(says);
  }
}
