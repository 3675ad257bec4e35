package decant.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.Samples;
import decant.convert.Changes;
import decant.io.FileHash;
import decant.model.Metadata;
import decant.recipe.Recipe;
import decant.recipe.RecipeBook;
import decant.run.log.Csv;
import decant.run.log.Manifest;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Runs with worker processes, over folders that are made for it. */
class RunTest {
  @TempDir Path folder;
  private Path source;
  private Path destination;

  @BeforeEach
  void folders() throws IOException {
    source = Files.createDirectories(folder.resolve("source"));
    destination = folder.resolve("results");
  }

  private RunOrder order() {
    return RunOrder.of(source, destination, Trees.TEXT);
  }

  private record Ended(List<Row> rows, Totals.Now totals, List<Totals.OfKind> kinds) {
    Row row(String path) {
      return rows.stream().filter(r -> r.path().equals(path)).findFirst().orElseThrow();
    }
  }

  private static Ended run(RunOrder order) throws RunProblem {
    return run(order, Run.Start.NEW);
  }

  private static Ended run(RunOrder order, Run.Start start) throws RunProblem {
    try (Run run = Run.plan(order, start, Secrets.NONE, n -> {}, () -> false)) {
      List<Row> ended = Collections.synchronizedList(new ArrayList<>());
      run.work(2, ended::add);
      return new Ended(List.copyOf(ended), run.totals(), run.progressByKind());
    }
  }

  @Test
  void eachFileComesToOneEndAndNoneHarmsAnother() throws Exception {
    Trees.document(source.resolve("Berths/a.docx"), "Berth one", "Berth two");
    Trees.document(source.resolve("b.odt"), "Notice");
    Files.copy(Samples.DEMO.resolve("Berth application.pdf"), source.resolve("form.pdf"));
    byte[] whole = Files.readAllBytes(source.resolve("Berths/a.docx"));
    Files.write(source.resolve("damaged.docx"), java.util.Arrays.copyOf(whole, whole.length / 2));
    Files.write(source.resolve("noise.bin"), new byte[] {0, 9, 8, 7});
    Files.createSymbolicLink(source.resolve("loop"), source);
    Map<String, String> before = Trees.all(source);
    Ended e = run(order());
    assertThat(e.rows()).extracting(Row::path).doesNotHaveDuplicates().hasSize(6);
    assertThat(e.totals().ended()).isEqualTo(6);
    assertThat(e.totals().done()).isEqualTo(3);
    assertThat(e.totals().failed()).isEqualTo(1);
    assertThat(e.totals().leftOut()).isEqualTo(2);
    assertThat(e.kinds())
        .contains(
            new Totals.OfKind("docx", 2, 1, 1, 0, 0),
            new Totals.OfKind("odt", 1, 1, 0, 0, 0),
            new Totals.OfKind("pdf", 1, 1, 0, 0, 0));
    assertThat(e.kinds()).extracting(Totals.OfKind::left).containsOnly(0L);
    assertThat(e.row("damaged.docx").why()).isEqualTo(Row.Why.DAMAGED);
    assertThat(destination.resolve("Berths/a.txt")).content().contains("Berth one", "Berth two");
    assertThat(Trees.all(source)).isEqualTo(before);
    assertThat(Trees.all(destination).keySet())
        .containsExactlyInAnyOrder("", "Berths", "Berths/a.txt", "b.txt", "form.txt");
  }

