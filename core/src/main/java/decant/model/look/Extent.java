package decant.model.look;

/** How wide something wants to be. */
public sealed interface Extent {
  /** As wide as its content asks. */
  Extent AUTO = new Auto();

  /** As wide as its content asks. */
  record Auto() implements Extent {}

  /** So many points. */
  record Points(double points) implements Extent {}

  /** A share of the room there is, 1 for all of it. */
  record Share(double share) implements Extent {}
}
