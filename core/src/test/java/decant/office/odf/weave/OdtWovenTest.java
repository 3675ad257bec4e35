package decant.office.odf.weave;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Format;
import decant.format.Formats;
import decant.io.Untouchable;
import decant.layout.label.ListLabels;
import decant.model.Columns;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Section;
import decant.model.Selection;
import decant.model.Story;
import decant.model.Table;
import decant.model.edit.AnyEdit;
import decant.model.edit.Commands;
import decant.model.edit.Revision;
import decant.model.edit.TableEdits;
import decant.model.edit.section.PageEdits;
import decant.model.edit.section.Paper;
import decant.model.edit.section.RunningEdits;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.ParagraphTraits;
import decant.model.look.TextTraits;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import decant.office.odf.FlatOdt;
import decant.publish.Publisher;
import decant.publish.Receipt;
import decant.verify.Check;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A package of another maker with much in it that we do not know (ODF 1.3 part 3): what is not
 * touched stands as it stood, and what is written is what the document says.
 */
class OdtWovenTest {
  private static final Format ODT = Formats.of("odt").orElseThrow();
  private static final String NAMESPACES = FlatOdt.NAMESPACES + " xmlns:tide=\"urn:example:tide\"";

  private static final String HEAD = "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n";

  /** Unknown attributes and elements, changes, an index, lists, a table, a picture. */
  private static final String TEXT =
      """
      <text:tracked-changes><text:changed-region text:id="c1"><text:insertion><office:change-info><dc:creator>M</dc:creator><dc:date>2026-01-01T00:00:00</dc:date></office:change-info></text:insertion></text:changed-region></text:tracked-changes>
      <text:sequence-decls><text:sequence-decl text:display-outline-level="0" text:name="Table"/></text:sequence-decls>
      <text:table-of-content text:name="Index1" text:protected="true"><text:table-of-content-source text:outline-level="3"/><text:index-body><text:p text:style-name="Standard">Fees 1</text:p><text:p text:style-name="Standard">Storage 2</text:p></text:index-body></text:table-of-content>
      <text:h text:style-name="Heading" text:outline-level="1" tide:rises="twice">Fees</text:h>
      <text:p text:style-name="P1">A berth costs <text:change-start text:change-id="c1"/>much<text:change-end text:change-id="c1"/> a day.</text:p>
      <text:list text:style-name="L1"><text:list-item tide:at="noon"><text:p text:style-name="Standard">Oars</text:p></text:list-item><text:list-item><text:p text:style-name="Standard">Ropes</text:p></text:list-item></text:list>
      <table:table table:name="Depths" tide:gauge="7"><table:table-column table:number-columns-repeated="2"/><table:table-row tide:row="1"><table:table-cell><text:p text:style-name="Standard">North</text:p></table:table-cell><table:table-cell><text:p text:style-name="Standard">4 m</text:p></table:table-cell></table:table-row><table:table-row><table:table-cell><text:p text:style-name="Standard">South</text:p></table:table-cell><table:table-cell><text:p text:style-name="Standard">5 m</text:p></table:table-cell></table:table-row></table:table>
      <text:p text:style-name="Standard"><draw:frame text:anchor-type="as-char" svg:width="2cm" svg:height="1cm"><draw:image xlink:href="Pictures/quay.png"/></draw:frame></text:p>
      <text:p text:style-name="P1" tide:last="yes">The end.</text:p>
      """;

  private static final String CONTENT =
      HEAD
          + "<office:document-content"
          + NAMESPACES
          + " office:version=\"1.3\"><office:automatic-styles>"
          + "<style:style style:name=\"P1\" style:family=\"paragraph\" style:parent-style-name=\"Standard\">"
          + "<style:paragraph-properties fo:text-align=\"center\" tide:ebb=\"low\"/></style:style>"
          + "<text:list-style style:name=\"L1\"><text:list-level-style-bullet text:level=\"1\" text:bullet-char=\"–\"/></text:list-style>"
          + "</office:automatic-styles><office:body><office:text>"
          + TEXT.replaceAll(">\n *<", "><").strip()
          + "</office:text></office:body></office:document-content>";

