package decant.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import javafx.beans.property.SimpleObjectProperty;
import org.junit.jupiter.api.Test;

class InSightTest {
  private final SimpleObjectProperty<String> value = new SimpleObjectProperty<>("a");
  private final List<String> told = new ArrayList<>();
  private final InSight inSight = new InSight();

  private void watch() {
    inSight.on(value, (was, is) -> told.add(was + is));
  }

  @Test
  void nothingIsToldOutOfSight() {
    watch();
    value.set("b");
    assertThat(told).isEmpty();
    inSight.begin();
    assertThat(told).containsExactly("ab");
    inSight.end();
    value.set("c");
    value.set("d");
    assertThat(told).containsExactly("ab");
    inSight.begin();
    assertThat(told).as("as one change").containsExactly("ab", "bd");
  }

  @Test
  void inSightEveryChangeIsToldOnce() {
    inSight.begin();
    watch();
    inSight.begin(); // twice is once
    value.set("b");
    value.set("c");
    assertThat(told).containsExactly("ab", "bc");
    value.set("c");
    assertThat(told).hasSize(2);
  }

  @Test
  void whatIsAsItWasIsNotTold() {
    watch();
    value.set("b");
    value.set("a");
    inSight.begin();
    assertThat(told).isEmpty();
    inSight.end();
    inSight.end();
    value.set("z");
    assertThat(told).isEmpty();
  }
}
