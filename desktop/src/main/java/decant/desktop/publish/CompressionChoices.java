package decant.desktop.publish;

import decant.pdf.choices.Compression;
import decant.pdf.choices.Conflict;
import decant.recipe.Output;
import decant.words.Words;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.layout.VBox;

/** Compression, and what becomes of pictures. */
final class CompressionChoices implements Choices {
  private static final Words WORDS = Words.of(CompressionChoices.class);

  private static final Integer[] QUALITIES = {0, 95, 90, 85, 80, 75, 70, 60, 50, 40};
  private static final Integer[] RESOLUTIONS = {0, 600, 300, 220, 150, 120, 96, 72};

  private final PublishState state;
  private final ComboBox<Integer> quality;
  private final ComboBox<Integer> resolution;
  private final CheckBox grey;
  private final CheckBox fax;
  private final ComboBox<Compression.Effort> effort;
  private final CheckBox together;
  private final PictureList pictures;
  private final Group group;

  CompressionChoices(PublishState state, java.util.function.Consumer<PictureList.Shown> look) {
    this.state = state;
    this.pictures = new PictureList(state, look);
    quality =
        Choosing.oneOf(
            "publish-quality",
            QUALITIES,
            q ->
                q == 0
                    ? WORDS.say("compression-choices.as-they-came")
                    : WORDS.say("compression-choices.jpeg-quality", q),
            q -> change(w -> w.with(q, w.resolution())));
    resolution =
        Choosing.oneOf(
            "publish-resolution",
            RESOLUTIONS,
            r ->
                r == 0
                    ? WORDS.say("compression-choices.no-limit")
                    : WORDS.say("compression-choices.dots-an-inch", r),
            r -> change(w -> w.with(w.photographQuality(), r)));
    grey =
        Choosing.yesNo(
            "publish-grey",
            WORDS.say("compression-choices.pictures-without-colour-in-grey"),
            on ->
                change(w ->
                    new Compression(
                        w.effort(),
                        w.objectStreams(),
                        w.photographQuality(),
                        w.resolution(),
                        on,
                        w.faxForOneBit())));
    fax =
        Choosing.yesNo(
            "publish-fax",
            WORDS.say("compression-choices.pictures-of-black-and-white"),
            on ->
                change(w ->
                    new Compression(
                        w.effort(),
                        w.objectStreams(),
                        w.photographQuality(),
                        w.resolution(),
                        w.greyWhereColourless(),
                        on)));
    effort =
        Choosing.oneOf(
            "publish-effort",
            Compression.Effort.values(),
            Compression.Effort::label,
            e ->
                change(w ->
                    new Compression(
                        e,
                        w.objectStreams(),
                        w.photographQuality(),
                        w.resolution(),
                        w.greyWhereColourless(),
                        w.faxForOneBit())));
    together =
        Choosing.yesNo(
            "publish-object-streams",
            WORDS.say("compression-choices.small-objects-compressed-together-from"),
            on ->
                change(w ->
                    new Compression(
                        w.effort(),
                        on,
                        w.photographQuality(),
                        w.resolution(),
                        w.greyWhereColourless(),
                        w.faxForOneBit())));
    group =
        new Group(
            "group-weight",
            WORDS.say("compression-choices.weight"),
            Choosing.line(WORDS.say("compression-choices.photographs"), quality),
            Choosing.line(WORDS.say("compression-choices.pictures-at-most"), resolution),
            new VBox(6, grey, fax),
            Choosing.line(WORDS.say("compression-choices.compression"), effort),
            together,
            pictures.node());
  }

  private void change(UnaryOperator<Compression> how) {
    state.change(o -> o.with(how.apply(o.settings().compression())));
  }

  @Override
  public Group group() {
    return group;
  }

  @Override
  public Optional<Conflict.Group> conflicts() {
    return Optional.of(Conflict.Group.WEIGHT);
  }

  @Override
  public void show(Output.Pdf o) {
    Compression w = o.settings().compression();
    set(quality, w.photographQuality());
    set(resolution, w.resolution());
    grey.setSelected(w.greyWhereColourless());
    fax.setSelected(w.faxForOneBit());
    effort.setValue(w.effort());
    together.setSelected(w.objectStreams());
    pictures.show();
    String photographs =
        w.photographQuality() == 0
            ? WORDS.say("compression-choices.pictures-as-they-came")
            : WORDS.say("compression-choices.photographs-of-quality", w.photographQuality());
    group.say(
        photographs
            + (w.resolution() == 0
                ? ""
                : WORDS.say("compression-choices.dots-an-inch-2", w.resolution())));
  }

  /** A recipe may hold a value that is not offered. */
  private static void set(ComboBox<Integer> box, int value) {
    if (!box.getItems().contains(value)) {
      box.getItems().add(value);
    }
    box.setValue(value);
  }
}
