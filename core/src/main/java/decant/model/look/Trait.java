package decant.model.look;

import java.util.function.BinaryOperator;

/**
 * One visible property that a {@link Look} may set, with its value where nothing sets it. Traits
 * are compared by identity: the constants in {@link TextTraits}, {@link ParagraphTraits} and {@link
 * TableTraits} are all there are.
 */
public final class Trait<T> {
  private final String name;
  private final T initial;
  private final BinaryOperator<T> cascade;

  Trait(String name, T initial) {
    this(name, initial, (own, base) -> own);
  }

  /**
   * @param cascade what holds where a look that sets one value lies over a look that sets another
   */
  Trait(String name, T initial, BinaryOperator<T> cascade) {
    this.name = name;
    this.initial = initial;
    this.cascade = cascade;
  }

  /** What holds where a look that sets {@code own} lies over one that sets {@code base}. */
  @SuppressWarnings("unchecked")
  Object over(Object own, Object base) {
    return cascade.apply((T) own, (T) base);
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
