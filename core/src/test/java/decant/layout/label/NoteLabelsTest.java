package decant.layout.label;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Formats;
import decant.layout.Layout;
import decant.layout.Rich;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What notes are called. */
class NoteLabelsTest {
  @TempDir Path folder;

  private final List<NodeId> notes = new ArrayList<>();

  /** A document with as many notes as labels. */
  private Document noted(String... labels) {
    var rich = new Rich();
    var paragraphs = new ArrayList<Paragraph>();
    for (int k = 0; k < labels.length; k++) {
      Inline.NoteMark mark = rich.note(Story.Kind.FOOTNOTE, "Note " + k);
      notes.add(mark.note());
      paragraphs.add(Rich.of(Rich.text("Berth " + k), mark, Rich.text(" is let.")));
    }
    Document d =
        rich.section(
                PageSetup.A4, Section.Start.NEW_PAGE, paragraphs.toArray(new decant.model.Block[0]))
            .document();
    Map<NodeId, String> found = new HashMap<>();
    for (int k = 0; k < labels.length; k++) {
      found.put(notes.get(k), labels[k]);
    }
    return NoteLabels.labelled(d, found);
  }

  private List<String> shown(Document d) {
    Map<NodeId, String> all = NoteLabels.of(d, Flow.of(d, null));
    return notes.stream().map(all::get).toList();
  }

  @Test
  void labelsThatCountingGivesAreCounted() {
    Document d = noted("1", "2", "3");
    assertThat(d.stories().values()).allMatch(s -> s.label().isEmpty());
    assertThat(NoteLabels.said(d)).isEmpty();
    assertThat(shown(d)).containsExactly("1", "2", "3");
  }

  @Test
  void notesThatBeginElsewhereAreCountedOnFromThere() {
    Document d = noted("108", "109", "110");
    assertThat(d.stories().values().stream().filter(s -> s.label().isPresent())).hasSize(1);
    assertThat(shown(d)).containsExactly("108", "109", "110");
    assertThat(NoteLabels.said(d)).as("a format that counts from one has to say all").hasSize(3);
  }

  @Test
  void signsAndNewBeginningsKeepTheirPlaces() {
    Document d = noted("1", "*", "2", "1", "2", "", "a");
    assertThat(shown(d)).containsExactly("1", "*", "2", "1", "2", "3", "a");
    assertThat(NoteLabels.said(d))
        .containsOnlyKeys(notes.get(1), notes.get(3), notes.get(4), notes.get(6));
  }

  @Test
  void labelsAreSeenOnThePagesAndGoThroughOfficeFormats() throws Exception {
    Document d = noted("7", "*");
    Layout l = Samples.layout(d);
    Path docx = folder.resolve("noted.docx");
    var out = Files.newOutputStream(docx);
    try (out) {
      Formats.writer(Formats.working()).write(d, out);
    }
    assertThat(Formats.verifier(Formats.working()).verify(docx, d))
        .allMatch(decant.verify.Check::passed);
    Document again = Samples.taken(docx).document();
    List<String> labels =
        again.stories().values().stream()
            .filter(s -> s.kind().isNote())
            .map(s -> s.label().orElse(""))
            .toList();
    assertThat(labels).containsExactly("7", "*");
    assertThat(again.paragraphs().getFirst().text())
        .as("the label is no text")
        .isEqualTo("Berth 0" + Inline.OBJECT + " is let.");
    assertThat(l.pages()).hasSize(1);
    Path rtf = folder.resolve("noted.rtf");
    var format = Formats.of("rtf").orElseThrow();
    try (var to = Files.newOutputStream(rtf)) {
      Formats.writer(format).write(d, to);
    }
    assertThat(Formats.verifier(format).verify(rtf, d)).allMatch(decant.verify.Check::passed);
    assertThat(Files.readString(rtf)).contains(" *}").doesNotContain("chftn");
  }
}
