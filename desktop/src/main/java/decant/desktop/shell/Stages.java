package decant.desktop.shell;

/** Makes the stages, so that the frame need not know them. */
public interface Stages {
  Stage tray();

  /** A stage of a document; {@code step} is not the tray. */
  Stage of(Step step, Work work);

  /** Registers what can be done on the stages. */
  void register(Actions actions);
}
