package decant.office.odf;

import decant.office.odf.markup.Measures;
import decant.office.xml.Element;
import decant.reading.ReadProblem;
import decant.words.Words;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.util.Arrays;
import java.util.Base64;
import java.util.Map;
import java.util.Optional;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;
import javax.crypto.Cipher;
import javax.crypto.Mac;
import javax.crypto.spec.IvParameterSpec;
import javax.crypto.spec.SecretKeySpec;

/**
 * Parts that a password opens (ODF 1.3 part 2, §3.4 and §4.8): each encrypted by itself, by AES or,
 * in older files, by Blowfish, with a key made of the password.
 */
final class OdfLock {
  private static final Words WORDS = Words.of(OdfLock.class);

  /** More rounds than these no honest file asks for. */
  private static final int MOST_ROUNDS = 5_000_000;

  private static final int LONGEST_KEY = 64;
  private static final int SUMMED = 1024; // bytes that the checksum is of

  private OdfLock() {}

  /**
   * Opens a part.
   *
   * @param how {@code manifest:encryption-data}
   * @param most bytes that it may unpack to
   * @param keys those that were made already, by what they are made of
   * @throws ReadProblem with {@link ReadProblem.Kind#WRONG_PASSWORD} if another one opens it
   */
  static byte[] open(
      Element how, byte[] locked, String password, long most, Map<String, byte[]> keys)
      throws ReadProblem {
    try {
      byte[] packed = deciphered(how, locked, password, keys);
      byte[] start = Arrays.copyOf(packed, Math.min(SUMMED, packed.length));
      boolean wide = said(how, "manifest:checksum-type").contains("256");
      byte[] sum = MessageDigest.getInstance(wide ? "SHA-256" : "SHA-1").digest(start);
      if (!MessageDigest.isEqual(sum, base64(said(how, "manifest:checksum")))) {
        throw ReadProblem.wrongPassword();
      }
      return unpacked(packed, most);
    } catch (GeneralSecurityException | IllegalArgumentException e) {
      throw new ReadProblem(
          ReadProblem.Kind.CANNOT_UNLOCK, WORDS.say("odf-lock.locked-otherwise"), e);
    }
  }

  private static byte[] deciphered(
      Element how, byte[] locked, String password, Map<String, byte[]> keys)
      throws GeneralSecurityException {
    Element algorithm = child(how, "manifest:algorithm");
    Element derived = child(how, "manifest:key-derivation");
    String start =
        how.child("manifest:start-key-generation")
            .map(s -> said(s, "manifest:start-key-generation-name"))
            .orElse("SHA1");
    byte[] first =
        MessageDigest.getInstance(start.contains("256") ? "SHA-256" : "SHA-1")
            .digest(password.getBytes(StandardCharsets.UTF_8));
    int rounds = number(derived, "manifest:iteration-count", 1024);
    int size = number(derived, "manifest:key-size", 16);
    if (rounds < 1
        || rounds > MOST_ROUNDS
        || size < 1
        || size > LONGEST_KEY
        || !said(derived, "manifest:key-derivation-name").contains("PBKDF2")) {
      throw new GeneralSecurityException("another derivation of keys");
    }
    String salt = said(derived, "manifest:salt");
    String of = start + " " + salt + " " + rounds + " " + size;
    byte[] known = keys.get(of);
    byte[] key = known == null ? key(first, base64(salt), rounds, size) : known;
    keys.put(of, key);
    var iv = new IvParameterSpec(base64(said(algorithm, "manifest:initialisation-vector")));
    String name = said(algorithm, "manifest:algorithm-name");
    if (name.contains("Blowfish")) {
      return cipher("Blowfish/CFB/NoPadding", "Blowfish", key, iv).doFinal(locked);
    }
    if (!name.contains("aes") || !name.endsWith("-cbc")) {
      throw new GeneralSecurityException("another cipher");
    }
    byte[] plain = cipher("AES/CBC/NoPadding", "AES", key, iv).doFinal(locked);
    // The last byte says how many were added (XML Encryption, §5.2).
    int added = plain.length == 0 ? 0 : plain[plain.length - 1] & 0xFF;
    return Arrays.copyOf(plain, Math.max(0, plain.length - added));
  }

  private static Cipher cipher(String how, String name, byte[] key, IvParameterSpec iv)
      throws GeneralSecurityException {
    Cipher c = Cipher.getInstance(how);
    c.init(Cipher.DECRYPT_MODE, new SecretKeySpec(key, name), iv);
    return c;
  }

  /** PBKDF2 with HMAC-SHA-1 (RFC 8018, §5.2), of bytes, which the platform's own does not take. */
  static byte[] key(byte[] password, byte[] salt, int rounds, int size)
      throws GeneralSecurityException {
    Mac mac = Mac.getInstance("HmacSHA1");
    mac.init(new SecretKeySpec(password, "HmacSHA1"));
    var out = new ByteArrayOutputStream();
    for (int block = 1; out.size() < size; block++) {
      mac.update(salt);
      byte[] u = mac.doFinal(ByteBuffer.allocate(4).putInt(block).array());
      byte[] sum = u.clone();
      for (int r = 1; r < rounds; r++) {
        u = mac.doFinal(u);
        for (int k = 0; k < sum.length; k++) {
          sum[k] ^= u[k];
        }
      }
      out.writeBytes(sum);
    }
    return Arrays.copyOf(out.toByteArray(), size);
  }

  private static byte[] unpacked(byte[] packed, long most) throws ReadProblem {
    var inflater = new Inflater(true);
    inflater.setInput(packed);
    var out = new ByteArrayOutputStream();
    byte[] buffer = new byte[1 << 16];
    try {
      while (!inflater.finished()) {
        int n = inflater.inflate(buffer);
        if (n == 0 && (inflater.needsInput() || inflater.needsDictionary())) {
          break;
        }
        out.write(buffer, 0, n);
        if (out.size() > most) {
          throw ReadProblem.tooLarge();
        }
      }
    } catch (DataFormatException e) {
      throw new ReadProblem(ReadProblem.Kind.DAMAGED, WORDS.say("odf-lock.the-file-is-damaged"), e);
    } finally {
      inflater.end();
    }
    return out.toByteArray();
  }

  private static Element child(Element e, String name) throws GeneralSecurityException {
    return e.child(name).orElseThrow(() -> new GeneralSecurityException("no " + name));
  }

  private static String said(Element e, String name) {
    return e.attribute(name).orElse("");
  }

  private static int number(Element e, String name, int otherwise) {
    return Measures.whole(Optional.of(said(e, name))).orElse(otherwise);
  }

  private static byte[] base64(String s) {
    return Base64.getMimeDecoder().decode(s);
  }
}
