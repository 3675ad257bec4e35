package decant.office.odf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import decant.format.Formats;
import decant.layout.label.ListLabels;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.model.look.Extent;
import decant.model.look.Link;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Placement;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.model.walk.Walk;
import decant.reading.ActiveContent;
import decant.reading.Limits;
import decant.reading.ReadProblem;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.crypto.Cipher;
import javax.crypto.spec.IvParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Markup written by hand after ODF 1.3 part 3, whose clauses stand beside what they say. */
class OdtReaderTest {
  @TempDir Path folder;

  private TakenIn flat(String styles, String automatic, String masters, String text)
      throws Exception {
    Path file = FlatOdt.write(folder.resolve("a.fodt"), styles, automatic, masters, text);
    assertThat(Formats.recognise(file).id()).isEqualTo("odt");
    return Formats.reader(Formats.recognise(file)).orElseThrow().read(ReadRequest.of(file));
  }

  private Document text(String text) throws Exception {
    return flat("", "", "", text).document();
  }

  private static List<String> texts(Document d) {
    return d.paragraphs().stream().map(Paragraph::text).toList();
  }

  /** §6.1.2: white space is one space, and none at the start; more of it stands as elements. */
  @Test
  void whiteSpaceIsCollapsed() throws Exception {
    Document d =
        text(
            "<text:p>\n  High \n <text:span> water</text:span><text:s text:c=\"3\"/>at<text:tab/>"
                + "six<text:line-break/>sharp</text:p>");
    assertThat(texts(d)).containsExactly("High water   at\tsix\nsharp");
  }

  /** Text that stands in no paragraph, or in one that is not looked for, is told. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "<text:span>Berth 14</text:span>",
        "<text:list><text:p>Berth 14</text:p></text:list>",
        "<table:table><table:table-row><text:p>Berth 14</text:p></table:table-row></table:table>",
        "<text:p>a<text:note><text:note-body><text:p>b<text:note><text:note-body>"
            + "<text:p>Berth 14</text:p></text:note-body></text:note></text:p></text:note-body>"
            + "</text:note></text:p>"
      })
  void textThatIsNotTakenIsALoss(String text) throws Exception {
    TakenIn t = flat("", "", "", text + "<text:p>c</text:p>");
    assertThat(t.findings())
        .filteredOn(f -> f.severity() == Finding.Severity.LOSS)
        .singleElement()
        .satisfies(f -> assertThat(f.message()).endsWith("“Berth 14”"));
  }

  /** Part 3, §3.17: what stands in an element that is not known is read. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "<x:more xmlns:x=\"urn:x\"><text:p>Berth 14</text:p></x:more>",
        "<text:p>a<x:more xmlns:x=\"urn:x\">Berth 14</x:more></text:p>",
        "<draw:frame text:anchor-type=\"page\" svg:width=\"3cm\"><draw:text-box>"
            + "<text:p>Berth 14</text:p></draw:text-box></draw:frame>"
      })
  void textInAnythingElseIsTaken(String text) throws Exception {
    TakenIn t = flat("", "", "", text + "<text:p>c</text:p>");
    var all = new ArrayList<>(texts(t.document()));
    t.document().stories().values().stream()
        .flatMap(s -> Walk.paragraphs(s.blocks()).stream())
        .forEach(p -> all.add(p.text()));
    assertThat(String.join(" ", all)).contains("Berth 14");
    assertThat(t.findings()).noneMatch(f -> f.severity() == Finding.Severity.LOSS);
  }

  /** §16.2, §20.186: sizes in percent are of the style below, and an automatic style is direct. */
  @Test
  void stylesStandOnOneAnother() throws Exception {
    Document d =
        flat(
                """
                <style:default-style style:family="paragraph">
                  <style:text-properties fo:font-size="10pt" fo:font-family="'Carlito'"/>
                </style:default-style>
                <style:style style:name="Standard" style:family="paragraph"/>
                <style:style style:name="Body_20_text" style:display-name="Body text"
                    style:family="paragraph" style:parent-style-name="Standard">
                  <style:paragraph-properties fo:margin-left="1in" fo:line-height="150%"/>
                  <style:text-properties fo:font-size="120%"/>
                </style:style>
                <style:style style:name="Key" style:family="text">
                  <style:text-properties fo:font-weight="bold"/>
                </style:style>
                """,
                """
                <style:style style:name="P1" style:family="paragraph"
                    style:parent-style-name="Body_20_text">
                  <style:paragraph-properties fo:text-align="end">
                    <style:tab-stops><style:tab-stop style:position="36pt"/></style:tab-stops>
                  </style:paragraph-properties>
                  <style:text-properties fo:color="#0b5c7a"/>
                </style:style>
                <style:style style:name="T1" style:family="text" style:parent-style-name="Key">
                  <style:text-properties fo:font-size="50%" style:text-position="super 58%"/>
                </style:style>
                """,
                "",
                "<text:p text:style-name=\"P1\">a<text:span text:style-name=\"T1\">b</text:span></text:p>")
            .document();
    Paragraph p = d.paragraphs().getFirst();
    Look look = d.styles().paragraphLook(p.look());
    assertThat(d.styles().style("Body_20_text").orElseThrow().name()).isEqualTo("Body text");
    assertThat(look.value(ParagraphTraits.INDENT_START)).isEqualTo(72);
    assertThat(look.value(ParagraphTraits.ALIGNMENT)).isEqualTo(ParagraphTraits.Alignment.END);
    // §17.8: stops stand at distances from the indent.
    assertThat(look.value(ParagraphTraits.TABS).getFirst().at()).isEqualTo(108);
    Look base = d.styles().textBase(p.look());
    assertThat(base.value(TextTraits.SIZE)).isCloseTo(12, within(0.01));
    assertThat(base.value(TextTraits.FAMILY)).isEqualTo("Carlito");
    Look b = d.styles().textLook(base, p.inlines().get(1).look());
    assertThat(b.value(TextTraits.BOLD)).isTrue();
    assertThat(b.value(TextTraits.SIZE)).isCloseTo(6, within(0.01));
    assertThat(b.value(TextTraits.RAISE)).isEqualTo(TextTraits.Raise.SUPERSCRIPT);
    assertThat(b.value(TextTraits.COLOUR).hex()).isEqualTo("0B5C7A");
  }

