package decant.office;

import static org.assertj.core.api.Assertions.assertThat;

import decant.Samples;
import decant.layout.Layout;
import decant.layout.Places;
import decant.layout.Rich;
import decant.model.Block;
import decant.model.Cell;
import decant.model.Columns;
import decant.model.Document;
import decant.model.Inline;
import decant.model.NodeId;
import decant.model.PageSetup;
import decant.model.Paragraph;
import decant.model.Section;
import decant.model.Story;
import decant.model.Table;
import decant.model.finding.Finding;
import decant.model.look.Colour;
import decant.model.look.Contour;
import decant.model.look.Extent;
import decant.model.look.Link;
import decant.model.look.ListDefinition;
import decant.model.look.ListMembership;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.ParagraphTraits.TabStop;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.TableTraits;
import decant.model.look.TextTraits;
import decant.model.look.VerticalAlignment;
import decant.reading.TakenIn;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;

/**
 * What DOCX says about pages (ISO/IEC 29500-1, clauses at the tests): how it comes in, and that it
 * goes back out. What is written is held against the schemas of ECMA-376.
 */
class DocxFeaturesTest extends MadeDocx {
  /** §17.16.5.25: a field may lead to a place in another file. */
  @Test
  void fieldsLeadToPlacesInOtherFiles() throws Exception {
    Document d =
        taken(
                "<w:p><w:fldSimple w:instr=\"HYPERLINK &quot;https://quay.example/b&quot; \\l &quot;fees&quot;\"><w:r><w:t>there</w:t></w:r></w:fldSimple>"
                    + "<w:fldSimple w:instr=\"HYPERLINK \\l &quot;fees&quot;\"><w:r><w:t>here</w:t></w:r></w:fldSimple></w:p>")
            .document();
    assertThat(
            d.paragraphs().getFirst().inlines().stream()
                .flatMap(x -> x.look().get(TextTraits.LINK).stream()))
        .containsExactly(
            new Link.External("https://quay.example/b#fees"), new Link.Internal("fees"));
  }

  @Test
  void looksOfText() throws IOException {
    Document d =
        read(
            "<w:p><w:r><w:rPr><w:smallCaps/><w:dstrike/><w:spacing w:val=\"30\"/><w:kern w:val=\"28\"/><w:position w:val=\"6\"/>"
                + "<w:u w:val=\"wave\"/><w:shd w:val=\"pct50\" w:color=\"000000\" w:fill=\"FFFFFF\"/></w:rPr><w:t>Looks</w:t></w:r></w:p>");
    for (Document x : List.of(d, again(d))) {
      Look l = look(x);
      assertThat(l.value(TextTraits.SMALL_CAPS)).isTrue();
      assertThat(l.value(TextTraits.DOUBLE_STRIKE)).isTrue();
      assertThat(l.value(TextTraits.LETTER_SPACING)).isEqualTo(1.5);
      assertThat(l.value(TextTraits.KERNING)).isEqualTo(14.0);
      assertThat(l.value(TextTraits.SHIFT)).isEqualTo(3.0);
      assertThat(l.value(TextTraits.UNDERLINE_KIND)).isEqualTo(TextTraits.UnderlineKind.WAVE);
      assertThat(l.value(TextTraits.HIGHLIGHT)).isEqualTo(new Colour(0x808080));
    }
  }

