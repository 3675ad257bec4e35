package decant.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Document;
import decant.model.Paragraph;
import decant.model.Position;
import decant.model.Selection;
import decant.model.Table;
import decant.model.edit.Revision;
import decant.model.edit.TableEdits;
import decant.model.look.Colour;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Placement;
import decant.model.look.Placement.Align;
import decant.model.look.Placement.Origin;
import decant.model.look.Placement.Wrap;
import decant.model.look.TableTraits;
import decant.model.look.TextFrame;
import decant.model.look.TextTraits;
import decant.model.look.TextTraits.UnderlineKind;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Looks by the clauses of ISO/IEC 29500-1 that define them; each holds in both directions. */
class DocxLooksTest extends MadeDocx {
  private Look run(String properties) throws IOException {
    Document d = read("<w:p><w:r><w:rPr>" + properties + "</w:rPr><w:t>x</w:t></w:r></w:p>");
    Look there = d.styles().textLook(d.styles().textBase(first(d).look()), look(d));
    Document back = again(d);
    Look again = back.styles().textLook(back.styles().textBase(first(back).look()), look(back));
    assertThat(again.without(TextTraits.KEPT)).isEqualTo(there.without(TextTraits.KEPT));
    return there;
  }

  /** §17.18.99, by the kinds that are drawn. */
  @ParameterizedTest
  @CsvSource({
    "single, SINGLE",
    "words, WORDS",
    "double, DOUBLE",
    "thick, THICK",
    "dotted, DOTTED",
    "dottedHeavy, DOTTED",
    "dash, DASHED",
    "dashLongHeavy, DASHED",
    "dotDotDash, DASHED",
    "wave, WAVE",
    "wavyDouble, WAVE"
  })
  void kindsOfUnderline(String kind, UnderlineKind drawn) throws IOException {
    Look l = run("<w:u w:val=\"" + kind + "\"/>");
    assertThat(l.value(TextTraits.UNDERLINE)).isTrue();
    assertThat(l.value(TextTraits.UNDERLINE_KIND)).isEqualTo(drawn);
  }

  @Test
  void noUnderlineIsNone() throws IOException {
    assertThat(run("<w:u w:val=\"none\"/>").value(TextTraits.UNDERLINE)).isFalse();
  }

  /** §17.18.40. */
  @ParameterizedTest
  @CsvSource({
    "yellow, FFFF00",
    "green, 00FF00",
    "cyan, 00FFFF",
    "magenta, FF00FF",
    "blue, 0000FF",
    "red, FF0000",
    "darkBlue, 00008B",
    "darkGreen, 006400",
    "darkRed, 8B0000",
    "darkGray, A9A9A9",
    "lightGray, D3D3D3",
    "black, 000000"
  })
  void highlights(String name, String hex) throws IOException {
    assertThat(run("<w:highlight w:val=\"" + name + "\"/>").value(TextTraits.HIGHLIGHT))
        .isEqualTo(Colour.parse(hex));
  }

  /** §17.3.5: a pattern mixes two colours. */
  @ParameterizedTest
  @CsvSource({
    "clear, FFFFFF, FF0000, FF0000",
    "solid, 0000FF, FFFFFF, 0000FF",
    "pct50, 000000, FFFFFF, 808080",
    "pct25, FF0000, FFFFFF, FFBFBF",
    "pct10, auto, FFFFFF, E6E6E6",
  })
  void shadings(String pattern, String front, String back, String shown) throws IOException {
    String shd =
        "<w:shd w:val=\"%s\" w:color=\"%s\" w:fill=\"%s\"/>".formatted(pattern, front, back);
    assertThat(run(shd).value(TextTraits.HIGHLIGHT)).isEqualTo(Colour.parse(shown));
  }

  /** §17.17.4: what switches a property off. */
  @ParameterizedTest
  @CsvSource({"true, true", "1, true", "on, true", "0, false", "false, false", "off, false"})
  void onAndOff(String value, boolean on) throws IOException {
    assertThat(run("<w:b w:val=\"" + value + "\"/>").value(TextTraits.BOLD)).isEqualTo(on);
  }

  /** §17.3.2.26: text from right to left has a font and a size of its own. */
  @Test
  void textFromRightToLeft() throws IOException {
    Document d =
        read(
            "<w:p><w:r><w:rPr><w:rFonts w:ascii=\"Liberation Serif\" w:cs=\"Noto Sans Hebrew\"/><w:sz w:val=\"20\"/><w:szCs w:val=\"28\"/><w:rtl/></w:rPr><w:t>שלום</w:t></w:r></w:p>");
    assertThat(look(d).value(TextTraits.FAMILY)).isEqualTo("Noto Sans Hebrew");
    assertThat(look(d).value(TextTraits.SIZE)).isEqualTo(14.0);
  }

