package decant.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Format;
import decant.format.Formats;
import decant.layout.Rich;
import decant.model.Cell;
import decant.model.Columns;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.LinePitch;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.Placement;
import decant.model.look.Placement.Wrap;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.office.rtf.RtfWriter;
import decant.preview.LeftOut;
import decant.verify.Check;
import decant.verify.office.Aspect;
import decant.verify.office.Digest;
import decant.verify.office.RtfDigest;
import decant.verify.office.RtfVerifier;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import javax.swing.text.AttributeSet;
import javax.swing.text.BadLocationException;
import javax.swing.text.DefaultStyledDocument;
import javax.swing.text.StyleConstants;
import javax.swing.text.rtf.RTFEditorKit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * RTF as it is written, held against two parsers of other makers: the one that ships with Java, and
 * RTF Parser Kit. Control words are named as in Rich Text Format 1.9.1.
 */
class RtfTest {
  @TempDir Path folder;

  private static String write(Document d) throws IOException {
    var out = new ByteArrayOutputStream();
    RtfWriter.write(d, out);
    return out.toString(StandardCharsets.US_ASCII);
  }

  private Digest content(Document d) throws IOException {
    Path file = folder.resolve("a.rtf");
    Files.writeString(file, write(d), StandardCharsets.US_ASCII);
    return RtfDigest.of(file);
  }

  /** As the reader that ships with Java understands it. */
  private static DefaultStyledDocument read(Document d) throws IOException, BadLocationException {
    var out = new DefaultStyledDocument();
    new RTFEditorKit()
        .read(new ByteArrayInputStream(write(d).getBytes(StandardCharsets.US_ASCII)), out, 0);
    return out;
  }

  private static AttributeSet at(DefaultStyledDocument d, String text) throws BadLocationException {
    int place = d.getText(0, d.getLength()).indexOf(text);
    assertThat(place).as(text).isNotNegative();
    return d.getCharacterElement(place).getAttributes();
  }

  @Test
  void looksOfTextArriveInAnotherReader() throws Exception {
    Document d =
        Samples.document(
            Samples.runs(
                "plain ",
                Look.PLAIN,
                "bold ",
                Look.of(TextTraits.BOLD, true),
                "slanted ",
                Look.of(TextTraits.ITALIC, true).with(TextTraits.SIZE, 16.0),
                "under ",
                Look.of(TextTraits.UNDERLINE, true),
                "blue",
                Look.of(TextTraits.COLOUR, new Colour(0x0B5C7A))
                    .with(TextTraits.FAMILY, "Carlito")));
    DefaultStyledDocument got = read(d);
    assertThat(got.getText(0, got.getLength())).startsWith("plain bold slanted under blue");
    assertThat(StyleConstants.isBold(at(got, "plain"))).isFalse();
    assertThat(StyleConstants.getFontSize(at(got, "plain"))).isEqualTo(11);
    assertThat(StyleConstants.getFontFamily(at(got, "plain"))).isEqualTo("Liberation Serif");
    assertThat(StyleConstants.isBold(at(got, "bold"))).isTrue();
    assertThat(StyleConstants.isItalic(at(got, "slanted"))).isTrue();
    assertThat(StyleConstants.getFontSize(at(got, "slanted"))).isEqualTo(16);
    assertThat(StyleConstants.isUnderline(at(got, "under"))).isTrue();
    assertThat(StyleConstants.getForeground(at(got, "blue")).getRGB() & 0xFFFFFF)
        .isEqualTo(0x0B5C7A);
    assertThat(StyleConstants.getFontFamily(at(got, "blue"))).isEqualTo("Carlito");
  }

  @Test
  void paragraphsKeepTheirPlaceInAnotherReader() throws Exception {
    Look look =
        Look.of(ParagraphTraits.ALIGNMENT, Alignment.CENTRE)
            .with(ParagraphTraits.INDENT_START, 36.0)
            .with(ParagraphTraits.FIRST_LINE, -18.0)
            .with(ParagraphTraits.SPACE_BEFORE, 12.0);
    DefaultStyledDocument got = read(Samples.document(Paragraph.of(look, "Slack water")));
    AttributeSet a = got.getParagraphElement(0).getAttributes();
    assertThat(StyleConstants.getAlignment(a)).isEqualTo(StyleConstants.ALIGN_CENTER);
    assertThat(StyleConstants.getLeftIndent(a)).isEqualTo(36f);
    assertThat(StyleConstants.getFirstLineIndent(a)).isEqualTo(-18f);
  }

