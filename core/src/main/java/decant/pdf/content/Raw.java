package decant.pdf.content;

import java.util.List;
import org.apache.pdfbox.cos.COSBase;

/**
 * An operator as it is written.
 *
 * @param span from its first operand to its own end
 */
public record Raw(Span span, String operator, List<COSBase> operands) {
  public Raw {
    operands = List.copyOf(operands);
  }
}
