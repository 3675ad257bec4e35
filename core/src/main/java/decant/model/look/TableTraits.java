package decant.model.look;

import java.util.List;

/** The traits of tables, rows and cells. Lengths are in points. */
public final class TableTraits {
  /** Lines around and between cells, of a table as of one cell. */
  public static final Trait<Rules> RULES = new Trait<>("table-rules", Rules.UNSAID, Rules::over);

  /** The look of a table that is made new: thin lines around and between all cells. */
  public static final Look RULED = Look.of(RULES, Rules.all(Rule.single(0.5, Colour.BLACK)));

  /** Background of a cell; white stands for none. */
  public static final Trait<Colour> SHADING = new Trait<>("cell-shading", Colour.WHITE);

  /** Space between a cell's edges and its content. */
  public static final Trait<Insets> CELL_PADDING =
      new Trait<>("cell-padding", new Insets(0, 5.4, 0, 5.4));

  /** Where content stands in a cell that is taller. */
  public static final Trait<VerticalAlignment> VERTICAL_ALIGNMENT =
      new Trait<>("vertical-alignment", VerticalAlignment.TOP);

  /** How wide a table or a cell wants to be; {@link Extent#AUTO} leaves it to its content. */
  public static final Trait<Extent> WIDTH = new Trait<>("width", Extent.AUTO);

  /** Column widths are as given, whatever stands in them. */
  public static final Trait<Boolean> FIXED_COLUMNS = new Trait<>("fixed-columns", false);

  /** Where a table narrower than its column stands. */
  public static final Trait<ParagraphTraits.Alignment> ALIGNMENT =
      new Trait<>("table-alignment", ParagraphTraits.Alignment.START);

  /** The row's cells run from right to left. */
  public static final Trait<Boolean> RIGHT_TO_LEFT = new Trait<>("table-right-to-left", false);

  /** A page break may fall inside the row. */
  public static final Trait<Boolean> ROW_SPLITS = new Trait<>("row-splits", true);

  /** The row is exactly as high as {@link #ROW_HEIGHT} says, whatever stands in it. */
  public static final Trait<Boolean> ROW_EXACT = new Trait<>("row-exact", false);

  /** Text in the cell is not broken into lines. */
  public static final Trait<Boolean> NO_WRAP = new Trait<>("no-wrap", false);

  /** The id of a named table style; empty for none. */
  public static final Trait<String> STYLE = new Trait<>("table-style", "");

  /** What the table's named style gives to its cells by where they stand. */
  public static final Trait<TableStyle> BY_PLACE =
      new Trait<>("table-style-by-place", TableStyle.NONE);

  /**
   * What the table's named style gives to a cell or a table (ISO/IEC 29500-1 §17.7.6): worked out
   * when the table is read and when cells come to stand elsewhere, and below everything that is set
   * directly.
   */
  public static final Trait<Look> FROM_STYLE = new Trait<>("from-table-style", Look.PLAIN);

  /** Paragraph traits that the table's style gives to the paragraphs of a cell. */
  public static final Trait<Look> PARAGRAPHS = new Trait<>("cell-paragraphs", Look.PLAIN);

  /** Text traits that the table's style gives to the text of a cell. */
  public static final Trait<Look> TEXTS = new Trait<>("cell-texts", Look.PLAIN);

  /** The table stands where this says, and text flows around it. */
  public static final Trait<Placement> PLACEMENT = new Trait<>("table-placement", Placement.INLINE);

  /** The row is repeated at the top of each page that the table continues on. */
  public static final Trait<Boolean> HEADER_ROW = new Trait<>("header-row", false);

  /** Least height of a row. */
  public static final Trait<Double> ROW_HEIGHT = new Trait<>("row-height", 0.0);

  /** Left edge of the table from the margin. */
  public static final Trait<Double> INDENT = new Trait<>("table-indent", 0.0);

  /** The table goes on from the one before, from which a page that is pinned cut it. */
  public static final Trait<Boolean> GOES_ON = new Trait<>("table-goes-on", false);

  /** Table, row or cell properties a reader kept without understanding them. */
  public static final Trait<List<Kept>> KEPT = new Trait<>("kept-table", List.of());

  private TableTraits() {}
}
