package decant.format;

import decant.reading.TextEncoding;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;

/** What can be told of a file at a glance: how it begins, and the names of what it packs. */
public final class FileContent {
  private static final int HEAD = 4096;
  private static final int MAX_ENTRIES = 100_000;
  private static final Set<String> OF_TEXT = Set.of("txt", "text", "asc", "log", "md", "tsv");

  private final String head;
  private final boolean zip;
  private final boolean damaged;
  private final Set<String> entries;
  private final String mediaType;
  private final Optional<Set<String>> compound;
  private final String extension;

  private FileContent(
      String head,
      boolean zip,
      boolean damaged,
      Set<String> entries,
      String mediaType,
      Optional<Set<String>> compound,
      Path file) {
    String name = file.getFileName() == null ? "" : file.getFileName().toString();
    int dot = name.lastIndexOf('.');
    this.extension = dot > 0 ? name.substring(dot + 1).toLowerCase(Locale.ROOT) : "";
    this.head = head;
    this.zip = zip;
    this.damaged = damaged;
    this.entries = entries;
    this.mediaType = mediaType;
    this.compound = compound;
  }

  /** Looks at a file. @throws IOException if it cannot be read */
  public static FileContent of(Path file) throws IOException {
    String head;
    try (InputStream in = Files.newInputStream(file)) {
      head = new String(in.readNBytes(HEAD), StandardCharsets.ISO_8859_1);
    }
    if (head.startsWith("PK\u0003\u0004") || head.startsWith("PK\u0005\u0006")) {
      return packed(file, head);
    }
    boolean compound = head.startsWith("\u00D0\u00CF\u0011\u00E0\u00A1\u00B1\u001A\u00E1");
    return new FileContent(
        head,
        false,
        false,
        Set.of(),
        "",
        compound ? Optional.of(streams(file)) : Optional.empty(),
        file);
  }

  /** What stands at the top of a compound file; nothing if that cannot be read. */
  private static Set<String> streams(Path file) {
    try (var compound = new POIFSFileSystem(file.toFile(), true)) {
      return compound.getRoot().getEntryNames();
    } catch (IOException | RuntimeException e) {
      return Set.of();
    }
  }

  private static FileContent packed(Path file, String head) throws IOException {
    var names = new HashSet<String>();
    String type = "";
    try (ZipFile zip = new ZipFile(file.toFile())) {
      ZipEntry said = zip.getEntry("mimetype");
      if (said != null) {
        try (InputStream in = zip.getInputStream(said)) {
          type = new String(in.readNBytes(100), StandardCharsets.US_ASCII).strip();
        }
      }
      var all = zip.entries();
      for (int k = 0; k < MAX_ENTRIES && all.hasMoreElements(); k++) {
        names.add(all.nextElement().getName().toLowerCase(Locale.ROOT));
      }
      return new FileContent(head, true, false, names, type, Optional.empty(), file);
    } catch (ZipException | IllegalArgumentException e) {
      return new FileContent(head, true, true, Set.of(), "", Optional.empty(), file);
    }
  }

  /** The first 4,096 bytes, a character for each. */
  public String head() {
    return head;
  }

  /**
   * The end of its name in small letters, without the dot; empty if it has none. Only for what has
   * no mark of its own in its content.
   */
  public String extension() {
    return extension;
  }

  /**
   * Whether its name says that it is plain text, of which nothing else says so: a file that is
   * called otherwise is more likely another one that went wrong.
   */
  public boolean isCalledText() {
    return OF_TEXT.contains(extension);
  }

  /** Whether it is text of two bytes a character, as its mark tells, or its zeros. */
  public boolean isWide() {
    return head.startsWith("\u00FF\u00FE")
        || head.startsWith("\u00FE\u00FF")
        || TextEncoding.wide(head.getBytes(StandardCharsets.ISO_8859_1)).isPresent();
  }

  /** Whether it is a ZIP file, whole or not. */
  public boolean isZip() {
    return zip;
  }

  /** Whether it begins as a ZIP file and cannot be read as one. */
  public boolean isDamagedZip() {
    return damaged;
  }

  /** Whether it packs a file of this name, in small letters. */
  public boolean packs(String name) {
    return entries.contains(name);
  }

  /** Whether it packs a file below this folder, in small letters and with its slash. */
  public boolean packsBelow(String folder) {
    return entries.stream().anyMatch(n -> n.startsWith(folder));
  }

  /** What the entry {@code mimetype} of a ZIP file says; empty if there is none. */
  public String packedMediaType() {
    return mediaType;
  }

  /** Whether it is a compound file ([MS-CFB]). */
  public boolean isCompound() {
    return compound.isPresent();
  }

  /** Whether it begins as a compound file, and what is in it cannot be told. */
  public boolean isDamagedCompound() {
    return compound.filter(Set::isEmpty).isPresent();
  }

  /** Whether a compound file has a stream of this name at its top, not in what it encloses. */
  public boolean hasStream(String name) {
    return compound.stream()
        .flatMap(Set::stream)
        .anyMatch(name::equalsIgnoreCase); // [MS-CFB] 2.6.4
  }
}
