package decant.office.odf;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.Rich;
import decant.layout.label.ListLabels;
import decant.model.Block;
import decant.model.Columns;
import decant.model.Document;
import decant.model.NodeId;
import decant.model.PageNumbers;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.ListDefinition;
import decant.model.look.ListDefinition.NumberFormat;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.TextFrame;
import decant.model.look.TextTraits;
import decant.office.Everything;
import decant.office.odf.write.OdtWriter;
import decant.reading.ReadRequest;
import decant.verify.Check;
import decant.verify.office.OdtVerifier;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** ODT as it is written: conforming, complete, and the same document when it is taken in again. */
class OdtWriterTest {
  @TempDir Path folder;

  private Path written(String name, Document d) throws IOException {
    Path file = folder.resolve(name + ".odt");
    try (OutputStream out = Files.newOutputStream(file)) {
      OdtWriter.write(d, out);
    }
    return file;
  }

  private static Document read(Path file) throws Exception {
    return OdtReader.read(ReadRequest.of(file)).document();
  }

  private static List<String> failed(Path file, Document d) {
    return OdtVerifier.verify(file, d).stream()
        .filter(c -> !c.passed())
        .map(c -> c.name() + ": " + c.detail())
        .toList();
  }

  @Test
  void filesConformToTheStandard() throws Exception {
    Path demo = written("demo", Samples.demo("Winter storage notice.docx").document());
    Path rich = written("rich", Everything.document());
    Path varied = written("varied", Rich.varied(7, 60));
    assertThat(OdfValidator.errors(List.of(demo, rich, varied))).isEmpty();
  }

  @Test
  void theValidatorSeesWhatIsWrong() throws Exception {
    Path file = written("wrong", Everything.document());
    tampered(
        file,
        "content.xml",
        s -> s.replace("text:note-class=\"footnote\"", "text:note-class=\"foot\""));
    assertThat(OdfValidator.errors(List.of(file))).isNotEmpty();
  }

  @Test
  void allThatADocumentHoldsIsInTheFileAndComesBack() throws Exception {
    for (Document d :
        List.of(
            Samples.demo("Winter storage notice.docx").document(),
            Everything.document(),
            Rich.varied(3, 90))) {
      Path file = written("a", d);
      assertThat(failed(file, d)).isEmpty();
      assertThat(failed(file, read(file))).isEmpty();
    }
  }

  @ParameterizedTest
  @CsvSource({"1", "2", "3", "4", "5", "6"})
  void pagesAreTheSameAfterARoundTrip(long seed) throws Exception {
    Document d = withWidths(Rich.varied(seed, 45));
    assertThat(places(read(written("a", d)))).isEqualTo(places(d));
  }

  /**
   * The format has no columns as wide as what stands in them: all tables say how wide theirs are.
   */
  private static Document withWidths(Document d) {
    return Document.of(
        d.metadata(),
        d.styles(),
        d.lists(),
        d.sections().stream()
            .map(s ->
                s.withBlocks(
                    s.blocks().stream()
                        .<Block>map(b ->
                            b instanceof Table t
                                ? new Table(t.id(), t.look(), List.of(60.0, 120.0), t.rows())
                                : b)
                        .toList()))
            .toList(),
        d.stories(),
        d.media(),
        List.of());
  }

  /**
   * Where all of a document stands, to a tenth of a point; of its paper what can be seen, since
   * where a header would stand that is not there is told by no file.
   */
  private static List<String> places(Document d) {
    var names = new HashMap<String, String>();
    var out = new ArrayList<String>();
    for (String s : Rich.shape(Samples.layout(d))) {
      String seen = s.replaceAll("header=[^\\]]*|numbers=.*", "");
      seen =
          Pattern.compile("#\\d+")
              .matcher(seen)
              .replaceAll(m -> names.computeIfAbsent(m.group(), k -> "n" + names.size()));
      out.add(
          Pattern.compile("\\d+\\.\\d+")
              .matcher(seen)
              .replaceAll(m -> Long.toString(Math.round(10 * Double.parseDouble(m.group())))));
    }
    return out;
  }

