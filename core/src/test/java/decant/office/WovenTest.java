package decant.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Formats;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.office.docx.write.DocxWriter;
import decant.reading.ActiveContent;
import decant.reading.TakenIn;
import decant.recovery.UnsavedWork;
import decant.recovery.WorkFile;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipFile;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.apache.poi.xwpf.usermodel.XWPFParagraph;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What was not touched in a DOCX stands in the saved one as it stood. */
class WovenTest extends MadeDocx {
  private static final String SECTION =
      "<w:sectPr><w:pgSz w:w=\"11906\" w:h=\"16838\"/><w:pgMar w:top=\"1440\" w:right=\"1440\""
          + " w:bottom=\"1440\" w:left=\"1440\" w:header=\"708\" w:footer=\"708\" w:gutter=\"0\"/>"
          + "<w:cols w:space=\"708\"/><w:formProt w:val=\"0\"/><w:docGrid w:linePitch=\"360\"/></w:sectPr>";

  /** Nothing of these do we know: ruby, East Asian settings, marks of other programs. */
  private static final String UNKNOWN =
      "<w:p w:rsidR=\"00AA00AA\"><w:pPr><w:kinsoku w:val=\"0\"/><w:textAlignment w:val=\"top\"/></w:pPr>"
          + "<w:r><w:rPr><w:eastAsianLayout w:combine=\"1\"/></w:rPr><w:t>Berth</w:t></w:r>"
          + "<w:proofErr w:type=\"spellStart\"/><w:r><w:ruby><w:rubyPr><w:rubyAlign w:val=\"center\"/>"
          + "<w:hps w:val=\"12\"/><w:hpsRaise w:val=\"20\"/><w:hpsBaseText w:val=\"24\"/>"
          + "<w:lid w:val=\"ja-JP\"/></w:rubyPr><w:rt><w:r><w:t>minato</w:t></w:r></w:rt>"
          + "<w:rubyBase><w:r><w:t>port</w:t></w:r></w:rubyBase></w:ruby></w:r></w:p>";

  private static String p(String text) {
    return "<w:p w:rsidR=\"00BB00BB\"><w:pPr><w:kinsoku w:val=\"0\"/></w:pPr><w:r w:rsidR=\"1\"><w:rPr>"
        + "<w:em w:val=\"dot\"/></w:rPr><w:t>"
        + text
        + "</w:t></w:r></w:p>";
  }

  private Map<String, String> saved(Document d) throws IOException {
    return parts(file(d));
  }

  private Path file(Document d) throws IOException {
    Path file = folder.resolve("saved" + files++ + ".docx");
    try (OutputStream out = Files.newOutputStream(file)) {
      Formats.writer(Formats.working()).write(d, out);
    }
    return file;
  }

  private static Map<String, String> parts(Path file) throws IOException {
    var out = new LinkedHashMap<String, String>();
    try (var zip = new ZipFile(file.toFile())) {
      for (var e : java.util.Collections.list(zip.entries())) {
        out.put(
            e.getName(),
            new String(zip.getInputStream(e).readAllBytes(), StandardCharsets.ISO_8859_1));
      }
    }
    return out;
  }

  private static Document typed(Document d, int paragraph, String more) {
    Paragraph p = d.paragraphs().get(paragraph);
    var inlines = new ArrayList<>(p.inlines());
    Inline.Text last = (Inline.Text) inlines.removeLast();
    inlines.add(new Inline.Text(last.text() + more, last.look()));
    return d.withParagraph(p.withInlines(inlines));
  }

  private Map<String, String> source() throws IOException {
    return untyped(parts(folder.resolve("made" + (files - 1) + ".docx")));
  }

  /** Without what says what kind of file it is: files made here do not say it, ours do. */
  private static Map<String, String> untyped(Map<String, String> parts) {
    parts.remove("[Content_Types].xml");
    return parts;
  }

  @Test
  void aDocumentThatWasNotTouchedIsTheSamePartForPart() throws IOException {
    Document d = read(p("one") + UNKNOWN + SECTION);
    Map<String, String> source = source();
    assertThat(untyped(saved(d))).isEqualTo(source);
  }

