package decant.office.field;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Inline;
import decant.model.look.Link;
import org.junit.jupiter.api.Test;

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
}
