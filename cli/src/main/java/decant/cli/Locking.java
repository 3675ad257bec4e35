package decant.cli;

import decant.pdf.choices.Passwords;
import decant.recipe.Output;
import decant.recipe.Recipe;
import decant.words.Words;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;

/** The passwords that published files get. They never come from the command line itself. */
final class Locking {
  private static final Words WORDS = Words.of(Locking.class);

  @Option(
      names = "--open-password-file",
      paramLabel = "FILE",
      descriptionKey = "locking.the-first-line-of-file")
  private @Nullable Path openFile;

  @Option(
      names = "--open-password-env",
      paramLabel = "NAME",
      descriptionKey = "locking.the-environment-variable-name-is")
  private @Nullable String openVariable;

  @Option(
      names = "--change-password-file",
      paramLabel = "FILE",
      descriptionKey = "locking.the-first-line-of-file-2")
  private @Nullable Path changeFile;

  @Option(
      names = "--change-password-env",
      paramLabel = "NAME",
      descriptionKey = "locking.the-environment-variable-name-is-2")
  private @Nullable String changeVariable;

  @Spec(Spec.Target.MIXEE)
  private @Nullable CommandSpec spec;

  /**
   * The passwords that were given.
   *
   * @throws ParameterException if one was given that no output of the recipe can use, or a place
   *     was named that holds none: a file that was meant to be locked must not go out unlocked
   */
  Passwords passwords(Recipe recipe) throws IOException {
    Optional<String> open = given(openFile, openVariable);
    Optional<String> change = given(changeFile, changeVariable);
    if (open.isPresent() && recipe.outputs().stream().noneMatch(Locking::asksToOpen)) {
      throw wrong(WORDS.say("locking.open-unused", recipe.name()));
    }
    if (change.isPresent()
        && pdfs(recipe)
            .noneMatch(
                p -> p.settings().security().isLocked() && p.settings().security().askToChange())) {
      throw wrong(WORDS.say("locking.change-unused", recipe.name()));
    }
    return new Passwords(open.orElse(""), change.orElse(""));
  }

  /** Whether a password to open with was named. */
  boolean opens() {
    return openFile != null || openVariable != null;
  }

  private static boolean asksToOpen(Output o) {
    return switch (o) {
      case Output.Pdf p ->
          p.settings().security().isLocked() && p.settings().security().askToOpen();
      case Output.Office d -> d.password();
    };
  }

  private Optional<String> given(@Nullable Path file, @Nullable String variable)
      throws IOException {
    Optional<String> secret = Opening.secret(file, variable).filter(s -> !s.isEmpty());
    if (secret.isEmpty() && variable != null) {
      throw wrong(WORDS.say("locking.not-set", variable));
    }
    if (secret.isEmpty() && file != null) {
      throw wrong(WORDS.say("locking.empty-file", file));
    }
    return secret;
  }

  private static Stream<Output.Pdf> pdfs(Recipe recipe) {
    return recipe.outputs().stream()
        .filter(Output.Pdf.class::isInstance)
        .map(Output.Pdf.class::cast);
  }

  private RuntimeException wrong(String message) {
    return Usage.wrong(spec, message);
  }
}
