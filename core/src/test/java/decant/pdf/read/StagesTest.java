package decant.pdf.read;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Box;
import decant.model.look.Colour;
import decant.model.look.Markers;
import decant.pdf.read.beside.RunningTexts;
import decant.pdf.read.blocks.Continuations;
import decant.pdf.read.blocks.Headings;
import decant.pdf.read.detected.Detected;
import decant.pdf.read.lines.Dehyphenator;
import decant.pdf.read.lines.Lines;
import decant.pdf.read.page.Decor;
import decant.pdf.read.page.Directions;
import decant.pdf.read.page.Folding;
import decant.pdf.read.page.Glyph;
import decant.pdf.read.page.ScannedPage;
import decant.pdf.read.page.SourceFace;
import decant.pdf.read.page.TextLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The stages of reading, one by one, on glyphs made by hand. */
class StagesTest {
  private static final SourceFace PLAIN = new SourceFace("Serif", "Serif", false, false, true);
  private static final SourceFace BOLD = new SourceFace("Serif-Bold", "Serif", true, false, true);

  /** A line of text, each character half an em wide. */
  private static TextLine line(
      int page, double x, double baseline, double size, SourceFace face, String text) {
    var glyphs = new ArrayList<Glyph>();
    double at = x;
    for (int k = 0; k < text.length(); k++) {
      glyphs.add(glyph(String.valueOf(text.charAt(k)), at, baseline, size, face));
      at += size / 2;
    }
    return new TextLine(
        page, glyphs, new Box(x, baseline - size * 0.8, at - x, size), baseline, size);
  }

  private static Glyph glyph(String text, double x, double baseline, double size, SourceFace face) {
    return new Glyph(
        text,
        x,
        baseline,
        size / 2,
        size,
        new Glyph.Ink(face, Colour.BLACK, Decor.NONE),
        0,
        Glyph.Marked.NOT,
        Optional.empty());
  }

  private static String joined(TextLine... lines) {
    return joined(false, lines);
  }

  private static String joined(boolean tellsSoft, TextLine... lines) {
    return new Dehyphenator(List.of(List.of(lines)), page -> tellsSoft)
        .join(List.of(lines)).stream().map(Glyph::text).collect(Collectors.joining());
  }

  @Test
  void hyphensPutInAtLineEndsGoAndThoseOfTheWordStay() {
    TextLine harbour = line(0, 0, 100, 10, PLAIN, "the har-");
    TextLine bour = line(0, 0, 112, 10, PLAIN, "bour office");
    assertThat(joined(harbour, bour)).isEqualTo("the harbour office");
    TextLine known = line(0, 0, 80, 10, PLAIN, "a well-known and");
    assertThat(
            joined(
                known,
                line(0, 0, 90, 10, PLAIN, "also well-"),
                line(0, 0, 100, 10, PLAIN, "known rule")))
        .endsWith("also well-known rule");
    assertThat(
            joined(line(0, 0, 80, 10, PLAIN, "North-"), line(0, 0, 90, 10, PLAIN, "East pontoon")))
        .isEqualTo("North-East pontoon");
    assertThat(joined(line(0, 0, 80, 10, PLAIN, "two"), line(0, 0, 90, 10, PLAIN, "words")))
        .isEqualTo("two words");
  }

  /** ISO 32000-1 §14.8.2.2.3: a soft hyphen is one that was put in. */
  @Test
  void whereSoftHyphensAreToldOthersStay() {
    TextLine mooring = line(0, 0, 100, 10, PLAIN, "the out-");
    assertThat(joined(true, mooring, line(0, 0, 112, 10, PLAIN, "houses")))
        .isEqualTo("the out-houses");
    assertThat(
            joined(
                true,
                line(0, 0, 100, 10, PLAIN, "the har\u00AD"),
                line(0, 0, 112, 10, PLAIN, "bour")))
        .isEqualTo("the harbour");
  }

  @Test
  void glyphsThatStandApartGetASpaceAndWideGapsCutTheLine() {
    var glyphs = new ArrayList<Glyph>();
    for (String[] word : new String[][] {{"ab", "0"}, {"cd", "14"}, {"ef", "90"}}) {
      for (int k = 0; k < 2; k++) {
        glyphs.add(
            glyph(
                word[0].substring(k, k + 1), Double.parseDouble(word[1]) + 5 * k, 100, 10, PLAIN));
      }
    }
    var page = new ScannedPage(0, 200, 200, glyphs, List.of(), List.of(), List.of());
    assertThat(Lines.of(page)).extracting(TextLine::text).containsExactly("ab cd", "ef");
  }

