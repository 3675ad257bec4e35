package decant.office.html;

import static org.assertj.core.api.Assertions.assertThat;

import decant.format.Formats;
import decant.layout.label.ListLabels;
import decant.model.Document;
import decant.model.Inline;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.model.finding.Finding.Severity;
import decant.model.look.Colour;
import decant.model.look.FormField;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.model.walk.Part;
import decant.model.walk.Walk;
import decant.reading.ReadRequest;
import decant.reading.TakenIn;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Pages as they are found: what the WHATWG's standard (html.spec.whatwg.org) says is shown is
 * there, and what is not there is told.
 */
class HtmlPagesTest {
  @TempDir Path folder;

  private TakenIn taken(String html) throws Exception {
    return taken(html.getBytes("UTF-8"), "page.html");
  }

  private TakenIn taken(byte[] html, String name) throws Exception {
    Path file = Files.write(folder.resolve(name), html);
    assertThat(Formats.recognise(file).id()).isEqualTo("html");
    return HtmlFile.read(ReadRequest.of(file));
  }

  private static String words(TakenIn t) {
    return Walk.paragraphs(t.document(), Part.ONCE).stream()
        .map(Paragraph::text)
        .collect(Collectors.joining(" | "));
  }

  private static List<String> told(TakenIn t, Severity severity) {
    return t.findings().stream()
        .filter(f -> f.severity() == severity)
        .map(Finding::message)
        .toList();
  }

  private static Paragraph paragraph(TakenIn t, String with) {
    return Walk.paragraphs(t.document(), Part.ONCE).stream()
        .filter(p -> p.text().contains(with))
        .findFirst()
        .orElseThrow();
  }

  private static Look look(TakenIn t, String with) {
    Document d = t.document();
    return d.styles().paragraphLook(paragraph(t, with).look());
  }

  private static Look text(TakenIn t, String with) {
    Document d = t.document();
    Paragraph p = paragraph(t, with);
    Inline inline =
        p.inlines().stream()
            .filter(i -> i instanceof Inline.Text x && x.text().contains(with))
            .findFirst()
            .orElseThrow();
    return d.styles().textLook(d.styles().textBase(p.look()), inline.look());
  }

  /** Each stands where a page shows it, though some of it only where something else cannot be. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "<noscript><p>WORDS</p></noscript>",
        "<table><caption>WORDS</caption><tr><td>x</table>",
        "<table><tr><td>x</td></tr><tbody>WORDS</tbody></table>",
        "<ul>WORDS<li>x</ul>",
        "<ul><div>WORDS</div><li>x</ul>",
        "<ol><li>x<p>a<p>WORDS</ol>",
        "<details><summary>x</summary>WORDS</details>",
        "<fieldset><legend>WORDS</legend></fieldset>",
        "<select><option>WORDS</select>",
        "<select><option>x<option selected>WORDS</select>",
        "<textarea>WORDS</textarea>",
        "<input value=WORDS>",
        "<button>WORDS</button>",
        "<input type=submit value=WORDS>",
        "<object data=x.bin><p>WORDS</p></object>",
        "<math><mtext>WORDS</mtext></math>",
        "<xmp>a <b> WORDS</xmp>",
        "<ruby>x<rt>WORDS</ruby>",
        "<dialog open>WORDS</dialog>",
        "<img src=gone.png alt=WORDS>",
        "<x-note>WORDS</x-note>",
        "<div><p>a</p>WORDS</div>",
        "<style>.m{display:none} .m.on{display:block}</style><p class='m on'>WORDS</p>",
        "<p>a<plaintext>WORDS",
        "<style>p.n::before{content:'WORDS '}</style><p class=n>a</p>",
        "<style>p:after{content:\" (\" attr(title) \")\"}</style><p title=WORDS>a</p>",
      })
  void whatShowsIsThere(String html) throws Exception {
    TakenIn t = taken("<!doctype html><title>t</title><body>" + html);
    assertThat(words(t)).contains("WORDS");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "<p hidden>WORDS</p>",
        "<div style='display:none'>a<p>WORDS</div>",
        "<style>i{visibility:hidden}</style><p>x<i>WORDS</i></p>",
        "<dialog>WORDS</dialog>",
      })
  void whatAPageHidesIsLeftOutAndTold(String html) throws Exception {
    TakenIn t = taken("<!doctype html><body><p>seen</p>" + html);
    assertThat(words(t)).contains("seen").doesNotContain("WORDS");
    assertThat(told(t, Severity.DOUBT))
        .singleElement()
        .asString()
        .contains("1 part that the page hides was left out", "WORDS");
  }

  /** Elements within elements beyond all reason are given up, by their words. */
  @Test
  void whatIsNotReadIsToldByItsWords() throws Exception {
    for (String deep : List.of("<i>", "<div>", "<ul>", "<ol><li>", "<table><tr><td>", "<q>")) {
      TakenIn t = taken("<!doctype html><p>seen</p>" + deep.repeat(5000) + "too deep");
      assertThat(words(t)).as(deep).startsWith("seen").doesNotContain("too deep");
      assertThat(told(t, Severity.LOSS)).singleElement().asString().contains("too deep");
    }
  }

