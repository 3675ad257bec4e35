package decant.office.shape;

/** What a file says of a shape, by the numbers that [MS-ODRAW] 2.3 gives to options. */
public interface ShapeOptions {
  /** The value of an option. */
  int number(int option, int otherwise);

  /** One of the flags of an option that has sixteen of them. */
  boolean flag(int option, int bit, boolean otherwise);

  /** The text of an option; empty if it has none. */
  String text(int option);
}
