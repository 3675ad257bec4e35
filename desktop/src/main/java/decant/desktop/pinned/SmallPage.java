package decant.desktop.pinned;

import decant.desktop.page.PageSource;
import decant.desktop.page.SmallPicture;
import decant.words.Words;
import decant.work.Faults;
import java.awt.image.BufferedImage;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** A page as large as a stamp, with its number below; painted while it is in sight. */
final class SmallPage extends VBox {
  private static final Words WORDS = Words.of(SmallPage.class);
  private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");

  static final double WIDTH = 138;
  static final double HEIGHT = 182;
  private static final double WIDEST = 112;
  private static final double HIGHEST = 146;

  /** Pixels to a unit of the screen: text is a grey that can be told apart. */
  private static final double FINE = 2;

  private final int page;
  private final ImageView view = new ImageView();
  private volatile boolean wanted;

  /**
   * @param page from 0
   * @param pinned whether it stays as it was
   */
  SmallPage(int page, PageSource source, boolean pinned) {
    super(4);
    this.page = page;
    setAlignment(Pos.BOTTOM_CENTER);
    setMinSize(WIDTH, HEIGHT);
    setMaxSize(WIDTH, HEIGHT);
    getStyleClass().add("small-page");
    double scale = scale(source);
    view.setFitWidth(Math.max(1, source.width(page) * scale));
    view.setFitHeight(Math.max(1, source.height(page) * scale));
    var paper = new StackPane(view);
    paper.getStyleClass().add("paper");
    paper.setMaxSize(view.getFitWidth(), view.getFitHeight());
    paper.setMinSize(view.getFitWidth(), view.getFitHeight());
    String number = String.valueOf(page + 1);
    var label = new Label(pinned ? number : WORDS.say("small-page.flows", number));
    label.getStyleClass().add("figure");
    setAccessibleText(WORDS.say("small-page.page", number));
    getChildren().addAll(paper, label);
  }

  private double scale(PageSource source) {
    return Math.min(
        WIDEST / Math.max(1, source.width(page)), HIGHEST / Math.max(1, source.height(page)));
  }

  int page() {
    return page;
  }

  void choose(boolean is) {
    pseudoClassStateChanged(CHOSEN, is);
  }

  /** Paints it in the background, if it is not painted. */
  void comesIntoSight(PageSource source) {
    if (wanted) {
      return;
    }
    wanted = true;
    SmallPicture.show(() -> wanted ? painted(source) : Optional.empty(), view);
  }

  private Optional<BufferedImage> painted(PageSource source) {
    double scale = scale(source) * FINE;
    int w = Math.max(1, (int) Math.round(source.width(page) * scale));
    int h = Math.max(1, (int) Math.round(source.height(page) * scale));
    try {
      var image = new BufferedImage(w, h, BufferedImage.TYPE_INT_ARGB_PRE);
      source.paint(page, image, scale, 0);
      return Optional.of(image);
    } catch (RuntimeException e) {
      Faults.mended("painting a small page", e); // closed or replaced meanwhile
      return Optional.empty();
    }
  }

  void goesOutOfSight() {
    wanted = false;
    view.setImage(null);
  }
}
