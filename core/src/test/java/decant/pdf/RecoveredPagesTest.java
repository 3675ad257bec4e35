package decant.pdf;

import static decant.pdf.DrawnPdf.BOLD;
import static decant.pdf.DrawnPdf.PLAIN;
import static decant.pdf.DrawnPdf.PROSE;
import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Outline;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.model.look.Colour;
import decant.model.look.Media;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.Rules;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.picture.VectorPicture;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import decant.text.FontFace;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import javax.imageio.ImageIO;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What comes back of pages that PDFBox drew, whose structure nothing tells but their look. */
class RecoveredPagesTest {
  private static final Color SAND = new Color(0xF4F1E4);

  @TempDir Path folder;

  private static List<Paragraph> paragraphs(Document d) {
    return d.sections().stream()
        .flatMap(s -> s.blocks().stream())
        .filter(b -> b instanceof Paragraph)
        .map(b -> (Paragraph) b)
        .toList();
  }

  private static Paragraph containing(Document d, String text) {
    return paragraphs(d).stream().filter(p -> p.text().contains(text)).findFirst().orElseThrow();
  }

  private static List<Inline.Picture> pictures(Document d) {
    return paragraphs(d).stream()
        .flatMap(p -> p.inlines().stream())
        .filter(i -> i instanceof Inline.Picture)
        .map(i -> (Inline.Picture) i)
        .toList();
  }

  private static DrawnPdf withChart() {
    var pdf = new DrawnPdf();
    pdf.prose(72, 90, 450, PROSE);
    pdf.line(100, 300, 300, 300).line(100, 180, 100, 300);
    pdf.filled(Color.BLUE, 110, 240, 30, 60)
        .filled(Color.BLUE, 150, 200, 30, 100)
        .filled(Color.BLUE, 190, 270, 30, 30);
    pdf.text(PLAIN, 7, 230, 220, "Visitors");
    pdf.prose(72, 340, 450, PROSE);
    return pdf;
  }

  @Test
  void aChartIsOneDrawingWithItsLabel() throws IOException, ReadProblem {
    TakenIn t = withChart().takenIn(folder);
    assertThat(pictures(t.document()))
        .singleElement()
        .satisfies(p -> {
          assertThat(p.alt()).isEqualTo("Visitors");
          assertThat(p.width()).isBetween(198.0, 206.0);
          assertThat(p.height()).isBetween(118.0, 126.0);
        });
    assertThat(paragraphs(t.document())).noneMatch(p -> p.text().contains("Visitors"));
    assertThat(t.findings()).noneMatch(f -> f.kind() == Finding.Kind.DRAWING_LEFT_OUT);
  }

  @Test
  void aDrawingIsDrawnAsInTheSourceAndHoldsNothingElse() throws IOException, ReadProblem {
    Document d = withChart().takenIn(folder).document();
    Media m = d.media().get(pictures(d).getFirst().media());
    assertThat(m.type()).isEqualTo("application/pdf");
    Media pixels = VectorPicture.pixels(m).orElseThrow();
    BufferedImage image = ImageIO.read(new ByteArrayInputStream(pixels.bytes()));
    double dots = 300 / 72.0; // 300 to the inch; the picture begins a point before the axis
    assertThat(new Color(image.getRGB(at(165 - 99, dots), at(250 - 179, dots)), true))
        .as("within the tallest bar")
        .isEqualTo(Color.BLUE);
    assertThat(image.getRGB(at(165 - 99, dots), at(190 - 179, dots)) >>> 24)
        .as("above it nothing is painted")
        .isZero();
    assertThat(new String(m.bytes(), java.nio.charset.StandardCharsets.ISO_8859_1))
        .doesNotContain("harbour");
  }

  private static int at(double points, double dots) {
    return (int) Math.round(points * dots);
  }

