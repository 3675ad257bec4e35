package decant.recipe;

/** Which pages of a PDF go out as they were. */
public enum PagesKept {
  /** Those that are pinned: their text would not look as they did, or a person chose so. */
  AUTO,
  /** All of them, without a new layout. */
  ALL,
  /** None; what is pinned flows. */
  NONE
}
