package decant.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.format.Format;
import decant.format.Formats;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.finding.Finding;
import decant.model.walk.Walk;
import decant.office.docx.write.DocxWriter;
import decant.reading.TakenIn;
import decant.verify.Check;
import decant.verify.office.DocxVerifier;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Whatever stands around text in a file (ISO/IEC 29500-1 §17 and its extensions), the text is in
 * the document, or it is told that it is not.
 */
class DocxNothingLostTest extends MadeDocx {
  private static final String TEXT = "Berth 14";
  private static final String RUN = "<w:r><w:t>" + TEXT + "</w:t></w:r>";

  /** Where runs may stand, by element. */
  static Stream<String> aroundRuns() {
    return Stream.of(
        "<w:ins w:id=\"1\" w:author=\"x\">%s</w:ins>",
        "<w:moveTo w:id=\"1\" w:author=\"x\">%s</w:moveTo>",
        "<w:smartTag w:element=\"place\">%s</w:smartTag>",
        "<w:customXml w:element=\"berth\">%s</w:customXml>",
        "<w:dir w:val=\"ltr\">%s</w:dir>",
        "<w:bdo w:val=\"ltr\">%s</w:bdo>",
        "<w:hyperlink r:id=\"none\">%s</w:hyperlink>",
        "<w:hyperlink w:anchor=\"there\">%s</w:hyperlink>",
        "<w:sdt><w:sdtPr/><w:sdtContent>%s</w:sdtContent></w:sdt>",
        "<w:sdt><w:sdtContent><w:ins w:id=\"1\">%s</w:ins></w:sdtContent></w:sdt>",
        "<w:fldSimple w:instr=\"REF there\">%s</w:fldSimple>",
        "<w:fldSimple w:instr=\"DOCPROPERTY Berth\">%s</w:fldSimple>",
        "<mc:AlternateContent><mc:Choice Requires=\"w14\">%s</mc:Choice></mc:AlternateContent>",
        "<mc:AlternateContent><mc:Fallback>%s</mc:Fallback></mc:AlternateContent>",
        "<w:unheardOf>%s</w:unheardOf>",
        "<x:unheardOf xmlns:x=\"urn:x\"><x:more>%s</x:more></x:unheardOf>");
  }

  @ParameterizedTest
  @MethodSource("aroundRuns")
  void textOfRunsStays(String around) throws IOException {
    stays("<w:p>" + around.formatted(RUN) + "</w:p>");
  }

  /** Where text may stand within a run. */
  static Stream<String> withinRuns() {
    return Stream.of(
        "<w:t>%s</w:t>",
        "<w:ruby><w:rubyPr><w:rubyAlign w:val=\"center\"/><w:hps w:val=\"10\"/><w:hpsRaise w:val=\"20\"/><w:hpsBaseText w:val=\"21\"/><w:lid w:val=\"ja-JP\"/></w:rubyPr><w:rt><w:r><w:t>rt</w:t></w:r></w:rt>"
            + "<w:rubyBase><w:r><w:t>%s</w:t></w:r></w:rubyBase></w:ruby>",
        "<w:unheardOf><w:t>%s</w:t></w:unheardOf>",
        "<mc:AlternateContent><mc:Choice Requires=\"w15\"><w:t>%s</w:t></mc:Choice></mc:AlternateContent>",
        "<w:fldChar w:fldCharType=\"begin\"/><w:instrText>REF a</w:instrText>"
            + "<w:fldChar w:fldCharType=\"separate\"/><w:t>%s</w:t><w:fldChar w:fldCharType=\"end\"/>",
        "<w:fldChar w:fldCharType=\"begin\"/><w:instrText>HYPERLINK</w:instrText>"
            + "<w:fldChar w:fldCharType=\"separate\"/><w:t>%s</w:t>",
        "<w:pict><v:polyline><v:textbox><w:txbxContent><w:p><w:r><w:t>%s</w:t></w:r></w:p>"
            + "</w:txbxContent></v:textbox></v:polyline></w:pict>",
        "<w:fldChar w:fldCharType=\"end\"/><w:t>%s</w:t>",
        "<w:fldChar w:fldCharType=\"separate\"/><w:t>%s</w:t>",
        "<w:pict><v:shape style=\"width:90pt;height:30pt\"><v:textbox><w:txbxContent><w:p><w:r>"
            + "<w:t>%s</w:t></w:r></w:p></w:txbxContent></v:textbox></v:shape></w:pict>",
        "<w:pict><v:group style=\"width:90pt;height:30pt\"><v:rect><v:textbox><w:txbxContent>"
            + "<w:p><w:r><w:t>%s</w:t></w:r></w:p></w:txbxContent></v:textbox></v:rect></v:group></w:pict>",
        "<w:pict><v:group style=\"width:90pt;height:30pt\"><v:polyline><v:textbox><w:txbxContent>"
            + "<w:p><w:r><w:t>%s</w:t></w:r></w:p></w:txbxContent></v:textbox></v:polyline></v:group></w:pict>");
  }

