package decant.pdf.read.document;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.label.ListLabels;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Items are labelled as their source has them, whatever it counts by. */
class FoundListsTest {
  private static int depth(String mark) {
    return mark.length() - mark.stripLeading().length();
  }

  /** A mark, after as many blanks as it is deep. */
  private static List<String> labels(String... marks) {
    var lists = new FoundLists();
    var items = new ArrayList<Paragraph>();
    for (String m : marks) {
      var member = new ListMembership(lists.idFor(m.strip(), depth(m)), depth(m));
      items.add(Paragraph.of(Look.of(ParagraphTraits.LIST, member), "Berth"));
    }
    Document d = Samples.document(items.toArray(new Paragraph[0])).withLists(lists.definitions());
    Map<NodeId, String> all = ListLabels.of(d);
    return items.stream().map(p -> all.getOrDefault(p.id(), "")).toList();
  }

  private static void kept(String... marks) {
    assertThat(labels(marks))
        .containsExactlyElementsOf(List.of(marks).stream().map(String::strip).toList());
  }

  private static long lists(String... marks) {
    var lists = new FoundLists();
    for (String m : marks) {
      lists.idFor(m.strip(), depth(m));
    }
    return lists.definitions().size();
  }

  @Test
  void oneListIsOneList() {
    kept("1.", "2.", "3.", " (a)", " (b)", "4.", " (a)");
    assertThat(lists("1.", "2.", "3.", " (a)", " (b)", "4.", " (a)")).isEqualTo(1);
    kept("•", " –", " –", "•", "  ◦", "•");
    assertThat(lists("•", " –", " –", "•", "•")).isEqualTo(1);
  }

  @Test
  void bulletsAndNumbersStayAsTheyWere() {
    kept("»", " ›", "*", " *", "»", "†", "a)", "b)");
    kept("(i)", "(ii)", "(iii)", "(iv)", "(v)");
    kept("1)", " i.", " ii.", "2)", " i.");
    kept("A.", "B.", " (1)", " (2)", "C.");
    kept("[1]", "[2]", "[10]");
    kept("01.", "02.", "09.", "10.");
  }

  @Test
  void countingBeginsAnewAndGoesOnWhereTheSourceDoes() {
    kept("1.", "2.", "1.", "2.", "5.", "6.", "3.");
    kept("g)", "h)", "i)", "j)");
    kept("1.", " (a)", " (b)", " (a)", "2.", " (a)");
    kept("1.1", "1.2", "2.1", "2.2", " 2.2.1", " 2.2.2", "2.3");
    kept(" (c)", " (d)", "1.");
  }

  @Test
  void anyMarksStayAsTheyWere() {
    String[] some = {"•", "–", "1.", "2.", "3.", "(a)", "(b)", "(i)", "(ii)", "x)", "7)", "A"};
    for (int seed = 0; seed < 200; seed++) {
      var random = new Random(seed);
      var marks = new String[20];
      for (int k = 0; k < marks.length; k++) {
        marks[k] = " ".repeat(random.nextInt(3)) + some[random.nextInt(some.length)];
      }
      kept(marks);
    }
  }
}
