package decant.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Cell;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.Extent;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.Placement;
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Axis;
import decant.model.look.Placement.Origin;
import decant.model.look.Placement.Wrap;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.StyleSheet;
import decant.model.look.TableTraits;
import decant.model.look.TextFrame;
import decant.model.look.TextTraits;
import decant.model.look.TextTraits.UnderlineKind;
import decant.model.look.Trait;
import decant.model.look.VerticalAlignment;
import decant.office.rtf.RtfWriter;
import decant.office.rtf.read.RtfWhole;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Each look by the control words of Rich Text Format 1.9.1, in twips or half points as it asks. */
class RtfControlWordsTest {
  private static List<String> words(Document d, String text) throws IOException {
    var out = new ByteArrayOutputStream();
    RtfWriter.write(d, out);
    String rtf = out.toString(StandardCharsets.US_ASCII);
    int to = text.isEmpty() ? rtf.length() : rtf.indexOf(text);
    assertThat(to).as("the text is there").isPositive();
    int from = text.isEmpty() ? 0 : rtf.lastIndexOf("\\pard", to);
    var all = new ArrayList<String>();
    Matcher m = Pattern.compile("\\\\([a-zA-Z]+-?\\d*)").matcher(rtf.substring(from, to));
    while (m.find()) {
      all.add(m.group(1));
    }
    return all;
  }

  private record Said(Look look, String words) {
    @Override
    public String toString() {
      return words;
    }
  }

  private static Said text(Look look, String words) {
    return new Said(look, words);
  }

  private static <T> Look of(decant.model.look.Trait<T> trait, T value) {
    return Look.of(trait, value);
  }

  private static Look underline(UnderlineKind kind) {
    return of(TextTraits.UNDERLINE, true).with(TextTraits.UNDERLINE_KIND, kind);
  }

  static Stream<Said> texts() {
    return Stream.of(
        text(of(TextTraits.BOLD, true), "b"),
        text(of(TextTraits.ITALIC, true), "i"),
        text(of(TextTraits.STRIKE, true), "strike"),
        text(of(TextTraits.DOUBLE_STRIKE, true), "striked1"),
        text(of(TextTraits.ALL_CAPS, true), "caps"),
        text(of(TextTraits.SMALL_CAPS, true), "scaps"),
        text(of(TextTraits.HIDDEN, true), "v"),
        text(of(TextTraits.SIZE, 10.5), "fs21"),
        text(of(TextTraits.RAISE, TextTraits.Raise.SUPERSCRIPT), "super"),
        text(of(TextTraits.RAISE, TextTraits.Raise.SUBSCRIPT), "sub"),
        text(of(TextTraits.SHIFT, 3.0), "up6"),
        text(of(TextTraits.SHIFT, -2.5), "dn5"),
        text(of(TextTraits.LETTER_SPACING, 1.5), "expndtw30"),
        text(of(TextTraits.LETTER_SPACING, -0.5), "expndtw-10"),
        text(of(TextTraits.KERNING, 14.0), "kerning28"),
        text(of(TextTraits.LANGUAGE, "de-DE"), "lang1031"),
        text(underline(UnderlineKind.SINGLE), "ul"),
        text(underline(UnderlineKind.DOUBLE), "uldb"),
        text(underline(UnderlineKind.THICK), "ulth"),
        text(underline(UnderlineKind.DOTTED), "uld"),
        text(underline(UnderlineKind.DASHED), "uldash"),
        text(underline(UnderlineKind.WAVE), "ulwave"),
        text(underline(UnderlineKind.WORDS), "ulw"));
  }

  @ParameterizedTest
  @MethodSource("texts")
  void looksOfText(Said s) throws IOException {
    List<String> plain = words(Samples.document(Samples.runs("xyz", Look.PLAIN)), "xyz");
    assertThat(words(Samples.document(Samples.runs("xyz", s.look())), "xyz")).contains(s.words());
    assertThat(plain).doesNotContain(s.words());
  }

  private static TabStop tab(TabStop.Kind kind, TabStop.Leader leader) {
    return new TabStop(72, kind, leader);
  }

  private static Look frame(Axis across, Axis down, Wrap wrap) {
    return of(
        ParagraphTraits.FRAME,
        new TextFrame(
            100,
            40,
            true,
            new Placement.Floating(across, down, wrap, new Insets(3, 5, 3, 5), false)));
  }

