package decant.recipe;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LanguageTest {
  private static Optional<String> of(String text) {
    return Language.of(Samples.document(Samples.paragraph(text)));
  }

  /** Article 1 of the Universal Declaration of Human Rights, as the United Nations publish it. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "en|All human beings are born free and equal in dignity and rights.",
        "de|Alle Menschen sind frei und gleich an Würde und Rechten geboren.",
        "fr|Tous les êtres humains naissent libres et égaux en dignité et en droits.",
        "es|Todos los seres humanos nacen libres e iguales en dignidad y derechos.",
        "it|Tutti gli esseri umani nascono liberi ed eguali in dignità e diritti.",
        "nl|Alle mensen worden vrij en gelijk in waardigheid en rechten geboren.",
        "pl|Wszyscy ludzie rodzą się wolni i równi pod względem swej godności i swych praw.",
        "el|Όλοι οι άνθρωποι γεννιούνται ελεύθεροι και ίσοι στην αξιοπρέπεια και τα δικαιώματα.",
        "he|כל בני האדם נולדו בני חורין ושווים בערכם ובזכויותיהם.",
        "th|มนุษย์ทั้งหลายเกิดมามีอิสระและเสมอภาคกันในเกียรติศักดิ์และสิทธิ",
      })
  void aSentenceIsEnough(String tag, String text) {
    assertThat(of(text)).contains(tag);
  }

  /** What is not said with some certainty is not said at all. */
  @Test
  void nothingIsSaidOfTooLittle() {
    assertThat(of("Berth 14")).isEmpty();
    assertThat(of("12 34 56 ".repeat(40))).isEmpty();
    assertThat(of("")).isEmpty();
  }
}
