package decant.blanks;

import decant.model.look.FieldRule;
import decant.words.Words;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeFormatterBuilder;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoField;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

/** Holds values against what a form asks of them. */
final class Asked {
  private static final Words WORDS = Words.of(Asked.class);

  private Asked() {}

  /** Why a value is not as it is asked for, in the person's words; empty if it is. */
  static Optional<String> problem(FieldRule rule, String name, String value) {
    String v = value.strip();
    int length = v.codePointCount(0, v.length());
    if (rule.most() > 0 && length > rule.most()) {
      return Optional.of(WORDS.count("asked.too-long", rule.most(), name));
    }
    return switch (rule.sort()) {
      case TEXT -> Optional.empty();
      case NUMBER -> number(rule, name, v);
      case DATE -> date(rule, name, v);
    };
  }

  private static Optional<String> number(FieldRule rule, String name, String v) {
    OptionalDouble n = number(v);
    if (n.isEmpty()) {
      return Optional.of(WORDS.say("asked.no-number", name, v));
    }
    if (n.getAsDouble() < rule.least()) {
      return Optional.of(WORDS.say("asked.too-small", name, plain(rule.least())));
    }
    return n.getAsDouble() > rule.greatest()
        ? Optional.of(WORDS.say("asked.too-great", name, plain(rule.greatest())))
        : Optional.empty();
  }

  private static String plain(double d) {
    return d == Math.rint(d) ? String.valueOf((long) d) : String.valueOf(d);
  }

  /** A number as people write it: a comma or a point before its decimals, thousands apart. */
  static OptionalDouble number(String written) {
    String s = written.replaceAll("[\\s\\u00A0'’]", "").replaceAll("^[€$£]|[€$£%]$", "");
    int comma = s.lastIndexOf(',');
    int point = s.lastIndexOf('.');
    String plain = comma > point ? s.replace(".", "").replace(',', '.') : s.replace(",", "");
    try {
      return plain.matches("[-+]?(\\d+\\.?\\d*|\\.\\d+)")
          ? OptionalDouble.of(Double.parseDouble(plain))
          : OptionalDouble.empty();
    } catch (NumberFormatException e) {
      return OptionalDouble.empty();
    }
  }

  private static Optional<String> date(FieldRule rule, String name, String v) {
    Optional<DateTimeFormatter> format = format(rule.picture());
    if (format.isEmpty()) {
      return Optional.empty(); // a picture that says more than a day is not judged
    }
    try {
      format.get().parse(v);
      return Optional.empty();
    } catch (DateTimeParseException e) {
      String today = format.get().format(LocalDate.now());
      return Optional.of(WORDS.say("asked.no-date", name, v, today));
    }
  }

  /** Empty for what is no picture of a day, a month or a year alone. */
  private static Optional<DateTimeFormatter> format(String picture) {
    if (!picture.matches("[dmyDMY /.,-]+")) {
      return Optional.empty();
    }
    var b = new DateTimeFormatterBuilder().parseCaseInsensitive().parseLenient();
    String p = picture.toLowerCase(Locale.ROOT);
    int k = 0;
    while (k < p.length()) {
      int end = k;
      while (end < p.length() && p.charAt(end) == p.charAt(k)) {
        end++;
      }
      int n = end - k;
      switch (p.charAt(k)) {
        case 'd' -> {
          if (n > 2) {
            b.appendPattern(n == 3 ? "EEE" : "EEEE");
          } else {
            b.appendValue(ChronoField.DAY_OF_MONTH, n, 2, java.time.format.SignStyle.NOT_NEGATIVE);
          }
        }
        case 'm' -> {
          if (n > 2) {
            b.appendPattern(n == 3 ? "MMM" : "MMMM");
          } else {
            b.appendValue(ChronoField.MONTH_OF_YEAR, n, 2, java.time.format.SignStyle.NOT_NEGATIVE);
          }
        }
        case 'y' -> {
          if (n > 2) {
            b.appendValue(ChronoField.YEAR, 4);
          } else {
            b.appendValueReduced(ChronoField.YEAR, 2, 2, 1970);
          }
        }
        default -> b.appendLiteral(p.substring(k, end));
      }
      k = end;
    }
    return Optional.of(b.toFormatter(Locale.ENGLISH));
  }
}
