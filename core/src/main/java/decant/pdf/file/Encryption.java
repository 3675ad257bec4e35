package decant.pdf.file;

import com.ibm.icu.text.StringPrep;
import com.ibm.icu.text.StringPrepParseException;
import decant.pdf.choices.Passwords;
import decant.pdf.choices.Permission;
import decant.pdf.choices.Security;
import decant.pdf.choices.Security.Protection;
import decant.words.Telling;
import decant.words.Words;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.Arrays;
import java.util.Set;
import javax.crypto.Cipher;
import javax.crypto.spec.IvParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBoolean;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;

/**
 * The standard security handler (ISO 32000-2 §7.6.4): revisions 2 and 3 with RC4, 4 with AES-128
 * and 6 with AES-256.
 */
public final class Encryption {
  private static final Words WORDS = Words.of(Encryption.class);

  /** A password that cannot be used, with the reason in the person's words. */
  public static final class Problem extends Telling {
    private static final long serialVersionUID = 1;

    Problem(String message) {
      super(message);
    }
  }

  /** ISO 32000-2 §7.6.4.3.2, algorithm 2, step a. */
  private static final byte[] PADDING = {
    0x28,
    (byte) 0xBF,
    0x4E,
    0x5E,
    0x4E,
    0x75,
    (byte) 0x8A,
    0x41,
    0x64,
    0x00,
    0x4E,
    0x56,
    (byte) 0xFF,
    (byte) 0xFA,
    0x01,
    0x08,
    0x2E,
    0x2E,
    0x00,
    (byte) 0xB6,
    (byte) 0xD0,
    0x68,
    0x3E,
    (byte) 0x80,
    0x2F,
    0x0C,
    (byte) 0xA9,
    (byte) 0xFE,
    0x64,
    0x53,
    0x69,
    0x7A
  };

  private static final SecureRandom RANDOM = new SecureRandom();

  private final Protection protection;
  private final boolean metadata;
  private final int permissions;
  private final byte[] key;
  private final COSDictionary dictionary = new COSDictionary();

  /**
   * @param id the file's identity, which keys of the older revisions are made with
   * @throws Problem if a password cannot be used
   */
  public Encryption(Security security, Passwords passwords, byte[] id) throws Problem {
    this.protection = security.protection();
    this.metadata = security.encryptMetadata() || !protection.isAes();
    this.permissions = permissions(security.allowed(), protection == Protection.RC4_40);
    String user = security.askToOpen() ? passwords.open() : "";
    // Without a second password the first lifts the limits too; none of its own would let everyone.
    String owner = security.askToChange() ? passwords.change() : user;
    try {
      if (protection == Protection.AES_256) {
        key = random(32);
        strong(prepared(user), prepared(owner));
      } else {
        byte[] u = encoded(user);
        byte[] o = encoded(owner);
        byte[] ownerEntry = ownerEntry(u, o);
        key = fileKey(u, ownerEntry, id);
        older(ownerEntry, userEntry(id));
      }
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException("every Java runtime has these ciphers", e);
    }
  }

  /** Whether a password can be used at all. @throws Problem if not */
  public static void check(Protection protection, String password) throws Problem {
    if (protection == Protection.AES_256) {
      prepared(password);
    } else if (protection != Protection.NONE) {
      encoded(password);
    }
  }

  COSDictionary dictionary() {
    return dictionary;
  }

  boolean encryptsMetadata() {
    return metadata;
  }

  /** Table 22; bits that are not used are set as it says. */
  static int permissions(Set<Permission> allowed, boolean oldest) {
    int bits = 0xFFFFF0C0;
    for (Permission p : allowed) {
      bits |= 1 << p.bit() - 1;
    }
    return oldest ? bits | 0xF00 : bits; // revision 2 knows bits 3 to 6 only
  }

  private int keyLength() {
    return switch (protection) {
      case RC4_40 -> 5;
      case NONE, RC4_128, AES_128 -> 16;
      case AES_256 -> 32;
    };
  }

  private boolean firstRevision() {
    return protection == Protection.RC4_40;
  }

  // Passwords.

  /** SASLprep (RFC 4013), then UTF-8, at most 127 bytes (ISO 32000-2 §7.6.4.3.3). */
  private static byte[] prepared(String password) throws Problem {
    try {
      String s = StringPrep.getInstance(StringPrep.RFC4013_SASLPREP).prepare(password, 0);
      byte[] b = s.getBytes(StandardCharsets.UTF_8);
      return b.length > 127 ? Arrays.copyOf(b, 127) : b;
    } catch (StringPrepParseException e) {
      throw new Problem(WORDS.say("encryption.the-password-has-a-character"));
    }
  }

  /** PDFDocEncoding, which is all that the older revisions have. */
  private static byte[] encoded(String password) throws Problem {
    byte[] b = new COSString(password).getBytes();
    boolean wide = b.length > 1 && b[0] == (byte) 0xFE && b[1] == (byte) 0xFF;
    if (wide) {
      throw new Problem(WORDS.say("encryption.only-aes-256-takes-passwords"));
    }
    return b;
  }

