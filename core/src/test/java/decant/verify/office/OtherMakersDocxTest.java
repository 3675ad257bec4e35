package decant.verify.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Document;
import decant.model.finding.Finding;
import decant.reading.TakenIn;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.math.BigInteger;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import org.apache.poi.openxml4j.exceptions.InvalidFormatException;
import org.apache.poi.util.Units;
import org.apache.poi.wp.usermodel.HeaderFooterType;
import org.apache.poi.xwpf.usermodel.BreakType;
import org.apache.poi.xwpf.usermodel.ParagraphAlignment;
import org.apache.poi.xwpf.usermodel.UnderlinePatterns;
import org.apache.poi.xwpf.usermodel.XWPFAbstractNum;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.apache.poi.xwpf.usermodel.XWPFFootnote;
import org.apache.poi.xwpf.usermodel.XWPFParagraph;
import org.apache.poi.xwpf.usermodel.XWPFRun;
import org.apache.poi.xwpf.usermodel.XWPFStyle;
import org.apache.poi.xwpf.usermodel.XWPFTable;
import org.apache.poi.xwpf.usermodel.XWPFTableCell;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTAbstractNum;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTFonts;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTStyle;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.STMerge;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.STNumberFormat;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.STStyleType;

/**
 * Conservation in reading of documents that another library (Apache POI) wrote: the digest of the
 * source, taken by readers that share nothing with ours, is that of the document it was taken in
 * as; and that of the copy which is saved of it.
 */
class OtherMakersDocxTest {
  @TempDir Path folder;

