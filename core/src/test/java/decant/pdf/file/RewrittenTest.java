package decant.pdf.file;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.Tool;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.TreeMap;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObjectKey;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdfwriter.compress.CompressParameters;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A file written anew is the file that it was: held against PDFBox and qpdf, object by object. */
class RewrittenTest {
  @TempDir private Path folder;

  /** The demo's rules, saved by PDFBox with its references in a table or in streams. */
  private static byte[] source(boolean streams) throws IOException {
    try (PDDocument pdf = Loader.loadPDF(Samples.DEMO.resolve("Berth rules.pdf").toFile())) {
      var out = new ByteArrayOutputStream();
      pdf.save(
          out,
          streams ? CompressParameters.DEFAULT_COMPRESSION : CompressParameters.NO_COMPRESSION);
      return out.toByteArray();
    }
  }

  private static byte[] rewritten(byte[] source, String password) throws IOException {
    try (PDDocument pdf = Loader.loadPDF(source, password)) {
      var out = new ByteArrayOutputStream();
      Rewritten.write(pdf, out);
      return out.toByteArray();
    }
  }

  /** What each object says, by its number; streams by their bytes as they stand in the file. */
  private static Map<COSObjectKey, String> objects(byte[] file, String password)
      throws IOException {
    var out = new TreeMap<COSObjectKey, String>();
    try (PDDocument pdf = Loader.loadPDF(file, password)) {
      for (COSObjectKey k : pdf.getDocument().getXrefTable().keySet()) {
        COSBase o = pdf.getDocument().getObjectFromPool(k).getObject();
        boolean frame =
            o instanceof COSStream s
                && (COSName.XREF.equals(s.getDictionaryObject(COSName.TYPE))
                    || COSName.OBJ_STM.equals(s.getDictionaryObject(COSName.TYPE)));
        if (o == null || frame) {
          continue;
        }
        out.put(k, said(o));
      }
    }
    return out;
  }

  private static String said(COSBase o) throws IOException {
    if (!(o instanceof COSStream s)) {
      return new String(ObjectText.direct(shallow(o)), StandardCharsets.ISO_8859_1);
    }
    var entries = new COSDictionary();
    s.entrySet().forEach(e -> entries.setItem(e.getKey(), e.getValue()));
    entries.removeItem(COSName.LENGTH);
    return new String(ObjectText.direct(shallow(entries)), StandardCharsets.ISO_8859_1)
        + java.util.Arrays.hashCode(Deflated.rawBytes(s));
  }

  /** Without what other objects say: references by their numbers. */
  private static COSBase shallow(COSBase o) {
    return switch (o) {
      case org.apache.pdfbox.cos.COSObject r -> COSName.getPDFName("ref-" + r.getKey());
      case COSDictionary d -> {
        var out = new COSDictionary();
        d.entrySet().forEach(e -> out.setItem(e.getKey(), shallow(e.getValue())));
        yield out;
      }
      case org.apache.pdfbox.cos.COSArray a -> {
        var out = new org.apache.pdfbox.cos.COSArray();
        a.forEach(x -> out.add(x == null ? null : shallow(x)));
        yield out;
      }
      default -> o;
    };
  }

  @ParameterizedTest
  @ValueSource(booleans = {false, true})
  void everyObjectKeepsItsNumberAndWhatItSays(boolean streams) throws IOException {
    byte[] source = source(streams);
    byte[] now = rewritten(source, "");
    Map<COSObjectKey, String> was = objects(source, "");
    Map<COSObjectKey, String> is = objects(now, "");
    assertThat(is.keySet()).isSubsetOf(was.keySet()).hasSizeGreaterThan(was.size() / 2);
    is.forEach((k, said) -> assertThat(said).as("object " + k).isEqualTo(was.get(k)));
    Path file = Files.write(folder.resolve("now.pdf"), now);
    Tool.Answer qpdf = Tool.run("qpdf", "--check", file.toString());
    assertThat(qpdf.status()).as(qpdf.output()).isZero();
    // Compressed together where they were.
    assertThat(now.length).isLessThan(source.length * 11 / 10);
  }

  @Test
  void whatNothingLeadsToIsLeftOut() throws IOException {
    byte[] source = source(false);
    try (PDDocument pdf = Loader.loadPDF(source)) {
      pdf.getDocumentInformation().setTitle("Gone by tomorrow");
      var first = new ByteArrayOutputStream();
      Rewritten.write(pdf, first);
      pdf.getDocument().getTrailer().removeItem(COSName.INFO);
      var second = new ByteArrayOutputStream();
      Rewritten.write(pdf, second);
      assertThat(first.toString(StandardCharsets.ISO_8859_1)).contains("Gone by tomorrow");
      assertThat(second.toString(StandardCharsets.ISO_8859_1)).doesNotContain("Gone by tomorrow");
    }
  }

  @ParameterizedTest
  @ValueSource(ints = {40, 128, 256})
  void locksStayAndOpenToTheSamePasswords(int bits) throws IOException {
    byte[] plain = source(bits == 128);
    var locked = new ByteArrayOutputStream();
    try (PDDocument pdf = Loader.loadPDF(plain)) {
      var allowed = new AccessPermission();
      allowed.setCanPrint(false);
      var policy = new StandardProtectionPolicy("owner", "user", allowed);
      policy.setEncryptionKeyLength(bits);
      policy.setPreferAES(bits > 40);
      pdf.protect(policy);
      pdf.save(locked);
    }
    byte[] now = rewritten(locked.toByteArray(), "owner");
    for (String password : new String[] {"user", "owner"}) {
      try (PDDocument pdf = Loader.loadPDF(now, password)) {
        assertThat(pdf.getCurrentAccessPermission().canPrint()).isEqualTo(password.equals("owner"));
      }
      Map<COSObjectKey, String> was = objects(locked.toByteArray(), password);
      objects(now, password)
          .forEach((k, said) -> assertThat(said).as("object " + k).isEqualTo(was.get(k)));
    }
    Path file = Files.write(folder.resolve("now.pdf"), now);
    Tool.Answer qpdf = Tool.run("qpdf", "--password=user", "--check", file.toString());
    assertThat(qpdf.status()).as(qpdf.output()).isZero();
  }

  /** Real numbers are written digit by digit as they were read. */
  @Test
  void numbersKeepTheirDigits() throws IOException {
    byte[] source = source(false);
    try (PDDocument pdf = Loader.loadPDF(source)) {
      pdf.getPage(0)
          .getCOSObject()
          .setItem(COSName.getPDFName("Odd"), new org.apache.pdfbox.cos.COSFloat("0.123456789"));
      var out = new ByteArrayOutputStream();
      Rewritten.write(pdf, out);
      assertThat(out.toString(StandardCharsets.ISO_8859_1)).contains("0.123456789");
    }
  }
}
