package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Intake;
import decant.model.finding.Finding;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.graphics.blend.BlendMode;
import org.apache.pdfbox.pdmodel.graphics.state.PDExtendedGraphicsState;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Letters under a bar that was to black them out (ISO 32000-2 §8.1, §11.3). */
class PaintedOverTest {
  private static final PDType1Font FONT = new PDType1Font(FontName.HELVETICA);

  @TempDir Path folder;

  /** What is painted besides the words. */
  private enum Painted {
    OVER_THEM,
    IN_WHITE,
    BELOW_THEM,
    ELSEWHERE,
    SHINING_THROUGH,
    MULTIPLIED,
    ROUND,
    CLIPPED_AWAY,
    A_LINE
  }

  private List<String> told(Painted how) throws IOException, ReadProblem {
    Path file = folder.resolve("page.pdf");
    try (var pdf = new PDDocument()) {
      var page = new PDPage(PDRectangle.A4);
      pdf.addPage(page);
      try (var c = new PDPageContentStream(pdf, page)) {
        if (how == Painted.BELOW_THEM) {
          bar(c, how);
        }
        words(c, 700, "The harbour office.");
        words(c, 600, "Berth 14, 30");
        if (how != Painted.BELOW_THEM) {
          bar(c, how);
        }
      }
      pdf.save(file.toFile());
    }
    return Intake.take(ReadRequest.of(file)).findings().stream()
        .filter(f -> f.kind() == Finding.Kind.CONTENT_KEPT_UNSHOWN)
        .map(Finding::message)
        .toList();
  }

  private static void words(PDPageContentStream c, float y, String words) throws IOException {
    c.beginText();
    c.setFont(FONT, 12);
    c.newLineAtOffset(72, y);
    c.showText(words);
    c.endText();
  }

  private static void bar(PDPageContentStream c, Painted how) throws IOException {
    var state = new PDExtendedGraphicsState();
    if (how == Painted.SHINING_THROUGH) {
      state.setNonStrokingAlphaConstant(0.4f);
    } else if (how == Painted.MULTIPLIED) {
      state.setBlendMode(BlendMode.MULTIPLY);
    }
    c.setGraphicsStateParameters(state);
    c.setNonStrokingColor(how == Painted.IN_WHITE ? 1f : 0.2f);
    switch (how) {
      case ELSEWHERE -> c.addRect(72, 400, 200, 20);
      case A_LINE -> c.addRect(72, 603, 200, 1);
      case CLIPPED_AWAY -> {
        c.addRect(72, 400, 200, 20);
        c.clip();
        c.addRect(60, 590, 220, 30);
      }
      case ROUND -> {
        c.moveTo(60, 590);
        c.curveTo(60, 640, 280, 640, 280, 590);
        c.closePath();
      }
      default -> c.addRect(60, 590, 220, 30);
    }
    c.fill();
  }

  @ParameterizedTest
  @EnumSource(
      value = Painted.class,
      names = {"OVER_THEM", "IN_WHITE"})
  void lettersThatNobodySeesAreTold(Painted how) throws IOException, ReadProblem {
    assertThat(told(how))
        .containsExactly(
            "9 letters on page 1 are painted over. Nobody sees them, but they can be copied, here"
                + " and from what is published.");
  }

  @ParameterizedTest
  @EnumSource(
      value = Painted.class,
      mode = EnumSource.Mode.EXCLUDE,
      names = {"OVER_THEM", "IN_WHITE"})
  void lettersThatShowAreNot(Painted how) throws IOException, ReadProblem {
    assertThat(told(how)).isEmpty();
  }

  @Test
  void theDemoHidesNothing() throws Exception {
    for (String name : List.of("Berth rules.pdf")) {
      assertThat(Intake.take(ReadRequest.of(Samples.DEMO.resolve(name))).findings())
          .noneMatch(f -> f.message().contains("painted over"));
    }
  }
}
