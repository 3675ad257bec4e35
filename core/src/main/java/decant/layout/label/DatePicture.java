package decant.layout.label;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Optional;

/** Dates written by a picture (ISO/IEC 29500-1 §17.16.4.1), of which the date parts are known. */
final class DatePicture {
  private DatePicture() {}

  /**
   * A date by a picture such as {@code d MMMM yyyy}.
   *
   * @return empty if the picture is empty or asks for anything but a date
   */
  static Optional<String> show(String picture, LocalDate date) {
    if (picture.isBlank()) {
      return Optional.empty();
    }
    var out = new StringBuilder();
    int k = 0;
    while (k < picture.length()) {
      char c = picture.charAt(k);
      int end = k;
      while (end < picture.length() && picture.charAt(end) == c) {
        end++;
      }
      int n = end - k;
      switch (c) {
        case 'd', 'D' ->
            out.append(date.format(of(n <= 2 ? "d".repeat(n) : n == 3 ? "E" : "EEEE")));
        case 'M' -> out.append(date.format(of("M".repeat(Math.min(4, n)))));
        case 'y', 'Y' -> out.append(date.format(of(n <= 2 ? "uu" : "uuuu")));
        case '\'' -> {
          int close = picture.indexOf('\'', k + 1);
          if (close < 0) {
            return Optional.empty();
          }
          out.append(picture, k + 1, close);
          end = close + 1;
        }
        default -> {
          if (Character.isLetter(c)) {
            return Optional.empty(); // hours and minutes
          }
          out.append(picture, k, end);
        }
      }
      k = end;
    }
    return Optional.of(out.toString());
  }

  private static DateTimeFormatter of(String pattern) {
    return DateTimeFormatter.ofPattern(pattern, Locale.ENGLISH);
  }
}
