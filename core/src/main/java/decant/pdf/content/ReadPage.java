package decant.pdf.content;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.io.RandomAccessRead;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;

/**
 * A page that an engine of PDFBox runs as {@link ContentReader} reads it. The engine is given one
 * operator of its own kind instead of the page's content; when it comes to it, its state is that of
 * the page's beginning, and it is to {@link #run} the instructions.
 */
public final class ReadPage extends PDPage {
  private static final String ALL = "(decant)";

  private final PDPage page;

  public ReadPage(PDPage page) {
    super(page.getCOSObject());
    this.page = page;
  }

  /** What runs an operator. */
  @FunctionalInterface
  public interface Engine {
    void process(Operator operator, List<COSBase> operands) throws IOException;
  }

  /** Whether an operator stands for the content of a page. */
  public static boolean isAll(Operator operator, List<COSBase> operands) {
    return operator.getName().equals("MP")
        && operands.size() == 1
        && operands.getFirst() instanceof org.apache.pdfbox.cos.COSString s
        && s.getString().equals("decant");
  }

  /** Those of the page, whose fonts and pictures are known already. */
  @Override
  public PDResources getResources() {
    return page.getResources();
  }

  @Override
  public RandomAccessRead getContentsForStreamParsing() {
    return new RandomAccessReadBuffer((ALL + " MP").getBytes(StandardCharsets.US_ASCII));
  }

  /**
   * Runs the page's content.
   *
   * @return whether all of it could be unpacked; what could was run
   * @throws IOException from the engine
   */
  public boolean run(Engine engine) throws IOException {
    Unpacked content = Unpacked.of(page);
    var reader = new ContentReader(content.bytes());
    for (var i = reader.next(); i.isPresent(); i = reader.next()) {
      engine.process(operator(i.get(), content.bytes()), i.get().raw().operands());
    }
    return content.whole();
  }

  private static Operator operator(Instruction i, byte[] bytes) {
    Operator o = Operator.getOperator(i.raw().operator());
    if (i instanceof Instruction.InlineImage image) {
      o.setImageParameters(image.image());
      o.setImageData(java.util.Arrays.copyOfRange(bytes, image.data().from(), image.data().to()));
    }
    return o;
  }

  /**
   * The content of a page.
   *
   * @param whole whether all of it could be unpacked
   */
  public record Unpacked(byte[] bytes, boolean whole) {
    /** Damaged content is what could be unpacked of it. */
    public static Unpacked of(PDPage page) {
      var out = new java.io.ByteArrayOutputStream();
      try (InputStream in = page.getContents()) {
        if (in != null) {
          in.transferTo(out);
        }
        return new Unpacked(out.toByteArray(), true);
      } catch (IOException e) {
        return new Unpacked(out.toByteArray(), false);
      }
    }
  }
}
