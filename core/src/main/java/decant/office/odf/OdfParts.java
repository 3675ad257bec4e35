package decant.office.odf;

import decant.office.xml.Element;
import decant.office.xml.PackageFile;
import decant.office.xml.XmlParts;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.words.Words;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The parts of a package, opened by its password where they are locked (ODF 1.3 part 2, §3). */
final class OdfParts {
  private static final Words WORDS = Words.of(OdfParts.class);
  private static final String MANIFEST = "META-INF/manifest.xml";

  private final PackageFile file;
  private final ReadRequest request;
  private final Map<String, Element> locks = new HashMap<>();
  private final Map<String, String> types = new HashMap<>();
  private final Map<String, byte[]> keys = new HashMap<>();

  /**
   * @throws ReadProblem with {@link ReadProblem.Kind#ENCRYPTED} if it asks for a password, and none
   *     was given
   */
  OdfParts(PackageFile file, ReadRequest request) throws ReadProblem {
    this.file = file;
    this.request = request;
    Optional<byte[]> manifest = file.bytes(MANIFEST);
    if (manifest.isPresent()) {
      Element all = XmlParts.parse(manifest.get(), MANIFEST, request.limits().depth());
      for (Element e : all.elements("manifest:file-entry").toList()) {
        String name = e.attribute("manifest:full-path").orElse("");
        types.put(name, e.attribute("manifest:media-type").orElse(""));
        e.child("manifest:encryption-data").ifPresent(l -> locks.put(name, l));
      }
    }
    if (isLocked() && request.password().isEmpty()) {
      throw new ReadProblem(ReadProblem.Kind.ENCRYPTED, WORDS.say("odf-parts.locked"));
    }
  }

  boolean isLocked() {
    return !locks.isEmpty();
  }

  List<String> names() {
    return file.names();
  }

  /** What the manifest says of parts and folders, by their names. */
  Map<String, String> types() {
    return types;
  }

  /** The bytes of a part; empty if there is none. */
  Optional<byte[]> bytes(String name) throws ReadProblem {
    Optional<byte[]> raw = file.bytes(name);
    Element lock = locks.get(name);
    return raw.isEmpty() || lock == null
        ? raw
        : Optional.of(
            OdfLock.open(
                lock,
                raw.get(),
                request.password().orElse(""),
                request.limits().unpackedBytes(),
                keys));
  }
}
