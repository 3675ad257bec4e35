package decant.desktop.proof;

import decant.compare.Ticks;
import decant.compare.sheet.ProofSheet;
import decant.compare.sheet.SheetFile;
import decant.compare.sheet.SheetSide;
import decant.convert.Pages;
import decant.desktop.shell.Work;
import decant.format.Formats;
import decant.io.AtomicFile;
import decant.io.WriteProblem;
import decant.layout.Layout;
import decant.publication.KeptPage;
import decant.reading.ReadProblem;
import decant.words.Words;
import decant.work.Deadline;
import decant.work.Faults;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;

/** Makes proof sheets while nobody waits for them, where the document is published. */
final class SheetMaking {
  private static final Words WORDS = Words.of(SheetMaking.class);

  private final Work work;
  private final Consumer<String> told;
  private boolean making;

  SheetMaking(Work work, Consumer<String> told) {
    this.work = work;
    this.told = told;
  }

  /**
   * @param published the file that is beside the source; the revision itself if it is none
   */
  void make(Optional<Path> published, List<Listed> differences) {
    Layout layout = work.layout();
    if (making || !layout.complete()) {
      told.accept(WORDS.say("sheet-making.not-yet"));
      return;
    }
    making = true;
    told.accept(WORDS.say("sheet-making.making"));
    Ticks ticks = work.proofing().ticksProperty().get();
    List<ProofSheet.Entry> entries =
        differences.stream()
            .map(l ->
                new ProofSheet.Entry(
                    l.difference(), ticks.has(l.difference()), Optional.of(l.meant())))
            .toList();
    Work.Draft draft = work.draftProperty().get();
    String name = WORDS.say("sheet-making.name", work.stem(), Formats.pages().extension());
    Path target = AtomicFile.freeName(draft.folder().resolve(name));
    Thread.ofVirtual()
        .start(() -> {
          String what = made(published, layout, draft.passwords().open(), entries, target);
          Platform.runLater(() -> {
            making = false;
            told.accept(what);
          });
        });
  }

  /** What is to be said of it. */
  private String made(
      Optional<Path> published,
      Layout layout,
      String password,
      List<ProofSheet.Entry> entries,
      Path target) {
    try (SheetSide was = source();
        SheetSide is =
            published.isPresent()
                ? SheetSide.of(
                    String.valueOf(published.get().getFileName()),
                    new KeptPage.InFile(published.get(), password))
                : SheetSide.of(WORDS.say("sheet-making.revision"), layout, () -> false)) {
      SheetFile.write(ProofSheet.of(was, is, entries), target, false, () -> false);
      return WORDS.say("sheet-making.made", target);
    } catch (WriteProblem | ReadProblem e) {
      return e.getMessage();
    } catch (IOException | RuntimeException | StackOverflowError e) {
      return WORDS.say("sheet-making.fault", Faults.note("making a proof sheet", e));
    }
  }

  private SheetSide source() throws IOException, ReadProblem {
    String name = String.valueOf(work.source().getFileName());
    return Formats.hasPages(work.taken().origin().format())
        ? SheetSide.of(name, new KeptPage.InFile(work.source(), work.password()))
        : SheetSide.of(name, Pages.of(work.taken().document(), Deadline.NEVER), () -> false);
  }
}
