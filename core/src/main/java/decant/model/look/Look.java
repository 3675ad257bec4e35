package decant.model.look;

import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The visible formatting of a run, a paragraph, a row or a cell: the traits it sets, and nothing
 * about those it leaves to the style below it. Sparse, immutable and comparable, so that looks can
 * be picked up, laid down and cascaded.
 */
public final class Look {
  /** The look that sets nothing. */
  public static final Look PLAIN = new Look(new IdentityHashMap<>());

  private final IdentityHashMap<Trait<?>, Object> traits;
  private final int hash;

  private Look(IdentityHashMap<Trait<?>, Object> traits) {
    this.traits = traits;
    int h = 0;
    for (Map.Entry<Trait<?>, Object> e : traits.entrySet()) {
      h += e.getKey().name().hashCode() * 31 ^ e.getValue().hashCode();
    }
    this.hash = h;
  }

  /** A look that sets one trait. */
  public static <T> Look of(Trait<T> trait, T value) {
    return PLAIN.with(trait, value);
  }

  /** What this look sets for the trait, if anything. */
  @SuppressWarnings("unchecked")
  public <T> Optional<T> get(Trait<T> trait) {
    return Optional.ofNullable((T) traits.get(trait));
  }

  /** What this look sets for the trait, or the trait's initial value. */
  @SuppressWarnings("unchecked")
  public <T> T value(Trait<T> trait) {
    Object value = traits.get(trait);
    return value == null ? trait.initial() : (T) value;
  }

  /** Whether this look sets the trait. */
  public boolean sets(Trait<?> trait) {
    return traits.containsKey(trait);
  }

  /** Whether this look sets no trait at all. */
  public boolean isPlain() {
    return traits.isEmpty();
  }

  /** This look with the trait set. */
  public <T> Look with(Trait<T> trait, T value) {
    if (value.equals(traits.get(trait))) {
      return this;
    }
    var copy = new IdentityHashMap<>(traits);
    copy.put(trait, value);
    return new Look(copy);
  }

  /** This look with the trait left to the style below. */
  public Look without(Trait<?> trait) {
    if (!sets(trait)) {
      return this;
    }
    var copy = new IdentityHashMap<>(traits);
    copy.remove(trait);
    return copy.isEmpty() ? PLAIN : new Look(copy);
  }

  /** The cascade of two looks: this one's traits where it sets them, else the base's. */
  public Look over(Look base) {
    if (isPlain() || this == base) {
      return base;
    }
    if (base.isPlain()) {
      return this;
    }
    var copy = new IdentityHashMap<>(base.traits);
    for (Map.Entry<Trait<?>, Object> e : traits.entrySet()) {
      Object below = copy.get(e.getKey());
      copy.put(e.getKey(), below == null ? e.getValue() : e.getKey().over(e.getValue(), below));
    }
    return new Look(copy);
  }

  /** What of these traits, of a look that says everything, differs from what holds below it. */
  public Look differing(Look below, List<Trait<?>> of) {
    Look out = PLAIN;
    for (Trait<?> t : of) {
      out = differing(out, below, t);
    }
    return out;
  }

  private <T> Look differing(Look out, Look below, Trait<T> t) {
    return value(t).equals(below.value(t)) ? out : out.with(t, value(t));
  }

  @Override
  public boolean equals(Object o) {
    // IdentityHashMap.equals compares values by identity too, so compare them here.
    if (!(o instanceof Look other) || hash != other.hash || traits.size() != other.traits.size()) {
      return false;
    }
    for (Map.Entry<Trait<?>, Object> e : traits.entrySet()) {
      if (!e.getValue().equals(other.traits.get(e.getKey()))) {
        return false;
      }
    }
    return true;
  }

  @Override
  public int hashCode() {
    return hash;
  }

  @Override
  public String toString() {
    var b = new StringBuilder("Look{");
    traits.entrySet().stream()
        .sorted((x, y) -> x.getKey().name().compareTo(y.getKey().name()))
        .forEach(e -> b.append(e.getKey()).append('=').append(e.getValue()).append(' '));
    return b.toString().trim() + "}";
  }
}
