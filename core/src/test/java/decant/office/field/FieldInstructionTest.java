package decant.office.field;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Inline;
import decant.model.look.Link;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Instructions as the examples of ISO/IEC 29500-1 §17.16.5 have them. */
class FieldInstructionTest {
  private static FieldInstruction told(String text) {
    return new FieldInstruction(text);
  }

  @Test
  void whatIsComputed() {
    assertThat(told(" PAGE ").kind()).contains(Inline.Field.Kind.PAGE);
    assertThat(told("numpages \\* Arabic").kind()).contains(Inline.Field.Kind.PAGES);
    assertThat(told("PAGEREF tides \\h").kind()).contains(Inline.Field.Kind.PAGE_OF);
    assertThat(told("PAGEREF tides \\h").argument()).isEqualTo("tides");
    assertThat(told("PAGEREF \"high tides\"").argument()).isEqualTo("high tides");
    assertThat(told("QUOTE \"PAGE\"").kind()).isEmpty();
    assertThat(told("").kind()).isEmpty();
    assertThat(told("  ").argument()).isEmpty();
  }

  @Test
  void whereLinksLead() {
    assertThat(told(" HYPERLINK \"https://quay.example/a b\" \\o \"Tides\" ").link())
        .contains(new Link.External("https://quay.example/a b"));
    assertThat(told("HYPERLINK https://quay.example").link())
        .contains(new Link.External("https://quay.example"));
    assertThat(told("HYPERLINK \\l \"high tides\"").link())
        .contains(new Link.Internal("high tides"));
    assertThat(told("HYPERLINK \"https://quay.example\" \\l \"tides\"").link())
        .contains(new Link.External("https://quay.example#tides"));
    assertThat(told("HYPERLINK").link()).isEmpty();
    assertThat(told("PAGEREF \\l tides").link()).isEmpty();
  }

  /** §17.16.4.1: how a date is written; §17.16.5.45: the bookmark that is referred to. */
  @Test
  void whatFieldsAreAbout() {
    assertThat(told("DATE \\@ \"d MMMM yyyy\" \\* MERGEFORMAT").target()).isEqualTo("d MMMM yyyy");
    assertThat(told("DATE \\@ yyyy").target()).isEqualTo("yyyy");
    assertThat(told("DATE").target()).isEmpty();
    assertThat(told("PAGEREF tides \\h").target()).isEqualTo("tides");
    assertThat(told("PAGE").target()).isEmpty();
  }

  /**
   * Equations are those of §17.16.5.17's table of switches, and how words are read in East Asia.
   */
  @ParameterizedTest
  @CsvSource(
      delimiter = '@',
      quoteCharacter = '`',
      value = {
        "EQ \\f(2,RateChange) @ 2/RateChange",
        "EQ \\f(a + b;2) @ (a + b)/2",
        "EQ \\r(3,x) @ √[3](x)",
        "EQ \\r(x + 1) @ √(x + 1)",
        "EQ \\s\\up8(UB) A @ ^UB A",
        "EQ x\\s\\do8(2) @ x_2",
        "EQ \\i\\su(1,5,3) @ ∑_1^5 3",
        "EQ \\i(a,b,3x + 1) @ ∫_a^b 3x + 1",
        "EQ \\b\\bc\\{(\\r(5,XYZ)) @ {√[5](XYZ)}",
        "EQ \\a\\al\\co2\\vs3\\hs3(Axy,Bxy,A,B) @ Axy; Bxy; A; B",
        "EQ \\l(A,B,C,D) @ A, B, C, D",
        "EQ \\x\\to\\bo(5) @ 5",
        "EQ a\\,b\\(c\\) @ a,b(c)",
        "EQ \\* jc2 \\* \"Font:MS Mincho\" \\* hps10 \\o\\ad(\\s\\up 9(とう),東) @ 東(とう)",
        "EQ \\f(\\f(1,2),3) @ (1/2)/3",
        "MACROBUTTON NoMacro [Click and type] @ [Click and type]",
        "GOTOBUTTON \"the place\" Go there @ Go there",
        "SYMBOL 252 \\f \"Wingdings\" \\s 12 @ ✔",
        "SYMBOL 97 \\f Symbol @ α",
        "SYMBOL 0x20AC \\u @ €",
        "SYMBOL 128 @ €",
      })
  void whatAFieldDrawsItself(String told, String shown) {
    assertThat(told(told).alone()).contains(shown);
    assertThat(told(told).isOwed()).isFalse();
  }

  @ParameterizedTest
  @ValueSource(strings = {"EQ", "EQ \\f", "SYMBOL", "SYMBOL x", "MACROBUTTON No"})
  void whatSaysNothingShowsNothing(String told) {
    assertThat(told(told).alone()).isEmpty();
  }

  @Test
  void endlessEquationsEnd() {
    assertThat(told("EQ " + "\\f(".repeat(10_000) + "x").alone()).isNotNull();
  }

  @Test
  void whatIsOwedIsWhatWouldShow() {
    assertThat(told("DOCPROPERTY Berth").isOwed()).isTrue();
    assertThat(told("AUTONUM").isOwed()).isTrue();
    for (String silent : List.of("XE \"berth\"", "TC a", "SET a b", "PAGE", "", "HYPERLINK x")) {
      assertThat(told(silent).isOwed()).as(silent).isFalse();
    }
  }
}
