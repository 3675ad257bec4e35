package decant.desktop;

import decant.desktop.runs.RunsView;
import decant.desktop.shell.Frame;
import java.nio.file.Path;

/** Does on the Runs screen what a person does with dialogs of the system. */
final class Runs {
  private Runs() {}

  static RunsView view(Frame frame) {
    return frame.current().map(s -> (RunsView) s).orElseThrow();
  }

  static void choose(Frame frame, Path source, Path destination) {
    view(frame).choose(source, destination);
  }

  static void saveLog(Frame frame, Path file) {
    view(frame).saveLog(file);
  }
}
