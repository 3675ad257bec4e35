package decant.io;

import java.security.GeneralSecurityException;
import java.util.Arrays;
import javax.crypto.Cipher;
import javax.crypto.SecretKeyFactory;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.PBEKeySpec;
import javax.crypto.spec.SecretKeySpec;

/**
 * What the program locks for itself: AES-256 in GCM (NIST SP 800-38D), the key made of a password
 * by PBKDF2 with HMAC-SHA-256 (RFC 8018 §5.2).
 */
public final class PasswordCipher {
  private static final int KEY_BITS = 256;
  private static final int TAG_BITS = 128;

  private PasswordCipher() {}

  /**
   * A cipher for one use.
   *
   * @param mode {@link Cipher#ENCRYPT_MODE} or {@link Cipher#DECRYPT_MODE}
   * @param nonce never the same twice for a password and salt
   * @param rounds of PBKDF2
   */
  public static Cipher of(int mode, char[] password, byte[] salt, byte[] nonce, int rounds)
      throws GeneralSecurityException {
    var spec = new PBEKeySpec(password, salt, rounds, KEY_BITS);
    byte[] key =
        SecretKeyFactory.getInstance("PBKDF2WithHmacSHA256").generateSecret(spec).getEncoded();
    spec.clearPassword();
    Cipher c = Cipher.getInstance("AES/GCM/NoPadding");
    c.init(mode, new SecretKeySpec(key, "AES"), new GCMParameterSpec(TAG_BITS, nonce));
    Arrays.fill(key, (byte) 0);
    return c;
  }
}
