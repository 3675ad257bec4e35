package decant.clip;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.edit.Fragment;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PictureFileTest {
  private static final Document D = Samples.document(Samples.paragraph("x"));

  @TempDir Path folder;

  private Optional<Fragment> read(String name, String format, int w, int h) throws IOException {
    Path file = folder.resolve(name);
    assertThat(
            ImageIO.write(
                new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB), format, file.toFile()))
        .isTrue();
    return PictureFile.read(file, D);
  }

  private static Inline.Picture picture(Fragment f) {
    return (Inline.Picture) ((Paragraph) f.blocks().getFirst()).inlines().getFirst();
  }

  @ParameterizedTest
  @CsvSource({
    "png,image/png",
    "jpg,image/jpeg",
    "gif,image/gif",
    "bmp,image/bmp",
    "tiff,image/tiff"
  })
  void picturesOfEveryKindArePutIn(String format, String type) throws IOException {
    Fragment f = read("Crane." + format, format, 96, 48).orElseThrow();
    Inline.Picture p = picture(f);
    assertThat(p.width()).isEqualTo(72);
    assertThat(p.height()).isEqualTo(36);
    assertThat(p.alt()).isEqualTo("Crane");
    assertThat(f.media().get(p.media()).type()).isEqualTo(type);
  }

  @Test
  void theNameOfAFileSaysNothing() throws IOException {
    assertThat(picture(read("odd.txt", "png", 10, 10).orElseThrow()).width()).isEqualTo(7.5);
    Path text = Files.writeString(folder.resolve("text.png"), "no picture");
    assertThat(PictureFile.read(text, D)).isEmpty();
    Path cut = Files.write(folder.resolve("cut.png"), new byte[] {(byte) 0x89, 'P', 'N', 'G'});
    assertThat(PictureFile.read(cut, D)).isEmpty();
  }

  @Test
  void aPictureIsNoWiderThanTheText() throws IOException {
    Inline.Picture p = picture(read("wide.png", "png", 4000, 1000).orElseThrow());
    double room = D.sections().getFirst().page().textWidth();
    assertThat(p.width()).isEqualTo(room);
    assertThat(p.height()).isEqualTo(room / 4);
  }
}