  @Test
  void whatIsDoneAndUnchangedIsLeftOutAndTheRestIsDone() throws Exception {
    Trees.document(source.resolve("a.odt"), "A");
    Trees.document(source.resolve("b.odt"), "B");
    Trees.document(source.resolve("c.odt"), "C");
    run(order());
    // The same size and time, another content.
    Path a = source.resolve("a.odt");
    var time = Files.getLastModifiedTime(a);
    Trees.document(a, "Z");
    Files.setLastModifiedTime(a, time);
    Files.delete(destination.resolve("b.txt"));
    Trees.document(source.resolve("d.odt"), "D");
    Ended again = run(order());
    assertThat(again.row("a.odt").state()).isEqualTo(Row.State.DONE);
    assertThat(destination.resolve("a.txt")).content().contains("Z");
    assertThat(again.row("b.odt").state()).isEqualTo(Row.State.DONE);
    assertThat(destination.resolve("b.txt")).exists();
    assertThat(again.row("c.odt").why()).isEqualTo(Row.Why.DONE_BEFORE);
    assertThat(again.row("d.odt").state()).isEqualTo(Row.State.DONE);
    // Another recipe is another thing to do.
    Ended other =
        run(
            order()
                .with(
                    RunOrder.Treatment.by(Trees.TEXT)
                        .with(
                            new Changes(
                                List.of(new Changes.Replacement("C", "See")), Metadata.NONE))));
    assertThat(other.row("c.odt").state()).isEqualTo(Row.State.DONE);
    assertThat(other.row("c.odt").work().replaced()).isEqualTo(1);
    assertThat(other.totals().replaced()).isEqualTo(1);
    assertThat(destination.resolve("c.txt")).content().contains("See");
  }

  @Test
  void aResultThatSomebodyChangedIsNotWrittenOver() throws Exception {
    Trees.document(source.resolve("a.odt"), "A");
    run(order());
    Files.writeString(destination.resolve("a.txt"), "mended by hand");
    Trees.document(source.resolve("a.odt"), "Another");
    assertThat(run(order()).row("a.odt").why()).isEqualTo(Row.Why.NAME_TAKEN);
    assertThat(destination.resolve("a.txt")).hasContent("mended by hand");
  }

  @Test
  void aNewcomerDoesNotRenameWhatWasDone() throws Exception {
    Trees.document(source.resolve("a.odt"), "A");
    run(order());
    Trees.document(source.resolve("a.docx"), "B");
    Ended e = run(order());
    assertThat(e.row("a.odt").why()).isEqualTo(Row.Why.DONE_BEFORE);
    assertThat(e.row("a.docx").results().getFirst().file()).isEqualTo("a (docx).txt");
    assertThat(destination.resolve("a.txt")).content().contains("A");
  }

  @Test
  void whatFailedIsTriedAgain() throws Exception {
    Path a = Trees.document(source.resolve("a.docx"), "A");
    byte[] whole = Files.readAllBytes(a);
    Files.write(a, java.util.Arrays.copyOf(whole, 400));
    assertThat(run(order()).row("a.docx").state()).isEqualTo(Row.State.FAILED);
    assertThat(run(order()).row("a.docx").state()).isEqualTo(Row.State.FAILED);
    Files.write(a, whole);
    assertThat(run(order()).row("a.docx").state()).isEqualTo(Row.State.DONE);
  }

  @Test
  void whatTakesTooLongIsALineInTheLogAndNothingElse() throws Exception {
    Files.copy(Samples.DEMO.resolve("Berth rules.pdf"), source.resolve("long.pdf"));
    RunOrder.Treatment t = RunOrder.Treatment.by(Trees.TEXT);
    Ended e =
        run(
            order()
                .with(
                    new RunOrder.Treatment(
                        t.recipe(),
                        t.recipes(),
                        t.pagesKept(),
                        t.changes(),
                        t.keepTimes(),
                        t.languages(),
                        java.util.Optional.of(java.time.Duration.ofMillis(20)))));
    assertThat(e.row("long.pdf").state()).isEqualTo(Row.State.FAILED);
    assertThat(e.row("long.pdf").why()).isEqualTo(Row.Why.TOO_SLOW);
    assertThat(e.row("long.pdf").message()).isNotBlank();
    assertThat(destination.resolve("long.txt")).doesNotExist();
    assertThat(run(order()).row("long.pdf").state()).isEqualTo(Row.State.DONE);
  }