  /** §17.3.1.24, §17.3.1.38, §17.3.1.11. */
  @Test
  void bordersTabsAndFramesOfParagraphs() throws IOException {
    Document d =
        read(
            "<w:p><w:pPr><w:framePr w:w=\"2000\" w:h=\"400\" w:hRule=\"exact\" w:hSpace=\"180\" w:wrap=\"around\" w:vAnchor=\"text\" w:hAnchor=\"margin\" w:xAlign=\"right\" w:y=\"40\"/>"
                + "<w:pBdr><w:top w:val=\"double\" w:sz=\"8\" w:space=\"4\" w:color=\"7A1F33\"/><w:between w:val=\"dotted\" w:sz=\"4\" w:space=\"1\" w:color=\"auto\"/></w:pBdr>"
                + "<w:tabs><w:tab w:val=\"clear\" w:pos=\"720\"/><w:tab w:val=\"decimal\" w:leader=\"hyphen\" w:pos=\"4000\"/></w:tabs></w:pPr><w:r><w:t>Framed</w:t></w:r></w:p>");
    for (Document x : List.of(d, again(d))) {
      Look l = first(x).look();
      assertThat(l.value(ParagraphTraits.RULES).top())
          .contains(new Rule(Rule.Kind.DOUBLE, 1, new Colour(0x7A1F33), 4));
      assertThat(l.value(ParagraphTraits.RULES).insideAcross())
          .hasValueSatisfying(r -> assertThat(r.kind()).isEqualTo(Rule.Kind.DOTTED));
      assertThat(l.value(ParagraphTraits.TABS))
          .containsExactly(
              new TabStop(36, TabStop.Kind.CLEAR, TabStop.Leader.NONE),
              new TabStop(200, TabStop.Kind.DECIMAL, TabStop.Leader.HYPHEN));
      assertThat(l.value(ParagraphTraits.FRAME).width()).isEqualTo(100);
      assertThat(l.value(ParagraphTraits.FRAME).exact()).isTrue();
      assertThat(l.value(ParagraphTraits.FRAME).placement())
          .isInstanceOfSatisfying(
              Placement.Floating.class,
              f -> {
                assertThat(f.across())
                    .isEqualTo(new Placement.Axis(Placement.Origin.MARGIN, Placement.Align.END, 0));
                assertThat(f.down().offset()).isEqualTo(2.0);
              });
    }
  }

  /** §17.6: paper, columns, numbers, borders, where text stands. */
  @Test
  void sections() throws IOException {
    Document d =
        read(
            "<w:p><w:pPr><w:sectPr><w:pgSz w:w=\"11906\" w:h=\"16838\"/><w:pgMar w:top=\"1000\" w:right=\"1000\" w:bottom=\"1000\" w:left=\"1000\" w:header=\"400\" w:footer=\"400\" w:gutter=\"200\"/>"
                + "<w:pgBorders w:offsetFrom=\"page\"><w:top w:val=\"single\" w:sz=\"12\" w:space=\"24\" w:color=\"000000\"/></w:pgBorders>"
                + "<w:pgNumType w:fmt=\"lowerRoman\" w:start=\"3\"/><w:cols w:num=\"2\" w:sep=\"1\" w:space=\"400\"/><w:vAlign w:val=\"center\"/><w:docGrid w:type=\"lines\" w:linePitch=\"312\"/></w:sectPr></w:pPr></w:p>"
                + "<w:p/><w:sectPr><w:type w:val=\"oddPage\"/><w:pgSz w:w=\"16838\" w:h=\"11906\" w:orient=\"landscape\"/><w:pgMar w:top=\"1000\" w:right=\"1000\" w:bottom=\"1000\" w:left=\"1000\" w:header=\"400\" w:footer=\"400\" w:gutter=\"0\"/>"
                + "<w:cols w:num=\"2\" w:equalWidth=\"0\"><w:col w:w=\"4000\" w:space=\"200\"/><w:col w:w=\"8000\"/></w:cols></w:sectPr>");
    for (Document x : List.of(d, again(d))) {
      PageSetup a = x.sections().get(0).page();
      assertThat(a.margins().left()).as("the gutter is at the left").isEqualTo(60.0);
      assertThat(a.columns()).isEqualTo(Columns.equal(2, 20, true));
      assertThat(a.numbers().start()).contains(3);
      assertThat(a.numbers().format()).isEqualTo(ListDefinition.NumberFormat.LOWER_ROMAN);
      assertThat(a.borders().rules().top())
          .contains(new Rule(Rule.Kind.SINGLE, 1.5, Colour.BLACK, 24));
      assertThat(a.borders().fromEdge()).isTrue();
      assertThat(a.alignment()).isEqualTo(VerticalAlignment.CENTRE);
      assertThat(a.grid()).isEqualTo(15.6);
      Section b = x.sections().get(1);
      assertThat(b.start()).isEqualTo(Section.Start.ODD_PAGE);
      assertThat(b.page().columns().widths()).containsExactly(200.0, 400.0);
      assertThat(b.page().columns().gaps()).containsExactly(10.0);
    }
  }

