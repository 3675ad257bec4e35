package decant.model;

/**
 * One visible property that a {@link Look} may set, with its value where nothing sets it. Traits
 * are compared by identity: the constants in {@link TextTraits}, {@link ParagraphTraits} and {@link
 * TableTraits} are all there are.
 */
public final class Trait<T> {
  private final String name;
  private final T initial;

  Trait(String name, T initial) {
    this.name = name;
    this.initial = initial;
  }

  /** A name for messages and tests. */
  public String name() {
    return name;
  }

  /** The value where no look and no style sets one. */
  public T initial() {
    return initial;
  }

  @Override
  public String toString() {
    return name;
  }
}
