package decant.pdf;

import static decant.pdf.DrawnPdf.BOLD;
import static decant.pdf.DrawnPdf.PROSE;
import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.Layout;
import decant.layout.Layouter;
import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.SourceSetting;
import decant.model.Table;
import decant.model.edit.Commands;
import decant.model.edit.Revision;
import decant.reading.ReadProblem;
import decant.reading.TakenIn;
import decant.text.FontBook;
import java.awt.Color;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * What was not changed is published where the source had it: word by word, as a reference library
 * (PDFBox's text stripper) finds the words in both files.
 */
class AsFoundTest {
  /** Points that a word may be off. The file rounds to hundredths. */
  private static final double ACROSS = 0.6;

  private static final double DOWN = 0.3;

  @TempDir Path folder;

  private record Word(int page, String text, double x, double baseline) {}

  private static List<Word> words(byte[] pdf) throws IOException {
    var out = new ArrayList<Word>();
    try (PDDocument d = Loader.loadPDF(pdf)) {
      var stripper =
          new PDFTextStripper() {
            @Override
            protected void writeString(String text, List<TextPosition> at) {
              TextPosition first = at.getFirst();
              out.add(
                  new Word(
                      getCurrentPageNo(), text.strip(), first.getXDirAdj(), first.getYDirAdj()));
            }
          };
      stripper.setSortByPosition(true);
      stripper.getText(d);
    }
    return out;
  }

  private static byte[] published(Document d) {
    Layout l = Samples.layout(d);
    return Samples.pdf(l, Samples.choices(l));
  }

  private byte[] source() throws IOException {
    return Files.readAllBytes(folder.resolve("drawn.pdf"));
  }

  private static void sameWords(List<Word> got, List<Word> wanted) {
    assertThat(got).extracting(Word::text).isEqualTo(wanted.stream().map(Word::text).toList());
    for (int k = 0; k < got.size(); k++) {
      Word g = got.get(k);
      Word w = wanted.get(k);
      assertThat(g.page()).as(w.text()).isEqualTo(w.page());
      assertThat(g.x()).as("x of " + w.text()).isBetween(w.x() - ACROSS, w.x() + ACROSS);
      assertThat(g.baseline())
          .as("baseline of " + w.text())
          .isBetween(w.baseline() - DOWN, w.baseline() + DOWN);
    }
  }

  /** Two pages with all that flows: a title low on its page, odd gaps, a listing, a table. */
  private TakenIn several() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.text(BOLD, 16, 90, 231.5, "Winter storage");
    double y = pdf.prose(90, 260.25, 400, PROSE + PROSE);
    y = pdf.prose(117.5, y + 21.75, 300, PROSE);
    pdf.text(BOLD, 12, 90, y + 33, "Charges");
    y = pdf.prose(90, y + 55, 410, PROSE + PROSE + PROSE);
    pdf.page();
    y = pdf.prose(90, 101.25, 410, PROSE);
    for (int row = 0; row < 4; row++) {
      for (int column = 0; column < 3; column++) {
        pdf.framed(90 + 130 * column, y + 20 + 23.5 * row, 130, 23.5);
        pdf.text(
            97 + 130 * column, y + 35 + 23.5 * row, row == 0 ? "Head" : "Cell " + row + column);
      }
    }
    pdf.prose(90, y + 160, 410, PROSE);
    return pdf.takenIn(folder);
  }

  @Test
  void everyWordStandsWhereItStood() throws IOException, ReadProblem {
    Document d = several().document();
    sameWords(words(published(d)), words(source()));
    // It is the source's setting that does it, not chance.
    List<Word> otherwise = words(published(d.withSetting(SourceSetting.NONE)));
    assertThat(otherwise).isNotEqualTo(words(source()));
  }

  /** Without the notes. */
  private static List<Word> above(List<Word> all) {
    return all.stream().filter(w -> w.baseline() < 690).toList();
  }

  /** Sets a text and says where it ends. */
  private static double run(DrawnPdf pdf, double size, double x, double baseline, String text)
      throws IOException {
    pdf.text(DrawnPdf.PLAIN, size, x, baseline, text);
    return x + DrawnPdf.PLAIN.getStringWidth(text) / 1000 * size;
  }

  /** Marks of several digits have one place in the text: what follows them stood astray once. */
  @Test
  void wordsAfterTheMarksOfNotesStandWhereTheyStood() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    double y = pdf.prose(90, 100, 410, PROSE) + 20;
    for (int n = 108; n < 112; n++) {
      double end = run(pdf, 10, 90, y, "Berth " + n + " is free.");
      end = run(pdf, 6, end, y - 3.5, String.valueOf(n));
      run(pdf, 10, end, y, " Masters of yachts ask at the office first, and then at the gate");
      y += 14;
      run(pdf, 10, 90, y, "who may lie there, for how long, and what it costs them by the day.");
      y += 24;
      double foot = 700 + 11 * (n - 108);
      end = run(pdf, 5.5, 90, foot - 2.5, String.valueOf(n));
      run(
          pdf,
          8,
          end + 1,
          foot,
          "Not before the first of April, says the rule of berth " + n + ".");
    }
    Document d = pdf.takenIn(folder).document();
    assertThat(d.stories().values()).as("notes").hasSize(4);
    sameWords(above(words(published(d))), above(words(source())));
  }

  /** Letters by where they stand. */
  private static List<Word> letters(byte[] pdf) throws IOException {
    var out = new ArrayList<Word>();
    try (PDDocument d = Loader.loadPDF(pdf)) {
      var stripper =
          new PDFTextStripper() {
            @Override
            protected void processTextPosition(TextPosition at) {
              if (!at.getUnicode().isBlank()) {
                out.add(
                    new Word(
                        getCurrentPageNo(), at.getUnicode(), at.getXDirAdj(), at.getYDirAdj()));
              }
            }
          };
      stripper.getText(d);
    }
    return out;
  }

  /** Hebrew. */
  @Test
  void linesFromRightToLeftStandWhereTheyStood() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    PDFont font = pdf.font("NotoSansHebrew-Regular.ttf");
    List<String> lines =
        List.of(
            "\u05DB\u05DC \u05D4\u05E1\u05E4\u05D9\u05E0\u05D5\u05EA \u05E2\u05D5\u05D2\u05E0\u05D5\u05EA \u05D1\u05E0\u05DE\u05DC \u05E2\u05D3 \u05D4\u05E2\u05E8\u05D1 \u05D5\u05DE\u05E9\u05DC\u05DE\u05D5\u05EA",
            "\u05D0\u05EA \u05D3\u05DE\u05D9 \u05D4\u05E2\u05D2\u05D9\u05E0\u05D4 \u05D1\u05DE\u05E9\u05E8\u05D3 \u05D4\u05E0\u05DE\u05DC \u05DC\u05E4\u05E0\u05D9 \u05D4\u05E9\u05E7\u05D9\u05E2\u05D4",
            "\u05D1\u05DB\u05DC \u05D9\u05D5\u05DD");
    double y = 140;
    for (String line : lines) {
      String shown = new StringBuilder(line).reverse().toString();
      pdf.text(font, 12, 500 - DrawnPdf.width(font, 12, shown), y, shown);
      y += 19.5;
    }
    Document d = pdf.takenIn(folder).document();
    assertThat(d.paragraphs()).hasSize(1);
    assertThat(d.paragraphs().getFirst().text()).isEqualTo(String.join(" ", lines));
    List<Word> got = letters(published(d));
    List<Word> wanted = letters(source());
    assertThat(got).hasSameSizeAs(wanted);
    for (Word w : wanted) {
      assertThat(got)
          .as(w.toString())
          .anyMatch(g ->
              g.text().equals(w.text())
                  && Math.abs(g.x() - w.x()) < 1
                  && Math.abs(g.baseline() - w.baseline()) < DOWN);
    }
  }

  @Test
  void runningTextsAndNumbersStandWhereTheyStood() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    String[] numbers = {"i", "ii", "iii", "1", "2", "3"};
    for (int k = 0; k < 6; k++) {
      pdf.text(90, 51.75, "Rules of the harbour").text(480, 51.75, numbers[k]);
      pdf.prose(90, 120.5, 410, "Part " + (k + 1) + ". " + PROSE.repeat(8));
      if (k < 5) {
        pdf.page();
      }
    }
    Document d = pdf.takenIn(folder).document();
    sameWords(words(published(d)), words(source()));
  }

  @Test
  void shadesRulesAndBarsStayBehindTheText() throws IOException, ReadProblem {
    var pdf = new DrawnPdf();
    pdf.filled(new Color(0x224466), 0, 0, 595, 40);
    pdf.filled(new Color(0xFFEE99), 80, 190, 430, 130);
    pdf.text(BOLD, 16, 90, 90, "Notice");
    double y = pdf.prose(90, 120, 410, PROSE);
    pdf.prose(90, 205, 410, PROSE);
    pdf.prose(90, 270, 410, PROSE);
    pdf.filled(Color.RED, 90, 400, 300, 0.8);
    TakenIn taken = pdf.takenIn(folder);
    List<Inline.Shape> shapes =
        taken.document().paragraphs().stream()
            .flatMap(p -> p.inlines().stream())
            .filter(i -> i instanceof Inline.Shape)
            .map(i -> (Inline.Shape) i)
            .toList();
    assertThat(shapes)
        .extracting(s -> s.drawing().fill().orElseThrow().rgb())
        .contains(0x224466, 0xFF0000);
    assertThat(taken.findings()).noneMatch(f -> f.message().contains("coloured areas"));
    assertThat(y).isLessThan(190);
  }

  private static Paragraph starting(Document d, String text) {
    return d.paragraphs().stream().filter(p -> p.text().startsWith(text)).findFirst().orElseThrow();
  }

  private static Revision at(Document d, NodeId paragraph, int offset) {
    return at(Revision.of(d), paragraph, offset);
  }

  @Test
  void typingMovesNothingAboveAndAllBelowAlike() throws IOException, ReadProblem {
    Document d = several().document();
    List<Word> before = words(published(d));
    Paragraph indented = d.paragraphs().get(2);
    assertThat(indented.text()).startsWith("The harbour office");
    String more = "Whoever comes late waits at the stairs until the warden has time for them. ";
    Document longer =
        Commands.insert(at(d, indented.id(), indented.length()), more.repeat(4)).document();
    List<Word> after = words(published(longer));
    int above = (int) before.stream().takeWhile(w -> w.baseline() < 360).count();
    sameWords(after.subList(0, above), before.subList(0, above));
    double shift = of(after, "Charges").baseline() - of(before, "Charges").baseline();
    assertThat(shift).isGreaterThan(10);
  }

  private static Word of(List<Word> words, String text) {
    return words.stream().filter(w -> w.text().startsWith(text)).findFirst().orElseThrow();
  }

  @Test
  void whatIsTakenOutLeavesNoHole() throws IOException, ReadProblem {
    Document d = several().document();
    Paragraph first = d.paragraphs().get(1);
    Block title = starting(d, "Winter storage");
    NodeId section = d.index().container(d, title.id()).orElseThrow();
    int place = d.index().place(first.id()).orElseThrow();
    Document shorter = d.withBlocks(section, place, place + 1, List.of());
    List<Word> after = words(published(shorter));
    double gap = of(after, "The harbour").baseline() - of(after, "Winter").baseline();
    assertThat(gap).isLessThan(60);
  }

  @Test
  void aTableThatIsChangedIsSetAnew() throws IOException, ReadProblem {
    Document d = several().document();
    Table t =
        d.sections().stream()
            .flatMap(s -> s.blocks().stream())
            .filter(b -> b instanceof Table)
            .map(b -> (Table) b)
            .findFirst()
            .orElseThrow();
    Paragraph cell = (Paragraph) t.rows().get(1).cells().get(1).blocks().getFirst();
    String more = " of the long pontoon, where the crane stands in winter, and of the slip";
    Document changed = Commands.insert(at(d, cell.id(), cell.length()), more).document();
    List<Word> after = words(published(changed));
    double grown = of(after, "Cell 20").baseline() - of(after, "Cell 10").baseline();
    assertThat(grown).isGreaterThan(30);
  }

  /** Pages that follow an edit are those that are made of the same document from scratch. */
  @Test
  void pagesThatFollowEditsAreThoseMadeAnew() {
    Document d = Samples.demo("Berth rules.pdf").document();
    var following = new Layouter(FontBook.shipped());
    assertThat(found(following.layout(d))).as("all as found").doesNotContain(-1);
    var random = new Random(14);
    Revision r = Revision.of(d);
    for (int k = 0; k < 40; k++) {
      List<Paragraph> all = r.document().paragraphs();
      Paragraph p = all.get(random.nextInt(all.size()));
      r = at(r, p.id(), random.nextInt(p.length() + 1));
      r =
          switch (random.nextInt(5)) {
            case 0 -> Commands.insert(r, "x");
            case 1 -> Commands.insert(r, PROSE.substring(0, 120));
            case 2 -> Commands.deleteBackward(r);
            case 3 -> Commands.newParagraph(r);
            default -> Commands.deleteWordBackward(r);
          };
      Layout now = following.layout(r.document());
      Layout anew = new Layouter(FontBook.shipped()).layout(r.document());
      assertThat(starts(now)).as("after edit " + k).isEqualTo(starts(anew));
      assertThat(fragments(now)).as("after edit " + k).isEqualTo(fragments(anew));
    }
    assertThat(found(following.layout(r.document()))).contains(-1);
  }

  private static Revision at(Revision r, NodeId paragraph, int offset) {
    return r.withSelection(Selection.at(new Position(paragraph, offset)));
  }

  private static List<String> fragments(Layout l) {
    return l.pages().stream()
        .flatMap(p -> p.body().stream())
        .map(f -> f.source().id() + " " + f.x() + " " + f.y() + " " + f.height())
        .toList();
  }

  private static List<Integer> found(Layout l) {
    return l.pages().stream().map(p -> p.start().found()).toList();
  }

  private static List<String> starts(Layout l) {
    return l.pages().stream().map(p -> p.start().at() + " " + p.start().found()).toList();
  }
}
