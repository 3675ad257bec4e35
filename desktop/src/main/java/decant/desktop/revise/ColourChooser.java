package decant.desktop.revise;

import decant.model.look.Colour;
import decant.words.Words;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.image.ImageView;
import javafx.scene.image.WritableImage;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.stage.Popup;

/** Any colour: the document's own first, then some usual ones, then by eye or by its number. */
final class ColourChooser {
  private static final Words WORDS = Words.of(ColourChooser.class);

  /** The usual ones. */
  static final List<Integer> USUAL =
      List.of(0x000000, 0x5A5A5A, 0x7B1E3A, 0xB3261E, 0xB25E00, 0x2E6B34, 0x0B5C7A, 0x1F3A93);

  private static final int WIDTH = 216;
  private static final int HEIGHT = 110;
  private static final int STRIP = 14;
  private static final double WHOLE = 360;

  private final Popup popup = new Popup();
  private final VBox box = new VBox(7);
  private final ImageView shades = new ImageView();
  private final TextField number = new TextField();
  private final Region shown = new Region();
  private final Consumer<Colour> chosen;
  private double hue;

  /**
   * @param own the document's own colours
   * @param none offered as no colour, where there can be none
   */
  ColourChooser(Colour now, List<Colour> own, Optional<Colour> none, Consumer<Colour> chosen) {
    this.chosen = chosen;
    this.hue = Color.rgb(now.red(), now.green(), now.blue()).getHue();
    box.getStylesheets()
        .add(ColourChooser.class.getResource("/decant/desktop/decant.css").toExternalForm());
    if (!own.isEmpty()) {
      box.getChildren().addAll(name("colour-chooser.own"), swatches(own));
    }
    box.getChildren()
        .addAll(name("colour-chooser.usual"), swatches(USUAL.stream().map(Colour::new).toList()));
    none.ifPresent(c -> {
      var b = new Button(WORDS.say("colour-chooser.none"));
      b.getStyleClass().add("quiet-button");
      b.setId("colour-none");
      b.setOnAction(e -> choose(c));
      box.getChildren().add(b);
    });
    var hues = new ImageView(hues());
    hues.setOnMousePressed(e -> turn(e.getX()));
    hues.setOnMouseDragged(e -> turn(e.getX()));
    shades.setOnMousePressed(this::look);
    shades.setOnMouseDragged(this::look);
    shades.setOnMouseReleased(e -> choose(at(e)));
    number.setId("colour-number");
    number.setText("#" + now.hex());
    number.setPrefWidth(92);
    number.setAccessibleText(WORDS.say("colour-chooser.number"));
    number.setOnAction(e -> parsed(number.getText()).ifPresent(this::choose));
    shown.setMinSize(24, 24);
    show(now);
    var use = new Button(WORDS.say("colour-chooser.use"));
    use.getStyleClass().add("quiet-button");
    use.setOnAction(e -> parsed(number.getText()).ifPresent(this::choose));
    box.getChildren()
        .addAll(name("colour-chooser.any"), shades, hues, new HBox(6, number, shown, use));
    shade();
    popup.getContent().add(box);
    popup.setAutoHide(true);
  }

  /** Shows it below a node. */
  void show(Node below) {
    Bounds b = below.localToScreen(below.getBoundsInLocal());
    if (b == null) {
      return;
    }
    box.getStyleClass().setAll("frame", "colour-chooser");
    if (below.getScene().getRoot().getStyleClass().contains("dark")) {
      box.getStyleClass().add("dark");
    }
    popup.show(below, b.getMinX(), b.getMaxY() + 4);
  }

  /** From six or three hexadecimal digits, with or without a number sign before them. */
  static Optional<Colour> parsed(String typed) {
    String hex = typed.strip().replaceFirst("^#", "").toUpperCase(Locale.ROOT);
    if (hex.matches("[0-9A-F]{3}")) {
      hex = hex.replaceAll("(.)", "$1$1");
    }
    return hex.matches("[0-9A-F]{6}") ? Optional.of(Colour.parse(hex)) : Optional.empty();
  }

  private static Label name(String key) {
    var l = new Label(WORDS.say(key));
    l.getStyleClass().add("quiet");
    return l;
  }

  private FlowPane swatches(List<Colour> colours) {
    var row = new FlowPane(3, 3);
    row.setPrefWrapLength(WIDTH);
    colours.forEach(c -> row.getChildren().add(swatch(c, () -> choose(c))));
    return row;
  }

  /** A button in a colour. */
  static Button swatch(Colour c, Runnable act) {
    var b = new Button();
    b.getStyleClass().add("colour");
    b.setStyle("-fx-background-color: #" + c.hex() + ";");
    b.setId("colour-" + c.hex());
    b.setAccessibleText(WORDS.say("colour-chooser.colour", c.hex()));
    b.setTooltip(new Tooltip(WORDS.say("colour-chooser.colour", c.hex())));
    b.setOnAction(e -> act.run());
    return b;
  }

  private void choose(Colour c) {
    popup.hide();
    chosen.accept(c);
  }

  private void turn(double x) {
    hue = Math.clamp(x / WIDTH, 0, 1) * WHOLE;
    shade();
  }

  private void look(MouseEvent e) {
    show(at(e));
  }

  private void show(Colour c) {
    number.setText("#" + c.hex());
    shown.setStyle("-fx-background-radius: 4; -fx-background-color: #" + c.hex() + ";");
  }

  private Colour at(MouseEvent e) {
    return colour(
        Color.hsb(
            hue, Math.clamp(e.getX() / WIDTH, 0, 1), 1 - Math.clamp(e.getY() / HEIGHT, 0, 1)));
  }

  private static Colour colour(Color c) {
    return new Colour(
        (int) Math.round(c.getRed() * 255) << 16
            | (int) Math.round(c.getGreen() * 255) << 8
            | (int) Math.round(c.getBlue() * 255));
  }

  private void shade() {
    var image = new WritableImage(WIDTH, HEIGHT);
    for (int y = 0; y < HEIGHT; y++) {
      for (int x = 0; x < WIDTH; x++) {
        image
            .getPixelWriter()
            .setColor(x, y, Color.hsb(hue, x / (double) WIDTH, 1 - y / (double) HEIGHT));
      }
    }
    shades.setImage(image);
  }

  private static WritableImage hues() {
    var image = new WritableImage(WIDTH, STRIP);
    for (int x = 0; x < WIDTH; x++) {
      Color c = Color.hsb(x * WHOLE / WIDTH, 0.85, 0.9);
      for (int y = 0; y < STRIP; y++) {
        image.getPixelWriter().setColor(x, y, c);
      }
    }
    return image;
  }
}
