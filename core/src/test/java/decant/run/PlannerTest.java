package decant.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.Samples;
import decant.convert.Changes;
import decant.format.Formats;
import decant.recipe.Output;
import decant.recipe.Recipe;
import decant.recipe.RecipeBook;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a plan says of each file, before anything is written. */
class PlannerTest {
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

  private RunOrder order(Set<String> kinds, Patterns patterns, Optional<Instant> since) {
    return order()
        .with(
            new RunOrder.Filter(
                true,
                Set.copyOf(kinds.stream().map(k -> Formats.of(k).orElseThrow()).toList()),
                patterns,
                since));
  }

  private List<Row> plan(RunOrder order) throws RunProblem {
    try (Run run = Run.plan(order, Run.Start.PLAN_ONLY, Secrets.NONE, n -> {}, () -> false)) {
      return Trees.rows(run);
    }
  }

  private Row row(List<Row> rows, String path) {
    return rows.stream().filter(r -> r.path().equals(path)).findFirst().orElseThrow();
  }

  private static List<String> files(Row r) {
    return r.results().stream().map(Row.Result::file).toList();
  }

  @Test
  void resultsMirrorTheTreeAndNothingIsWritten() throws Exception {
    Trees.document(source.resolve("Berths/2024/Berth rules.docx"), "Rules");
    Trees.document(source.resolve("Notice.odt"), "Notice");
    Map<String, String> before = Trees.all(folder);
    List<Row> rows = plan(order());
    assertThat(rows)
        .extracting(Row::path)
        .containsExactly("Notice.odt", "Berths/2024/Berth rules.docx");
    assertThat(files(rows.get(0))).containsExactly("Notice.txt");
    assertThat(files(rows.get(1))).containsExactly("Berths/2024/Berth rules.txt");
    assertThat(Trees.all(folder)).isEqualTo(before);
  }

  /** By content: the end of a name says nothing of what a file is. */
  @Test
  void kindsAreToldByContent() throws Exception {
    Path docx = Trees.document(source.resolve("a.docx"), "A");
    Files.move(docx, source.resolve("a.pdf"));
    Files.copy(Samples.DEMO.resolve("Berth rules.pdf"), source.resolve("b.docx"));
    Files.write(source.resolve("c.docx"), new byte[] {0, 1, 2, 3, 4, 5});
    Files.createFile(source.resolve("d.docx"));
    List<Row> rows = plan(order(Set.of("docx"), Patterns.ALL, Optional.empty()));
    assertThat(row(rows, "a.pdf").state()).isEqualTo(Row.State.PLANNED);
    assertThat(row(rows, "b.docx").why()).isEqualTo(Row.Why.OTHER_KIND);
    assertThat(row(rows, "b.docx").kind()).isEqualTo("pdf");
    assertThat(row(rows, "c.docx").why()).isEqualTo(Row.Why.NO_DOCUMENT);
    assertThat(row(rows, "d.docx").why()).isEqualTo(Row.Why.EMPTY);
    assertThat(rows)
        .filteredOn(r -> r.state() == Row.State.LEFT_OUT)
        .allMatch(r -> !r.message().isBlank());
  }

  @Test
  void filesOfOneNameAreCalledByTheirEnds() throws Exception {
    for (String name : List.of("a.doc", "a.docx", "a (doc).odt", "b.odt")) {
      Trees.document(source.resolve(name), name);
    }
    List<Row> rows = plan(order());
    assertThat(files(row(rows, "a.docx"))).containsExactly("a (docx).txt");
    assertThat(files(row(rows, "b.odt"))).containsExactly("b.txt");
    assertThat(files(row(rows, "a (doc).odt"))).containsExactly("a (doc).txt");
    assertThat(files(row(rows, "a.doc"))).containsExactly("a (doc) 2.txt");
  }

  /** Capitals, and letters composed or not (UAX #15), are alike on some systems. */
  @Test
  void namesThatSomeSystemsTakeForOneAreKeptApart() throws Exception {
    for (String name :
        List.of("Plan.docx", "plan.docx", "Ma\u00DFe.docx", "caf\u00E9.docx", "cafe\u0301.docx")) {
      Trees.document(source.resolve(name), name);
    }
    List<Row> rows = plan(order());
    List<String> all = rows.stream().map(r -> ResultNames.folded(files(r).getFirst())).toList();
    assertThat(all).hasSize(5).doesNotHaveDuplicates();
    assertThat(files(row(rows, "Ma\u00DFe.docx"))).containsExactly("Ma\u00DFe.txt");
  }

  /** 255 bytes is what Linux file systems take; a temporary name is some longer. */
  @Test
  void longNamesStayWithinWhatFileSystemsTakeAndApart() throws Exception {
    String letters = "\u0416".repeat(105); // two bytes each
    Trees.document(source.resolve(letters + ".odt"), "A");
    Trees.document(source.resolve("x".repeat(220) + ".odt"), "B");
    Trees.document(source.resolve("x".repeat(221) + ".odt"), "C");
    List<Row> rows = plan(order());
    assertThat(rows)
        .allSatisfy(r ->
            assertThat(files(r).getFirst().getBytes(java.nio.charset.StandardCharsets.UTF_8))
                .hasSizeLessThan(220));
    assertThat(rows.stream().map(PlannerTest::files).distinct()).hasSize(3);
  }

