package decant.model;

import java.util.List;

/** The traits of tables, rows and cells. Lengths are in points. */
public final class TableTraits {
  /** Width of the ruled lines around cells; 0 for none. */
  public static final Trait<Double> RULE_WIDTH = new Trait<>("rule-width", 0.0);

  public static final Trait<Colour> RULE_COLOUR = new Trait<>("rule-colour", Colour.BLACK);

  /** Background of a cell; white stands for none. */
  public static final Trait<Colour> SHADING = new Trait<>("cell-shading", Colour.WHITE);

  /** Space between a cell's edge and its text, left and right. */
  public static final Trait<Double> CELL_PADDING = new Trait<>("cell-padding", 5.4);

  /** The row is repeated at the top of each page that the table continues on. */
  public static final Trait<Boolean> HEADER_ROW = new Trait<>("header-row", false);

  /** Least height of a row. */
  public static final Trait<Double> ROW_HEIGHT = new Trait<>("row-height", 0.0);

  /** Left edge of the table from the margin. */
  public static final Trait<Double> INDENT = new Trait<>("table-indent", 0.0);

  /** Table, row or cell properties a reader kept without understanding them. */
  public static final Trait<List<Kept>> KEPT = new Trait<>("kept-table", List.of());

  private TableTraits() {}
}
