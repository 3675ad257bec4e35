package decant.office.pending;

import java.time.DateTimeException;
import java.time.LocalDateTime;
import java.util.Optional;

/**
 * Times as DOC and RTF write them, to the minute, in one number ([MS-DOC] 2.9.69; Rich Text Format
 * 1.9.1, “Track Changes”).
 */
public final class Dttm {
  private static final int FIRST_YEAR = 1900;
  private static final int YEARS = 512;

  private Dttm() {}

  /** The time as xsd:dateTime says it; empty if the number is none. */
  public static String read(int dttm) {
    try {
      return LocalDateTime.of(
                  FIRST_YEAR + (dttm >>> 20 & 0x1FF),
                  dttm >>> 16 & 0xF,
                  dttm >>> 11 & 0x1F,
                  dttm >>> 6 & 0x1F,
                  dttm & 0x3F)
              .toString()
          + ":00";
    } catch (DateTimeException e) {
      return "";
    }
  }

  /** The number of a time that xsd:dateTime says; 0 if it is none, or too far off. */
  public static int write(String dateTime) {
    return parsed(dateTime)
        .filter(t -> t.getYear() >= FIRST_YEAR && t.getYear() < FIRST_YEAR + YEARS)
        .map(t ->
            t.getMinute()
                | t.getHour() << 6
                | t.getDayOfMonth() << 11
                | t.getMonthValue() << 16
                | t.getYear() - FIRST_YEAR << 20
                | t.getDayOfWeek().getValue() % 7 << 29)
        .orElse(0);
  }

  private static Optional<LocalDateTime> parsed(String s) {
    try {
      return s.length() < 19
          ? Optional.empty()
          : Optional.of(LocalDateTime.parse(s.substring(0, 19)));
    } catch (DateTimeException e) {
      return Optional.empty();
    }
  }
}
