package decant.compare.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.Samples;
import decant.Tool;
import decant.compare.Comparison;
import decant.compare.Difference;
import decant.compare.EditionReader;
import decant.compare.Ticks;
import decant.io.WriteProblem;
import decant.layout.Layout;
import decant.model.Document;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Proof sheets, held against PDFBox's text and painting, and qpdf. */
class ProofSheetTest {
  @TempDir private Path folder;

  private static Layout pages(String... texts) {
    return Samples.layout(
        Samples.document(
            java.util.Arrays.stream(texts)
                .map(Samples::paragraph)
                .toArray(decant.model.Block[]::new)));
  }

  private static List<Difference> between(Layout a, Layout b) {
    return Comparison.of(EditionReader.of(a.document(), a), EditionReader.of(b.document(), b));
  }

  private Path sheet(Layout a, Layout b, Ticks ticks) throws Exception {
    try (SheetSide was = SheetSide.of("old.docx", a, () -> false);
        SheetSide is = SheetSide.of("new.docx", b, () -> false)) {
      var entries = new ArrayList<ProofSheet.Entry>();
      for (Difference d : between(a, b)) {
        entries.add(new ProofSheet.Entry(d, ticks.has(d), Optional.of(true)));
      }
      Document sheet = ProofSheet.of(was, is, entries);
      Path file = folder.resolve("sheet.pdf");
      SheetFile.write(sheet, file, true, () -> false);
      return file;
    }
  }

  private static String text(Path file) throws Exception {
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      return new PDFTextStripper().getText(pdf).replaceAll("\\s+", " ");
    }
  }

  @Test
  void whatDiffersIsListedBelowBothPages() throws Exception {
    Layout a = pages("The berth is free.", "Come at noon.");
    Layout b = pages("The berth is taken.", "Come at noon.");
    Path file = sheet(a, b, Ticks.NONE);
    String text = text(file);
    assertThat(text)
        .contains("Proof sheet: old.docx and new.docx")
        .contains("One difference, 0 of them ticked")
        .contains("old.docx, page 1")
        .contains("new.docx, page 1")
        .contains("1 text changed free. taken. not ticked, made in Revise")
        .contains("Signature");
    // The pages stand there with their text.
    assertThat(text).contains("The berth is free.").contains("The berth is taken.");
    Tool.Answer qpdf = Tool.run("qpdf", "--check", file.toString());
    assertThat(qpdf.status()).as(qpdf.output()).isZero();
    Ticks ticked = Ticks.NONE.with(between(a, b), true);
    assertThat(text(sheet(a, b, ticked))).contains("1 of them ticked").contains(" ticked, made");
  }

  @Test
  void whatDiffersIsFramedWhereItStands() throws Exception {
    Layout a = pages("The berth is free.");
    Layout b = pages("The berth is taken.");
    assertThat(framed(sheet(a, b, Ticks.NONE))).isPositive();
    assertThat(framed(sheet(a, a, Ticks.NONE))).isZero();
  }

  /** Pixels in the colour of the frames. */
  private static int framed(Path file) throws Exception {
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      BufferedImage p = new PDFRenderer(pdf).renderImageWithDPI(0, 144);
      int n = 0;
      for (int y = 0; y < p.getHeight(); y++) {
        for (int x = 0; x < p.getWidth(); x++) {
          n += (p.getRGB(x, y) & 0xFFFFFF) == 0x7B1E3A ? 1 : 0;
        }
      }
      return n;
    }
  }

  @Test
  void whereNothingDiffersThatIsSaidAndCanBeSigned() throws Exception {
    Layout a = pages("The berth is free.");
    assertThat(text(sheet(a, a, Ticks.NONE))).contains("Nothing differs.").contains("Signature");
  }

  @Test
  void pagesThatAreAlikeAreLeftOut() throws Exception {
    String[] was = new String[120];
    java.util.Arrays.fill(was, "The harbour office keeps the berth plan and the register.");
    for (int k = 0; k < was.length; k++) {
      was[k] = was[k] + " Entry " + k + ".";
    }
    String[] is = was.clone();
    is[110] = is[110].replace("berth", "mooring");
    Path file = sheet(pages(was), pages(is), Ticks.NONE);
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      assertThat(pdf.getNumberOfPages()).isOne();
    }
    assertThat(text(file)).contains("Entry 110").doesNotContain("Entry 1.");
  }

  @Test
  void whatIsThereIsNotReplacedUnasked() throws Exception {
    Path there = Files.writeString(folder.resolve("there.pdf"), "mine");
    Layout a = pages("The berth is free.");
    try (SheetSide was = SheetSide.of("a", a, () -> false);
        SheetSide is = SheetSide.of("b", a, () -> false)) {
      Document sheet = ProofSheet.of(was, is, List.of());
      assertThatThrownBy(() -> SheetFile.write(sheet, there, false, () -> false))
          .isInstanceOf(WriteProblem.class);
    }
    assertThat(there).hasContent("mine");
  }

  @Test
  void ticksAreKnownByWhatDiffersAndNotByPages() {
    List<Difference> one = between(pages("The berth is free."), pages("The berth is taken."));
    Ticks ticks = Ticks.NONE.with(one, true);
    assertThat(ticks.lacking(one)).isZero();
    String filler = "The harbour office keeps the berth plan. ".repeat(120);
    List<Difference> moved =
        between(
            pages(filler, filler, "The berth is free."),
            pages(filler, filler, "The berth is taken."));
    assertThat(ticks.lacking(moved)).isZero();
    List<Difference> other = between(pages("The berth is free."), pages("The berth is let."));
    assertThat(ticks.lacking(other)).isOne();
    assertThat(ticks.with(one, false).lacking(one)).isOne();
  }
}
