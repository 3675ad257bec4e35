package decant.model.edit;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Block;
import decant.model.Document;
import decant.model.Position;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiFunction;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The caret stops where UAX #29 has boundaries, and in every paragraph on its way. */
class MotionTest {
  private static Document document(String... texts) {
    return Samples.document(Stream.of(texts).map(Samples::paragraph).toArray(Block[]::new));
  }

  /** The offsets at which a caret stops between the two ends of a text, both included. */
  private static List<Integer> stops(
      Document d, Position from, BiFunction<Document, Position, Position> move) {
    var out = new ArrayList<Integer>();
    Position at = from;
    for (int k = 0; k < 100; k++) {
      out.add(at.offset());
      Position next = move.apply(d, at);
      if (next.equals(at)) {
        return out;
      }
      at = next;
    }
    throw new AssertionError("the caret never comes to an end");
  }

  /** Sequences out of GraphemeBreakTest.txt of the Unicode Character Database, from memory. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "abc|0 1 2 3",
        "e\u0301a|0 2 3", // a letter and its accent
        "\uD83C\uDDE9\uD83C\uDDEA\uD83C\uDDEB\uD83C\uDDF7|0 4 8", // two flags
        "\uD83D\uDC69\u200D\uD83D\uDC67x|0 5 6", // joined by a joiner
        "\u1100\u1161\u11A8\u1100|0 3 4", // one Hangul syllable and the beginning of another
        "\u0E01\u0E33|0 2", // Thai with SARA AM
        "\u0915\u093F\u0915|0 2 3", // Devanagari with a vowel sign
        "\u2693\uFE0Fa|0 2 3", // an anchor in colour
      })
  void charactersAreWhatAPersonTakesForOne(String text, String offsets) {
    Document d = document(text);
    List<Integer> wanted = Stream.of(offsets.split(" ")).map(Integer::valueOf).toList();
    assertThat(stops(d, Motion.documentStart(d), Motion::nextCharacter)).isEqualTo(wanted);
    assertThat(stops(d, Motion.documentEnd(d), Motion::previousCharacter))
        .isEqualTo(wanted.reversed());
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      ignoreLeadingAndTrailingWhitespace = false,
      value = {
        "Tie up here|0 4 7 11",
        "  two  blanks  |0 2 7 15",
        "can't 3.5 m|0 6 10 11", // an apostrophe and a point within (WB6, WB12)
        "a-b|0 1 2 3",
      })
  void wordsBeginWhereTheCaretStops(String text, String offsets) {
    Document d = document(text);
    List<Integer> wanted = Stream.of(offsets.split(" ")).map(Integer::valueOf).toList();
    assertThat(stops(d, Motion.documentStart(d), Motion::nextWord)).isEqualTo(wanted);
    List<Integer> back = stops(d, Motion.documentEnd(d), Motion::previousWord).reversed();
    assertThat(back).isSubsetOf(wanted).contains(0, text.length());
  }

  @Test
  void everyParagraphIsPassedOnTheWay() {
    Document d = document("ab", "", "c");
    List<Integer> there = stops(d, Motion.documentStart(d), Motion::nextCharacter);
    assertThat(there).containsExactly(0, 1, 2, 0, 0, 1);
    assertThat(stops(d, Motion.documentEnd(d), Motion::previousCharacter))
        .isEqualTo(there.reversed());
    assertThat(stops(d, Motion.documentStart(d), Motion::nextWord)).containsExactly(0, 2, 0, 0, 1);
    assertThat(stops(d, Motion.documentEnd(d), Motion::previousWord))
        .containsExactly(1, 0, 0, 2, 0);
  }

  /** Forward and back again is where one was, from every boundary. */
  @Test
  void thereAndBackIsTheSamePlace() {
    Document d = document("Berth 4: \u00E9te\u0301 \uD83D\uDEA2 ok", "Second");
    Position at = Motion.documentStart(d);
    while (!at.equals(Motion.documentEnd(d))) {
      Position next = Motion.nextCharacter(d, at);
      assertThat(Motion.previousCharacter(d, next)).isEqualTo(at);
      at = next;
    }
  }

  @Test
  void cellsAreInReadingOrder() {
    Document d =
        Samples.document(
            Samples.paragraph("x"),
            Samples.table(new String[] {"A", "B"}, new String[] {"C", "D"}),
            Samples.paragraph("y"));
    var text = new StringBuilder();
    Position at = Motion.documentStart(d);
    while (true) {
      if (at.offset() == 0) {
        text.append(d.requireParagraph(at.paragraph()).text());
      }
      Position next = Motion.nextCharacter(d, at);
      if (next.equals(at)) {
        break;
      }
      at = next;
    }
    assertThat(text).hasToString("xABCDy");
  }
}
