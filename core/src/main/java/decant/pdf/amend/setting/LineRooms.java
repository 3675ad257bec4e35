package decant.pdf.amend.setting;

import decant.pdf.amend.line.PageLetters.Upright;
import decant.pdf.amend.line.Room;
import decant.pdf.amend.line.Row;
import java.awt.geom.Rectangle2D;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDPage;

/**
 * How far each line of a page may reach.
 *
 * @param rows all lines
 * @param uprights lines and edges that text does not run over
 */
public record LineRooms(PDPage page, List<Row> rows, List<Upright> uprights) {
  public Room of(Row row) {
    double[] reach = reach(row);
    return Room.of(row, rows, uprights, reach[0], reach[1]);
  }

  /** From where to where the page reaches along a line. */
  private double[] reach(Row row) {
    var box = page.getCropBox();
    var r =
        new Rectangle2D.Double(
            box.getLowerLeftX(), box.getLowerLeftY(), box.getWidth(), box.getHeight());
    double cos = Math.cos(row.angle());
    double sin = Math.sin(row.angle());
    double least = Double.MAX_VALUE;
    double most = -Double.MAX_VALUE;
    for (double x : new double[] {r.getMinX(), r.getMaxX()}) {
      for (double y : new double[] {r.getMinY(), r.getMaxY()}) {
        least = Math.min(least, x * cos + y * sin);
        most = Math.max(most, x * cos + y * sin);
      }
    }
    return new double[] {least, most};
  }
}
