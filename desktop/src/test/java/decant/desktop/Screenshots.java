package decant.desktop;

import decant.desktop.mark.MarksPanel;
import decant.desktop.page.PagesView;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.io.WriteProblem;
import decant.mark.Mark;
import decant.mark.MarkProblem;
import decant.mark.ScriptFace;
import decant.mark.Stamp;
import decant.model.Inline;
import decant.model.Outline;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Section;
import decant.model.Selection;
import decant.model.Table;
import decant.model.edit.object.ObjectEdits;
import decant.model.look.Colour;
import decant.pdf.amend.PageLine;
import decant.pin.AmendedPages;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.control.TextArea;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;

/** Takes the pictures of docs/screenshots from the demo data: {@code scripts/screenshots.sh}. */
final class Screenshots {
  private Screenshots() {}

  public static void main(String[] args) throws IOException {
    Path demo = Path.of(args[0]).toAbsolutePath();
    Path out = Path.of(args[1]);
    Path scratch =
        Files.createDirectories(Path.of(System.getProperty("java.io.tmpdir"), "Harbour office"));
    for (String name :
        List.of("Berth rules.pdf", "Winter storage notice.docx", "Berth application.pdf")) {
      Files.copy(
          demo.resolve(name),
          scratch.resolve(name),
          java.nio.file.StandardCopyOption.REPLACE_EXISTING);
    }
    Files.deleteIfExists(scratch.resolve("Berth rules published.pdf"));
    Files.deleteIfExists(scratch.resolve("Winter rules.pdf"));
    Path state = Files.createTempDirectory("decant-pictures");
    try (Window w = Window.open(state)) {
      String only = args.length > 2 ? args[2] : "";
      if (only.isEmpty()) {
        Window.run(() -> w.desk.tray().showFolder(scratch));
        w.picture(out.resolve("tray.png")); // before a document is in sight
      }
      if (!only.equals("pinned")) {
        runs(w, demo.resolve("Archive"), scratch.resolve("Archive"), out.resolve("runs.png"));
      }
      if (!only.equals("runs")) {
        pinned(w, scratch.resolve("Berth application.pdf"), out.resolve("revise-pinned.png"));
        mark(w, out.resolve("revise-mark.png"));
        write(w, out.resolve("revise-write.png"));
        allPages(w, scratch.resolve("Berth rules.pdf"), out.resolve("revise-all-pages.png"));
      }
      if (!only.isEmpty()) {
        System.exit(0); // only that was asked for
      }
      Work work = w.takeIn(scratch.resolve("Berth rules.pdf"));
      pause(1500);
      Window.run(() ->
          ((ListView<?>) w.stage.getScene().lookup("#findings")).getSelectionModel().select(1));
      pause(600);
      w.clickPage("#take-in-result", 0, 120, 330, 1);
      pause(400);
      w.picture(out.resolve("take-in.png"));
      w.go(StageName.REVISE);
      pause(900);
      Outline.Heading h = Outline.headings(work.revision().document()).get(10);
      Window.run(() ->
          work.select(
              new Selection(new Position(h.paragraph(), 2), new Position(h.paragraph(), 8))));
      Window.run(() -> w.find("#pages", PagesView.class).requestFocus());
      Window.run(() -> ((PagesView) w.stage.getScene().lookup("#pages")).reveal(1, 100, 500));
      pause(900);
      w.picture(out.resolve("revise.png"));
      Table table =
          work.revision().document().sections().stream()
              .flatMap(s -> s.blocks().stream())
              .filter(b -> b instanceof Table)
              .map(b -> (Table) b)
              .findFirst()
              .orElseThrow();
      Position in = new Position(table.rows().get(2).cells().get(1).blocks().getFirst().id(), 0);
      Window.run(() -> {
        work.select(Selection.at(in));
        var pages = (PagesView) w.stage.getScene().lookup("#pages");
        work.layout()
            .caret(in)
            .ifPresent(c -> pages.reveal(c.page().number() - 1, c.top(), c.top() + 200));
        pages.requestFocus();
      });
      pause(900);
      w.picture(out.resolve("revise-table.png"));
      Position picture =
          work.revision().document().paragraphs().stream()
              .filter(p -> p.text().indexOf(Inline.OBJECT) >= 0)
              .map(p -> new Position(p.id(), p.text().indexOf(Inline.OBJECT)))
              .filter(at ->
                  work.revision().document().requireParagraph(at.paragraph()).inlineAt(at.offset())
                      instanceof Inline.Picture)
              .findFirst()
              .orElseThrow();
      Window.run(() -> {
        work.select(ObjectEdits.selection(picture));
        var pages = (PagesView) w.stage.getScene().lookup("#pages");
        work.layout()
            .caret(picture)
            .ifPresent(c -> pages.reveal(c.page().number() - 1, c.top(), c.top() + 200));
        pages.requestFocus();
      });
      pause(900);
      w.picture(out.resolve("revise-picture.png"));
      Position header =
          new Position(
              work.revision()
                  .document()
                  .sections()
                  .getFirst()
                  .running()
                  .get(Section.Running.HEADER)
                  .blocks()
                  .getFirst()
                  .id(),
              8);
      Window.run(() -> {
        work.select(Selection.at(header));
        var pages = (PagesView) w.stage.getScene().lookup("#pages");
        pages.reveal(4, 0, 200);
        pages.requestFocus();
      });
      w.click("#side-pages");
      pause(900);
      w.picture(out.resolve("revise-pages.png"));
      w.click("#side-outline");
      w.press(KeyCode.CONTROL, KeyCode.K);
      w.type("heading");
      pause(400);
      w.picture(out.resolve("command-field.png"));
      w.press(KeyCode.ESCAPE);
      List<Paragraph> all = work.revision().document().paragraphs();
      for (int k : new int[] {1, 6, 10}) {
        Window.run(() -> {
          work.select(Selection.at(new Position(all.get(k).id(), all.get(k).text().indexOf(' '))));
          w.stage.getScene().lookup("#pages").requestFocus();
        });
        w.type(k == 6 ? " good" : " again");
      }
      Window.run(() ->
          work.select(
              new Selection(new Position(all.get(7).id(), 0), new Position(all.get(7).id(), 24))));
      w.press(KeyCode.CONTROL, KeyCode.B);
      w.go(StageName.PROOF);
      pause(1500);
      w.picture(out.resolve("proof.png"));
      w.go(StageName.PUBLISH);
      pause(500);
      w.click("#publish-go");
      w.until(() -> work.receiptProperty().get().isPresent());
      pause(700);
      w.picture(out.resolve("publish.png"));
      Window.run(() -> work.receiptProperty().set(java.util.Optional.empty()));
      pause(1500);
      w.click("#group-size");
      w.click("#group-pages");
      Window.run(() -> w.find("#group-rights", javafx.scene.control.Button.class).fire());
      Window.run(() ->
          w.find("#publish-protection", javafx.scene.control.ComboBox.class)
              .getSelectionModel()
              .select(1));
      pause(1500);
      w.picture(out.resolve("publish-rights.png"));
      Window.run(() -> w.find("#group-rights", javafx.scene.control.Button.class).fire());
      Window.run(() ->
          w.find("#publish-protection", javafx.scene.control.ComboBox.class)
              .getSelectionModel()
              .select(0));
      Window.run(() ->
          w.find("#publish-recipe", javafx.scene.control.ComboBox.class)
              .getSelectionModel()
              .select(4));
      pause(500);
      Window.run(() -> w.find("#group-office-fonts", javafx.scene.control.Button.class).fire());
      Window.run(() -> w.find("#group-office-lock", javafx.scene.control.Button.class).fire());
      Window.run(() ->
          w.find("#publish-office-fonts", javafx.scene.control.ComboBox.class)
              .getSelectionModel()
              .select(1));
      Window.run(() ->
          w.find("#publish-office-lock", javafx.scene.control.CheckBox.class).setSelected(true));
      pause(1500);
      w.picture(out.resolve("publish-office.png"));
      Window.run(() ->
          w.find("#publish-recipe", javafx.scene.control.ComboBox.class)
              .getSelectionModel()
              .select(0));
      pause(1500);
      Window.run(() -> w.find("#group-weight", javafx.scene.control.Button.class).fire());
      Window.run(() ->
          w.find("#publish-quality", javafx.scene.control.ComboBox.class)
              .getSelectionModel()
              .select(9));
      pause(2500);
      Window.run(() -> w.find("#picture-closer-1", javafx.scene.control.Button.class).fire());
      pause(1500);
      w.picture(out.resolve("publish-closer.png"));
      Window.run(() -> {
        work.draftProperty().set(work.draftProperty().get().to(scratch, "Winter rules"));
        w.desk.waiting().queueForLater();
      });
      Window.run(() -> w.find("#picture-back", javafx.scene.control.Button.class).fire());
      w.click("#publish-go");
      w.until(() -> work.receiptProperty().get().isPresent());
      Window.run(() -> w.desk.waiting().layIntoOutTray(work.receiptProperty().get().orElseThrow()));
      w.click("#foot-out-tray");
      pause(600);
      w.picture(out.resolve("out-tray.png"));
      w.takeIn(scratch.resolve("Berth application.pdf"));
      w.takeIn(scratch.resolve("Winter storage notice.docx"));
      w.go(StageName.REVISE);
      w.click("#side-styles");
      w.click("#head-name");
      pause(900);
      w.picture(out.resolve("revise-styles.png"));
    }
    System.exit(0);
  }

