package decant.convert;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Formats;
import decant.format.Intake;
import decant.io.AtomicFile;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Metadata;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import decant.reading.ReadRequest;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ChangesTest {
  @TempDir Path folder;

  private static Changes replacing(String... pairs) {
    var all = new java.util.ArrayList<Changes.Replacement>();
    for (int k = 0; k < pairs.length; k += 2) {
      all.add(new Changes.Replacement(pairs[k], pairs[k + 1]));
    }
    return new Changes(all, Metadata.NONE);
  }

  @Test
  void theNewTextHasTheLookOfTheOld() throws Exception {
    Look bold = Look.of(TextTraits.BOLD, true);
    Document d =
        Samples.document(
            Samples.runs("Ask the ", Look.PLAIN, "Harbour Board", bold, " first.", Look.PLAIN));
    Changes.Changed c = replacing("Harbour Board", "Port Office").in(d);
    assertThat(c.replaced()).isEqualTo(1);
    assertThat(c.left()).isZero();
    var p = c.document().paragraphs().getFirst();
    assertThat(p.text()).isEqualTo("Ask the Port Office first.");
    assertThat(p.inlines())
        .filteredOn(i -> i instanceof Inline.Text t && t.text().equals("Port Office"))
        .singleElement()
        .satisfies(i -> assertThat(((Inline.Text) i).look()).isEqualTo(bold));
  }

  @Test
  void replacementsFollowOneAnotherAndCapitalsDiffer() throws Exception {
    Document d = Samples.document(Samples.paragraph("old Old old"));
    Changes.Changed c = replacing("old", "new", "new", "newer").in(d);
    assertThat(c.document().paragraphs().getFirst().text()).isEqualTo("newer Old newer");
    assertThat(c.replaced()).isEqualTo(4);
    assertThat(replacing("nowhere", "x").in(d).document()).isSameAs(d);
  }

  /** In everything that is read: a document with a header, a footnote and a text box. */
  @Test
  void headersNotesAndBoxesAreChangedToo() throws Exception {
    Path rtf = folder.resolve("all.rtf");
    // RTF 1.9.1: a header, a footnote, and a shape with text.
    Files.writeString(
        rtf,
        "{\\rtf1\\ansi{\\header Saltmarsh\\par}Saltmarsh{\\footnote Saltmarsh note} and Saltmarsh"
            + "{\\shp{\\*\\shpinst\\shpleft0\\shptop0\\shpright3000\\shpbottom900"
            + "{\\sp{\\sn shapeType}{\\sv 202}}{\\shptxt Saltmarsh box\\par}}}\\par}");
    Document d = Intake.take(ReadRequest.of(rtf)).document();
    String word = "Saltmarsh";
    long before = count(d, word);
    assertThat(before).isEqualTo(5);
    Changes.Changed c = replacing(word, "Greywater").in(d);
    assertThat(c.replaced()).isEqualTo((int) before);
    assertThat(count(c.document(), word)).isZero();
    assertThat(count(c.document(), "Greywater")).isEqualTo(before);
    // Written and read again it says the same.
    Path file = folder.resolve("n.docx");
    AtomicFile.write(
        file, false, out -> Formats.writer(Formats.working()).write(c.document(), out));
    assertThat(count(Intake.take(ReadRequest.of(file)).document(), word)).isZero();
  }

  private static long count(Document d, String word) {
    return Walk.paragraphs(d, EnumSet.allOf(Part.class)).stream()
        .distinct()
        .mapToLong(p -> p.text().split(java.util.regex.Pattern.quote(word), -1).length - 1)
        .sum();
  }

  @Test
  void particularsThatAreSetTakeTheirPlaceAndOthersStay() throws Exception {
    Document d =
        Samples.document(Samples.paragraph("x"))
            .withMetadata(new Metadata("Title", "", "Old author", "k", "en"));
    Document c =
        new Changes(List.of(), new Metadata("", "", "Harbour office", "", "de")).in(d).document();
    assertThat(c.metadata()).isEqualTo(new Metadata("Title", "", "Harbour office", "k", "de"));
  }
}
