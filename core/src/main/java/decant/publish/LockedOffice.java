package decant.publish;

import decant.format.Format;
import decant.format.FormatService;
import decant.format.Formats;
import decant.format.Written;
import decant.model.Document;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.verify.Check;
import decant.words.Words;
import decant.work.Faults;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * A document that opens only with a password: written as it is, then locked as a whole; what is
 * verified is what the password gives back.
 */
record LockedOffice(Format format, String password) {
  private static final Words WORDS = Words.of(LockedOffice.class);

  private FormatService.Locker locker() {
    return Formats.locker(format).orElseThrow();
  }

  /** Writes it. @throws IOException if it cannot be written */
  Written write(Document d, OutputStream out) throws IOException {
    Path plain = Files.createTempFile("decant", ".plain");
    try {
      Written written;
      try (OutputStream o = new BufferedOutputStream(Files.newOutputStream(plain))) {
        written = Formats.writer(format).write(d, o);
      }
      locker().lock(plain, password, out);
      return written;
    } finally {
      Files.deleteIfExists(plain);
    }
  }

  /** Whether the password opens it, no other does, and all is in it. */
  List<Check> verify(Path file, Document d) {
    var out = new ArrayList<Check>();
    try {
      Path plain = Files.createTempFile("decant", ".plain");
      try {
        try (OutputStream o = new BufferedOutputStream(Files.newOutputStream(plain))) {
          locker().unlock(ReadRequest.of(file).withPassword(password), o);
        }
        out.add(
            Check.of(
                WORDS.say("locked-office.lock"),
                isShut(file),
                WORDS.say("locked-office.opens-with-its-password-only"),
                WORDS.say("locked-office.opens-with-another")));
        out.addAll(Formats.verifier(format).verify(plain, d));
      } finally {
        Files.deleteIfExists(plain);
      }
    } catch (IOException | ReadProblem e) {
      Faults.mended("opening what was locked", e);
      out.add(
          Check.of(
              WORDS.say("locked-office.lock"),
              false,
              "",
              WORDS.say("locked-office.does-not-open")));
    }
    return out;
  }

  private boolean isShut(Path file) throws IOException {
    try {
      locker()
          .unlock(
              ReadRequest.of(file).withPassword(password + "?"), OutputStream.nullOutputStream());
      return false;
    } catch (ReadProblem e) {
      return e.kind() == ReadProblem.Kind.WRONG_PASSWORD;
    }
  }
}