  static Stream<Said> paragraphs() {
    Axis at = new Axis(Origin.PAGE, Align.OFFSET, 36);
    Axis before = new Axis(Origin.MARGIN, Align.OFFSET, -18);
    return Stream.of(
        text(of(ParagraphTraits.ALIGNMENT, ParagraphTraits.Alignment.JUSTIFIED), "qj"),
        text(of(ParagraphTraits.ALIGNMENT, ParagraphTraits.Alignment.END), "qr"),
        text(of(ParagraphTraits.INDENT_START, 18.0), "li360 lin360"),
        text(of(ParagraphTraits.INDENT_END, 9.0), "ri180 rin180"),
        text(of(ParagraphTraits.FIRST_LINE, -18.0), "fi-360"),
        text(of(ParagraphTraits.SPACE_BEFORE, 7.0), "sb140"),
        text(of(ParagraphTraits.KEEP_TOGETHER, true), "keep"),
        text(of(ParagraphTraits.KEEP_WITH_NEXT, true), "keepn"),
        text(of(ParagraphTraits.PAGE_BREAK_BEFORE, true), "pagebb"),
        text(of(ParagraphTraits.WIDOW_CONTROL, false), "nowidctlpar"),
        text(of(ParagraphTraits.HYPHENATION, false), "hyphpar0"),
        text(of(ParagraphTraits.HEADING_LEVEL, 3), "outlinelevel2"),
        text(of(ParagraphTraits.AUTO_BEFORE, true), "sbauto1"),
        text(of(ParagraphTraits.AUTO_AFTER, true), "saauto1"),
        text(of(ParagraphTraits.CONTEXTUAL_SPACING, true), "contextualspace"),
        text(
            of(ParagraphTraits.TABS, List.of(tab(TabStop.Kind.LEFT, TabStop.Leader.NONE))),
            "tx1440"),
        text(
            of(ParagraphTraits.TABS, List.of(tab(TabStop.Kind.RIGHT, TabStop.Leader.DOT))),
            "tqr tldot tx1440"),
        text(
            of(ParagraphTraits.TABS, List.of(tab(TabStop.Kind.CENTRE, TabStop.Leader.HYPHEN))),
            "tqc tlhyph tx1440"),
        text(
            of(ParagraphTraits.TABS, List.of(tab(TabStop.Kind.DECIMAL, TabStop.Leader.UNDERSCORE))),
            "tqdec tlul tx1440"),
        text(
            of(ParagraphTraits.TABS, List.of(tab(TabStop.Kind.LEFT, TabStop.Leader.MIDDLE_DOT))),
            "tlmdot tx1440"),
        text(
            of(ParagraphTraits.DIRECTION, ParagraphTraits.Direction.RIGHT_TO_LEFT)
                .with(ParagraphTraits.INDENT_START, 18.0),
            "rtlpar qr ri360 lin360"),
        text(
            frame(at, before, Wrap.ABOVE_AND_BELOW),
            "absw2000 absh-800 phpg posx720 pvmrg posnegy-360 dfrmtxtx100 dfrmtxty60 nowrap"),
        text(
            frame(
                new Axis(Origin.COLUMN, Align.CENTRE, 0),
                new Axis(Origin.PARAGRAPH, Align.END, 0),
                Wrap.AROUND),
            "phcol posxc pvpara posyb"),
        text(
            frame(
                new Axis(Origin.MARGIN, Align.END, 0),
                new Axis(Origin.PAGE, Align.START, 0),
                Wrap.AROUND),
            "phmrg posxr pvpg posyt"));
  }

  @ParameterizedTest
  @MethodSource("paragraphs")
  void looksOfParagraphs(Said s) throws IOException {
    List<String> got = words(Samples.document(Paragraph.of(s.look(), "xyz")), "xyz");
    assertThat(got).containsSubsequence(s.words().split(" "));
    List<String> plain = words(Samples.document(Samples.paragraph("xyz")), "xyz");
    assertThat(plain).doesNotContainSequence(s.words().split(" "));
  }

  static Stream<Said> all() {
    return Stream.concat(texts(), paragraphs());
  }

