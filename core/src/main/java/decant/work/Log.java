package decant.work;

import decant.io.StateFolder;
import java.io.IOException;
import java.nio.file.Path;
import java.util.logging.FileHandler;
import java.util.logging.Level;
import java.util.logging.LogManager;
import java.util.logging.Logger;
import java.util.logging.SimpleFormatter;

/**
 * What happened, for those who mend the program: a few files in the state folder, of a limited
 * size. Libraries that tell of every oddity in a file are silent in it.
 */
public final class Log {
  private static final int BYTES = 1_000_000;
  private static final int FILES = 3;
  private static final Logger OURS = Logger.getLogger("decant");

  private Log() {}

  /** Lets nothing be told on the screen. */
  public static void quiet() {
    LogManager.getLogManager().reset();
    Logger.getLogger("").setLevel(Level.OFF);
  }

  /** Keeps the log in a state folder. Where that cannot be written there is none. */
  public static void into(Path state) {
    quiet();
    try {
      Path folder = StateFolder.make(state.resolve("log"));
      var handler =
          new FileHandler(folder.resolve("decant.%u.%g.log").toString(), BYTES, FILES, true);
      handler.setFormatter(new SimpleFormatter());
      handler.setLevel(Level.INFO);
      OURS.setLevel(Level.INFO);
      OURS.addHandler(handler);
    } catch (IOException | SecurityException e) {
      OURS.setLevel(Level.OFF);
    }
  }
}