  @Test
  void scriptsAreNeitherTextNorTold() throws Exception {
    TakenIn t =
        taken(
            "<!doctype html><script>var a = 'script';</script><style>p{color:red}</style>"
                + "<template>copy</template><p>seen</p><script>document.write('more')</script>");
    assertThat(words(t)).isEqualTo("seen");
    assertThat(t.findings()).isEmpty();
  }

  @Test
  void framesShowOtherFiles() throws Exception {
    TakenIn t =
        taken("<html><frameset cols='1,2'><frame src=a.html><frame src=b.html></frameset></html>");
    assertThat(told(t, Severity.LOSS)).singleElement().asString().contains("a.html, b.html");
  }

  /** The bytes are the JDK's encoders'. */
  @ParameterizedTest
  @CsvSource({
    "UTF-8, '', Gebühr 20 €",
    "UTF-8, '<meta charset=utf-8>', Gebühr 20 €",
    "windows-1252, '', Die Gebühren für Liegeplätze gelten ab März – 20 €",
    "windows-1252, '<meta charset=iso-8859-1>', Gebühr “20 €”",
    "windows-1252, '<meta charset=utf-8>', Die Gebühren für größere Boote – 20 €",
    "windows-31j, '<meta charset=shift_jis>', 係留料金①",
    "GBK, '<meta http-equiv=Content-Type content=\"text/html; charset=gb2312\">', 港口规则镕",
    "windows-1251, '<meta charset=windows-1251>', Правила причала",
    "ISO-8859-2, '<meta charset=iso-8859-2>', Żółta łódź",
    "windows-1252, '', naïve",
  })
  void charactersAreReadAsBrowsersReadThem(String encoding, String said, String text)
      throws Exception {
    String page = "<html><head>" + said + "</head><body><p>" + text + "</p></body></html>";
    TakenIn t = taken(page.getBytes(Charset.forName(encoding)), "page.html");
    assertThat(words(t)).isEqualTo(text);
    boolean guessed = !encoding.equals("UTF-8") && (said.isEmpty() || said.contains("utf-8"));
    assertThat(told(t, Severity.DOUBT)).hasSize(guessed ? 1 : 0);
  }

  @ParameterizedTest
  @ValueSource(strings = {"UTF-16LE", "UTF-16BE", "UTF-8"})
  void marksAtTheBeginningCountMost(String encoding) throws Exception {
    byte[] page =
        "\uFEFF<html><meta charset=windows-1251><p>Gebühr – 20 €</html>"
            .getBytes(Charset.forName(encoding));
    TakenIn t = taken(page, "page.html");
    assertThat(words(t)).isEqualTo("Gebühr – 20 €");
    assertThat(t.findings()).isEmpty();
  }

  /** XHTML 1.0 §C: what is closed where it opens holds nothing. */
  @Test
  void pagesOfXmlAreReadAsXml() throws Exception {
    String page =
        "<?xml version='1.0'?><html xmlns=\"http://www.w3.org/1999/xhtml\"><head><title>T</title>"
            + "<script src='x.js'/><style>/*<![CDATA[*/ p > b { color: red } /*]]>*/</style></head>"
            + "<body><div id='a'/><p>One<a name='x'/> <b>red</b></p><textarea/><p>Two <![CDATA[a < b]]>"
            + "</p></body></html>";
    TakenIn t = taken(page.getBytes("UTF-8"), "page.xhtml");
    assertThat(words(t)).contains("One red").contains("Two a < b");
    assertThat(t.document().metadata().title()).isEqualTo("T");
    assertThat(text(t, "red").value(TextTraits.COLOUR)).isEqualTo(new Colour(0xFF0000));
    TakenIn sloppy = taken(page.replace("</p><text", "<text").getBytes("UTF-8"), "sloppy.xhtml");
    assertThat(told(sloppy, Severity.LOSS)).as("read as other pages are").isEmpty();
  }