  /** What is written in control words is read from them. */
  @ParameterizedTest
  @MethodSource("all")
  void looksAreReadBack(Said s) throws IOException {
    boolean ofText = TextTraits.OF_LETTERS.stream().anyMatch(s.look()::sets);
    Paragraph p =
        ofText ? Samples.runs("xyz", s.look()) : Samples.paragraph("xyz").withLook(s.look());
    var out = new ByteArrayOutputStream();
    RtfWriter.write(Samples.document(p, Samples.paragraph("z")), out);
    Document back = RtfWhole.read(out.toByteArray()).document();
    Paragraph got = back.paragraphs().getFirst();
    StyleSheet styles = back.styles();
    Look held =
        ofText
            ? styles.textLook(styles.textBase(got.look()), got.inlines().getFirst().look())
            : styles.paragraphLook(got.look());
    List<Trait<?>> traits = ofText ? TextTraits.OF_LETTERS : ParagraphTraits.OF_PARAGRAPHS;
    assertThat(s.look().over(held).differing(held, traits)).isEqualTo(Look.PLAIN);
  }

  private static Optional<Rule> rule(Rule.Kind kind) {
    return Optional.of(new Rule(kind, 1.5, new Colour(0x204060), 4));
  }

  @Test
  void linesAroundParagraphs() throws IOException {
    var rules =
        new Rules(
            rule(Rule.Kind.SINGLE),
            rule(Rule.Kind.DOUBLE),
            rule(Rule.Kind.DOTTED),
            rule(Rule.Kind.DASHED),
            Optional.empty(),
            Optional.empty());
    Look look =
        of(ParagraphTraits.RULES, rules).with(ParagraphTraits.SHADING, new Colour(0xEEEEDD));
    List<String> got = words(Samples.document(Paragraph.of(look, "xyz")), "xyz");
    for (String side : List.of("brdrt brdrs", "brdrl brdrdash", "brdrb brdrdot", "brdrr brdrdb")) {
      assertThat(got).containsSequence((side + " brdrw30 brsp80").split(" "));
    }
    assertThat(got).anyMatch(w -> w.matches("cbpat\\d+"));
    Look turned = look.with(ParagraphTraits.DIRECTION, ParagraphTraits.Direction.RIGHT_TO_LEFT);
    assertThat(words(Samples.document(Paragraph.of(turned, "xyz")), "xyz"))
        .as("the start is at the right")
        .containsSequence("brdrr", "brdrdash")
        .containsSequence("brdrl", "brdrdb");
  }

  @Test
  void tablesSayTheirPlaceRowsAndCells() throws IOException {
    var place =
        new Placement.Floating(
            new Axis(Origin.PAGE, Align.OFFSET, 72),
            new Axis(Origin.MARGIN, Align.CENTRE, 0),
            Wrap.AROUND,
            new Insets(5, 6, 7, 8),
            false);
    Look cell =
        of(TableTraits.SHADING, new Colour(0xDDDDDD))
            .with(TableTraits.VERTICAL_ALIGNMENT, VerticalAlignment.BOTTOM)
            .with(TableTraits.NO_WRAP, true);
    Look row =
        of(TableTraits.HEADER_ROW, true)
            .with(TableTraits.ROW_HEIGHT, 30.0)
            .with(TableTraits.ROW_EXACT, true)
            .with(TableTraits.ROW_SPLITS, false);
    Look look =
        of(TableTraits.PLACEMENT, (Placement) place)
            .with(TableTraits.FIXED_COLUMNS, true)
            .with(TableTraits.ALIGNMENT, ParagraphTraits.Alignment.CENTRE)
            .with(TableTraits.WIDTH, new Extent.Share(0.5));
    var table =
        new Table(
            NodeId.fresh(),
            look,
            List.of(100.0, 100.0),
            List.of(
                new Table.Row(
                    row,
                    List.of(
                        new Cell(NodeId.fresh(), 1, 1, cell, List.of(Samples.paragraph("a"))),
                        new Cell(NodeId.fresh(), 1, 1, cell, List.of(Samples.paragraph("b")))))));
    List<String> got = words(Samples.document(table, Samples.paragraph("z")), "");
    assertThat(got)
        .containsSubsequence(
            "trowd",
            "trrh-600",
            "trhdr",
            "trkeep",
            "trqc",
            "trautofit0",
            "tphpg",
            "tposx1440",
            "tpvmrg",
            "tposyc",
            "tdfrmtxtLeft160",
            "tdfrmtxtRight120",
            "tdfrmtxtTop100",
            "tdfrmtxtBottom140",
            "clvertalb",
            "clNoWrap");
    assertThat(got.stream().filter(w -> w.matches("clcbpat\\d+"))).hasSizeGreaterThanOrEqualTo(2);
  }
}
