package decant.office.rtf.read;

import static org.assertj.core.api.Assertions.assertThat;

import decant.layout.label.ListLabels;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.ListDefinition;
import decant.model.look.Look;
import decant.model.look.NamedStyle;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.TextTraits;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Styles and tables of lists, written by hand after Rich Text Format 1.9.1. */
class RtfStylesTest {
  private static final String SHEET =
      """
      {\\stylesheet{\\ql\\sa160\\f0\\fs22\\lang2057 \\snext0 Normal;}
      {\\s1\\ql\\sb240\\keepn\\outlinelevel0\\tx1440\\f0\\fs32\\b\\cf1 \\sbasedon0\\snext0 heading 1;}
      {\\s2\\ql\\sa160\\brdrb\\brdrs\\brdrw10\\f0\\fs22\\i \\sbasedon0\\snext2 Notice;}
      {\\*\\cs10\\additive Default Paragraph Font;}{\\*\\cs11\\additive\\b\\cf1 Warning;}
      {\\*\\ts12\\tsrowd Table Normal;}}
      """;

  private static Look text(Document d, Paragraph p, int k) {
    Inline i = p.inlines().get(k);
    return d.styles().textLook(d.styles().textBase(p.look()), i.look());
  }

  @Test
  void stylesSayWhatIsNew() {
    Document d = RtfIn.read(SHEET + "\\pard\\plain\\s1 x\\par");
    NamedStyle normal = d.styles().style("s0").orElseThrow();
    NamedStyle heading = d.styles().style("s1").orElseThrow();
    assertThat(d.styles().defaultStyle()).isEqualTo("s0");
    assertThat(heading.name()).isEqualTo("heading 1");
    assertThat(heading.basedOn()).contains("s0");
    assertThat(heading.next()).contains("s0");
    assertThat(normal.text().value(TextTraits.SIZE)).isEqualTo(11);
    assertThat(normal.text().value(TextTraits.LANGUAGE)).isEqualTo("en-GB");
    assertThat(heading.text().value(TextTraits.SIZE)).isEqualTo(16);
    assertThat(heading.text().sets(TextTraits.FAMILY)).isFalse();
    assertThat(heading.paragraph().value(ParagraphTraits.SPACE_BEFORE)).isEqualTo(12);
    assertThat(heading.paragraph().value(ParagraphTraits.SPACE_AFTER))
        .as("not said again")
        .isZero();
    assertThat(heading.paragraph().sets(ParagraphTraits.SPACE_AFTER)).isTrue();
    assertThat(heading.paragraph().value(ParagraphTraits.HEADING_LEVEL)).isEqualTo(1);
    assertThat(d.styles().style("cs11").orElseThrow().kind()).isEqualTo(NamedStyle.Kind.CHARACTER);
    assertThat(d.styles().styles()).doesNotContainKey("s12");
  }

  /** A paragraph says all over again; what it says as its style does is left to that. */
  @Test
  void paragraphsSayWhatTheirStyleDoesNot() {
    Document d =
        RtfIn.read(
            SHEET
                + "\\pard\\plain\\s1\\ql\\sb240\\keepn\\outlinelevel0\\tx1440\\f0\\fs32\\b\\cf1 Fees\\par"
                + "\\pard\\plain\\s1\\qc\\sb240\\keepn\\f0\\fs32 Plain\\par"
                + "\\pard\\plain\\sa160\\f0\\fs22\\lang2057 A {\\cs11\\b\\cf1 warning\\i  now}\\par"
                + "\\pard\\plain\\s2\\sa160\\f0\\fs22\\i\\lang2057 No line\\par");
    List<Paragraph> all = d.paragraphs();
    assertThat(all.get(0).look()).isEqualTo(Look.of(ParagraphTraits.STYLE, "s1"));
    assertThat(all.get(0).inlines().getFirst().look()).isEqualTo(Look.PLAIN);
    assertThat(d.headingLevel(all.get(0))).isEqualTo(1);
    Look second = d.styles().paragraphLook(all.get(1).look());
    assertThat(second.value(ParagraphTraits.ALIGNMENT)).isEqualTo(Alignment.CENTRE);
    assertThat(d.headingLevel(all.get(1))).as("by its style").isEqualTo(1);
    assertThat(second.value(ParagraphTraits.TABS))
        .as("stops that it does not say again are none")
        .noneMatch(t -> t.kind() != TabStop.Kind.CLEAR);
    assertThat(text(d, all.get(1), 0).value(TextTraits.BOLD)).isFalse();
    assertThat(all.get(2).look()).isEqualTo(Look.PLAIN);
    assertThat(all.get(2).inlines().get(1).look())
        .isEqualTo(Look.of(TextTraits.CHARACTER_STYLE, "cs11"))
        .satisfies(l -> assertThat(text(d, all.get(2), 1).value(TextTraits.BOLD)).isTrue());
    assertThat(text(d, all.get(2), 2).value(TextTraits.ITALIC)).isTrue();
    assertThat(d.styles().paragraphLook(all.get(3).look()).value(ParagraphTraits.RULES).isDrawn())
        .isFalse();
  }

