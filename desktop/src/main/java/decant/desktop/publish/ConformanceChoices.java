package decant.desktop.publish;

import decant.desktop.page.SmallPicture;
import decant.model.Position;
import decant.model.edit.object.ObjectEdits;
import decant.model.look.Media;
import decant.pdf.choices.Conflict;
import decant.pdf.choices.Conformance;
import decant.pdf.choices.Conformance.Standard;
import decant.pdf.choices.Enclosures;
import decant.pdf.choices.Version;
import decant.picture.PixelPicture;
import decant.preview.Enclosed;
import decant.preview.Readiness;
import decant.recipe.Details;
import decant.recipe.Output;
import decant.recipe.Plan;
import decant.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.image.ImageView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Standards, tags, the version, the source; and what the document lacks for them. */
final class ConformanceChoices implements Choices {
  private static final Words WORDS = Words.of(ConformanceChoices.class);

  private static final int THUMBNAIL = 44;
  private static final int MAX = 20;

  private final PublishState state;
  private final ComboBox<Standard> standard;
  private final CheckBox accessible;
  private final CheckBox tagged;
  private final ComboBox<Version> version;
  private final Label versionSays = Choosing.quiet("");
  private final CheckBox source;
  private final CheckBox files;
  private final CheckBox blanks;
  private final CheckBox comments;
  private final Label alongSays = Choosing.quiet("");
  private final Label pinnedSays = Choosing.quiet(WORDS.say("conformance-choices.pinned"));
  private final VBox lacks = new VBox(8);
  private final Group group;
  private List<Readiness.Lack> shown = List.of();

  /** What {@link Readiness} was asked about. */
  private record Asked(decant.layout.Layout layout, Conformance conformance, Details details) {}

  private record Answer(Optional<Asked> asked, List<Readiness.Lack> lacks) {}

  private Answer lacking = new Answer(Optional.empty(), List.of());

  ConformanceChoices(PublishState state) {
    this.state = state;
    standard =
        Choosing.oneOf(
            "publish-standard",
            Standard.values(),
            Standard::label,
            s ->
                change(k ->
                    k.with(s)
                        .withAccessible(k.accessible() && s.part() != 4)
                        .with(
                            k.enclosures()
                                .withSource(k.enclosures().source() && s.takesAttachments()))));
    accessible =
        Choosing.yesNo(
            "publish-accessible",
            WORDS.say("conformance-choices.for-aids-that-read-aloud"),
            on -> change(k -> k.withAccessible(on)));
    tagged =
        Choosing.yesNo(
            "publish-tagged",
            WORDS.say("conformance-choices.tagged-says-what-is-a"),
            on -> change(k -> k.withTagged(on)));
    version =
        Choosing.oneOf(
            "publish-version",
            Version.values(),
            v -> "PDF " + v.number(),
            v -> change(k -> k.with(v)));
    source =
        along(
            "publish-attach",
            WORDS.say("conformance-choices.the-source-goes-along-attached"),
            Enclosures::withSource);
    files =
        along(
            "publish-files",
            WORDS.say("conformance-choices.files-that-the-document-carries"),
            Enclosures::withFiles);
    blanks =
        along(
            "publish-blanks",
            WORDS.say("conformance-choices.blanks-can-be-filled-in"),
            Enclosures::withFields);
    comments =
        along(
            "publish-remarks",
            WORDS.say("conformance-choices.remarks-go-along-as-notes"),
            Enclosures::withComments);
    lacks.setId("publish-lacks");
    group =
        new Group(
            "group-keeping",
            WORDS.say("conformance-choices.keeping"),
            Choosing.line(WORDS.say("conformance-choices.archive"), standard),
            accessible,
            tagged,
            Choosing.line(WORDS.say("conformance-choices.version"), version),
            versionSays,
            pinnedSays,
            blanks,
            comments,
            files,
            source,
            alongSays,
            lacks);
  }

  private CheckBox along(String id, String words, BiFunction<Enclosures, Boolean, Enclosures> how) {
    return Choosing.yesNo(id, words, on -> change(k -> k.with(how.apply(k.enclosures(), on))));
  }

  private void change(UnaryOperator<Conformance> how) {
    state.change(o -> o.with(how.apply(o.settings().conformance())));
  }

  @Override
  public Group group() {
    return group;
  }

  @Override
  public Optional<Conflict.Group> conflicts() {
    return Optional.of(Conflict.Group.KEEPING);
  }