  @ParameterizedTest
  @MethodSource("withinRuns")
  void textWithinRunsStays(String within) throws IOException {
    stays("<w:p><w:r>" + within.formatted(TEXT) + "</w:r></w:p>");
  }

  /** Where the standard has no place for text; runs there are shown, or told as lost. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "%s",
        "<w:t>Berth 14</w:t>",
        "<w:bdo w:val=\"ltr\">%s</w:bdo>",
        "<w:zzz><w:p>%s</w:p></w:zzz>",
        "<w:p><w:pPr>%s</w:pPr></w:p>",
        "<w:p><w:r><w:rPr>%s</w:rPr></w:r></w:p>",
        "<w:tbl><w:tr>%s</w:tr></w:tbl>",
        "<w:tbl><w:tr><w:tc><w:tcPr>%s</w:tcPr><w:p/></w:tc></w:tr></w:tbl>",
        "<w:p/><w:sectPr><w:pgSz>%s</w:pgSz></w:sectPr>"
      })
  void textInNoPlaceForTextIsShownOrALoss(String around) throws IOException {
    TakenIn t = taken(around.replace("%s", RUN) + "<w:p/>");
    boolean shown = everything(t.document()).contains(TEXT);
    boolean lost =
        t.findings().stream()
            .anyMatch(f -> f.severity() == Finding.Severity.LOSS && f.message().contains(TEXT));
    assertThat(shown).isNotEqualTo(lost);
  }

  @Test
  void textThatIsTakenIsNotCalledLost() throws IOException {
    String deleted = "<w:p><w:del w:id=\"1\">" + RUN + "</w:del>" + RUN + "</w:p>";
    String ruby = "<w:ruby><w:rt>%s</w:rt><w:rubyBase>%s</w:rubyBase></w:ruby>".formatted(RUN, RUN);
    for (String body : List.of(deleted, "<w:p><w:r>" + ruby + "</w:r></w:p>")) {
      assertThat(taken(body).findings()).noneMatch(f -> f.severity() == Finding.Severity.LOSS);
    }
  }

  /** §17.16.18 asks for an end of each field; one without would take in all that follows. */
  @Test
  void aFieldWithoutAnEndHidesNoText() throws IOException {
    String begin =
        "<w:r><w:fldChar w:fldCharType=\"begin\"/><w:instrText>REF a</w:instrText></w:r>";
    stays("<w:p>" + begin + RUN + "</w:p>");
    stays("<w:p>" + begin + "</w:p><w:p>" + RUN + "</w:p>");
    stays("<w:p>" + begin.repeat(100) + "</w:p><w:p>" + RUN + "</w:p>");
    Document d =
        read("<w:p>" + begin + RUN + "</w:p><w:p>" + begin + RUN.replace("14", "15") + "</w:p>");
    assertThat(d.paragraphs().stream().map(Paragraph::text)).containsExactly(TEXT, "Berth 15");
  }