  @Test
  void aStoppedRunIsGoneOnWithAndNothingIsDoneTwice() throws Exception {
    for (int k = 0; k < 8; k++) {
      Trees.document(source.resolve("f" + k + ".odt"), "File " + k);
    }
    try (Run run = Run.plan(order(), Run.Start.NEW, Secrets.NONE, n -> {}, () -> false)) {
      run.work(
          1,
          r -> {
            if (run.totals().done() == 3) {
              run.cancel();
            }
          });
      assertThat(run.isCancelled()).isTrue();
    }
    assertThatThrownBy(() -> run(order()))
        .isInstanceOf(RunProblem.class)
        .hasMessageContaining("--resume");
    Map<String, String> half = Trees.all(destination);
    Ended e = run(order(), Run.Start.RESUME);
    assertThat(e.totals().ended()).isEqualTo(8);
    assertThat(e.totals().leftOut()).isGreaterThanOrEqualTo(3);
    assertThat(e.totals().failed()).isZero();
    Map<String, String> whole = Trees.all(destination);
    assertThat(whole).hasSize(9).containsAllEntriesOf(half);
    assertThat(run(order()).totals().leftOut()).isEqualTo(8);
  }

  /** As a kill between the result's getting its name and its being noted leaves it. */
  @Test
  void whatAStoppedRunMadeWithoutNotingItIsKnownAsItsOwn() throws Exception {
    Path a = Trees.document(source.resolve("a.odt"), "A");
    try (Journal j = Journal.open(destination)) {
      Row r =
          Row.met(1, 0, "a.odt", Files.size(a))
              .withKind("odt")
              .named("a", false, List.of(Row.Result.planned("a.txt")));
      j.begin(source, "Text");
      j.add(List.of(r));
      j.begin(
          r.with(Row.State.AT_WORK, Row.Why.NONE, ""), a, List.of(destination.resolve("a.txt")));
    }
    Files.createDirectories(destination);
    Files.writeString(destination.resolve("a.txt"), "made, and not noted");
    Path litter = destination.resolve(".a.txt.0123456789abcdef.decant-part");
    Files.writeString(litter, "half");
    Ended e = run(order(), Run.Start.RESUME);
    assertThat(e.row("a.odt").state()).isEqualTo(Row.State.DONE);
    assertThat(destination.resolve("a.txt")).content().startsWith("A");
    assertThat(litter).doesNotExist();
  }

  /** The process that is ended had made one of two files; they are not in its successor's way. */
  @Test
  void aProcessThatIsEndedBetweenTwoFilesIsFollowedByOneThatMakesBoth() throws Exception {
    Files.copy(Samples.DEMO.resolve("Berth rules.pdf"), source.resolve("rules.pdf"));
    var both =
        new Recipe(
            "Both",
            "",
            List.of(
                Trees.TEXT.outputs().getFirst(), RecipeBook.counterCopy().outputs().getFirst()));
    Path text = destination.resolve("rules.txt");
    try (Run run =
        Run.plan(
            RunOrder.of(source, destination, both),
            Run.Start.NEW,
            Secrets.NONE,
            n -> {},
            () -> false)) {
      Thread work = Thread.ofPlatform().start(() -> run.work(1, r -> {}));
      while (!Files.exists(text) && work.isAlive()) {
        Thread.onSpinWait();
      }
      ProcessHandle.current().children().forEach(ProcessHandle::destroyForcibly);
      work.join();
      assertThat(run.totals().done()).isEqualTo(1);
      assertThat(run.totals().leftOut()).isZero();
    }
    assertThat(text).exists();
    assertThat(destination.resolve("rules.pdf")).exists();
  }

  @Test
  void twoRunsIntoOneDestinationDoNotMix() throws Exception {
    Trees.document(source.resolve("a.odt"), "A");
    try (Run first = Run.plan(order(), Run.Start.NEW, Secrets.NONE, n -> {}, () -> false)) {
      assertThat(first.files()).isEqualTo(1);
      assertThatThrownBy(() -> run(order()))
          .isInstanceOf(RunProblem.class)
          .extracting(e -> ((RunProblem) e).kind())
          .isEqualTo(RunProblem.Kind.AT_WORK);
    }
  }

