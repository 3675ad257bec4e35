package decant.pdf.content;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import decant.Samples;
import decant.model.Document;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdfparser.PDFStreamParser;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ContentReaderTest {
  private static byte[] bytes(String s) {
    return s.getBytes(StandardCharsets.ISO_8859_1);
  }

  private static List<Instruction> read(String s) {
    return ContentReader.all(bytes(s));
  }

  private static String text(COSBase o) {
    return switch (o) {
      case COSNumber n -> Float.toString(n.floatValue());
      case COSName n -> "/" + n.getName();
      case COSString s -> "<" + s.toHexString() + ">";
      case COSArray a -> a.toList().stream().map(ContentReaderTest::text).toList().toString();
      case COSDictionary d -> {
        var keys = new ArrayList<String>();
        d.entrySet().forEach(e -> keys.add(e.getKey().getName() + text(e.getValue())));
        yield keys.stream().sorted().toList().toString();
      }
      default -> o.toString();
    };
  }

  private static String written(Raw r) {
    return r.operands().stream().map(ContentReaderTest::text).toList() + " " + r.operator();
  }

  /** Held against PDFBox's own parser: pages that we wrote, and those of the demonstration. */
  @ParameterizedTest
  @ValueSource(strings = {"Berth rules.pdf", "Berth application.pdf", ""})
  void readsWhatOtherReadersRead(String name) throws IOException {
    try (PDDocument pdf =
        name.isEmpty() ? Loader.loadPDF(ours()) : Loader.loadPDF(demo(name).toFile())) {
      for (PDPage page : pdf.getPages()) {
        byte[] content;
        try (InputStream in = page.getContents()) {
          content = in.readAllBytes();
        }
        var theirs = new ArrayList<String>();
        var operands = new ArrayList<COSBase>();
        var parser = new PDFStreamParser(content);
        for (Object o = parser.parseNextToken(); o != null; o = parser.parseNextToken()) {
          if (o instanceof Operator op) {
            theirs.add(
                operands.stream().map(ContentReaderTest::text).toList() + " " + op.getName());
            operands.clear();
          } else {
            operands.add((COSBase) o);
          }
        }
        List<Instruction> own = ContentReader.all(content);
        assertThat(own).extracting(i -> written(i.raw())).isEqualTo(theirs);
        assertThat(own).isNotEmpty().noneMatch(Instruction.Unknown.class::isInstance);
      }
    }
  }

  private static Path demo(String name) throws IOException {
    try (var files = java.nio.file.Files.walk(Samples.DEMO)) {
      return files.filter(f -> f.getFileName().toString().equals(name)).findFirst().orElseThrow();
    }
  }

  private static byte[] ours() {
    Document d = Samples.varied(4, 60);
    var layout = Samples.layout(d);
    return Samples.pdf(layout, Samples.choices(layout));
  }

  /** The examples of ISO 32000-2 §7.3.4, §7.3.5 and §8.9.7, and usual damage. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "(These \\\\\\r two strings) Tj | [<546865736520 5C0D2074776F20737472696E6773>] Tj",
        "(a(b)c) Tj | [<61286229 63>] Tj",
        "(\\0053\\53\\245) Tj | [<0533 2BA5>] Tj",
        "<901FA> Tj | [<901FA0>] Tj",
        "/A#42 gs | [/AB] gs",
        "[(A) 120 (W)] TJ | [[<41>, 120.0, <57>]] TJ",
        "/P <</MCID 0/L(x)>> BDC | [/P, [L<78>, MCID0.0]] BDC",
        "1 .5 -.5 +2 4. -0 cm | [1.0, 0.5, -0.5, 2.0, 4.0, 0.0] cm",
        "0 -- w % said | [0.0, -0.0] w",
        "] ) } > 1 w | [1.0] w",
        "[ 1 2 w | [[1.0, 2.0]] w",
        " <</A 1 w | [[A1.0]] w",
        "true null ri | [true, COSNull{}] ri"
      })
  void readsObjectsAsTheStandardHasThem(String stream, String wanted) {
    List<Instruction> all = read(stream);
    assertThat(all).hasSize(1);
    assertThat(written(all.getFirst().raw()).replace(" ", "")).isEqualTo(wanted.replace(" ", ""));
  }

  @Test
  void tellsWhatEachOperatorDoes() {
    List<Instruction> all =
        read("q 2 0 0 3 5 7 cm BT /F1 12 Tf 1 0 Td (a) Tj T* ET /P3 Do Q 3 4 zz 1 cm /Tag BMC EMC");
    assertThat(all)
        .extracting(i -> i.getClass().getSimpleName())
        .containsExactly(
            "Save",
            "Concat",
            "TextStart",
            "Font",
            "MoveText",
            "ShowText",
            "NextLine",
            "TextEnd",
            "PaintObject",
            "Restore",
            "Unknown",
            "Unknown",
            "MarkStart",
            "MarkEnd");
    assertThat(all.get(1))
        .isInstanceOfSatisfying(
            Instruction.Concat.class,
            c -> assertThat(c.transform()).isEqualTo(new Transform(2, 0, 0, 3, 5, 7)));
    assertThat(all.get(8))
        .isInstanceOfSatisfying(
            Instruction.PaintObject.class, p -> assertThat(p.name()).isEqualTo("P3"));
  }

  /** Every byte that is no space, and in no comment, is of one instruction, in order. */
  @Test
  void saysWhereEachStands() {
    String s = "  q\n1 0 0 1 9 9 cm%x\n(a b) Tj /X << /A [1 2] >> BDC\nEMC Q";
    List<String> parts =
        read(s).stream().map(i -> s.substring(i.span().from(), i.span().to())).toList();
    assertThat(parts)
        .containsExactly("q", "1 0 0 1 9 9 cm", "(a b) Tj", "/X << /A [1 2] >> BDC", "EMC", "Q");
  }

  /** EI within the bytes of a picture does not end it (§8.9.7). */
  @ParameterizedTest
  @CsvSource({
    "/W 4 /H 3 /BPC 8 /CS /G,12",
    "/W 4 /H 3 /IM true /L 12,12",
    "/Width 2 /Height 2 /BitsPerComponent 8 /ColorSpace /RGB,12",
    "/W 9 /H 9 /F /AHx,12"
  })
  void readsPicturesWithinTheStream(String keys, int length) {
    String data = "ab EI (\u00ff\u0001yz.".substring(0, length);
    String s = "q BI " + keys + " ID " + data + "\nEI Q";
    List<Instruction> all = read(s);
    assertThat(all).hasSize(3);
    assertThat(all.get(1))
        .isInstanceOfSatisfying(
            Instruction.InlineImage.class,
            i -> {
              assertThat(s.substring(i.data().from(), i.data().to())).isEqualTo(data);
              assertThat(i.image().getInt(COSName.WIDTH)).isPositive();
              assertThat(s.substring(i.span().from(), i.span().to()))
                  .startsWith("BI")
                  .endsWith("EI");
            });
    assertThat(all.getLast()).isInstanceOf(Instruction.Restore.class);
  }

  /** Whatever is done to a stream, reading ends, in order and within the bytes. */
  @Test
  void damageNeverStopsTheReading() throws IOException {
    byte[] whole;
    try (PDDocument pdf = Loader.loadPDF(ours());
        InputStream in = pdf.getPage(0).getContents()) {
      whole = in.readAllBytes();
    }
    var random = new Random(7);
    for (int round = 0; round < 400; round++) {
      byte[] b = Arrays.copyOf(whole, random.nextInt(1, whole.length));
      for (int k = 0; k < round % 40; k++) {
        b[random.nextInt(b.length)] = (byte) "()<>[]{}/%\\BI EIDx09".charAt(random.nextInt(20));
      }
      int at = 0;
      for (Instruction i : ContentReader.all(b)) {
        assertThat(i.span().from()).isGreaterThanOrEqualTo(at);
        assertThat(i.span().length()).isPositive();
        at = i.span().to();
      }
      assertThat(at).isLessThanOrEqualTo(b.length);
    }
  }

  /** Brackets that open a million times neither overflow the stack nor take long. */
  @Test
  void whatIsNestedWithoutEndIsReadInTheEnd() {
    for (String open : List.of("[", "<<", "<</A ", "(", "BI ", "/A<<")) {
      assertThat(read(open.repeat(200_000) + " q").size()).isLessThan(200_001);
    }
  }

  @Test
  void changesLeaveEveryOtherByte() {
    String s = "q\n(secret) Tj%note\n(shown)   Tj\nQ";
    List<Instruction> all = read(s);
    byte[] changed =
        ContentSplice.all(
            bytes(s),
            List.of(
                ContentSplice.without(all.get(1).span()),
                ContentSplice.before(all.get(2).span().from(), bytes("/Span BMC")),
                ContentSplice.before(all.get(2).span().to(), bytes("EMC"))));
    assertThat(new String(changed, StandardCharsets.ISO_8859_1))
        .isEqualTo("q\n %note\n /Span BMC (shown)   Tj EMC \nQ");
    assertThat(ContentReader.all(changed))
        .extracting(i -> i.raw().operator())
        .containsExactly("q", "BMC", "Tj", "EMC", "Q");
    assertThatThrownBy(() ->
            ContentSplice.all(
                bytes(s),
                List.of(
                    ContentSplice.without(new Span(4, 9)), ContentSplice.without(new Span(2, 5)))))
        .isInstanceOf(IllegalArgumentException.class);
  }

  /** Held against the platform's own transformations. */
  @Test
  void transformsFollowEachOther() {
    var random = new Random(3);
    for (int round = 0; round < 200; round++) {
      double[] m = random.doubles(12, -3, 3).toArray();
      var first = new Transform(m[0], m[1], m[2], m[3], m[4], m[5]);
      var second = new Transform(m[6], m[7], m[8], m[9], m[10], m[11]);
      var wanted = new AffineTransform(second.affine());
      wanted.concatenate(first.affine());
      Point2D p = wanted.transform(new Point2D.Double(m[3], m[8]), null);
      Transform both = first.then(second);
      assertThat(both.x(m[3], m[8])).isCloseTo(p.getX(), within(1e-9));
      assertThat(both.y(m[3], m[8])).isCloseTo(p.getY(), within(1e-9));
    }
  }
}