  @Override
  public void show(Output.Pdf o) {
    Conformance k = o.settings().conformance();
    standard.setValue(k.standard());
    accessible.setSelected(k.accessible());
    tagged.setSelected(k.isTagged());
    tagged.setDisable(k.accessible() || k.standard().level().equals("A"));
    version.setValue(k.writtenVersion());
    version.setDisable(k.isArchive());
    versionSays.setText(k.writtenVersion().words());
    boolean pictures = Plan.meetsStandard(k) && state.work().layout().document().hasPinned();
    pinnedSays.setVisible(pictures);
    pinnedSays.setManaged(pictures);
    source.setSelected(k.enclosures().source());
    source.setDisable(!k.standard().takesAttachments());
    files.setSelected(k.takesFiles());
    files.setDisable(!k.standard().takesAttachments());
    boolean pagesAlone = k.isArchive() || k.accessible();
    blanks.setSelected(k.takesFields());
    blanks.setDisable(pagesAlone);
    comments.setSelected(k.takesComments());
    comments.setDisable(pagesAlone);
    alongSays.setText(alongWords(k));
    List<Readiness.Lack> now = lacking(o);
    if (!now.equals(shown)) {
      shown = now;
      lacks.getChildren().clear();
      now.stream().limit(MAX).forEach(l -> lacks.getChildren().add(lack(l)));
      if (now.size() > MAX) {
        lacks
            .getChildren()
            .add(Choosing.quiet(WORDS.count("conformance-choices.more", now.size() - MAX)));
      }
    }
    String words =
        (k.isArchive() ? k.standard().label() : "PDF " + k.version().number())
            + (k.accessible()
                ? " + PDF/UA-1"
                : WORDS.say(
                    k.isTagged()
                        ? "conformance-choices.says-tagged"
                        : "conformance-choices.says-untagged"));
    group.say(
        now.isEmpty() ? words : WORDS.count("conformance-choices.says-lacking", now.size(), words));
  }

  /** What the document has of all that, and what becomes of it. */
  private String alongWords(Conformance k) {
    Enclosed has = Enclosed.in(state.work().layout().document());
    var out = new ArrayList<String>();
    tell(out, "conformance-choices.fields", has.fields(), k.takesFields());
    tell(out, "conformance-choices.comments", has.comments(), k.takesComments());
    tell(out, "conformance-choices.files", has.files(), k.takesFiles());
    return String.join(" ", out);
  }

  private static void tell(List<String> out, String what, int n, boolean along) {
    if (n > 0) {
      out.add(WORDS.count(what + (along ? "-along" : "-left"), n));
    }
  }

  /** What is lacking; looked for again only where it may have changed. */
  private List<Readiness.Lack> lacking(Output.Pdf o) {
    var asked = new Asked(state.work().layout(), o.settings().conformance(), o.details());
    if (!lacking.asked().equals(Optional.of(asked))) {
      lacking =
          new Answer(
              Optional.of(asked), Readiness.of(o, state.work().layout(), state.work().source()));
    }
    return lacking.lacks();
  }

  private Node lack(Readiness.Lack lack) {
    Label message = Choosing.quiet("◆ " + lack.message());
    var field = new TextField();
    HBox.setHgrow(field, Priority.ALWAYS);
    var mend = new Button(WORDS.say("conformance-choices.set"));
    var line = new HBox(6, field, mend);
    Runnable act =
        switch (lack) {
          case Readiness.Lack.Title t -> {
            field.setPromptText("title");
            yield () ->
                state.change(o -> {
                  Details d = o.details();
                  return o.with(
                      new Details(
                          d.from(),
                          field.getText(),
                          d.subject(),
                          d.author(),
                          d.keywords(),
                          d.language()));
                });
          }
          case Readiness.Lack.Language l -> {
            field.setPromptText(WORDS.say("conformance-choices.en-de-at"));
            yield () -> {
              if (field.getText().matches("[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*")) {
                state.change(o -> {
                  Details d = o.details();
                  return o.with(
                      new Details(
                          d.from(),
                          d.title(),
                          d.subject(),
                          d.author(),
                          d.keywords(),
                          field.getText()));
                });
              }
            };
          }
          case Readiness.Lack.Description d -> {
            field.setPromptText(WORDS.say("conformance-choices.what-it-shows"));
            Optional.ofNullable(state.work().layout().document().media().get(d.picture()))
                .ifPresent(m -> line.getChildren().addFirst(thumbnail(m)));
            yield () -> {
              if (!field.getText().isBlank()) {
                state
                    .work()
                    .apply(r ->
                        ObjectEdits.describe(
                            r, new Position(d.paragraph(), d.at()), field.getText()));
              }
            };
          }
        };
    mend.setOnAction(e -> act.run());
    field.setOnAction(e -> act.run());
    return new VBox(3, message, line);
  }

  private static Node thumbnail(Media m) {
    var view = new ImageView();
    view.setPreserveRatio(true);
    view.setFitWidth(THUMBNAIL);
    view.setFitHeight(THUMBNAIL);
    SmallPicture.show(() -> PixelPicture.decode(m.bytes()), view);
    return view;
  }
}
