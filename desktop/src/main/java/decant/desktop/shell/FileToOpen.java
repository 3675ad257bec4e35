package decant.desktop.shell;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.stage.FileChooser;
import javafx.stage.Window;

/** A file of a kind that the person chooses. */
public final class FileToOpen {
  private FileToOpen() {}

  /**
   * @param title says what for
   * @param kind what such files are called
   * @return empty if none was chosen
   */
  public static Optional<Path> choose(
      Desk desk, Window window, String title, String kind, List<String> extensions) {
    var chooser = new FileChooser();
    chooser.setTitle(title);
    chooser
        .getExtensionFilters()
        .add(new FileChooser.ExtensionFilter(kind, FilePatterns.of(extensions.stream())));
    desk.memory().folder().map(Path::toFile).ifPresent(chooser::setInitialDirectory);
    return Optional.ofNullable(chooser.showOpenDialog(window)).map(File::toPath);
  }
}
