package decant.pdf.content;

import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;

/**
 * What a content stream says (ISO 32000-2 table 50), by what it does. One that lacks operands, or
 * is not known, is {@link Unknown} and keeps its place.
 */
public sealed interface Instruction {
  Raw raw();

  default Span span() {
    return raw().span();
  }

  // The graphics state (§8.4.4).

  /** q. */
  record Save(Raw raw) implements Instruction {}

  /** Q. */
  record Restore(Raw raw) implements Instruction {}

  /** cm. */
  record Concat(Raw raw, Transform transform) implements Instruction {}

  /** w, J, j, M, d, ri, i and gs: how lines and areas are drawn. */
  record State(Raw raw) implements Instruction {}

  // Paths (§8.5).

  /** m, l, c, v, y, h and re. */
  record Path(Raw raw) implements Instruction {}

  /** W and W*. */
  record Clip(Raw raw) implements Instruction {}

  /** S, s, f, F, f*, B, B*, b, b* and n; what ends a path. */
  record PaintPath(Raw raw) implements Instruction {
    /** Whether anything is painted rather than only clipped. */
    public boolean paints() {
      return !raw.operator().equals("n");
    }
  }

  // Colours (§8.6.8).

  /** CS, cs, SC, SCN, sc, scn, G, g, RG, rg, K and k. */
  record Colour(Raw raw) implements Instruction {}

  /** sh. */
  record Shading(Raw raw, String name) implements Instruction {}

  // Text (§9.3 and §9.4).

  /** BT. */
  record TextStart(Raw raw) implements Instruction {}

  /** ET. */
  record TextEnd(Raw raw) implements Instruction {}

  /** Tf. */
  record Font(Raw raw, String name, double size) implements Instruction {}

  /** Tc, Tw, Tz, TL, Tr and Ts. */
  record TextState(Raw raw, double value) implements Instruction {}

  /**
   * Td and TD.
   *
   * @param leads whether it sets the leading too
   */
  record MoveText(Raw raw, double x, double y, boolean leads) implements Instruction {}

  /** Tm. */
  record TextMatrix(Raw raw, Transform transform) implements Instruction {}

  /** T*. */
  record NextLine(Raw raw) implements Instruction {}

  /** Tj, TJ, ' and ": codes of characters, and numbers that move those that follow. */
  record ShowText(Raw raw) implements Instruction {
    /** Whether the next line begins first. */
    public boolean onNextLine() {
      return raw.operator().equals("'") || raw.operator().equals("\"");
    }

    /** What is shown: strings, and numbers between them in thousandths of the size. */
    public List<COSBase> pieces() {
      COSBase last = raw.operands().getLast();
      return last instanceof org.apache.pdfbox.cos.COSArray a
          ? List.copyOf(a.toList())
          : List.of(last);
    }
  }

  // Pictures and forms (§8.8 to §8.10).

  /** Do. */
  record PaintObject(Raw raw, String name) implements Instruction {}

  /**
   * BI, ID and EI.
   *
   * @param image what the picture is like, by the full names of its keys
   * @param data the bytes of the picture
   */
  record InlineImage(Raw raw, COSDictionary image, Span data) implements Instruction {}

  // Marked content (§14.6).

  /**
   * BMC and BDC.
   *
   * @param properties a dictionary, or the name of one among the resources
   */
  record MarkStart(Raw raw, String tag, Optional<COSBase> properties) implements Instruction {}

  /** EMC. */
  record MarkEnd(Raw raw) implements Instruction {}

  /** MP and DP. */
  record MarkPoint(Raw raw) implements Instruction {}

  // The rest.

  /** d0 and d1: how far a glyph of a font that is drawn advances (§9.6.4). */
  record GlyphWidth(Raw raw) implements Instruction {}

  /** BX and EX: between them what is not known is passed over (§7.8.2). */
  record Compatibility(Raw raw) implements Instruction {}

  /** An operator that is not known, or lacks what it needs. */
  record Unknown(Raw raw) implements Instruction {}
}