  @Test
  void looksOfTextAndParagraphsComeBack() throws Exception {
    Document d = Everything.document();
    Document back = read(written("a", d));
    List<Paragraph> was = d.paragraphs();
    List<Paragraph> is = back.paragraphs();
    for (int k = 0; k < 4; k++) {
      Look a = d.styles().paragraphLook(was.get(k).look());
      Look b = back.styles().paragraphLook(is.get(k).look());
      for (var t :
          List.of(
              ParagraphTraits.SHADING,
              ParagraphTraits.LINE_PITCH,
              ParagraphTraits.BOOKMARKS,
              ParagraphTraits.HEADING_LEVEL,
              ParagraphTraits.TABS)) {
        assertThat(b.value(t)).as(t + " of " + k).isEqualTo(a.value(t));
      }
    }
    Rule frame =
        back.styles()
            .paragraphLook(is.get(3).look())
            .value(ParagraphTraits.RULES)
            .top()
            .orElseThrow();
    assertThat(frame.kind()).isEqualTo(Rule.Kind.DOUBLE);
    assertThat(frame.width()).isCloseTo(0.5, org.assertj.core.api.Assertions.within(0.01));
    assertThat(frame.space()).isEqualTo(3);
    Look last = is.get(2).inlines().getLast().look();
    assertThat(last.value(TextTraits.HIGHLIGHT)).isEqualTo(new Colour(0xFFF4C2));
    assertThat(last.value(TextTraits.LANGUAGE)).isEqualTo("de-AT");
    assertThat(is.get(2).inlines().get(3).look().value(TextTraits.SHIFT))
        .isCloseTo(3, org.assertj.core.api.Assertions.within(0.02));
    assertThat(back.sections().getLast().page().numbers())
        .isEqualTo(new PageNumbers(Optional.of(5), NumberFormat.LOWER_ROMAN));
    assertThat(back.sections().getLast().start()).isEqualTo(Section.Start.ODD_PAGE);
    assertThat(back.sections().get(1).page().columns()).isEqualTo(Columns.equal(2, 18, true));
  }

  /** A frame is written with the paragraph after it, so that lists in it stand apart. */
  @ParameterizedTest
  @ValueSource(strings = {"2", "3", "4", "2 3", "1", "1 4", "2 4"})
  void itemsInFramesHaveTheirNumbers(String framed) throws Exception {
    Set<String> inFrames = Set.of(framed.split(" "));
    var level = new ListDefinition.Level(NumberFormat.DECIMAL, "%1.", 1, Look.PLAIN, Look.PLAIN);
    var below = new ListDefinition.Level(NumberFormat.DECIMAL, "%2)", 1, Look.PLAIN, Look.PLAIN);
    var place =
        new Placement.Floating(
            new Placement.Axis(Placement.Origin.COLUMN, Placement.Align.OFFSET, 0),
            new Placement.Axis(Placement.Origin.PARAGRAPH, Placement.Align.OFFSET, 0),
            Placement.Wrap.AROUND,
            Insets.NONE,
            false);
    var blocks = new ArrayList<Block>();
    for (int k = 1; k <= 5; k++) {
      Look item = Look.of(ParagraphTraits.LIST, new ListMembership("a", k == 3 ? 1 : 0));
      blocks.add(
          Paragraph.of(
              inFrames.contains(Integer.toString(k))
                  ? item.with(ParagraphTraits.FRAME, new TextFrame(120, 0, false, place))
                  : item,
              "Item " + k));
    }
    Document d =
        Samples.document(blocks.toArray(Block[]::new))
            .withLists(Map.of("a", new ListDefinition("a", List.of(level, below))));
    Path file = written("a", d);
    assertThat(failed(file, d)).isEmpty();
    assertThat(OdfValidator.errors(List.of(file))).isEmpty();
    Document back = read(file); // with a box in place of the frame
    assertThat(labels(back)).isSubsetOf(labels(d));
    assertThat(labels(back)).hasSize(5 - inFrames.size());
    assertThat(failed(written("b", back), back)).isEmpty();
  }

  private static List<String> labels(Document d) {
    Map<NodeId, String> all = ListLabels.of(d);
    return d.paragraphs().stream()
        .map(p -> all.getOrDefault(p.id(), "") + " " + p.text().replace("\uFFFC", ""))
        .toList();
  }