  @Test
  void everyCharacterArrives() throws Exception {
    String all = "Braces {and} back\\slash, “quotes” – £5, Łódź, Ὀδυσσεύς, 水, 🚢, a\tb";
    Document d =
        Samples.document(Samples.paragraph(all), Samples.paragraph("50\u00A0m co\u00ADop"));
    assertThat(content(d).of(Aspect.TEXT)).containsExactly(all, "50\u00A0m co\u00ADop");
    DefaultStyledDocument got = read(Samples.document(Samples.paragraph(all)));
    assertThat(got.getText(0, got.getLength())).startsWith(all);
  }

  @Test
  void rightToLeftTextSaysSo() throws IOException {
    Look rtl =
        Look.of(ParagraphTraits.DIRECTION, ParagraphTraits.Direction.RIGHT_TO_LEFT)
            .with(ParagraphTraits.INDENT_START, 20.0);
    String rtf = write(Samples.document(Paragraph.of(rtl, "נמל port")));
    assertThat(rtf).containsPattern("\\\\rtlpar\\\\qr[^{]*\\\\lin400\\\\rin0");
    assertThat(rtf).containsPattern("\\\\rtlch\\\\fcs1\\\\af0\\\\afs22\\\\kerning1\\\\u1504");
    assertThat(rtf).containsPattern("\\\\ltrch\\\\fcs0\\\\f0\\\\fs22\\\\kerning1 port");
  }

  @Test
  void linePitchIsSaidInItsThreeWays() throws IOException {
    assertThat(pitch(new LinePitch.Multiple(1.5))).contains("\\sl360\\slmult1");
    assertThat(pitch(new LinePitch.AtLeast(14))).contains("\\sl280\\slmult0");
    assertThat(pitch(new LinePitch.Exactly(14))).contains("\\sl-280\\slmult0");
  }

  private static String pitch(LinePitch p) throws IOException {
    return write(Samples.document(Paragraph.of(Look.of(ParagraphTraits.LINE_PITCH, p), "x")));
  }

  @Test
  void headingsAreStylesWithALevel() throws IOException {
    String rtf = write(Samples.document(Samples.heading(2, "Charges")));
    assertThat(rtf).containsPattern("\\{\\\\s(\\d+)[^;]*\\\\outlinelevel1[^;]* heading 2;\\}");
    String number = rtf.replaceAll("(?s).*\\{\\\\s(\\d+)[^{;]* heading 2;\\}.*", "$1");
    assertThat(rtf).containsPattern("\\\\pard\\\\plain\\\\s" + number + "\\\\[^{]*\\{[^{]*Charges");
  }

  @Test
  void listsNumberThemselvesAndShowTheirLabelsToOthers() throws IOException {
    var rich = new Rich();
    Paragraph first = rich.item("l", 0, "Moor");
    Paragraph second = rich.item("l", 1, "Pay");
    rich.section(PageSetup.A4, Section.Start.NEW_PAGE, first, second);
    String rtf = write(rich.document());
    assertThat(rtf)
        .contains("{\\listtext")
        .containsPattern("1\\.\\\\tab")
        .containsPattern("a\\)\\\\tab");
    assertThat(rtf).contains("{\\leveltext\\'02\\'00.;}{\\levelnumbers\\'01;}");
    assertThat(rtf).contains("\\levelnfc4", "{\\leveltext\\'02\\'01);}");
    assertThat(rtf).contains("\\ls1\\ilvl0").contains("\\ls1\\ilvl1");
    assertThat(content(rich.document()).of(Aspect.TEXT)).containsExactly("Moor", "Pay");
  }

