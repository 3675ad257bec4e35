package decant.desktop.shell;

/** The stages of one document, in order, and the place where none is open. */
public enum Step {
  TRAY("Tray"),
  TAKE_IN("Take in"),
  REVISE("Revise"),
  PROOF("Proof"),
  PUBLISH("Publish");

  private final String label;

  Step(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }
}
