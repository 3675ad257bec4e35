package decant.layout.label;

import static org.assertj.core.api.Assertions.assertThat;

import decant.layout.Rich;
import decant.model.Document;
import decant.model.edit.AnyEdit;
import decant.model.edit.Revision;
import decant.text.FontBook;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is taken over from the version before is what counting anew comes to. */
class SuccessionTest {
  private static final FontBook FONTS = FontBook.shipped();

  @ParameterizedTest
  @ValueSource(longs = {3, 11, 29, 41})
  void labelsTakenOverAreThoseThatCountingGives(long seed) {
    var random = new Random(seed);
    Document d = Rich.varied(seed, 30);
    Revision r = Revision.of(d);
    Flow flow = Flow.of(d, null);
    Context known = Context.of(d, flow, styles(d), FieldValues.NONE, null);
    int kept = 0;
    int other = 0;
    for (int k = 0; k < 1500; k++) {
      r = AnyEdit.of(r, random);
      Document next = r.document();
      Flow after = Flow.of(next, flow);
      var s = new Succession(d, flow, known);
      Context now = Context.of(next, after, styles(next), FieldValues.NONE, s);
      Context anew = Context.of(next, after, styles(next), FieldValues.NONE, null);
      assertThat(now.labels()).as("step " + k).isEqualTo(anew.labels());
      assertThat(now.fields().notes()).as("step " + k).isEqualTo(anew.fields().notes());
      kept += now.labels() == known.labels() && next != d ? 1 : 0;
      other += now.labels() == known.labels() ? 0 : 1;
      d = next;
      flow = after;
      known = now;
    }
    assertThat(kept).as("taken over where nothing of lists changed").isGreaterThan(100);
    assertThat(other).as("and not where something did").isGreaterThan(100);
  }

  private static Styles styles(Document d) {
    return new Styles(d.styles(), d.lists(), FONTS);
  }
}
