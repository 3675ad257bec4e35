package decant.office.doc;

import decant.model.look.Link;
import decant.office.field.AskedFor;
import decant.office.field.FieldInstruction;
import decant.office.field.FormPlace;
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
    Optional<FormPlace> form = Optional.empty();
    boolean shows;
    boolean filled;
    boolean bare = true;

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

  /**
   * A field that ends.
   *
   * @param filled whether text stands on it, if it is to be filled in
   * @param bare whether nothing stands in its result
   * @param separated whether there is a place for a result
   */
  record Ended(
      FieldInstruction said,
      Optional<FormPlace> form,
      boolean filled,
      boolean bare,
      boolean separated) {}

  /** The field that ends; empty where none was begun. */
  Optional<Ended> end() {
    if (open.isEmpty()) {
      return Optional.empty();
    }
    Open o = open.pop();
    return Optional.of(new Ended(o.said(), o.form, o.filled, o.bare, o.shows));
  }

  /** Whether the data of a form may stand here. */
  boolean mayAsk() {
    return !open.isEmpty()
        && !open.element().shows
        && AskedFor.isKeyword(open.element().said().keyword());
  }

  /** What the field that is open asks for. */
  void asks(FormPlace form) {
    open.element().form = Optional.of(form);
  }

  /** The place to fill in that text which comes now stands on. */
  Optional<FormPlace> form() {
    return filling().flatMap(o -> o.form);
  }

  /** Text stands on the place to fill in. */
  void fills() {
    filling().ifPresent(o -> o.filled = true);
  }

  private Optional<Open> filling() {
    return open.stream().filter(o -> o.shows && o.form.isPresent()).findFirst();
  }

  /** Whether text that comes now is an instruction, which it is added to. */
  boolean takes(String text) {
    for (Open o : open) {
      o.bare &= !o.shows || text.isBlank();
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