  /** §17.10.5: a part that several sections refer to is one text, changed in all of them. */
  @Test
  void aHeaderOfSeveralSectionsStaysOne() throws IOException {
    Paragraph p = Samples.paragraph("Harbour office");
    var head = new Story(NodeId.fresh(), Story.Kind.RUNNING, List.of(p));
    Section one = section(head, Samples.table(new String[] {"Berth", "Depth"}));
    Document d =
        again(
            Samples.document(p)
                .withSections(List.of(one, section(head, Samples.paragraph("Second part")))));
    List<Story> texts =
        d.sections().stream().map(s -> s.running().get(Section.Running.HEADER)).toList();
    assertThat(texts.get(0)).isSameAs(texts.get(1));
    Paragraph now = (Paragraph) texts.getFirst().blocks().getFirst();
    Document changed = d.withParagraph(now.withInlines(List.of()));
    assertThat(changed.sections())
        .allSatisfy(s ->
            assertThat(s.running().get(Section.Running.HEADER).blocks())
                .containsExactly(now.withInlines(List.of())));
    assertThat(d.sections().getFirst().blocks())
        .as("a section that ends with a table comes back without a line more")
        .hasSize(1);
  }

  private static Section section(Story header, Block block) {
    return new Section(
        NodeId.fresh(),
        PageSetup.A4,
        Section.Start.NEW_PAGE,
        Map.of(Section.Running.HEADER, header),
        List.of(block));
  }

  /** §17.9: a list that a style puts paragraphs in, at the level linked to it; an override. */
  @Test
  void numberingByStylesLevelsAndOverrides() throws IOException {
    styles(
        "<w:style w:type=\"paragraph\" w:styleId=\"H1\"><w:name w:val=\"heading 1\"/><w:pPr><w:numPr><w:numId w:val=\"1\"/></w:numPr></w:pPr></w:style>"
            + "<w:style w:type=\"paragraph\" w:styleId=\"H2\"><w:name w:val=\"heading 2\"/><w:basedOn w:val=\"H1\"/><w:pPr><w:numPr><w:ilvl w:val=\"1\"/></w:numPr><w:ind w:left=\"100\"/></w:pPr></w:style>");
    with(
        "numbering",
        "numbering",
        "<w:numbering "
            + ROOT
            + "><w:abstractNum w:abstractNumId=\"0\"><w:lvl w:ilvl=\"0\"><w:start w:val=\"1\"/><w:numFmt w:val=\"upperRoman\"/><w:pStyle w:val=\"H1\"/><w:lvlText w:val=\"%1.\"/><w:lvlJc w:val=\"right\"/><w:pPr><w:ind w:left=\"700\" w:hanging=\"300\"/></w:pPr></w:lvl>"
            + "<w:lvl w:ilvl=\"1\"><w:start w:val=\"1\"/><w:numFmt w:val=\"decimal\"/><w:pStyle w:val=\"H2\"/><w:isLgl/><w:suff w:val=\"space\"/><w:lvlText w:val=\"%1.%2\"/><w:pPr><w:ind w:left=\"900\"/></w:pPr></w:lvl></w:abstractNum>"
            + "<w:num w:numId=\"1\"><w:abstractNumId w:val=\"0\"/></w:num>"
            + "<w:num w:numId=\"2\"><w:abstractNumId w:val=\"0\"/><w:lvlOverride w:ilvl=\"0\"><w:startOverride w:val=\"7\"/></w:lvlOverride></w:num></w:numbering>");
    String h1 = "<w:p><w:pPr><w:pStyle w:val=\"H1\"/></w:pPr><w:r><w:t>One</w:t></w:r></w:p>";
    String h2 = "<w:p><w:pPr><w:pStyle w:val=\"H2\"/></w:pPr><w:r><w:t>Below</w:t></w:r></w:p>";
    String other =
        "<w:p><w:pPr><w:numPr><w:ilvl w:val=\"0\"/><w:numId w:val=\"2\"/></w:numPr></w:pPr><w:r><w:t>Seven</w:t></w:r></w:p>";
    Document d = read(h1 + h2 + h1 + h2 + h2 + other + other);
    for (Document x : List.of(d, again(d))) {
      assertThat(x.paragraphs())
          .extracting(p -> decant.layout.label.ListLabels.of(x).get(p.id()))
          .containsExactly("I.", "1.1", "II.", "2.1", "2.2", "VII.", "VIII.");
      Look style = in(x, x.paragraphs().get(1).look());
      assertThat(style.value(ParagraphTraits.INDENT_START))
          .as("the style's own indent goes before that of the level it asks for")
          .isEqualTo(5.0);
      assertThat(in(x, x.paragraphs().get(0).look()).value(ParagraphTraits.INDENT_START))
          .isEqualTo(35.0);
      assertThat(in(x, x.paragraphs().get(0).look()).value(ParagraphTraits.LIST))
          .isEqualTo(new ListMembership("1", 0));
    }
  }

