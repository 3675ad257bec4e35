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

  /** 96 by 48 pixels, half of them clear; both made by libwebp's cwebp 1.x. */
  private static final String LOSSLESS_WEBP =
      "UklGRiwAAABXRUJQVlA4TCAAAAAvX8ALEA8wHoM8HvMf8FDTtgFT/qQ3gl4R/Z8ATM7PAA==";

  private static final String LOSSY_WEBP =
      "UklGRlAAAABXRUJQVlA4IEQAAADQAwCdASpgADAAPtFor1KoJiQiocgBABoJaQDVfAT6rGg92zF220gA"
          + "/upl/8GyRTnL//xvH+S7+3fZVlwmXGMQCgAAAA==";

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

  private Fragment webp(String base64) throws IOException {
    Path file = folder.resolve("Crane.webp");
    Files.write(file, java.util.Base64.getDecoder().decode(base64));
    return PictureFile.read(file, D).orElseThrow();
  }

  @Test
  void aWebPBecomesAKindThatCanBePublished() throws IOException {
    Fragment clear = webp(LOSSLESS_WEBP);
    Inline.Picture p = picture(clear);
    assertThat(p.width()).isEqualTo(72);
    assertThat(p.height()).isEqualTo(36);
    var media = clear.media().get(p.media());
    assertThat(media.type()).isEqualTo("image/png");
    BufferedImage image = ImageIO.read(new java.io.ByteArrayInputStream(media.bytes()));
    assertThat(image.getRGB(10, 10) >>> 24).as("clear").isZero();
    assertThat(image.getRGB(80, 10)).isEqualTo(0xFFC81E1E);
    Fragment lossy = webp(LOSSY_WEBP);
    var jpeg = lossy.media().get(picture(lossy).media());
    assertThat(jpeg.type()).isEqualTo("image/jpeg");
    int rgb = ImageIO.read(new java.io.ByteArrayInputStream(jpeg.bytes())).getRGB(80, 10);
    assertThat((rgb >> 16) & 0xFF).isBetween(185, 215);
    assertThat(rgb & 0xFF).isBetween(15, 50);
  }

  @Test
  void anSvgHasTheSizeThatItGivesItself() throws IOException {
    Path file = folder.resolve("Tide.svg");
    Files.writeString(
        file,
        "<svg xmlns='http://www.w3.org/2000/svg' width='200' height='100'>"
            + "<rect width='200' height='100' fill='#0B5C7A'/></svg>");
    Fragment f = PictureFile.read(file, D).orElseThrow();
    assertThat(picture(f).width()).isEqualTo(150);
    assertThat(picture(f).height()).isEqualTo(75);
    assertThat(f.media().get(picture(f).media()).type()).isEqualTo("image/svg+xml");
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
