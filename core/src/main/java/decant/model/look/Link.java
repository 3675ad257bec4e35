package decant.model.look;

/** Where a piece of text leads. */
public sealed interface Link {
  /** An address outside the document (RFC 3986). */
  record External(String uri) implements Link {}

  /** A bookmark in this document. */
  record Internal(String bookmark) implements Link {}

  /**
   * The address or bookmark as the interface and the command line show it; a bookmark after a
   * {@code #}.
   */
  default String target() {
    return switch (this) {
      case External e -> e.uri();
      case Internal i -> "#" + i.bookmark();
    };
  }
}