  /** §5.3: items carry one label; lists go on where they say so; headers carry none. */
  @Test
  void listsAreCounted() throws Exception {
    Document d =
        flat(
                "",
                """
                <text:list-style style:name="L1">
                  <text:list-level-style-number text:level="1" style:num-suffix="." style:num-format="1"/>
                  <text:list-level-style-number text:level="2" style:num-suffix=")"
                      style:num-format="a" text:display-levels="2"/>
                </text:list-style>
                """,
                "",
                """
                <text:list text:style-name="L1">
                  <text:list-header><text:p>none</text:p></text:list-header>
                  <text:list-item><text:p>one</text:p><text:p>still one</text:p>
                    <text:list><text:list-item><text:p>one a</text:p></text:list-item>
                      <text:list-item><text:p>one b</text:p></text:list-item></text:list>
                  </text:list-item>
                  <text:list-item><text:p>two</text:p></text:list-item>
                </text:list>
                <text:p>between</text:p>
                <text:list text:style-name="L1" text:continue-numbering="true">
                  <text:list-item><text:p>three</text:p></text:list-item>
                  <text:list-item text:start-value="9"><text:p>nine</text:p></text:list-item>
                </text:list>
                <text:list text:style-name="L1">
                  <text:list-item><text:p>anew</text:p></text:list-item>
                </text:list>
                """)
            .document();
    Map<String, String> labels = new java.util.LinkedHashMap<>();
    var of = ListLabels.of(d);
    d.paragraphs().forEach(p -> labels.put(p.text(), of.getOrDefault(p.id(), "")));
    assertThat(labels)
        .isEqualTo(
            Map.of(
                "none", "",
                "one", "1.",
                "still one", "",
                "one a", "1.a)",
                "one b", "1.b)",
                "two", "2.",
                "between", "",
                "three", "3.",
                "nine", "9.",
                "anew", "1."));
  }

