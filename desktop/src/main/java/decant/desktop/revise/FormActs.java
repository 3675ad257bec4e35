package decant.desktop.revise;

import decant.blanks.Blank;
import decant.blanks.BlankFiles;
import decant.blanks.Blanks;
import decant.desktop.shell.Desk;
import decant.desktop.shell.FilledForms;
import decant.desktop.shell.LongChange;
import decant.desktop.shell.Notice;
import decant.desktop.shell.QuietButton;
import decant.desktop.shell.Work;
import decant.io.AtomicFile;
import decant.io.WriteProblem;
import decant.pin.MadeFields;
import decant.words.Words;
import java.io.File;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;

/** What can be done with what is filled in: emptying, taking it out and in, a file for each row. */
final class FormActs {
  private static final Words WORDS = Words.of(FormActs.class);

  private final Desk desk;
  private final Work work;
  private final Filling filling;
  private final FlowPane acts = new FlowPane(6, 6);
  private final Label flat = new Label(WORDS.say("form-acts.flat"));
  private final Button make = QuietButton.of("form-make", WORDS.say("form-acts.make"), this::make);
  private final VBox node = new VBox(8, flat, make, acts);

  FormActs(Desk desk, Work work, Filling filling) {
    this.desk = desk;
    this.work = work;
    this.filling = filling;
    flat.setWrapText(true);
    flat.getStyleClass().add("quiet");
    acts.getChildren()
        .addAll(
            QuietButton.of("form-empty", WORDS.say("form-acts.empty"), this::empty),
            QuietButton.of("form-out", WORDS.say("form-acts.out"), this::chooseOut),
            QuietButton.of("form-in", WORDS.say("form-acts.in"), this::chooseIn));
  }

  Node node() {
    return node;
  }

  /**
   * Nothing can be done where there is nothing to fill in.
   *
   * @param any whether there are fields
   */
  void offer(boolean any) {
    acts.setVisible(any);
    acts.setManaged(any);
    boolean more = MadeFields.isWorth(work.revision().document(), work.taken().findings());
    for (Node n : List.of(flat, make)) {
      n.setVisible(more);
      n.setManaged(more);
    }
  }

  /** Makes fields of lines and boxes. */
  private void make() {
    make.setDisable(true);
    var names = new ArrayList<String>();
    LongChange.start(
        work,
        r -> {
          MadeFields.Result made = MadeFields.make(r);
          names.addAll(made.names());
          return made.names().isEmpty() ? Optional.empty() : Optional.of(made.revision());
        },
        why -> {
          make.setDisable(false);
          desk.tell(why);
        },
        () -> {
          make.setDisable(false);
          desk.tell(WORDS.count("form-acts.made", names.size()));
        },
        () -> {
          make.setDisable(false);
          desk.tell(WORDS.say("form-acts.none"));
        });
  }

  private List<Blank> blanks() {
    return Blanks.of(work.revision().document());
  }

  private void empty() {
    var none = new LinkedHashMap<String, String>();
    blanks().forEach(b -> none.put(b.name(), ""));
    filling.fill(none, left -> {});
  }

  private FileChooser chooser(String title) {
    var c = new FileChooser();
    c.setTitle(title);
    for (BlankFiles.Kind k : BlankFiles.Kind.values()) {
      c.getExtensionFilters().add(new FileChooser.ExtensionFilter(k.name(), "*." + k.extension()));
    }
    desk.memory().folder().map(Path::toFile).ifPresent(c::setInitialDirectory);
    return c;
  }

  private void chooseOut() {
    FileChooser c = chooser(WORDS.say("form-acts.out"));
    c.setInitialFileName(work.stem());
    Optional.ofNullable(c.showSaveDialog(node.getScene().getWindow()))
        .map(File::toPath)
        .ifPresent(this::writeTo);
  }

  private void chooseIn() {
    Optional.ofNullable(
            chooser(WORDS.say("form-acts.in")).showOpenDialog(node.getScene().getWindow()))
        .map(File::toPath)
        .ifPresent(this::takeFrom);
  }

  /** Writes what is filled in; the end of the name says in which kind of file. */
  void writeTo(Path file) {
    try {
      BlankFiles.Kind kind = BlankFiles.Kind.of(file);
      String form = String.valueOf(work.source().getFileName());
      List<Blank> all = blanks();
      AtomicFile.write(file, true, out -> BlankFiles.write(kind, all, form, out));
      desk.tell(WORDS.say("form-acts.written", file.getFileName()));
    } catch (BlankFiles.Problem | WriteProblem e) {
      desk.noticeProperty().set(Optional.of(Notice.problem(e.getMessage())));
    }
  }

  /** Fills in what a file has; one of several rows makes a file of each. */
  void takeFrom(Path file) {
    try {
      List<Map<String, String>> rows = BlankFiles.read(file);
      if (rows.size() > 1) {
        FilledForms.publish(desk, work, rows);
        return;
      }
      if (!rows.isEmpty()) {
        take(rows.getFirst());
      }
    } catch (BlankFiles.Problem e) {
      desk.noticeProperty().set(Optional.of(Notice.problem(e.getMessage())));
    }
  }

  private void take(Map<String, String> values) {
    var good = new LinkedHashMap<String, String>();
    var unknown = new TreeSet<>(values.keySet());
    var refused = new TreeSet<String>();
    for (Blank b : blanks()) {
      String v = values.get(b.name());
      unknown.remove(b.name());
      if (v == null) {
        continue;
      }
      String plain = b.isSwitch() && v.equals(Blank.OFF) ? "" : v;
      if (b.problem(plain).isPresent()) {
        refused.add(b.name());
      } else {
        good.put(b.name(), plain);
      }
    }
    filling.fill(
        good,
        left -> {
          refused.addAll(left);
          desk.tell(said(good.size() - left.size(), unknown, refused));
        });
  }

  private static String said(int taken, TreeSet<String> unknown, TreeSet<String> refused) {
    var out = new StringBuilder(WORDS.count("form-acts.taken", taken));
    if (!refused.isEmpty()) {
      out.append(' ').append(WORDS.say("form-acts.refused", String.join(", ", refused)));
    }
    if (!unknown.isEmpty()) {
      out.append(' ').append(WORDS.say("form-acts.unknown", String.join(", ", unknown)));
    }
    return out.toString();
  }
}