  @Test
  void mergedCellsAndTablesInCellsHold() throws IOException {
    Table inner = Samples.table(new String[] {"i1", "i2"});
    Table outer =
        new Table(
            NodeId.fresh(),
            Look.PLAIN,
            List.of(100.0, 150.0),
            List.of(
                new Table.Row(
                    Look.of(TableTraits.HEADER_ROW, true),
                    List.of(
                        cell(1, 2, Samples.paragraph("down")), cell(1, 1, Samples.paragraph("b")))),
                new Table.Row(Look.PLAIN, List.of(cell(1, 1, inner)))));
    Document d = Samples.document(Samples.paragraph("before"), outer, Samples.paragraph("after"));
    Digest got = content(d);
    assertThat(got.of(Aspect.TEXT)).containsExactly("before", "down", "b", "i1", "i2", "after");
    assertThat(got.of(Aspect.TABLES)).containsExactly("row: 1v 1", "row: 1 1", "row: 1^ 1");
    String rtf = write(d);
    assertThat(rtf).contains("\\trhdr", "\\clvmgf", "\\clvmrg", "\\cellx2000", "\\cellx5000");
    assertThat(rtf).contains("\\itap2", "\\nestcell", "{\\*\\nesttableprops\\trowd");
  }

  private static Cell cell(int across, int down, decant.model.Block b) {
    return new Cell(NodeId.fresh(), across, down, Look.PLAIN, List.of(b));
  }

  @Test
  void notesLinksAndBookmarksHold() throws IOException {
    var rich = new Rich();
    Look web = Look.of(TextTraits.LINK, new Link.External("https://quay.example/tides"));
    Look in = Look.of(TextTraits.LINK, new Link.Internal("charges"));
    var p =
        Rich.of(
            Rich.text("See"),
            rich.note(Story.Kind.FOOTNOTE, "At low water."),
            new Inline.Text("tides", web),
            rich.note(Story.Kind.ENDNOTE, "Since 1911."),
            new Inline.Text("charges", in));
    rich.section(
        PageSetup.A4,
        Section.Start.NEW_PAGE,
        p,
        Paragraph.of(Look.of(ParagraphTraits.BOOKMARKS, List.of("charges")), "Charges"));
    Digest got = content(rich.document());
    assertThat(got.of(Aspect.NOTES))
        .containsExactly("footnote: At low water.", "endnote: Since 1911.");
    assertThat(got.of(Aspect.LINKS))
        .containsExactly("tides → https://quay.example/tides", "charges → #charges");
    assertThat(got.of(Aspect.TEXT)).containsExactly("Seetidescharges", "Charges");
    String rtf = write(rich.document());
    assertThat(rtf).contains("{\\*\\bkmkstart charges}", "{\\*\\bkmkend charges}");
    assertThat(rtf).contains("{\\footnote\\pard", "{\\footnote\\ftnalt\\pard", "\\fet2");
  }

  @Test
  void sectionsSayTheirPaperColumnsAndRunningTexts() throws IOException {
    var wide = PageSetup.plain(842, 595, new PageSetup.Margins(50, 60, 50, 60, 30, 30));
    var story =
        new Story(NodeId.fresh(), Story.Kind.RUNNING, List.of(Samples.paragraph("Harbour Office")));
    var first =
        new Story(NodeId.fresh(), Story.Kind.RUNNING, List.of(Samples.paragraph("First page")));
    var rich =
        new Rich()
            .section(
                PageSetup.A4,
                Section.Start.NEW_PAGE,
                Map.of(Section.Running.HEADER, story, Section.Running.HEADER_FIRST, first),
                List.of(Samples.paragraph("one")))
            .section(
                wide.withColumns(Columns.equal(2, 18, true)),
                Section.Start.ODD_PAGE,
                Samples.paragraph("two"));
    String rtf = write(rich.document());
    assertThat(rtf).containsPattern("\\{\\\\header\\\\pard[^}]*Harbour Office");
    assertThat(rtf).containsPattern("\\\\titlepg\\s*\\{\\\\header").contains("{\\headerf");
    assertThat(rtf)
        .contains(
            "\\sect\\sectd\\sbkodd\\pgwsxn16840\\pghsxn11900\\lndscpsxn", "\\cols2\\colsx360");
    assertThat(content(rich.document()).of(Aspect.TEXT)).containsExactly("one", "two");
  }

