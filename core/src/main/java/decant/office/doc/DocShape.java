package decant.office.doc;

import decant.office.shape.DrawnShape;
import decant.office.shape.ShapeOptions;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.apache.poi.ddf.AbstractEscherOptRecord;
import org.apache.poi.ddf.EscherComplexProperty;
import org.apache.poi.ddf.EscherContainerRecord;
import org.apache.poi.ddf.EscherOptRecord;
import org.apache.poi.ddf.EscherProperty;
import org.apache.poi.ddf.EscherSimpleProperty;
import org.apache.poi.ddf.EscherSpRecord;
import org.apache.poi.ddf.EscherTertiaryOptRecord;
import org.jspecify.annotations.Nullable;

/**
 * What a binary document says of a shape.
 *
 * @param of the shape; empty if only its box is known
 */
record DocShape(Optional<EscherContainerRecord> of) implements ShapeOptions {
  /** Something drawn. */
  static DrawnShape of(DocDrawings.Drawn d) {
    Optional<EscherSpRecord> sp =
        d.shape().map(s -> (EscherSpRecord) s.getChildById(EscherSpRecord.RECORD_ID));
    int f = d.flags();
    return new DrawnShape(
        new DrawnShape.Bounds(d.left(), d.top(), d.right(), d.bottom()),
        new DrawnShape.Flow(f >> 5 & 0xF, f >> 9 & 0xF, f >> 1 & 3, f >> 3 & 3, (f >> 14 & 1) == 1),
        sp.map(EscherSpRecord::getShapeType).orElse((short) 1),
        sp.filter(s -> (s.getFlags() & EscherSpRecord.FLAG_FLIPVERT) != 0).isPresent(),
        d.shape().isPresent(),
        new DocShape(d.shape()));
  }

  private Optional<AbstractEscherOptRecord> options(short kind) {
    return of.map(s -> s.getChildById(kind));
  }

  @Override
  public int number(int option, int otherwise) {
    for (short kind : new short[] {EscherOptRecord.RECORD_ID, EscherTertiaryOptRecord.RECORD_ID}) {
      Optional<AbstractEscherOptRecord> o = options(kind);
      EscherProperty p = o.isEmpty() ? null : o.get().lookup(option);
      if (p instanceof EscherSimpleProperty s) {
        return s.getPropertyValue();
      }
    }
    return otherwise;
  }

  /** Each flag comes with one that says it is used. */
  @Override
  public boolean flag(int option, int bit, boolean otherwise) {
    int all = number(option, 0);
    return (all >> (bit + 16) & 1) == 1 ? (all >> bit & 1) == 1 : otherwise;
  }

  @Override
  public String text(int option) {
    Optional<AbstractEscherOptRecord> o = options(EscherOptRecord.RECORD_ID);
    EscherProperty p = o.isEmpty() ? null : o.get().lookup(option);
    return p instanceof EscherComplexProperty c
        ? plain(new String(c.getComplexData(), StandardCharsets.UTF_16LE))
        : "";
  }

  /** A text without the zero after it. */
  static String plain(@Nullable String s) {
    return s == null ? "" : s.replaceAll("\\p{Cntrl}", " ").strip();
  }
}
