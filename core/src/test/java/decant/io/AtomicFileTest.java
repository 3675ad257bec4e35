package decant.io;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class AtomicFileTest {
  @TempDir Path folder;

  private static AtomicFile.Writing text(String s) {
    return out -> out.write(s.getBytes(java.nio.charset.StandardCharsets.UTF_8));
  }

  private String mode(Path file) throws IOException {
    return PosixFilePermissions.toString(Files.getPosixFilePermissions(file));
  }

  private List<String> names() throws IOException {
    try (Stream<Path> files = Files.list(folder)) {
      return files.map(f -> f.getFileName().toString()).sorted().toList();
    }
  }

  @Test
  void theModeOfWhatIsReplacedIsKept() throws Exception {
    Path file = Files.writeString(folder.resolve("charges.txt"), "old");
    Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-------"));
    AtomicFile.write(file, true, text("new"));
    assertThat(file).hasContent("new");
    assertThat(mode(file)).isEqualTo("rw-------");
    Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-rw-r--"));
    AtomicFile.write(file, true, text("newer"));
    assertThat(mode(file)).isEqualTo("rw-rw-r--");
  }

  @Test
  void whileItIsWrittenNobodyReadsMoreThanWhatIsReplacedAllows() throws Exception {
    Path file = Files.writeString(folder.resolve("secret.txt"), "old");
    Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-------"));
    AtomicFile.Pending p = AtomicFile.prepare(file, true, text("new"));
    assertThat(mode(p.file())).isEqualTo("rw-------");
    p.discard();
    assertThat(file).hasContent("old");
  }

  @Test
  void whatTheProgramRemembersIsItsOwnersAlone() throws Exception {
    Path file = StateFolder.make(folder.resolve("state/deep")).resolve("tray.json");
    AtomicFile.writeForOwner(file, text("[]"));
    assertThat(mode(file)).isEqualTo("rw-------");
    assertThat(mode(folder.resolve("state/deep"))).isEqualTo("rwx------");
  }

  @Test
  void aFileThatComesToBeThereMeanwhileIsNotReplacedWithoutLeave() throws Exception {
    Path file = folder.resolve("notice.pdf");
    AtomicFile.Pending p = AtomicFile.prepare(file, false, text("ours"));
    Files.writeString(file, "somebody else's");
    assertThatThrownBy(p::commit)
        .isInstanceOf(WriteProblem.class)
        .satisfies(
            e -> assertThat(((WriteProblem) e).kind()).isEqualTo(WriteProblem.Kind.NAME_TAKEN));
    assertThat(file).hasContent("somebody else's");
    assertThat(names()).containsExactly("notice.pdf");
  }

  /** Of many who write one name at once, one gets it, and no file is half of one and of another. */
  @Test
  void ofManyThatWriteOneNameOneGetsIt() throws Exception {
    Path file = folder.resolve("notice.pdf");
    int writers = 8;
    var go = new CountDownLatch(1);
    var done = new CountDownLatch(writers);
    var got = new AtomicInteger();
    for (int k = 0; k < writers; k++) {
      String own = ("writer " + k + " ").repeat(5000);
      Thread.ofPlatform()
          .start(() -> {
            try {
              go.await();
              AtomicFile.write(file, false, text(own));
              got.incrementAndGet();
            } catch (WriteProblem e) {
              assertThat(e.kind()).isEqualTo(WriteProblem.Kind.NAME_TAKEN);
            } catch (InterruptedException e) {
              Thread.currentThread().interrupt();
            } finally {
              done.countDown();
            }
          });
    }
    go.countDown();
    done.await();
    assertThat(got).hasValue(1);
    String content = Files.readString(file);
    assertThat(content).hasSize(5000 * "writer 0 ".length());
    assertThat(content.split("(?<=\\d) ")).containsOnly(content.substring(0, 8));
    assertThat(names()).containsExactly("notice.pdf");
  }

  @Test
  void aLinkIsWrittenThroughAndStaysOne() throws Exception {
    Files.createDirectories(folder.resolve("elsewhere"));
    Path real = Files.writeString(folder.resolve("elsewhere/rules.txt"), "old");
    Path link = Files.createSymbolicLink(folder.resolve("rules.txt"), real);
    AtomicFile.write(link, true, text("new"));
    assertThat(link).isSymbolicLink();
    assertThat(real).hasContent("new");
    assertThatThrownBy(() -> AtomicFile.write(link, false, text("x")))
        .isInstanceOf(WriteProblem.class);
    Files.delete(real);
    assertThatThrownBy(() -> AtomicFile.write(link, true, text("x")))
        .isInstanceOf(WriteProblem.class)
        .hasMessageContaining("leads nowhere");
  }

  @Test
  void aFileThatLiesInTheWayOfTheTemporaryOneIsNobodysLoss() throws Exception {
    Path file = folder.resolve("a.txt");
    String own = "." + file.getFileName() + "." + ProcessHandle.current().pid() + ".part";
    Files.writeString(folder.resolve(own), "another program's");
    AtomicFile.write(file, false, text("new"));
    assertThat(folder.resolve(own)).hasContent("another program's");
  }

  @Test
  void whatWasLeftHalfWrittenIsSweptOnceItIsOld() throws Exception {
    Path old = Files.writeString(folder.resolve(".a.pdf.0123456789abcdef.decant-part"), "half");
    Files.setLastModifiedTime(old, FileTime.from(Instant.now().minus(Duration.ofDays(3))));
    Path young = Files.writeString(folder.resolve(".b.pdf.0123456789abcdef.decant-part"), "half");
    Path other = Files.writeString(folder.resolve(".c.part"), "another program's");
    Files.setLastModifiedTime(other, FileTime.from(Instant.now().minus(Duration.ofDays(3))));
    AtomicFile.write(folder.resolve("new.txt"), false, text("x"));
    assertThat(old).doesNotExist();
    assertThat(young).exists();
    assertThat(other).exists();
  }

  @Test
  void whatCannotBeWrittenLeavesNothing() throws Exception {
    Path file = Files.writeString(folder.resolve("a.txt"), "old");
    assertThatThrownBy(() ->
            AtomicFile.write(
                file,
                true,
                out -> {
                  out.write(1);
                  throw new IOException("No space left on device");
                }))
        .isInstanceOf(WriteProblem.class)
        .satisfies(
            e -> assertThat(((WriteProblem) e).kind()).isEqualTo(WriteProblem.Kind.DISK_FULL));
    assertThat(file).hasContent("old");
    assertThat(names()).containsExactly("a.txt");
  }

  @Test
  void inputsAndWhatWasMadeAreKnownThroughLinksAndOtherNames() throws Exception {
    Path input = Files.writeString(folder.resolve("letter.docx"), "x");
    Path hard = Files.createLink(folder.resolve("hard.docx"), input);
    Path soft = Files.createSymbolicLink(folder.resolve("soft.docx"), input);
    Untouchable files = Untouchable.inputs(List.of(input, folder.resolve("gone.docx")));
    assertThat(files.isInput(hard)).isTrue();
    assertThat(files.isInput(soft)).isTrue();
    assertThat(files.isInput(folder.resolve("./x/../letter.docx"))).isTrue();
    assertThat(files.isInput(folder.resolve("gone.docx"))).isTrue();
    assertThat(files.isInput(folder.resolve("other.docx"))).isFalse();
    Path made = Files.writeString(folder.resolve("made.pdf"), "x");
    files.made(made);
    assertThat(files.isMade(Files.createLink(folder.resolve("again.pdf"), made))).isTrue();
    assertThat(files.isMade(input)).isFalse();
  }
}