  /** §17.4, §17.7.6: widths, borders, merged cells, what a style gives to rows and columns. */
  @Test
  void tablesAndTheirStyles() throws IOException {
    styles(
        "<w:style w:type=\"table\" w:styleId=\"Grid\"><w:name w:val=\"Grid\"/><w:tblPr><w:tblBorders><w:top w:val=\"single\" w:sz=\"8\" w:space=\"0\" w:color=\"000000\"/></w:tblBorders></w:tblPr>"
            + "<w:tblStylePr w:type=\"firstRow\"><w:rPr><w:b/></w:rPr><w:tcPr><w:shd w:val=\"clear\" w:color=\"auto\" w:fill=\"DDDDDD\"/></w:tcPr></w:tblStylePr>"
            + "<w:tblStylePr w:type=\"band2Horz\"><w:tcPr><w:shd w:val=\"clear\" w:color=\"auto\" w:fill=\"EEEEEE\"/></w:tcPr></w:tblStylePr></w:style>");
    String cell =
        "<w:tc><w:tcPr><w:tcW w:w=\"2000\" w:type=\"dxa\"/></w:tcPr><w:p><w:r><w:t>c</w:t></w:r></w:p></w:tc>";
    Document d =
        read(
            "<w:tbl><w:tblPr><w:tblStyle w:val=\"Grid\"/><w:tblW w:w=\"2500\" w:type=\"pct\"/><w:jc w:val=\"center\"/><w:tblLayout w:type=\"fixed\"/><w:tblLook w:val=\"0020\"/></w:tblPr><w:tblGrid><w:gridCol w:w=\"2000\"/><w:gridCol w:w=\"2000\"/></w:tblGrid>"
                + "<w:tr><w:trPr><w:cantSplit/><w:trHeight w:val=\"600\" w:hRule=\"exact\"/><w:tblHeader/></w:trPr>"
                + cell
                + cell
                + "</w:tr>"
                + "<w:tr><w:tc><w:tcPr><w:tcW w:w=\"2000\" w:type=\"dxa\"/><w:vMerge w:val=\"restart\"/><w:tcBorders><w:left w:val=\"nil\"/></w:tcBorders><w:noWrap/><w:vAlign w:val=\"bottom\"/></w:tcPr><w:p/></w:tc>"
                + cell
                + "</w:tr>"
                + "<w:tr><w:tc><w:tcPr><w:vMerge/></w:tcPr><w:p/></w:tc>"
                + cell
                + "</w:tr>"
                + "</w:tbl><w:p/>");
    for (Document x : List.of(d, again(d))) {
      Table t = (Table) x.sections().getFirst().blocks().getFirst();
      assertThat(t.look().value(TableTraits.WIDTH)).isEqualTo(new Extent.Share(0.5));
      assertThat(t.look().value(TableTraits.ALIGNMENT)).isEqualTo(ParagraphTraits.Alignment.CENTRE);
      assertThat(t.look().value(TableTraits.FIXED_COLUMNS)).isTrue();
      Look row = t.rows().get(0).look();
      assertThat(row.value(TableTraits.HEADER_ROW)).isTrue();
      assertThat(row.value(TableTraits.ROW_SPLITS)).isFalse();
      assertThat(row.value(TableTraits.ROW_EXACT)).isTrue();
      assertThat(row.value(TableTraits.ROW_HEIGHT)).isEqualTo(30.0);
      Cell head = t.rows().get(0).cells().get(0);
      assertThat(head.look().value(TableTraits.FROM_STYLE).value(TableTraits.SHADING))
          .isEqualTo(new Colour(0xDDDDDD));
      assertThat(head.look().value(TableTraits.TEXTS).value(TextTraits.BOLD)).isTrue();
      Cell merged = t.rows().get(1).cells().get(0);
      assertThat(merged.rowSpan()).isEqualTo(2);
      assertThat(merged.look().value(TableTraits.RULES).start()).contains(Rule.NONE);
      assertThat(merged.look().value(TableTraits.NO_WRAP)).isTrue();
      assertThat(merged.look().value(TableTraits.VERTICAL_ALIGNMENT))
          .isEqualTo(VerticalAlignment.BOTTOM);
      Cell band = t.rows().get(2).cells().get(0);
      assertThat(band.look().value(TableTraits.FROM_STYLE).value(TableTraits.SHADING))
          .isEqualTo(new Colour(0xEEEEEE));
    }
  }

