package decant.desktop.revise;

import decant.clip.PictureFile;
import decant.desktop.page.ObjectHandles;
import decant.desktop.shell.Actions;
import decant.desktop.shell.Desk;
import decant.desktop.shell.FileToOpen;
import decant.desktop.shell.Notice;
import decant.desktop.shell.Work;
import decant.io.AtomicFile;
import decant.io.WriteProblem;
import decant.model.Inline;
import decant.model.edit.Fragment;
import decant.model.edit.Pasting;
import decant.model.edit.object.ObjectEdits;
import decant.model.edit.object.ObjectEdits.Wrapping;
import decant.model.look.Media;
import decant.words.Words;
import decant.work.Faults;
import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.stage.FileChooser;
import javafx.stage.Window;

/** Pictures and shapes: put in from files, changed, replaced, and saved to files. */
public final class PictureActions {
  private static final Words WORDS = Words.of(PictureActions.class);
  private static final double QUARTER = 90;

  private final Desk desk;
  private final Supplier<Window> window;
  private final Supplier<Optional<ObjectHandles>> handles;

  private PictureActions(
      Desk desk, Supplier<Window> window, Supplier<Optional<ObjectHandles>> handles) {
    this.desk = desk;
    this.window = window;
    this.handles = handles;
  }

  /**
   * @param handles those of the stage, if it is in sight
   */
  static void register(
      Actions actions,
      Desk desk,
      Supplier<Window> window,
      Supplier<Optional<ObjectHandles>> handles) {
    var own = new PictureActions(desk, window, handles);
    actions.add("insert-picture", "", () -> ReviseView.canChange(desk), own::insert);
    actions.add("crop-picture", "", own::onPicture, own::crop);
    actions.add("turn-object", "", own::onObject, own::turn);
    actions.add("replace-picture", "", own::onPicture, own::replace);
    actions.add("save-picture", "", own::onPicture, own::save);
    own.wrap(actions, "wrap-in-line", Wrapping.IN_LINE);
    own.wrap(actions, "wrap-around", Wrapping.AROUND);
    own.wrap(actions, "wrap-above-and-below", Wrapping.ABOVE_AND_BELOW);
    own.wrap(actions, "wrap-behind", Wrapping.BEHIND);
    own.wrap(actions, "wrap-in-front", Wrapping.IN_FRONT);
  }

  private void wrap(Actions actions, String id, Wrapping to) {
    actions.add(id, "", this::onObject, () -> handles.get().ifPresent(h -> h.wrap(to)));
  }

  private boolean onObject() {
    return ReviseView.canChange(desk)
        && desk.work().filter(w -> ObjectEdits.selected(w.revision()).isPresent()).isPresent();
  }

  private boolean onPicture() {
    return ReviseView.canChange(desk)
        && desk.work().filter(w -> ObjectEdits.picture(w.revision()).isPresent()).isPresent();
  }

  private void onWork(Consumer<Work> what) {
    desk.work().ifPresent(what);
  }

  private void insert() {
    choose().ifPresent(f -> onWork(w -> put(desk, w, f)));
  }

  private void crop() {
    handles.get().ifPresent(h -> h.crop(!h.isCropping()));
  }

  private void turn() {
    onWork(w ->
        w.apply(r ->
            ObjectEdits.selected(r)
                .map(o -> ObjectEdits.turn(r, ObjectEdits.rotation(o.object()) + QUARTER))
                .orElse(r)));
  }

  private void replace() {
    choose().ifPresent(f -> onWork(w -> replace(desk, w, f)));
  }

  /** Shows the picture of a file in place of the one that is selected. */
  public static void replace(Desk desk, Work work, Path file) {
    try {
      Optional<PictureFile.Loaded> p = PictureFile.load(file);
      if (p.isPresent()) {
        PictureFile.Loaded l = p.get();
        work.apply(r -> ObjectEdits.replace(r, l.media(), l.width() / l.height()));
        return;
      }
    } catch (IOException e) {
      Faults.mended("reading a picture", e); // the notice says what to do
    }
    unreadable(desk, file);
  }

  private void save() {
    onWork(w ->
        ObjectEdits.picture(w.revision())
            .flatMap(p -> Optional.ofNullable(w.revision().document().media().get(p.media())))
            .ifPresent(m -> chooseTarget(w, m).ifPresent(f -> write(desk, f, m))));
  }

  private Optional<Path> chooseTarget(Work w, Media m) {
    String extension = extension(m.type());
    String name =
        ObjectEdits.picture(w.revision())
            .map(Inline.Picture::alt)
            .map(a -> a.replaceAll("[^\\p{L}\\p{N} _-]", "").strip())
            .filter(a -> !a.isEmpty() && a.length() <= 60)
            .orElse(WORDS.say("picture-actions.picture"));
    var chooser = new FileChooser();
    chooser.setTitle(WORDS.say("picture-actions.save"));
    chooser.setInitialFileName(name + "." + extension);
    desk.memory().folder().map(Path::toFile).ifPresent(chooser::setInitialDirectory);
    return Optional.ofNullable(chooser.showSaveDialog(window.get())).map(File::toPath);
  }

  private static String extension(String type) {
    return switch (type) {
      case "image/jpeg" -> "jpg";
      case "image/svg+xml" -> "svg";
      case "image/x-emf", "image/emf" -> "emf";
      case "image/x-wmf", "image/wmf" -> "wmf";
      case "application/pdf" -> "pdf";
      default -> type.substring(type.indexOf('/') + 1);
    };
  }

  /** Writes a picture to a file, as it came. */
  public static void write(Desk desk, Path file, Media m) {
    try {
      AtomicFile.write(file, true, out -> out.write(m.bytes()));
      desk.tell(WORDS.say("picture-actions.saved", file.getFileName()));
    } catch (WriteProblem e) {
      desk.noticeProperty().set(Optional.of(Notice.problem(e)));
    }
  }

  private Optional<Path> choose() {
    return FileToOpen.choose(
        desk,
        window.get(),
        WORDS.say("picture-actions.choose"),
        WORDS.say("picture-actions.pictures"),
        PictureFile.EXTENSIONS);
  }

  /** Puts the picture of a file in at the caret, or says why it cannot be. */
  public static void put(Desk desk, Work work, Path file) {
    try {
      Optional<Fragment> f = PictureFile.read(file, work.revision().document());
      if (f.isPresent()) {
        work.apply(r -> Pasting.paste(r, f.get()));
        return;
      }
    } catch (IOException e) {
      Faults.mended("reading a picture", e); // the notice says what to do
    }
    unreadable(desk, file);
  }

  private static void unreadable(Desk desk, Path file) {
    String name = String.valueOf(file.getFileName());
    desk.noticeProperty()
        .set(Optional.of(Notice.problem(WORDS.say("picture-actions.unreadable", name))));
  }
}
