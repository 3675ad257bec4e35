package decant.desktop;

import javafx.application.Application;

/** The entry point; apart from the application class so that JavaFX can be on the class path. */
public final class Launcher {
  private Launcher() {}

  public static void main(String[] args) {
    java.util.logging.LogManager.getLogManager()
        .reset(); // what matters to a person is in the findings
    Application.launch(DecantApp.class, args);
    System.exit(0); // background work must not keep the program alive
  }
}