  @Test
  void listsThatCountOnAcrossOthersSayTheirNumbers() throws Exception {
    Look none = Look.PLAIN;
    var level = new ListDefinition.Level(NumberFormat.DECIMAL, "%1.", 1, none, none);
    var below = new ListDefinition.Level(NumberFormat.DECIMAL, "%1.%2", 1, none, none);
    var lists =
        Map.of(
            "a", new ListDefinition("a", "s", Set.of(), List.of(level, below)),
            "b", new ListDefinition("b", "s", Set.of(0), List.of(level.from(7), below)));
    var blocks = new ArrayList<Block>();
    for (String i : List.of("a0", "a1", "-", "a1", "b0", "b1", "a0", "-", "a1")) {
      blocks.add(
          i.equals("-")
              ? Samples.paragraph("between")
              : Paragraph.of(
                  Look.of(
                      ParagraphTraits.LIST,
                      new ListMembership(i.substring(0, 1), i.charAt(1) - '0')),
                  "item"));
    }
    Document d = Document.of(Samples.styles(), blocks).withLists(lists);
    Path file = written("a", d);
    assertThat(failed(file, d)).isEmpty(); // labels too, counted by the verifier's own hand
    assertThat(failed(file, read(file))).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({
    "content.xml|Mooring charges|Mooring fees|words",
    "content.xml|text:outline-level=\"1\"|text:outline-level=\"2\"|a heading's level",
    "content.xml|xlink:href=\"#charges\"|xlink:href=\"#fees\"|a link",
    "content.xml|A note at the foot.|A note.|a note",
    "content.xml|Still so?|Yes.|a comment",
    "content.xml|fo:color=\"#1e7a3c\"|fo:color=\"#1e7a3d\"|a colour",
    "content.xml|text:reference-format=\"page\"|text:reference-format=\"text\"|nothing that is seen",
    "content.xml|In a box|In the box|the text of a box",
    "content.xml|<text:page-number|<text:page-count|nothing: it is in another part",
    "styles.xml|Harbour office|Harbour|a header",
    "styles.xml|<text:page-number text:select-page=\"current\">1</text:page-number>|1|a field",
    "content.xml|text:start-value=\"2\"|text:start-value=\"3\"|a number"
  })
  void theVerifierSeesWhatChanged(String row) throws Exception {
    String[] c = row.split("\\|");
    Document d = Everything.document();
    Path file = written("a", d);
    boolean changed = tampered(file, c[0], s -> s.replace(c[1], c[2]));
    assertThat(failed(file, d).isEmpty()).as(c[3]).isEqualTo(c[3].startsWith("nothing"));
    assertThat(changed).isEqualTo(!c[3].startsWith("nothing: "));
  }

  @Test
  void aPictureThatIsExchangedIsSeen() throws Exception {
    Document d = Everything.document();
    Path file = written("a", d);
    try (FileSystem zip = FileSystems.newFileSystem(file);
        var pictures = Files.list(zip.getPath("Pictures"))) {
      Files.write(pictures.findFirst().orElseThrow(), new byte[] {1, 2, 3});
    }
    assertThat(OdtVerifier.verify(file, d)).anyMatch(k -> !k.passed());
    Files.writeString(file, "no package");
    assertThat(OdtVerifier.verify(file, d)).extracting(Check::passed).containsExactly(false);
  }

  @Test
  void templatesSayThatTheyAre() throws Exception {
    Path file = folder.resolve("t.ott");
    try (OutputStream out = Files.newOutputStream(file)) {
      OdtWriter.writeTemplate(Everything.document(), out);
    }
    assertThat(OdfValidator.errors(List.of(file))).isEmpty();
    assertThat(Files.readString(file, StandardCharsets.ISO_8859_1))
        .contains("application/vnd.oasis.opendocument.text-template");
    assertThat(failed(file, read(file))).isEmpty();
  }

  @Test
  void equalDocumentsAreEqualFiles() throws Exception {
    Document d = Everything.document();
    assertThat(written("a", d)).hasSameBinaryContentAs(written("b", d));
    byte[] head = Files.readAllBytes(folder.resolve("a.odt"));
    // ODF 1.3 part 2, §3.3: the type stands first, as it is, so that it is found without unpacking.
    assertThat(new String(head, 30, 8 + 39, StandardCharsets.US_ASCII))
        .isEqualTo("mimetypeapplication/vnd.oasis.opendocument.text");
  }

  private static boolean tampered(Path file, String part, UnaryOperator<String> change)
      throws IOException {
    try (FileSystem zip = FileSystems.newFileSystem(file)) {
      Path p = zip.getPath(part);
      String was = Files.readString(p);
      String is = change.apply(was);
      Files.writeString(p, is);
      return !was.equals(is);
    }
  }
}
