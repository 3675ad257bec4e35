package decant.mark;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.model.look.Colour;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import javax.crypto.AEADBadTagException;
import javax.crypto.SecretKeyFactory;
import javax.crypto.spec.PBEKeySpec;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class MarkShelfTest {
  @TempDir Path folder;
  private MarkShelf shelf;
  private Mark mark;

  @BeforeEach
  void open() throws MarkProblem {
    shelf = new MarkShelf(folder.resolve("marks"));
    mark = Stamp.of(List.of("Paid"), Colour.BLACK).as("Paid, red", Mark.Kind.STAMP, 90);
  }

  @Test
  void aMarkComesBackAsItWasKept() throws Exception {
    shelf.keep(mark, Optional.empty());
    MarkShelf.Contents has = shelf.contents();
    assertThat(has.unread()).isEmpty();
    assertThat(has.marks()).singleElement().satisfies(k -> assertThat(k.locked()).isFalse());
    Mark back = shelf.open(has.marks().getFirst(), Optional.empty());
    assertThat(back.picture().bytes()).isEqualTo(mark.picture().bytes());
    assertThat(back.name()).isEqualTo("Paid, red");
    assertThat(back.kind()).isEqualTo(Mark.Kind.STAMP);
    assertThat(back.width()).isEqualTo(90);
    assertThat(shelf.has("Paid, red")).isTrue();
    shelf.forget(has.marks().getFirst());
    assertThat(shelf.contents().marks()).isEmpty();
  }

  @Test
  void onlyItsOwnerReadsTheFile() throws Exception {
    shelf.keep(mark, Optional.empty());
    Path file = shelf.contents().marks().getFirst().file();
    assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
        .isEqualTo("rw-------");
  }

  @Test
  void aLockedMarkOpensWithItsPassphraseAlone() throws Exception {
    shelf.keep(mark, Optional.of("kelp and tar".toCharArray()));
    MarkShelf.Kept kept = shelf.contents().marks().getFirst();
    assertThat(kept.locked()).isTrue();
    String file = Files.readString(kept.file());
    String drawing = new String(mark.picture().bytes(), StandardCharsets.UTF_8);
    assertThat(file)
        .doesNotContain("<svg")
        .doesNotContain(Base64.getEncoder().encodeToString(drawing.substring(0, 30).getBytes()));
    assertThat(shelf.open(kept, Optional.of("kelp and tar".toCharArray())).picture().bytes())
        .isEqualTo(mark.picture().bytes());
    assertThatThrownBy(() -> shelf.open(kept, Optional.of("kelp".toCharArray())))
        .isInstanceOf(MarkProblem.class)
        .hasMessageContaining("Paid, red")
        .hasMessageContaining("password");
    assertThatThrownBy(() -> shelf.open(kept, Optional.empty())).isInstanceOf(MarkProblem.class);
  }

  @Test
  void changedBytesDoNotOpen() throws GeneralSecurityException {
    Locked l = Locked.lock(new byte[] {1, 2, 3}, "tar".toCharArray());
    assertThat(l.open("tar".toCharArray())).containsExactly(1, 2, 3);
    assertThat(Locked.lock(new byte[] {1, 2, 3}, "tar".toCharArray()).data())
        .isNotEqualTo(l.data()); // another salt each time
    l.data()[0] ^= 1;
    assertThatThrownBy(() -> l.open("tar".toCharArray())).isInstanceOf(AEADBadTagException.class);
    var busy = new Locked(l.salt(), l.nonce(), Integer.MAX_VALUE, l.data());
    assertThatThrownBy(() -> busy.open("tar".toCharArray()))
        .isInstanceOf(GeneralSecurityException.class);
  }

  /** RFC 7914 §11, the second of its vectors for PBKDF2 with HMAC-SHA-256. */
  @Test
  void theRuntimesKeysAreThoseOfTheStandard() throws GeneralSecurityException {
    var spec =
        new PBEKeySpec(
            "Password".toCharArray(), "NaCl".getBytes(StandardCharsets.US_ASCII), 80_000, 512);
    byte[] key =
        SecretKeyFactory.getInstance("PBKDF2WithHmacSHA256").generateSecret(spec).getEncoded();
    assertThat(java.util.HexFormat.of().formatHex(key))
        .startsWith("4ddcd8f60b98be21830cee5ef22701f9");
  }

  @Test
  void damagedFilesAreToldAndStay() throws Exception {
    shelf.keep(mark, Optional.empty());
    Path bad = folder.resolve("marks/bad.json");
    for (String s :
        List.of(
            "",
            "{",
            "null",
            "[]",
            "{\"mark\":9}",
            "{\"mark\":1,\"name\":\"x\",\"kind\":\"BELL\"}")) {
      Files.writeString(bad, s);
      MarkShelf.Contents has = shelf.contents();
      assertThat(has.marks()).hasSize(1);
      assertThat(has.unread()).singleElement().asString().contains("bad.json");
    }
    Files.writeString(bad, "{\"mark\":1,\"name\":\"x\",\"kind\":\"STAMP\"}");
    MarkShelf.Kept empty =
        shelf.contents().marks().stream()
            .filter(k -> k.name().equals("x"))
            .findFirst()
            .orElseThrow();
    assertThatThrownBy(() -> shelf.open(empty, Optional.empty()))
        .isInstanceOf(MarkProblem.class)
        .hasMessageContaining("damaged");
    assertThat(bad).exists();
  }
}
