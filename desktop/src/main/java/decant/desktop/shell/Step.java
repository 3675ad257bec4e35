package decant.desktop.shell;

/** The stages of one document, in order, and the places where no document is needed. */
public enum Step {
  TRAY("Tray"),
  OUT_TRAY("Out-tray"),
  TAKE_IN("Take in"),
  REVISE("Revise"),
  PROOF("Proof"),
  PUBLISH("Publish");

  private final String label;

  Step(String label) {
    this.label = label;
  }

  /** Whether it is a stage of a document. */
  public boolean ofDocument() {
    return this != TRAY && this != OUT_TRAY;
  }

  public String label() {
    return label;
  }
}
