package decant.format;

import decant.model.Document;
import decant.model.edit.Fragment;
import decant.model.look.StyleSheet;
import decant.reading.Active;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.verify.Check;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/**
 * All that the program knows of one format. Its class is named in {@code
 * META-INF/services/decant.format.FormatService}, and nowhere else.
 */
public interface FormatService {
  /** Takes files of the format in. */
  @FunctionalInterface
  interface Reader {
    /** Reads a file. @throws ReadProblem with a message in the person's words */
    TakenIn read(ReadRequest request) throws ReadProblem;
  }

  /** Writes documents in the format. */
  @FunctionalInterface
  interface Writer {
    /** Writes a document. @throws IOException if the stream cannot be written */
    Written write(Document d, OutputStream out) throws IOException;

    /** One that writes every document alone, whatever it came in. */
    static Writer alone(Alone writing) {
      return (d, out) -> {
        writing.write(d, out);
        return Written.WHOLE;
      };
    }
  }

  /** Writes documents of which nothing stays that is not known. */
  @FunctionalInterface
  interface Alone {
    /** Writes a document. @throws IOException if the stream cannot be written */
    void write(Document d, OutputStream out) throws IOException;
  }

  /** Reads a file of the format back, by ways of its own, and compares it with the document. */
  @FunctionalInterface
  interface Verifier {
    List<Check> verify(Path file, Document d);
  }

  /** Locks whole files of the format with a password, and takes the lock off again. */
  interface Locker {
    /**
     * Locks a file.
     *
     * @throws IOException if it cannot be read, or the stream not be written
     */
    void lock(Path plain, String password, OutputStream out) throws IOException;

    /**
     * Takes the lock off.
     *
     * @param out takes the file as it was before it was locked
     * @throws ReadProblem if another password opens it, or none
     * @throws IOException if it cannot be read, or the stream not be written
     */
    void unlock(ReadRequest locked, OutputStream out) throws ReadProblem, IOException;
  }

  /** Reads a part of a document that another program put on the clipboard. */
  @FunctionalInterface
  interface Paste {
    /**
     * What is read; empty if nothing can be.
     *
     * @param styles those of the document that it goes into
     */
    Fragment read(String copied, StyleSheet styles);
  }

  Format format();

  /** Empty if files of the format are not taken in. */
  default Optional<Reader> reader() {
    return Optional.empty();
  }

  /** The format of templates that this format's reader takes in; empty if it has none. */
  default Optional<Format> templates() {
    return Optional.empty();
  }

  /**
   * Whether a file of the format is a template, by its content.
   *
   * @throws IOException if it cannot be read
   */
  default boolean isTemplate(Path file) throws IOException {
    return false;
  }

  /** Whether the reader of another format takes its files in, as new documents. */
  default boolean isTemplate() {
    return false;
  }

  /**
   * Whether a file of the format opens only with a password, as far as can be told at a glance.
   *
   * @throws IOException if it cannot be read
   */
  default boolean isLocked(Path file) throws IOException {
    return false;
  }

  /** Empty if documents are not written in the format; so it is for pages, which are laid out. */
  default Optional<Writer> writer() {
    return Optional.empty();
  }

  /**
   * The extension of the file that a document becomes, without the dot: one whose macros go along
   * may have to say so in its name.
   */
  default String extension(Document d, Active active) {
    return format().extension();
  }

  /** Empty if files of the format cannot be locked with a password. */
  default Optional<Locker> locker() {
    return Optional.empty();
  }

  /** Empty if nothing of the format comes by the clipboard. */
  default Optional<Paste> paste() {
    return Optional.empty();
  }

  /** Begins a ledger. */
  @FunctionalInterface
  interface LedgerWriter {
    /**
     * A ledger that is written to a stream as it is told.
     *
     * @throws IOException if the stream cannot be written
     */
    Ledger begin(String title, OutputStream out) throws IOException;
  }

  /** Empty if ledgers are not written in the format. */
  default Optional<LedgerWriter> ledger() {
    return Optional.empty();
  }

  /** There is one wherever there is a writer. */
  default Optional<Verifier> verifier() {
    return Optional.empty();
  }
}
