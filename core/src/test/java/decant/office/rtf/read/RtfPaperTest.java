package decant.office.rtf.read;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Document;
import decant.model.PageSetup;
import decant.model.Section;
import decant.model.look.Colour;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.Rule;
import decant.model.look.Typesetting;
import decant.model.look.VerticalAlignment;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Paper, by hand after Rich Text Format 1.9.1, “Document” and “Section Formatting Properties”. */
class RtfPaperTest {
  private static PageSetup page(String said) {
    return RtfIn.read(said + "\\pard a\\par").sections().getFirst().page();
  }

  @Test
  void paperIsLetterWhereNothingIsSaid() {
    PageSetup p = page("");
    assertThat(p.width()).isEqualTo(612);
    assertThat(p.height()).isEqualTo(792);
    assertThat(p.margins()).isEqualTo(new PageSetup.Margins(72, 90, 72, 90, 36, 36));
  }

  @Test
  void sectionsSayWhatIsOtherThanInTheWhole() {
    Document d =
        RtfIn.read(
            "\\paperw10000\\paperh20000\\margl1000\\margr2000\\gutter200"
                + "\\sectd\\pard one\\par\\sect\\sectd\\pgwsxn20000\\pghsxn10000\\marglsxn400\\guttersxn0"
                + "\\headery300\\sbknone\\pard two\\par");
    PageSetup one = d.sections().getFirst().page();
    PageSetup two = d.sections().getLast().page();
    assertThat(one.margins().left()).isEqualTo(60); // the margin and the gutter
    assertThat(one.width()).isEqualTo(500);
    assertThat(two.margins().left()).isEqualTo(20);
    assertThat(two.margins().right()).isEqualTo(100);
    assertThat(two.margins().header()).isEqualTo(15);
    assertThat(two.width()).isEqualTo(1000);
    assertThat(d.sections().getLast().start()).isEqualTo(Section.Start.CONTINUOUS);
  }

  @Test
  void columnsAreEqualOrAsWideAsTheySay() {
    PageSetup equal = page("\\sectd\\cols3\\colsx400\\linebetcol");
    assertThat(equal.columns().count()).isEqualTo(3);
    assertThat(equal.columns().widths()).isEmpty();
    assertThat(equal.columns().gaps()).containsExactly(20.0, 20.0);
    assertThat(equal.columns().rule()).isTrue();
    PageSetup own = page("\\sectd\\cols2\\colno1\\colw3000\\colsr500\\colno2\\colw4000");
    assertThat(own.columns().widths()).containsExactly(150.0, 200.0);
    assertThat(own.columns().gaps()).containsExactly(25.0);
    PageSetup half = page("\\sectd\\cols2\\colno1\\colw3000\\colsr500");
    assertThat(half.columns().widths()).as("one of two is none").isEmpty();
  }

  @Test
  void pagesHaveLinesNumbersAndAPlaceForTheirText() {
    PageSetup p =
        page(
            "\\sectd\\pgnrestart\\pgnstarts5\\pgnlcrm\\vertalc\\pgbrdropt32"
                + "\\pgbrdrt\\brdrs\\brdrw40\\brsp240\\brdrcf1\\pgbrdrl\\brdrdb\\brdrw10");
    assertThat(p.numbers().start()).contains(5);
    assertThat(p.numbers().format()).isEqualTo(NumberFormat.LOWER_ROMAN);
    assertThat(p.alignment()).isEqualTo(VerticalAlignment.CENTRE);
    assertThat(p.borders().fromEdge()).isTrue();
    assertThat(p.borders().rules().top())
        .contains(new Rule(Rule.Kind.SINGLE, 2, new Colour(0xC00000), 12));
    assertThat(p.borders().rules().start().orElseThrow().kind()).isEqualTo(Rule.Kind.DOUBLE);
    assertThat(p.borders().rules().bottom()).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({
    "pgndec, DECIMAL",
    "pgnucrm, UPPER_ROMAN",
    "pgnucltr, UPPER_LETTER",
    "pgnlcltr, LOWER_LETTER"
  })
  void numbersOfPages(String word, NumberFormat format) {
    assertThat(page("\\sectd\\" + word).numbers().format()).isEqualTo(format);
  }

  @ParameterizedTest
  @CsvSource({
    "ftnnar, aftnnrlc, DECIMAL, LOWER_ROMAN",
    "ftnnalc, aftnnar, LOWER_LETTER, DECIMAL",
    "ftnnauc, aftnnauc, UPPER_LETTER, UPPER_LETTER",
    "ftnnruc, aftnnruc, UPPER_ROMAN, UPPER_ROMAN",
    "ftnnrlc, aftnnalc, LOWER_ROMAN, LOWER_LETTER"
  })
  void numbersOfNotes(String foot, String end, NumberFormat ofFoot, NumberFormat ofEnd) {
    Typesetting t = RtfIn.read("\\" + foot + "\\" + end + "\\pard a\\par").styles().typesetting();
    assertThat(List.of(t.footnotes(), t.endnotes())).containsExactly(ofFoot, ofEnd);
  }

  @Test
  void theWholeSaysHowItIsSet() {
    Typesetting t =
        RtfIn.read("\\deftab300\\hyphauto1\\expshrtn\\pard a\\par").styles().typesetting();
    assertThat(t.tabDistance()).isEqualTo(15);
    assertThat(t.hyphenates()).isTrue();
    assertThat(t.expandsLastLines()).isTrue();
    Typesetting none = RtfIn.read("\\hyphauto0\\pard a\\par").styles().typesetting();
    assertThat(none.tabDistance()).isEqualTo(36);
    assertThat(none.hyphenates()).isFalse();
  }

  /** Measures that no paper has do no harm. */
  @Test
  void measuresBeyondAllPaperAreNone() {
    PageSetup p = page("\\paperw1\\paperh999999\\sectd\\cols9999\\margtsxn-1440");
    assertThat(p.width()).isEqualTo(100);
    assertThat(p.height()).isEqualTo(1584);
    assertThat(p.columns().count()).isEqualTo(45);
    assertThat(p.margins().top()).isEqualTo(72);
  }
}
