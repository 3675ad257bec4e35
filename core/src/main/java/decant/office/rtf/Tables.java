package decant.office.rtf;

import decant.model.Table;
import decant.model.look.Colour;
import decant.model.look.Insets;
import decant.model.look.Look;
import decant.model.look.ParagraphTraits.Alignment;
import decant.model.look.Placement;
import decant.model.look.Rule;
import decant.model.look.Rules;
import decant.model.look.TableTraits;
import decant.model.look.VerticalAlignment;
import decant.office.emit.CellGrid;
import java.util.Optional;

/** Tables, row by row: each row brings its own description. */
final class Tables {
  private final RtfTokens o;
  private final Registers registers;
  private final Looks looks;
  private final boolean textAtEdge;

  /**
   * @param textAtEdge whether tables reach into the margin so that their text stands at it
   */
  Tables(RtfTokens o, Registers registers, Looks looks, boolean textAtEdge) {
    this.textAtEdge = textAtEdge;
    this.o = o;
    this.registers = registers;
    this.looks = looks;
  }

  /** A table and how wide its columns are. */
  record Open(Table table, CellGrid grid, double[] edges) {
    /**
     * @param room the width that the table stands in, in points
     */
    static Open of(Table t, CellGrid grid, double room) {
      return new Open(t, grid, grid.edges(t, room));
    }
  }

  /** Begins a row; one in a cell is described where it ends. */
  void row(Open t, int number, int depth) {
    if (depth == 1) {
      description(t, number);
    }
  }

  /**
   * Ends a cell.
   *
   * @param open whether no paragraph ended it
   */
  void cellEnd(boolean open, int depth) {
    if (open) {
      o.word("pard").word("plain").word("intbl").word("itap", depth);
    }
    o.word(depth == 1 ? "cell" : "nestcell");
    if (depth > 1) {
      o.open().word("nonesttables").word("par").close();
    }
    o.newLine();
  }

  void rowEnd(Open t, int number, int depth) {
    if (depth > 1) {
      o.destination("nesttableprops");
      description(t, number);
      o.word("nestrow").close();
    } else {
      // Some readers want the description after the cells, others before them.
      o.open();
      description(t, number);
      o.word("row").close();
    }
    o.newLine();
  }

  private void description(Open open, int r) {
    Table t = open.table();
    Look look = t.look();
    Look row = t.rows().get(r).look();
    Insets padding = t.padding();
    o.word("trowd");
    o.twips("trgaph", (padding.left() + padding.right()) / 2);
    o.twips("trleft", left(t));
    double height = row.value(TableTraits.ROW_HEIGHT);
    if (height > 0) {
      o.twips("trrh", row.value(TableTraits.ROW_EXACT) ? -height : height);
    }
    o.flag("trhdr", row.value(TableTraits.HEADER_ROW));
    o.flag("trkeep", !row.value(TableTraits.ROW_SPLITS));
    o.flag("rtlrow", look.value(TableTraits.RIGHT_TO_LEFT));
    Alignment a = look.value(TableTraits.ALIGNMENT);
    o.word(a == Alignment.CENTRE ? "trqc" : a == Alignment.END ? "trqr" : "trql");
    o.word(look.value(TableTraits.FIXED_COLUMNS) ? "trautofit0" : "trautofit1");
    if (look.value(TableTraits.PLACEMENT) instanceof Placement.Floating f) {
      floating(f);
    }
    o.twips("trpaddl", padding.left()).twips("trpaddt", padding.top());
    o.twips("trpaddr", padding.right()).twips("trpaddb", padding.bottom());
    o.word("trpaddfl3").word("trpaddft3").word("trpaddfr3").word("trpaddfb3");
    for (CellGrid.Piece p : open.grid().rows().get(r)) {
      cell(t, p, t.rows().size(), open.edges());
    }
  }