  @Test
  void aDamagedJournalIsToldAndNothingIsDone() throws Exception {
    Trees.document(source.resolve("a.odt"), "A");
    Files.writeString(
        Journal.beside(destination), "no journal at all, but some words. ".repeat(40));
    assertThatThrownBy(() -> run(order()))
        .isInstanceOf(RunProblem.class)
        .hasMessageContaining("move");
    assertThat(destination).doesNotExist();
  }

  @Test
  void aRunWhoseJournalIsGoneStopsAndSaysSo() throws Exception {
    Trees.document(source.resolve("a.odt"), "A");
    Run run = Run.plan(order(), Run.Start.NEW, Secrets.NONE, n -> {}, () -> false);
    run.close();
    run.work(1, r -> {});
    assertThat(run.stopped()).hasValueSatisfying(s -> assertThat(s).contains("journal"));
    assertThat(destination).doesNotExist();
  }

  @Test
  void aPausedRunWaitsAndGoesOn() throws Exception {
    for (int k = 0; k < 4; k++) {
      Trees.document(source.resolve("f" + k + ".odt"), "File " + k);
    }
    try (Run run = Run.plan(order(), Run.Start.NEW, Secrets.NONE, n -> {}, () -> false)) {
      run.pause();
      Thread work = Thread.ofPlatform().start(() -> run.work(2, r -> {}));
      Thread.sleep(300);
      assertThat(run.totals().done() + run.totals().atWork()).isZero();
      long rested = run.totals().millis();
      Thread.sleep(50);
      assertThat(run.totals().millis()).as("a rest is no time of work").isEqualTo(rested);
      run.goOn();
      work.join();
      assertThat(run.totals().done()).isEqualTo(4);
    }
  }

  @Test
  void particularsAreSetAndTimesKept() throws Exception {
    Path a = Trees.document(source.resolve("a.odt"), "A notice");
    var then =
        java.nio.file.attribute.FileTime.from(java.time.Instant.parse("2011-02-03T04:05:06Z"));
    Files.setLastModifiedTime(a, then);
    Recipe pdf = RecipeBook.counterCopy();
    run(
        order()
            .with(
                new RunOrder.Treatment(
                    pdf,
                    Map.of(),
                    false,
                    new Changes(List.of(), new Metadata("", "", "Harbour office", "", "")),
                    true,
                    "",
                    java.util.Optional.empty())));
    Path made = destination.resolve("a.pdf");
    try (var read = Loader.loadPDF(made.toFile())) {
      assertThat(read.getDocumentInformation().getAuthor()).isEqualTo("Harbour office");
    }
    assertThat(Files.getLastModifiedTime(made)).isEqualTo(then);
  }

  @Test
  void logsAndManifestTellWhatIsThere() throws Exception {
    Trees.document(source.resolve("a, \"b\".odt"), "A");
    Trees.document(source.resolve("c.docx"), "C");
    Files.createFile(source.resolve("empty.odt"));
    try (Run run = Run.plan(order(), Run.Start.NEW, Secrets.NONE, n -> {}, () -> false)) {
      run.work(2, r -> {});
      var csv = new ByteArrayOutputStream();
      Csv.write(run, csv);
      String[] lines = csv.toString(StandardCharsets.UTF_8).split("\r\n");
      assertThat(lines).hasSize(4);
      assertThat(lines[0]).isEqualTo(Csv.HEAD);
      // RFC 4180 §2.7: a quotation mark within a field is written twice.
      assertThat(lines[1]).startsWith("\"" + source + "/a, \"\"b\"\".odt\",ODT,done,,");
      assertThat(lines[3]).contains("empty.odt").contains(",left out,The file is empty.");
      var manifest = new ByteArrayOutputStream();
      Manifest.write(run, folder, manifest);
      // A name with what Windows takes not has it replaced; coreutils' sha256sum has this form.
      assertThat(manifest.toString(StandardCharsets.UTF_8).split("\n"))
          .containsExactlyInAnyOrder(
              FileHash.of(destination.resolve("a, b.txt")) + "  results/a, b.txt",
              FileHash.of(destination.resolve("c.txt")) + "  results/c.txt");
    }
  }
}