  /** §17.16: what is computed is a field, all else goes back as it was around its result. */
  @Test
  void fields() throws IOException {
    String mark = "<w:r><w:fldChar w:fldCharType=\"%s\"/></w:r>";
    String instruction = "<w:r><w:instrText xml:space=\"preserve\"> %s </w:instrText></w:r>";
    Document d =
        read(
            "<w:p>"
                + mark.formatted("begin")
                + instruction.formatted("TOC \\o \"1-3\"")
                + mark.formatted("separate")
                + "<w:hyperlink w:anchor=\"_a\"><w:r><w:t>Berths</w:t></w:r><w:r><w:tab/></w:r>"
                + mark.formatted("begin")
                + instruction.formatted("PAGEREF _a \\h")
                + mark.formatted("separate")
                + "<w:r><w:t>4</w:t></w:r>"
                + mark.formatted("end")
                + "</w:hyperlink></w:p><w:p>"
                + mark.formatted("end")
                + "<w:r><w:t>See </w:t></w:r><w:fldSimple w:instr=\" SEQ Table \"><w:r><w:t>7</w:t></w:r></w:fldSimple></w:p>");
    for (Document x : List.of(d, again(d))) {
      assertThat(first(x).inlines())
          .filteredOn(i -> i instanceof Inline.Field)
          .singleElement()
          .isInstanceOfSatisfying(
              Inline.Field.class,
              f -> {
                assertThat(f.kind()).isEqualTo(Inline.Field.Kind.PAGE_OF);
                assertThat(f.target()).isEqualTo("_a");
                assertThat(f.shown()).isEqualTo("4");
              });
      assertThat(x.paragraphs().get(1).text().replace("\uFFFC", "")).isEqualTo("See 7");
      assertThat(x.paragraphs().get(1).inlines())
          .filteredOn(i -> i instanceof Inline.KeptInline)
          .hasSize(3);
    }
    // The half of a field whose other half an edit took away does not go back.
    Document cut =
        d.withBlocks(
            d.sections().getFirst().id(), 0, 1, List.<Block>of(Samples.paragraph("no contents")));
    assertThat(again(cut).paragraphs().get(1).inlines())
        .filteredOn(i -> i instanceof Inline.KeptInline)
        .hasSize(2);
  }