  /** §9.1: spans, repeated columns, header rows; covered cells are none. */
  @Test
  void tablesKeepTheirGrid() throws Exception {
    Document d =
        flat(
                "",
                """
                <style:style style:name="T" style:family="table">
                  <style:table-properties table:align="left" style:width="4in" fo:margin-left="0.5in"/>
                </style:style>
                <style:style style:name="C" style:family="table-column">
                  <style:table-column-properties style:column-width="1in"/>
                </style:style>
                <style:style style:name="Z" style:family="table-cell">
                  <style:table-cell-properties fo:border="0.5pt solid #808080" fo:padding="2pt"
                      fo:border-bottom="none" style:vertical-align="middle" fo:background-color="#eeeeee"/>
                </style:style>
                """,
                "",
                """
                <table:table table:style-name="T">
                  <table:table-column table:style-name="C" table:number-columns-repeated="4"/>
                  <table:table-header-rows><table:table-row>
                    <table:table-cell table:style-name="Z" table:number-columns-spanned="2"><text:p>a</text:p></table:table-cell>
                    <table:covered-table-cell/>
                    <table:table-cell table:number-rows-spanned="2"><text:p>b</text:p></table:table-cell>
                    <table:table-cell/>
                  </table:table-row></table:table-header-rows>
                  <table:table-row>
                    <table:table-cell><text:p>c</text:p></table:table-cell>
                    <table:table-cell><text:p>d</text:p></table:table-cell>
                    <table:covered-table-cell/>
                    <table:table-cell><text:p>e</text:p></table:table-cell>
                  </table:table-row>
                </table:table>
                """)
            .document();
    Table t = (Table) d.sections().getFirst().blocks().getFirst();
    assertThat(t.columns()).containsExactly(72.0, 72.0, 72.0, 72.0);
    assertThat(t.look().value(TableTraits.INDENT)).isEqualTo(36);
    assertThat(t.look().value(TableTraits.WIDTH)).isEqualTo(new Extent.Points(288));
    assertThat(t.rows().getFirst().look().value(TableTraits.HEADER_ROW)).isTrue();
    assertThat(t.cellColumns()).isDeepEqualTo(new int[][] {{0, 2, 3}, {0, 1, 3}});
    Look z = t.rows().getFirst().cells().getFirst().look();
    assertThat(z.value(TableTraits.RULES).top().orElseThrow().width()).isEqualTo(0.5);
    assertThat(z.value(TableTraits.RULES).bottom().orElseThrow().isDrawn()).isFalse();
    assertThat(z.value(TableTraits.CELL_PADDING).left()).isEqualTo(2);
    assertThat(z.value(TableTraits.SHADING).hex()).isEqualTo("EEEEEE");
  }

  /** §16.9, §19.505: a master page followed by another is for the first page alone. */
  @Test
  void pagesBeginWithTheirMasterPages() throws Exception {
    Document d =
        flat(
                "",
                """
                <style:page-layout style:name="pm"><style:page-layout-properties
                    fo:page-width="210mm" fo:page-height="297mm" fo:margin-top="1cm" fo:margin-bottom="2cm"
                    fo:margin-left="2cm" fo:margin-right="2cm" style:num-format="i"/>
                  <style:header-style><style:header-footer-properties fo:min-height="2cm"
                      fo:margin-bottom="0.5cm"/></style:header-style></style:page-layout>
                <style:style style:name="P1" style:family="paragraph" style:master-page-name="First">
                  <style:paragraph-properties style:page-number="3"/></style:style>
                <style:style style:name="S" style:family="section"><style:section-properties>
                  <style:columns fo:column-count="2" fo:column-gap="0.5in"/></style:section-properties>
                </style:style>
                """,
                """
                <style:master-page style:name="Standard" style:page-layout-name="pm"/>
                <style:master-page style:name="First" style:page-layout-name="pm"
                    style:next-style-name="Rest"><style:header><text:p>Title</text:p></style:header></style:master-page>
                <style:master-page style:name="Rest" style:page-layout-name="pm">
                  <style:header><text:p>Harbour office</text:p></style:header>
                  <style:header-left><text:p>Left</text:p></style:header-left></style:master-page>
                """,
                """
                <text:p>Before</text:p><text:p text:style-name="P1">Chapter</text:p>
                <text:section text:style-name="S" text:name="s"><text:p>In columns</text:p></text:section>
                <text:p>After</text:p>
                """)
            .document();
    assertThat(d.sections()).hasSize(4);
    Section chapter = d.sections().get(1);
    assertThat(chapter.running().get(Section.Running.HEADER_FIRST).blocks())
        .extracting(b -> ((Paragraph) b).text())
        .containsExactly("Title");
    assertThat(chapter.running().keySet())
        .contains(Section.Running.HEADER, Section.Running.HEADER_EVEN);
    assertThat(chapter.page().numbers().start()).contains(3);
    double cm = 72 / 2.54;
    assertThat(chapter.page().margins().header()).isCloseTo(cm, within(0.01));
    assertThat(chapter.page().margins().top()).isCloseTo(3.5 * cm, within(0.01));
    assertThat(d.sections().getFirst().page().margins().top()).isCloseTo(cm, within(0.01));
    Section columns = d.sections().get(2);
    assertThat(columns.start()).isEqualTo(Section.Start.CONTINUOUS);
    assertThat(columns.page().columns().count()).isEqualTo(2);
    assertThat(d.sections().get(3).page().columns().count()).isEqualTo(1);
  }