  private static final String THEME =
      "<a:theme xmlns:a=\"http://schemas.openxmlformats.org/drawingml/2006/main\"><a:themeElements><a:clrScheme name=\"x\">"
          + "<a:dk1><a:sysClr val=\"windowText\" lastClr=\"101010\"/></a:dk1><a:lt1><a:srgbClr val=\"FFFFFF\"/></a:lt1>"
          + "<a:accent1><a:srgbClr val=\"204060\"/></a:accent1></a:clrScheme><a:fontScheme name=\"x\">"
          + "<a:majorFont><a:latin typeface=\"Carlito\"/></a:majorFont><a:minorFont><a:latin typeface=\"Caladea\"/></a:minorFont>"
          + "</a:fontScheme></a:themeElements></a:theme>";

  /** §17.18.96 and §14.2.7. */
  @Test
  void fontsOfTheTheme() throws IOException {
    with("theme", "theme", THEME);
    assertThat(look(read(themed("minorHAnsi"))).value(TextTraits.FAMILY)).isEqualTo("Caladea");
    assertThat(look(read(themed("majorAscii"))).value(TextTraits.FAMILY)).isEqualTo("Carlito");
  }

  private static String themed(String reference) {
    return "<w:p><w:r><w:rPr><w:rFonts w:asciiTheme=\""
        + reference
        + "\" w:ascii=\"Liberation Mono\"/></w:rPr><w:t>x</w:t></w:r></w:p>";
  }

  /** §20.1.2.3: colours of drawings, with their changes of lightness. */
  @ParameterizedTest
  @CsvSource({
    "<a:srgbClr val=\"112233\"/>, 112233",
    "<a:schemeClr val=\"accent1\"/>, 204060",
    "<a:schemeClr val=\"tx1\"/>, 101010",
    "<a:schemeClr val=\"bg1\"/>, FFFFFF",
    "<a:sysClr val=\"window\" lastClr=\"EEEEEE\"/>, EEEEEE",
    "<a:prstClr val=\"white\"/>, FFFFFF",
    "<a:schemeClr val=\"accent1\"><a:lumMod val=\"50000\"/></a:schemeClr>, 102030",
    "<a:srgbClr val=\"000000\"><a:lumOff val=\"100000\"/></a:srgbClr>, FFFFFF",
    "<a:srgbClr val=\"000000\"><a:tint val=\"0\"/></a:srgbClr>, FFFFFF",
  })
  void coloursOfTheTheme(String colour, String shown) throws IOException {
    with("theme", "theme", THEME);
    Document d =
        read(
            "<w:p><w:r><w:drawing><wp:inline><wp:extent cx=\"914400\" cy=\"914400\"/><a:graphic><a:graphicData uri=\"x\"><wps:wsp><wps:spPr><a:prstGeom prst=\"rect\"/><a:solidFill>"
                + colour
                + "</a:solidFill></wps:spPr></wps:wsp></a:graphicData></a:graphic></wp:inline></w:drawing></w:r></w:p>");
    var s = (decant.model.Inline.Shape) first(d).inlines().getFirst();
    assertThat(s.drawing().fill()).contains(Colour.parse(shown));
  }

  /** §17.3.3.30: a symbol shows as the sign that looks alike. */
  @ParameterizedTest
  @CsvSource({
    "Symbol, F061, \u03B1",
    "Symbol, F0B7, \u2022",
    "Symbol, F0B3, \u2265",
    "Wingdings, F0FC, \u2714",
    "Wingdings, F0A8, \u25FB",
    "Wingdings, F028, \u260E",
    "Wingdings, F001, \u2022",
    "Liberation Serif, 2190, \u2190",
    "Webdings, F0AA, \u2022",
  })
  void symbols(String font, String code, String shown) throws IOException {
    Document d =
        read("<w:p><w:r><w:sym w:font=\"%s\" w:char=\"%s\"/></w:r></w:p>".formatted(font, code));
    assertThat(first(d).text()).isEqualTo(shown);
  }

  @Test
  void textSetInASymbolFontShowsItsSigns() throws IOException {
    Document d =
        read(
            "<w:p><w:r><w:rPr><w:rFonts w:ascii=\"Symbol\" w:hAnsi=\"Symbol\"/></w:rPr><w:t>abc</w:t></w:r></w:p>");
    assertThat(first(d).text()).isEqualTo("\u03B1\u03B2\u03C7");
  }

