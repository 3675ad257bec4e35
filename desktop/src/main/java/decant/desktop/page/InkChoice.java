package decant.desktop.page;

import decant.model.look.Colour;
import decant.words.Words;
import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;

/** The inks that are written and drawn with. */
public final class InkChoice extends HBox {
  private static final Words WORDS = Words.of(InkChoice.class);
  private static final List<Integer> INKS = List.of(0x1F2A66, 0x000000, 0xB3261E, 0x2E6B34);

  private Colour chosen;

  /**
   * @param id what those of its buttons begin with
   * @param first one of the inks
   */
  public InkChoice(String id, Colour first, Consumer<Colour> whenChosen) {
    super(6);
    this.chosen = first;
    setAlignment(Pos.CENTER_LEFT);
    getChildren().add(new Label(WORDS.say("ink-choice.ink")));
    var group = new ToggleGroup();
    for (int rgb : INKS) {
      var ink = new Colour(rgb);
      var b = new ToggleButton();
      b.getStyleClass().addAll("colour", "ink");
      b.setStyle("-fx-background-color: #" + ink.hex());
      b.setAccessibleText(WORDS.say("ink-choice.colour", ink.hex()));
      b.setId(id + ink.hex());
      b.setToggleGroup(group);
      b.setSelected(ink.equals(first));
      b.setOnAction(e -> {
        b.setSelected(true);
        chosen = ink;
        whenChosen.accept(ink);
      });
      getChildren().add(b);
    }
  }

  /** The blue one, which is told from what is printed. */
  public static Colour usual() {
    return new Colour(INKS.getFirst());
  }

  public Colour chosen() {
    return chosen;
  }
}
