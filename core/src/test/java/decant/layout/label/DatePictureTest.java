package decant.layout.label;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The date parts of ISO/IEC 29500-1 §17.16.4.1, each with the forms its table gives. */
class DatePictureTest {
  private static final LocalDate DAY = LocalDate.of(2006, 1, 6); // a Friday

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '"',
      value = {
        "d|6",
        "dd|06",
        "ddd|Fri",
        "dddd|Friday",
        "M|1",
        "MM|01",
        "MMM|Jan",
        "MMMM|January",
        "yy|06",
        "YY|06",
        "yyyy|2006",
        "dddd, MMMM dd, yyyy|Friday, January 06, 2006",
        "d/M/yy|6/1/06",
        "yyyy-MM-dd|2006-01-06",
        "d'th of' MMMM|6th of January",
        "'Today is 'd|Today is 6",
        "d. M. yyyy|6. 1. 2006",
      })
  void aPictureIsWrittenOut(String picture, String text) {
    assertThat(DatePicture.show(picture, DAY)).contains(text);
  }

  /** What is asked for is not guessed. */
  @ParameterizedTest
  @ValueSource(strings = {"", "  ", "h:mm", "d MMM HH:mm", "am/pm", "d 'never closed"})
  void whatIsNoDateIsNotShown(String picture) {
    assertThat(DatePicture.show(picture, DAY)).isEmpty();
  }

  @Test
  void twoDigitsAreTwo() {
    assertThat(DatePicture.show("dd MM yy", LocalDate.of(2031, 12, 24))).contains("24 12 31");
    assertThat(DatePicture.show("d M yy", LocalDate.of(2000, 10, 10))).contains("10 10 00");
  }
}
