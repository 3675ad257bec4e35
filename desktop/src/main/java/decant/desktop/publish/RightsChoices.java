package decant.desktop.publish;

import decant.pdf.choices.Conflict;
import decant.pdf.choices.Passwords;
import decant.pdf.choices.Permission;
import decant.pdf.choices.Rights;
import decant.pdf.choices.Rights.Protection;
import decant.publish.Output;
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
import javafx.scene.control.PasswordField;
import javafx.scene.layout.VBox;

/** Passwords and permissions. */
final class RightsChoices implements Choices {
  private final PublishState state;
  private final ComboBox<Protection> protection;
  private final Label strength = Choosing.quiet("");
  private final CheckBox askToOpen;
  private final PasswordField open = new PasswordField();
  private final CheckBox askToChange;
  private final PasswordField change = new PasswordField();
  private final Map<Permission, CheckBox> permissions = new EnumMap<>(Permission.class);
  private final CheckBox particulars;
  private final VBox locked = new VBox(6);
  private final Group group;

  RightsChoices(PublishState state) {
    this.state = state;
    protection =
        Choosing.oneOf(
            "publish-protection",
            Protection.values(),
            p -> p == Protection.NONE ? "Open to all" : p.label(),
            p -> change(r -> protect(r, p)));
    askToOpen =
        Choosing.yesNo(
            "publish-ask-to-open",
            "A password opens the file",
            on ->
                change(r ->
                    new Rights(
                        r.protection(), on, r.askToChange(), r.allowed(), r.encryptParticulars())));
    askToChange =
        Choosing.yesNo(
            "publish-ask-to-change",
            "A password lifts the limits",
            on ->
                change(r ->
                    new Rights(
                        r.protection(), r.askToOpen(), on, r.allowed(), r.encryptParticulars())));
    particulars =
        Choosing.yesNo(
            "publish-encrypt-particulars",
            "Title, author and so on are encrypted too",
            on ->
                change(r ->
                    new Rights(r.protection(), r.askToOpen(), r.askToChange(), r.allowed(), on)));
    password(open, "publish-open-password", "password to open");
    password(change, "publish-change-password", "password to lift the limits");
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
    locked
        .getChildren()
        .addAll(
            askToOpen,
            open,
            askToChange,
            change,
            Choosing.quiet("Without that password, a recipient may"),
            allowed,
            Choosing.quiet(
                "Viewers keep these limits by agreement; only the password to open is enforced by"
                    + " the cipher."),
            particulars);
    group = new Group("group-rights", "Rights", new Node[] {protection, strength, locked});
  }

  private void password(PasswordField field, String id, String prompt) {
    field.setId(id);
    field.setPromptText(prompt);
    field
        .textProperty()
        .addListener((o, was, now) ->
            state
                .draftProperty()
                .set(state.draft().with(new Passwords(open.getText(), change.getText()))));
  }

  private static Rights protect(Rights r, Protection p) {
    if (p == Protection.NONE) {
      return new Rights(p, false, false, r.allowed(), true);
    }
    boolean asks = r.askToOpen() || r.askToChange();
    return new Rights(
        p,
        r.askToOpen() || !asks,
        r.askToChange(),
        r.allowed(),
        r.encryptParticulars() || !p.isAes());
  }

  private static Rights allow(Rights r, Permission p, boolean on) {
    Set<Permission> now = EnumSet.noneOf(Permission.class);
    now.addAll(r.allowed());
    if (on) {
      now.add(p);
    } else {
      now.remove(p);
    }
    return new Rights(r.protection(), r.askToOpen(), r.askToChange(), now, r.encryptParticulars());
  }

  private void change(UnaryOperator<Rights> how) {
    state.change(o -> o.with(how.apply(o.rights())));
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
    Rights r = o.rights();
    boolean on = r.protection() != Protection.NONE;
    protection.setValue(r.protection());
    strength.setText(
        on ? r.protection().strength() : "Anyone can open, print, copy and change the file.");
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
    particulars.setSelected(r.encryptParticulars());
    particulars.setDisable(!r.protection().isAes());
    Passwords known = state.draft().passwords();
    if (!open.getText().equals(known.open())) {
      open.setText(known.open());
    }
    if (!change.getText().equals(known.change())) {
      change.setText(known.change());
    }
    group.say(
        !on
            ? "open to all"
            : r.protection().label()
                + (r.askToOpen() ? ", opens by password" : "")
                + (r.askToChange() ? ", " + r.allowed().size() + " of 8 allowed" : ""));
  }
}
