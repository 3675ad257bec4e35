package decant.desktop;

import decant.desktop.page.PagesView;
import decant.desktop.shell.StageName;
import decant.desktop.shell.Work;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.Table;
import decant.model.look.ParagraphTraits;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/**
 * How long the window is busy with a key: from its arrival until the pages in sight are painted
 * again. {@code scripts/bench.sh keys [PAGES]}.
 */
final class KeyTimes {
  private static final int KEYS = 400;
  private static final int WARM = 100;

  private final Window window;
  private final Work work;

  private KeyTimes(Window window, Work work) {
    this.window = window;
    this.work = work;
  }

  public static void main(String[] args) throws IOException {
    Path state = Files.createTempDirectory("decant-keys");
    try (Window w = Window.open(state)) {
      Work work = w.takeIn(Path.of(args[0]));
      w.go(StageName.REVISE);
      w.until(() -> ((PagesView) w.stage.getScene().lookup("#pages")).settled());
      new KeyTimes(w, work).all();
    }
    System.exit(0);
  }

  private Document document() {
    return Window.on(() -> work.revision().document());
  }

  private NodeId prose(double share) {
    List<Paragraph> all = document().paragraphs();
    int k = (int) (share * (all.size() - 1));
    while (all.get(k).length() < 100) {
      k++;
    }
    return all.get(k).id();
  }

  private NodeId header() {
    return document()
        .sections()
        .getFirst()
        .running()
        .values()
        .iterator()
        .next()
        .blocks()
        .getFirst()
        .id();
  }

  private void all() {
    typed("at the start", prose(0));
    typed("in the middle", prose(0.5));
    typed(
        "in the longest paragraph",
        document().paragraphs().stream()
            .max(java.util.Comparator.comparingInt(Paragraph::length))
            .orElseThrow()
            .id());
    typed(
        "in a table",
        document().sections().getFirst().blocks().stream()
            .filter(b -> b instanceof Table)
            .map(b -> ((Table) b).rows().get(3).cells().get(1).blocks().getFirst().id())
            .findFirst()
            .orElseThrow());
    typed(
        "in a list",
        document().paragraphs().stream()
            .filter(p -> p.look().sets(ParagraphTraits.LIST))
            .skip(200)
            .findFirst()
            .orElseThrow()
            .id());
    typed(
        "in a note",
        document().stories().values().stream()
            .skip(100)
            .findFirst()
            .orElseThrow()
            .blocks()
            .getFirst()
            .id());
    typed("in a header", header());
    window.press(KeyCode.CONTROL, KeyCode.F);
    window.type("harbour");
    typed("with Find open", prose(0.5));
    window.press(KeyCode.ESCAPE);
    for (StageName s :
        List.of(StageName.TAKE_IN, StageName.PROOF, StageName.PUBLISH, StageName.REVISE)) {
      window.go(s);
      window.settle();
    }
    typed("after every stage was visited", prose(0.5));
    window.click("#side-styles");
    typed("with the styles shown", prose(0.5));
    window.click("#side-details");
    typed("with the details shown", prose(0.5));
  }

  private void typed(String where, NodeId paragraph) {
    Window.run(() -> {
      int at = work.revision().document().requireParagraph(paragraph).length() / 2;
      work.select(Selection.at(new Position(paragraph, at)));
      PagesView pages = (PagesView) window.stage.getScene().lookup("#pages");
      work.layout()
          .caret(work.revision().selection().caret())
          .ifPresent(c -> pages.reveal(c.page().number() - 1, c.top(), c.top() + 100));
      pages.requestFocus();
    });
    window.settle();
    double[] millis = new double[KEYS];
    long stolen = stolen();
    for (int k = 0; k < KEYS; k++) {
      String c = k % 6 == 5 ? " " : "a";
      millis[k] =
          Window.on(() -> {
            Node pages = window.stage.getScene().lookup("#pages");
            long start = System.nanoTime();
            Event.fireEvent(
                pages,
                new KeyEvent(
                    KeyEvent.KEY_TYPED, c, c, KeyCode.UNDEFINED, false, false, false, false));
            return (System.nanoTime() - start) / 1e6;
          });
      try {
        Thread.sleep(30); // what is done at rest is done between the keys
      } catch (InterruptedException e) {
        throw new IllegalStateException(e);
      }
    }
    double[] settled = Arrays.copyOfRange(millis, WARM, KEYS);
    Arrays.sort(settled);
    System.out.printf(
        Locale.ROOT,
        "keystroke to painted page, %s (%d pages): median %.1f ms, 99th percentile %.1f ms%n",
        where,
        Window.on(() -> work.layout().pages().size()),
        settled[settled.length / 2],
        settled[(int) (settled.length * 0.99)]);
    long taken = stolen() - stolen;
    if (taken > 0) {
      System.out.printf("  (the host took %d ms of processor time meanwhile)%n", taken);
    }
  }

  /** Processor time that the host of a virtual machine has kept for others, in ms; see proc(5). */
  private static long stolen() {
    try {
      String[] all = Files.readAllLines(Path.of("/proc/stat")).getFirst().trim().split("\\s+");
      return all.length > 8 ? Long.parseLong(all[8]) * 10 : 0;
    } catch (IOException e) {
      return 0; // no such system
    }
  }
}