  /**
   * Letters as logos set them: places and sizes in points as measured in a published manual, where
   * E stands lower and A higher and smaller; several of them in one line, a line above and below.
   */
  @Test
  void lettersSetInAboveAndBelowALineAreOfTheirWords() {
    var glyphs = new ArrayList<Glyph>();
    glyphs.addAll(line(0, 20, 86, 10, PLAIN, "the line before it is full").glyphs());
    double at = 20;
    for (int logo = 0; logo < 2; logo++) {
      glyphs.addAll(line(0, at, 100, 10, PLAIN, "is ").glyphs());
      at += 15;
      glyphs.add(wide("L", at, 100, 10, 6.42));
      glyphs.add(wide("A", at + 2.64, 98.17, 7, 6.05));
      glyphs.add(wide("T", at + 7.11, 100, 10, 6.44));
      glyphs.add(wide("E", at + 11.8, 102.46, 10, 6.42));
      glyphs.add(wide("X", at + 16.9, 100, 10, 7));
      at += 26;
    }
    glyphs.addAll(line(0, 20, 114, 10, PLAIN, "and").glyphs());
    // Most of the page is smaller, by which the raised letter is no small one.
    for (int k = 0; k < 12; k++) {
      glyphs.addAll(line(0, 20, 200 + 9 * k, 8, PLAIN, "a listing of code").glyphs());
    }
    var page = new ScannedPage(0, 400, 400, glyphs, List.of(), List.of(), List.of());
    assertThat(Lines.of(page))
        .extracting(TextLine::text)
        .startsWith("the line before it is full", "is LATEX is LATEX", "and", "a listing of code");
  }

  private static Glyph wide(String text, double x, double baseline, double size, double width) {
    Glyph g = glyph(text, x, baseline, size, PLAIN);
    return new Glyph(
        text, x, baseline, width, size, g.ink(), 0, Glyph.Marked.NOT, Optional.empty());
  }

  @Test
  void boldMadeByShowingTwiceCountsOnce() {
    var glyphs = new ArrayList<Glyph>();
    for (int k = 0; k < 3; k++) {
      String c = "abc".substring(k, k + 1);
      glyphs.add(glyph(c, 10 + 5 * k, 100, 10, PLAIN));
      glyphs.add(glyph(c, 10.3 + 5 * k, 100, 10, PLAIN));
    }
    var page = new ScannedPage(0, 200, 200, glyphs, List.of(), List.of(), List.of());
    assertThat(Lines.of(page)).extracting(TextLine::text).containsExactly("abc");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {"םולש|שלום", "12 םולש|שלום 12", "abc|abc", "berth םולש end|berth שלום end"})
  void visualOrderBecomesReadingOrder(String visual, String logical) {
    List<Glyph> glyphs = line(0, 0, 10, 10, PLAIN, visual).glyphs();
    assertThat(Directions.logical(glyphs).stream().map(Glyph::text).collect(Collectors.joining()))
        .isEqualTo(logical);
  }

  @ParameterizedTest
  @CsvSource({"• item,•", "1. item,1.", "(a) item,(a)", "iv) item,iv)", "– item,–"})
  void marksOfItemsAreKnown(String text, String mark) {
    assertThat(Markers.item(text)).contains(mark);
  }

  @Test
  void whatOnlyLooksLikeAMarkIsNone() {
    assertThat(Markers.item("1.5 metres")).isEmpty();
    assertThat(Markers.item("Berth 4.")).isEmpty();
    assertThat(Markers.item("a berth")).isEmpty();
    assertThat(Markers.section("2.3 Waiting list")).contains("2.3");
    assertThat(Markers.depth("2.3.1")).isEqualTo(3);
  }

  private static Detected.Text paragraph(
      int page, double y, double size, SourceFace face, double space, String text) {
    return new Detected.Text(
        Detected.Kind.PARAGRAPH,
        List.of(line(page, 72, y, size, face, text)),
        "",
        0,
        72,
        520,
        size * 1.2,
        space);
  }

  private static List<Integer> levels(List<Detected> found, Set<String> outline) {
    return Headings.decide(found, outline).stream().map(f -> ((Detected.Text) f).level()).toList();
  }

  @Test
  void headingsAreToldBySizeWeightAndNumber() {
    String body =
        "Lines must be doubled when the tide gauge stands above four metres or a gale is forecast.";
    List<Detected> found =
        List.of(
            paragraph(0, 80, 20, BOLD, 0, "Berth rules"),
            paragraph(0, 110, 14, BOLD, 10, "1 Mooring"),
            paragraph(0, 130, 10, PLAIN, 4, body),
            paragraph(0, 160, 11, BOLD, 8, "1.1 Lines"),
            paragraph(0, 180, 10, PLAIN, 4, body),
            paragraph(0, 200, 14, BOLD, 10, "2 Charges"),
            paragraph(0, 220, 10, PLAIN, 4, body),
            paragraph(0, 240, 10, BOLD, 0, "Nobody is exempt."),
            paragraph(0, 260, 10, PLAIN, 0, body));
    assertThat(levels(found, Set.of())).containsExactly(1, 2, 0, 3, 0, 2, 0, 0, 0);
  }

