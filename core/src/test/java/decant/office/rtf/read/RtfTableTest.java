package decant.office.rtf.read;

import static org.assertj.core.api.Assertions.assertThat;

import decant.model.Cell;
import decant.model.Document;
import decant.model.Paragraph;
import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TableTraits;
import decant.model.look.VerticalAlignment;
import decant.model.walk.Walk;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Tables, written by hand after Rich Text Format 1.9.1, “Table Definitions”. */
class RtfTableTest {
  private static String words(Cell c) {
    return String.join("/", Walk.paragraphs(c.blocks()).stream().map(Paragraph::text).toList());
  }

  private static List<String> shape(Table t) {
    return t.rows().stream()
        .flatMap(r -> r.cells().stream())
        .map(c -> words(c) + " " + c.columnSpan() + "x" + c.rowSpan())
        .toList();
  }

  @Test
  void columnsFollowFromWhereCellsEnd() {
    Table t =
        RtfIn.table(
            RtfIn.read(
                "\\trowd\\trgaph108\\trleft-108\\cellx1892\\cellx5892\\pard\\intbl a\\cell b\\cell\\row"
                    + "\\trowd\\trgaph108\\trleft-108\\cellx3892\\cellx5892\\pard\\intbl c\\cell d\\cell\\row"
                    + "\\pard after\\par"));
    assertThat(t.columns()).containsExactly(100.0, 100.0, 100.0);
    assertThat(shape(t)).containsExactly("a 1x1", "b 2x1", "c 2x1", "d 1x1");
    assertThat(t.look().value(TableTraits.CELL_PADDING)).isEqualTo(new Insets(0, 5.4, 0, 5.4));
    // The edge stands so far in the margin that the text is at it.
    assertThat(t.look().value(TableTraits.INDENT)).isEqualTo(0);
    assertThat(t.look().value(TableTraits.FIXED_COLUMNS)).isTrue();
  }

  @Test
  void mergedCellsAreOne() {
    Table t =
        RtfIn.table(
            RtfIn.read(
                "\\trowd\\clvmgf\\cellx1000\\clmgf\\cellx2000\\clmrg\\cellx3000"
                    + "\\pard\\intbl a\\cell b\\cell\\cell\\row"
                    + "\\trowd\\clvmrg\\cellx1000\\cellx2000\\cellx3000"
                    + "\\pard\\intbl hidden\\cell c\\cell d\\cell\\row"));
    assertThat(shape(t)).containsExactly("a/hidden 1x2", "b 2x1", "c 1x1", "d 1x1");
  }

  @Test
  void rowsAndCellsLookAsTheySay() {
    Table t =
        RtfIn.table(
            RtfIn.read(
                "\\trowd\\trrh-600\\trhdr\\trkeep\\trqc\\trautofit1"
                    + "\\trpaddl80\\trpaddt40\\trpaddr60\\trpaddb20"
                    + "\\trpaddfl3\\trpaddft3\\trpaddfr3\\trpaddfb3"
                    + "\\trbrdrh\\brdrs\\brdrw20\\brdrcf1"
                    + "\\clvertalb\\clbrdrt\\brdrdb\\brdrw10\\brdrcf1\\clcbpat1\\clNoWrap\\cellx1000"
                    + "\\clshdng5000\\clcfpat2\\clcbpat3\\clpadt200\\clpadft3\\cellx2000"
                    + "\\pard\\intbl a\\cell b\\cell\\row\\trowd\\trrh300\\cellx1000\\cellx2000"
                    + "\\pard\\intbl c\\cell d\\cell\\row"));
    Look first = t.rows().getFirst().look();
    assertThat(first.value(TableTraits.ROW_HEIGHT)).isEqualTo(30);
    assertThat(first.value(TableTraits.ROW_EXACT)).isTrue();
    assertThat(first.value(TableTraits.HEADER_ROW)).isTrue();
    assertThat(first.value(TableTraits.ROW_SPLITS)).isFalse();
    Look second = t.rows().getLast().look();
    assertThat(second.value(TableTraits.ROW_HEIGHT)).isEqualTo(15);
    assertThat(second.value(TableTraits.ROW_EXACT)).isFalse();
    assertThat(t.look().value(TableTraits.FIXED_COLUMNS)).isFalse();
    assertThat(t.look().value(TableTraits.ALIGNMENT)).isEqualTo(ParagraphTraits.Alignment.CENTRE);
    assertThat(t.look().value(TableTraits.CELL_PADDING)).isEqualTo(new Insets(2, 3, 1, 4));
    assertThat(t.look().value(TableTraits.RULES).insideAcross())
        .contains(Rule.single(1, new Colour(0xC00000)));
    Look a = t.rows().getFirst().cells().getFirst().look();
    assertThat(a.value(TableTraits.RULES).top())
        .contains(new Rule(Rule.Kind.DOUBLE, 0.5, new Colour(0xC00000), 0));
    assertThat(a.value(TableTraits.RULES).bottom()).isEmpty();
    assertThat(a.value(TableTraits.SHADING)).isEqualTo(new Colour(0xC00000));
    assertThat(a.value(TableTraits.VERTICAL_ALIGNMENT)).isEqualTo(VerticalAlignment.BOTTOM);
    assertThat(a.value(TableTraits.NO_WRAP)).isTrue();
    Look b = t.rows().getFirst().cells().getLast().look();
    assertThat(b.value(TableTraits.SHADING)).isEqualTo(new Colour(0x808080)); // half of black
    assertThat(b.sets(TableTraits.VERTICAL_ALIGNMENT)).isFalse();
    // Top and left are named for each other in what is written everywhere (common practice).
    assertThat(b.value(TableTraits.CELL_PADDING)).isEqualTo(new Insets(2, 3, 1, 10));
  }