  @Test
  void whereOneParagraphIsTypedInTheOthersStandAsTheyStood() throws IOException {
    Document d = read(p("one") + UNKNOWN + p("two") + SECTION);
    String xml = saved(typed(d, 2, " more")).get("word/document.xml");
    assertThat(xml)
        .contains(UNKNOWN.replace("\"00AA00AA\"", "\"00AA00AA\""))
        .contains(p("one"))
        .contains(SECTION)
        .contains("two more")
        .doesNotContain(p("two"));
  }

  /** The paragraph that is typed in keeps what we know nothing of, too. */
  @Test
  void theParagraphThatIsTypedInKeepsItsLooks() throws IOException {
    String xml = saved(typed(read(p("one") + SECTION), 0, " more")).get("word/document.xml");
    assertThat(xml)
        .contains("<w:p w:rsidR=\"00BB00BB\"><w:pPr><w:kinsoku w:val=\"0\"/></w:pPr>")
        .containsPattern("<w:em w:val=\"dot\"/></w:rPr><w:t[^>]*>one more</w:t>");
  }

  @Test
  void aLookThatIsChangedChangesThatAlone() throws IOException {
    Document d = read(p("one") + SECTION);
    Paragraph first = first(d);
    Document changed =
        d.withParagraph(first.withLook(first.look().with(ParagraphTraits.SPACE_AFTER, 12.0)));
    assertThat(saved(changed).get("word/document.xml"))
        .containsPattern(
            "<w:pPr><w:kinsoku w:val=\"0\"/><w:spacing [^>]*w:after=\"240\"[^>]*/></w:pPr>"
                + "<w:r w:rsidR=\"1\"><w:rPr><w:em w:val=\"dot\"/></w:rPr><w:t>one</w:t></w:r>");
  }

  @Test
  void aParagraphThatIsGoneIsGone() throws IOException {
    Document d = read(p("one") + p("secret") + p("two") + SECTION);
    Document without = d.withBlocks(d.sections().getFirst().id(), 1, 2, List.of());
    assertThat(saved(without).get("word/document.xml"))
        .doesNotContain("secret")
        .contains(p("one") + p("two") + SECTION);
  }

  @Test
  void aParagraphThatIsNewStandsWhereItBelongs() throws IOException {
    Document d = read(p("one") + p("two") + SECTION);
    Document more =
        d.withBlocks(
            d.sections().getFirst().id(), 1, 1, List.of(Paragraph.of(Look.PLAIN, "between")));
    assertThat(saved(more).get("word/document.xml"))
        .containsPattern(p("one") + "<w:p>.*between.*</w:p>" + p("two") + SECTION);
  }

  /** What is counted, or pictured, of the old text does not go along with the new. */
  @Test
  void whatIsSaidOfTheOldTextGoes() throws IOException {
    Document d = Samples.taken(Samples.DEMO.resolve("Winter storage notice.docx")).document();
    assertThat(saved(typed(d, 0, " more")).getOrDefault("docProps/app.xml", ""))
        .doesNotContain("<Words>", "<Pages>");
  }

  /** Read by a library that knows nothing of ours. */
  @Test
  void anotherReaderFindsTheTextChangedAndNothingElse() throws IOException {
    Path source = Samples.DEMO.resolve("Winter storage notice.docx");
    Document d = Samples.taken(source).document();
    int k = 0;
    while (d.paragraphs().get(k).text().isBlank()) {
      k++;
    }
    Path file = file(typed(d, k, " Changed."));
    assertThat(DocxSchemas.errors(file)).isEmpty();
    List<String> before = texts(source);
    List<String> after = texts(file);
    assertThat(after).hasSameSizeAs(before);
    for (int i = 0; i < before.size(); i++) {
      assertThat(after.get(i)).isIn(before.get(i), before.get(i) + " Changed.");
    }
    assertThat(String.join("\n", after)).contains(" Changed.");
  }

  private static List<String> texts(Path file) throws IOException {
    try (var in = Files.newInputStream(file);
        var d = new XWPFDocument(in)) {
      return d.getParagraphs().stream().map(XWPFParagraph::getText).toList();
    }
  }

