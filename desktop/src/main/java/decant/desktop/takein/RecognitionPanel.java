package decant.desktop.takein;

import decant.desktop.shell.Desk;
import decant.desktop.shell.Work;
import decant.model.finding.Finding;
import decant.reading.Tesseract;
import decant.words.Words;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;

/** Offers to recognise the text of pages that are pictures; not there where no page is one. */
final class RecognitionPanel extends VBox {
  private static final Words WORDS = Words.of(RecognitionPanel.class);

  private final Label message = new Label();
  private final long pages;

  RecognitionPanel(Desk desk, Work work) {
    super(6);
    pages =
        work.taken().findings().stream().filter(f -> f.kind() == Finding.Kind.SCANNED_PAGE).count();
    setManaged(pages > 0);
    setVisible(pages > 0);
    setId("recognition");
    getStyleClass().add("mend");
    message.setWrapText(true);
    message.setMinHeight(USE_PREF_SIZE);
    message.setId("recognition-message");
    getChildren().add(message);
    if (pages > 0) {
      String count = WORDS.count("recognition-panel.scans", pages);
      message.setText(count);
      // Asking the program which languages it has takes a moment.
      var asking = new Thread(() -> ask(desk, count), "recognition");
      asking.setDaemon(true);
      asking.start();
    }
  }

  private void ask(Desk desk, String count) {
    Optional<Path> program = Tesseract.installed();
    List<String> languages = program.map(Tesseract::languages).orElse(List.of());
    Platform.runLater(() -> {
      if (program.isEmpty() || languages.isEmpty()) {
        message.setText(WORDS.say("recognition-panel.not-installed", count));
      } else {
        offer(desk, program.get(), languages);
      }
    });
  }

  private void offer(Desk desk, Path program, List<String> languages) {
    var language = new ComboBox<String>();
    language.setId("recognition-language");
    language.getItems().setAll(languages);
    language.setConverter(
        new StringConverter<>() {
          @Override
          public String toString(String code) {
            return code == null ? "" : Tesseract.name(code);
          }

          @Override
          public String fromString(String name) {
            return name;
          }
        });
    language.getSelectionModel().select(languages.contains("eng") ? "eng" : languages.getFirst());
    language.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(language, Priority.ALWAYS);
    var go = new Button(WORDS.count("recognition-panel.recognise", pages));
    go.setId("recognition-go");
    go.setOnAction(e -> desk.recognise(Tesseract.of(program, language.getValue())));
    getChildren().add(new HBox(6, language, go));
  }
}