  @Test
  void linksAreMetAndNotFollowed() throws Exception {
    Path inside = Files.createDirectories(source.resolve("sub"));
    Trees.document(inside.resolve("a.odt"), "A");
    Path outside = Trees.document(folder.resolve("elsewhere/secret.odt"), "S");
    Files.createSymbolicLink(source.resolve("loop"), source);
    Files.createSymbolicLink(source.resolve("out"), outside.getParent());
    Files.createSymbolicLink(source.resolve("secret.odt"), outside);
    Files.createSymbolicLink(source.resolve("gone"), folder.resolve("nowhere"));
    List<Row> rows = plan(order());
    assertThat(rows).hasSize(5);
    assertThat(rows)
        .filteredOn(r -> r.why() == Row.Why.LINK)
        .extracting(Row::path)
        .containsExactly("gone", "loop", "out", "secret.odt");
  }

  @Test
  void patternsAndDaysLeaveFilesOut() throws Exception {
    for (String name : List.of("2024/a.odt", "2024/b.docx", "2025/a.odt", "Drafts/c.odt")) {
      Trees.document(source.resolve(name), name);
    }
    Files.setLastModifiedTime(
        source.resolve("2025/a.odt"), FileTime.from(Instant.parse("2025-01-01T00:00:00Z")));
    List<Row> named =
        plan(order(Set.of(), new Patterns(List.of("*.odt"), List.of("Drafts")), Optional.empty()));
    assertThat(planned(named)).containsExactly("2024/a.odt", "2025/a.odt");
    List<Row> under =
        plan(order(Set.of(), new Patterns(List.of("2024/**"), List.of()), Optional.empty()));
    assertThat(planned(under)).containsExactly("2024/a.odt", "2024/b.docx");
    List<Row> newer =
        plan(order(Set.of(), Patterns.ALL, Optional.of(Instant.parse("2025-06-01T00:00:00Z"))));
    assertThat(planned(newer)).containsExactly("2024/a.odt", "2024/b.docx", "Drafts/c.odt");
    assertThat(row(newer, "2025/a.odt").why()).isEqualTo(Row.Why.OLDER);
  }

  private static List<String> planned(List<Row> rows) {
    return rows.stream().filter(r -> r.state() == Row.State.PLANNED).map(Row::path).toList();
  }

  @Test
  void templatesHaveFoldersOfTheirOwn() throws Exception {
    Trees.document(source.resolve("Letter.odt"), "Letter");
    for (String name : List.of("Form.ott", "Form.dotx", "Form.dot", "Stray.odt")) {
      Trees.document(source.resolve("Templates/" + name), name);
    }
    RunOrder with =
        order().with(new RunOrder.Templates(source.resolve("Templates"), folder.resolve("forms")));
    List<Row> rows = plan(with);
    assertThat(rows)
        .extracting(Row::path)
        .containsExactly("Letter.odt", "Form.dot", "Form.dotx", "Form.ott", "Stray.odt");
    assertThat(rows).extracting(Row::part).containsExactly(0, 1, 1, 1, 1);
    assertThat(rows.subList(1, 4)).extracting(Row::kind).containsExactly("dot", "dotx", "ott");
    assertThat(rows.get(4).why()).isEqualTo(Row.Why.OTHER_KIND);
  }

  /** By whatever name a folder goes, what is in it is planned once. */
  @Test
  void theSameFolderByALinkIsGoneThroughOnce() throws Exception {
    Trees.document(source.resolve("Templates/Form.ott"), "Form");
    Path link = Files.createSymbolicLink(folder.resolve("link"), source.resolve("Templates"));
    List<Row> rows = plan(order().with(new RunOrder.Templates(link, folder.resolve("forms"))));
    assertThat(rows).extracting(Row::path).containsExactly("Form.ott");
    assertThat(rows.getFirst().part()).isEqualTo(1);
  }

  @Test
  void templatesAmongDocumentsGoToTheirOwnDestination() throws Exception {
    for (String name : List.of("a/Letter.odt", "a/Form.ott", "Form.dotx")) {
      Trees.document(source.resolve(name), name);
    }
    Files.writeString(source.resolve("empty.odt"), "");
    List<Row> rows = plan(order().with(new RunOrder.Templates(source, folder.resolve("forms"))));
    assertThat(rows)
        .extracting(r -> r.part() + " " + r.path())
        .containsExactly("0 empty.odt", "0 a/Letter.odt", "1 Form.dotx", "1 a/Form.ott");
    assertThat(rows).extracting(Row::number).containsExactly(1L, 2L, 3L, 4L);
  }

