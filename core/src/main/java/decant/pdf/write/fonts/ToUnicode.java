package decant.pdf.write.fonts;

import java.nio.charset.StandardCharsets;
import java.util.List;

/** From the codes of a font to characters (ISO 32000-2 §9.10.3). */
final class ToUnicode {
  /** Stands for glyphs whose characters a glyph before shows. */
  private static final String NOTHING = "\u200B";

  private ToUnicode() {}

  /**
   * @param texts by code; that of code 0 is left out
   */
  static byte[] of(List<String> texts, boolean twoBytes) {
    String code = twoBytes ? "<%04X>" : "<%02X>";
    var b = new StringBuilder();
    b.append("/CIDInit /ProcSet findresource begin\n12 dict begin\nbegincmap\n")
        .append("/CIDSystemInfo << /Registry (Adobe) /Ordering (UCS) /Supplement 0 >> def\n")
        .append("/CMapName /Adobe-Identity-UCS def\n/CMapType 2 def\n")
        .append("1 begincodespacerange\n")
        .append(code.formatted(0))
        .append(' ')
        .append(code.formatted(twoBytes ? 0xFFFF : 0xFF))
        .append("\nendcodespacerange\n");
    for (int from = 1; from < texts.size(); from += 100) {
      int to = Math.min(from + 100, texts.size());
      b.append(to - from).append(" beginbfchar\n");
      for (int c = from; c < to; c++) {
        String text = texts.get(c).isEmpty() ? NOTHING : texts.get(c);
        b.append(code.formatted(c)).append(" <");
        for (byte x : text.getBytes(StandardCharsets.UTF_16BE)) {
          b.append("%02X".formatted(x & 0xFF));
        }
        b.append(">\n");
      }
      b.append("endbfchar\n");
    }
    b.append("endcmap\nCMapName currentdict /CMap defineresource pop\nend\nend\n");
    return b.toString().getBytes(StandardCharsets.US_ASCII);
  }
}
