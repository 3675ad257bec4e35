package decant.clip;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.model.Block;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
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
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.Media;
import decant.model.look.ParagraphTraits;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javax.imageio.ImageIO;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import org.junit.jupiter.api.Test;

/** What goes to other programs as HTML, read by jsoup, and what comes from them. */
class HtmlTest {
  private static Fragment all(Document d) {
    return Copying.of(d, new Selection(Motion.documentStart(d), Motion.documentEnd(d)))
        .orElseThrow();
  }

  private static Fragment read(String html) {
    return HtmlReader.read(html, Samples.styles());
  }

  private static List<Paragraph> paragraphs(Fragment f) {
    return decant.model.walk.Walk.paragraphs(f.blocks());
  }

  private static List<String> texts(Fragment f) {
    return paragraphs(f).stream().map(Paragraph::text).toList();
  }

  /** The look of the first run that has these words in it. */
  private static Look look(Fragment f, String words) {
    return paragraphs(f).stream()
        .flatMap(p -> p.inlines().stream())
        .filter(i -> i instanceof Inline.Text t && t.text().contains(words))
        .findFirst()
        .orElseThrow(() -> new AssertionError("no run has " + words))
        .look();
  }

  private static byte[] png() throws IOException {
    var out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(40, 20, BufferedImage.TYPE_INT_RGB), "png", out);
    return out.toByteArray();
  }

  private static Document sample() throws IOException {
    Media picture = Media.of("image/png", png());
    Document d =
        Samples.document(
            picture,
            Samples.heading(2, "Winter storage"),
            Samples.runs(
                "Masts ",
                Look.PLAIN,
                "come down",
                Look.of(TextTraits.BOLD, true).with(TextTraits.COLOUR, Colour.parse("B3261E")),
                " by\nMay  & <June>.",
                Look.of(TextTraits.ITALIC, true)),
            Samples.runs(
                "Tides",
                Look.of(TextTraits.LINK, new Link.External("https://quay.example/t?a=1&b=2"))),
            Samples.table(new String[] {"Berth", "m"}, new String[] {"A1", "6"}),
            new Paragraph(
                NodeId.fresh(),
                Look.of(ParagraphTraits.ALIGNMENT, ParagraphTraits.Alignment.CENTRE),
                Look.PLAIN,
                List.of(new Inline.Picture(picture.id(), 30, 15, "A \"crane\"", Look.PLAIN))),
            Samples.paragraph("oars"),
            Samples.paragraph("spare"),
            Samples.paragraph("rope"));
    Revision r = Revision.of(d);
    List<NodeId> order = d.index().order();
    int n = order.size();
    r =
        r.withSelection(
            new Selection(
                new decant.model.Position(order.get(n - 3), 0),
                new decant.model.Position(order.get(n - 1), 0)));
    r = ListEdits.toggle(r, true);
    r =
        ListEdits.shift(
            r.withSelection(Selection.at(new decant.model.Position(order.get(n - 2), 0))), 1);
    return r.document();
  }

  @Test
  void whatIsPutOutIsReadByAParserOfHtml() throws IOException {
    org.jsoup.nodes.Document html = Jsoup.parse(HtmlWriter.write(all(sample())));
    assertThat(html.select("h2").text()).isEqualTo("Winter storage");
    Element bold = html.selectFirst("p b");
    assertThat(bold.text()).isEqualTo("come down");
    assertThat(bold.closest("span[style*=color]").attr("style")).contains("color:#B3261E");
    assertThat(html.selectFirst("p:has(br)").wholeText()).contains("May  & <June>.");
    assertThat(html.selectFirst("a").attr("href")).isEqualTo("https://quay.example/t?a=1&b=2");
    assertThat(html.select("table tr")).hasSize(2);
    assertThat(html.select("td").eachText()).containsExactly("Berth", "m", "A1", "6");
    Element img = html.selectFirst("p[style*=center] img");
    assertThat(img.attr("alt")).isEqualTo("A \"crane\"");
    assertThat(Base64.getDecoder().decode(img.attr("src").replace("data:image/png;base64,", "")))
        .isEqualTo(png());
    assertThat(html.select("ol > li").eachText()).containsExactly("oars spare", "spare", "rope");
    assertThat(html.select("ol ol > li").text()).isEqualTo("spare");
  }

  @Test
  void whatIsPutOutComesBackAsItWas() throws IOException {
    Fragment was = all(sample());
    Fragment is = read(HtmlWriter.write(was));
    assertThat(texts(is)).isEqualTo(texts(was));
    assertThat(is.blocks()).hasSameSizeAs(was.blocks());
    assertThat(look(is, "come down").value(TextTraits.BOLD)).isTrue();
    assertThat(look(is, "come down").value(TextTraits.COLOUR)).isEqualTo(Colour.parse("B3261E"));
    assertThat(look(is, "May").value(TextTraits.ITALIC)).isTrue();
    assertThat(look(is, "Tides").get(TextTraits.LINK))
        .contains(new Link.External("https://quay.example/t?a=1&b=2"));
    assertThat(is.media().keySet()).isEqualTo(was.media().keySet());
    assertThat(paragraphs(is))
        .filteredOn(p -> p.look().sets(ParagraphTraits.LIST))
        .extracting(p -> p.look().value(ParagraphTraits.LIST).depth())
        .containsExactly(0, 1, 0);
    Document d = is.document();
    assertThat(d.headingLevel(d.paragraphs().getFirst())).isEqualTo(2);
  }

  // The fragments below are made by hand after what browsers, mail programs and sheets are known to
  // put out: computed styles on every element, classes, conditional comments. Common practice.

  @Test
  void aBrowsersSelectionWithComputedStyles() {
    Fragment f =
        read(
            "<html><body>\r\n<!--StartFragment--><span style=\"color: rgb(32, 33, 34); font-family:"
                + " sans-serif; font-size: 14px; font-weight: 400;\">The harbour is<span> </span></span><b"
                + " style=\"color: rgb(32, 33, 34);\">closed</b><span style=\"background-color: rgb(255,"
                + " 255, 255); display: inline !important;\"><span> </span>today.</span><!--EndFragment-->\r\n</body></html>");
    assertThat(texts(f)).containsExactly("The harbour is closed today.");
    assertThat(look(f, "closed").value(TextTraits.BOLD)).isTrue();
    assertThat(look(f, "The harbour").value(TextTraits.SIZE)).isEqualTo(10.5);
    assertThat(look(f, "The harbour").sets(TextTraits.FAMILY))
        .as("sans-serif names no font")
        .isFalse();
    assertThat(look(f, "today").sets(TextTraits.HIGHLIGHT)).as("white is no ground").isFalse();
  }

  @Test
  void paragraphsAndLineBreaks() {
    Fragment f =
        read("<p>One\n  two   three</p><p>Four<br>five<br></p>\n<div>Six<div>Seven</div></div>");
    assertThat(texts(f)).containsExactly("One two three", "Four\nfive", "Six", "Seven");
  }

  @Test
  void scriptsStylesAndWhatIsHiddenAreLeftOut() {
    Fragment f =
        read(
            "<style>p{color:red}</style><script>alert(1)</script><p onclick=\"x()\">Seen"
                + "<span style=\"display:none\">unseen</span></p><p hidden>gone</p><iframe src=\"http://x\"></iframe>"
                + "<a href=\"javascript:alert(1)\">click</a>");
    assertThat(texts(f)).containsExactly("Seen", "click");
    assertThat(look(f, "click").sets(TextTraits.LINK)).isFalse();
  }

  @Test
  void nothingIsFetchedForAPicture() throws IOException {
    String data = Base64.getEncoder().encodeToString(png());
    Fragment f =
        read(
            "<p><img src=\"http://quay.example/spy.png\" alt=\"A crane\"> and <img width=80 src=\"data:image/png;base64,"
                + data
                + "\"></p><p><img src=\"file:///etc/passwd\"></p><img src=\"data:image/png;base64,AAAA\">");
    assertThat(texts(f)).containsExactly("[A crane] and \uFFFC");
    assertThat(f.media()).hasSize(1);
    Inline.Picture p = (Inline.Picture) paragraphs(f).getFirst().inlines().getLast();
    assertThat(p.width()).isEqualTo(60);
    assertThat(p.height()).isEqualTo(30);
  }

  @Test
  void listsNestedInEitherWay() {
    for (String html :
        List.of(
            "<ol start=3><li>a<ul><li>b</li></ul></li><li>c</li></ol>",
            "<ol start=3><li>a</li><ul><li>b</li></ul><li><p>c</p></li></ol>")) {
      Fragment f = read(html);
      assertThat(texts(f)).as(html).containsExactly("a", "b", "c");
      assertThat(paragraphs(f))
          .extracting(p -> p.look().value(ParagraphTraits.LIST))
          .extracting(ListMembership::depth)
          .containsExactly(0, 1, 0);
      ListDefinition list = f.lists().values().iterator().next();
      assertThat(list.level(0).start()).isEqualTo(3);
      assertThat(list.level(0).ordered()).isTrue();
    }
  }

  @Test
  void aSheetsCells() {
    Fragment f =
        read(
            "<table border=0 style='border-collapse:collapse'><col width=64><tr height=20><td class=xl65"
                + " align=right style='mso-number-format:0'>17,542</td><td colspan=2 bgcolor=x"
                + " style='background:#FFFF00'>Berth&nbsp;A</td></tr><tr><td></td><td>b</td><td>c</td></tr></table>");
    assertThat(f.blocks()).singleElement().isInstanceOf(Table.class);
    Table t = (Table) f.blocks().getFirst();
    assertThat(t.rows()).hasSize(2);
    assertThat(t.look()).isEqualTo(TableTraits.RULED);
    assertThat(t.rows().getFirst().cells().getLast().columnSpan()).isEqualTo(2);
    assertThat(t.rows().getFirst().cells().getLast().look().value(TableTraits.SHADING))
        .isEqualTo(Colour.parse("FFFF00"));
    Paragraph amount = (Paragraph) t.rows().getFirst().cells().getFirst().blocks().getFirst();
    assertThat(amount.look().value(ParagraphTraits.ALIGNMENT))
        .isEqualTo(ParagraphTraits.Alignment.END);
    assertThat(t.rows().getLast().cells().getFirst().blocks())
        .as("an empty cell can be typed in")
        .hasSize(1);
  }

  @Test
  void headsOfTablesAreRepeated() {
    Fragment f =
        read(
            "<table><thead><tr><th>Berth</th></tr></thead><tbody><tr><td>A1</td></tr></tbody></table>");
    Table t = (Table) f.blocks().getFirst();
    assertThat(t.rows())
        .extracting(r -> r.look().value(TableTraits.HEADER_ROW))
        .containsExactly(true, false);
  }

  @Test
  void headingsQuotesAndCode() {
    Fragment f =
        read(
            "<h1 style=\"font-size:40px\">Rules</h1><blockquote>Said</blockquote><pre>a  b\n  c</pre>x<sup>2</sup>");
    assertThat(texts(f)).containsExactly("Rules", "Said", "a  b\n  c", "x2");
    Document d = f.document();
    assertThat(d.headingLevel(d.paragraphs().getFirst())).isEqualTo(1);
    assertThat(look(f, "Rules").sets(TextTraits.SIZE))
        .as("of the document's own headings")
        .isFalse();
    assertThat(paragraphs(f).get(1).look().value(ParagraphTraits.INDENT_START)).isEqualTo(36);
    assertThat(look(f, "2").value(TextTraits.RAISE)).isEqualTo(TextTraits.Raise.SUPERSCRIPT);
  }

  @Test
  void rightToLeftAndUnderlinedBySpans() {
    Fragment f =
        read(
            "<p dir=rtl style=\"text-align:right\">שלום</p><span style=\"text-decoration:underline line-through; vertical-align:sub\">u</span>");
    assertThat(paragraphs(f).getFirst().look().value(ParagraphTraits.DIRECTION))
        .isEqualTo(ParagraphTraits.Direction.RIGHT_TO_LEFT);
    assertThat(look(f, "u").value(TextTraits.UNDERLINE)).isTrue();
    assertThat(look(f, "u").value(TextTraits.STRIKE)).isTrue();
    assertThat(look(f, "u").value(TextTraits.RAISE)).isEqualTo(TextTraits.Raise.SUBSCRIPT);
  }

  @Test
  void markupThatIsBrokenOrEndlessIsReadAsFarAsItGoes() {
    assertThat(texts(read("<p>a<b>b<p>c</i></table>"))).containsExactly("ab", "c");
    assertThat(read("").isEmpty()).isTrue();
    assertThat(read("<table></table><ul></ul>").isEmpty()).isTrue();
    String deep = "<div>".repeat(20_000) + "x";
    assertThat(read(deep).blocks()).hasSizeLessThan(2);
    assertThat(read("<td colspan=99999 rowspan=-1>x").blocks()).hasSize(1);
    assertThat(
            texts(
                read(
                    "<p style=\"font-size:1e9px;color:rgb(999,0,0);font-weight:99999999999\">x</p>")))
        .containsExactly("x");
  }

  @Test
  void tabbedTextIsATableAndBack() {
    Fragment f = TabbedText.table("Berth\tm\r\nA1\t6\r\n", Samples.styles()).orElseThrow();
    assertThat(TabbedText.of(f)).isEqualTo("Berth\tm\nA1\t6");
    assertThat(TabbedText.table("one\tline\nand another", Samples.styles())).isEmpty();
    assertThat(TabbedText.table("no tabs\nat all", Samples.styles())).isEmpty();
    assertThat(TabbedText.table("", Samples.styles())).isEmpty();
    List<Block> text = List.of(Samples.paragraph("a"), Samples.paragraph("b"));
    String both =
        text.stream()
            .map(b -> TabbedText.of(all(Samples.document(b, Samples.paragraph("x")))))
            .collect(Collectors.joining("|"));
    assertThat(both).isEqualTo("a\nx|b\nx");
    assertThat(Optional.of(f)).isPresent();
  }
}
