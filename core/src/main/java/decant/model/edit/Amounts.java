package decant.model.edit;

import java.math.BigDecimal;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Amounts as they are written in tables: with a point or a comma before the decimals, and points,
 * commas, spaces or apostrophes between the thousands.
 */
final class Amounts {
  private static final Pattern AMOUNT =
      Pattern.compile("[-+−]?\\d[\\d.,'’\\u00A0\\u202F\\u2009 ]*\\d|[-+−]?\\d");

  private static final Pattern THOUSANDS =
      Pattern.compile("\\d([.,'’\\u00A0\\u202F\\u2009 ])\\d{3}(?!\\d)");

  private Amounts() {}

  /**
   * How amounts are written.
   *
   * @param decimal the sign before the decimals
   * @param group the sign between thousands; empty for none
   * @param places how many decimals there are
   */
  private record Writing(char decimal, String group, int places) {}

  /** Amounts before texts, each by their size; texts as in a dictionary without regard to case. */
  static Comparator<String> order() {
    return (a, b) -> {
      Optional<BigDecimal> x = value(a);
      Optional<BigDecimal> y = value(b);
      if (x.isPresent() && y.isPresent()) {
        return x.get().compareTo(y.get());
      }
      return x.isPresent() != y.isPresent() ? x.isPresent() ? -1 : 1 : a.compareToIgnoreCase(b);
    };
  }

  /** The sum of all texts that are amounts, written as the first of them; empty if none is. */
  static Optional<String> sum(List<String> texts) {
    char decimal = decimalOf(texts);
    BigDecimal sum = BigDecimal.ZERO;
    boolean any = false;
    int places = 0;
    String group = "";
    for (String t : texts) {
      Optional<String> amount = amount(t);
      if (amount.isEmpty()) {
        continue;
      }
      any = true;
      BigDecimal v = parsed(amount.get(), decimal);
      places = Math.max(places, v.scale());
      sum = sum.add(v);
      Matcher m = THOUSANDS.matcher(amount.get());
      if (m.find() && m.group(1).charAt(0) != decimal) {
        group = m.group(1);
      }
    }
    return any ? Optional.of(written(sum, new Writing(decimal, group, places))) : Optional.empty();
  }

  private static String written(BigDecimal v, Writing w) {
    String plain = v.abs().setScale(w.places(), java.math.RoundingMode.HALF_UP).toPlainString();
    int point = plain.indexOf('.');
    String whole = point < 0 ? plain : plain.substring(0, point);
    var b = new StringBuilder(v.signum() < 0 ? "−" : "");
    for (int k = 0; k < whole.length(); k++) {
      if (k > 0 && (whole.length() - k) % 3 == 0) {
        b.append(w.group());
      }
      b.append(whole.charAt(k));
    }
    return point < 0
        ? b.toString()
        : b.append(w.decimal()).append(plain, point + 1, plain.length()).toString();
  }

  /** The one amount in a text, which may have a unit beside it. */
  private static Optional<String> amount(String text) {
    Matcher m = AMOUNT.matcher(text);
    if (!m.find()) {
      return Optional.empty();
    }
    String found = m.group();
    return m.find() || letters(text) > MOST_LETTERS ? Optional.empty() : Optional.of(found);
  }

  /** A unit or a currency has no more; a text with a number in it has. */
  private static final int MOST_LETTERS = 4;

  private static long letters(String text) {
    return text.codePoints().filter(Character::isLetter).count();
  }

  private static Optional<BigDecimal> value(String text) {
    return amount(text).map(a -> parsed(a, decimalOf(List.of(text))));
  }

  /**
   * The sign before the decimals: the last of two kinds in one amount, or one with other than three
   * digits after it.
   */
  private static char decimalOf(List<String> texts) {
    for (String t : texts) {
      String a = amount(t).orElse("");
      int point = a.lastIndexOf('.');
      int comma = a.lastIndexOf(',');
      if (point >= 0 && comma >= 0) {
        return point > comma ? '.' : ',';
      }
      int last = Math.max(point, comma);
      if (last >= 0 && a.length() - last - 1 != 3 && a.indexOf(a.charAt(last)) == last) {
        return a.charAt(last);
      }
    }
    // One sign with three digits after it parts thousands, so the other one is for decimals.
    return texts.stream().anyMatch(t -> amount(t).orElse("").contains(".")) ? ',' : '.';
  }

  private static BigDecimal parsed(String amount, char decimal) {
    var b = new StringBuilder();
    for (char c : amount.toCharArray()) {
      if (Character.isDigit(c)) {
        b.append((char) ('0' + Character.digit(c, 10)));
      } else if (c == decimal) {
        b.append('.');
      } else if (c == '-' || c == '−') {
        b.append('-');
      }
    }
    String s = b.toString();
    return new BigDecimal(s.indexOf('.') == s.lastIndexOf('.') ? s : s.replace(".", ""));
  }
}
