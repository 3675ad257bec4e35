package decant.recovery;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import decant.format.Formats;
import decant.io.AtomicFile;
import decant.io.PasswordCipher;
import decant.io.WriteProblem;
import decant.model.Box;
import decant.model.Document;
import decant.model.KeptBlock;
import decant.model.KeptPart;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.model.look.Media;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import decant.work.Faults;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import javax.crypto.AEADBadTagException;
import javax.crypto.Cipher;

/**
 * Unsaved work as a file: the document, its findings and where its blocks stood in the source, in
 * one ZIP that its owner alone may read. The work on a source that opens with a password is
 * encrypted with that password (AES-256 in GCM, the key by PBKDF2 as RFC 8018 has it), so that it
 * never lies in the clear.
 */
public final class WorkFile {
  private static final ObjectMapper JSON = new ObjectMapper();
  private static final byte[] LOCKED = "DECANT-WORK-1".getBytes(StandardCharsets.US_ASCII);
  private static final int ROUNDS = 210_000;
  private static final int SALT = 16;
  private static final int NONCE = 12;
  private static final long MAX_BYTES = 2_000_000_000L;
  private static final SecureRandom RANDOM = new SecureRandom();

  /** The entry that holds the document. */
  private static final String DOCUMENT = "document." + Formats.working().extension();

  private WorkFile() {}

  /**
   * Keeps work.
   *
   * @param password of the source; empty if it is not locked
   */
  public static void write(Path file, UnsavedWork work, String password) throws WriteProblem {
    AtomicFile.writeForOwner(
        file,
        out -> {
          byte[] plain = plain(work);
          out.write(password.isEmpty() ? plain : locked(plain, password));
        });
  }

  /** Whether a password is needed to read it. */
  public static boolean isLocked(Path file) throws IOException {
    try (var in = Files.newInputStream(file)) {
      return Arrays.equals(in.readNBytes(LOCKED.length), LOCKED);
    }
  }

