package decant.office.doc;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.FormatService;
import decant.format.Formats;
import decant.model.Document;
import decant.model.Inline;
import decant.model.look.FieldRule;
import decant.model.look.FormField;
import decant.model.look.FormField.Kind;
import decant.model.look.Look;
import decant.model.look.TextTraits;
import decant.preview.LeftOut;
import decant.verify.Check;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.usermodel.CharacterRun;
import org.apache.poi.util.LittleEndian;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Places to fill in stay such in the older office formats: [MS-DOC] 2.9.78 FFData, Rich Text Format
 * 1.9.1 “Form Fields”, ISO/IEC 29500-1 §17.5.2.
 */
class FormsInOfficeFilesTest {
  @TempDir Path folder;

  private static Inline on(FormField f, String text) {
    return new Inline.Text(text, Look.of(TextTraits.FIELD, f));
  }

  private static FormField field(String name, Kind kind, FieldRule rule, String... options) {
    return new FormField(name, name, kind, List.of(options), 0, "", rule);
  }

  private static Document form() {
    FieldRule length = FieldRule.NONE.withMost(20);
    return Samples.document(
        Samples.inlines(
            new Inline.Text("Vessel: ", Look.PLAIN),
            on(field("Vessel", Kind.TEXT, length), "Grey Heron"),
            new Inline.Text(", metres: ", Look.PLAIN),
            on(field("Metres", Kind.TEXT, FieldRule.NONE.number()), "9.5"),
            new Inline.Text(" from ", Look.PLAIN),
            on(field("From", Kind.TEXT, FieldRule.NONE.date("dd.mm.yyyy")), "01.10.2026")),
        Samples.inlines(
            on(field("Mast", Kind.TICK, FieldRule.NONE), "\u2611"),
            new Inline.Text(" mast is down ", Look.PLAIN),
            on(field("Cradle", Kind.TICK, FieldRule.NONE), "\u2610"),
            new Inline.Text(" own cradle", Look.PLAIN)),
        Samples.inlines(
            new Inline.Text("Pontoon ", Look.PLAIN),
            on(field("Pontoon", Kind.CHOICE, FieldRule.NONE, "North", "Middle", "South"), "Middle"),
            new Inline.Text(" it is.", Look.PLAIN)));
  }

  private Path written(Document d, String format) throws Exception {
    Path file = folder.resolve("form." + format);
    FormatService.Writer writer = Formats.writer(Formats.of(format).orElseThrow());
    try (OutputStream out = Files.newOutputStream(file)) {
      writer.write(d, out);
    }
    return file;
  }

  private static List<String> said(Document d) {
    return Samples.fields(d).entrySet().stream()
        .map(e -> {
          FormField f = e.getKey();
          return f.name()
              + " "
              + f.kind()
              + " "
              + f.options()
              + " "
              + f.rule().most()
              + f.rule().sort()
              + f.rule().picture()
              + " = "
              + (f.isSwitch() ? f.holds(e.getValue()) : f.value(e.getValue()));
        })
        .toList();
  }

  @ParameterizedTest
  @ValueSource(strings = {"docx", "doc", "rtf"})
  void comeBackAsTheyWere(String format) throws Exception {
    Document d = form();
    Path file = written(d, format);
    FormatService.Verifier verifier = Formats.verifier(Formats.of(format).orElseThrow());
    assertThat(verifier.verify(file, d)).allMatch(Check::passed);
    Document back = Samples.taken(file).document();
    assertThat(said(back)).isEqualTo(said(d));
    assertThat(back.paragraphs().stream().map(p -> p.text().strip()).toList())
        .isEqualTo(d.paragraphs().stream().map(p -> p.text().strip()).toList());
    assertThat(LeftOut.of(d, Formats.of(format).orElseThrow())).isEmpty();
  }

  @ParameterizedTest
  @ValueSource(strings = {"docx", "doc", "rtf"})
  void whatIsNotFilledInIsStillToBeFilledIn(String format) throws Exception {
    FormField text = field("Vessel", Kind.TEXT, FieldRule.NONE);
    FormField choice = field("Pontoon", Kind.CHOICE, FieldRule.NONE, "North", "South");
    Document d =
        Samples.document(
            Samples.inlines(
                new Inline.Text("Vessel: ", Look.PLAIN),
                on(text, "_____"),
                new Inline.Text(" at ", Look.PLAIN),
                on(choice, "_____")));
    Document back = Samples.taken(written(d, format)).document();
    assertThat(Samples.fields(back)).hasSize(2);
    Samples.fields(back)
        .forEach(
            (f, on) -> assertThat(f.value(on).replaceAll("[_\\s]", "")).as(f.name()).isEmpty());
  }

