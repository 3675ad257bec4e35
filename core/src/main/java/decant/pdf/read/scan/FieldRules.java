package decant.pdf.read.scan;

import decant.model.look.FieldRule;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;

/**
 * What a field asks of its value: its longest length (ISO 32000-2 §12.7.5.3), and what the scripts
 * say that forms commonly check numbers and dates by. Scripts are never run: the few calls that
 * most forms make are recognised by their names. From memory; there is no open standard of them.
 */
final class FieldRules {
  private static final Pattern NUMBER = Pattern.compile("AFNumber_(?:Format|Keystroke)\\s*\\(");
  private static final Pattern DATE =
      Pattern.compile("AFDate_(?:Format|Keystroke)Ex\\s*\\(\\s*[\"']([^\"']{1,40})[\"']");
  private static final Pattern DATE_BY_NUMBER =
      Pattern.compile("AFDate_(?:Format|Keystroke)\\s*\\(\\s*(\\d{1,2})");
  private static final Pattern RANGE =
      Pattern.compile(
          "AFRange_Validate\\s*\\(\\s*(true|false)\\s*,\\s*\"?(-?[\\d.]*)\"?\\s*,"
              + "\\s*(true|false)\\s*,\\s*\"?(-?[\\d.]*)\"?");

  /** Pictures of dates that scripts call by their number. */
  private static final List<String> PICTURES =
      List.of(
          "m/d",
          "m/d/yy",
          "mm/dd/yy",
          "mm/yy",
          "d-mmm",
          "d-mmm-yy",
          "dd-mmm-yy",
          "yy-mm-dd",
          "mmm-yy",
          "mmmm-yy",
          "mmm d, yyyy",
          "mmmm d, yyyy");

  /** Before a script is formatted, while it is typed, and when it is checked. */
  private static final List<COSName> WHEN = List.of(COSName.F, COSName.K, COSName.V);

  private FieldRules() {}

  /**
   * @param field with its own entries, those of its parents asked for by the other
   * @param most the longest length; 0 for none
   */
  static FieldRule of(COSDictionary field, int most) {
    FieldRule rule = FieldRule.NONE.withMost(most);
    COSDictionary actions = field.getCOSDictionary(COSName.AA);
    if (actions == null && field.getCOSDictionary(COSName.PARENT) instanceof COSDictionary p) {
      actions = p.getCOSDictionary(COSName.AA);
    }
    if (actions == null) {
      return rule;
    }
    for (COSName when : WHEN) {
      rule = with(rule, script(actions.getCOSDictionary(when)));
    }
    return rule;
  }

  private static FieldRule with(FieldRule rule, String script) {
    FieldRule out = rule;
    if (NUMBER.matcher(script).find()) {
      out = out.number();
    }
    Optional<String> date = group(DATE, script);
    if (date.isPresent()) {
      out = out.date(date.get());
    }
    int number = group(DATE_BY_NUMBER, script).map(Integer::parseInt).orElse(-1);
    if (number >= 0 && number < PICTURES.size()) {
      out = out.date(PICTURES.get(number));
    }
    Matcher range = RANGE.matcher(script);
    if (range.find()) {
      double from =
          range.group(1).equals("true")
              ? limit(range.group(2), Double.NEGATIVE_INFINITY)
              : Double.NEGATIVE_INFINITY;
      double to =
          range.group(3).equals("true")
              ? limit(range.group(4), Double.POSITIVE_INFINITY)
              : Double.POSITIVE_INFINITY;
      out = out.between(from, to);
    }
    return out;
  }

  private static double limit(String s, double none) {
    try {
      return Double.parseDouble(s);
    } catch (NumberFormatException e) {
      return none;
    }
  }

  private static Optional<String> group(Pattern p, String in) {
    Matcher m = p.matcher(in);
    return m.find() ? Optional.of(m.group(1)) : Optional.empty();
  }

  private static String script(COSDictionary action) {
    COSBase js = action == null ? null : action.getDictionaryObject(COSName.JS);
    return switch (js) {
      case COSString s -> s.getString();
      case COSStream s -> s.toTextString();
      case null, default -> "";
    };
  }
}
