package decant.pdf.kept;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Box;
import decant.model.NodeId;
import decant.pdf.content.ContentReader;
import decant.pdf.content.Instruction;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.junit.jupiter.api.Test;

/** Marks put into a page's content, held against the rules of ISO 32000-2 §14.6. */
class KeptTagsTest {
  private static final NodeId HEADING = NodeId.fresh();
  private static final NodeId TEXT = NodeId.fresh();

  /** A heading at the top of the page, text below it; 842 points high. */
  private static final Map<NodeId, Box> PLACES =
      Map.of(HEADING, new Box(90, 80, 300, 20), TEXT, new Box(90, 110, 300, 60));

  private static KeptTags.Tagged tagged(String content) throws IOException {
    try (var pdf = new PDDocument()) {
      var page = new PDPage(PDRectangle.A4);
      pdf.addPage(page);
      var resources = new PDResources();
      resources.put(COSName.getPDFName("F"), new PDType1Font(FontName.HELVETICA));
      page.setResources(resources);
      var stream = new PDStream(pdf);
      try (var out = stream.createOutputStream()) {
        out.write(content.getBytes(StandardCharsets.ISO_8859_1));
      }
      page.setContents(stream);
      return KeptTags.of(page, PLACES).orElseThrow();
    }
  }

  /** The operators of a content, in their order; marks balanced, none across BT or ET. */
  private static List<String> operators(byte[] content, boolean marks) {
    var out = new ArrayList<String>();
    var open = new ArrayList<Boolean>(); // whether each mark was opened within text
    boolean text = false;
    for (Instruction i : ContentReader.all(content)) {
      switch (i) {
        case Instruction.TextStart t -> text = true;
        case Instruction.TextEnd t -> text = false;
        case Instruction.MarkStart m -> open.add(text);
        case Instruction.MarkEnd m -> {
          assertThat(open).as("a mark ends that began").isNotEmpty();
          assertThat(open.removeLast()).as("within text or outside of it").isEqualTo(text);
        }
        default -> {}
      }
      boolean mark = i instanceof Instruction.MarkStart || i instanceof Instruction.MarkEnd;
      if (marks || !mark) {
        out.add(i.raw().operator());
      }
    }
    assertThat(open).isEmpty();
    return out;
  }

  private static void onlyMarksAdded(String was, KeptTags.Tagged is) {
    assertThat(operators(is.content(), false))
        .isEqualTo(operators(was.getBytes(StandardCharsets.ISO_8859_1), false));
  }

  private static final String TWO =
      "BT /F 16 Tf 90 748 Td (Mooring) Tj 0 -40 Td /F 10 Tf (The quay) Tj ( is let.) Tj ET\n";

  @Test
  void eachStretchOfTextBelongsToItsBlock() throws IOException {
    KeptTags.Tagged t = tagged(TWO + "q 90 600 100 1 re f Q");
    assertThat(t.owners()).containsExactly(HEADING, TEXT);
    onlyMarksAdded(TWO + "q 90 600 100 1 re f Q", t);
    String s = new String(t.content(), StandardCharsets.ISO_8859_1);
    assertThat(s).contains("/MCID 0", "/MCID 1", "/Artifact BMC 90 600 100 1 re f EMC");
    assertThat(s.indexOf("/MCID 1")).isBetween(s.indexOf("(Mooring)"), s.indexOf("(The quay)"));
  }

  @Test
  void marksOfAStructureThatStaysBehindGo() throws IOException {
    String was =
        "/P <</MCID 7>> BDC " + TWO + "EMC /Artifact BMC BT /F 9 Tf 90 30 Td (4) Tj ET EMC";
    KeptTags.Tagged t = tagged(was);
    onlyMarksAdded(was, t);
    assertThat(new String(t.content(), StandardCharsets.ISO_8859_1))
        .doesNotContain("/MCID 7")
        .contains("/Artifact BMC (4) Tj EMC");
    assertThat(t.owners()).containsExactly(HEADING, TEXT);
  }

  @Test
  void layersAndTextsThatStandForLettersStay() throws IOException {
    String was =
        "/OC /L BDC BT /F 10 Tf 90 708 Td (Berth ) Tj"
            + " /Span <</MCID 3 /ActualText (twelve)>> BDC (1) Tj (2) Tj EMC ( is free) Tj ET EMC";
    KeptTags.Tagged t = tagged(was);
    onlyMarksAdded(was, t);
    String s = new String(t.content(), StandardCharsets.ISO_8859_1);
    assertThat(s).contains("/OC /L BDC", "/ActualText (twelve)").doesNotContain("/MCID 3");
    assertThat(t.owners()).containsOnly(TEXT);
  }

  @Test
  void contentThatIsUnbalancedStaysReadable() throws IOException {
    for (String was : List.of("EMC " + TWO, "/P BMC " + TWO, TWO + "Q Q", "BT /F 9 Tf (x) Tj")) {
      KeptTags.Tagged t = tagged(was);
      var painting = new ArrayList<String>();
      for (Instruction i : ContentReader.all(t.content())) {
        if (!(i instanceof Instruction.MarkStart) && !(i instanceof Instruction.MarkEnd)) {
          painting.add(i.raw().operator());
        }
      }
      var before = new ArrayList<String>();
      for (Instruction i : ContentReader.all(was.getBytes(StandardCharsets.ISO_8859_1))) {
        if (!(i instanceof Instruction.MarkStart) && !(i instanceof Instruction.MarkEnd)) {
          before.add(i.raw().operator());
        }
      }
      assertThat(painting).isEqualTo(before);
    }
  }
}