  /** A state changed by hand in the file is told by the verifier. */
  @ParameterizedTest
  @ValueSource(strings = {"doc", "rtf"})
  void theVerifierSeesTheStateOfABox(String format) throws Exception {
    Document d = form();
    Path file = written(d, format);
    byte[] bytes = Files.readAllBytes(file);
    if (format.equals("rtf")) {
      String s = new String(bytes, StandardCharsets.ISO_8859_1);
      assertThat(s).contains("\\fftype1\\ffres1");
      Files.writeString(
          file, s.replace("\\fftype1\\ffres1", "\\fftype1\\ffres0"), StandardCharsets.ISO_8859_1);
    } else {
      int at = index(bytes, new byte[] {-1, -1, -1, -1, 5, 0});
      bytes[at + 4] = 1; // iType 1, iRes 0
      Files.write(file, bytes);
    }
    FormatService.Verifier verifier = Formats.verifier(Formats.of(format).orElseThrow());
    assertThat(verifier.verify(file, d)).anyMatch(c -> !c.passed());
  }

  private static int index(byte[] in, byte[] what) {
    return IntStream.range(0, in.length - what.length)
        .filter(k -> IntStream.range(0, what.length).allMatch(n -> in[k + n] == what[n]))
        .findFirst()
        .orElseThrow();
  }

  /** Walks FFData byte by byte, as [MS-DOC] 2.9.78 and 2.9.158 have them. */
  @Test
  void theDataOfADocIsAsTheSpecificationSays() throws Exception {
    Path file = written(form(), "doc");
    assertThat(DocChecker.check(file)).isEmpty();
    var types = new ArrayList<String>();
    try (var in = Files.newInputStream(file);
        var doc = new HWPFDocument(in)) {
      byte[] data = doc.getDataStream();
      for (int k = 0; k < doc.getRange().numCharacterRuns(); k++) {
        CharacterRun run = doc.getRange().getCharacterRun(k);
        if (run.isData()) {
          types.add(data(data, run.getPicOffset()));
        }
      }
    }
    assertThat(types)
        .containsExactly(
            "0 Vessel 20", "0 Metres 0", "0 From 0", "1 Mast 0", "1 Cradle 0", "2 Pontoon 0 3");
  }

  private static String data(byte[] d, int at) {
    int size = LittleEndian.getInt(d, at);
    assertThat(LittleEndian.getUShort(d, at + 4)).as("cbHeader").isEqualTo(0x44);
    for (int k = at + 6; k < at + 0x44; k++) {
      assertThat(d[k]).as("ignored").isZero();
    }
    int k = at + 0x44;
    assertThat(LittleEndian.getInt(d, k)).as("version").isEqualTo(-1);
    int bits = LittleEndian.getUShort(d, k + 4);
    int type = bits & 3;
    assertThat(bits >> 15).as("fHasListBox").isEqualTo(type == 2 ? 1 : 0);
    assertThat(bits >> 11 & 7).as("iTypeTxt").isLessThanOrEqualTo(type == 0 ? 5 : 0);
    int most = LittleEndian.getUShort(d, k + 6);
    assertThat(most).as("cch").isLessThanOrEqualTo(32767);
    int hps = LittleEndian.getUShort(d, k + 8);
    assertThat(hps).as("hps").isBetween(type == 1 ? 2 : 0, 3168);
    k += 10;
    int length = LittleEndian.getUShort(d, k);
    String name = new String(d, k + 2, 2 * length, StandardCharsets.UTF_16LE);
    assertThat(length).as("xstzName").isLessThanOrEqualTo(20);
    k = skipped(d, k);
    if (type == 0) {
      k = skipped(d, k);
    } else {
      assertThat(LittleEndian.getUShort(d, k)).as("wDef").isLessThanOrEqualTo(24);
      k += 2;
    }
    for (int n = 0; n < 5; n++) {
      k = skipped(d, k);
    }
    String list = "";
    if (type == 2) {
      assertThat(LittleEndian.getUShort(d, k)).as("fExtend").isEqualTo(0xFFFF);
      int count = LittleEndian.getUShort(d, k + 2);
      assertThat(LittleEndian.getUShort(d, k + 4)).as("cbExtra").isZero();
      k += 6;
      for (int n = 0; n < count; n++) {
        k += 2 + 2 * LittleEndian.getUShort(d, k);
      }
      list = " " + count;
    }
    assertThat(k).as("ends with its size").isEqualTo(at + size);
    return type + " " + name + " " + most + list;
  }

  private static int skipped(byte[] d, int at) {
    int length = LittleEndian.getUShort(d, at);
    assertThat(LittleEndian.getUShort(d, at + 2 + 2 * length)).as("ends with zero").isZero();
    return at + 4 + 2 * length;
  }

  @Test
  void thatRoundFieldsNoLongerExcludeOneAnotherIsTold() throws IOException {
    FormField one = field("Side", Kind.ONE_OF, FieldRule.NONE, "port");
    Document d = Samples.document(Samples.inlines(on(one, "\u25CB")));
    String told =
        LeftOut.of(d, Formats.of("doc").orElseThrow()).stream().collect(Collectors.joining());
    assertThat(told).contains("round field");
    assertThat(LeftOut.of(d, Formats.of("docx").orElseThrow())).isEmpty();
  }
}