  /** What a field shows that draws itself, or that its program would count. */
  @Test
  void fieldsWithoutAResultShowWhatTheyDraw() throws IOException {
    String mark = "<w:r><w:fldChar w:fldCharType=\"%s\"/></w:r>";
    for (String separate : List.of("", mark.formatted("separate"))) {
      String field =
          "<w:p>"
              + mark.formatted("begin")
              + "<w:r><w:instrText>%s</w:instrText></w:r>"
              + separate
              + mark.formatted("end")
              + "</w:p>";
      assertThat(shown(taken(field.formatted("MACROBUTTON No Type here")))).isEqualTo("Type here");
      TakenIn equation = taken(field.formatted("EQ \\f(1,2)"));
      assertThat(shown(equation)).isEqualTo("1/2");
      goesBack(equation.document());
      assertThat(equation.findings()).anyMatch(f -> f.message().startsWith("An equation (EQ)"));
      TakenIn counted = taken(field.formatted("AUTONUM"));
      assertThat(counted.findings())
          .filteredOn(f -> f.message().contains("(AUTONUM)"))
          .hasSize(separate.isEmpty() ? 1 : 0);
    }
    assertThat(taken("<w:p><w:r><w:t>a</w:t></w:r></w:p>").findings())
        .noneMatch(f -> f.message().contains("field"));
  }

  private static String shown(TakenIn t) {
    return t.document().paragraphs().getFirst().inlines().stream()
        .map(i -> i instanceof Inline.KeptInline k ? k.shown() : "")
        .collect(Collectors.joining());
  }

  /** The markup is that of the examples of §22.1.2. */
  @Test
  void equationsAreWrittenInALine() throws IOException {
    String r = "<m:r><m:t>%s</m:t></m:r>";
    String half =
        "<m:f><m:num>%s</m:num><m:den>%s</m:den></m:f>"
            .formatted(r.formatted("a+b"), r.formatted("2"));
    String sum =
        "<m:nary><m:naryPr><m:chr m:val=\"∑\"/></m:naryPr><m:sub>%s</m:sub><m:sup>%s</m:sup><m:e>%s</m:e></m:nary>"
            .formatted(r.formatted("i=1"), r.formatted("n"), r.formatted("x"));
    String root = "<m:rad><m:radPr/><m:deg/><m:e>" + r.formatted("y") + "</m:e></m:rad>";
    String brackets =
        "<m:d><m:dPr><m:begChr m:val=\"[\"/><m:endChr m:val=\"]\"/></m:dPr><m:e>"
            + r.formatted("z")
            + "</m:e></m:d>";
    TakenIn t = taken("<w:p><m:oMath>" + half + sum + root + brackets + "</m:oMath></w:p>");
    assertThat(shown(t)).isEqualTo("(a+b)/2∑_(i=1)^n x√(y)[z]");
    goesBack(t.document());
  }

  /** Written anew, what is shown in another way than the file has it is there as it was. */
  private void goesBack(Document d) throws IOException {
    Path file = folder.resolve("back.docx");
    try (var out = Files.newOutputStream(file)) {
      DocxWriter.write(d, out);
    }
    assertThat(DocxVerifier.verify(file, d)).allMatch(Check::passed);
  }

  /** An instruction may go on over paragraphs, and hold the result of another field. */
  @Test
  void whatAFieldAsksForIsNotShown() throws IOException {
    String mark = "<w:r><w:fldChar w:fldCharType=\"%s\"/></w:r>";
    String asked = "<w:r><w:instrText>%s</w:instrText></w:r>";
    Document d =
        read(
            "<w:p>"
                + mark.formatted("begin")
                + asked.formatted("IF ")
                + mark.formatted("begin")
                + asked.formatted("DOCPROPERTY Berth")
                + mark.formatted("separate")
                + RUN
                + mark.formatted("end")
                + "</w:p><w:p>"
                + asked.formatted(" = 14 yes no")
                + mark.formatted("separate")
                + "<w:r><w:t>yes</w:t></w:r>"
                + mark.formatted("end")
                + "</w:p>");
    assertThat(d.paragraphs().getFirst().text()).doesNotContain(TEXT);
    assertThat(d.paragraphs().getLast().text()).contains("yes");
  }