  private static final String STYLES =
      HEAD
          + "<office:document-styles"
          + NAMESPACES
          + " office:version=\"1.3\"><office:styles>"
          + "<style:style style:name=\"Standard\" style:family=\"paragraph\" tide:style=\"1\"/>"
          + "<style:style style:name=\"Heading\" style:family=\"paragraph\" style:parent-style-name=\"Standard\"><style:text-properties fo:font-weight=\"bold\"/></style:style>"
          + "</office:styles><office:automatic-styles><style:page-layout style:name=\"Mpm1\"><style:page-layout-properties fo:page-width=\"21cm\" fo:page-height=\"29.7cm\" fo:margin-top=\"2cm\" fo:margin-bottom=\"2cm\" fo:margin-left=\"2cm\" fo:margin-right=\"2cm\" tide:paper=\"1\"/><style:header-style><style:header-footer-properties fo:min-height=\"0cm\" fo:margin-bottom=\"0.5cm\"/></style:header-style></style:page-layout></office:automatic-styles>"
          + "<office:master-styles><style:master-page style:name=\"Standard\" style:page-layout-name=\"Mpm1\" tide:page=\"1\"><style:header><text:p text:style-name=\"Standard\" tide:head=\"1\">Saltmarsh Quay</text:p><text:p text:style-name=\"Standard\">Harbour office</text:p></style:header></style:master-page></office:master-styles></office:document-styles>";

  private static final String META =
      HEAD
          + "<office:document-meta"
          + NAMESPACES
          + " office:version=\"1.3\"><office:meta><dc:title>Fees</dc:title>"
          + "<meta:user-defined meta:name=\"Quay\">North</meta:user-defined></office:meta></office:document-meta>";

  private static final String MANIFEST =
      HEAD
          + "<manifest:manifest xmlns:manifest=\"urn:oasis:names:tc:opendocument:xmlns:manifest:1.0\" manifest:version=\"1.3\">"
          + "<manifest:file-entry manifest:full-path=\"/\" manifest:media-type=\"application/vnd.oasis.opendocument.text\"/>"
          + "<manifest:file-entry manifest:full-path=\"content.xml\" manifest:media-type=\"text/xml\"/>"
          + "<manifest:file-entry manifest:full-path=\"styles.xml\" manifest:media-type=\"text/xml\"/>"
          + "<manifest:file-entry manifest:full-path=\"meta.xml\" manifest:media-type=\"text/xml\"/>"
          + "<manifest:file-entry manifest:full-path=\"Pictures/quay.png\" manifest:media-type=\"image/png\"/>"
          + "<manifest:file-entry manifest:full-path=\"tide/table.bin\" manifest:media-type=\"\"/>"
          + "</manifest:manifest>";

  @TempDir Path folder;
  private Document document;

  @BeforeEach
  void take() throws IOException {
    document = taken(CONTENT);
  }

