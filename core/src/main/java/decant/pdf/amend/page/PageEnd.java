package decant.pdf.amend.page;

import decant.pdf.content.ContentReader;
import decant.pdf.content.Instruction;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;

/**
 * What is painted on a page after all that it has, in a stream of its own: the streams that are
 * there stay byte by byte (ISO 32000-2 §7.8.2).
 */
public final class PageEnd {
  private PageEnd() {}

  /**
   * @param content what the page's streams come to, to see which states they leave open
   * @param operators in the space of the page
   */
  public static void paint(COSDictionary page, byte[] content, byte[] operators)
      throws IOException {
    int depth = 0;
    int lowest = 0;
    var reader = new ContentReader(content);
    for (var i = reader.next(); i.isPresent(); i = reader.next()) {
      if (i.get() instanceof Instruction.Save) {
        depth++;
      } else if (i.get() instanceof Instruction.Restore) {
        depth--;
        lowest = Math.min(lowest, depth);
      }
    }
    int saved = 1 - lowest;
    var all = new COSArray();
    all.add(stream(ascii("q ".repeat(saved) + "\n"), new byte[0]));
    COSBase before = page.getDictionaryObject(COSName.CONTENTS);
    if (before instanceof COSArray parts) {
      for (int k = 0; k < parts.size(); k++) {
        all.add(parts.get(k));
      }
    } else if (before instanceof COSStream) {
      all.add(page.getItem(COSName.CONTENTS));
    }
    all.add(stream(ascii("\n" + "Q ".repeat(saved + depth)), operators));
    page.setItem(COSName.CONTENTS, all);
  }

  private static byte[] ascii(String s) {
    return s.getBytes(StandardCharsets.US_ASCII);
  }

  private static COSStream stream(byte[] first, byte[] then) throws IOException {
    byte[] both = Arrays.copyOf(first, first.length + then.length);
    System.arraycopy(then, 0, both, first.length, then.length);
    var out = new COSStream();
    ContentParts.put(out, both);
    return out;
  }
}
