package decant.format;

import decant.format.Format.Family;
import decant.model.Document;
import decant.model.walk.HiddenText;
import decant.reading.Active;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.ServiceLoader;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Every format that is known, and what serves it. */
public final class Formats {
  private static final List<FormatService> SERVICES =
      ServiceLoader.load(FormatService.class, Formats.class.getClassLoader()).stream()
          .map(ServiceLoader.Provider::get)
          .toList();

  /** What work is made of, and must not be lost where it is kept. */
  private static final Set<Format.Holding> WORK =
      EnumSet.of(
          Format.Holding.LOOKS,
          Format.Holding.PLACES,
          Format.Holding.PICTURES,
          Format.Holding.RUNNING_TEXTS,
          Format.Holding.COMMENTS,
          Format.Holding.COMMENTS_BESIDE,
          Format.Holding.KEPT_PARTS);

  private static final Format AS_SOURCE =
      new Format(
          "source",
          "source",
          Family.TEXT,
          "application/octet-stream",
          List.of("source"),
          c -> false,
          EnumSet.allOf(Format.Holding.class));

  private static final String PAGES = "pdf";
  private static final String WORKING = "docx";
  private static final String OLDER = "doc";
  private static final String COPIED = "rtf";

  private Formats() {}

  private static Optional<FormatService> service(Format f) {
    return SERVICES.stream().filter(s -> s.format().equals(f)).findFirst();
  }

  /** The formats that are taken in, or written, or both. */
  public static List<Format> served() {
    return SERVICES.stream().map(FormatService::format).toList();
  }

  /** The formats that are taken in. */
  public static List<Format> takenIn() {
    return SERVICES.stream()
        .filter(s -> s.reader().isPresent())
        .map(FormatService::format)
        .toList();
  }

  /** The formats whose files can be opened: those that are taken in, and their templates. */
  public static List<Format> opened() {
    return SERVICES.stream()
        .filter(s -> s.reader().isPresent() || s.isTemplate())
        .map(FormatService::format)
        .toList();
  }

  /** The formats of editable documents that are written. */
  public static List<Format> written() {
    return SERVICES.stream()
        .filter(s -> s.writer().isPresent())
        .map(FormatService::format)
        .toList();
  }

  /** The format of this id; empty if none is served. */
  public static Optional<Format> of(String id) {
    return served().stream().filter(f -> f.id().equals(id)).findFirst();
  }

  /** What a file is, by its content, never by its name. @throws IOException if it cannot be read */
  public static Format recognise(Path file) throws IOException {
    FileContent content = FileContent.of(file);
    return Stream.concat(served().stream(), Unserved.ALL.stream())
        .filter(f -> f.sniffer().knows(content))
        .findFirst()
        .orElse(Unserved.UNKNOWN);
  }

  /** Whether files of a format are templates, which are taken in as new documents. */
  public static boolean isTemplate(Format f) {
    return service(f).filter(FormatService::isTemplate).isPresent();
  }

  /**
   * What a file is, with templates told from documents.
   *
   * @throws IOException if it cannot be read
   */
  public static Format recogniseTemplates(Path file) throws IOException {
    Format f = recognise(file);
    Optional<FormatService> s = service(f).filter(x -> x.templates().isPresent());
    return s.isPresent() && s.get().isTemplate(file) ? s.get().templates().orElseThrow() : f;
  }

  /** The format by whose reader files of a format are taken in: for templates, their documents'. */
  public static Format documentsOf(Format f) {
    return SERVICES.stream()
        .filter(s -> s.templates().filter(f::equals).isPresent())
        .map(FormatService::format)
        .findFirst()
        .orElse(f);
  }

  /**
   * Whether a file of a format opens only with a password, as far as can be told without taking it
   * in.
   *
   * @throws IOException if it cannot be read
   */
  public static boolean isLocked(Format f, Path file) throws IOException {
    Optional<FormatService> s = service(documentsOf(f));
    return s.isPresent() ? s.get().isLocked(file) : f.equals(Unserved.LOCKED_OFFICE);
  }

  /** A format as a sentence calls a file of it: "XLSX workbook", "file of an unknown kind". */
  public static String described(Format f) {
    return f.equals(Unserved.UNKNOWN) ? "file of an unknown kind" : f.name();
  }

  /** What takes files of a format in; empty if nothing does. */
  public static Optional<FormatService.Reader> reader(Format f) {
    return service(f).flatMap(FormatService::reader);
  }

  /** What writes a format. @throws IllegalArgumentException if it is none of {@link #written} */
  public static FormatService.Writer writer(Format f) {
    FormatService.Writer own =
        service(f).flatMap(FormatService::writer).orElseThrow(() -> unwritten(f));
    return (d, out) -> own.write(going(d, f), out);
  }

