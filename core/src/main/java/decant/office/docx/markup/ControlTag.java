package decant.office.docx.markup;

import decant.model.look.FieldRule;
import decant.model.look.FormField;
import java.util.Locale;

/** What a content control cannot say of a place to fill in, as its tag (§17.5.2.42). */
final class ControlTag {
  private static final String ONE = "decant;one;";
  private static final String WIDTH = "decant;width;";
  private static final String ASKS = "decant;asks;";

  private ControlTag() {}

  static String of(FormField f) {
    FieldRule r = f.rule();
    if (f.kind() == FormField.Kind.ONE_OF) {
      return ONE + String.join(" ", f.options());
    }
    if (r.equals(FieldRule.NONE)) {
      return f.width() > 0 ? WIDTH + f.width() : "";
    }
    return ASKS
        + String.join(
            ";",
            Double.toString(f.width()),
            Integer.toString(r.most()),
            r.sort().name().toLowerCase(Locale.ROOT),
            Double.toString(r.least()),
            Double.toString(r.greatest()),
            r.picture());
  }

  static boolean isOneOf(String tag) {
    return tag.startsWith(ONE);
  }

  /** What one of several stands for. */
  static String stands(String tag) {
    return tag.substring(ONE.length());
  }

  static double width(String tag) {
    try {
      if (tag.startsWith(WIDTH)) {
        return Double.parseDouble(tag.substring(WIDTH.length()));
      }
      return tag.startsWith(ASKS) ? Double.parseDouble(parts(tag)[0]) : 0;
    } catch (NumberFormatException e) {
      return 0; // a tag of somebody else's
    }
  }

  static FieldRule rule(String tag) {
    String[] p = tag.startsWith(ASKS) ? parts(tag) : new String[0];
    try {
      return p.length != 6
          ? FieldRule.NONE
          : new FieldRule(
              Integer.parseInt(p[1]),
              FieldRule.Sort.valueOf(p[2].toUpperCase(Locale.ROOT)),
              p[5],
              Double.parseDouble(p[3]),
              Double.parseDouble(p[4]));
    } catch (IllegalArgumentException e) {
      return FieldRule.NONE; // as before
    }
  }

  private static String[] parts(String tag) {
    return tag.substring(ASKS.length()).split(";", 6);
  }
}
