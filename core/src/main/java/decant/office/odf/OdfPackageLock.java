package decant.office.odf;

import decant.format.FormatService.Locker;
import decant.office.odf.write.OdfZip;
import decant.office.xml.Element;
import decant.office.xml.PackageFile;
import decant.office.xml.XmlParts;
import decant.reading.Limits;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.Arrays;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.crypto.Cipher;
import javax.crypto.spec.IvParameterSpec;
import javax.crypto.spec.SecretKeySpec;

/**
 * Whole packages that a password opens (ODF 1.3 part 2, §3.4 and §4.8): each part packed, then
 * encrypted by AES-256, with a key made of the password by PBKDF2.
 */
final class OdfPackageLock implements Locker {
  private static final String TYPE = "mimetype";
  private static final String MANIFEST = "META-INF/manifest.xml";
  private static final int ROUNDS = 100_000;
  private static final int KEY = 32; // bytes
  private static final int SALT = 16; // bytes
  private static final int BLOCK = 16; // bytes
  private static final int SUMMED = 1024; // bytes that the checksum is of

  private final SecureRandom random = new SecureRandom();

  /**
   * A part as it is locked.
   *
   * @param size before it was packed
   */
  private record Locked(byte[] bytes, int size, byte[] vector, byte[] sum) {}

  @Override
  public void lock(Path plain, String password, OutputStream out) throws IOException {
    try (PackageFile file = PackageFile.open(plain, Limits.DEFAULT)) {
      byte[] first =
          MessageDigest.getInstance("SHA-256").digest(password.getBytes(StandardCharsets.UTF_8));
      byte[] salt = some(SALT);
      byte[] key = OdfLock.key(first, salt, ROUNDS, KEY);
      var zip = new ZipOutputStream(out);
      store(zip, TYPE, file.bytes(TYPE).orElse(new byte[0]));
      var locked = new LinkedHashMap<String, Locked>();
      for (String name : file.names()) {
        if (!name.equals(TYPE) && !name.startsWith("META-INF/")) {
          Locked part = locked(file.bytes(name).orElse(new byte[0]), key);
          locked.put(name, new Locked(new byte[0], part.size(), part.vector(), part.sum()));
          store(zip, name, part.bytes());
        }
      }
      Element manifest =
          XmlParts.parse(
              file.bytes(MANIFEST).orElse(new byte[0]), MANIFEST, Limits.DEFAULT.depth());
      store(zip, MANIFEST, manifest(manifest, locked, salt));
      zip.finish();
    } catch (ReadProblem e) {
      throw new IOException("what was written cannot be read", e);
    } catch (GeneralSecurityException e) {
      throw new IOException("every Java runtime has these ciphers", e);
    }
  }

  private byte[] some(int count) {
    byte[] out = new byte[count];
    random.nextBytes(out);
    return out;
  }

  private Locked locked(byte[] plain, byte[] key) throws GeneralSecurityException, IOException {
    var packed = new ByteArrayOutputStream();
    var deflater = new Deflater(Deflater.DEFAULT_COMPRESSION, true);
    try (var out = new DeflaterOutputStream(packed, deflater)) {
      out.write(plain);
    } finally {
      deflater.end();
    }
    byte[] b = packed.toByteArray();
    byte[] sum =
        MessageDigest.getInstance("SHA-256").digest(Arrays.copyOf(b, Math.min(SUMMED, b.length)));
    byte[] vector = some(BLOCK);
    Cipher c = Cipher.getInstance("AES/CBC/NoPadding");
    c.init(Cipher.ENCRYPT_MODE, new SecretKeySpec(key, "AES"), new IvParameterSpec(vector));
    // Filled up to a whole block, whose last byte says by how many (XML Encryption, §5.2).
    int added = BLOCK - b.length % BLOCK;
    byte[] whole = Arrays.copyOf(b, b.length + added);
    whole[whole.length - 1] = (byte) added;
    return new Locked(c.doFinal(whole), plain.length, vector, sum);
  }

  /** What is encrypted is not packed again. */
  private static void store(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
    zip.putNextEntry(OdfZip.stored(name, bytes));
    zip.write(bytes);
    zip.closeEntry();
  }

  /** The manifest, with how each part is locked (§4.8). */
  private static byte[] manifest(Element plain, Map<String, Locked> locked, byte[] salt) {
    String version = plain.attribute("manifest:version").orElse("1.3");
    var b = new StringBuilder("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n");
    b.append("<manifest:manifest xmlns:manifest=\"urn:oasis:names:tc:opendocument:xmlns:manifest")
        .append(":1.0\" manifest:version=\"")
        .append(version)
        .append("\">");
    for (Element e : plain.elements("manifest:file-entry").toList()) {
      String name = e.attribute("manifest:full-path").orElse("");
      b.append("<manifest:file-entry");
      attribute(b, "full-path", name);
      e.attribute("manifest:version").ifPresent(v -> attribute(b, "version", v));
      attribute(b, "media-type", e.attribute("manifest:media-type").orElse(""));
      Locked part = locked.get(name);
      if (part == null) {
        b.append("/>");
        continue;
      }
      attribute(b, "size", Integer.toString(part.size()));
      b.append("><manifest:encryption-data");
      attribute(b, "checksum-type", "urn:oasis:names:tc:opendocument:xmlns:manifest:1.0#sha256-1k");
      attribute(b, "checksum", base64(part.sum()));
      b.append("><manifest:algorithm");
      attribute(b, "algorithm-name", "http://www.w3.org/2001/04/xmlenc#aes256-cbc");
      attribute(b, "initialisation-vector", base64(part.vector()));
      b.append("/><manifest:start-key-generation");
      attribute(b, "start-key-generation-name", "http://www.w3.org/2000/09/xmldsig#sha256");
      attribute(b, "key-size", Integer.toString(KEY));
      b.append("/><manifest:key-derivation");
      attribute(b, "key-derivation-name", "PBKDF2");
      attribute(b, "key-size", Integer.toString(KEY));
      attribute(b, "iteration-count", Integer.toString(ROUNDS));
      attribute(b, "salt", base64(salt));
      b.append("/></manifest:encryption-data></manifest:file-entry>");
    }
    return b.append("</manifest:manifest>").toString().getBytes(StandardCharsets.UTF_8);
  }

  private static void attribute(StringBuilder b, String name, String value) {
    String safe = value.replace("&", "&amp;").replace("<", "&lt;").replace("\"", "&quot;");
    b.append(" manifest:").append(name).append("=\"").append(safe).append('"');
  }

  private static String base64(byte[] b) {
    return Base64.getEncoder().encodeToString(b);
  }

  @Override
  public void unlock(ReadRequest locked, OutputStream out) throws ReadProblem, IOException {
    try (PackageFile file = PackageFile.open(locked.file(), locked.limits())) {
      var parts = new OdfParts(file, locked);
      var zip = new ZipOutputStream(out);
      store(zip, TYPE, parts.bytes(TYPE).orElse(new byte[0]));
      for (String name : parts.names()) {
        locked.checkpoint();
        if (!name.equals(TYPE)) {
          byte[] bytes = parts.bytes(name).orElse(new byte[0]);
          zip.putNextEntry(new ZipEntry(name));
          zip.write(name.equals(MANIFEST) ? plainManifest(bytes, locked.limits()) : bytes);
          zip.closeEntry();
        }
      }
      zip.finish();
    }
  }

  private static byte[] plainManifest(byte[] bytes, Limits limits) throws ReadProblem {
    return manifest(XmlParts.parse(bytes, MANIFEST, limits.depth()), Map.of(), new byte[0]);
  }
}
