package decant.office.doc;

import decant.model.look.Link;
import decant.office.field.FieldInstruction;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;

/**
 * Fields ([MS-DOC] 2.8.25), whose marks stand in the text: what they ask for, then what they show.
 * One may go on over several paragraphs, and hold others.
 */
final class DocFields {
  static final char BEGIN = 0x13;
  static final char SEPARATOR = 0x14;
  static final char END = 0x15;

  private static final class Open {
    final StringBuilder instruction = new StringBuilder();
    boolean shows;

    FieldInstruction said() {
      return new FieldInstruction(instruction.toString());
    }
  }

  private final Deque<Open> open = new ArrayDeque<>();

  void begin() {
    open.push(new Open());
  }

  void separate() {
    if (!open.isEmpty()) {
      open.element().shows = true;
    }
  }

  /** The field that ends: its instruction; empty where none was begun. */
  Optional<FieldInstruction> end() {
    return open.isEmpty() ? Optional.empty() : Optional.of(open.pop().said());
  }

  /** Whether text that comes now is an instruction, which it is added to. */
  boolean takes(String text) {
    for (Open o : open) {
      if (!o.shows) {
        o.instruction.append(text);
        return true;
      }
    }
    return false;
  }

  /** Where text that comes now leads. */
  Optional<Link> link() {
    for (Open o : open) {
      Optional<Link> l = o.shows ? o.said().link() : Optional.empty();
      if (l.isPresent()) {
        return l;
      }
    }
    return Optional.empty();
  }

  /** Whether what is shown now is worked out anew. */
  boolean isValue() {
    return open.stream().anyMatch(o -> o.shows && o.said().kind().isPresent());
  }
}