  /** §17.16.5: what was taken out because it acts does not come back with the source. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "<w:p><w:r><w:object><w:control r:id=\"rX\" w:name=\"Button\"/></w:object></w:r></w:p>",
        "<w:p><w:fldSimple w:instr=\" INCLUDETEXT &quot;http://example.org/x&quot; \"><w:r><w:t>x</w:t></w:r></w:fldSimple></w:p>",
        "<w:p><w:r><w:fldChar w:fldCharType=\"begin\"/></w:r><w:r><w:instrText> DDEAUTO a b </w:instrText></w:r>"
            + "<w:r><w:fldChar w:fldCharType=\"separate\"/></w:r><w:r><w:t>x</w:t></w:r><w:r><w:fldChar w:fldCharType=\"end\"/></w:r></w:p>"
      })
  void whatActsDoesNotComeBack(String active) throws IOException {
    Document d = read(p("one") + active + SECTION);
    String xml = saved(ActiveContent.without(d)).get("word/document.xml");
    assertThat(xml).doesNotContain("w:control", "INCLUDETEXT", "DDEAUTO").contains("one");
  }

  @Test
  void macrosThatWereTakenOutDoNotComeBack() throws IOException {
    with("vbaProject", "vbaProject", "macro");
    Document d = read(p("one") + SECTION);
    Map<String, String> saved = saved(ActiveContent.without(typed(d, 0, "x")));
    assertThat(saved.keySet()).noneMatch(n -> n.contains("vba"));
    assertThat(saved.values()).noneMatch(v -> v.contains("vbaProject"));
  }

  /** What we write stands beside nothing of the strict namespaces; untouched, they stay. */
  @Test
  void strictDocumentsStayStrictUntilTheyAreChanged() throws IOException {
    String strict = "http://purl.oclc.org/ooxml/wordprocessingml/main";
    read(p("one") + SECTION);
    Path made = folder.resolve("made" + (files - 1) + ".docx");
    Path file = folder.resolve("strict.docx");
    Map<String, byte[]> parts = new LinkedHashMap<>();
    parts(made)
        .forEach((n, v) ->
            parts.put(
                n,
                v.replace("http://schemas.openxmlformats.org/wordprocessingml/2006/main", strict)
                    .getBytes(StandardCharsets.ISO_8859_1)));
    try (OutputStream out = Files.newOutputStream(file)) {
      DocxWriter.pack(parts, out);
    }
    Document d = Samples.taken(file).document();
    assertThat(saved(d).get("word/document.xml")).contains(strict);
    assertThat(saved(typed(d, 0, " more")).get("word/document.xml"))
        .doesNotContain(strict)
        .contains("one more");
  }

  /** After a crash the source is still there to be changed. */
  @Test
  void whatLiesInRecoveryKeepsIt() throws Exception {
    TakenIn taken = taken(p("one") + UNKNOWN + SECTION);
    Map<String, String> source = source();
    Path work = folder.resolve("work");
    WorkFile.write(
        work, new UnsavedWork(folder.resolve("made0.docx"), taken, Optional.empty()), "");
    Document back = WorkFile.read(work, "").taken().document();
    assertThat(untyped(saved(back))).isEqualTo(source);
    assertThat(saved(typed(back, 0, " more")).get("word/document.xml")).contains(UNKNOWN);
  }

  /** Even pages set apart in the window are so in the file, whatever settings it came with. */
  @Test
  void settingsThatTheDocumentBroughtSayWhatItNowNeeds() throws IOException {
    with(
        "settings",
        "settings",
        "<w:settings " + ROOT + "><w:zoom w:percent=\"90\"/><w:compat/></w:settings>");
    Document d = read(p("one") + SECTION);
    var section = d.sections().getFirst();
    var story =
        new decant.model.Story(
            decant.model.NodeId.fresh(),
            decant.model.Story.Kind.RUNNING,
            List.of(Paragraph.of(Look.PLAIN, "even")));
    Document even =
        d.withSections(
            List.of(section.withRunning(Map.of(decant.model.Section.Running.HEADER_EVEN, story))));
    Path file = file(even);
    assertThat(parts(file).get("word/settings.xml"))
        .containsSubsequence("<w:zoom w:percent=\"90\"/>", "<w:evenAndOddHeaders/>", "<w:compat/>");
    assertThat(Samples.taken(file).document().sections().getFirst().running())
        .containsKey(decant.model.Section.Running.HEADER_EVEN);
  }
}