  @Test
  void shadedTablesAndRulesAreNoDrawings() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    for (int row = 0; row < 4; row++) {
      for (int column = 0; column < 3; column++) {
        double x = 72 + 120 * column;
        double y = 100 + 20 * row;
        pdf.filled(row == 0 ? Color.LIGHT_GRAY : Color.WHITE, x, y, 120, 20);
        pdf.framed(x, y, 120, 20);
        pdf.text(row == 0 ? BOLD : PLAIN, 10, x + 4, y + 14, "cell " + row + column);
      }
    }
    Document d = pdf.takenIn(folder).document();
    assertThat(pictures(d)).isEmpty();
    assertThat(d.sections().getFirst().blocks()).anyMatch(b -> b instanceof Table);
  }

  @Test
  void aNoteInABoxKeepsItsBox() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.prose(72, 90, 450, PROSE);
    pdf.filled(SAND, 72, 170, 450, 60).framed(72, 170, 450, 60);
    pdf.text(BOLD, 10, 82, 190, "Dates to note");
    pdf.text(82, 212, "The slip is closed on the second Monday of every month.");
    pdf.prose(72, 260, 450, PROSE);
    Document d = pdf.takenIn(folder).document();
    for (String inside : List.of("Dates to note", "The slip is closed")) {
      Paragraph p = containing(d, inside);
      assertThat(p.look().value(ParagraphTraits.SHADING)).isEqualTo(new Colour(0xF4F1E4));
      assertThat(p.look().value(ParagraphTraits.RULES).top().orElseThrow().colour())
          .isEqualTo(Colour.BLACK);
      assertThat(p.look().value(ParagraphTraits.RULES).start().orElseThrow().space()).isEqualTo(10);
    }
    assertThat(containing(d, "berth plan").look().sets(ParagraphTraits.SHADING)).isFalse();
  }

  private static DrawnPdf inColumns() {
    var pdf = new DrawnPdf();
    pdf.text(BOLD, 18, 72, 90, "News from the quays and the pontoons of the");
    pdf.text(BOLD, 18, 72, 112, "harbour");
    double y = pdf.prose(72, 140, 210, PROSE);
    y = pdf.prose(72, y + 8, 210, PROSE.replace("Whoever", "First whoever"));
    pdf.prose(312, 140, 210, PROSE.replace("Whoever", "Second whoever"));
    return pdf;
  }

  @Test
  void textInColumnsComesBackInColumns() throws IOException, ReadProblem {
    Document d = inColumns().takenIn(folder).document();
    assertThat(d.sections()).hasSize(2);
    Section title = d.sections().getFirst();
    assertThat(title.page().columns().count()).isEqualTo(1);
    Section text = d.sections().get(1);
    assertThat(text.start()).isEqualTo(Section.Start.CONTINUOUS);
    assertThat(text.page().columns().count()).isEqualTo(2);
    // The right column begins 30 points after where the left one could end.
    assertThat(text.page().columns().gaps().getFirst()).isBetween(24.0, 50.0);
    assertThat(paragraphs(d).stream().map(Paragraph::text).toList())
        .satisfiesExactly(
            p -> assertThat(p).isEqualTo("News from the quays and the pontoons of the harbour"),
            p -> assertThat(p).contains(" Whoever"),
            p -> assertThat(p).contains("First whoever"),
            p -> assertThat(p).contains("Second whoever"));
  }

  @Test
  void aTitleThatGoesOnOnTheNextLineIsOneHeading() throws IOException, ReadProblem {
    Document d = inColumns().takenIn(folder).document();
    assertThat(Outline.headings(d))
        .singleElement()
        .satisfies(h ->
            assertThat(h.text()).isEqualTo("News from the quays and the pontoons of the harbour"));
  }

  @Test
  void notesAtTheFootAreNotesWithTheirMarks() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    String first = "Charges fall due at Easter";
    pdf.text(72, 90, first);
    pdf.text(PLAIN, 6, 72 + DrawnPdf.width(PLAIN, 10, first), 86, "10");
    double x = 72 + DrawnPdf.width(PLAIN, 10, first) + 8;
    pdf.text(x, 90, "and at Michaelmas, and are paid at the office.");
    pdf.prose(72, 120, 450, PROSE);
    pdf.line(72, 700, 200, 700);
    pdf.text(PLAIN, 5.5, 80, 709, "10");
    pdf.text(PLAIN, 8, 87, 712, "Holders of a winter berth pay once, with the deposit, before the");
    pdf.text(PLAIN, 8, 72, 722, "first of November.");
    Document d = pdf.takenIn(folder).document();
    Story note =
        d.stories().values().stream()
            .filter(s -> s.kind() == Story.Kind.FOOTNOTE)
            .findFirst()
            .orElseThrow();
    assertThat(((Paragraph) note.blocks().getFirst()).text())
        .contains(
            "Holders of a winter berth pay once, with the deposit, before the first of November.");
    Paragraph p = containing(d, "Charges fall due");
    assertThat(p.inlines())
        .anyMatch(i -> i instanceof Inline.NoteMark m && m.note().equals(note.id()));
    assertThat(p.text()).doesNotContain("10");
    assertThat(paragraphs(d)).noneMatch(o -> o.text().contains("winter berth"));
  }

  /** Left and right pages mirror one another, the first has only its foot, numbers begin at 11. */
  private static DrawnPdf book() {
    var pdf = new DrawnPdf();
    for (int p = 0; p < 6; p++) {
      if (p > 0) {
        pdf.page();
        boolean left = (p + 11) % 2 == 0;
        pdf.text(PLAIN, 9, left ? 72 : 400, 40, left ? "Harbour office" : "Winter storage");
        pdf.text(PLAIN, 9, left ? 500 : 72, 40, String.valueOf(p + 11));
      }
      pdf.prose(72, 100, 450, "Page " + "abcdef".charAt(p) + ": " + PROSE);
    }
    return pdf;
  }

  @Test
  void leftRightAndFirstPagesKeepTheirOwnHeaders() throws IOException, ReadProblem {
    Document d = book().takenIn(folder).document();
    Section s = d.sections().getFirst();
    assertThat(header(s, Section.Running.HEADER))
        .contains("Winter storage")
        .doesNotContain("office");
    assertThat(header(s, Section.Running.HEADER_EVEN)).contains("Harbour office");
    assertThat(header(s, Section.Running.HEADER_FIRST)).isEmpty();
    assertThat(paragraphs(d)).noneMatch(p -> p.text().contains("Winter storage"));
  }

  @Test
  void pageNumbersAreFieldsThatBeginWhereTheSourceBegins() throws IOException, ReadProblem {
    Section s = book().takenIn(folder).document().sections().getFirst();
    assertThat(s.page().numbers().start()).contains(11);
    for (var side : List.of(Section.Running.HEADER, Section.Running.HEADER_EVEN)) {
      assertThat(((Paragraph) s.running().get(side).blocks().getFirst()).inlines())
          .filteredOn(i -> i instanceof Inline.Field f && f.kind() == Inline.Field.Kind.PAGE)
          .hasSize(1);
    }
  }

  @Test
  void titlesOfChaptersInTheHeaderBecomeOneField() throws IOException, ReadProblem {
    String[] chapters = {"Berths", "Charges", "Winter storage", "Notices", "Lifting", "Visitors"};
    var pdf = new DrawnPdf();
    for (int p = 0; p < chapters.length; p++) {
      if (p > 0) {
        pdf.page();
      }
      pdf.text(PLAIN, 9, 72, 40, "Harbour office");
      double width = DrawnPdf.width(PLAIN, 9, chapters[p]);
      pdf.text(PLAIN, 9, 522 - width, 40, chapters[p]);
      pdf.text(BOLD, 16, 72, 110, chapters[p]);
      pdf.prose(72, 140, 450, "Part " + "abcdef".charAt(p) + ". " + PROSE);
    }
    TakenIn t = pdf.takenIn(folder);
    List<Block> header =
        t.document().sections().getFirst().running().get(Section.Running.HEADER).blocks();
    assertThat(header).hasSize(1);
    assertThat(((Paragraph) header.getFirst()).inlines())
        .filteredOn(i -> i instanceof Inline.Field)
        .singleElement()
        .satisfies(i -> {
          assertThat(((Inline.Field) i).kind()).isEqualTo(Inline.Field.Kind.STYLED_TEXT);
          assertThat(((Inline.Field) i).target()).isEqualTo("Heading1");
        });
    assertThat(Outline.headings(t.document())).hasSize(6);
    assertThat(t.findings())
        .filteredOn(f -> f.kind() == Finding.Kind.RUNNING_TEXT_SET_APART)
        .as("one for what stands on all pages, one for what takes turns")
        .hasSize(2);
  }

  @Test
  void pageOfPagesIsTwoFields() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    for (int p = 1; p <= 3; p++) {
      if (p > 1) {
        pdf.page();
      }
      pdf.prose(72, 100, 450, "Part " + "abc".charAt(p - 1) + ". " + PROSE);
      pdf.text(PLAIN, 9, 260, 810, "Page " + p + " of 3");
    }
    Section s = pdf.takenIn(folder).document().sections().getFirst();
    Paragraph footer = (Paragraph) s.running().get(Section.Running.FOOTER).blocks().getFirst();
    assertThat(
            footer.inlines().stream()
                .filter(i -> i instanceof Inline.Field)
                .map(i -> ((Inline.Field) i).kind()))
        .containsExactly(Inline.Field.Kind.PAGE, Inline.Field.Kind.PAGES);
  }

  private static String header(Section s, Section.Running which) {
    return ((Paragraph) s.running().get(which).blocks().getFirst()).text();
  }

  @Test
  void textThatAClipHidesIsNotTakenIn() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.prose(72, 90, 450, PROSE);
    pdf.clipped(
        72,
        200,
        200,
        30,
        () -> {
          pdf.text(72, 220, "Seen within");
          pdf.text(72, 300, "Hidden below");
        });
    Document d = pdf.takenIn(folder).document();
    assertThat(paragraphs(d)).anyMatch(p -> p.text().contains("Seen within"));
    assertThat(paragraphs(d)).noneMatch(p -> p.text().contains("Hidden below"));
  }

  @Test
  void aTableWithLinesBetweenItsRowsOnlyKeepsThem() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    String[][] cells = {
      {"Day", "From", "To"},
      {"Tuesday", "9:00", "17:30"},
      {"Thursday", "11:00", "19:00"},
      {"Saturday", "10:00", "13:00"}
    };
    for (int row = 0; row < 4; row++) {
      for (int column = 0; column < 3; column++) {
        pdf.text(
            row == 0 ? BOLD : PLAIN, 10, 76 + 120 * column, 114 + 20 * row, cells[row][column]);
      }
    }
    pdf.line(72, 100, 430, 100).line(72, 120, 430, 120).line(72, 180, 430, 180);
    Table t =
        (Table)
            pdf.takenIn(folder).document().sections().getFirst().blocks().stream()
                .filter(b -> b instanceof Table)
                .findFirst()
                .orElseThrow();
    assertThat(t.rows()).hasSize(4);
    Rules rules = t.look().value(TableTraits.RULES);
    assertThat(rules.top()).isPresent();
    assertThat(rules.bottom()).isPresent();
    assertThat(rules.insideAcross()).isEmpty();
    assertThat(rules.insideDown()).isEmpty();
    assertThat(t.rows().getFirst().cells().getFirst().look().value(TableTraits.RULES).bottom())
        .isPresent();
    assertThat(t.rows().get(1).cells().getFirst().look().sets(TableTraits.RULES)).isFalse();
  }

  /** Columns of text that run down the page, from right to left (ISO 32000-2 §9.7.4.3). */
  @Test
  void verticalTextIsReadDownItsColumns() throws IOException, ReadProblem {
    Path file = folder.resolve("vertical.pdf");
    String[] columns = {"港湾事務所は係留計画", "を毎年三月に公示する", "船主は期日を守ること"};
    try (var pdf = new PDDocument()) {
      PDFont font =
          PDType0Font.loadVertical(
              pdf, FontFace.class.getResourceAsStream("fonts/DroidSansFallback.ttf"), true);
      var page = new PDPage(PDRectangle.A4);
      pdf.addPage(page);
      try (var c = new PDPageContentStream(pdf, page)) {
        for (int k = 0; k < columns.length; k++) {
          c.beginText();
          c.setFont(font, 12);
          c.newLineAtOffset(480 - 20 * k, 700);
          c.showText(columns[k]);
          c.endText();
        }
      }
      pdf.save(file.toFile());
    }
    Document d = decant.format.Intake.take(decant.reading.ReadRequest.of(file)).document();
    String all =
        paragraphs(d).stream().map(Paragraph::text).collect(java.util.stream.Collectors.joining());
    assertThat(all).isEqualTo(String.join("", columns));
  }

  @Test
  void aNoteIsARemarkAboutTheWordItStandsAt() throws IOException, ReadProblem {
    var pdf = new DrawnPdf().comment(200, 108, "Ask the harbour master");
    pdf.prose(72, 90, 450, PROSE);
    TakenIn t = pdf.takenIn(folder);
    List<Inline> noted =
        paragraphs(t.document()).stream()
            .flatMap(p -> p.inlines().stream())
            .filter(i -> i.look().sets(TextTraits.COMMENTS))
            .toList();
    assertThat(noted).hasSize(1);
    assertThat(((Inline.Text) noted.getFirst()).text()).matches("\\S+");
    assertThat(noted.getFirst().look().value(TextTraits.COMMENTS).getFirst().text())
        .isEqualTo("Ask the harbour master");
    assertThat(t.findings())
        .filteredOn(f -> f.kind() == Finding.Kind.REMARK)
        .singleElement()
        .satisfies(f -> {
          assertThat(f.message()).isEqualTo("Ask the harbour master");
          assertThat(f.source().orElseThrow().box().x()).isEqualTo(200);
          assertThat(f.source().orElseThrow().box().bottom()).isEqualTo(108);
          assertThat(f.node()).isPresent();
        });
  }

  @Test
  void aNoteFarFromAllTextIsAboutTheWordThatIsNearest() throws IOException, ReadProblem {
    var pdf = new DrawnPdf().comment(300, 700, "Ask the harbour master");
    pdf.prose(72, 90, 450, PROSE);
    TakenIn t = pdf.takenIn(folder);
    assertThat(t.findings()).filteredOn(f -> f.kind() == Finding.Kind.CONTENT_LEFT_OUT).isEmpty();
    assertThat(t.findings())
        .filteredOn(f -> f.kind() == Finding.Kind.REMARK)
        .singleElement()
        .satisfies(f -> assertThat(f.message()).isEqualTo("Ask the harbour master"));
  }

  @Test
  void aNoteOnAPageWithoutTextIsSaidToBeLeftOut() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.prose(72, 90, 450, PROSE);
    pdf.page().comment(300, 700, "Ask the harbour master");
    assertThat(pdf.takenIn(folder).findings())
        .filteredOn(f -> f.kind() == Finding.Kind.CONTENT_LEFT_OUT)
        .singleElement()
        .satisfies(f ->
            assertThat(f.message())
                .isEqualTo(
                    "A comment on page 2 (“Ask the harbour master”) belongs to no text and was not carried over."));
  }

  @Test
  void attachedFilesComeAlong() throws IOException, ReadProblem {
    var pdf = new DrawnPdf().attached("berths.csv");
    pdf.prose(72, 90, 450, PROSE);
    TakenIn t = pdf.takenIn(folder);
    assertThat(t.document().attachments())
        .singleElement()
        .satisfies(a -> {
          assertThat(a.name()).isEqualTo("berths.csv");
          assertThat(a.bytes()).isNotEmpty();
        });
  }

  @Test
  void aChartKeepsTheNumbersOfItsAxes() throws IOException, ReadProblem {
    DrawnPdf pdf = withChart();
    for (int k = 0; k < 3; k++) {
      pdf.text(PLAIN, 7, 120 + 40 * k, 309, "19" + (k + 10));
      pdf.text(PLAIN, 7, 90, 190 + 40 * k, String.valueOf(3 - k));
    }
    pdf.text(80, 326, "Figure 1. Visitors by year.");
    Document d = pdf.takenIn(folder).document();
    assertThat(pictures(d))
        .singleElement()
        .satisfies(p -> {
          assertThat(p.alt()).contains("1910", "1911", "1912", "Visitors", "3", "2", "1");
          assertThat(p.height()).isBetween(126.0, 136.0);
        });
    assertThat(paragraphs(d)).noneMatch(p -> p.text().contains("1911"));
    assertThat(paragraphs(d)).anyMatch(p -> p.text().contains("Figure 1. Visitors by year."));
  }

  @Test
  void figuresSideBySideAreOneDrawing() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.prose(72, 90, 450, PROSE);
    for (int k = 0; k < 3; k++) {
      double x = 100 + 90 * k;
      pdf.line(x, 300, x + 60, 240).line(x + 60, 240, x + 30, 220).line(x + 30, 220, x, 300);
    }
    assertThat(pictures(pdf.takenIn(folder).document()))
        .singleElement()
        .satisfies(p -> assertThat(p.width()).isBetween(239.0, 244.0));
  }

  @Test
  void entriesOfAContentsPageStayLinesOfTheirOwn() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    for (int k = 0; k < 5; k++) {
      pdf.text(
          72,
          100 + 13 * k,
          k + 1 + " Rules for berth " + k + " . . . . . . . . . . . . " + (k + 3));
    }
    Document d = pdf.takenIn(folder).document();
    assertThat(paragraphs(d).stream().filter(p -> p.text().contains("Rules for berth"))).hasSize(5);
    assertThat(d.sections().getFirst().blocks()).noneMatch(b -> b instanceof Table);
  }

  @Test
  void rightToLeftTextKeepsItsParagraphsAndTablesTheirOrder() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    PDFont font = pdf.font("DejaVuSans.ttf");
    // Drawn as seen: from left to right. "The office is open" and "on Tuesday", flush right.
    String first = reversed("המשרד פתוח לכל בעלי המזח ולכל אורחיו בכל ימות השבוע משעה תשע בבוקר");
    String second = reversed("ועד הערב.");
    pdf.text(font, 10, 520 - DrawnPdf.width(font, 10, first), 100, first);
    pdf.text(font, 10, 520 - DrawnPdf.width(font, 10, second), 113, second);
    String[][] cells = {{"יום", "בוקר", "ערב"}, {"שלישי", "תשע", "ארבע"}, {"שישי", "עשר", "סגור"}};
    for (int row = 0; row < 3; row++) {
      for (int column = 0; column < 3; column++) {
        double x = 400 - 120 * column; // the first column stands on the right
        pdf.framed(x, 200 + 20 * row, 120, 20);
        String text = reversed(cells[row][column]);
        pdf.text(font, 10, x + 116 - DrawnPdf.width(font, 10, text), 214 + 20 * row, text);
      }
    }
    Document d = pdf.takenIn(folder).document();
    Paragraph p = containing(d, "המשרד");
    assertThat(p.text()).endsWith("ועד הערב.");
    assertThat(p.look().value(ParagraphTraits.DIRECTION))
        .isEqualTo(ParagraphTraits.Direction.RIGHT_TO_LEFT);
    assertThat(p.look().value(ParagraphTraits.ALIGNMENT)).isEqualTo(Alignment.START);
    Table t =
        (Table)
            d.sections().getFirst().blocks().stream()
                .filter(b -> b instanceof Table)
                .findFirst()
                .orElseThrow();
    assertThat(t.look().value(TableTraits.RIGHT_TO_LEFT)).isTrue();
    for (int row = 0; row < 3; row++) {
      assertThat(t.rows().get(row).cells().stream().map(c -> text(c.blocks().getFirst())))
          .containsExactly(cells[row]);
    }
  }

  private static String text(Block b) {
    return ((Paragraph) b).text();
  }

  private static String reversed(String s) {
    return new StringBuilder(s).reverse().toString();
  }

  @Test
  void aListingKeepsItsLines() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    PDFont even = new PDType1Font(FontName.COURIER);
    double y = pdf.prose(72, 90, 450, PROSE) + 12;
    String[] lines = {
      "for berth in plan:",
      "    if berth.gauge > 4.0 and berth.holder is not None and berth.open:",
      "        lines.double(berth)",
      "print(\"the quay is closed, \" + \"and nobody is exempt from that rule\")",
      "done()"
    };
    for (String l : lines) {
      pdf.text(even, 9, 90, y, l);
      y += 11;
    }
    pdf.prose(72, y + 14, 450, PROSE);
    Document d = pdf.takenIn(folder).document();
    for (String l : lines) {
      assertThat(paragraphs(d)).extracting(Paragraph::text).contains(l.strip());
    }
  }

  @Test
  void aTextSetInAnEvenFaceThroughoutIsFilledText() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    PDFont even = new PDType1Font(FontName.COURIER);
    double y = 90;
    for (String l :
        List.of(
            "The harbour office keeps the berth plan and tells every holder by",
            "the first of March which berth is theirs, and how long their lines",
            "may be for the season that begins on the first of April.")) {
      pdf.text(even, 10, 72, y, l);
      y += 12;
    }
    Document d = pdf.takenIn(folder).document();
    assertThat(paragraphs(d)).hasSize(1);
  }

  @Test
  void verseKeepsItsLinesAndANarrowQuoteIsFilled() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE) + 14;
    List<String> verse =
        List.of(
            "The tide comes in, the tide goes out,",
            "the lines are long and wet,",
            "and he who moors without a knot",
            "has not gone sailing yet");
    for (String l : verse) {
      pdf.text(120, y, l);
      y += 12;
    }
    y = pdf.prose(72, y + 14, 450, PROSE) + 14;
    String quote =
        "Whoever moves a vessel without asking pays for the berth they take and for the one they "
            + "leave, and for the time of those who put it back where it had been before";
    y = pdf.prose(130, y, 220, quote);
    pdf.prose(72, y + 14, 450, PROSE);
    Document d = pdf.takenIn(folder).document();
    assertThat(paragraphs(d)).extracting(Paragraph::text).containsSequence(verse).contains(quote);
  }

  @Test
  void linesToWriteOnStayLinesOfAForm() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(72, 90, 450, PROSE) + 14;
    pdf.text(72, y, "Full name").line(118, y + 1, 300, y + 1);
    pdf.text(72, y + 20, "Town").line(100, y + 21, 200, y + 21);
    pdf.text(210, y + 20, "Postcode").line(255, y + 21, 330, y + 21);
    pdf.text(72, y + 40, "Berth").line(100, y + 41, 200, y + 41).text(110, y + 40, "4 east");
    y = pdf.prose(72, y + 70, 450, PROSE);
    pdf.line(72, y + 20, 172, y + 20); // above notes, or nothing at all
    pdf.text(PLAIN, 8, 72, y + 32, "A line of small print at the foot of the page.");
    Document d = pdf.takenIn(folder).document();
    List<String> texts = paragraphs(d).stream().map(Paragraph::text).toList();
    assertThat(texts)
        .anyMatch(t -> t.matches("Full name _{10,}"))
        .anyMatch(t -> t.matches("Town _{8,}\\s+Postcode _{6,}"))
        .anyMatch(t -> t.matches("Berth\\s+4 east"));
    assertThat(texts.getLast()).startsWith("A line of small print");
  }
}