  /** The same family as the source: of a template too. */
  @Test
  void anOfficeCopyOfATemplateIsOfItsFamily() throws Exception {
    Trees.document(source.resolve("Form.ott"), "Form");
    Recipe office =
        RecipeBook.shipped().stream()
            .filter(r -> r.name().equals("Office copy"))
            .findFirst()
            .orElseThrow();
    assertThat(files(plan(RunOrder.of(source, destination, office)).getFirst()))
        .containsExactly("Form.odt");
  }

  @Test
  void aSubfolderMayHaveARecipeOfItsOwn() throws Exception {
    for (String name : List.of("a.odt", "Old/b.odt", "Old/1999/c.odt", "Older/d.odt")) {
      Trees.document(source.resolve(name), name);
    }
    var html = new Recipe("Web", "", List.of(new Output.Office(Formats.of("html").orElseThrow())));
    List<Row> rows =
        plan(
            order()
                .with(
                    new RunOrder.Treatment(
                        Trees.TEXT,
                        Map.of("Old", html),
                        false,
                        Changes.NONE,
                        false,
                        "",
                        Optional.empty())));
    assertThat(rows.stream().map(r -> files(r).getFirst()))
        .containsExactly("a.txt", "Old/b.html", "Old/1999/c.html", "Older/d.txt");
  }

  @Test
  void treesWithinOneAnotherAreRefused() throws Exception {
    Path link = Files.createSymbolicLink(folder.resolve("way"), source);
    for (Path to : List.of(source, source.resolve("results"), folder, link.resolve("results"))) {
      assertThatThrownBy(() -> plan(RunOrder.of(source, to, Trees.TEXT)))
          .as(to.toString())
          .isInstanceOf(RunProblem.class)
          .extracting(e -> ((RunProblem) e).kind())
          .isEqualTo(RunProblem.Kind.WRONG_ORDER);
    }
    assertThat(plan(RunOrder.of(source, folder.resolve("sources"), Trees.TEXT))).isEmpty();
  }

  @Test
  void aDestinationThatLeadsElsewhereIsNotWrittenTo() throws Exception {
    Trees.document(source.resolve("sub/a.odt"), "A");
    Files.createDirectories(destination);
    Path elsewhere = Files.createDirectories(folder.resolve("elsewhere"));
    Files.createSymbolicLink(destination.resolve("sub"), elsewhere);
    Row r = plan(order()).getFirst();
    assertThat(r.state()).isEqualTo(Row.State.FAILED);
    assertThat(r.message()).contains("leads out");
  }

  @Test
  void whatIsLockedIsLeftOutWithoutAPassword() throws Exception {
    Path plain = Trees.document(folder.resolve("plain.docx"), "Secret");
    try (var out = Files.newOutputStream(source.resolve("locked.docx"))) {
      Formats.locker(Formats.of("docx").orElseThrow()).orElseThrow().lock(plain, "tide", out);
    }
    Path odt = Trees.document(folder.resolve("plain.odt"), "Secret");
    try (var out = Files.newOutputStream(source.resolve("locked.odt"))) {
      Formats.locker(Formats.of("odt").orElseThrow()).orElseThrow().lock(odt, "tide", out);
    }
    assertThat(plan(order())).hasSize(2).allMatch(r -> r.why() == Row.Why.LOCKED);
    var tide = new Secrets("tide", Map.of(), decant.pdf.choices.Passwords.NONE);
    try (Run run = Run.plan(order(), Run.Start.PLAN_ONLY, tide, n -> {}, () -> false)) {
      assertThat(Trees.rows(run)).allMatch(r -> r.state() == Row.State.PLANNED);
    }
  }

  @Test
  void foreignFilesAreLeftKeptOrWrittenOver() throws Exception {
    Trees.document(source.resolve("a.odt"), "A");
    Files.createDirectories(destination);
    Files.writeString(destination.resolve("a.txt"), "somebody's");
    Files.writeString(destination.resolve("a 2.txt"), "somebody's too");
    Row left = plan(order()).getFirst();
    assertThat(left.why()).isEqualTo(Row.Why.NAME_TAKEN);
    assertThat(left.message()).contains("a.txt");
    Row kept = plan(clash(RunOrder.Clash.KEEP)).getFirst();
    assertThat(files(kept)).containsExactly("a 3.txt");
    assertThat(kept.named().overwrite()).isFalse();
    Row over = plan(clash(RunOrder.Clash.OVERWRITE)).getFirst();
    assertThat(files(over)).containsExactly("a.txt");
    assertThat(over.named().overwrite()).isTrue();
    Files.delete(destination.resolve("a.txt"));
    Files.createDirectory(destination.resolve("a.txt"));
    assertThat(plan(clash(RunOrder.Clash.OVERWRITE)).getFirst().why())
        .isEqualTo(Row.Why.NAME_TAKEN);
  }

  private RunOrder clash(RunOrder.Clash clash) {
    return order().with(clash);
  }
}