  /**
   * What of a document goes into a format: text that does not show, only where it can be hidden.
   */
  private static Document going(Document d, Format f) {
    return f.holds().contains(Format.Holding.HIDDEN_TEXT) ? d : HiddenText.without(d);
  }

  /** The extension of the file that a document becomes in a format that is written. */
  public static String extension(Format f, Document d, Active active) {
    return service(f).orElseThrow(() -> unwritten(f)).extension(d, active);
  }

  /** What verifies files of a format that is written. */
  public static FormatService.Verifier verifier(Format f) {
    FormatService.Verifier own =
        service(f).flatMap(FormatService::verifier).orElseThrow(() -> unwritten(f));
    return (file, d) -> own.verify(file, going(d, f));
  }

  /** What locks files of a format with a password; empty if they cannot be locked. */
  public static Optional<FormatService.Locker> locker(Format f) {
    return service(f).flatMap(FormatService::locker);
  }

  /** Reads what another program copied in a format; nothing if it is not read from there. */
  public static Optional<FormatService.Paste> paste(Format f) {
    return service(f).flatMap(FormatService::paste);
  }

  /** What writes ledgers into files of this name; empty if nothing does. */
  public static Optional<FormatService.LedgerWriter> ledger(String name) {
    return byExtension(name).flatMap(Formats::service).flatMap(FormatService::ledger);
  }

  /** The formats that ledgers are written in. */
  public static List<Format> ledgers() {
    return SERVICES.stream()
        .filter(s -> s.ledger().isPresent())
        .map(FormatService::format)
        .toList();
  }

  private static IllegalArgumentException unwritten(Format f) {
    return new IllegalArgumentException("documents are not written as " + f.name());
  }

  /** The format of published pages. */
  public static Format pages() {
    return of(PAGES).orElseThrow();
  }

  /** The format that work is kept in: the one that loses least of a document. */
  public static Format working() {
    return of(WORKING).orElseThrow();
  }

  /**
   * The formats that working copies are saved in: those that are written and taken in again, and
   * hold all that a document is made of.
   */
  public static List<Format> ofCopies() {
    return written().stream()
        .filter(takenIn()::contains)
        .filter(f -> f.holds().containsAll(WORK))
        .toList();
  }

  /**
   * Stands for the format of the source, where that is one of copies, and for the working format
   * elsewhere; see {@link #forSource}.
   */
  public static Format asSource() {
    return AS_SOURCE;
  }

  /** What a format comes to for a source of a kind; itself, if it does not depend on that. */
  public static Format forSource(Format f, Optional<Format> source) {
    return f.equals(AS_SOURCE)
        ? source.filter(ofCopies()::contains).orElseGet(Formats::working)
        : f;
  }

  /** The format of a working copy of this name. */
  public static Format ofCopy(Path name) {
    return byExtension(name.getFileName().toString())
        .filter(ofCopies()::contains)
        .orElseGet(Formats::working);
  }

  /** The format that older office programs ask for. */
  public static Format older() {
    return of(OLDER).orElseThrow();
  }

  /** The format in which text with its looks goes from program to program. */
  public static Format copied() {
    return of(COPIED).orElseThrow();
  }

  /** Whether what came of a format has pages of its own, which can be looked at. */
  public static boolean hasPages(String id) {
    return of(id).filter(f -> f.family() == Family.PAGES).isPresent();
  }

  /** The format whose files have this extension, whatever their content. */
  public static Optional<Format> byExtension(String name) {
    String extension = name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
    return served().stream().filter(f -> f.extensions().contains(extension)).findFirst();
  }

  /** Names as in "PDF, DOCX and RTF". */
  public static String names(List<Format> formats) {
    List<String> names = formats.stream().map(Format::name).toList();
    return names.size() < 2
        ? String.join("", names)
        : String.join(", ", names.subList(0, names.size() - 1)) + " and " + names.getLast();
  }

  /**
   * A line for each format that is served: its name, its extensions, whether it is read, written.
   */
  public static List<String> table() {
    var out = new ArrayList<String>();
    for (FormatService s : SERVICES) {
      Format f = s.format();
      boolean written = s.writer().isPresent() || f.family() == Family.PAGES;
      out.add(
          "| %s | %s | %s | %s |"
              .formatted(
                  f.name(),
                  f.extensions().stream().map(e -> "." + e).collect(Collectors.joining(" ")),
                  opened().contains(f) ? "yes" : "",
                  written ? "yes" : ""));
    }
    return out;
  }
}