  @Test
  void notesGoToTheirOwnPartsAndShowTheirLabels() throws IOException {
    var rich = new Rich();
    Document made =
        rich.section(
                PageSetup.A4,
                Section.Start.NEW_PAGE,
                Rich.of(
                    Rich.text("Text"),
                    rich.note(Story.Kind.FOOTNOTE, "At the foot."),
                    rich.note(Story.Kind.ENDNOTE, "At the end.")))
            .document();
    Document d = again(made);
    assertThat(d.stories().values())
        .extracting(Story::kind)
        .containsExactly(Story.Kind.FOOTNOTE, Story.Kind.ENDNOTE);
    Layout l = Samples.layout(d);
    assertThat(l.pages().getFirst().notes()).isPresent();
    assertThat(Places.lines(l.pages().getFirst().notes().orElseThrow().content()))
        .singleElement()
        .satisfies(x ->
            assertThat(x.paragraph().source().inlines().getFirst())
                .isInstanceOf(Inline.NoteMark.class));
  }

  @Test
  void shapesPicturesAndGroupsGoBackWithTheirTextsAsTheyAreNow() throws IOException {
    String box =
        "<w:p><w:r><mc:AlternateContent><mc:Choice Requires=\"wps\"><w:drawing><wp:anchor distT=\"0\" distB=\"0\" distL=\"114300\" distR=\"114300\" simplePos=\"0\" relativeHeight=\"1\" behindDoc=\"0\" locked=\"0\" layoutInCell=\"1\" allowOverlap=\"1\"><wp:simplePos x=\"0\" y=\"0\"/>"
            + "<wp:positionH relativeFrom=\"margin\"><wp:align>right</wp:align></wp:positionH><wp:positionV relativeFrom=\"paragraph\"><wp:posOffset>127000</wp:posOffset></wp:positionV><wp:extent cx=\"1270000\" cy=\"635000\"/><wp:effectExtent l=\"0\" t=\"0\" r=\"0\" b=\"0\"/><wp:wrapSquare wrapText=\"bothSides\"/>"
            + "<wp:docPr id=\"1\" name=\"Box 1\"/><wp:cNvGraphicFramePr/><a:graphic><a:graphicData uri=\"http://schemas.microsoft.com/office/word/2010/wordprocessingShape\"><wps:wsp><wps:cNvSpPr txBox=\"1\"/><wps:spPr><a:xfrm rot=\"5400000\"><a:off x=\"0\" y=\"0\"/><a:ext cx=\"1270000\" cy=\"635000\"/></a:xfrm><a:prstGeom prst=\"ellipse\"><a:avLst/></a:prstGeom><a:solidFill><a:srgbClr val=\"FFEEDD\"/></a:solidFill><a:ln w=\"12700\"><a:solidFill><a:srgbClr val=\"112233\"/></a:solidFill></a:ln></wps:spPr>"
            + "<wps:txbx><w:txbxContent><w:p><w:r><w:t>In the box</w:t></w:r></w:p></w:txbxContent></wps:txbx><wps:bodyPr lIns=\"0\" anchor=\"ctr\"/></wps:wsp></a:graphicData></a:graphic></wp:anchor></w:drawing></mc:Choice></mc:AlternateContent></w:r></w:p>";
    Document d = read(box);
    for (Document x : List.of(d, again(d))) {
      Inline.Shape s = (Inline.Shape) first(x).inlines().getFirst();
      assertThat(s.drawing().geometry()).isEqualTo(Inline.Geometry.ELLIPSE);
      assertThat(s.rotation()).isEqualTo(90.0);
      assertThat(s.width()).isEqualTo(100.0);
      assertThat(s.drawing().fill()).contains(new Colour(0xFFEEDD));
      assertThat(s.drawing().outline()).contains(Rule.single(1, new Colour(0x112233)));
      assertThat(s.content().alignment()).isEqualTo(VerticalAlignment.CENTRE);
      assertThat(s.placement())
          .isInstanceOfSatisfying(
              Placement.Floating.class, f -> assertThat(f.wrap()).isEqualTo(Placement.Wrap.AROUND));
    }
    Inline.Shape s = (Inline.Shape) first(d).inlines().getFirst();
    Paragraph inside =
        (Paragraph) d.stories().get(s.content().story().orElseThrow()).blocks().getFirst();
    Document edited =
        d.withParagraph(inside.withInlines(List.of(new Inline.Text("Changed", Look.PLAIN))));
    Document back = again(edited);
    Inline.Shape t = (Inline.Shape) first(back).inlines().getFirst();
    assertThat(
            ((Paragraph) back.stories().get(t.content().story().orElseThrow()).blocks().getFirst())
                .text())
        .isEqualTo("Changed");
  }