  /** §17.3.1.11. */
  @Test
  void framesStandWhereTheySay() throws IOException {
    Document d =
        read(
            frame(
                    "w:w=\"2000\" w:h=\"1000\" w:hRule=\"exact\" w:wrap=\"notBeside\" w:hAnchor=\"margin\" w:xAlign=\"right\" w:vAnchor=\"page\" w:yAlign=\"bottom\"")
                + frame(
                    "w:w=\"2000\" w:hSpace=\"100\" w:vSpace=\"60\" w:wrap=\"none\" w:hAnchor=\"page\" w:x=\"720\" w:vAnchor=\"text\" w:y=\"360\"")
                + frame(
                    "w:dropCap=\"drop\" w:lines=\"3\" w:hAnchor=\"text\" w:vAnchor=\"text\" w:xAlign=\"center\" w:yAlign=\"top\""));
    for (Document x : List.of(d, again(d))) {
      TextFrame corner = frame(x, 0);
      assertThat(List.of(corner.width(), corner.height())).containsExactly(100.0, 50.0);
      assertThat(corner.exact()).isTrue();
      Placement.Floating a = (Placement.Floating) corner.placement();
      assertThat(a.wrap()).isEqualTo(Wrap.ABOVE_AND_BELOW);
      assertThat(a.across()).isEqualTo(new Placement.Axis(Origin.MARGIN, Align.END, 0));
      assertThat(a.down()).isEqualTo(new Placement.Axis(Origin.PAGE, Align.END, 0));
      Placement.Floating b = (Placement.Floating) frame(x, 1).placement();
      assertThat(b.wrap()).isEqualTo(Wrap.THROUGH);
      assertThat(b.across()).isEqualTo(new Placement.Axis(Origin.PAGE, Align.OFFSET, 36));
      assertThat(b.down()).isEqualTo(new Placement.Axis(Origin.PARAGRAPH, Align.OFFSET, 18));
      assertThat(b.distance().left()).isEqualTo(5.0);
      assertThat(b.distance().top()).isEqualTo(3.0);
      Placement.Floating c = (Placement.Floating) frame(x, 2).placement();
      assertThat(c.across().align()).isEqualTo(Align.CENTRE);
      assertThat(c.down().align()).isEqualTo(Align.START);
    }
  }

  private static String frame(String attributes) {
    return "<w:p><w:pPr><w:framePr " + attributes + "/></w:pPr><w:r><w:t>x</w:t></w:r></w:p><w:p/>";
  }

  private static TextFrame frame(Document d, int which) {
    return d.paragraphs().stream()
        .filter(p -> p.look().sets(ParagraphTraits.FRAME))
        .skip(which)
        .findFirst()
        .map(p -> p.look().value(ParagraphTraits.FRAME))
        .orElseThrow();
  }

  /** §17.4.57. */
  @Test
  void floatingTablesStandWhereTheySay() throws IOException {
    Document d =
        read(
            "<w:tbl><w:tblPr><w:tblpPr w:leftFromText=\"180\" w:topFromText=\"100\" w:vertAnchor=\"margin\" w:horzAnchor=\"page\" w:tblpX=\"1440\" w:tblpYSpec=\"center\"/></w:tblPr><w:tblGrid><w:gridCol w:w=\"900\"/></w:tblGrid><w:tr><w:tc><w:p/></w:tc></w:tr></w:tbl><w:p/>");
    for (Document x : List.of(d, again(d))) {
      Table t = (Table) x.sections().getFirst().blocks().getFirst();
      Placement.Floating p = (Placement.Floating) t.look().value(TableTraits.PLACEMENT);
      assertThat(p.across()).isEqualTo(new Placement.Axis(Origin.PAGE, Align.OFFSET, 72));
      assertThat(p.down()).isEqualTo(new Placement.Axis(Origin.MARGIN, Align.CENTRE, 0));
      assertThat(p.distance().left()).isEqualTo(9.0);
      assertThat(p.distance().top()).isEqualTo(5.0);
    }
  }

  private static final List<String> PARTS =
      List.of(
          "firstRow",
          "lastRow",
          "firstCol",
          "lastCol",
          "band1Horz",
          "band2Horz",
          "nwCell",
          "neCell",
          "swCell",
          "seCell");

  /** Three columns and four rows in a style; which of its parts are asked for is put in. */
  private static final String TABLE =
      "<w:tbl><w:tblPr><w:tblStyle w:val=\"T\"/><w:tblLook %s/></w:tblPr><w:tblGrid>"
          + "<w:gridCol w:w=\"900\"/>".repeat(3)
          + "</w:tblGrid>"
          + ("<w:tr>" + "<w:tc><w:tcPr/><w:p/></w:tc>".repeat(3) + "</w:tr>").repeat(4)
          + "</w:tbl><w:p/>";