  /** A folder in the midst of being published, with what a folder has that is none. */
  private static void runs(Window w, Path archive, Path source, Path picture) throws IOException {
    Path published = source.resolveSibling("Archive published");
    for (Path old : List.of(source, published)) {
      remove(old);
    }
    Files.deleteIfExists(published.resolveSibling(".Archive published.decant-run"));
    try (Stream<Path> all = Files.walk(archive)) {
      for (Path p : all.toList()) {
        Files.copy(p, source.resolve(archive.relativize(p).toString()));
      }
    }
    Path notices = source.resolve("Notices/2024");
    byte[] whole = Files.readAllBytes(notices.resolve("Dredging 2024.docx"));
    Files.write(notices.resolve("Winch trial.docx"), java.util.Arrays.copyOf(whole, 900));
    Files.write(notices.resolve("Tide gauge.dat"), new byte[] {0, 1, 2, 3});
    Files.createFile(source.resolve("Notices/To sort.docx"));
    w.click("#foot-runs");
    Window.run(() -> Runs.choose(w.frame, source, published));
    pause(300);
    Window.run(() -> w.find("#run-first", Button.class).fire());
    w.until(() -> w.find("#run-first", Button.class).getText().equals("Publish"));
    Window.run(() -> w.find("#run-first", Button.class).fire());
    w.until(() ->
        w.find("#run-show-done", ToggleButton.class).getText().matches("Done ([6-9]|\\d\\d)"));
    pause(200);
    w.picture(picture);
    w.until(() -> w.find("#run-first", Button.class).getText().equals("Plan again"));
  }

