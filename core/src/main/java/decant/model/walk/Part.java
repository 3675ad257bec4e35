package decant.model.walk;

import decant.model.Story;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;

/** The parts of a document that have blocks of their own; a set of them is the scope of a walk. */
public enum Part {
  /** The text of the sections. */
  FLOW,
  /** Headers and footers. */
  RUNNING,
  /** Footnotes and endnotes. */
  NOTES,
  /** The texts of shapes. */
  BOXES;

  /** The flow alone, from its beginning to its end. */
  public static final Set<Part> OF_FLOW = Collections.unmodifiableSet(EnumSet.of(FLOW));

  /** Whatever stands on a page once: all but headers and footers. */
  public static final Set<Part> ONCE = Collections.unmodifiableSet(EnumSet.of(FLOW, NOTES, BOXES));

  /** Everything. */
  public static final Set<Part> ALL = Collections.unmodifiableSet(EnumSet.allOf(Part.class));

  /** The part that a story belongs to. */
  public static Part of(Story s) {
    return switch (s.kind()) {
      case FOOTNOTE, ENDNOTE -> NOTES;
      case BOX -> BOXES;
      case RUNNING -> RUNNING;
    };
  }
}