  /** Where paragraphs may stand. */
  static Stream<String> aroundParagraphs() {
    String cell = "<w:tc><w:tcPr/>%s</w:tc>";
    String table = "<w:tbl><w:tblPr/><w:tblGrid><w:gridCol w:w=\"900\"/></w:tblGrid>%s</w:tbl>";
    return Stream.of(
        "<w:sdt><w:sdtContent>%s</w:sdtContent></w:sdt>",
        "<w:customXml w:element=\"b\">%s</w:customXml>",
        "<w:ins w:id=\"1\">%s</w:ins>",
        table.formatted("<w:tr>" + cell + "</w:tr>"),
        table.formatted("<w:tr><w:sdt><w:sdtContent>" + cell + "</w:sdtContent></w:sdt></w:tr>"),
        table.formatted("<w:sdt><w:sdtContent><w:tr>" + cell + "</w:tr></w:sdtContent></w:sdt>"),
        table.formatted("<w:ins w:id=\"1\"><w:tr>" + cell + "</w:tr></w:ins>"),
        table.formatted("<w:customXml><w:tr>" + cell + "</w:tr></w:customXml>"),
        "<w:unheardOf>%s</w:unheardOf>",
        "<mc:AlternateContent><mc:Choice Requires=\"w14\">%s</mc:Choice></mc:AlternateContent>");
  }

  @ParameterizedTest
  @MethodSource("aroundParagraphs")
  void paragraphsStay(String around) throws IOException {
    stays(around.formatted("<w:p>" + RUN + "</w:p>") + "<w:p/>");
  }

  private void stays(String body) throws IOException {
    TakenIn t = taken(body);
    boolean there =
        everything(t.document()).contains(TEXT)
            || t.document().paragraphs().stream()
                .flatMap(p -> p.inlines().stream())
                .anyMatch(i -> i instanceof Inline.Field f && f.shown().contains(TEXT));
    assertThat(there || !t.findings().isEmpty()).as("there or told").isTrue();
    // What is kept goes back out, shown or not.
    Path back = folder.resolve("back.docx");
    try (OutputStream out = Files.newOutputStream(back)) {
      DocxWriter.write(t.document(), out);
    }
    assertThat(everything(Samples.taken(back).document())).isEqualTo(everything(t.document()));
    for (Format f : List.of(Formats.working(), Formats.older())) {
      Path copy = folder.resolve("copy." + f.extension());
      try (OutputStream out = Files.newOutputStream(copy)) {
        Formats.writer(f).write(t.document(), out);
      }
      assertThat(Formats.verifier(f).verify(copy, t.document())).allMatch(Check::passed);
    }
  }

  private static String everything(Document d) {
    var out = new StringBuilder(Samples.text(new TakenIn(d, java.util.List.of(), null)));
    d.stories()
        .values()
        .forEach(s -> Walk.paragraphs(s.blocks()).forEach(p -> out.append('\n').append(p.text())));
    d.paragraphs().stream()
        .flatMap(p -> p.inlines().stream())
        .forEach(i -> {
          if (i instanceof Inline.KeptInline k) {
            out.append('\n').append(k.shown());
          }
        });
    return out.toString();
  }

  @Test
  void readingAidsShowTheirBaseAndAreTold() throws IOException {
    TakenIn t =
        taken(
            "<w:p><w:r><w:ruby><w:rubyPr><w:rubyAlign w:val=\"center\"/><w:hps w:val=\"10\"/><w:hpsRaise w:val=\"20\"/><w:hpsBaseText w:val=\"21\"/><w:lid w:val=\"ja-JP\"/></w:rubyPr><w:rt><w:r><w:t>みなと</w:t></w:r></w:rt>"
                + "<w:rubyBase><w:r><w:t>港</w:t></w:r></w:rubyBase></w:ruby></w:r></w:p>");
    assertThat(everything(t.document())).contains("港").doesNotContain("みなと");
    assertThat(t.findings())
        .singleElement()
        .satisfies(f -> assertThat(f.kind()).isEqualTo(Finding.Kind.LAYOUT_SIMPLIFIED));
    Document back = again(t.document());
    assertThat(back.paragraphs().getFirst().inlines().getFirst())
        .isInstanceOfSatisfying(
            Inline.KeptInline.class, k -> assertThat(k.kept().source()).contains("みなと"));
  }

