package decant.office.rtf.read;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.LinePitch;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.TextTraits;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Letters and lines, by hand after Rich Text Format 1.9.1, where one word alone does not tell. */
class RtfLettersTest {
  private static Look letters(Document d, String words) {
    for (Paragraph p : d.paragraphs()) {
      for (Inline i : p.inlines()) {
        if (i instanceof Inline.Text t && t.text().contains(words)) {
          return d.styles().textLook(d.styles().textBase(p.look()), t.look());
        }
      }
    }
    throw new AssertionError(words);
  }

  private static Look lines(String said) {
    Document d = RtfIn.read("\\pard" + said + " a\\par");
    return d.styles().paragraphLook(d.paragraphs().getFirst().look());
  }

  /** Scripts that run from right to left have looks of their own, in force after their word. */
  @Test
  void scriptsOfTheirOwnLookAsTheySay() {
    Document d =
        RtfIn.read(
            "\\pard{\\rtlch\\fcs1\\ab\\afs40\\ltrch\\fcs0\\fs20 left}"
                + "{\\ltrch\\fcs0\\fs20\\rtlch\\fcs1\\ab\\afs40\\i right}\\par");
    assertThat(letters(d, "left").value(TextTraits.SIZE)).isEqualTo(10);
    assertThat(letters(d, "left").value(TextTraits.BOLD)).isFalse();
    assertThat(letters(d, "right").value(TextTraits.SIZE)).isEqualTo(20);
    assertThat(letters(d, "right").value(TextTraits.BOLD)).isTrue();
    assertThat(letters(d, "right").value(TextTraits.ITALIC)).isTrue();
  }

  @Test
  void wordsEndWithTheirGroupOrByNothing() {
    Document d =
        RtfIn.read("\\pard\\b bold {\\b0 plain} again\\ulwave  waves\\ul0  end\\plain  bare\\par");
    assertThat(letters(d, "plain").value(TextTraits.BOLD)).isFalse();
    assertThat(letters(d, "again").value(TextTraits.BOLD)).isTrue();
    assertThat(letters(d, "waves").value(TextTraits.UNDERLINE_KIND))
        .isEqualTo(TextTraits.UnderlineKind.WAVE);
    assertThat(letters(d, "end").value(TextTraits.UNDERLINE)).isFalse();
    assertThat(letters(d, "bare").value(TextTraits.BOLD)).isFalse();
  }

  /** Hidden text is kept as such; text that a pending change takes out is kept unshown. */
  @Test
  void hiddenTextStaysAndDeletedTextGoes() {
    RtfWhole.Whole w = RtfIn.whole("\\pard a{\\v secret}{\\deleted gone}\\par");
    assertThat(RtfIn.texts(w.document())).containsExactly("asecret\uFFFC");
    assertThat(letters(w.document(), "secret").value(TextTraits.HIDDEN)).isTrue();
    assertThat(w.told().changed()).isTrue();
    assertThat(RtfIn.whole("\\pard a{\\revised new}\\par").told().changed()).isTrue();
    assertThat(RtfIn.whole("\\pard a{\\deleted0 there}\\par").told().changed()).isFalse();
  }

  @Test
  void fontsAreCalledAsTheyAreWhateverPartIsMeant() {
    Document d =
        RtfIn.withFonts(
            "{\\f0\\fcharset238 Arial CE{\\*\\falt Arial};}{\\f1\\fcharset0 Gothic CE;}",
            "\\pard\\f0 one\\f1  two\\par");
    assertThat(letters(d, "one").value(TextTraits.FAMILY)).isEqualTo("Arial");
    assertThat(letters(d, "two").value(TextTraits.FAMILY)).isEqualTo("Gothic CE");
  }

  @ParameterizedTest
  @CsvSource({
    "\\sl360\\slmult1, 'Multiple[factor=1.5]'",
    "\\sl-360\\slmult0, 'Exactly[points=18.0]'",
    "\\sl360, 'AtLeast[points=18.0]'",
    "\\sl240\\slmult1, 'Multiple[factor=1.0]'",
    "\\sl360\\sl0, 'Multiple[factor=1.0]'"
  })
  void linesStandApart(String said, String pitch) {
    LinePitch is = lines(said).value(ParagraphTraits.LINE_PITCH);
    assertThat(is.toString()).isEqualTo(pitch);
  }

  /** Left and right are those of the page; where text runs to the left they change places. */
  @ParameterizedTest
  @CsvSource({
    "\\ql\\li200, START, 10, 0",
    "\\qr\\ri200, END, 0, 10",
    "\\rtlpar\\qr\\ri200, START, 10, 0",
    "\\rtlpar\\ql\\li200, END, 0, 10",
    "\\qr\\ri200\\rtlpar, START, 10, 0",
    "\\rtlpar\\li100\\ri200\\lin200\\rin100, START, 10, 5",
    "\\rtlpar\\ltrpar\\qc, CENTRE, 0, 0"
  })
  void sidesAreThoseOfThePage(String said, Alignment alignment, double start, double end) {
    Look look = lines(said);
    assertThat(look.value(ParagraphTraits.ALIGNMENT)).isEqualTo(alignment);
    assertThat(look.value(ParagraphTraits.INDENT_START)).isEqualTo(start);
    assertThat(look.value(ParagraphTraits.INDENT_END)).isEqualTo(end);
  }

  /** What is said of single lines holds for the whole, unless a paragraph says otherwise. */
  @Test
  void singleLinesFollowTheWhole() {
    Document d =
        RtfIn.read("\\widowctrl\\pard a\\par\\pard\\nowidctlpar b\\par\\pard\\widctlpar c\\par");
    assertThat(
            d.paragraphs().stream()
                .map(p -> d.styles().paragraphLook(p.look()).value(ParagraphTraits.WIDOW_CONTROL)))
        .containsExactly(true, false, true);
    assertThat(lines("").value(ParagraphTraits.WIDOW_CONTROL)).isFalse();
  }
}
