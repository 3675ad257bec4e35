package decant.format;

import decant.model.finding.Finding;
import decant.reading.ActiveContent;
import decant.reading.ReadProblem;
import decant.reading.ReadProblem.Kind;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.words.Words;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Takes files in: finds out what they are and hands them to their reader. The file is only ever
 * read.
 */
public final class Intake {
  private static final Words WORDS = Words.of(Intake.class);

  private Intake() {}

  /** Takes a file in. @throws ReadProblem with a message in the person's words */
  public static TakenIn take(ReadRequest request) throws ReadProblem {
    Format format = recognise(request);
    if (format.equals(Unserved.LOCKED_OFFICE)) {
      return unlocked(request);
    }
    try {
      TakenIn taken = Formats.reader(format).orElseThrow(() -> refused(format)).read(request);
      return taken.withFindings(ActiveContent.in(taken.document()));
    } catch (OutOfMemoryError e) {
      throw ReadProblem.tooLarge();
    } catch (RuntimeException | StackOverflowError e) {
      throw ReadProblem.fault(e);
    }
  }

  /** An office document that is locked as a whole: what it is shows when it is open. */
  private static TakenIn unlocked(ReadRequest request) throws ReadProblem {
    if (request.password().isEmpty()) {
      throw new ReadProblem(Kind.ENCRYPTED, WORDS.say("intake.the-document-is-locked-with"));
    }
    Path plain = null;
    try {
      plain = Files.createTempFile("decant", ".plain");
      try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(plain))) {
        Formats.locker(Formats.working()).orElseThrow().unlock(request, out);
      }
      TakenIn taken = take(request.withFile(plain));
      return taken.withFindings(
          List.of(
              Finding.general(
                  Finding.Kind.SOURCE_LOCKED,
                  Finding.Severity.NOTE,
                  WORDS.say("intake.source-locked"))));
    } catch (IOException e) {
      throw new ReadProblem(Kind.UNREADABLE, WORDS.say("intake.the-file-cannot-be-read"), e);
    } finally {
      discard(plain);
    }
  }

  private static void discard(@Nullable Path file) {
    try {
      if (file != null) {
        Files.deleteIfExists(file);
      }
    } catch (IOException e) {
      file.toFile().deleteOnExit();
    }
  }

  /** A name that says nothing of what the file is gets a word that does. */
  private static String described(Format f) {
    return f.name().indexOf(' ') < 0 && f.family() == Format.Family.TEXT
        ? f.name() + " document"
        : f.name();
  }

  private static ReadProblem refused(Format f) {
    String takenIn = Formats.names(Formats.takenIn());
    if (f.equals(Unserved.UNKNOWN)) {
      return new ReadProblem(
          Kind.NOT_A_DOCUMENT, WORDS.say("intake.this-is-not-a-document", takenIn));
    }
    boolean document = !f.equals(Unserved.ZIP) && !f.equals(Unserved.PICTURE);
    return new ReadProblem(
        document ? Kind.NOT_SERVED : Kind.NOT_A_DOCUMENT,
        WORDS.say("intake.this-is-decant-takes-in", article(described(f)), takenIn));
  }

  /**
   * What a file is, by its content.
   *
   * @throws ReadProblem if there is none, or it cannot be read
   */
  public static Format recognise(ReadRequest request) throws ReadProblem {
    Path file = request.file();
    if (!Files.exists(file)) {
      throw new ReadProblem(Kind.NOT_FOUND, WORDS.say("intake.there-is-no-file-of"));
    }
    if (Files.isDirectory(file)) {
      throw new ReadProblem(Kind.NOT_A_DOCUMENT, WORDS.say("intake.this-is-a-folder-not"));
    }
    try {
      long size = Files.size(file);
      if (size == 0) {
        throw new ReadProblem(Kind.EMPTY, WORDS.say("intake.the-file-is-empty"));
      }
      if (size > request.limits().fileBytes()) {
        throw new ReadProblem(
            Kind.TOO_LARGE,
            WORDS.say(
                "intake.the-file-has-mib-up",
                (size / 1_000_000),
                (request.limits().fileBytes() / 1_000_000)));
      }
      return Formats.recognise(file);
    } catch (AccessDeniedException e) {
      throw new ReadProblem(Kind.UNREADABLE, WORDS.say("intake.you-have-no-permission-to"), e);
    } catch (IOException e) {
      throw new ReadProblem(Kind.UNREADABLE, WORDS.say("intake.the-file-cannot-be-read"), e);
    }
  }

  private static String article(String label) {
    return ("AEIOX".indexOf(label.charAt(0)) >= 0
                || "aeio".indexOf(label.charAt(0)) >= 0
                || label.startsWith("HTML")
                || label.startsWith("RTF")
            ? WORDS.say("intake.an")
            : "a ")
        + label;
  }
}
