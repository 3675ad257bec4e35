package decant.mark;

import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.util.Arrays;
import javax.crypto.AEADBadTagException;
import javax.crypto.Cipher;
import javax.crypto.SecretKeyFactory;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.PBEKeySpec;
import javax.crypto.spec.SecretKeySpec;

/**
 * Bytes that only a passphrase opens: AES-256 in GCM (NIST SP 800-38D), its key by PBKDF2 with
 * HMAC-SHA-256 (RFC 8018 §5.2).
 *
 * @param rounds of PBKDF2
 */
record Locked(byte[] salt, byte[] nonce, int rounds, byte[] data) {
  /** Common practice for this function; from memory. */
  private static final int ROUNDS = 600_000;

  /** A file that asks for more is damaged, or meant to keep the program busy. */
  private static final int MOST_ROUNDS = 10_000_000;

  private static final int KEY_BITS = 256;
  private static final int TAG_BITS = 128;

  static Locked lock(byte[] open, char[] passphrase) {
    var random = new SecureRandom();
    byte[] salt = new byte[16];
    byte[] nonce = new byte[12];
    random.nextBytes(salt);
    random.nextBytes(nonce);
    try {
      byte[] data = cipher(Cipher.ENCRYPT_MODE, passphrase, salt, nonce, ROUNDS).doFinal(open);
      return new Locked(salt, nonce, ROUNDS, data);
    } catch (GeneralSecurityException e) {
      throw new AssertionError("every Java runtime has AES", e);
    }
  }

  /**
   * What was locked.
   *
   * @throws AEADBadTagException if the passphrase is another, or the bytes were changed
   * @throws GeneralSecurityException if it cannot have been locked by this program
   */
  byte[] open(char[] passphrase) throws GeneralSecurityException {
    if (rounds < 1 || rounds > MOST_ROUNDS) {
      throw new GeneralSecurityException("rounds");
    }
    return cipher(Cipher.DECRYPT_MODE, passphrase, salt, nonce, rounds).doFinal(data);
  }

  private static Cipher cipher(int mode, char[] passphrase, byte[] salt, byte[] nonce, int rounds)
      throws GeneralSecurityException {
    var spec = new PBEKeySpec(passphrase, salt, rounds, KEY_BITS);
    byte[] key =
        SecretKeyFactory.getInstance("PBKDF2WithHmacSHA256").generateSecret(spec).getEncoded();
    spec.clearPassword();
    Cipher c = Cipher.getInstance("AES/GCM/NoPadding");
    c.init(mode, new SecretKeySpec(key, "AES"), new GCMParameterSpec(TAG_BITS, nonce));
    Arrays.fill(key, (byte) 0);
    return c;
  }
}
