package decant.office.xml;

import decant.reading.Limits;
import decant.reading.ReadProblem;
import decant.words.Words;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;

/** A package of parts (ISO/IEC 29500-2), read from a ZIP file within limits. */
public final class PackageFile implements AutoCloseable {
  private static final Words WORDS = Words.of(PackageFile.class);

  /** One relationship of a part. */
  public record Relationship(String id, String type, String target, boolean external) {
    /** The last segment of the type, the same in transitional and strict files. */
    public String shortType() {
      return type.substring(type.lastIndexOf('/') + 1);
    }
  }

  private final ZipFile zip;
  private final Limits limits;
  private final Map<String, ZipEntry> entries = new LinkedHashMap<>();
  private final Map<String, String> typesByName = new HashMap<>();
  private final Map<String, String> typesByExtension = new HashMap<>();
  private final List<String> unsafe = new ArrayList<>();
  private long unpacked;

  private PackageFile(ZipFile zip, Limits limits) {
    this.zip = zip;
    this.limits = limits;
  }

  /**
   * Opens a package. @throws ReadProblem if it is no ZIP file, or holds more than the limits allow
   */
  public static PackageFile open(Path file, Limits limits) throws ReadProblem {
    try {
      var p = new PackageFile(new ZipFile(file.toFile()), limits);
      for (ZipEntry e : Collections.list(p.zip.entries())) {
        if (isSafe(e.getName())) {
          p.entries.putIfAbsent(e.getName().toLowerCase(Locale.ROOT), e);
        } else {
          p.unsafe.add(e.getName());
        }
        if (p.entries.size() + p.unsafe.size() > limits.entries()) {
          p.close();
          throw new ReadProblem(
              ReadProblem.Kind.TOO_LARGE,
              WORDS.say("package-file.the-file-holds-more-than", limits.entries()));
        }
      }
      p.readTypes();
      return p;
    } catch (ZipException e) {
      throw new ReadProblem(
          ReadProblem.Kind.DAMAGED, WORDS.say("package-file.the-file-is-damaged-it"), e);
    } catch (IOException e) {
      throw new ReadProblem(
          ReadProblem.Kind.UNREADABLE, WORDS.say("package-file.the-file-cannot-be-read"), e);
    }
  }

  /** A name that stays inside wherever the package is unpacked (ISO/IEC 29500-2 §6.2.2). */
  private static boolean isSafe(String name) {
    return !name.startsWith("/")
        && !name.contains("\\")
        && !name.contains(":")
        && name.chars().noneMatch(Character::isISOControl)
        && !List.of(name.split("/")).contains("..");
  }

  /** The names of parts that would be put outside where the package is unpacked; none is read. */
  public List<String> unsafe() {
    return List.copyOf(unsafe);
  }

  private void readTypes() throws ReadProblem {
    Optional<byte[]> part = bytes("[Content_Types].xml");
    if (part.isEmpty()) {
      return;
    }
    for (Element e : XmlParts.parse(part.get(), "[Content_Types].xml", limits.depth()).elements()) {
      String type = e.attribute("ContentType").orElse("");
      e.attribute("PartName")
          .filter(n -> !n.isEmpty())
          .ifPresent(n -> typesByName.put(n.substring(1).toLowerCase(Locale.ROOT), type));
      e.attribute("Extension")
          .ifPresent(x -> typesByExtension.put(x.toLowerCase(Locale.ROOT), type));
    }
  }

  /** The names of all parts. */
  public List<String> names() {
    return entries.values().stream().map(ZipEntry::getName).filter(n -> !n.endsWith("/")).toList();
  }

  /** The declared type of a part; empty if there is none. */
  public String contentType(String name) {
    String n = name.toLowerCase(Locale.ROOT);
    String extension = n.substring(n.lastIndexOf('.') + 1);
    return typesByName.getOrDefault(n, typesByExtension.getOrDefault(extension, ""));
  }

  /** The bytes of a part. */
  public Optional<byte[]> bytes(String name) throws ReadProblem {
    ZipEntry e = entries.get(name.toLowerCase(Locale.ROOT));
    if (e == null) {
      return Optional.empty();
    }
    try (InputStream in = zip.getInputStream(e)) {
      long max = limits.unpackedBytes() - unpacked;
      if (e.getCompressedSize() > 0) {
        max = Math.min(max, Math.max(1L << 20, e.getCompressedSize() * limits.ratio()));
      }
      byte[] b = in.readNBytes((int) Math.min(Integer.MAX_VALUE - 16, max + 1));
      if (b.length > max) {
        throw new ReadProblem(
            ReadProblem.Kind.TOO_LARGE, WORDS.say("package-file.the-part-unpacks-to-far", name));
      }
      unpacked += b.length;
      return Optional.of(b);
    } catch (IOException | IllegalArgumentException x) {
      throw new ReadProblem(
          ReadProblem.Kind.DAMAGED, WORDS.say("package-file.the-file-is-damaged-its", name), x);
    }
  }

  /** The relationships of a part, by id; of the package itself for the empty name. */
  public Map<String, Relationship> relationships(String part) throws ReadProblem {
    Optional<byte[]> bytes = bytes(relationshipsOf(part));
    return bytes.isEmpty()
        ? new LinkedHashMap<>()
        : relationships(part, bytes.get(), limits.depth(), UnaryOperator.identity());
  }

  /** The name of the part that says what a part is related to. */
  public static String relationshipsOf(String part) {
    int slash = part.lastIndexOf('/');
    return part.substring(0, slash + 1) + "_rels/" + part.substring(slash + 1) + ".rels";
  }

  /**
   * The relationships of a part, by id.
   *
   * @param rels what says them
   * @param found the part that a name leads to
   */
  public static Map<String, Relationship> relationships(
      String part, byte[] rels, int deepest, UnaryOperator<String> found) throws ReadProblem {
    String folder = part.substring(0, part.lastIndexOf('/') + 1);
    var out = new LinkedHashMap<String, Relationship>();
    for (Element e : XmlParts.parse(rels, relationshipsOf(part), deepest).elements()) {
      boolean external = e.attribute("TargetMode").orElse("").equalsIgnoreCase("External");
      String target = e.attribute("Target").orElse("");
      String id = e.attribute("Id").orElse("");
      out.put(
          id,
          new Relationship(
              id,
              e.attribute("Type").orElse(""),
              external ? target : found.apply(resolve(folder, target)),
              external));
    }
    return out;
  }

  private static String resolve(String folder, String target) {
    String path = target.startsWith("/") ? target.substring(1) : folder + target;
    var out = new java.util.ArrayDeque<String>();
    for (String s : path.split("/")) {
      if (s.equals("..")) {
        out.pollLast();
      } else if (!s.isEmpty() && !s.equals(".")) {
        out.addLast(s);
      }
    }
    return String.join("/", out);
  }

  @Override
  public void close() {
    try {
      zip.close();
    } catch (IOException e) {
      // Nothing was written; there is nothing left to lose.
    }
  }
}