  @Test
  void notesCommentsLinksAndFields() throws Exception {
    TakenIn t =
        flat(
            "",
            "",
            "",
            """
            <text:p>a<text:note text:note-class="footnote"><text:note-citation>1</text:note-citation>
              <text:note-body><text:p>low</text:p></text:note-body></text:note><office:annotation
              office:name="c"><dc:creator>R. Ibsen</dc:creator><text:p>why?</text:p></office:annotation>b</text:p>
            <text:p>c<office:annotation-end office:name="c"/>d<text:a
              xlink:href="#Tides|outline">e</text:a><text:page-number>9</text:page-number><text:sequence>4</text:sequence></text:p>
            <text:section text:display="none"><text:p>hidden</text:p></text:section>
            """);
    Document d = t.document();
    assertThat(texts(d)).startsWith("a\uFFFCb", "cde\uFFFC4");
    assertThat(d.stories().values())
        .extracting(s -> ((Paragraph) s.blocks().getFirst()).text())
        .containsExactly("\uFFFC low");
    List<Inline> second = d.paragraphs().get(1).inlines();
    assertThat(d.paragraphs().getFirst().inlines().getLast().look().value(TextTraits.COMMENTS))
        .extracting(c -> c.author() + ": " + c.text())
        .containsExactly("R. Ibsen: why?");
    assertThat(second.getFirst().look().sets(TextTraits.COMMENTS)).isTrue();
    assertThat(second.get(1).look().sets(TextTraits.COMMENTS)).isFalse();
    assertThat(second.get(2).look().value(TextTraits.LINK)).isEqualTo(new Link.Internal("Tides"));
    assertThat(((Inline.Field) second.get(3)).kind()).isEqualTo(Inline.Field.Kind.PAGE);
    assertThat(t.findings()).extracting(Finding::kind).contains(Finding.Kind.CONTENT_LEFT_OUT);
  }

