package decant.model.look;

import java.util.List;

/**
 * A place to fill in. The text that it stands on is what is filled in, or a line or box that shows
 * where to.
 *
 * @param id tells it from its neighbours
 * @param name as its form calls it; switches of one name exclude each other
 * @param options that can be chosen from, of a choice; what a switch stands for when it is on, of a
 *     switch
 * @param width the least room for what is filled in, in points; 0 for as much as the text takes
 * @param waiting the text that stands there while nothing is filled in; empty for a line to write
 *     on, or an empty box
 * @param rule what is asked of a value
 */
public record FormField(
    String id,
    String name,
    Kind kind,
    List<String> options,
    double width,
    String waiting,
    FieldRule rule) {
  /** What can be filled in (ISO 32000-2 §12.7.5). */
  public enum Kind {
    TEXT,
    /** Text of several lines. */
    LINES,
    /** A box that is ticked or not. */
    TICK,
    /** One of several that exclude each other. */
    ONE_OF,
    /** A choice from a list. */
    CHOICE,
    /** A choice from a list, or something else. */
    CHOICE_OR_TEXT
  }

  public FormField {
    options = List.copyOf(options);
  }

  /** A field that takes any value of its kind. */
  public FormField(
      String id, String name, Kind kind, List<String> options, double width, String waiting) {
    this(id, name, kind, options, width, waiting, FieldRule.NONE);
  }

  public FormField with(FieldRule other) {
    return new FormField(id, name, kind, options, width, waiting, other);
  }

  private static final String OFF = "\u2610\u25CB\u25A1"; // an empty box, an empty circle

  /** Whether a text on it is something filled in; of a switch, whether it is on. */
  public boolean holds(String text) {
    String t = text.strip();
    if (t.isEmpty() || !waiting.isEmpty() && waiting.contains(t)) {
      return false;
    }
    return isSwitch()
        ? !OFF.contains(t)
        : !t.chars().allMatch(c -> c == '_' || c <= ' ' || Character.isSpaceChar(c));
  }

  /** What a field waits with that shows nothing while it is empty: a line holds its place. */
  public static final String HELD_OPEN = "_";

  /** Whether the line that it waits with is no part of the page, and stands only for the field. */
  public boolean isHeldOpen() {
    return waiting.equals(HELD_OPEN);
  }

  /** What is filled in, of a text on it: without the line that it stands on. */
  public String value(String text) {
    return holds(text) ? text.replaceAll("^[_\\s]+|[_\\s]+$", "") : "";
  }

  /** The sign of a switch: a box, or a circle of those that exclude each other. */
  public static String sign(Kind kind, boolean on) {
    return kind == Kind.ONE_OF ? on ? "\u25C9" : "\u25CB" : on ? "\u2611" : "\u2610";
  }

  /** Whether it is on or off, rather than text. */
  public boolean isSwitch() {
    return kind == Kind.TICK || kind == Kind.ONE_OF;
  }

  /**
   * The most options of a choice, and characters of each, that older office formats have room for.
   */
  private static final int OPTIONS = 24;

  private static final int OPTION = 50;

  /** Whether it is a choice that older office formats have room for ([MS-DOC] 2.9.78). */
  public boolean isShortChoice() {
    return kind == Kind.CHOICE
        && options.size() <= OPTIONS
        && options.stream().allMatch(o -> o.length() <= OPTION);
  }
}