  private static byte[] padded(byte[] password) {
    byte[] out = new byte[32];
    int n = Math.min(32, password.length);
    System.arraycopy(password, 0, out, 0, n);
    System.arraycopy(PADDING, 0, out, n, 32 - n);
    return out;
  }

  // Revisions 2 to 4.

  /** Algorithm 3. */
  private byte[] ownerEntry(byte[] user, byte[] owner) throws GeneralSecurityException {
    MessageDigest md5 = MessageDigest.getInstance("MD5");
    byte[] digest = md5.digest(padded(owner));
    if (!firstRevision()) {
      for (int k = 0; k < 50; k++) {
        digest = md5.digest(digest);
      }
    }
    byte[] k = Arrays.copyOf(digest, keyLength());
    return rounds(k, padded(user));
  }

  /** RC4 once for revision 2, else twenty times with keys that differ by a byte. */
  private byte[] rounds(byte[] k, byte[] data) throws GeneralSecurityException {
    byte[] out = rc4(k, data);
    if (!firstRevision()) {
      for (int i = 1; i < 20; i++) {
        byte[] other = new byte[k.length];
        for (int j = 0; j < k.length; j++) {
          other[j] = (byte) (k[j] ^ i);
        }
        out = rc4(other, out);
      }
    }
    return out;
  }

  /** Algorithm 2. */
  private byte[] fileKey(byte[] user, byte[] ownerEntry, byte[] id)
      throws GeneralSecurityException {
    MessageDigest md5 = MessageDigest.getInstance("MD5");
    md5.update(padded(user));
    md5.update(ownerEntry);
    md5.update(little(permissions, 4));
    md5.update(id);
    if (protection == Protection.AES_128 && !metadata) {
      md5.update(new byte[] {-1, -1, -1, -1});
    }
    byte[] digest = md5.digest();
    if (!firstRevision()) {
      for (int k = 0; k < 50; k++) {
        digest = md5.digest(Arrays.copyOf(digest, keyLength()));
      }
    }
    return Arrays.copyOf(digest, keyLength());
  }

  /** Algorithms 4 and 5. */
  private byte[] userEntry(byte[] id) throws GeneralSecurityException {
    if (firstRevision()) {
      return rc4(key, PADDING);
    }
    MessageDigest md5 = MessageDigest.getInstance("MD5");
    md5.update(PADDING);
    md5.update(id);
    return Arrays.copyOf(rounds(key, md5.digest()), 32);
  }

  private void older(byte[] ownerEntry, byte[] userEntry) {
    boolean aes = protection == Protection.AES_128;
    common(aes ? 4 : firstRevision() ? 1 : 2, aes ? 4 : firstRevision() ? 2 : 3);
    dictionary.setItem(COSName.O, new COSString(ownerEntry));
    dictionary.setItem(COSName.U, new COSString(userEntry));
    if (aes) {
      filters("AESV2", 16);
    }
  }

  private void common(int v, int r) {
    dictionary.setName(COSName.FILTER, "Standard");
    dictionary.setInt(COSName.V, v);
    dictionary.setInt(COSName.R, r);
    dictionary.setInt(COSName.LENGTH, keyLength() * 8);
    dictionary.setItem(COSName.P, COSInteger.get(permissions));
    if (!metadata) {
      dictionary.setItem(COSName.ENCRYPT_META_DATA, COSBoolean.FALSE);
    }
  }

  private void filters(String method, int length) {
    COSDictionary filter = new COSDictionary();
    filter.setName(COSName.CFM, method);
    filter.setName("AuthEvent", "DocOpen");
    filter.setInt(COSName.LENGTH, length);
    COSDictionary filters = new COSDictionary();
    filters.setItem(COSName.STD_CF, filter);
    dictionary.setItem(COSName.CF, filters);
    dictionary.setItem(COSName.STM_F, COSName.STD_CF);
    dictionary.setItem(COSName.STR_F, COSName.STD_CF);
  }

  // Revision 6.

  /** Algorithms 8, 9 and 10. */
  private void strong(byte[] user, byte[] owner) throws GeneralSecurityException {
    byte[] userSalts = random(16);
    byte[] u = joined(hash(user, Arrays.copyOf(userSalts, 8), new byte[0]), userSalts);
    byte[] userKey = hash(user, Arrays.copyOfRange(userSalts, 8, 16), new byte[0]);
    byte[] ownerSalts = random(16);
    byte[] o = joined(hash(owner, Arrays.copyOf(ownerSalts, 8), u), ownerSalts);
    byte[] ownerKey = hash(owner, Arrays.copyOfRange(ownerSalts, 8, 16), u);
    common(5, 6);
    dictionary.setItem(COSName.U, new COSString(u));
    dictionary.setItem(COSName.getPDFName("UE"), new COSString(unpadded(userKey, key)));
    dictionary.setItem(COSName.O, new COSString(o));
    dictionary.setItem(COSName.getPDFName("OE"), new COSString(unpadded(ownerKey, key)));
    byte[] perms = new byte[16];
    System.arraycopy(little(permissions, 8), 0, perms, 0, 8);
    Arrays.fill(perms, 4, 8, (byte) 0xFF);
    perms[8] = (byte) (metadata ? 'T' : 'F');
    perms[9] = 'a';
    perms[10] = 'd';
    perms[11] = 'b';
    System.arraycopy(random(4), 0, perms, 12, 4);
    Cipher ecb = Cipher.getInstance("AES/ECB/NoPadding");
    ecb.init(Cipher.ENCRYPT_MODE, new SecretKeySpec(key, "AES"));
    dictionary.setItem(COSName.getPDFName("Perms"), new COSString(ecb.doFinal(perms)));
    filters("AESV3", 32);
  }