  /** §10.4: frames by their anchors; a shape that turns turns around its middle. */
  @Test
  void framesStandWhereTheySay() throws Exception {
    Document d =
        flat(
                "",
                """
                <style:style style:name="g" style:family="graphic"><style:graphic-properties
                    style:wrap="none" style:horizontal-pos="center" style:horizontal-rel="page-content"
                    style:vertical-pos="from-top" style:vertical-rel="page" fo:margin-top="6pt"/></style:style>
                """,
                "",
                """
                <text:p><draw:frame draw:style-name="g" text:anchor-type="paragraph" svg:width="2in"
                    svg:y="1in"><draw:text-box fo:min-height="1in"><text:p>boxed</text:p></draw:text-box></draw:frame>
                  <draw:custom-shape text:anchor-type="char" svg:width="100pt" svg:height="40pt"
                    draw:transform="rotate (-1.5707963) translate (40pt 0pt)"/></text:p>
                """)
            .document();
    var box = (Inline.Shape) d.paragraphs().getFirst().inlines().getFirst();
    assertThat(box.content().grows()).isTrue();
    var at = (Placement.Floating) box.placement();
    assertThat(at.wrap()).isEqualTo(Placement.Wrap.ABOVE_AND_BELOW);
    assertThat(at.across())
        .isEqualTo(new Placement.Axis(Placement.Origin.MARGIN, Placement.Align.CENTRE, 0));
    assertThat(at.down().offset()).isEqualTo(72);
    assertThat(at.distance().top()).isEqualTo(6);
    var turned = (Inline.Shape) d.paragraphs().getFirst().inlines().getLast();
    assertThat(turned.rotation()).isCloseTo(90, within(0.01));
    // Its box before turning, around the same middle: (20, 50) by half of 100 and 40.
    var middle = (Placement.Floating) turned.placement();
    assertThat(middle.across().offset()).isCloseTo(-30, within(0.01));
    assertThat(middle.down().offset()).isCloseTo(30, within(0.01));
  }

  /** Text is not hidden below a frame of which nothing is said; what is drawn may lie on text. */
  @Test
  void textRunsAroundFramesIfNothingIsSaid() throws Exception {
    Document d =
        flat(
                "",
                "",
                "",
                """
                <text:p><draw:frame text:anchor-type="paragraph" svg:width="2in" svg:height="1in">
                    <draw:text-box><text:p>boxed</text:p></draw:text-box></draw:frame>
                  <draw:custom-shape text:anchor-type="paragraph" svg:width="9pt" svg:height="9pt"/></text:p>
                """)
            .document();
    assertThat(
            d.paragraphs().getFirst().inlines().stream()
                .filter(Inline.Shape.class::isInstance)
                .map(i -> ((Placement.Floating) ((Inline.Shape) i).placement()).wrap()))
        .containsExactly(Placement.Wrap.AROUND, Placement.Wrap.THROUGH);
  }

  private Path packed(Map<String, String> parts) throws IOException {
    Path file = folder.resolve("p.odt");
    try (OutputStream out = Files.newOutputStream(file);
        var zip = new ZipOutputStream(out)) {
      for (var p : parts.entrySet()) {
        zip.putNextEntry(new ZipEntry(p.getKey()));
        zip.write(p.getValue().getBytes(StandardCharsets.UTF_8));
        zip.closeEntry();
      }
    }
    return file;
  }

  /** An object goes back with the picture that stands in for it, shown or not, or without one. */
  @Test
  void objectsGoBackWhateverStandsInForThem() throws Exception {
    String frame =
        "<text:p><draw:frame svg:width=\"2cm\" svg:height=\"1cm\" text:anchor-type=\"as-char\">%s</draw:frame></text:p>";
    String object = "<draw:object xlink:href=\"./Object %d\"/>";
    String picture = "<draw:image xlink:href=\"./ObjectReplacements/Object %d\"/>";
    Document d =
        OdtReader.read(
                ReadRequest.of(
                    packed(
                        Map.of(
                            "mimetype",
                            "application/vnd.oasis.opendocument.text",
                            "content.xml",
                            "<office:document-content"
                                + FlatOdt.NAMESPACES
                                + " office:version=\"1.3\"><office:body><office:text>"
                                + frame.formatted(object.formatted(1) + picture.formatted(1))
                                + frame.formatted(object.formatted(2))
                                + "</office:text></office:body></office:document-content>",
                            "Object 1/content.xml",
                            "<x/>",
                            "Object 2/content.xml",
                            "<y/>",
                            "ObjectReplacements/Object 1",
                            "no picture that is known"))))
            .document();
    var out = new java.io.ByteArrayOutputStream();
    // Nothing of it acts: what it refers to is in the file.
    assertThat(ActiveContent.in(d)).isEmpty();
    assertThat(ActiveContent.without(d)).isSameAs(d);
    decant.office.odf.write.OdtWriter.write(d, out);
    Path back = Files.write(folder.resolve("back.odt"), out.toByteArray());
    try (var zip = new java.util.zip.ZipFile(back.toFile())) {
      String content =
          new String(
              zip.getInputStream(zip.getEntry("content.xml")).readAllBytes(),
              StandardCharsets.UTF_8);
      assertThat(content)
          .containsSubsequence(
              "draw:object xlink:href=\"./Object 1\"",
              "draw:image xlink:href=\"./ObjectReplacements/Object 1\"",
              "draw:object xlink:href=\"./Object 2\"");
      assertThat(zip.getEntry("Object 1/content.xml")).isNotNull();
      assertThat(zip.getEntry("Object 2/content.xml")).isNotNull();
      assertThat(zip.getEntry("ObjectReplacements/Object 1")).isNotNull();
    }
  }