  private static byte[] png(int side) throws IOException {
    var out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(side, side, BufferedImage.TYPE_INT_RGB), "png", out);
    return out.toByteArray();
  }

  private Document taken(String content) throws IOException {
    return taken(content, STYLES);
  }

  private Document taken(String content, String styles) throws IOException {
    var parts = new LinkedHashMap<String, byte[]>();
    parts.put("content.xml", content.getBytes(StandardCharsets.UTF_8));
    parts.put("styles.xml", styles.getBytes(StandardCharsets.UTF_8));
    parts.put("meta.xml", META.getBytes(StandardCharsets.UTF_8));
    parts.put("Pictures/quay.png", png(3));
    parts.put("tide/table.bin", new byte[] {1, 2, 3});
    parts.put("META-INF/manifest.xml", MANIFEST.getBytes(StandardCharsets.UTF_8));
    Path file = folder.resolve("source.odt");
    try (var zip = new ZipOutputStream(Files.newOutputStream(file))) {
      byte[] kind = "application/vnd.oasis.opendocument.text".getBytes(StandardCharsets.US_ASCII);
      var first = new ZipEntry("mimetype");
      var crc = new CRC32();
      crc.update(kind);
      first.setMethod(ZipEntry.STORED);
      first.setSize(kind.length);
      first.setCrc(crc.getValue());
      zip.putNextEntry(first);
      zip.write(kind);
      for (Map.Entry<String, byte[]> e : parts.entrySet()) {
        zip.putNextEntry(new ZipEntry(e.getKey()));
        zip.write(e.getValue());
      }
    }
    return Samples.taken(file).document();
  }

  /** What is written, by its parts; it must say what the document does. */
  private Map<String, String> written(Document d) throws IOException {
    Path file = folder.resolve("out.odt");
    try (OutputStream out = Files.newOutputStream(file)) {
      Formats.writer(ODT).write(d, out);
    }
    assertThat(Formats.verifier(ODT).verify(file, d)).allMatch(Check::passed);
    assertThat(words(Samples.taken(file).document())).isEqualTo(words(d));
    var parts = new LinkedHashMap<String, String>();
    try (var zip = new ZipFile(file.toFile())) {
      for (var e : java.util.Collections.list(zip.entries())) {
        try (InputStream in = zip.getInputStream(e)) {
          parts.put(e.getName(), new String(in.readAllBytes(), StandardCharsets.UTF_8));
        }
      }
    }
    return parts;
  }

  private static List<String> words(Document d) {
    return Walk.paragraphs(d, Part.ALL).stream()
        .map(Paragraph::text)
        .filter(t -> !t.isEmpty())
        .toList();
  }

  private Revision at(String words, int offset) {
    Paragraph p =
        Walk.paragraphs(document, Part.ALL).stream()
            .filter(q -> q.text().equals(words))
            .findFirst()
            .orElseThrow();
    return Revision.of(document).withSelection(Selection.at(new Position(p.id(), offset)));
  }

  private static String body(String content) {
    return content.substring(content.indexOf("<office:text>"));
  }

  @Test
  void onlyTheParagraphThatWasTypedInIsOther() throws IOException {
    Map<String, String> parts = written(Commands.insert(at("The end.", 4), "very ").document());
    String last = "<text:p text:style-name=\"P1\" tide:last=\"yes\">The end.</text:p>";
    String now = "<text:p text:style-name=\"d-P\\d\">The very end.</text:p>";
    assertThat(body(parts.get("content.xml")).replaceFirst(now, last)).isEqualTo(body(CONTENT));
    assertThat(parts.get("content.xml"))
        .contains("tide:ebb=\"low\"", "<style:style style:name=\"d-P");
    assertThat(parts.get("styles.xml")).isEqualTo(STYLES);
    assertThat(parts).containsKeys("tide/table.bin", "Pictures/quay.png");
    assertThat(parts.get("META-INF/manifest.xml")).contains("tide/table.bin");
  }

  /** In a list, a table and an index only the block that was typed in is other. */
  @Test
  void whatStandsAroundAChangeStands() throws IOException {
    Document d = document;
    for (String s : List.of("Ropes", "South", "Storage 2")) {
      document = d;
      d = Commands.insert(at(s, 1), "x").document();
    }
    String content = written(d).get("content.xml");
    assertThat(content)
        .contains(
            "<text:list-item tide:at=\"noon\"><text:p text:style-name=\"Standard\">Oars",
            "tide:gauge=\"7\"",
            "<table:table-row tide:row=\"1\">",
            "<text:table-of-content text:name=\"Index1\"",
            "<text:table-of-content-source text:outline-level=\"3\"/>",
            ">Rxopes<",
            ">Sxouth<",
            ">Sxtorage 2<")
        .contains("<text:list text:style-name=\"L1\">", "table:number-columns-repeated=\"2\"");
  }

  /** §5.5: what waits to be accepted still does where its paragraph is typed in. */
  @Test
  void changesOfTextThatIsOtherStayPending() throws IOException {
    String content =
        written(Commands.insert(at("A berth costs much a day.", 2), "x").document())
            .get("content.xml");
    assertThat(content)
        .contains(
            ">A xberth costs <text:change-start text:change-id=\"c1\"/>much"
                + "<text:change-end text:change-id=\"c1\"/> a day.<",
            "<text:changed-region text:id=\"c1\"><text:insertion>",
            "text:sequence-decls");
  }

  /** A change whose text is gone is told of no longer. */
  @Test
  void changesOfTextThatIsGoneGo() throws IOException {
    Revision r = at("A berth costs much a day.", 0);
    Position start = r.selection().caret();
    var all = new Selection(start, new Position(start.paragraph(), 25));
    Document gone = Commands.insert(r.withSelection(all), "Free.").document();
    String content = written(gone).get("content.xml");
    assertThat(content)
        .contains(">Free.<", "text:sequence-decls")
        .doesNotContain("text:change-start", "text:changed-region");
  }

  @Test
  void wordsOfHeadersChangeByThemselves() throws IOException {
    Map<String, String> parts =
        written(Commands.insert(at("Harbour office", 0), "The ").document());
    assertThat(parts.get("styles.xml"))
        .contains("tide:head=\"1\">Saltmarsh Quay<", ">The Harbour office<", "tide:page=\"1\"");
    assertThat(body(parts.get("content.xml"))).isEqualTo(body(CONTENT));
  }

  @Test
  void aHeaderMayCome() throws IOException {
    Section s = document.sections().getFirst();
    var story =
        new Story(
            decant.model.NodeId.fresh(), Story.Kind.RUNNING, List.of(Samples.paragraph("Foot")));
    Map<Section.Running, Story> running = new LinkedHashMap<>(s.running());
    running.put(Section.Running.FOOTER, story);
    var other = new Section(s.id(), s.page(), s.start(), running, s.blocks());
    String styles = written(document.withSections(List.of(other))).get("styles.xml");
    assertThat(styles).contains("Foot");
  }

  /** What was written, taken in again. */
  private Document back() throws IOException {
    return Samples.taken(folder.resolve("out.odt")).document();
  }

  private static List<String> papers(Document d) {
    return d.sections().stream()
        .map(s -> Math.round(s.page().width()) + "x" + Math.round(s.page().height()))
        .toList();
  }

  private static final long A5_HIGH = Math.round(Paper.A5.height());
  private static final long A5_WIDE = Math.round(Paper.A5.width());

  /** §16.5: of what a page is like, what was changed is other; the text around stands. */
  @Test
  void paperAndMarginsMayChange() throws IOException {
    Revision r = at("The end.", 0);
    r = PageEdits.size(r, true, Paper.A5.height(), Paper.A5.width());
    r = PageEdits.margins(r, true, m -> new PageSetup.Margins(80, 40, 50, 45, 60, 30));
    Map<String, String> parts = written(r.document());
    assertThat(papers(back())).containsExactly(A5_HIGH + "x" + A5_WIDE);
    PageSetup.Margins m = back().sections().getFirst().page().margins();
    assertThat(List.of(m.top(), m.right(), m.bottom(), m.left(), m.header()))
        .usingElementComparator((a, b) -> Math.abs(a - b) < 0.1 ? 0 : 1)
        .containsExactly(80.0, 40.0, 50.0, 45.0, 60.0);
    assertThat(parts.get("styles.xml")).contains("tide:paper=\"1\"", "tide:head=\"1\"");
    assertThat(parts.get("content.xml"))
        .as("all but the table, which is as wide as the paper lets it be")
        .contains("tide:rises=\"twice\"", "tide:at=\"noon\"", "tide:last=\"yes\"");
  }

  /** §16.5, §17.2: what comes to a page stands where it has to among what was there. */
  @Test
  void roomForHeadsAndColumnsStandsWhereItHasTo() throws IOException {
    document =
        taken(
            CONTENT,
            STYLES
                .replaceFirst("<style:header-style>.*?</style:header-style>", "")
                .replaceFirst(
                    "<style:header>.*?</style:header>",
                    "<style:footer><text:p>1</text:p></style:footer>")
                .replace(
                    "tide:paper=\"1\"/>",
                    "tide:paper=\"1\"><style:footnote-sep style:width=\"1pt\"/></style:page-layout-properties>"
                        + "<style:footer-style><style:header-footer-properties fo:min-height=\"10pt\"/></style:footer-style>"));
    Revision r = RunningEdits.go(at("The end.", 0), Section.Running.HEADER);
    r = PageEdits.columns(Commands.insert(r, "Quay"), true, Columns.equal(2, 18, false));
    String styles = written(r.document()).get("styles.xml");
    String merged = styles.substring(styles.indexOf("<style:page-layout style:name=\"d-"));
    assertThat(merged)
        .containsSubsequence(
            "<style:columns",
            "<style:footnote-sep",
            "<style:header-style>",
            "<style:footer-style>");
  }

  /** Heads that stand below where the text would begin push it down, in the file too. */
  @Test
  void headsMayStandLowerThanTheTextWouldBegin() throws IOException {
    Revision r =
        PageEdits.margins(
            at("The end.", 0), true, m -> new PageSetup.Margins(30, 40, 50, 45, 60, 30));
    written(r.document());
    assertThat(back().sections().getFirst().page().margins().header()).isBetween(59.9, 60.1);
  }

  /** §16.9: pages that come along do so beside those of the source, as often as it is done. */
  @Test
  void otherPagesMayBegin() throws IOException {
    Revision r = PageEdits.begin(at("A berth costs much a day.", 0));
    r = PageEdits.size(r, false, Paper.A5.width(), Paper.A5.height());
    Map<String, String> parts = written(r.document());
    assertThat(papers(back())).containsExactly("595x842", A5_WIDE + "x" + A5_HIGH);
    assertThat(parts.get("styles.xml")).contains("tide:page=\"1\"", "tide:head=\"1\"");
    assertThat(parts.get("content.xml")).contains("tide:rises=\"twice\"", "tide:last=\"yes\"");
    document = back();
    r = PageEdits.begin(at("The end.", 0));
    r = PageEdits.size(r, false, Paper.A5.height(), Paper.A5.width());
    parts = written(r.document());
    assertThat(papers(back()))
        .containsExactly("595x842", A5_WIDE + "x" + A5_HIGH, A5_HIGH + "x" + A5_WIDE);
    assertThat(parts.get("content.xml")).contains("tide:rises=\"twice\"", "tide:gauge=\"7\"");
  }

  /** A page whose name only a paragraph within a part of the text gives. */
  @Test
  void pagesThatBeginWithinAPartAreFound() throws IOException {
    document =
        taken(
            CONTENT
                .replace(
                    "<text:h text:style-name=\"Heading\"",
                    "<text:section text:name=\"Part\"><text:h text:style-name=\"H1\"")
                .replace("</text:h>", "</text:h></text:section>")
                .replaceFirst("<text:table-of-content .*?</text:table-of-content>", "")
                .replace(
                    "<style:style style:name=\"P1\"",
                    "<style:style style:name=\"H1\" style:family=\"paragraph\""
                        + " style:parent-style-name=\"Heading\" style:master-page-name=\"Book\"/>"
                        + "<style:style style:name=\"P1\""),
            STYLES.replace(
                "<style:master-page style:name=\"Standard\"",
                "<style:master-page style:name=\"Book\" style:page-layout-name=\"Mpm1\" tide:book=\"1\"/>"
                    + "<style:master-page style:name=\"Standard\""));
    Revision r = RunningEdits.go(at("The end.", 0), Section.Running.FOOTER);
    Map<String, String> parts = written(Commands.insert(r, "Quayside").document());
    assertThat(parts.get("styles.xml"))
        .as("in the book's own pages")
        .containsPattern("tide:book=\"1\"><style:footer>.*Quayside.*tide:page=\"1\"");
  }

  /** §19.497: a first page of its own comes to pages that the source tells of. */
  @Test
  void theFirstPageMayBecomeOther() throws IOException {
    Revision r = RunningEdits.go(at("The end.", 0), Section.Running.HEADER);
    Map<String, String> parts =
        written(RunningEdits.apart(r, RunningEdits.Apart.FIRST, true).document());
    assertThat(parts.get("styles.xml")).contains("tide:page=\"1\"");
    assertThat(parts.get("content.xml")).contains("tide:rises=\"twice\"", "tide:last=\"yes\"");
  }

  /** §16.38: headings that the source numbers by their levels are no items of lists. */
  @Test
  void headingsStayNumberedByTheirLevels() throws IOException {
    String outline =
        "<text:outline-style><text:outline-level-style text:level=\"1\""
            + " style:num-format=\"1\" style:num-suffix=\".\"/></text:outline-style>";
    document =
        taken(
            CONTENT.replace(
                "<text:p text:style-name=\"P1\" tide:last",
                "<text:h text:style-name=\"Heading\" text:outline-level=\"1\">Moorings</text:h>"
                    + "<text:p text:style-name=\"P1\" tide:last"),
            STYLES.replace("</office:styles>", outline + "</office:styles>"));
    Document typed = Commands.insert(at("Moorings", 8), " and buoys").document();
    String content = written(typed).get("content.xml");
    assertThat(content).contains("tide:rises=\"twice\"").doesNotContain("text:continue-list");
    assertThat(labels(back())).isEqualTo(labels(typed)).contains("1.", "2.");

    Document plain = Commands.setHeadingLevel(at("The end.", 0), 1).document();
    assertThat(written(plain).get("content.xml")).contains("tide:rises=\"twice\"");
    assertThat(labels(back())).isEqualTo(labels(plain)).doesNotContain("3.");
  }

  private static List<String> labels(Document d) {
    Map<NodeId, String> labels = ListLabels.of(d);
    return d.paragraphs().stream()
        .flatMap(p -> Optional.ofNullable(labels.get(p.id())).stream())
        .toList();
  }

  /** §13.5.15: a control is told of with its label once, wherever the text around it changes. */
  @Test
  void controlsOfFormsStandInTextThatIsTypedIn() throws IOException {
    String forms =
        "<office:forms xmlns:form=\"urn:oasis:names:tc:opendocument:xmlns:form:1.0\"><form:form form:name=\"F\"><form:radio form:name=\"r\" form:id=\"a1\""
            + " form:label=\"Noon\" tide:form=\"1\"/><form:radio form:name=\"r\" form:id=\"a2\""
            + " form:label=\"Dusk\"/></form:form></office:forms>";
    document =
        taken(
            CONTENT
                .replace("<office:text>", "<office:text>" + forms)
                .replace(
                    "A berth costs",
                    "<draw:control text:anchor-type=\"as-char\" svg:width=\"8pt\" svg:height=\"8pt\""
                        + " draw:control=\"a2\"/> A berth costs"));
    Paragraph p =
        document.paragraphs().stream()
            .filter(q -> q.text().contains("Dusk"))
            .findFirst()
            .orElseThrow();
    String content =
        written(Commands.insert(at(p.text(), p.text().length()), " Mind the tide.").document())
            .get("content.xml");
    assertThat(content).contains("tide:form=\"1\"", "draw:control=\"a2\"").containsOnlyOnce("Dusk");
  }

  /** §16.4: rows of ours may be divided where those of the source may not. */
  @Test
  void rowsThatComeAreDividedAsTheyWere() throws IOException {
    document =
        taken(
            CONTENT,
            STYLES.replace(
                "</office:styles>",
                "<style:default-style style:family=\"table-row\"><style:table-row-properties"
                    + " fo:keep-together=\"always\"/></style:default-style></office:styles>"));
    Revision r = TableEdits.insert(at("The end.", 8), 2, 2);
    assertThat(written(r.document()).get("content.xml"))
        .contains("tide:gauge=\"7\"", "fo:keep-together=\"auto\"");
  }

  /** §6.2.1: a place that links lead to stays where the end of what it marked goes. */
  @Test
  void marksOfPlacesStayWithoutTheirEnds() throws IOException {
    document =
        taken(
            CONTENT
                .replace(
                    "text:style-name=\"Standard\">Oars",
                    "text:style-name=\"Standard\"><text:bookmark-start text:name=\"oars\"/>Oars")
                .replace(
                    "Ropes</text:p>", "Ropes<text:bookmark-end text:name=\"oars\"/></text:p>"));
    String content = written(Commands.insert(at("Ropes", 5), "x").document()).get("content.xml");
    assertThat(content)
        .contains("tide:at=\"noon\"", "<text:bookmark text:name=\"oars\"/>Oars")
        .doesNotContain("bookmark-end");
  }

  @Test
  void picturesComeAndGo() throws IOException {
    Paragraph p =
        document.paragraphs().stream()
            .filter(q -> q.inlines().stream().anyMatch(i -> i instanceof Inline.Picture))
            .findFirst()
            .orElseThrow();
    Media m = Media.of("image/png", png(5));
    var inlines = List.<Inline>of(new Inline.Picture(m.id(), 30, 30, "a crane", Look.PLAIN));
    Map<String, String> parts =
        written(document.withMedia(m).withParagraph(p.withInlines(inlines)));
    assertThat(parts).doesNotContainKey("Pictures/quay.png");
    String name =
        parts.keySet().stream().filter(n -> n.startsWith("Pictures/")).findFirst().orElseThrow();
    assertThat(parts.get("content.xml")).contains("tide:gauge", name);
    assertThat(parts.get("META-INF/manifest.xml")).contains(name).doesNotContain("quay.png");
  }

  @Test
  void stylesAndWordsAboutItselfChangeOneByOne() throws IOException {
    var styles = document.styles();
    var heading = styles.style("Heading").orElseThrow();
    Document d =
        document
            .withStyles(
                styles.with(
                    heading.withLooks(
                        heading.paragraph(), heading.text().with(TextTraits.ITALIC, true))))
            .withMetadata(
                new decant.model.Metadata(
                    "Charges",
                    document.metadata().subject(),
                    document.metadata().author(),
                    document.metadata().keywords(),
                    document.metadata().language()));
    Map<String, String> parts = written(d);
    assertThat(parts.get("styles.xml")).contains("tide:style=\"1\"", "italic");
    assertThat(parts.get("meta.xml"))
        .contains("<dc:title>Charges</dc:title>", "meta:user-defined")
        .doesNotContain("<dc:title>Fees");
    assertThat(body(parts.get("content.xml"))).isEqualTo(body(CONTENT));
  }

  /** What acts does not come back with the source. */
  @Test
  void aSourceThatActsIsWrittenAloneAndThatIsTold() throws Exception {
    document =
        taken(
            CONTENT.replace(
                "A berth",
                "<text:script xmlns:script=\"x\" script:language=\"JS\">x()</text:script>A berth"));
    Document d = Commands.insert(at("The end.", 0), "x").document();
    assertThat(written(d).get("content.xml")).doesNotContain("text:script", "tide:");
    Receipt.Made saved =
        Publisher.workingCopy(d, folder.resolve("copy.odt"), false, Untouchable.inputs(List.of()));
    assertThat(saved.verified()).isTrue();
    assertThat(saved.remark()).get().asString().contains("copy.odt", "written anew");
  }

  /** Of a copy that holds all of the source there is nothing to be said. */
  @Test
  void aSourceWithWhatWasChangedHasNoRemark() throws Exception {
    Document d = Commands.insert(at("The end.", 0), "x").document();
    Receipt.Made saved =
        Publisher.workingCopy(d, folder.resolve("copy.odt"), false, Untouchable.inputs(List.of()));
    assertThat(saved.remark()).isEmpty();
    Document alone = Samples.document(Samples.paragraph("The tide is high."));
    saved =
        Publisher.workingCopy(
            alone, folder.resolve("alone.odt"), false, Untouchable.inputs(List.of()));
    assertThat(saved.remark()).isEmpty();
  }

  /** Whatever comes up: what is written says what the document says, and nearly always woven. */
  @Test
  void whateverComesUp() throws IOException {
    int woven = 0;
    int runs = 0;
    for (int seed = 0; seed < 25; seed++) {
      var random = new Random(seed);
      Revision r = Revision.of(document);
      for (int k = 0; k < 4; k++) {
        r = AnyEdit.of(r, random);
      }
      Document d = r.document();
      boolean framed =
          Walk.paragraphs(d, Part.ALL).stream().anyMatch(p -> p.look().sets(ParagraphTraits.FRAME));
      if (framed) {
        continue; // which the format has as boxes of text
      }
      runs++;
      woven += written(d).get("styles.xml").contains("tide:page") ? 1 : 0;
    }
    assertThat(runs).isGreaterThan(12);
    assertThat(woven).isGreaterThanOrEqualTo(runs * 8 / 10);
  }

  @Test
  void tablesKeepTheirRows() throws IOException {
    Table t = table(document);
    var rows = new ArrayList<>(t.rows());
    rows.removeFirst();
    Section s = document.sections().getFirst();
    var blocks = new ArrayList<>(s.blocks());
    blocks.set(blocks.indexOf(t), t.withRows(rows));
    Document d =
        document.withSections(
            List.of(new Section(s.id(), s.page(), s.start(), s.running(), blocks)));
    assertThat(written(d).get("content.xml"))
        .contains("tide:gauge=\"7\"", ">South<")
        .doesNotContain("tide:row");
  }

  private static Table table(Document d) {
    return (Table)
        d.sections().getFirst().blocks().stream()
            .filter(b -> b instanceof Table)
            .findFirst()
            .orElseThrow();
  }
}
