package decant.words;

import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** Something that went wrong, whose message is for the person; there always is one. */
public abstract class Telling extends Exception {
  private static final long serialVersionUID = 1;

  protected Telling(String message) {
    super(message);
  }

  protected Telling(String message, @Nullable Throwable cause) {
    super(message, cause);
  }

  @Override
  public final String getMessage() {
    return Objects.requireNonNull(super.getMessage());
  }
}
