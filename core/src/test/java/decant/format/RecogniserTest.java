package decant.format;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class RecogniserTest {
  @TempDir Path folder;

  private FileFormat of(byte[] bytes) throws IOException {
    return Recogniser.recognise(Files.write(folder.resolve("wrong-name.txt"), bytes));
  }

  private FileFormat zip(String entry, String content) throws IOException {
    Path file = folder.resolve("package.bin");
    try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
      zip.putNextEntry(new ZipEntry(entry));
      zip.write(content.getBytes(StandardCharsets.US_ASCII));
    }
    return Recogniser.recognise(file);
  }

  @Test
  void contentCountsAndNamesDoNot() throws IOException {
    assertThat(of(Files.readAllBytes(Samples.DEMO.resolve("Berth rules.pdf"))))
        .isEqualTo(FileFormat.PDF);
    assertThat(of(Files.readAllBytes(Samples.DEMO.resolve("Winter storage notice.docx"))))
        .isEqualTo(FileFormat.DOCX);
    assertThat(of("junk before %PDF-1.4".getBytes())).isEqualTo(FileFormat.PDF);
    assertThat(of("{\\rtf1 x}".getBytes())).isEqualTo(FileFormat.RTF);
    assertThat(of("  <!DOCTYPE html><p>".getBytes())).isEqualTo(FileFormat.HTML);
    assertThat(of("plain".getBytes())).isEqualTo(FileFormat.UNKNOWN);
    assertThat(of(new byte[] {(byte) 0x89, 'P', 'N', 'G', 0})).isEqualTo(FileFormat.PICTURE);
  }

  @Test
  void packagesAreToldByTheirParts() throws IOException {
    assertThat(zip("mimetype", "application/vnd.oasis.opendocument.text"))
        .isEqualTo(FileFormat.ODT);
    assertThat(zip("xl/workbook.xml", "<x/>")).isEqualTo(FileFormat.XLSX);
    assertThat(zip("ppt/presentation.xml", "<x/>")).isEqualTo(FileFormat.PPTX);
    assertThat(zip("word/document.xml", "<x/>")).isEqualTo(FileFormat.DOCX);
    assertThat(zip("readme.txt", "x")).isEqualTo(FileFormat.ZIP);
  }
}