  /** §20.4.2.16 to §20.4.2.18; its polygon is in 21600ths of the drawing's extent. */
  @Test
  void textFlowsAroundTheOutlineThatADrawingGives() throws IOException {
    String tight =
        "<w:p><w:r><mc:AlternateContent><mc:Choice Requires=\"wps\"><w:drawing><wp:anchor distT=\"0\" distB=\"0\" distL=\"114300\" distR=\"114300\" simplePos=\"0\" relativeHeight=\"1\" behindDoc=\"0\" locked=\"0\" layoutInCell=\"1\" allowOverlap=\"1\"><wp:simplePos x=\"0\" y=\"0\"/><wp:extent cx=\"1270000\" cy=\"635000\"/>"
            + "<wp:wrapTight wrapText=\"right\"><wp:wrapPolygon edited=\"0\"><wp:start x=\"10800\" y=\"0\"/><wp:lineTo x=\"21600\" y=\"21600\"/><wp:lineTo x=\"0\" y=\"21600\"/><wp:lineTo x=\"10800\" y=\"0\"/></wp:wrapPolygon></wp:wrapTight>"
            + "<wp:docPr id=\"1\" name=\"Tent\"/><a:graphic><a:graphicData uri=\"http://schemas.microsoft.com/office/word/2010/wordprocessingShape\"><wps:wsp><wps:spPr><a:prstGeom prst=\"rect\"/></wps:spPr></wps:wsp></a:graphicData></a:graphic></wp:anchor></w:drawing></mc:Choice></mc:AlternateContent></w:r></w:p>";
    String vml =
        "<w:p><w:r><w:pict><v:rect wrapcoords=\"10800 0 21600 21600 0 21600\" style=\"position:absolute;margin-left:0;margin-top:0;width:100pt;height:50pt\"><w10:wrap type=\"tight\" side=\"left\"/></v:rect></w:pict></w:r></w:p>";
    Document d = read(tight + vml);
    for (Document x : List.of(d, again(d))) {
      assertThat(wrap(x, 0).side()).isEqualTo(Placement.Side.RIGHT);
      assertThat(wrap(x, 0).contour().points())
          .hasSize(4)
          .startsWith(new Contour.Point(0.5, 0), new Contour.Point(1, 1));
      assertThat(wrap(x, 1).side()).isEqualTo(Placement.Side.LEFT);
      assertThat(wrap(x, 1).contour().points()).hasSize(3);
    }
    var rich = new Rich();
    Placement place = ((Inline.Shape) first(d).inlines().getFirst()).placement();
    Inline box = rich.box(100, 50, place, Samples.paragraph("In the tent"));
    Document made = rich.section(PageSetup.A4, Section.Start.NEW_PAGE, Rich.of(box)).document();
    Document anew = again(made);
    assertThat(wrap(anew, 0)).as("drawn anew, without the original").isEqualTo(wrap(d, 0));
  }

  private static Placement.Wrap.Around wrap(Document d, int paragraph) {
    Inline.Shape s = (Inline.Shape) d.paragraphs().get(paragraph).inlines().getFirst();
    return (Placement.Wrap.Around) ((Placement.Floating) s.placement()).wrap();
  }