  /** What a person has deleted with changes tracked never shows. */
  @Test
  void whatIsDeletedStaysHidden() throws IOException {
    TakenIn t =
        taken(
            "<w:p><w:del w:id=\"1\" w:author=\"x\"><w:r><w:delText>old</w:delText></w:r></w:del>"
                + RUN
                + "<w:unheardOf><w:del w:id=\"2\"><w:r><w:t>older</w:t></w:r></w:del></w:unheardOf></w:p>");
    assertThat(everything(t.document())).contains(TEXT).doesNotContain("old");
    assertThat(t.findings()).extracting(Finding::kind).contains(Finding.Kind.CONTENT_KEPT_UNSHOWN);
  }

  /** Groups in groups deeper than are drawn, members without a place, and charts among them. */
  @Test
  void membersOfGroupsThatAreNotDrawnAreTold() throws IOException {
    String member =
        "<wps:wsp><wps:spPr>%s<a:prstGeom prst=\"rect\"/></wps:spPr><wps:txbx><w:txbxContent><w:p><w:r><w:t>Deep</w:t></w:r></w:p></w:txbxContent></wps:txbx></wps:wsp>";
    String place = "<a:xfrm><a:off x=\"0\" y=\"0\"/><a:ext cx=\"9\" cy=\"9\"/></a:xfrm>";
    String deep = member.formatted(place);
    for (int k = 0; k < 9; k++) {
      deep = "<wpg:grpSp><wpg:grpSpPr>" + place + "</wpg:grpSpPr>" + deep + "</wpg:grpSp>";
    }
    for (String inside :
        new String[] {
          deep, member.formatted(""), "<wpg:graphicFrame><wpg:xfrm/></wpg:graphicFrame>"
        }) {
      TakenIn t = taken("<w:p><w:r>" + group(inside) + "</w:r></w:p>");
      assertThat(t.findings())
          .as(inside.substring(0, 20))
          .filteredOn(f -> !f.message().contains("“Deep”")) // its words are told too
          .extracting(Finding::kind)
          .containsExactly(Finding.Kind.DRAWING_LEFT_OUT);
      assertThat(t.findings()).hasSize(inside.contains("Deep") ? 2 : 1);
    }
    TakenIn shown = taken("<w:p><w:r>" + group(member.formatted(place)) + "</w:r></w:p>");
    assertThat(shown.findings())
        .extracting(Finding::kind)
        .doesNotContain(Finding.Kind.DRAWING_LEFT_OUT);
    assertThat(everything(shown.document())).contains("Deep");
  }

  private static String group(String members) {
    return "<w:drawing><wp:inline><wp:extent cx=\"914400\" cy=\"914400\"/><wp:docPr id=\"1\" name=\"G\"/><a:graphic><a:graphicData uri=\"http://schemas.microsoft.com/office/word/2010/wordprocessingGroup\"><wpg:wgp><wpg:cNvGrpSpPr/><wpg:grpSpPr/>"
        + members
        + "</wpg:wgp></a:graphicData></a:graphic></wp:inline></w:drawing>";
  }

  @Test
  void aFieldThatNeverEndsTakesNoTextWithIt() throws IOException {
    Document d =
        read(
            "<w:p><w:r><w:fldChar w:fldCharType=\"begin\"/><w:instrText>PAGE</w:instrText><w:fldChar w:fldCharType=\"separate\"/><w:t>7</w:t></w:r></w:p><w:p>"
                + RUN
                + "</w:p>");
    assertThat(d.paragraphs()).extracting(Paragraph::text).last().isEqualTo(TEXT);
  }
}
