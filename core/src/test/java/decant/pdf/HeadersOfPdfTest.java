package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import decant.Samples;
import decant.format.Intake;
import decant.layout.CaretPlace;
import decant.layout.Layout;
import decant.layout.Places;
import decant.layout.pages.Page;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Section;
import decant.model.Selection;
import decant.model.edit.Commands;
import decant.model.edit.Revision;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Test;

/** The headers of a PDF stand where its pages had them, and stay there when one writes in them. */
class HeadersOfPdfTest {
  private static final int PAGE = 2;

  private static Document rules() throws ReadProblem {
    return Intake.take(ReadRequest.of(Samples.DEMO.resolve("Berth rules.pdf"))).document();
  }

  private static Paragraph header(Document d) {
    return (Paragraph)
        Objects.requireNonNull(d.sections().getFirst().running().get(Section.Running.HEADER))
            .blocks()
            .getFirst();
  }

  /** Two texts on one height, of one paragraph with a tab between them. */
  @Test
  void everyPlaceOfAHeaderIsFoundWhereItsLetterStands() throws ReadProblem {
    Document d = rules();
    Layout l = Samples.layout(d);
    Paragraph p = header(d);
    int tab = p.text().indexOf('\t');
    assertThat(tab).isPositive();
    for (int k = 0; k <= p.length(); k++) {
      CaretPlace c = l.caret(new Position(p.id(), k), PAGE).orElseThrow();
      assertThat(c.page().number()).isEqualTo(PAGE + 1);
      assertThat(c.x() > 300).as("place " + k).isEqualTo(k > tab);
      assertThat(l.positionAt(c.page(), c.x(), c.top() + c.height() / 2))
          .contains(new Position(p.id(), k));
    }
  }

  @Test
  void aHeaderThatIsWrittenInStaysWhereItWas() throws ReadProblem {
    Document d = rules();
    Paragraph p = header(d);
    Revision r = Revision.of(d).withSelection(Selection.at(new Position(p.id(), p.length())));
    Document changed = Commands.insert(r, "!").document();
    Layout before = Samples.layout(d);
    Layout after = Samples.layout(changed);
    assertThat(after.pages()).hasSameSizeAs(before.pages());
    double was = lines(before).getFirst().baseline();
    double is = lines(after).getFirst().baseline();
    assertThat(is).isCloseTo(was, within(1.0));
    assertThat(after.caret(new Position(p.id(), 0), PAGE).orElseThrow().x())
        .isCloseTo(before.caret(new Position(p.id(), 0), PAGE).orElseThrow().x(), within(0.6));
    assertThat(baselines(after)).as("the text stays where it was").isEqualTo(baselines(before));
  }

  private static List<Double> baselines(Layout l) {
    return Places.lines(l.pages().get(PAGE)).stream().map(Places.PlacedLine::baseline).toList();
  }

  private static List<Places.PlacedLine> lines(Layout l) {
    Page page = l.pages().get(PAGE);
    return Places.lines(l.running(page));
  }
}
