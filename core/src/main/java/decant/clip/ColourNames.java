package decant.clip;

import decant.model.look.Colour;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Objects;
import java.util.Optional;
import java.util.Properties;

/** The colours that have names (CSS Color 4, §6.1). */
final class ColourNames {
  private static final Properties NAMES = read();

  private ColourNames() {}

  /** A colour by its name, in small letters; empty if none has it. */
  static Optional<Colour> of(String name) {
    return Optional.ofNullable(NAMES.getProperty(name)).map(Colour::parse);
  }

  private static Properties read() {
    var out = new Properties();
    try (InputStream in =
        Objects.requireNonNull(ColourNames.class.getResourceAsStream("colours.properties"))) {
      out.load(in);
      return out;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