  @Test
  void rowsShowInTheOrderOfTheirGroups() throws Exception {
    TakenIn t =
        taken(
            "<!doctype html><table bgcolor=yellow><caption>Charges</caption><tfoot><tr><td>sum<td>3"
                + "</tfoot><tbody><tr valign=middle><td>a<td align=right>1<tr><td>b<td>2</tbody>"
                + "<thead><tr><th>Berth<th>Fee</thead></table>");
    Table table = (Table) t.document().sections().getFirst().blocks().get(1);
    assertThat(
            table.rows().stream()
                .map(r ->
                    r.cells().stream()
                        .map(c -> ((Paragraph) c.blocks().getFirst()).text())
                        .toList()))
        .containsExactly(
            List.of("Berth", "Fee"), List.of("a", "1"), List.of("b", "2"), List.of("sum", "3"));
    assertThat(table.look()).as("no line is drawn").isEqualTo(Look.PLAIN);
    assertThat(text(t, "Berth").value(TextTraits.BOLD)).isTrue();
    assertThat(look(t, "1").value(ParagraphTraits.ALIGNMENT))
        .isEqualTo(ParagraphTraits.Alignment.END);
    for (String border : List.of("<table border=1>", "<table style='border:1px solid'>")) {
      TakenIn ruled = taken("<!doctype html>" + border + "<tr><td>a</table>");
      assertThat(((Table) ruled.document().sections().getFirst().blocks().getFirst()).look())
          .isEqualTo(TableTraits.RULED);
    }
  }

  /** What stands before items is what HTML §4.4.5 and CSS Lists 3 say. */
  @Test
  void listsAreCountedAndMarkedAsTheyShow() throws Exception {
    TakenIn t =
        taken(
            "<!doctype html><ol><li>one<ul><li>dot</ul><li>two<ol type=a><li>letter<li>letter2"
                + "</ol><li>three<ol style='list-style:upper-roman'><li>roman</ol><li value=9>nine"
                + "<li>ten</ol><ul style='list-style:none'><li>plain</ul><ol start=4><li>four</ol>");
    var labels = ListLabels.of(t.document());
    var shown = new ArrayList<String>();
    for (Paragraph p : t.document().paragraphs()) {
      shown.add(labels.getOrDefault(p.id(), "") + " " + p.text());
    }
    assertThat(shown)
        .containsExactly(
            "1. one",
            "◦ dot",
            "2. two",
            "a. letter",
            "b. letter2",
            "3. three",
            "I. roman",
            "9. nine",
            "10. ten",
            " plain",
            "4. four");
  }

  @Test
  void controlsAreFieldsThatCanBeFilledIn() throws Exception {
    TakenIn t =
        taken(
            "<!doctype html><form><input name=berth maxlength=4 size=8> <input type=checkbox name=yes"
                + " checked> <input type=radio name=way value=sea> <select name=season><option>Summer"
                + "<option>Winter</select><input type=hidden value=secret><input type=password"
                + " value=word><input type=number min=1 max=9 value=3><input type=file></form>");
    var fields = new ArrayList<FormField>();
    Walk.inlines(
        t.document(), Part.ONCE, i -> i.look().get(TextTraits.FIELD).ifPresent(fields::add));
    assertThat(fields)
        .extracting(FormField::kind)
        .containsExactly(
            FormField.Kind.TEXT,
            FormField.Kind.TICK,
            FormField.Kind.ONE_OF,
            FormField.Kind.CHOICE,
            FormField.Kind.TEXT,
            FormField.Kind.TEXT);
    assertThat(fields.getFirst().rule().most()).isEqualTo(4);
    assertThat(fields.get(3).options()).containsExactly("Summer", "Winter");
    assertThat(fields.getLast().rule().greatest()).isEqualTo(9);
    assertThat(words(t))
        .isEqualTo("________ ☑ ○ Summer" + "_".repeat(20) + "3")
        .doesNotContain("secret")
        .doesNotContain("word");
    assertThat(told(t, Severity.NOTE)).singleElement().asString().startsWith("6 form fields");
    assertThat(told(t, Severity.LOSS)).singleElement().asString().contains("files are sent");
  }

  /** The markup is that of the examples of MathML Core, §3. */
  @Test
  void equationsAreWrittenInALine() throws Exception {
    TakenIn t =
        taken(
            "<!doctype html><p>x <math><msqrt><mfrac><mrow><mi>a</mi><mo>+</mo><mi>b</mi></mrow>"
                + "<mn>2</mn></mfrac></msqrt><mo>=</mo><msubsup><mi>x</mi><mn>1</mn><mn>2</mn></msubsup>"
                + "<annotation>tex</annotation></math>");
    assertThat(words(t)).isEqualTo("x √((a + b)/2) = x_1^2");
    assertThat(told(t, Severity.DOUBT)).singleElement().asString().startsWith("1 equation");
  }

