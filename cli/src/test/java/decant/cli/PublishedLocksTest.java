package decant.cli;

import static decant.cli.Called.copy;
import static decant.cli.Called.run;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** {@code decant publish} with passwords. */
class PublishedLocksTest {
  @TempDir Path folder;

  @Test
  void aLockedCopyTakesItsPasswordFromAFile() throws IOException {
    Path notice = copy("Winter storage notice.docx", folder);
    Called without = run("publish", notice.toString(), "--recipe", "locked copy");
    assertThat(without.status()).isEqualTo(1);
    assertThat(without.err()).contains("Enter the password");
    Path secret = Files.writeString(folder.resolve("secret.txt"), "high tide\n");
    Called with =
        run(
            "publish",
            notice.toString(),
            "--recipe",
            "Locked copy",
            "--change-password-file",
            secret.toString());
    assertThat(with.status()).as(with.err()).isZero();
    String raw =
        Files.readString(
            folder.resolve("Winter storage notice.pdf"),
            java.nio.charset.StandardCharsets.ISO_8859_1);
    assertThat(raw).contains("/Encrypt").doesNotContain("high tide");
  }

  @Test
  void aPasswordThatNoOutputCanUseIsWrongUsage() throws IOException {
    Path notice = copy("Winter storage notice.docx", folder);
    Path secret = Files.writeString(folder.resolve("secret.txt"), "high tide\n");
    Called open = run("publish", notice.toString(), "--open-password-file", secret.toString());
    assertThat(open.status()).isEqualTo(2);
    assertThat(open.err()).contains("no output of “Counter copy” asks for one");
    Called change = run("publish", notice.toString(), "--change-password-file", secret.toString());
    assertThat(change.status()).isEqualTo(2);
    Called unset =
        run(
            "publish",
            notice.toString(),
            "--recipe",
            "Locked copy",
            "--change-password-env",
            "DECANT_NO_SUCH_VARIABLE");
    assertThat(unset.status()).isEqualTo(2);
    assertThat(unset.err()).contains("DECANT_NO_SUCH_VARIABLE is not set");
    assertThat(folder.resolve("Winter storage notice.pdf")).doesNotExist();
    // A password to read with that was not needed is no error.
    assertThat(run("publish", notice.toString(), "--password-file", secret.toString()).status())
        .isZero();
  }

  @Test
  void aDocumentIsLockedWhereItsFormatCanBe() throws IOException {
    Path notice = copy("Winter storage notice.docx", folder);
    Path secret = Files.writeString(folder.resolve("secret.txt"), "high tide\n");
    for (String format : new String[] {"odt", "docx"}) {
      Called r =
          run(
              "publish",
              notice.toString(),
              "--to",
              format,
              "--out",
              folder.resolve("locked." + format).toString(),
              "--open-password-file",
              secret.toString());
      assertThat(r.status()).as(r.err()).isZero();
      Path made = folder.resolve("locked." + format);
      assertThat(run("describe", made.toString(), "--json").status()).isEqualTo(1);
      Called open =
          run("describe", made.toString(), "--json", "--password-file", secret.toString());
      assertThat(open.status()).as(open.err()).isZero();
      assertThat(open.out()).contains("Winter storage");
    }
    for (String format : new String[] {"doc", "rtf", "html", "txt"}) {
      Called r =
          run(
              "publish",
              notice.toString(),
              "--to",
              format,
              "--open-password-file",
              secret.toString());
      assertThat(r.status()).isEqualTo(2);
      assertThat(r.err()).contains("cannot-lock").contains("Nothing was written");
      assertThat(folder.resolve("Winter storage notice." + format)).doesNotExist();
    }
  }

  @Test
  void anOpenFileBesideALockedOneIsSaid() throws IOException {
    Path notice = copy("Winter storage notice.docx", folder);
    Path secret = Files.writeString(folder.resolve("secret.txt"), "high tide\n");
    Path both =
        Files.writeString(
            folder.resolve("both.json"),
            """
            {"decant-recipe": 3, "name": "Both", "outputs": [
              {"kind": "pdf", "rights": {"protection": "aes-256", "ask-to-open": true}},
              {"kind": "office", "format": "docx", "naming": "{stem} open"}]}
            """);
    Called r =
        run(
            "publish",
            notice.toString(),
            "--recipe",
            both.toString(),
            "--open-password-file",
            secret.toString());
    assertThat(r.err()).contains("another has the same document without one");
    assertThat(r.status()).isZero();
  }
}
