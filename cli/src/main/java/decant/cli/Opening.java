package decant.cli;

import decant.reading.ReadRequest;
import decant.reading.Recogniser;
import decant.reading.Tesseract;
import decant.words.Words;
import java.io.BufferedReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/**
 * How files are opened. The password of locked files never comes from the command line itself,
 * which others can see.
 */
final class Opening {
  private static final Words WORDS = Words.of(Opening.class);

  @Option(
      names = "--password-file",
      paramLabel = "FILE",
      descriptionKey = "opening.opens-locked-files-with-the")
  private @Nullable Path file;

  @Option(
      names = "--password-env",
      paramLabel = "NAME",
      descriptionKey = "opening.opens-locked-files-with-the-2")
  private @Nullable String variable;

  @Option(
      names = "--recognise",
      paramLabel = "LANGUAGES",
      descriptionKey = "opening.recognises-the-text-of-pages")
  private @Nullable String languages;

  @Spec(Spec.Target.MIXEE)
  private @Nullable CommandSpec spec;

  ReadRequest request(Path document) {
    Optional<String> password = password();
    ReadRequest plain = ReadRequest.of(document);
    ReadRequest request = password.map(plain::withPassword).orElse(plain);
    return recogniser().map(request::withRecogniser).orElse(request);
  }

  /** The languages that text is recognised in, if it can be; empty if it is not asked for. */
  String languages() {
    recogniser();
    return languages == null ? "" : languages;
  }

  private Optional<Recogniser> recogniser() {
    if (languages == null) {
      return Optional.empty();
    }
    Path program =
        Tesseract.installed()
            .orElseThrow(() -> wrong(WORDS.say("opening.text-cannot-be-recognised-tesseract")));
    List<String> known = Tesseract.languages(program);
    for (String code : languages.split("\\+")) {
      if (!known.contains(code)) {
        throw wrong(
            WORDS.say("opening.tesseract-has-no-language-it", code, String.join(", ", known)));
      }
    }
    return Optional.of(Tesseract.of(program, languages));
  }

  private RuntimeException wrong(String message) {
    return Usage.wrong(spec, message);
  }

  Optional<String> password() {
    Optional<String> secret = secret(file, variable);
    if (secret.isEmpty() && (file != null || variable != null)) {
      throw wrong(
          file != null
              ? WORDS.say("opening.no-password-in-file", file)
              : WORDS.say("opening.not-set", String.valueOf(variable)));
    }
    return secret;
  }

  /** A password from the first line of a file, or from an environment variable. */
  static Optional<String> secret(@Nullable Path file, @Nullable String variable) {
    if (file != null) {
      try (BufferedReader in = Files.newBufferedReader(file)) {
        return Optional.ofNullable(in.readLine());
      } catch (IOException e) {
        return Optional.empty();
      }
    }
    return variable == null ? Optional.empty() : Optional.ofNullable(System.getenv(variable));
  }
}