  @Test
  void drawingsInThePageArePictures() throws Exception {
    String svg =
        "<svg width=80 height=40 viewBox='0 0 80 40'><defs><linearGradient id=g><stop offset=0"
            + " stop-color=red /></linearGradient></defs><rect width=80 height=40 fill='url(#g)'/>"
            + "<text>drawn</text></svg>";
    String packed =
        "<img src=\"data:image/svg+xml,"
            + svg.replace("<svg ", "<svg xmlns='http://www.w3.org/2000/svg' ")
                .replace("%", "%25")
                .replace("#", "%23")
                .replace("\"", "%22")
                .replace("=80", "='80'")
                .replace("=40", "='40'")
                .replace("=g>", "='g'>")
                .replace("=0", "='0'")
                .replace("=red", "='red'")
            + "\">";
    for (String html : List.of(svg, packed)) {
      TakenIn t = taken("<!doctype html><p>a" + html + "b</p>");
      assertThat(t.findings()).as(html).isEmpty();
      var pictures = new ArrayList<Inline.Picture>();
      Walk.inlines(
          t.document(),
          Part.ONCE,
          i -> {
            if (i instanceof Inline.Picture p) {
              pictures.add(p);
            }
          });
      assertThat(pictures).singleElement().matches(p -> p.width() == 60 && p.height() == 30);
    }
    TakenIn damaged = taken("<!doctype html><p>a<img src='data:image/png;base64,AAAA'>");
    assertThat(told(damaged, Severity.LOSS)).singleElement().asString().startsWith("1 picture in");
  }

  @Test
  void looksOfBlocksAndStyleSheetsBeside() throws Exception {
    Files.createDirectories(folder.resolve("css"));
    Files.writeString(
        folder.resolve("css/own.css"),
        "p.n{background:#fff3cd;border:1px solid teal;margin:8px 0 16px} h1{font:italic 30pt Arial}");
    Files.writeString(folder.resolve("print.css"), "p { display: none }");
    TakenIn t =
        taken(
            "<!doctype html><link rel=stylesheet href=css/own.css><link rel=stylesheet media=print"
                + " href=print.css><link rel=stylesheet href='https://quay.example/x.css'>"
                + "<body bgcolor=000080 text=white><h1>Rules</h1><p class=n>Notice</p><p>Plain</p>"
                + "<p style='margin:0'>Tight</p><hr><p style='page-break-before:always'>Next</p>"
                + "<div align=center>centred<p>within</p>after</div><font size=5 color=RebeccaPurple>big"
                + "</font><table><tr><td>cell</table></body>");
    assertThat(look(t, "Notice").value(ParagraphTraits.SHADING)).isEqualTo(new Colour(0xFFF3CD));
    assertThat(look(t, "Notice").value(ParagraphTraits.RULES).isDrawn()).isTrue();
    assertThat(look(t, "Notice").value(ParagraphTraits.SPACE_BEFORE)).isEqualTo(6);
    assertThat(look(t, "Notice").value(ParagraphTraits.SPACE_AFTER)).isEqualTo(12);
    assertThat(look(t, "Plain").value(ParagraphTraits.SPACE_AFTER)).isEqualTo(12);
    assertThat(look(t, "Tight").value(ParagraphTraits.SPACE_AFTER)).isZero();
    assertThat(look(t, "Next").value(ParagraphTraits.PAGE_BREAK_BEFORE)).isTrue();
    for (String s : List.of("centred", "within", "after")) {
      assertThat(look(t, s).value(ParagraphTraits.ALIGNMENT))
          .as(s)
          .isEqualTo(ParagraphTraits.Alignment.CENTRE);
    }
    assertThat(text(t, "Rules").value(TextTraits.SIZE)).isEqualTo(30);
    assertThat(text(t, "Rules").value(TextTraits.ITALIC)).isTrue();
    assertThat(text(t, "Plain").value(TextTraits.COLOUR)).isEqualTo(Colour.WHITE);
    assertThat(look(t, "Plain").value(ParagraphTraits.SHADING))
        .as("white letters need their ground")
        .isEqualTo(new Colour(0x000080));
    assertThat(text(t, "big").value(TextTraits.COLOUR)).isEqualTo(new Colour(0x663399));
    assertThat(text(t, "big").value(TextTraits.SIZE)).isEqualTo(18);
    Table table = (Table) t.document().sections().getFirst().blocks().getLast();
    assertThat(table.rows().getFirst().cells().getFirst().look().value(TableTraits.SHADING))
        .isEqualTo(new Colour(0x000080));
  }

