package decant.model;

import java.util.AbstractMap;
import java.util.Collections;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A stretch of the document on one kind of paper.
 *
 * @param start where it begins
 * @param running headers and footers
 * @param pinned the page that stands in the section's place; empty where its text flows
 */
public record Section(
    NodeId id,
    PageSetup page,
    Start start,
    Map<Running, Story> running,
    List<Block> blocks,
    Optional<Pinned> pinned)
    implements Container {
  /** A section whose text flows. */
  public Section(
      NodeId id, PageSetup page, Start start, Map<Running, Story> running, List<Block> blocks) {
    this(id, page, start, running, blocks, Optional.empty());
  }

  /** Where a section begins. */
  public enum Start {
    NEW_PAGE,
    /** On the page where the section before it ends. */
    CONTINUOUS,
    /** On a page of an odd number, after an empty one if need be. */
    ODD_PAGE,
    EVEN_PAGE
  }

  /** Which pages a running text is for. */
  public enum Running {
    HEADER,
    HEADER_FIRST,
    HEADER_EVEN,
    FOOTER,
    FOOTER_FIRST,
    FOOTER_EVEN;

    public boolean isHeader() {
      return ordinal() <= HEADER_EVEN.ordinal();
    }
  }

  public Section {
    running = Texts.of(running);
    blocks = BlockList.of(blocks);
  }

  @Override
  public Section withBlocks(List<Block> others) {
    return new Section(id, page, start, running, others, pinned);
  }

  /** This section on other paper. */
  public Section withPage(PageSetup other) {
    return new Section(id, other, start, running, blocks, pinned);
  }

  /** This section with a running text as it is now, wherever it stands in it. */
  Section withRunning(Story changed) {
    if (running.values().stream().noneMatch(r -> r.id().equals(changed.id()))) {
      return this;
    }
    var texts = new LinkedHashMap<>(running);
    texts.replaceAll((which, r) -> r.id().equals(changed.id()) ? changed : r);
    return withRunning(texts);
  }

  /** This section with other headers and footers. */
  public Section withRunning(Map<Running, Story> others) {
    return new Section(id, page, start, others, blocks, pinned);
  }

  /** This section with another page in its place. */
  public Section withPinned(Pinned other) {
    return new Section(id, page, start, running, blocks, Optional.of(other));
  }

  /** Whether this very page stands in its place. */
  public boolean is(Pinned other) {
    return pinned.filter(p -> p == other).isPresent();
  }

  /** This section flowing again. */
  public Section flowing() {
    return new Section(id, page, start, running, blocks);
  }

  /**
   * The running text of a page. A section that has a text for first or even pages uses it there;
   * one that has none for even pages uses the ordinary one.
   *
   * @param firstOfSection whether the page is the section's first
   * @param number the page's number, from 1
   */
  public Optional<Story> runningFor(boolean header, boolean firstOfSection, int number) {
    return Optional.ofNullable(running.get(which(header, firstOfSection, number)));
  }

  /**
   * Which running text a page has, or would have.
   *
   * @see #runningFor
   */
  public Running which(boolean header, boolean firstOfSection, int number) {
    Running first = header ? Running.HEADER_FIRST : Running.FOOTER_FIRST;
    Running even = header ? Running.HEADER_EVEN : Running.FOOTER_EVEN;
    Running usual = header ? Running.HEADER : Running.FOOTER;
    boolean hasFirst =
        running.containsKey(Running.HEADER_FIRST) || running.containsKey(Running.FOOTER_FIRST);
    if (firstOfSection && hasFirst) {
      return first;
    }
    return number % 2 == 0 && running.containsKey(even) ? even : usual;
  }

  /**
   * The headers and footers of a section: never changed, and always in the same order, so that what
   * goes through them does the same in every run of the program. Those of two sections are told
   * apart by identity where that is enough.
   */
  private static final class Texts extends AbstractMap<Running, Story> {
    private static final Texts NONE = new Texts(Map.of());

    private final Map<Running, Story> texts;

    private Texts(Map<Running, Story> texts) {
      var ordered = new EnumMap<Running, Story>(Running.class);
      ordered.putAll(texts);
      this.texts = Collections.unmodifiableMap(ordered);
    }

    /** The texts themselves if they are such already. */
    static Texts of(Map<Running, Story> texts) {
      if (texts instanceof Texts r) {
        return r;
      }
      return texts.isEmpty() ? NONE : new Texts(texts);
    }

    @Override
    public Set<Entry<Running, Story>> entrySet() {
      return texts.entrySet();
    }

    @Override
    public @Nullable Story get(@Nullable Object which) {
      return texts.get(which);
    }

    @Override
    public boolean containsKey(@Nullable Object which) {
      return texts.containsKey(which);
    }
  }
}
