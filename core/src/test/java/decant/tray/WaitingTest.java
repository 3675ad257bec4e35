package decant.tray;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.Samples;
import decant.model.Document;
import decant.model.Paragraph;
import decant.pdf.choices.Permission;
import decant.pdf.choices.Security;
import decant.recipe.Output;
import decant.recipe.Recipe;
import decant.recipe.RecipeBook;
import decant.recipe.RecipeProblem;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What waits is remembered from one run of the program to the next. */
class WaitingTest {
  @TempDir Path folder;

  @Test
  void theOutTrayRemembersTheLatestFirst() throws Exception {
    Path store = folder.resolve("state/out-tray.json");
    var tray = new OutTray(store);
    Instant when = Instant.parse("2031-05-04T10:15:00Z");
    tray.lay(folder.resolve("a.pdf"), "Counter copy", when);
    tray.lay(folder.resolve("b.pdf"), "Light copy", when);
    tray.lay(folder.resolve("a.pdf"), "Archive copy", when);
    var again = new OutTray(store);
    assertThat(again.files())
        .containsExactly(
            new OutTray.Waiting(folder.resolve("a.pdf"), "Archive copy", when),
            new OutTray.Waiting(folder.resolve("b.pdf"), "Light copy", when));
    again.take(folder.resolve("a.pdf"));
    assertThat(new OutTray(store).files()).hasSize(1);
    Files.writeString(store, "{ damaged");
    assertThat(new OutTray(store).files()).isEmpty();
  }

  @Test
  void theQueueKeepsDocumentsAsTheyWere() throws Exception {
    var queue = new PublishQueue(folder.resolve("queue"));
    Document d = Samples.document(Samples.heading(1, "Charges"), Samples.paragraph("12 a day."));
    queue.add(d, RecipeBook.counterCopy(), folder, "charges", folder.resolve("charges.docx"));
    queue.add(
        Samples.document(Samples.paragraph("Another")),
        RecipeBook.counterCopy().named("Mine"),
        folder,
        "another",
        folder.resolve("another.pdf"));
    List<PublishQueue.Queued> all = new PublishQueue(folder.resolve("queue")).all();
    assertThat(all).extracting(PublishQueue.Queued::stem).containsExactly("charges", "another");
    assertThat(all.get(1).recipe().name()).isEqualTo("Mine");
    assertThat(queue.document(all.get(0)).paragraphs())
        .extracting(Paragraph::text)
        .containsExactly("Charges", "12 a day.");
    queue.remove(all.get(0));
    assertThat(queue.all()).hasSize(1);
    Files.writeString(folder.resolve("queue/0-damaged.json"), "{");
    assertThat(queue.all()).hasSize(1);
  }

  @Test
  void whatNeedsAPasswordCannotWait() {
    var queue = new PublishQueue(folder.resolve("queue"));
    var rights =
        new Security(
            Security.Protection.AES_256, true, false, EnumSet.noneOf(Permission.class), true);
    var locked = new Recipe("Locked", "", List.of(Output.Pdf.DEFAULT.with(rights)));
    assertThatThrownBy(() ->
            queue.add(
                Samples.document(Samples.paragraph("x")),
                locked,
                folder,
                "x",
                folder.resolve("x.docx")))
        .isInstanceOf(RecipeProblem.class)
        .hasMessageContaining("a password, which is never stored");
    assertThat(queue.all()).isEmpty();
  }

  /** What the working format has no place for waits too. */
  @Test
  void pinnedPagesWaitAsTheyAre() throws Exception {
    Path source = Samples.DEMO.resolve("Berth rules.pdf");
    var taken =
        decant.pin.PinnedPages.pinned(
            new decant.publication.KeptPage.InFile(source, ""),
            Samples.taken(source),
            List.of(new decant.pin.Pinning.Sheet(1, 595.28, 841.89, "it was asked for")));
    var waiting = new PublishQueue(folder.resolve("pinned"));
    waiting.add(taken.document(), RecipeBook.counterCopy(), folder, "rules", source);
    Document back = waiting.document(waiting.all().getFirst());
    assertThat(decant.pin.PinnedPages.numbers(back)).containsExactly(2);
    waiting.remove(waiting.all().getFirst());
    try (var left = java.nio.file.Files.list(folder.resolve("pinned"))) {
      assertThat(left).isEmpty();
    }
  }
}
