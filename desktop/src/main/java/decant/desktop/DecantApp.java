package decant.desktop;

import decant.desktop.shell.Desk;
import decant.desktop.shell.Frame;
import decant.io.StateFolder;
import decant.work.Log;
import java.io.File;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.application.Application;
import javafx.scene.text.Font;
import javafx.stage.Stage;

/** The desktop program. */
public final class DecantApp extends Application {
  private Optional<Desk> opened = Optional.empty();

  @Override
  public void stop() {
    opened.ifPresent(Desk::close);
  }

  @Override
  public void start(Stage stage) {
    loadFonts();
    List<String> arguments = getParameters().getRaw();
    boolean demo = arguments.contains("--demo");
    Optional<Path> home = Optional.ofNullable(System.getProperty("decant.home")).map(Path::of);
    Log.into(StateFolder.usual(demo));
    var desk = new Desk(StateFolder.usual(demo));
    opened = Optional.of(desk);
    var frame = new Frame(desk, stage, f -> new StageViews(desk, f));
    frame.open(stage);
    stage.show();
    if (demo && home.isPresent()) {
      desk.tray().showFolder(home.get().resolve("demo"));
    }
    List<File> named = arguments.stream().filter(a -> !a.startsWith("--")).map(File::new).toList();
    named.stream().filter(File::isDirectory).forEach(f -> desk.tray().showFolder(f.toPath()));
    frame.dropped(named.stream().filter(f -> !f.isDirectory()).toList());
    desk.offerRecovery();
  }

  /** Loads the interface's fonts, which ship with the program. */
  public static void loadFonts() {
    for (String file :
        List.of("OpenSans-Regular", "OpenSans-Italic", "OpenSans-Semibold", "OpenSans-Bold")) {
      load("/decant/desktop/fonts/" + file + ".ttf");
    }
    load("/decant/text/fonts/Caladea-Regular.ttf");
    load("/decant/text/fonts/Caladea-Bold.ttf");
  }

  private static void load(String resource) {
    try (InputStream in = DecantApp.class.getResourceAsStream(resource)) {
      if (in != null) {
        Font.loadFont(in, 13);
      }
    } catch (java.io.IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }
}
