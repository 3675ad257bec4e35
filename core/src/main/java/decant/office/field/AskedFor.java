package decant.office.field;

import decant.model.look.FieldRule;
import decant.model.look.FormField;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * What a form field of older office documents asks for (ISO/IEC 29500-1 §17.16.17, [MS-DOC] 2.9.78
 * FFData, Rich Text Format 1.9.1 “Form Fields”): the three formats say the same of it.
 *
 * @param name empty if it has none
 * @param most characters of a text; 0 for any number
 * @param written how a number or a date is written, as the formats say it
 * @param options of a choice, in their order
 * @param at which option is chosen, from 0; 1 for a box that is ticked, else 0
 */
public record AskedFor(
    Kind kind, Text text, String name, int most, String written, List<String> options, int at) {
  /** What is filled in. */
  public enum Kind {
    TEXT,
    TICK,
    CHOICE;

    /** The keyword of its field (§17.16.5.20 to .22). */
    public String keyword() {
      return switch (this) {
        case TEXT -> "FORMTEXT";
        case TICK -> "FORMCHECKBOX";
        case CHOICE -> "FORMDROPDOWN";
      };
    }
  }

  /** What a text is, in the order of the numbers that DOC and RTF give them. */
  public enum Text {
    ANY,
    NUMBER,
    DATE,
    TODAY,
    NOW,
    WORKED_OUT
  }

  /** What older programs show in a text that nothing is filled in: spaces half an em wide. */
  public static final String NOTHING = "\u2002".repeat(5);

  /** Characters of a date as forms here write it. */
  private static final String DATE_SIGNS = "dmy./- ";

  public AskedFor {
    options = List.copyOf(options);
  }

  /** What is asked for where only a keyword says it; text for any other. */
  public static AskedFor by(String keyword) {
    Kind kind =
        switch (keyword) {
          case "FORMCHECKBOX" -> Kind.TICK;
          case "FORMDROPDOWN" -> Kind.CHOICE;
          default -> Kind.TEXT;
        };
    return new AskedFor(kind, Text.ANY, "", 0, "", List.of(), 0);
  }

  /** Whether a keyword is that of a form field. */
  public static boolean isKeyword(String keyword) {
    for (Kind k : Kind.values()) {
      if (k.keyword().equals(keyword)) {
        return true;
      }
    }
    return false;
  }

  /** Whether people fill it in, rather than the program. */
  public boolean isForPeople() {
    return text.compareTo(Text.DATE) <= 0;
  }

  /**
   * The place to fill in.
   *
   * @param id tells it from its neighbours
   * @param otherwise what it is called where it has no name
   */
  public FormField field(String id, String otherwise) {
    FormField.Kind as =
        switch (kind) {
          case TEXT -> FormField.Kind.TEXT;
          case TICK -> FormField.Kind.TICK;
          case CHOICE -> FormField.Kind.CHOICE;
        };
    String waiting = kind == Kind.TEXT ? NOTHING : "";
    return new FormField(id, name.isBlank() ? otherwise : name, as, options, 0, waiting)
        .with(rule());
  }

  private FieldRule rule() {
    FieldRule any = kind == Kind.TEXT ? FieldRule.NONE.withMost(most) : FieldRule.NONE;
    String date = written.toLowerCase(Locale.ROOT);
    boolean readable = !date.isBlank() && date.chars().allMatch(c -> DATE_SIGNS.indexOf(c) >= 0);
    return switch (text) {
      case NUMBER -> any.number();
      case DATE -> readable ? any.date(date) : any;
      default -> any;
    };
  }

  /** What shows of it where there is no text on it: a box, or what is chosen; empty for text. */
  public String shown() {
    return switch (kind) {
      case TICK -> FormField.sign(FormField.Kind.TICK, at == 1);
      case CHOICE ->
          options.isEmpty() ? NOTHING : options.get(at >= 0 && at < options.size() ? at : 0);
      case TEXT -> "";
    };
  }

  /** A place to fill in, with a text on it, as older programs ask for it. */
  public static AskedFor of(FormField f, String on) {
    return switch (f.kind()) {
      case TEXT, LINES, CHOICE_OR_TEXT -> text(f);
      case TICK, ONE_OF ->
          new AskedFor(Kind.TICK, Text.ANY, f.name(), 0, "", List.of(), f.holds(on) ? 1 : 0);
      case CHOICE -> f.isShortChoice() ? choice(f, on.strip()) : text(f);
    };
  }

  private static AskedFor text(FormField f) {
    FieldRule r = f.rule();
    Text text =
        switch (r.sort()) {
          case TEXT -> Text.ANY;
          case NUMBER -> Text.NUMBER;
          case DATE -> Text.DATE;
        };
    // In these formats m are minutes, and M are months.
    String written = r.picture().replace('m', 'M');
    return new AskedFor(Kind.TEXT, text, f.name(), r.most(), written, List.of(), 0);
  }

  /** One option is always chosen: what shows is the first if it is no other. */
  private static AskedFor choice(FormField f, String shown) {
    var options = new ArrayList<>(f.options());
    int at = options.indexOf(shown);
    if (at < 0) {
      options.addFirst(shown.isEmpty() ? NOTHING : shown);
      at = 0;
    }
    return new AskedFor(Kind.CHOICE, Text.ANY, f.name(), 0, "", options, at);
  }
}
