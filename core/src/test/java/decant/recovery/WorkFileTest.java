package decant.recovery;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.Samples;
import decant.compare.About;
import decant.compare.Difference;
import decant.compare.Ticks;
import decant.io.WriteProblem;
import decant.layout.Layout;
import decant.model.Block;
import decant.model.Document;
import decant.model.KeptPart;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Pinned;
import decant.model.Table;
import decant.model.edit.Revision;
import decant.model.finding.Finding;
import decant.pin.PageOrder;
import decant.pin.PinnedPages;
import decant.pin.Pinning;
import decant.publication.KeptPage;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class WorkFileTest {
  @TempDir Path folder;

  private static Map<NodeId, String> texts(Document d) {
    var out = new HashMap<NodeId, String>();
    d.sections().forEach(s -> collect(s.blocks(), out));
    return out;
  }

  private static void collect(List<Block> blocks, Map<NodeId, String> out) {
    for (Block b : blocks) {
      if (b instanceof Paragraph p) {
        out.put(p.id(), p.text());
      } else if (b instanceof Table t) {
        t.rows().forEach(r -> r.cells().forEach(c -> collect(c.blocks(), out)));
      }
    }
  }

  private Path file() {
    return folder.resolve("berth.work");
  }

  @ParameterizedTest
  @ValueSource(strings = {"Berth rules.pdf", "Winter storage notice.docx", "Berth application.pdf"})
  void findingsAndPlacesComeBackOnTheBlocksTheyWereOn(String name)
      throws IOException, ReadProblem, WriteProblem {
    Path source = Samples.DEMO.resolve(name);
    TakenIn taken = Samples.taken(source);
    WorkFile.write(file(), new UnsavedWork(source, taken, Optional.empty()), "");
    UnsavedWork back = WorkFile.read(file(), "");

    assertThat(back.source()).isEqualTo(source);
    assertThat(back.taken().origin().format()).isEqualTo(taken.origin().format());
    assertThat(back.taken().origin().pages()).isEqualTo(taken.origin().pages());
    assertThat(back.taken().origin().fonts()).isEqualTo(taken.origin().fonts());
    assertThat(back.taken().findings())
        .usingRecursiveFieldByFieldElementComparatorIgnoringFields("node")
        .isEqualTo(taken.findings());

    Map<NodeId, String> before = texts(taken.document());
    Map<NodeId, String> after = texts(back.taken().document());
    assertThat(after.values()).containsExactlyInAnyOrderElementsOf(before.values());
    for (int k = 0; k < taken.findings().size(); k++) {
      Finding was = taken.findings().get(k);
      Finding now = back.taken().findings().get(k);
      assertThat(now.node().map(after::get)).isEqualTo(was.node().map(before::get));
    }
    var placed = new HashMap<Finding.SourcePlace, String>();
    taken.origin().places().forEach((n, p) -> placed.put(p, before.getOrDefault(n, "")));
    var placedAgain = new HashMap<Finding.SourcePlace, String>();
    back.taken().origin().places().forEach((n, p) -> placedAgain.put(p, after.getOrDefault(n, "")));
    assertThat(placedAgain).isEqualTo(placed);
  }

  @Test
  void whatWasTickedComesBack() throws IOException, ReadProblem, WriteProblem {
    Path source = Samples.DEMO.resolve("Winter storage notice.docx");
    var changed =
        new Difference.Said(
            Difference.Kind.TEXT,
            Difference.Change.CHANGED,
            Optional.of("May"),
            Optional.of("June, \u201Cearly\u201D"),
            Set.of(About.LABEL, About.COLOUR));
    var added =
        new Difference.Said(
            Difference.Kind.NOTE,
            Difference.Change.ADDED,
            Optional.empty(),
            Optional.of("a note"),
            Set.of());
    var ticks = new Ticks(Set.of(changed, added));
    WorkFile.write(
        file(), new UnsavedWork(source, Samples.taken(source), Optional.empty(), ticks), "");
    assertThat(WorkFile.read(file(), "").ticks()).isEqualTo(ticks);
  }

  @Test
  void workOnALockedSourceIsUnreadableWithoutItsPassword()
      throws IOException, ReadProblem, WriteProblem {
    Path source = Samples.DEMO.resolve("Winter storage notice.docx");
    WorkFile.write(
        file(), new UnsavedWork(source, Samples.taken(source), Optional.empty()), "tide table");

    assertThat(WorkFile.isLocked(file())).isTrue();
    assertThat(WorkFile.source(file())).isEmpty();
    String bytes = Files.readString(file(), StandardCharsets.ISO_8859_1);
    assertThat(bytes).doesNotContain("work.json", "document.docx", "Berth");
    assertThatThrownBy(() -> WorkFile.read(file(), "tide tables"))
        .isInstanceOfSatisfying(
            ReadProblem.class,
            e -> assertThat(e.kind()).isEqualTo(ReadProblem.Kind.WRONG_PASSWORD));
    assertThat(WorkFile.read(file(), "tide table").source()).isEqualTo(source);
    try (var left = Files.list(folder)) {
      assertThat(left).as("nothing lies about unlocked").containsExactly(file());
    }
  }

  @Test
  void oneByteThatWasChangedIsNoticedInLockedWork() throws IOException, ReadProblem, WriteProblem {
    Path source = Samples.DEMO.resolve("Winter storage notice.docx");
    WorkFile.write(
        file(), new UnsavedWork(source, Samples.taken(source), Optional.empty()), "tide table");
    byte[] bytes = Files.readAllBytes(file());
    bytes[bytes.length / 2] ^= 1;
    Files.write(file(), bytes);
    assertThatThrownBy(() -> WorkFile.read(file(), "tide table")).isInstanceOf(ReadProblem.class);
  }

  @Test
  void onlyItsOwnerMayReadIt() throws IOException, ReadProblem, WriteProblem {
    Path source = Samples.DEMO.resolve("Winter storage notice.docx");
    WorkFile.write(file(), new UnsavedWork(source, Samples.taken(source), Optional.empty()), "");
    assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file())))
        .isEqualTo("rw-------");
    assertThat(WorkFile.source(file())).contains(source);
  }

  @Test
  void aFileThatIsNotWorkIsReported() throws IOException {
    Files.writeString(file(), "not a ZIP at all");
    assertThat(WorkFile.source(file())).isEmpty();
    assertThatThrownBy(() -> WorkFile.read(file(), "")).isInstanceOf(Exception.class);
  }

  /** What the working format has no place for comes back too: pins, and how the source had it. */
  @Test
  void pinnedPagesAndTheSourcesSettingComeBack() throws IOException, ReadProblem, WriteProblem {
    Path source = Samples.DEMO.resolve("Berth rules.pdf");
    TakenIn taken =
        PinnedPages.pinned(
            new KeptPage.InFile(source, ""),
            Samples.taken(source),
            List.of(
                new Pinning.Sheet(1, 595.28, 841.89, "it was asked for"),
                new Pinning.Sheet(3, 595.28, 841.89, "it was asked for")));
    WorkFile.write(file(), new UnsavedWork(source, taken, Optional.empty()), "");
    TakenIn back = WorkFile.read(file(), "").taken();
    assertThat(PinnedPages.numbers(back.document())).containsExactly(2, 4);
    Layout was = Samples.layout(taken.document());
    Layout is = Samples.layout(back.document());
    assertThat(is.pages()).hasSameSizeAs(was.pages());
    assertThat(is.pages().stream().map(p -> p.start().found()).toList())
        .isEqualTo(was.pages().stream().map(p -> p.start().found()).toList())
        .contains(0, 2, 4);
    assertThat(Pinning.release(Pinning.release(back.document(), 1), 3).paragraphs())
        .extracting(Paragraph::text)
        .isEqualTo(
            Samples.taken(source).document().paragraphs().stream().map(Paragraph::text).toList());
  }

  /** The order that pages were given, those of other files among them, is not lost by a crash. */
  @Test
  void pagesInAnOrderOfTheirOwnComeBack() throws Exception {
    Path source = Samples.DEMO.resolve("Berth rules.pdf");
    Path form = Samples.DEMO.resolve("Berth application.pdf");
    TakenIn taken = Samples.taken(source);
    var file = new KeptPage.InFile(source, "");
    var book = new PageOrder.Book(taken.origin(), file);
    Revision r =
        Revision.of(
            Pinning.pin(
                taken.document(),
                taken.origin(),
                PinnedPages.unlocked(file),
                PinnedPages.askedAll(file)));
    r = PageOrder.placed(r, book, List.of(page(r, 4)), Optional.of(page(r, 1)));
    r = PageOrder.without(r, book, List.of(page(r, 9))).orElseThrow();
    var other = new PageOrder.Other(Samples.taken(form), new KeptPage.InFile(form, ""), "form");
    r = PageOrder.putIn(r, book, Optional.of(page(r, 0)), other, List.of(0));
    r = PageOrder.turned(r, List.of(page(r, 0)), 1);
    var work = new TakenIn(r.document(), taken.findings(), taken.origin());
    WorkFile.write(file(), new UnsavedWork(source, work, Optional.empty()), "");
    Document back = WorkFile.read(file(), "").taken().document();
    assertThat(back.sections()).hasSameSizeAs(r.document().sections());
    for (int k = 0; k < back.sections().size(); k++) {
      var was = r.document().sections().get(k);
      var is = back.sections().get(k);
      assertThat(is.pinned().orElseThrow().page()).isEqualTo(was.pinned().orElseThrow().page());
      assertThat(is.pinned().orElseThrow().ordered()).isTrue();
      assertThat(is.page().width()).isEqualTo(was.page().width());
    }
  }

  private static Pinned page(Revision r, int k) {
    return r.document().sections().get(k).pinned().orElseThrow();
  }

  /** What was kept of a file of another format goes back into that format, after a crash too. */
  @Test
  void partsKeptOfOtherFormatsComeBack() throws IOException, ReadProblem, WriteProblem {
    Path source = Samples.DEMO.resolve("Winter storage notice.docx");
    TakenIn taken = Samples.taken(source);
    var part = new KeptPart("odt", "Object 1/content.xml", "text/xml", new byte[] {1, 2, 3});
    TakenIn with =
        new TakenIn(
            taken.document().withKeptParts(List.of(part)), taken.findings(), taken.origin());
    WorkFile.write(file(), new UnsavedWork(source, with, Optional.empty()), "");
    assertThat(WorkFile.read(file(), "").taken().document().keptParts())
        .filteredOn(k -> k.format().equals("odt"))
        .singleElement()
        .satisfies(k -> {
          assertThat(k.name()).isEqualTo(part.name());
          assertThat(k.contentType()).isEqualTo(part.contentType());
          assertThat(k.bytes()).isEqualTo(part.bytes());
        });
  }
}