  /**
   * Reads what was kept.
   *
   * @throws ReadProblem with {@link ReadProblem.Kind#WRONG_PASSWORD} if another one opens it
   */
  public static UnsavedWork read(Path file, String password) throws ReadProblem, IOException {
    byte[] bytes = Files.readAllBytes(file);
    byte[] plain =
        Arrays.equals(bytes, 0, Math.min(LOCKED.length, bytes.length), LOCKED, 0, LOCKED.length)
            ? unlocked(bytes, password)
            : bytes;
    byte[] document = new byte[0];
    Map<String, Media> files = new HashMap<>();
    Map<String, byte[]> parts = new HashMap<>();
    JsonNode work = JSON.createObjectNode();
    try (var zip = new ZipInputStream(new ByteArrayInputStream(plain))) {
      for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
        byte[] content = zip.readNBytes((int) Math.min(Integer.MAX_VALUE - 8, MAX_BYTES));
        if (e.getName().equals(DOCUMENT)) {
          document = content;
        } else if (e.getName().equals("work.json")) {
          work = JSON.readTree(content);
        } else if (e.getName().startsWith("kept-")) {
          parts.put(e.getName(), content);
        } else if (e.getName().startsWith("pinned-")) {
          files.put(e.getName(), Media.of("application/pdf", content));
        }
      }
    }
    Path unpacked = Files.createTempFile(file.getParent(), "work", DOCUMENT);
    try {
      Files.write(unpacked, document);
      return kept(
          work,
          Formats.reader(Formats.working()).orElseThrow().read(ReadRequest.of(unpacked)),
          files,
          parts);
    } finally {
      Files.deleteIfExists(unpacked);
    }
  }

  /** The file that kept work had come from; empty if it is locked or damaged. */
  public static Optional<Path> source(Path file) {
    try (var zip = new ZipInputStream(Files.newInputStream(file))) {
      ZipEntry first = zip.getNextEntry();
      return first != null && first.getName().equals("work.json")
          ? Optional.of(Path.of(JSON.readTree(zip.readAllBytes()).path("source").asText()))
          : Optional.empty();
    } catch (IOException | RuntimeException e) {
      Faults.mended("opening the source again", e);
      return Optional.empty();
    }
  }

  private static byte[] plain(UnsavedWork work) throws IOException {
    var out = new ByteArrayOutputStream();
    try (var zip = new ZipOutputStream(out)) {
      zip.putNextEntry(new ZipEntry("work.json"));
      zip.write(JSON.writeValueAsBytes(json(work)));
      zip.closeEntry();
      zip.putNextEntry(new ZipEntry(DOCUMENT));
      zip.setLevel(0); // it is packed already
      var document = new ByteArrayOutputStream();
      Formats.writer(Formats.working())
          .write(withoutWhole(work.taken().document()), document); // that lies beside it
      zip.write(document.toByteArray());
      zip.closeEntry();
      for (var part : keptElsewhere(work.taken().document()).entrySet()) {
        zip.putNextEntry(new ZipEntry(part.getKey()));
        zip.write(part.getValue().bytes());
        zip.closeEntry();
      }
      for (var file : FoundJson.files(work.taken().document()).entrySet()) {
        zip.putNextEntry(new ZipEntry(file.getKey()));
        zip.write(file.getValue().bytes());
        zip.closeEntry();
      }
    }
    return out.toByteArray();
  }

  /** Parts kept of files of other formats, which the document's own file has no room for. */
  private static Map<String, KeptPart> keptElsewhere(Document d) {
    var out = new LinkedHashMap<String, KeptPart>();
    for (KeptPart k : d.keptParts()) {
      if (k.isWhole() || !k.format().equals(Formats.working().id())) {
        out.put("kept-" + out.size(), k);
      }
    }
    return out;
  }

  private static ObjectNode json(UnsavedWork work) {
    TakenIn.Origin origin = work.taken().origin();
    Map<NodeId, Integer> numbers = new HashMap<>();
    List<NodeId> order = order(work.taken().document());
    for (int k = 0; k < order.size(); k++) {
      numbers.put(order.get(k), k);
    }
    ObjectNode root = JSON.createObjectNode();
    root.put("decant-work", 1);
    root.put("source", work.source().toString());
    root.put("format", origin.format());
    root.put("pages", origin.pages());
    work.copy()
        .ifPresent(c ->
            root.putObject("copy")
                .put("file", c.file().toString())
                .put("size", c.size())
                .put("modified", c.modified()));
    ArrayNode kept = root.putArray("kept");
    keptElsewhere(work.taken().document())
        .forEach((entry, k) ->
            kept.addObject()
                .put("entry", entry)
                .put("format", k.format())
                .put("name", k.name())
                .put("type", k.contentType()));
    ObjectNode properties = root.putObject("properties");
    origin.properties().forEach(properties::put);
    ArrayNode fonts = root.putArray("fonts");
    for (TakenIn.SourceFont f : origin.fonts()) {
      fonts
          .addObject()
          .put("name", f.name())
          .put("embedded", f.embedded())
          .put("served-by", f.servedBy())
          .put("reason", f.reason());
    }
    ArrayNode places = root.putArray("places");
    origin
        .places()
        .forEach((n, p) -> {
          if (numbers.containsKey(n)) {
            place(places.addObject().put("block", numbers.get(n)), p);
          }
        });
    FoundJson.write(work.taken().document(), origin, numbers, root);
    TicksJson.write(work.ticks(), root);
    ArrayNode findings = root.putArray("findings");
    for (Finding f : work.taken().findings()) {
      ObjectNode o = findings.addObject();
      o.put("kind", f.kind().name());
      o.put("severity", f.severity().name());
      o.put("message", f.message());
      f.source().ifPresent(s -> place(o.putObject("place"), s));
      f.node().filter(numbers::containsKey).ifPresent(n -> o.put("block", numbers.get(n)));
      f.remedy()
          .ifPresent(r -> {
            switch (r) {
              case Finding.Remedy.MakeHeading h -> o.put("make-heading", h.level());
              case Finding.Remedy.MakeText t -> o.put("make-text", true);
              case Finding.Remedy.PinPage p -> o.put("pin-page", p.page());
              case Finding.Remedy.LetFlow l -> o.put("let-flow", l.page());
            }
          });
    }
    return root;
  }

  private static void place(ObjectNode to, Finding.SourcePlace p) {
    to.put("page", p.page())
        .put("x", p.box().x())
        .put("y", p.box().y())
        .put("width", p.box().width())
        .put("height", p.box().height());
  }

  private static Finding.SourcePlace place(JsonNode n) {
    return new Finding.SourcePlace(
        n.path("page").asInt(),
        new Box(
            n.path("x").asDouble(),
            n.path("y").asDouble(),
            n.path("width").asDouble(),
            n.path("height").asDouble()));
  }

  private static UnsavedWork kept(
      JsonNode work, TakenIn read, Map<String, Media> files, Map<String, byte[]> parts) {
    List<NodeId> order = order(read.document());
    Map<NodeId, Finding.SourcePlace> places = new HashMap<>();
    work.path("places").forEach(p -> block(p, order).ifPresent(n -> places.put(n, place(p))));
    var findings = new ArrayList<Finding>();
    for (JsonNode f : work.path("findings")) {
      findings.add(
          new Finding(
              Finding.Kind.valueOf(f.path("kind").asText()),
              Finding.Severity.valueOf(f.path("severity").asText()),
              f.path("message").asText(),
              f.has("place") ? Optional.of(place(f.path("place"))) : Optional.empty(),
              block(f, order),
              remedy(f)));
    }
    var fonts = new ArrayList<TakenIn.SourceFont>();
    work.path("fonts")
        .forEach(f ->
            fonts.add(
                new TakenIn.SourceFont(
                    f.path("name").asText(),
                    f.path("embedded").asBoolean(),
                    f.path("served-by").asText(),
                    f.path("reason").asText())));
    Map<String, String> properties = new HashMap<>();
    work.path("properties")
        .properties()
        .forEach(e -> properties.put(e.getKey(), e.getValue().asText()));
    var origin =
        new TakenIn.Origin(
            work.path("format").asText(),
            work.path("pages").asInt(),
            properties,
            fonts,
            places,
            FoundJson.breaks(work, order));
    return new UnsavedWork(
        Path.of(work.path("source").asText()),
        new TakenIn(
            FoundJson.read(withParts(read.document(), work, parts), work, order, files),
            findings,
            origin),
        copy(work),
        TicksJson.read(work));
  }

  private static Document withoutWhole(Document d) {
    List<KeptPart> parts = d.keptParts().stream().filter(k -> !k.isWhole()).toList();
    return parts.size() == d.keptParts().size() ? d : d.withKeptParts(parts);
  }

  private static Document withParts(Document read, JsonNode work, Map<String, byte[]> parts) {
    Document d = withoutWhole(read); // the file of the work is not what the document came in
    var all = new ArrayList<>(d.keptParts());
    for (JsonNode k : work.path("kept")) {
      byte[] bytes = parts.get(k.path("entry").asText());
      if (bytes != null) {
        all.add(
            new KeptPart(
                k.path("format").asText(),
                k.path("name").asText(),
                k.path("type").asText(),
                bytes));
      }
    }
    return all.size() == d.keptParts().size() ? d : d.withKeptParts(all);
  }

  private static Optional<SavedCopy> copy(JsonNode work) {
    JsonNode c = work.path("copy");
    return c.isObject()
        ? Optional.of(
            new SavedCopy(
                Path.of(c.path("file").asText()),
                c.path("size").asLong(),
                c.path("modified").asLong()))
        : Optional.empty();
  }

  private static Optional<Finding.Remedy> remedy(JsonNode f) {
    if (f.has("make-heading")) {
      return Optional.of(new Finding.Remedy.MakeHeading(f.path("make-heading").asInt()));
    }
    if (f.has("pin-page")) {
      return Optional.of(new Finding.Remedy.PinPage(f.path("pin-page").asInt()));
    }
    if (f.has("let-flow")) {
      return Optional.of(new Finding.Remedy.LetFlow(f.path("let-flow").asInt()));
    }
    return f.has("make-text") ? Optional.of(new Finding.Remedy.MakeText()) : Optional.empty();
  }

  private static Optional<NodeId> block(JsonNode n, List<NodeId> order) {
    int k = n.path("block").asInt(-1);
    return k >= 0 && k < order.size() ? Optional.of(order.get(k)) : Optional.empty();
  }

  /** The blocks of the flow, those in cells too, in reading order: the same after reading again. */
  private static List<NodeId> order(Document d) {
    var out = new ArrayList<NodeId>();
    Walk.through(
        d,
        Part.OF_FLOW,
        new Walk.Visitor() {
          @Override
          public void paragraph(Paragraph p) {
            out.add(p.id());
          }

          @Override
          public void table(Table t) {
            out.add(t.id());
          }

          @Override
          public void kept(KeptBlock k) {
            out.add(k.id());
          }
        });
    return out;
  }

  private static byte[] locked(byte[] plain, String password) throws IOException {
    byte[] salt = new byte[SALT];
    byte[] nonce = new byte[NONCE];
    RANDOM.nextBytes(salt);
    RANDOM.nextBytes(nonce);
    try {
      byte[] sealed =
          PasswordCipher.of(Cipher.ENCRYPT_MODE, password.toCharArray(), salt, nonce, ROUNDS)
              .doFinal(plain);
      var out = new ByteArrayOutputStream();
      out.write(LOCKED);
      out.write(salt);
      out.write(nonce);
      out.write(sealed);
      return out.toByteArray();
    } catch (GeneralSecurityException e) {
      throw new IOException("it cannot be locked", e);
    }
  }

  private static byte[] unlocked(byte[] bytes, String password) throws ReadProblem, IOException {
    int at = LOCKED.length;
    if (bytes.length < at + SALT + NONCE) {
      throw new IOException("it is not whole");
    }
    byte[] salt = Arrays.copyOfRange(bytes, at, at + SALT);
    byte[] nonce = Arrays.copyOfRange(bytes, at + SALT, at + SALT + NONCE);
    try {
      return PasswordCipher.of(Cipher.DECRYPT_MODE, password.toCharArray(), salt, nonce, ROUNDS)
          .doFinal(bytes, at + SALT + NONCE, bytes.length - at - SALT - NONCE);
    } catch (AEADBadTagException e) {
      throw ReadProblem.wrongPassword();
    } catch (GeneralSecurityException e) {
      throw new IOException("it cannot be unlocked", e);
    }
  }
}
