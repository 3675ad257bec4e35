package decant.pin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.Samples;
import decant.Tool;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.Pinned;
import decant.model.edit.Revision;
import decant.model.look.Colour;
import decant.model.look.TextTraits;
import decant.pdf.amend.PageLine;
import decant.pdf.amend.TextSpot;
import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Text put on pinned pages; what is published is held against poppler's reading and painting. */
class PageTextsTest {
  private static final Path RULES = Samples.DEMO.resolve("Berth rules.pdf");
  private static final TextSpot SPOT =
      new TextSpot(300, 700, "Liberation Sans", false, false, 12, new Colour(0x0000C0));

  private static TextSpot at(double x, double baseline) {
    return new TextSpot(
        x, baseline, SPOT.family(), SPOT.bold(), SPOT.italic(), SPOT.size(), SPOT.colour());
  }

  @TempDir private Path folder;
  private Revision revision;

  @BeforeEach
  void pinTheFirstPage() throws Exception {
    revision = PinnedSample.pages(RULES, 0);
  }

  private static Pinned first(Revision r) {
    return Pinning.pages(r.document()).get(0);
  }

  private Path published(Document d, String name) throws Exception {
    return PinnedSample.published(d, folder.resolve(name + ".pdf"));
  }

  /** Where poppler finds a word on the first page: its left, top, right and bottom, in points. */
  private static double[] word(Path pdf, String word) {
    String all = Tool.run("pdftotext", "-bbox", "-l", "1", pdf.toString(), "-").output();
    Matcher m =
        Pattern.compile(
                "xMin=\"([\\d.]+)\" yMin=\"([\\d.]+)\" xMax=\"([\\d.]+)\" yMax=\"([\\d.]+)\">"
                    + Pattern.quote(word)
                    + "<")
            .matcher(all);
    assertThat(m.find()).as(word + " in " + all).isTrue();
    return IntStream.rangeClosed(1, 4).mapToDouble(k -> Double.parseDouble(m.group(k))).toArray();
  }

  @Test
  void textStandsWhereItWasPutAndNothingElseMoves() throws Exception {
    Path before = published(revision.document(), "before");
    Revision r =
        PageTexts.put(revision, first(revision), "Zoë paid Ω12\nLandfall May", SPOT)
            .orElseThrow()
            .revision();
    Path after = published(r.document(), "after");
    double[] first = word(after, "Zoë");
    assertThat(first[0]).isCloseTo(300, within(1.0));
    assertThat(first[3] - 12 * 0.21).as("its baseline").isCloseTo(700, within(1.5));
    double[] second = word(after, "Landfall");
    assertThat(second[0]).isCloseTo(300, within(1.0));
    assertThat(second[1] - first[1]).isCloseTo(12 * TextSpot.PITCH, within(0.2));
    word(after, "Ω12");
    assertThat(Tool.run("qpdf", "--check", after.toString()).status()).isZero();
    BufferedImage was = Tool.painted(before, 1);
    BufferedImage is = Tool.painted(after, 1);
    int changed = 0;
    for (int y = 0; y < is.getHeight(); y++) {
      for (int x = 0; x < is.getWidth(); x++) {
        boolean inside = x > 298 && x < 390 && y > 686 && y < 722;
        if (was.getRGB(x, y) != is.getRGB(x, y)) {
          assertThat(inside).as(x + " " + y).isTrue();
          changed++;
        }
      }
    }
    assertThat(changed).isGreaterThan(100);
    assertThat(r.undo().document().sections()).isEqualTo(revision.document().sections());
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3})
  void textStandsUprightOnATurnedPage(int quarters) throws Exception {
    Revision all = PinnedSample.all(Samples.taken(RULES), RULES);
    Revision turned = PageOrder.turned(all, List.of(first(all)), quarters);
    Revision r =
        PageTexts.put(turned, first(turned), "Upright", at(200, 300)).orElseThrow().revision();
    double[] word = word(published(r.document(), "turned"), "Upright");
    assertThat(word[0]).isCloseTo(200, within(1.0));
    assertThat(word[2] - word[0]).as("wider than high").isGreaterThan(word[3] - word[1]);
  }

  /** What was put on a page is in its text: it flows with it, and can be changed as a line. */
  @Test
  void textIsReadWithThePage() throws Exception {
    Revision r =
        PageTexts.put(revision, first(revision), "Berth 14 is let", SPOT).orElseThrow().revision();
    Paragraph read =
        r.document().paragraphs().stream()
            .filter(p -> p.text().equals("Berth 14 is let"))
            .findFirst()
            .orElseThrow();
    assertThat(read.lookAt(1).value(TextTraits.SIZE)).isEqualTo(12.0);
    Document flowing = Pinning.release(r.document(), 0);
    assertThat(flowing.paragraph(read.id())).isPresent();
    PageLine line =
        AmendedPages.parts(first(r)).lines().stream()
            .filter(l -> l.text().equals("Berth 14 is let"))
            .findFirst()
            .orElseThrow();
    Revision changed = AmendedPages.change(r, first(r), line, "Berth 15 is free").revision();
    word(published(changed.document(), "changed"), "free");
    assertThat(changed.document().requireParagraph(read.id()).text()).isEqualTo("Berth 15 is free");
  }

  @Test
  void textLooksLikeTheLineNearest() throws Exception {
    PageLine heading =
        AmendedPages.parts(first(revision)).lines().stream()
            .max((a, b) -> Double.compare(a.box().height(), b.box().height()))
            .orElseThrow();
    double middle = heading.box().y() + heading.box().height() / 2;
    TextSpot beside = PageTexts.spot(first(revision), heading.box().right() + 5, middle + 2);
    assertThat(beside.size()).isGreaterThan(14);
    assertThat(beside.bold()).isTrue();
    TextSpot other = PageTexts.spot(first(revision), heading.box().right() + 5, middle - 2);
    assertThat(other.baseline()).as("on the line's baseline").isEqualTo(beside.baseline());
    assertThat(PageTexts.spot(first(revision), 300, 400).size()).isLessThan(13);
  }

  @Test
  void lettersThatCannotBePutThereAreRefused() throws Exception {
    for (String text : List.of("\uD80C\uDC00", "\u05E9\u05DC\u05D5\u05DD", "\u0915\u093F")) {
      assertThat(PageTexts.put(revision, first(revision), text, SPOT)).as(text).isEmpty();
    }
  }

  @Test
  void whatRunsBeyondThePageIsTold() throws Exception {
    assertThat(PageTexts.put(revision, first(revision), "short", SPOT).orElseThrow().beyond())
        .isFalse();
    assertThat(
            PageTexts.put(revision, first(revision), "long ".repeat(30), SPOT)
                .orElseThrow()
                .beyond())
        .isTrue();
    assertThat(
            PageTexts.put(revision, first(revision), "a\n".repeat(20), SPOT).orElseThrow().beyond())
        .isTrue();
  }
}