  /** §14: what an equation says is in its own part, or in the frame; some have no picture. */
  @Test
  void equationsWithoutAPictureAreWrittenInALine() throws Exception {
    String math =
        "<math xmlns=\"http://www.w3.org/1998/Math/MathML\"><semantics><mrow><mfrac><mi>a</mi>"
            + "<mrow><mi>b</mi><mo>+</mo><mn>1</mn></mrow></mfrac></mrow>"
            + "<annotation>{a} over {b+1}</annotation></semantics></math>";
    String frame =
        "<text:p>x<draw:frame svg:width=\"2cm\" text:anchor-type=\"as-char\">%s</draw:frame></text:p>";
    Path file =
        packed(
            Map.of(
                "mimetype",
                "application/vnd.oasis.opendocument.text",
                "content.xml",
                "<office:document-content"
                    + FlatOdt.NAMESPACES
                    + " office:version=\"1.3\"><office:body><office:text>"
                    + frame.formatted("<draw:object xlink:href=\"./Object 1\"/>")
                    + frame.formatted("<draw:object>" + math + "</draw:object>")
                    + frame.formatted("<draw:object xlink:href=\"./Object 2\"/>")
                    + "</office:text></office:body></office:document-content>",
                "Object 1/content.xml",
                math,
                "Object 2/content.xml",
                "<chart/>"));
    TakenIn t = OdtReader.read(ReadRequest.of(file));
    assertThat(t.document().stories().values())
        .extracting(s -> ((Paragraph) s.blocks().getFirst()).text())
        .containsExactly("a/(b + 1)", "a/(b + 1)");
    assertThat(t.findings())
        .filteredOn(f -> f.severity() != Finding.Severity.NOTE)
        .extracting(Finding::message)
        .containsExactly(
            "An equation without a picture of it is shown as it is written in one line; it is kept"
                + " when you save as ODT.",
            "An equation without a picture of it is shown as it is written in one line; it is kept"
                + " when you save as ODT.",
            "A chart or other object has no picture in the file and is shown as an empty box; it is"
                + " kept when you save as ODT.");
    var out = new java.io.ByteArrayOutputStream();
    decant.office.odf.write.OdtWriter.write(t.document(), out);
    Path back = Files.write(folder.resolve("back.odt"), out.toByteArray());
    assertThat(decant.verify.office.OdtVerifier.verify(back, t.document()))
        .allMatch(decant.verify.Check::passed);
    assertThat(OdtReader.read(ReadRequest.of(back)).document().stories())
        .as("the equation itself went back")
        .hasSize(2);
  }

