package decant.pdf.amend;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import decant.Tool;
import decant.pdf.content.ContentReader;
import decant.pdf.content.Instruction;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Held against PDFBox's text extraction and painting, and qpdf. */
class PdfAmenderTest {
  @TempDir private Path folder;

  private record Done(Amended amended, Path file) {
    byte[] bytes() {
      try {
        return Files.readAllBytes(file);
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  private Done amend(Path source, String words, String with) {
    return amend(ReadRequest.of(source), List.of(), new Replacement(words, with));
  }

  private Done amend(ReadRequest request, List<Integer> pages, Replacement... all) {
    try {
      Path out = folder.resolve("amended.pdf");
      return PdfAmender.in(
          request,
          pdf -> {
            List<Integer> on =
                pages.isEmpty() ? IntStream.range(0, pdf.pages()).boxed().toList() : pages;
            FileBefore before = pdf.noted();
            Amended a = pdf.replace(List.of(all), on);
            try (var to = Files.newOutputStream(out)) {
              pdf.write(to);
            }
            Optional<String> wrong =
                AmendCheck.problem(before, request.withFile(out), List.of(all), a);
            assertThat(wrong).isEmpty();
            return new Done(a, out);
          });
    } catch (ReadProblem e) {
      throw new AssertionError(e);
    }
  }

  private static String text(Path file) {
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      return new PDFTextStripper().getText(pdf).replaceAll("\\s+", " ").strip();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Where each letter of the first page begins, by PDFBox. */
  private static List<TextPosition> letters(Path file) throws IOException {
    var out = new ArrayList<TextPosition>();
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      var stripper =
          new PDFTextStripper() {
            @Override
            protected void processTextPosition(TextPosition t) {
              out.add(t);
            }
          };
      stripper.setEndPage(1);
      stripper.getText(pdf);
    }
    return out;
  }

  private static double x(List<TextPosition> letters, String letter) {
    return letters.stream()
        .filter(t -> t.getUnicode().equals(letter))
        .findFirst()
        .orElseThrow()
        .getX();
  }

  private static void checkedByQpdf(Path file) {
    Tool.Answer answer = Tool.run("qpdf", "--check", file.toString());
    assertThat(answer.status()).as(answer.output()).isZero();
  }

  private Path page(String content) {
    return new RawPdf().page(content).in(folder);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "BT /F2 10 Tf 50 700 Td (The old berth is Z) Tj ET",
        "BT /F2 10 Tf 50 700 Td [(The ol) -5 (d ber) 8 (th is Z)] TJ ET",
        "BT /F2 10 Tf 50 700 Td (The old) Tj ( berth) Tj ( is Z) Tj ET",
        "BT /F2 10 Tf 50 700 Td (The) Tj 24 0 Td (old) Tj 24 0 Td (berth) Tj 36 0 Td (is Z) Tj ET",
        "BT /F2 10 Tf 1 0 0 1 50 700 Tm (The old ) Tj 1 0 0 1 98 700 Tm (berth is Z) Tj ET",
        "BT /F2 10 Tf 12 TL 50 712 Td (The old berth is Z) ' ET",
        "BT /F2 10 Tf 12 TL 50 712 Td 0 0 (The old berth is Z) \" ET",
        "BT /F2 10 Tf 50 700 Td <546865206F6C64206265727468206973205A> Tj ET",
        "q 2 0 0 2 0 0 cm BT /F2 5 Tf 25 350 Td (The old berth is Z) Tj ET Q"
      })
  void aWordIsReplacedHoweverTheLineIsShown(String content) throws IOException {
    Path source = page(content + " BT /F2 10 Tf 50 600 Td (Below Q) Tj ET");
    double z = x(letters(source), "Z");
    Done d = amend(source, "berth", "mooring");
    assertThat(d.amended()).isEqualTo(new Amended(1, List.of(), List.of()));
    assertThat(text(d.file())).isEqualTo("The old mooring is Z Below Q");
    // Two letters more of 0.6 times ten points each (Courier's widths).
    assertThat(x(letters(d.file()), "Z")).isCloseTo(z + 12, within(0.1));
    assertThat(x(letters(d.file()), "Q")).isCloseTo(x(letters(source), "Q"), within(1e-6));
    checkedByQpdf(d.file());
  }

  @Test
  void everyOtherInstructionStaysByteByByte() throws IOException {
    String before = "q 0.5 0.5 0.5 rg 10 10 100 20 re f Q\n% a remark\nBT /F1 12 Tf 50 700 Td ";
    String after =
        " Tj ET\n1 0 0 RG 10 300 m 500.000 300 l S\nBT /F1 12 Tf 50 650 Td (berthing) Tj ET";
    Done d = amend(page(before + "(The berth)" + after), "berth", "quay");
    try (PDDocument pdf = Loader.loadPDF(d.file().toFile());
        var in = pdf.getPage(0).getContents()) {
      String now = new String(in.readAllBytes(), StandardCharsets.ISO_8859_1);
      assertThat(now).startsWith(before).contains(after.substring(" Tj".length()));
    }
  }

  @Test
  void theOldWordIsGoneFromTheFile() {
    Done d = amend(page("BT /F1 12 Tf 50 700 Td (Secret fee) Tj ET"), "Secret", "Open");
    for (byte[] stream : streams(d.file())) {
      assertThat(new String(stream, StandardCharsets.ISO_8859_1))
          .doesNotContain("Secret")
          .doesNotContain("536563726574");
    }
  }

  private static List<byte[]> streams(Path file) {
    var out = new ArrayList<byte[]>();
    try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
      for (var key : pdf.getDocument().getXrefTable().keySet()) {
        var o = pdf.getDocument().getObjectFromPool(key).getObject();
        if (o instanceof org.apache.pdfbox.cos.COSStream s) {
          try (var in = s.createInputStream()) {
            out.add(in.readAllBytes());
          }
        }
      }
      out.add(Files.readAllBytes(file));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out;
  }

  @ParameterizedTest
  @CsvSource({
    "berth, 2", // with a comma after it, and before an apostrophe
    "Berth, 1",
    "berthing, 1",
    "bert, 0",
    "erth, 0",
    "old berth, 1",
    "old  berth, 1",
    "ld berth, 0",
    "fee (old), 1"
  })
  void wholeWordsInExactCaseAreFound(String words, int times) {
    Path source =
        page(
            "BT /F1 12 Tf 14 TL 50 700 Td (The old berth, a Berth and berthing) Tj T*"
                + " (one berth's fee \\(old\\)) Tj ET");
    Done d = amend(source, words, "quay");
    assertThat(d.amended().changed()).isEqualTo(times);
    assertThat(d.amended().left()).isEmpty();
  }

  @Test
  void wordsAreFoundOverTheEndsOfLines() {
    String lines =
        "BT /F1 12 Tf 14 TL 50 700 Td (Every holder of a winter) Tj T* (berth pays the har-) Tj T*"
            + " (bour fee at once and) Tj T* (in full to the office) Tj ET";
    Done two = amend(page(lines), "winter berth", "summer place");
    assertThat(text(two.file())).contains("of a summer place pays");
    Done parted = amend(page(lines), "harbour", "town");
    assertThat(text(parted.file())).contains("pays the town fee at once");
    Done more = amend(page(lines), "winter berth", "dry place ashore");
    assertThat(text(more.file())).contains("of a dry place ashore pays");
  }

  /** A figure that is raised is the mark of a note, and no part of the word; others are. */
  @Test
  void wordsAreFoundBesideTheMarksOfNotes() {
    String marked =
        "BT /F1 12 Tf 50 700 Td (Every berth) Tj /F1 7 Tf 4 Ts (1) Tj /F1 12 Tf 0 Ts ( is let) Tj"
            + " ET BT /F1 6 Tf 4 Ts 50 100 Td (1) Tj /F1 9 Tf 0 Ts (Seasons count) Tj ET";
    Done d = amend(page(marked), "berth", "place");
    assertThat(text(d.file())).contains("Every place1 is let");
    Done first = amend(page(marked), "Seasons", "Years");
    assertThat(text(first.file())).contains("1Years count");
    Done part = amend(page("BT /F1 12 Tf 50 700 Td (Pontoon B1 and B) Tj ET"), "B", "C");
    assertThat(part.amended().changed()).isOne();
    assertThat(text(part.file())).isEqualTo("Pontoon B1 and C");
  }

  @Test
  void aLineSetToTheRightEndsWhereItEnded() throws IOException {
    Path source =
        page(
            "BT /F2 10 Tf 488 700 Td (1,200 E) Tj ET BT /F2 10 Tf 500 686 Td (340 F) Tj ET"
                + " BT /F2 10 Tf 494 672 Td (2100 G) Tj ET");
    Done d = amend(source, "340", "15000");
    assertThat(x(letters(d.file()), "F")).isCloseTo(x(letters(source), "F"), within(0.02));
    assertThat(x(letters(d.file()), "E")).isCloseTo(x(letters(source), "E"), within(0.02));
    assertThat(text(d.file())).contains("15000 F");
  }

  /** It grows to its left, as far as what stands there. */
  @Test
  void aLineSetToTheRightNeverRunsIntoWhatStandsAtItsLeft() {
    String lines =
        "BT /F2 10 Tf 488 700 Td (1,200 E) Tj ET BT /F2 10 Tf 500 686 Td (340 F) Tj ET"
            + " BT /F2 10 Tf 494 672 Td (2100 G) Tj ET BT /F2 10 Tf 440 686 Td (Due by) Tj ET";
    Done fits = amend(page(lines), "340", "1500");
    assertThat(text(fits.file())).contains("1500 F").contains("Due by");
    Done none = amend(page(lines), "340", "1234567890");
    assertThat(none.amended().left()).extracting(Left::reason).containsExactly(Left.Reason.NO_ROOM);
  }

  @Test
  void aLineSetToTheFullWidthKeepsBothEnds() throws IOException {
    Path source =
        page(
            "BT /F2 10 Tf 12 TL 50 700 Td (Every berth of the quay in E) Tj T*"
                + " (winter  is let by the year F) Tj T* (and its fee is due at once G) Tj ET");
    double f = x(letters(source), "F");
    Done d = amend(source, "winter", "spring");
    assertThat(x(letters(d.file()), "F")).isCloseTo(f, within(0.02));
    Done longer = amend(source, "let", "hired");
    // Two letters more come out of the gaps between the words.
    assertThat(x(letters(longer.file()), "F")).isCloseTo(f, within(0.3));
    assertThat(text(longer.file())).contains("is hired by");
  }

  @Test
  void whatStandsBesideInAnotherColumnStays() throws IOException {
    Path source =
        page(
            "BT /F2 10 Tf 50 700 Td (Fee) Tj 250 0 Td (Place Z) Tj ET"
                + " BT /F2 10 Tf 50 680 Td (More) Tj 250 0 Td (Room Y) Tj ET");
    Done d = amend(source, "Fee", "Charges");
    assertThat(x(letters(d.file()), "Z")).isCloseTo(x(letters(source), "Z"), within(1e-6));
    assertThat(text(d.file())).contains("Charges Place Z");
  }

  @Test
  void aLineWithoutRoomBecomesSmallerAndThatIsToldOrItIsLeft() {
    // A rule stands at the right of the cell.
    String cell = "150 690 m 150 710 l S BT /F2 10 Tf 50 700 Td (The winter fee) Tj ET";
    Done d = amend(page(cell), "fee", "charges");
    assertThat(d.amended().changed()).isOne();
    assertThat(d.amended().told()).anyMatch(t -> t.contains("smaller"));
    Done left = amend(page(cell), "fee", "charges and other dues");
    assertThat(left.amended().changed()).isZero();
    assertThat(left.amended().left()).containsExactly(new Left(1, "fee", Left.Reason.NO_ROOM));
  }

  @Test
  void aLetterThatTheFontLacksComesWithAFontAndIsTold() {
    Done d = amend(page("BT /F1 12 Tf 50 700 Td (The berth is let) Tj ET"), "berth", "место");
    assertThat(text(d.file())).isEqualTo("The место is let");
    assertThat(d.amended().told()).singleElement().asString().contains("Liberation Serif");
    checkedByQpdf(d.file());
    Done none = amend(page("BT /F1 12 Tf 50 700 Td (The berth) Tj ET"), "berth", "\uD80C\uDC00");
    assertThat(none.amended().left())
        .extracting(Left::reason)
        .containsExactly(Left.Reason.NO_LETTERS);
  }

  @Test
  void textShownTwiceToLookBoldIsReplacedTwice() throws IOException {
    Path source =
        page(
            "BT /F1 12 Tf 50 700 Td (Bold berth here) Tj ET"
                + " BT /F1 12 Tf 50.3 700 Td (Bold berth here) Tj ET");
    Done d = amend(source, "berth", "quay");
    assertThat(d.amended().changed()).isOne();
    long q = letters(d.file()).stream().filter(t -> t.getUnicode().equals("q")).count();
    assertThat(q).isEqualTo(2);
  }

  @Test
  void textInAFormIsReplacedForThesePagesAlone() throws IOException {
    byte[] source =
        new RawPdf()
            .form("BT /F1 12 Tf 50 780 Td (Harbour office) Tj ET")
            .page("/X1 Do BT /F1 12 Tf 50 700 Td (One) Tj ET")
            .page("/X1 Do BT /F1 12 Tf 50 700 Td (Two) Tj ET")
            .bytes();
    Path file = Files.write(folder.resolve("source.pdf"), source);
    Done both = amend(file, "Harbour", "Port");
    assertThat(text(both.file())).isEqualTo("Port office One Port office Two");
    Done second = amend(ReadRequest.of(file), List.of(1), new Replacement("Harbour", "Port"));
    assertThat(text(second.file())).isEqualTo("Harbour office One Port office Two");
    checkedByQpdf(second.file());
  }

  @Test
  void whatAMarkSaysInPlaceOfItsLettersIsNoLongerSaid() throws IOException {
    Path source =
        page(
            "/Span <</ActualText (berth) /Lang (en)>> BDC BT /F1 12 Tf 50 700 Td (b3rth) Tj ET EMC"
                + " BT /F1 12 Tf 90 700 Td (here) Tj ET");
    Done d = amend(source, "berth", "quay");
    assertThat(d.amended().changed()).isOne();
    assertThat(text(d.file())).contains("quay");
    try (PDDocument pdf = Loader.loadPDF(d.file().toFile());
        var in = pdf.getPage(0).getContents()) {
      List<Instruction> all = ContentReader.all(in.readAllBytes());
      Instruction.MarkStart mark =
          all.stream()
              .filter(Instruction.MarkStart.class::isInstance)
              .map(Instruction.MarkStart.class::cast)
              .findFirst()
              .orElseThrow();
      assertThat(mark.properties().orElseThrow().toString())
          .contains("Lang")
          .doesNotContain("ActualText");
    }
    Path more =
        page("/Span <</ActualText (the berth here)>> BDC BT /F1 12 Tf 50 700 Td (x) Tj ET EMC");
    assertThat(amend(more, "berth", "quay").amended().left())
        .containsExactly(new Left(1, "berth", Left.Reason.PART));
  }

  /** Shown from left to right as they are seen, as producers of such pages write them. */
  @Test
  void wordsFromRightToLeftAreFoundAndLeft() {
    Path source =
        page(
            "BT /F1 12 Tf 50 700 Td /Span <</ActualText <FEFF05E905DC05D505DD>>> BDC (x) Tj EMC ET");
    Amended a = amend(source, new StringBuilder("שלום").reverse().toString(), "quay").amended();
    assertThat(a.left()).extracting(Left::reason).contains(Left.Reason.RIGHT_TO_LEFT);
  }

  /** A font that is written from head to foot (ISO 32000-2 §9.7.5.2, Identity-V). */
  @Test
  void wordsFromHeadToFootAreFoundAndLeft() throws IOException {
    Path file = folder.resolve("standing.pdf");
    try (var pdf = new PDDocument()) {
      var p = new PDPage();
      pdf.addPage(p);
      Path font = Path.of("src/main/resources/decant/text/fonts");
      Path any;
      try (var all = Files.walk(font)) {
        any =
            all.filter(f -> f.toString().endsWith("LiberationSans-Regular.ttf")).findFirst().get();
      }
      var face = PDType0Font.loadVertical(pdf, any.toFile());
      try (var out = new PDPageContentStream(pdf, p)) {
        out.beginText();
        out.setFont(face, 12);
        out.newLineAtOffset(100, 700);
        out.showText("North quay");
        out.endText();
      }
      pdf.save(file.toFile());
    }
    Amended a = amend(file, "quay", "pier").amended();
    assertThat(a.left()).containsExactly(new Left(1, "quay", Left.Reason.VERTICAL));
  }

  @Test
  void hiddenTextOverAPictureIsLeft() {
    Path source = page("BT 3 Tr /F1 12 Tf 50 700 Td (The berth) Tj ET");
    assertThat(amend(source, "berth", "quay").amended().left())
        .containsExactly(new Left(1, "berth", Left.Reason.UNSEEN));
  }

  @Test
  void whatFieldsAndNotesSayIsLeftAndBookmarksAreTold() {
    String looks =
        "<</Type/XObject/Subtype/Form/BBox[0 0 100 20]/Resources<</Font<</F1 3 0 R>>>>/Length 40>>\n"
            + "stream\nBT /F1 12 Tf 2 5 Td (My berth ) Tj ET     \nendstream\nendobj\n";
    Path source =
        new RawPdf()
            .page("BT /F1 12 Tf 50 700 Td (The berth) Tj ET")
            .annotations("[11 0 R 12 0 R]")
            .object(
                "11 0 obj\n<</Type/Annot/Subtype/Widget/Rect[10 10 110 30]/AP<</N 13 0 R>>>>\nendobj\n")
            .object(
                "12 0 obj\n<</Type/Annot/Subtype/Stamp/Rect[10 50 110 70]/AP<</N 13 0 R>>>>\nendobj\n")
            .object("13 0 obj\n" + looks)
            .object("14 0 obj\n<</Type/Outlines/First 15 0 R/Last 15 0 R/Count 1>>\nendobj\n")
            .object("15 0 obj\n<</Title(The berth)/Parent 14 0 R>>\nendobj\n")
            .catalog("/Outlines 14 0 R")
            .in(folder);
    Amended a = amend(source, "berth", "quay").amended();
    assertThat(a.changed()).isOne();
    assertThat(a.left())
        .extracting(Left::reason)
        .containsExactly(Left.Reason.IN_FIELD, Left.Reason.IN_NOTE);
    assertThat(a.told()).singleElement().asString().contains("bookmark");
  }

  @Test
  void aLinkGoesWithItsWords() throws IOException {
    Path source =
        new RawPdf()
            .page("BT /F2 10 Tf 50 700 Td (See berth here Z) Tj ET")
            // "here" begins 10 letters in, at 50 + 10 x 6
            .annotations("[<</Type/Annot/Subtype/Link/Rect[110 698 134 710]>>]")
            .in(folder);
    Done d = amend(source, "berth", "mooring");
    try (PDDocument pdf = Loader.loadPDF(d.file().toFile())) {
      var r = pdf.getPage(0).getAnnotations().getFirst().getRectangle();
      assertThat(r.getLowerLeftX()).isCloseTo(122, within(0.05f));
      assertThat(r.getUpperRightX()).isCloseTo(146, within(0.05f));
    }
  }

  @Test
  void pixelsOutsideTheLineStay() throws IOException {
    Path source =
        page(
            "0.9 g 40 600 400 150 re f 0 g BT /F1 12 Tf 14 TL 50 714 Td (Line above gjpq) Tj T*"
                + " (The berth is let) Tj T* (Line below ABC) Tj ET");
    Done d = amend(source, "berth", "landing stage");
    try (PDDocument was = Loader.loadPDF(source.toFile());
        PDDocument is = Loader.loadPDF(d.file().toFile())) {
      BufferedImage a = new PDFRenderer(was).renderImage(0);
      BufferedImage b = new PDFRenderer(is).renderImage(0);
      int different = 0;
      for (int y = 0; y < a.getHeight(); y++) {
        boolean line = y >= 800 - 712 && y <= 800 - 696;
        for (int x = 0; x < a.getWidth(); x++) {
          boolean same = a.getRGB(x, y) == b.getRGB(x, y);
          assertThat(same || line).as("pixel %d, %d", x, y).isTrue();
          different += same ? 0 : 1;
        }
      }
      assertThat(different).isPositive();
    }
  }

  @ParameterizedTest
  @ValueSource(ints = {40, 128, 256})
  void aLockedFileStaysLocked(int bits) throws IOException {
    byte[] source = new RawPdf().page("BT /F1 12 Tf 50 700 Td (The berth) Tj ET").bytes();
    var allowed = new AccessPermission();
    allowed.setCanModify(false);
    var locked = new ByteArrayOutputStream();
    try (PDDocument pdf = Loader.loadPDF(source)) {
      var policy = new StandardProtectionPolicy("owner", "user", allowed);
      policy.setEncryptionKeyLength(bits);
      policy.setPreferAES(bits > 40);
      pdf.getDocumentInformation().setTitle("Berths");
      pdf.protect(policy);
      pdf.save(locked);
    }
    Path file = Files.write(folder.resolve("source.pdf"), locked.toByteArray());
    ReadRequest user = ReadRequest.of(file).withPassword("user");
    assertThatThrownBy(() -> PdfAmender.in(user, pdf -> pdf.pages()))
        .isInstanceOf(ReadProblem.class)
        .hasMessageContaining("does not allow changes");
    Done d =
        amend(
            ReadRequest.of(file).withPassword("owner"),
            List.of(),
            new Replacement("berth", "quay"));
    assertThatThrownBy(() -> Loader.loadPDF(d.file().toFile())).isInstanceOf(IOException.class);
    try (PDDocument pdf = Loader.loadPDF(d.file().toFile(), "user")) {
      assertThat(new PDFTextStripper().getText(pdf)).contains("The quay");
      assertThat(pdf.getDocumentInformation().getTitle()).isEqualTo("Berths");
      assertThat(pdf.getCurrentAccessPermission().canModify()).isFalse();
    }
    Tool.Answer answer = Tool.run("qpdf", "--password=user", "--check", d.file().toString());
    assertThat(answer.status()).as(answer.output()).isZero();
  }

  private static byte[] signed() {
    return new RawPdf()
        .page("BT /F1 12 Tf 50 700 Td (The berth) Tj ET")
        .annotations("[11 0 R]")
        .object(
            "11 0 obj\n<</Type/Annot/Subtype/Widget/FT/Sig/T(s)/Rect[0 0 0 0]/V 12 0 R>>\nendobj\n")
        .object(
            "12 0 obj\n<</Type/Sig/Filter/Adobe.PPKLite/SubFilter/adbe.pkcs7.detached"
                + "/ByteRange[0 10 20 10]/Contents<00>>>\nendobj\n")
        .catalog("/AcroForm<</Fields[11 0 R]/SigFlags 3>>")
        .bytes();
  }

  /** It is written whole, so that nothing of what was signed stays. */
  @Test
  void aSignedFileThatIsLockedSaysThatItIsSignedNoLonger() throws IOException {
    var locked = new ByteArrayOutputStream();
    try (PDDocument pdf = Loader.loadPDF(signed())) {
      pdf.protect(new StandardProtectionPolicy("owner", "", new AccessPermission()));
      pdf.save(locked);
    }
    Path file = Files.write(folder.resolve("source.pdf"), locked.toByteArray());
    Done d =
        amend(
            ReadRequest.of(file).withPassword("owner"),
            List.of(),
            new Replacement("berth", "quay"));
    assertThat(d.amended().told()).singleElement().asString().contains("does not hold");
  }

  @Test
  void aSignedFileKeepsWhatWasSigned() throws IOException {
    byte[] source = signed();
    Path file = Files.write(folder.resolve("source.pdf"), source);
    Done d = amend(file, "berth", "место");
    assertThat(d.amended().told()).anyMatch(t -> t.contains("signed"));
    assertThat(java.util.Arrays.copyOf(d.bytes(), source.length)).isEqualTo(source);
    assertThat(text(d.file())).isEqualTo("The место");
    checkedByQpdf(d.file());
  }

  /** Asked for, the version before stays inside: cut off after it, the file is what it was. */
  @Test
  void theVersionBeforeStaysInsideIfItIsWanted() throws Exception {
    Path source = page("BT /F2 10 Tf 50 700 Td (The old berth Z) Tj ET");
    byte[] before = Files.readAllBytes(source);
    var kept = new ByteArrayOutputStream();
    var whole = new ByteArrayOutputStream();
    for (var out : List.of(kept, whole)) {
      PdfAmender.in(
          ReadRequest.of(source),
          pdf -> {
            assertThat(pdf.keepsVersions()).isTrue();
            pdf.replace(List.of(new Replacement("old", "new")), List.of(0));
            pdf.write(out, out == kept);
            return pdf;
          });
    }
    byte[] after = kept.toByteArray();
    assertThat(java.util.Arrays.copyOf(after, before.length)).isEqualTo(before);
    Path file = Files.write(folder.resolve("kept.pdf"), after);
    assertThat(text(file)).isEqualTo("The new berth Z");
    checkedByQpdf(file);
    Path cut =
        Files.write(folder.resolve("cut.pdf"), java.util.Arrays.copyOf(after, before.length));
    assertThat(text(cut)).isEqualTo("The old berth Z");
    Path other = Files.write(folder.resolve("whole.pdf"), whole.toByteArray());
    assertThat(text(other)).isEqualTo("The new berth Z");
    assertThat(
            java.util.Arrays.equals(
                java.util.Arrays.copyOf(whole.toByteArray(), before.length), before))
        .isFalse();
  }

  @Test
  void severalWordsAreReplacedAtOnceAndMayChangePlaces() {
    Path source = page("BT /F1 12 Tf 50 700 Td (from north to south) Tj ET");
    Done d =
        amend(
            ReadRequest.of(source),
            List.of(),
            new Replacement("north", "south"),
            new Replacement("south", "north"));
    assertThat(text(d.file())).isEqualTo("from south to north");
  }

  @Test
  void aWordIsTakenAwayWithItsGap() throws IOException {
    Path source = page("BT /F2 10 Tf 50 700 Td (The old berth Z) Tj ET");
    Done d = amend(source, "old", "");
    assertThat(text(d.file())).isEqualTo("The berth Z");
    assertThat(x(letters(d.file()), "Z")).isCloseTo(x(letters(source), "Z") - 24, within(0.02));
  }

  @Test
  void lettersDrawnTogetherStaySo() throws IOException {
    Path source = page("BT /F2 10 Tf 50 700 Td [(A) 200 (V berth W) 150 (Z)] TJ ET");
    Done d = amend(source, "berth", "shore");
    for (String l : List.of("A", "V", "W", "Z")) {
      assertThat(x(letters(d.file()), l)).isCloseTo(x(letters(source), l), within(0.02));
    }
  }

  @Test
  void turnedLinesAreSetAlongThemselves() throws IOException {
    Path source = page("BT /F2 10 Tf 0 1 -1 0 100 100 Tm (The berth is Z) Tj ET");
    Done d = amend(source, "berth", "mooring");
    assertThat(d.amended().changed()).isOne();
    TextPosition was = letters(source).getLast();
    TextPosition is = letters(d.file()).getLast();
    assertThat(is.getTextMatrix().getTranslateX())
        .isCloseTo(was.getTextMatrix().getTranslateX(), within(0.02f));
    assertThat(is.getTextMatrix().getTranslateY())
        .isCloseTo(was.getTextMatrix().getTranslateY() + 12, within(0.02f));
  }
}
