package decant.desktop.shell;

/** Makes the stages, so that the frame need not know them. */
public interface Stages {
  Stage tray();

  Stage runs();

  Stage outTray();

  /** The pages of a file that is being taken in. */
  Stage arriving(Arriving file);

  /** A stage of a document. */
  Stage of(StageName step, Work work);

  /** Registers what can be done on the stages. */
  void register(Actions actions);
}
