package decant.desktop.shell;

import decant.words.Words;

/** The stages of one document, in order, and the places where no document is needed. */
public enum StageName {
  TRAY("stage-name.tray"),
  RUNS("stage-name.runs"),
  OUT_TRAY("stage-name.out-tray"),
  TAKE_IN("stage-name.take-in"),
  REVISE("stage-name.revise"),
  PROOF("stage-name.proof"),
  PUBLISH("stage-name.publish");

  private static final Words WORDS = Words.of(StageName.class);

  private final String label;

  StageName(String label) {
    this.label = label;
  }

  /** Whether it is a stage of a document. */
  public boolean ofDocument() {
    return this != TRAY && this != RUNS && this != OUT_TRAY;
  }

  public String label() {
    return WORDS.say(label);
  }
}