  private static final List<String> WORDS =
      List.of(
          "berth", "quay", "tide", "gauge", "fender", "pontoon", "slipway", "crane", "notice",
          "charge", "Łódź", "Ωμέγα", "café", "–", "“east”", "12 m", "basin");

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16})
  void whatStandsInTheSourceStandsInTheDocument(long seed) throws Exception {
    Path file = folder.resolve(seed + ".docx");
    write(file, new Random(seed));
    TakenIn t = Samples.taken(file);
    assertThat(t.findings()).noneMatch(f -> f.severity() == Finding.Severity.LOSS);
    Digest source = DocxDigest.open(file).digest();
    Digest document = DocumentDigest.of(t.document(), new DocumentDigest.Room() {});
    for (Aspect a : Aspect.values()) {
      if (a != Aspect.PICTURES) { // whose sizes POI and we round otherwise
        List<String> wanted = source.of(a);
        List<String> got = document.of(a);
        for (int k = 0; k < Math.min(wanted.size(), got.size()); k++) {
          assertThat(got.get(k)).as(a + " " + k + " of seed " + seed).isEqualTo(wanted.get(k));
        }
        assertThat(got).as(a + " of seed " + seed).hasSameSizeAs(wanted);
      }
    }
    assertThat(names(document.of(Aspect.PICTURES))).isEqualTo(names(source.of(Aspect.PICTURES)));
    assertThat(source.of(Aspect.TEXT))
        .as("the test has something to compare")
        .hasSizeGreaterThan(10);
    copyHoldsTheSame(t.document(), seed);
  }

  private void copyHoldsTheSame(Document d, long seed) throws IOException {
    Path copy = folder.resolve(seed + " copy.docx");
    try (OutputStream out = Files.newOutputStream(copy)) {
      decant.office.docx.write.DocxWriter.write(d, out);
    }
    assertThat(DocxVerifier.verify(copy, d)).allMatch(decant.verify.Check::passed);
    Path rtf = folder.resolve(seed + " copy.rtf");
    try (OutputStream out = Files.newOutputStream(rtf)) {
      decant.office.rtf.RtfWriter.write(d, out);
    }
    assertThat(RtfVerifier.verify(rtf, d)).allMatch(decant.verify.Check::passed);
  }

  private static List<String> names(List<String> pictures) {
    return pictures.stream().map(p -> p.split(" ")[0]).toList();
  }

  private void write(Path file, Random random) throws Exception {
    try (var doc = new XWPFDocument()) {
      styles(doc);
      BigInteger numbers = numbering(doc, random);
      doc.createHeader(HeaderFooterType.DEFAULT)
          .createParagraph()
          .createRun()
          .setText("Harbour office");
      if (random.nextBoolean()) {
        doc.createFooter(HeaderFooterType.FIRST)
            .createParagraph()
            .createRun()
            .setText("First sheet");
      }
      int n = 20 + random.nextInt(30);
      for (int k = 0; k < n; k++) {
        switch (random.nextInt(9)) {
          case 0 -> {
            XWPFParagraph p = doc.createParagraph();
            p.setStyle("H" + (1 + random.nextInt(3)));
            p.createRun().setText("Heading " + k);
          }
          case 1 -> {
            XWPFParagraph p = doc.createParagraph();
            p.setNumID(numbers);
            p.setNumILvl(BigInteger.valueOf(random.nextInt(2)));
            p.createRun().setText(words(random));
          }
          case 2 -> table(doc, random, k);
          case 3 -> note(doc, random);
          case 4 ->
              doc.createParagraph()
                  .createHyperlinkRun("https://quay.example/" + k)
                  .setText("see " + words(random));
          case 5 -> picture(doc, k);
          default -> runs(doc.createParagraph(), random);
        }
      }
      doc.createParagraph().createRun().setText("The end.");
      try (OutputStream out = Files.newOutputStream(file)) {
        doc.write(out);
      }
    }
  }

  private static void styles(XWPFDocument doc) {
    var styles = doc.createStyles();
    CTFonts fonts = CTFonts.Factory.newInstance();
    fonts.setAscii("Liberation Serif");
    styles.setDefaultFonts(fonts);
    for (int level = 1; level <= 3; level++) {
      CTStyle s = CTStyle.Factory.newInstance();
      s.setStyleId("H" + level);
      s.addNewName().setVal("Chapter " + level);
      s.setType(STStyleType.PARAGRAPH);
      s.addNewPPr().addNewOutlineLvl().setVal(BigInteger.valueOf(level - 1));
      s.addNewRPr().addNewB();
      styles.addStyle(new XWPFStyle(s));
    }
  }

  private static BigInteger numbering(XWPFDocument doc, Random random) {
    CTAbstractNum abs = CTAbstractNum.Factory.newInstance();
    abs.setAbstractNumId(BigInteger.ZERO);
    STNumberFormat.Enum[] formats = {
      STNumberFormat.DECIMAL,
      STNumberFormat.LOWER_LETTER,
      STNumberFormat.UPPER_ROMAN,
      STNumberFormat.DECIMAL_ZERO,
      STNumberFormat.ORDINAL
    };
    for (int level = 0; level < 2; level++) {
      var l = abs.addNewLvl();
      l.setIlvl(BigInteger.valueOf(level));
      l.addNewStart().setVal(BigInteger.valueOf(1 + random.nextInt(12)));
      l.addNewNumFmt().setVal(formats[random.nextInt(formats.length)]);
      l.addNewLvlText().setVal(level == 0 ? "%1." : "%1.%2)");
    }
    var numbering = doc.createNumbering();
    BigInteger id = numbering.addAbstractNum(new XWPFAbstractNum(abs));
    return numbering.addNum(id);
  }

  private static String words(Random random) {
    var b = new StringBuilder();
    int n = 1 + random.nextInt(12);
    for (int k = 0; k < n; k++) {
      b.append(k == 0 ? "" : " ").append(WORDS.get(random.nextInt(WORDS.size())));
    }
    return b.toString();
  }

  private static void runs(XWPFParagraph p, Random random) {
    p.setAlignment(random.nextBoolean() ? ParagraphAlignment.BOTH : ParagraphAlignment.LEFT);
    int n = 1 + random.nextInt(5);
    for (int k = 0; k < n; k++) {
      XWPFRun r = p.createRun();
      r.setText(words(random) + " ");
      r.setBold(random.nextInt(4) == 0);
      r.setItalic(random.nextInt(4) == 0);
      if (random.nextInt(5) == 0) {
        r.setUnderline(UnderlinePatterns.SINGLE);
      }
      if (random.nextInt(5) == 0) {
        r.setColor(String.format("%06X", random.nextInt(0xFFFFFF)));
      }
      if (random.nextInt(4) == 0) {
        r.setFontSize(8 + random.nextInt(12));
        r.setFontFamily(random.nextBoolean() ? "Carlito" : "Liberation Mono");
      }
      if (random.nextInt(8) == 0) {
        r.addTab();
        r.setText("after", r.getCTR().sizeOfTArray());
      }
      if (random.nextInt(10) == 0) {
        r.addBreak(BreakType.TEXT_WRAPPING);
        r.setText("below", r.getCTR().sizeOfTArray());
      }
    }
  }

  private static void table(XWPFDocument doc, Random random, int k) {
    int rows = 2 + random.nextInt(3);
    XWPFTable t = doc.createTable(rows, 3);
    for (int r = 0; r < rows; r++) {
      for (int c = 0; c < 3; c++) {
        XWPFTableCell cell = t.getRow(r).getCell(c);
        cell.setText("T" + k + "r" + r + "c" + c + " " + words(random));
        if (c == 2 && random.nextInt(4) == 0) {
          cell.addParagraph().createRun().setText("and " + words(random));
        }
      }
    }
    switch (random.nextInt(3)) {
      case 0 -> { // two cells of the last row in one
        var row = t.getRow(rows - 1);
        row.getCell(0).getCTTc().addNewTcPr().addNewGridSpan().setVal(BigInteger.TWO);
        row.removeCell(2);
      }
      case 1 -> { // the first column merged down
        t.getRow(0).getCell(0).getCTTc().addNewTcPr().addNewVMerge().setVal(STMerge.RESTART);
        for (int r = 1; r < rows; r++) {
          var tc = t.getRow(r).getCell(0);
          tc.getCTTc().addNewTcPr().addNewVMerge().setVal(STMerge.CONTINUE);
          while (!tc.getParagraphs().getFirst().getRuns().isEmpty()) {
            tc.getParagraphs().getFirst().removeRun(0);
          }
        }
      }
      default -> {}
    }
    doc.createParagraph();
  }

  private static void note(XWPFDocument doc, Random random) {
    if (doc.getFootnotes().isEmpty()) {
      doc.createFootnotes();
    }
    XWPFFootnote note = doc.createFootnote();
    note.createParagraph().createRun().setText("Note: " + words(random));
    XWPFParagraph p = doc.createParagraph();
    p.createRun().setText(words(random));
    p.addFootnoteReference(note);
    p.createRun().setText(" and on");
  }

  private static void picture(XWPFDocument doc, int k) throws IOException, InvalidFormatException {
    var image = new java.awt.image.BufferedImage(20, 10, java.awt.image.BufferedImage.TYPE_INT_RGB);
    image.setRGB(0, 0, k * 7919);
    var png = new java.io.ByteArrayOutputStream();
    javax.imageio.ImageIO.write(image, "png", png);
    doc.createParagraph()
        .createRun()
        .addPicture(
            new ByteArrayInputStream(png.toByteArray()),
            org.apache.poi.common.usermodel.PictureType.PNG,
            "p" + k + ".png",
            Units.toEMU(60),
            Units.toEMU(30));
  }
}
