package decant.compare;

import decant.words.Words;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * Something that is not the same in both versions.
 *
 * @param a the side of the first; empty if nothing is there
 * @param b the side of the second
 * @param about what of it changed, where both say the same
 */
public record Difference(
    Kind kind, Change change, Optional<Side> a, Optional<Side> b, Set<About> about) {
  private static final Words WORDS = Words.of(Difference.class);

  /** What differs. */
  public enum Kind {
    TEXT,
    /** The same words in another font, size, weight, style or colour. */
    LOOK,
    HEADING,
    TABLE,
    PICTURE,
    LINK,
    NOTE,
    /** What is filled in where there is something to fill in. */
    FIELD,
    /** How many pages there are, and where they begin. */
    PAGE,
    /** What is only to be seen: lines, areas, shapes. */
    DRAWING;

    /** As JSON has it. */
    public String code() {
      return name().toLowerCase(Locale.ROOT);
    }

    /** As people are told it. */
    public String label() {
      return WORDS.say(
          switch (this) {
            case TEXT -> "difference.text";
            case LOOK -> "difference.look";
            case HEADING -> "difference.heading";
            case TABLE -> "difference.table";
            case PICTURE -> "difference.picture";
            case LINK -> "difference.link";
            case NOTE -> "difference.note";
            case FIELD -> "difference.field";
            case PAGE -> "difference.page";
            case DRAWING -> "difference.drawing";
          });
    }
  }

  /** What became of it from the first version to the second. */
  public enum Change {
    CHANGED,
    ADDED,
    REMOVED,
    MOVED;

    /** As JSON has it. */
    public String code() {
      return name().toLowerCase(Locale.ROOT);
    }

    /** As people are told it. */
    public String label() {
      return WORDS.say(
          switch (this) {
            case CHANGED -> "difference.changed";
            case ADDED -> "difference.added";
            case REMOVED -> "difference.removed";
            case MOVED -> "difference.moved";
          });
    }
  }

  /**
   * One side of a difference.
   *
   * @param page from 1; the first one for what is on many
   * @param text what stands there, in words
   */
  public record Side(int page, String text) {}

  public Difference {
    about = Set.copyOf(about);
  }

  static Difference changed(Kind kind, Side a, Side b) {
    return changed(kind, a, b, Set.of());
  }

  static Difference changed(Kind kind, Side a, Side b, Set<About> about) {
    return new Difference(kind, Change.CHANGED, Optional.of(a), Optional.of(b), about);
  }

  static Difference moved(Kind kind, Side a, Side b) {
    return new Difference(kind, Change.MOVED, Optional.of(a), Optional.of(b), Set.of());
  }

  static Difference removed(Kind kind, Side a) {
    return new Difference(kind, Change.REMOVED, Optional.of(a), Optional.empty(), Set.of());
  }

  static Difference added(Kind kind, Side b) {
    return new Difference(kind, Change.ADDED, Optional.empty(), Optional.of(b), Set.of());
  }

  /** Its kind and what became of it, with what that is about, as people are told them. */
  public String title() {
    return about.isEmpty()
        ? WORDS.say("difference.title", kind.label(), change.label())
        : WORDS.say("difference.title-about", kind.label(), change.label(), About.label(about));
  }

  /** What a difference says, wherever its pages have come to be. */
  public record Said(
      Kind kind, Change change, Optional<String> a, Optional<String> b, Set<About> about) {
    public Said {
      about = Set.copyOf(about);
    }
  }

  public Said said() {
    return new Said(kind, change, a.map(Side::text), b.map(Side::text), about);
  }

  /** Whether another one says the same, wherever its pages have come to be. */
  public boolean says(Difference o) {
    return said().equals(o.said());
  }

  /** The page that it is listed by: that of the second version, where there is one. */
  int page() {
    return b.or(() -> a).map(Side::page).orElse(1);
  }
}
