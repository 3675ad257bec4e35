package decant.office.doc;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.office.doc.write.DocWriter;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.junit.jupiter.api.Test;

/** When two files hold the same; where times stand in them is what POI finds ([MS-DOC] 2.7.2). */
class GivenOnTest {
  private static byte[] written(Document d) throws IOException {
    var out = new ByteArrayOutputStream();
    DocWriter.write(d, out);
    return out.toByteArray();
  }

  /** A byte of the tables altered: so far into what holds for the whole. */
  private static byte[] altered(byte[] file, int at) throws IOException {
    int from;
    try (var doc = new HWPFDocument(new ByteArrayInputStream(file))) {
      from = doc.getFileInformationBlock().getFcDop();
    }
    try (var packed = new POIFSFileSystem(new ByteArrayInputStream(file))) {
      byte[] tables;
      try (var in = packed.createDocumentInputStream("1Table")) {
        tables = in.readAllBytes();
      }
      tables[from + at] ^= 1;
      packed.createOrUpdateDocument(new ByteArrayInputStream(tables), "1Table");
      var out = new ByteArrayOutputStream();
      packed.writeFilesystem(out);
      return out.toByteArray();
    }
  }

  @Test
  void whenAFileWasWrittenDoesNotCountAndAllElseDoes() throws IOException {
    byte[] one = written(Samples.document(Samples.paragraph("Berth seven")));
    assertThat(GivenOn.isSame(one, altered(one, 20))).as("when it was made").isTrue();
    assertThat(GivenOn.isSame(one, altered(one, 27))).as("when it was changed").isTrue();
    assertThat(GivenOn.isSame(one, altered(one, 19))).isFalse();
    assertThat(GivenOn.isSame(one, altered(one, 28))).isFalse();
    assertThat(GivenOn.isSame(one, written(Samples.document(Samples.paragraph("Berth eight")))))
        .isFalse();
  }
}