  @Test
  void linksToOtherFilesAreToldOnce() throws Exception {
    TakenIn t =
        taken(
            "<!doctype html><p><a href=prices.html>prices</a> <a href='https://quay.example/'>site</a>"
                + " <a href='javascript:x()'>go</a> <a href='#end'>end</a><p id=end>End</p>");
    assertThat(told(t, Severity.LOSS))
        .containsExactly(
            "2 links lead to other files, or start scripts (the first: “prices.html”). They are left"
                + " out; their text stays.");
    assertThat(words(t)).isEqualTo("prices site go end | End");
  }

  /** What browsers swallow is swallowed here, and told. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "<p>seen</p><a href=\"x>lost</a> <b>lost</b> <a href=\"y\">z</a>",
        "<p>seen</p><!-- lost <p>lost</p>",
        "<p>seen</p><p class",
      })
  void markupWithoutAnEndIsTold(String html) throws Exception {
    TakenIn t = taken(html);
    assertThat(words(t)).contains("seen").doesNotContain("lost");
    assertThat(told(t, Severity.LOSS).getFirst()).startsWith("The page is damaged");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "<p>5 < 6 > 4 <",
        "<p>a<!-- note -->",
        "<script><!-- x(a<b) </script><p>a",
        "<p title='<b>'>a"
      })
  void signsThatAreNoMarkupAreNoDamage(String html) throws Exception {
    assertThat(taken("<!doctype html>" + html).findings()).isEmpty();
  }

  @Test
  void whatIsCalledAPageIsOne() throws Exception {
    TakenIn t = taken("Plain words, <b>bold</b> words");
    assertThat(words(t)).isEqualTo("Plain words, bold words");
    TakenIn wide = taken("<html><p>Gebühr</html>".getBytes("UTF-16LE"), "wide.html");
    assertThat(words(wide)).isEqualTo("Gebühr");
  }

  /** What is written says all that browsers would do otherwise. */
  @Test
  void roomLinesAndGroundsComeBack() throws Exception {
    TakenIn was =
        taken(
            "<!doctype html><p style='margin:10pt 0 4pt'>a</p><p style='margin:0;border:1pt dashed"
                + " red;background:#eee'>b</p><ul><li style='margin-bottom:3pt'>c</ul>"
                + "<p style='margin:0;page-break-before:always'>d</p>");
    Path file = folder.resolve("back.html");
    try (var out = Files.newOutputStream(file)) {
      HtmlFile.write(was.document(), out);
    }
    TakenIn is = HtmlFile.read(ReadRequest.of(file));
    for (String s : List.of("a", "b", "c", "d")) {
      for (var trait :
          List.of(
              ParagraphTraits.SPACE_BEFORE,
              ParagraphTraits.SPACE_AFTER,
              ParagraphTraits.SHADING,
              ParagraphTraits.RULES,
              ParagraphTraits.PAGE_BREAK_BEFORE)) {
        assertThat(look(is, s).value(trait)).as(s + trait).isEqualTo(look(was, s).value(trait));
      }
    }
  }

  @Test
  void whatStyleSheetsAddIsThereOrTold() throws Exception {
    TakenIn t =
        taken(
            "<!doctype html><style>@media screen{p:before{content:'no'}} p:before{content:'x'}"
                + " p:before{content:'\\201C'} .c:after{content:'.';visibility:hidden}"
                + " h2:before{content:counter(n) '. '} i:before{content:'\\f101'}"
                + " div{background:url(sea.png)}</style><p>a<i></i></p><p class=c>b</p><h2>h</h2>"
                + "<div>d</div>");
    assertThat(words(t)).isEqualTo("“a | “b | h | d");
    assertThat(told(t, Severity.DOUBT))
        .containsExactly(
            "In 1 place the page shows a number or a picture that its style sheet makes; it is"
                + " missing here.",
            "1 picture behind the text was left out.");
  }

  /** Sheets of sites have thousands of rules, some of them in one block; and broken ones end. */
  @Test
  void largeStyleSheetsAreReadInTime() throws Exception {
    String many = ".a%d > p.b { color: red }\n";
    var css = new StringBuilder("@media screen {");
    for (int k = 0; k < 20_000; k++) {
      css.append(many.formatted(k));
    }
    css.append("} p { text-align: right } ").append("x".repeat(1_000_000));
    TakenIn t = taken("<!doctype html><style>" + css + "</style>" + "<p>a</p>".repeat(2000));
    assertThat(look(t, "a").value(ParagraphTraits.ALIGNMENT))
        .isEqualTo(ParagraphTraits.Alignment.END);
  }
}
