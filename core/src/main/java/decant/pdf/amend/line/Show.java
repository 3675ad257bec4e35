package decant.pdf.amend.line;

import decant.pdf.content.Instruction;
import decant.pdf.content.Transform;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSObject;

/**
 * An operator that shows text, with the state it shows it in (ISO 32000-2 §9.3). What it shows is
 * added while the page is read.
 */
public final class Show {
  /**
   * The text state.
   *
   * @param name of the font among the resources; empty where an entry of the graphics state set it
   * @param letters Tc, in units of text space
   * @param words Tw
   * @param stretch Tz, 1 for 100
   */
  public record State(
      LettersOfFont font,
      Optional<String> name,
      double size,
      double letters,
      double words,
      double stretch,
      double rise,
      int mode) {}

  /**
   * A mark whose text stands for what it marks (ActualText, ISO 32000-2 §14.9.4).
   *
   * @param number of its operator in the stream
   */
  public record Spoken(int number, Instruction.MarkStart start, String text) {
    /** Whether what the mark says of itself cannot stand in the content (§14.6.2). */
    public boolean refers() {
      COSBase p = start.properties().orElse(null);
      return !(p instanceof COSDictionary d) || holdsReference(d, 0);
    }

    private static boolean holdsReference(COSBase o, int depth) {
      return switch (o) {
        case COSObject r -> true;
        case COSDictionary d ->
            depth > 8 || d.getValues().stream().anyMatch(v -> holdsReference(v, depth + 1));
        case COSArray a -> {
          boolean any = depth > 8;
          for (int k = 0; k < a.size(); k++) {
            any |= a.get(k) != null && holdsReference(a.get(k), depth + 1);
          }
          yield any;
        }
        default -> false;
      };
    }
  }

  public final ContentPlace place;
  public final int number;
  public final Instruction.ShowText operator;
  public final State state;
  private final TextState.Paint paint;

  /** From text space at its beginning to the page. */
  public final Transform space;

  public final Optional<Spoken> spoken;
  public final List<Letter> letters = new ArrayList<>();

  /** How far it moves on, in text space. */
  public double end;

  private final double angle;
  private final double scale;
  private final double size;

  Show(
      ContentPlace place,
      int number,
      Instruction.ShowText operator,
      State state,
      TextState.Paint paint,
      Transform space,
      Optional<Spoken> spoken) {
    this.place = place;
    this.number = number;
    this.operator = operator;
    this.state = state;
    this.paint = paint;
    this.space = space;
    this.spoken = spoken;
    this.angle = Math.atan2(sign() * space.b(), sign() * space.a());
    this.scale = Math.hypot(space.a(), space.b());
    this.size = Math.abs(state.size) * Math.hypot(space.c(), space.d());
  }

  /** 1 where text runs along the first axis of text space, -1 where it runs against it. */
  public double sign() {
    return Math.signum(state.size * state.stretch);
  }

  /** Units of the page in one of text space, along the line. */
  public double scale() {
    return scale;
  }

  /** The direction of the line on the page, in radians. */
  public double angle() {
    return angle;
  }

  /** The size of its letters on the page, in points. */
  public double size() {
    return size;
  }

  /** Whether it shows letters as another does: in the same font, size and colour. */
  public boolean looksLike(Show o) {
    return state.font == o.state.font
        && state.size == o.state.size
        && state.rise == o.state.rise
        && state.mode == o.state.mode
        && paint.equals(o.paint);
  }

  /** Whether nothing of it is seen (§9.3.6). */
  public boolean unseen() {
    return state.mode == 3 || state.mode == 7;
  }
}
