package decant.desktop.shell;

/** Makes the stages, so that the frame need not know them. */
public interface Stages {
  Stage tray();

  Stage outTray();

  /** A stage of a document. */
  Stage of(StageName step, Work work);

  /** Registers what can be done on the stages. */
  void register(Actions actions);
}
