package decant.pdf.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import decant.Samples;
import decant.Tool;
import decant.pdf.content.ContentReader;
import decant.pdf.content.ContentSplice;
import decant.pdf.content.Instruction;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdfwriter.compress.CompressParameters;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class IncrementTest {
  @TempDir Path folder;

  /** A file of PDFBox's, with its references in a table or in a stream. */
  private static byte[] source(boolean streams) throws IOException {
    var layout = Samples.layout(Samples.document(Samples.paragraph("Keep clear of the slip")));
    try (PDDocument pdf = Loader.loadPDF(Samples.pdf(layout, Samples.choices(layout)))) {
      var out = new ByteArrayOutputStream();
      pdf.save(
          out,
          streams ? CompressParameters.DEFAULT_COMPRESSION : CompressParameters.NO_COMPRESSION);
      return out.toByteArray();
    }
  }

  private static COSObject first(COSDictionary pages) {
    COSBase kid = ((COSArray) pages.getDictionaryObject(COSName.KIDS)).get(0);
    return (COSObject) kid;
  }

  /** The words of a page under a mark, the page saying so, and nothing else changed. */
  private static byte[] marked(byte[] source) throws IOException {
    try (PDDocument pdf = Loader.loadPDF(source)) {
      COSObject reference =
          first(pdf.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.PAGES));
      var page = (COSDictionary) reference.getObject();
      byte[] content;
      try (InputStream in = pdf.getPage(0).getContents()) {
        content = in.readAllBytes();
      }
      var changes = new ArrayList<ContentSplice>();
      for (Instruction i : ContentReader.all(content)) {
        if (i instanceof Instruction.ShowText) {
          changes.add(ContentSplice.before(i.span().from(), bytes("/Seen BMC")));
          changes.add(ContentSplice.before(i.span().to(), bytes("EMC")));
        }
      }
      assertThat(changes).isNotEmpty();
      COSStream s = Deflated.stream(ContentSplice.all(content, changes), 6);
      page.setItem(COSName.CONTENTS, s);
      var increment = new Increment(pdf.getDocument());
      increment.add(s);
      increment.change(reference);
      var out = new ByteArrayOutputStream();
      increment.write(new ByteArrayInputStream(source), out);
      return out.toByteArray();
    }
  }

  private static byte[] bytes(String s) {
    return s.getBytes(StandardCharsets.US_ASCII);
  }

  /** Held against PDFBox and qpdf. */
  @ParameterizedTest
  @ValueSource(booleans = {false, true})
  void whatWasThereStaysAndWhatChangedIsRead(boolean streams) throws IOException {
    byte[] source = source(streams);
    byte[] now = marked(marked(source));
    assertThat(Arrays.copyOf(now, source.length)).isEqualTo(source);
    try (PDDocument pdf = Loader.loadPDF(now);
        PDDocument was = Loader.loadPDF(source)) {
      assertThat(new PDFTextStripper().getText(pdf)).isEqualTo(new PDFTextStripper().getText(was));
      try (InputStream in = pdf.getPage(0).getContents()) {
        List<Instruction> all = ContentReader.all(in.readAllBytes());
        long shown = all.stream().filter(Instruction.ShowText.class::isInstance).count();
        assertThat(
                all.stream()
                    .filter(i -> i instanceof Instruction.MarkStart m && m.tag().equals("Seen")))
            .hasSize((int) (2 * shown));
      }
      COSArray before = was.getDocument().getDocumentID();
      COSArray after = pdf.getDocument().getDocumentID();
      assertThat(after.get(0)).isEqualTo(before.get(0));
      assertThat(after.get(1)).isNotEqualTo(before.get(1));
    }
    Path file = Files.write(folder.resolve("now.pdf"), now);
    Tool.Answer answer = Tool.run("qpdf", "--check", file.toString());
    assertThat(answer.status()).as(answer.output()).isZero();
  }

  @Test
  void nothingIsAddedToWhatIsProtected() throws IOException {
    var layout = Samples.layout(Samples.document(Samples.paragraph("x")));
    try (PDDocument pdf = Loader.loadPDF(Samples.pdf(layout, Samples.choices(layout)))) {
      pdf.protect(
          new org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy(
              "a", "", new org.apache.pdfbox.pdmodel.encryption.AccessPermission()));
      var out = new ByteArrayOutputStream();
      pdf.save(out);
      try (PDDocument locked = Loader.loadPDF(out.toByteArray())) {
        assertThatThrownBy(() -> new Increment(locked.getDocument()))
            .isInstanceOf(IllegalArgumentException.class);
      }
    }
  }
}
