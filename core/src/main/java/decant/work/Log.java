package decant.work;

import decant.io.StateFolder;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.logging.FileHandler;
import java.util.logging.Handler;
import java.util.logging.Level;
import java.util.logging.LogManager;
import java.util.logging.LogRecord;
import java.util.logging.Logger;
import java.util.logging.SimpleFormatter;
import org.jspecify.annotations.Nullable;

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
    OURS.setLevel(Level.INFO);
    OURS.addHandler(new Later(state));
  }

  /** Opens the files when there is something to be told: mostly there is not. */
  private static final class Later extends Handler {
    private final Path state;
    private @Nullable Handler files;
    private boolean tried;

    private Later(Path state) {
      this.state = state;
      setLevel(Level.INFO);
    }

    private synchronized Optional<Handler> files() {
      if (!tried) {
        tried = true;
        try {
          Path folder = StateFolder.make(state.resolve("log"));
          var handler =
              new FileHandler(folder.resolve("decant.%u.%g.log").toString(), BYTES, FILES, true);
          handler.setFormatter(new SimpleFormatter());
          files = handler;
        } catch (IOException | SecurityException e) {
          files = null; // there is no log then
        }
      }
      return Optional.ofNullable(files);
    }

    @Override
    public void publish(LogRecord r) {
      if (isLoggable(r)) {
        files().ifPresent(h -> h.publish(r));
      }
    }

    @Override
    public synchronized void flush() {
      if (files != null) {
        files.flush();
      }
    }

    @Override
    public synchronized void close() {
      if (files != null) {
        files.close();
        files = null;
      }
    }
  }
}