  private static final String LISTS =
      """
      {\\*\\listtable{\\list\\listtemplateid7\\listhybrid
      {\\listlevel\\levelnfc1\\leveljc2\\levelfollow1\\levelstartat3{\\leveltext\\'03(\\'00);}{\\levelnumbers\\'02;}\\b\\fi-360\\li720}
      {\\listlevel\\levelnfc0\\leveljc0\\levelfollow0\\levelstartat1{\\leveltext\\'03\\'00.\\'01;}{\\levelnumbers\\'01\\'03;}\\fi-360\\li1440}
      {\\listlevel\\levelnfc23\\levelstartat1{\\leveltext\\'01\\u-3913 ?;}{\\levelnumbers;}\\f1\\fi-360\\li2160}
      \\listid77}}
      {\\*\\listoverridetable{\\listoverride\\listid77\\listoverridecount0\\ls1}
      {\\listoverride\\listid77\\listoverridecount1{\\lfolevel\\listoverridestartat\\levelstartat9}\\ls2}}
      """;

  private static List<String> labelled(Document d) {
    var labels = ListLabels.of(d);
    return d.paragraphs().stream()
        .map(p -> labels.getOrDefault(p.id(), "").strip() + " " + p.text())
        .toList();
  }

  @Test
  void listsNumberThemselvesAsTheTablesSay() {
    Document d =
        RtfIn.read(
            LISTS
                + "\\pard\\ls1\\ilvl0\\fi-360\\li720 a\\par b\\par"
                + "\\pard\\ls1\\ilvl1\\fi-360\\li1440 c\\par"
                + "\\pard\\ls1\\ilvl2\\fi-360\\li2160 d\\par"
                + "\\pard\\ls2\\ilvl0\\fi0\\li0 e\\par");
    assertThat(labelled(d)).containsExactly("(III) a", "(IV) b", "IV.1 c", "• d", "(IX) e");
    Paragraph first = d.paragraphs().getFirst();
    ListDefinition list = d.lists().get(first.look().value(ParagraphTraits.LIST).list());
    ListDefinition.Level level = list.level(0);
    assertThat(level.follow()).isEqualTo(ListDefinition.Follow.SPACE);
    assertThat(level.alignment()).isEqualTo(Alignment.END);
    assertThat(level.label().value(TextTraits.BOLD)).isTrue();
    assertThat(level.paragraph().value(ParagraphTraits.INDENT_START)).isEqualTo(36);
    assertThat(first.look().sets(ParagraphTraits.INDENT_START)).as("the level says so").isFalse();
    Look e = d.styles().paragraphLook(d.paragraphs().getLast().look(), Look.PLAIN, d.lists());
    assertThat(e.value(ParagraphTraits.INDENT_START)).as("it says otherwise").isZero();
    assertThat(d.lists()).hasSize(2);
  }

  /** The labels beside items are what was seen: a table that counts otherwise is not believed. */
  @Test
  void labelsThatSayOtherwiseAreBelieved() {
    Document d =
        RtfIn.read(
            LISTS
                + "\\pard\\ls1\\ilvl0\\li720{\\listtext\\tab (III)\\tab}a\\par"
                + "{\\listtext (XX)\\tab}b\\par");
    assertThat(labelled(d)).containsExactly("(III) a", "(XX) b");
    Document same =
        RtfIn.read(
            LISTS
                + "\\pard\\ls1\\ilvl0\\li720{\\listtext (III)\\tab}a\\par"
                + "{\\listtext (IV)\\tab}b\\par");
    assertThat(labelled(same)).containsExactly("(III) a", "(IV) b");
    assertThat(same.lists()).hasSize(1);
    assertThat(same.lists().values().iterator().next().level(0).start()).isEqualTo(3);
  }

  /** Broken tables: numbers that name nothing, levels without text, lists without levels. */
  @Test
  void brokenTablesOfListsDoNoHarm() {
    Document d =
        RtfIn.read(
            "{\\*\\listtable{\\list{\\listlevel\\levelnfc0{\\leveltext;}}\\listid5}{\\list\\listid6}}"
                + "{\\*\\listoverridetable{\\listoverride\\listid5\\ls1}{\\listoverride\\listid6\\ls2}"
                + "{\\listoverride\\listid999\\ls3}{\\lfolevel\\levelstartat4}}"
                + "\\pard\\ls1 a\\par\\pard\\ls2 b\\par\\pard\\ls3 c\\par\\pard\\ls4 d\\par");
    assertThat(RtfIn.texts(d)).containsExactly("a", "b", "c", "d");
  }
}
