package decant.cli;

import static decant.cli.Called.run;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What every command says of a call that cannot be meant. */
class MainTest {
  @TempDir Path folder;

  @Test
  void wrongUsageIsStatusTwo() {
    assertThat(run().status()).isEqualTo(2);
    assertThat(run("publish").status()).isEqualTo(2);
    assertThat(run("describe", "x.pdf").status()).isEqualTo(2);
    assertThat(run("publish", "a.pdf", "--to", "tiff").status()).isEqualTo(2);
    assertThat(run("publish", "a.pdf", "b.pdf", "--out", "one.pdf").status()).isEqualTo(2);
    assertThat(run("publish", "--help").status()).isZero();
    assertThat(run("--help").out()).contains("publish", "describe");
  }

  @Test
  void recipesThatCannotBeUsedAreWrongUsage() throws IOException {
    Called unknown = run("publish", "a.pdf", "--recipe", "Nonesuch");
    assertThat(unknown.status()).isEqualTo(2);
    assertThat(unknown.err()).contains("There is no recipe “Nonesuch”", "Counter copy");
    Path bad = Files.writeString(folder.resolve("bad.json"), "{\"decant-recipe\": 2}");
    Called broken = run("publish", "a.pdf", "--recipe", bad.toString());
    assertThat(broken.status()).isEqualTo(2);
    assertThat(broken.err()).contains("has no \"name\"");
    assertThat(run("publish", "a.pdf", "--recipe", "Light copy", "--to", "pdf").status())
        .isEqualTo(2);
  }
}