  /** Algorithm 2.B. */
  private static byte[] hash(byte[] password, byte[] salt, byte[] userEntry)
      throws GeneralSecurityException {
    byte[] k = MessageDigest.getInstance("SHA-256").digest(joined(password, salt, userEntry));
    for (int round = 0; ; round++) {
      byte[] once = joined(password, k, userEntry);
      var many = new ByteArrayOutputStream(once.length * 64);
      for (int j = 0; j < 64; j++) {
        many.writeBytes(once);
      }
      Cipher cbc = Cipher.getInstance("AES/CBC/NoPadding");
      cbc.init(
          Cipher.ENCRYPT_MODE,
          new SecretKeySpec(Arrays.copyOf(k, 16), "AES"),
          new IvParameterSpec(Arrays.copyOfRange(k, 16, 32)));
      byte[] e = cbc.doFinal(many.toByteArray());
      int rest = 0;
      for (int j = 0; j < 16; j++) {
        rest += e[j] & 0xFF;
      }
      String next =
          switch (rest % 3) {
            case 0 -> "SHA-256";
            case 1 -> "SHA-384";
            default -> "SHA-512";
          };
      k = MessageDigest.getInstance(next).digest(e);
      if (round >= 63 && (e[e.length - 1] & 0xFF) <= round - 31) {
        return Arrays.copyOf(k, 32);
      }
    }
  }

  private static byte[] unpadded(byte[] with, byte[] data) throws GeneralSecurityException {
    Cipher cbc = Cipher.getInstance("AES/CBC/NoPadding");
    cbc.init(
        Cipher.ENCRYPT_MODE, new SecretKeySpec(with, "AES"), new IvParameterSpec(new byte[16]));
    return cbc.doFinal(data);
  }

  // Strings and streams.

  /** A string or the data of a stream of an object: algorithms 1 and 1.A. */
  byte[] encrypt(int object, byte[] data) {
    try {
      return switch (protection) {
        case NONE -> data;
        case RC4_40, RC4_128 -> rc4(objectKey(object, false), data);
        case AES_128 -> aes(objectKey(object, true), data);
        case AES_256 -> aes(key, data);
      };
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException("every Java runtime has these ciphers", e);
    }
  }

  private byte[] objectKey(int object, boolean aes) throws GeneralSecurityException {
    MessageDigest md5 = MessageDigest.getInstance("MD5");
    md5.update(key);
    md5.update(little(object, 3));
    md5.update(new byte[2]); // the generation
    if (aes) {
      md5.update(new byte[] {0x73, 0x41, 0x6C, 0x54});
    }
    return Arrays.copyOf(md5.digest(), Math.min(16, key.length + 5));
  }

  private static byte[] aes(byte[] with, byte[] data) throws GeneralSecurityException {
    byte[] iv = random(16);
    Cipher cbc = Cipher.getInstance("AES/CBC/PKCS5Padding");
    cbc.init(Cipher.ENCRYPT_MODE, new SecretKeySpec(with, "AES"), new IvParameterSpec(iv));
    return joined(iv, cbc.doFinal(data));
  }

  private static byte[] rc4(byte[] with, byte[] data) throws GeneralSecurityException {
    Cipher c = Cipher.getInstance("RC4");
    c.init(Cipher.ENCRYPT_MODE, new SecretKeySpec(with, "RC4"));
    return c.doFinal(data);
  }

  /** Marks a stream as not encrypted (ISO 32000-2 §7.4.10). */
  void leaveClear(COSStream s) {
    COSArray filters = new COSArray();
    filters.add(COSName.CRYPT);
    COSArray parameters = new COSArray();
    COSDictionary identity = new COSDictionary();
    identity.setItem(COSName.NAME, COSName.IDENTITY);
    parameters.add(identity);
    s.setItem(COSName.FILTER, filters);
    s.setItem(COSName.DECODE_PARMS, parameters);
  }

  private static byte[] random(int n) {
    byte[] out = new byte[n];
    RANDOM.nextBytes(out);
    return out;
  }

  private static byte[] little(int v, int n) {
    byte[] whole = ByteBuffer.allocate(8).order(ByteOrder.LITTLE_ENDIAN).putLong(v).array();
    return Arrays.copyOf(whole, n);
  }

  private static byte[] joined(byte[]... parts) {
    var out = new ByteArrayOutputStream();
    for (byte[] p : parts) {
      out.writeBytes(p);
    }
    return out.toByteArray();
  }
}