  /** A line of a page that stays as it was, about to be changed. */
  private static void pinned(Window w, Path form, Path picture) throws IOException {
    Work work = w.takeIn(form);
    w.go(StageName.TAKE_IN);
    w.until(() -> work.judgingProperty().get() == Work.Judged.DONE);
    w.clickPage("#take-in-result", 0, 120, 120, 1);
    w.until(() -> !w.find("#mend-page", Button.class).isDisabled());
    w.click("#mend-page");
    w.until(() -> work.layout().kept(work.layout().pages().getFirst()).isPresent());
    w.go(StageName.REVISE);
    pause(900);
    var page =
        Window.on(() -> work.layout().pinned(work.layout().pages().getFirst()).orElseThrow());
    try {
      PageLine line =
          AmendedPages.parts(page).lines().stream()
              .filter(l -> l.text().split(" ").length > 5)
              .findFirst()
              .orElseThrow();
      w.clickPage(0, line.box().x() + 40, line.box().y() + line.box().height() / 2, 1);
    } catch (decant.reading.ReadProblem e) {
      throw new IOException(e);
    }
    pause(1500);
    w.picture(picture);
    w.press(KeyCode.ESCAPE);
  }

  /** All pages of a document, some of them chosen. */
  private static void allPages(Window w, Path rules, Path picture) throws IOException {
    // The rules themselves are revised in other pictures.
    Path copy = rules.resolveSibling("Quay rules.pdf");
    Files.copy(rules, copy, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
    Work work = w.takeIn(copy);
    w.until(() -> work.judgingProperty().get() == Work.Judged.DONE);
    w.go(StageName.REVISE);
    Window.run(() -> w.find("#side-pages", ToggleButton.class).fire());
    w.until(() -> w.has("#page-pin-all"));
    Window.run(() -> w.find("#page-pin-all", Button.class).fire());
    w.until(() -> !w.find("#page-later", Button.class).isDisabled());
    Window.run(() -> w.desk.dismiss());
    Window.run(() -> w.find("#page-all", Button.class).fire());
    pause(600);
    w.press(KeyCode.RIGHT);
    w.press(KeyCode.SHIFT, KeyCode.RIGHT);
    pause(1500);
    w.picture(picture);
    w.press(KeyCode.ESCAPE);
    pause(600);
    Window.run(() -> w.find("#side-outline", ToggleButton.class).fire());
  }

  /** A typed signature on the page in sight, framed. */
  private static void mark(Window w, Path picture) throws IOException {
    try {
      var typed =
          ScriptFace.GREAT_VIBES
              .typed("Mara Lund", new Colour(0x1F2A66))
              .as("Mara Lund", Mark.Kind.SIGNATURE, 130);
      w.desk.marks().keep(typed, Optional.empty());
      var stamp =
          Stamp.of(List.of("RECEIVED", "Harbour office"), new Colour(0xB3261E))
              .as("Received", Mark.Kind.STAMP, 120);
      w.desk.marks().keep(stamp, Optional.empty());
    } catch (MarkProblem | WriteProblem e) {
      throw new IOException(e);
    }
    Window.run(() -> w.find("#side-marks", ToggleButton.class).fire());
    Window.run(() -> w.find("#marks-panel", MarksPanel.class).fill());
    pause(600);
    for (double[] put : new double[][] {{0, 440, 412}, {1, 470, 110}}) {
      Window.run(() -> w.find("#mark-place-" + (int) put[0], Button.class).fire());
      pause(900);
      w.clickPage(0, put[1], put[2], 1);
      pause(1500);
    }
    Window.run(() -> w.desk.dismiss());
    w.clickPage(0, 440, 412, 1);
    pause(1500);
    w.press(KeyCode.ESCAPE); // the frame stays
    pause(600);
    w.picture(picture);
  }

  /** Text that is about to be put on the page in sight. */
  private static void write(Window w, Path picture) throws IOException {
    Window.run(() -> w.find("#side-pages", ToggleButton.class).fire());
    pause(600);
    Window.run(() -> w.find("#page-write", Button.class).fire());
    w.clickPage(0, 300, 150, 1);
    pause(1500);
    javafx.stage.Window.getWindows().stream()
        .filter(x -> x instanceof javafx.stage.Popup && x.isShowing())
        .map(x -> x.getScene().lookup("#text-put-text"))
        .filter(TextArea.class::isInstance)
        .findFirst()
        .ifPresent(t -> Window.run(() -> ((TextArea) t).setText("Received 3 May, berth 14")));
    pause(600);
    w.picture(picture);
    w.press(KeyCode.ESCAPE);
  }

  private static void remove(Path tree) throws IOException {
    if (Files.exists(tree)) {
      try (Stream<Path> all = Files.walk(tree)) {
        for (Path p : all.sorted(java.util.Comparator.reverseOrder()).toList()) {
          Files.delete(p);
        }
      }
    }
  }

  private static void pause(long millis) {
    try {
      Thread.sleep(millis);
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }
}
