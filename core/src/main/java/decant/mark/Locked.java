package decant.mark;

import decant.io.PasswordCipher;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import javax.crypto.AEADBadTagException;
import javax.crypto.Cipher;

/**
 * Bytes that only a passphrase opens.
 *
 * @param rounds of PBKDF2
 */
record Locked(byte[] salt, byte[] nonce, int rounds, byte[] data) {
  /** Common practice for this function; from memory. */
  private static final int ROUNDS = 600_000;

  /** A file that asks for more is damaged, or meant to keep the program busy. */
  private static final int MOST_ROUNDS = 10_000_000;

  static Locked lock(byte[] open, char[] passphrase) {
    var random = new SecureRandom();
    byte[] salt = new byte[16];
    byte[] nonce = new byte[12];
    random.nextBytes(salt);
    random.nextBytes(nonce);
    try {
      byte[] data =
          PasswordCipher.of(Cipher.ENCRYPT_MODE, passphrase, salt, nonce, ROUNDS).doFinal(open);
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
    return PasswordCipher.of(Cipher.DECRYPT_MODE, passphrase, salt, nonce, rounds).doFinal(data);
  }
}
