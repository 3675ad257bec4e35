package decant.pdf.content;

import java.util.List;
import java.util.Optional;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSString;

/** Tells what an operator is by its name and its operands. */
final class Instructions {
  private Instructions() {}

  static Instruction of(Raw raw) {
    List<COSBase> o = raw.operands();
    return switch (raw.operator()) {
      case "q" -> new Instruction.Save(raw);
      case "Q" -> new Instruction.Restore(raw);
      case "cm" -> numbers(o, 6) ? new Instruction.Concat(raw, transform(o)) : unknown(raw);
      case "w", "J", "j", "M", "i" -> numbers(o, 1) ? new Instruction.State(raw) : unknown(raw);
      case "d", "ri", "gs" -> o.isEmpty() ? unknown(raw) : new Instruction.State(raw);
      case "m", "l" -> numbers(o, 2) ? new Instruction.Path(raw) : unknown(raw);
      case "v", "y", "re" -> numbers(o, 4) ? new Instruction.Path(raw) : unknown(raw);
      case "c" -> numbers(o, 6) ? new Instruction.Path(raw) : unknown(raw);
      case "h" -> new Instruction.Path(raw);
      case "W", "W*" -> new Instruction.Clip(raw);
      case "S", "s", "f", "F", "f*", "B", "B*", "b", "b*", "n" -> new Instruction.PaintPath(raw);
      case "CS", "cs", "SC", "SCN", "sc", "scn", "G", "g", "RG", "rg", "K", "k" ->
          o.isEmpty() ? unknown(raw) : new Instruction.Colour(raw);
      case "sh" ->
          name(o).<Instruction>map(n -> new Instruction.Shading(raw, n)).orElse(unknown(raw));
      case "BT" -> new Instruction.TextStart(raw);
      case "ET" -> new Instruction.TextEnd(raw);
      case "Tf" ->
          o.size() == 2 && o.getFirst() instanceof COSName n && o.getLast() instanceof COSNumber s
              ? new Instruction.Font(raw, n.getName(), s.floatValue())
              : unknown(raw);
      case "Tc", "Tw", "Tz", "TL", "Tr", "Ts" ->
          numbers(o, 1) ? new Instruction.TextState(raw, number(o, 0)) : unknown(raw);
      case "Td", "TD" ->
          numbers(o, 2)
              ? new Instruction.MoveText(
                  raw, number(o, 0), number(o, 1), raw.operator().equals("TD"))
              : unknown(raw);
      case "Tm" -> numbers(o, 6) ? new Instruction.TextMatrix(raw, transform(o)) : unknown(raw);
      case "T*" -> new Instruction.NextLine(raw);
      case "Tj", "'" -> shows(o, 1) ? new Instruction.ShowText(raw) : unknown(raw);
      case "\"" -> shows(o, 3) ? new Instruction.ShowText(raw) : unknown(raw);
      case "TJ" ->
          !o.isEmpty() && o.getLast() instanceof COSArray
              ? new Instruction.ShowText(raw)
              : unknown(raw);
      case "Do" ->
          name(o).<Instruction>map(n -> new Instruction.PaintObject(raw, n)).orElse(unknown(raw));
      case "BMC", "BDC" ->
          name(o)
              .<Instruction>map(n -> new Instruction.MarkStart(raw, n, properties(o)))
              .orElse(unknown(raw));
      case "EMC" -> new Instruction.MarkEnd(raw);
      case "MP", "DP" -> name(o).isPresent() ? new Instruction.MarkPoint(raw) : unknown(raw);
      case "d0" -> numbers(o, 2) ? new Instruction.GlyphWidth(raw) : unknown(raw);
      case "d1" -> numbers(o, 6) ? new Instruction.GlyphWidth(raw) : unknown(raw);
      case "BX", "EX" -> new Instruction.Compatibility(raw);
      default -> unknown(raw);
    };
  }

  private static Instruction unknown(Raw raw) {
    return new Instruction.Unknown(raw);
  }

  private static boolean numbers(List<COSBase> o, int count) {
    if (o.size() < count) {
      return false;
    }
    for (int k = 0; k < count; k++) {
      if (!(o.get(k) instanceof COSNumber)) {
        return false;
      }
    }
    return true;
  }

  private static double number(List<COSBase> o, int at) {
    return o.get(at) instanceof COSNumber n ? n.floatValue() : 0;
  }

  private static Transform transform(List<COSBase> o) {
    return new Transform(
        number(o, 0), number(o, 1), number(o, 2), number(o, 3), number(o, 4), number(o, 5));
  }

  private static boolean shows(List<COSBase> o, int count) {
    return o.size() >= count && o.getLast() instanceof COSString;
  }

  private static Optional<String> name(List<COSBase> o) {
    return !o.isEmpty() && o.getFirst() instanceof COSName n
        ? Optional.of(n.getName())
        : Optional.empty();
  }

  private static Optional<COSBase> properties(List<COSBase> o) {
    return o.size() > 1 ? Optional.of(o.get(1)) : Optional.empty();
  }
}
