package decant.office.rtf.read;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Formats;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Selection;
import decant.model.Table;
import decant.model.edit.Copying;
import decant.model.edit.Fragment;
import decant.model.edit.ListEdits;
import decant.model.edit.Motion;
import decant.model.edit.Revision;
import decant.model.look.Colour;
import decant.model.look.Link;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.ParagraphTraits;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.model.walk.Walk;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HexFormat;
import java.util.List;
import javax.imageio.ImageIO;
import javax.swing.text.BadLocationException;
import javax.swing.text.DefaultStyledDocument;
import javax.swing.text.SimpleAttributeSet;
import javax.swing.text.StyleConstants;
import javax.swing.text.rtf.RTFEditorKit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What comes as RTF: from ourselves, from the JDK's editor kit, and written by hand. */
class RtfPastedTest {
  private static Fragment read(String rtf) {
    return RtfPasted.read(rtf, Samples.styles());
  }

  private static List<String> texts(Fragment f) {
    return Walk.paragraphs(f.blocks()).stream().map(Paragraph::text).toList();
  }

  private static Look look(Fragment f, String words) {
    return Walk.paragraphs(f.blocks()).stream()
        .flatMap(p -> p.inlines().stream())
        .filter(i -> i instanceof Inline.Text t && t.text().contains(words))
        .findFirst()
        .orElseThrow()
        .look();
  }

  private static String ours(Document d) throws IOException {
    Fragment f =
        Copying.of(d, new Selection(Motion.documentStart(d), Motion.documentEnd(d))).orElseThrow();
    var out = new ByteArrayOutputStream();
    Formats.writer(Formats.copied()).write(f.document(), out);
    return out.toString(StandardCharsets.US_ASCII);
  }

  @Test
  void whatWeCopyComesBackWithItsLooks() throws IOException {
    Paragraph p =
        Samples.runs(
            "plain ",
            Look.PLAIN,
            "bold",
            Look.of(TextTraits.BOLD, true),
            " red ",
            Look.of(TextTraits.COLOUR, Colour.parse("C00000")),
            "quay — Ωμέγα ш",
            Look.of(TextTraits.ITALIC, true),
            " raised",
            Look.of(TextTraits.RAISE, TextTraits.Raise.SUPERSCRIPT),
            " site",
            Look.of(TextTraits.LINK, new Link.External("https://quay.example/a")));
    Fragment f = read(ours(Samples.document(p, Samples.heading(2, "Winter storage"))));
    assertThat(texts(f))
        .containsExactly("plain bold red quay — Ωμέγα ш raised site", "Winter storage");
    assertThat(look(f, "bold").value(TextTraits.BOLD)).isTrue();
    assertThat(look(f, "plain").value(TextTraits.BOLD)).isFalse();
    assertThat(look(f, "red").value(TextTraits.COLOUR)).isEqualTo(Colour.parse("C00000"));
    assertThat(look(f, "Ωμέγα").value(TextTraits.ITALIC)).isTrue();
    assertThat(look(f, "raised").value(TextTraits.RAISE)).isEqualTo(TextTraits.Raise.SUPERSCRIPT);
    assertThat(look(f, "site").value(TextTraits.LINK))
        .isEqualTo(new Link.External("https://quay.example/a"));
    assertThat(look(f, "plain").sets(TextTraits.LINK)).isFalse();
    Document in = f.document();
    assertThat(in.headingLevel(in.paragraphs().get(1))).isEqualTo(2);
    assertThat(in.headingLevel(in.paragraphs().getFirst())).isZero();
  }

  @Test
  void listsAndTablesComeBack() throws IOException {
    Document d =
        Samples.document(
            Samples.paragraph("oars"),
            Samples.paragraph("rope"),
            Samples.paragraph("between"),
            Samples.table(new String[] {"Berth", "Depth"}, new String[] {"A1", "4 m"}),
            Samples.paragraph("after"));
    Revision r = Revision.of(d);
    var two =
        new Selection(
            Motion.documentStart(d), new decant.model.Position(d.index().order().get(1), 2));
    Fragment f = read(ours(ListEdits.toggle(r.withSelection(two), true).document()));
    List<Block> blocks = f.blocks();
    assertThat(texts(f))
        .containsExactly("oars", "rope", "between", "Berth", "Depth", "A1", "4 m", "after");
    ListMembership first = ((Paragraph) blocks.get(0)).look().value(ParagraphTraits.LIST);
    assertThat(((Paragraph) blocks.get(1)).look().value(ParagraphTraits.LIST)).isEqualTo(first);
    assertThat(f.lists().get(first.list()).level(0).pattern()).isEqualTo("%1.");
    assertThat(((Paragraph) blocks.get(2)).look().sets(ParagraphTraits.LIST)).isFalse();
    Table t = (Table) blocks.get(3);
    assertThat(t.rows()).hasSize(2);
    assertThat(t.rows().getFirst().cells()).hasSize(2);
    assertThat(blocks).hasSize(5);
  }

  /** Written by hand after Rich Text Format 1.9.1, “Footnotes”, with the mark's group as usual. */
  @Test
  void notesComeInWithTheirMarksAndLabels() {
    Fragment f =
        read(
            "{\\rtf1 Berths{\\super\\chftn}{\\footnote\\pard\\plain{\\super\\chftn} of"
                + " the east wall\\par\\pard second}are let{\\super *}{\\footnote\\ftnalt"
                + " {\\super *} by the year}.\\par After\\par}");
    assertThat(texts(f)).containsExactly("Berths\uFFFCare let\uFFFC.", "After");
    List<decant.model.Story> notes = List.copyOf(f.stories().values());
    assertThat(notes).hasSize(2);
    assertThat(notes.getFirst().kind()).isEqualTo(decant.model.Story.Kind.FOOTNOTE);
    assertThat(Walk.paragraphs(notes.getFirst().blocks()).stream().map(Paragraph::text))
        .containsExactly("\uFFFC of the east wall", "second");
    assertThat(notes.getFirst().label()).isEmpty();
    assertThat(notes.getLast().kind()).isEqualTo(decant.model.Story.Kind.ENDNOTE);
    assertThat(notes.getLast().label()).contains("*");
    assertThat(Walk.paragraphs(notes.getLast().blocks()).getFirst().text())
        .isEqualTo("\uFFFC by the year");
    assertThat(((Paragraph) f.blocks().getFirst()).inlines())
        .contains(new Inline.NoteMark(notes.getFirst().id(), Look.PLAIN));
  }

