package decant.cli;

import decant.reading.Active;

/** What is done with content that acts by itself, as it is called on the command line. */
enum ActiveChoice {
  remove(Active.REMOVE),
  keep(Active.KEEP);

  private final Active active;

  ActiveChoice(Active active) {
    this.active = active;
  }

  Active active() {
    return active;
  }
}