  @Test
  void linesThatAreExpresslyNoneAreNone() {
    Table t =
        RtfIn.table(
            RtfIn.read(
                "\\trowd\\trbrdrt\\brdrs\\brdrw10\\clbrdrt\\brdrnone\\clbrdrb\\brdrtbl\\cellx1000"
                    + "\\pard\\intbl a\\cell\\row"));
    Rules r = t.rows().getFirst().cells().getFirst().look().value(TableTraits.RULES);
    assertThat(List.of(r.top(), r.bottom()))
        .containsExactly(Optional.of(Rule.NONE), Optional.of(Rule.NONE));
    assertThat(t.look().value(TableTraits.RULES).top()).contains(Rule.single(0.5, Colour.BLACK));
  }

  @Test
  void tablesStandInCells() {
    Document d =
        RtfIn.read(
            "\\trowd\\cellx6000\\pard\\intbl before\\par"
                + "\\pard\\intbl\\itap2 x\\nestcell{\\nonesttables\\par}y\\nestcell{\\nonesttables\\par}"
                + "\\pard\\intbl\\itap2{\\*\\nesttableprops\\trowd\\trhdr\\cellx1000\\cellx2000\\nestrow}"
                + "{\\nonesttables\\par}\\pard\\intbl\\itap1 after\\cell\\row\\pard end\\par");
    Table outer = RtfIn.table(d);
    Cell cell = outer.rows().getFirst().cells().getFirst();
    assertThat(outer.rows()).hasSize(1);
    assertThat(cell.blocks()).hasSize(3);
    Table inner = (Table) cell.blocks().get(1);
    assertThat(shape(inner)).containsExactly("x 1x1", "y 1x1");
    assertThat(inner.rows().getFirst().look().value(TableTraits.HEADER_ROW)).isTrue();
    assertThat(outer.rows().getFirst().look().sets(TableTraits.HEADER_ROW)).isFalse();
    assertThat(RtfIn.texts(d)).containsExactly("before", "x", "y", "after", "end");
  }

  /** The end of a cell is that of its last paragraph, and its look. */
  @Test
  void paragraphsOfACellEndWithIt() {
    Table t =
        RtfIn.table(
            RtfIn.read("\\trowd\\cellx1000\\cellx2000\\pard\\intbl a\\par\\cell\\cell\\row"));
    assertThat(shape(t)).containsExactly("a/ 1x1", " 1x1");
  }

  /** Rows without a word on their cells, cells without a word, words without cells. */
  @Test
  void whatIsNotToldIsStillThere() {
    assertThat(shape(RtfIn.table(RtfIn.read("\\pard\\intbl a\\cell b\\cell\\row"))))
        .containsExactly("a 1x1", "b 1x1");
    Table t =
        RtfIn.table(
            RtfIn.read(
                "\\trowd\\cellx1000\\pard\\intbl a\\cell b\\cell c\\cell\\row"
                    + "\\trowd\\cellx1000\\cellx2440\\pard\\intbl d\\cell\\row"));
    assertThat(shape(t)).containsExactly("a 1x1", "b 1x1", "c 1x1", "d 1x1", " 1x1");
    assertThat(RtfIn.texts(RtfIn.read("\\trowd\\cellx1000\\pard\\intbl unended")))
        .contains("unended");
    assertThat(
            RtfIn.texts(
                RtfIn.read("\\trowd\\cellx500\\cellx300\\pard\\intbl a\\cell b\\cell\\row")))
        .contains("a", "b");
    String deep = "\\pard\\intbl\\itap40 deep\\nestcell";
    assertThat(RtfIn.texts(RtfIn.read(deep + "\\pard out\\par"))).contains("deep", "out");
  }

  @Test
  void tablesStandBesideTheFlow() {
    Table t =
        RtfIn.table(
            RtfIn.read(
                "\\trowd\\tphpg\\tposx1440\\tpvmrg\\tposnegy-200\\tdfrmtxtLeft100\\cellx1000"
                    + "\\pard\\intbl\\phpg\\posx720 a\\cell\\row"));
    var f = (Placement.Floating) t.look().value(TableTraits.PLACEMENT);
    assertThat(f.across())
        .isEqualTo(new Placement.Axis(Placement.Origin.PAGE, Placement.Align.OFFSET, 72));
    assertThat(f.down())
        .isEqualTo(new Placement.Axis(Placement.Origin.MARGIN, Placement.Align.OFFSET, -10));
    assertThat(f.distance().left()).isEqualTo(5);
    Paragraph a = (Paragraph) t.rows().getFirst().cells().getFirst().blocks().getFirst();
    assertThat(a.look().sets(ParagraphTraits.FRAME)).isFalse();
  }
}