  @Test
  void ourOwnNotesComeBack() throws IOException {
    Document d = decant.layout.Rich.varied(5, 20);
    assertThat(d.stories().values()).anyMatch(s -> s.kind().isNote());
    Fragment f = read(ours(d));
    assertThat(f.stories().values().stream().map(s -> words(s.blocks())))
        .containsExactlyElementsOf(
            Walk.paragraphs(d, decant.model.walk.Part.OF_FLOW).stream()
                .flatMap(p -> p.inlines().stream())
                .filter(Inline.NoteMark.class::isInstance)
                .map(i -> words(d.stories().get(((Inline.NoteMark) i).note()).blocks()))
                .toList());
  }

  private static String words(List<Block> blocks) {
    return String.join(" ", Walk.paragraphs(blocks).stream().map(Paragraph::text).toList())
        .replace(Inline.OBJECT, ' ')
        .replaceAll("\\s+", " ")
        .strip();
  }

  /** The JDK's writer of RTF, which knows nothing of ours. */
  @Test
  void whatTheJdkWritesComesIn() throws IOException, BadLocationException {
    var doc = new DefaultStyledDocument();
    var bold = new SimpleAttributeSet();
    StyleConstants.setBold(bold, true);
    StyleConstants.setFontFamily(bold, "Courier");
    StyleConstants.setFontSize(bold, 18);
    var plain = new SimpleAttributeSet();
    doc.insertString(0, "Mooring ", bold);
    doc.insertString(doc.getLength(), "charges\nNext line", plain);
    var out = new ByteArrayOutputStream();
    new RTFEditorKit().write(out, doc, 0, doc.getLength());
    Fragment f = read(out.toString(StandardCharsets.ISO_8859_1));
    assertThat(texts(f)).containsExactly("Mooring charges", "Next line");
    assertThat(look(f, "Mooring").value(TextTraits.BOLD)).isTrue();
    assertThat(look(f, "Mooring").value(TextTraits.SIZE)).isEqualTo(18);
    assertThat(look(f, "Mooring").value(TextTraits.FAMILY)).isEqualTo("Courier");
    assertThat(look(f, "charges").value(TextTraits.BOLD)).isFalse();
  }

  /** Joined cells by the controls of RTF 1.9.1, "Table Definitions". */
  @Test
  void joinedCellsAreOne() {
    String row = "\\trowd\\clvmgf\\cellx1000\\clmgf\\cellx2000\\clmrg\\cellx3000 ";
    String next = "\\trowd\\clvmrg\\cellx1000\\cellx2000\\cellx3000 ";
    Fragment f =
        read(
            "{\\rtf1\\ansi "
                + row
                + "\\pard\\intbl pier\\cell wide\\cell\\cell\\row "
                + next
                + "\\pard\\intbl\\cell b\\cell c\\cell\\row \\pard after\\par}");
    Table t = (Table) f.blocks().getFirst();
    List<Cell> first = t.rows().getFirst().cells();
    assertThat(first).hasSize(2);
    assertThat(first.get(0).rowSpan()).isEqualTo(2);
    assertThat(first.get(1).columnSpan()).isEqualTo(2);
    assertThat(t.rows().get(1).cells()).hasSize(2);
    assertThat(((Paragraph) f.blocks().get(1)).text()).isEqualTo("after");
  }

  @Test
  void headRowsPicturesAndHiddenText() throws IOException {
    var png = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(20, 10, BufferedImage.TYPE_INT_RGB), "png", png);
    Fragment f =
        read(
            "{\\rtf1\\ansi\\ansicpg1252{\\*\\generator nobody;}{\\info{\\title secret}}"
                + "\\trowd\\trhdr\\cellx900\\pard\\intbl h\\cell\\row"
                + "\\pard seen{\\v unseen} {\\*\\unheardof lost}caf\\'e9 \\u1096?\\par "
                + "{\\*\\shppict{\\pict\\pngblip\\picwgoal2000\\pichgoal1000 "
                + HexFormat.of().formatHex(png.toByteArray())
                + "}}{\\nonshppict{\\pict\\wmetafile8 00}}\\par}");
    Table t = (Table) f.blocks().getFirst();
    assertThat(t.rows().getFirst().look().value(TableTraits.HEADER_ROW)).isTrue();
    assertThat(texts(f)).contains("seen café ш");
    Inline.Picture p = (Inline.Picture) ((Paragraph) f.blocks().getLast()).inlines().getFirst();
    assertThat(p.width()).isEqualTo(100);
    assertThat(p.height()).isEqualTo(50);
    assertThat(f.media().values()).extracting(Media::type).containsExactly("image/png");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "no RTF",
        "{\\rtf1 cut off",
        "{\\rtf1 {{{",
        "{\\rtf1 a}}}}",
        "{\\rtf1\\cell\\row\\cell}"
      })
  void whatIsBrokenBreaksNothing(String rtf) {
    Fragment f = read(rtf);
    assertThat(String.join("", texts(f))).isIn("", "a");
  }
}