  @Test
  void badFilesAreToldInPlainWords() throws Exception {
    Path empty = packed(Map.of("mimetype", "application/vnd.oasis.opendocument.text"));
    assertThatThrownBy(() -> OdtReader.read(ReadRequest.of(empty)))
        .isInstanceOfSatisfying(
            ReadProblem.class, p -> assertThat(p.kind()).isEqualTo(ReadProblem.Kind.NOT_A_DOCUMENT))
        .hasMessage("There is no text document in this file.");
    Path cut = packed(Map.of("content.xml", "<office:document-content"));
    assertThatThrownBy(() -> OdtReader.read(ReadRequest.of(cut)))
        .isInstanceOf(ReadProblem.class)
        .hasMessageContaining("damaged");
    Path bomb = packed(Map.of("content.xml", " ".repeat(3 << 20)));
    assertThatThrownBy(() ->
            OdtReader.read(
                ReadRequest.of(bomb).withLimits(new Limits(1 << 30, 1 << 20, 400, 100, 40, 10))))
        .isInstanceOfSatisfying(
            ReadProblem.class, p -> assertThat(p.kind()).isEqualTo(ReadProblem.Kind.TOO_LARGE));
    Path deep =
        packed(
            Map.of(
                "content.xml",
                "<o:document-content xmlns:o=\"urn:oasis:names:tc:opendocument:xmlns:office:1.0\">"
                    + "<o:body><o:text>"
                    + "<a>".repeat(3000)
                    + "</a>".repeat(3000)
                    + "</o:text></o:body></o:document-content>"));
    assertThatThrownBy(() -> OdtReader.read(ReadRequest.of(deep))).isInstanceOf(ReadProblem.class);
  }

  /** Locked here by the ciphers of the platform, as ODF 1.3 part 2, §3.4, has it. */
  private Path locked(String password, String cipher, String text) throws Exception {
    byte[] content =
        ("<office:document-content"
                + FlatOdt.NAMESPACES
                + "><office:body><office:text><text:p>"
                + text
                + "</text:p></office:text></office:body></office:document-content>")
            .getBytes(StandardCharsets.UTF_8);
    var deflater = new Deflater(9, true);
    deflater.setInput(content);
    deflater.finish();
    byte[] packed = new byte[content.length + 100];
    packed = Arrays.copyOf(packed, deflater.deflate(packed));
    boolean aes = cipher.equals("AES");
    MessageDigest digest = MessageDigest.getInstance(aes ? "SHA-256" : "SHA-1");
    byte[] sum = digest.digest(Arrays.copyOf(packed, Math.min(1024, packed.length)));
    byte[] start = digest.digest(password.getBytes(StandardCharsets.UTF_8));
    byte[] salt = "saltsaltsaltsalt".getBytes(StandardCharsets.US_ASCII);
    int size = aes ? 32 : 16;
    byte[] key = OdfLock.key(start, salt, 1000, size);
    byte[] iv = new byte[aes ? 16 : 8];
    Cipher c = Cipher.getInstance(aes ? "AES/CBC/ISO10126Padding" : "Blowfish/CFB/NoPadding");
    c.init(Cipher.ENCRYPT_MODE, new SecretKeySpec(key, cipher), new IvParameterSpec(iv));
    byte[] enciphered = c.doFinal(packed);
    Base64.Encoder b = Base64.getEncoder();
    String manifest =
        "<manifest:manifest xmlns:manifest=\"urn:oasis:names:tc:opendocument:xmlns:manifest:1.0\">"
            + "<manifest:file-entry manifest:full-path=\"content.xml\" manifest:size=\""
            + content.length
            + "\"><manifest:encryption-data manifest:checksum-type=\""
            + (aes ? "urn:oasis:names:tc:opendocument:xmlns:manifest:1.0#sha256-1k" : "SHA1/1K")
            + "\" manifest:checksum=\""
            + b.encodeToString(sum)
            + "\"><manifest:algorithm manifest:algorithm-name=\""
            + (aes ? "http://www.w3.org/2001/04/xmlenc#aes256-cbc" : "Blowfish CFB")
            + "\" manifest:initialisation-vector=\""
            + b.encodeToString(iv)
            + "\"/><manifest:key-derivation manifest:key-derivation-name=\"PBKDF2\""
            + " manifest:key-size=\""
            + size
            + "\" manifest:iteration-count=\"1000\" manifest:salt=\""
            + b.encodeToString(salt)
            + "\"/>"
            + (aes
                ? "<manifest:start-key-generation manifest:start-key-generation-name="
                    + "\"http://www.w3.org/2000/09/xmldsig#sha256\" manifest:key-size=\"32\"/>"
                : "")
            + "</manifest:encryption-data></manifest:file-entry></manifest:manifest>";
    Path file = folder.resolve("locked.odt");
    try (OutputStream out = Files.newOutputStream(file);
        var zip = new ZipOutputStream(out)) {
      zip.putNextEntry(new ZipEntry("mimetype"));
      zip.write("application/vnd.oasis.opendocument.text".getBytes(StandardCharsets.US_ASCII));
      zip.putNextEntry(new ZipEntry("content.xml"));
      zip.write(enciphered);
      zip.putNextEntry(new ZipEntry("META-INF/manifest.xml"));
      zip.write(manifest.getBytes(StandardCharsets.UTF_8));
    }
    return file;
  }

