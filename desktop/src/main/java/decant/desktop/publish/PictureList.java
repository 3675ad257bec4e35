package decant.desktop.publish;

import decant.layout.item.Item;
import decant.model.Box;
import decant.model.look.Colour;
import decant.model.look.Media;
import decant.model.look.MediaId;
import decant.pdf.file.FilePart;
import decant.pdf.write.PdfWriter;
import decant.picture.PixelPicture;
import decant.publication.PageSink;
import decant.recipe.Plan;
import decant.words.Figures;
import decant.words.Words;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The pictures of the pages, how each is stored, and how much that saves. */
final class PictureList {
  private static final Words WORDS = Words.of(PictureList.class);

  /**
   * A picture.
   *
   * @param width the largest that it is placed in, in points
   */
  record Shown(Media media, double width, double height, String name) {}

  private static final int MAX = 40;

  private final PublishState state;
  private final Consumer<Shown> look;
  private final VBox root = new VBox(6);
  private Optional<PdfWriter.Written> shown = Optional.empty();

  PictureList(PublishState state, Consumer<Shown> look) {
    this.state = state;
    this.look = look;
    root.setId("picture-list");
  }

  Node node() {
    return root;
  }

  void show() {
    Optional<PdfWriter.Written> now = state.weightsProperty().get().written();
    if (now.equals(shown)) {
      return;
    }
    shown = now;
    root.getChildren().clear();
    if (now.isEmpty()) {
      return;
    }
    int n = 1;
    Map<MediaId, Shown> all = pictures();
    for (Shown s : all.values()) {
      if (n > MAX) {
        root.getChildren().add(Choosing.quiet(WORDS.count("picture-list.more", all.size() - MAX)));
        break;
      }
      root.getChildren().add(row(s, n++, now.get()));
    }
  }

  private Node row(Shown s, int n, PdfWriter.Written w) {
    long stored =
        w.bytes().getOrDefault(new FilePart(FilePart.Kind.PICTURE, s.media().id().sha256()), 0L);
    String how =
        w.pictures().getOrDefault(s.media().id(), WORDS.say("picture-list.cannot-be-shown"));
    String pixels =
        PixelPicture.size(s.media().bytes())
            .map(i ->
                WORDS.say(
                    "picture-list.pixels",
                    i.width,
                    i.height,
                    Math.round(i.width / Math.max(1, s.width()) * 72)))
            .orElse("");
    var text =
        Choosing.quiet(
            WORDS.say(
                "picture-list.row",
                n,
                pixels,
                how,
                Figures.size(s.media().bytes().length),
                Figures.size(stored)));
    HBox.setHgrow(text, Priority.ALWAYS);
    text.setMaxWidth(Double.MAX_VALUE);
    var closer = new Button(WORDS.say("picture-list.closer"));
    closer.setId("picture-closer-" + n);
    closer.setMinWidth(Label.USE_PREF_SIZE);
    closer.setOnAction(e ->
        look.accept(
            new Shown(s.media(), s.width(), s.height(), WORDS.say("picture-list.picture", n))));
    return new HBox(6, text, closer);
  }

  private Map<MediaId, Shown> pictures() {
    var out = new LinkedHashMap<MediaId, Shown>();
    var layout = state.work().layout();
    for (Plan.Item item : state.files()) {
      if (item instanceof Plan.Item.Pdf p) {
        for (int page : p.choices().pages()) {
          if (page < layout.pages().size()) {
            layout.walk(layout.pages().get(page), new Collecting(out));
          }
        }
      }
    }
    return out;
  }

  /** Notes the largest size of each picture. */
  private final class Collecting implements PageSink {
    private final Map<MediaId, Shown> out;

    Collecting(Map<MediaId, Shown> out) {
      this.out = out;
    }

    @Override
    public void glyphs(Item.GlyphRun run, double x, double y) {}

    @Override
    public void fill(Box box, Colour colour) {}

    @Override
    public void picture(Item.PictureBox picture, Box box) {
      Media m = state.work().layout().document().media().get(picture.media());
      if (m != null) {
        out.merge(
            m.id(),
            new Shown(m, box.width(), box.height(), ""),
            (a, b) -> a.width() >= b.width() ? a : b);
      }
    }
  }
}
