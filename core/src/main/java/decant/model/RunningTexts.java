package decant.model;

import java.util.AbstractMap;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * The headers and footers of a section: never changed, and always in the same order, so that what
 * goes through them does the same in every run of the program. Those of two sections are told apart
 * by identity where that is enough.
 */
final class RunningTexts extends AbstractMap<Section.Running, Story> {
  private static final RunningTexts NONE = new RunningTexts(Map.of());

  private final Map<Section.Running, Story> texts;

  private RunningTexts(Map<Section.Running, Story> texts) {
    var ordered = new EnumMap<Section.Running, Story>(Section.Running.class);
    ordered.putAll(texts);
    this.texts = Collections.unmodifiableMap(ordered);
  }

  /** The texts themselves if they are such already. */
  static RunningTexts of(Map<Section.Running, Story> texts) {
    if (texts instanceof RunningTexts r) {
      return r;
    }
    return texts.isEmpty() ? NONE : new RunningTexts(texts);
  }

  @Override
  public Set<Entry<Section.Running, Story>> entrySet() {
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