  /** As other programs show the file that is saved: by the place of a cell, not by its past. */
  @Test
  void cellsThatComeToStandElsewhereLookAsTheirPlaceAsks() throws IOException {
    inColours();
    Document d = read(TABLE.formatted("w:val=\"01E0\""));
    Revision all = Revision.of(d).withSelection(Selection.at(new Position(cell(d, 4).id(), 0)));
    var after =
        Map.<String, Revision>of(
            "a row above", TableEdits.insertRows(all, false),
            "a row below", TableEdits.insertRows(all, true),
            "a column", TableEdits.insertColumns(all, true),
            "a row gone", TableEdits.deleteRows(all),
            "a column gone", TableEdits.deleteColumns(all),
            "a head", TableEdits.toggleHeader(all),
            "the last row gone",
                TableEdits.deleteRows(
                    all.withSelection(Selection.at(new Position(cell(d, 11).id(), 0)))));
    after.forEach((what, r) -> {
      assertThat(r.document()).as(what).isNotSameAs(d);
      assertThat(fills(r.document())).as(what).isEqualTo(fills(taken(r.document())));
    });
    assertThat(fills(after.get("a row above").document()))
        .containsSubsequence("band1Horz", "band2Horz", "band1Horz", "lastRow");
  }

  private Document taken(Document d) {
    try {
      return again(d);
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }

  private static Paragraph cell(Document d, int number) {
    Table t = (Table) d.sections().getFirst().blocks().getFirst();
    return (Paragraph)
        t.rows().stream().flatMap(r -> r.cells().stream()).toList().get(number).blocks().getFirst();
  }

  /** §17.7.6: which part of a table's style holds for which cell, each part in its own colour. */
  @Test
  void partsOfATableStyle() throws IOException {
    inColours();
    assertThat(fills(read(TABLE.formatted("w:val=\"01E0\""))))
        .as("all parts; the corners above the edges, and these above the bands")
        .containsExactly(
            "nwCell",
            "firstRow",
            "neCell",
            "firstCol",
            "band1Horz",
            "lastCol",
            "firstCol",
            "band2Horz",
            "lastCol",
            "swCell",
            "lastRow",
            "seCell");
    assertThat(
            fills(
                read(
                    TABLE.formatted(
                        "w:firstRow=\"1\" w:lastRow=\"0\" w:firstColumn=\"0\" w:lastColumn=\"0\" w:noHBand=\"1\" w:noVBand=\"1\""))))
        .containsExactly(
            "firstRow", "firstRow", "firstRow", "-", "-", "-", "-", "-", "-", "-", "-", "-");
  }

  private void inColours() {
    var style =
        new StringBuilder("<w:style w:type=\"table\" w:styleId=\"T\"><w:name w:val=\"T\"/>");
    for (String p : PARTS) {
      style
          .append("<w:tblStylePr w:type=\"" + p + "\"><w:tcPr><w:shd w:val=\"clear\" w:fill=\"")
          .append("%06X".formatted(PARTS.indexOf(p) + 1))
          .append("\"/></w:tcPr></w:tblStylePr>");
    }
    styles(style.append("</w:style>").toString());
  }

  private static List<String> fills(Document d) {
    Table t = (Table) d.sections().getFirst().blocks().getFirst();
    return t.rows().stream()
        .flatMap(r -> r.cells().stream())
        .map(c -> c.look().value(TableTraits.FROM_STYLE))
        .map(l ->
            l.sets(TableTraits.SHADING) ? PARTS.get(l.value(TableTraits.SHADING).blue() - 1) : "-")
        .toList();
  }

  /** A look that is set directly is above that of any style. */
  @Test
  void whatIsSetDirectlyHolds() throws IOException {
    styles(
        "<w:style w:type=\"paragraph\" w:styleId=\"A\"><w:name w:val=\"A\"/><w:pPr><w:jc w:val=\"center\"/></w:pPr><w:rPr><w:b/><w:sz w:val=\"40\"/></w:rPr></w:style>");
    Document d =
        read(
            "<w:p><w:pPr><w:pStyle w:val=\"A\"/><w:jc w:val=\"right\"/></w:pPr><w:r><w:rPr><w:b w:val=\"0\"/></w:rPr><w:t>x</w:t></w:r></w:p>");
    for (Document x : List.of(d, again(d))) {
      Paragraph p = first(x);
      Look text = x.styles().textLook(x.styles().textBase(p.look()), look(x));
      assertThat(Map.of("bold", text.value(TextTraits.BOLD), "size", text.value(TextTraits.SIZE)))
          .isEqualTo(Map.of("bold", false, "size", 20.0));
      assertThat(x.styles().paragraphLook(p.look()).value(ParagraphTraits.ALIGNMENT))
          .isEqualTo(ParagraphTraits.Alignment.END);
    }
  }
}
