package decant.desktop.revise;

import decant.desktop.shell.Actions;
import decant.desktop.shell.Desk;
import decant.desktop.shell.InSight;
import decant.desktop.shell.Notice;
import decant.desktop.shell.Work;
import decant.io.AtomicFile;
import decant.io.WriteProblem;
import decant.model.AttachedFile;
import decant.model.edit.AttachmentEdits;
import decant.words.Figures;
import decant.words.Words;
import decant.work.Faults;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.OverrunStyle;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import javafx.stage.Window;

/** The files that the document carries along: what they are, and taking them in and out. */
public final class FilesPanel extends ScrollPane {
  private static final Words WORDS = Words.of(FilesPanel.class);

  /** A larger one does not belong inside a document; in bytes. */
  private static final long LARGEST = 100L << 20;

  private final Desk desk;
  private final Work work;
  private final Runnable back;
  private final VBox cards = new VBox(12);
  private List<AttachedFile> shown = List.of();

  FilesPanel(Desk desk, Work work, InSight inSight, Actions actions, Runnable back) {
    this.desk = desk;
    this.work = work;
    this.back = back;
    setId("files-panel");
    setHbarPolicy(ScrollBarPolicy.NEVER);
    setFitToWidth(true);
    getStyleClass().add("side-part");
    var attach = new Button(WORDS.say("files-panel.attach"));
    attach.setId("files-attach");
    attach.getStyleClass().add("quiet-button");
    attach.setOnAction(e -> actions.require("attach-file").perform());
    setContent(new VBox(12, attach, cards));
    inSight.atRest(work.revisionProperty(), this::refresh);
    fill();
  }

  static void register(Actions actions, Desk desk, Supplier<Window> window) {
    actions.add(
        "attach-file",
        "",
        () -> ReviseView.canChange(desk),
        () -> desk.work().ifPresent(w -> choose(desk, window).ifPresent(f -> attach(desk, w, f))));
  }

  private static Optional<Path> choose(Desk desk, Supplier<Window> window) {
    var chooser = new FileChooser();
    chooser.setTitle(WORDS.say("files-panel.choose"));
    desk.memory().folder().map(Path::toFile).ifPresent(chooser::setInitialDirectory);
    return Optional.ofNullable(chooser.showOpenDialog(window.get())).map(File::toPath);
  }

  /** Lets a document carry a file along, or says why it cannot. */
  public static void attach(Desk desk, Work work, Path file) {
    String name = String.valueOf(file.getFileName());
    try {
      if (Files.size(file) > LARGEST) {
        problem(desk, WORDS.say("files-panel.too-large", name, LARGEST >> 20));
        return;
      }
      String type = Optional.ofNullable(Files.probeContentType(file)).orElse("");
      var attached = new AttachedFile(name, type, "", Files.readAllBytes(file));
      work.apply(r -> AttachmentEdits.attach(r, attached));
      desk.tell(WORDS.say("files-panel.attached", name));
    } catch (IOException e) {
      Faults.mended("reading a file to attach", e); // the notice says what to do
      problem(desk, WORDS.say("files-panel.unreadable", name));
    }
  }

  private static void problem(Desk desk, String words) {
    desk.noticeProperty().set(Optional.of(Notice.problem(words)));
  }

  /** Not while words are typed here: they would go. */
  private void refresh() {
    boolean typing =
        getScene() != null && getScene().getFocusOwner() instanceof TextField f && isWithin(f);
    if (!typing && !work.revision().document().attachments().equals(shown)) {
      fill();
    }
  }

  private boolean isWithin(Node n) {
    Node up = n;
    while (up != null && up != cards) {
      up = up.getParent();
    }
    return up == cards;
  }

  /** A file as it is now: with the words that it was given since. */
  private Optional<AttachedFile> now(AttachedFile file) {
    return work.revision().document().attachments().stream()
        .filter(f -> f.bytes() == file.bytes() && f.name().equals(file.name()))
        .findFirst();
  }

  private void fill() {
    shown = work.revision().document().attachments();
    cards.getChildren().clear();
    if (shown.isEmpty()) {
      var none = new Label(WORDS.say("files-panel.none"));
      none.setWrapText(true);
      none.getStyleClass().add("quiet");
      cards.getChildren().add(none);
    }
    shown.forEach(f -> cards.getChildren().add(card(f)));
  }

  private VBox card(AttachedFile file) {
    var name = new Label(file.name());
    name.setTextOverrun(OverrunStyle.CENTER_ELLIPSIS);
    name.setTooltip(new Tooltip(file.name()));
    var size = new Label(Figures.size(file.bytes().length));
    size.getStyleClass().add("quiet");
    var words = new TextField(file.description());
    words.setPromptText(WORDS.say("files-panel.what-it-is"));
    words.setOnAction(e -> describe(file, words.getText()));
    words
        .focusedProperty()
        .addListener((o, was, is) -> {
          if (was && !is) {
            describe(file, words.getText());
          }
        });
    var save = new Button(WORDS.say("files-panel.save"));
    save.getStyleClass().add("quiet-button");
    save.setOnAction(e -> save(file));
    var remove = new Button(WORDS.say("files-panel.remove"));
    remove.getStyleClass().addAll("quiet-button", "remove-file");
    remove.setOnAction(e -> {
      now(file).ifPresent(f -> work.apply(r -> AttachmentEdits.remove(r, f)));
      fill();
      back.run();
    });
    return new VBox(4, name, size, words, new FlowPane(6, 6, save, remove));
  }

  private void describe(AttachedFile file, String words) {
    now(file).ifPresent(f -> work.apply(r -> AttachmentEdits.describe(r, f, words)));
  }

  private void save(AttachedFile file) {
    var chooser = new FileChooser();
    chooser.setTitle(WORDS.say("files-panel.save-title"));
    chooser.setInitialFileName(file.name());
    desk.memory().folder().map(Path::toFile).ifPresent(chooser::setInitialDirectory);
    Optional.ofNullable(chooser.showSaveDialog(getScene().getWindow()))
        .map(File::toPath)
        .ifPresent(f -> write(desk, f, file));
  }

  /** Writes an attached file out, as it came. */
  static void write(Desk desk, Path to, AttachedFile file) {
    try {
      AtomicFile.write(to, true, out -> out.write(file.bytes()));
      desk.tell(WORDS.say("files-panel.saved", to.getFileName()));
    } catch (WriteProblem e) {
      desk.noticeProperty().set(Optional.of(Notice.problem(e)));
    }
  }
}
