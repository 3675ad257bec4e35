package decant.model;

/**
 * What is selected: from where the selection began to where the caret is. A caret alone has both in
 * one place.
 */
public record Selection(Position anchor, Position caret) {
  public static Selection at(Position position) {
    return new Selection(position, position);
  }

  public boolean isCaret() {
    return anchor.equals(caret);
  }
}