  @Test
  void picturesGoInUnharmed() throws IOException {
    var rich = new Rich();
    rich.section(
        PageSetup.A4,
        Section.Start.NEW_PAGE,
        Rich.of(rich.picture(40, 30, Placement.INLINE)),
        Rich.of(rich.picture(80, 60, Rich.beside(Wrap.AROUND, 100, 20)), Rich.text("beside")));
    Document d = rich.document();
    Media m = d.media().values().iterator().next();
    String rtf = write(d).replace("\n", "");
    String hex = HexFormat.of().formatHex(m.bytes());
    assertThat(rtf.split(hex, -1)).hasSize(3);
    assertThat(rtf).contains("\\pngblip", "\\picwgoal800\\pichgoal600", "{\\sv a quay}");
    assertThat(rtf).contains("\\shpleft2000\\shptop400\\shpright3600\\shpbottom1600");
  }

  @Test
  void remarksAreAnnotationsOfTheirWords() throws IOException {
    Look noted =
        Look.of(
            TextTraits.COMMENTS,
            List.of(new decant.model.look.Comment("1", "A. Clerk", "", "Is this so?", false)));
    Document d =
        Samples.document(
            Samples.runs("Lines are ", Look.PLAIN, "doubled", noted, " in a gale.", Look.PLAIN));
    assertThat(write(d))
        .containsPattern("\\{\\\\\\*\\\\atrfstart 1\\}\\{[^}]*doubled\\}\\{\\\\\\*\\\\atrfend 1\\}")
        .containsPattern("\\\\atnauthor A\\. Clerk\\}\\\\chatn\\{\\\\\\*\\\\annotation");
    assertThat(content(d).of(Aspect.TEXT)).containsExactly("Lines are doubled in a gale.");
  }

  /** Nothing is lost silently: what the format has no room for is said before it is written. */
  @Test
  void whatHasNoRoomIsSaid() {
    Look blank =
        Look.of(
            TextTraits.FIELD,
            new decant.model.look.FormField(
                "1", "vessel", decant.model.look.FormField.Kind.TEXT, List.of(), 0, ""));
    Document d = Samples.document(Samples.runs("Vessel ", Look.PLAIN, "____", blank));
    Format html = Formats.of("html").orElseThrow();
    assertThat(LeftOut.of(d, html)).contains("1 form field (it becomes plain text).");
    assertThat(LeftOut.of(d, Formats.copied())).isEmpty();
    assertThat(LeftOut.of(d, Formats.working())).isEmpty();
    assertThat(LeftOut.of(Samples.document(Samples.paragraph("x")), html))
        .noneMatch(s -> s.contains("field"));
  }

  @Test
  void textBoxesBringTheirText() throws IOException {
    var rich = new Rich();
    rich.section(
        PageSetup.A4,
        Section.Start.NEW_PAGE,
        Rich.of(
            rich.box(100, 50, Rich.beside(Wrap.AROUND, 10, 0), Samples.paragraph("In a box")),
            Rich.text("around it")));
    String rtf = write(rich.document());
    assertThat(rtf).containsPattern("\\{\\\\shptxt\\\\pard.*In a box").contains("{\\sv 202}");
    assertThat(content(rich.document()).of(Aspect.TEXT)).containsExactly("around it");
  }

  @Test
  void whateverComesUpIsVerified() throws IOException {
    for (long seed = 1; seed <= 20; seed++) {
      Document d = Rich.varied(seed, 60);
      Path file = folder.resolve(seed + ".rtf");
      Files.writeString(file, write(d), StandardCharsets.US_ASCII);
      assertThat(RtfVerifier.verify(file, d)).as("seed " + seed).allMatch(Check::passed);
    }
  }

  @Test
  void verifyingSeesWhatIsMissing() throws IOException {
    Document d =
        Samples.document(Samples.paragraph("All is here."), Samples.table(new String[] {"a", "b"}));
    Path file = folder.resolve("short.rtf");
    Files.writeString(file, write(d).replace("All is", "All was"), StandardCharsets.US_ASCII);
    assertThat(RtfVerifier.verify(file, d)).anyMatch(c -> c.name().equals("Text") && !c.passed());
    Files.writeString(file, write(d).replace("\\row", ""), StandardCharsets.US_ASCII);
    assertThat(RtfVerifier.verify(file, d)).anyMatch(c -> c.name().equals("Tables") && !c.passed());
    Files.writeString(file, "{\\rtf1 cut o", StandardCharsets.US_ASCII);
    assertThat(RtfVerifier.verify(file, d)).anyMatch(c -> !c.passed());
  }
}