  private void floating(Placement.Floating f) {
    o.word(
        switch (f.across().origin()) {
          case PAGE -> "tphpg";
          case MARGIN -> "tphmrg";
          case COLUMN, PARAGRAPH, LINE -> "tphcol";
        });
    switch (f.across().align()) {
      case OFFSET -> o.twips(f.across().offset() < 0 ? "tposnegx" : "tposx", f.across().offset());
      case START -> o.word("tposxl");
      case CENTRE -> o.word("tposxc");
      case END -> o.word("tposxr");
    }
    o.word(
        switch (f.down().origin()) {
          case PAGE -> "tpvpg";
          case MARGIN -> "tpvmrg";
          case COLUMN, PARAGRAPH, LINE -> "tpvpara";
        });
    switch (f.down().align()) {
      case OFFSET -> o.twips(f.down().offset() < 0 ? "tposnegy" : "tposy", f.down().offset());
      case START -> o.word("tposyt");
      case CENTRE -> o.word("tposyc");
      case END -> o.word("tposyb");
    }
    o.twips("tdfrmtxtLeft", f.distance().left()).twips("tdfrmtxtRight", f.distance().right());
    o.twips("tdfrmtxtTop", f.distance().top()).twips("tdfrmtxtBottom", f.distance().bottom());
  }

  /** Where the edge of the first cell stands, from the margin. */
  private double left(Table t) {
    double reach = textAtEdge ? t.padding().left() : 0;
    return t.look().value(TableTraits.INDENT) - reach;
  }

  private void cell(Table t, CellGrid.Piece p, int rows, double[] edges) {
    Look look = p.cell().look();
    Look inForce = look.over(look.value(TableTraits.FROM_STYLE));
    if (p.cell().rowSpan() > 1) {
      o.word(p.below() ? "clvmrg" : "clvmgf");
    }
    VerticalAlignment v = inForce.value(TableTraits.VERTICAL_ALIGNMENT);
    o.word(
        v == VerticalAlignment.CENTRE
            ? "clvertalc"
            : v == VerticalAlignment.BOTTOM ? "clvertalb" : "clvertalt");
    Rules own = look.value(TableTraits.RULES);
    Rules style = look.value(TableTraits.FROM_STYLE).value(TableTraits.RULES);
    Rules rules = own.over(style);
    Rules table =
        t.look()
            .value(TableTraits.RULES)
            .over(t.look().value(TableTraits.FROM_STYLE).value(TableTraits.RULES));
    int last = p.column() + p.cell().columnSpan();
    boolean bottom = p.row() + p.cell().rowSpan() >= rows;
    side("clbrdrt", rules.top(), p.row() == 0 ? table.top() : table.insideAcross());
    side("clbrdrl", rules.start(), p.column() == 0 ? table.start() : table.insideDown());
    side("clbrdrb", rules.bottom(), bottom ? table.bottom() : table.insideAcross());
    side("clbrdrr", rules.end(), last >= edges.length - 1 ? table.end() : table.insideDown());
    Colour shade = inForce.value(TableTraits.SHADING);
    if (!shade.equals(Colour.WHITE)) {
      o.word("clcbpat", registers.colour(shade));
    }
    inForce
        .get(TableTraits.CELL_PADDING)
        .filter(room -> !room.equals(t.padding()))
        .ifPresent(this::padded);
    o.flag("clNoWrap", look.value(TableTraits.NO_WRAP));
    double right = edges[Math.min(last, edges.length - 1)];
    o.word("clftsWidth3").twips("clwWidth", right - edges[p.column()]);
    o.twips("cellx", left(t) + right);
  }

  /** Programs that write and read this have left and top the other way round. */
  private void padded(Insets p) {
    o.twips("clpadl", p.top()).twips("clpadt", p.left());
    o.twips("clpadr", p.right()).twips("clpadb", p.bottom());
    o.word("clpadfl3").word("clpadft3").word("clpadfr3").word("clpadfb3");
  }

  private void side(String name, Optional<Rule> own, Optional<Rule> table) {
    looks.rule(name, own.isPresent() ? own : table, false);
  }
}