  @Test
  void aWatermarkIsTurnedTextBehindThePage() throws IOException {
    Document d =
        read(
            "<w:p><w:r><w:pict><v:shape style=\"position:absolute;margin-left:0;margin-top:0;width:400pt;height:100pt;rotation:315;z-index:-1;mso-position-horizontal:center;mso-position-horizontal-relative:margin;mso-position-vertical:center;mso-position-vertical-relative:margin\" fillcolor=\"silver\" stroked=\"f\"><v:textpath style=\"font-family:&quot;Calibri&quot;;font-size:1pt\" string=\"DRAFT\"/></v:shape></w:pict></w:r></w:p>");
    Inline.Shape s = (Inline.Shape) first(d).inlines().getFirst();
    assertThat(s.rotation()).isEqualTo(315.0);
    assertThat(((Placement.Floating) s.placement()).behind()).isTrue();
    Paragraph text =
        (Paragraph) d.stories().get(s.content().story().orElseThrow()).blocks().getFirst();
    assertThat(text.text()).isEqualTo("DRAFT");
    assertThat(text.inlines().getFirst().look().value(TextTraits.SIZE))
        .as("as large as its box is wide")
        .isBetween(100.0, 200.0);
    assertThat(again(d).stories()).hasSize(1);
  }

  /** §20.2.2.5: a picture by the relationship of its part. */
  private static String picture(String relationship) {
    return "<w:p><w:r><w:drawing><wp:inline><wp:extent cx=\"914400\" cy=\"914400\"/><a:graphic><a:graphicData"
        + " uri=\"http://schemas.openxmlformats.org/drawingml/2006/picture\"><pic:pic"
        + " xmlns:pic=\"http://schemas.openxmlformats.org/drawingml/2006/picture\"><pic:blipFill><a:blip r:embed=\""
        + relationship
        + "\"/></pic:blipFill></pic:pic></a:graphicData></a:graphic></wp:inline></w:drawing></w:r></w:p>";
  }

  @Test
  void aPictureThatCannotBeDrawnIsToldAndOneThatCanIsNot() throws IOException {
    String drawing = "<svg xmlns='http://www.w3.org/2000/svg' width='9' height='9'>";
    TakenIn broken = with("broken", "image", drawing + "<rect").taken(picture("rbroken"));
    assertThat(broken.findings())
        .extracting(Finding::kind)
        .containsExactly(Finding.Kind.PICTURE_MISSING);
    TakenIn whole =
        with("whole", "image", drawing + "<rect width='4' height='4'/></svg>")
            .taken(picture("rwhole"));
    assertThat(whole.findings()).isEmpty();
    TakenIn pixels = with("pixels", "image", "\u0000BM but no picture").taken(picture("rpixels"));
    assertThat(pixels.findings()).as("of a kind that is not known").hasSize(1);
    TakenIn bitmap = with("bitmap", "image", "BM but no picture").taken(picture("rbitmap"));
    assertThat(bitmap.findings())
        .extracting(Finding::kind)
        .containsExactly(Finding.Kind.PICTURE_MISSING);
  }

  @Test
  void theSchemasSeeWhatIsWrong() throws IOException {
    Path file = folder.resolve("wrong.docx");
    try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
      zip.putNextEntry(new ZipEntry("word/document.xml"));
      String body = "<w:p><w:r><w:t>x</w:t><w:rPr><w:b/></w:rPr></w:r></w:p><w:tbl/>";
      zip.write(
          ("<w:document " + ROOT + "><w:body>" + body + "</w:body></w:document>")
              .getBytes(StandardCharsets.UTF_8));
    }
    assertThat(DocxSchemas.errors(file)).hasSizeGreaterThan(1);
  }

  @Test
  void everythingThatLayoutKnowsIsWrittenByTheSchemas() throws IOException {
    Document d = again(Rich.varied(5, 60));
    assertThat(d.paragraphs())
        .extracting(Paragraph::text)
        .isEqualTo(Rich.varied(5, 60).paragraphs().stream().map(Paragraph::text).toList());
    assertThat(Samples.layout(d).pages()).hasSameSizeAs(Samples.layout(Rich.varied(5, 60)).pages());
  }

  @Test
  void theDemoDocumentsAreWrittenByTheSchemas() throws IOException {
    for (String name :
        List.of("Winter storage notice.docx", "Berth rules.pdf", "Berth application.pdf")) {
      Document d = Samples.demo(name).document();
      assertThat(again(d).paragraphs())
          .as(name)
          .extracting(Paragraph::text)
          .isEqualTo(d.paragraphs().stream().map(Paragraph::text).toList());
    }
  }
}
