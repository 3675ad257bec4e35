package decant.desktop.shell;

import decant.layout.Layout;
import decant.model.Document;
import decant.model.Paragraph;
import java.util.Optional;
import javafx.animation.PauseTransition;
import javafx.beans.InvalidationListener;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.util.Duration;

/** The way to the tray, the counts of the document, and work in the background. */
final class FootBar extends HBox {
  private final Desk desk;
  private final Label pages = new Label();
  private final Label words = new Label();
  private final Label findings = new Label();
  private final Label fonts = new Label();
  private final Label backgroundText = new Label();
  private final ProgressBar progress = new ProgressBar();
  private final Button cancel = new Button("Cancel");
  private final PauseTransition recount = new PauseTransition(Duration.millis(400));

  FootBar(Desk desk, Actions actions) {
    super(18);
    this.desk = desk;
    getStyleClass().add("foot-bar");
    var tray = new Button("Tray");
    tray.setId("foot-tray");
    tray.getStyleClass().add("plain");
    tray.setOnAction(e -> actions.require("tray").perform());
    var outTray = new Button("Out-tray");
    outTray.setId("foot-out-tray");
    outTray.getStyleClass().add("plain");
    outTray.setOnAction(e -> actions.require("out-tray").perform());
    var gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    words.setId("foot-words");
    pages.setId("foot-pages");
    progress.setPrefWidth(120);
    cancel.getStyleClass().add("plain");
    cancel.setOnAction(
        e -> desk.backgroundProperty().get().ifPresent(b -> b.cancelled().set(true)));
    getChildren()
        .addAll(
            tray, outTray, pages, words, findings, fonts, gap, backgroundText, progress, cancel);
    InvalidationListener changed = o -> count();
    desk.workProperty()
        .addListener((o, was, is) -> {
          was.ifPresent(w -> w.layoutProperty().removeListener(changed));
          was.ifPresent(w -> w.settledProperty().removeListener(changed));
          is.ifPresent(w -> w.layoutProperty().addListener(changed));
          is.ifPresent(w -> w.settledProperty().addListener(changed));
          count();
          countWords();
        });
    recount.setOnFinished(e -> countWords());
    desk.backgroundProperty().addListener(o -> background());
    count();
    countWords();
    background();
  }

  private void background() {
    Optional<Background> b = desk.backgroundProperty().get();
    for (javafx.scene.Node n : java.util.List.of(backgroundText, progress, cancel)) {
      n.setVisible(b.isPresent());
      n.setManaged(b.isPresent());
    }
    b.ifPresent(x -> {
      backgroundText.setText(x.label());
      progress.setProgress(x.share());
    });
  }

  private void count() {
    Optional<Work> w = desk.work();
    if (w.isPresent()) {
      Layout l = w.get().layout();
      pages.setText(
          number(l.pages().size())
              + (l.complete() ? "" : "+")
              + (l.pages().size() == 1 ? " page" : " pages"));
    } else {
      pages.setText("");
    }
    recount.playFromStart(); // words are counted when typing rests
  }

  private void countWords() {
    Optional<Work> w = desk.work();
    words.setText(w.map(x -> number(words(x.revision().document())) + " words").orElse(""));
    findings.setText(w.map(x -> plural(x.openFindings().size(), "finding")).orElse(""));
    long replaced =
        w.map(x ->
                x.taken().origin().fonts().stream()
                    .filter(f -> f.reason().equals(decant.text.FontBook.Reason.FALLBACK.label()))
                    .count())
            .orElse(0L);
    fonts.setText(w.isPresent() ? plural(replaced, "font") + " replaced" : "");
  }

  private static String plural(long n, String what) {
    return number(n) + " " + what + (n == 1 ? "" : "s");
  }

  private static String number(long n) {
    return String.format(java.util.Locale.ROOT, "%,d", n).replace(',', '\u202F');
  }

  private static long words(Document d) {
    long n = 0;
    for (Paragraph p : d.paragraphs()) {
      boolean in = false;
      String t = p.text();
      for (int k = 0; k < t.length(); k++) {
        boolean letter = Character.isLetterOrDigit(t.charAt(k));
        if (letter && !in) {
          n++;
        }
        in = letter || in && (t.charAt(k) == '\'' || t.charAt(k) == '\u2019' || t.charAt(k) == '-');
      }
    }
    return n;
  }
}
