package decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.Layout;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.finding.Finding;
import decant.model.look.Link;
import decant.model.look.TextTraits;
import decant.reading.ActiveContent;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionGoTo;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionJavaScript;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionLaunch;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What of a PDF acts (ISO 32000-1 §12.6.4) is not carried on, and told with its place. */
class ActivePdfTest {
  @TempDir Path folder;

  private static PDActionURI uri(String to) {
    var a = new PDActionURI();
    a.setURI(to);
    return a;
  }

  private static List<Finding> told(TakenIn t) {
    return t.findings().stream().filter(f -> f.kind() == Finding.Kind.ACTIVE_CONTENT).toList();
  }

  private static List<Link> links(Document d) {
    return d.paragraphs().stream()
        .flatMap(p -> p.inlines().stream())
        .flatMap(i -> i.look().get(TextTraits.LINK).stream())
        .distinct()
        .toList();
  }

  @Test
  void linksThatAct() throws IOException, ReadProblem {
    TakenIn t =
        new DrawnPdf()
            .text(72, 100, "calculator")
            .acting(72, 90, 60, 14, uri("file:///c:/calc.exe"))
            .text(72, 200, "program")
            .acting(72, 190, 60, 14, new PDActionLaunch())
            .text(72, 300, "script")
            .acting(72, 290, 60, 14, new PDActionJavaScript("app.alert(1)"))
            .text(72, 400, "website")
            .acting(72, 390, 60, 14, uri("https://quay.example/"))
            .takenIn(folder);
    assertThat(told(t)).hasSize(3);
    assertThat(told(t)).allMatch(f -> f.source().isPresent() || f.node().isPresent());
    assertThat(told(t)).anyMatch(f -> f.message().contains("file:///c:/calc.exe"));
    assertThat(links(t.document()))
        .as("what was taken in")
        .contains(new Link.External("file:///c:/calc.exe"));
    assertThat(links(ActiveContent.without(t.document())))
        .containsExactly(new Link.External("https://quay.example/"));
    assertThat(t.document().paragraphs())
        .extracting(Paragraph::text)
        .anyMatch(x -> x.contains("calculator"))
        .anyMatch(x -> x.contains("script"));
  }

  @Test
  void scriptsThatRunWhenAFileIsOpened() throws IOException, ReadProblem {
    TakenIn t =
        new DrawnPdf()
            .text(72, 100, "Keep the quay clear.")
            .opening(new PDActionJavaScript("app.alert('hello')"))
            .takenIn(folder);
    assertThat(told(t)).hasSize(1);
    Layout l = Samples.layout(t.document());
    assertThat(new String(Samples.pdf(l, Samples.choices(l)), StandardCharsets.ISO_8859_1))
        .doesNotContain("JavaScript", "app.alert");
  }

  @Test
  void aFileThatOpensAtAPlaceDoesNotAct() throws IOException, ReadProblem {
    TakenIn t =
        new DrawnPdf()
            .text(72, 100, "Keep the quay clear.")
            .opening(new PDActionGoTo())
            .takenIn(folder);
    assertThat(told(t)).isEmpty();
  }
}