  /** All its characters are as wide, which makes it no program code. */
  @Test
  void headingsOfChineseTextAreToldLikeAnyOthers() {
    var blocks = new ArrayList<Detected>();
    for (int k = 0; k < 4; k++) {
      blocks.add(paragraph(0, 100 + 60 * k, 14, BOLD, 24, "第 " + (k + 1) + " 节 使用说明与其他"));
      String prose = "港口办公室保管钥匙，来访者可以停泊两晚，不需要登记。".repeat(3);
      blocks.add(paragraph(0, 120 + 60 * k, 10, PLAIN, 2, prose));
    }
    for (int k = 0; k < 30; k++) {
      String code = "berth(" + k + ").moor(vessel, tide, line, fender);";
      blocks.add(paragraph(1, 60 + 20 * k, 8, PLAIN, 0, code));
    }
    List<Detected> found = Headings.decide(blocks, Set.of());
    assertThat(found)
        .filteredOn(f -> f instanceof Detected.Text t && t.kind() == Detected.Kind.HEADING)
        .extracting(f -> ((Detected.Text) f).text().substring(0, 5))
        .containsExactly("第 1 节", "第 2 节", "第 3 节", "第 4 节");
  }

  /** A space between a number and an ideograph is a matter of setting. */
  @Test
  void theOutlineNamesHeadingsWhateverTheirSpaces() {
    assertThat(Folding.fold("第2节 使用说明")).isEqualTo(Folding.fold("第 2 节　使用说明"));
    assertThat(Folding.fold("Berth  rules, 2")).isEqualTo("berth rules 2");
  }

  /** The last heading follows close on the text before it, and nothing follows it. */
  @Test
  void aLineThatLooksAsAllHeadingsDoIsOneToo() {
    String body =
        "Lines must be doubled when the tide gauge stands above four metres or a gale is forecast.";
    var found = new java.util.ArrayList<Detected>();
    for (int k = 0; k < 4; k++) {
      found.add(paragraph(0, 80 + 60 * k, 10, BOLD, 10, "Part of the rules"));
      found.add(paragraph(0, 100 + 60 * k, 10, PLAIN, 4, body));
    }
    found.add(paragraph(0, 320, 10, BOLD, 0, "Loan of charts"));
    assertThat(levels(found, Set.of())).containsExactly(1, 0, 1, 0, 1, 0, 1, 0, 1);
    found.add(paragraph(0, 340, 10, BOLD, 0, "Loan of lines"));
    assertThat(levels(found, Set.of()))
        .as("a look that others have too is none of headings")
        .containsExactly(1, 0, 1, 0, 1, 0, 1, 0, 0, 0);
  }

  @Test
  void theFilesOwnOutlineNamesHeadingsThatDoNotStandOut() {
    List<Detected> found =
        List.of(
            paragraph(0, 80, 10, PLAIN, 0, "Plain heading"),
            paragraph(
                0,
                110,
                10,
                PLAIN,
                0,
                "A paragraph of the body that is rather longer than the heading."),
            paragraph(
                0,
                130,
                10,
                PLAIN,
                0,
                "Another one that is also longer than any heading would be."));
    assertThat(levels(found, Set.of("plain heading"))).containsExactly(1, 0, 0);
    assertThat(levels(found, Set.of())).containsExactly(0, 0, 0);
  }

  @Test
  void numbersInTablesAreNoPageNumbers() {
    var pages = new ArrayList<ScannedPage>();
    var lines = new ArrayList<List<TextLine>>();
    int[] cells = {53, 12, 90, 7};
    for (int p = 0; p < 4; p++) {
      pages.add(new ScannedPage(p, 595, 842, List.of(), List.of(), List.of(), List.of()));
      lines.add(
          List.of(
              line(p, 72, 300, 10, PLAIN, "body of page"),
              line(p, 300, 780, 10, PLAIN, String.valueOf(cells[p])),
              line(p, 300, 820, 10, PLAIN, String.valueOf(p + 11))));
    }
    RunningTexts.Result r = RunningTexts.of(pages, lines);
    assertThat(r.texts()).singleElement().satisfies(t -> assertThat(t.counter()).isPresent());
    assertThat(r.lines())
        .extracting(TextLine::text)
        .containsExactlyInAnyOrder("11", "12", "13", "14");
  }

  @Test
  void aParagraphGoesOnOnTheNextPage() {
    Detected.Text a =
        paragraph(
            0,
            780,
            10,
            PLAIN,
            0,
            "Whoever leaves a vessel unattended for more than three days must tell where the key is, to ");
    Detected.Text b = paragraph(1, 80, 10, PLAIN, 0, "the office in writing.");
    Detected.Text c = paragraph(1, 110, 10, PLAIN, 0, "Another begins here.");
    assertThat(Continuations.join(List.of(a, b, c))).hasSize(2);
  }
}
