package decant.desktop.shell;

import decant.words.Words;

/** The stages of one document, in order, and the places where no document is needed. */
public enum Step {
  TRAY("step.tray"),
  OUT_TRAY("step.out-tray"),
  TAKE_IN("step.take-in"),
  REVISE("step.revise"),
  PROOF("step.proof"),
  PUBLISH("step.publish");

  private static final Words WORDS = Words.of(Step.class);

  private final String label;

  Step(String label) {
    this.label = label;
  }

  /** Whether it is a stage of a document. */
  public boolean ofDocument() {
    return this != TRAY && this != OUT_TRAY;
  }

  public String label() {
    return WORDS.say(label);
  }
}