  @ParameterizedTest
  @ValueSource(strings = {"AES", "Blowfish"})
  void lockedFilesAskForTheirPasswordAndOpenWithIt(String cipher) throws Exception {
    Path file = locked("hafen-ü", cipher, "Mooring charges");
    assertThatThrownBy(() -> OdtReader.read(ReadRequest.of(file)))
        .isInstanceOfSatisfying(
            ReadProblem.class, p -> assertThat(p.kind()).isEqualTo(ReadProblem.Kind.ENCRYPTED));
    assertThatThrownBy(() -> OdtReader.read(ReadRequest.of(file).withPassword("wrong")))
        .isInstanceOfSatisfying(
            ReadProblem.class,
            p -> assertThat(p.kind()).isEqualTo(ReadProblem.Kind.WRONG_PASSWORD));
    TakenIn t = OdtReader.read(ReadRequest.of(file).withPassword("hafen-ü"));
    assertThat(texts(t.document())).containsExactly("Mooring charges");
    assertThat(t.findings()).extracting(Finding::kind).contains(Finding.Kind.SOURCE_LOCKED);
  }

  /** The examples of RFC 6070, §2. */
  @ParameterizedTest
  @CsvSource({
    "password, salt, 1, 20, 0c60c80f961f0e71f3a9b524af6012062fe037a6",
    "password, salt, 4096, 20, 4b007901b765489abead49d926f721d065a429c1",
    "passwordPASSWORDpassword, saltSALTsaltSALTsaltSALTsaltSALTsalt, 4096, 25,"
        + " 3d2eec4fe41c849b80c8d83662c0e44a8b291a964cf2f07038"
  })
  void keysAreDerivedAsTheExamplesSay(
      String password, String salt, int rounds, int size, String key) throws Exception {
    assertThat(
            HexFormat.of()
                .formatHex(
                    OdfLock.key(
                        password.getBytes(StandardCharsets.US_ASCII),
                        salt.getBytes(StandardCharsets.US_ASCII),
                        rounds,
                        size)))
        .isEqualTo(key);
  }

  /** Links of contents lead to headings by their number and words, which common practice adds. */
  @Test
  void linksToHeadingsByTheirWordsLeadThere() throws Exception {
    Document d =
        text(
            "<text:p><text:a xlink:href=\"#1.Berth rules|outline\">Berth rules</text:a></text:p>"
                + "<text:p><text:a xlink:href=\"#1.1.Berth rules|outline\">Again</text:a></text:p>"
                + "<text:h text:outline-level=\"1\">Berth  rules</text:h>"
                + "<text:h text:outline-level=\"2\">Berth rules</text:h>");
    assertThat(d.bookmarks().get("1.Berth rules")).isEqualTo(d.paragraphs().get(2).id());
    assertThat(d.bookmarks().get("1.1.Berth rules")).isEqualTo(d.paragraphs().get(3).id());
  }

  @Test
  void linksThatLeadNowhereAreTold() throws Exception {
    String text =
        "<text:p><text:a xlink:href=\"#%s|outline\">Rules</text:a>"
            + "<text:a xlink:href=\"#\"> to the top</text:a></text:p>"
            + "<text:h text:outline-level=\"1\">Berth rules</text:h>";
    assertThat(flat("", "", "", text.formatted("1.Berth rules")).findings()).isEmpty();
    assertThat(flat("", "", "", text.formatted("2.Winter storage")).findings())
        .singleElement()
        .satisfies(f -> {
          assertThat(f.message()).contains("2.Winter storage");
          assertThat(f.kind()).isEqualTo(Finding.Kind.REMARK);
        });
  }
}
