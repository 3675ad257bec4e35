package decant.desktop.revise;

import decant.clip.PictureFile;
import decant.desktop.shell.Actions;
import decant.desktop.shell.Desk;
import decant.desktop.shell.FilePatterns;
import decant.desktop.shell.Notice;
import decant.desktop.shell.Work;
import decant.model.edit.Fragment;
import decant.model.edit.Pasting;
import decant.words.Words;
import decant.work.Faults;
import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.stage.FileChooser;
import javafx.stage.Window;

/** Pictures of files, put into the text. */
public final class PictureActions {
  private static final Words WORDS = Words.of(PictureActions.class);

  private PictureActions() {}

  static void register(Actions actions, Desk desk, Supplier<Window> window) {
    actions.add(
        "insert-picture",
        "",
        () -> ReviseView.canChange(desk),
        () ->
            choose(desk, window.get()).ifPresent(f -> desk.work().ifPresent(w -> put(desk, w, f))));
  }

  private static Optional<Path> choose(Desk desk, Window window) {
    var chooser = new FileChooser();
    chooser.setTitle(WORDS.say("picture-actions.choose"));
    chooser
        .getExtensionFilters()
        .add(
            new FileChooser.ExtensionFilter(
                WORDS.say("picture-actions.pictures"),
                FilePatterns.of(PictureFile.EXTENSIONS.stream())));
    desk.memory().folder().map(Path::toFile).ifPresent(chooser::setInitialDirectory);
    return Optional.ofNullable(chooser.showOpenDialog(window)).map(File::toPath);
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
    String name = String.valueOf(file.getFileName());
    desk.noticeProperty()
        .set(Optional.of(Notice.problem(WORDS.say("picture-actions.unreadable", name))));
  }
}
