package decant.office.docx;

import decant.format.FormatService.Locker;
import decant.reading.ReadProblem;
import decant.reading.ReadProblem.Kind;
import decant.reading.ReadRequest;
import decant.words.Words;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import org.apache.poi.EncryptedDocumentException;
import org.apache.poi.poifs.crypt.ChainingMode;
import org.apache.poi.poifs.crypt.CipherAlgorithm;
import org.apache.poi.poifs.crypt.Decryptor;
import org.apache.poi.poifs.crypt.EncryptionInfo;
import org.apache.poi.poifs.crypt.EncryptionMode;
import org.apache.poi.poifs.crypt.Encryptor;
import org.apache.poi.poifs.crypt.HashAlgorithm;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;

/**
 * Whole packages that a password opens ([MS-OFFCRYPTO] 2.3.4): locked by agile encryption with
 * AES-256 and SHA-512, opened in that and in the older standard way.
 */
final class PackageLock implements Locker {
  private static final Words WORDS = Words.of(PackageLock.class);
  private static final int KEY = 256; // bits

  /** More rounds than these no honest file asks for. */
  private static final int MOST_ROUNDS = 5_000_000;

  @Override
  public void lock(Path plain, String password, OutputStream out) throws IOException {
    var info =
        new EncryptionInfo(
            EncryptionMode.agile,
            CipherAlgorithm.aes256,
            HashAlgorithm.sha512,
            KEY,
            -1,
            ChainingMode.cbc);
    Encryptor encryptor = info.getEncryptor();
    encryptor.confirmPassword(password);
    try (var whole = new POIFSFileSystem()) {
      try (OutputStream in = encryptor.getDataStream(whole)) {
        Files.copy(plain, in);
      }
      whole.writeFilesystem(out);
    } catch (GeneralSecurityException e) {
      throw new IOException("every Java runtime has these ciphers", e);
    }
  }

  @Override
  public void unlock(ReadRequest locked, OutputStream out) throws ReadProblem, IOException {
    try (var whole = new POIFSFileSystem(locked.file().toFile(), true)) {
      var info = new EncryptionInfo(whole);
      if (info.getVerifier().getSpinCount() > MOST_ROUNDS) {
        throw new ReadProblem(Kind.CANNOT_UNLOCK, WORDS.say("package-lock.locked-otherwise"));
      }
      Decryptor decryptor = Decryptor.getInstance(info);
      if (!decryptor.verifyPassword(locked.password().orElse(""))) {
        throw ReadProblem.wrongPassword();
      }
      try (InputStream in = decryptor.getDataStream(whole)) {
        copy(in, out, locked);
      }
    } catch (GeneralSecurityException | EncryptedDocumentException e) {
      throw new ReadProblem(Kind.CANNOT_UNLOCK, WORDS.say("package-lock.locked-otherwise"), e);
    } catch (RuntimeException | java.io.FileNotFoundException e) {
      // The library throws all kinds of things where what says how it is locked is damaged.
      throw new ReadProblem(Kind.CANNOT_UNLOCK, WORDS.say("package-lock.locked-otherwise"), e);
    }
  }

  private static void copy(InputStream in, OutputStream out, ReadRequest request)
      throws IOException, ReadProblem {
    byte[] buffer = new byte[1 << 16];
    long size = 0;
    for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
      request.checkpoint();
      size += n;
      if (size > request.limits().fileBytes()) {
        throw ReadProblem.tooLarge();
      }
      out.write(buffer, 0, n);
    }
  }
}
