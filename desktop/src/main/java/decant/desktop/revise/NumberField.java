package decant.desktop.revise;

import decant.words.Figures;
import java.util.function.DoubleConsumer;
import javafx.scene.control.TextField;

/** A number to be typed; what is no number is taken back. It is given by Enter or on leaving. */
final class NumberField extends TextField {
  private static final double WIDTH = 66;

  private final DoubleConsumer given;
  private final int decimals;
  private String shown = "";

  NumberField(DoubleConsumer given, int decimals) {
    this.given = given;
    this.decimals = decimals;
    setPrefWidth(WIDTH);
    setMinWidth(WIDTH);
    setOnAction(e -> give());
    focusedProperty()
        .addListener((o, was, is) -> {
          if (!is) {
            give();
          }
        });
  }

  /** Shows a number, unless another is being typed. */
  void show(double value) {
    boolean typing = isFocused() && !getText().equals(shown);
    shown = Figures.decimal(value, decimals).replace("\u202F", "");
    if (!typing) {
      setText(shown);
    }
  }

  private void give() {
    String typed = getText();
    if (typed.equals(shown)) {
      return;
    }
    try {
      double v = Double.parseDouble(typed.replace(',', '.').strip());
      shown = typed;
      given.accept(v);
      setText(shown);
    } catch (NumberFormatException e) {
      setText(shown);
    }
  }
}
